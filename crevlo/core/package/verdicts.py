"""What a study was published to say: its figures and what each buyer was told, worked out from evidence and a scheme."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field, replace

from crevlo.core.estimate import NotDetermined
from crevlo.core.evaluations import EVALUATION_OF, EVALUATIONS
from crevlo.core.evaluations.success import attempts
from crevlo.core.evidence import Evidence, Key
from crevlo.core.figure import Figure, central, interval
from crevlo.core.must_haves import RESTS_ON_FIGURES, MustHave, judge_by_figures
from crevlo.core.package.tables import Row
from crevlo.core.ranking.buyer import weights_of_buyer
from crevlo.core.ranking.field import FieldSpread
from crevlo.core.ranking.gate import Judged, Standing
from crevlo.core.ranking.ranking import Criterion, Ranking, rank

Stated = Mapping[tuple[int, Key], Judged]
"""What was judged of must-haves that rest on more than figures, by the number of the must-have and the machine."""


@dataclass(frozen=True, slots=True)
class Buyer:
    """A kind of buyer: own weights by criterion where they differ, prints a month, and must-haves, with how machines stand at
    those that figures do not tell. `left_out` are machines that a package of format 1 leaves out: it does not say by which."""

    name: str
    weights: Mapping[str, float] = field(default_factory=dict)
    prints_month: float | None = None
    must_haves: tuple[MustHave, ...] = ()
    stated: Stated = field(default_factory=dict)
    left_out: Mapping[Key, str] = field(default_factory=dict)


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
class Study:
    """What a buyer is told from: figures, who is compared (machines by key, with their names), what counts, seed and draws;
    `spread` is what chances take of the spread of their field."""

    figures: Figures
    names: Mapping[Key, str]
    scheme: tuple[Criterion, ...]
    seed: int
    draws: int
    currency: str
    spread: FieldSpread = FieldSpread.DRAWN

    def weights_of(self, buyer: Buyer) -> dict[str, float]:
        """By criterion, as they count."""
        return weights_of_buyer(
            {c.code: buyer.weights.get(c.code, c.weight) for c in self.scheme}, buyer.prints_month
        )


@dataclass(frozen=True, slots=True)
class Told:
    """What one buyer is told: how machines stand at each must-have, which are left out and why, those that are ranked in the
    order given to `rank`, and the ranking."""

    judged: Mapping[Key, tuple[Judged, ...]]
    left_out: Mapping[Key, str]
    machines: Sequence[Key]
    ranking: Ranking


def tell(
    study: Study, buyer: Buyer, weights: Mapping[str, float] | None = None, out: Mapping[Key, str] | None = None
) -> Told:
    """Ranks for a buyer all machines that no must-have leaves out. `weights` in place of the buyer's, as they count; `out`
    machines that are left out whatever they have, with why."""
    figures = study.figures.of_buyer(buyer.prints_month)
    judged = {
        m: tuple(_judged(study, figures, buyer, n, m) for n in range(len(buyer.must_haves))) for m in study.names
    }
    left_out = {m: "; ".join(j.reason for j in row if j.standing is Standing.FAILS) for m, row in judged.items()}
    left_out = {m: why for m, why in buyer.left_out.items() if m in study.names} | {
        m: why for m, why in left_out.items() if why
    }
    left_out |= out or {}
    ranked = [m for m in study.names if m not in left_out]
    asked = study.weights_of(buyer) if weights is None else weights
    rows = [[figures.of(c.code, m) for c in study.scheme] for m in ranked]
    criteria = [replace(c, weight=asked[c.code]) for c in study.scheme]
    names = [study.names[m] for m in ranked]
    made = rank(
        names,
        rows,
        criteria,
        study.seed,
        left_out=len(study.names) - len(ranked),
        draws=study.draws,
        spread=study.spread,
    )
    return Told(judged, left_out, ranked, made)


def _judged(study: Study, figures: Figures, buyer: Buyer, number: int, machine: Key) -> Judged:
    gate = buyer.must_haves[number]
    if gate.kind not in RESTS_ON_FIGURES:
        return buyer.stated.get((number, machine), Judged(Standing.OPEN, "not judged"))
    counted, _ = attempts(figures.evidence.machines[machine], figures.evidence.counted, first_only=False)
    return judge_by_figures(gate, lambda code: figures.of(code, machine), counted, study.currency)


def must_have_rows(buyer: Buyer, told: Told) -> list[Row]:
    return [
        {"buyer": buyer.name, "number": n, "machine": str(m), "standing": j.standing.value, "reason": j.reason}
        for m, row in told.judged.items()
        for n, j in enumerate(row)
    ]


def ranking_rows(buyer: Buyer, told: Told) -> list[Row]:
    rows: list[Row] = []
    for i in told.ranking.order:
        total, chance = told.ranking.totals[i], told.ranking.chance
        assert chance is not None
        rows.append({
            "buyer": buyer.name, "machine": str(told.machines[i]), "rank": told.ranking.places[i].rank, "low": total.low,
            "high": total.high, "first_chance": float(chance.rank[i, 0]), "left_out": ""})  # fmt: skip
    empty = {"rank": None, "low": None, "high": None, "first_chance": None}
    rows += [{"buyer": buyer.name, "machine": str(m), **empty, "left_out": why} for m, why in told.left_out.items()]
    return rows
