"""Who may sign in, and how."""

import hashlib
import secrets
import uuid
from dataclasses import dataclass
from datetime import UTC, datetime, timedelta
from functools import cache

from argon2 import PasswordHasher
from argon2.exceptions import InvalidHashError, VerificationError
from pydantic import Field
from sqlalchemy import bindparam, delete, func, or_, select, text, update
from sqlalchemy.orm import Session

from crevlo.stations.kit.change import change
from crevlo.stations.kit.shape import Missing, Name, Refused, Shape, Version
from crevlo.store.person import Person, Role, SignInAttempt, SignInLink, SignInSession

LEAST_PASSWORD = 10
# Wrong tries before one must wait: at one account from one address, at one account in all, from one address in all. An
# address can be a whole company's, and an account must not be closed to its owner by somebody far away.
MOST_FAILURES, MOST_AT_ACCOUNT, MOST_FROM_ADDRESS = 8, 40, 100
FAILURE_WINDOW = timedelta(minutes=15)
SESSION_LIFE = timedelta(days=14)
_SEEN_EVERY = timedelta(minutes=10)
# Who came by a link may have forgotten the password: for so long it is not asked for.
_LINK_GRACE = timedelta(minutes=30)
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
    name: Name = Field(min_length=1, max_length=80)
    email: str = Field(min_length=3, max_length=200, pattern=r"^[^@\s]+@[^@\s]+$")
    role: Role
    password: str = Field(min_length=LEAST_PASSWORD, max_length=200)


class PersonChange(Shape):
    version: Version
    role: Role
    active: bool


class PasswordChange(Shape):
    old: str = Field(default="", max_length=200, description="not needed just after signing in by a link")
    new: str = Field(min_length=LEAST_PASSWORD, max_length=200)


class SessionOut(Shape):
    """One browser in which this person is signed in."""

    id: uuid.UUID
    agent: str
    address: str
    began_at: datetime
    seen_at: datetime
    here: bool


class Sessions(Shape):
    sessions: list[SessionOut]


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
    # Two owners who step down at once: the second waits here, and is then the last.
    session.execute(text("select pg_advisory_xact_lock(hashtextextended('crevlo owners', 0))"))
    owners = session.scalar(select(func.count()).where(Person.role == Role.OWNER, Person.active)) or 0
    if person.role is Role.OWNER and owners == 1 and (given.role is not Role.OWNER or not given.active):
        raise Refused("This is the last owner; make somebody else owner first.")
    changed = change(session, person, given.version, {"role": given.role, "active": given.active})
    # A change of role or standing ends what was opened under the old one.
    end_sessions(session, person_id)
    _end_links(session, person_id)
    return PersonOut.model_validate(changed, extra="ignore")


def check_password(session: Session, email: str, password: str, address: str) -> Person | None:
    """The person, or None; raises TooManyTries after repeated failures. Commits before the password is looked at, so that
    tries made at once are counted one by one."""
    key, now = email.lower(), datetime.now(UTC)
    session.execute(text("select pg_advisory_xact_lock(hashtextextended(:key, 1))"), {"key": key})
    at_account, here, from_address = session.execute(
        select(
            func.count().filter(SignInAttempt.email == key),
            func.count().filter(SignInAttempt.email == key, SignInAttempt.address == address),
            func.count().filter(SignInAttempt.address == address),
        ).where(
            or_(SignInAttempt.email == key, SignInAttempt.address == address),
            SignInAttempt.at > now - FAILURE_WINDOW,
        )
    ).one()
    if here >= MOST_FAILURES or at_account >= MOST_AT_ACCOUNT or from_address >= MOST_FROM_ADDRESS:
        session.rollback()
        raise TooManyTries
    attempt = SignInAttempt(email=key, address=address)
    session.add(attempt)
    session.commit()
    person = session.scalar(select(Person).where(func.lower(Person.email) == key, Person.active))
    if _verify(person.password_hash if person and person.password_hash else _nobody(), password) and person:
        session.execute(delete(SignInAttempt).where(SignInAttempt.email == key, SignInAttempt.address == address))
        return person
    return None


def open_session(session: Session, person: Person, agent: str, address: str, *, by_link: bool = False) -> uuid.UUID:
    """A session of this browser, known on the server until it ends there."""
    row = SignInSession(person_id=person.id, agent=_browser(agent), address=address[:60], by_link=by_link)
    session.add(row)
    session.flush()
    return row.id


@dataclass(frozen=True, slots=True)
class WhoIsIn:
    """Of a person who is signed in, what every call looks at."""

    id: uuid.UUID
    name: str
    email: str
    role: Role


# Asked at every call: written down once, and no rows of people are made for it.
_WHO = (
    select(
        SignInSession.began_at, SignInSession.seen_at, Person.id, Person.name, Person.email, Person.role,
    )
    .join(Person, Person.id == SignInSession.person_id)
    .where(SignInSession.id == bindparam("session_id"), SignInSession.ended_at.is_(None), Person.active)
)  # fmt: skip


