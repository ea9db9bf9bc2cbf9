"""Printing time of a sliced file of any size, read and planned in one pass by compiled code.

The same rules as `moves` and `planner`, which are the plain and slow form of it and what it is tested against.
"""

import math
from collections.abc import Iterable, Iterator
from dataclasses import dataclass
from itertools import chain

import numpy as np
from numba import njit
from numpy.typing import NDArray

from crevlo.core.motion.limits import Limits

Floats = NDArray[np.float64]
# Moves held at once: look-ahead hardly ever reaches over a few hundred.
_HELD_MOVES = 1 << 17
_PIECE = 1 << 20
# A file with more is cut off there: arcs make thousands of moves of a short line.
MOST_MOVES = 30_000_000
_CHORD_MM, _MOST_CHORDS, _MOST_MM = 1.0, 4000, 1e5
SPEED_STEP, FLOW_STEP, _BINS = 5.0, 0.5, 200

# Places in the reader's state: position, modes, and the limits that hold.
_X, _SPEED, _FACTOR, _UNIT, _RELATIVE, _RELATIVE_E, _BY_MINUTE, _SPEEDS_SET, _RETRACTS_APART = (
    0,
    4,
    5,
    6,
    7,
    8,
    9,
    10,
    11,
)
_WAIT, _STOP, _RESETS, _SKIPPED = 12, 13, 14, 15
_MAX_SPEED, _MAX_ACC, _CORNER, _PRINTING, _RETRACTING, _TRAVELLING, _LEAST_P, _LEAST_T = (
    16,
    20,
    24,
    28,
    29,
    30,
    31,
    32,
)
# The move before: its axes' shares, its speed and what it may start with at a standstill; whether there is one.
_LAST, _LAST_SPEED, _LAST_SAFE, _HAS_LAST = 33, 37, 38, 39
_SETS = 40  # whether the file has set a limit
_STATE = 41
# Columns of a move held: length, speed, acceleration, corner, safe, asked, stop, mm³ per mm.
_LENGTH, _LIMITED, _ACC, _INTO, _SAFE, _ASKED, _STOPS, _VOLUME, _COLUMNS = 0, 1, 2, 3, 4, 5, 6, 7, 8


@dataclass(frozen=True, slots=True)
class Motion:
    """Totals of a file: seconds in all and waited, moves, whether it has more than are planned, whether it sets
    any limits itself, the share of moving time at the speed asked for, and seconds
    by speed (steps of SPEED_STEP mm/s) and by flow (steps of FLOW_STEP mm³/s)."""

    seconds: float
    waits_s: float
    moves: int
    skipped: int
    partial: bool
    sets_limits: bool
    at_asked_speed: float
    by_speed: Floats
    by_flow: Floats


def plan_stream(
    chunks: Iterable[bytes], limits: Limits, *, g90_resets_extrusion: bool = False, diameter_mm: float = 1.75
) -> Motion:
    """Motion of a file from its bytes in chunks of any size; memory does not grow with the file."""
    state = np.zeros(_STATE)
    state[_SPEED], state[_FACTOR], state[_UNIT], state[_RESETS] = 25.0, 1.0, 1.0, float(g90_resets_extrusion)
    state[_MAX_SPEED : _MAX_SPEED + 4] = limits.speed
    state[_MAX_ACC : _MAX_ACC + 4] = limits.acceleration
    state[_CORNER : _CORNER + 4] = limits.corner
    state[_PRINTING : _LEAST_T + 1] = (
        limits.printing, limits.retracting, limits.travelling, limits.least_printing_speed, limits.least_travel_speed,
    )  # fmt: skip
    area = math.pi * diameter_mm**2 / 4
    held = np.zeros((_HELD_MOVES + _MOST_CHORDS, _COLUMNS))
    totals = np.zeros(4)  # moving s, cruising at the speed asked for s, waits s, moves
    by_speed, by_flow = np.zeros(_BINS), np.zeros(_BINS)
    count, entry, tail = 0, -1.0, b""
    for piece in chain(_pieces(chunks), (None,)):
        # The last line may have no end.
        text = tail + (b"\n" if piece is None else piece)
        data, at = np.frombuffer(text, dtype=np.uint8).copy(), 0
        while at < len(data) and totals[3] <= MOST_MOVES:
            before = at
            at, count = _read(data, at, piece is None, state, held, count, area, totals)
            if count >= _HELD_MOVES:
                count, entry = _finish(held, count, entry, False, totals, by_speed, by_flow)
            elif at == before:
                break
        tail = text[at:]
        if len(tail) > _PIECE:
            tail = b""
            state[_SKIPPED] += 1
    count, entry = _finish(held, count, entry, True, totals, by_speed, by_flow)
    waits = float(totals[2] + state[_WAIT])
    return Motion(
        float(totals[0]) + waits, waits, int(totals[3]), int(state[_SKIPPED]), bool(totals[3] > MOST_MOVES), bool(state[_SETS] > 0),
        float(totals[1] / totals[0]) if totals[0] else 0.0, by_speed, by_flow,
    )  # fmt: skip


