"""The earliest finish that anything could reach, and what sets it."""

from collections import defaultdict
from dataclasses import dataclass

from crevlo.core.schedule.calendar import Calendar
from crevlo.core.schedule.chain import MOST_IN_BLOCK, alone, best_order
from crevlo.core.schedule.greedy import lanes
from crevlo.core.schedule.task import Problem, Task


@dataclass(frozen=True, slots=True)
class Bound:
    """No schedule finishes before `finish`; `what` ("spool S-07") has `work` ticks to do by then."""

    finish: int
    what: str
    work: int


def earliest_finish(problem: Problem) -> Bound:
    """The largest bound of any machine, spool, or the people.

    What does one thing at a time works through the hours of people, and through a night between them only by a print
    that was started before, or by one that cools: each night at most one, so the longest for the longest nights bound it.
    """
    groups: dict[str, list[Task]] = defaultdict(list)
    for task in problem.tasks:
        groups[f"machine {task.machine}"].append(task)
        if problem.one_spool:
            for spool in task.spools:
                groups[f"spool {spool}"].append(task)
    best = Bound(0, "", 0)
    for name, tasks in groups.items():
        begin = 0
        if name.startswith("spool ") and not any(t.began for t in tasks):
            begin = problem.drying.get(name.removeprefix("spool "), 0)
        work = sum(t.occupied for t in tasks)
        finish = _reached(problem.hours, work, begin, [t.busy if t.unattended or t.began else t.cool for t in tasks])
        if finish > best.finish:
            best = Bound(finish, name, work)
    for name, finish in _chains(problem):
        if finish > best.finish:
            best = Bound(finish, name, sum(t.occupied for t in groups[name]))
    hands = -(-sum(t.setup + t.removal for t in problem.tasks) // max(1, problem.people))
    finish = _reached(problem.hours, hands, 0, [])
    return Bound(finish, "the people", hands) if finish > best.finish else best


def _chains(problem: Problem) -> list[tuple[str, int]]:
    """How soon each spool (or machine) could be through with its blocks if nothing else were in the way."""
    blocks: dict[str, dict[int, list[Task]]] = defaultdict(lambda: defaultdict(list))
    for task in problem.tasks:
        for name in lanes(problem, task):
            blocks[name][task.block].append(task)
    end = alone(problem)
    found = []
    for name, by_number in blocks.items():
        at = problem.drying.get(name.removeprefix("spool "), 0) if name.startswith("spool ") else 0
        for number in sorted(by_number):
            if len(by_number[number]) > MOST_IN_BLOCK:
                continue
            order = best_order(by_number[number], at, end)
            if order is None:
                return []
            at = order[1]
        found.append((name, at))
    return found


def _reached(hours: Calendar, work: int, begin: int, overnight: list[int]) -> int:
    """First tick by which so much work can be done, given what may run through a gap between windows."""
    if work <= 0:
        return 0
    done, before = 0, begin
    gaps: list[int] = []
    spans = sorted(overnight, reverse=True)
    # A print longer than a night and the day after it may reach into the next night too.
    shortest_day = min((b - a for a, b in hours.windows), default=0)
    reach = list(spans)
    for span in spans:
        rest = span - shortest_day
        while rest > shortest_day > 0 and len(reach) < 4 * len(spans):
            reach.append(rest)
            rest -= shortest_day
    reach.sort(reverse=True)
    by_night = 0
    for a, b in hours.windows:
        if b <= begin:
            continue
        a = max(a, begin)
        if a > before:
            gaps.append(a - before)
            gaps.sort(reverse=True)
            by_night = sum(min(g, r) for g, r in zip(gaps, reach, strict=False))
        if done + (b - a) + by_night >= work:
            return min(b, a + max(0, work - by_night - done))
        done += b - a
        before = b
    return hours.end
