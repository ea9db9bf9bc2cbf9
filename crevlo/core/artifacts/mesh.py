"""Meshes from elsewhere: read within bounds, what is wrong with them said, and made a solid on the plate."""

import io
import zipfile
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Any

import numpy as np
from manifold3d import Error, Manifold, Mesh64

from crevlo.core.estimate import BadInput

MOST_BYTES = 48 * 1024 * 1024
MOST_TRIANGLES = 300_000
# Of one 3MF package, unpacked: its text is about five times as long as the same mesh in binary.
MOST_UNPACKED_BYTES = 160 * 1024 * 1024
MM_PER = {"mm": 1.0, "cm": 10.0, "inch": 25.4, "m": 1000.0}
# Points nearer than this are one point; files keep about seven digits.
_SAME_MM = 1e-4
_LEAST_MM, _MOST_MM = 0.5, 2000.0
_NAMED = 3


@dataclass(frozen=True, slots=True)
class Surface:
    """Triangles of one body as read: points (n, 3) in mm, corner numbers (m, 3), and what was mended on reading."""

    points: np.ndarray
    triangles: np.ndarray
    mended: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class Examined:
    """What a mesh holds, and what keeps it from being used; `volume_mm3` is None where something does."""

    bodies: int
    triangles: int
    size_mm: list[float]
    volume_mm3: float | None
    mended: list[str]
    troubles: list[str]


def examine(content: bytes, unit: str = "mm") -> Examined:
    """Reads as `read_surfaces` and raises as it does; what is wrong with the surfaces is told, not raised."""
    surfaces = read_surfaces(content, unit)
    wrong = [words for s in surfaces for words in troubles(s)]
    volume = None if wrong else sum(float(body.volume()) for body in solids(surfaces))
    low, high = _box([s.points for s in surfaces])
    return Examined(
        len(surfaces), sum(len(s.triangles) for s in surfaces), [float(side) for side in high - low], volume,
        [words for s in surfaces for words in s.mended], wrong,
    )  # fmt: skip


def read_surfaces(content: bytes, unit: str = "mm") -> list[Surface]:
    """Reads an STL (text or binary: one body) or 3MF (its objects); equal points are joined, triangles without area left out.

    `unit` is what one unit of an STL means; a 3MF says so itself. Raises BadInput for anything else, or out of bounds.
    """
    if len(content) > MOST_BYTES:
        raise BadInput(f"the file is larger than {MOST_BYTES >> 20} MB")
    bodies = _three_mf(content) if content[:2] == b"PK" else [_stl(content) * MM_PER[unit]]
    count = sum(len(b) for b in bodies)
    if not count:
        raise BadInput("the file holds no triangles")
    if count > MOST_TRIANGLES:
        raise BadInput(
            f"the mesh has {count} triangles; {MOST_TRIANGLES} are enough for a print and the most taken here"
        )
    low, high = _box([b.reshape(-1, 3) for b in bodies])
    if not np.isfinite([low, high]).all():
        raise BadInput("some corner points are not numbers")
    longest = float((high - low).max())
    if not _LEAST_MM <= longest <= _MOST_MM:
        raise BadInput(
            f"the part would be {longest:.3g} mm long; {_LEAST_MM:g} to {_MOST_MM:g} mm can be taken: choose the unit it was drawn in"
        )
    return [_joined(b) for b in bodies]


def _joined(corners: np.ndarray) -> Surface:
    _, first, which = np.unique(
        np.round(corners.reshape(-1, 3) / _SAME_MM).astype(np.int64), axis=0, return_index=True, return_inverse=True
    )
    points, triangles = corners.reshape(-1, 3)[first], which.reshape(-1, 3)
    flat = (triangles == np.roll(triangles, 1, axis=1)).any(axis=1)
    mended = (f"{_count(int(flat.sum()), 'triangle')} without area left out",) if flat.any() else ()
    surface = Surface(points, triangles[~flat], mended)
    if volume(surface) < 0:
        return Surface(points, surface.triangles[:, ::-1], (*mended, "it was inside out and has been turned"))
    return surface


def volume(surface: Surface) -> float:
    """Enclosed volume in mm³ by signed tetrahedra; negative when the triangles are turned inwards."""
    a, b, c = (surface.points[surface.triangles[:, k]] for k in range(3))
    return float(np.einsum("ij,ij->i", a, np.cross(b, c)).sum() / 6)


