"""Receive: how a unit came, what it cost, and the safety checks that open unattended printing."""

import uuid
from datetime import date, datetime

from pydantic import Field
from sqlalchemy import func, select
from sqlalchemy.orm import Session

from crevlo.core.safety import SafetyRecord
from crevlo.stations.checks import CHECKS, CheckText
from crevlo.stations.kit.change import change
from crevlo.stations.kit.clock import stated_time
from crevlo.stations.kit.mark import UnitMark, mark_of
from crevlo.stations.kit.photo import PhotoOut, photos_of
from crevlo.stations.kit.shape import Currency, Day, Missing, Moment, Refused, Shape, Version
from crevlo.stations.library.model import ModelSheet
from crevlo.stations.library.unit import latest_configurations
from crevlo.stations.price import NO_PRICE, Price, prices_of, state_price
from crevlo.stations.safety import latest_safety, safety_records, safety_standing
from crevlo.stations.study import get_study
from crevlo.store.machine import Check, CheckResult, Configuration, Obtained, SafetyCheck, Unit
from crevlo.store.study import StudyUnit


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
    label: str
    replaced: str = Field(description="by which unit it was replaced and why; empty where it was not")
    serial: str | None
    currency: str = Field(description="of the price paid, upgrades, residual and the price of the day")
    price_paid: float | None
    list_price: float | None
    list_currency: str
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
    is_round: bool
    weight_kg: float | None
    checks: list[CheckOut]
    may_run_unattended: bool
    may_run: bool
    may_not_run_because: str | None
    needs: list[str] = Field(description="what would open testing again, where it has ended")
    on_record: list[str] = Field(
        description="failed checks, hazards and repairs: they stand beside its rank for good"
    )
    not_recommended: str = Field(description="why the reviewer does not recommend this machine; empty where they do")
    priced_on: date | None = Field(description="when the prices were stated")
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
    version: Version
    label: str | None = Field(
        default=None,
        max_length=40,
        description="what tells it from other units of its model; as before where left out",
    )
    serial: str | None = Field(default=None, max_length=80)
    currency: Currency | None = Field(
        default=None, description="of the amounts here; as stated before, or the study's, where left out"
    )
    price_paid: float | None = Field(default=None, ge=0, le=1e6)
    upgrades: float = Field(default=0, ge=0, le=1e6)
    residual: float = Field(default=0, ge=0, le=1e6)
    obtained: Obtained | None = None
    obtained_from: str | None = Field(default=None, max_length=120)
    received_on: Day | None = None
    disclosure: str = Field(default="", max_length=600)
    day_price: float | None = Field(default=None, ge=0, le=1e6)
    day_price_on: Day | None = None
    first_power_on: Moment | None = None


class NotRecommended(Shape):
    """Why a machine is not recommended whatever its rank; empty takes it back."""

    reason: str = Field(max_length=500)


class NewCheck(Shape):
    id: uuid.UUID
    kind: Check
    result: CheckResult
    note: str = Field(default="", max_length=500)
    done_by: str = Field(min_length=1, max_length=120)
    done_at: Moment | None = None


class RoundCheck(Shape):
    id: uuid.UUID
    kind: Check


class CheckRound(Shape):
    """Every check of a unit passed at one go; the earth is measured by a qualified person, who is named apart."""

    checks: list[RoundCheck] = Field(max_length=20)
    done_by: str = Field(min_length=1, max_length=120)
    earth_by: str = Field(min_length=1, max_length=120)
    note: str = Field(default="", max_length=500)
    done_at: Moment | None = None


def view_receive(session: Session, study_id: uuid.UUID) -> ReceiveView:
    study = get_study(session, study_id)
    ids = [u.unit_id for u in study.units]
    safety, records = latest_safety(session, ids), safety_records(session, ids)
    history = _history(session, ids)
    photos = photos_of(session, [c.id for past in history.values() for c in past])
    prices, configurations = prices_of(session, study_id, ids), latest_configurations(session, ids)
    return ReceiveView(
        currency=study.currency,
        checks=list(CHECKS),
        units=[
            _unit_out(
                configurations[entry.unit_id], entry, safety.get(entry.unit_id, {}), history, photos, study.currency, records[entry.unit_id],
                prices.get(entry.unit_id, NO_PRICE),
            )
            for entry in study.units
        ],
    )  # fmt: skip


_PRICES = {"currency", "price_paid", "upgrades", "residual", "day_price", "day_price_on"}


