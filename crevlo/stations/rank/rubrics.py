"""Rubrics: what people give machines by written anchors, each without seeing the others' before giving their own."""

import uuid

from pydantic import Field
from sqlalchemy import select
from sqlalchemy.orm import Session

from crevlo.core.rubrics import BY_CODE, MOST, RUBRICS
from crevlo.stations.figures.study import study_figures
from crevlo.stations.kit.mark import UnitMark, mark_of
from crevlo.stations.kit.shape import Missing, Quantity, Refused, Shape, quantity
from crevlo.stations.rubric_scores import current_rubric_scores
from crevlo.stations.study import get_study
from crevlo.store.person import Person
from crevlo.store.verdict import RubricScore


class RubricOut(Shape):
    code: str
    name: str
    asks: str
    anchors: list[str] = Field(description="from 0 to 5")


class OthersScore(Shape):
    by: str
    score: int
    words: str


class RubricCell(Shape):
    """What one machine has of one rubric; others' scores, and the mean, once one's own is given."""

    unit_id: uuid.UUID
    rubric: str
    mine: int | None
    words: str
    others: list[OthersScore]
    hidden: int = Field(description="scores of others that are not shown before one's own is given")
    mean: Quantity | None


class RubricsView(Shape):
    rubrics: list[RubricOut]
    machines: list[UnitMark]
    cells: list[RubricCell]


class NewRubricScore(Shape):
    """One's own score; a second one corrects the first, with its reason."""

    id: uuid.UUID
    unit_id: uuid.UUID
    rubric: str = Field(max_length=20)
    score: int = Field(ge=0, le=MOST)
    words: str = Field(default="", max_length=300)
    reason: str = Field(default="", max_length=300)


def view_rubrics(session: Session, study_id: uuid.UUID, person_id: uuid.UUID) -> RubricsView:
    inputs = study_figures(session, study_id)
    rows = current_rubric_scores(session, study_id)
    names = dict(session.execute(select(Person.id, Person.name)).tuples().all())
    cells = []
    for entry in inputs.compared.units:
        for r in RUBRICS:
            mine = next(
                (x for x in rows if (x.unit_id, x.rubric, x.person_id) == (entry.unit_id, r.code, person_id)), None
            )
            others = [
                x for x in rows if (x.unit_id, x.rubric) == (entry.unit_id, r.code) and x.person_id != person_id
            ]
            cells.append(
                RubricCell(
                    unit_id=entry.unit_id, rubric=r.code, mine=mine.score if mine else None, words=mine.words if mine else "",
                    others=[OthersScore(by=names.get(x.person_id, ""), score=x.score, words=x.words) for x in others] if mine else [],
                    hidden=0 if mine else len(others),
                    mean=quantity(inputs.figure(f"rubric.{r.code}", entry.unit_id), f"of {MOST}", 1) if mine else None,
                )
            )  # fmt: skip
    return RubricsView(
        rubrics=[RubricOut(code=r.code, name=r.name, asks=r.asks, anchors=list(r.anchors)) for r in RUBRICS],
        machines=[mark_of(u) for u in inputs.compared.units], cells=cells,
    )  # fmt: skip


def give_score(session: Session, study_id: uuid.UUID, given: NewRubricScore, person_id: uuid.UUID) -> None:
    """One's own score; a second one corrects the first, with its reason."""
    study = get_study(session, study_id)
    if given.rubric not in BY_CODE:
        raise Missing("There is no such rubric.")
    if not any(u.unit_id == given.unit_id for u in study.units):
        raise Missing("This unit takes no part in the study.")
    before = next(
        (
            x for x in current_rubric_scores(session, study_id)
            if (x.unit_id, x.rubric, x.person_id) == (given.unit_id, given.rubric, person_id)
        ),
        None,
    )  # fmt: skip
    reason = given.reason.strip()
    if before is not None and not reason:
        raise Refused("Say why your score changes; the first one stays on record.")
    session.add(
        RubricScore(
            id=given.id, study_id=study_id, unit_id=given.unit_id, rubric=given.rubric, person_id=person_id, score=given.score,
            words=given.words.strip(), supersedes_id=before.id if before else None, reason=reason if before else None,
        )
    )  # fmt: skip
    session.flush()
