"""Receive: how a unit came, what it cost, and the safety checks that open unattended printing."""

import uuid
from datetime import UTC, date, datetime

from pydantic import Field
from sqlalchemy import select
from sqlalchemy.orm import Session

from crevlo.stations.bench import get_study, latest_safety, safety_standing
from crevlo.stations.library import ModelSheet, change, configuration_of
from crevlo.stations.photo import PhotoOut, photos_of
from crevlo.stations.plan.study import UnitMark, mark_of
from crevlo.stations.shape import Missing, Refused, Shape
from crevlo.store.machine import Check, CheckResult, Obtained, SafetyCheck, Unit
from crevlo.store.study import StudyUnit


class CheckText(Shape):
    kind: Check
    title: str
    look: str
    caution: str
    fails: str = Field(description="what a failed check closes")


_GATE = "Failed, it closes the gate on unattended printing until a re-check passes."
_ENDS = "Failed, it ends all testing on this unit until a re-check passes."
CHECKS = (
    CheckText(
        kind=Check.MAINS, title="Mains selector", fails=_ENDS,
        look="Unplugged: the voltage selector, where there is one, stands on the local voltage.",
        caution="Never open a powered unit. What the maker and the local code say comes first.",
    ),
    CheckText(
        kind=Check.CABLES, title="Cables and plug", fails=_ENDS,
        look="Unplugged: cable, plug and inlet whole, nothing pinched, strain relief firm, no bare wire to be seen.",
        caution="A tingle, a damaged cable or a missing earth means stop, unplug, and have a qualified person check.",
    ),
    CheckText(
        kind=Check.EARTH, title="Protective earth and touch current", fails=_ENDS,
        look="Record what a qualified person measured: earth continuity and touch current within the local limits.",
        caution="Only for a qualified person with a suitable meter, by the local code. Crevlo gives no instructions for it.",
    ),
    CheckText(
        kind=Check.RUNAWAY, title="Thermal-runaway response", fails=_ENDS,
        look="The unit stops heating and says so when a heater does not follow, tested as its maker describes.",
        caution="Keep a working smoke alarm and clear surroundings, and stay. The maker's instructions come first.",
    ),
    CheckText(
        kind=Check.STOP, title="Emergency stop", fails=_GATE,
        look="Switch or stop within reach, and everything still within a moment of using it.",
        caution="Nozzle and bed burn, moving axes pinch: hands away while it moves.",
    ),
    CheckText(
        kind=Check.SCREWS, title="Loose screws, belts and clips", fails=_GATE,
        look="Cold and at rest: grub screws on pulleys, belts, plate clips and connectors tight; surroundings clear.",
        caution="Unplugged where the maker says so. Cut and pry away from the hand, with eye protection.",
    ),
)  # fmt: skip
# A failed one of these ends testing on the unit, not only unattended prints.
ENDING = (Check.MAINS, Check.CABLES, Check.EARTH, Check.RUNAWAY)


class CheckOut(Shape):
    id: uuid.UUID | None = Field(description="of the check that counts now")
    kind: Check
    result: CheckResult | None
    note: str
    done_by: str
    done_at: datetime | None
    times_done: int
    photos: list[PhotoOut]
    history: list["PastCheck"]


class PastCheck(Shape):
    """A check done earlier; it stays on record."""

    result: CheckResult
    note: str
    done_by: str
    done_at: datetime


class UnitOut(Shape):
    machine: UnitMark
    version: int
    serial: str | None
    price_paid: float | None
    list_price: float | None
    upgrades: float
    residual: float
    obtained: Obtained | None
    obtained_from: str | None
    received_on: date | None
    firmware: str
    nozzle_mm: float
    bed_x_mm: float
    bed_y_mm: float
    height_mm: float
    weight_kg: float | None
    checks: list[CheckOut]
    may_run_unattended: bool
    may_run: bool
    disclosure: str | None = Field(description="the sentence of the report: how it was obtained")
    disclosure_more: str = Field(description="what the reviewer adds to it")
    day_price: float | None = Field(description="what the model cost elsewhere on the day")
    day_price_on: date | None
    first_power_on: datetime | None


class ReceiveView(Shape):
    currency: str
    checks: list[CheckText]
    units: list[UnitOut]


class UnitChange(Shape):
    version: int
    serial: str | None = Field(default=None, max_length=80)
    price_paid: float | None = Field(default=None, ge=0, le=1e6)
    upgrades: float = Field(default=0, ge=0, le=1e6)
    residual: float = Field(default=0, ge=0, le=1e6)
    obtained: Obtained | None = None
    obtained_from: str | None = Field(default=None, max_length=120)
    received_on: date | None = None
    disclosure: str = Field(default="", max_length=600)
    day_price: float | None = Field(default=None, ge=0, le=1e6)
    day_price_on: date | None = None
    first_power_on: datetime | None = None


class NewCheck(Shape):
    id: uuid.UUID
    kind: Check
    result: CheckResult
    note: str = Field(default="", max_length=500)
    done_by: str = Field(min_length=1, max_length=120)
    done_at: datetime | None = None


def view_receive(session: Session, study_id: uuid.UUID) -> ReceiveView:
    study = get_study(session, study_id)
    safety = latest_safety(session, [u.unit_id for u in study.units])
    history = _history(session, [u.unit_id for u in study.units])
    photos = photos_of(session, [c.id for past in history.values() for c in past])
    return ReceiveView(
        currency=study.currency,
        checks=list(CHECKS),
        units=[
            _unit_out(session, entry, safety.get(entry.unit_id, {}), history, photos, study.currency)
            for entry in study.units
        ],
    )