def change_unit(
    session: Session, study_id: uuid.UUID, unit_id: uuid.UUID, given: UnitChange, person_id: uuid.UUID
) -> None:
    entry = _entry(session, study_id, unit_id)
    if given.serial == "":
        given = given.model_copy(update={"serial": None})
    if given.first_power_on is not None:
        stated_time(given.first_power_on)
    label = (entry.unit.label if given.label is None else given.label).strip()
    same = select(Unit.id).where(Unit.model_id == entry.unit.model_id, Unit.id != unit_id)
    if session.scalar(same.where(func.lower(Unit.label) == label.lower())):
        raise Refused("Another unit of this model is called so; call this one otherwise.")
    given = given.model_copy(update={"label": label})
    change(session, entry.unit, given.version, given.model_dump(exclude={"version", *_PRICES}))
    known = prices_of(session, study_id, [unit_id]).get(unit_id)
    currency = given.currency or (known.currency if known else get_study(session, study_id).currency)
    price = Price(
        given.price_paid, given.upgrades, given.residual, given.day_price, given.day_price_on, currency=currency
    )
    state_price(session, study_id, entry.unit, price, person_id)


def not_recommend(session: Session, study_id: uuid.UUID, unit_id: uuid.UUID, given: NotRecommended) -> None:
    """Says that a machine is not recommended, and why; shown wherever its rank is."""
    _entry(session, study_id, unit_id).not_recommended = given.reason.strip()
    session.flush()


def record_check(
    session: Session, study_id: uuid.UUID, unit_id: uuid.UUID, given: NewCheck, person_id: uuid.UUID
) -> None:
    _entry(session, study_id, unit_id)
    if given.result is CheckResult.FAIL and not given.note.strip():
        raise Refused("Say what failed, so that a re-check knows what to look for.")
    fields = given.model_dump() | {"done_at": stated_time(given.done_at)}
    session.add(SafetyCheck(unit_id=unit_id, person_id=person_id, **fields))
    session.flush()


def record_round(
    session: Session, study_id: uuid.UUID, unit_id: uuid.UUID, given: CheckRound, person_id: uuid.UUID
) -> None:
    """All checks of a unit passed in one round; each is still an entry of its own."""
    _entry(session, study_id, unit_id)
    kinds = [c.kind for c in given.checks]
    if sorted(kinds) != sorted(Check):
        raise Refused(f"A round is all {len(Check)} checks, each looked at; one alone is recorded by itself.")
    at = stated_time(given.done_at)
    for check in given.checks:
        by = given.earth_by if check.kind is Check.EARTH else given.done_by
        session.add(
            SafetyCheck(
                id=check.id, unit_id=unit_id, kind=check.kind, result=CheckResult.PASS, note=given.note, done_by=by,
                done_at=at, person_id=person_id,
            )
        )  # fmt: skip
    session.flush()


def disclose(unit: Unit, price: Price) -> str | None:
    """How the unit was obtained, as a sentence for the report; None while it is not recorded."""
    if unit.obtained is None:
        return None
    source = f" by {unit.obtained_from}" if unit.obtained_from else ""
    more = f" {unit.disclosure.strip()}" if unit.disclosure.strip() else ""
    if unit.obtained is Obtained.BOUGHT:
        where = f" from {unit.obtained_from}" if unit.obtained_from else ""
        paid = f" for {price.paid:.0f} {price.currency}" if price.paid is not None else ""
        return f"{unit.name} was bought{where}{paid}.{more}"
    return f"{unit.name} was {unit.obtained.value}{source}.{more}"


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
    configuration: Configuration,
    entry: StudyUnit,
    latest: dict[Check, SafetyCheck],
    history: dict[tuple[uuid.UUID, Check], list[SafetyCheck]],
    photos: dict[uuid.UUID, list[PhotoOut]],
    currency: str,
    record: SafetyRecord,
    price: Price,
) -> UnitOut:
    unit, model = entry.unit, entry.unit.model
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
        machine=mark_of(entry), version=unit.version, serial=unit.serial, label=unit.label, replaced=entry.replacement, price_paid=price.paid,
        currency=price.currency if price.stated_on else currency,
        list_price=model.list_price, list_currency=model.currency, upgrades=price.upgrades, residual=price.residual, obtained=unit.obtained,
        obtained_from=unit.obtained_from, received_on=unit.received_on, firmware=configuration.firmware,
        nozzle_mm=configuration.nozzle_mm, bed_x_mm=model.bed_x_mm, bed_y_mm=model.bed_y_mm,
        height_mm=model.height_mm, is_round=bool(model.sheet.get("is_round")), checks=checks,
        may_run_unattended=safety_standing(latest) is True and record.ended is None,
        may_run=record.ended is None, may_not_run_because=record.ended, needs=list(record.needs),
        on_record=list(record.on_record), not_recommended=entry.not_recommended, priced_on=price.stated_on,
        weight_kg=ModelSheet.model_validate(model.sheet).weight_kg,
        disclosure_more=unit.disclosure, day_price=price.day_price, day_price_on=price.day_price_on,
        first_power_on=unit.first_power_on,
        disclosure=disclose(unit, price),
    )  # fmt: skip
