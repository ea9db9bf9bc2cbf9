"""When each phase of a run began and ended: as a person marked it, or as the printer reported it."""

import uuid
from collections.abc import Mapping, Sequence
from datetime import UTC, datetime, timedelta

from sqlalchemy import select, text
from sqlalchemy.orm import Session

from crevlo.core.phases import Phase, Span, spans, total_s
from crevlo.stations.devices.device import devices_of, plugged_in
from crevlo.stations.kit.shape import Shape
from crevlo.store.database import SQL
from crevlo.store.device import DeviceKind, RunEvent, RunEventKind
from crevlo.store.run import Run

_PHASE_CHANGES = text((SQL / "phase_changes.sql").read_text())


class PhaseTime(Shape):
    phase: Phase
    seconds: float


def spans_by_run(
    session: Session, runs: Sequence[Run], unit_of: Mapping[uuid.UUID, uuid.UUID]
) -> dict[uuid.UUID, tuple[list[Span], str]]:
    """Phases of runs in s since 1970, and where they are from: a person's marks first, else the reports of the printer of
    the run's unit."""
    marks = _marks(session, [run.id for run in runs])
    told = _reported(session, [run for run in runs if run.id not in marks], unit_of)
    found: dict[uuid.UUID, tuple[list[Span], str]] = {}
    for run in runs:
        begin, end = run.started_at.timestamp(), (run.ended_at or datetime.now(UTC)).timestamp()
        if run.id in marks:
            found[run.id] = spans(marks[run.id], begin, end), "marked at the machine"
        else:
            reports, printer = told.get(run.id, ([], ""))
            found[run.id] = spans(reports, begin, end), f"reported by {printer}" if reports else ""
    return found


def paused_s(session: Session, run: Run, unit_id: uuid.UUID) -> float:
    """For how long of an ended run the machine stood paused, by marks or its printer's reports, in s."""
    found, _ = spans_by_run(session, [run], {run.id: unit_id})[run.id]
    return total_s(found).get(Phase.PAUSED, 0.0)


def _reported(
    session: Session, runs: Sequence[Run], unit_of: Mapping[uuid.UUID, uuid.UUID]
) -> dict[uuid.UUID, tuple[list[tuple[float, Phase]], str]]:
    """When each run's printer said that a phase began, and the name of that printer."""
    printers = devices_of(session, {unit_of[r.id] for r in runs}, DeviceKind.PRINTER)
    known = [(r, p) for r in runs if (p := plugged_in(printers.get(unit_of[r.id], []), r.started_at))]
    if not known:
        return {}
    found: dict[uuid.UUID, tuple[list[tuple[float, Phase]], str]] = {r.id: ([], p.name) for r, p in known}
    given = {
        "devices": [p.number for _, p in known],
        "begins": [r.started_at - timedelta(seconds=30) for r, _ in known],
        "ends": [r.ended_at or datetime.now(UTC) for r, _ in known],
    }
    for place, at, phase in session.execute(_PHASE_CHANGES, given).tuples():
        found[known[place - 1][0].id][0].append((at.timestamp(), Phase(phase)))
    return found


def _marks(session: Session, run_ids: list[uuid.UUID]) -> dict[uuid.UUID, list[tuple[float, Phase]]]:
    """Phases that people marked, corrections applied, in order of time."""
    found: dict[uuid.UUID, list[tuple[float, Phase]]] = {}
    replaced = select(RunEvent.supersedes_id).where(RunEvent.supersedes_id.is_not(None))
    rows = session.scalars(
        select(RunEvent).where(RunEvent.run_id.in_(run_ids), RunEvent.id.not_in(replaced)).order_by(RunEvent.at)
    )
    for row in rows:
        found.setdefault(row.run_id, []).append((row.at.timestamp(), Phase(row.kind.value)))
    return found


class EventOut(Shape):
    id: uuid.UUID
    kind: RunEventKind
    at: datetime
    note: str


def events_of(session: Session, run_ids: list[uuid.UUID]) -> dict[uuid.UUID, list[EventOut]]:
    replaced = select(RunEvent.supersedes_id).where(RunEvent.supersedes_id.is_not(None))
    found: dict[uuid.UUID, list[EventOut]] = {}
    for row in session.scalars(
        select(RunEvent).where(RunEvent.run_id.in_(run_ids), RunEvent.id.not_in(replaced)).order_by(RunEvent.at)
    ):
        found.setdefault(row.run_id, []).append(EventOut(id=row.id, kind=row.kind, at=row.at, note=row.note))
    return found
