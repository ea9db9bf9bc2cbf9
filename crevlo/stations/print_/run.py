"""Print: the sliced file on a job, the run with its timer, energy, noise and outcome."""

import uuid
from dataclasses import dataclass
from datetime import UTC, datetime, timedelta
from functools import partial
from typing import Any

from pydantic import Field
from sqlalchemy import select
from sqlalchemy.orm import Session

from crevlo.core.blind import blind_code, place_in_queue
from crevlo.core.energy import Columns, trace_energy
from crevlo.core.success import Cause
from crevlo.stations.apart import apart
from crevlo.stations.background import WorkOut
from crevlo.stations.bench import Bench, current_protocol, current_rejections, job_with_unit, load_bench, tries_used
from crevlo.stations.clock import stated_time
from crevlo.stations.devices.power import energy_from_meter
from crevlo.stations.job_state import job_states
from crevlo.stations.library import change, configuration_of
from crevlo.stations.noise import NewNoise, NoiseOut, add_noise, noise_out
from crevlo.stations.photo import PhotoOut, photos_of
from crevlo.stations.plan.protocol import Policies
from crevlo.stations.plan.study import UnitMark, mark_of
from crevlo.stations.print_ import sliced
from crevlo.stations.print_.fault import HypothesisOut, hypotheses_of
from crevlo.stations.print_.power_log import TraceColumns
from crevlo.stations.receive.safety import may_run_unattended, why_not_run
from crevlo.stations.shape import Missing, Moment, Refused, Shape, Version
from crevlo.stations.stock import first_instrument, overdue
from crevlo.stations.upload import keep_upload
from crevlo.store.device import RunEvent, RunEventKind
from crevlo.store.reading import Rejection
from crevlo.store.run import EnergyFrom, NoiseReading, Outcome, Run, SlicedFile, Specimen
from crevlo.store.schedule import WorkState
from crevlo.store.study import Job, ProtocolDeviation, Study

BAGGING = timedelta(minutes=30)


class EventOut(Shape):
    id: uuid.UUID
    kind: RunEventKind
    at: datetime
    note: str


class RunOut(Shape):
    id: uuid.UUID
    version: int
    attempt: int
    unattended: bool
    changed: str
    started_at: datetime
    ended_at: datetime | None
    took_s: float | None
    of_estimate: float | None = Field(description="time taken over the sliced file's estimate")
    outcome: Outcome | None
    cause: Cause | None
    failed_at_percent: float | None
    failed_at_layer: int | None
    uses_attempt: bool = Field(description="false of a run that a person stopped, unless they said that it counts")
    note: str
    energy_kwh: float | None
    energy_low_kwh: float | None
    energy_high_kwh: float | None
    energy_from: EnergyFrom | None
    noise: list[NoiseOut]
    events: list[EventOut] = Field(description="phases marked by a person, corrections applied")
    photos: list[PhotoOut]
    hypotheses: list[HypothesisOut] = Field(description="of a failed run: what may have caused it")
    rejected: str | None = Field(
        description="why the print cannot be used, and the cause; told once machines are known"
    )
    bag_code: str | None = Field(
        description="Blind code for the bag's label; told for half an hour to who runs the bench"
    )


class JobLine(Shape):
    id: uuid.UUID
    machine: UnitMark
    arm: str = Field(description="empty where the study has one arm")
    artifact: str
    spool: str
    copy_number: int
    position: int
    state: str
    attempts: int
    tries_used: int = Field(description="of the attempts that the protocol allows")
    started_at: datetime | None
    estimate_s: float | None
    has_file: bool


class PrintView(Shape):
    now: datetime
    frozen: bool
    most_attempts: int
    jobs: list[JobLine]


class JobView(Shape):
    now: datetime
    id: uuid.UUID
    machine: UnitMark
    copy_number: int
    arm: str
    artifact: str
    spool: str
    file: sliced.FileOut | None
    reading: WorkOut | None = Field(description="a large file that is being read, or could not be")
    runs: list[RunOut]
    most_attempts: int
    tries_used: int
    may_run_unattended: bool
    unattended_refusal: str
    overdue: list[str] = Field(description="meters whose calibration has run out")


