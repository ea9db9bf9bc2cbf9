"""Hours and faults of units over their whole life, whatever study they printed for."""

import uuid
from collections import defaultdict
from collections.abc import Collection, Sequence
from dataclasses import dataclass
from datetime import UTC, date, datetime, time

from sqlalchemy import select
from sqlalchemy.orm import Session

from crevlo.core.life.clock import HourClock, hour_clock
from crevlo.core.money import Money
from crevlo.core.success import DEFAULT_COUNTED, Outcome
from crevlo.store.machine import Unit
from crevlo.store.record import LogEntry, LogKind
from crevlo.store.run import Run
from crevlo.store.study import Job

HAZARDS = (LogKind.FIRE, LogKind.SMOKE, LogKind.TINGLE, LogKind.RUNAWAY)
FAULTS = (LogKind.FAULT, *HAZARDS)


@dataclass(frozen=True)
class Past:
    """One unit: its log as it counts, its ended runs in order, and its hours."""

    log: Sequence[LogEntry]
    runs: Sequence[Run]
    clock: HourClock

    @property
    def faults_at(self) -> list[datetime]:
        """When faults of the log and failed prints that count happened, in order."""
        failed = [
            r.ended_at for r in self.runs if r.ended_at and r.outcome is Outcome.FAILED and r.cause in DEFAULT_COUNTED
        ]
        return sorted([*failed, *(e.at for e in self.log if e.kind in FAULTS)])

    @property
    def faults_at_hours(self) -> list[float]:
        """The faults of the time for which its hours are known."""
        return [self.clock.at(t) for t in self.faults_at if self.clock.watches(t)]

    @property
    def hours_from(self) -> str:
        return "by its own counter" if self.clock.by_counter else "of its prints"

    @property
    def hours_need(self) -> str | None:
        """What is missing for a rate by the hours it was watched; None where nothing is."""
        if self.clock.watched > 0:
            return None
        if self.clock.total > 0:
            return "the day on which it came, or a later reading of its hours"
        return "hours run"

    @property
    def spent(self) -> list[Money]:
        """What its log says that upkeep cost."""
        return [Money(e.cost, e.currency, e.at.date()) for e in self.log if e.cost is not None and e.currency]

    def hours_at(self, entry: LogEntry) -> float:
        """As the entry itself says, else by the clock."""
        return entry.hours if entry.hours is not None else self.clock.at(entry.at)


def pasts_of(session: Session, unit_ids: Collection[uuid.UUID]) -> dict[uuid.UUID, Past]:
    """Three questions, however many units."""
    replaced = select(LogEntry.supersedes_id).where(LogEntry.supersedes_id.is_not(None))
    logs: dict[uuid.UUID, list[LogEntry]] = defaultdict(list)
    for entry in session.scalars(
        select(LogEntry)
        .where(LogEntry.unit_id.in_(unit_ids), LogEntry.id.not_in(replaced))
        .order_by(LogEntry.at.desc())
    ):
        logs[entry.unit_id].append(entry)
    runs: dict[uuid.UUID, list[Run]] = defaultdict(list)
    query = select(Job.unit_id, Run).join(Job, Job.id == Run.job_id)
    query = query.where(Job.unit_id.in_(unit_ids), Run.ended_at.is_not(None)).order_by(Run.started_at)
    for unit_id, run in session.execute(query):
        runs[unit_id].append(run)
    arrivals = session.execute(select(Unit.id, Unit.received_on).where(Unit.id.in_(unit_ids))).tuples().all()
    came = dict(arrivals)
    return {i: Past(logs[i], runs[i], _clock(logs[i], runs[i], came.get(i))) for i in unit_ids}


def _clock(log: Sequence[LogEntry], runs: Sequence[Run], came: date | None) -> HourClock:
    counter = [(e.at, e.hours) for e in log if e.hours is not None]
    prints = [(r.started_at, r.ended_at, r.printed_s / 3600) for r in runs if r.ended_at]
    return hour_clock(counter, prints, datetime.combine(came, time(), UTC) if came else None)
