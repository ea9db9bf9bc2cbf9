"""What a printer that nobody metered draws while it prints: a first idea from its plate and its temperatures."""

from crevlo.core.estimate import BadInput

ROOM_C = 21.0
# A warm plate in still air loses about 5 W/(m²·K) by convection and 6 by radiation from each face (textbook values for small
# horizontal plates at 40 to 80 K); the lower face is shielded by half.
_PLATE_W_M2K = 11.0 * 1.5
# A plate is wider than what may be printed on it.
_EDGE_MM = 20.0
# A hot end with its sock and the part fan on: about 20 W hold 215 °C.
_HOT_END_W_K = 0.11
# Motors held, fans, electronics, and the loss of the supply.
_RUNNING_W = 30.0
_SUPPLY = 0.88


def printing_watts(bed_x_mm: float, bed_y_mm: float, nozzle_c: float, bed_c: float, room_c: float = ROOM_C) -> float:
    """Mean W at the socket once it is warm, roughly: a meter says it. A bed no warmer than the room takes nothing. Raises BadInput for a bed that is none."""
    if not (0 < bed_x_mm <= 5000 and 0 < bed_y_mm <= 5000):
        raise BadInput("a bed has sizes above 0")
    area = (bed_x_mm + _EDGE_MM) * (bed_y_mm + _EDGE_MM) / 1e6
    plate = _PLATE_W_M2K * area * max(0.0, bed_c - room_c)
    hot_end = _HOT_END_W_K * max(0.0, nozzle_c - room_c)
    return (plate + hot_end + _RUNNING_W) / _SUPPLY
