"""Two machines alone: every figure of the study side by side, with what can be told apart."""

import uuid
from collections.abc import Mapping

from pydantic import BaseModel, Field
from sqlalchemy.orm import Session

from crevlo.core.estimate import Estimate, NotDetermined
from crevlo.core.evaluations import EVALUATION_OF, QUANTITIES
from crevlo.core.evaluations.evaluation import Rests
from crevlo.core.figure import Figure
from crevlo.core.pairwise import Ahead, Pair, compare, say_compared
from crevlo.stations.bench import Bench
from crevlo.stations.figures.reference import Reference, references_of
from crevlo.stations.figures.study import StudyFigures, figures_on, study_figures
from crevlo.stations.kit.mark import UnitMark, mark_of
from crevlo.stations.kit.shape import Missing, Quantity, Refused, Shape, quantity
from crevlo.stations.study import LineKey, line_of
from crevlo.store.study import StudyUnit

# What a sheet states is no finding of this study.
_MEASURED = [code for code, q in QUANTITIES.items() if q.rests is not Rests.SHEET]


class CompareQuery(BaseModel):
    """Two machines, or one in two arms; an arm that is not named is the first. The second may be a reference of the study."""

    first: uuid.UUID
    second: uuid.UUID
    first_arm: uuid.UUID | None = None
    second_arm: uuid.UUID | None = None


class ArmName(Shape):
    id: uuid.UUID
    name: str


class ComparedLine(Shape):
    code: str
    name: str
    group: str = Field(description="the evaluation that tells it")
    first: Quantity
    second: Quantity
    difference: str = Field(description="first less second; empty where one is missing")
    interval: str = Field(
        description="both ends of its 95 % interval; empty where it is exact, or its uncertainty is not known"
    )
    differs: bool
    ahead: Ahead


class ComparedView(Shape):
    first: UnitMark
    second: UnitMark
    arms: list[ArmName] = Field(description="of the study; one of each may be set against another")
    first_arm: uuid.UUID
    second_arm: uuid.UUID
    says: str
    lines: list[ComparedLine]
    how: str


def view_compared(session: Session, study_id: uuid.UUID, asked: CompareQuery) -> ComparedView:
    """On what both print. Raises Missing for a machine or an arm that takes no part in the study, Refused for one set against
    itself."""
    inputs = study_figures(session, study_id)
    bench = inputs.bench
    units = {u.unit_id: u for u in bench.units}
    arms = bench.protocol.arms if bench.protocol else []
    held = next((r for r in references_of(session, inputs) if r.id == asked.second), None)
    if asked.first in units and held is not None:
        return _against(inputs, units[asked.first], held)
    if asked.first not in units or asked.second not in units:
        raise Missing("This unit takes no part in the study.")
    of = [next((a for a in arms if a.id == (arm or arms[0].id)), None) for arm in (asked.first_arm, asked.second_arm)]
    if of[0] is None or of[1] is None:
        raise Missing("There is no such arm in this study.")
    if (asked.first, of[0].id) == (asked.second, of[1].id):
        raise Refused("Choose two different machines, or two arms of one.")
    shared = _printed(bench, asked.first, of[0].id) & _printed(bench, asked.second, of[1].id)
    both = [figures_on(inputs, arm.id, shared) for arm in of if arm]
    codes = [code for code in _MEASURED if both[0].has(code)]
    pairs = [_pair(code, both[0].figure(code, asked.first), both[1].figure(code, asked.second)) for code in codes]
    known = [p for p in pairs if not (isinstance(p.first, NotDetermined) and isinstance(p.second, NotDetermined))]
    made = compare(known)
    names = [units[u].unit.name for u in (asked.first, asked.second)]
    if of[0] is not of[1]:
        names = [f"{name}, {arm.name}" for name, arm in zip(names, of, strict=True) if arm]
    return ComparedView(
        first=mark_of(units[asked.first]), second=mark_of(units[asked.second]), first_arm=of[0].id, second_arm=of[1].id,
        arms=[ArmName(id=a.id, name=a.name) for a in arms], says=say_compared(names[0], names[1], made),
        lines=[
            _line(inputs, pair, (m.difference, m.low, m.high), differs=m.differs, ahead=m.ahead)
            for pair, m in zip(known, made, strict=True)
        ],
        how=_how(bench, shared, sum(m.difference is not None for m in made)) + _of_one_model(units, asked),
    )  # fmt: skip


