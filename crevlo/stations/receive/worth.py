"""What a model's features are worth in money, against its price."""

import uuid
from collections import defaultdict
from collections.abc import Sequence

from pydantic import Field
from sqlalchemy import select
from sqlalchemy.orm import Session

from crevlo.core.estimate import NotDetermined
from crevlo.core.evaluations.worth import worth_of
from crevlo.core.money import Money, Rate, in_currency
from crevlo.stations.kit.change import change
from crevlo.stations.kit.shape import Missing, Name, Refused, Shape, Version
from crevlo.stations.price import Price
from crevlo.stations.rate import stated_rates
from crevlo.store.machine import Unit
from crevlo.store.record import (
    FeatureWorth,
    ModelFeature,
)


class WorthOut(Shape):
    id: uuid.UUID
    version: int
    name: str
    worth: float
    currency: str
    present: bool


class WorthLedger(Shape):
    currency: str
    features: list[WorthOut]
    base: float = Field(description="what a machine without any of them is worth to this reviewer")
    worth: float | None = Field(description="base and the features present")
    price: float | None
    surplus: float | None = Field(description="worth less the price paid")
    words: str = Field(description="the same in a sentence; empty where nothing is known to be present")


class NewWorth(Shape):
    id: uuid.UUID
    name: Name = Field(min_length=1, max_length=80)
    worth: float = Field(ge=0, le=1e6)


class WorthChange(Shape):
    version: Version
    worth: float = Field(ge=0, le=1e6)


class BaseWorth(Shape):
    worth: float = Field(ge=0, le=1e6)


class Presence(Shape):
    present: bool


def add_worth(session: Session, given: NewWorth, currency: str) -> None:
    if session.scalar(select(FeatureWorth.id).where(FeatureWorth.name == given.name.strip())):
        raise Refused(f"“{given.name.strip()}” is on the price list already.")
    session.add(FeatureWorth(id=given.id, name=given.name.strip(), worth=given.worth, currency=currency))
    session.flush()


def change_worth(session: Session, feature_id: uuid.UUID, given: WorthChange, currency: str) -> None:
    row = session.get(FeatureWorth, feature_id)
    if row is None or row.is_base:
        raise Missing("There is no such feature on the price list.")
    change(session, row, given.version, {"worth": given.worth, "currency": currency})


def set_feature(session: Session, unit: Unit, feature_id: uuid.UUID, given: Presence) -> None:
    """Whether the unit's model has a feature of the price list."""
    if session.get(FeatureWorth, feature_id) is None:
        raise Missing("There is no such feature on the price list.")
    row = session.get(ModelFeature, (unit.model_id, feature_id))
    if given.present and row is None:
        session.add(ModelFeature(model_id=unit.model_id, feature_id=feature_id))
    if not given.present and row is not None:
        session.delete(row)
    session.flush()


def set_base(session: Session, given: BaseWorth, currency: str) -> None:
    """What a machine without any feature of the list is worth."""
    row = session.scalar(select(FeatureWorth).where(FeatureWorth.is_base))
    if row is None:
        session.add(
            FeatureWorth(name="a machine without any of them", worth=given.worth, currency=currency, is_base=True)
        )
    else:
        row.worth, row.currency = given.worth, currency
    session.flush()


def worth_ledger(session: Session, unit: Unit, price: Price, currency: str) -> WorthLedger:
    """The price list with what the unit's model has of it, added up in the study's currency."""
    return worth_ledgers(session, [(unit, price)], currency)[unit.id]


def worth_ledgers(session: Session, of: Sequence[tuple[Unit, Price]], currency: str) -> dict[uuid.UUID, WorthLedger]:
    """The same of several units with what each cost."""
    every = session.scalars(select(FeatureWorth).order_by(FeatureWorth.worth.desc(), FeatureWorth.name)).all()
    rates = stated_rates(session)
    has: dict[uuid.UUID, set[uuid.UUID]] = defaultdict(set)
    for row in session.scalars(select(ModelFeature).where(ModelFeature.model_id.in_({u.model_id for u, _ in of}))):
        has[row.model_id].add(row.feature_id)
    return {unit.id: _ledger(has[unit.model_id], every, rates, price, currency) for unit, price in of}


def _ledger(
    present: set[uuid.UUID], every: Sequence[FeatureWorth], rates: Sequence[Rate], price: Price, currency: str
) -> WorthLedger:
    rows, base_row = [r for r in every if not r.is_base], next((r for r in every if r.is_base), None)

    def here(row: FeatureWorth) -> float:
        return in_currency(Money(row.worth, row.currency), currency, rates)

    words, worth, surplus, base, paid = "", None, None, 0.0, None
    try:
        base = here(base_row) if base_row else 0.0
        paid = None if price.paid is None else in_currency(price.money(price.paid), currency, rates)
        made = worth_of(base, [here(r) for r in rows if r.id in present], paid)
        worth, surplus = made.worth, made.surplus if present else None
        if present:
            names = ", ".join(r.name for r in rows if r.id in present)
            words = f"worth {worth:.0f} {currency} (base {base:.0f}; {names})"
            if made.surplus is not None and paid is not None:
                side = "more" if made.surplus >= 0 else "less"
                words += f", {abs(made.surplus):.0f} {currency} {side} than the {paid:.0f} paid"
            words += "."
    except NotDetermined as missing:
        words = f"worth not determined: needs {missing.needs}."
    return WorthLedger(
        currency=currency, base=base, words=words, worth=worth, price=paid, surplus=surplus,
        features=[
            WorthOut(id=r.id, version=r.version, name=r.name, worth=r.worth, currency=r.currency, present=r.id in present)
            for r in rows
        ],
    )  # fmt: skip
