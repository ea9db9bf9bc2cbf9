"""Readings and scores: appended, corrected by a newer row, never changed.

What was entered once the machines were known says why in `after_reveal`. `not_blind` marks what was entered by a person
who had seen figures by printer while the part was hidden.
"""

import uuid
from datetime import datetime

from sqlalchemy import CheckConstraint, ForeignKey, Index, SmallInteger, UniqueConstraint, text
from sqlalchemy.orm import Mapped, mapped_column

from crevlo.core.features.kind import Takes, Verdict
from crevlo.core.success import Cause
from crevlo.store.base import Base, Identified, enum_of, recorded_at, set_by_database


class Reading(Identified, Base):
    """One measured value in its feature's unit, `over` several where it was taken so, or the reason why there is none;
    `supersedes_id` names the row it corrects."""

    __tablename__ = "reading"
    specimen_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("specimen.id"), index=True)
    feature_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("feature.id"))
    repeat: Mapped[int]
    value: Mapped[float | None]
    cannot_because: Mapped[str | None]
    note: Mapped[str | None]
    instrument_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("instrument.id"))
    over: Mapped[int] = mapped_column(SmallInteger, server_default=text("1"))
    part_c: Mapped[float | None]
    hand_id: Mapped[uuid.UUID | None] = mapped_column(ForeignKey("hand.id"))
    person_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("person.id"))
    taken_at: Mapped[datetime]
    recorded_at: Mapped[datetime] = recorded_at()
    supersedes_id: Mapped[uuid.UUID | None] = mapped_column(ForeignKey("reading.id"), unique=True)
    reason: Mapped[str | None]
    after_reveal: Mapped[str | None]
    not_blind: Mapped[bool] = set_by_database()
    __table_args__ = (
        Index(
            "uq_reading_first",
            "specimen_id",
            "feature_id",
            "repeat",
            unique=True,
            postgresql_where=text("supersedes_id is null"),
        ),
        CheckConstraint("repeat between 1 and 10", name="repeat_range"),
        CheckConstraint("(value is null) <> (cannot_because is null)", name="value_or_reason"),
        CheckConstraint("value > -1e9 and value < 1e9", name="value_bounded"),
        CheckConstraint("over between 0 and 1000", name="over_bounded"),
        CheckConstraint("(supersedes_id is null) = (reason is null)", name="correction_has_reason"),
    )


class Judgement(Identified, Base):
    """What a person says of a feature, or of the whole specimen: a verdict with its word, a count, or a look."""

    __tablename__ = "judgement"
    specimen_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("specimen.id"), index=True)
    feature_id: Mapped[uuid.UUID | None] = mapped_column(ForeignKey("feature.id"))
    takes: Mapped[Takes] = mapped_column(enum_of(Takes))
    amount: Mapped[int | None]
    verdict: Mapped[Verdict | None] = mapped_column(enum_of(Verdict))
    word: Mapped[str] = mapped_column(default="")
    person_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("person.id"))
    judged_at: Mapped[datetime]
    recorded_at: Mapped[datetime] = recorded_at()
    supersedes_id: Mapped[uuid.UUID | None] = mapped_column(ForeignKey("judgement.id"), unique=True)
    reason: Mapped[str | None]
    after_reveal: Mapped[str | None]
    not_blind: Mapped[bool] = set_by_database()
    __table_args__ = (
        Index(
            "uq_judgement_first",
            "specimen_id",
            "feature_id",
            "takes",
            "person_id",
            unique=True,
            postgresql_where=text("supersedes_id is null"),
            postgresql_nulls_not_distinct=True,
        ),
        CheckConstraint("(amount is null) <> (verdict is null)", name="says_one"),
        CheckConstraint("amount between 0 and 100000", name="amount_bounded"),
        CheckConstraint("(supersedes_id is null) = (reason is null)", name="correction_has_reason"),
    )


class DefectScore(Identified, Base):
    __tablename__ = "defect_score"
    specimen_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("specimen.id"), index=True)
    defect: Mapped[str]
    severity: Mapped[int]
    person_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("person.id"))
    scored_at: Mapped[datetime]
    recorded_at: Mapped[datetime] = recorded_at()
    supersedes_id: Mapped[uuid.UUID | None] = mapped_column(ForeignKey("defect_score.id"), unique=True)
    reason: Mapped[str | None]
    after_reveal: Mapped[str | None]
    not_blind: Mapped[bool] = set_by_database()
    __table_args__ = (
        Index(
            "uq_defect_score_first",
            "specimen_id",
            "defect",
            "person_id",
            unique=True,
            postgresql_where=text("supersedes_id is null"),
        ),
        CheckConstraint("severity between 0 and 5", name="severity_range"),
        CheckConstraint("(supersedes_id is null) = (reason is null)", name="correction_has_reason"),
    )


class InspectionLock(Identified, Base):
    """A rater's scores of a specimen are final; only then may the machine be revealed."""

    __tablename__ = "inspection_lock"
    specimen_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("specimen.id"))
    person_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("person.id"))
    locked_at: Mapped[datetime] = recorded_at()
    __table_args__ = (UniqueConstraint("specimen_id", "person_id"),)


class Rejection(Identified, Base):
    """A specimen that cannot be used: its print counts as a failed one, with the cause."""

    __tablename__ = "rejection"
    specimen_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("specimen.id"), index=True)
    cause: Mapped[Cause] = mapped_column(enum_of(Cause))
    words: Mapped[str]
    person_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("person.id"))
    recorded_at: Mapped[datetime] = recorded_at()
    supersedes_id: Mapped[uuid.UUID | None] = mapped_column(ForeignKey("rejection.id"), unique=True)
    reason: Mapped[str | None]
    not_blind: Mapped[bool] = set_by_database()
    __table_args__ = (
        Index("uq_rejection_first", "specimen_id", unique=True, postgresql_where=text("supersedes_id is null")),
        CheckConstraint("(supersedes_id is null) = (reason is null)", name="correction_has_reason"),
        CheckConstraint("length(words) > 0", name="says_why"),
    )
