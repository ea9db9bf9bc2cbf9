"""What an artifact is: bodies, the features to measure or judge on them, and parameters with limits."""

from collections.abc import Callable, Mapping
from dataclasses import dataclass, field
from enum import StrEnum

from manifold3d import Manifold

from crevlo.core.estimate import BadInput

Point = tuple[float, float, float]


class Kind(StrEnum):
    """What a feature asks for."""

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

    `ends` are the two points on the surface it runs between; `sense` says what lies between them: +1 material,
    −1 air, 0 neither (a face to look at). `nominal` is in `unit`, mm or °.
    """

    code: str
    kind: Kind
    axis: str
    sense: int
    nominal: float
    method: str
    ends: tuple[Point, Point]
    unit: str = "mm"


@dataclass(frozen=True, slots=True)
class Body:
    """One closed solid and the tool (0, 1) that prints it."""

    solid: Manifold
    tool: int = 0


@dataclass(frozen=True, slots=True)
class Parameter:
    """A size that may be chosen within limits; another value makes another version."""

    name: str
    label: str
    unit: str
    usual: float
    least: float
    most: float


@dataclass(frozen=True, slots=True)
class Artifact:
    """A standard test print as built from its parameters."""

    code: str
    name: str
    bodies: tuple[Body, ...]
    features: tuple[Feature, ...]
    isolates: str
    isolates_not: str
    note: str
    values: Mapping[str, float] = field(default_factory=dict)

    @property
    def volume_mm3(self) -> float:
        return float(sum(body.solid.volume() for body in self.bodies))

    @property
    def size_mm(self) -> Point:
        """Extent along X, Y, Z."""
        boxes = [body.solid.bounding_box() for body in self.bodies]
        x, y, z = (max(b[i + 3] for b in boxes) - min(b[i] for b in boxes) for i in range(3))
        return float(x), float(y), float(z)


@dataclass(frozen=True, slots=True)
class Design:
    """How an artifact is made: its parameters and the rule that builds it."""

    code: str
    name: str
    parameters: tuple[Parameter, ...]
    make: Callable[[Mapping[str, float]], Artifact]

    def build(self, given: Mapping[str, float] | None = None) -> Artifact:
        """The artifact with the usual sizes, changed by `given`. Raises BadInput for unknown names or sizes out of limits."""
        values = {p.name: p.usual for p in self.parameters}
        for name, value in (given or {}).items():
            parameter = next((p for p in self.parameters if p.name == name), None)
            if parameter is None:
                raise BadInput(f"the {self.name.lower()} has no size called {name}")
            if not parameter.least <= value <= parameter.most:
                raise BadInput(
                    f"{parameter.label.lower()} runs from {parameter.least:g} to {parameter.most:g} {parameter.unit}, "
                    f"not {value:g}"
                )
            values[name] = float(value)
        return self.make(values)
