"""How fast a machine gets through moves held, compiled: trapezoids of speed with look-ahead."""

import math

from crevlo.core.compiled import compiled
from crevlo.core.motion.layout import (
    ACC,
    ASKED,
    FEATURE,
    INTO,
    LENGTH,
    LIMITED,
    MELTED,
    OPEN_MOVES,
    PART,
    ROW_LAYER,
    SAFE,
    STOPS,
    VOLUME,
    WAITS,
)

SPEED_STEP, FLOW_STEP, BINS = 5.0, 0.5, 200
# Places in the totals: seconds moving, cruising at the speed asked for, below it for the flow, below it for the axes,
# waiting; moves; seconds it would take at the speeds asked for, with the flow limit, with the axes' top speeds; and,
# of what is not part of the print, the seconds since plastic was laid and the tool changes in them.
MOVING, AT_ASKED, BY_FLOW, BY_AXES, WAITED, MOVES, FREE_S, FLOW_S, AXES_S, SINCE, CHANGES, TOTALS = range(12)


@compiled
def finish(
    held,
    start,
    count,
    entry,
    over,
    scratch,
    totals,
    purges,
    by_speed,
    by_flow,
    by_feature,
    by_layer,
    changes,
    changed,
):
    """Times the moves from `start` on whose speeds no later move can change.

    Gives how many of the last are still open, the speed into the first of them, and the count of tool changes timed.
    `entry` below 0 stands for a beginning at rest. `over`: no move follows.
    """
    if count == 0:
        return 0, entry, changed
    low = scratch
    fixed = count if over else 0
    low_exit = held[start + count - 1, SAFE]
    low_after = low_exit
    high_after = low_exit if over else held[start + count - 1, LIMITED]
    stops_after = 0.0
    for i in range(count - 1, -1, -1):
        row = held[start + i]
        if stops_after > 0:
            low_after = high_after = row[SAFE]
        stops_after = row[STOPS]
        most = row[SAFE] if stops_after > 0 else row[INTO]
        gain = 2 * row[ACC] * row[LENGTH]
        reach = low_after * low_after + gain
        low_after = most if most * most <= reach else math.sqrt(reach)
        low[i] = low_after
        if fixed == 0:
            # Whatever follows, the speed into this move lies between the two.
            reach = high_after * high_after + gain
            high_after = most if most * most <= reach else math.sqrt(reach)
            if i > 0 and low_after == high_after:
                fixed = i
    if fixed == 0:
        fixed = count - 1 if count > 1 else count
    fixed = max(fixed, count - OPEN_MOVES)
    for i in range(fixed):
        row = held[start + i]
        acc, length = row[ACC], row[LENGTH]
        begin = low[i] if entry < 0 or row[STOPS] > 0 else entry
        if i + 1 == count:
            leave = low_exit
        elif held[start + i + 1, STOPS] > 0:
            leave = row[SAFE]
        else:
            leave = low[i + 1]
        gain = 2 * acc * length
        if leave * leave > begin * begin + gain and row[LIMITED] * row[LIMITED] > begin * begin + gain:
            leave = math.sqrt(begin * begin + gain)
        # The next may begin faster than this one goes, by no more than its axes may jump.
        entry, leave = leave, min(leave, row[LIMITED])
        # Speeding up and slowing down meet below the speed aimed at where the way is too short for it.
        meeting = (gain + begin * begin + leave * leave) / 2
        peak = row[LIMITED]
        if peak * peak > meeting:
            peak = math.sqrt(meeting)
        peak = max(peak, max(begin, leave))
        slopes = (peak - begin) / acc + (peak - leave) / acc
        way = (2 * peak * peak - begin * begin - leave * leave) / (2 * acc)
        cruise = max(0.0, length - way) / peak
        moving = cruise + slopes
        totals[MOVING] += moving
        totals[MOVES] += 1
        totals[WAITED] += row[WAITS]
        totals[FREE_S] += length / row[ASKED]
        totals[FLOW_S] += length / row[MELTED]
        totals[AXES_S] += length / row[LIMITED]
        if peak >= row[ASKED] * (1 - 1e-6):
            totals[AT_ASKED] += cruise
        elif peak >= row[LIMITED] * (1 - 1e-6):
            totals[BY_FLOW if row[LIMITED] == row[MELTED] else BY_AXES] += cruise
        middle = length / moving
        by_speed[_bin(middle / SPEED_STEP)] += moving
        by_flow[_bin(middle * row[VOLUME] / FLOW_STEP)] += moving
        took = moving + row[WAITS]
        feature = int(row[FEATURE])
        by_feature[feature] += took
        by_layer[int(row[ROW_LAYER])] += took
        part = int(row[PART])
        if part >= 2:
            totals[CHANGES] += 1
        if part % 2 == 1 and not purges[feature]:
            if totals[CHANGES] > 0 and changed < len(changes):
                changes[changed] = totals[SINCE] / totals[CHANGES]
                changed += 1
            totals[SINCE] = totals[CHANGES] = 0.0
        else:
            totals[SINCE] += took
    return count - fixed, entry, changed


@compiled
def _bin(steps):
    """A place in a histogram, whatever the number is."""
    return int(steps) if 0 <= steps < BINS else 0 if steps < 0 else BINS - 1