class NewEvent(Shape):
    id: uuid.UUID
    kind: RunEventKind
    at: Moment | None = None
    note: str = Field(default="", max_length=300)
    supersedes_id: uuid.UUID | None = None
    reason: str | None = Field(default=None, min_length=1, max_length=300)


class StartRun(Shape):
    id: uuid.UUID
    started_at: Moment | None = None
    unattended: bool = False
    changed: str = Field(default="", max_length=500)
    deviation_reason: str = Field(default="", max_length=500)


class EndRun(Shape):
    version: Version | None = Field(default=None, description="not needed: a run ends once")
    outcome: Outcome
    ended_at: Moment | None = None
    cause: Cause | None = None
    failed_at_percent: float | None = Field(default=None, ge=0, le=100)
    failed_at_layer: int | None = Field(default=None, ge=0, le=100_000)
    uses_attempt: bool = Field(
        default=False, description="of a run that a person stopped: whether it counts as a try"
    )
    note: str = Field(default="", max_length=1000)


class EnergyTyped(Shape):
    version: Version
    energy_wh: float = Field(ge=0, le=1e6)


@dataclass(frozen=True, slots=True)
class _More:
    """What belongs to runs, by run."""

    events: dict[uuid.UUID, list[EventOut]]
    photos: dict[uuid.UUID, list[PhotoOut]]
    hypotheses: dict[uuid.UUID, list[HypothesisOut]]


def view_print(session: Session, study_id: uuid.UUID) -> PrintView:
    bench = load_bench(session, study_id)
    marks = {u.unit_id: mark_of(u) for u in bench.units}
    arms = arm_names(bench)
    lines = [
        JobLine(
            id=job.id, machine=marks[job.unit_id], arm=arms[job.arm_id], artifact=bench.artifacts[job.artifact_id].name,
            spool=bench.spools[job.spool_id].code, copy_number=job.copy, position=job.position,
            state="printing" if job.live else job.outcome.value if job.outcome else "planned",
            attempts=job.tries, tries_used=job.used, started_at=job.started_at if job.live else None,
            estimate_s=job.time_s, has_file=job.has_file,
        )
        for job in job_states(session, study_id)
    ]  # fmt: skip
    policies = Policies(**bench.protocol.policies) if bench.protocol else Policies()
    return PrintView(
        now=datetime.now(UTC), frozen=bool(bench.protocol and bench.protocol.frozen_at),
        most_attempts=policies.most_attempts, jobs=lines,
    )  # fmt: skip


def view_job(session: Session, job_id: uuid.UUID, *, may_bag: bool = True) -> JobView:
    """`may_bag`: whether who looks may be told the code of a print that came off the plate just now."""
    job = job_with_unit(session, job_id)
    bench = load_bench(session, job.study_id, [job.unit_id])
    entry = next(u for u in bench.units if u.unit_id == job.unit_id)
    policies = _policies(session, job)
    open_gate, refusal = may_run_unattended(session, job.unit_id, policies.unattended)
    file = bench.sliced.get(job.id)
    spools = [bench.spools[i] for i in (job.spool_id, job.second_spool_id) if i]
    # Whoever bags it needs the code now; later it would only tell which machine's print it is.
    codes = {
        s.run_id: s.blind_code
        for s in bench.specimens
        if may_bag
        and not bench.readings.get(s.id)
        and not bench.scores.get(s.id)
        and datetime.now(UTC) - s.bagged_at < BAGGING
    }
    # A run is set against the file it was printed from, not against one dropped later.
    estimates: dict[uuid.UUID | None, float | None] = {
        f.id: f.facts.get("time_s") for f in session.scalars(select(SlicedFile).where(SlicedFile.job_id == job.id))
    }
    run_ids = [r.id for r in bench.runs.get(job.id, [])]
    more = _More(_events(session, run_ids), photos_of(session, run_ids), hypotheses_of(session, run_ids))
    return JobView(
        now=datetime.now(UTC), id=job.id, machine=mark_of(entry), copy_number=job.copy,
        arm=arm_names(bench)[job.arm_id], artifact=bench.artifacts[job.artifact_id].name,
        spool=" and ".join(f"{s.code} · {s.colour} {s.material}" for s in spools),
        file=sliced.file_out(file, sliced.accepted_reason(session, job_id)) if file else None,
        reading=_reading(session, job_id, file),
        runs=[
            _run_out(
                r, bench.noise.get(r.id, []), more, codes.get(r.id), estimates.get(r.sliced_file_id),
                bench.rejections.get(r.id) if bench.study.revealed_at else None,
            )
            for r in bench.runs.get(job.id, [])
        ],
        most_attempts=policies.most_attempts, tries_used=tries_used(bench.runs.get(job.id, [])), may_run_unattended=open_gate, unattended_refusal=refusal,
        overdue=[w for kind in ("power meter", "sound meter") if (m := first_instrument(session, kind)) and (w := overdue(m))],
    )  # fmt: skip


