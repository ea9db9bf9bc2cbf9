"""Who may sign in, and how."""

import hashlib
import secrets
import uuid
from datetime import UTC, datetime, timedelta
from functools import cache

from argon2 import PasswordHasher
from argon2.exceptions import InvalidHashError, VerificationError
from pydantic import Field
from sqlalchemy import delete, func, or_, select, text
from sqlalchemy.orm import Session

from crevlo.stations.library import change
from crevlo.stations.shape import Missing, Refused, Shape
from crevlo.store.person import Person, Role, SignInAttempt, SignInLink

LEAST_PASSWORD = 10
MOST_FAILURES = 8
FAILURE_WINDOW = timedelta(minutes=15)
LINK_LIFE = timedelta(hours=12)
_hasher = PasswordHasher()


class PersonOut(Shape):
    id: uuid.UUID
    name: str
    email: str
    role: Role
    active: bool
    version: int


class NewPerson(Shape):
    id: uuid.UUID
    name: str = Field(min_length=1, max_length=80)
    email: str = Field(min_length=3, max_length=200, pattern=r"^[^@\s]+@[^@\s]+$")
    role: Role
    password: str = Field(min_length=LEAST_PASSWORD, max_length=200)


class PersonChange(Shape):
    version: int
    role: Role
    active: bool


class TooManyTries(Exception):
    """Signing in failed too often lately."""


def needs_owner(session: Session) -> bool:
    return session.scalar(select(func.count()).select_from(Person)) == 0


def create_owner(session: Session, given: NewPerson) -> Person:
    """The first account; refused once there is one."""
    session.execute(text("lock table person in exclusive mode"))
    if not needs_owner(session):
        raise Refused("The owner account exists already; sign in instead.")
    return _add(session, given, Role.OWNER)


def add_person(session: Session, given: NewPerson) -> PersonOut:
    if session.scalar(select(Person.id).where(func.lower(Person.email) == given.email.lower())):
        raise Refused("This address has an account already.")
    return PersonOut.model_validate(_add(session, given, given.role), extra="ignore")


def list_people(session: Session) -> list[PersonOut]:
    return [
        PersonOut.model_validate(p, extra="ignore") for p in session.scalars(select(Person).order_by(Person.name))
    ]


def change_person(session: Session, person_id: uuid.UUID, given: PersonChange) -> PersonOut:
    person = session.get(Person, person_id)
    if person is None:
        raise Missing("There is no such person.")
    owners = session.scalar(select(func.count()).where(Person.role == Role.OWNER, Person.active)) or 0
    if person.role is Role.OWNER and owners == 1 and (given.role is not Role.OWNER or not given.active):
        raise Refused("This is the last owner; make somebody else owner first.")
    # A change of role or standing ends the sessions opened under the old one.
    fields = {"role": given.role, "active": given.active, "session_epoch": person.session_epoch + 1}
    return PersonOut.model_validate(change(session, person, given.version, fields), extra="ignore")


def check_password(session: Session, email: str, password: str, address: str) -> Person | None:
    """The person, or None; raises TooManyTries after repeated failures of the account or the address."""
    since = datetime.now(UTC) - FAILURE_WINDOW
    failures = session.scalar(
        select(func.count()).where(
            or_(SignInAttempt.email == email.lower(), SignInAttempt.address == address), SignInAttempt.at > since
        )
    )
    if (failures or 0) >= MOST_FAILURES:
        raise TooManyTries
    person = session.scalar(select(Person).where(func.lower(Person.email) == email.lower(), Person.active))
    if _verify(person.password_hash if person and person.password_hash else _nobody(), password) and person:
        session.execute(delete(SignInAttempt).where(SignInAttempt.email == email.lower()))
        return person
    session.add(SignInAttempt(email=email.lower(), address=address))
    return None


def make_link(session: Session, person_id: uuid.UUID) -> str:
    """A one-time token; only its hash is stored."""
    token = secrets.token_urlsafe(24)
    session.add(SignInLink(person_id=person_id, token_hash=_digest(token), expires_at=datetime.now(UTC) + LINK_LIFE))
    session.flush()
    return token


def use_link(session: Session, token: str) -> Person | None:
    link = session.scalar(select(SignInLink).where(SignInLink.token_hash == _digest(token)).with_for_update())
    if link is None or link.used_at is not None or link.expires_at < datetime.now(UTC):
        return None
    link.used_at = datetime.now(UTC)
    person = session.get(Person, link.person_id)
    return person if person and person.active else None


def _add(session: Session, given: NewPerson, role: Role) -> Person:
    person = Person(
        id=given.id, name=given.name, email=given.email, role=role, password_hash=_hasher.hash(given.password)
    )
    session.add(person)
    session.flush()
    return person


@cache
def _nobody() -> str:
    """Verified against when the address is unknown, so that both answers take equally long."""
    return _hasher.hash(secrets.token_hex(16))


def _verify(stored: str, password: str) -> bool:
    try:
        return _hasher.verify(stored, password)
    except (VerificationError, InvalidHashError):
        return False


def _digest(token: str) -> str:
    return hashlib.sha256(token.encode()).hexdigest()
