"""How fast a machine may go in moves that were asked for, and into each around its corner, compiled."""

import math

from crevlo.core.compiled import compiled
from crevlo.core.motion.layout import (
    ACC,
    ACC_GIVEN,
    ACC_LIMIT,
    AXES,
    CORNER,
    HAS_LAST,
    HEADING,
    INTO,
    JUNCTION,
    LAST,
    LAST_ACC,
    LAST_SAFE,
    LAST_SPEED,
    LIMITED,
    LIMITS_HELD,
    LIMITS_ROW,
    MELTED,
    SAFE,
    STOPS,
)


@compiled
def limit_moves(held, start, count, last):
    """Works out the limits of `count` moves from row `start` on: speed and acceleration by the axes that take part, the speed
    from a standstill, and the speed into each from the one before, `last`, which stands for it from call to call.

    Rows of limits are numbered from `start`.
    """
    for row in range(start, start + count):
        limits = start + int(held[row, LIMITS_ROW])
        speed, acc = held[row, MELTED], held[row, ACC_GIVEN]
        heading = (held[row, HEADING], held[row, HEADING + 1], held[row, HEADING + 2], held[row, HEADING + 3])
        for i in range(4):
            part = abs(heading[i])
            if part > 0:
                if speed * part > held[limits, LIMITS_HELD + AXES + i]:
                    speed = held[limits, LIMITS_HELD + AXES + i] / part
                if acc * part > held[limits, LIMITS_HELD + ACC_LIMIT + i]:
                    acc = held[limits, LIMITS_HELD + ACC_LIMIT + i] / part
        junction = held[limits, LIMITS_HELD + JUNCTION]
        # From a standstill: the whole speed, or the least of the corner speeds of axes that would exceed theirs.
        safe = 0.0 if junction > 0 else speed
        for i in range(4):
            if speed * abs(heading[i]) > held[limits, LIMITS_HELD + CORNER + i]:
                safe = min(safe, held[limits, LIMITS_HELD + CORNER + i])
        into = speed
        if last[HAS_LAST] > 0:
            common = min(speed, last[LAST_SPEED])
            if junction > 0:
                turn = 0.0
                for i in range(4):
                    turn -= last[LAST + i] * heading[i]
                half = math.sqrt(max(0.0, (1 - turn) / 2))
                into = common
                if half < 0.999999:
                    into = min(common, math.sqrt(min(acc, last[LAST_ACC]) * junction * half / (1 - half)))
            else:
                factor = 1.0
                for i in range(4):
                    before = last[LAST + i] * common
                    # As common firmware has it, the speed after the corner is not lessened to that before.
                    behind = heading[i] * speed
                    change = max(abs(before), abs(behind)) if before * behind < 0 else abs(behind - before)
                    if change * factor > held[limits, LIMITS_HELD + CORNER + i]:
                        factor = held[limits, LIMITS_HELD + CORNER + i] / change
                into = common * factor
                if safe > 0.99 * into and last[LAST_SAFE] > 0.99 * into:
                    into = safe
        else:
            held[row, STOPS] = 1.0
        held[row, LIMITED], held[row, ACC], held[row, INTO], held[row, SAFE] = speed, acc, into, safe
        for i in range(4):
            last[LAST + i] = heading[i]
        last[LAST_SPEED], last[LAST_ACC], last[LAST_SAFE], last[HAS_LAST] = speed, acc, safe, 1.0
