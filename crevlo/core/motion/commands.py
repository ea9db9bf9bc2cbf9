"""The commands of a sliced file that are no moves: modes, limits, waits, units and retraction, compiled."""

import math

from crevlo.core.compiled import compiled
from crevlo.core.motion.layout import (
    ACC_LIMIT,
    ASIDE,
    AT_X,
    AXES,
    BACK_MM,
    BACK_SPEED,
    BED_WAITS,
    BY_MINUTE,
    CHANGED,
    CHANGES,
    CORNER,
    E_SCALE,
    FACTOR,
    FED_OF,
    FLOW,
    FORTH_SPEED,
    GIVEN,
    JUNCTION,
    LEAST_P,
    LEAST_T,
    MOST_TOOLS,
    MOST_WORD,
    NOZZLE_WAITS,
    OWN_AREA,
    PRINTING,
    PROGRESS_MIN,
    RELATIVE,
    RELATIVE_E,
    RESETS,
    RETRACTING,
    RETRACTS_APART,
    SETS,
    SPEEDS_SET,
    SQUARE,
    STOP,
    TOOL,
    TRAVELLING,
    UNIT,
    UNKNOWN_TOOLS,
    WAIT,
    WORDS,
)
from crevlo.core.motion.moves import hold_limits
from crevlo.core.motion.words import ACCEL_WORD, SQUARE_WORD, VELOCITY_WORD, number_at, starts_with


@compiled
def choose(tool, state):
    if tool >= MOST_TOOLS or tool != int(tool):
        state[UNKNOWN_TOOLS] += 1
        return
    if state[TOOL] >= 0 and tool != state[TOOL]:
        state[CHANGES] += 1
        state[CHANGED] = 2.0
    state[TOOL] = tool


@compiled
def mode(code, seen, state):
    if code == 4:
        wait = state[WORDS + 18] if (seen >> 18) & 1 else state[WORDS + 15] / 1000 if (seen >> 15) & 1 else 0.0
        state[WAIT] += max(0.0, min(wait, 86400.0))
        state[STOP] = 1.0
    elif code == 92:
        for k in range(4):
            axis = 23 + k if k < 3 else 4
            if (seen >> axis) & 1:
                state[AT_X + k] = state[WORDS + axis] * (state[E_SCALE] if k == 3 else state[UNIT])
    elif code == 28:
        every = not (seen >> 23) & 7
        for k in range(3):
            if every or (seen >> (23 + k)) & 1:
                state[AT_X + k] = 0.0
        state[STOP] = 1.0
    elif code == 90 or code == 91:
        state[RELATIVE] = 1.0 if code == 91 else 0.0
        if state[RESETS] > 0:
            state[RELATIVE_E] = state[RELATIVE]
    else:
        state[E_SCALE] *= (25.4 if code == 20 else 1.0) / state[UNIT]
        state[UNIT] = 25.4 if code == 20 else 1.0


@compiled
def knows(letter, number):
    if letter == 71:
        return (
            number == 4
            or number == 92
            or number == 90
            or number == 91
            or number == 20
            or number == 21
            or (number == 28 or number == 10 or number == 11)
        )
    return (
        number == 82 or number == 83 or number == 201 or number == 203 or number == 204 or number == 205
        or number == 220 or number == 566 or number == 73 or number == 109 or number == 190 or number == 200
        or number == 207 or number == 208 or number == 221
    )  # fmt: skip


