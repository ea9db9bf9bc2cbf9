"""Signing in and out, the first owner, and who may do what."""

import uuid

from flask import Response, request, session
from flask_login import current_user, login_user, logout_user
from flask_wtf.csrf import generate_csrf
from pydantic import BaseModel, Field
from sqlalchemy import Uuid, case, cast, select

from crevlo.api.errors import problem
from crevlo.api.guard import EVERYONE, NOT_BLIND, OWNER, SignedIn, anybody, db, once, reads, writes
from crevlo.api.station import station
from crevlo.stations.kit.shape import Shape
from crevlo.stations.library import person as people
from crevlo.stations.library.person import NewPerson, PersonChange, PersonOut
from crevlo.store.audit import AuditEntry
from crevlo.store.person import Person, Role
from crevlo.store.run import Specimen
from crevlo.store.study import Study

api = station("people")


class Me(Shape):
    """The session: who is signed in, the token every change must carry, and whether an owner is still to be made."""

    person_id: uuid.UUID | None
    name: str | None
    role: Role | None
    csrf: str
    needs_owner: bool


class SignIn(Shape):
    email: str = Field(max_length=200)
    password: str = Field(max_length=200)


class SignInLink(Shape):
    token: str = Field(max_length=100)


class PersonPath(BaseModel):
    person_id: uuid.UUID


class People(Shape):
    people: list[PersonOut]


class AuditLine(Shape):
    id: int
    what: str
    row: str
    action: str
    person: str | None
    at: str


class AuditPage(Shape):
    entries: list[AuditLine]


class AuditQuery(BaseModel):
    before: int = Field(default=2**62, ge=1, le=2**62)


def _me() -> Me:
    if not session.permanent:
        session.permanent = True
    signed = current_user if current_user.is_authenticated else None
    return Me(
        person_id=signed.id if signed else None, name=signed.name if signed else None,
        role=signed.role if signed else None, csrf=generate_csrf(), needs_owner=not signed and people.needs_owner(db()),
    )  # fmt: skip


@api.get("/session", responses={200: Me})
@anybody
def session_now() -> Response:
    return Response(_me().model_dump_json(), mimetype="application/json", headers={"Cache-Control": "no-store"})


@api.post("/session", responses={200: Me})
@anybody
def sign_in(body: SignIn) -> Response:
    person = people.check_password(db(), body.email, body.password, request.remote_addr or "")
    db().commit()
    if person is None:
        return problem(401, "Address and password do not match an account.")
    return _signed_in(person)


@api.post("/session/link", responses={200: Me})
@anybody
def sign_in_by_link(body: SignInLink) -> Response:
    person = people.use_link(db(), body.token)
    db().commit()
    if person is None:
        return problem(401, "This sign-in link was used already or is too old. Start again to get a new one.")
    return _signed_in(person, by_link=True)


def _signed_in(person: Person, *, by_link: bool = False) -> Response:
    """Opens a session, and ends the one that this browser had."""
    if current_user.is_authenticated:
        people.end_sessions(db(), current_user.id, only=current_user.session_id)
    agent, address = request.headers.get("User-Agent", ""), request.remote_addr or ""
    opened = people.open_session(db(), person, agent, address, by_link=by_link)
    db().commit()
    login_user(SignedIn(person, opened))
    return Response(_me().model_dump_json(), mimetype="application/json")


@api.delete("/session", responses={200: Me})
@anybody
def sign_out() -> Response:
    """Ends the session on the server too: a copy of the cookie is worth nothing afterwards."""
    if current_user.is_authenticated:
        people.end_sessions(db(), current_user.id, only=current_user.session_id)
        db().commit()
    logout_user()
    return Response(_me().model_dump_json(), mimetype="application/json")


@api.post("/owner", responses={200: PersonOut})
@anybody
def first_owner(body: NewPerson) -> Response:
    """Creates the owner account of an empty installation; refused ever after."""
    made: list[SignedIn] = []

    def create() -> PersonOut:
        person = people.create_owner(db(), body)
        opened = people.open_session(db(), person, request.headers.get("User-Agent", ""), request.remote_addr or "")
        made.append(SignedIn(person, opened))
        return PersonOut.model_validate(person, extra="ignore")

    answer = once(create)
    if made and answer.status_code == 200:
        login_user(made[0])
    return answer


class SessionPath(BaseModel):
    session_id: uuid.UUID


@api.get("/sessions", responses={200: people.Sessions})
@reads(EVERYONE)
def my_sessions() -> people.Sessions:
    """Where this person is signed in."""
    return people.list_sessions(db(), current_user.id, current_user.session_id)


@api.delete("/sessions/<uuid:session_id>", responses={200: people.Sessions})
@writes(EVERYONE)
def end_session(path: SessionPath) -> people.Sessions:
    """Signs this person out in another browser."""
    return people.end_session(db(), current_user.id, path.session_id, current_user.session_id)


@api.put("/session/password", responses={200: people.Sessions})
@writes(EVERYONE)
def change_password(body: people.PasswordChange) -> people.Sessions:
    """A new password of one's own; ends every other session."""
    return people.change_password(db(), current_user.id, body, current_user.session_id)


@api.get("/people", responses={200: People})
@reads(OWNER)
def list_people() -> People:
    return People(people=people.list_people(db()))


@api.post("/people", responses={200: PersonOut})
@writes(OWNER)
def add_person(body: NewPerson) -> PersonOut:
    return people.add_person(db(), body)


@api.patch("/people/<uuid:person_id>", responses={200: PersonOut})
@writes(OWNER)
def change_person(path: PersonPath, body: PersonChange) -> PersonOut:
    return people.change_person(db(), path.person_id, body)


@api.get("/audit", responses={200: AuditPage})
@reads(NOT_BLIND)
def audit(query: AuditQuery) -> AuditPage:
    """The newest changes, 100 a page; `before` is the id to go on from.

    That a specimen came to be stands beside the end of its run: until the reveal of its study it is not told.
    """
    hidden = (
        select(Specimen.id)
        .join(Study, Study.id == Specimen.study_id)
        .where(
            Study.revealed_at.is_(None),
            Specimen.id == case((AuditEntry.table_name == "specimen", cast(AuditEntry.row_id, Uuid))),
        )
    )
    rows = db().execute(
        select(AuditEntry, Person.name)
        .outerjoin(Person, Person.id == AuditEntry.person_id)
        .where(AuditEntry.id < query.before, ~((AuditEntry.table_name == "specimen") & hidden.exists()))
        .order_by(AuditEntry.id.desc())
        .limit(100)
    )
    return AuditPage(
        entries=[
            AuditLine(
                id=e.id,
                what=e.table_name.replace("_", " "),
                row=e.row_id,
                action=e.action,
                person=name,
                at=e.at.isoformat(),
            )
            for e, name in rows
        ]
    )