def _of_one_model(units: Mapping[uuid.UUID, StudyUnit], asked: CompareQuery) -> str:
    """What the difference of two units of a model says; empty where they are not such."""
    first, second = (units[u].unit for u in (asked.first, asked.second))
    if first.id == second.id or first.model_id != second.model_id:
        return ""
    return f" Both are units of {first.model.name}: what differs here is the unit, not the design; two tell its spread only roughly."


def _against(inputs: StudyFigures, entry: StudyUnit, held: Reference) -> ComparedView:
    """A machine and a reference, on what both printed; stated figures stand against all of its prints."""
    bench = inputs.bench
    arms = bench.protocol.arms if bench.protocol else []
    if not arms:
        raise Missing("This study has no protocol.")
    mine = _printed(bench, entry.unit_id, arms[0].id)
    theirs = {line for m in held.members for line in m.printed}
    shared = {line for line in mine if line in theirs} if held.members else mine
    ours, other = figures_on(inputs, arms[0].id, shared), held.on(sorted(shared, key=str))
    pairs = [_pair(c, ours.figure(c, entry.unit_id), other.figure(c)) for c in _MEASURED if ours.has(c)]
    known = [p for p in pairs if not (isinstance(p.first, NotDetermined) and isinstance(p.second, NotDetermined))]
    made = compare(known)
    mark = held.members[0].mark if len(held.members) == 1 else entry.unit.mark
    return ComparedView(
        first=mark_of(entry), second=UnitMark(unit_id=held.id, name=held.name, mark=mark, is_control=False), arms=[],
        first_arm=arms[0].id, second_arm=arms[0].id, says=say_compared(entry.unit.name, held.name, made),
        lines=[
            _line(inputs, pair, (m.difference, m.low, m.high), differs=m.differs, ahead=m.ahead)
            for pair, m in zip(known, made, strict=True)
        ],
        how=f"{held.name}: {held.age}. {_how(bench, shared, sum(m.difference is not None for m in made))}",
    )  # fmt: skip


def _printed(bench: Bench, unit_id: uuid.UUID, arm_id: uuid.UUID) -> set[LineKey]:
    """Lines of an arm that a unit prints and that count."""
    mine = [j for j in bench.jobs if j.unit_id == unit_id and j.arm_id == arm_id and j.counts]
    return {line_of(job) for job in mine if job.id not in bench.cannot}


def _pair(code: str, first: Figure, second: Figure) -> Pair:
    """A step, such as a grade, says nothing of how near the readings are to the next."""
    exact = all(isinstance(f, Estimate) and f.u == 0 for f in (first, second))
    of = QUANTITIES[code]
    judged = not (exact and of.rests is Rests.READINGS)
    return Pair(code, of.better, first, second, judged, 0.5 * 10.0**-of.digits / of.factor)


def _how(bench: Bench, shared: set[LineKey], together: int) -> str:
    if not together:
        return ""
    pieces = sorted(f"{bench.artifacts[a].name} from {bench.spools[s].code}" for a, s in shared)
    on = f"On what both print: {', '.join(pieces[:6])}{' …' if len(pieces) > 6 else ''}. " if pieces else ""
    judged = (
        "One figure is compared"
        if together == 1
        else f"{together} figures are compared together, by Holm's procedure"
    )
    return f"{on}{judged}: the chance that any difference called one is none stays at 5 %. What both were measured with cancels."


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
    signed = ["" if x is None else _signed(of.factor * x, of.digits) for x in apart]
    return ComparedLine(
        code=pair.code, name=of.name, group=EVALUATION_OF[pair.code].name, first=quantity(pair.first, unit, of.digits),
        second=quantity(pair.second, unit, of.digits), difference=f"{signed[0]} {unit}".strip() if signed[0] else "",
        interval=f"{signed[1]} to {signed[2]}" if signed[1] != signed[2] else "", differs=differs, ahead=ahead,
    )  # fmt: skip


def _signed(value: float, digits: int) -> str:
    """With its sign, none for what rounds to nothing."""
    written = f"{value:+.{digits}f}"
    return written[1:] if float(written) == 0 else written.replace("-", "−")
