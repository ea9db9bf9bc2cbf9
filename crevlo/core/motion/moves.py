"""Moves and arcs as a file asks for them, compiled."""

import math

from crevlo.core.compiled import compiled
from crevlo.core.motion.layout import (
    ACC_GIVEN,
    ACC_LIMIT,
    ASKED,
    AT_X,
    AXES,
    BACK_MM,
    BACK_SPEED,
    BEGIN,
    BY_MINUTE,
    CEILING,
    CHANGED,
    CHORD_MM,
    CHORDS_A_TURN,
    CORNER,
    DRAWN,
    DRAWN_BACK,
    E_SCALE,
    EXTRUDED,
    FACTOR,
    FEATURE,
    FEATURE_NOW,
    FED,
    FED_OF,
    FLOW,
    FORTH_SPEED,
    GIVEN,
    HEADING,
    HOLDS,
    JUNCTION,
    KEEP,
    LAYER,
    LAYER_STEP,
    LAYER_WORDS,
    LAYER_Z,
    LEAST_MM,
    LEAST_P,
    LEAST_SPEED,
    LEAST_T,
    LENGTH,
    LIMITS_AT,
    LIMITS_HELD,
    LIMITS_ROW,
    MELTED,
    MOST_CHORDS,
    MOST_FEATURES,
    MOST_MM,
    MOVED,
    NEW_LIMITS,
    OFF_BED,
    PART,
    PRINTING,
    RELATIVE,
    RELATIVE_E,
    RETRACTING,
    ROW_LAYER,
    SPEED,
    SQUARE,
    STOP,
    STOPS,
    TARGET,
    TOOL,
    TRAVELLING,
    TURNED,
    UNIT,
    VOLUME,
    WAIT,
    WAITS,
    WAY,
    WORDS,
    Z_LAYERS,
)


@compiled
def hold_limits(state):
    """Works out the limits that hold: the tighter of the file's and the machine's, of the kinds that count."""
    for k in range(15):
        state[HOLDS + k] = min(state[GIVEN + k], state[CEILING + k])
    state[HOLDS + LEAST_P] = state[GIVEN + LEAST_P]
    state[HOLDS + LEAST_T] = state[GIVEN + LEAST_T]
    given, own = state[GIVEN + JUNCTION], state[CEILING + JUNCTION]
    state[HOLDS + JUNCTION] = min(given, own) if given > 0 and own > 0 else max(given, own)
    for k in range(4):
        state[HOLDS + ACC_LIMIT + k] *= state[TURNED]
        state[HOLDS + CORNER + k] *= state[TURNED + 1]
    for k in range(3):
        state[HOLDS + PRINTING + k] *= state[TURNED]
    # At a junction v² = a·δ·…: the speed around it grows with the corner factor alone.
    state[HOLDS + JUNCTION] *= state[TURNED + 1] ** 2 / state[TURNED]
    state[NEW_LIMITS] = 1.0
    if state[KEEP] == 0:
        state[HOLDS + AXES : HOLDS + AXES + 4] = 1e12
    if state[KEEP + 1] == 0:
        state[HOLDS + ACC_LIMIT : HOLDS + ACC_LIMIT + 4] = 1e12
        state[HOLDS + PRINTING : HOLDS + TRAVELLING + 1] = 1e12
    if state[KEEP + 2] == 0:
        state[HOLDS + CORNER : HOLDS + CORNER + 4] = 1e12
        state[HOLDS + JUNCTION] = 0.0


