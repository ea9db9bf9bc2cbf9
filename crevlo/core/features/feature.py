"""What is measured or judged on an artifact."""

from dataclasses import dataclass, replace
from enum import StrEnum

Point = tuple[float, float, float]


class Kind(StrEnum):
    """Codes of the kinds of features; how each is entered stands in its own file."""

    LENGTH = "length"  # an outside or inside size along an axis
    DIAGONAL = "diagonal"  # an outside size across corners, for squareness
    THICKNESS = "thickness"  # a thin wall or sheet
    GAP = "gap"  # space between two bodies that should come free
    PILLAR = "pillar"  # a thin post that should stand
    SPAN = "span"  # a bridge between two supports
    OVERHANG = "overhang"  # an underside leaning from the vertical, in degrees
    DISTANCE = "distance"  # free travel between posts, where ooze shows
    LOOK = "look"  # a face to judge against anchors
    LIFT = "lift"  # a corner that should lie flat


@dataclass(frozen=True, slots=True)
class Feature:
    """One thing to measure or judge.

    `ends` are the two points on the surface it runs between, where they are known; `sense` says what lies between them: +1 material,
    −1 air, 0 neither (a face to look at). `nominal` is in `unit`, mm or °.
    """

    code: str
    kind: Kind
    axis: str
    sense: int
    nominal: float
    method: str
    ends: tuple[Point, Point] | None
    unit: str = "mm"

    def moved(self, x: float, y: float) -> "Feature":
        """The same feature with its ends shifted on the plate."""
        if self.ends is None:
            return self
        (x0, y0, z0), (x1, y1, z1) = self.ends
        return replace(self, ends=((x0 + x, y0 + y, z0), (x1 + x, y1 + y, z1)))
