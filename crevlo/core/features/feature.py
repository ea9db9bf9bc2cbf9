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
    UNDER = "under"  # whether a gauge goes under a corner
    SAG = "sag"  # how far the middle of a bridge hangs
    WIDTH = "width"  # the width at a marked height
    WAVES = "waves"  # distance over n waves after a corner
    WAVE_HEIGHT = "wave height"  # heights of successive waves
    MASS = "mass"  # what a piece weighs
    WASTE = "waste"  # what n changes of colour leave behind
    STRINGS_MASS = "strings"  # what strings weigh that were pulled off
    SECONDS = "seconds"  # time by hand
    CHANGE_SECONDS = "change seconds"  # time of n changes of colour
    FIT = "fit"  # how two parts go together
    TRIES = "tries"  # how often until it closes
    FORCE = "force"  # what it takes to close
    SEAM = "seam"  # where layers begin and end
    BLEED = "bleed"  # colour where another should be
    SCAR = "scar"  # what supports left


@dataclass(frozen=True, slots=True)
class Feature:
    """One thing to measure or judge.

    `ends` are the two points on the surface it runs between, where they are known; `sense` says what lies between them: +1 material,
    −1 air, 0 neither (a face to look at). `nominal` is in `unit`. `level` sets it apart from others of its kind: the speed of a
    band in mm/s, the flow of a piece in mm³/s, the height of a width or the span of a sag in mm.
    """

    code: str
    kind: Kind
    axis: str
    sense: int
    nominal: float
    method: str
    ends: tuple[Point, Point] | None
    unit: str = "mm"
    level: float | None = None

    def moved(self, x: float, y: float) -> "Feature":
        """The same feature with its ends shifted on the plate."""
        if self.ends is None:
            return self
        (x0, y0, z0), (x1, y1, z1) = self.ends
        return replace(self, ends=((x0 + x, y0 + y, z0), (x1 + x, y1 + y, z1)))
