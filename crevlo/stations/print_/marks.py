"""Phases that a person marks: appended, corrected with a reason, never changed."""

import uuid
from datetime import datetime, timedelta

from pydantic import Field
from sqlalchemy import select
from sqlalchemy.orm import Session

from crevlo.stations.kit.clock import stated_time
from crevlo.stations.kit.shape import Moment, Refused, Shape
from crevlo.stations.phases import paused_s
from crevlo.stations.print_.job import run_by_id
from crevlo.store.device import RunEvent, RunEventKind
from crevlo.store.run import Run


class NewEvent(Shape):
    id: uuid.UUID
    kind: RunEventKind
    at: Moment | None = None
    note: str = Field(default="", max_length=300)
    supersedes_id: uuid.UUID | None = None
    reason: str | None = Field(default=None, min_length=1, max_length=300)


_CLOCKS_APART = timedelta(seconds=5)


def within_run(run: Run, at: datetime, refusal: str) -> datetime:
    """A moment of the run: what was pressed with its start or end is told by a clock that may be a moment off. Raises Refused
    for one that lies further outside."""
    within = max(at, run.started_at)
    within = min(within, run.ended_at) if run.ended_at else within
    if abs(within - at) > _CLOCKS_APART:
        raise Refused(refusal)
    return within


def mark_event(session: Session, run_id: uuid.UUID, given: NewEvent, person_id: uuid.UUID) -> uuid.UUID:
    """Marks the beginning of a phase, or corrects such a mark with its reason; the old one stays. Gives the job."""
    run = run_by_id(session, run_id)
    if (given.supersedes_id is None) != (given.reason is None):
        raise Refused("A correction names the mark it replaces and the reason.")
    if run.outcome is not None and given.supersedes_id is None and given.at is None:
        raise Refused("This run has ended already; give the time of the mark.")
    within = within_run(run, stated_time(given.at), "The mark lies outside the run.")
    if given.supersedes_id and session.scalar(
        select(RunEvent.id).where(RunEvent.supersedes_id == given.supersedes_id)
    ):
        raise Refused("This mark was corrected meanwhile; correct the newer one.")
    session.add(RunEvent(run_id=run.id, at=within, person_id=person_id, **given.model_dump(exclude={"at"})))
    session.flush()
    if run.ended_at is not None:
        run.paused_s = paused_s(session, run, run.job.unit_id)
        session.flush()
    return run.job_id
