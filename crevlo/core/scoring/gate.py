"""Gates: must-haves that leave a machine out, with the reason shown."""

from dataclasses import dataclass
from enum import StrEnum

from crevlo.core.artifacts.fit import Bed, longest_flat
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


def judge_fits_flat(bed: Bed, length_mm: float) -> Judged:
    """Whether a narrow part of that length lies flat on the bed, by its own shape and off the areas kept free."""
    longest = longest_flat(bed)
    words = f"bed {bed.words}, part {length_mm:.0f} mm"
    if length_mm > longest:
        return Judged(Standing.FAILS, f"{words}; at most {longest:.0f} mm lie flat")
    across = not bed.is_round and length_mm > max(bed.x, bed.y)
    return Judged(Standing.PASSES, f"{words}: fits only across the diagonal" if across else words)
