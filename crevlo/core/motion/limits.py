"""What a machine's firmware holds its axes to; X, Y, Z and the extruder in this order."""

from collections.abc import Mapping
from dataclasses import dataclass

Four = tuple[float, float, float, float]


@dataclass(frozen=True, slots=True)
class Limits:
    """Speeds in mm/s, accelerations in mm/s², and the largest change of an axis' speed at a corner in mm/s.

    Sliced files change these as they go; the values here stand where a file says nothing.
    """

    speed: Four = (500.0, 500.0, 12.0, 120.0)
    acceleration: Four = (3000.0, 3000.0, 100.0, 5000.0)
    corner: Four = (10.0, 10.0, 0.4, 5.0)
    printing: float = 1500.0
    retracting: float = 1500.0
    travelling: float = 1500.0
    least_printing_speed: float = 0.0
    least_travel_speed: float = 0.0


def on_axes(old: Four, given: Mapping[str, float]) -> Four:
    """`old` with the axes named in `given` changed; an axis without a positive number keeps its own."""
    x, y, z, e = (given[a] if given.get(a, 0.0) > 0 else old[i] for i, a in enumerate("XYZE"))
    return x, y, z, e
