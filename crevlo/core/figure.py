"""Raw figures that go into a criterion: an estimate, a success count, or missing with what it needs."""

import math
from collections.abc import Callable, Mapping
from dataclasses import dataclass, field

import numpy as np
from scipy.special import chdtri

from crevlo.core.estimate import NORMAL_COVERAGE, Estimate, NotDetermined, difference, scaled
from crevlo.core.success import success_chance


@dataclass(frozen=True, slots=True)
class Counted:
    """Good of tried; its figure is the chance of success."""

    good: int
    tries: int


@dataclass(frozen=True, slots=True)
class Spread:
    """A standard deviation: its square is the sum of `parts` less `noise`, the known variance of what it was read with. Each
    part is a variance with the degrees of freedom that it was estimated with. The interval is not even."""

    parts: tuple[tuple[float, float], ...]
    noise: float = 0.0

    @property
    def value(self) -> float:
        return self._less(self._total)

    @property
    def low(self) -> float:
        return self._end(0.025)

    @property
    def high(self) -> float:
        return self._end(0.975)

    @property
    def _total(self) -> float:
        return math.fsum(v for v, _ in self.parts)

    def _end(self, chance: float) -> float:
        """By each part's χ², the distances of all taken together (Graybill and Wang 1980).

        Copies that differ by less than the readings scatter could still differ by as much: so far the upper end reaches.
        """
        parts = list(self.parts)
        if chance > 0.5 and parts and self._total < self.noise:
            few = min(range(len(parts)), key=lambda k: parts[k][1])
            parts[few] = (parts[few][0] + self.noise - self._total, parts[few][1])
        away = (v * (dof / float(chdtri(dof, chance)) - 1) for v, dof in parts)
        far = math.sqrt(math.fsum(x * x for x in away))
        return self._less(self._total + (far if chance > 0.5 else -far))

    def draw(self, n: int, rng: np.random.Generator) -> np.ndarray:
        """Plausible spreads, shape (n,)."""
        total = np.zeros(n)
        for v, dof in self.parts:
            total += v * dof / (2 * rng.standard_gamma(dof / 2, n))
        return np.sqrt(np.maximum(total - self.noise, 0.0))

    def _less(self, total: float) -> float:
        return math.sqrt(max(total - self.noise, 0.0))


@dataclass(frozen=True, slots=True)
class Composed:
    """A figure that follows from others of the same machine, so that their errors are its own: a cost from hours, energy and
    chance of success. `rule` takes the draws of each part, shape (n,), and gives those of the figure."""

    estimate: Estimate
    low: float
    high: float
    parts: Mapping[str, "Estimate | Counted"]
    rule: Callable[[Mapping[str, np.ndarray]], np.ndarray] = field(compare=False)

    @property
    def value(self) -> float:
        return self.estimate.value


Known = Estimate | Counted | Spread | Composed
Figure = Known | NotDetermined


def central(figure: Figure) -> float | None:
    """The figure's best value, None where it is missing."""
    if isinstance(figure, NotDetermined):
        return None
    if isinstance(figure, Counted):
        return success_chance(figure.good, figure.tries).mean
    return figure.value


def as_estimate(figure: Known, scale: float = 1.0) -> Estimate:
    """The figure as an estimate, times `scale`: a count by the mean and spread of its chance of success, a spread by the
    normal approximation."""
    if isinstance(figure, Estimate):
        return figure if scale == 1.0 else scaled(figure, scale)
    if isinstance(figure, Composed):
        return as_estimate(figure.estimate, scale)
    if isinstance(figure, Spread):
        return Estimate(scale * figure.value, scale * (figure.high - figure.low) / (2 * NORMAL_COVERAGE))
    a, b = figure.good + 0.5, figure.tries - figure.good + 0.5
    return Estimate(scale * a / (a + b), scale * math.sqrt(a * b / ((a + b) ** 2 * (a + b + 1))))


