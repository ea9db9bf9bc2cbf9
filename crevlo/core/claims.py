"""What a maker claims of a machine, set against what was measured."""

import math
from dataclasses import dataclass
from enum import StrEnum

from crevlo.core.estimate import Estimate, NotDetermined


class ClaimKind(StrEnum):
    SPEED = "top speed"
    FLOW = "flow"
    NOISE = "noise"
    BED_X = "printable width"
    BED_Y = "printable depth"
    HEIGHT = "printable height"
    NOZZLE = "nozzle temperature"
    BED = "bed temperature"
    WARM_UP = "warm-up time"
    WEIGHT = "weight"
    WARRANTY = "warranty"
    ACCURACY = "accuracy"  # mean deviation of faces
    OTHER = "other"  # brings its own name and unit


UNITS = {
    ClaimKind.SPEED: "mm/s", ClaimKind.FLOW: "mm³/s", ClaimKind.NOISE: "dB", ClaimKind.BED_X: "mm", ClaimKind.BED_Y: "mm",
    ClaimKind.HEIGHT: "mm", ClaimKind.NOZZLE: "°C", ClaimKind.BED: "°C", ClaimKind.WARM_UP: "s", ClaimKind.WEIGHT: "kg",
    ClaimKind.WARRANTY: "months", ClaimKind.ACCURACY: "mm",
}  # fmt: skip
# Of these less is better; of the others more.
_LESS = {ClaimKind.NOISE, ClaimKind.WARM_UP, ClaimKind.WEIGHT, ClaimKind.ACCURACY}
_WORSE = {
    ClaimKind.NOISE: "louder", ClaimKind.WARM_UP: "slower", ClaimKind.WEIGHT: "heavier", ClaimKind.SPEED: "slower",
}  # fmt: skip
_DIGITS = {"mm/s": 0, "mm³/s": 1, "dB": 1, "mm": 1, "°C": 0, "s": 0, "kg": 2, "months": 0}


@dataclass(frozen=True, slots=True)
class Against:
    """A claim against its measurement: by how much it falls short (above 0 where the machine is worse than claimed), whether
    that is more than the measuring can be wrong by, and a sentence."""

    short_by: float | None
    holds: bool | None
    words: str


@dataclass(frozen=True, slots=True)
class Once:
    """A figure measured a single time, by nobody knows how well."""

    value: float


def against(
    kind: ClaimKind, claimed: float, measured: Estimate | Once | NotDetermined, *, unit: str = "",
    less_is_better: bool = False, where: str = "",
) -> Against:  # fmt: skip
    """Sets a claim against an estimate in the same unit; a difference within U is none.

    A claim of no listed kind brings its unit and whether less is better; `where` says in what state it was measured.
    """
    unit = UNITS.get(kind, unit)
    digits = 3 if kind is ClaimKind.ACCURACY else _DIGITS[unit] if kind in UNITS else _digits(claimed)
    said = f"{claimed:.{digits}f} {unit}".strip()
    where = f" ({where})" if where else ""
    if kind is ClaimKind.WARRANTY:
        return Against(None, None, f"Promised for {said}; nothing to measure.")
    if isinstance(measured, NotDetermined):
        return Against(None, None, f"Claimed {said}; not determined: needs {measured.needs}.")
    less = kind in _LESS or less_is_better
    short = measured.value - claimed if less else claimed - measured.value
    word = _WORSE.get(kind, "more" if less else "short")
    share = "" if unit in ("dB", "°C") or claimed == 0 else f", {100 * abs(short) / claimed:.0f} % of the claim"
    if isinstance(measured, Once):
        found = f"{measured.value:.{digits}f} {unit}".strip() + where
        by = (
            "as claimed" if short == 0 else f"{abs(short):.{digits}f} {unit} {word if short > 0 else 'better'}{share}"
        )
        return Against(
            short, None, f"Claimed {said}, measured {found} once: {by}. Measure again to know how sure that is."
        )
    expanded = measured.expanded
    found = f"{measured.value:.{digits}f} ± {expanded:.{digits}f} {unit}".strip() + where
    if abs(short) <= expanded:
        return Against(short, True, f"Claimed {said}, measured {found}: as claimed, within the uncertainty.")
    if short < 0:
        return Against(
            short, True, f"Claimed {said}, measured {found}: better than claimed by {-short:.{digits}f} {unit}."
        )
    return Against(short, False, f"Claimed {said}, measured {found}: {short:.{digits}f} {unit} {word}{share}.")


def _digits(value: float) -> int:
    """Places after the point that show three digits of a number."""
    return 0 if value == 0 else max(0, min(4, 2 - math.floor(math.log10(abs(value)))))
