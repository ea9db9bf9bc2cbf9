"""Receive: how a unit came, what it cost, and the safety checks that open unattended printing."""

import uuid
from datetime import UTC, date, datetime

from pydantic import Field
from sqlalchemy import func, select
from sqlalchemy.orm import Session

from crevlo.stations.bench import get_study, latest_safety, safety_standing
from crevlo.stations.library import change, configuration_of
from crevlo.stations.plan.study import UnitMark, mark_of
from crevlo.stations.shape import Missing, Refused, Shape
from crevlo.store.machine import Check, CheckResult, Obtained, SafetyCheck, Unit
from crevlo.store.study import StudyUnit


class CheckText(Shape):
    kind: Check
    title: str
    look: str
    caution: str


CHECKS = (
    CheckText(
        kind=Check.MAINS, title="Mains side",
        look="Selector on the local voltage, cables and plug whole, protective earth and touch current measured.",
        caution="Never open a powered unit. Earth and touch current are measured by a competent person with a suitable "
        "meter. A tingle, a damaged cable or a missing earth means stop, unplug, and have a qualified person check.",
    ),
    CheckText(
        kind=Check.RUNAWAY, title="Thermal-runaway response",
        look="The unit stops heating and says so when a heater does not follow, tested as its maker describes.",
        caution="A failed test ends testing on this unit. Keep a working smoke alarm and clear surroundings. The maker's "
        "instructions and local codes come first.",
    ),
    CheckText(
        kind=Check.STOP, title="Emergency stop and loose parts",
        look="Switch or stop reachable and working; grub screws, belts and plate clips tight; surroundings clear.",
        caution="Nozzle and bed burn, moving axes pinch. Check at rest, cold and unplugged where the maker says so.",
    ),
)  # fmt: skip


class CheckOut(Shape):
    kind: Check
    result: CheckResult | None
    note: str
    done_by: str
    done_at: datetime | None
    times_done: int


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
    checks: list[CheckOut]
    may_run_unattended: bool
    disclosure: str | None


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
    counts = _counts(session, [u.unit_id for u in study.units])
    return ReceiveView(
        currency=study.currency,
        checks=list(CHECKS),
        units=[
            _unit_out(session, entry, safety.get(entry.unit_id, {}), counts, study.currency) for entry in study.units
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


def disclose(unit: Unit, currency: str) -> str | None:
    """How the unit was obtained, as a sentence for the report; None while it is not recorded."""
    if unit.obtained is None:
        return None
    source = f" by {unit.obtained_from}" if unit.obtained_from else ""
    if unit.obtained is Obtained.BOUGHT:
        where = f" from {unit.obtained_from}" if unit.obtained_from else ""
        price = f" for {unit.price_paid:.0f} {currency}" if unit.price_paid is not None else ""
        return f"{unit.model.name} was bought{where}{price}."
    return f"{unit.model.name} was {unit.obtained.value}{source}."


def _counts(session: Session, unit_ids: list[uuid.UUID]) -> dict[tuple[uuid.UUID, Check], int]:
    rows = session.execute(
        select(SafetyCheck.unit_id, SafetyCheck.kind, func.count())
        .where(SafetyCheck.unit_id.in_(unit_ids))
        .group_by(SafetyCheck.unit_id, SafetyCheck.kind)
    )
    return {(unit_id, kind): count for unit_id, kind, count in rows}


def _entry(session: Session, study_id: uuid.UUID, unit_id: uuid.UUID) -> StudyUnit:
    entry = next((u for u in get_study(session, study_id).units if u.unit_id == unit_id), None)
    if entry is None:
        raise Missing("This unit takes no part in the study.")
    return entry


def _unit_out(
    session: Session,
    entry: StudyUnit,
    latest: dict[Check, SafetyCheck],
    counts: dict[tuple[uuid.UUID, Check], int],
    currency: str,
) -> UnitOut:
    unit, model = entry.unit, entry.unit.model
    configuration = configuration_of(session, unit.id)
    checks = [
        CheckOut(
            kind=kind, result=done.result if done else None, note=done.note if done else "",
            done_by=done.done_by if done else "", done_at=done.done_at if done else None,
            times_done=counts.get((unit.id, kind), 0),
        )
        for kind in Check
        for done in [latest.get(kind)]
    ]  # fmt: skip
    return UnitOut(
        machine=mark_of(entry), version=unit.version, serial=unit.serial, price_paid=unit.price_paid,
        list_price=model.list_price, upgrades=unit.upgrades, residual=unit.residual, obtained=unit.obtained,
        obtained_from=unit.obtained_from, received_on=unit.received_on, firmware=configuration.firmware,
        nozzle_mm=configuration.nozzle_mm, bed_x_mm=model.bed_x_mm, bed_y_mm=model.bed_y_mm,
        height_mm=model.height_mm, checks=checks, may_run_unattended=safety_standing(latest) is True,
        disclosure=disclose(unit, currency),
    )  # fmt: skip
