"""What to do next: the work at the bench that is expected to settle who is first, most for each hour of it."""

import math
from collections.abc import Hashable, Mapping, Sequence
from dataclasses import dataclass

import numpy as np
from scipy.special import ndtri

from crevlo.core.figure import Figure
from crevlo.core.percent import percent
from crevlo.core.ranking.chances import draw_raws
from crevlo.core.ranking.leaders import SURE
from crevlo.core.ranking.points import normalised
from crevlo.core.ranking.value import ValueFunction, value_of
from crevlo.core.ranking.verdict import some_of

# Where nobody knows how widely a missing figure would be read, in points of its value.
U_OF_MISSING = 5.0
# Less than this many bits is within what the draws themselves leave open.
WORTH = 0.01
# As sure as this, nothing is recommended any more.
SETTLED = 0.95


@dataclass(frozen=True, slots=True)
class Reads:
    """A new figure of one machine in one criterion: it falls around the true one with `u`, in the raw unit; None where the
    figure is missing and nobody knows how widely."""

    criterion: int
    machine: int
    u: float | None


@dataclass(frozen=True, slots=True)
class Tries:
    """One more try of a machine, whose chance of success is a criterion."""

    criterion: int
    machine: int


@dataclass(frozen=True, slots=True)
class Meets:
    """One more duel of two machines, whose abilities (log-odds) are a criterion."""

    criterion: int
    first: int
    second: int


Tells = Reads | Tries | Meets


@dataclass(frozen=True, slots=True)
class Work:
    """Something that can be done at the bench: what it tells, and the hours of a person that it takes."""

    key: Hashable
    tells: tuple[Tells, ...]
    hours: float


@dataclass(frozen=True, slots=True)
class Worth:
    """Bits by which the entropy of first place is expected to fall, and the chance that some machine is then first in
    `target` of the draws or more."""

    work: Work
    bits: float
    settles: float

    @property
    def per_hour(self) -> float:
        return self.bits / self.work.hours


@dataclass(frozen=True, slots=True)
class NextBest:
    """Works by bits an hour, the best first; `sure` is the chance of the machine that is first most often, now. What is
    aimed at is a winner, or where there is one, that it is hardly to be doubted."""

    works: tuple[Worth, ...]
    sure: float
    entropy: float

    @property
    def target(self) -> float:
        return target_of(self.sure)

    @property
    def settled(self) -> bool:
        return self.sure >= SETTLED

    @property
    def recommended(self) -> tuple[Worth, ...]:
        """What is worth doing; nothing where first place is settled or no work would be felt."""
        return () if self.settled else tuple(w for w in self.works if w.bits >= WORTH)


def target_of(sure: float) -> float:
    return SURE if sure < SURE else SETTLED


def next_best(
    figures: Sequence[Sequence[Figure]], functions: Sequence[ValueFunction], codes: Sequence[str], weights: Sequence[float],
    works: Sequence[Work], seed: int, *, draws: int = 2000, outcomes: int = 120, field: bool | None = None,
) -> NextBest:  # fmt: skip
    """Preposterior analysis: what each work might show is drawn from what is known, and what would then be known of first
    place follows by weighing the same draws by how likely they made it (Raiffa and Schlaifer 1961, by importance weights).

    `figures` has shape (machines, criteria). Nothing to recommend where fewer than two machines stand side by side.
    """
    machines = len(figures)
    if machines < 2:
        return NextBest((), 1.0, 0.0)
    rng = np.random.default_rng([seed, 3])
    raws = draw_raws(figures, codes, seed, draws, field)
    # As in the chances: what is missing of a machine is drawn as one.
    open_ = [rng.uniform(0, 100, draws) for _ in range(machines)]
    shares = normalised(weights)
    totals = np.zeros((machines, draws))
    for c, function in enumerate(functions):
        for m in range(machines):
            raw = raws[c][m]
            totals[m] += shares[c] * (open_[m] if raw is None else value_of(function, raw))
    best = totals >= totals.max(axis=0) - 1e-9
    first = best / best.sum(axis=0)
    now = first.mean(axis=1)
    entropy, aim = _entropy(now[None])[0], target_of(float(now.max()))
    # Beside the shares of first place a one for every draw, so that one product gives both sums.
    counted = np.vstack([first, np.ones(draws)]).T.astype(np.float32)
    # The same truths for every work: what differs between works is then the work.
    seen = rng.permutation(draws)[:outcomes]
    found = []
    for work in works:
        logs = np.zeros((outcomes, draws), np.float32)
        for tells in work.tells:
            logs += _likelihood(tells, raws, open_, seen, rng)
        logs -= logs.max(axis=1, keepdims=True)
        likely = np.exp(logs, out=logs)
        summed = (likely @ counted).astype(float)
        then = summed[:, :-1] / summed[:, -1:]
        found.append(
            Worth(work, max(0.0, float(entropy - _entropy(then).mean())), float(np.mean(then.max(axis=1) >= aim)))
        )
    return NextBest(tuple(sorted(found, key=lambda w: -w.per_hour)), float(now.max()), float(entropy))


