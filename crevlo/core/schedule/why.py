"""What a print's start waits for."""

from dataclasses import dataclass
from enum import StrEnum

from crevlo.core.schedule.task import Problem, Schedule


class Wait(StrEnum):
    PIN = "pin"  # a person put it there
    MACHINE = "machine"  # another print is on its machine until then
    SPOOL = "spool"  # its spool is in another machine until then
    DRYING = "drying"  # its spool is in the dryer until then
    NOTHING = "nothing"  # as early as people are there


@dataclass(frozen=True, slots=True)
class Reason:
    """The last thing to end before a print starts: `other` is the print in the way, `until` its tick."""

    wait: Wait
    about: str
    other: str | None
    until: int


def reason(problem: Problem, schedule: Schedule, key: str) -> Reason:
    """What holds the print `key` back longest; raises KeyError where it is not in the schedule."""
    tasks = {t.key: t for t in problem.tasks}
    task, start = tasks[key], schedule.slots[key].start
    if task.pinned is not None:
        return Reason(Wait.PIN, task.machine, None, start)
    found = Reason(Wait.NOTHING, task.machine, None, 0)
    for d in schedule.dryings:
        if d.spool in task.spools and d.end > found.until:
            found = Reason(Wait.DRYING, d.spool, None, d.end)
    for other in problem.tasks:
        slot = schedule.slots[other.key]
        until = slot.removal + other.removal
        if other.key == key or until > start or until <= found.until:
            continue
        shared = [s for s in task.spools if s in other.spools] if problem.one_spool else []
        if shared:
            found = Reason(Wait.SPOOL, shared[0], other.key, until)
        elif other.machine == task.machine:
            found = Reason(Wait.MACHINE, task.machine, other.key, until)
    return found
