"""Faults that a study looks for: the built-in ones, and its own with their written anchors."""

import re
import uuid
from typing import Annotated

from pydantic import Field
from sqlalchemy.orm import Session

from crevlo.core.defects import DEFECTS, KNOWN, Defect
from crevlo.stations.judged import own_defects
from crevlo.stations.kit.shape import Name, Refused, Shape
from crevlo.stations.study import get_study
from crevlo.store.inspection import OwnDefect

_MOST_OWN = 12


class DefectText(Shape):
    code: str
    name: str
    weight: float
    structural: bool
    look: str
    anchors: list[str]
    own: bool = False


class NewDefect(Shape):
    """A fault of the study's own: asked of every specimen that is not locked yet."""

    id: uuid.UUID
    name: Name = Field(min_length=2, max_length=40)
    weight: float = Field(default=1.0, gt=0, le=10)
    structural: bool = Field(default=False, description="whether its worst makes a part unusable")
    look: str = Field(min_length=2, max_length=160, description="where and how to look")
    anchors: list[Annotated[str, Field(max_length=300)]] = Field(
        min_length=6, max_length=6, description="in words, from 0 none to 5 unusable"
    )


def defect_texts(own: tuple[Defect, ...]) -> list[DefectText]:
    every = [*((d, False) for d in DEFECTS), *((d, True) for d in own)]
    return [
        DefectText(
            code=d.code, name=d.name, weight=d.weight, structural=d.structural, look=d.look, anchors=list(d.anchors), own=mine
        )
        for d, mine in every
    ]  # fmt: skip


def add_defect(session: Session, study_id: uuid.UUID, given: NewDefect, person_id: uuid.UUID) -> None:
    """Adds one; what is locked already was looked at without it, and stays so."""
    study = get_study(session, study_id)
    if study.revealed_at is not None:
        raise Refused("The machines of this study are known by now: nothing new is looked for blind.")
    own = own_defects(session, study_id)
    if len(own) >= _MOST_OWN:
        raise Refused(f"There are {_MOST_OWN} own faults already.")
    anchors = [a.strip() for a in given.anchors]
    if any(len(a) < 2 for a in anchors):
        raise Refused("Every severity from 0 to 5 needs its anchor in words.")
    code = "own-" + (re.sub(r"[^a-z0-9]+", "-", given.name.casefold()).strip("-") or given.id.hex[:6])
    names = {d.name.casefold() for d in (*DEFECTS, *own)}
    if given.name.strip().casefold() in names or code in KNOWN or code in {d.code for d in own}:
        raise Refused(f"{given.name.strip()} is looked for already.")
    session.add(
        OwnDefect(
            id=given.id, study_id=study_id, code=code, name=given.name.strip(), weight=given.weight, structural=given.structural,
            look=given.look.strip(), anchors=anchors, person_id=person_id,
        )
    )  # fmt: skip
    session.flush()
