"""What a unit cost: stated on a day, for a study; a later statement in another study leaves this one's figures alone."""

import uuid
from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass
from datetime import UTC, date, datetime

from sqlalchemy import select
from sqlalchemy.orm import Session

from crevlo.core.money import Money
from crevlo.store.machine import Unit, UnitPrice
from crevlo.store.study import ProtocolVersion


@dataclass(frozen=True, slots=True)
class Price:
    """As it was stated, in its own currency. `day_price` is what the model cost elsewhere on a day."""

    paid: float | None = None
    upgrades: float = 0.0
    residual: float = 0.0
    day_price: float | None = None
    day_price_on: date | None = None
    stated_on: date | None = None
    currency: str = "EUR"

    @property
    def day(self) -> list[Money]:
        """The price of the day, where one is stated."""
        return [] if self.day_price is None else [Money(self.day_price, self.currency, self.day_price_on)]

    @property
    def all_in(self) -> float | None:
        return None if self.paid is None else self.paid + self.upgrades

    def money(self, amount: float) -> Money:
        """An amount of this statement, as of its day."""
        return Money(amount, self.currency, self.stated_on)


NO_PRICE = Price()


def prices_of(session: Session, study_id: uuid.UUID, unit_ids: Iterable[uuid.UUID]) -> dict[uuid.UUID, Price]:
    """As they count in a study: the latest stated in it, else the latest stated anywhere before it was frozen."""
    frozen_at = session.scalar(
        select(ProtocolVersion.freeze_recorded_at).where(ProtocolVersion.study_id == study_id)
        .order_by(ProtocolVersion.number.desc()).limit(1)
    )  # fmt: skip
    rows = session.scalars(
        select(UnitPrice).where(UnitPrice.unit_id.in_(list(unit_ids))).order_by(UnitPrice.recorded_at)
    ).all()
    found: dict[uuid.UUID, UnitPrice] = {}
    for row in rows:
        own, kept = row.study_id == study_id, found.get(row.unit_id)
        before = row.study_id is None or frozen_at is None or row.recorded_at <= frozen_at
        if own or (before and (kept is None or kept.study_id != study_id)):
            found[row.unit_id] = row
    return {unit_id: _price(row) for unit_id, row in found.items()}


def latest_price(session: Session, unit_id: uuid.UUID) -> Price:
    """The latest stated anywhere."""
    row = session.scalar(
        select(UnitPrice).where(UnitPrice.unit_id == unit_id).order_by(UnitPrice.recorded_at.desc()).limit(1)
    )
    return _price(row) if row else NO_PRICE


def _price(row: UnitPrice) -> Price:
    return Price(
        row.price_paid, row.upgrades, row.residual, row.day_price, row.day_price_on, row.stated_on, row.currency
    )


def state_price(session: Session, study_id: uuid.UUID, unit: Unit, price: Price, person_id: uuid.UUID) -> None:
    """Keeps a price for this study, unless it is the one that counts already."""
    known = prices_of(session, study_id, [unit.id]).get(unit.id, NO_PRICE)
    today = datetime.now(UTC).date()
    fields = (price.paid, price.upgrades, price.residual, price.day_price, price.day_price_on, price.currency)
    if fields == (known.paid, known.upgrades, known.residual, known.day_price, known.day_price_on, known.currency):
        return
    session.add(
        UnitPrice(
            unit_id=unit.id, study_id=study_id, price_paid=price.paid, upgrades=price.upgrades, residual=price.residual,
            day_price=price.day_price, day_price_on=price.day_price_on, currency=price.currency, stated_on=today, person_id=person_id,
        )
    )  # fmt: skip
    session.flush()


@dataclass(frozen=True)
class Worths:
    """Worth of a machine without any feature, and of the features present, by model."""

    base: Money | None
    present: Mapping[uuid.UUID, Sequence[Money]]
