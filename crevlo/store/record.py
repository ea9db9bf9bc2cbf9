"""What is recorded of a unit from its box on: contents, assembly, measurements, log; claims and worths; spools weighed."""

import uuid
from datetime import date, datetime
from enum import StrEnum

from sqlalchemy import CheckConstraint, ForeignKey, Index, UniqueConstraint, text
from sqlalchemy.orm import Mapped, mapped_column

from crevlo.core.claims import ClaimKind
from crevlo.core.noise import NoiseState
from crevlo.store.base import Base, Editable, Identified, enum_of, recorded_at


class Found(StrEnum):
    PRESENT = "present"
    MISSING = "missing"
    DAMAGED = "damaged"


class BoxItem(Editable, Base):
    """One thing that the maker's list says is in the box."""

    __tablename__ = "box_item"
    unit_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("unit.id"), index=True)
    name: Mapped[str]
    found: Mapped[Found | None] = mapped_column(enum_of(Found))
    note: Mapped[str] = mapped_column(default="")
    noted_at: Mapped[datetime] = recorded_at()
    __table_args__ = (UniqueConstraint("unit_id", "name"),)


class AssemblyStep(Editable, Base):
    """One step of putting a unit together, by the stopwatch."""

    __tablename__ = "assembly_step"
    unit_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("unit.id"), index=True)
    name: Mapped[str]
    seconds: Mapped[float]
    note: Mapped[str] = mapped_column(default="")
    done_at: Mapped[datetime] = recorded_at()
    person_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("person.id"))
    __table_args__ = (CheckConstraint("seconds >= 0", name="seconds_not_negative"),)


class MeasureKind(StrEnum):
    PLATE_X = "plate width"
    PLATE_Y = "plate depth"
    LEFT = "left edge not reached"
    RIGHT = "right edge not reached"
    FRONT = "front edge not reached"
    BACK = "back edge not reached"
    HEIGHT = "height reached"
    TOP = "width at full height"
    WEIGHT = "weight"
    WARM_NOZZLE = "warm-up, nozzle alone"
    WARM_BED = "warm-up, bed alone"
    WARM_BOTH = "warm-up, both"
    NOZZLE = "nozzle reached"
    BED = "bed reached"
    SPEED = "speed reached"
    FLOW = "flow reached"
    COLOUR = "colour change"
    PURGE = "purge at a colour change"
    SETUP_FIRST = "set-up, first time"
    SETUP_AGAIN = "set-up, again"
    CLAIM = "claim"  # what only a claim names, measured by hand


class UnitMeasure(Identified, Base):
    """One thing measured on a unit in one of its configurations; corrected by a newer row."""

    __tablename__ = "unit_measure"
    unit_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("unit.id"), index=True)
    configuration_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("configuration.id"))
    kind: Mapped[MeasureKind] = mapped_column(enum_of(MeasureKind))
    claim_id: Mapped[uuid.UUID | None] = mapped_column(ForeignKey("claim.id"))
    value: Mapped[float]
    from_c: Mapped[float | None]
    to_c: Mapped[float | None]
    instrument_id: Mapped[uuid.UUID | None] = mapped_column(ForeignKey("instrument.id"))
    note: Mapped[str] = mapped_column(default="")
    person_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("person.id"))
    taken_at: Mapped[datetime]
    recorded_at: Mapped[datetime] = recorded_at()
    supersedes_id: Mapped[uuid.UUID | None] = mapped_column(ForeignKey("unit_measure.id"), unique=True)
    reason: Mapped[str | None]
    __table_args__ = (
        CheckConstraint("(supersedes_id is null) = (reason is null)", name="correction_has_reason"),
        CheckConstraint("(kind = 'claim') = (claim_id is not null)", name="claim_named"),
    )


class Claim(Editable, Base):
    """What the maker says of a model; one of noise names the state, one that no list has brings its name and unit."""

    __tablename__ = "claim"
    model_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("model.id"), index=True)
    kind: Mapped[ClaimKind] = mapped_column(enum_of(ClaimKind))
    value: Mapped[float]
    said: Mapped[str] = mapped_column(default="")
    name: Mapped[str] = mapped_column(server_default="")
    unit: Mapped[str] = mapped_column(server_default="")
    less_is_better: Mapped[bool] = mapped_column(default=False)
    state: Mapped[NoiseState | None] = mapped_column(enum_of(NoiseState))
    noted_at: Mapped[datetime] = recorded_at()
    __table_args__ = (
        UniqueConstraint("model_id", "kind", "name", "state", postgresql_nulls_not_distinct=True),
        CheckConstraint("(kind = 'noise') = (state is not null)", name="noise_has_state"),
        CheckConstraint("(kind = 'other') = (length(name) > 0)", name="other_has_name"),
    )


