"""Whether a schedule keeps every rule of the bench; written apart from what makes schedules."""

import itertools
from collections import defaultdict
from collections.abc import Iterable

from crevlo.core.schedule.task import Problem, Schedule, Task

Stretch = tuple[int, int, float]


def violations(problem: Problem, schedule: Schedule) -> list[str]:
    """Each broken rule in a few words; empty for a schedule that can be carried out."""
    found: list[str] = []
    slots = schedule.slots
    tasks = [t for t in problem.tasks if t.key in slots]
    found += [f"{t.key} has no time" for t in problem.tasks if t.key not in slots]
    for t in tasks:
        start, removal = slots[t.key].start, slots[t.key].removal
        found += [
            f"{t.key} {what}"
            for wrong, what in (
                (start < 0 or (t.began and start != 0), "starts before the schedule"),
                (removal < start + t.busy, "is removed before it is cool"),
                (t.pinned is not None and start != t.pinned, "is not where it was pinned"),
                (not t.began and not problem.hours.within(start, start + problem.starts(t)), "lacks a person"),
                (not problem.hours.within(removal, removal + t.removal), "is removed while nobody is there"),
            )
            if wrong
        ]
    _exclusive(found, "machine", ((t.machine, t) for t in tasks), schedule)
    if problem.one_spool:
        _exclusive(found, "spool", ((s, t) for t in tasks for s in t.spools), schedule)
    work = [(slots[t.key].start, slots[t.key].start + t.setup, 1.0) for t in tasks]
    work += [(slots[t.key].removal, slots[t.key].removal + t.removal, 1.0) for t in tasks]
    if _peak(work) > problem.people:
        found.append("more people at work than there are")
    for circuit in problem.circuits:
        load = []
        for t in tasks:
            if t.machine in circuit.machines:
                hot = slots[t.key].start + t.setup
                load += [(hot, hot + t.heat, t.heat_w), (hot + t.heat, hot + t.heat + t.print, t.print_w)]
        if _peak(load) > circuit.limit_w + 1e-6:
            found.append(f"circuit {circuit.name} over its limit")
    _drying(found, problem, schedule, tasks)
    _order(found, problem, schedule, tasks)
    if problem.deadline is not None and any(slots[t.key].removal + t.removal > problem.deadline for t in tasks):
        found.append("finishes after the date set")
    return found


def _exclusive(found: list[str], what: str, uses: Iterable[tuple[str, Task]], schedule: Schedule) -> None:
    by: dict[str, list[tuple[int, int, str]]] = defaultdict(list)
    for name, t in uses:
        slot = schedule.slots[t.key]
        by[name].append((slot.start, slot.removal + t.removal, t.key))
    for name, stretches in by.items():
        stretches.sort()
        for (_, end, one), (begin, _, other) in itertools.pairwise(stretches):
            if begin < end:
                found.append(f"{what} {name} in {one} and {other} at once")


def _peak(stretches: list[Stretch]) -> float:
    events = sorted([(a, 1, w) for a, b, w in stretches if b > a] + [(b, 0, -w) for a, b, w in stretches if b > a])
    level = peak = 0.0
    for _, _, change in events:
        level += change
        peak = max(peak, level)
    return peak


def _drying(found: list[str], problem: Problem, schedule: Schedule, tasks: list[Task]) -> None:
    done = {d.spool: d.end for d in schedule.dryings if d.end - d.start >= problem.drying.get(d.spool, 0)}
    for t in tasks:
        for spool in t.spools:
            if problem.drying.get(spool, 0) > 0 and not t.began:
                if spool not in done:
                    found.append(f"spool {spool} is not dried")
                elif schedule.slots[t.key].start < done[spool]:
                    found.append(f"{t.key} starts before {spool} is dry")
    if _peak([(d.start, d.end, 1.0) for d in schedule.dryings]) > problem.dryers:
        found.append("more spools drying than there are dryers")
    found += [
        f"nobody puts {d.spool} into the dryer" for d in schedule.dryings if not problem.hours.within(d.start, d.start + 1)
    ]  # fmt: skip


def _order(found: list[str], problem: Problem, schedule: Schedule, tasks: list[Task]) -> None:
    slots = schedule.slots
    if problem.keep_order:
        lanes: dict[str, list[Task]] = defaultdict(list)
        for t in tasks:
            if t.pinned is None and not t.began:
                for name in t.spools if problem.one_spool else (t.machine,):
                    lanes[name].append(t)
        for lane in lanes.values():
            lane.sort(key=lambda t: slots[t.key].start)
            found += [
                f"{b.key} before {a.key} against the shuffled order"
                for a, b in itertools.pairwise(lane)
                if b.block < a.block
            ]
    for t in (t for t in tasks if t.stage > 0):
        for other in tasks:
            if (
                other.machine == t.machine
                and other.stage < t.stage
                and slots[t.key].start < slots[other.key].removal + other.removal
            ):
                found.append(f"{t.key} before the stock prints of its machine are done")
                break