def _entropy(chances: np.ndarray) -> np.ndarray:
    """In bits, over the last axis."""
    held = np.where(chances > 0, chances, 1.0)
    entropy: np.ndarray = -(held * np.log2(held)).sum(axis=-1)
    return entropy


def _likelihood(
    tells: Tells, raws: Sequence[Sequence[np.ndarray | None]], open_: Sequence[np.ndarray], seen: np.ndarray, rng: np.random.Generator
) -> np.ndarray:  # fmt: skip
    """Log-likelihood of what each of the draws `seen` would show, under every draw; shape (outcomes, draws)."""
    if isinstance(tells, Meets):
        a, b = raws[tells.criterion][tells.first], raws[tells.criterion][tells.second]
        return np.zeros((len(seen), 1)) if a is None or b is None else _of_chance(1 / (1 + np.exp(b - a)), seen, rng)
    raw = raws[tells.criterion][tells.machine]
    if isinstance(tells, Tries):
        return np.zeros((len(seen), 1)) if raw is None else _of_chance(raw, seen, rng)
    x, u = (open_[tells.machine], U_OF_MISSING) if raw is None or tells.u is None else (raw, tells.u)
    if not 0 < u < math.inf:
        return np.zeros((len(seen), 1))
    # Evenly over what a reading may be off by, in an order of its own: fewer outcomes tell as much.
    even = ndtri((np.arange(len(seen)) + 0.5) / len(seen))
    held = (x / u).astype(np.float32)
    apart: np.ndarray = (held[seen] + rng.permutation(even).astype(np.float32))[:, None] - held[None]
    np.multiply(apart, apart, out=apart)
    apart *= np.float32(-0.5)
    return apart


def _of_chance(chance: np.ndarray, seen: np.ndarray, rng: np.random.Generator) -> np.ndarray:
    held = np.clip(chance.astype(float), 1e-6, 1 - 1e-6)
    good = rng.random(len(seen)) < held[seen]
    after, failed = np.log(held).astype(np.float32), np.log1p(-held).astype(np.float32)
    likelihood: np.ndarray = np.where(good[:, None], after[None], failed[None])
    return likelihood


def u_of_more(u_now: float, u_then: float) -> float:
    """How widely new data alone tells a figure, that brings its own u from `u_now` to `u_then`; infinite where it does not."""
    if not 0 < u_then < u_now:
        return math.inf
    return 1 / math.sqrt(1 / u_then**2 - 1 / u_now**2)


def say_next(made: NextBest, best: str, hours: Mapping[Hashable, float], chance: float | None = None) -> str:
    """What the list comes to, true in every state; `best` is the machine that is first most often, in `chance` of the draws
    where its weights are drawn too."""
    sure = made.sure if chance is None else chance
    if made.settled:
        return f"{best} is first in {percent(sure)} of the draws: nothing at the bench is needed for that."
    if not made.works:
        return "There is nothing at the bench that would tell who is first: no more is planned, and nothing waits."
    if not made.recommended:
        return "Nothing that could be done next is expected to tell more of who is first."
    top = made.recommended[0]
    minutes = 60 * hours[top.work.key]
    return (
        f"{best} is first in {percent(sure)} of the draws. After the best next {minutes:.0f} minutes somebody is in "
        f"{percent(made.target)} or more, in {percent(top.settles)} of cases."
    )


def say_first(missing: Mapping[tuple[str, str], Sequence[str]]) -> str:
    """What no piece tells, by figure and what it needs: whose. Of many the most frequent; nothing where there is none."""
    most = sorted(missing.items(), key=lambda x: -len(x[1]))[:_SAID]
    words = [f"{figure[:1].lower()}{figure[1:]} of {some_of(names)} needs {needs}" for (figure, needs), names in most]
    return f"First of all: {'; '.join(words)}. " if words else ""


_SAID = 2
