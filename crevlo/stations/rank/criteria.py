"""Criteria of a study: what is told, by its code, with what a new scheme begins with."""

from enum import StrEnum

from pydantic import Field

from crevlo.core.evaluations import QUANTITIES
from crevlo.core.evaluations.evaluation import Better, Quantity, Rests
from crevlo.stations.kit.shape import Shape

# What every new study is scored by until its people choose.
USUAL = ("off.mean", "repeatability", "defects", "success", "time", "cost", "energy", "noise")
# What can be a criterion: all that ranks.
BY_CODE: dict[str, Quantity] = {code: q for code, q in QUANTITIES.items() if q.better is not Better.NONE}


class Anchor(Shape):
    """A raw figure and what it is worth, 0 to 100."""

    raw: float = Field(gt=-1e9, lt=1e9)
    value: float = Field(ge=0, le=100)


def anchors_of(points: list[list[float]]) -> list[Anchor]:
    return [Anchor(raw=raw, value=value) for raw, value in points]


def unit_of(code: str, currency: str) -> str:
    unit = BY_CODE[code].unit
    return currency if unit == "money" else unit


class CriterionGroup(StrEnum):
    """What a criterion is about: what comes out, how the machine is to work with, or money."""

    PIECES = "pieces"
    WORKING = "working"
    MONEY = "money"


def group_of(code: str) -> CriterionGroup:
    kind = BY_CODE[code]
    if kind.unit == "money":
        return CriterionGroup.MONEY
    return (
        CriterionGroup.PIECES if kind.rests in (Rests.READINGS, Rests.SCORES, Rests.DUELS) else CriterionGroup.WORKING
    )