@dataclass
class Draws:
    """Seeded draws of figures, shape (n,) each: an error that several share is drawn once by its source, and what several
    figures of a machine are made from once by machine and name."""

    n: int
    rng: np.random.Generator
    _shared: dict[str, np.ndarray] = field(default_factory=dict)
    _parts: dict[tuple[object, str], np.ndarray] = field(default_factory=dict)

    def of(self, figure: Known, machine: object = None, name: str = "") -> np.ndarray:
        """Plausible raw values. The same `machine` and `name` give the same draws again."""
        key = (machine, name)
        if machine is None or not name:
            return self.afresh(figure, machine, name)
        if key not in self._parts:
            self._parts[key] = self.afresh(figure, machine, name)
        return self._parts[key]

    def afresh(self, figure: Known, machine: object, name: str) -> np.ndarray:
        """Plausible raw values that are not kept for another call."""
        if isinstance(figure, Counted):
            return self.of_count(figure, machine)
        if isinstance(figure, Spread):
            return figure.draw(self.n, self.rng)
        if isinstance(figure, Composed):
            return figure.rule({name: self.of(part, machine, name) for name, part in figure.parts.items()})
        drawn = self.own_of(figure, name, machine)
        drawn += np.float32(figure.value)
        if figure.shared:
            drawn += self.shared_of(figure)
        return drawn

    def of_count(self, figure: Counted, machine: object, prior: tuple[float, float] = (0.5, 0.5)) -> np.ndarray:
        """Chances of success, with a Beta prior of so many good and failed tries: Jeffreys' where nothing else is known."""
        good, failed = prior
        return self._chance(self.rng.beta(figure.good + good, figure.tries - figure.good + failed, self.n), machine)

    def _chance(self, drawn: np.ndarray, machine: object) -> np.ndarray:
        """Counts of one machine are of the same tries: where one draw of its chance is high, so is that of the other."""
        if machine is None:
            return drawn
        key = (machine, "order of chances")
        if key not in self._parts:
            self._parts[key] = np.argsort(np.argsort(drawn))
        ordered: np.ndarray = np.sort(drawn)[self._parts[key]]
        return ordered

    def shared_of(self, figure: Known) -> np.ndarray:
        """What of a figure's draws other figures share, about 0."""
        total = np.zeros(self.n, np.float32)
        for source, s in (figure.shared if isinstance(figure, Estimate) else {}).items():
            total += np.float32(s) * self._normal("shared", source)
        return total

    def middle_of(self, name: str) -> np.ndarray:
        """Standard normal draws of where the middle of a field lies, the same for all its machines."""
        return self._normal("middle", name)

    def _normal(self, kind: str, name: str) -> np.ndarray:
        key = f"{kind} {name}"
        if key not in self._shared:
            self._shared[key] = self.rng.standard_normal(self.n, dtype=np.float32)
        return self._shared[key]

    def own_of(self, figure: Estimate, name: str, machine: object = None) -> np.ndarray:
        """An estimate's own error, about 0. Figures of one name and dof rest on one pooled spread, which is as wide in a draw
        for all of them; those of one `machine` that go along with the same have that in common."""
        u, dof = figure.own, figure.own_dof
        if u == 0:
            return np.zeros(self.n, np.float32)
        drawn = self.rng.standard_normal(self.n, dtype=np.float32)
        if figure.along and machine is not None:
            what, share = figure.along
            drawn *= np.float32(math.sqrt(1 - share * share))
            drawn += np.float32(share) * self._normal(f"along {machine}", what)
        if np.isfinite(dof):
            key = f"spread {name} {dof:.6g}"
            if not name or key not in self._shared:
                # Student's t as normal over root of a scaled chi-square: single precision is twice as fast as standard_t.
                half = max(dof, 1.0) / 2
                wider = self.rng.standard_gamma(half, self.n, dtype=np.float32)
                wider /= np.float32(half)
                self._shared[key] = 1 / np.sqrt(wider, out=wider)
            drawn *= self._shared[key]
        drawn *= np.float32(u)
        return drawn


def interval(figure: Known) -> tuple[float, float]:
    """Both ends of the 95 % interval, in the figure's raw unit."""
    if isinstance(figure, Counted):
        chance = success_chance(figure.good, figure.tries)
        return chance.low, chance.high
    return figure.low, figure.high


def difference_interval(a: Known, b: Known) -> tuple[float, float]:
    """Both ends of the 95 % interval of a − b. Of estimates by what they share; of others, whose intervals are not even, from
    the distances of both ends (Zou and Donner 2008)."""
    if isinstance(a, Estimate) and isinstance(b, Estimate):
        apart = difference(a, b)
        return apart.low, apart.high
    (low_a, high_a), (low_b, high_b) = interval(a), interval(b)
    at_a, at_b = _middle(a), _middle(b)
    return (
        at_a - at_b - math.hypot(at_a - low_a, high_b - at_b),
        at_a - at_b + math.hypot(high_a - at_a, at_b - low_b),
    )


def _middle(figure: Known) -> float:
    return figure.good / figure.tries if isinstance(figure, Counted) else figure.value
