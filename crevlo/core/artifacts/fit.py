"""Whether an artifact fits a build volume: rectangular, round or tapering, turned about Z where that helps."""

from dataclasses import dataclass

import numpy as np

from crevlo.core.artifacts.artifact import Artifact
from crevlo.core.artifacts.export import triangles
from crevlo.core.estimate import BadInput

_STEP_DEG = 1.0


@dataclass(frozen=True, slots=True)
class Bed:
    """Build volume in mm: a rectangle, or a circle of diameter `x`; `top_share` is the width left at full height."""

    x: float
    y: float
    height: float
    is_round: bool = False
    top_share: float = 1.0


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
    return Fit(True, degrees, "fits as it is" if degrees == 0 else f"fits turned by {degrees:.0f}°")


def _over(points: np.ndarray, turn: float, bed: Bed, room: np.ndarray) -> float:
    """By how many mm the turned artifact, centred, stands over the volume at its worst point; below 0 inside."""
    c, s = np.cos(turn), np.sin(turn)
    flat = points[:, :2] @ np.array([[c, s], [-s, c]])
    flat = flat - (flat.max(axis=0) + flat.min(axis=0)) / 2
    if bed.is_round:
        return float((np.hypot(flat[:, 0], flat[:, 1]) - bed.x / 2 * room).max())
    return float((np.abs(flat) - np.array([bed.x, bed.y]) / 2 * room[:, None]).max())
