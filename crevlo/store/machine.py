"""Models as sold, the units on the bench, and what is used with them."""

import uuid
from datetime import date, datetime
from enum import StrEnum
from typing import Any

from sqlalchemy import CheckConstraint, ForeignKey, UniqueConstraint, text
from sqlalchemy.orm import Mapped, mapped_column, relationship

from crevlo.core.features.feature import Kind
from crevlo.store.base import Base, Editable, Identified, enum_of, recorded_at


class Obtained(StrEnum):
    BOUGHT = "bought"
    LENT = "lent"
    GIVEN = "given"


class Model(Editable, Base):
    __tablename__ = "model"
    name: Mapped[str] = mapped_column(unique=True)
    bed_x_mm: Mapped[float]
    bed_y_mm: Mapped[float]
    height_mm: Mapped[float]
    list_price: Mapped[float | None]
    currency: Mapped[str] = mapped_column(default="EUR")
    tools: Mapped[int] = mapped_column(default=1)
    enclosed: Mapped[bool] = mapped_column(default=False)
    sheet: Mapped[dict[str, Any]] = mapped_column(server_default=text("'{}'::jsonb"))
    added_at: Mapped[datetime] = recorded_at()
    __table_args__ = (
        CheckConstraint("length(name) between 1 and 80", name="name_length"),
        CheckConstraint("bed_x_mm > 0 and bed_y_mm > 0 and height_mm > 0", name="volume_positive"),
        CheckConstraint("list_price is null or list_price >= 0", name="price_not_negative"),
        CheckConstraint("currency ~ '^[A-Z]{3}$'", name="currency_code"),
        CheckConstraint("tools between 1 and 64", name="tools_range"),
    )


class Unit(Editable, Base):
    __tablename__ = "unit"
    model_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("model.id"), index=True)
    mark: Mapped[int]
    serial: Mapped[str | None]
    obtained: Mapped[Obtained | None] = mapped_column(enum_of(Obtained))
    obtained_from: Mapped[str | None]
    received_on: Mapped[date | None]
    disclosure: Mapped[str] = mapped_column(server_default="")
    first_power_on: Mapped[datetime | None]
    label: Mapped[str] = mapped_column(default="", server_default="")
    return_by: Mapped[date | None]
    model: Mapped[Model] = relationship(lazy="joined")

    @property
    def name(self) -> str:
        """Its model's name, with what tells it from other units of the model."""
        return f"{self.model.name} {self.label}" if self.label else self.model.name

    __table_args__ = (
        UniqueConstraint("model_id", "serial"),
        UniqueConstraint("model_id", "label"),
        CheckConstraint("length(label) <= 40", name="label_length"),
        CheckConstraint("mark >= 0", name="mark_not_negative"),
    )


class UnitPrice(Identified, Base):
    """What a unit cost, as it was stated on a day for a study; never changed, a later statement is a newer row."""

    __tablename__ = "unit_price"
    unit_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("unit.id"), index=True)
    study_id: Mapped[uuid.UUID | None] = mapped_column(ForeignKey("study.id"))
    price_paid: Mapped[float | None]
    upgrades: Mapped[float] = mapped_column(default=0)
    residual: Mapped[float] = mapped_column(default=0)
    day_price: Mapped[float | None]
    day_price_on: Mapped[date | None]
    currency: Mapped[str]
    stated_on: Mapped[date]
    person_id: Mapped[uuid.UUID | None] = mapped_column(ForeignKey("person.id"))
    recorded_at: Mapped[datetime] = recorded_at()
    __table_args__ = (
        CheckConstraint(
            "price_paid >= 0 and upgrades >= 0 and residual >= 0 and day_price >= 0", name="money_not_negative"
        ),
        CheckConstraint("currency ~ '^[A-Z]{3}$'", name="currency_code"),
    )


class Configuration(Identified, Base):
    """What a unit is from a moment on; a change opens a new one with its reason."""

    __tablename__ = "configuration"
    unit_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("unit.id"))
    number: Mapped[int]
    nozzle_mm: Mapped[float] = mapped_column(default=0.4)
    firmware: Mapped[str] = mapped_column(default="as delivered")
    plate: Mapped[str] = mapped_column(default="as delivered")
    profile_set: Mapped[str] = mapped_column(default="maker's stock")
    parts: Mapped[str] = mapped_column(server_default="")
    accessories: Mapped[str] = mapped_column(server_default="")
    reason: Mapped[str] = mapped_column(default="as delivered")
    opened_at: Mapped[datetime] = recorded_at()
    __table_args__ = (
        UniqueConstraint("unit_id", "number"),
        CheckConstraint("nozzle_mm > 0", name="nozzle_positive"),
    )


class Check(StrEnum):
    MAINS = "mains"  # selector on the local voltage
    CABLES = "cables"  # whole, strain-relieved
    EARTH = "earth"  # protective earth and touch current: by a qualified person
    RUNAWAY = "runaway"  # thermal-runaway response
    STOP = "stop"  # emergency stop
    SCREWS = "screws"  # loose grub screws, belts, clips


class CheckResult(StrEnum):
    PASS = "pass"  # noqa: S105
    FAIL = "fail"


class SafetyCheck(Identified, Base):
    """One safety check done; the latest of a kind counts, history stays."""

    __tablename__ = "safety_check"
    unit_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("unit.id"), index=True)
    kind: Mapped[Check] = mapped_column("kind", enum_of(Check))
    result: Mapped[CheckResult] = mapped_column(enum_of(CheckResult))
    note: Mapped[str] = mapped_column(default="")
    done_by: Mapped[str]
    person_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("person.id"))
    done_at: Mapped[datetime]
    recorded_at: Mapped[datetime] = recorded_at()
    __table_args__ = (CheckConstraint("result = 'pass' or length(note) > 0", name="failure_is_described"),)


