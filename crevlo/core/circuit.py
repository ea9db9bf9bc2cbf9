"""How many machines a circuit carries. A planning figure: continuous loads and wiring are for the local code and a
licensed electrician."""

import math
from dataclasses import dataclass

from crevlo.core.estimate import BadInput

# Of what a circuit is fused for, planning uses so much.
PLANNED_SHARE = 0.8


@dataclass(frozen=True, slots=True)
class Carried:
    """Machines on one circuit: all heating up at once; started one after another; and the W it is planned for."""

    all_at_once: int
    one_after_another: int
    limit_w: float


def carried(peak_w: float, steady_w: float, limit_w: float) -> Carried:
    """⌊limit/peak⌋, and the largest N with (N − 1)·steady + peak ≤ limit. Source: FORMULAS, Circuit.

    Raises BadInput for a peak under the steady power, or powers that are not above 0.
    """
    if not (0 < steady_w <= peak_w and limit_w > 0):
        raise BadInput(
            "a circuit's limit, the peak and the steady power are above 0, the peak at least the steady power"
        )
    # What adds up to the limit is carried, whatever the last binary digit says.
    room = limit_w * (1 + 1e-12)
    one_by_one = 0 if peak_w > room else 1 + math.floor((room - peak_w) / steady_w)
    return Carried(math.floor(room / peak_w), one_by_one, limit_w)


def planned_w(amps: float, volts: float, share: float = PLANNED_SHARE) -> float:
    """W that a circuit of so many A and V is planned for. Raises BadInput for a share that is not in 0..1."""
    if not (amps > 0 and volts > 0 and 0 < share <= 1):
        raise BadInput("amperes and volts are above 0, the planned share between 0 and 1")
    return amps * volts * share
