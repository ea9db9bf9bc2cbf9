"""Repeat readings of one feature combined into an estimate (GUM, type A and type B)."""

import math
from collections import defaultdict
from collections.abc import Mapping, Sequence

from crevlo.core.estimate import BadInput, Estimate, NotDetermined, effective_dof
from crevlo.core.evidence import STATED_DOF, Instrument, Key, Reading, Specimen
from crevlo.core.features import KINDS
from crevlo.core.statistics import scatter

# Linear thermal expansion of common printing plastics is near 70e-6 per kelvin.
PLASTIC_EXPANSION_PER_K = 70e-6


def combine_readings(
    readings_mm: Sequence[float],
    *,
    resolution_mm: float,
    u_calibration_mm: float,
    repeatability_mm: float | None = None,
    repeatability_dof: float = STATED_DOF,
    uncorrected_kelvin: float = 0.0,
    expansion_per_k: float = PLASTIC_EXPANSION_PER_K,
    calibration: str = "calibration",
    besides: Mapping[str, float] | None = None,
) -> Estimate:
    """Mean of the readings in mm with u² = s²/n + r²/12 + u_cal² + (α·L·ΔT)².

    s is pooled, for any number of readings, with what is known before: s² = (ν₀·s₀² + (n−1)·s²) / (ν₀ + n − 1), s₀ and ν₀ the
    `repeatability_mm` of the same kind of feature and instrument with its degrees of freedom (10 for a stated one). Degrees
    of freedom by Welch–Satterthwaite from the s term. u_cal is shared under the name of the `calibration`, as are other
    errors `besides` under theirs. Raises BadInput
    for values that are not numbers, NotDetermined without readings or where a single reading has nothing to lean on.
    Source: GUM 4.2, 4.3, G.4.
    """
    n = len(readings_mm)
    if n == 0:
        raise NotDetermined("at least one reading")
    if not all(map(math.isfinite, (*readings_mm, resolution_mm, u_calibration_mm, uncorrected_kelvin))):
        raise BadInput("a reading is not a finite number")
    if resolution_mm < 0 or u_calibration_mm < 0:
        raise BadInput("resolution and calibration uncertainty cannot be negative")
    mean = math.fsum(readings_mm) / n
    squares = math.fsum((x - mean) ** 2 for x in readings_mm)
    known_dof = repeatability_dof if repeatability_mm else 0.0
    if not n - 1 + known_dof > 0:
        raise NotDetermined("a second reading, or the instrument's repeatability")
    if math.isfinite(known_dof):
        s_dof = n - 1 + known_dof
        variance = (squares + known_dof * (repeatability_mm or 0.0) ** 2) / s_dof
    else:
        s_dof, variance = math.inf, (repeatability_mm or 0.0) ** 2
    scatter = variance / n
    thermal = expansion_per_k * mean * uncorrected_kelvin
    own2 = scatter + resolution_mm**2 / 12 + thermal**2
    shared = {source: u for source, u in {calibration: u_calibration_mm, **(besides or {})}.items() if u}
    u2 = own2 + math.fsum(u * u for u in shared.values())
    return Estimate(mean, math.sqrt(u2), effective_dof(u2, scatter, s_dof), shared)


def calibration_of(instrument: Instrument) -> str:
    """The name of the error that everything read with this instrument shares."""
    return f"{instrument.kind} {instrument.code} calibration"


def shared_by(instrument: Instrument) -> dict[str, float]:
    """By name the errors that everything read with it, and by the same hands, shares: standard uncertainties in its unit."""
    hands = f"hand of {instrument.hands} at the {instrument.kind} {instrument.code}"
    named = {calibration_of(instrument): instrument.u_calibration, hands: instrument.u_hands}
    return {source: u for source, u in named.items() if u}


def feature_estimates(
    specimen: Specimen, instruments: Mapping[Key, Instrument]
) -> dict[str, Estimate | NotDetermined]:
    """Mean of each feature that was read, by code, in the feature's unit; of several instruments the one used first.

    What readings share weighs by how many of them share it: of two people's half and half.

    s is pooled over the features of one kind and instrument, with the repeatability that the instrument states. Places of a
    series are no repeats: they are not here.
    """
    grouped: dict[str, list[Reading]] = defaultdict(list)
    for reading in specimen.readings:
        if reading.value is not None and not KINDS[specimen.features[reading.feature].kind].series:
            grouped[reading.feature].append(reading)
    own: dict[str, tuple[int, float]] = {}
    alike: dict[tuple[object, Key], list[str]] = defaultdict(list)
    for code, group in grouped.items():
        own[code] = scatter([r.value or 0.0 for r in group])
        alike[specimen.features[code].kind, group[0].instrument].append(code)
    found: dict[str, Estimate | NotDetermined] = {}
    for code, group in grouped.items():
        instrument = instruments[group[0].instrument]
        values = [r.value for r in group if r.value is not None]
        # Added up and not taken off the whole: of one reading gone wrong nothing else would be left of the others.
        besides = [own[c] for c in alike[specimen.features[code].kind, group[0].instrument] if c != code]
        others = sum(n for n, _ in besides), math.fsum(squares for _, squares in besides)
        # A distance over n waves is read once: of one wave its errors are an nth.
        over = max(1, min(r.over for r in group))
        s, dof = _repeatability(instrument, others if over == 1 else (0, 0.0))
        try:
            found[code] = combine_readings(
                values,
                resolution_mm=instrument.resolution / over,
                u_calibration_mm=0.0,
                repeatability_mm=s / over if s else s, repeatability_dof=dof,
                uncorrected_kelvin=math.fsum(r.kelvin for r in group) / len(group), besides=_shared(group, instruments, over),
            )  # fmt: skip
        except NotDetermined as missing:
            found[code] = missing
    return found


def _shared(group: Sequence[Reading], instruments: Mapping[Key, Instrument], over: int) -> dict[str, float]:
    total: dict[str, float] = defaultdict(float)
    for reading in group:
        for source, u in shared_by(instruments[reading.instrument]).items():
            total[source] += u / (over * len(group))
    return total


def _repeatability(instrument: Instrument, others: tuple[int, float]) -> tuple[float | None, float]:
    """s of a single reading and its dof, from the repeats of other features (dof, sum of squares) and what the instrument
    states."""
    dof, squares = others
    stated = instrument.repeatability_dof if instrument.repeatability else 0.0
    if not dof + stated:
        return None, 0.0
    return math.sqrt((squares + stated * instrument.repeatability**2) / (dof + stated)), dof + stated
