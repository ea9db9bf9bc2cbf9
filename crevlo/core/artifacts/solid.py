"""What an artifact is made of: boxes, a hole, and the features to measure on it."""

import math
from dataclasses import dataclass

Point = tuple[float, float, float]


@dataclass(frozen=True, slots=True)
class Box:
    """Axis-aligned box in mm."""

    x0: float
    x1: float
    y0: float
    y1: float
    z0: float
    z1: float


@dataclass(frozen=True, slots=True)
class Hole:
    """Vertical round hole, open at height `top` (mm)."""

    x: float
    y: float
    radius: float
    top: float


@dataclass(frozen=True, slots=True)
class Feature:
    """One length to measure: axis, sense (+1 outside, −1 inside), nominal in mm and where its ends lie."""

    code: str
    axis: str
    sense: int
    nominal_mm: float
    method: str
    ends: tuple[Point, Point]


@dataclass(frozen=True, slots=True)
class Artifact:
    """A standard test print: solid, features, and what it isolates."""

    code: str
    name: str
    boxes: tuple[Box, ...]
    hole: Hole | None
    features: tuple[Feature, ...]
    note: str
    isolates: str


def volume_mm3(artifact: Artifact) -> float:
    """Volume of stacked boxes less the through hole, in mm³."""
    solid = sum((b.x1 - b.x0) * (b.y1 - b.y0) * (b.z1 - b.z0) for b in artifact.boxes)
    hole = artifact.hole
    return solid - (math.pi * hole.radius**2 * hole.top if hole else 0.0)
