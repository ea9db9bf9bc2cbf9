"""A run typed afterwards, from a stopwatch and a sheet of paper: start, end, pauses and outcome at once."""

import uuid
from datetime import datetime, timedelta

from pydantic import Field
from sqlalchemy import func, select
from sqlalchemy.orm import Session

from crevlo.core.success import Cause, Outcome
from crevlo.stations.kit.clock import stated_time
from crevlo.stations.kit.shape import MOST_PARTS, Moment, Refused, Shape
from crevlo.stations.print_.job import run_by_id
from crevlo.stations.print_.marks import NewEvent, mark_event
from crevlo.stations.print_.run import EndRun, StartRun, end_run, start_run
from crevlo.stations.study import job_with_unit
from crevlo.store.device import RunEventKind
from crevlo.store.machine import Unit
from crevlo.store.run import Run
from crevlo.store.study import Job

_MOST_PAUSES = 50
_LONGEST = timedelta(days=30)


class Pause(Shape):
    begin: Moment
    end: Moment


class PaperRun(Shape):
    """A whole try as it was written down; moments with their zone, so that a clock that was set does not matter."""

    id: uuid.UUID
    started_at: Moment
    ended_at: Moment
    pauses: list[Pause] = Field(default=[], max_length=_MOST_PAUSES)
    outcome: Outcome
    cause: Cause | None = None
    failed_at_percent: float | None = Field(default=None, ge=0, le=100)
    uses_attempt: bool = False
    changed: str = Field(default="", max_length=500)
    deviation_reason: str = Field(default="", max_length=500)
    without_file: bool = False
    parts: int | None = Field(default=None, ge=1, le=MOST_PARTS)
    note: str = Field(default="", max_length=1000)


def enter_run(session: Session, job_id: uuid.UUID, given: PaperRun, person_id: uuid.UUID) -> uuid.UUID:
    """Keeps all of it or nothing. Refused in words where moments are out of order, or the machine printed something else then. Gives the job."""
    began, ended = stated_time(given.started_at), stated_time(given.ended_at)
    if ended <= began:
        raise Refused("The end comes before the start.")
    if ended - began > _LONGEST:
        raise Refused("A print of over 30 days is a slip of the pen.")
    job = job_with_unit(session, job_id)
    _alone(session, job, given)
    start_run(
        session, job_id,
        StartRun(
            id=given.id, started_at=given.started_at, changed=given.changed, deviation_reason=given.deviation_reason,
            without_file=given.without_file, parts=given.parts,
        ),
        person_id,
    )  # fmt: skip
    run_by_id(session, given.id).from_paper = True
    for kind, at in _marks(given, began, ended):
        mark_event(session, given.id, NewEvent(id=uuid.uuid4(), kind=kind, at=at), person_id)
    end_run(
        session, given.id,
        EndRun(
            outcome=given.outcome, ended_at=given.ended_at, cause=given.cause, failed_at_percent=given.failed_at_percent,
            uses_attempt=given.uses_attempt, note=given.note,
        ),
    )  # fmt: skip
    return job_id


def _marks(given: PaperRun, began: datetime, ended: datetime) -> list[tuple[RunEventKind, datetime]]:
    """What began when, where there were pauses: no two at the same moment, of which one would hide the other."""
    pauses = sorted((stated_time(p.begin), stated_time(p.end)) for p in given.pauses)
    last = began
    for stopped, went_on in pauses:
        if not last <= stopped < went_on <= ended:
            raise Refused("Pauses lie within the print, one after another, each with its end after its beginning.")
        last = went_on
    if pauses and sum((went_on - stopped for stopped, went_on in pauses), timedelta()) >= ended - began:
        raise Refused("The pauses leave no time of printing.")
    starts = {stopped for stopped, _ in pauses}
    printing = [at for at in (began, *(went_on for _, went_on in pauses)) if at not in starts and at < ended]
    marks = [(RunEventKind.PAUSED, at) for at in starts] + [(RunEventKind.PRINTING, at) for at in printing]
    return sorted(marks, key=lambda mark: mark[1]) if pauses else []


def _alone(session: Session, job: Job, given: PaperRun) -> None:
    """A machine prints one thing at a time, and the tries at a print follow each other."""
    began, ended = stated_time(given.started_at), stated_time(given.ended_at)
    # Two that are typed at once for one machine come one after the other.
    session.execute(select(Unit.id).where(Unit.id == job.unit_id).with_for_update())
    other = session.execute(
        select(Run, Job).join(Job, Job.id == Run.job_id)
        .where(Job.unit_id == job.unit_id, Run.started_at < ended, func.coalesce(Run.ended_at, func.now()) > began)
        .order_by(Run.started_at).limit(1)
    ).first()  # fmt: skip
    if other is not None:
        run = other[0]
        until = f"to {run.ended_at:%d %b %Y, %H:%M} UTC" if run.ended_at else "and still prints"
        raise Refused(
            f"The machine printed something else then: from {run.started_at:%d %b %Y, %H:%M} {until}. Check the times."
        )
    latest = session.scalar(select(func.max(Run.ended_at)).where(Run.job_id == job.id))
    if latest is not None and began < latest:
        raise Refused("This try began before the one before it had ended.")
