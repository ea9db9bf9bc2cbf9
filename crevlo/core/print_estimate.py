"""Time and filament of a print before it is sliced, from its solid; afterwards from the sliced file."""

import math
from dataclasses import dataclass

from crevlo.core.estimate import BadInput

# Mean rate over a whole print, travel included, at 0.2 mm layers from a 0.4 mm nozzle; sliced step blocks give 3.0 to
# 5.2 mm³/s. A thinner layer or narrower nozzle prints the same volume more slowly.
_USUAL_MM3_PER_S = 4.0
_PER_LAYER_S = 1.0
_LINE_PER_NOZZLE = 1.125
# Standard deviation of ln(actual / estimate): slicers and machines differ far more than sliced estimates do.
SPREAD_BY_VOLUME = 0.30
SPREAD_BY_FILE = 0.12


@dataclass(frozen=True, slots=True)
class Expected:
    """A print's time in s, the spread of its logarithm, and its filament in mm³."""

    seconds: float
    log_spread: float
    filament_mm3: float


def expected_print(
    volume_mm3: float,
    surface_mm2: float,
    height_mm: float,
    *,
    layer_height_mm: float = 0.2,
    walls: int = 2,
    nozzle_mm: float = 0.4,
    infill_percent: float = 15.0,
) -> Expected:
    """Walls follow the surface, the rest is filled by its share; no supports, brim or purge.

    Raises BadInput for sizes that are not above 0.
    """
    if min(volume_mm3, surface_mm2, height_mm, layer_height_mm, nozzle_mm) <= 0 or walls < 1:
        raise BadInput("volume, surface, height, layer height, nozzle and walls must be above 0")
    line = _LINE_PER_NOZZLE * nozzle_mm
    skin = min(volume_mm3, surface_mm2 * walls * line)
    filament = skin + (volume_mm3 - skin) * infill_percent / 100
    rate = _USUAL_MM3_PER_S * (layer_height_mm * line) / (0.2 * _LINE_PER_NOZZLE * 0.4)
    seconds = filament / rate + math.ceil(height_mm / layer_height_mm) * _PER_LAYER_S
    return Expected(seconds, SPREAD_BY_VOLUME, filament)
