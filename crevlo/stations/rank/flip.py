"""What would put another machine first, in the words and units of the bench."""

from collections.abc import Sequence
from typing import Literal

from crevlo.core.figure import Figure, central
from crevlo.core.ranking.flips import figure_flips, weight_flips
from crevlo.core.ranking.value import ValueFunction
from crevlo.stations.kit.mark import UnitMark
from crevlo.stations.kit.shape import Shape
from crevlo.stations.rank.criteria import BY_CODE, unit_of

SHOWN = 4
SHOWN_FIGURES = 3


class Flip(Shape):
    """A weight in points of 100, or a figure of a machine, beyond which another machine is first."""

    kind: Literal["weight", "figure"]
    criterion: str
    direction: Literal["above", "below"]
    points: float | None
    words: str
    becomes: UnitMark


def flips_of(
    marks: Sequence[UnitMark], codes: Sequence[str], shares: Sequence[float], values: Sequence[Sequence[float]],
    figures: Sequence[Sequence[Figure]], functions: Sequence[ValueFunction], currency: str,
) -> list[Flip]:  # fmt: skip
    """Over machines with every figure; nearest weights first, then nearest figures."""
    flips = []
    for w in weight_flips(shares, values):
        points = round(100 * w.share, 1)
        if not 0 < points < 100:
            continue
        side: Literal["above", "below"] = "above" if w.rises else "below"
        name = BY_CODE[codes[w.criterion]].name
        flips.append(
            Flip(
                kind="weight", criterion=codes[w.criterion], direction=side, points=points,
                words=f"{name} weighted {side} {points:.1f} of 100", becomes=marks[w.becomes],
            )
        )  # fmt: skip
    found = []
    raws = [[_raw(f) for f in row] for row in figures]
    for f in figure_flips(shares, values, raws, functions):
        kind = BY_CODE[codes[f.criterion]]
        higher = f.raw > raws[f.machine][f.criterion]
        amount = f"{kind.factor * f.raw:.{kind.digits}f} {unit_of(kind.code, currency)}"
        now = f"{kind.factor * raws[f.machine][f.criterion]:.{kind.digits}f} {unit_of(kind.code, currency)}"
        if amount == now:
            continue
        found.append(
            Flip(
                kind="figure", criterion=kind.code, direction="above" if higher else "below", points=None,
                words=f"{marks[f.machine].name}: {kind.name.lower()} {'over' if higher else 'under'} {amount} (now {now})",
                becomes=marks[f.becomes],
            )
        )  # fmt: skip
    return flips[:SHOWN] + found[:SHOWN_FIGURES]


def _raw(figure: Figure) -> float:
    value = central(figure)
    assert value is not None
    return value


def flips_words(flips: list[Flip], totals: Sequence[float], machines: int) -> str:
    """Why there is no flip to show, or which machines they are of."""
    if len(totals) < 2:
        return "" if machines < 2 else "Needs two machines with every figure."
    first, second = sorted(totals, reverse=True)[:2]
    if first - second < 1e-9:
        return "The first are level: whatever changes decides."
    of = "" if len(totals) == machines else f" Of the {len(totals)} machines with every figure."
    return ("" if flips else "No single weight and no single figure makes another machine first.") + of
