"""How fast a machine gets through its moves: trapezoids of speed with look-ahead, as firmware plans them."""

import math
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from crevlo.core.motion.moves import Moves

Floats = NDArray[np.float64]


@dataclass(frozen=True, slots=True)
class Plan:
    """By move: speeds in mm/s when it begins, at most, and when it ends; seconds of speeding up, cruising, slowing down."""

    entry: Floats
    peak: Floats
    exit: Floats
    up_s: Floats
    cruise_s: Floats
    down_s: Floats
    asked: Floats
    waits_s: float

    @property
    def seconds(self) -> float:
        return float(self.up_s.sum() + self.cruise_s.sum() + self.down_s.sum()) + self.waits_s

    @property
    def at_asked_speed(self) -> float:
        """Share of the moving time at the speed that the file asks for."""
        moving = float((self.up_s + self.cruise_s + self.down_s).sum())
        reached = self.peak >= self.asked * (1 - 1e-6)
        return float(self.cruise_s[reached].sum()) / moving if moving else 0.0


def plan(moves: Moves) -> Plan:
    """Each axis keeps its speed and acceleration; at a corner no axis changes its speed by more than it may at once.

    Corners as for machines that limit the jump of each axis' speed. Source: the trapezoid planner of common firmware, in
    which a reverse pass lets every move stop within what follows and a forward pass lets it be reached from before.
    """
    n = len(moves.speed)
    length, speed, acceleration, share = _limited(moves)
    safe, corner = _corners(moves, speed, share)
    stops = moves.stops.copy()
    if n:
        stops[0] = True
    entry, exits = np.zeros(n), np.zeros(n)
    for i in range(n - 1, -1, -1):
        last = i == n - 1 or stops[i + 1]
        exits[i] = safe[i] if last else entry[i + 1]
        reach = math.sqrt(exits[i] * exits[i] + 2 * acceleration[i] * length[i])
        entry[i] = min(safe[i] if stops[i] else corner[i], reach)
    for i in range(n):
        if not stops[i]:
            entry[i] = exits[i - 1]
        exits[i] = min(exits[i], math.sqrt(entry[i] * entry[i] + 2 * acceleration[i] * length[i]))
    # Speeding up and slowing down meet below the speed asked for where the way is too short for it.
    meeting = np.sqrt((2 * acceleration * length + entry**2 + exits**2) / 2)
    peak = np.maximum(np.minimum(speed, meeting), np.maximum(entry, exits))
    up, down = (peak**2 - entry**2) / (2 * acceleration), (peak**2 - exits**2) / (2 * acceleration)
    cruise = np.maximum(0.0, length - up - down)
    return Plan(
        entry, peak, exits, (peak - entry) / acceleration, np.where(cruise > 0, cruise / peak, 0.0),
        (peak - exits) / acceleration, moves.speed, float(moves.waits.sum()) + moves.after,
    )  # fmt: skip


def _table(moves: Moves, name: str) -> Floats:
    """A limit at every move: shape (n, 4) for axes, (n,) for one number."""
    return np.array([getattr(limits, name) for limits in moves.limits], dtype=float)[moves.which]


def _limited(moves: Moves) -> tuple[Floats, Floats, Floats, Floats]:
    """Length, speed and acceleration of each move within its axes' limits, and its axes' share of the way (n, 4)."""
    way = moves.way
    straight = np.sqrt((way[:, :3] ** 2).sum(axis=1))
    still = straight < 1e-9
    length = np.where(still, np.abs(way[:, 3]), straight)
    share = way / length[:, None]
    extrudes = way[:, 3] > 0
    least = np.where(extrudes, _table(moves, "least_printing_speed"), _table(moves, "least_travel_speed"))
    with np.errstate(divide="ignore"):
        speed = np.minimum(np.maximum(moves.speed, least), (_table(moves, "speed") / np.abs(share)).min(axis=1))
        most = (_table(moves, "acceleration") / np.abs(share)).min(axis=1)
    asked = np.where(
        still,
        _table(moves, "retracting"),
        np.where(np.abs(way[:, 3]) > 0, _table(moves, "printing"), _table(moves, "travelling")),
    )
    return length, speed, np.minimum(asked, most), share


def _corners(moves: Moves, speed: Floats, share: Floats) -> tuple[Floats, Floats]:
    """The speed a move may start and end with at a standstill, and the speed into it from the move before."""
    jump = _table(moves, "corner")
    with np.errstate(divide="ignore"):
        safe = np.minimum(speed, (jump / np.abs(share)).min(axis=1))
    most = speed.copy()
    if len(speed) > 1:
        common = np.minimum(speed[1:], speed[:-1])[:, None]
        before, behind = share[:-1] * common, share[1:] * common
        change = np.abs(behind - before)
        turned = before * behind < 0
        # An axis that turns round passes through rest: each half counts by itself.
        change = np.where(turned, np.maximum(np.abs(before), np.abs(behind)), change)
        with np.errstate(divide="ignore", over="ignore"):
            factor = np.minimum(1.0, (jump[1:] / np.maximum(change, 1e-300)).min(axis=1))
        most[1:] = common[:, 0] * factor
        # A corner is never slower than a standstill would be.
        both = np.minimum(safe[1:], safe[:-1])
        most[1:] = np.maximum(most[1:], np.minimum(both, common[:, 0]))
    return safe, most
