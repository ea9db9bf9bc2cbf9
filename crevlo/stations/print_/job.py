"""The queue of prints, and one print with its tries, as they are shown."""

import uuid
from collections.abc import Collection, Sequence
from dataclasses import dataclass
from datetime import UTC, datetime, timedelta
from typing import Any

from pydantic import Field
from sqlalchemy import select
from sqlalchemy.orm import Session

from crevlo.core.batch import iteration_clock
from crevlo.core.success import Cause, Outcome
from crevlo.stations.background import WorkOut
from crevlo.stations.bench import load_bench
from crevlo.stations.inspect.look import LookOut, plate_look
from crevlo.stations.job_state import JobState, job_states
from crevlo.stations.kit.mark import UnitMark, mark_of
from crevlo.stations.kit.photo import PhotoOut, photos_of
from crevlo.stations.kit.shape import Missing, Shape
from crevlo.stations.library.instrument import MeterOut, meters_of
from crevlo.stations.library.model import doubt_of
from crevlo.stations.noise import NoiseOut, noise_out
from crevlo.stations.phases import EventOut, events_of
from crevlo.stations.print_ import sliced
from crevlo.stations.print_.fault import HypothesisOut, hypotheses_of
from crevlo.stations.print_.timeline import TimelineEntry, timelines
from crevlo.stations.protocol import Policies
from crevlo.stations.safety import may_run_unattended
from crevlo.stations.study import current_protocol, job_with_unit, tries_used
from crevlo.store.machine import InstrumentKind
from crevlo.store.reading import Rejection
from crevlo.store.run import EnergyFrom, NoiseReading, Run, SlicedFile
from crevlo.store.schedule import WorkState
from crevlo.store.study import Job

BAGGING = timedelta(minutes=30)


class RunOut(Shape):
    id: uuid.UUID
    version: int
    attempt: int
    parts: int = Field(description="that lay on the plate")
    unattended: bool
    changed: str
    started_at: datetime
    ended_at: datetime | None
    took_s: float | None = Field(description="from start to end, pauses included")
    paused_s: float
    until_s: float | None = Field(
        description="of printing from the first try to the end of this one; none while it prints"
    )
    recorded_at: datetime
    from_paper: bool = Field(description="typed afterwards, from what was written down")
    has_file: bool = Field(description="whether it is on record what it was printed from")
    of_estimate: float | None = Field(description="time taken over the sliced file's estimate")
    outcome: Outcome | None
    cause: Cause | None
    failed_at_percent: float | None
    failed_at_layer: int | None
    uses_attempt: bool = Field(description="false of a run that a person stopped, unless they said that it counts")
    note: str
    model_g: float | None = Field(description="what the parts on the plate weighed")
    waste_g: float | None = Field(description="what was purged, and the tower")
    energy_kwh: float | None
    energy_low_kwh: float | None
    energy_high_kwh: float | None
    energy_from: EnergyFrom | None
    noise: list[NoiseOut]
    events: list[EventOut] = Field(description="phases marked by a person, corrections applied")
    photos: list[PhotoOut]
    hypotheses: list[HypothesisOut] = Field(description="what may have caused a failure, or what was odd")
    rejected: str | None = Field(
        description="why the print cannot be used, and the cause; told once machines are known"
    )
    timeline: list[TimelineEntry] = Field(description="what happened in its course; empty where nothing was noted")
    plate: LookOut | None = Field(description="the look at what lies on the plate; none where nothing came off")
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
    added: str = Field(description="what it is outside the plan; empty for a planned one")
    counts: bool


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
    parts: int = Field(description="planned on this plate")
    added: str = Field(description="what it is outside the plan; empty for a planned one")
    counts: bool = Field(description="whether it stands beside the planned copies in every figure")
    doubt: str = Field(description="what speaks against this material on this machine; empty where nothing does")
    cannot: str = Field(description="why its machine cannot print it; empty where it can")
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
    meters: list[MeterOut] = Field(description="power and sound meters to read with")


@dataclass(frozen=True, slots=True)
class _More:
    """What belongs to runs, by run."""

    events: dict[uuid.UUID, list[EventOut]]
    photos: dict[uuid.UUID, list[PhotoOut]]
    hypotheses: dict[uuid.UUID, list[HypothesisOut]]
    plates: dict[uuid.UUID, LookOut | None]
    until_s: dict[uuid.UUID, float]
    timelines: dict[uuid.UUID, list[TimelineEntry]]


