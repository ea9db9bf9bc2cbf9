"""Print: the sliced file on a job, the run with its timer, energy, noise and outcome."""

import uuid
from datetime import UTC, datetime
from functools import partial

from pydantic import Field
from sqlalchemy import select
from sqlalchemy.orm import Session

from crevlo.core.blind import blind_code, place_in_queue
from crevlo.core.success import Cause, Outcome
from crevlo.stations.bench import load_bench
from crevlo.stations.departures import NO_FILE
from crevlo.stations.devices.power import energy_from_meter
from crevlo.stations.entered import current_rejections
from crevlo.stations.kit.change import change
from crevlo.stations.kit.clock import stated_time
from crevlo.stations.kit.shape import MOST_PARTS, Missing, Moment, Refused, Shape, Version
from crevlo.stations.library.unit import configuration_of
from crevlo.stations.phases import paused_s
from crevlo.stations.print_ import sliced
from crevlo.stations.print_.job import policies_of, run_by_id
from crevlo.stations.safety import may_run_unattended, why_not_run
from crevlo.stations.study import current_protocol, job_with_unit, tries_used
from crevlo.stations.surroundings import refuse_unseen
from crevlo.store.run import Run, SlicedFile, Specimen
from crevlo.store.study import Job, ProtocolDeviation, Study


class StartRun(Shape):
    id: uuid.UUID
    started_at: Moment | None = None
    unattended: bool = False
    changed: str = Field(default="", max_length=500)
    deviation_reason: str = Field(default="", max_length=500)
    parts: int | None = Field(
        default=None, ge=1, le=MOST_PARTS, description="on the plate, where the file does not say or says it wrong"
    )

    without_file: bool = Field(default=False, description="nobody has the sliced file, or not yet")


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


def take_file(
    session: Session, job_id: uuid.UUID, file_id: uuid.UUID, name: str, content: bytes, person_id: uuid.UUID,
    plate: int | None = None,
) -> uuid.UUID:  # fmt: skip
    """Takes a sliced file for the next attempt; raises BadInput for what is no G-code, Choose where a plate must be. Gives the job."""
    job = job_with_unit(session, job_id)
    _not_live(session, job)
    sliced.take_file(session, job, file_id, name, content, person_id, plate)
    return job_id


def start_run(session: Session, job_id: uuid.UUID, given: StartRun, person_id: uuid.UUID) -> uuid.UUID:
    """Starts the next attempt. Later attempts say what changed; deviations of the file need a reason. Gives the job."""
    job = job_with_unit(session, job_id)
    _lock(session, job)
    _not_live(session, job)
    if why := load_bench(session, job.study_id, [job.unit_id]).cannot.get(job_id):
        raise Refused(f"It is on record that this machine cannot print it: {why}. Take that back first.")
    policies = policies_of(session, job)
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
        refuse_unseen(session, person_id)
    started = stated_time(given.started_at)
    protocol = current_protocol(session, job.study_id)
    if protocol is None or protocol.frozen_at is None or started < protocol.frozen_at:
        raise Refused("A print cannot start before the protocol was frozen.")
    file = sliced.newest_file(session, job_id)
    if file is None and not given.without_file:
        raise Refused("Drop the sliced file on this job first, so that time and settings are on record.")
    if file is None:
        _without_file(session, job, given.deviation_reason.strip(), person_id)
    elif file.deviations and not _accepted(session, job_id, file):
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
    named = file.facts.get("parts") if file else None
    told = any(
        d["setting"] == sliced.ON_THE_PLATE and d["found"] == str(given.parts)
        for d in (file.deviations if file else [])
    )
    if given.parts is not None and given.parts != job.parts and not told:
        if not given.deviation_reason.strip():
            raise Refused(f"{job.parts} parts were planned on this plate. Say why it is {given.parts}.")
        session.add(
            ProtocolDeviation(
                study_id=job.study_id, job_id=job.id, what=f"{sliced.ON_THE_PLATE} {given.parts} instead of {job.parts}",
                reason=given.deviation_reason.strip(), person_id=person_id,
            )
        )  # fmt: skip
    session.add(
        Run(
            id=given.id, job_id=job_id, parts=given.parts if given.parts is not None else named, attempt=len(tries) + 1, configuration_id=configuration_of(session, job.unit_id).id,
            sliced_file_id=file.id if file else None, unattended=given.unattended, changed=given.changed.strip(),
            started_at=started, person_id=person_id,
        )
    )  # fmt: skip
    session.flush()
    return job_id


def _without_file(session: Session, job: Job, reason: str, person_id: uuid.UUID) -> None:
    """A print whose sliced file nobody has, or not yet, is a departure, once for its job."""
    known = select(ProtocolDeviation.id).where(ProtocolDeviation.job_id == job.id, ProtocolDeviation.what == NO_FILE)
    if session.scalar(known.limit(1)):
        return
    if not reason:
        raise Refused("Say why there is no sliced file of this print.")
    session.add(
        ProtocolDeviation(study_id=job.study_id, job_id=job.id, what=NO_FILE, reason=reason, person_id=person_id)
    )


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


def withdraw_file(session: Session, job_id: uuid.UUID, file_id: uuid.UUID, person_id: uuid.UUID) -> uuid.UUID:
    """Takes a file off a job that was dropped there by mistake; refused once it was printed from. Gives the job."""
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
    return job_id


class FileOfRun(Shape):
    file_id: uuid.UUID


def attach_file(session: Session, run_id: uuid.UUID, given: FileOfRun) -> uuid.UUID:
    """Ties a run that has no file to one of its job's; refused for one that has its own. Gives the job."""
    run = run_by_id(session, run_id)
    file = session.get(SlicedFile, given.file_id)
    if file is None or file.job_id != run.job_id or file.withdrawn_at is not None:
        raise Missing("There is no such file on this print.")
    if run.sliced_file_id is not None:
        raise Refused("It is on record already what this was printed from.")
    change(session, run, run.version, {"sliced_file_id": file.id, "parts": run.parts or file.facts.get("parts")})
    return run.job_id


def end_run(session: Session, run_id: uuid.UUID, given: EndRun) -> uuid.UUID:
    """Stops the timer. A good print becomes a specimen with a blind code at a shuffled place in the queue. Gives the job."""
    run = run_by_id(session, run_id)
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
    run.paused_s = paused_s(session, run, run.job.unit_id)
    energy_from_meter(session, run)
    if given.outcome is Outcome.DONE:
        _bag(session, run)
    return run.job_id


def _bag(session: Session, run: Run) -> None:
    job = job_with_unit(session, run.job_id)
    study = session.scalars(select(Study).where(Study.id == job.study_id).with_for_update()).one()
    codes = set(session.scalars(select(Specimen.blind_code).where(Specimen.study_id == study.id)))
    code, place = (rule(study.blind_secret, str(run.id)) for rule in (partial(blind_code, codes), place_in_queue))
    session.add(Specimen(study_id=study.id, run_id=run.id, blind_code=code, position=place))
    session.flush()


def _lock(session: Session, job: Job) -> None:
    session.execute(select(Job.id).where(Job.id == job.id).with_for_update())


def _not_live(session: Session, job: Job) -> None:
    if session.scalar(select(Run.id).where(Run.job_id == job.id, Run.ended_at.is_(None))):
        raise Refused("This job is printing. End the run first.")