@compiled
def limit(code, seen, state):
    """The M commands that set a mode, a limit, a temperature waited for, or a mark of progress."""
    if code == 82 or code == 83:
        state[RELATIVE_E] = 1.0 if code == 83 else 0.0
        return
    s, p, r, t = (seen >> 18) & 1, (seen >> 15) & 1, (seen >> 17) & 1, (seen >> 19) & 1
    if code == 220:
        if (seen >> 1) & 1:
            state[ASIDE] = state[FACTOR]
        if s and state[WORDS + 18] > 0:
            state[FACTOR] = state[WORDS + 18] / 100
        elif r and state[ASIDE] > 0:
            state[FACTOR] = state[ASIDE]
        return
    if code == 221:
        tool = state[WORDS + 19] if t else max(0.0, state[TOOL])
        if s and state[WORDS + 18] > 0 and 0 <= tool < MOST_TOOLS:
            state[FED_OF + int(tool)] = min(state[WORDS + 18] / 100, 100.0)
        return
    if code == 200:
        volumes(seen, state)
        return
    if code == 207 or code == 208:
        if code == 207 and s:
            state[BACK_MM] = min(max(0.0, state[WORDS + 18]), 1000.0)
        if (seen >> 5) & 1 and state[WORDS + 5] > 0:
            state[FORTH_SPEED] = state[WORDS + 5] / 60
            if code == 207:
                state[BACK_SPEED] = state[FORTH_SPEED]
        return
    if code == 73:
        if r and state[PROGRESS_MIN] < 0:
            state[PROGRESS_MIN] = state[WORDS + 17]
        return
    if code == 109 or code == 190:
        place = NOZZLE_WAITS if code == 109 else BED_WAITS
        state[place] += 1
        target = state[WORDS + 18] if s else state[WORDS + 17] if r else 0.0
        state[place + 1] = max(state[place + 1], min(target, 1000.0))
        return
    state[SETS] = 1.0
    if code == 204:
        printing = state[WORDS + 15] if p else state[WORDS + 18] if s else 0.0
        # An S is of the older form: of printing and travel together, with a T for retractions.
        older = s and not p
        travelling = state[WORDS + 18] if older else state[WORDS + 19] if t else 0.0
        if older and t and not r:
            r, state[WORDS + 17] = 1, state[WORDS + 19]
        if r and state[WORDS + 17] > 0:
            state[RETRACTS_APART] = 1.0
        # Firmware without a figure of its own for retractions takes the one for printing.
        retracting = state[WORDS + 17] if r else 0.0 if state[RETRACTS_APART] > 0 else printing
        if printing > 0:
            state[GIVEN + PRINTING] = printing
        if retracting > 0:
            state[GIVEN + RETRACTING] = retracting
        if travelling > 0:
            state[GIVEN + TRAVELLING] = travelling
    else:
        place = ACC_LIMIT if code == 201 else AXES if code == 203 else CORNER
        if code == 566:
            if state[SPEEDS_SET] > 0 and state[BY_MINUTE] == 0:
                for k in range(4):
                    state[GIVEN + AXES + k] /= 60
            state[BY_MINUTE] = 1.0
        if code == 203:
            state[SPEEDS_SET] = 1.0
        by = 60.0 if code == 566 or (code == 203 and state[BY_MINUTE] > 0) else 1.0
        for k in range(4):
            axis = 23 + k if k < 3 else 4
            if (seen >> axis) & 1 and state[WORDS + axis] > 0:
                state[GIVEN + place + k] = state[WORDS + axis] / by
        if code == 205:
            if s:
                state[GIVEN + LEAST_P] = max(0.0, state[WORDS + 18])
            if t:
                state[GIVEN + LEAST_T] = max(0.0, state[WORDS + 19])
            if (seen >> 9) & 1:
                state[GIVEN + JUNCTION] = min(max(0.0, state[WORDS + 9]), 10.0)
    hold_limits(state)


@compiled
def volumes(seen, state):
    """M200: an E counts mm³ of filament of the diameter D from here on, or mm again where that is 0."""
    s, d = (seen >> 18) & 1, (seen >> 3) & 1
    diameter = state[WORDS + 3] if d else 0.0
    if s and state[WORDS + 18] == 0:
        diameter = 0.0
    elif not d or not diameter <= 10:
        return
    area = math.pi * diameter * diameter / 4
    scale = 1 / area if area > 1e-3 else state[UNIT]
    state[AT_X + 3] *= scale / state[E_SCALE]
    state[E_SCALE] = scale
    state[FLOW + 1] = area if area > 1e-3 else state[OWN_AREA]


@compiled
def velocity_limit(data, at, end, state):
    """The limits that a macro sets by name: a top speed, one acceleration for all, the speed around a right angle."""
    while at < end and data[at] != 59:
        if data[at] == 32 or data[at] == 9:
            at += 1
            continue
        equals = at
        while equals < end and data[equals] != 61 and data[equals] != 32:
            equals += 1
        value, stop, ok = number_at(data, equals + 1, end)
        if ok and value > 0 and value < MOST_WORD:
            if starts_with(data, at, equals + 1, VELOCITY_WORD):
                state[GIVEN + AXES] = state[GIVEN + AXES + 1] = value
            elif starts_with(data, at, equals + 1, ACCEL_WORD):
                state[GIVEN + PRINTING] = state[GIVEN + TRAVELLING] = value
            elif starts_with(data, at, equals + 1, SQUARE_WORD):
                state[SQUARE] = value
            state[SETS] = 1.0
        at = max(stop, equals + 1)
    if state[SQUARE] > 0:
        # How far from the corner an arc that is taken at this speed passes it: v² = a·δ/(√2 − 1).
        state[GIVEN + JUNCTION] = min(state[SQUARE] ** 2 * (math.sqrt(2) - 1) / state[GIVEN + PRINTING], 10.0)
    hold_limits(state)