def view_print(session: Session, study_id: uuid.UUID) -> PrintView:
    bench = load_bench(session, study_id)
    marks = {u.unit_id: mark_of(u) for u in bench.units}
    arms = bench.arm_names
    lines = [
        JobLine(
            id=job.id, machine=marks[job.unit_id], arm=arms[job.arm_id], artifact=bench.artifacts[job.artifact_id].name,
            spool=bench.spools[job.spool_id].code, copy_number=job.copy, position=job.position,
            state=_state_of(job, bench.cannot),
            attempts=job.tries, tries_used=job.used, started_at=job.started_at if job.live else None,
            estimate_s=job.time_s, has_file=job.has_file, added=job.added, counts=job.counts,
        )
        for job in job_states(session, study_id)
    ]  # fmt: skip
    policies = Policies(**bench.protocol.policies) if bench.protocol else Policies()
    return PrintView(
        now=datetime.now(UTC), frozen=bool(bench.protocol and bench.protocol.frozen_at),
        most_attempts=policies.most_attempts, jobs=lines,
    )  # fmt: skip


def _state_of(job: JobState, cannot: Collection[uuid.UUID]) -> str:
    if job.live:
        return "printing"
    if job.id in cannot and job.outcome is not Outcome.DONE:
        return "cannot"
    return job.outcome.value if job.outcome else "planned"


def view_job(session: Session, job_id: uuid.UUID, *, may_bag: bool = True) -> JobView:
    """`may_bag`: whether who looks may be told the code of a print that came off the plate just now."""
    job = job_with_unit(session, job_id)
    bench = load_bench(session, job.study_id, [job.unit_id])
    entry = next(u for u in bench.units if u.unit_id == job.unit_id)
    policies = policies_of(session, job)
    open_gate, refusal = may_run_unattended(session, job.unit_id, policies.unattended)
    file = bench.sliced.get(job.id)
    spools = [bench.spools[i] for i in job.spool_ids]
    # Whoever bags it needs the code now; later it would only tell which machine's print it is.
    codes = {
        s.run_id: s.blind_code
        for s in bench.specimens
        if may_bag and bench.untouched(s.id) and datetime.now(UTC) - s.bagged_at < BAGGING
    }
    # A run is set against the file it was printed from, not against one dropped later.
    estimates: dict[uuid.UUID | None, float | None] = {
        f.id: f.facts.get("time_s") for f in session.scalars(select(SlicedFile).where(SlicedFile.job_id == job.id))
    }
    run_ids = [r.id for r in bench.runs.get(job.id, [])]
    plates = {r.id: plate_look(session, r.id) for r in bench.runs.get(job.id, []) if r.outcome is Outcome.DONE}
    mine = bench.runs.get(job.id, [])
    events, photos = events_of(session, run_ids), photos_of(session, run_ids)
    more = _More(
        events,
        photos,
        hypotheses_of(session, run_ids),
        plates,
        _clock(mine),
        timelines(session, mine, events, photos),
    )
    return JobView(
        now=datetime.now(UTC), id=job.id, machine=mark_of(entry), copy_number=job.copy, parts=job.parts, added=job.added, counts=job.counts, cannot=bench.cannot.get(job.id, ""),
        doubt=next((d for s in spools if (d := doubt_of(job.unit.model, s.material))), ""), arm=bench.arm_names[job.arm_id], artifact=bench.artifacts[job.artifact_id].name,
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
        meters=meters_of(session, InstrumentKind.POWER_METER, InstrumentKind.SOUND_METER),
    )  # fmt: skip


def _clock(runs: Sequence[Run]) -> dict[uuid.UUID, float]:
    """The clock of a part's tries: by run the s of printing up to its end, nights and pauses left out."""
    ended = [run for run in runs if run.printed_s > 0]
    clock = iteration_clock([run.printed_s for run in ended], 0.0).to_try_s if ended else ()
    return {run.id: s for run, s in zip(ended, clock, strict=True)}


def _reading(session: Session, job_id: uuid.UUID, file: SlicedFile | None) -> WorkOut | None:
    work = sliced.reading_now(session, job_id)
    if work is None or work.state in (WorkState.DONE, WorkState.CANCELLED):
        return None
    return work if file is None or work.asked_at > file.received_at else None


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
            "hypotheses": more.hypotheses.get(run.id, []), "timeline": more.timelines.get(run.id, []), "plate": more.plates.get(run.id), "bag_code": bag_code, "took_s": took_s,
            "parts": run.parts or run.job.parts, "until_s": more.until_s.get(run.id),
            "has_file": run.sliced_file_id is not None,
            "of_estimate": run.printed_s / estimate_s if took_s and estimate_s else None,
            "rejected": f"{rejection.words} Cause: {rejection.cause.value}." if rejection else None}  # fmt: skip
    return RunOut(**made, **{name: getattr(run, name) for name in RunOut.model_fields if name not in made})


def run_by_id(session: Session, run_id: uuid.UUID) -> Run:
    run = session.get(Run, run_id)
    if run is None:
        raise Missing("There is no such run.")
    return run


def policies_of(session: Session, job: Job) -> Policies:
    protocol = current_protocol(session, job.study_id)
    return Policies(**protocol.policies) if protocol else Policies()
