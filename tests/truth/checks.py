"""Checks of what is stated against what is true; each gives the lines that are out of bounds, none where all holds."""

import math
from collections.abc import Callable, Mapping, Sequence
from concurrent.futures import ProcessPoolExecutor
from dataclasses import dataclass

import numpy as np

from crevlo.core.claims import ClaimKind, against
from crevlo.core.estimate import Estimate, made_of
from crevlo.core.ranking.chances import draw_values, rank_chances
from crevlo.core.ranking.flips import figure_flips, weight_flips
from crevlo.core.ranking.gate import Standing, judge_limit
from crevlo.core.ranking.points import weighted_totals
from crevlo.core.ranking.value import linear, value_of
from tests.truth.coverage import GOAL, Held, coverage
from tests.truth.prints import Found, prints
from tests.truth.ranking import Field, Stated, stated_of_field
from tests.truth.schools import stated_of_schools
from tests.truth.study import Setting
from tests.truth.traces import gaps_covered

USUAL = Setting("usual: 4 machines, 3 copies")
FEW = Setting(
    "2 machines, 2 copies, nothing common to a copy", machines=2, copies=(2,), common=0.0, artifacts=("SB",)
)
COMMON = Setting(
    "2 machines, 5 copies, 80 % common to a copy", machines=2, copies=(5,), common=0.8, u_cal_mm=0.02, artifacts=("SB", "SF"),
)  # fmt: skip
ALIKE = Setting("4 machines, copies alike, caliper u 0.020", part_mm=0.0, u_cal_mm=0.02, artifacts=("SB", "SF"))
SINGLE = Setting(
    "12 machines, single copies beside one of three", machines=12, copies=(3, 1, 1, 1), artifacts=("SB",)
)
FINE = Setting("4 machines, spread near the caliper's", part_mm=0.004, artifacts=("SB",))
SETTINGS = (USUAL, FEW, COMMON, ALIKE, SINGLE, FINE)

FIELDS = (
    Field("4 machines apart, shared error 3 × the own", 4, 8, 4, 12),
    Field("8 machines", 8, 6, 4, 12),
    Field("12 machines, a close field", 12, 2, 4, 0),
    Field("8 machines, a close field", 8, 2, 4, 0),
    Field("4 machines, a close field", 4, 3, 4, 0),
    Field("2 machines", 2, 8, 4, 12),
)
SCHOOL_FIELDS = (
    Field("5 machines", 5, 6, 4, 6, 5),
    Field("2 machines", 2, 8, 4, 12, 5),
    Field("8 machines", 8, 6, 4, 12, 5),
    Field("4 machines, nothing shared", 4, 8, 4, 0, 3),
)
EQUALS = tuple(Field(f"{k} equal machines", k, 1e-6, 4, 8) for k in (2, 3, 4, 7))
# Copies that are all alike have no spread to be found: its interval holds 0 always.
_CANNOT = {(ALIKE.name, "repeatability")}


@dataclass(frozen=True, slots=True)
class Out:
    """One thing that does not hold: which check, of what, and by how much."""

    check: str
    what: str
    words: str


def bounds_of(stated: int, studies: int) -> tuple[float, float]:
    """93 to 97 %, widened by three standard errors of that many studies: machines of one are not independent, and some
    hundred shares are looked at."""
    error = 3.0 * math.sqrt(0.05 * 0.95 / max(studies, stated / 2))
    return GOAL[0] - error, GOAL[1] + error


def covers(
    setting: Setting, studies: int, seed: int = 0, halves: int = 1
) -> tuple[list[Out], dict[str, tuple[Held, Held]]]:
    """Coverage, size and lean of what is stated of figures and of differences in one setting."""
    figures, apart = _joined(setting, studies, seed, halves)
    out = []
    for what, found in (("", figures), ("difference of ", apart)):
        for code, held in found.items():
            if (setting.name, code) in _CANNOT or held.stated < 30:
                continue
            low, high = bounds_of(held.stated, studies)
            if not low <= held.share <= high:
                out.append(Out("coverage", what + code, f"{setting.name}: holds in {100 * held.share:.1f} %"))
            if not _SIZE[0] <= held.size <= _SIZE[1] and code not in _UNEVEN and setting.copies[0] > 2:
                out.append(Out("size", what + code, f"{setting.name}: errors are {held.size:.2f} of what is stated"))
            if abs(held.lean) > _LEAN and not what and code not in _SKEWED:
                out.append(Out("lean", code, f"{setting.name}: off by {held.lean:+.2f} u on average"))
    return out, {code: (figures[code], apart.get(code, Held())) for code in figures}


