"""Why a machine cannot print something: an outcome of its own, not a failure of a try."""

from enum import StrEnum


class Because(StrEnum):
    MAKER = "maker"
    BED = "bed"
    EXTRUDER = "extruder"
    TRIES = "tries"
    OTHER = "other"


WORDS = {
    Because.MAKER: "its maker rules it out",
    Because.BED: "its bed does not get hot enough",
    Because.EXTRUDER: "the filament escapes the extruder",
    Because.TRIES: "every try failed",
    Because.OTHER: "",
}


def reason(because: Because, words: str) -> str:
    """The reason as a part of a sentence, with what was added in words."""
    told = [part for part in (WORDS[because], words.strip().rstrip(".")) if part]
    return ": ".join(told)