def compiled() -> None:
    """Compiles all of it, or loads what an earlier call has compiled: done when Crevlo is installed."""
    plan_stream([b"G1 X1 E1 F600\nG2 X2 Y0 I0.5 J0\nG2 X3 Y1 R1\n"], Limits())


def _pieces(chunks: Iterable[bytes]) -> Iterator[bytes]:
    for chunk in chunks:
        for start in range(0, len(chunk), _PIECE):
            yield chunk[start : start + _PIECE]


@njit(cache=True)
def _number(data, at, end):
    """A number from `at` on: (value, where it ends, whether there is one)."""
    i, sign = at, 1.0
    if i < end and (data[i] == 45 or data[i] == 43):
        sign = -1.0 if data[i] == 45 else 1.0
        i += 1
    value, digits, scale = 0.0, 0, 1.0
    while i < end and 48 <= data[i] <= 57:
        value = value * 10 + (data[i] - 48)
        digits += 1
        i += 1
    if i < end and data[i] == 46:
        i += 1
        while i < end and 48 <= data[i] <= 57:
            value = value * 10 + (data[i] - 48)
            scale *= 10
            digits += 1
            i += 1
    value = sign * value / scale
    if digits and i + 1 < end and (data[i] == 101 or data[i] == 69):
        j, power_sign = i + 1, 1
        if data[j] == 45 or data[j] == 43:
            power_sign = -1 if data[j] == 45 else 1
            j += 1
        power, some = 0, False
        while j < end and 48 <= data[j] <= 57:
            power = min(400, power * 10 + (data[j] - 48))
            some = True
            j += 1
        if some:
            value *= 10.0 ** (power_sign * power)
            i = j
    return value, i, digits > 0


@njit(cache=True)
def _append(way, state, held, count, area, totals):
    """Adds one straight move with its limits worked out; gives the new count."""
    if way[0] == 0 and way[1] == 0 and way[2] == 0 and way[3] == 0:
        return count
    straight = math.sqrt(way[0] * way[0] + way[1] * way[1] + way[2] * way[2])
    still = straight < 1e-9
    length = abs(way[3]) if still else straight
    if length == 0:
        return count
    asked = state[_SPEED] * state[_FACTOR]
    speed = max(asked, state[_LEAST_P] if way[3] > 0 else state[_LEAST_T])
    if still:
        acc = state[_RETRACTING]
    elif way[3] != 0:
        acc = state[_PRINTING]
    else:
        acc = state[_TRAVELLING]
    safe = 1e300
    for i in range(4):
        share = abs(way[i]) / length
        if share > 0:
            speed = min(speed, state[_MAX_SPEED + i] / share)
            acc = min(acc, state[_MAX_ACC + i] / share)
            safe = min(safe, state[_CORNER + i] / share)
    safe = min(safe, speed)
    into = speed
    if state[_HAS_LAST] > 0:
        common = min(speed, state[_LAST_SPEED])
        factor = 1.0
        for i in range(4):
            before = state[_LAST + i] * common
            behind = way[i] / length * common
            change = max(abs(before), abs(behind)) if before * behind < 0 else abs(behind - before)
            if change > state[_CORNER + i]:
                factor = min(factor, state[_CORNER + i] / change)
        into = max(common * factor, min(min(safe, state[_LAST_SAFE]), common))
    row = held[count]
    row[_LENGTH], row[_LIMITED], row[_ACC], row[_INTO], row[_SAFE], row[_ASKED] = (
        length,
        speed,
        acc,
        into,
        safe,
        asked,
    )
    row[_STOPS] = 1.0 if state[_STOP] > 0 or state[_HAS_LAST] == 0 else 0.0
    row[_VOLUME] = way[3] * area / length if way[3] > 0 and not still else 0.0
    for i in range(4):
        state[_LAST + i] = way[i] / length
    state[_LAST_SPEED], state[_LAST_SAFE], state[_HAS_LAST] = speed, safe, 1.0
    totals[2] += state[_WAIT]
    state[_WAIT], state[_STOP] = 0.0, 0.0
    return count + 1