class Spool(Editable, Base):
    __tablename__ = "spool"
    code: Mapped[str] = mapped_column(unique=True)
    maker: Mapped[str]
    material: Mapped[str]
    colour: Mapped[str]
    diameter_mm: Mapped[float] = mapped_column(default=1.75)
    density_g_cm3: Mapped[float]
    price_per_kg: Mapped[float]
    currency: Mapped[str] = mapped_column(default="EUR")
    priced_on: Mapped[date | None]
    dried_on: Mapped[date | None]
    lot: Mapped[str] = mapped_column(server_default="")
    empty_g: Mapped[float | None]
    __table_args__ = (
        CheckConstraint("diameter_mm > 0 and density_g_cm3 > 0", name="size_positive"),
        CheckConstraint("price_per_kg >= 0", name="price_not_negative"),
        CheckConstraint("currency ~ '^[A-Z]{3}$'", name="currency_code"),
    )


class InstrumentKind(StrEnum):
    CALIPER = "caliper"
    GAUGE = "gauge"
    SCALE = "scale"
    POWER_METER = "power meter"
    SOUND_METER = "sound meter"
    THERMOMETER = "thermometer"
    STOPWATCH = "stopwatch"


class Instrument(Editable, Base):
    __tablename__ = "instrument"
    code: Mapped[str] = mapped_column(unique=True)
    kind: Mapped[InstrumentKind] = mapped_column(enum_of(InstrumentKind))
    unit: Mapped[str] = mapped_column(default="mm")
    resolution: Mapped[float]
    u_calibration: Mapped[float]
    repeatability: Mapped[float]
    calibrated_on: Mapped[date | None]
    certificate: Mapped[str] = mapped_column(server_default="")
    valid_days: Mapped[int] = mapped_column(server_default=text("365"))
    __table_args__ = (
        CheckConstraint("resolution >= 0 and u_calibration >= 0 and repeatability >= 0", name="not_negative"),
    )
    earlier: Mapped[list["EarlierCalibration"]] = relationship(order_by="EarlierCalibration.until")

    def calibrated_then(self, at: datetime) -> "EarlierCalibration | None":
        """The calibration that held then; None where it is the present one."""
        return next((c for c in self.earlier if at < c.until), None)


class EarlierCalibration(Identified, Base):
    """How an instrument was calibrated before: what it read from `since` to before `until` rests on this.

    The midnight (UTC) of the day of a calibration parts what it read before from what it reads after.
    """

    __tablename__ = "earlier_calibration"
    instrument_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("instrument.id"), index=True)
    since: Mapped[datetime | None]
    until: Mapped[datetime]
    resolution: Mapped[float]
    u_calibration: Mapped[float]
    repeatability: Mapped[float]
    calibrated_on: Mapped[date | None]
    certificate: Mapped[str]
    valid_days: Mapped[int]
    __table_args__ = (
        CheckConstraint("resolution >= 0 and u_calibration >= 0 and repeatability >= 0", name="not_negative"),
        CheckConstraint("since < until", name="in_order"),
        UniqueConstraint("instrument_id", "until"),
    )


class ZeroCheck(Identified, Base):
    """Reading of a closed or empty instrument, and how warm the parts of this sitting are."""

    __tablename__ = "zero_check"
    instrument_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("instrument.id"), index=True)
    value: Mapped[float]
    part_c: Mapped[float | None]
    person_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("person.id"))
    taken_at: Mapped[datetime]
    recorded_at: Mapped[datetime] = recorded_at()


class ArtifactVersion(Identified, Base):
    """One version of a standard test print, never changed; `definition` keeps what its mesh and features come from.

    A built-in one names its design and sizes; an own one has its mesh among the uploads.
    """

    __tablename__ = "artifact"
    code: Mapped[str]
    number: Mapped[int]
    name: Mapped[str]
    definition: Mapped[dict[str, Any]]
    mesh_sha256: Mapped[str | None] = mapped_column(ForeignKey("upload.sha256"))
    licence: Mapped[str] = mapped_column(server_default="")
    source: Mapped[str] = mapped_column(server_default="")
    added_at: Mapped[datetime] = recorded_at()
    features: Mapped[list["FeatureRow"]] = relationship(order_by="FeatureRow.position", lazy="selectin")
    __table_args__ = (
        UniqueConstraint("code", "number"),
        CheckConstraint("mesh_sha256 is null or (length(licence) > 0 and length(source) > 0)", name="own_has_source"),
    )


class FeatureRow(Identified, Base):
    __tablename__ = "feature"
    artifact_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("artifact.id"))
    position: Mapped[int]
    code: Mapped[str]
    kind: Mapped[Kind] = mapped_column(enum_of(Kind))
    axis: Mapped[str]
    sense: Mapped[int]
    nominal: Mapped[float]
    unit: Mapped[str] = mapped_column(server_default="mm")
    method: Mapped[str]
    ends: Mapped[list[Any] | None]
    level: Mapped[float | None]
    __table_args__ = (
        UniqueConstraint("artifact_id", "code"),
        CheckConstraint("sense in (-1, 0, 1)", name="sense_known"),
        CheckConstraint("nominal >= 0", name="nominal_not_negative"),
        CheckConstraint("kind <> 'length' or (nominal > 0 and unit = 'mm' and axis <> 'D')", name="length_has_axis"),
    )
