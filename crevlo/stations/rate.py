"""What currencies were worth in each other, stated by people with day and source."""

import uuid

from pydantic import Field
from sqlalchemy import select
from sqlalchemy.orm import Session

from crevlo.core.money import Rate
from crevlo.stations.kit.clock import has_come
from crevlo.stations.kit.shape import Currency, Day, Refused, Shape
from crevlo.store.money import ExchangeRate


class NewRate(Shape):
    """One of `base` is worth `rate` of `quote` on that day."""

    id: uuid.UUID
    base: Currency
    quote: Currency
    rate: float = Field(gt=0, lt=1e9)
    on: Day
    source: str = Field(min_length=1, max_length=120, description="where it was read")


class RateOut(NewRate):
    pass


class Rates(Shape):
    rates: list[RateOut]


def stated_rates(session: Session) -> list[Rate]:
    """In the order they were stated: of two for one day the later counts."""
    rows = session.execute(
        select(ExchangeRate.base, ExchangeRate.quote, ExchangeRate.rate, ExchangeRate.on).order_by(
            ExchangeRate.recorded_at
        )
    )
    return [Rate(*row) for row in rows.tuples()]


def list_rates(session: Session) -> Rates:
    rows = session.scalars(select(ExchangeRate).order_by(ExchangeRate.on.desc(), ExchangeRate.recorded_at.desc()))
    return Rates(rates=[RateOut.model_validate(row, extra="ignore") for row in rows])


def state_rate(session: Session, given: NewRate, person_id: uuid.UUID) -> Rates:
    if given.base == given.quote:
        raise Refused("A rate is between two currencies.")
    if not has_come(given.on):
        raise Refused("A rate is of a day that has come.")
    session.add(ExchangeRate(**given.model_dump(), person_id=person_id))
    session.flush()
    return list_rates(session)
