"""Runs: the tries at a job, the sliced files they used, what was metered while they ran."""

import uuid
from datetime import datetime
from enum import StrEnum
from typing import Any

from sqlalchemy import CheckConstraint, ForeignKey, Index, LargeBinary, UniqueConstraint, text
from sqlalchemy.dialects.postgresql import JSONB
from sqlalchemy.orm import Mapped, deferred, mapped_column, relationship

from crevlo.core.ability import Because
from crevlo.core.noise import NoiseState
from crevlo.core.success import Cause, Outcome
from crevlo.store.base import Base, Editable, Identified, enum_of, recorded_at
from crevlo.store.study import Job


class EnergyFrom(StrEnum):
    METER = "meter"  # a watt-hour figure typed from a meter
    TRACE = "trace"  # integrated from a power trace that was handed in
    LIVE = "live"  # integrated from what the unit's own meter sent


class Upload(Base):
    """A file as it came in, compressed, found again by its SHA-256."""

    __tablename__ = "upload"
    sha256: Mapped[str] = mapped_column(primary_key=True)
    size: Mapped[int]
    content: Mapped[bytes] = deferred(mapped_column(LargeBinary))
    received_at: Mapped[datetime] = recorded_at()
    __table_args__ = (CheckConstraint("sha256 ~ '^[0-9a-f]{64}$'", name="hash_shape"),)


class SlicedFile(Identified, Base):
    """A sliced file dropped on a job, with the facts read from it; the latest that was not taken away counts."""

    __tablename__ = "sliced_file"
    job_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("job.id"), index=True)
    sha256: Mapped[str] = mapped_column(ForeignKey("upload.sha256"))
    name: Mapped[str]
    facts: Mapped[dict[str, Any]]
    settings: Mapped[dict[str, Any]] = deferred(mapped_column(JSONB, nullable=False))
    motion: Mapped[dict[str, Any] | None] = deferred(mapped_column(JSONB))
    deviations: Mapped[list[Any]]
    person_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("person.id"))
    received_at: Mapped[datetime] = recorded_at()
    withdrawn_at: Mapped[datetime | None]
    withdrawn_by: Mapped[uuid.UUID | None] = mapped_column(ForeignKey("person.id"))
    __table_args__ = (
        CheckConstraint("(withdrawn_at is null) = (withdrawn_by is null)", name="withdrawn_by_someone"),
    )


class Run(Editable, Base):
    __tablename__ = "run"
    job_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("job.id"))
    attempt: Mapped[int]
    configuration_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("configuration.id"), index=True)
    sliced_file_id: Mapped[uuid.UUID | None] = mapped_column(ForeignKey("sliced_file.id"), index=True)
    unattended: Mapped[bool] = mapped_column(default=False)
    changed: Mapped[str] = mapped_column(default="")
    started_at: Mapped[datetime]
    ended_at: Mapped[datetime | None]
    outcome: Mapped[Outcome | None] = mapped_column(enum_of(Outcome))
    cause: Mapped[Cause | None] = mapped_column(enum_of(Cause))
    failed_at_percent: Mapped[float | None]
    failed_at_layer: Mapped[int | None]
    parts: Mapped[int | None]
    paused_s: Mapped[float] = mapped_column(default=0.0, server_default="0")
    recorded_at: Mapped[datetime] = recorded_at()
    from_paper: Mapped[bool] = mapped_column(default=False, server_default="false")
    uses_attempt: Mapped[bool] = mapped_column(default=True)
    note: Mapped[str] = mapped_column(default="")
    model_g: Mapped[float | None]
    waste_g: Mapped[float | None]
    energy_kwh: Mapped[float | None]
    energy_low_kwh: Mapped[float | None]
    energy_high_kwh: Mapped[float | None]
    energy_u_kwh: Mapped[float | None]
    energy_from: Mapped[EnergyFrom | None] = mapped_column(enum_of(EnergyFrom))
    trace_sha256: Mapped[str | None] = mapped_column(ForeignKey("upload.sha256"))
    trace_columns: Mapped[dict[str, Any] | None]
    instrument_id: Mapped[uuid.UUID | None] = mapped_column(ForeignKey("instrument.id"))
    person_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("person.id"))
    job: Mapped[Job] = relationship()

    @property
    def printed_s(self) -> float:
        """s from start to end without what it stood paused; 0 while it prints."""
        took_s = (self.ended_at - self.started_at).total_seconds() if self.ended_at else 0.0
        return max(0.0, took_s - self.paused_s)

    __table_args__ = (
        UniqueConstraint("job_id", "attempt"),
        Index("uq_run_live", "job_id", unique=True, postgresql_where=text("ended_at is null")),
        CheckConstraint("attempt > 0", name="attempt_positive"),
        CheckConstraint("parts between 1 and 500", name="parts_range"),
        CheckConstraint("paused_s >= 0", name="pauses_within"),
        CheckConstraint("model_g between 0 and 1000000 and waste_g between 0 and 1000000", name="weights_range"),
        CheckConstraint("attempt = 1 or length(changed) > 0", name="says_what_changed"),
        CheckConstraint("ended_at is null or ended_at >= started_at", name="ends_after_start"),
        CheckConstraint("(ended_at is null) = (outcome is null)", name="ended_has_outcome"),
        CheckConstraint("(outcome = 'failed') = (cause is not null)", name="failure_has_cause"),
        CheckConstraint("failed_at_percent between 0 and 100", name="percent_range"),
        CheckConstraint("failed_at_layer between 0 and 100000", name="layer_range"),
        CheckConstraint("(energy_kwh is null) = (energy_from is null)", name="energy_has_source"),
        CheckConstraint("energy_kwh >= 0 and energy_low_kwh <= energy_high_kwh", name="energy_range"),
    )