class FeatureWorth(Editable, Base):
    """What having a feature is worth in money, and one row for a machine without any; the list is the reviewer's own."""

    __tablename__ = "feature_worth"
    name: Mapped[str] = mapped_column(unique=True)
    worth: Mapped[float]
    currency: Mapped[str] = mapped_column(default="EUR")
    is_base: Mapped[bool] = mapped_column(default=False)
    __table_args__ = (
        CheckConstraint("worth >= 0", name="worth_not_negative"),
        CheckConstraint("currency ~ '^[A-Z]{3}$'", name="currency_code"),
        Index("uq_feature_worth_base", "is_base", unique=True, postgresql_where=text("is_base")),
    )


class ModelFeature(Base):
    """A model has a feature."""

    __tablename__ = "model_feature"
    model_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("model.id"), primary_key=True)
    feature_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("feature_worth.id"), primary_key=True)


class LogKind(StrEnum):
    HOURS = "hours"  # what the machine's own counter shows
    FAULT = "fault"
    WEAR = "wear"
    MAINTENANCE = "maintenance"
    PART = "part replaced"
    REPAIR = "repair"
    FIRE = "fire"
    SMOKE = "smoke"
    TINGLE = "tingle"  # a touch current felt
    RUNAWAY = "runaway"  # a heater that went on by itself
    REOPENED = "re-opened"  # a reviewer lets testing go on after one of these
    FALSE_ALARM = "false alarm"  # a detector stopped a print that was sound


class LogEntry(Identified, Base):
    """One entry of a unit's log of ownership, never changed; a correction names what it replaces."""

    __tablename__ = "log_entry"
    unit_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("unit.id"), index=True)
    kind: Mapped[LogKind] = mapped_column(enum_of(LogKind))
    at: Mapped[datetime]
    hours: Mapped[float | None]
    words: Mapped[str] = mapped_column(default="")
    cost: Mapped[float | None]
    currency: Mapped[str | None]
    person_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("person.id"))
    recorded_at: Mapped[datetime] = recorded_at()
    supersedes_id: Mapped[uuid.UUID | None] = mapped_column(ForeignKey("log_entry.id"), unique=True)
    reason: Mapped[str | None]
    __table_args__ = (
        CheckConstraint("cost is null or currency ~ '^[A-Z]{3}$'", name="cost_has_currency"),
        CheckConstraint("(supersedes_id is null) = (reason is null)", name="correction_has_reason"),
        CheckConstraint("hours >= 0 and cost >= 0", name="not_negative"),
        CheckConstraint("kind = 'hours' or length(words) > 0", name="says_what"),
        CheckConstraint("kind <> 'hours' or hours is not null", name="hours_given"),
    )


class PricePoint(Identified, Base):
    """What a model cost somewhere on a day; never changed, a later statement for the same day is a newer row."""

    __tablename__ = "price_point"
    model_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("model.id"), index=True)
    price: Mapped[float]
    currency: Mapped[str]
    priced_on: Mapped[date]
    source: Mapped[str]
    person_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("person.id"))
    recorded_at: Mapped[datetime] = recorded_at()
    __table_args__ = (
        CheckConstraint("price >= 0", name="price_not_negative"),
        CheckConstraint("currency ~ '^[A-Z]{3}$'", name="currency_code"),
        CheckConstraint("length(source) between 1 and 200", name="has_source"),
    )


class SpoolKind(StrEnum):
    WEIGHED = "weighed"  # g, spool and all
    DRIED = "dried"  # hours at a temperature
    MOISTURE = "moisture"  # relative humidity in its box, %
    DIAMETER = "diameter"  # mm at one place


class SpoolEntry(Identified, Base):
    """One entry of a spool's log, never changed; a correction names what it replaces, and without a value says that there was
    nothing."""

    __tablename__ = "spool_entry"
    spool_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("spool.id"), index=True)
    kind: Mapped[SpoolKind] = mapped_column(enum_of(SpoolKind))
    value: Mapped[float | None]
    at_c: Mapped[float | None]
    note: Mapped[str] = mapped_column(default="")
    person_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("person.id"))
    at: Mapped[datetime]
    recorded_at: Mapped[datetime] = recorded_at()
    supersedes_id: Mapped[uuid.UUID | None] = mapped_column(ForeignKey("spool_entry.id"), unique=True)
    reason: Mapped[str | None]
    __table_args__ = (
        CheckConstraint("value >= 0", name="value_not_negative"),
        CheckConstraint("(supersedes_id is null) = (reason is null)", name="correction_has_reason"),
        CheckConstraint("value is not null or supersedes_id is not null", name="has_value"),
    )


class Surroundings(Identified, Base):
    """That a person looked round the room before leaving machines to print: a smoke alarm that works, nothing near that burns."""

    __tablename__ = "surroundings"
    person_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("person.id"))
    smoke_alarm: Mapped[bool]
    clear: Mapped[bool]
    at: Mapped[datetime] = recorded_at()
    __table_args__ = (Index("ix_surroundings_person_id", "person_id", "at"),)