# Root mean square of errors in units of U/1.96, and their mean: 1 and 0 where all is as stated, with room for t and chance.
_SIZE, _LEAN = (0.72, 1.3), 0.35
# Counts and spreads have no even interval to be in units of.
_SKEWED = {"repeatability", "cost"}
_UNEVEN = {"success", "success.all", "repeatability", "cost"}


def _joined(setting: Setting, studies: int, seed: int, halves: int) -> tuple[dict[str, Held], dict[str, Held]]:
    if halves == 1:
        return coverage(setting, studies, seed)
    figures: dict[str, Held] = {}
    apart: dict[str, Held] = {}
    size = studies // halves
    with ProcessPoolExecutor(halves) as pool:
        parts = list(
            pool.map(coverage, [setting] * halves, [size] * halves, [seed + size * k for k in range(halves)])
        )
    for part in parts:
        for found, into in zip(part, (figures, apart), strict=True):
            for code, held in found.items():
                into.setdefault(code, Held()).join(held)
    return figures, apart


# Studies that the goal of chances is of.
_GOAL_OF = 400


def leaders(fields: Sequence[Field], studies: int) -> tuple[list[Out], dict[str, tuple[Stated, Stated]]]:
    """Whether leaders are best as often as stated, and chances nearly as good as an oracle's."""
    out, found = [], {}
    for field in fields:
        made, oracle = stated_of_field(field, studies)
        found[field.name] = made, oracle
        # Fewer studies than the goal is of may miss it by chance.
        error = max(0.0, 2 * math.sqrt(0.2 / studies) - 2 * math.sqrt(0.2 / _GOAL_OF))
        if abs(made.off) > 0.05 + error:
            words = f"{field.name}: stated {np.mean(made.chance):.3f}, best {np.mean(made.best):.3f}"
            out.append(Out("leaders", field.name, words))
        if (worse := float(np.mean(made.brier) / np.mean(oracle.brier))) > 1.05:
            out.append(Out("brier", field.name, f"{field.name}: {worse:.3f} of the oracle's score"))
    return out, found


def ties(fields: Sequence[Field], studies: int) -> tuple[list[Out], dict[str, float]]:
    """Whether equal machines are called a tie in nine of ten studies."""
    shares = {field.name: float(np.mean(stated_of_field(field, studies)[0].tie)) for field in fields}
    return [Out("ties", n, f"{n}: a tie in {100 * s:.0f} %") for n, s in shares.items() if s < 0.9], shares


def schools(
    fields: Sequence[Field], studies: int
) -> tuple[list[Out], dict[str, dict[str, list[tuple[float, float]]]]]:
    """Whether the first of each way to count is truly first, by the same count, as often as stated."""
    found = {field.name: stated_of_schools(field, studies) for field in fields}
    out = []
    for name, made in found.items():
        for school, rows in made.items():
            stated_, truly = np.mean(rows, axis=0)
            if abs(truly - stated_) > 0.05 + 2 * math.sqrt(0.2 / len(rows)):
                out.append(Out("schools", school, f"{name}: stated {stated_:.3f}, first {truly:.3f}"))
    return out, found


def totals_and_flips(tables: int = 60) -> list[Out]:
    """Exact figures: totals by another sum, the first certain, and every flip that is named tried out."""
    out = []
    for seed in range(tables):
        rng = np.random.default_rng([seed, 9])
        machines, criteria = int(rng.integers(2, 7)), int(rng.integers(2, 6))
        raws, weights = rng.uniform(5, 95, (machines, criteria)), rng.uniform(1, 50, criteria)
        functions = [linear(0, 100) if rng.random() < 0.5 else linear(100, 0) for _ in range(criteria)]
        values = np.array([[float(value_of(f, x)) for f, x in zip(functions, row, strict=True)] for row in raws])
        expected = [sum(w * v for w, v in zip(weights, row, strict=True)) / sum(weights) for row in values]
        stated = [t.low for t in weighted_totals(weights.tolist(), values.tolist())]
        first = int(np.argmax(expected))
        drawn = draw_values([[Estimate(float(x), 0.0) for x in row] for row in raws], functions, seed, 200)
        chance = rank_chances(weights.tolist(), drawn, seed, 0.0).rank[first, 0]
        if not np.allclose(stated, expected) or chance < 1:
            out.append(Out("totals", f"table {seed}", f"{stated} where {expected}; the first in {chance:.2f}"))
        for flip in weight_flips(weights.tolist(), values.tolist()):
            step = 1e-6 if flip.rises else -1e-6
            out += _tried(seed, values, weights, flip.criterion, flip.share + step, flip.becomes, first)
        for f in figure_flips(weights.tolist(), values.tolist(), raws.tolist(), functions):
            changed = values.copy()
            better = f.machine != first
            changed[f.machine, f.criterion] = float(value_of(functions[f.criterion], f.raw)) + (
                1e-6 if better else -1e-6
            )
            if int(np.argmax(changed @ weights)) != f.becomes:
                out.append(Out("flips", f"table {seed}", f"a figure that flips nothing: {f}"))
    return out