@compiled
def append_move(state, held, count):
    """Adds one straight move as it is asked for; gives the new count."""
    x, y, z, e = state[WAY], state[WAY + 1], state[WAY + 2], state[WAY + 3]
    if x == 0 and y == 0 and z == 0 and e == 0:
        return count
    straight = math.sqrt(x * x + y * y + z * z)
    still = straight < 1e-9
    length = abs(e) if still else straight
    if length < LEAST_MM:
        return count
    extrudes = e > 0
    least = max(LEAST_SPEED, state[HOLDS + LEAST_P] if extrudes else state[HOLDS + LEAST_T])
    asked = max(state[SPEED] * state[FACTOR], least)
    volume = e * state[FLOW + 1] / length if extrudes and not still else 0.0
    if still:
        acc = state[HOLDS + RETRACTING]
    elif extrudes:
        acc = state[HOLDS + PRINTING]
    else:
        acc = state[HOLDS + TRAVELLING]
    if state[NEW_LIMITS] > 0:
        for k in range(18):
            held[count, LIMITS_HELD + k] = state[HOLDS + k]
        state[NEW_LIMITS], state[LIMITS_AT] = 0.0, count
    inverse = 1.0 / length
    held[count, LENGTH], held[count, ASKED], held[count, VOLUME] = length, asked, volume
    held[count, MELTED] = state[FLOW] / volume if volume * asked > state[FLOW] else asked
    held[count, HEADING], held[count, HEADING + 1] = x * inverse, y * inverse
    held[count, HEADING + 2], held[count, HEADING + 3] = z * inverse, e * inverse
    held[count, ACC_GIVEN], held[count, LIMITS_ROW] = acc, state[LIMITS_AT]
    held[count, STOPS], held[count, WAITS] = state[STOP], state[WAIT]
    held[count, FEATURE], held[count, ROW_LAYER] = state[FEATURE_NOW], state[LAYER]
    # 1 where plastic is laid, plus 2 where the tool was changed since the move before.
    held[count, PART] = (1.0 if extrudes and not still else 0.0) + state[CHANGED]
    state[WAIT], state[STOP], state[CHANGED] = 0.0, 0.0, 0.0
    return count + 1


@compiled
def move_to(number, seen, state, held, count):
    """G0 to G3: a straight move, or an arc as chords; one that is off any bed is counted as skipped."""
    unit, relative = state[UNIT], state[RELATIVE] > 0
    # Common firmware makes the extruder relative with the axes; that of M566 and of macros does not.
    apart = state[BY_MINUTE] > 0 or state[SQUARE] > 0
    relative_e = state[RELATIVE_E] > 0 or (relative and not apart)
    for k in range(3):
        target = state[AT_X + k]
        if (seen >> (23 + k)) & 1:
            value = state[WORDS + 23 + k] * unit
            target = value + target if relative else value
            if abs(target) > MOST_MM:
                state[OFF_BED] += 1
                return count
        state[TARGET + k] = target
    target = state[AT_X + 3]
    if (seen >> 4) & 1:
        value = state[WORDS + 4] * state[E_SCALE]
        target = value + target if relative_e else value
    state[TARGET + 3] = target
    tool = int(max(0.0, state[TOOL]))
    out = (state[TARGET + 3] - state[AT_X + 3]) * state[FED_OF + tool]
    if abs(out) > MOST_MM:
        state[OFF_BED] += 1
        return count
    if (seen >> 5) & 1 and state[WORDS + 5] > 0:
        state[SPEED] = state[WORDS + 5] * unit / 60
    if number <= 1:
        for k in range(4):
            state[WAY + k] = state[TARGET + k] - state[AT_X + k]
            state[AT_X + k] = state[TARGET + k]
        state[WAY + 3] = out
        count = append_move(state, held, count)
        laid = state[WAY] != 0 or state[WAY + 1] != 0 or state[WAY + 2] != 0
    else:
        before = count
        count = arc_to(number == 2, seen, state, held, count)
        if count < 0:
            state[OFF_BED] += 1
            return before
        laid = True
    if out != 0:
        state[TOOL] = tool
        state[MOVED + tool] += out
        state[DRAWN + tool] = max(0.0, state[DRAWN + tool] - out)
        # What is drawn back on the way of a wipe is no plastic laid.
        laid = laid and out > 0
        place = EXTRUDED if laid else FED
        state[place + tool * MOST_FEATURES + int(state[FEATURE_NOW])] += out
        if laid and state[LAYER_WORDS] == 0:
            count_height(state)
    return count


