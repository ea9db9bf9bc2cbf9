"""Two machines alone: every figure that both have, which differ by more than chance, and which is better in it."""

from collections.abc import Sequence
from dataclasses import dataclass
from enum import StrEnum

from scipy.special import ndtr, stdtr

from crevlo.core.estimate import NORMAL_COVERAGE, Estimate, NotDetermined, difference, scaled
from crevlo.core.evaluations.evaluation import Better
from crevlo.core.figure import Figure, Known, central, difference_interval

_CHANCE = 0.05


class Ahead(StrEnum):
    FIRST = "first"
    SECOND = "second"
    NEITHER = "not told apart"
    OPEN = "not known"


@dataclass(frozen=True, slots=True)
class Pair:
    """One quantity of both machines; one that is not `judged` is shown, but nobody knows how uncertain it is; a
    difference under `least` is none that anybody could see."""

    code: str
    better: Better
    first: Figure
    second: Figure
    judged: bool = True
    least: float = 0.0


@dataclass(frozen=True, slots=True)
class Compared:
    """First less second with its 95 % interval, how often so much comes about by chance, and who is ahead; None where one of
    the two is missing. What ranks nothing has nobody ahead, but can differ."""

    code: str
    difference: float | None
    low: float | None
    high: float | None
    differs: bool
    ahead: Ahead


def compare(pairs: Sequence[Pair]) -> list[Compared]:
    """All of them judged together: by Holm's procedure the chance that any difference called one is none stays at 5 %."""
    found: dict[int, tuple[float, float, float, float]] = {}
    for at, pair in enumerate(pairs):
        if not isinstance(pair.first, NotDetermined) and not isinstance(pair.second, NotDetermined):
            found[at] = _difference(pair.first, pair.second)
    real: set[int] = set()
    judged = {
        at: p if abs(found[at][0]) >= pairs[at].least else 1.0 for at, (*_, p) in found.items() if pairs[at].judged
    }
    for place, (at, p) in enumerate(sorted(judged.items(), key=lambda x: x[1])):
        if p > _CHANCE / (len(judged) - place):
            break
        real.add(at)
    made = []
    for at, pair in enumerate(pairs):
        if at not in found:
            made.append(Compared(pair.code, None, None, None, differs=False, ahead=Ahead.OPEN))
            continue
        value, low, high, _ = found[at]
        made.append(
            Compared(
                pair.code,
                value,
                low,
                high,
                differs=at in real,
                ahead=_ahead(pair, value) if at in real else Ahead.NEITHER,
            )
        )
    return made


def _difference(a: Known, b: Known) -> tuple[float, float, float, float]:
    """First less second, both ends of its interval, and the chance of so large a difference where there is none."""
    low, high = difference_interval(a, b)
    if isinstance(a, Estimate) and isinstance(b, Estimate):
        apart = difference(a, b)
        if apart.u == 0:
            return apart.value, low, high, 1.0 if apart.value == 0 else 0.0
        # Where few degrees of freedom are of one part only, the factor of the interval says how wide it is.
        if apart.of_own is not None and apart.shared:
            return apart.value, low, high, _by_width(apart.value, apart.expanded)
        return apart.value, low, high, float(2 * stdtr(apart.dof, -abs(apart.value) / apart.u))
    value = (central(a) or 0.0) - (central(b) or 0.0)
    # Intervals that are not even: what counts is the side that looks to 0.
    reach = value - low if value > 0 else high - value
    return value, low, high, _by_width(value, reach)


def _by_width(value: float, expanded: float) -> float:
    if expanded <= 0:
        return 1.0 if value == 0 else 0.0
    return float(2 * ndtr(-abs(value) / expanded * NORMAL_COVERAGE))


def _ahead(pair: Pair, difference_: float) -> Ahead:
    if pair.better is Better.NONE:
        return Ahead.NEITHER
    if (
        pair.better is Better.ZERO
        and not isinstance(pair.first, NotDetermined)
        and not isinstance(pair.second, NotDetermined)
    ):
        first, second = nearness(pair.first), nearness(pair.second)
        difference_, *_, chance = _difference(first, second)
        # On either side of 0 two can differ though both are as near.
        if chance > _CHANCE or abs(difference_) < pair.least:
            return Ahead.NEITHER
    less = difference_ < 0
    return Ahead.FIRST if less != (pair.better is Better.HIGHER) else Ahead.SECOND


def nearness(figure: Known) -> Known:
    """How far a figure is from 0, whichever side: what is shared turns with its sign."""
    return scaled(figure, -1.0) if isinstance(figure, Estimate) and figure.value < 0 else figure


def say_compared(first: str, second: str, made: Sequence[Compared]) -> str:
    """In one sentence how many figures each is ahead in, and how many do not tell them apart."""
    known = [c for c in made if c.ahead is not Ahead.OPEN]
    if not known:
        return f"Nothing is known of both {first} and {second} yet."
    ahead = {who: sum(c.ahead is who for c in known) for who in (Ahead.FIRST, Ahead.SECOND)}
    alike = sum(not c.differs for c in known)
    words = [
        f"{name} is ahead in {n}" for name, n in ((first, ahead[Ahead.FIRST]), (second, ahead[Ahead.SECOND])) if n
    ]
    if alike:
        words.append(f"{alike} {'does' if alike == 1 else 'do'} not tell them apart")
    other = len(known) - alike - ahead[Ahead.FIRST] - ahead[Ahead.SECOND]
    if other:
        words.append(f"{other} {'differs' if other == 1 else 'differ'} without either being better")
    of = "the one figure" if len(known) == 1 else f"{len(known)} figures"
    return f"Of {of} known of both: {', '.join(words)}."
