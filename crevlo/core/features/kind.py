"""What a kind of feature asks of a person: how it is entered, in which unit, within which limits, with what."""

import math
from dataclasses import dataclass
from enum import StrEnum

from crevlo.core.estimate import BadInput


class Takes(StrEnum):
    """How what a feature tells is entered."""

    VALUE = "value"  # a number in the feature's unit, off an instrument
    VERDICT = "verdict"  # pass, fail, or partly with why
    COUNT = "count"  # how many
    LOOK = "look"  # 0 to 5 against anchors


class Verdict(StrEnum):
    PASS = "pass"  # noqa: S105
    FAIL = "fail"
    PARTLY = "partly"


@dataclass(frozen=True, slots=True)
class FeatureKind:
    """One kind of feature. `far_off`: a reading further from nominal is more likely a slip than a part; None where any is.

    `usual_off`: what is usual for a part of this size, as a dial marks it. `words`: what may be said with a verdict.
    `looked_at`: whether a look of 0 to 5 may stand beside the value.
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
    looked_at: bool = False


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
}
