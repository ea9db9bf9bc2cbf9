"""How fast a machine gets through its moves, in plain Python: what the compiled planner is held against."""

import math
from dataclasses import dataclass, replace

import numpy as np
from numpy.typing import NDArray

from crevlo.core.motion.limits import Four, Keep, Limits, Machine
from tests.plain.moves import Moves

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
    length, speed, acceleration, share, asked = _limited(moves)
    safe, corner = _corners(moves, speed, acceleration, share)
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
        reach = math.sqrt(entry[i] * entry[i] + 2 * acceleration[i] * length[i])
        if reach < speed[i]:
            exits[i] = min(exits[i], reach)
    # The next move may begin faster than the one before goes, by no more than its axes may jump.
    exits = np.minimum(exits, speed)
    # Speeding up and slowing down meet below the speed asked for where the way is too short for it.
    meeting = np.sqrt((2 * acceleration * length + entry**2 + exits**2) / 2)
    peak = np.maximum(np.minimum(speed, meeting), np.maximum(entry, exits))
    up, down = (peak**2 - entry**2) / (2 * acceleration), (peak**2 - exits**2) / (2 * acceleration)
    cruise = np.maximum(0.0, length - up - down)
    return Plan(
        entry, peak, exits, (peak - entry) / acceleration, np.where(cruise > 0, cruise / peak, 0.0),
        (peak - exits) / acceleration, asked, float(moves.waits.sum()) + moves.after,
    )  # fmt: skip


def on_machine(moves: Moves, machine: Machine, keep: Keep | None = None) -> Moves:
    """The moves on a machine that keeps its own limits where they are tighter than the file's."""
    keep = keep or Keep()
    free: Four = (1e12,) * 4

    def tighter(given: Limits) -> Limits:
        own = machine.limits

        def axes(name: str) -> Four:
            x, y, z, e = (min(a, b) for a, b in zip(getattr(given, name), getattr(own, name), strict=True))
            return x, y, z, e

        junctions = [j for j in (given.junction_mm, own.junction_mm) if j > 0]
        made = replace(
            given, speed=axes("speed"), acceleration=axes("acceleration"), corner=axes("corner"),
            printing=min(given.printing, own.printing), retracting=min(given.retracting, own.retracting),
            travelling=min(given.travelling, own.travelling), junction_mm=min(junctions, default=0.0),
            least_printing_speed=0.0, least_travel_speed=0.0,
        )  # fmt: skip
        if not keep.axes:
            made = replace(made, speed=free)
        if not keep.acceleration:
            made = replace(made, acceleration=free, printing=1e12, retracting=1e12, travelling=1e12)
        if not keep.corners:
            made = replace(made, corner=free, junction_mm=0.0)
        return made

    extrudes = moves.way[:, 3] > 0
    least = np.where(extrudes, _table(moves, "least_printing_speed"), _table(moves, "least_travel_speed"))
    moves = replace(
        moves, limits=tuple(tighter(given) for given in moves.limits), speed=np.maximum(moves.speed, least)
    )  # fmt: skip
    if machine.most_mm3_s is None:
        return moves
    volume = volume_per_mm(moves, machine.diameter_mm)
    with np.errstate(divide="ignore"):
        most = np.where(volume > 0, machine.most_mm3_s / volume, np.inf)
    return replace(moves, speed=np.minimum(moves.speed, most))


def volume_per_mm(moves: Moves, diameter_mm: float = 1.75) -> Floats:
    """Filament melted in mm³ per mm of way, of moves that lay plastic."""
    straight = np.sqrt((moves.way[:, :3] ** 2).sum(axis=1))
    extruding = (straight > 1e-9) & (moves.way[:, 3] > 0)
    stated = np.array(moves.diameters)
    area = math.pi * np.where(stated > 0, stated, diameter_mm) ** 2 / 4
    return np.where(extruding, moves.way[:, 3] * area / np.where(extruding, straight, 1.0), 0.0)