@njit(cache=True)
def _read(data, at, last, state, held, count, area, totals):
    """Reads whole lines from `at` on until the data or the room is used up: where it stopped, and the count of moves."""
    n = len(data)
    words = np.zeros(26)
    given = np.zeros(26, dtype=np.bool_)
    way = np.zeros(4)
    axes = (23, 24, 25, 4)  # X Y Z E
    while at < n and count < _HELD_MOVES:
        end = at
        while end < n and data[end] != 10 and data[end] != 13:
            end += 1
        if end == n and not last:
            return at, count
        i = at
        at = end + 1
        while i < end and (data[i] == 32 or data[i] == 9):
            i += 1
        if i == end:
            continue
        letter = data[i] & 0xDF
        if letter != 71 and letter != 77:
            continue
        code, j, ok = _number(data, i + 1, end)
        # A command is a letter, a number, and then a space or nothing.
        if not ok or (j < end and data[j] != 32 and data[j] != 9 and data[j] != 59):
            continue
        given[:] = False
        i = j
        while i < end and data[i] != 59:
            if data[i] == 32 or data[i] == 9:
                i += 1
                continue
            name = (data[i] & 0xDF) - 65
            value, j, ok = _number(data, i + 1, end)
            whole = j >= end or data[j] == 32 or data[j] == 9 or data[j] == 59
            if ok and whole and 0 <= name < 26 and math.isfinite(value):
                if name == 0:
                    name = 4  # an extruder called A
                words[name] = value
                given[name] = True
                i = j
            else:
                while i < end and data[i] != 32 and data[i] != 9 and data[i] != 59:
                    i += 1
        number = int(code)
        if letter == 71:
            if number <= 3 and code == number:
                count = _move(number, words, given, axes, way, state, held, count, area, totals)
            elif code == 4:
                wait = words[18] if given[18] else (words[15] / 1000 if given[15] else 0.0)
                state[_WAIT] += max(0.0, min(wait, 86400.0))
                state[_STOP] = 1.0
            elif code == 92:
                for k in range(4):
                    if given[axes[k]]:
                        state[_X + k] = words[axes[k]] * state[_UNIT]
            elif code == 90 or code == 91:
                state[_RELATIVE] = 1.0 if code == 91 else 0.0
                if state[_RESETS] > 0:
                    state[_RELATIVE_E] = state[_RELATIVE]
            elif code == 20 or code == 21:
                state[_UNIT] = 25.4 if code == 20 else 1.0
        elif code == 82 or code == 83:
            state[_RELATIVE_E] = 1.0 if code == 83 else 0.0
        elif code == 220:
            if given[18] and words[18] > 0:
                state[_FACTOR] = words[18] / 100
        else:
            _limit(code, words, given, axes, state)
    return at, count


@njit(cache=True)
def _limit(code, words, given, axes, state):
    if code == 201 or code == 203 or code == 204 or code == 205 or code == 566:
        state[_SETS] = 1.0
    if code == 201 or code == 203 or code == 205 or code == 566:
        place = _MAX_ACC if code == 201 else _MAX_SPEED if code == 203 else _CORNER
        if code == 566:
            if state[_SPEEDS_SET] > 0 and state[_BY_MINUTE] == 0:
                for k in range(4):
                    state[_MAX_SPEED + k] /= 60
            state[_BY_MINUTE] = 1.0
        if code == 203:
            state[_SPEEDS_SET] = 1.0
        by = 60.0 if code == 566 or (code == 203 and state[_BY_MINUTE] > 0) else 1.0
        for k in range(4):
            if given[axes[k]] and words[axes[k]] > 0:
                state[place + k] = words[axes[k]] / by
        if code == 205:
            if given[18]:
                state[_LEAST_P] = max(0.0, words[18])
            if given[19]:
                state[_LEAST_T] = max(0.0, words[19])
    elif code == 204:
        printing = words[15] if given[15] else words[18] if given[18] else 0.0
        if given[17] and words[17] > 0:
            state[_RETRACTS_APART] = 1.0
        retracting = words[17] if given[17] else 0.0 if state[_RETRACTS_APART] > 0 else printing
        if printing > 0:
            state[_PRINTING] = printing
        if retracting > 0:
            state[_RETRACTING] = retracting
        if given[19] and words[19] > 0:
            state[_TRAVELLING] = words[19]


