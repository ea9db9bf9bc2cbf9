"""The rules of the bench as a model for constraint programming."""

import itertools
from collections import defaultdict
from collections.abc import Callable
from typing import Any

from ortools.sat.python import cp_model

from crevlo.core.schedule.greedy import lanes
from crevlo.core.schedule.task import Drying, Problem, Schedule, Slot, Task, finish_of


class Model:
    """Variables and rules of a problem, with everything over by `horizon` and not before `bound`."""

    def __init__(self, problem: Problem, horizon: int, bound: int = 0) -> None:
        self.problem = problem
        self.model = model = cp_model.CpModel()
        if problem.deadline is not None:
            horizon = min(horizon, problem.deadline)
        self.start: dict[str, Any] = {}
        self.removal: dict[str, Any] = {}
        self.spans: dict[str, Any] = {}
        self.finish = model.new_int_var(min(bound, horizon), horizon, "finish")
        hands: list[Any] = []
        for t in problem.tasks:
            if t.began:
                starts = cp_model.Domain(0, 0)
            elif t.pinned is not None:
                allowed = problem.hours.next(t.pinned, problem.starts(t)) == t.pinned
                starts = cp_model.Domain(t.pinned, t.pinned) if allowed else cp_model.Domain.from_values([])
            else:
                starts = _domain(problem.hours.starts(problem.starts(t), horizon))
            removals = _domain(problem.hours.starts(t.removal, horizon))
            if starts.is_empty() or removals.is_empty():
                model.add_bool_or([])  # nothing keeps the rules
                return
            s = self.start[t.key] = model.new_int_var_from_domain(starts, f"start {t.key}")
            r = self.removal[t.key] = model.new_int_var_from_domain(removals, f"removal {t.key}")
            size = model.new_int_var(t.occupied, max(t.occupied, horizon), f"size {t.key}")
            self.spans[t.key] = model.new_interval_var(s, size, r + t.removal, f"span {t.key}")
            model.add(r >= s + t.busy)
            model.add(r + t.removal <= self.finish)
            if t.setup:
                hands.append(model.new_fixed_size_interval_var(s, t.setup, f"setup {t.key}"))
            if t.removal:
                hands.append(model.new_fixed_size_interval_var(r, t.removal, f"hands {t.key}"))
        if problem.people == 1:
            model.add_no_overlap(hands)
        else:
            model.add_cumulative(hands, [1] * len(hands), problem.people)
        self._machines_and_spools()
        self._circuits()
        self._dryers(horizon)

    def _machines_and_spools(self) -> None:
        model, problem = self.model, self.problem
        machines: dict[str, list[Task]] = defaultdict(list)
        spools: dict[str, list[Task]] = defaultdict(list)
        ordered: dict[str, dict[int, list[Task]]] = defaultdict(lambda: defaultdict(list))
        for t in problem.tasks:
            machines[t.machine].append(t)
            for name in t.spools if problem.one_spool else ():
                spools[name].append(t)
            for lane in lanes(problem, t):
                ordered[lane][t.block].append(t)
        for tasks in (*machines.values(), *spools.values()):
            model.add_no_overlap([self.spans[t.key] for t in tasks])
        for tasks in machines.values():
            first = [t for t in tasks if t.stage == 0]
            for late in (t for t in tasks if t.stage == 1):
                for early in first:
                    model.add(self.start[late.key] >= self.removal[early.key] + early.removal)
        self.blocks: list[tuple[list[Task], list[Task]]] = []
        for lane, blocks in ordered.items():
            numbers = sorted(blocks)
            for one, other in itertools.pairwise(numbers):
                after = model.new_int_var(0, self.problem.hours.end, f"{lane} after {one}")
                for t in blocks[one]:
                    model.add(after >= self.removal[t.key] + t.removal)
                for t in blocks[other]:
                    model.add(self.start[t.key] >= after)
                if lane.startswith("spool "):
                    self.blocks.append((blocks[one], blocks[other]))

    def _circuits(self) -> None:
        model = self.model
        for circuit in self.problem.circuits:
            tasks = [t for t in self.problem.tasks if t.machine in circuit.machines]
            peaks: dict[str, float] = defaultdict(float)
            for t in tasks:
                peaks[t.machine] = max(peaks[t.machine], t.heat_w, t.print_w)
            if sum(peaks.values()) <= circuit.limit_w:
                continue
            parts, watts = [], []
            for t in tasks:
                hot = self.start[t.key] + t.setup
                for begin, length, load in ((hot, t.heat, t.heat_w), (hot + t.heat, t.print, t.print_w)):
                    if length and load > 0:
                        parts.append(model.new_fixed_size_interval_var(begin, length, f"load {t.key} {load}"))
                        watts.append(-int(-load // 1))
            model.add_cumulative(parts, watts, int(circuit.limit_w))

    def _dryers(self, horizon: int) -> None:
        model, problem = self.model, self.problem
        self.drying: dict[str, Any] = {}
        parts = []
        for spool, length in problem.drying.items():
            users = [t for t in problem.tasks if spool in t.spools and not t.began]
            if length <= 0 or not users:
                continue
            begin = model.new_int_var_from_domain(_domain(problem.hours.starts(1, horizon)), f"dry {spool}")
            self.drying[spool] = begin
            parts.append(model.new_fixed_size_interval_var(begin, length, f"drying {spool}"))
            for t in users:
                model.add(self.start[t.key] >= begin + length)
        if parts:
            model.add_cumulative(parts, [1] * len(parts), max(1, problem.dryers))

    def hint(self, made: Schedule) -> None:
        for key, slot in made.slots.items():
            if key in self.start:
                self.model.add_hint(self.start[key], slot.start)
                self.model.add_hint(self.removal[key], slot.removal)
        for d in made.dryings:
            if d.spool in self.drying:
                self.model.add_hint(self.drying[d.spool], d.start)
        self.model.add_hint(self.finish, made.finish)

    def by_finish(self) -> None:
        self.model.minimize(self.finish)

    def by_order(self) -> None:
        """The fewest spool moves, then machines through as soon as can be."""
        model, horizon = self.model, self.problem.hours.end
        stays = self._stays()
        idle = []
        machines: dict[str, list[Task]] = defaultdict(list)
        for t in self.problem.tasks:
            machines[t.machine].append(t)
        for machine, tasks in machines.items():
            last = model.new_int_var(0, horizon, f"last {machine}")
            for t in tasks:
                model.add(last >= self.removal[t.key] + t.removal)
            idle.append(last)
        model.minimize(-(horizon * len(machines) + 1) * sum(stays) + sum(idle))

    def _stays(self) -> list[Any]:
        """Where a block begins on the machine on which the last one ended, its spool need not move."""
        model, stays = self.model, []
        for one, other in self.blocks:
            chosen = []
            for a, b in ((a, b) for a in one for b in other if a.machine == b.machine):
                stay = model.new_bool_var(f"stay {a.key} {b.key}")
                for t in one:
                    if t is not a:
                        model.add(self.start[a.key] >= self.start[t.key]).only_enforce_if(stay)
                for t in other:
                    if t is not b:
                        model.add(self.start[b.key] <= self.start[t.key]).only_enforce_if(stay)
                chosen.append(stay)
            if chosen:
                model.add_at_most_one(chosen)
                stays += chosen
        return stays

    def read(self, value: Callable[[Any], int]) -> Schedule:
        slots = {k: Slot(k, value(self.start[k]), value(self.removal[k])) for k in self.start}
        dryings = tuple(
            Drying(spool, value(begin), value(begin) + self.problem.drying[spool])
            for spool, begin in self.drying.items()
        )
        return Schedule(slots, dryings, finish_of(self.problem.tasks, slots))


def _domain(ranges: list[tuple[int, int]]) -> cp_model.Domain:
    return cp_model.Domain.from_intervals([[a, b] for a, b in ranges])
