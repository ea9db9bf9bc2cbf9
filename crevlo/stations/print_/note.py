"""Notes of what happened in a run, and alarms of detectors: appended, corrected with a reason, never changed."""

import uuid
from datetime import datetime

from pydantic import Field
from sqlalchemy import select, text
from sqlalchemy.orm import Session

from crevlo.stations.kit.clock import stated_time
from crevlo.stations.kit.shape import Moment, Refused, Shape
from crevlo.stations.print_.job import run_by_id
from crevlo.stations.print_.marks import within_run
from crevlo.store.device import AlarmWas, NoteKind, RunNote


class NewNote(Shape):
    """What happened, at a layer or a moment; of a detector's alarm whether it was right."""

    id: uuid.UUID
    kind: NoteKind = NoteKind.NOTE
    words: str = Field(min_length=1, max_length=500)
    layer: int | None = Field(default=None, ge=0, le=100_000)
    at: Moment | None = None
    alarm: AlarmWas | None = None
    supersedes_id: uuid.UUID | None = None
    reason: str | None = Field(default=None, min_length=1, max_length=300)


def add_note(session: Session, run_id: uuid.UUID, given: NewNote, person_id: uuid.UUID) -> uuid.UUID:
    """A layer that nobody names is the one that the printer reported last, where it did within two minutes. Gives the job."""
    run = run_by_id(session, run_id)
    if (given.supersedes_id is None) != (given.reason is None):
        raise Refused("A correction names the note it replaces and the reason.")
    if (given.kind is NoteKind.ALARM) != (given.alarm is not None):
        raise Refused("Of an alarm say whether it was right; “not known” is an answer.")
    old = session.get(RunNote, given.supersedes_id) if given.supersedes_id else None
    if given.supersedes_id and (old is None or old.run_id != run_id):
        raise Refused("The note that this replaces is not one of this run.")
    if old and session.scalar(select(RunNote.id).where(RunNote.supersedes_id == old.id)):
        raise Refused("This note was corrected meanwhile; correct the newer one.")
    at = stated_time(given.at) if given.at or not old else old.at
    if given.at is None and old is None and run.ended_at is not None:
        raise Refused("This run has ended already; say when it happened.")
    within = within_run(run, at, "That lies outside the run.")
    layer = given.layer if given.layer is not None else old.layer if old else _reported_layer(session, run_id, within)
    session.add(
        RunNote(
            run_id=run_id, at=within, layer=layer, person_id=person_id, **given.model_dump(exclude={"at", "layer"})
        )
    )
    session.flush()
    return run.job_id


_LAYER = text(
    "select r.layer from run join job on job.id = run.job_id"
    " join device on device.unit_id = job.unit_id and device.kind = 'printer'"
    " join printer_report r on r.device = device.number"
    " where run.id = :run and r.at <= :at and r.at > :at - interval '2 minutes' order by r.at desc limit 1"
)


def _reported_layer(session: Session, run_id: uuid.UUID, at: datetime) -> int | None:
    return session.scalar(_LAYER, {"run": run_id, "at": at})
