"""Other ways to an order than weighted points, side by side: what each rests on, and how far they agree."""

import uuid
from collections import defaultdict
from functools import cached_property

import numpy as np
from pydantic import Field
from sqlalchemy.orm import Session

from crevlo.core.estimate import NotDetermined
from crevlo.core.figure import Figure, central
from crevlo.core.percent import percent
from crevlo.core.points_sheet import sheet_totals
from crevlo.core.ranking.certainty import cheapest_scores, first_shares, mean_scores, win_scores
from crevlo.core.ranking.chances import draw_raws, draw_values
from crevlo.core.ranking.orders import Apart, School, agreement, leaders, ranks, say_apart, say_orders
from crevlo.core.ranking.schools import frontier, rank_sums, win_shares
from crevlo.core.ranking.value import value_function, value_of
from crevlo.stations.figures.study import StudyFigures, study_figures_by
from crevlo.stations.kit.mark import UnitMark
from crevlo.stations.kit.shape import Shape
from crevlo.stations.rank.points_sheet import lines_of, sheet_of
from crevlo.stations.rank.ranking import RankView, StandingLine, WhatIf, view_rank
from crevlo.stations.rank.scheme import latest_scheme
from crevlo.store.study import CriterionRow


class SchoolsAsked(WhatIf):
    """The ranking as it is on screen, and how many points are good enough."""

    enough: float = Field(default=60, ge=0, le=100)


class SchoolCell(Shape):
    unit_id: uuid.UUID
    rank: int | None
    words: str


class SchoolOut(Shape):
    code: str
    name: str
    rests: str
    certainty: str = Field(description="how sure its first place is; empty where nobody is first")
    needs: str = Field(description="what is missing where it gives no order; empty where it does")
    agrees: float | None = Field(
        description="Kendall's τ with the weighted points: 1 the same order, −1 turned round"
    )
    cells: list[SchoolCell]


class StepUp(Shape):
    """A machine that no other beats in price and points; from the cheapest on what a step to the next costs and brings."""

    machine: UnitMark
    price: float
    points: float
    words: str


class SchoolsView(Shape):
    machines: list[UnitMark]
    schools: list[SchoolOut]
    says: list[str]
    steps: list[StepUp]
    enough: float
    currency: str


def view_schools(session: Session, study_id: uuid.UUID, asked: SchoolsAsked) -> SchoolsView:
    view = view_rank(session, study_id, WhatIf(**asked.model_dump(exclude={"enough"})))
    inputs = study_figures_by(session, study_id, asked.by)
    criteria = latest_scheme(session, study_id).criteria
    names = {str(s.machine.unit_id): s.machine.name for s in view.standings}
    made = [
        _points(view), _mean(view), _wins(view), _sums(inputs, criteria, view), _cheapest(view, asked.enough),
        _of_quantity(inputs, view, "worth.surplus", "Worth over price", "worth", view.currency, "the price list of features and the prices at Receive"),
        _of_quantity(inputs, view, "duel", "Duels", "duels", "", "blind duels of pieces side by side"), _sheet(session, study_id, inputs, view),
    ]  # fmt: skip
    points = made[0][1]
    schools = []
    # By the buyer's cost, as the points are.
    sure = _Certainty(inputs.of_buyer(view.profile.prints_month), view, criteria, asked.enough)
    for code, school, rests, needs, words in made:
        known = sum(s is not None for s in school.scores.values())
        alike = agreement(points, school) if school is not points else NotDetermined("another order")
        schools.append(
            SchoolOut(
                code=code, name=school.name, rests=rests, needs=needs if known < 2 else "",
                certainty=sure.words(code, leaders(school.scores), names) if known >= 2 else "",
                agrees=None if isinstance(alike, NotDetermined) else alike,
                cells=[
                    SchoolCell(unit_id=uuid.UUID(m), rank=rank, words=words.get(m, ""))
                    for m, rank in ranks(school.scores).items()
                ],
            )
        )  # fmt: skip
    called = [School(s.name, {names[m]: x for m, x in s.scores.items()}) for _, s, *_ in made]
    return SchoolsView(
        machines=[s.machine for s in view.standings], schools=schools, says=(say_orders(called) if names else []) + _apart(view, called),
        steps=_steps(view), enough=asked.enough, currency=view.currency,
    )  # fmt: skip


# Enough for whole percent to be within two.
_DRAWS = 3000


