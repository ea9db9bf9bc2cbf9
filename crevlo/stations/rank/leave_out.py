"""What first place rests on: the ranking again without one artifact, one material, one person's scores, one criterion."""

import uuid
from collections.abc import Iterator

import numpy as np
from pydantic import Field
from sqlalchemy import select
from sqlalchemy.orm import Session

from crevlo.core.figure import central
from crevlo.core.percent import percent
from crevlo.core.ranking.chances import draw_values, rank_chances
from crevlo.core.ranking.ranking import WEIGHT_SPREAD
from crevlo.core.ranking.value import value_function
from crevlo.stations.bench import Bench
from crevlo.stations.evidence.entrant import By
from crevlo.stations.figures.study import StudyFigures, figures_of, study_figures
from crevlo.stations.kit.kept import Kept
from crevlo.stations.kit.mark import UnitMark
from crevlo.stations.kit.shape import Shape
from crevlo.stations.rank.ranking import RankView, WhatIf, view_rank
from crevlo.stations.rank.scheme import latest_scheme
from crevlo.stations.study import line_of
from crevlo.store.person import Person
from crevlo.store.study import CriterionRow

_DRAWS = 4_000


class LeftOutOnce(Shape):
    """The ranking without one thing; nobody leads where what is left tells too little."""

    what: str
    leader: UnitMark | None
    chance: float | None = Field(description="that the leader is first")
    changes: bool = Field(description="whether another leads than with everything")
    words: str


class LeaveOutView(Shape):
    says: str
    without: list[LeftOutOnce]


# Of the figures of a study without one thing: keyed by what both follow from.
_parts: Kept[StudyFigures] = Kept(40)


def view_leave_out(session: Session, study_id: uuid.UUID, asked: WhatIf) -> LeaveOutView:
    """By the weights on screen, over the machines that stand in the ranking."""
    view = view_rank(session, study_id, asked.model_copy(update={"by": By.MACHINE}))
    inputs = study_figures(session, study_id).of_buyer(view.profile.prints_month)
    criteria = latest_scheme(session, study_id).criteria
    names = dict(session.execute(select(Person.id, Person.name)).tuples().all())
    marks = [s.machine for s in view.standings]
    if len(marks) < 2:
        return LeaveOutView(says="It takes two machines to ask what first place rests on.", without=[])
    first = max(view.standings, key=lambda s: s.first_chance).machine
    made = [
        _once(what, part, _values(part, criteria, marks), criteria, view, marks, first)
        for what, part in _without(inputs, names)
    ]  # fmt: skip
    whole = _values(inputs, criteria, marks)
    counting = [k for k, c in enumerate(view.criteria) if c.weight > 0]
    for k in counting if len(counting) > 1 else ():
        what = f"the criterion {view.criteria[k].name.lower()}"
        made.append(_once(what, inputs, whole, criteria, view, marks, first, left=k))
    return LeaveOutView(says=_say(first.name, made), without=made)


def _without(inputs: StudyFigures, names: dict[uuid.UUID, str]) -> Iterator[tuple[str, StudyFigures]]:
    """The study without each artifact, material and person that it could do without."""
    bench = inputs.compared
    artifacts = {j.artifact_id for j in bench.jobs}
    materials = {bench.spools[j.spool_id].material for j in bench.jobs}
    people = {s.person_id for rows in bench.scores.values() for s in rows}
    people |= {j.person_id for rows in bench.judgements.values() for j in rows}
    lines = {line_of(j) for j in bench.jobs}

    def kept(key: object, what: str, part: Bench) -> tuple[str, StudyFigures]:
        if inputs.state is None:
            return what, figures_of(inputs, part)
        return what, _parts.get(f"{inputs.state} without {key}", lambda: figures_of(inputs, part))

    for a in sorted(artifacts, key=lambda a: bench.artifacts[a].name) if len(artifacts) > 1 else ():
        yield kept(a, f"the {bench.artifacts[a].name}", bench.of_jobs([j for j in bench.jobs if j.artifact_id != a]))
    for m in sorted(materials) if len(materials) > 1 else ():
        left = {line for line in lines if bench.spools[line[1]].material != m}
        yield kept(m, m, bench.of_jobs([j for j in bench.jobs if line_of(j) in left]))
    for p in sorted(people, key=lambda p: names.get(p, "")) if len(people) > 1 else ():
        yield kept(p, f"what {names.get(p, 'a person')} scored", bench.without_person(p))


def _values(part: StudyFigures, criteria: list[CriterionRow], marks: list[UnitMark]) -> np.ndarray:
    """Drawn values (criteria, machines, draws); a criterion of which nothing is told of anybody is not a number."""
    functions = [value_function(c.shape, [(raw, v) for raw, v in c.points]) for c in criteria]
    rows = [[part.figure(c.code, m.unit_id) for c in criteria] for m in marks]
    values = draw_values(
        rows, functions, part.bench.study.seed, _DRAWS, codes=[c.code for c in criteria]
    )  # fmt: skip
    for k in range(len(criteria)):
        if all(central(row[k]) is None for row in rows):
            values[k] = np.nan
    return values


def _once(
    what: str, part: StudyFigures, values: np.ndarray, criteria: list[CriterionRow], view: RankView, marks: list[UnitMark],
    first: UnitMark, left: int | None = None,
) -> LeftOutOnce:  # fmt: skip
    """`left` is the criterion that is left out."""
    # What nothing left tells of anybody takes no part: its weight is the others'.
    untold = [k for k in range(len(criteria)) if np.isnan(values[k, 0, 0])]
    told = [k for k in range(len(criteria)) if k not in untold and k != left]
    weights = [view.criteria[k].weight for k in told]
    if not told or not sum(weights):
        return LeftOutOnce(
            what=what, leader=None, chance=None, changes=False, words=f"Without {what} nothing that counts is left."
        )
    chances = rank_chances(weights, values[told], part.bench.study.seed, WEIGHT_SPREAD).rank[:, 0]
    at = int(np.argmax(chances))
    changes = marks[at].unit_id != first.unit_id
    gone = 0 if left is not None else len(untold)
    lost = f" ({gone} {'criterion' if gone == 1 else 'criteria'} with it)" if gone else ""
    who = f"{marks[at].name} leads" if changes else f"still {marks[at].name}"
    return LeftOutOnce(
        what=what, leader=marks[at], chance=float(chances[at]), changes=changes,
        words=f"Without {what}{lost}: {who}, first in {percent(float(chances[at]))} of the draws.",
    )  # fmt: skip


def _say(first: str, made: list[LeftOutOnce]) -> str:
    if not made:
        return "Only one artifact, material, person and criterion are behind this ranking: there is nothing to leave out."
    turned = [m.what for m in made if m.changes]
    if not turned:
        return f"Whatever one thing is left out, {first} leads."
    return f"That {first} leads rests on {' and on '.join(turned) if len(turned) < 3 else f'{len(turned)} of {len(made)} things alone'}."
