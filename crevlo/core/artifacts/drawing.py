"""Isometric line drawing of an artifact, from the same mesh that is printed."""

import math
from dataclasses import dataclass

import numpy as np
from manifold3d import CrossSection, FillRule, Manifold, OpType

from crevlo.core.artifacts.artifact import Artifact
from crevlo.core.artifacts.shape import joined
from crevlo.core.features.feature import Feature, Point

Flat = tuple[float, float]
_COS30, _SIN30 = math.cos(math.radians(30)), 0.5
_VIEWER = np.array([1.0, -1.0, 1.0]) / math.sqrt(3)
# Paper coordinates as the first two rows, the way to the viewer as the third; turned over, so that no solid is mirrored.
_PAPER = np.array([[_COS30, _COS30, 0.0], [_SIN30, -_SIN30, -1.0], [-1.0, 1.0, -1.0]])
_TO_PAPER = tuple((*row, 0.0) for row in _PAPER.tolist())
_TILE_TRIANGLES, _MOST_CUTS = 400, 6
# Area on paper of a square millimetre that faces the viewer.
_SHORTER = 1.5
# Facets that turn less than this against their neighbour belong to one smooth surface.
_SMOOTH = math.cos(math.radians(25))
# Patches smaller than this on paper are dots of engraved letters; they would only blacken the drawing.
_SMALLEST_MM2 = 0.6
_MANY_TRIANGLES, _LINE_SHARE = 8000, 1 / 500
# Height of a label as a share of the drawing's longer side, and its width in heights ("X1 40.00").
_LABEL_SHARE, _LABEL_HEIGHTS = 8 / 280, 4.6


@dataclass(frozen=True, slots=True)
class Face:
    """A visible surface: how it is turned, and its outlines (holes included) in drawing units (mm on paper, y down)."""

    kind: str
    outlines: tuple[tuple[Flat, ...], ...]


@dataclass(frozen=True, slots=True)
class Callout:
    """Where a feature's two ends lie and where its label stands."""

    code: str
    ends: tuple[Flat, Flat]
    label: Flat
    anchor: str


@dataclass(frozen=True, slots=True)
class Drawing:
    """Visible faces, none over another, callouts, and the box that holds them: x, y, width, height.

    `labelled` says whether there is room for every label at once.
    """

    faces: tuple[Face, ...]
    callouts: tuple[Callout, ...]
    view: tuple[float, float, float, float]
    labelled: bool


def project(point: Point) -> Flat:
    """Isometric projection seen from the front right: X runs down to the right, Y up to the right, Z up."""
    x, y, z = point
    return ((x + y) * _COS30, (x - y) * _SIN30 - z)


def isometric(artifact: Artifact) -> Drawing:
    """What is seen of each smooth surface, as filled outlines."""
    solids = [_drawable(body.solid, max(artifact.size_mm)) for body in artifact.bodies]
    tiles = _tiles(joined(solids).transform(_TO_PAPER))
    faces: list[Face] = []
    for body, solid in zip(artifact.bodies, solids, strict=True):
        mesh = solid.to_mesh64()
        faces += _surfaces(np.asarray(mesh.vert_properties)[:, :3], np.asarray(mesh.tri_verts), body.tool, tiles)
    points = [p for face in faces for outline in face.outlines for p in outline]
    crown = min(p[1] for p in points)
    callouts = tuple(_callout(f, f.ends, crown) for f in artifact.features if f.ends)
    margin = 18.0
    left, right = min(p[0] for p in points) - margin, max(p[0] for p in points) + margin
    top, bottom = crown - 8, max(p[1] for p in points) + 6
    view = (left, top, right - left, bottom - top)
    return Drawing(tuple(faces), callouts, view, _clear(callouts, max(view[2], view[3]) * _LABEL_SHARE))


def _drawable(solid: Manifold, size_mm: float) -> Manifold:
    """The solid with no more facets than a line shows: meshes from elsewhere may have hundreds of thousands."""
    return solid if solid.num_tri() <= _MANY_TRIANGLES else solid.simplify(size_mm * _LINE_SHARE)


def _surfaces(vertices: np.ndarray, triangles: np.ndarray, tool: int, tiles: list[Manifold]) -> list[Face]:
    """Each smooth surface turned to the viewer, less what stands before it."""
    corners = vertices[triangles]
    normals = np.cross(corners[:, 1] - corners[:, 0], corners[:, 2] - corners[:, 0])
    lengths = np.linalg.norm(normals, axis=1)
    normals = normals / np.where(lengths > 0, lengths, 1)[:, None]
    patches = _patches(triangles, normals)
    seen = (normals @ _VIEWER > 1e-6) & (lengths > 1e-9)
    found = []
    for patch in np.unique(patches[seen]):
        mine = np.flatnonzero((patches == patch) & seen)
        if (lengths[mine] * (normals[mine] @ _VIEWER)).sum() / 2 * _SHORTER < _SMALLEST_MM2:
            continue
        strips = [_seen_of(corners[mine][s], normals[mine][s], tiles) for s in _strips(normals[mine])]
        surface = CrossSection.batch_boolean(strips, OpType.Add)
        if surface.area() < _SMALLEST_MM2:
            continue
        outlines = tuple(
            tuple((float(x), float(y)) for x, y in ring) for ring in surface.simplify(0.02).to_polygons()
        )
        found.append(Face(_kind(normals[mine].mean(axis=0), tool), outlines))
    return found


