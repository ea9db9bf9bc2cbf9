"""True printable area and the offset of its centre, from distances measured at the edges of the plate."""

from dataclasses import dataclass

from crevlo.core.estimate import BadInput


@dataclass(frozen=True, slots=True)
class Printable:
    """Printable width and depth in mm, and where the middle of it lies from the middle of the plate (right and back
    count above 0)."""

    width_mm: float
    depth_mm: float
    offset_x_mm: float
    offset_y_mm: float


def printable_area(
    plate_x_mm: float, plate_y_mm: float, left_mm: float, right_mm: float, front_mm: float, back_mm: float
) -> Printable:
    """From the size of the plate and the distance at each of its edges that the nozzle does not reach after homing; below
    0 where it reaches over the edge. Raises BadInput where nothing would be left."""
    width, depth = plate_x_mm - left_mm - right_mm, plate_y_mm - front_mm - back_mm
    if not width > 0 or not depth > 0:
        raise BadInput("the edges leave nothing of the plate")
    return Printable(width, depth, (left_mm - right_mm) / 2, (front_mm - back_mm) / 2)
