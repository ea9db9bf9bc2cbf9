"""Repeat readings of one feature combined into an estimate (GUM, type A and type B)."""

import math
from collections import defaultdict
from collections.abc import Mapping, Sequence

from crevlo.core.estimate import BadInput, Estimate, NotDetermined
from crevlo.core.evidence import Instrument, Key, Reading, Specimen
from crevlo.core.statistics import effective_dof, pool_scatter

# Below so many degrees of freedom the pooled repeats of a specimen say less than the instrument's own repeatability.
_ENOUGH_DOF = 5

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


def feature_estimates(
    specimen: Specimen, instruments: Mapping[Key, Instrument], *, calibration: bool = True
) -> dict[str, Estimate | NotDetermined]:
    """Mean of each feature that was read, by code, in the feature's unit; without the instruments' `calibration` its own
    part only. One reading alone takes the pooled repeats of the specimen, or the instrument's repeatability, for s."""
    grouped: dict[str, list[Reading]] = defaultdict(list)
    for reading in specimen.readings:
        if reading.value is not None:
            grouped[reading.feature].append(reading)
    try:
        pooled, pooled_dof = pool_scatter([[r.value or 0.0 for r in group] for group in grouped.values()])
    except NotDetermined:
        pooled, pooled_dof = 0.0, 0
    found: dict[str, Estimate | NotDetermined] = {}
    for code, group in grouped.items():
        instrument = instruments[group[0].instrument]
        enough = pooled_dof >= _ENOUGH_DOF
        try:
            found[code] = combine_readings(
                [r.value for r in group if r.value is not None],
                resolution_mm=instrument.resolution,
                u_calibration_mm=instrument.u_calibration if calibration else 0.0,
                repeatability_mm=pooled if enough else instrument.repeatability,
                repeatability_dof=float(pooled_dof) if enough else math.inf,
            )
        except NotDetermined as missing:
            found[code] = missing
    return found
