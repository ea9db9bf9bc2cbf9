"""Which face of a specimen to read again, how often and by whom, for the most that its U would shrink."""

import math
from collections.abc import Mapping
from dataclasses import dataclass

from crevlo.core.estimate import Estimate, effective_dof
from crevlo.core.evidence import Instrument, Key, Specimen
from crevlo.core.features import KINDS
from crevlo.core.features.kind import MOST_READINGS
from crevlo.core.readings import calibration_of, feature_estimates

# What is asked for shrinks U by a quarter at least; less is not worth a person's time.
_WORTH = 0.75


@dataclass(frozen=True, slots=True)
class Narrowing:
    """`more` readings of one face, by somebody else where `other`: its U now and, as expected, then, in its unit."""

    feature: str
    more: int
    other: bool
    now: float
    then: float
    unit: str

    @property
    def words(self) -> str:
        readings = "1 more reading" if self.more == 1 else f"{self.more} more readings"
        by = " by another person" if self.other else ""
        return (
            f"{readings} of {self.feature}{by} would bring its U from {self.now:.3f} to {self.then:.3f} {self.unit}."
        )


def say_day(days: int) -> str:
    """Where all readings of a face were taken on one day: what another would add; repeats of one sitting share how the
    instrument was zeroed and how warm the part was, which no spread of theirs tells. Source: GUM 4.2.7."""
    if days != 1:
        return ""
    return " All of them so far are of one day: taken on another, they tell besides what zeroing and holding it anew changes."


def narrowing(specimen: Specimen, instruments: Mapping[Key, Instrument]) -> Narrowing | None:
    """The face whose U would shrink most, by the fewest readings that are worth it; None where none would be.

    Repeats shrink the scatter alone, as 1/n, and make it surer; another person's share what people read apart. The
    calibration stays. Source: GUM 4.2.3, G.4.
    """
    found: list[Narrowing] = []
    for code, now in feature_estimates(specimen, instruments).items():
        group = [r for r in specimen.readings if r.feature == code and r.value is not None]
        if (
            not isinstance(now, Estimate)
            or KINDS[specimen.features[code].kind].series
            or any(r.over > 1 for r in group)
        ):
            continue
        n, instrument = len(group), instruments[group[0].instrument]
        fixed = instrument.resolution**2 / 12 + now.u_shared**2
        scatter = max(now.u**2 - fixed, 0.0)
        calibration = now.shared.get(calibration_of(instrument), 0.0) ** 2
        hands = max(now.u_shared**2 - calibration, 0.0)
        scatter_dof = now.dof * scatter**2 / now.u**4 if scatter and math.isfinite(now.dof) else math.inf
        for more in range(1, MOST_READINGS - n + 1):
            for other in (False, True) if hands else (False,):
                left = scatter * n / (n + more)
                # Of two people's readings each part weighs as often as they read.
                apart = hands * (n**2 + more**2) / (n + more) ** 2 if other else hands
                u2 = left + instrument.resolution**2 / 12 + calibration + apart
                then = Estimate(now.value, math.sqrt(u2), effective_dof(u2, left, scatter_dof + more))
                found.append(Narrowing(code, more, other, now.expanded, then.expanded, specimen.features[code].unit))
    worth = [f for f in found if f.then <= _WORTH * f.now]
    # The widest face first; of what helps it the fewest readings, and one's own before another's.
    return max(worth, key=lambda f: (f.now, -f.more, not f.other), default=None)
