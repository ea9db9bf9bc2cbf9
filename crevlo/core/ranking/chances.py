"""Rank chances: weights and readings drawn together, seeded."""

from collections import Counter, defaultdict
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from functools import lru_cache

import numpy as np

from crevlo.core.estimate import Estimate, NotDetermined
from crevlo.core.figure import Composed, Counted, Draws, Figure, Known, central
from crevlo.core.ranking.field import Field, FieldSpread, fields_of, prior_of_counts
from crevlo.core.ranking.leaders import FIELD_FROM
from crevlo.core.ranking.points import normalised
from crevlo.core.ranking.tally import LEVEL, at_once, over_each, places_of
from crevlo.core.ranking.value import ValueFunction, value_of
from crevlo.core.ranking.weighed import Weighed, bytes_of

# A chance is then known to ± 0.5 % (95 %), half the last digit shown, and a first answer takes a fifth of a second.
DRAWS = 40_000
# Of more than about a thousand figures fewer are drawn: so much do values in steps take with their sums, and a weight still
# moves within a blink.
MOST_BYTES, _FEWEST = 100_000_000, 10_000
# What values in steps are multiples of: half the memory, and 650 steps to a point.
STEP = np.float32(100 / 65535)


def draws_for(machines: int, criteria: int) -> int:
    """How often to draw: 40 000 times for as much as 50 machines by 20 criteria, down to 10 000 for many more (chances
    ± 1 %)."""
    return max(_FEWEST, min(DRAWS, MOST_BYTES // max(1, bytes_of(machines, criteria))))


@dataclass(frozen=True, slots=True)
class RankChances:
    """Chances from the draws; `rank` has shape (machines, machines), row machine, column rank.

    `expanded` is half the central 95 % width of each machine's total over the readings alone; `ahead` how often, by the
    readings alone, the machine that comes first most often is ahead of each (1 of itself), and `between` half the central
    95 % width of its lead over each.
    """

    rank: np.ndarray
    expected_rank: np.ndarray
    expanded: np.ndarray
    ahead: np.ndarray
    between: np.ndarray
    draws: int


def draw_values(
    figures: Sequence[Sequence[Figure]], functions: Sequence[ValueFunction], seed: int, draws: int = DRAWS,
    *, codes: Sequence[str] | None = None, field: bool | None = None, spread: FieldSpread = FieldSpread.DRAWN,
    in_steps: bool = False,
) -> np.ndarray:  # fmt: skip
    """Value draws of shape (criteria, machines, draws) through the value functions: 0..100 as float32, or as whole steps,
    uint16, of STEP each.

    `figures` has shape (machines, criteria). What several figures share is drawn once: the calibration of an instrument for
    all machines, and by `codes` of the criteria what several of a machine's figures are made from. With four machines or
    more (or as `field` says) the true figures of a criterion come from one field, whose `spread` is drawn too. A machine's
    missing figures are drawn as one, even over 0..100: drawn apart they would meet in the middle, and an open interval would
    look like a known total.
    """
    names = codes or [f"criterion {c}" for c in range(len(functions))]
    drawn = _told(figures, names, seed, draws, field, spread)
    missing = np.random.default_rng([seed, 2])
    values = np.empty((len(functions), len(figures), draws), np.uint16 if in_steps else np.float32)
    open_ = {
        m: missing.uniform(0, 100, draws).astype(np.float32)
        for m, row in enumerate(figures)
        if any(isinstance(f, NotDetermined) for f in row)
    }
    for c, (code, function) in enumerate(zip(names, functions, strict=True)):
        for m, row in enumerate(figures):
            raw = drawn.of(m, code, row[c])
            value = open_[m] if raw is None else value_of(function, raw)
            values[c, m] = np.rint(value / STEP) if in_steps else value
    return values


def draw_raws(
    figures: Sequence[Sequence[Figure]], codes: Sequence[str], seed: int, draws: int, field: bool | None = None
) -> list[list[np.ndarray | None]]:
    """Draws of the raw figures that `draw_values` values, by criterion and machine; None of what is missing."""
    drawn = _told(figures, codes, seed, draws, field, FieldSpread.DRAWN)
    return [[drawn.of(m, code, row[c]) for m, row in enumerate(figures)] for c, code in enumerate(codes)]


def _told(
    figures: Sequence[Sequence[Figure]],
    codes: Sequence[str],
    seed: int,
    draws: int,
    field: bool | None,
    spread: FieldSpread,
) -> "_FieldDraws":
    drawn = _FieldDraws(Draws(draws, np.random.default_rng(seed)), field, spread)
    for m, row in enumerate(figures):
        for code, figure in zip(codes, row, strict=True):
            drawn.know(m, code, figure)
    return drawn


class _FieldDraws:
    """Draws of figures by machine and code, each pulled to its field; what a figure is composed of is pulled in its place."""

    def __init__(self, drawn: Draws, field: bool | None, spread: FieldSpread) -> None:
        self._drawn, self._wanted, self._spread = drawn, field, spread
        self._known: dict[str, dict[int, Known]] = defaultdict(dict)
        self._fields: dict[str, Field] | None = None
        self._placed: dict[str, _Placed] = {}
        self._made: dict[tuple[int, str], np.ndarray] = {}
        self._uses: Counter[tuple[int, str]] = Counter()

    def know(self, machine: int, code: str, figure: Figure) -> None:
        if isinstance(figure, NotDetermined):
            return
        for name, part in figure.parts.items() if isinstance(figure, Composed) else ((code, figure),):
            self._known[name][machine] = part
            self._uses[machine, name] += 1

    def of(self, machine: int, code: str, figure: Figure) -> np.ndarray | None:
        """Raw values, shape (draws,), to be asked for once; None of what is missing."""
        if isinstance(figure, NotDetermined):
            return None
        if isinstance(figure, Composed):
            return figure.rule({name: self._one(machine, name) for name in figure.parts})
        return self._one(machine, code)

    def _one(self, machine: int, code: str) -> np.ndarray:
        key = (machine, code)
        made = self._made.pop(key) if key in self._made else self._new(machine, code)
        self._uses[key] -= 1
        if self._uses[key]:
            # Another figure of the machine is made from it too.
            self._made[key] = made
        return made

    def _new(self, machine: int, code: str) -> np.ndarray:
        known = self._known[code]
        figure = known[machine]
        if isinstance(figure, Counted):
            counts = [f for f in known.values() if isinstance(f, Counted)]
            return self._drawn.of_count(
                figure, machine, prior_of_counts(counts) if self._wants(known) else (0.5, 0.5)
            )
        placed = self._placed_of(code)
        if placed is None:
            return self._drawn.afresh(figure, machine, code)
        if isinstance(figure, Estimate):
            made = self._drawn.own_of(figure, code, machine)
        else:
            value = central(figure)
            assert value is not None
            made = self._drawn.afresh(figure, machine, code) - np.float32(value)
        placed.pull(machine, made, self._drawn.middle_of(code))
        if isinstance(figure, Estimate) and figure.shared:
            made += self._drawn.shared_of(figure)
        return made

    def _wants(self, known: Mapping[int, Known]) -> bool:
        return len(known) >= FIELD_FROM if self._wanted is None else self._wanted

    def _placed_of(self, code: str) -> "_Placed | None":
        if self._fields is None:
            measured = {
                name: {m: f for m, f in known.items() if not isinstance(f, Counted)}
                for name, known in self._known.items()
                if self._wants(known)
            }
            self._fields = fields_of(measured, self._spread)
        if code not in self._fields:
            return None
        if code not in self._placed:
            self._placed[code] = _Placed(self._fields[code], self._drawn)
        return self._placed[code]


class _Placed:
    """One field in each draw: which of its possible spreads is taken, the same for all its machines."""

    # So finely chances of spreads are told apart.
    _STEPS = 4096

    def __init__(self, field: Field, drawn: Draws) -> None:
        self._pulls = field.pulls
        self._of_step = self._at = np.zeros(1, np.intp)
        if len(field.chance) > 1:
            self._of_step = np.searchsorted(
                np.cumsum(field.chance)[:-1], (np.arange(self._STEPS) + 0.5) / self._STEPS
            )
            self._at = drawn.rng.integers(0, self._STEPS, drawn.n)

    def pull(self, machine: int, own: np.ndarray, middle: np.ndarray) -> None:
        """Turns errors of a machine's own, shape (draws,), into its figures, in place."""
        pull = self._pulls[machine]
        own *= self._drawn(pull.keeps)
        own += self._drawn(pull.centre)
        own += self._drawn(pull.u_middle) * middle

    def _drawn(self, of_spread: np.ndarray) -> np.ndarray:
        of_step: np.ndarray = of_spread.astype(np.float32)[self._of_step]
        return of_step.take(self._at)


def rank_chances(
    weights: Sequence[float], values: np.ndarray | Weighed, seed: int, weight_spread: float = 0.3
) -> RankChances:
    """Chance of each rank when each weight moves within ± `weight_spread` and is renormalised; ties share.

    `values` as from draw_values, of either kind, shape (criteria, machines, draws), or kept to be weighed again.
    """
    weighed = values if isinstance(values, Weighed) else Weighed(values)
    criteria, machines, draws = weighed.values.shape
    # How the weights of a draw add up changes no order.
    moved = _moved(seed, weight_spread, criteria, draws)
    totals, unit = weighed.sums(normalised(weights), moved, (seed, weight_spread))
    point = unit / float(STEP) if weighed.values.dtype == np.uint16 else unit
    rank = places_of(totals.drawn, point)
    # A quarter of the draws tells its ends to a fiftieth of the width.
    few = totals.held[:, : max(4_000, draws // 4)]
    leader = int(np.argmax(rank[:, 0]))
    (low, high), (lead_low, lead_high) = at_once(
        lambda: _ends(few),
        lambda: _ends(few[leader] - few),
    )
    over, level = over_each(totals.held, leader, point)
    ahead = (over + level / 2) / draws
    ahead[leader] = 1.0
    rank /= draws
    return RankChances(
        rank=rank,
        expected_rank=rank @ np.arange(1, machines + 1),
        expanded=(high - low) / (2 * point),
        ahead=ahead,
        between=(lead_high - lead_low) / (2 * point),
        draws=draws,
    )


@dataclass(frozen=True, slots=True)
class Pairs:
    """`beats`, shape (machines, machines), is how often each is above each other, level ones by half; `central_weights` are the
    mean shares over the draws each machine wins, None where it never does."""

    beats: np.ndarray
    central_weights: tuple[np.ndarray | None, ...]


def pair_chances(weights: Sequence[float], values: np.ndarray, seed: int, weight_spread: float = 0.3) -> Pairs:
    """Of the same draws as `rank_chances` takes of float values, who is ahead of whom, and with what weights each wins."""
    criteria, machines, draws = values.shape
    drawn = _moved(seed, weight_spread, criteria, draws) * normalised(weights).astype(np.float32)[:, None]
    drawn /= drawn.sum(axis=0)
    totals = np.einsum("cmd,cd->md", values, drawn)
    beats = np.empty((machines, machines))
    for machine in range(machines):
        over, level = over_each(totals, machine, 1.0)
        beats[machine] = (over + level / 2) / draws
        beats[machine, machine] = 0
    wins = totals >= totals.max(axis=0) - LEVEL
    shared = wins / wins.sum(axis=0)
    return Pairs(beats, tuple(drawn @ own / own.sum() if own.any() else None for own in shared))


@lru_cache(maxsize=2)
def _moved(seed: int, spread: float, criteria: int, draws: int) -> np.ndarray:
    """By what each weight is multiplied in each draw, shape (criteria, draws)."""
    made = np.random.default_rng([seed, 1]).random((criteria, draws), dtype=np.float32)
    made *= 2 * np.float32(spread)
    made += np.float32(1 - spread)
    made.flags.writeable = False
    return made


def _ends(drawn: np.ndarray) -> tuple[np.ndarray, np.ndarray]:
    """Ends of the central 95 % of each row, between the nearest two draws in proportion; sorting whole rows is quicker here than
    looking for four places in each."""
    ranked = np.sort(drawn, axis=1)
    last = drawn.shape[1] - 1
    at = np.array([0.025, 0.975]) * last
    below = np.minimum(at.astype(int), max(last - 1, 0))
    share = at - below
    low, high = (ranked[:, below] * (1 - share) + ranked[:, np.minimum(below + 1, last)] * share).T
    return low, high