class _Certainty:
    """How sure each school's first place is, from one set of draws for all of them."""

    def __init__(self, inputs: StudyFigures, view: RankView, criteria: list[CriterionRow], enough: float) -> None:
        self._inputs, self._view, self._criteria, self._enough = inputs, view, criteria, enough
        self._units = [s.machine.unit_id for s in view.standings]

    def words(self, code: str, first: list[str], names: dict[str, str]) -> str:
        """Of the one that is first, or with names where several are or another is first more often. Empty where the school has no
        draws behind it: ranks say their own chance, and lines are as they were given."""
        if code == "points":
            shares = {str(s.machine.unit_id): s.first_chance for s in self._view.standings}
        else:
            scores = self._scores(code)
            if scores is None:
                return ""
            shares = dict(zip(map(str, self._units), first_shares(scores).tolist(), strict=True))
        likeliest = max(shares, key=lambda m: shares[m])
        if first == [likeliest]:
            return percent(shares[likeliest])
        said = " and ".join(f"{names[m]} {percent(shares[m])}" for m in first)
        # Who leads by the best values need not be first most often.
        other = "" if likeliest in first else f"; most often {names[likeliest]}, {percent(shares[likeliest])}"
        return f"{said}{other}"

    def _scores(self, code: str) -> np.ndarray | None:
        match code:
            case "mean":
                whole = np.flatnonzero(self._known.all(axis=0)).tolist()
                return mean_scores(self._values, whole) if whole else None
            case "wins":
                return win_scores(self._values, self._known)
            case "enough":
                prices = [s.all_in.value for s in self._view.standings]
                weights = [c.weight for c in self._view.criteria]
                return cheapest_scores(self._values, self._known, weights, prices, self._enough)
            case "worth" | "duels":
                return self._amounts("worth.surplus" if code == "worth" else "duel")
        return None

    @cached_property
    def _rows(self) -> list[list[Figure]]:
        return [[self._inputs.figure(c.code, unit) for c in self._criteria] for unit in self._units]

    @cached_property
    def _known(self) -> np.ndarray:
        return np.array([[not isinstance(f, NotDetermined) for f in row] for row in self._rows])

    @cached_property
    def _values(self) -> np.ndarray:
        functions = [value_function(c.shape, [(raw, v) for raw, v in c.points]) for c in self._criteria]
        seed = self._inputs.bench.study.seed
        return draw_values(self._rows, functions, seed, _DRAWS, codes=[c.code for c in self._criteria])

    def _amounts(self, code: str) -> np.ndarray | None:
        """Draws of one figure itself, machine by machine."""
        if not self._inputs.has(code):
            return None
        figures = [[self._inputs.figure(code, unit)] for unit in self._units]
        drawn = draw_raws(figures, [code], self._inputs.bench.study.seed, _DRAWS)[0]
        return np.array([np.full(_DRAWS, np.nan) if d is None else np.broadcast_to(d, _DRAWS) for d in drawn])


# A school with its code, what it rests on, what it needs, and by machine its score in words.
_Made = tuple[str, School, str, str, dict[str, str]]


def _points(view: RankView) -> _Made:
    scores: dict[str, float | None] = {}
    words = {}
    for s in view.standings:
        known = s.missing < len(view.criteria)
        scores[str(s.machine.unit_id)] = s.total if known else None
        words[str(s.machine.unit_id)] = (
            f"{s.total:.1f}" if not s.missing else f"{s.total_low:.1f} to {s.total_high:.1f}"
        )
    return "points", School("Weighted points", scores), "the weights on screen", "a figure that counts", words


def _mean(view: RankView) -> _Made:
    """The mean of what every machine has, on the rubric's scale of 0 to 5, each criterion counting alike."""
    whole = [c.code for c in view.criteria if all(_value(s, c.code) is not None for s in view.standings)]
    scores: dict[str, float | None] = {}
    words = {}
    for s in view.standings:
        known = [v for code in whole if (v := _value(s, code)) is not None]
        mean = sum(known) / len(known) / 20 if known else None
        scores[str(s.machine.unit_id)] = mean
        words[str(s.machine.unit_id)] = f"{mean:.2f} of 5" if mean is not None else ""
    rests = f"{len(whole)} of {len(view.criteria)} criteria that all have, each alike"
    return "mean", School("Rubric mean", scores), rests, "a criterion that every machine has", words


def _wins(view: RankView) -> _Made:
    rows = {str(s.machine.unit_id): [_value(s, c.code) for c in view.criteria] for s in view.standings}
    shares = win_shares(rows)
    scores = {m: None if isinstance(x, NotDetermined) else x for m, x in shares.items()}
    words = {m: f"{100 * x:.0f} %" for m, x in scores.items() if x is not None}
    return (
        "wins",
        School("Category wins", scores),
        "pairs of machines, criterion by criterion; ties half",
        "a criterion that two have",
        words,
    )


