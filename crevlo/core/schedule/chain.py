"""Prints that follow each other on one spool: the order within a block that is through soonest."""

from collections.abc import Callable, Sequence

from crevlo.core.schedule.task import Problem, Task

# A block of n prints has 2**n sets to look at.
MOST_IN_BLOCK = 10
End = Callable[[Task, int], int | None]


def best_order(tasks: Sequence[Task], begin: int, end: End, last: str = "") -> tuple[list[Task], int] | None:
    """The order with the earliest end from `begin` on; among equals one that starts on the machine `last`.

    `end(task, at)` gives when a print is off its machine if the spool is free at `at`; a later `at` must never end
    earlier, so that of two ways to have printed the same set the earlier is never worse. None where a print has no end.
    Raises ValueError for more than MOST_IN_BLOCK prints.
    """
    n = len(tasks)
    if n > MOST_IN_BLOCK:
        raise ValueError(f"{n} prints are too many for one block")
    whole = (1 << n) - 1
    # By set of prints done: (end, moves at the block's beginning, order).
    reached: dict[int, tuple[int, int, tuple[int, ...]]] = {0: (begin, 0, ())}
    for done in range(whole):
        if done not in reached:
            continue
        at, moves, order = reached[done]
        for i in range(n):
            if done >> i & 1:
                continue
            finished = end(tasks[i], at)
            if finished is None:
                continue
            then = done | 1 << i
            found = (finished, moves if done else int(tasks[i].machine != last), (*order, i))
            if then not in reached or found < reached[then]:
                reached[then] = found
    if whole not in reached:
        return None
    return [tasks[i] for i in reached[whole][2]], reached[whole][0]


def alone(problem: Problem) -> End:
    """End of a print that needs nobody and nothing but its machine, its spool and the hours of people."""
    hours = problem.hours
    known: dict[tuple[int, int, int, int], int | None] = {}

    def end(task: Task, at: int) -> int | None:
        key = (at, problem.starts(task), task.busy, task.removal)
        if key not in known:
            start = hours.next(at, key[1])
            removal = None if start is None else hours.next(start + task.busy, task.removal)
            known[key] = None if removal is None else removal + task.removal
        return known[key]

    return end
