"""What a study was published to say: its figures and what each buyer was told, worked out from evidence and a scheme."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field, replace

from crevlo.core.estimate import NotDetermined
from crevlo.core.evaluations import EVALUATION_OF, EVALUATIONS
from crevlo.core.evidence import Evidence, Key
from crevlo.core.figure import Figure, central, interval
from crevlo.core.package.tables import Row
from crevlo.core.ranking.buyer import weights_of_buyer
from crevlo.core.ranking.ranking import Criterion, Ranking, rank
from crevlo.core.ranking.value import ValueFunction


@dataclass(frozen=True, slots=True)
class Counts:
    """One criterion of a scheme: its code, how its raw figure becomes points, and its weight."""

    code: str
    function: ValueFunction
    weight: float


@dataclass(frozen=True, slots=True)
class Buyer:
    """A kind of buyer: own weights by criterion where they differ, prints a month, and which machines a must-have leaves
    out, by machine, with the reason. Must-haves rest on more than figures, so they stand as they were judged."""

    name: str
    weights: Mapping[str, float] = field(default_factory=dict)
    prints_month: float | None = None
    left_out: Mapping[str, str] = field(default_factory=dict)


class Figures:
    """Figures of an evidence by quantity and machine, each evaluation run when it is first asked for."""

    def __init__(self, evidence: Evidence) -> None:
        self.evidence = evidence
        self._known: dict[str, Mapping[Key, Figure]] = {}
        self._of_prints: dict[float, Figures] = {}

    def of(self, quantity: str, machine: Key) -> Figure:
        if quantity not in self._known:
            self._known.update(EVALUATION_OF[quantity].of_machines(self.evidence).figures)
        return self._known[quantity][machine]

    def of_buyer(self, prints_month: float | None) -> "Figures":
        """The same with cost as it is for a buyer of so many prints a month."""
        if prints_month is None:
            return self
        if prints_month not in self._of_prints:
            basis = replace(self.evidence.basis, prints_month=prints_month)
            self._of_prints[prints_month] = Figures(replace(self.evidence, basis=basis))
        return self._of_prints[prints_month]


def figure_rows(figures: Figures) -> list[Row]:
    """Every quantity of every machine that an artifact of the study tells."""
    evidence = figures.evidence
    rows: list[Row] = []
    for evaluation in EVALUATIONS:
        if not any(evaluation.takes(line.features) for line in evidence.lines.values()):
            continue
        for quantity in evaluation.tells:
            for machine in evidence.machines:
                figure = figures.of(quantity.code, machine)
                stands: Row = {"machine": str(machine), "quantity": quantity.code}
                if isinstance(figure, NotDetermined):
                    rows.append({**stands, "value": None, "low": None, "high": None, "needs": figure.needs})
                else:
                    low, high = interval(figure)
                    rows.append({**stands, "value": central(figure), "low": low, "high": high, "needs": ""})
    return rows


@dataclass(frozen=True, slots=True)
class Told:
    """What one buyer is told: machines ranked, in the order given to `rank`, and the ranking."""

    machines: Sequence[Key]
    ranking: Ranking


def told_to(
    buyer: Buyer, figures: Figures, names: Mapping[Key, str], scheme: Sequence[Counts], seed: int, draws: int,
    weights: Mapping[str, float] | None = None,
) -> Told:  # fmt: skip
    """Ranks for a buyer all of `names` that no must-have leaves out; `weights` in place of the buyer's, as they count."""
    counted = figures.of_buyer(buyer.prints_month)
    ranked = [m for m in names if m not in buyer.left_out]
    base = weights_of_buyer({c.code: buyer.weights.get(c.code, c.weight) for c in scheme}, buyer.prints_month)
    asked = base if weights is None else weights
    rows = [[counted.of(c.code, m) for c in scheme] for m in ranked]
    criteria = [Criterion(c.code, c.function, asked[c.code]) for c in scheme]
    made = rank([names[m] for m in ranked], rows, criteria, seed, left_out=len(names) - len(ranked), draws=draws)
    return Told(ranked, made)


def ranking_rows(buyer: Buyer, told: Told) -> list[Row]:
    rows: list[Row] = []
    for i in told.ranking.order:
        total, chance = told.ranking.totals[i], told.ranking.chance
        assert chance is not None
        rows.append({
            "buyer": buyer.name, "machine": str(told.machines[i]), "rank": told.ranking.places[i].rank, "low": total.low,
            "high": total.high, "first_chance": float(chance.rank[i, 0]), "left_out": ""})  # fmt: skip
    empty = {"rank": None, "low": None, "high": None, "first_chance": None}
    rows += [{"buyer": buyer.name, "machine": m, **empty, "left_out": why} for m, why in buyer.left_out.items()]
    return rows
