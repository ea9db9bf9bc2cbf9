"""What a unit's safety checks and log say of it: whether testing has ended, and what stands beside its rank for good."""

from collections.abc import Collection, Sequence
from dataclasses import dataclass
from datetime import datetime
from enum import StrEnum


class EventKind(StrEnum):
    PASSED = "passed"
    FAILED = "failed"
    FIRE = "fire"
    SMOKE = "smoke"
    TINGLE = "tingle"
    RUNAWAY = "runaway"
    REPAIR = "repair"
    REOPENED = "re-opened"


HAZARDS = frozenset({EventKind.FIRE, EventKind.SMOKE, EventKind.TINGLE, EventKind.RUNAWAY})
_HAPPENED = {
    EventKind.FIRE: "Fire", EventKind.SMOKE: "Smoke", EventKind.TINGLE: "A tingle when touched",
    EventKind.RUNAWAY: "A heater that ran away",
}  # fmt: skip


@dataclass(frozen=True, slots=True)
class SafetyEvent:
    """One thing that happened; `about` names the check, where it was one."""

    kind: EventKind
    at: datetime
    words: str = ""
    about: str = ""


@dataclass(frozen=True, slots=True)
class SafetyRecord:
    """Why nothing may be printed on the unit, None where it may; what it needs; and what stands on record for good."""

    ended: str | None
    needs: tuple[str, ...]
    on_record: tuple[str, ...]


def safety_record(events: Sequence[SafetyEvent], ending: Collection[str]) -> SafetyRecord:
    """Judges a unit's events in any order. `ending` names the checks whose failure ends testing.

    A failed ending check ends testing until the check passes again; a fire, smoke, tingle or runaway until a reviewer
    re-opens the unit afterwards and every ending check has passed since. Passing or repairing does not take anything off
    the record.
    """
    ordered = sorted(events, key=lambda e: e.at)
    latest = {e.about: e for e in ordered if e.kind in (EventKind.PASSED, EventKind.FAILED)}
    ended, needs = None, []
    for check in ending:
        if check in latest and latest[check].kind is EventKind.FAILED:
            ended = ended or f"“{check}” failed on this unit: nothing is printed on it until a re-check passes."
            needs.append(f"a re-check of “{check}” that passes")
    hazard = next((e for e in reversed(ordered) if e.kind in HAZARDS), None)
    if hazard is not None:
        unchecked = [
            c
            for c in ending
            if c not in latest or latest[c].kind is not EventKind.PASSED or latest[c].at <= hazard.at
        ]
        reopened = any(e.kind is EventKind.REOPENED and e.at >= hazard.at for e in ordered)
        missing = [f"“{c}” checked again since" for c in unchecked]
        missing += [] if reopened else ["a reviewer's reason to re-open it"]
        if missing:
            checks = [f"{_listed([f'“{c}”' for c in unchecked])} checked again since"] if unchecked else []
            wanted = checks + missing[len(unchecked) :]
            happened = f"{_HAPPENED[hazard.kind]} on {_day(hazard.at)}"
            ended = f"{happened} ended testing on this unit. It needs {', and '.join(wanted)}."
            needs += [m for m in missing if m not in needs]
    return SafetyRecord(ended, tuple(needs), tuple(_sentences(ordered)))


def _sentences(ordered: Sequence[SafetyEvent]) -> list[str]:
    said = []
    for at, event in enumerate(ordered):
        note = f": {event.words.strip().rstrip('.')}" if event.words.strip() else ""
        if event.kind is EventKind.FAILED:
            later = next(
                (e for e in ordered[at + 1 :] if e.kind is EventKind.PASSED and e.about == event.about), None
            )
            after = f" It passed on {_day(later.at)}." if later else " It has not passed since."
            said.append(f"“{event.about}” failed on {_day(event.at)}{note}.{after}")
        elif event.kind in HAZARDS:
            said.append(f"{_HAPPENED[event.kind]} on {_day(event.at)}{note}.")
        elif event.kind is EventKind.REPAIR and _after_trouble(ordered[:at]):
            # Routine parts are history, not safety.
            said.append(f"Repaired or changed on {_day(event.at)}{note}.")
        elif event.kind is EventKind.REOPENED:
            said.append(f"Re-opened for testing on {_day(event.at)}{note}.")
    return said


def _after_trouble(before: Sequence[SafetyEvent]) -> bool:
    return any(event.kind is EventKind.FAILED or event.kind in HAZARDS for event in before)


def _day(at: datetime) -> str:
    return f"{at.day} {at:%B %Y}"


def _listed(parts: Sequence[str]) -> str:
    return parts[0] if len(parts) == 1 else f"{', '.join(parts[:-1])} and {parts[-1]}"
