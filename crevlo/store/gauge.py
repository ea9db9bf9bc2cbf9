"""Gauge studies: who reads which parts how often, what they read, and what it says of their hands from then on."""

import uuid
from datetime import datetime
from typing import Any

from sqlalchemy import CheckConstraint, ForeignKey, Index, UniqueConstraint, text
from sqlalchemy.orm import Mapped, mapped_column

from crevlo.store.base import Base, Editable, Identified, recorded_at


class GaugeStudy(Editable, Base):
    """`parts` are pairs of specimen and feature, `people` those who read; each in an order made of the seed."""

    __tablename__ = "gauge_study"
    study_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("study.id"), index=True)
    instrument_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("instrument.id"))
    parts: Mapped[list[Any]]
    people: Mapped[list[Any]]
    repeats: Mapped[int]
    seed: Mapped[int]
    begun_at: Mapped[datetime]
    ended_at: Mapped[datetime | None]
    person_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("person.id"))
    __table_args__ = (
        CheckConstraint("repeats between 2 and 5", name="repeats_range"),
        Index("uq_gauge_study_open", "study_id", unique=True, postgresql_where=text("ended_at is null")),
    )


class GaugeReading(Identified, Base):
    """One reading of a part; taken back by a newer row without a value."""

    __tablename__ = "gauge_reading"
    gauge_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("gauge_study.id"), index=True)
    part: Mapped[int]
    repeat: Mapped[int]
    value: Mapped[float | None]
    person_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("person.id"))
    taken_at: Mapped[datetime]
    recorded_at: Mapped[datetime] = recorded_at()
    supersedes_id: Mapped[uuid.UUID | None] = mapped_column(ForeignKey("gauge_reading.id"), unique=True)
    __table_args__ = (
        CheckConstraint("value > -1e9 and value < 1e9", name="value_bounded"),
        CheckConstraint("(value is null) = (supersedes_id is not null)", name="taken_back"),
    )


class Hand(Identified, Base):
    """One person with one instrument, as an ended gauge study found them; s, ν and how far people read apart, from that day."""

    __tablename__ = "hand"
    gauge_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("gauge_study.id"))
    instrument_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("instrument.id"))
    person_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("person.id"))
    kinds: Mapped[list[Any]]
    repeatability: Mapped[float]
    dof: Mapped[float]
    reproducibility: Mapped[float]
    from_at: Mapped[datetime]
    recorded_at: Mapped[datetime] = recorded_at()
    __table_args__ = (
        UniqueConstraint("gauge_id", "person_id"),
        CheckConstraint("repeatability >= 0 and reproducibility >= 0 and dof > 0", name="not_negative"),
    )
