"""Times that a machine takes of the person: setting it up for the first and for later prints, and its warm-up."""

import math
from collections.abc import Callable

from crevlo.core.estimate import Estimate, NotDetermined, determined
from crevlo.core.evaluations.evaluation import Better, Evaluation, Quantity, Rests, Results
from crevlo.core.evidence import Evidence, Machine

# What a single time by stopwatch can be wrong by, in s.
U_BY_HAND_S = 5.0


def _quantity(code: str, name: str, short: str, what: str, worst: float, best: float) -> Quantity:
    return Quantity(
        code, name, short, "min", 1, Better.LOWER, Rests.UNIT,
        f"Mean of the times by stopwatch {what}; one alone is taken to {U_BY_HAND_S:.0f} s.", worst, best,
    )  # fmt: skip


SETUP_FIRST = _quantity(
    "setup.first", "Set-up, first time", "First set-up", "from the box to the first print", 180, 15
)
SETUP_NEXT = _quantity("setup.next", "Set-up, each time", "Set-up", "before a later print", 15, 1)
WARM_UP = _quantity("warm.up", "Warm-up", "Warm-up", "from the room's temperature to printing", 15, 1)

_TIMES: dict[str, tuple[Quantity, str, Callable[[Machine], tuple[float, ...]]]] = {
    SETUP_FIRST.code: (SETUP_FIRST, "the time of the first set-up", lambda m: m.unit.setup_first_s),
    SETUP_NEXT.code: (SETUP_NEXT, "the time of a later set-up", lambda m: m.unit.setup_next_s),
    WARM_UP.code: (WARM_UP, "a warm-up by stopwatch", lambda m: m.unit.warm_up_s),
}


def minutes(times_s: tuple[float, ...], what: str) -> Estimate:
    """Mean in min; its u from the spread and the stopwatch. Raises NotDetermined without any."""
    if not times_s:
        raise NotDetermined(what)
    n, mean = len(times_s), math.fsum(times_s) / len(times_s)
    if n == 1:
        return Estimate(mean / 60, U_BY_HAND_S / 60)
    spread = math.sqrt(math.fsum((t - mean) ** 2 for t in times_s) / (n - 1))
    u = math.hypot(spread, U_BY_HAND_S) / math.sqrt(n) / 60
    return Estimate(mean / 60, u, n - 1 if spread else math.inf)


def of_machines(evidence: Evidence) -> Results:
    return Results(
        {
            code: {k: determined(lambda m=m, of=of, what=what: minutes(of(m), what)) for k, m in evidence.machines.items()}  # type: ignore[misc]
            for code, (_, what, of) in _TIMES.items()
        }
    )  # fmt: skip


HANDLING = Evaluation("handling", "Handling times", tuple(q for q, _, _ in _TIMES.values()), of_machines)
