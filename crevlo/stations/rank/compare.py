"""Two machines alone: every figure of the study side by side, with what can be told apart."""

import uuid

from pydantic import BaseModel, Field
from sqlalchemy.orm import Session

from crevlo.core.estimate import NotDetermined
from crevlo.core.evaluations import EVALUATION_OF, QUANTITIES
from crevlo.core.pairwise import Ahead, Pair, compare, say_compared
from crevlo.stations.figures.study import StudyFigures, study_figures
from crevlo.stations.kit.mark import UnitMark, mark_of
from crevlo.stations.kit.shape import Missing, Quantity, Refused, Shape, quantity


class CompareQuery(BaseModel):
    first: uuid.UUID
    second: uuid.UUID


class ComparedLine(Shape):
    code: str
    name: str
    group: str = Field(description="the evaluation that tells it")
    first: Quantity
    second: Quantity
    difference: str = Field(
        description="first less second with both ends of its 95 % interval; empty where one is missing"
    )
    differs: bool
    ahead: Ahead


class ComparedView(Shape):
    first: UnitMark
    second: UnitMark
    says: str
    lines: list[ComparedLine]
    how: str


def view_compared(session: Session, study_id: uuid.UUID, asked: CompareQuery) -> ComparedView:
    """Raises Missing for a machine that takes no part in the study, Refused for one set against itself."""
    inputs = study_figures(session, study_id)
    bench = inputs.compared
    units = {u.unit_id: u for u in bench.units}
    if asked.first not in units or asked.second not in units:
        raise Missing("This unit takes no part in the study.")
    if asked.first == asked.second:
        raise Refused("Choose two different machines.")
    codes = [code for code in QUANTITIES if inputs.has(code)]
    pairs = [
        Pair(code, QUANTITIES[code].better, inputs.figure(code, asked.first), inputs.figure(code, asked.second))
        for code in codes
    ]
    known = [p for p in pairs if not (isinstance(p.first, NotDetermined) and isinstance(p.second, NotDetermined))]
    made = compare(known)
    first, second = (units[u].unit.model.name for u in (asked.first, asked.second))
    together = sum(m.difference is not None for m in made)
    return ComparedView(
        first=mark_of(units[asked.first]), second=mark_of(units[asked.second]), says=say_compared(first, second, made),
        lines=[
            _line(inputs, pair, (m.difference, m.low, m.high), differs=m.differs, ahead=m.ahead)
            for pair, m in zip(known, made, strict=True)
        ],
        how=f"On what every machine of the study prints. {together} figures are compared together, by Holm's procedure: the chance that "
        "any difference called one is none stays at 5 %. What both were measured with cancels."
        if together
        else "",
    )  # fmt: skip


def _line(
    inputs: StudyFigures,
    pair: Pair,
    apart: tuple[float | None, float | None, float | None],
    *,
    differs: bool,
    ahead: Ahead,
) -> ComparedLine:
    of = QUANTITIES[pair.code]
    unit = inputs.compared.study.currency if of.unit == "money" else of.unit
    difference = ""
    value, low, high = apart
    if value is not None and low is not None and high is not None:
        d = of.digits
        value, low, high = (of.factor * x for x in (value, low, high))
        difference = f"{value:+.{d}f} ({low:+.{d}f} to {high:+.{d}f}) {unit}".replace("-", "−").strip()
    return ComparedLine(
        code=pair.code, name=of.name, group=EVALUATION_OF[pair.code].name, first=quantity(pair.first, unit, of.digits),
        second=quantity(pair.second, unit, of.digits), difference=difference, differs=differs, ahead=ahead,
    )  # fmt: skip
