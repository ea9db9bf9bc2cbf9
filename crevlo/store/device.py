"""Devices that report by themselves, and what they reported."""

import uuid
from datetime import datetime
from enum import StrEnum
from typing import Any

from sqlalchemy import CheckConstraint, ForeignKey, Identity, Index, text
from sqlalchemy.dialects.postgresql import REAL
from sqlalchemy.orm import Mapped, mapped_column, relationship

from crevlo.store.base import Base, Editable, Identified, enum_of, recorded_at
from crevlo.store.machine import Instrument, Unit


class DeviceKind(StrEnum):
    POWER_METER = "power meter"
    PRINTER = "printer"
    SOUND_METER = "sound meter"
    CALIPER = "caliper"
    SCALE = "scale"
    GAUGE = "gauge"


# What parts are measured with: it may send while the machines are hidden, for it knows none.
HANDHELD = (DeviceKind.CALIPER, DeviceKind.SCALE, DeviceKind.GAUGE)


class Device(Editable, Base):
    """Something at the bench that sends by itself, known by its token; `number` stands for it in the samples.

    A meter or printer belongs to the unit it is plugged into. Over MQTT it is known by its topic; the keys say where in
    a message its figures are.
    """

    __tablename__ = "device"
    number: Mapped[int] = mapped_column(Identity(always=True), unique=True)
    name: Mapped[str] = mapped_column(unique=True)
    kind: Mapped[DeviceKind] = mapped_column(enum_of(DeviceKind))
    unit_id: Mapped[uuid.UUID | None] = mapped_column(ForeignKey("unit.id"), index=True)
    instrument_id: Mapped[uuid.UUID | None] = mapped_column(ForeignKey("instrument.id"))
    token_sha256: Mapped[str] = mapped_column(unique=True)
    topic: Mapped[str | None] = mapped_column(unique=True)
    power_key: Mapped[str] = mapped_column(default="power_w")
    counter_key: Mapped[str] = mapped_column(default="energy_wh")
    time_key: Mapped[str] = mapped_column(default="time")
    refused: Mapped[int] = mapped_column(default=0)
    refused_why: Mapped[str] = mapped_column(default="")
    refused_at: Mapped[datetime | None]
    added_at: Mapped[datetime] = recorded_at()
    retired_at: Mapped[datetime | None]
    unit: Mapped[Unit | None] = relationship(lazy="joined")
    instrument: Mapped[Instrument | None] = relationship(lazy="joined")
    __table_args__ = (CheckConstraint("length(name) between 1 and 60", name="name_length"),)


class PowerSample(Base):
    """One sample of a meter, kept once however often it is sent; partitions by month."""

    __tablename__ = "power_sample"
    device: Mapped[int] = mapped_column(primary_key=True)
    at: Mapped[datetime] = mapped_column(primary_key=True)
    power_w: Mapped[float | None] = mapped_column(REAL)
    counter_wh: Mapped[float | None]
    __table_args__ = ({"postgresql_partition_by": "RANGE (at)"},)


class PowerLevel(Base):
    """Samples of a stretch of `step_s` seconds drawn together."""

    __tablename__ = "power_level"
    device: Mapped[int] = mapped_column(primary_key=True)
    step_s: Mapped[int] = mapped_column(primary_key=True)
    at: Mapped[datetime] = mapped_column(primary_key=True)
    samples: Mapped[int]
    low_w: Mapped[float] = mapped_column(REAL)
    mean_w: Mapped[float] = mapped_column(REAL)
    high_w: Mapped[float] = mapped_column(REAL)


class PrinterReport(Base):
    """What a printer says of itself at a moment."""

    __tablename__ = "printer_report"
    device: Mapped[int] = mapped_column(primary_key=True)
    at: Mapped[datetime] = mapped_column(primary_key=True)
    phase: Mapped[str]
    percent: Mapped[float | None] = mapped_column(REAL)
    layer: Mapped[int | None]
    nozzle_c: Mapped[float | None] = mapped_column(REAL)
    bed_c: Mapped[float | None] = mapped_column(REAL)
    message: Mapped[str]


class DeviceValue(Base):
    """One value that an instrument sent by itself, to be taken over by a person."""

    __tablename__ = "device_value"
    device: Mapped[int] = mapped_column(primary_key=True)
    at: Mapped[datetime] = mapped_column(primary_key=True)
    value: Mapped[float]


