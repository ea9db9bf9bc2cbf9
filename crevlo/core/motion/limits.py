"""What a machine's firmware holds its axes to; X, Y, Z and the extruder in this order."""

from collections.abc import Mapping
from dataclasses import dataclass

Four = tuple[float, float, float, float]
FREE = 1e12


@dataclass(frozen=True, slots=True)
class Limits:
    """Speeds in mm/s, accelerations in mm/s², and the largest change of an axis' speed at a corner in mm/s.

    Firmware that takes corners by a junction deviation has that in mm instead, and 0 otherwise. Sliced files change
    these as they go; the values here stand where a file says nothing.
    """

    speed: Four = (500.0, 500.0, 12.0, 120.0)
    acceleration: Four = (3000.0, 3000.0, 100.0, 5000.0)
    corner: Four = (10.0, 10.0, 0.4, 5.0)
    printing: float = 1500.0
    retracting: float = 1500.0
    travelling: float = 1500.0
    least_printing_speed: float = 0.0
    least_travel_speed: float = 0.0
    junction_mm: float = 0.0


NO_LIMITS = Limits(
    speed=(FREE,) * 4, acceleration=(FREE,) * 4, corner=(FREE,) * 4, printing=FREE, retracting=FREE, travelling=FREE,
)  # fmt: skip


@dataclass(frozen=True, slots=True)
class Machine:
    """What one machine keeps to whatever a file asks for: its own limits, and what its hotend melts in mm³/s of
    filament of a diameter in mm. None: no limit known."""

    limits: Limits = NO_LIMITS
    most_mm3_s: float | None = None
    diameter_mm: float = 1.75


@dataclass(frozen=True, slots=True)
class Keep:
    """Which kinds of limit count; those left out stand for a machine without them."""

    axes: bool = True
    acceleration: bool = True
    corners: bool = True


@dataclass(frozen=True, slots=True)
class Turned:
    """Limits turned up or down against what file and machine have: all accelerations, and the speed around corners."""

    acceleration: float = 1.0
    corner: float = 1.0


def on_axes(old: Four, given: Mapping[str, float]) -> Four:
    """`old` with the axes named in `given` changed; an axis without a positive number keeps its own."""
    x, y, z, e = (given[a] if given.get(a, 0.0) > 0 else old[i] for i, a in enumerate("XYZE"))
    return x, y, z, e
