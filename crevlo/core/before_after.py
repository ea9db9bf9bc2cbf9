"""One figure of a machine before and after a change."""

import math
from dataclasses import dataclass

from crevlo.core.estimate import Estimate, NotDetermined


@dataclass(frozen=True, slots=True)
class Change:
    """Difference after less before with its expanded uncertainty, and whether it is more than that."""

    difference: float | None
    expanded: float | None
    real: bool | None
    words: str


def changed(
    name: str, unit: str, digits: int, before: Estimate | NotDetermined, after: Estimate | NotDetermined
) -> Change:
    """Compares two estimates of independent measurements; the combined degrees of freedom by Welch–Satterthwaite."""
    for when, figure in (("before", before), ("after", after)):
        if isinstance(figure, NotDetermined):
            return Change(None, None, None, f"{name}: not determined {when} the change; needs {figure.needs}.")
    assert isinstance(before, Estimate)
    assert isinstance(after, Estimate)
    u = math.hypot(before.u, after.u)
    terms = sum(e.u**4 / e.dof for e in (before, after) if e.u > 0)
    both = Estimate(after.value - before.value, u, u**4 / terms if terms > 0 else math.inf)
    shown = f"{abs(both.value):.{digits}f} {unit}".strip()
    if abs(both.value) <= both.expanded:
        words = f"{name}: no change that can be told from chance ({shown} ± {both.expanded:.{digits}f})."
        return Change(both.value, both.expanded, False, words)
    way = "more" if both.value > 0 else "less"
    return Change(
        both.value, both.expanded, True, f"{name}: {shown} {way} than before (± {both.expanded:.{digits}f})."
    )
