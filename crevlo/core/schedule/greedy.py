"""A first schedule within a second or two: prints put one after the other into the earliest gap that suits them."""

from bisect import bisect_left, insort
from collections import defaultdict, deque
from collections.abc import Callable, Iterator, Mapping
from random import Random

from crevlo.core.schedule.chain import MOST_IN_BLOCK, best_order
from crevlo.core.schedule.check import violations
from crevlo.core.schedule.task import Drying, Problem, Schedule, Slot, Task, finish_of

# Ticks by which a spool may be let in before another that is free sooner.
_SHAKES = (0.0, 30.0, 100.0, 300.0)
Score = Callable[[Task, Slot, int], float]


def first_answer(problem: Problem) -> Schedule | None:
    """Prints by the least time their spool stands; None where a pinned print leaves no room for another."""
    found = [s for s in (_placed(problem, _waste, d) for d in _dryings(problem)) if s]
    return min(found, key=lambda s: s.finish, default=None)


def looked_ahead(
    problem: Problem, tell: Callable[[float], bool] = lambda share: True, shake: Random | None = None
) -> Schedule | None:
    """Each block in the order that is through soonest with all else as it stands.

    `tell` hears of the share done and answers whether to go on; None where it does not, or as for the first answer.
    With `shake` the spools take their turns a little differently each time.
    """
    orders = _dryings(problem)
    found = []
    for n, dryings in enumerate(orders):

        def part(share: float, n: int = n) -> bool:
            return tell((n + share) / len(orders))

        made = _placed(problem, None, dryings, part, shake)
        if made is not None:
            found.append(made)
    return min(found, key=lambda s: s.finish, default=None)


def _waste(task: Task, slot: Slot, free: int) -> float:
    """Time in which the spool does nothing: by day any print will do, before the night the longest."""
    return slot.removal + task.removal - free - task.occupied


class _Gaps:
    """Disjoint busy stretches of something that does one thing at a time."""

    def __init__(self) -> None:
        self.busy: list[tuple[int, int]] = []

    def conflict(self, begin: int, end: int) -> int | None:
        """End of the stretch that [begin, end) meets."""
        i = bisect_left(self.busy, (begin, begin))
        if i and self.busy[i - 1][1] > begin:
            return self.busy[i - 1][1]
        if i < len(self.busy) and self.busy[i][0] < end:
            return self.busy[i][1]
        return None


class _Load:
    """What is drawn on something with a limit: watts on a circuit, hands at the bench."""

    def __init__(self, limit: float) -> None:
        self.limit = limit
        self.drawn: list[tuple[int, int, float]] = []
        self.longest = 1

    def conflict(self, begin: int, end: int, amount: float) -> int | None:
        """When the first thing is over that leaves too little for `amount` in [begin, end)."""
        if begin == end:
            return None
        i = bisect_left(self.drawn, (begin - self.longest, 0, 0.0))
        met = []
        while i < len(self.drawn) and self.drawn[i][0] < end:
            if self.drawn[i][1] > begin:
                met.append(self.drawn[i])
            i += 1
        if amount + sum(w for _, _, w in met) <= self.limit:
            return None
        # At any tick of the stretch, not only over all of it.
        for at in (begin, *(a for a, _, _ in met if a > begin)):
            if amount + sum(w for a, b, w in met if a <= at < b) > self.limit:
                return min((b for a, b, _ in met if a <= at < b), default=end)
        return None

    def add(self, begin: int, end: int, amount: float) -> None:
        if end > begin:
            insort(self.drawn, (begin, end, amount))
            self.longest = max(self.longest, end - begin)


