"""When a study's prints are to happen: the rules of the bench, pins, schedules made, and work in the background."""

import uuid
from datetime import datetime
from enum import StrEnum
from typing import Any

from sqlalchemy import CheckConstraint, ForeignKey, Index, UniqueConstraint, text
from sqlalchemy.orm import Mapped, mapped_column

from crevlo.store.base import Base, Editable, Identified, enum_of, recorded_at


class BenchRules(Editable, Base):
    """Hours, people, circuits and handling times for one study's schedule."""

    __tablename__ = "bench_rules"
    study_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("study.id"), unique=True)
    rules: Mapped[dict[str, Any]]
    changed_at: Mapped[datetime] = recorded_at()


class Pin(Identified, Base):
    """A print put at a time by a person; the schedule is made around it."""

    __tablename__ = "pin"
    job_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("job.id"), unique=True)
    study_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("study.id"), index=True)
    start_at: Mapped[datetime]
    person_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("person.id"))
    recorded_at: Mapped[datetime] = recorded_at()


class MadeSchedule(Identified, Base):
    """One schedule as it was made, never changed; a new plan is the next number.

    Times of slots and dryings are whole ticks of `tick_s` seconds from `origin`.
    """

    __tablename__ = "schedule"
    study_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("study.id"))
    number: Mapped[int]
    origin: Mapped[datetime]
    tick_s: Mapped[int]
    seed: Mapped[int]
    rules: Mapped[dict[str, Any]]
    slots: Mapped[list[Any]]
    dryings: Mapped[list[Any]]
    facts: Mapped[dict[str, Any]]
    moved: Mapped[list[Any]]
    person_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("person.id"))
    made_at: Mapped[datetime] = recorded_at()
    __table_args__ = (
        UniqueConstraint("study_id", "number"),
        CheckConstraint("tick_s > 0", name="tick_positive"),
    )


class WorkState(StrEnum):
    WAITING = "waiting"
    RUNNING = "running"
    DONE = "done"
    FAILED = "failed"
    CANCELLED = "cancelled"


class Wish(StrEnum):
    """What the person who asked wants of running work."""

    GO_ON = "go on"
    ENOUGH = "enough"  # stop here and keep the best so far
    CANCEL = "cancel"


class BackgroundWork(Identified, Base):
    """Something that takes longer than a request: asked for, carried out by the worker, with its progress.

    One of a kind is under way for a subject at a time; the subject is the study where no other is named.
    """

    __tablename__ = "background_work"
    study_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("study.id"), index=True)
    kind: Mapped[str]
    subject_id: Mapped[uuid.UUID | None] = mapped_column(index=True)
    given: Mapped[dict[str, Any]]
    state: Mapped[WorkState] = mapped_column(enum_of(WorkState), default=WorkState.WAITING)
    wish: Mapped[Wish] = mapped_column(enum_of(Wish), default=Wish.GO_ON)
    stage: Mapped[str] = mapped_column(default="")
    share: Mapped[float] = mapped_column(default=0.0)
    message: Mapped[str] = mapped_column(default="")
    found: Mapped[dict[str, Any]] = mapped_column(server_default=text("'{}'::jsonb"))
    begun: Mapped[int] = mapped_column(default=0)
    person_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("person.id"))
    asked_at: Mapped[datetime] = recorded_at()
    told_at: Mapped[datetime | None]
    ended_at: Mapped[datetime | None]
    __table_args__ = (
        CheckConstraint("share between 0 and 1", name="share_range"),
        Index(
            "uq_background_work_open", text("coalesce(subject_id, study_id)"), "kind", unique=True,
            postgresql_where=text("state in ('waiting', 'running')"),
        ),
    )  # fmt: skip
