"""What a schedule is made of: prints with their phases, what they need, and when they are given their time.

All times are whole ticks from the schedule's beginning; the caller says how long a tick is.
"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field

from crevlo.core.schedule.calendar import Calendar


@dataclass(frozen=True, slots=True)
class Task:
    """One print. A person sets it up and removes it; heating, printing and cooling follow each other by themselves.

    `block` is its place in the shuffled order, `stage` 1 comes after all of stage 0 on the same machine. A print under
    way has `began`: its phases are what is left of them, from tick 0 on.
    """

    key: str
    machine: str
    spools: tuple[str, ...]
    block: int
    setup: int
    heat: int
    print: int
    cool: int
    removal: int
    unattended: bool = True
    heat_w: float = 0.0
    print_w: float = 0.0
    stage: int = 0
    pinned: int | None = None
    began: bool = False

    @property
    def watched(self) -> int:
        """Ticks from the start until nothing is hot and moving any more."""
        return self.setup + self.heat + self.print

    @property
    def busy(self) -> int:
        """Ticks from the start until it can be removed."""
        return self.watched + self.cool

    @property
    def occupied(self) -> int:
        return self.busy + self.removal


@dataclass(frozen=True, slots=True)
class Circuit:
    """Machines on one fused line; their loads together stay below `limit_w`."""

    name: str
    limit_w: float
    machines: frozenset[str]


@dataclass(frozen=True, slots=True)
class Problem:
    """Prints and the rules of the bench. `drying` gives the ticks a spool dries before its first use."""

    tasks: tuple[Task, ...]
    hours: Calendar
    people: int = 1
    circuits: tuple[Circuit, ...] = ()
    drying: Mapping[str, int] = field(default_factory=dict)
    dryers: int = 1
    one_spool: bool = True
    keep_order: bool = True
    deadline: int | None = None

    def starts(self, task: Task) -> int:
        """Ticks within working hours that a start needs: all that is watched where it may not be left alone."""
        return task.setup if task.unattended else task.watched


@dataclass(frozen=True, slots=True)
class Slot:
    """When a print starts, and when it is removed."""

    key: str
    start: int
    removal: int


@dataclass(frozen=True, slots=True)
class Drying:
    spool: str
    start: int
    end: int


@dataclass(frozen=True, slots=True)
class Schedule:
    slots: Mapping[str, Slot]
    dryings: tuple[Drying, ...]
    finish: int


def finish_of(tasks: Sequence[Task], slots: Mapping[str, Slot]) -> int:
    return max((slots[t.key].removal + t.removal for t in tasks), default=0)


def spool_moves(problem: Problem, slots: Mapping[str, Slot]) -> int:
    """How often a spool goes from one machine to another."""
    if not problem.one_spool:
        return 0
    last: dict[str, str] = {}
    moves = 0
    for task in sorted(problem.tasks, key=lambda t: slots[t.key].start):
        for spool in task.spools:
            moves += last.get(spool, task.machine) != task.machine
            last[spool] = task.machine
    return moves


def idle_ticks(problem: Problem, slots: Mapping[str, Slot]) -> int:
    """Ticks in which machines stand before they are through with their last print."""
    last: dict[str, int] = {}
    work: dict[str, int] = {}
    for task in problem.tasks:
        slot, m = slots[task.key], task.machine
        last[m] = max(last.get(m, 0), slot.removal + task.removal)
        work[m] = work.get(m, 0) + task.occupied
    return sum(last[m] - work[m] for m in work)
