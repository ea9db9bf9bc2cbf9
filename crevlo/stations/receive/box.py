"""What is in a unit's box, and putting it together by the stopwatch."""

import uuid
from collections.abc import Sequence

from pydantic import Field
from sqlalchemy import select
from sqlalchemy.orm import Session

from crevlo.stations.kit.change import change
from crevlo.stations.kit.shape import Missing, Name, Refused, Shape, Version
from crevlo.store.machine import Unit
from crevlo.store.record import (
    AssemblyStep,
    BoxItem,
    Found,
)


class BoxItemOut(Shape):
    id: uuid.UUID
    version: int
    name: str
    found: Found | None
    note: str


class NewBoxItem(Shape):
    id: uuid.UUID
    name: Name = Field(min_length=1, max_length=120)
    found: Found | None = Field(default=None, description="where it was looked for already")
    note: str = Field(default="", max_length=300)


class BoxItemChange(Shape):
    version: Version
    found: Found | None = None
    note: str = Field(default="", max_length=300)


class StepOut(Shape):
    id: uuid.UUID
    version: int
    name: str
    seconds: float
    note: str
    first_s: float | None = Field(description="what the same step took on the first unit of this model")


class NewStep(Shape):
    id: uuid.UUID
    name: Name = Field(min_length=1, max_length=120)
    seconds: float = Field(ge=0, le=1e6)
    note: str = Field(default="", max_length=500)


def add_box_item(session: Session, unit_id: uuid.UUID, given: NewBoxItem) -> None:
    known = session.scalar(select(BoxItem.id).where(BoxItem.unit_id == unit_id, BoxItem.name == given.name.strip()))
    if known:
        raise Refused(f"“{given.name.strip()}” is on the list already.")
    fields = given.model_dump(exclude={"name"})
    session.add(BoxItem(unit_id=unit_id, name=given.name.strip(), **fields))
    session.flush()


def change_box_item(session: Session, unit_id: uuid.UUID, item_id: uuid.UUID, given: BoxItemChange) -> None:
    row = session.get(BoxItem, item_id)
    if row is None or row.unit_id != unit_id:
        raise Missing("There is no such thing on the list.")
    change(session, row, given.version, {"found": given.found, "note": given.note})


def add_step(session: Session, unit_id: uuid.UUID, given: NewStep, person_id: uuid.UUID) -> None:
    session.add(AssemblyStep(unit_id=unit_id, person_id=person_id, **given.model_dump()))
    session.flush()


def steps_of(session: Session, unit_id: uuid.UUID) -> Sequence[AssemblyStep]:
    return session.scalars(
        select(AssemblyStep).where(AssemblyStep.unit_id == unit_id).order_by(AssemblyStep.done_at)
    ).all()


def first_unit(session: Session, unit: Unit) -> uuid.UUID | None:
    """The unit of the same model that was put together first, where it is another."""
    first = session.scalar(
        select(AssemblyStep.unit_id).join(Unit, Unit.id == AssemblyStep.unit_id).where(Unit.model_id == unit.model_id)
        .order_by(AssemblyStep.done_at).limit(1)
    )  # fmt: skip
    return first if first != unit.id else None
