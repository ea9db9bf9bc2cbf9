"""Isometric line drawing of an artifact, from the same definition as its features."""

import math
from dataclasses import dataclass

from crevlo.core.artifacts.solid import Artifact, Box, Point

Flat = tuple[float, float]
_COS30, _SIN30 = math.cos(math.radians(30)), 0.5
_HOLE_POINTS = 48


@dataclass(frozen=True, slots=True)
class Face:
    """A visible face: what it is, and its outline in drawing units (mm on paper, y down)."""

    kind: str
    outline: tuple[Flat, ...]


@dataclass(frozen=True, slots=True)
class Callout:
    """Where a feature's two ends lie and where its label stands."""

    code: str
    ends: tuple[Flat, Flat]
    label: Flat
    anchor: str


@dataclass(frozen=True, slots=True)
class Drawing:
    """Faces from back to front, callouts, and the box that holds them: x, y, width, height."""

    faces: tuple[Face, ...]
    callouts: tuple[Callout, ...]
    view: tuple[float, float, float, float]


def project(point: Point) -> Flat:
    """Isometric projection seen from the front right: X runs down to the right, Y up to the right, Z up."""
    x, y, z = point
    return ((x + y) * _COS30, (x - y) * _SIN30 - z)


def isometric(artifact: Artifact) -> Drawing:
    """Draws a stack of boxes with the lowest first, each a left face, a right face and a top."""
    faces: list[Face] = []
    for box in sorted(artifact.boxes, key=lambda b: b.z0):
        faces += _box_faces(box)
    if artifact.hole:
        h = artifact.hole
        turn = [2 * math.pi * i / _HOLE_POINTS for i in range(_HOLE_POINTS)]
        ring = tuple(project((h.x + h.radius * math.cos(a), h.y + h.radius * math.sin(a), h.top)) for a in turn)
        faces.append(Face("hole", ring))
    points = [p for face in faces for p in face.outline]
    crown = min(p[1] for p in points)
    callouts = tuple(_callout(f.code, f.ends, crown) for f in artifact.features)
    margin = 18.0
    left, right = min(p[0] for p in points) - margin, max(p[0] for p in points) + margin
    top, bottom = crown - 8, max(p[1] for p in points) + 6
    return Drawing(tuple(faces), callouts, (left, top, right - left, bottom - top))


def _box_faces(b: Box) -> list[Face]:
    front = ((b.x0, b.y0, b.z0), (b.x1, b.y0, b.z0), (b.x1, b.y0, b.z1), (b.x0, b.y0, b.z1))
    side = ((b.x1, b.y0, b.z0), (b.x1, b.y1, b.z0), (b.x1, b.y1, b.z1), (b.x1, b.y0, b.z1))
    top = ((b.x0, b.y0, b.z1), (b.x1, b.y0, b.z1), (b.x1, b.y1, b.z1), (b.x0, b.y1, b.z1))
    return [
        Face("front", tuple(project(p) for p in front)),
        Face("side", tuple(project(p) for p in side)),
        Face("top", tuple(project(p) for p in top)),
    ]


def _callout(code: str, ends: tuple[Point, Point], crown: float) -> Callout:
    """Labels stand clear of the edges: X left of the part, Y right of it, Z on the right face, holes above `crown`."""
    a, b = project(ends[0]), project(ends[1])
    if code.startswith("X"):
        return Callout(code, (a, b), (a[0] - 2, a[1] + 4), "end")
    if code.startswith("Y"):
        return Callout(code, (a, b), (b[0] + 2, b[1] + 4), "start")
    if code.startswith("Z"):
        return Callout(code, (a, b), (b[0] + 1, b[1] + 4.5), "start")
    left = code.endswith("X")
    return Callout(code, (a, b), (-1.5 if left else 1.5, crown - 2), "end" if left else "start")
