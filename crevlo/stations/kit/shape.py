"""Plain shapes that leave the stations, and the errors they raise."""

import re
from datetime import date, datetime
from typing import Annotated, Any

from pydantic import AfterValidator, BaseModel, BeforeValidator, ConfigDict, Field

from crevlo.core.estimate import NotDetermined
from crevlo.core.figure import Composed, Counted, Figure, Spread
from crevlo.core.success import success_chance


class Shape(BaseModel):
    model_config = ConfigDict(
        from_attributes=True, extra="forbid", json_schema_serialization_defaults_required=True, allow_inf_nan=False
    )


def _in_our_time(moment: Any) -> Any:
    if not 2000 <= moment.year < 2100:
        raise ValueError("a date between 2000 and 2099 is needed")
    return moment


# What people state: days and moments of this century, which every calendar here can reckon with.
_CENTURY = {"pattern": "^20"}
Moment = Annotated[datetime, AfterValidator(_in_our_time), Field(json_schema_extra=_CENTURY)]
Day = Annotated[date, AfterValidator(_in_our_time), Field(json_schema_extra=_CENTURY)]


_NOT_IN_LINE = re.compile(r"[\x00-\x1f\x7f-\x9f\u2028\u2029]")


def _one_line(words: Any) -> Any:
    if not isinstance(words, str):
        return words
    if _NOT_IN_LINE.search(words.strip()):
        raise ValueError("a name is one line, without tabs or other control characters")
    return words.strip()


# Of things and people: one line, without blanks around it.
Name = Annotated[str, BeforeValidator(_one_line)]
# The version of a row that its editor saw.
Version = Annotated[int, Field(ge=0, lt=2**31)]
# Of one study: what one request may name at most.
MOST_MACHINES = 500
# On one plate.
MOST_PARTS = 200
Money = Annotated[float, Field(ge=0, le=1e7)]
# By its three letters, as ISO 4217 has them.
Currency = Annotated[str, Field(pattern="^[A-Z]{3}$")]


class Refused(Exception):
    """The request makes no sense in the present state; the message says why in the user's words."""


class Missing(Exception):
    """There is no such thing, or none that this person may see."""


class TooMany(Exception):
    """Asked so often lately that the caller has to wait; the message says how long."""


class Conflict(Exception):
    """Somebody else changed the same thing first; `theirs` is what it is now."""

    def __init__(self, theirs: dict[str, Any]) -> None:
        super().__init__("Somebody changed this while you were editing. Both versions are shown; choose one.")
        self.theirs = theirs


class Choose(Exception):
    """What was asked for can be one of several: each with its value, its label and perhaps a picture (base 64, a JPEG)."""

    def __init__(self, question: str, choices: list[dict[str, str]]) -> None:
        super().__init__(question)
        self.choices = choices


class Quantity(Shape):
    """A figure to show: value with both ends of its 95 % interval, or what it needs; `words` as a person reads it."""

    value: float | None
    low: float | None = None
    high: float | None = None
    unit: str
    digits: int
    needs: str | None = None
    words: str


def quantity(figure: Figure, unit: str, digits: int) -> Quantity:
    if isinstance(figure, NotDetermined):
        return Quantity(value=None, unit=unit, digits=digits, needs=figure.needs, words="not determined")
    if isinstance(figure, Counted):
        # A chance has no even half width: it is the count with both ends.
        chance = success_chance(figure.good, figure.tries)
        low, high = 100 * chance.low, 100 * chance.high
        words = f"{figure.good} of {figure.tries} ({low:.0f} to {high:.0f} %)"
        return Quantity(value=100 * chance.mean, low=low, high=high, unit=unit, digits=digits, words=words)
    if isinstance(figure, Composed | Spread):
        words = f"{figure.value:.{digits}f} {unit}"
        if f"{figure.low:.{digits}f}" != f"{figure.high:.{digits}f}":
            words = f"{figure.value:.{digits}f} ({figure.low:.{digits}f} to {figure.high:.{digits}f}) {unit}"
        return Quantity(value=figure.value, low=figure.low, high=figure.high, unit=unit, digits=digits, words=words)
    words = f"{figure.value:.{digits}f} {unit}"
    if figure.expanded > 0:
        words = f"{figure.value:.{digits}f} ± {figure.expanded:.{digits}f} {unit}"
    return Quantity(value=figure.value, low=figure.low, high=figure.high, unit=unit, digits=digits, words=words)
