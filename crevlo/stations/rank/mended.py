"""At which station a figure that is not known is mended."""

import re

from crevlo.core.evaluations import QUANTITIES
from crevlo.core.evaluations.evaluation import Rests

_STATION_OF = {
    Rests.READINGS: "measure", Rests.SCORES: "inspect", Rests.DUELS: "inspect", Rests.RUNS: "print", Rests.NOISE: "print",
    Rests.UNIT: "receive", Rests.SHEET: "receive", Rests.PEOPLE: "rank",
}  # fmt: skip
_NAMED = re.compile(r"\bat (Plan|Receive|Print|Measure|Inspect|Cost)\b")
_OF_PIECES = ("print", "measure", "inspect")


def mended_at(code: str, needs: str) -> str:
    """The station that what it needs names, or the one whose work the figure rests on."""
    named = _NAMED.search(needs)
    return named[1].lower() if named else _STATION_OF[QUANTITIES[code].rests]


def is_entered(code: str, needs: str) -> bool:
    """Whether no piece would tell it, but something that a person states."""
    return mended_at(code, needs) not in _OF_PIECES
