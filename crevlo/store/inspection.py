"""What is looked at and compared beside scores: looks, duels, faults of a study's own, an audience's ballots."""

import uuid
from datetime import datetime
from enum import StrEnum
from typing import Any

from sqlalchemy import CheckConstraint, ForeignKey, Index, UniqueConstraint, text
from sqlalchemy.orm import Mapped, mapped_column

from crevlo.core.looks import Result, Stage
from crevlo.core.raters.duels import Won
from crevlo.store.base import Base, Editable, Identified, enum_of, recorded_at, set_by_database


class Duel(Identified, Base):
    """Which of two specimens is better, blind; a newer row without a winner takes one back."""

    __tablename__ = "duel"
    study_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("study.id"), index=True)
    first_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("specimen.id"))
    second_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("specimen.id"))
    won: Mapped[Won | None] = mapped_column(enum_of(Won))
    sells: Mapped[str | None]
    person_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("person.id"))
    judged_at: Mapped[datetime]
    recorded_at: Mapped[datetime] = recorded_at()
    supersedes_id: Mapped[uuid.UUID | None] = mapped_column(ForeignKey("duel.id"), unique=True)
    not_blind: Mapped[bool] = set_by_database()
    __table_args__ = (
        CheckConstraint("first_id <> second_id", name="of_two"),
        CheckConstraint("(won is null) = (supersedes_id is not null)", name="taken_back"),
    )


class Look(Identified, Base):
    """One of the three looks at a part, by one person: what of its list was wrong, and what became of it."""

    __tablename__ = "look"
    specimen_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("specimen.id"), index=True)
    stage: Mapped[Stage] = mapped_column(enum_of(Stage))
    result: Mapped[Result] = mapped_column(enum_of(Result))
    items: Mapped[dict[str, Any]]
    words: Mapped[str]
    person_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("person.id"))
    looked_at: Mapped[datetime]
    recorded_at: Mapped[datetime] = recorded_at()
    supersedes_id: Mapped[uuid.UUID | None] = mapped_column(ForeignKey("look.id"), unique=True)
    reason: Mapped[str | None]
    after_reveal: Mapped[str | None]
    not_blind: Mapped[bool] = set_by_database()
    __table_args__ = (
        Index(
            "uq_look_first", "specimen_id", "stage", "person_id", unique=True, postgresql_where=text("supersedes_id is null")
        ),
        CheckConstraint("(supersedes_id is null) = (reason is null)", name="correction_has_reason"),
        CheckConstraint("result = 'fine' or length(words) > 0", name="says_why"),
    )  # fmt: skip


class OwnDefect(Identified, Base):
    """A fault that a study looks for beside the built-in ones."""

    __tablename__ = "own_defect"
    study_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("study.id"))
    code: Mapped[str]
    name: Mapped[str]
    weight: Mapped[float]
    structural: Mapped[bool]
    look: Mapped[str]
    anchors: Mapped[list[Any]]
    person_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("person.id"))
    added_at: Mapped[datetime] = recorded_at()
    __table_args__ = (
        UniqueConstraint("study_id", "code"),
        CheckConstraint("weight > 0 and weight <= 10", name="weight_above_0"),
        CheckConstraint("jsonb_typeof(anchors) = 'array' and jsonb_array_length(anchors) = 6", name="six_anchors"),
    )


class UnblindingCause(StrEnum):
    LOOKED = "looked"
    PUBLISHED = "published"
    BEFORE = "could look before"  # entered before figures of hidden parts were withheld


class Unblinding(Identified, Base):
    """Who has seen figures by printer while parts were hidden; without a person, everybody."""

    __tablename__ = "unblinding"
    study_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("study.id"))
    person_id: Mapped[uuid.UUID | None] = mapped_column(ForeignKey("person.id"))
    cause: Mapped[UnblindingCause] = mapped_column(enum_of(UnblindingCause))
    recorded_at: Mapped[datetime] = recorded_at()
    __table_args__ = (
        Index(
            "uq_unblinding_study_id_person_id",
            "study_id",
            "person_id",
            unique=True,
            postgresql_nulls_not_distinct=True,
        ),
    )


class Ballot(Editable, Base):
    """A public page on which an audience compares photos of one line's pieces; `key` is its address."""

    __tablename__ = "ballot"
    study_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("study.id"), index=True)
    key: Mapped[str] = mapped_column(unique=True)
    question: Mapped[str]
    opened_at: Mapped[datetime]
    closes_at: Mapped[datetime]
    closed_at: Mapped[datetime | None]
    person_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("person.id"))
    __table_args__ = (
        CheckConstraint("closes_at > opened_at", name="closes_later"),
        CheckConstraint("length(question) between 5 and 200", name="question_length"),
    )


class BallotPiece(Identified, Base):
    """A specimen that is voted on, by the picture made for it alone."""

    __tablename__ = "ballot_piece"
    ballot_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("ballot.id"), index=True)
    specimen_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("specimen.id"))
    sha256: Mapped[str] = mapped_column(ForeignKey("upload.sha256"))
    __table_args__ = (UniqueConstraint("ballot_id", "specimen_id"),)


class Vote(Identified, Base):
    """One browser's say on one pair; `voter` and `address` are digests of this ballot alone."""

    __tablename__ = "vote"
    ballot_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("ballot.id"))
    first_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("ballot_piece.id"))
    second_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("ballot_piece.id"))
    won: Mapped[Won] = mapped_column(enum_of(Won))
    voter: Mapped[str]
    address: Mapped[str]
    cast_at: Mapped[datetime] = recorded_at()
    __table_args__ = (
        UniqueConstraint("ballot_id", "voter", "first_id", "second_id"),
        CheckConstraint("first_id < second_id", name="one_way_round"),
        Index("ix_vote_address", "ballot_id", "address", "cast_at"),
    )