def _sums(inputs: StudyFigures, criteria: list[CriterionRow], view: RankView) -> _Made:
    """Ranks summed over the artifacts: of each the mean value of what its prints tell."""
    machines = [s.machine.unit_id for s in view.standings]
    told: dict[str, dict[str, list[float]]] = defaultdict(lambda: defaultdict(list))
    for c in criteria:
        value = value_function(c.shape, [(raw, v) for raw, v in c.points])
        for line in inputs.lines(c.code):
            for machine in machines:
                if values := line.values.get(machine):
                    told[line.name][str(machine)].append(float(value_of(value, sum(values) / len(values))))
    artifacts = {name: {m: sum(v) / len(v) for m, v in row.items()} for name, row in told.items()}
    whole = {name: row for name, row in artifacts.items() if len(row) == len(machines)}
    try:
        found = rank_sums(whole)
    except NotDetermined:
        none = School("Rank sum", {str(m): None for m in machines})
        return (
            "ranks",
            none,
            "",
            "an artifact that every machine has printed and that tells something that counts",
            {},
        )
    chance = (
        "" if found.friedman_p is None else f"; so far apart by chance in {100 * found.friedman_p:.0f} % of cases"
    )
    scores = {m: -x for m, x in found.sum.items()}
    rests = f"{len(whole)} artifact{'s' if len(whole) != 1 else ''}, the lower the better{chance}"
    return "ranks", School("Rank sum", scores), rests, "", {m: f"{x:g}" for m, x in found.sum.items()}


def _cheapest(view: RankView, enough: float) -> _Made:
    """The cheaper the better, of those that have enough points whatever is missing."""
    scores: dict[str, float | None] = {}
    words = {}
    for s in view.standings:
        good = s.total_low >= enough and s.all_in.value is not None
        scores[str(s.machine.unit_id)] = -s.all_in.value if good and s.all_in.value is not None else None
        words[str(s.machine.unit_id)] = (
            s.all_in.words if good else "not enough points" if s.all_in.value is not None else "no price"
        )
    needs = f"two machines with a price and {enough:g} points"
    return (
        "enough",
        School("Cheapest that is good enough", scores),
        f"{enough:g} points or more, then the price",
        needs,
        words,
    )


def _of_quantity(
    inputs: StudyFigures, view: RankView, code: str, name: str, school: str, unit: str, rests: str
) -> _Made:
    scores: dict[str, float | None] = {}
    words = {}
    for s in view.standings:
        value = central(inputs.figure(code, s.machine.unit_id)) if inputs.has(code) else None
        scores[str(s.machine.unit_id)] = value
        if value is not None:
            words[str(s.machine.unit_id)] = f"{value:.{2 if not unit else 0}f} {unit}".strip().replace("-", "−")
    return school, School(name, scores), rests, rests, words


def _sheet(session: Session, study_id: uuid.UUID, inputs: StudyFigures, view: RankView) -> _Made:
    """Points by the line; of a machine in several configurations or arms it is one sheet."""
    lines = lines_of(sheet_of(session, study_id))
    unit_of = {e.key: e.entry.unit_id for e in inputs.entrants}
    decided = [line for line in lines if line.winners]
    here = {u.unit_id for u in inputs.bench.units}
    totals = sheet_totals(lines, list(here)) if decided else {}
    found = {str(s.machine.unit_id): totals.get(unit_of[s.machine.unit_id]) for s in view.standings}
    rests = f"{len(decided)} of {len(lines)} lines of the sheet, each to who won it, ties in equal parts"
    words = {m: f"{round(x, 1):g}" for m, x in found.items() if x is not None}
    return "lines", School("Points by the line", found), rests, "a line of the sheet that somebody won", words


def _apart(view: RankView, schools: list[School]) -> list[str]:
    """Of each school with another leader than the points, why: criterion by criterion."""
    first = leaders(schools[0].scores)
    if len(first) != 1:
        return []
    by_name = {s.machine.name: s for s in view.standings}
    total = sum(c.weight for c in view.criteria)
    said = []
    for school in schools[1:]:
        other = leaders(school.scores)
        if len(other) != 1 or other == first or sum(x is not None for x in school.scores.values()) < 2:
            continue
        a, b = by_name[first[0]], by_name[other[0]]
        criteria = [
            (c.name, 100 * c.weight / total, x - y)
            for c in view.criteria
            if (x := _value(a, c.code)) is not None and (y := _value(b, c.code)) is not None and c.weight > 0
        ]
        said.append(say_apart(school.name, Apart(first[0], other[0], criteria)))
    return said


def _value(standing: StandingLine, code: str) -> float | None:
    return next((c.value for c in standing.contributions if c.code == code), None)


def _steps(view: RankView) -> list[StepUp]:
    known = {
        s.machine.unit_id: s for s in view.standings if s.all_in.value is not None and s.missing < len(view.criteria)
    }
    best = frontier({unit: (s.all_in.value or 0.0, s.total) for unit, s in known.items()})
    ordered = sorted((known[u] for u in best), key=lambda s: s.all_in.value or 0.0)
    steps: list[StepUp] = []
    for s in ordered:
        price = s.all_in.value or 0.0
        if steps:
            last = steps[-1]
            words = f"For {price - last.price:.0f} {view.currency} more: {s.machine.name}, {s.total - last.points:.1f} points more."
        else:
            words = f"From {price:.0f} {view.currency}: {s.machine.name}, {s.total:.1f} points."
        steps.append(StepUp(machine=s.machine, price=price, points=s.total, words=words))
    return steps