class _Bench:
    def __init__(self, problem: Problem) -> None:
        self.problem = problem
        self.machines: dict[str, _Gaps] = defaultdict(_Gaps)
        self.spools: dict[str, _Gaps] = defaultdict(_Gaps)
        self.people = _Load(problem.people)
        shared = {c.name: _Load(c.limit_w) for c in problem.circuits}
        self.loads = {m: shared[c.name] for c in problem.circuits for m in c.machines}

    def gaps(self, task: Task) -> list[_Gaps]:
        spools = [self.spools[s] for s in task.spools] if self.problem.one_spool else []
        return [self.machines[task.machine], *spools]

    def slot(self, task: Task, earliest: int) -> Slot | None:
        """First slot from `earliest` on that meets nothing; exactly there for a pinned print."""
        p, at = self.problem, earliest
        load = self.loads.get(task.machine)
        # Each pass moves on to the end of something that was in the way.
        while True:
            start = at if task.began else p.hours.next(at, p.starts(task))
            if start is None or (task.pinned is not None and start != task.pinned):
                return None
            later = self.people.conflict(start, start + task.setup, 1)
            if later is None and load is not None:
                hot = start + task.setup
                later = load.conflict(hot, hot + task.heat, task.heat_w)
                if later is not None:
                    later -= task.setup
                else:
                    later = load.conflict(hot + task.heat, start + task.watched, task.print_w)
                    if later is not None:
                        later -= task.setup + task.heat
            if later is None:
                removal = self._removal(start + task.busy, task.removal)
                if removal is None:
                    return None
                later = max(
                    (c for g in self.gaps(task) if (c := g.conflict(start, removal + task.removal)) is not None),
                    default=None,
                )
                if later is None:
                    return Slot(task.key, start, removal)
            if task.pinned is not None or task.began:
                return None
            at = max(later, start + 1)

    def _removal(self, at: int, length: int) -> int | None:
        while True:
            found = self.problem.hours.next(at, length)
            if found is None:
                return None
            later = self.people.conflict(found, found + length, 1)
            if later is None:
                return found
            at = later

    def take(self, task: Task, slot: Slot) -> None:
        end = slot.removal + task.removal
        for gaps in self.gaps(task):
            insort(gaps.busy, (slot.start, end))
        self.people.add(slot.start, slot.start + task.setup, 1)
        self.people.add(slot.removal, end, 1)
        load = self.loads.get(task.machine)
        if load is not None:
            hot = slot.start + task.setup
            load.add(hot, hot + task.heat, task.heat_w)
            load.add(hot + task.heat, slot.start + task.watched, task.print_w)


def _placed(
    problem: Problem,
    score: Score | None,
    dryings: tuple[Drying, ...],
    tell: Callable[[float], bool] = lambda share: True,
    shake: Random | None = None,
) -> Schedule | None:
    bench = _Bench(problem)
    slots: dict[str, Slot] = {}
    ready = {d.spool: d.end for d in dryings}

    def put(task: Task, slot: Slot) -> None:
        bench.take(task, slot)
        slots[task.key] = slot

    for task in problem.tasks:
        if task.began or task.pinned is not None:
            slot = bench.slot(task, 0 if task.began else task.pinned or 0)
            if slot is None:
                return None
            put(task, slot)
    free: dict[str, int] = defaultdict(int)
    staged: dict[tuple[str, int], int] = defaultdict(int)
    last: dict[str, str] = {}
    for task in problem.tasks:
        if task.began:
            _hold(problem, task, slots[task.key], free, staged)
    for block in _in_turn(problem, [t for t in problem.tasks if t.key not in slots], free, shake):
        barrier = {name: free[name] for t in block for name in lanes(problem, t)}

        def earliest(task: Task, barrier: Mapping[str, int] = barrier) -> int:
            return max(
                [staged[task.machine, task.stage - 1]]
                + [ready.get(s, 0) for s in task.spools]
                + [barrier[n] for n in lanes(problem, task)]
            )

        if not tell(len(slots) / len(problem.tasks)):
            return None
        left = (
            list(block) if score else _through_soonest(bench, block, earliest, max(barrier.values(), default=0), last)
        )
        while left:
            choice = None
            for task in left if score else left[:1]:
                slot = bench.slot(task, earliest(task))
                if slot is None:
                    return None
                cost = score(task, slot, max(free[n] for n in waits_for(problem, task))) if score else 0.0
                if choice is None or cost < choice[0]:
                    choice = (cost, task, slot)
            assert choice is not None
            _, task, slot = choice
            put(task, slot)
            left.remove(task)
            _hold(problem, task, slot, free, staged)
            for name in waits_for(problem, task):
                last[name] = task.machine
    made = Schedule(slots, dryings, finish_of(problem.tasks, slots))
    return None if violations(problem, made) else made