def _tried(
    seed: int, values: np.ndarray, weights: np.ndarray, criterion: int, share: float, becomes: int, first: int
) -> list[Out]:
    moved = weights / weights.sum()
    rest = np.delete(moved, criterion)
    moved = np.insert(rest / rest.sum() * (1 - share), criterion, share)
    now = int(np.argmax(values @ moved))
    return (
        []
        if now == becomes != first
        else [Out("flips", f"table {seed}", f"weight {criterion} at {share:.4f} makes {now}")]
    )


def must_haves(cases: int = 4000) -> list[Out]:
    """Whether what passes or fails "so sure" is so in as many cases."""
    rng = np.random.default_rng(4)
    sure, right = [], []
    for _ in range(cases):
        true, u, at_least = rng.uniform(35, 65), rng.uniform(0.5, 4), bool(rng.random() < 0.5)
        figure = made_of(true + u * rng.standard_t(6), u, 6.0)
        judged = judge_limit("it", figure, 50.0, "dB", at_least=at_least)
        keeps = true >= 50 if at_least else true <= 50
        sure.append(judged.certainty)
        right.append(keeps == (judged.standing is Standing.PASSES))
    out = []
    for low, high in ((0.5, 0.8), (0.8, 0.975), (0.975, 1.01)):
        inside = [k for k, s in enumerate(sure) if low <= s < high]
        stated, found = float(np.mean([sure[k] for k in inside])), float(np.mean([right[k] for k in inside]))
        if abs(stated - found) > 0.02 + 2.5 * math.sqrt(stated * (1 - stated) / len(inside)):
            out.append(Out("must-haves", "certainty", f"stated {stated:.3f}, right {found:.3f}"))
    return out


def claims(cases: int = 2000) -> list[Out]:
    """A true claim holds in 95 of 100 measurements or more, and one that is far off does not."""
    rng = np.random.default_rng(8)
    held = refuted = 0
    for _ in range(cases):
        true, own, meter = rng.uniform(40, 60), 0.3, 0.7
        seen = true + own * rng.standard_t(4) + meter * rng.standard_normal()
        measured = made_of(seen, own, 4.0, {"sound meter": meter})
        held += bool(against(ClaimKind.NOISE, true, measured).holds)
        refuted += against(ClaimKind.NOISE, true - 4, measured).holds is False
    out = []
    if not 0.95 <= held / cases <= 0.995:
        out.append(Out("claims", "a true claim", f"holds in {100 * held / cases:.1f} %"))
    if refuted / cases < 0.95:
        out.append(Out("claims", "a false claim", f"is refuted in {100 * refuted / cases:.1f} %"))
    return out


def gaps(traces: int = 200) -> list[Out]:
    """Energy of traces with a switching bed, gaps and counters that are reset."""
    out = []
    for name, (share, lean, bounded) in gaps_covered(traces).items():
        low, high = bounds_of(traces, traces)
        if not low <= share <= high:
            out.append(Out("gaps", name, f"holds in {100 * share:.1f} %"))
        if abs(lean) > 0.3:
            out.append(Out("gaps", name, f"off by {lean:+.2f} u on average"))
        if bounded < 1:
            out.append(Out("gaps", name, f"beyond its bounds in {100 * (1 - bounded):.1f} %"))
    return out


def told_by_prints(machines: int, seed: int = 0) -> tuple[list[Out], list[Found]]:
    """Whether what prints and people hide is found again."""
    found = prints(machines, seed)
    words = [
        (f.name, f"{100 * f.share:.1f} % of {len(f.held)}, goal {100 * f.low:.0f} to {100 * f.high:.0f}")
        for f in found
        if f.out()
    ]
    return [Out("prints", name, said) for name, said in words], found


CHECKS: Mapping[str, Callable[[], list[Out]]] = {
    "usual": lambda: covers(USUAL, 60)[0], "few": lambda: covers(FEW, 160)[0], "fine": lambda: covers(FINE, 40)[0],
    "leaders": lambda: leaders(FIELDS, 200)[0], "ties": lambda: ties(EQUALS[:1] + EQUALS[-1:], 200)[0],
    "totals": lambda: totals_and_flips(30), "must-haves": lambda: must_haves(2000), "claims": lambda: claims(1000),
    "schools": lambda: schools(SCHOOL_FIELDS[:2], 200)[0], "gaps": lambda: gaps(100), "prints": lambda: told_by_prints(60)[0],
}  # fmt: skip
