"""What holds while machines are hidden, and what is left of it afterwards."""

import uuid
from datetime import datetime

from pydantic import Field
from sqlalchemy import select, text
from sqlalchemy.dialects.postgresql import insert
from sqlalchemy.orm import Session

from crevlo.stations.kit.shape import Missing, Refused, Shape
from crevlo.store.database import SQL
from crevlo.store.inspection import Unblinding, UnblindingCause
from crevlo.store.person import Person, Role
from crevlo.store.study import Study


def late_reason(session: Session, study_id: uuid.UUID, given: str | None, *, reviews: bool) -> str | None:
    """Why something is entered although the machines are known; None while they are hidden.

    After the reveal entries are closed, but for a reviewer who gives a reason: such an entry is marked, and left out of
    the figures made blind. Holds the reveal off until this transaction is through.
    """
    revealed = session.scalar(select(Study.revealed_at).where(Study.id == study_id).with_for_update(read=True))
    if revealed is None:
        return None
    if not reviews:
        raise Refused("The machines of this study are known by now, so readings and scores are closed.")
    if not (given or "").strip():
        raise Refused(
            "The machines of this study are known by now. Give a reason to enter this all the same: it is marked, and left "
            "out of the figures made blind."
        )
    return (given or "").strip()


_VIEWER = "crevlo viewer"


def asks_for(session: Session, person_id: uuid.UUID) -> None:
    """Says for whom this session asks: what that person may see of hidden parts follows from it."""
    session.info[_VIEWER] = person_id


def asks_for_everybody(session: Session) -> None:
    """For what readers will see: publishing ends the blind for all, so nothing is withheld from it."""
    session.info[_VIEWER] = None


_HIDES = text((SQL / "hides.sql").read_text())


def hides(session: Session, study_id: uuid.UUID) -> bool:
    """Whether figures by printer that rest on hidden parts are withheld from whoever this session asks for.

    They are from everybody who has not looked at them, on record, as soon as anything was entered of a part.
    """
    if _VIEWER in session.info and session.info[_VIEWER] is None:
        return False
    return bool(session.scalar(_HIDES, {"study": study_id, "viewer": session.info.get(_VIEWER)}))


def hides_from_somebody(session: Session, study_id: uuid.UUID) -> bool:
    """Whether hidden parts have figures that not everybody has been shown."""
    return bool(session.scalar(_HIDES, {"study": study_id, "viewer": None}))


def sees_only_own(session: Session, study_id: uuid.UUID, person_id: uuid.UUID) -> bool:
    """Whether a person sees of hidden parts what they entered themselves, and nothing of others."""
    return bool(session.scalar(_HIDES, {"study": study_id, "viewer": person_id}))


def is_marked(session: Session, study_id: uuid.UUID, person_id: uuid.UUID) -> bool:
    """Whether what a person enters of a study now is marked “not blind”."""
    found = select(Unblinding.id).join(Study, Study.id == Unblinding.study_id).where(Study.id == study_id)
    found = found.where(Study.revealed_at.is_(None))
    return bool(
        session.scalar(found.where(Unblinding.person_id.is_(None) | (Unblinding.person_id == person_id)).limit(1))
    )


class Looked(Shape):
    """Who has seen figures by printer while parts were hidden; no name where it was everybody."""

    person: str | None
    role: Role | None
    cause: UnblindingCause
    at: datetime


class Blinding(Shape):
    """What of a study is hidden, for whom."""

    withheld: bool = Field(description="figures by printer that rest on hidden parts are withheld from this person")
    looked: list[Looked]
    marked: bool = Field(description="what this person enters now is marked “not blind”")
    not_blind: int = Field(description="entries made by people who had looked")


_NOT_BLIND = text((SQL / "not_blind_entries.sql").read_text())


def blinding(session: Session, study_id: uuid.UUID) -> Blinding:
    rows = session.execute(
        select(Person.name, Person.role, Unblinding.cause, Unblinding.recorded_at)
        .outerjoin(Person, Person.id == Unblinding.person_id)
        .where(Unblinding.study_id == study_id)
        .order_by(Unblinding.recorded_at)
    ).all()
    viewer = session.info.get(_VIEWER)
    return Blinding(
        withheld=hides(session, study_id),
        looked=[Looked(person=name, role=role, cause=cause, at=at) for name, role, cause, at in rows],
        marked=viewer is not None and is_marked(session, study_id, viewer),
        not_blind=session.scalar(_NOT_BLIND, {"study": study_id}) or 0,
    )


def look(session: Session, study_id: uuid.UUID, person_id: uuid.UUID) -> None:
    """Opens figures by printer to one person, on record: what they enter of this study from now on is marked.

    Before the first entry as well: who works alone may choose not to be blind. After the reveal there is nothing to open.
    """
    study = session.get(Study, study_id)
    if study is None:
        raise Missing("There is no such study.")
    if study.revealed_at is None:
        _unblind(session, study_id, person_id, UnblindingCause.LOOKED)


def end_for_all(session: Session, study_id: uuid.UUID) -> None:
    """Opens figures by printer to everybody: readers of what is published see them."""
    _unblind(session, study_id, None, UnblindingCause.PUBLISHED)


def _unblind(session: Session, study_id: uuid.UUID, person_id: uuid.UUID | None, cause: UnblindingCause) -> None:
    row = {"id": uuid.uuid4(), "study_id": study_id, "person_id": person_id, "cause": cause}
    session.execute(insert(Unblinding).values(row).on_conflict_do_nothing())
