"""What first place rests on: the ranking again without one artifact, one material, one person's scores, one criterion."""

import uuid
from collections.abc import Callable, Iterator
from dataclasses import dataclass
from functools import partial

import numpy as np
from pydantic import Field
from sqlalchemy import select
from sqlalchemy.orm import Session

from crevlo.core.figure import central
from crevlo.core.percent import percent
from crevlo.core.ranking.chances import draw_values, rank_chances
from crevlo.core.ranking.ranking import WEIGHT_SPREAD
from crevlo.core.ranking.value import value_function
from crevlo.core.ranking.weighed import Weighed, bytes_of
from crevlo.stations.evidence.entrant import By
from crevlo.stations.figures.study import StudyFigures, study_figures, without_lines, without_word_of
from crevlo.stations.kit.kept import Kept
from crevlo.stations.kit.mark import UnitMark
from crevlo.stations.kit.shape import Shape
from crevlo.stations.rank.ranking import RankView, WhatIf, view_rank
from crevlo.stations.rank.scheme import latest_scheme
from crevlo.stations.study import line_of
from crevlo.store.person import Person
from crevlo.store.study import CriterionRow

# As many draws as there is room for to keep what was drawn without each thing; fewer would tell too little.
_DRAWS, _FEWEST_DRAWS, _MOST_BYTES = 4_000, 1_000, 48_000_000


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


def view_leave_out(session: Session, study_id: uuid.UUID, asked: WhatIf) -> LeaveOutView:
    """By the weights on screen, over the machines that stand in the ranking."""
    view = view_rank(session, study_id, asked.model_copy(update={"by": By.MACHINE}))
    inputs = study_figures(session, study_id).of_buyer(view.profile.prints_month)
    scheme = latest_scheme(session, study_id)
    criteria = scheme.criteria
    names = dict(session.execute(select(Person.id, Person.name)).tuples().all())
    marks = [s.machine for s in view.standings]
    if len(marks) < 2:
        return LeaveOutView(says="It takes two machines to ask what first place rests on.", without=[])
    first = max(view.standings, key=lambda s: s.first_chance).machine
    parts = [("", "", lambda: inputs), *_without(inputs, names)]
    draws = min(_DRAWS, max(_FEWEST_DRAWS, _MOST_BYTES // (len(parts) * bytes_of(len(marks), len(criteria)))))
    drawn = []
    for key, what, part in parts:
        known = (inputs.state, key, draws, scheme.id, tuple(m.unit_id for m in marks))
        make = partial(_drawn, part, criteria, marks, draws)
        drawn.append((what, make() if inputs.state is None else _known.get(known, make)))
    seed = inputs.bench.study.seed
    (_, whole), *others = drawn
    made = [_once(what, part, view, marks, first, seed, before=whole.untold) for what, part in others]
    counting = [k for k, c in enumerate(view.criteria) if c.weight > 0]
    for k in counting if len(counting) > 1 else ():
        made.append(_once(f"the criterion {view.criteria[k].name.lower()}", whole, view, marks, first, seed, left=k))
    return LeaveOutView(says=_say(first.name, made), without=made)


@dataclass(frozen=True, slots=True)
class _Drawn:
    """Drawn values, and places of the criteria of which nothing is told of anybody."""

    values: Weighed
    untold: frozenset[int]


# Of the figures of a study without one thing, worked out when a weight moves: keyed by what they follow from.
_known: Kept[_Drawn] = Kept(_MOST_BYTES, lambda drawn: drawn.values.nbytes)


def _without(
    inputs: StudyFigures, names: dict[uuid.UUID, str]
) -> Iterator[tuple[str, str, Callable[[], StudyFigures]]]:
    """A key, its words, and the study without each artifact, material and person that it could do without."""
    bench = inputs.compared
    artifacts = {j.artifact_id for j in bench.jobs}
    materials = {bench.spools[j.spool_id].material for j in bench.jobs}
    people = {s.person_id for rows in bench.scores.values() for s in rows}
    people |= {j.person_id for rows in bench.judgements.values() for j in rows}
    lines = {line_of(j) for j in bench.jobs}

    for a in sorted(artifacts, key=lambda a: bench.artifacts[a].name) if len(artifacts) > 1 else ():
        gone = {line for line in lines if line[0] == a}
        yield str(a), f"the {bench.artifacts[a].name}", partial(without_lines, inputs, gone)
    for m in sorted(materials) if len(materials) > 1 else ():
        gone = {line for line in lines if bench.spools[line[1]].material == m}
        yield m, m, partial(without_lines, inputs, gone)
    for p in sorted(people, key=lambda p: names.get(p, "")) if len(people) > 1 else ():
        yield str(p), f"what {names.get(p, 'a person')} scored", partial(without_word_of, inputs, p)


def _drawn(
    part: Callable[[], StudyFigures], criteria: list[CriterionRow], marks: list[UnitMark], draws: int
) -> _Drawn:
    figures = part()
    functions = [value_function(c.shape, [(raw, v) for raw, v in c.points]) for c in criteria]
    rows = [[figures.figure(c.code, m.unit_id) for c in criteria] for m in marks]
    codes = [c.code for c in criteria]
    values = draw_values(rows, functions, figures.bench.study.seed, draws, codes=codes, in_steps=True)
    untold = {k for k in range(len(criteria)) if all(central(row[k]) is None for row in rows)}
    return _Drawn(Weighed(values), frozenset(untold))


def _once(
    what: str, part: _Drawn, view: RankView, marks: list[UnitMark], first: UnitMark, seed: int, *,
    before: frozenset[int] = frozenset(), left: int | None = None,
) -> LeftOutOnce:  # fmt: skip
    """`left` is the criterion that is left out; what was untold `before` goes with nothing."""
    # What nothing left tells of anybody takes no part: its weight is the others'.
    weights = [0.0 if k in part.untold or k == left else c.weight for k, c in enumerate(view.criteria)]
    if not sum(weights):
        return LeftOutOnce(
            what=what, leader=None, chance=None, changes=False, words=f"Without {what} nothing that counts is left."
        )
    chances = rank_chances(weights, part.values, seed, WEIGHT_SPREAD).rank[:, 0]
    at = int(np.argmax(chances))
    changes = marks[at].unit_id != first.unit_id
    gone = 0 if left is not None else len(part.untold - before)
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
