"""Whether an artifact, or a part of some length, fits a build volume: rectangular, round or tapering, with areas kept
free; turned about Z where that helps."""

import math
from dataclasses import dataclass

import numpy as np
import shapely
import shapely.affinity

from crevlo.core.artifacts.artifact import Artifact
from crevlo.core.artifacts.export import triangles
from crevlo.core.artifacts.footprint import footprint
from crevlo.core.estimate import BadInput
from crevlo.core.plate import Plate, pack

_STEP_DEG = 1.0
# How closely the ends of a long part are moved along the edge of what is free.
_ALONG_MM, _MOST_ENDS = 4.0, 600
Rectangle = tuple[float, float, float, float]


@dataclass(frozen=True, slots=True)
class Bed:
    """Build volume in mm: a rectangle, or a circle of diameter `x`; `top_share` is the width left at full height.
    `keep_outs` are areas kept free: left, front, right and back from the middle of the bed."""

    x: float
    y: float
    height: float
    is_round: bool = False
    top_share: float = 1.0
    keep_outs: tuple[Rectangle, ...] = ()

    @property
    def plate(self) -> Plate:
        return Plate(self.x, self.y, self.is_round, tuple(shapely.box(*k) for k in self.keep_outs))

    @property
    def words(self) -> str:
        kept = (
            f", {len(self.keep_outs)} area{'s' if len(self.keep_outs) > 1 else ''} kept free"
            if self.keep_outs
            else ""
        )
        return (f"⌀ {self.x:.0f} mm" if self.is_round else f"{self.x:.0f} × {self.y:.0f} mm") + kept


@dataclass(frozen=True, slots=True)
class Fit:
    """Whether it fits, turned by how much, and what is in the way otherwise."""

    fits: bool
    turned_deg: float
    words: str


def fits(artifact: Artifact, bed: Bed) -> Fit:
    """The first turn in steps of 1° at which every point lies inside the volume, centred. Raises BadInput for no volume.

    Points are checked at their own height, so that a tapering volume is met where it narrows.
    """
    if min(bed.x, bed.y, bed.height) <= 0 or not 0 < bed.top_share <= 1:
        raise BadInput("a build volume needs sizes above 0 and a top of at most its base")
    points = np.unique(np.round(triangles(artifact).reshape(-1, 3), 4), axis=0)
    tall = float(points[:, 2].max())
    if tall > bed.height:
        return Fit(False, 0.0, f"{tall:.0f} mm tall, the volume ends at {bed.height:.0f} mm")
    room = 1 - (1 - bed.top_share) * points[:, 2] / bed.height
    turns = np.radians(np.arange(0, 180, _STEP_DEG))
    over = np.array([_over(points, turn, bed, room) for turn in turns])
    best = int(np.argmax(over <= 1e-6)) if (over <= 1e-6).any() else int(np.argmin(over))
    degrees = float(np.degrees(turns[best]))
    if over[best] > 1e-6:
        return Fit(False, degrees, f"too wide by {over[best]:.0f} mm however it is turned")
    if bed.keep_outs and _meets_kept_free(artifact, degrees, bed):
        # Off the middle, where the areas leave room; how far up it narrows there is another question.
        turns_deg = tuple(range(0, 360, 15))
        if (
            bed.top_share < 1
            or not pack(footprint(artifact), bed.plate, spacing_mm=0, turns_deg=turns_deg, wanted=1).placements
        ):
            return Fit(False, degrees, "the areas kept free leave no room for it")
        return Fit(True, degrees, "fits off the middle, beside the areas kept free")
    return Fit(True, degrees, "fits as it is" if degrees == 0 else f"fits turned by {degrees:.0f}°")


def longest_flat(bed: Bed) -> float:
    """Length in mm of the longest narrow part that lies flat on the bed, by the bed's own shape and off the areas kept
    free. Found to within a few mm where there are such areas, and then never too long."""
    if min(bed.x, bed.y) <= 0:
        raise BadInput("a bed needs sizes above 0")
    if not bed.keep_outs:
        return bed.x if bed.is_round else math.hypot(bed.x, bed.y)
    free = bed.plate.outline.difference(shapely.union_all(bed.plate.keep_outs))
    if free.is_empty:
        return 0.0
    edge = free.boundary
    count = min(_MOST_ENDS, max(8, math.ceil(edge.length / _ALONG_MM)))
    ends = np.vstack(
        [shapely.get_coordinates(edge), shapely.get_coordinates(shapely.line_interpolate_point(edge, np.linspace(0, edge.length, count)))]
    )  # fmt: skip
    a, b = np.triu_indices(len(ends), 1)
    lengths = np.hypot(*(ends[a] - ends[b]).T)
    room = free.buffer(1e-6)
    shapely.prepare(room)
    for some in np.array_split(np.argsort(-lengths), max(1, len(lengths) // 2000)):
        inside = shapely.covers(room, shapely.linestrings(np.stack([ends[a[some]], ends[b[some]]], axis=1)))
        if inside.any():
            return float(lengths[some][inside].max())
    return 0.0


def _meets_kept_free(artifact: Artifact, degrees: float, bed: Bed) -> bool:
    """Whether the artifact, turned and in the middle, stands over an area kept free."""
    turned = shapely.affinity.rotate(footprint(artifact), degrees, origin=(0, 0))
    left, front, right, back = turned.bounds
    middle = shapely.affinity.translate(turned, -(left + right) / 2, -(front + back) / 2)
    return bool(middle.buffer(-1e-6).intersects(shapely.union_all(bed.plate.keep_outs)))


def _over(points: np.ndarray, turn: float, bed: Bed, room: np.ndarray) -> float:
    """By how many mm the turned artifact, centred, stands over the volume at its worst point; below 0 inside."""
    c, s = np.cos(turn), np.sin(turn)
    flat = points[:, :2] @ np.array([[c, s], [-s, c]])
    flat = flat - (flat.max(axis=0) + flat.min(axis=0)) / 2
    if bed.is_round:
        return float((np.hypot(flat[:, 0], flat[:, 1]) - bed.x / 2 * room).max())
    return float((np.abs(flat) - np.array([bed.x, bed.y]) / 2 * room[:, None]).max())
