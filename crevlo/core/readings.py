"""Repeat readings of one feature combined into an estimate (GUM, type A and type B)."""

import math
from collections.abc import Sequence

from crevlo.core.estimate import BadInput, Estimate, NotDetermined, effective_dof

# Linear thermal expansion of common printing plastics is near 70e-6 per kelvin.
PLASTIC_EXPANSION_PER_K = 70e-6


def combine_readings(
    readings_mm: Sequence[float],
    *,
    resolution_mm: float,
    u_calibration_mm: float,
    repeatability_mm: float | None = None,
    repeatability_dof: float = math.inf,
    uncorrected_kelvin: float = 0.0,
    expansion_per_k: float = PLASTIC_EXPANSION_PER_K,
) -> Estimate:
    """Mean of the readings in mm with u² = s²/n + r²/12 + u_cal² + (α·L·ΔT)².

    One reading takes `repeatability_mm` (the pooled s of the same feature kind and instrument, with its
    degrees of freedom, or the instrument's stated repeatability) in place of s. Degrees of freedom by
    Welch–Satterthwaite from the s term. Raises BadInput for values that are not numbers, NotDetermined
    without readings or where a single reading has no repeatability to lean on. Source: GUM 4.2, 4.3, G.4.
    """
    n = len(readings_mm)
    if n == 0:
        raise NotDetermined("at least one reading")
    if not all(map(math.isfinite, (*readings_mm, resolution_mm, u_calibration_mm, uncorrected_kelvin))):
        raise BadInput("a reading is not a finite number")
    if resolution_mm < 0 or u_calibration_mm < 0:
        raise BadInput("resolution and calibration uncertainty cannot be negative")
    mean = math.fsum(readings_mm) / n
    if n > 1:
        variance, s_dof = math.fsum((x - mean) ** 2 for x in readings_mm) / (n - 1), float(n - 1)
    elif repeatability_mm is None:
        raise NotDetermined("a second reading, or the instrument's repeatability")
    else:
        variance, s_dof = repeatability_mm**2, repeatability_dof
    scatter = variance / n
    thermal = expansion_per_k * mean * uncorrected_kelvin
    u2 = scatter + resolution_mm**2 / 12 + u_calibration_mm**2 + thermal**2
    return Estimate(mean, math.sqrt(u2), effective_dof(u2, scatter, s_dof))


def pool_scatter(groups: Sequence[Sequence[float]]) -> tuple[float, int]:
    """Pooled standard deviation within groups of repeats and its degrees of freedom.

    Raises NotDetermined when no group has two readings.
    """
    dof = sum(len(group) - 1 for group in groups if group)
    if dof <= 0:
        raise NotDetermined("two readings of the same feature")
    total = 0.0
    for group in groups:
        mean = math.fsum(group) / len(group) if group else 0.0
        total += math.fsum((x - mean) ** 2 for x in group)
    return math.sqrt(total / dof), dof
