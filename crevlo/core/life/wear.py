"""What wears on a machine by its own record: how long parts lasted, and what is due next."""

import itertools
from collections import defaultdict
from collections.abc import Sequence
from dataclasses import dataclass


@dataclass(frozen=True, slots=True)
class Wear:
    """A part by its name: how often it was replaced, how many hours it lasted (least, mean, most), hours since the last
    time, and in how many it is due by that; below 0 where it is over."""

    part: str
    times: int
    least_h: float
    mean_h: float
    most_h: float
    since_h: float
    due_in_h: float

    @property
    def words(self) -> str:
        often = f"replaced {self.times} times, " if self.times > 1 else ""
        ends = f"{self.least_h:.0f}", f"{self.most_h:.0f}"
        lasted = f"{often}lasted {ends[0] if ends[0] == ends[1] else ' to '.join(ends)} h"
        if self.due_in_h > 0:
            due = f"due in about {self.due_in_h:.0f} h"
        else:
            due = f"over by {-self.due_in_h:.0f} h" if self.due_in_h < -0.5 else "due now"
        return f"{self.part}: {lasted}; {self.since_h:.0f} h on the present one, {due}."


def wears(replaced: Sequence[tuple[str, float]], now_h: float, begins_h: float = 0.0) -> list[Wear]:
    """`replaced` are parts with the hours that the machine had then. The first of each was in it from the beginning of a
    machine that came new; how long it was in one that came with hours nobody knows. What comes next stands first; a part is
    the same whatever its capitals."""
    by_part: dict[str, list[tuple[float, str]]] = defaultdict(list)
    for part, hours in replaced:
        by_part[" ".join(part.split()).casefold()].append((hours, " ".join(part.split())))
    found = []
    for times in by_part.values():
        times.sort()
        at = [*([] if begins_h > 0 else [0.0]), *(h for h, _ in times)]
        lasted = [b - a for a, b in itertools.pairwise(at) if b > a]
        if not lasted:
            continue
        mean, since = sum(lasted) / len(lasted), max(0.0, now_h - at[-1])
        found.append(Wear(times[-1][1], len(times), min(lasted), mean, max(lasted), since, mean - since))
    return sorted(found, key=lambda w: w.due_in_h)


def upkeep_per_h(costs: Sequence[float], hours: float) -> float | None:
    """What maintenance, parts and repairs cost an hour so far; None before there are hours or costs."""
    return sum(costs) / hours if costs and hours > 0 else None
