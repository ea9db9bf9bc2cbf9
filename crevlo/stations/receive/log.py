"""A unit's log of ownership, and its faults by the hours run."""

import uuid
from collections.abc import Sequence
from datetime import datetime
from typing import Any

from pydantic import Field
from sqlalchemy import select
from sqlalchemy.orm import Session

from crevlo.core.success import fault_rate
from crevlo.stations.kit.clock import stated_time
from crevlo.stations.kit.shape import Moment, Refused, Shape
from crevlo.stations.past import HAZARDS, Past
from crevlo.store.record import (
    LogEntry,
    LogKind,
)


class LogOut(Shape):
    id: uuid.UUID
    kind: LogKind
    at: datetime
    hours: float | None
    words: str
    cost: float | None
    currency: str | None
    corrected: bool


class NewLog(Shape):
    id: uuid.UUID
    kind: LogKind
    at: Moment | None = None
    hours: float | None = Field(default=None, ge=0, le=1e6)
    words: str = Field(default="", max_length=500)
    cost: float | None = Field(default=None, ge=0, le=1e6)
    supersedes_id: uuid.UUID | None = None
    reason: str | None = Field(default=None, min_length=1, max_length=300)


class FaultsOut(Shape):
    """Faults of the log and failed prints that count in a unit's whole life, over the hours that it was watched; false alarms
    of a detector apart."""

    faults: int
    false_alarms: int
    hours: float
    hours_from: str
    median_per_100h: float | None
    low: float | None
    high: float | None
    needs: str | None


def add_log(session: Session, unit_id: uuid.UUID, given: NewLog, person_id: uuid.UUID, currency: str) -> None:
    """Keeps an entry of a unit's log; what it cost is in `currency`."""
    if (given.supersedes_id is None) != (given.reason is None):
        raise Refused("A correction names the entry it replaces and the reason.")
    if given.kind is LogKind.HOURS and given.hours is None:
        raise Refused("Give the hours that the counter shows.")
    if given.kind is LogKind.REOPENED and not given.words.strip():
        raise Refused("Say why testing may go on: what was found, what was done, and who looked at it.")
    if given.kind is not LogKind.HOURS and not given.words.strip():
        raise Refused("Say what it was.")
    if given.kind is LogKind.REOPENED and not any(e.kind in HAZARDS for e in log_of(session, unit_id)):
        raise Refused("Nothing on this unit's log has ended testing.")
    fields = given.model_dump() | {"at": stated_time(given.at), "currency": None if given.cost is None else currency}
    session.add(LogEntry(unit_id=unit_id, person_id=person_id, **fields))
    session.flush()


def log_of(session: Session, unit_id: uuid.UUID) -> Sequence[LogEntry]:
    replaced = select(LogEntry.supersedes_id).where(LogEntry.supersedes_id.is_not(None))
    return session.scalars(
        select(LogEntry).where(LogEntry.unit_id == unit_id, LogEntry.id.not_in(replaced)).order_by(LogEntry.at.desc())
    ).all()  # fmt: skip


def faults(past: Past) -> FaultsOut:
    found, watched = past.faults_at_hours, past.clock.watched
    alarms = sum(e.kind is LogKind.FALSE_ALARM for e in past.log)
    fields: dict[str, Any] = {
        "faults": len(found), "false_alarms": alarms, "hours": watched, "hours_from": past.hours_from, "needs": past.hours_need,
    }  # fmt: skip
    if past.hours_need:
        return FaultsOut(**fields, median_per_100h=None, low=None, high=None)
    rate = fault_rate(len(found), watched)
    return FaultsOut(**fields, median_per_100h=rate.median, low=rate.low, high=rate.high)
