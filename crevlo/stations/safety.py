"""The safety record of units: checks, hazards and repairs, and whether anything may be printed on them."""

import uuid
from collections import defaultdict
from collections.abc import Iterable

from sqlalchemy import select
from sqlalchemy.orm import Session

from crevlo.core.safety import EventKind, SafetyEvent, SafetyRecord, safety_record
from crevlo.stations.checks import ENDING, TITLES
from crevlo.store.machine import Check, CheckResult, Configuration, SafetyCheck
from crevlo.store.record import LogEntry, LogKind

_LOGGED = {
    LogKind.FIRE: EventKind.FIRE, LogKind.SMOKE: EventKind.SMOKE, LogKind.TINGLE: EventKind.TINGLE,
    LogKind.RUNAWAY: EventKind.RUNAWAY, LogKind.REPAIR: EventKind.REPAIR, LogKind.PART: EventKind.REPAIR,
    LogKind.REOPENED: EventKind.REOPENED,
}  # fmt: skip
_ENDING_TITLES = tuple(TITLES[kind] for kind in ENDING)


def safety_records(session: Session, unit_ids: Iterable[uuid.UUID]) -> dict[uuid.UUID, SafetyRecord]:
    """Of every unit asked for, in whatever study it happened."""
    ids = list(unit_ids)
    events: dict[uuid.UUID, list[SafetyEvent]] = defaultdict(list)
    for check in session.scalars(select(SafetyCheck).where(SafetyCheck.unit_id.in_(ids))):
        kind = EventKind.PASSED if check.result is CheckResult.PASS else EventKind.FAILED
        events[check.unit_id].append(SafetyEvent(kind, check.done_at, check.note, TITLES[check.kind]))
    replaced = select(LogEntry.supersedes_id).where(LogEntry.supersedes_id.is_not(None))
    for entry in session.scalars(
        select(LogEntry).where(
            LogEntry.unit_id.in_(ids), LogEntry.kind.in_(list(_LOGGED)), LogEntry.id.not_in(replaced)
        )
    ):
        events[entry.unit_id].append(SafetyEvent(_LOGGED[entry.kind], entry.at, entry.words))
    before: dict[uuid.UUID, str] = {}
    for row in session.scalars(
        select(Configuration)
        .where(Configuration.unit_id.in_(ids))
        .order_by(Configuration.unit_id, Configuration.number)
    ):
        if row.unit_id in before and row.parts != before[row.unit_id]:
            words = f"{row.parts or 'parts taken off'} ({row.reason})"
            events[row.unit_id].append(SafetyEvent(EventKind.REPAIR, row.opened_at, words))
        before[row.unit_id] = row.parts
    return {unit_id: safety_record(events[unit_id], _ENDING_TITLES) for unit_id in ids}


def safety_standing(latest: dict[Check, SafetyCheck]) -> bool | None:
    if any(check.result is CheckResult.FAIL for check in latest.values()):
        return False
    return True if len(latest) == len(Check) else None


def latest_safety(session: Session, unit_ids: list[uuid.UUID]) -> dict[uuid.UUID, dict[Check, SafetyCheck]]:
    latest: dict[uuid.UUID, dict[Check, SafetyCheck]] = defaultdict(dict)
    rows = session.scalars(
        select(SafetyCheck).where(SafetyCheck.unit_id.in_(unit_ids)).order_by(SafetyCheck.recorded_at)
    )
    for row in rows:
        latest[row.unit_id][row.kind] = row
    return latest


def why_not_run(session: Session, unit_id: uuid.UUID) -> str | None:
    """Why nothing may be printed on a unit at all; None where it may."""
    return safety_records(session, [unit_id])[unit_id].ended


def may_run_unattended(session: Session, unit_id: uuid.UUID, policy: str) -> tuple[bool, str]:
    """Whether the gate on unattended printing is open, and why not."""
    if policy == "never":
        return False, "The protocol of this study allows no unattended printing."
    ended = why_not_run(session, unit_id)
    if ended:
        return False, ended
    standing = safety_standing(latest_safety(session, [unit_id]).get(unit_id, {}))
    if standing is False:
        return False, "A safety check failed on this unit: no unattended printing until a re-check passes."
    if standing is None:
        return False, "Not all safety checks are done on this unit: no unattended printing before they pass."
    return True, ""