class RunEventKind(StrEnum):
    LEVELLING = "levelling"
    WARM_UP = "warm-up"
    PRINTING = "printing"
    PAUSED = "paused"
    FILAMENT = "filament change"
    COOLING = "cooling"
    REMOVAL = "removal"


class RunEvent(Identified, Base):
    """A phase of a run that a person marked as beginning; a correction names what it replaces."""

    __tablename__ = "run_event"
    run_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("run.id"), index=True)
    kind: Mapped[RunEventKind] = mapped_column(enum_of(RunEventKind))
    at: Mapped[datetime]
    note: Mapped[str] = mapped_column(default="")
    person_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("person.id"))
    recorded_at: Mapped[datetime] = recorded_at()
    supersedes_id: Mapped[uuid.UUID | None] = mapped_column(ForeignKey("run_event.id"), unique=True)
    reason: Mapped[str | None]
    __table_args__ = (CheckConstraint("(supersedes_id is null) = (reason is null)", name="correction_has_reason"),)


class Ruling(StrEnum):
    OPEN = "open"
    RULED_OUT = "ruled out"
    FOUND = "found"


class Hypothesis(Editable, Base):
    """A possible cause of what a run, or a unit whatever it prints, does: how it was tested, what came of it, and whether that
    ruled it out."""

    __tablename__ = "hypothesis"
    run_id: Mapped[uuid.UUID | None] = mapped_column(ForeignKey("run.id"), index=True)
    unit_id: Mapped[uuid.UUID | None] = mapped_column(ForeignKey("unit.id"), index=True)
    claim: Mapped[str]
    test: Mapped[str] = mapped_column(default="")
    result: Mapped[str] = mapped_column(default="")
    ruling: Mapped[Ruling] = mapped_column(enum_of(Ruling), default=Ruling.OPEN)
    person_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("person.id"))
    noted_at: Mapped[datetime] = recorded_at()
    __table_args__ = (CheckConstraint("(run_id is null) <> (unit_id is null)", name="of_a_run_or_a_unit"),)


class NoteKind(StrEnum):
    NOTE = "note"
    ALARM = "alarm"  # of a detector: nozzle camera, filament sensor, spaghetti watch


class AlarmWas(StrEnum):
    TRUE = "true"
    FALSE = "false"
    UNKNOWN = "not known"


class RunNote(Identified, Base):
    """What happened at a moment of a run, or what a detector said and whether it was right; a correction names what it
    replaces."""

    __tablename__ = "run_note"
    run_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("run.id"), index=True)
    kind: Mapped[NoteKind] = mapped_column(enum_of(NoteKind))
    at: Mapped[datetime]
    layer: Mapped[int | None]
    words: Mapped[str]
    alarm: Mapped[AlarmWas | None] = mapped_column(enum_of(AlarmWas))
    person_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("person.id"))
    recorded_at: Mapped[datetime] = recorded_at()
    supersedes_id: Mapped[uuid.UUID | None] = mapped_column(ForeignKey("run_note.id"), unique=True)
    reason: Mapped[str | None]
    __table_args__ = (
        CheckConstraint("length(words) > 0", name="has_words"),
        CheckConstraint("layer between 0 and 100000", name="layer_range"),
        CheckConstraint("(kind = 'alarm') = (alarm is not null)", name="alarm_is_judged"),
        CheckConstraint("(supersedes_id is null) = (reason is null)", name="correction_has_reason"),
    )


class Photo(Identified, Base):
    """A picture of a unit, a safety check or a run, without any data of where it was taken."""

    __tablename__ = "photo"
    subject_id: Mapped[uuid.UUID]
    sha256: Mapped[str] = mapped_column(ForeignKey("upload.sha256"))
    width: Mapped[int]
    height: Mapped[int]
    caption: Mapped[str] = mapped_column(default="")
    pins: Mapped[list[Any]] = mapped_column(server_default=text("'[]'::jsonb"))
    person_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("person.id"))
    taken_at: Mapped[datetime] = recorded_at()
    __table_args__ = (
        Index("ix_photo_subject_id", "subject_id"),
        CheckConstraint("width > 0 and height > 0", name="size_positive"),
    )