def troubles(surface: Surface) -> tuple[str, ...]:
    """What keeps the surface from bounding a solid, in words with a place; empty when nothing does."""
    edges = np.concatenate([surface.triangles[:, [i, (i + 1) % 3]] for i in range(3)])
    forward = edges[:, 0] < edges[:, 1]
    kinds, which = np.unique(np.sort(edges, axis=1), axis=0, return_inverse=True)
    uses = np.bincount(which.ravel(), minlength=len(kinds))
    ahead = np.bincount(which.ravel(), weights=forward, minlength=len(kinds))
    found = []
    for mask, words in (
        (uses == 1, "with a triangle on one side only: the surface has a hole"),
        (uses > 2, "where more than two triangles meet: walls without thickness, or bodies that touch along an edge"),
        ((uses == 2) & (ahead != 1), "where neighbours face opposite ways: a part of the surface is inside out"),
    ):
        n = int(mask.sum())
        if n:
            middles = surface.points[kinds[mask][:_NAMED]].mean(axis=1)
            where = "; ".join(f"x {x:.1f}, y {y:.1f}, z {z:.1f}" for x, y, z in middles)
            found.append(f"{_count(n, 'edge')} {words}, {'at' if n <= _NAMED else 'first at'} {where} mm")
    return tuple(found)


def solids(surfaces: Sequence[Surface]) -> tuple[Manifold, ...]:
    """The solids inside closed surfaces, together centred on the plate with their lowest point on it.

    Raises BadInput with what is wrong where one bounds none.
    """
    wrong = [words for surface in surfaces for words in troubles(surface)]
    if wrong:
        raise BadInput("this mesh is not closed: " + "; ".join(wrong))
    low, high = _box([s.points for s in surfaces])
    base = np.array([(low[0] + high[0]) / 2, (low[1] + high[1]) / 2, low[2]])
    made = tuple(Manifold(Mesh64(s.points - base, s.triangles.astype(np.uint64))) for s in surfaces)
    for body in made:
        if body.status() != Error.NoError or body.volume() <= 0:
            raise BadInput(f"this mesh does not bound a solid: {body.status().name}")
    return made


def _box(points: Sequence[np.ndarray]) -> tuple[np.ndarray, np.ndarray]:
    filled = [p for p in points if len(p)]
    return np.min([p.min(axis=0) for p in filled], axis=0), np.max([p.max(axis=0) for p in filled], axis=0)


def _count(n: int, noun: str) -> str:
    return f"{n} {noun}" if n == 1 else f"{n} {noun}s"


def _stl(content: bytes) -> np.ndarray:
    """Corners (m, 3, 3). Binary when the length is what its own count says, text otherwise."""
    count = int.from_bytes(content[80:84], "little") if len(content) >= 84 else 0
    whole = 84 + 50 * count
    # Text has no zero bytes; some programs begin binary files with "solid" too, some add bytes at the end.
    if len(content) >= 84 and b"\0" in content[:4096]:
        if not count or (whole > 4 * len(content) and not content[:80].isascii()):
            raise BadInput("this is neither STL nor 3MF")
        if len(content) < whole:
            raise BadInput(
                f"the file breaks off: it announces {count} triangles and holds {(len(content) - 84) // 50}"
            )
        record = np.dtype([("normal", "<f4", 3), ("corners", "<f4", (3, 3)), ("attribute", "<u2")])
        return np.frombuffer(content, record, count, 84)["corners"].astype(float)
    if content.lstrip()[:5].lower() != b"solid":
        raise BadInput("this is neither STL nor 3MF")
    if b"endsolid" not in content[-4096:].lower():
        raise BadInput("the file breaks off: its end is missing")
    words = [line.split() for line in content.splitlines() if line.lstrip()[:6].lower() == b"vertex"]
    if len(words) % 3:
        raise BadInput(f"the file breaks off: {len(words)} corners are no whole triangles")
    try:
        return np.array([w[1:4] for w in words], dtype=float).reshape(-1, 3, 3)
    except ValueError:
        raise BadInput("a corner in the file is not three numbers") from None


def _three_mf(content: bytes) -> list[np.ndarray]:
    """Corners (m, 3, 3) in mm of every object the package builds, where it builds them."""
    import trimesh  # takes a second to load, and only this needs it

    try:
        with zipfile.ZipFile(io.BytesIO(content)) as package:
            unpacked = sum(entry.file_size for entry in package.infolist())
        if unpacked > MOST_UNPACKED_BYTES:
            raise BadInput(f"the package unpacks to {unpacked >> 20} MB; {MOST_UNPACKED_BYTES >> 20} MB are taken")
        scene: Any = trimesh.load_scene(io.BytesIO(content), file_type="3mf")
        per = trimesh.units.unit_conversion(scene.units or "millimeter", "millimeter")
        return [np.asarray(m.vertices)[np.asarray(m.faces)] * per for m in scene.dump() if len(m.faces)]
    except BadInput:
        raise
    except Exception as error:
        raise BadInput(f"the 3MF package cannot be read: {type(error).__name__}") from error
