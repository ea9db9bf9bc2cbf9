"""Studies, their protocol and its deviations, jobs, and the scheme that scores them."""

import secrets
import uuid
from datetime import datetime
from typing import Any

from sqlalchemy import CheckConstraint, ForeignKey, Index, UniqueConstraint, text
from sqlalchemy.orm import Mapped, mapped_column, relationship

from crevlo.core.protocol import Slicing, Tuning
from crevlo.core.ranking.gate import GateKind
from crevlo.core.ranking.value import Shape
from crevlo.store.base import Base, Editable, Identified, enum_of, recorded_at
from crevlo.store.machine import ArtifactVersion, Spool, Unit


class Study(Editable, Base):
    __tablename__ = "study"
    title: Mapped[str] = mapped_column(unique=True)
    question: Mapped[str] = mapped_column(default="")
    currency: Mapped[str] = mapped_column(default="EUR")
    seed: Mapped[int]
    blind_secret: Mapped[str] = mapped_column(default=lambda: secrets.token_hex(32))
    created_at: Mapped[datetime] = recorded_at()
    entered_from: Mapped[str] = mapped_column(default="", server_default="")
    revealed_at: Mapped[datetime | None]
    # Its machines print again what that revision rests on.
    retest_of: Mapped[uuid.UUID | None] = mapped_column(ForeignKey("report_revision.id", use_alter=True))
    tariff_per_kwh: Mapped[float] = mapped_column(default=0.31)
    wage_per_h: Mapped[float] = mapped_column(default=18)
    labour_min: Mapped[float] = mapped_column(default=6)
    failed_labour_min: Mapped[float] = mapped_column(default=10)
    loss_fraction: Mapped[float] = mapped_column(default=0.5)
    life_h: Mapped[float] = mapped_column(default=4000)
    upkeep_per_h: Mapped[float] = mapped_column(default=0.05)
    upkeep_from_log: Mapped[bool] = mapped_column(default=False, server_default=text("false"))
    units: Mapped[list["StudyUnit"]] = relationship(order_by="StudyUnit.position")
    __table_args__ = (
        CheckConstraint("length(title) between 1 and 120", name="title_length"),
        CheckConstraint("currency ~ '^[A-Z]{3}$'", name="currency_code"),
        CheckConstraint(
            "tariff_per_kwh >= 0 and wage_per_h >= 0 and labour_min >= 0 and failed_labour_min >= 0 "
            "and upkeep_per_h >= 0",
            name="costs_not_negative",
        ),
        CheckConstraint("loss_fraction between 0 and 1", name="loss_is_a_share"),
        CheckConstraint("life_h > 0", name="life_positive"),
    )


class StudyUnit(Identified, Base):
    """A unit taking part in a study; at most one is the control."""

    __tablename__ = "study_unit"
    study_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("study.id"))
    unit_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("unit.id"))
    is_control: Mapped[bool] = mapped_column(default=False)
    position: Mapped[int]
    not_recommended: Mapped[str] = mapped_column(server_default="")
    replaced_by: Mapped[uuid.UUID | None] = mapped_column(ForeignKey("unit.id"))
    replaced_because: Mapped[str] = mapped_column(default="", server_default="")
    unit: Mapped[Unit] = relationship(lazy="joined", foreign_keys=[unit_id])
    successor: Mapped[Unit | None] = relationship(lazy="joined", foreign_keys=[replaced_by])
    __table_args__ = (
        UniqueConstraint("study_id", "unit_id"),
        CheckConstraint("(replaced_by is null) = (replaced_because = '')", name="replaced_has_reason"),
        Index("uq_study_unit_control", "study_id", unique=True, postgresql_where=text("is_control")),
    )

    @property
    def replacement(self) -> str:
        """By what it was replaced and why; empty where it was not."""
        return f"{self.successor.name}: {self.replaced_because}" if self.successor else ""


class ProtocolVersion(Editable, Base):
    """Arms and policies; a draft until frozen, then only deviations are added."""

    __tablename__ = "protocol"
    study_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("study.id"))
    number: Mapped[int]
    repeats: Mapped[int] = mapped_column(default=3)
    policies: Mapped[dict[str, Any]]
    frozen_at: Mapped[datetime | None]
    frozen_by: Mapped[uuid.UUID | None] = mapped_column(ForeignKey("person.id"))
    freeze_recorded_at: Mapped[datetime | None]
    arms: Mapped[list["Arm"]] = relationship(
        order_by="Arm.position", cascade="all, delete-orphan", passive_deletes=False
    )
    __table_args__ = (
        UniqueConstraint("study_id", "number"),
        Index("uq_protocol_draft", "study_id", unique=True, postgresql_where=text("frozen_at is null")),
        CheckConstraint("repeats between 1 and 10", name="repeats_range"),
        CheckConstraint("(frozen_at is null) = (frozen_by is null)", name="frozen_by_someone"),
    )


