"""Where the printing time goes, and why one machine or file takes longer than another: causes that add up."""

import math
from collections.abc import Callable
from dataclasses import dataclass, replace
from itertools import combinations

import numpy as np

from crevlo.core.estimate import BadInput
from crevlo.core.motion.limits import Four, Limits
from crevlo.core.motion.moves import Moves
from crevlo.core.motion.planner import plan

_FREE = 1e12


@dataclass(frozen=True, slots=True)
class Causes:
    """Seconds of a print: at the speeds asked for, and what each limit adds to that, in this order."""

    asked: float
    flow: float
    axes: float
    acceleration: float
    corners: float
    waits: float

    @property
    def seconds(self) -> float:
        return math.fsum((self.asked, self.flow, self.axes, self.acceleration, self.corners, self.waits))


WORDS = {
    "asked": "the speeds asked for",
    "flow": "the flow limit",
    "axes": "the axes' top speeds",
    "acceleration": "acceleration",
    "corners": "slowing down at corners",
    "waits": "waits",
}


def on_machine(moves: Moves, machine: Limits) -> Moves:
    """The moves on a machine that keeps its own limits where they are tighter than the file's."""

    def tighter(given: Limits) -> Limits:
        def axes(name: str) -> Four:
            x, y, z, e = (min(a, b) for a, b in zip(getattr(given, name), getattr(machine, name), strict=True))
            return x, y, z, e

        return replace(
            given, speed=axes("speed"), acceleration=axes("acceleration"), corner=axes("corner"),
            printing=min(given.printing, machine.printing), retracting=min(given.retracting, machine.retracting),
            travelling=min(given.travelling, machine.travelling),
        )  # fmt: skip

    return replace(moves, limits=tuple(tighter(given) for given in moves.limits))


def within_flow(moves: Moves, most_mm3_s: float, diameter_mm: float = 1.75) -> Moves:
    """The moves with no more filament asked for than the hotend melts. Raises BadInput for a flow that is not above 0."""
    if not most_mm3_s > 0 or not diameter_mm > 0:
        raise BadInput("a flow limit and a filament diameter must be above 0")
    straight = np.sqrt((moves.way[:, :3] ** 2).sum(axis=1))
    area = math.pi * diameter_mm**2 / 4
    extruding = (straight > 1e-9) & (moves.way[:, 3] > 0)
    volume_per_mm = np.where(extruding, moves.way[:, 3] * area / np.where(extruding, straight, 1.0), 0.0)
    with np.errstate(divide="ignore"):
        most = np.where(volume_per_mm > 0, most_mm3_s / volume_per_mm, np.inf)
    return replace(moves, speed=np.minimum(moves.speed, most))


def causes(moves: Moves, *, most_mm3_s: float | None = None, diameter_mm: float = 1.75) -> Causes:
    """What each limit adds: the time with all limits up to it, less the time without it.

    Added one after the other from the speeds asked for to all limits, the parts sum to the whole.
    """
    free = Limits(
        speed=(_FREE,) * 4, acceleration=(_FREE,) * 4, corner=(_FREE,) * 4, printing=_FREE, retracting=_FREE,
        travelling=_FREE,
    )  # fmt: skip
    melted = within_flow(moves, most_mm3_s, diameter_mm) if most_mm3_s else moves

    def moving(of: Moves, keep: Callable[[Limits], Limits]) -> float:
        made = plan(replace(of, limits=tuple(keep(given) for given in of.limits)))
        return made.seconds - made.waits_s

    asked = moving(moves, lambda given: free)
    flow = moving(melted, lambda given: free)
    axes = moving(melted, lambda given: replace(free, speed=given.speed))
    accelerated = moving(melted, lambda given: replace(given, corner=free.corner))
    whole = plan(melted)
    return Causes(
        asked, flow - asked, axes - flow, accelerated - axes, whole.seconds - whole.waits_s - accelerated, whole.waits_s
    )  # fmt: skip