def _reading(session: Session, job_id: uuid.UUID, file: SlicedFile | None) -> WorkOut | None:
    work = sliced.reading_now(session, job_id)
    if work is None or work.state in (WorkState.DONE, WorkState.CANCELLED):
        return None
    return work if file is None or work.asked_at > file.received_at else None


def arm_names(bench: Bench) -> dict[uuid.UUID, str]:
    """Names of the arms; nothing where there is only one."""
    arms = bench.protocol.arms if bench.protocol else []
    return {arm.id: arm.name if len(arms) > 1 else "" for arm in arms}


def take_file(
    session: Session, job_id: uuid.UUID, file_id: uuid.UUID, name: str, content: bytes, person_id: uuid.UUID
) -> JobView:
    """Takes a sliced file for the next attempt; raises BadInput for what is no G-code."""
    job = job_with_unit(session, job_id)
    _not_live(session, job)
    sliced.take_file(session, job, file_id, name, content, person_id)
    return view_job(session, job_id)


def start_run(session: Session, job_id: uuid.UUID, given: StartRun, person_id: uuid.UUID) -> JobView:
    """Starts the next attempt. Later attempts say what changed; deviations of the file need a reason."""
    job = job_with_unit(session, job_id)
    _lock(session, job)
    _not_live(session, job)
    policies = _policies(session, job)
    tries = list(session.scalars(select(Run).where(Run.job_id == job_id).order_by(Run.attempt)))
    if tries and tries[-1].outcome is Outcome.DONE and not _rejected(session, tries[-1].id):
        raise Refused("This job has its good print already.")
    if tries_used(tries) >= policies.most_attempts:
        raise Refused(f"The protocol allows {policies.most_attempts} attempts; all are used.")
    if tries and not given.changed.strip():
        raise Refused("Say what changed since the last attempt.")
    ended = why_not_run(session, job.unit_id)
    if ended:
        raise Refused(ended)
    if given.unattended:
        open_gate, refusal = may_run_unattended(session, job.unit_id, policies.unattended)
        if not open_gate:
            raise Refused(refusal)
    started = stated_time(given.started_at)
    protocol = current_protocol(session, job.study_id)
    if protocol is None or protocol.frozen_at is None or started < protocol.frozen_at:
        raise Refused("A print cannot start before the protocol was frozen.")
    file = sliced.newest_file(session, job_id)
    if file is None:
        raise Refused("Drop the sliced file on this job first, so that time and settings are on record.")
    if file.deviations and not _accepted(session, job_id, file):
        if not given.deviation_reason.strip():
            raise Refused("The sliced file departs from the protocol. Give the reason, or slice it again.")
        session.add(
            ProtocolDeviation(
                study_id=job.study_id,
                job_id=job.id,
                what=_departs(file),
                reason=given.deviation_reason.strip(),
                person_id=person_id,
            )
        )
    session.add(
        Run(
            id=given.id, job_id=job_id, attempt=len(tries) + 1, configuration_id=configuration_of(session, job.unit_id).id,
            sliced_file_id=file.id, unattended=given.unattended, changed=given.changed.strip(),
            started_at=started, person_id=person_id,
        )
    )  # fmt: skip
    session.flush()
    return view_job(session, job_id)


def _rejected(session: Session, run_id: uuid.UUID) -> bool:
    specimen = session.scalar(select(Specimen.id).where(Specimen.run_id == run_id))
    return specimen is not None and bool(current_rejections(session, [specimen]))


