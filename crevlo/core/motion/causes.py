"""Where the printing time goes, and why one machine or file takes longer than another: causes that add up."""

import math
from collections.abc import Callable, Iterable, Mapping
from dataclasses import dataclass, field, replace
from itertools import combinations

from crevlo.core.motion.limits import Keep, Limits, Machine
from crevlo.core.motion.stream import Motion, plan_stream

# The bytes of a file, from the beginning at each call.
Content = Callable[[], Iterable[bytes]]


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


@dataclass(frozen=True, slots=True)
class Printing:
    """One file on one machine. `name` tells files apart; `limits` stand until the file sets its own."""

    name: str
    content: Content
    machine: Machine = field(default_factory=Machine)
    limits: Limits = field(default_factory=Limits)

    def motion(self, keep: Keep | None = None) -> Motion:
        return plan_stream(self.content(), self.limits, machine=self.machine, keep=keep)


def causes(printing: Printing, whole: Motion | None = None) -> Causes:
    """What each limit adds: the time with all limits up to it, less the time without it.

    Added one after the other from the speeds asked for to all limits, the parts sum to the whole. `whole` is the
    motion with all limits where it is known already.
    """
    whole = whole or printing.motion()
    accelerated = printing.motion(Keep(corners=False)).moving_s
    return Causes(
        whole.asked_s, whole.flow_s - whole.asked_s, whole.axes_s - whole.flow_s, accelerated - whole.axes_s,
        whole.moving_s - accelerated, whole.waits_s,
    )  # fmt: skip


def differences(a: Printing, b: Printing) -> list[str]:
    """What differs between the two, by the names that `why_slower` gives its causes."""
    differ = [name for name, part in _PARTS.items() if part(a.machine) != part(b.machine)]
    return differ if a.name == b.name else [*differ, "file"]


def why_slower(
    a: Printing, b: Printing, tell: Callable[[float], None] = lambda share: None
) -> tuple[float, float, list[tuple[str, float]]]:
    """Seconds of `a` and of `b`, and those by which `a` takes longer, by what differs between them, the largest first.

    Each difference counts by the mean of what it changes over all orders in which the differences can come in
    (Shapley 1953), so that no cause is favoured by being looked at first; they sum to the whole. `tell` hears how much of
    the work is done.
    """
    differ = differences(a, b)
    known: dict[frozenset[str], float] = {}
    n = len(differ)

    def seconds(of_a: frozenset[str]) -> float:
        if of_a not in known:
            known[of_a] = _mixed(a, b, of_a).motion().seconds
            tell(len(known) / 2**n)
        return known[of_a]

    found = []
    for name in differ:
        others = [d for d in differ if d != name]
        share = 0.0
        for size in range(n):
            weight = 1 / (n * math.comb(n - 1, size))
            for chosen in combinations(others, size):
                without = frozenset(chosen)
                share += weight * (seconds(without | {name}) - seconds(without))
        found.append((name, share))
    return seconds(frozenset(differ)), seconds(frozenset()), sorted(found, key=lambda f: -abs(f[1]))


_PARTS: Mapping[str, Callable[[Machine], object]] = {
    "flow": lambda m: (m.most_mm3_s, m.diameter_mm) if m.most_mm3_s else None,
    "axes": lambda m: m.limits.speed,
    "acceleration": lambda m: (
        m.limits.acceleration, m.limits.printing, m.limits.retracting, m.limits.travelling,
    ),
    "corners": lambda m: (m.limits.corner, m.limits.junction_mm),
}  # fmt: skip


def _mixed(a: Printing, b: Printing, of_a: frozenset[str]) -> Printing:
    """`b` with the parts named in `of_a` taken from `a`."""
    limits, own = b.machine.limits, a.machine.limits
    if "axes" in of_a:
        limits = replace(limits, speed=own.speed)
    if "acceleration" in of_a:
        limits = replace(
            limits, acceleration=own.acceleration, printing=own.printing, retracting=own.retracting,
            travelling=own.travelling,
        )  # fmt: skip
    if "corners" in of_a:
        limits = replace(limits, corner=own.corner, junction_mm=own.junction_mm)
    melts = a.machine if "flow" in of_a else b.machine
    file = a if "file" in of_a else b
    return Printing(
        file.name, file.content, Machine(limits, melts.most_mm3_s, melts.diameter_mm), file.limits
    )  # fmt: skip


def say_why(name_a: str, name_b: str, seconds_a: float, seconds_b: float, why: list[tuple[str, float]]) -> str:
    """The difference in one sentence, with the causes that make up most of it."""
    difference = seconds_a - seconds_b
    if abs(difference) < 0.005 * max(seconds_a, seconds_b):
        return f"{name_a} and {name_b} take the same time within half a percent."
    if difference < 0:
        return say_why(name_b, name_a, seconds_b, seconds_a, [(cause, -s) for cause, s in why])
    parts = [(cause, s) for cause, s in why if abs(s) >= 0.05 * difference]
    more = [f"{DIFFERENCES[c]} ({_minutes(s)})" for c, s in parts if s > 0]
    less = [f"{DIFFERENCES[c]} ({_minutes(-s)})" for c, s in parts if s < 0]
    made_up = f", made up in part by {_and(less)}" if less else ""
    return f"{name_a} takes {_minutes(difference)} longer than {name_b}, by {_and(more)}{made_up}."


DIFFERENCES = {
    "file": "how it is sliced", "flow": "what the hotend melts", "axes": "the axes' top speeds",
    "acceleration": "acceleration", "corners": "how fast corners are taken",
}  # fmt: skip


def _and(words: list[str]) -> str:
    return " and ".join([", ".join(words[:-1]), words[-1]] if len(words) > 1 else words)


def _minutes(seconds: float) -> str:
    return f"{seconds / 60:.1f} min" if seconds >= 60 else f"{seconds:.0f} s"