@compiled
def count_height(state):
    """Counts layers by the heights at which plastic is laid, for a file that marks none; pieces printed one after another
    count each, and on a spiral every rise by a layer's step."""
    z, risen = state[AT_X + 2], state[AT_X + 2] - state[LAYER_Z]
    if state[Z_LAYERS] == 0 or (state[Z_LAYERS] == 1 and risen < 0):
        # A line that primes the nozzle may lie higher than the first layer.
        state[Z_LAYERS], state[LAYER_Z] = 1.0, z
    elif state[WAY + 2] == 0 and abs(risen) > 1e-4:
        state[Z_LAYERS] += 1
        if risen > 0:
            state[LAYER_STEP] = risen
        state[LAYER_Z] = z
    elif state[WAY + 2] > 0 and state[LAYER_STEP] > 0 and risen >= state[LAYER_STEP] - 1e-4:
        state[Z_LAYERS] += 1
        state[LAYER_Z] += state[LAYER_STEP]


@compiled
def draw_back(back, state, held, count):
    """Retraction by the firmware, and its end: a move of the extruder alone, that the file's E knows nothing of."""
    if (state[DRAWN_BACK] > 0) == back:
        return count
    state[DRAWN_BACK] = 1.0 if back else 0.0
    for k in range(3):
        state[WAY + k] = 0.0
    state[WAY + 3] = -state[BACK_MM] if back else state[BACK_MM]
    asked, factor = state[SPEED], state[FACTOR]
    state[SPEED], state[FACTOR] = state[BACK_SPEED] if back else state[FORTH_SPEED], 1.0
    count = append_move(state, held, count)
    state[SPEED], state[FACTOR] = asked, factor
    return count


@compiled
def arc_to(clockwise, seen, state, held, count):
    """Chords of an arc in the XY plane by its centre (I, J) or radius (R); −1 where there is no such arc."""
    x0, y0 = state[AT_X], state[AT_X + 1]
    if (seen >> 17) & 1:
        r = state[WORDS + 17] * state[UNIT]
        dx, dy = state[TARGET] - x0, state[TARGET + 1] - y0
        chord = math.hypot(dx, dy)
        if chord == 0 or abs(r) < chord / 2 * (1 - 1e-6):
            return -1
        high = math.sqrt(max(0.0, r * r - chord * chord / 4)) / chord
        side = -1.0 if clockwise == (r > 0) else 1.0
        cx, cy = x0 + dx / 2 - side * dy * high, y0 + dy / 2 + side * dx * high
    else:
        cx = x0 + (state[WORDS + 8] * state[UNIT] if (seen >> 8) & 1 else 0.0)
        cy = y0 + (state[WORDS + 9] * state[UNIT] if (seen >> 9) & 1 else 0.0)
    radius = math.hypot(x0 - cx, y0 - cy)
    if not radius <= MOST_MM:
        return -1
    a0 = math.atan2(y0 - cy, x0 - cx)
    turn = math.atan2(state[TARGET + 1] - cy, state[TARGET] - cx) - a0
    if clockwise and turn >= -1e-9:
        turn -= 2 * math.pi
    if not clockwise and turn <= 1e-9:
        turn += 2 * math.pi
    fewest = int(abs(turn) * CHORDS_A_TURN / (2 * math.pi)) + 1
    pieces = min(MOST_CHORDS, max(fewest, int(abs(turn) * radius / CHORD_MM)))
    fed = state[FED_OF + int(max(0.0, state[TOOL]))]
    for k in range(4):
        state[BEGIN + k] = state[AT_X + k]
    for p in range(1, pieces + 1):
        share = p / pieces
        for k in range(4):
            point = state[BEGIN + k] + (state[TARGET + k] - state[BEGIN + k]) * share
            if p < pieces and k == 0:
                point = cx + radius * math.cos(a0 + turn * share)
            if p < pieces and k == 1:
                point = cy + radius * math.sin(a0 + turn * share)
            state[WAY + k] = point - state[AT_X + k]
            state[AT_X + k] = point
        state[WAY + 3] *= fed
        count = append_move(state, held, count)
    for k in range(4):
        state[AT_X + k] = state[TARGET + k]
    return count