def _departs(file: SlicedFile) -> str:
    return "; ".join(
        f"{d['setting']} {d['found']} instead of {d['wanted']} {d['unit']}".strip() for d in file.deviations
    )


def _accepted(session: Session, job_id: uuid.UUID, file: SlicedFile) -> bool:
    """Whether this very departure was given its reason at an earlier try."""
    return bool(
        session.scalar(
            select(ProtocolDeviation.id).where(
                ProtocolDeviation.job_id == job_id, ProtocolDeviation.what == _departs(file)
            ).limit(1)
        )
    )  # fmt: skip


def withdraw_file(session: Session, job_id: uuid.UUID, file_id: uuid.UUID, person_id: uuid.UUID) -> JobView:
    """Takes a file off a job that was dropped there by mistake; refused once it was printed from."""
    job = job_with_unit(session, job_id)
    _lock(session, job)
    file = session.get(SlicedFile, file_id)
    if file is None or file.job_id != job_id or file.withdrawn_at is not None:
        raise Missing("There is no such file on this print.")
    if session.scalar(select(Run.id).where(Run.sliced_file_id == file_id).limit(1)):
        raise Refused(
            "This file was printed from, so it stays on record. Drop the right one: it counts from the next try on."
        )
    file.withdrawn_at, file.withdrawn_by = datetime.now(UTC), person_id
    session.flush()
    return view_job(session, job_id)


def end_run(session: Session, run_id: uuid.UUID, given: EndRun) -> JobView:
    """Stops the timer. A good print becomes a specimen with a blind code at a shuffled place in the queue."""
    run = _run(session, run_id)
    if run.outcome is not None:
        raise Refused("This run has ended already.")
    if given.outcome is Outcome.FAILED and given.cause is None:
        raise Refused("Give the cause of the failure; “unknown” is one.")
    ended = stated_time(given.ended_at)
    if ended < run.started_at:
        raise Refused("The run cannot end before it started.")
    change(
        session, run, run.version if given.version is None else given.version,
        {
            "outcome": given.outcome, "ended_at": ended, "note": given.note,
            "uses_attempt": given.outcome is not Outcome.STOPPED or given.uses_attempt,
            "cause": given.cause if given.outcome is Outcome.FAILED else None,
            "failed_at_percent": given.failed_at_percent if given.outcome is Outcome.FAILED else None,
            "failed_at_layer": given.failed_at_layer if given.outcome is Outcome.FAILED else None,
        },
    )  # fmt: skip
    energy_from_meter(session, run)
    if given.outcome is Outcome.DONE:
        _bag(session, run)
    return view_job(session, run.job_id)


_CLOCKS_APART = timedelta(seconds=5)


def mark_event(session: Session, run_id: uuid.UUID, given: NewEvent, person_id: uuid.UUID) -> JobView:
    """Marks the beginning of a phase, or corrects such a mark with its reason; the old one stays."""
    run = _run(session, run_id)
    if (given.supersedes_id is None) != (given.reason is None):
        raise Refused("A correction names the mark it replaces and the reason.")
    if run.outcome is not None and given.supersedes_id is None and given.at is None:
        raise Refused("This run has ended already; give the time of the mark.")
    at = stated_time(given.at)
    # Pressed with the start or the end, and told by a clock that is a moment off.
    within = max(at, run.started_at)
    within = min(within, run.ended_at) if run.ended_at else within
    if abs(within - at) > _CLOCKS_APART:
        raise Refused("The mark lies outside the run.")
    if given.supersedes_id and session.scalar(
        select(RunEvent.id).where(RunEvent.supersedes_id == given.supersedes_id)
    ):
        raise Refused("This mark was corrected meanwhile; correct the newer one.")
    session.add(RunEvent(run_id=run.id, at=within, person_id=person_id, **given.model_dump(exclude={"at"})))
    session.flush()
    return view_job(session, run.job_id)


