"""Gates: must-haves that leave a machine out, with the reason shown."""

from dataclasses import dataclass
from enum import StrEnum

from crevlo.core.estimate import Estimate, NotDetermined


class GateKind(StrEnum):
    PRICE = "price"  # at most, all in
    NOISE = "noise"  # at most, dB at 1 m
    LENGTH = "length"  # longest part that must fit flat, mm
    SAFETY = "safety"  # safety checks passed
    SUCCESS = "success"  # at least, share of good first tries


class Standing(StrEnum):
    PASSES = "passes"
    FAILS = "fails"
    OPEN = "open"  # not determined yet


@dataclass(frozen=True, slots=True)
class Judged:
    """Where one machine stands at one gate, and the reason in words."""

    standing: Standing
    reason: str


def judge_at_most(what: str, figure: Estimate | NotDetermined, limit: float, unit: str, digits: int = 0) -> Judged:
    """Passes at or under the limit; a figure whose interval straddles the limit passes or fails by its value, said so."""
    if isinstance(figure, NotDetermined):
        return Judged(Standing.OPEN, f"{what} not determined: needs {figure.needs}")
    text = f"{figure.value:.{digits}f} {unit}, limit {limit:.{digits}f}"
    close = figure.low <= limit <= figure.high and figure.u > 0
    note = f" (± {figure.expanded:.1f}: too close to be sure)" if close else ""
    return Judged(Standing.PASSES if figure.value <= limit else Standing.FAILS, f"{what} {text}{note}")


def judge_fits_flat(bed_x_mm: float, bed_y_mm: float, length_mm: float, width_mm: float = 0.0) -> Judged:
    """Whether a flat part of length × width fits the bed, straight or turned."""
    straight = length_mm <= max(bed_x_mm, bed_y_mm) and width_mm <= min(bed_x_mm, bed_y_mm)
    diagonal = length_mm <= (bed_x_mm**2 + bed_y_mm**2) ** 0.5 - 2 * width_mm
    bed = f"bed {bed_x_mm:.0f} × {bed_y_mm:.0f} mm, part {length_mm:.0f} mm"
    if straight:
        return Judged(Standing.PASSES, bed)
    if diagonal:
        return Judged(Standing.PASSES, f"{bed}: fits only across the diagonal")
    return Judged(Standing.FAILS, bed)
