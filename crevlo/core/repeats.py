"""How many copies a comparison needs: power of the two-sample t test."""

import math

from crevlo.core.estimate import BadInput

_MOST = 200


def power(difference: float, spread: float, copies: int, alpha: float = 0.05) -> float:
    """Chance to tell two machines apart whose means differ by `difference`, each with `copies` of standard deviation `spread`.

    Two-sided t test at level `alpha`, by the noncentral t distribution. Raises BadInput for a spread of 0 or one copy.
    """
    from scipy import stats

    if spread <= 0 or difference <= 0:
        raise BadInput("the difference to tell and the usual spread must be above 0")
    if copies < 2:
        raise BadInput("one copy shows no spread; at least two are needed")
    dof = 2 * copies - 2
    shift = difference / spread * math.sqrt(copies / 2)
    critical = float(stats.t.ppf(1 - alpha / 2, dof))
    upper = float(stats.nct.sf(critical, dof, shift))
    lower = float(stats.nct.cdf(-critical, dof, shift))
    return min(1.0, (0.0 if math.isnan(upper) else upper) + (0.0 if math.isnan(lower) else lower))


def copies_needed(difference: float, spread: float, wanted_power: float = 0.8) -> int | None:
    """Fewest copies per machine that tell `difference` with the wanted chance; None when 200 do not."""
    if not 0 < wanted_power < 1:
        raise BadInput("the chance wanted lies between 0 and 1")
    low, high = 2, _MOST
    if power(difference, spread, high) < wanted_power:
        return None
    while low < high:
        middle = (low + high) // 2
        if power(difference, spread, middle) >= wanted_power:
            high = middle
        else:
            low = middle + 1
    return low


def difference_told(spread: float, copies: int, wanted_power: float = 0.8) -> float:
    """Smallest difference that `copies` per machine tell with the wanted chance."""
    low, high = 0.0, spread
    while power(high, spread, copies) < wanted_power:
        high *= 2
    for _ in range(50):
        middle = (low + high) / 2
        if power(middle, spread, copies) < wanted_power:
            low = middle
        else:
            high = middle
    return high