def _through_soonest(
    bench: _Bench, block: list[Task], earliest: Callable[[Task], int], begin: int, last: Mapping[str, str]
) -> list[Task]:
    if len(block) > MOST_IN_BLOCK:
        return list(block)

    def end(task: Task, at: int) -> int | None:
        slot = bench.slot(task, max(at, earliest(task)))
        return None if slot is None else slot.removal + task.removal

    before = next((last[n] for n in waits_for(bench.problem, block[0]) if n in last), "")
    found = best_order(block, begin, end, before)
    return found[0] if found else list(block)


def _in_turn(
    problem: Problem, tasks: list[Task], free: Mapping[str, int], shake: Random | None
) -> Iterator[list[Task]]:
    """Blocks in their order on every spool; of those whose turn it is, the one whose spools are free first."""
    slack = shake.choice(_SHAKES) if shake else 0.0
    blocks: dict[int, list[Task]] = defaultdict(list)
    for task in tasks:
        blocks[task.block].append(task)
    names = {number: {n for t in block for n in waits_for(problem, t)} for number, block in blocks.items()}
    queues: dict[str, deque[int]] = defaultdict(deque)
    for number in sorted(blocks):
        for name in names[number]:
            queues[name].append(number)
    while blocks:
        ready = [n for n in {q[0] for q in queues.values() if q} if all(queues[name][0] == n for name in names[n])]
        due = {n: max(free[name] for name in names[n]) + (shake.random() * slack if shake else 0.0) for n in ready}
        number = min(ready, key=lambda n: (due[n], n))
        yield blocks.pop(number)
        for name in names[number]:
            queues[name].popleft()


def _hold(problem: Problem, task: Task, slot: Slot, free: dict[str, int], staged: dict[tuple[str, int], int]) -> None:
    end = slot.removal + task.removal
    for name in waits_for(problem, task):
        free[name] = max(free[name], end)
    for stage in range(task.stage, 2):
        staged[task.machine, stage] = max(staged[task.machine, stage], end)


def lanes(problem: Problem, task: Task) -> tuple[str, ...]:
    """What the blocks of a print follow each other on; a pinned one stands outside the order."""
    return waits_for(problem, task) if problem.keep_order and task.pinned is None and not task.began else ()


def waits_for(problem: Problem, task: Task) -> tuple[str, ...]:
    """Its spools where they move from machine to machine, its machine where each has its own."""
    return tuple(f"spool {s}" for s in task.spools) if problem.one_spool else (f"machine {task.machine}",)


def _dryings(problem: Problem) -> list[tuple[Drying, ...]]:
    """Spools through the dryer in the order in which they are needed, and by how much is printed from them."""
    need: dict[str, int] = {}
    for task in sorted(problem.tasks, key=lambda t: (t.pinned if t.pinned is not None else 1 << 40, t.block)):
        for spool in task.spools:
            if problem.drying.get(spool, 0) > 0 and not task.began:
                need[spool] = need.get(spool, 0) + task.occupied
    orders = [list(need), sorted(need, key=lambda spool: -need[spool])]
    return [_dried(problem, order) for order in (orders if orders[0] != orders[1] else orders[:1])]


def _dried(problem: Problem, order: list[str]) -> tuple[Drying, ...]:
    free = [0] * max(1, problem.dryers)
    made = []
    for spool in order:
        i = min(range(len(free)), key=lambda n: free[n])
        start = problem.hours.next(free[i], 1)
        if start is None:
            break
        free[i] = start + problem.drying[spool]
        made.append(Drying(spool, start, free[i]))
    return tuple(made)
