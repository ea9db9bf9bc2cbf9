"""What people say of machines: by rubrics, by points a line, and in their final words."""

import uuid
from datetime import date, datetime
from typing import Any

from sqlalchemy import CheckConstraint, ForeignKey, UniqueConstraint
from sqlalchemy.orm import Mapped, mapped_column

from crevlo.store.base import Base, Editable, Identified, recorded_at


class FinalWord(Editable, Base):
    """One thing said of a machine at the end; an upgrade has its price, with where and when it was read."""

    __tablename__ = "final_word"
    study_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("study.id"), index=True)
    unit_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("unit.id"))
    kind: Mapped[str]
    words: Mapped[str]
    price: Mapped[float | None]
    currency: Mapped[str | None]
    source: Mapped[str] = mapped_column(default="", server_default="")
    priced_on: Mapped[date | None]
    position: Mapped[int]
    person_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("person.id"))
    recorded_at: Mapped[datetime] = recorded_at()
    __table_args__ = (
        CheckConstraint("length(words) > 0", name="has_words"),
        CheckConstraint("price >= 0", name="price_not_negative"),
        CheckConstraint("(price is null) = (currency is null)", name="price_has_currency"),
        CheckConstraint("currency ~ '^[A-Z]{3}$'", name="currency_code"),
    )


class PointsSheet(Editable, Base):
    """Lines of a study with points each and the units that won them: [{words, points, winners}]."""

    __tablename__ = "points_sheet"
    study_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("study.id"), unique=True)
    lines: Mapped[list[Any]]
    person_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("person.id"))
    changed_at: Mapped[datetime] = recorded_at()


class RubricScore(Identified, Base):
    """What one person gave a machine by a rubric's anchors; never changed, a correction is a new row with its reason."""

    __tablename__ = "rubric_score"
    study_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("study.id"), index=True)
    unit_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("unit.id"))
    rubric: Mapped[str]
    person_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("person.id"))
    score: Mapped[int]
    words: Mapped[str] = mapped_column(default="", server_default="")
    recorded_at: Mapped[datetime] = recorded_at()
    supersedes_id: Mapped[uuid.UUID | None] = mapped_column(ForeignKey("rubric_score.id"))
    reason: Mapped[str | None]
    __table_args__ = (
        UniqueConstraint("supersedes_id"),
        CheckConstraint("score between 0 and 5", name="range"),
        CheckConstraint("(supersedes_id is null) = (reason is null)", name="correction_has_reason"),
    )