def type_energy(session: Session, run_id: uuid.UUID, given: EnergyTyped) -> JobView:
    run = _run(session, run_id)
    meter = first_instrument(session, "power meter")
    kwh = given.energy_wh / 1000
    change(
        session, run, given.version,
        {"energy_kwh": kwh, "energy_low_kwh": kwh, "energy_high_kwh": kwh, "energy_from": EnergyFrom.METER,
         "trace_sha256": None, "instrument_id": meter.id if meter else None},
    )  # fmt: skip
    return view_job(session, run.job_id)


def take_trace(
    session: Session, run_id: uuid.UUID, version: int, content: bytes, columns: TraceColumns | None = None
) -> JobView:
    """Integrates a power trace; gaps stay visible as the bounds of the energy."""
    run = _run(session, run_id)
    energy = apart(
        "this log", 25.0, 1000, trace_energy, content, Columns(**columns.model_dump()) if columns else None
    )
    meter = first_instrument(session, "power meter")
    change(
        session, run, version,
        {"energy_kwh": energy.kwh, "energy_low_kwh": energy.low_kwh, "energy_high_kwh": energy.high_kwh,
         "energy_from": EnergyFrom.TRACE, "trace_sha256": keep_upload(session, content),
         "trace_columns": columns.model_dump() if columns else None,
         "instrument_id": meter.id if meter else None},
    )  # fmt: skip
    return view_job(session, run.job_id)


def record_noise(session: Session, run_id: uuid.UUID, given: NewNoise, person_id: uuid.UUID) -> JobView:
    run = _run(session, run_id)
    add_noise(session, given, person_id, run_id=run.id)
    return view_job(session, run.job_id)


def _events(session: Session, run_ids: list[uuid.UUID]) -> dict[uuid.UUID, list[EventOut]]:
    replaced = select(RunEvent.supersedes_id).where(RunEvent.supersedes_id.is_not(None))
    found: dict[uuid.UUID, list[EventOut]] = {}
    for row in session.scalars(
        select(RunEvent).where(RunEvent.run_id.in_(run_ids), RunEvent.id.not_in(replaced)).order_by(RunEvent.at)
    ):
        found.setdefault(row.run_id, []).append(EventOut(id=row.id, kind=row.kind, at=row.at, note=row.note))
    return found


def _run_out(
    run: Run,
    noise: list[NoiseReading],
    more: _More,
    bag_code: str | None,
    estimate_s: float | None,
    rejection: Rejection | None,
) -> RunOut:
    took_s = (run.ended_at - run.started_at).total_seconds() if run.ended_at else None
    made: dict[str, Any] = {"noise": noise_out(noise), "events": more.events.get(run.id, []), "photos": more.photos.get(run.id, []),
            "hypotheses": more.hypotheses.get(run.id, []), "bag_code": bag_code, "took_s": took_s,
            "of_estimate": took_s / estimate_s if took_s and estimate_s else None,
            "rejected": f"{rejection.words} Cause: {rejection.cause.value}." if rejection else None}  # fmt: skip
    return RunOut(**made, **{name: getattr(run, name) for name in RunOut.model_fields if name not in made})


def _bag(session: Session, run: Run) -> None:
    job = job_with_unit(session, run.job_id)
    study = session.scalars(select(Study).where(Study.id == job.study_id).with_for_update()).one()
    codes = set(session.scalars(select(Specimen.blind_code).where(Specimen.study_id == study.id)))
    code, place = (rule(study.blind_secret, str(run.id)) for rule in (partial(blind_code, codes), place_in_queue))
    session.add(Specimen(study_id=study.id, run_id=run.id, blind_code=code, position=place))
    session.flush()


def _run(session: Session, run_id: uuid.UUID) -> Run:
    run = session.get(Run, run_id)
    if run is None:
        raise Missing("There is no such run.")
    return run


def _lock(session: Session, job: Job) -> None:
    session.execute(select(Job.id).where(Job.id == job.id).with_for_update())


def _not_live(session: Session, job: Job) -> None:
    if session.scalar(select(Run.id).where(Run.job_id == job.id, Run.ended_at.is_(None))):
        raise Refused("This job is printing. End the run first.")


def _policies(session: Session, job: Job) -> Policies:
    protocol = current_protocol(session, job.study_id)
    return Policies(**protocol.policies) if protocol else Policies()
