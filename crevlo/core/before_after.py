"""Figures of a machine before and after a change: like with like, and several of them at once."""

import math
from collections.abc import Sequence
from dataclasses import dataclass

from scipy.special import stdtr

from crevlo.core.estimate import BadInput, Estimate, NotDetermined, effective_dof
from crevlo.core.statistics import pool_scatter

# Values of one piece in one arm, before and after.
Pair = tuple[Sequence[float], Sequence[float]]


@dataclass(frozen=True, slots=True)
class Comparison:
    """One thing that is compared: values by piece, in a unit, read to a resolution; more of it may be better or not."""

    name: str
    unit: str
    digits: int
    resolution: float
    pairs: Sequence[Pair]


@dataclass(frozen=True, slots=True)
class Change:
    """Difference after less before with its expanded uncertainty, and whether it is more than chance among all the
    comparisons made together."""

    difference: float | None
    expanded: float | None
    real: bool | None
    words: str


def difference(pairs: Sequence[Pair], resolution: float) -> Estimate:
    """Mean over the pieces of each one's difference of means; only pieces there before and after count.

    u² = Σ s²(1/n + 1/m)/L² + r²/6: the scatter within pieces pooled over all, and the resolution of both readings, which
    no number of equal values takes away. Degrees of freedom by Welch–Satterthwaite. Raises NotDetermined without such a
    piece, or without any second copy; BadInput for a negative resolution.
    """
    if resolution < 0:
        raise BadInput("a resolution cannot be negative")
    both = [(list(b), list(a)) for b, a in pairs if b and a]
    if not both:
        raise NotDetermined("the same piece printed before and after the change")
    s, dof = _scatter(both)
    pieces = len(both)
    mean = math.fsum(math.fsum(a) / len(a) - math.fsum(b) / len(b) for b, a in both) / pieces
    scatter = s**2 * math.fsum(1 / len(b) + 1 / len(a) for b, a in both) / pieces**2
    u2 = scatter + resolution**2 / 6
    return Estimate(mean, math.sqrt(u2), effective_dof(u2, scatter, dof))


def _scatter(both: Sequence[tuple[list[float], list[float]]]) -> tuple[float, int]:
    try:
        return pool_scatter([values for pair in both for values in pair])
    except NotDetermined:
        raise NotDetermined("a second copy of a piece, before or after") from None


def changes(comparisons: Sequence[Comparison]) -> list[Change]:
    """Judges all of them together: with Holm's procedure the chance that any difference called real is none stays at 5 %."""
    found: list[Estimate | NotDetermined] = []
    for c in comparisons:
        try:
            found.append(difference(c.pairs, c.resolution))
        except NotDetermined as missing:
            found.append(missing)
    tests = [(i, _chance(e)) for i, e in enumerate(found) if isinstance(e, Estimate)]
    real: set[int] = set()
    for place, (i, p) in enumerate(sorted(tests, key=lambda test: test[1])):
        if p > 0.05 / (len(tests) - place):
            break
        real.add(i)
    return [_say(c, e, i in real, len(tests)) for i, (c, e) in enumerate(zip(comparisons, found, strict=True))]


def _chance(e: Estimate) -> float:
    """How often a difference as large as this comes about where there is none."""
    if e.u == 0:
        return 1.0 if e.value == 0 else 0.0
    return float(2 * stdtr(e.dof, -abs(e.value) / e.u))


def _say(c: Comparison, found: Estimate | NotDetermined, real: bool, together: int) -> Change:
    if isinstance(found, NotDetermined):
        return Change(None, None, None, f"{c.name}: not determined; needs {found.needs}.")
    shown = f"{abs(found.value):.{c.digits}f} {c.unit}".strip()
    uncertain = f"± {found.expanded:.{c.digits}f}"
    if not real:
        among = f", {together} compared together" if together > 1 else ""
        words = f"{c.name}: no change that can be told from chance ({shown} {uncertain}{among})."
    else:
        words = f"{c.name}: {shown} {'more' if found.value > 0 else 'less'} than before ({uncertain})."
    return Change(found.value, found.expanded, real, words)