def change_unit(session: Session, study_id: uuid.UUID, unit_id: uuid.UUID, given: UnitChange) -> ReceiveView:
    entry = _entry(session, study_id, unit_id)
    if given.serial == "":
        given = given.model_copy(update={"serial": None})
    change(session, entry.unit, given.version, given.model_dump(exclude={"version"}))
    return view_receive(session, study_id)


def record_check(
    session: Session, study_id: uuid.UUID, unit_id: uuid.UUID, given: NewCheck, person_id: uuid.UUID
) -> ReceiveView:
    _entry(session, study_id, unit_id)
    if given.result is CheckResult.FAIL and not given.note.strip():
        raise Refused("Say what failed, so that a re-check knows what to look for.")
    fields = given.model_dump() | {"done_at": given.done_at or datetime.now(UTC)}
    session.add(SafetyCheck(unit_id=unit_id, person_id=person_id, **fields))
    session.flush()
    return view_receive(session, study_id)


def may_run_unattended(session: Session, unit_id: uuid.UUID, policy: str) -> tuple[bool, str]:
    """Whether the gate on unattended printing is open, and why not."""
    if policy == "never":
        return False, "The protocol of this study allows no unattended printing."
    standing = safety_standing(latest_safety(session, [unit_id]).get(unit_id, {}))
    if standing is False:
        return False, "A safety check failed on this unit: no unattended printing until a re-check passes."
    if standing is None:
        return False, "Not all safety checks are done on this unit: no unattended printing before they pass."
    return True, ""


def why_not_run(session: Session, unit_id: uuid.UUID) -> str | None:
    """Why nothing may be printed on a unit at all; None where it may."""
    return _testing_ended(latest_safety(session, [unit_id]).get(unit_id, {}))


def _testing_ended(latest: dict[Check, SafetyCheck]) -> str | None:
    failed = [
        t.title
        for t in CHECKS
        if t.kind in ENDING and (done := latest.get(t.kind)) and done.result is CheckResult.FAIL
    ]
    if not failed:
        return None
    return f"“{failed[0]}” failed on this unit: nothing is printed on it until a re-check passes."


def disclose(unit: Unit, currency: str) -> str | None:
    """How the unit was obtained, as a sentence for the report; None while it is not recorded."""
    if unit.obtained is None:
        return None
    source = f" by {unit.obtained_from}" if unit.obtained_from else ""
    more = f" {unit.disclosure.strip()}" if unit.disclosure.strip() else ""
    if unit.obtained is Obtained.BOUGHT:
        where = f" from {unit.obtained_from}" if unit.obtained_from else ""
        price = f" for {unit.price_paid:.0f} {currency}" if unit.price_paid is not None else ""
        return f"{unit.model.name} was bought{where}{price}.{more}"
    return f"{unit.model.name} was {unit.obtained.value}{source}.{more}"


def _history(session: Session, unit_ids: list[uuid.UUID]) -> dict[tuple[uuid.UUID, Check], list[SafetyCheck]]:
    """Every check ever done, by unit and kind, the newest first."""
    found: dict[tuple[uuid.UUID, Check], list[SafetyCheck]] = {}
    rows = session.scalars(
        select(SafetyCheck).where(SafetyCheck.unit_id.in_(unit_ids)).order_by(SafetyCheck.recorded_at.desc())
    )
    for row in rows:
        found.setdefault((row.unit_id, row.kind), []).append(row)
    return found


def _entry(session: Session, study_id: uuid.UUID, unit_id: uuid.UUID) -> StudyUnit:
    entry = next((u for u in get_study(session, study_id).units if u.unit_id == unit_id), None)
    if entry is None:
        raise Missing("This unit takes no part in the study.")
    return entry


def _unit_out(
    session: Session,
    entry: StudyUnit,
    latest: dict[Check, SafetyCheck],
    history: dict[tuple[uuid.UUID, Check], list[SafetyCheck]],
    photos: dict[uuid.UUID, list[PhotoOut]],
    currency: str,
) -> UnitOut:
    unit, model = entry.unit, entry.unit.model
    configuration = configuration_of(session, unit.id)
    checks = [
        CheckOut(
            id=done.id if done else None, kind=kind, result=done.result if done else None, note=done.note if done else "",
            done_by=done.done_by if done else "", done_at=done.done_at if done else None,
            times_done=len(past), photos=photos.get(done.id, []) if done else [],
            history=[PastCheck(result=c.result, note=c.note, done_by=c.done_by, done_at=c.done_at) for c in past[1:]],
        )
        for kind in Check
        for done in [latest.get(kind)]
        for past in [history.get((unit.id, kind), [])]
    ]  # fmt: skip
    return UnitOut(
        machine=mark_of(entry), version=unit.version, serial=unit.serial, price_paid=unit.price_paid,
        list_price=model.list_price, upgrades=unit.upgrades, residual=unit.residual, obtained=unit.obtained,
        obtained_from=unit.obtained_from, received_on=unit.received_on, firmware=configuration.firmware,
        nozzle_mm=configuration.nozzle_mm, bed_x_mm=model.bed_x_mm, bed_y_mm=model.bed_y_mm,
        height_mm=model.height_mm, checks=checks, may_run_unattended=safety_standing(latest) is True,
        may_run=_testing_ended(latest) is None, weight_kg=ModelSheet.model_validate(model.sheet).weight_kg,
        disclosure_more=unit.disclosure, day_price=unit.day_price, day_price_on=unit.day_price_on,
        first_power_on=unit.first_power_on,
        disclosure=disclose(unit, currency),
    )  # fmt: skip
