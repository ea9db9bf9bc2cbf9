"""One row of a table of results: which figure is the best, and which nobody can tell from it."""

from collections.abc import Sequence
from enum import StrEnum

from crevlo.core.estimate import NotDetermined
from crevlo.core.evaluations.evaluation import Better
from crevlo.core.figure import Figure, central
from crevlo.core.pairwise import Pair, compare, nearness


class Place(StrEnum):
    BETTER = "better"
    LEVEL = "not told apart"
    BEHIND = "behind"
    NONE = ""


def places(figures: Sequence[Figure], better: Better, *, judged: bool = True, least: float = 0.0) -> list[Place]:
    """Of each figure its place in the row. The best is called better only where another is told apart from it; all others are
    held against it together, by Holm's procedure. A row that ranks nothing, that is not `judged`, or of which fewer than two
    figures are known has no places."""
    if better is Better.ZERO:
        figures = [f if isinstance(f, NotDetermined) else nearness(f) for f in figures]
        better = Better.LOWER
    known = {at: c for at, figure in enumerate(figures) if (c := central(figure)) is not None}
    found = [Place.NONE] * len(figures)
    if better is Better.NONE or not judged or len(known) < 2:
        return found

    def loss(at: int) -> float:
        return known[at] if better is Better.LOWER else -known[at]

    best = min(known, key=lambda at: (loss(at), at))
    others = [at for at in known if at != best]
    made = compare([Pair(str(at), better, figures[best], figures[at], least=least) for at in others])
    for at, against in zip(others, made, strict=True):
        found[at] = Place.BEHIND if against.differs and loss(at) > loss(best) else Place.LEVEL
    found[best] = Place.BETTER if Place.BEHIND in found else Place.LEVEL
    return found
