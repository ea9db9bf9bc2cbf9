"""Tolerance grades after ISO 286-1."""

import math
from bisect import bisect_left
from collections.abc import Sequence

from crevlo.core.estimate import BadInput, NotDetermined

_RANGE_ENDS_MM = (1, 3, 6, 10, 18, 30, 50, 80, 120, 180, 250, 315, 400, 500)
_MULTIPLES = {
    5: 7,
    6: 10,
    7: 16,
    8: 25,
    9: 40,
    10: 64,
    11: 100,
    12: 160,
    13: 250,
    14: 400,
    15: 640,
    16: 1000,
    17: 1600,
    18: 2500,
}


def tolerance_mm(nominal_mm: float, grade: int) -> float:
    """Standard tolerance IT `grade` in mm for a nominal size up to 500 mm. Source: ISO 286-1, 4.1."""
    if not 0 < nominal_mm <= _RANGE_ENDS_MM[-1]:
        raise BadInput(f"tolerance grades cover sizes above 0 up to 500 mm, not {nominal_mm:g} mm")
    end = max(1, bisect_left(_RANGE_ENDS_MM, nominal_mm))
    size: float = math.sqrt(_RANGE_ENDS_MM[end - 1] * _RANGE_ENDS_MM[end])
    unit_um: float = 0.45 * size ** (1 / 3) + 0.001 * size
    return _MULTIPLES[grade] * unit_um / 1000


def feature_grade(nominal_mm: float, deviation_mm: float) -> int:
    """Smallest IT grade whose tolerance is at least twice the absolute deviation.

    Raises NotDetermined where even IT18 is too fine.
    """
    for grade in _MULTIPLES:
        if tolerance_mm(nominal_mm, grade) >= 2 * abs(deviation_mm):
            return grade
    raise NotDetermined(f"a deviation within IT18, {deviation_mm:+.3f} mm on {nominal_mm:g} mm is coarser")


def machine_grade(features: Sequence[tuple[float, float]], share: float = 0.95) -> int:
    """The grade that `share` of (nominal, deviation) pairs in mm meet; NotDetermined without features."""
    if not features:
        raise NotDetermined("at least one measured feature")
    grades = []
    for nominal, deviation in features:
        try:
            grades.append(float(feature_grade(nominal, deviation)))
        except NotDetermined:
            grades.append(math.inf)
    reached = sorted(grades)[math.ceil(share * len(grades) - 1e-9) - 1]
    if math.isinf(reached):
        raise NotDetermined(f"{100 * share:.0f} % of the features within IT18")
    return int(reached)
