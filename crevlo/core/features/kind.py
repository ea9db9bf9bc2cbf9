"""What a kind of feature asks of a person: how it is entered, in which unit, within which limits, with what."""

import math
from collections.abc import Mapping
from dataclasses import dataclass, field
from enum import StrEnum

from crevlo.core.estimate import BadInput


class Takes(StrEnum):
    """How what a feature tells is entered."""

    VALUE = "value"  # a number in the feature's unit, off an instrument
    VERDICT = "verdict"  # pass, fail, or partly with why
    COUNT = "count"  # how many
    LOOK = "look"  # 0 to 5 against anchors
    WORD = "word"  # one of an ordered list of words


class EntryWay(StrEnum):
    """How a screen asks for it."""

    CALIPER = "caliper"  # one number after another, faces shown on the drawing
    LADDER = "ladder"  # rungs in order of difficulty
    MAP = "map"  # places on the bed
    WAVES = "waves"  # a distance and over how many waves
    COLUMN = "column"  # widths along the height
    SCALE = "scale"  # a mass
    STOPWATCH = "stopwatch"  # a time by hand
    JUDGED = "judged"  # words, counts and looks


class Verdict(StrEnum):
    PASS = "pass"  # noqa: S105
    FAIL = "fail"
    PARTLY = "partly"


@dataclass(frozen=True, slots=True)
class FeatureKind:
    """One kind of feature. `far_off`: a reading further from nominal is more likely a slip than a part; None where any is.

    `usual_off`: what is usual for a part of this size, as a dial marks it. `words`: what may be said with a verdict, or in what
    order. `usually`: the verdict that goes with a word, where it is not partly. `looked_at`: whether a look of 0 to 5 may stand beside the value. `repeats`: how often it is read whatever the
    protocol asks. `over`: what a value is taken over (waves, changes), with their number. `series`: places are successive
    ones, not repeats. `optional`: a specimen is whole without it. `level`:
    what sets one apart from others of its kind, with its unit; empty where nothing has to.
    """

    code: str
    name: str
    takes: Takes
    instruments: tuple[str, ...] = ()
    digits: int = 2
    least: float = -1000.0
    most: float = 10000.0
    far_off: float | None = None
    usual_off: float | None = None
    words: tuple[str, ...] = ()
    usually: Mapping[str, Verdict] = field(default_factory=dict, hash=False)
    looked_at: bool = False
    entry: EntryWay = EntryWay.JUDGED
    unit: str = "mm"
    repeats: int | None = None
    over: str = ""
    series: bool = False
    optional: bool = False
    level: str = ""


def means(kind: FeatureKind, word: str) -> Verdict:
    """The verdict that usually goes with a word of a rung, as one key gives both."""
    return kind.usually.get(word, Verdict.PARTLY)


def check_value(kind: FeatureKind, value: float, nominal: float, unit: str, name: str, *, explained: bool) -> None:
    """Raises BadInput for a value that its kind cannot have, or one far from nominal that nobody `explained`."""
    if kind.takes is not Takes.VALUE:
        raise BadInput(f"{name} is judged, not measured: {_ASKS[kind.takes]}")
    if not (math.isfinite(value) and kind.least <= value <= kind.most):
        raise BadInput(f"{name} lies between {kind.least:g} and {kind.most:g} {unit}, not {value:g}")
    if kind.far_off is not None and abs(value - nominal) > kind.far_off and not explained:
        raise BadInput(
            f"{value:g} {unit} is {abs(value - nominal):.2f} {unit} from the nominal {nominal:g} {unit} of {name}. Measure "
            "again; if the part really is so, keep it with a note that says why."
        )


@dataclass(frozen=True, slots=True)
class Judged:
    """What a person says of a feature: a verdict with its word, a count, or a look; one of them."""

    takes: Takes
    amount: int | None = None
    verdict: Verdict | None = None
    word: str = ""


def places(kind: FeatureKind, repeats: int) -> int:
    """How often a feature of this kind is entered where the protocol asks for so many readings of a face."""
    return 1 if kind.takes is not Takes.VALUE else kind.repeats or repeats


# Readings of one face at most: what a protocol asks for, and those that narrow it.
MOST_READINGS = 10


def most_places(kind: FeatureKind, repeats: int) -> int:
    """How often it may be entered: a face can be read more often than asked, a place of a series or a judgement not."""
    return (
        MOST_READINGS
        if kind.takes is Takes.VALUE and not kind.series and kind.repeats is None
        else places(kind, repeats)
    )


# Over how many waves or changes one distance, mass or time is taken at most.
MOST_OVER = 1000


def check_over(kind: FeatureKind, value: float | None, over: int, name: str) -> None:
    """Raises BadInput where a value is over a number that its kind does not take. None of it at all is over 0 and 0 itself."""
    if not kind.over:
        if over != 1:
            raise BadInput(f"{name} is not taken over several")
        return
    if not 0 <= over <= MOST_OVER:
        raise BadInput(f"say over how many {kind.over}, up to {MOST_OVER}")
    if over == 0 and value != 0:
        raise BadInput(f"where there are no {kind.over}, the value of {name} is 0")
    if kind.entry is EntryWay.WAVES and over and value == 0:
        raise BadInput(f"{over} {kind.over} of {name} are not 0 mm apart; where there are none, say 0 {kind.over}")


def check_judgement(kind: FeatureKind, given: Judged, name: str) -> None:
    """Raises BadInput for a judgement that the kind does not take, or that is not whole."""
    if given.takes is not kind.takes and not (given.takes is Takes.LOOK and kind.looked_at):
        raise BadInput(f"{name} does not take a {given.takes.value}: {_ASKS[kind.takes]}")
    if given.takes is Takes.VERDICT:
        if given.verdict is None or given.amount is not None:
            raise BadInput(f"{name} passes, fails, or partly passes")
        if given.verdict is Verdict.PARTLY and not given.word:
            raise BadInput(f"say why {name} only partly passes")
        if given.word and given.word not in kind.words:
            raise BadInput(f"of {name} one can say {', '.join(kind.words)}")
        return
    if given.takes is Takes.WORD:
        known = dict(enumerate(kind.words))
        if given.verdict is not None or given.amount is None or known.get(given.amount) != given.word:
            raise BadInput(f"of {name} one can say {', '.join(kind.words)}")
        return
    if given.amount is None or given.verdict is not None or given.word:
        raise BadInput(f"{name} takes a number: {_ASKS[given.takes]}")
    most = 5 if given.takes is Takes.LOOK else 10_000
    if not 0 <= given.amount <= most:
        raise BadInput(f"a {given.takes.value} of {name} runs from 0 to {most}")


_ASKS = {
    Takes.VALUE: "it is read off an instrument",
    Takes.VERDICT: "does it pass, fail, or partly pass",
    Takes.COUNT: "how many are there",
    Takes.LOOK: "0 to 5 against the anchors",
    Takes.WORD: "which word fits",
}