class Arm(Identified, Base):
    """One way of slicing and tuning within a study, with its print conditions; results of arms are never mixed."""

    __tablename__ = "arm"
    protocol_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("protocol.id"))
    position: Mapped[int]
    name: Mapped[str]
    slicing: Mapped[Slicing] = mapped_column(enum_of(Slicing))
    tuning: Mapped[Tuning] = mapped_column(enum_of(Tuning))
    conditions: Mapped[dict[str, Any]]
    lines: Mapped[list["PrintLine"]] = relationship(
        order_by="PrintLine.position", lazy="selectin", cascade="all, delete-orphan"
    )
    __table_args__ = (
        UniqueConstraint("protocol_id", "name"),
        CheckConstraint("length(name) between 1 and 60", name="name_length"),
    )


class PrintLine(Identified, Base):
    """One artifact from one spool, so many plates of so many `parts` (None: as many as a bed holds), on every machine of the
    study that can print it. `more_spools` are those of a third tool and further; `own_spools` says which machines take
    another spool of the material: [{model_id, unit, spool_id}]."""

    __tablename__ = "print_line"
    arm_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("arm.id"))
    position: Mapped[int]
    artifact_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("artifact.id"))
    spool_id: Mapped[uuid.UUID | None] = mapped_column(ForeignKey("spool.id"))
    second_spool_id: Mapped[uuid.UUID | None] = mapped_column(ForeignKey("spool.id"))
    more_spools: Mapped[list[Any]] = mapped_column(default=list, server_default=text("'[]'::jsonb"))
    own_spools: Mapped[list[Any]] = mapped_column(default=list, server_default=text("'[]'::jsonb"))
    copies: Mapped[int]
    parts: Mapped[int | None]
    artifact: Mapped[ArtifactVersion] = relationship(lazy="joined")
    spool: Mapped[Spool | None] = relationship(lazy="joined", foreign_keys=[spool_id])
    second_spool: Mapped[Spool | None] = relationship(lazy="joined", foreign_keys=[second_spool_id])
    __table_args__ = (
        UniqueConstraint("arm_id", "artifact_id", "spool_id", postgresql_nulls_not_distinct=True),
        CheckConstraint("copies between 1 and 20", name="copies_range"),
        CheckConstraint("parts between 1 and 500", name="parts_range"),
        CheckConstraint("second_spool_id <> spool_id", name="two_spools_differ"),
    )


class Job(Identified, Base):
    """A planned print: arm × unit × artifact × spool × copy; `position` is its place in the shuffled order."""

    __tablename__ = "job"
    study_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("study.id"), index=True)
    unit_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("unit.id"), index=True)
    artifact_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("artifact.id"))
    spool_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("spool.id"), index=True)
    second_spool_id: Mapped[uuid.UUID | None] = mapped_column(ForeignKey("spool.id"))
    more_spools: Mapped[list[Any]] = mapped_column(default=list, server_default=text("'[]'::jsonb"))
    own_spool_id: Mapped[uuid.UUID | None] = mapped_column(ForeignKey("spool.id"))
    arm_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("arm.id"))
    copy: Mapped[int]
    parts: Mapped[int] = mapped_column(default=1, server_default="1")
    counts: Mapped[bool] = mapped_column(default=True, server_default="true")
    added: Mapped[str] = mapped_column(default="", server_default="")
    position: Mapped[int]
    unit: Mapped[Unit] = relationship(lazy="joined")

    @property
    def spool_ids(self) -> list[uuid.UUID]:
        """What is in its tools, the first tool's first: its machine's own spool in place of the line's."""
        second = [self.second_spool_id] if self.second_spool_id else []
        return [self.own_spool_id or self.spool_id, *second, *(uuid.UUID(s) for s in self.more_spools)]

    @property
    def feed(self) -> dict[str, Any]:
        """Its spools, as another job of the same line and machine has them."""
        return {
            "spool_id": self.spool_id, "second_spool_id": self.second_spool_id, "more_spools": self.more_spools,
            "own_spool_id": self.own_spool_id,
        }  # fmt: skip

    __table_args__ = (
        UniqueConstraint("arm_id", "unit_id", "artifact_id", "spool_id", "copy"),
        UniqueConstraint("study_id", "position"),
        CheckConstraint("copy > 0", name="copy_positive"),
        CheckConstraint("parts between 1 and 500", name="parts_range"),
    )