@njit(cache=True)
def _move(number, words, given, axes, way, state, held, count, area, totals):
    """G0 to G3: a straight move, or an arc as chords; one that is off any bed is counted as skipped."""
    target = np.zeros(4)
    for k in range(4):
        target[k] = state[_X + k]
        if given[axes[k]]:
            value = words[axes[k]] * state[_UNIT]
            relative = state[_RELATIVE_E] if k == 3 else state[_RELATIVE]
            target[k] = value + (state[_X + k] if relative > 0 else 0.0)
            if k < 3 and abs(target[k]) > _MOST_MM:
                state[_SKIPPED] += 1
                return count
    if abs(target[3] - state[_X + 3]) > _MOST_MM:
        state[_SKIPPED] += 1
        return count
    if given[5] and words[5] > 0:
        state[_SPEED] = words[5] * state[_UNIT] / 60
    if number <= 1:
        for k in range(4):
            way[k] = target[k] - state[_X + k]
            state[_X + k] = target[k]
        return _append(way, state, held, count, area, totals)
    clockwise = number == 2
    x0, y0 = state[_X], state[_X + 1]
    if given[17]:
        r = words[17] * state[_UNIT]
        dx, dy = target[0] - x0, target[1] - y0
        chord = math.hypot(dx, dy)
        if chord == 0 or abs(r) < chord / 2 * (1 - 1e-6):
            state[_SKIPPED] += 1
            return count
        high = math.sqrt(max(0.0, r * r - chord * chord / 4)) / chord
        side = -1.0 if clockwise == (r > 0) else 1.0
        cx, cy = x0 + dx / 2 - side * dy * high, y0 + dy / 2 + side * dx * high
    else:
        cx = x0 + (words[8] * state[_UNIT] if given[8] else 0.0)
        cy = y0 + (words[9] * state[_UNIT] if given[9] else 0.0)
    radius = math.hypot(x0 - cx, y0 - cy)
    if radius > _MOST_MM:
        state[_SKIPPED] += 1
        return count
    a0 = math.atan2(y0 - cy, x0 - cx)
    turn = math.atan2(target[1] - cy, target[0] - cx) - a0
    if clockwise and turn >= -1e-9:
        turn -= 2 * math.pi
    if not clockwise and turn <= 1e-9:
        turn += 2 * math.pi
    pieces = min(_MOST_CHORDS, max(1, int(abs(turn) * radius / _CHORD_MM)))
    begin = np.array([state[_X], state[_X + 1], state[_X + 2], state[_X + 3]])
    for p in range(1, pieces + 1):
        share = p / pieces
        for k in range(4):
            point = begin[k] + (target[k] - begin[k]) * share
            if p < pieces and k == 0:
                point = cx + radius * math.cos(a0 + turn * share)
            if p < pieces and k == 1:
                point = cy + radius * math.sin(a0 + turn * share)
            way[k] = point - state[_X + k]
            state[_X + k] = point
        count = _append(way, state, held, count, area, totals)
    for k in range(4):
        state[_X + k] = target[k]
    return count


@njit(cache=True)
def _finish(held, count, entry, over, totals, by_speed, by_flow):
    """Times the moves whose speeds no later move can change; the others go to the front: their count, and the speed
    into the first of them. `entry` below 0 stands for a beginning at rest."""
    if count == 0:
        return 0, entry
    low, high = np.empty(count), np.empty(count)
    fixed = count if over else 0
    low_exit = held[count - 1, _SAFE]
    high_exit = low_exit if over else held[count - 1, _LIMITED]
    low_after, high_after = low_exit, high_exit
    for i in range(count - 1, -1, -1):
        row = held[i]
        if i < count - 1 and held[i + 1, _STOPS] > 0:
            low_after = high_after = row[_SAFE]
        most = row[_SAFE] if row[_STOPS] > 0 else row[_INTO]
        low[i] = min(most, math.sqrt(low_after * low_after + 2 * row[_ACC] * row[_LENGTH]))
        high[i] = min(most, math.sqrt(high_after * high_after + 2 * row[_ACC] * row[_LENGTH]))
        if fixed == 0 and i > 0 and low[i] == high[i]:
            fixed = i
        low_after, high_after = low[i], high[i]
    if fixed == 0:
        fixed = count - 1 if count > 1 else count
    for i in range(fixed):
        row = held[i]
        acc, length = row[_ACC], row[_LENGTH]
        begin = low[i] if entry < 0 or row[_STOPS] > 0 else entry
        leave = low_exit if i + 1 == count else row[_SAFE] if held[i + 1, _STOPS] > 0 else low[i + 1]
        leave = min(leave, math.sqrt(begin * begin + 2 * acc * length))
        meeting = math.sqrt((2 * acc * length + begin * begin + leave * leave) / 2)
        peak = max(min(row[_LIMITED], meeting), max(begin, leave))
        up, down = (peak * peak - begin * begin) / (2 * acc), (peak * peak - leave * leave) / (2 * acc)
        cruise = max(0.0, length - up - down) / peak
        slopes = (peak - begin) / acc + (peak - leave) / acc
        totals[0] += cruise + slopes
        totals[3] += 1
        if peak >= row[_ASKED] * (1 - 1e-6):
            totals[1] += cruise
        middle = length / (cruise + slopes)
        by_speed[min(_BINS - 1, int(middle / SPEED_STEP))] += cruise + slopes
        by_flow[min(_BINS - 1, int(middle * row[_VOLUME] / FLOW_STEP))] += cruise + slopes
        entry = leave
    for i in range(fixed, count):
        held[i - fixed] = held[i]
    return count - fixed, entry
