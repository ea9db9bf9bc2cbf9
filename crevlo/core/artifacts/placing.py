"""Features placed on a mesh by its faces: what lies between two of them, along which axis, and how far."""

import math

import numpy as np

from crevlo.core.estimate import BadInput
from crevlo.core.features.feature import Feature, Kind, Point

# Faces within this angle count as parallel, or as square to an axis.
_PARALLEL_DEG = 0.5
_SAME_PLANE_MM = 0.01
_CALIPER_MM = 0.01


def between(corners: np.ndarray, first: int, second: int, code: str) -> Feature:
    """The feature between the flat faces that hold triangles `first` and `second` of `corners` (m, 3, 3).

    Outside size where the faces look away from each other, inside size where they look at each other, a step where
    they look the same way. Raises BadInput where they are not parallel or lie in one plane.
    """
    for index in (first, second):
        if not 0 <= index < len(corners):
            raise BadInput("there is no such face")
    normals = _normals(corners)
    n = normals[first]
    turn = math.degrees(math.acos(float(np.clip(n @ normals[second], -1, 1))))
    if _PARALLEL_DEG < turn < 180 - _PARALLEL_DEG:
        raise BadInput(f"these two faces stand at {turn:.1f}° to each other; a length needs parallel ones")
    apart = float((corners[second].mean(axis=0) - corners[first].mean(axis=0)) @ n)
    if abs(apart) < _CALIPER_MM:
        raise BadInput("these two faces lie in one plane; there is no length between them")
    start = _meeting(corners, normals, first, second)
    end = start + apart * n
    sense = 0 if turn < 90 else (1 if apart < 0 else -1)
    axis = _axis(n)
    # Written from the lower end to the upper, as on the shelf.
    low, high = sorted((_point(start), _point(end)))
    what = {
        1: "Jaws across the two faces.",
        -1: "Inside jaws between the two faces.",
        0: "Depth rod from one face to the other.",
    }
    kind = Kind.LENGTH if axis in "XYZ" else Kind.DIAGONAL
    return Feature(code, kind, axis, sense, round(abs(apart), 3), what[sense], (low, high))


def flat_face(corners: np.ndarray, index: int) -> np.ndarray:
    """Numbers of the triangles in one plane with, and joined to, triangle `index`."""
    normals = _normals(corners)
    n = normals[index]
    level = corners @ n
    alike = np.flatnonzero(
        (normals @ n > math.cos(math.radians(_PARALLEL_DEG)))
        & (np.abs(level - level[index].mean()).max(axis=1) < _SAME_PLANE_MM)
    )
    keys = np.round(corners[alike] / 1e-4).astype(np.int64)
    _, points = np.unique(keys.reshape(-1, 3), axis=0, return_inverse=True)
    points = points.reshape(-1, 3)
    reached = np.zeros(points.max() + 1, dtype=bool)
    reached[points[alike == index]] = True
    while True:
        joined = reached[points].any(axis=1)
        before = int(reached.sum())
        reached[points[joined]] = True
        if int(reached.sum()) == before:
            return np.asarray(alike[joined])


def _meeting(corners: np.ndarray, normals: np.ndarray, first: int, second: int) -> np.ndarray:
    """A point of the first face, over the second where they overlap: there a caliper can take hold."""
    n = normals[first]
    here, there = (corners[flat_face(corners, k)].reshape(-1, 3) for k in (first, second))
    along = np.cross(n, [0.0, 0.0, 1.0] if abs(n[2]) < 0.9 else [1.0, 0.0, 0.0])
    along /= np.linalg.norm(along)
    across = np.cross(n, along)
    place: np.ndarray = corners[first].mean(axis=0)
    for direction in (along, across):
        low = max((here @ direction).min(), (there @ direction).min())
        high = min((here @ direction).max(), (there @ direction).max())
        wanted = (low + high) / 2 if low < high else float((here @ direction).mean())
        place = place + (wanted - place @ direction) * direction
    return place


def _axis(n: np.ndarray) -> str:
    """X, Y or Z where the faces are square to it, D for any slanted direction."""
    k = int(np.argmax(np.abs(n)))
    return "XYZ"[k] if abs(n[k]) > math.cos(math.radians(_PARALLEL_DEG)) else "D"


def _normals(corners: np.ndarray) -> np.ndarray:
    normals = np.cross(corners[:, 1] - corners[:, 0], corners[:, 2] - corners[:, 0])
    lengths = np.linalg.norm(normals, axis=1, keepdims=True)
    unit: np.ndarray = np.divide(normals, lengths, out=np.zeros_like(normals), where=lengths > 0)
    return unit


def _point(p: np.ndarray) -> Point:
    x, y, z = (round(float(v), 4) + 0.0 for v in p)
    return x, y, z