class ProtocolDeviation(Identified, Base):
    """A departure from the frozen protocol, with its reason; on one job, or on the whole study."""

    __tablename__ = "deviation"
    study_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("study.id"), index=True)
    job_id: Mapped[uuid.UUID | None] = mapped_column(ForeignKey("job.id"))
    what: Mapped[str]
    reason: Mapped[str]
    person_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("person.id"))
    recorded_at: Mapped[datetime] = recorded_at()
    __table_args__ = (CheckConstraint("length(reason) > 0 and length(what) > 0", name="has_reason"),)


class SchemeVersion(Identified, Base):
    """Criteria with weights and value functions; never changed, a change is the next number."""

    __tablename__ = "scheme"
    study_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("study.id"))
    number: Mapped[int]
    created_at: Mapped[datetime] = recorded_at()
    person_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("person.id"))
    criteria: Mapped[list["CriterionRow"]] = relationship(order_by="CriterionRow.position", lazy="selectin")
    __table_args__ = (UniqueConstraint("study_id", "number"),)


class CriterionRow(Identified, Base):
    """One thing that counts: the code of what is told, its weight, the points (raw figure, value 0..100) that value it, and
    the group in which it stands, empty where it stands alone."""

    __tablename__ = "criterion"
    scheme_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("scheme.id"))
    position: Mapped[int]
    code: Mapped[str]
    weight: Mapped[float]
    shape: Mapped[Shape] = mapped_column(enum_of(Shape))
    points: Mapped[list[Any]]
    group_name: Mapped[str] = mapped_column(default="", server_default="")
    __table_args__ = (
        UniqueConstraint("scheme_id", "code"),
        CheckConstraint("length(group_name) <= 40", name="group_length"),
        CheckConstraint("weight between 0 and 100", name="weight_range"),
        CheckConstraint("jsonb_typeof(points) = 'array' and jsonb_array_length(points) >= 2", name="has_points"),
    )


class BuyerProfile(Editable, Base):
    __tablename__ = "buyer_profile"
    study_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("study.id"))
    name: Mapped[str]
    position: Mapped[int]
    weights: Mapped[dict[str, Any]]
    prints_month: Mapped[float | None]
    budget: Mapped[float | None]
    step: Mapped[float | None]
    gates: Mapped[list["GateRow"]] = relationship(order_by="GateRow.kind", lazy="selectin")
    __table_args__ = (
        UniqueConstraint("study_id", "name"),
        CheckConstraint("prints_month > 0 and budget > 0 and step > 0", name="wishes_positive"),
    )


class GateRow(Identified, Base):
    __tablename__ = "gate"
    profile_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("buyer_profile.id"))
    kind: Mapped[GateKind] = mapped_column(enum_of(GateKind))
    limit: Mapped[float]
    what: Mapped[str] = mapped_column(default="")
    at_least: Mapped[bool] = mapped_column(default=False)
    __table_args__ = (
        UniqueConstraint("profile_id", "kind", "what", "at_least", name="uq_gate_profile_id_kind"),
        CheckConstraint('"limit" >= 0', name="limit_not_negative"),
    )


class StudyReference(Identified, Base):
    """What a study's machines are held against: units of other studies ([study, unit] each), or figures that somebody states
    ({code: {value, u}})."""

    __tablename__ = "study_reference"
    study_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("study.id"), index=True)
    kind: Mapped[str]
    name: Mapped[str]
    about: Mapped[str] = mapped_column(default="", server_default="")
    members: Mapped[list[Any]]
    figures: Mapped[dict[str, Any]]
    person_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("person.id"))
    recorded_at: Mapped[datetime] = recorded_at()
    __table_args__ = (
        UniqueConstraint("study_id", "name"),
        CheckConstraint("length(name) between 1 and 80", name="name_length"),
    )


class ProtocolTemplate(Editable, Base):
    """A protocol kept under a name for later studies: arms, lines and policies, without machines or spools."""

    __tablename__ = "protocol_template"
    name: Mapped[str] = mapped_column(unique=True)
    about: Mapped[str] = mapped_column(default="")
    content: Mapped[dict[str, Any]]
    person_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("person.id"))
    saved_at: Mapped[datetime] = recorded_at()
    __table_args__ = (CheckConstraint("length(name) between 1 and 80", name="name_length"),)
