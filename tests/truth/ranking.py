"""Whether stated chances of first place hold: leaders stated at p are best in p of the studies, and equal machines tie."""

from collections.abc import Sequence
from dataclasses import dataclass, field

import numpy as np

from crevlo.core.estimate import NotDetermined, made_of
from crevlo.core.figure import Figure, central
from crevlo.core.ranking.chances import draw_values, rank_chances
from crevlo.core.ranking.leaders import share_first
from crevlo.core.ranking.value import ValueFunction, linear, value_of
from tests.truth.coverage import figures_of
from tests.truth.study import Setting, study

# Criteria of a usual scheme: weight, worst and best. Price is exact and would decide close fields by itself.
SCHEME: dict[str, tuple[float, float, float]] = {
    "success": (20, 0.4, 1.0),
    "off.mean": (25, 0.20, 0.02), "noise": (20, 65, 40), "time": (20, 2.5, 0.5), "energy": (10, 0.30, 0.05),
    "scale.x": (15, 0.5, 0.0), "cost": (10, 8.0, 2.0),
}  # fmt: skip
DRAWS = 4000


@dataclass
class Stated:
    """Of studies: the chance stated of the leader, whether it was best, and the Brier score of all stated chances beside
    that of an oracle which knows the noise of every figure."""

    chance: list[float] = field(default_factory=list)
    best: list[bool] = field(default_factory=list)
    brier: list[float] = field(default_factory=list)
    tie: list[bool] = field(default_factory=list)

    @property
    def off(self) -> float:
        """By how much leaders are best more often than stated."""
        return float(np.mean(self.best) - np.mean(self.chance))

    def by_chance(self, bands: Sequence[tuple[float, float]]) -> list[tuple[float, float, int]]:
        """Mean stated, share that was best, and how many, of leaders stated within each band."""
        stated, best = np.array(self.chance), np.array(self.best)
        found = []
        for low, high in bands:
            inside = (stated >= low) & (stated < high)
            if inside.any():
                found.append((float(stated[inside].mean()), float(best[inside].mean()), int(inside.sum())))
        return found


def functions_of(codes: Sequence[str]) -> list[ValueFunction]:
    made = []
    for code in codes:
        _, worst, best = SCHEME[code]
        made.append(nearest_zero(worst) if code.startswith("scale") else linear(worst, best))
    return made


def nearest_zero(worst: float) -> ValueFunction:
    from crevlo.core.ranking.value import Shape, value_function

    return value_function(Shape.PIECEWISE, [(-worst, 0.0), (0.0, 100.0), (worst, 0.0)])


def stated(setting: Setting, studies: int, seed: int = 0, codes: Sequence[str] | None = None) -> Stated:
    """Ranks so many studies as a station does, without moving the weights, and looks who was truly best."""
    codes = list(SCHEME) if codes is None else list(codes)
    weights, functions = [SCHEME[c][0] for c in codes], functions_of(codes)
    made = Stated()
    for number in range(studies):
        evidence, hidden = study(setting, seed + number)
        found = figures_of(evidence, codes)
        rows = [[found[c][m] for c in codes] for m in range(setting.machines)]
        true = totals([[hidden[c][m] for c in codes] for m in range(setting.machines)], weights, functions)
        add(made, rows, true, weights, functions, codes, seed + number)
    return made


def totals(
    raws: Sequence[Sequence[float]], weights: Sequence[float], functions: Sequence[ValueFunction]
) -> np.ndarray:
    values = np.array([[float(value_of(f, raw)) for f, raw in zip(functions, row, strict=True)] for row in raws])
    shares = np.array(weights) / np.sum(weights)
    made: np.ndarray = values @ shares
    return made


def add(
    made: Stated, rows: list[list[Figure]], true: np.ndarray, weights: Sequence[float],
    functions: Sequence[ValueFunction], codes: Sequence[str], seed: int,
) -> None:  # fmt: skip
    drawn = draw_values(rows, functions, seed, DRAWS, codes=codes)
    chances = rank_chances(weights, drawn, seed, 0.0)
    first = chances.rank[:, 0]
    leader, best = int(np.argmax(first)), int(np.argmax(true))
    made.chance.append(float(first[leader]))
    made.best.append(leader == best)
    made.brier.append(float(np.sum((first - (np.arange(len(true)) == best)) ** 2)))
    made.tie.append(len(share_first(first.tolist(), ahead=chances.ahead.tolist())) > 1)
    assert not any(isinstance(f, NotDetermined) or central(f) is None for row in rows for f in row)


@dataclass(frozen=True, slots=True)
class Field:
    """Machines whose true figures are drawn from one normal field; errors of their own, and one that all share."""

    name: str
    machines: int
    apart: float
    own: float
    shared: float
    criteria: int = 3


def stated_of_field(field_: Field, studies: int, seed: int = 0) -> tuple[Stated, Stated]:
    """What is stated, and what an oracle states that knows the field and the noise, though no error of any figure."""
    made, oracle = Stated(), Stated()
    k, weights = field_.machines, [3.0, 2.0, 1.0, 1.0, 1.0][: field_.criteria]
    functions = [linear(0.0, 100.0)] * field_.criteria
    for number in range(studies):
        rng = np.random.default_rng([seed + number, 3])
        true = rng.normal(50, field_.apart, (k, field_.criteria))
        common = field_.shared * rng.standard_normal(field_.criteria)
        seen = true + rng.normal(0, field_.own, true.shape) + common
        rows: list[list[Figure]] = [
            [made_of(float(x), field_.own, shared={f"meter {c}": field_.shared}) for c, x in enumerate(row)]
            for row in seen
        ]
        best = totals(true.tolist(), weights, functions)
        add(made, rows, best, weights, functions, [f"q{c}" for c in range(field_.criteria)], seed + number)
        noise = field_.own**2 * np.eye(k) + field_.shared**2
        gain = field_.apart**2 * np.linalg.inv(field_.apart**2 * np.eye(k) + noise)
        root = np.linalg.cholesky(field_.apart**2 * (np.eye(k) - gain) + 1e-9 * np.eye(k))
        after = 50 + gain @ (seen - 50) + root @ rng.standard_normal((DRAWS, k, field_.criteria))
        won = np.argmax(after @ (np.array(weights) / np.sum(weights)), axis=1)
        chance = np.bincount(won, minlength=k) / DRAWS
        leader, first = int(np.argmax(chance)), int(np.argmax(best))
        oracle.chance.append(float(chance[leader]))
        oracle.best.append(leader == first)
        oracle.brier.append(float(np.sum((chance - (np.arange(k) == first)) ** 2)))
    return made, oracle
