"""People who sign in, and the traces of their signing in."""

import uuid
from datetime import datetime
from enum import StrEnum

from sqlalchemy import CheckConstraint, ForeignKey, Index, text
from sqlalchemy.orm import Mapped, mapped_column

from crevlo.store.base import Base, Editable, Identified, enum_of, recorded_at


class Role(StrEnum):
    OWNER = "owner"  # everything, and who may do what
    REVIEWER = "reviewer"  # runs studies
    RATER = "rater"  # measures and scores blind specimens, sees nothing that names a machine
    READER = "reader"  # reads everything that is not hidden, changes nothing


class Person(Editable, Base):
    __tablename__ = "person"
    name: Mapped[str]
    email: Mapped[str]
    role: Mapped[Role] = mapped_column(enum_of(Role))
    password_hash: Mapped[str | None]
    active: Mapped[bool] = mapped_column(default=True)
    created_at: Mapped[datetime] = recorded_at()
    __table_args__ = (
        Index("uq_person_email_lower", text("lower(email)"), unique=True),
        CheckConstraint("length(name) between 1 and 80", name="name_length"),
        CheckConstraint("position('@' in email) > 1", name="email_shape"),
    )


class SignInLink(Identified, Base):
    """A one-time way in; only its hash is kept."""

    __tablename__ = "sign_in_link"
    person_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("person.id"))
    token_hash: Mapped[str] = mapped_column(unique=True)
    expires_at: Mapped[datetime]
    used_at: Mapped[datetime | None]


class SignInSession(Identified, Base):
    """One browser of a person, signed in until it ends."""

    __tablename__ = "sign_in_session"
    person_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("person.id"), index=True)
    agent: Mapped[str] = mapped_column(default="")
    by_link: Mapped[bool] = mapped_column(default=False)
    address: Mapped[str] = mapped_column(default="")
    began_at: Mapped[datetime] = recorded_at()
    seen_at: Mapped[datetime] = recorded_at()
    ended_at: Mapped[datetime | None]


class SignInAttempt(Identified, Base):
    """A failed sign-in, counted over all web processes."""

    __tablename__ = "sign_in_attempt"
    email: Mapped[str] = mapped_column(index=True)
    address: Mapped[str] = mapped_column(index=True)
    at: Mapped[datetime] = recorded_at()
