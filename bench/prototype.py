"""The plainest compiled motion there is, to measure the reader of sliced files against: no facts, no causes, no features.

It takes G0 and G1 with absolute X, Y, Z, absolute or relative E, and F; one acceleration, one jump of speed at corners.
"""

import math

import numpy as np

from crevlo.core.compiled import compiled


def motion_s(content: bytes, acceleration: float = 1500.0, jump: float = 10.0) -> float:
    """Time in s of the moves of a file held in memory."""
    data = np.frombuffer(content, np.uint8)
    moves = np.empty((content.count(b"\n") + 1, 6))
    n = _moves(data, moves, b"M83" in content)
    return float(_time(moves, n, acceleration, jump))


@compiled
def _moves(data, moves, relative):
    """Length, speed asked for and direction of every move."""
    at, n, end = 0, 0, len(data)
    now = np.zeros(5)
    while at < end:
        words = np.zeros(5)
        given = np.zeros(5)
        is_move = (
            data[at] == 71 and at + 2 < end and (data[at + 1] == 48 or data[at + 1] == 49) and data[at + 2] == 32
        )
        if is_move:
            at += 3
            while at < end and data[at] != 10 and data[at] != 59:
                letter = data[at]
                axis = -1
                if letter == 88:
                    axis = 0
                elif letter == 89:
                    axis = 1
                elif letter == 90:
                    axis = 2
                elif letter == 69:
                    axis = 3
                elif letter == 70:
                    axis = 4
                at += 1
                if axis < 0:
                    continue
                sign, whole, scale, point = 1.0, 0.0, 1.0, False
                while at < end:
                    c = data[at]
                    if c == 45:
                        sign = -1.0
                    elif c == 46:
                        point = True
                    elif 48 <= c <= 57:
                        whole = whole * 10 + (c - 48)
                        if point:
                            scale *= 10
                    else:
                        break
                    at += 1
                words[axis] = sign * whole / scale
                given[axis] = 1.0
            step = np.zeros(4)
            for axis in range(4):
                if given[axis] > 0:
                    step[axis] = words[axis] if axis == 3 and relative else words[axis] - now[axis]
                    now[axis] = now[axis] + step[axis]
            if given[4] > 0:
                now[4] = words[4] / 60
            length = math.sqrt(step[0] ** 2 + step[1] ** 2 + step[2] ** 2)
            if length == 0:
                length = abs(step[3])
            if length > 0 and now[4] > 0:
                moves[n, 0] = length
                moves[n, 1] = now[4]
                for axis in range(4):
                    moves[n, 2 + axis] = step[axis] / length
                n += 1
        while at < end and data[at] != 10:
            at += 1
        at += 1
    return n


@compiled
def _time(moves, n, acceleration, jump):
    """Speeds into every move from behind, then the time from the front."""
    into = np.empty(n + 1)
    into[n] = 0.0
    for i in range(n - 1, -1, -1):
        most = 0.0
        if i > 0:
            most = min(moves[i, 1], moves[i - 1, 1])
            for axis in range(4):
                change = abs(moves[i, 2 + axis] - moves[i - 1, 2 + axis]) * most
                if change > jump:
                    most *= jump / change
        reach = math.sqrt(into[i + 1] ** 2 + 2 * acceleration * moves[i, 0])
        into[i] = min(most, reach)
    seconds, speed = 0.0, 0.0
    for i in range(n):
        length = moves[i, 0]
        leave = min(into[i + 1], math.sqrt(speed * speed + 2 * acceleration * length))
        peak = min(moves[i, 1], math.sqrt(acceleration * length + (speed * speed + leave * leave) / 2))
        peak = max(peak, max(speed, leave))
        way = (2 * peak * peak - speed * speed - leave * leave) / (2 * acceleration)
        seconds += (2 * peak - speed - leave) / acceleration + max(0.0, length - way) / peak
        speed = leave
    return seconds
