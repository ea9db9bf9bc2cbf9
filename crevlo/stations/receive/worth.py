"""What a model's features are worth in money, against its price."""

import math
import uuid

from pydantic import Field
from sqlalchemy import select
from sqlalchemy.orm import Session

from crevlo.stations.library import change
from crevlo.stations.receive.price import Price
from crevlo.stations.shape import Missing, Refused, Shape, Version
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
    present: bool


class WorthLedger(Shape):
    currency: str
    features: list[WorthOut]
    base: float = Field(description="what a machine without any of them is worth to this reviewer")
    worth: float = Field(description="base and the features present")
    price: float | None
    surplus: float | None = Field(description="worth less the price paid")
    words: str = Field(description="the same in a sentence; empty where nothing is known to be present")


class NewWorth(Shape):
    id: uuid.UUID
    name: str = Field(min_length=1, max_length=80)
    worth: float = Field(ge=0, le=1e6)


class WorthChange(Shape):
    version: Version
    worth: float = Field(ge=0, le=1e6)


class BaseWorth(Shape):
    worth: float = Field(ge=0, le=1e6)


class Presence(Shape):
    present: bool


def add_worth(session: Session, given: NewWorth) -> None:
    if session.scalar(select(FeatureWorth.id).where(FeatureWorth.name == given.name.strip())):
        raise Refused(f"“{given.name.strip()}” is on the price list already.")
    session.add(FeatureWorth(id=given.id, name=given.name.strip(), worth=given.worth))
    session.flush()


def change_worth(session: Session, feature_id: uuid.UUID, given: WorthChange) -> None:
    row = session.get(FeatureWorth, feature_id)
    if row is None or row.is_base:
        raise Missing("There is no such feature on the price list.")
    change(session, row, given.version, {"worth": given.worth})


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


def worth_base(session: Session) -> float:
    row = session.scalar(select(FeatureWorth).where(FeatureWorth.is_base))
    return row.worth if row else 0.0


def set_base(session: Session, given: BaseWorth) -> None:
    """What a machine without any feature of the list is worth."""
    row = session.scalar(select(FeatureWorth).where(FeatureWorth.is_base))
    if row is None:
        session.add(FeatureWorth(name="a machine without any of them", worth=given.worth, is_base=True))
    else:
        row.worth = given.worth
    session.flush()


def worth_ledger(session: Session, unit: Unit, price: Price, currency: str) -> WorthLedger:
    present = set(session.scalars(select(ModelFeature.feature_id).where(ModelFeature.model_id == unit.model_id)))
    rows = session.scalars(
        select(FeatureWorth).where(~FeatureWorth.is_base).order_by(FeatureWorth.worth.desc(), FeatureWorth.name)
    ).all()
    base = worth_base(session)
    worth = base + math.fsum(r.worth for r in rows if r.id in present)
    paid, words = price.paid, ""
    if present:
        names = ", ".join(r.name for r in rows if r.id in present)
        words = f"worth {worth:.0f} {currency} (base {base:.0f}; {names})"
        if paid is not None:
            gap = worth - paid
            words += f", {abs(gap):.0f} {currency} {'more' if gap >= 0 else 'less'} than the {paid:.0f} paid"
        words += "."
    return WorthLedger(
        currency=currency, base=base, words=words, worth=worth, price=paid, surplus=worth - paid if paid is not None and present else None,
        features=[WorthOut(id=r.id, version=r.version, name=r.name, worth=r.worth, present=r.id in present) for r in rows],
    )  # fmt: skip
