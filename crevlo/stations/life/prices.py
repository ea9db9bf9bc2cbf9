"""What a model cost over time: by hand, or a table of days and prices."""

import uuid
from datetime import date, datetime

from pydantic import Field
from sqlalchemy import select
from sqlalchemy.orm import Session

from crevlo.core.price_table import read_prices
from crevlo.stations.kit.clock import has_come
from crevlo.stations.kit.shape import Currency, Day, Missing, Money, Refused, Shape
from crevlo.store.machine import Model
from crevlo.store.record import PricePoint


class PriceOut(Shape):
    id: uuid.UUID
    price: float
    currency: str
    priced_on: date
    source: str
    recorded_at: datetime


class PriceList(Shape):
    """The newest day first; of several statements for one day and currency the last counts."""

    prices: list[PriceOut]


class NewPrice(Shape):
    id: uuid.UUID
    price: Money
    currency: Currency
    priced_on: Day
    source: str = Field(min_length=1, max_length=200, description="where it was read")


class PriceTable(Shape):
    """Lines of day, price and perhaps a source, parted by comma, semicolon or tab; the first may be a heading."""

    words: str = Field(min_length=1, max_length=200_000)
    currency: Currency
    source: str = Field(min_length=1, max_length=200, description="of lines that name none")


def add_price(session: Session, model_id: uuid.UUID, given: NewPrice, person_id: uuid.UUID) -> PriceList:
    _model(session, model_id)
    if not has_come(given.priced_on):
        raise Refused("This day has not come yet.")
    if not given.source.strip():
        raise Refused("Say where the price was read.")
    session.add(PricePoint(model_id=model_id, person_id=person_id, **given.model_dump()))
    session.flush()
    return PriceList(prices=prices_of(session, {model_id}).get(model_id, []))


def add_prices(session: Session, model_id: uuid.UUID, given: PriceTable, person_id: uuid.UUID) -> PriceList:
    """All lines or none. Raises BadInput naming the first line that cannot be read."""
    _model(session, model_id)
    if not given.source.strip():
        raise Refused("Say where the prices were read.")
    for line in read_prices(given.words):
        if not has_come(line.day):
            raise Refused(f"{line.day:%d %b %Y} has not come yet. Nothing was kept.")
        session.add(
            PricePoint(
                id=uuid.uuid4(), model_id=model_id, price=line.price, currency=given.currency, priced_on=line.day,
                source=line.source or given.source.strip(), person_id=person_id,
            )
        )  # fmt: skip
    session.flush()
    return PriceList(prices=prices_of(session, {model_id}).get(model_id, []))


def prices_of(session: Session, model_ids: set[uuid.UUID]) -> dict[uuid.UUID, list[PriceOut]]:
    """By model, the newest day first; of one day and currency what was stated last."""
    last: dict[tuple[uuid.UUID, date, str], PricePoint] = {}
    for row in session.scalars(
        select(PricePoint).where(PricePoint.model_id.in_(model_ids)).order_by(PricePoint.recorded_at)
    ):
        last[row.model_id, row.priced_on, row.currency] = row
    found: dict[uuid.UUID, list[PriceOut]] = {}
    for row in sorted(last.values(), key=lambda r: r.priced_on, reverse=True):
        found.setdefault(row.model_id, []).append(PriceOut.model_validate(row, extra="ignore"))
    return found


def _model(session: Session, model_id: uuid.UUID) -> Model:
    row = session.get(Model, model_id)
    if row is None:
        raise Missing("There is no such machine.")
    return row