@dataclass(frozen=True, slots=True)
class Printing:
    """One file on one machine: its moves, the machine's own limits, and what its hotend melts (None: no limit known)."""

    moves: Moves
    machine: Limits
    most_mm3_s: float | None = None

    @property
    def seconds(self) -> float:
        melted = within_flow(self.moves, self.most_mm3_s) if self.most_mm3_s else self.moves
        return plan(on_machine(melted, self.machine)).seconds


def why_slower(a: Printing, b: Printing) -> list[tuple[str, float]]:
    """Seconds by which `a` takes longer than `b`, by what differs between them, the largest first; they sum to the whole.

    Each difference counts by the mean of what it changes over all orders in which the differences can come in
    (Shapley 1953), so that no cause is favoured by being looked at first.
    """
    differ = [name for name, part in _PARTS.items() if part(a) != part(b)]
    if a.moves is not b.moves:
        differ.append("file")
    known: dict[frozenset[str], float] = {}

    def seconds(of_a: frozenset[str]) -> float:
        if of_a not in known:
            known[of_a] = _mixed(a, b, of_a).seconds
        return known[of_a]

    found = []
    n = len(differ)
    for name in differ:
        others = [d for d in differ if d != name]
        share = 0.0
        for size in range(n):
            weight = 1 / (n * math.comb(n - 1, size))
            for chosen in combinations(others, size):
                without = frozenset(chosen)
                share += weight * (seconds(without | {name}) - seconds(without))
        found.append((name, share))
    return sorted(found, key=lambda f: -abs(f[1]))


_PARTS: dict[str, Callable[[Printing], object]] = {
    "flow": lambda p: p.most_mm3_s,
    "axes": lambda p: p.machine.speed,
    "acceleration": lambda p: (
        p.machine.acceleration, p.machine.printing, p.machine.retracting, p.machine.travelling,
    ),
    "corners": lambda p: p.machine.corner,
}  # fmt: skip


def _mixed(a: Printing, b: Printing, of_a: frozenset[str]) -> Printing:
    """`b` with the parts named in `of_a` taken from `a`."""
    machine = b.machine
    if "axes" in of_a:
        machine = replace(machine, speed=a.machine.speed)
    if "acceleration" in of_a:
        machine = replace(
            machine, acceleration=a.machine.acceleration, printing=a.machine.printing,
            retracting=a.machine.retracting, travelling=a.machine.travelling,
        )  # fmt: skip
    if "corners" in of_a:
        machine = replace(machine, corner=a.machine.corner)
    return Printing(
        a.moves if "file" in of_a else b.moves, machine, a.most_mm3_s if "flow" in of_a else b.most_mm3_s
    )  # fmt: skip


def say_why(name_a: str, a: Printing, name_b: str, b: Printing) -> str:
    """The difference in one sentence, with the causes that make up most of it."""
    difference = a.seconds - b.seconds
    if abs(difference) < 0.005 * max(a.seconds, b.seconds):
        return f"{name_a} and {name_b} take the same time within half a percent."
    if difference < 0:
        return say_why(name_b, b, name_a, a)
    parts = [(cause, s) for cause, s in why_slower(a, b) if abs(s) >= 0.05 * difference]
    more = [f"{_DIFFERENCES[c]} ({_minutes(s)})" for c, s in parts if s > 0]
    less = [f"{_DIFFERENCES[c]} ({_minutes(-s)})" for c, s in parts if s < 0]
    made_up = f", made up in part by {_and(less)}" if less else ""
    return f"{name_a} takes {_minutes(difference)} longer than {name_b}, by {_and(more)}{made_up}."


_DIFFERENCES = {
    "file": "how it is sliced", "flow": "what the hotend melts", "axes": "the axes' top speeds",
    "acceleration": "acceleration", "corners": "how fast corners are taken",
}  # fmt: skip


def _and(words: list[str]) -> str:
    return " and ".join([", ".join(words[:-1]), words[-1]] if len(words) > 1 else words)


def _minutes(seconds: float) -> str:
    return f"{seconds / 60:.1f} min" if seconds >= 60 else f"{seconds:.0f} s"
