"""Signing in and out, the first owner, and who may do what."""

import uuid

from flask import Response, request, session
from flask_login import current_user, login_user, logout_user
from flask_openapi3.blueprint import APIBlueprint
from flask_wtf.csrf import generate_csrf
from pydantic import BaseModel, Field
from sqlalchemy import select

from crevlo.api.errors import Problem, problem
from crevlo.api.guard import NOT_BLIND, OWNER, SignedIn, anybody, db, once, reads, writes
from crevlo.stations import people
from crevlo.stations.people import NewPerson, PersonChange, PersonOut
from crevlo.stations.shape import Shape
from crevlo.store.audit import AuditEntry
from crevlo.store.person import Person, Role

api = APIBlueprint("people", __name__, url_prefix="/api", abp_responses={422: Problem})


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
    before: int = Field(default=2**62, ge=1)


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
    login_user(SignedIn(person))
    return Response(_me().model_dump_json(), mimetype="application/json")


@api.post("/session/link", responses={200: Me})
@anybody
def sign_in_by_link(body: SignInLink) -> Response:
    person = people.use_link(db(), body.token)
    db().commit()
    if person is None:
        return problem(401, "This sign-in link was used already or is too old. Start again to get a new one.")
    login_user(SignedIn(person))
    return Response(_me().model_dump_json(), mimetype="application/json")


@api.delete("/session", responses={200: Me})
@anybody
def sign_out() -> Response:
    logout_user()
    return Response(_me().model_dump_json(), mimetype="application/json")


@api.post("/owner", responses={200: PersonOut})
@anybody
def first_owner(body: NewPerson) -> Response:
    """Creates the owner account of an empty installation; refused ever after."""
    made: list[SignedIn] = []

    def create() -> PersonOut:
        person = people.create_owner(db(), body)
        made.append(SignedIn(person))
        return PersonOut.model_validate(person, extra="ignore")

    answer = once(create)
    if made and answer.status_code == 200:
        login_user(made[0])
    return answer


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
    """The newest changes, 100 a page; `before` is the id to go on from. Blind codes are not tied to machines here."""
    rows = db().execute(
        select(AuditEntry, Person.name)
        .outerjoin(Person, Person.id == AuditEntry.person_id)
        .where(AuditEntry.id < query.before)
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