def _strips(normals: np.ndarray) -> list[np.ndarray]:
    """Masks of a surface's nearly flat parts: one for a flat surface, strips of some 15° for a rounded one."""
    bins, which = np.unique(np.round(4 * normals), axis=0, return_inverse=True)
    return [which.ravel() == k for k in range(len(bins))]


def _seen_of(corners: np.ndarray, normals: np.ndarray, tiles: list[Manifold]) -> CrossSection:
    """A nearly flat part on paper, less the material between it and the viewer.

    A point beyond a plane that faces the viewer lies before it on the same line of sight.
    """
    paper = corners @ _PAPER.T
    part = CrossSection.batch_boolean(
        [CrossSection([[(float(x), float(y)) for x, y, _ in t]], FillRule.NonZero) for t in paper], OpType.Add
    )
    facing = normals.mean(axis=0)
    facing /= np.linalg.norm(facing)
    beyond = float((corners.reshape(-1, 3) @ facing).max()) + 2e-3
    # The same plane in paper coordinates.
    turned = np.linalg.solve(_PAPER.T, facing)
    scale = np.linalg.norm(turned)
    low, high = paper.reshape(-1, 3).min(axis=0), paper.reshape(-1, 3).max(axis=0)
    for tile in tiles:
        x0, y0, _, x1, y1, _ = tile.bounding_box()
        if x0 < high[0] and x1 > low[0] and y0 < high[1] and y1 > low[1]:
            part -= tile.trim_by_plane(tuple(turned / scale), beyond / scale).project()
    return part


def _tiles(solid: Manifold, depth: int = 0) -> list[Manifold]:
    """The solid in paper coordinates cut into pieces small enough to look through quickly."""
    if solid.num_tri() < _TILE_TRIANGLES or depth >= _MOST_CUTS:
        return [solid]
    x0, y0, _, x1, y1, _ = solid.bounding_box()
    axis = (1.0, 0.0, 0.0) if x1 - x0 > y1 - y0 else (0.0, 1.0, 0.0)
    at = (x0 + x1) / 2 if axis[0] else (y0 + y1) / 2
    return [tile for half in solid.split_by_plane(axis, at) if half.num_tri() for tile in _tiles(half, depth + 1)]


def _patches(triangles: np.ndarray, normals: np.ndarray) -> np.ndarray:
    """Number of the smooth surface each triangle belongs to."""
    parent = np.arange(len(triangles))

    def root(i: int) -> int:
        while parent[i] != i:
            parent[i] = parent[parent[i]]
            i = int(parent[i])
        return i

    edges = np.concatenate([triangles[:, [0, 1]], triangles[:, [1, 2]], triangles[:, [2, 0]]])
    owners = np.tile(np.arange(len(triangles)), 3)
    order = np.lexsort(np.sort(edges, axis=1).T)
    pairs = owners[order].reshape(-1, 2)  # a closed mesh: every edge has two triangles
    for a, b in pairs[np.einsum("ij,ij->i", normals[pairs[:, 0]], normals[pairs[:, 1]]) > _SMOOTH]:
        parent[root(int(a))] = root(int(b))
    return np.array([root(i) for i in range(len(triangles))])


def _kind(normal: np.ndarray, tool: int) -> str:
    if tool:
        return "inlay"
    x, y, z = normal
    if z >= max(x, -y):
        return "top"
    return "side" if x >= -y else "front"


def _clear(callouts: tuple[Callout, ...], high: float) -> bool:
    """Whether all labels of height `high` stand clear of each other."""
    boxes = []
    for c in callouts:
        x = c.label[0] - (_LABEL_HEIGHTS * high if c.anchor == "end" else 0)
        boxes.append((x, c.label[1]))
    return not any(
        abs(a[0] - b[0]) < _LABEL_HEIGHTS * high and abs(a[1] - b[1]) < 0.9 * high
        for i, a in enumerate(boxes)
        for b in boxes[:i]
    )


def _callout(feature: Feature, ends: tuple[Point, Point], crown: float) -> Callout:
    """Labels stand clear of the edges: at the outer end of a length, right of a height, above `crown` for holes on top."""
    a, b = (project(end) for end in ends)
    if feature.code in ("DX", "DY"):
        left = feature.code == "DX"
        return Callout(feature.code, (a, b), (-1.5 if left else 1.5, crown - 2), "end" if left else "start")
    if abs(a[0] - b[0]) < 1:
        return Callout(feature.code, (a, b), (b[0] + 1, b[1] + 4.5), "start")
    left_end, right_end = sorted((a, b))
    if feature.axis == "Y":
        return Callout(feature.code, (a, b), (right_end[0] + 2, right_end[1] + 4), "start")
    return Callout(feature.code, (a, b), (left_end[0] - 2, left_end[1] + 4), "end")