class Ability(Identified, Base):
    """Whether a unit can print a piece from a spool at all, as somebody found; the latest of a place counts."""

    __tablename__ = "ability"
    study_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("study.id"), index=True)
    unit_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("unit.id"))
    artifact_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("artifact.id"))
    spool_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("spool.id"))
    able: Mapped[bool]
    because: Mapped[Because] = mapped_column(enum_of(Because))
    words: Mapped[str]
    person_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("person.id"))
    recorded_at: Mapped[datetime] = recorded_at()
    __table_args__ = (CheckConstraint("length(words) > 0", name="has_words"),)


class NoiseReading(Identified, Base):
    """Of a run, or of a unit that prints nothing while it is read."""

    __tablename__ = "noise_reading"
    run_id: Mapped[uuid.UUID | None] = mapped_column(ForeignKey("run.id"), index=True)
    unit_id: Mapped[uuid.UUID | None] = mapped_column(ForeignKey("unit.id"), index=True)
    level_db: Mapped[float]
    background_db: Mapped[float | None]
    distance_m: Mapped[float]
    door_shut: Mapped[bool]
    state: Mapped[NoiseState] = mapped_column(enum_of(NoiseState), server_default="printing")
    fan_percent: Mapped[float | None]
    instrument_id: Mapped[uuid.UUID | None] = mapped_column(ForeignKey("instrument.id"))
    person_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("person.id"))
    taken_at: Mapped[datetime]
    recorded_at: Mapped[datetime] = recorded_at()
    supersedes_id: Mapped[uuid.UUID | None] = mapped_column(ForeignKey("noise_reading.id"), unique=True)
    reason: Mapped[str | None]
    __table_args__ = (
        CheckConstraint("(supersedes_id is null) = (reason is null)", name="correction_has_reason"),
        CheckConstraint("(run_id is null) <> (unit_id is null)", name="of_one"),
        CheckConstraint("level_db between 0 and 199", name="level_range"),
        CheckConstraint("background_db between 0 and 199", name="background_range"),
        CheckConstraint("distance_m > 0", name="distance_positive"),
        CheckConstraint("fan_percent between 0 and 100", name="fan_range"),
    )


class Specimen(Identified, Base):
    """What came off the plate, known by its blind code; `position` is its place in the shuffled queue."""

    __tablename__ = "specimen"
    study_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("study.id"))
    run_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("run.id"), unique=True)
    blind_code: Mapped[str]
    position: Mapped[float]
    bagged_at: Mapped[datetime] = recorded_at()
    run: Mapped[Run] = relationship()
    __table_args__ = (
        UniqueConstraint("study_id", "blind_code"),
        CheckConstraint("blind_code ~ '^[ACEFHJKMNPRTWXY34679]{3}$'", name="code_shape"),
    )
