"""What is left on a spool, and how even its filament is."""

import math
from collections.abc import Sequence
from dataclasses import dataclass

from crevlo.core.estimate import BadInput, NotDetermined


@dataclass(frozen=True, slots=True)
class DiameterSpread:
    """Diameters measured along a filament in mm: mean, standard deviation, range; and the share by which extruded volume
    strays with it (twice the relative deviation, as volume goes with the square)."""

    places: int
    mean_mm: float
    deviation_mm: float
    lowest_mm: float
    highest_mm: float

    @property
    def volume_spread(self) -> float:
        return 2 * self.deviation_mm / self.mean_mm


def diameter_spread(diameters_mm: Sequence[float]) -> DiameterSpread:
    """Raises NotDetermined with fewer than three places, BadInput for a diameter that is no filament's."""
    if any(not 0.5 < d < 5 for d in diameters_mm):
        raise BadInput("a filament diameter lies between 0.5 and 5 mm")
    n = len(diameters_mm)
    if n < 3:
        raise NotDetermined("diameters at three places or more")
    mean = math.fsum(diameters_mm) / n
    deviation = math.sqrt(math.fsum((d - mean) ** 2 for d in diameters_mm) / (n - 1))
    return DiameterSpread(n, mean, deviation, min(diameters_mm), max(diameters_mm))


def mass_left_g(gross_g: float, empty_g: float | None) -> float:
    """Filament left by weighing the spool. Raises NotDetermined without the empty spool's mass."""
    if empty_g is None:
        raise NotDetermined("the mass of the empty spool")
    if gross_g < empty_g:
        raise BadInput(f"the spool weighs {gross_g:g} g, less than empty ({empty_g:g} g)")
    return gross_g - empty_g