def spent(moves: Moves, made: Plan) -> tuple[dict[str, float], dict[int, float], list[float]]:
    """Seconds by feature type, by layer, and for each tool change."""
    took = (made.up_s + made.cruise_s + made.down_s + moves.waits).tolist()
    lays = (volume_per_mm(moves) > 0).tolist()
    by_feature: dict[str, float] = {}
    by_layer: dict[int, float] = {}
    changes, since, count = [], 0.0, 0
    for seconds, feature, layer, changed, laid in zip(
        took, moves.features, moves.layers, moves.changed, lays, strict=True
    ):
        by_feature[feature] = by_feature.get(feature, 0.0) + seconds
        by_layer[layer] = by_layer.get(layer, 0.0) + seconds
        count += changed
        purge = any(word in feature.lower() for word in ("tower", "custom", "purge", "flush", "prime"))
        if laid and not purge:
            if count:
                changes.append(since / count)
            since, count = 0.0, 0
        else:
            since += seconds
    return by_feature, by_layer, changes


def _table(moves: Moves, name: str) -> Floats:
    """A limit at every move: shape (n, 4) for axes, (n,) for one number."""
    return np.array([getattr(limits, name) for limits in moves.limits], dtype=float)[moves.which]


def _limited(moves: Moves) -> tuple[Floats, Floats, Floats, Floats, Floats]:
    """Length, speed and acceleration of each move within its axes' limits, its axes' share of the way (n, 4), and the
    speed asked for."""
    way = moves.way
    straight = np.sqrt((way[:, :3] ** 2).sum(axis=1))
    still = straight < 1e-9
    length = np.where(still, np.abs(way[:, 3]), straight)
    share = way / length[:, None]
    extrudes = way[:, 3] > 0
    least = np.where(extrudes, _table(moves, "least_printing_speed"), _table(moves, "least_travel_speed"))
    wanted = np.maximum(moves.speed, least)
    with np.errstate(divide="ignore"):
        speed = np.minimum(wanted, (_table(moves, "speed") / np.abs(share)).min(axis=1))
        most = (_table(moves, "acceleration") / np.abs(share)).min(axis=1)
    asked = np.where(
        still,
        _table(moves, "retracting"),
        np.where(way[:, 3] > 0, _table(moves, "printing"), _table(moves, "travelling")),
    )
    return length, speed, np.minimum(asked, most), share, wanted


def _corners(moves: Moves, speed: Floats, acceleration: Floats, share: Floats) -> tuple[Floats, Floats]:
    """The speed a move may start and end with at a standstill, and the speed into it from the move before."""
    jump = _table(moves, "corner")
    with np.errstate(divide="ignore"):
        exceeded = speed[:, None] * np.abs(share) > jump
        safe = np.minimum(speed, np.where(exceeded, jump, np.inf).min(axis=1))
    most = speed.copy()
    if len(speed) > 1:
        common = np.minimum(speed[1:], speed[:-1])[:, None]
        before, behind = share[:-1] * common, share[1:] * speed[1:, None]
        change = np.abs(behind - before)
        turned = before * behind < 0
        # An axis that turns round passes through rest: each half counts by itself.
        change = np.where(turned, np.maximum(np.abs(before), np.abs(behind)), change)
        with np.errstate(divide="ignore", over="ignore"):
            factor = np.minimum(1.0, (jump[1:] / np.maximum(change, 1e-300)).min(axis=1))
        most[1:] = common[:, 0] * factor
        # Where either could stop and start again as fast, it does.
        restarts = (safe[1:] > 0.99 * most[1:]) & (safe[:-1] > 0.99 * most[1:])
        most[1:] = np.where(restarts, safe[1:], most[1:])
        # Or by a junction deviation: as fast as an arc that touches both moves this far from the corner allows.
        junction = _table(moves, "junction_mm")
        half = np.sqrt(np.maximum(0.0, (1 + (share[1:] * share[:-1]).sum(axis=1)) / 2))
        with np.errstate(divide="ignore", invalid="ignore"):
            round_ = np.sqrt(np.minimum(acceleration[1:], acceleration[:-1]) * junction[1:] * half / (1 - half))
        round_ = np.where(half < 0.999999, np.minimum(common[:, 0], round_), common[:, 0])
        most[1:] = np.where(junction[1:] > 0, round_, most[1:])
    safe = np.where(_table(moves, "junction_mm") > 0, 0.0, safe)
    return safe, most
