"""The look round the room before machines print by themselves: asked of each person once in a working day."""

import uuid
from datetime import UTC, datetime, timedelta

from pydantic import Field
from sqlalchemy import select
from sqlalchemy.orm import Session

from crevlo.stations.kit.shape import Refused, Shape
from crevlo.store.record import Surroundings

HOLDS = timedelta(hours=12)


class SurroundingsOut(Shape):
    until: datetime | None = Field(description="until when nobody asks again; none where it has still to be said")


class NewSurroundings(Shape):
    id: uuid.UUID
    smoke_alarm: bool
    clear: bool


def surroundings(session: Session, person_id: uuid.UUID) -> SurroundingsOut:
    latest = session.scalar(
        select(Surroundings).where(Surroundings.person_id == person_id).order_by(Surroundings.at.desc()).limit(1)
    )
    if latest is None or not (latest.smoke_alarm and latest.clear) or latest.at + HOLDS <= datetime.now(UTC):
        return SurroundingsOut(until=None)
    return SurroundingsOut(until=latest.at + HOLDS)


def say_surroundings(session: Session, given: NewSurroundings, person_id: uuid.UUID) -> SurroundingsOut:
    """Keeps what was said, a no as well."""
    session.add(Surroundings(id=given.id, person_id=person_id, smoke_alarm=given.smoke_alarm, clear=given.clear))
    session.flush()
    return surroundings(session, person_id)


def refuse_unseen(session: Session, person_id: uuid.UUID) -> None:
    """Raises Refused where this person has not said that the room is fit for a print that nobody watches."""
    if surroundings(session, person_id).until is None:
        raise Refused(
            "Before a print runs unattended: say that a smoke alarm works within hearing and that nothing that burns is near."
        )
