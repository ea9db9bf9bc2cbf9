"""What happened in the course of a run, in the order of time: marks, notes, alarms, silences of the printer, photos."""

import uuid
from collections.abc import Mapping, Sequence
from datetime import datetime, timedelta
from enum import StrEnum

from pydantic import Field
from sqlalchemy import select, text
from sqlalchemy.orm import Session, aliased

from crevlo.stations.kit.photo import PhotoOut
from crevlo.stations.kit.shape import Shape
from crevlo.stations.phases import EventOut
from crevlo.store.device import AlarmWas, NoteKind, RunNote
from crevlo.store.run import Run

# A printer that reports every few seconds and says nothing for so long has lost its line, or its mind.
SILENT = timedelta(seconds=120)
_MOST_SILENCES = 50


class Happened(StrEnum):
    START = "start"
    PHASE = "phase"
    NOTE = "note"
    ALARM = "alarm"
    SILENCE = "silence"
    PHOTO = "photo"
    END = "end"


class TimelineEntry(Shape):
    at: datetime
    what: Happened
    words: str
    layer: int | None = None
    note_id: uuid.UUID | None = Field(default=None, description="of a note or an alarm, by which it is corrected")
    alarm: AlarmWas | None = None


def timelines(
    session: Session, runs: Sequence[Run], events: Mapping[uuid.UUID, Sequence[EventOut]],
    photos: Mapping[uuid.UUID, Sequence[PhotoOut]],
) -> dict[uuid.UUID, list[TimelineEntry]]:  # fmt: skip
    """By run; one without anything but its start and end has none."""
    ids = [run.id for run in runs]
    notes = current_notes(session, ids)
    silences = _silences(session, ids)
    made = {}
    for run in runs:
        found = [
            TimelineEntry(
                at=e.at, what=Happened.PHASE, words=f"{e.kind.value} begins" + (f": {e.note}" if e.note else "")
            )
            for e in events.get(run.id, [])
        ]
        found += [
            TimelineEntry(at=p.taken_at, what=Happened.PHOTO, words=p.caption or "photo")
            for p in photos.get(run.id, [])
            if run.ended_at is None or p.taken_at <= run.ended_at
        ]
        found += [
            TimelineEntry(
                at=n.at, what=Happened.ALARM if n.kind is NoteKind.ALARM else Happened.NOTE, words=n.words, layer=n.layer,
                note_id=n.id, alarm=n.alarm,
            )
            for n in notes.get(run.id, [])
        ]  # fmt: skip
        found += silences.get(run.id, [])
        if not found:
            continue
        ends = [TimelineEntry(at=run.started_at, what=Happened.START, words="started")]
        if run.ended_at and run.outcome:
            ends.append(
                TimelineEntry(
                    at=run.ended_at, what=Happened.END, words=f"ended: {run.outcome.value}", layer=run.failed_at_layer
                )
            )
        order = list(Happened)
        made[run.id] = sorted([*found, *ends], key=lambda e: (e.at, order.index(e.what)))
    return made


def current_notes(session: Session, run_ids: Sequence[uuid.UUID]) -> dict[uuid.UUID, list[RunNote]]:
    """Notes and alarms by run, corrections applied."""
    newer = aliased(RunNote)
    rows = session.scalars(
        select(RunNote).outerjoin(newer, newer.supersedes_id == RunNote.id)
        .where(RunNote.run_id.in_(run_ids), newer.id.is_(None)).order_by(RunNote.at)
    )  # fmt: skip
    found: dict[uuid.UUID, list[RunNote]] = {}
    for row in rows:
        found.setdefault(row.run_id, []).append(row)
    return found


_SILENCES = text(
    "select of.run_id, of.at, of.next, of.layer from ("
    "  select run.id as run_id, r.at, r.layer, lead(r.at) over (partition by run.id order by r.at) as next"
    "  from run join job on job.id = run.job_id join device on device.unit_id = job.unit_id and device.kind = 'printer'"
    "  join printer_report r on r.device = device.number and r.at >= run.started_at"
    "    and r.at <= coalesce(run.ended_at, now()) where run.id = any(:runs)"
    ") of where of.next - of.at > :silent order by of.at limit :most"
)


def _silences(session: Session, run_ids: Sequence[uuid.UUID]) -> dict[uuid.UUID, list[TimelineEntry]]:
    found: dict[uuid.UUID, list[TimelineEntry]] = {}
    given = {"runs": list(run_ids), "silent": SILENT, "most": _MOST_SILENCES}
    for run_id, at, until, layer in session.execute(_SILENCES, given):
        minutes = (until - at).total_seconds() / 60
        words = f"the printer reported nothing for {minutes:.0f} min"
        found.setdefault(run_id, []).append(TimelineEntry(at=at, what=Happened.SILENCE, words=words, layer=layer))
    return found