def session_person(session: Session, session_id: uuid.UUID) -> WhoIsIn | None:
    """Who is signed in under a session, None once it has ended."""
    row = session.execute(_WHO, {"session_id": session_id}).one_or_none()
    now = datetime.now(UTC)
    if row is None or now - row.began_at > SESSION_LIFE:
        return None
    if now - row.seen_at > _SEEN_EVERY:
        session.execute(update(SignInSession).where(SignInSession.id == session_id).values(seen_at=now))
        session.commit()
    return WhoIsIn(row.id, row.name, row.email, row.role)


def end_sessions(
    session: Session, person_id: uuid.UUID, only: uuid.UUID | None = None, keep: uuid.UUID | None = None
) -> None:
    """Ends a person's sessions: all of them, one, or all but one."""
    query = update(SignInSession).where(SignInSession.person_id == person_id, SignInSession.ended_at.is_(None))
    if only is not None:
        query = query.where(SignInSession.id == only)
    if keep is not None:
        query = query.where(SignInSession.id != keep)
    session.execute(query.values(ended_at=datetime.now(UTC)))


def list_sessions(session: Session, person_id: uuid.UUID, here: uuid.UUID) -> Sessions:
    rows = session.scalars(
        select(SignInSession).where(
            SignInSession.person_id == person_id, SignInSession.ended_at.is_(None),
            SignInSession.began_at > datetime.now(UTC) - SESSION_LIFE,
        ).order_by(SignInSession.seen_at.desc()).limit(50)
    )  # fmt: skip
    return Sessions(
        sessions=[
            SessionOut(
                id=r.id,
                agent=in_words(r.agent),
                address=r.address,
                began_at=r.began_at,
                seen_at=r.seen_at,
                here=r.id == here,
            )
            for r in rows
        ]
    )


def end_session(session: Session, person_id: uuid.UUID, session_id: uuid.UUID, here: uuid.UUID) -> Sessions:
    """Signs this person out in another browser."""
    row = session.get(SignInSession, session_id)
    if row is None or row.person_id != person_id:
        raise Missing("There is no such session of yours.")
    end_sessions(session, person_id, only=session_id)
    return list_sessions(session, person_id, here)


def change_password(session: Session, person_id: uuid.UUID, given: PasswordChange, here: uuid.UUID) -> Sessions:
    """Sets a person's own password; every other session of theirs ends, and so do links not used yet."""
    person, row = session.get_one(Person, person_id), session.get_one(SignInSession, here)
    lately = row.by_link and datetime.now(UTC) - row.began_at < _LINK_GRACE
    if not lately and not (person.password_hash and _verify(person.password_hash, given.old)):
        raise Refused("The old password is not right.")
    _refuse_common(given.new, person.email)
    person.password_hash = _hasher.hash(given.new)
    end_sessions(session, person_id, keep=here)
    _end_links(session, person_id)
    session.flush()
    return list_sessions(session, person_id, here)


def make_link(session: Session, person_id: uuid.UUID) -> str:
    """A one-time token; only its hash is stored. Links made earlier for the same person end."""
    _end_links(session, person_id)
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


def _end_links(session: Session, person_id: uuid.UUID) -> None:
    session.execute(
        update(SignInLink).where(SignInLink.person_id == person_id, SignInLink.used_at.is_(None))
        .values(used_at=datetime.now(UTC))
    )  # fmt: skip


def _refuse_common(password: str, email: str) -> None:
    """Passwords that are tried first: those that many people have, and one's own address."""
    # Loaded where it is needed: the list is long, and hardly any call needs it.
    from zxcvbn.frequency_lists import FREQUENCY_LISTS

    plain = password.lower()
    bare = plain.rstrip("0123456789!.?-_ ")
    if {plain, bare} & set(FREQUENCY_LISTS["passwords"]) or len(set(plain)) < 4 or plain in email.lower():
        raise Refused(
            "This password is one of those that are tried first. Take a few words that do not belong together."
        )


# In this order: each family's browsers also carry the names of those below it.
_BROWSERS = (("Edg", "Edge"), ("OPR/", "Opera"), ("Firefox/", "Firefox"), ("Chrom", "Chrome"), ("Safari/", "Safari"))
_DEVICES = (
    ("iPad", "a tablet"), ("iPhone", "a phone"), ("Android", "a phone or tablet"), ("Windows", "Windows"),
    ("Macintosh", "a Mac"), ("Linux", "Linux"),
)  # fmt: skip


def in_words(agent: str) -> str:
    """A browser and where it runs, as a person would say it; what names neither stands as it is."""
    browser = next((name for mark, name in _BROWSERS if mark in agent), None)
    device = next((name for mark, name in _DEVICES if mark in agent), None)
    if browser and device:
        return f"{browser} on {device}"
    return browser or agent


def _browser(agent: str) -> str:
    """What a browser says of itself, short enough to be recognised."""
    return "".join(c for c in agent if c.isprintable())[:120] or "unknown browser"


def _add(session: Session, given: NewPerson, role: Role) -> Person:
    _refuse_common(given.password, given.email)
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
