"""The scheme of a study: what counts, how it is valued, and its weight; a change is the next number."""

import uuid
from typing import Annotated

from pydantic import Field, StringConstraints
from sqlalchemy import select
from sqlalchemy.orm import Session

from crevlo.core.estimate import BadInput
from crevlo.core.evaluations import EVALUATION_OF
from crevlo.core.evaluations.evaluation import Better, Rests
from crevlo.core.ranking.points import normalised
from crevlo.core.ranking.value import Shape as ValueShape
from crevlo.core.ranking.value import value_function
from crevlo.stations.figures.study import study_figures
from crevlo.stations.kit.mark import UnitMark, mark_of
from crevlo.stations.kit.shape import Conflict, Missing, Name, Quantity, Refused, Shape, quantity
from crevlo.stations.rank.criteria import BY_CODE, Anchor, anchors_of, unit_of
from crevlo.store.study import CriterionRow, SchemeVersion, Study

MOST_CRITERIA = 40


class CriterionIn(Shape):
    """One thing that counts; two anchors where it is straight: the worst and the best."""

    code: Name = Field(max_length=60)
    weight: float = Field(ge=0, le=100)
    shape: ValueShape = ValueShape.LINEAR
    points: list[Anchor] = Field(min_length=2, max_length=20)
    group_name: Annotated[str, StringConstraints(strip_whitespace=True, max_length=40)] = Field(
        default="", description="of a group weights are traded within it, and its own is their sum"
    )


class NewScheme(Shape):
    """All criteria of the next version; `number` is that of the version the editor saw."""

    id: uuid.UUID
    number: int = Field(ge=1, lt=2**31)
    criteria: list[CriterionIn] = Field(min_length=1, max_length=MOST_CRITERIA)


class Choice(Shape):
    """Something that could count, with what this study's machines have of it so far."""

    code: str
    name: str
    group: str
    unit: str
    digits: int
    factor: float
    better: Better
    rests: Rests
    rule: str
    worst: float
    best: float
    known: int = Field(description="machines of which it is known")
    figures: list[Quantity] = Field(description="by machine, in the order of the study")


class SchemeView(Shape):
    number: int
    criteria: list[CriterionIn]
    choices: list[Choice]
    machines: list[UnitMark]


def view_scheme(session: Session, study_id: uuid.UUID) -> SchemeView:
    """The present criteria, and all that could be one. What no print of the study can tell is left out."""
    scheme, inputs = latest_scheme(session, study_id), study_figures(session, study_id)
    currency, units = inputs.bench.study.currency, inputs.compared.units
    features = [line.features for line in inputs.evidence.lines.values()]
    chosen = {c.code for c in scheme.criteria}
    choices = []
    for code, q in BY_CODE.items():
        evaluation = EVALUATION_OF[code]
        if code not in chosen and q.rests is Rests.READINGS and not any(evaluation.takes(f) for f in features):
            continue
        found = [quantity(inputs.figure(code, u.unit_id), unit_of(code, currency), q.digits) for u in units]
        choices.append(
            Choice(
                code=code, name=q.name, group=evaluation.name, unit=unit_of(code, currency), digits=q.digits,
                factor=q.factor, better=q.better, rests=q.rests, rule=q.rule, worst=q.worst, best=q.best,
                known=sum(f.value is not None for f in found), figures=found,
            )
        )  # fmt: skip
    return SchemeView(
        number=scheme.number,
        criteria=[criterion_in(c) for c in scheme.criteria],
        choices=choices, machines=[mark_of(u) for u in units],
    )  # fmt: skip


def criterion_in(row: CriterionRow) -> CriterionIn:
    return CriterionIn(
        code=row.code, weight=row.weight, shape=row.shape, points=anchors_of(row.points), group_name=row.group_name
    )


def change_scheme(session: Session, study_id: uuid.UUID, given: NewScheme, person_id: uuid.UUID) -> None:
    """Keeps the next version; of two who change it at once the second is told. Buyers keep the weights they have."""
    session.execute(select(Study.id).where(Study.id == study_id).with_for_update())
    present = latest_scheme(session, study_id)
    if given.number != present.number:
        raise Conflict({"number": present.number})
    codes = [c.code for c in given.criteria]
    if len(set(codes)) != len(codes):
        raise Refused("A criterion is there twice.")
    if strange := set(codes) - set(BY_CODE):
        raise Refused(f"There is no criterion called {', '.join(sorted(strange))}.")
    try:
        normalised([c.weight for c in given.criteria])
        for c in given.criteria:
            value_function(c.shape, [(p.raw, p.value) for p in c.points])
    except BadInput as bad:
        raise Refused(f"{str(bad)[:1].upper()}{str(bad)[1:]}.") from None
    for c in given.criteria:
        if BY_CODE[c.code].better is Better.ZERO and not min(p.raw for p in c.points) < 0 < max(
            p.raw for p in c.points
        ):
            raise Refused(f"{BY_CODE[c.code].name} is best at 0: its points go to either side of it.")
    session.add(
        SchemeVersion(
            id=given.id, study_id=study_id, number=present.number + 1, person_id=person_id,
            criteria=[
                CriterionRow(
                    position=at, code=c.code, weight=c.weight, shape=c.shape, points=[[p.raw, p.value] for p in c.points],
                    group_name=c.group_name,
                )
                for at, c in enumerate(given.criteria)
            ],
        )
    )  # fmt: skip
    session.flush()


def latest_scheme(session: Session, study_id: uuid.UUID) -> SchemeVersion:
    """Raises Missing where there is no such study."""
    scheme = session.scalar(
        select(SchemeVersion).where(SchemeVersion.study_id == study_id).order_by(SchemeVersion.number.desc()).limit(1)
    )
    if scheme is None:
        raise Missing("There is no such study.")
    return scheme
