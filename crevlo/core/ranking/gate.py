"""Gates: must-haves that leave a machine out, with the reason shown."""

import math
from dataclasses import dataclass
from enum import StrEnum

import numpy as np
from scipy.special import betainc, ndtr, stdtr

from crevlo.core.artifacts.fit import Bed, longest_flat
from crevlo.core.estimate import Estimate, NotDetermined
from crevlo.core.figure import Composed, Counted, Draws, Spread


class GateKind(StrEnum):
    PRICE = "price"  # at most, all in
    NOISE = "noise"  # at most, dB at 1 m, in a state of the machine
    LENGTH = "length"  # longest part that must fit flat, mm
    SAFETY = "safety"  # safety checks passed
    SUCCESS = "success"  # at least, share of good prints
    MATERIAL = "material"  # must have come out in this material
    ENCLOSURE = "enclosure"  # encloses its print
    TOOLS = "tools"  # at least so many
    FIGURE = "figure"  # any figure above or below a limit


class Standing(StrEnum):
    PASSES = "passes"
    FAILS = "fails"
    OPEN = "open"  # not determined yet


# Surer than this needs no words.
CERTAIN = 0.975


@dataclass(frozen=True, slots=True)
class Judged:
    """Where one machine stands at one gate, the reason in words, and how sure the readings make that (0 to 1)."""

    standing: Standing
    reason: str
    certainty: float = 1.0

    @property
    def is_close(self) -> bool:
        return self.certainty < CERTAIN


def judge_limit(
    what: str,
    figure: Estimate | Spread | Composed | NotDetermined,
    limit: float,
    unit: str,
    digits: int = 0,
    *,
    at_least: bool = False,
) -> Judged:
    """Passes at or within the limit, by its value; how sure that is follows from the figure's own uncertainty."""
    if isinstance(figure, NotDetermined):
        return Judged(Standing.OPEN, f"{what} not determined: needs {figure.needs}")
    passes = figure.value >= limit if at_least else figure.value <= limit
    chance = _chance_at_most(figure, limit)
    sure = chance if (figure.value <= limit) else 1 - chance
    # Enough digits that a figure beyond the limit never reads as the limit.
    while not passes and digits < 3 and f"{figure.value:.{digits}f}" == f"{limit:.{digits}f}":
        digits += 1
    text = f"{what} {figure.value:.{digits}f} {unit}, limit {limit:.{digits}f}"
    return _judged(passes, text, sure)


def judge_material(material: str, good: int, tries: int) -> Judged:
    """Whether the machine has brought out a part in that material; open until it has been tried."""
    if good:
        return Judged(Standing.PASSES, f"{material}: {good} of {tries} prints came out")
    if tries:
        return Judged(Standing.FAILS, f"{material}: none of {tries} prints came out")
    return Judged(Standing.OPEN, f"{material} not determined: needs a print of it")


def judge_success(counted: Counted, least: float, what: str = "attempts") -> Judged:
    """Passes when at least that share of the attempts came out good; how sure follows from Beta(good + ½, failed + ½)."""
    if not counted.tries:
        return Judged(Standing.OPEN, "success not determined: needs a finished attempt")
    passes = counted.good / counted.tries >= least
    below = float(betainc(counted.good + 0.5, counted.tries - counted.good + 0.5, least))
    text = f"{counted.good} of {counted.tries} {what} good, wanted {100 * least:.0f} %"
    return _judged(passes, text, 1 - below if passes else below)


def _judged(passes: bool, text: str, sure: float) -> Judged:
    """The reason says how sure it is wherever the readings leave doubt."""
    verb = "passes" if passes else "fails"
    note = f" ({verb}, {100 * sure:.0f} % sure)" if sure < CERTAIN else ""
    return Judged(Standing.PASSES if passes else Standing.FAILS, text + note, sure)


def _chance_at_most(figure: Estimate | Spread | Composed, limit: float) -> float:
    if isinstance(figure, Spread | Composed):
        drawn = Draws(20_000, np.random.default_rng(11)).of(figure, "one", "it")
        return float(np.mean(drawn <= limit))
    if figure.u == 0:
        return float(figure.value <= limit)
    off = (limit - figure.value) / figure.u
    return float(stdtr(figure.dof, off) if math.isfinite(figure.dof) else ndtr(off))


def judge_fits_flat(bed: Bed, length_mm: float) -> Judged:
    """Whether a narrow part of that length lies flat on the bed, by its own shape and off the areas kept free."""
    longest = longest_flat(bed)
    words = f"bed {bed.words}, part {length_mm:.0f} mm"
    if length_mm > longest:
        return Judged(Standing.FAILS, f"{words}; at most {longest:.0f} mm lie flat")
    across = not bed.is_round and length_mm > max(bed.x, bed.y)
    return Judged(Standing.PASSES, f"{words}: fits only across the diagonal" if across else words)
