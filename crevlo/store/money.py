"""What currencies were worth in each other, as people read it."""

import uuid
from datetime import date, datetime

from sqlalchemy import CheckConstraint, ForeignKey
from sqlalchemy.orm import Mapped, mapped_column

from crevlo.store.base import Base, Identified, recorded_at


class ExchangeRate(Identified, Base):
    """One of `base` was worth `rate` of `quote` on a day; the latest stated for a day counts, history stays."""

    __tablename__ = "exchange_rate"
    base: Mapped[str]
    quote: Mapped[str]
    rate: Mapped[float]
    on: Mapped[date]
    source: Mapped[str]
    person_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("person.id"))
    recorded_at: Mapped[datetime] = recorded_at()
    __table_args__ = (
        CheckConstraint("base ~ '^[A-Z]{3}$' and quote ~ '^[A-Z]{3}$' and base <> quote", name="currency_codes"),
        CheckConstraint("rate > 0 and rate < 1e9", name="rate_positive"),
    )
