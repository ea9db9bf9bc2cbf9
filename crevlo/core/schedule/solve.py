"""The best schedule in the time given: the earliest finish, then the fewest spool moves, then the least idle time."""

import time
from collections.abc import Callable
from dataclasses import dataclass, replace
from random import Random

from ortools.sat.python import cp_model

from crevlo.core.estimate import BadInput
from crevlo.core.schedule.bound import earliest_finish
from crevlo.core.schedule.greedy import first_answer, looked_ahead
from crevlo.core.schedule.model import Model
from crevlo.core.schedule.search import Search
from crevlo.core.schedule.task import Problem, Schedule, idle_ticks, spool_moves

MOST_TASKS = 3000
_LEAST_S = 8.0
# Where the first answer is on the progress shown, the walks through the blocks, and the search for the earliest finish.
_FIRST, _AHEAD, _FOUND = 0.03, 0.4, 0.9


@dataclass(frozen=True, slots=True)
class Solved:
    """A schedule, the bound proven for its finish and what sets it; `best` where no goal can be bettered."""

    schedule: Schedule
    bound: int
    bound_by: str
    moves: int
    idle: int
    best: bool
    by: str

    @property
    def gap(self) -> float:
        """Share of the finish that is not proven necessary."""
        return (self.schedule.finish - self.bound) / self.schedule.finish if self.schedule.finish else 0.0


class NoSchedule(Exception):
    """No schedule within the hours given; `proven` tells whether there is none at all."""

    def __init__(self, proven: bool) -> None:
        super().__init__("no schedule keeps every rule" if proven else "no schedule was found in the time given")
        self.proven = proven


def solve(
    problem: Problem,
    *,
    seconds: float = 22.0,
    seed: int = 0,
    tell: Callable[[Solved, str, float], None] = lambda solved, stage, share: None,
    stopped: Callable[[], bool] = lambda: False,
) -> Solved:
    """The best schedule within `seconds`; `tell` hears of the first answer and of every better one.

    `stopped` is asked twice a second; then the best so far is returned. Raises BadInput for too many prints and
    NoSchedule where none keeps the rules or none was found.
    """
    if len(problem.tasks) > MOST_TASKS:
        raise BadInput(f"{len(problem.tasks)} prints are more than {MOST_TASKS}")
    began = time.monotonic()
    bound = earliest_finish(problem)
    floor, floor_by = bound.finish, bound.what
    if pins_clash(problem) or (problem.deadline is not None and floor > problem.deadline):
        raise NoSchedule(proven=True)
    best = first_answer(problem)

    def left() -> float:
        return seconds - (time.monotonic() - began)

    def judged(made: Schedule, by: str, *, proven: bool = False) -> Solved:
        slots = made.slots
        return Solved(made, floor, floor_by, spool_moves(problem, slots), idle_ticks(problem, slots), proven, by)

    def over() -> bool:
        return stopped() or left() < 0.5

    if best is not None:
        tell(judged(best, "first answer"), "first answer", _FIRST)
    if not problem.tasks or (best is not None and over()):
        return judged(best or Schedule({}, (), 0), "first answer", proven=not problem.tasks)
    if best is not None:

        def walked(made: Schedule, share: float) -> None:
            tell(judged(made, "first answer"), "block by block", _FIRST + (_AHEAD - _FIRST) * share)

        best = _walked(problem, best, floor, seed, walked, over, left)

    def finish_found(made: Schedule, share: float) -> None:
        nonlocal best
        if best is None or made.finish < best.finish:
            best = made
            tell(judged(made, "solver"), "earliest finish", _AHEAD + (_FOUND - _AHEAD) * share)

    proven = best is not None and best.finish <= floor
    if not proven and (best is None or not over()):
        model = Model(problem, best.finish if best else _horizon(problem), floor)
        if best is not None:
            model.hint(best)
        model.by_finish()
        search = Search(model, seed, stopped, finish_found)
        # Without any answer yet the search for one is worth more than the time asked for.
        status = search.solve(0.6 * left() if best else max(left(), _LEAST_S))
        if status == cp_model.INFEASIBLE and best is None:
            raise NoSchedule(proven=True)
        if search.bound > floor:
            floor, floor_by = search.bound, "all prints under all rules"
        proven = status == cp_model.OPTIMAL
    if best is None:
        raise NoSchedule(proven=False)
    return _tidied(problem, best, floor, judged, tell, over, left, seed, stopped, proven)


def _walked(
    problem: Problem,
    best: Schedule,
    floor: int,
    seed: int,
    tell: Callable[[Schedule, float], None],
    over: Callable[[], bool],
    left: Callable[[], float],
) -> Schedule:
    """The best of several walks through the blocks, for a good third of the time."""
    until = left() * (1 - _AHEAD)
    whole = left() - until
    rng = Random(seed)  # noqa: S311
    shake: Random | None = None
    while best.finish > floor:

        def on(share: float, made: Schedule = best, first: bool = shake is None) -> bool:
            tell(made, 1 - max(0.0, left() - until) / whole)
            # The first walk is finished even where it takes longer.
            return not over() and (first or left() > until)

        made = looked_ahead(problem, on, shake)
        if made is not None and made.finish < best.finish:
            best = made
            tell(best, 1 - max(0.0, left() - until) / whole)
        if over() or left() < until:
            break
        shake = rng
    return best


def _tidied(
    problem: Problem,
    best: Schedule,
    floor: int,
    judged: Callable[..., Solved],
    tell: Callable[[Solved, str, float], None],
    over: Callable[[], bool],
    left: Callable[[], float],
    seed: int,
    stopped: Callable[[], bool],
    proven: bool,
) -> Solved:
    """The same finish with fewer spool moves and less standing about."""
    if over():
        return judged(best, "solver")

    def better(made: Schedule, share: float) -> None:
        nonlocal best
        if _untidiness(problem, made) < _untidiness(problem, best):
            best = made
            tell(judged(made, "solver"), "fewest moves", _FOUND + (1 - _FOUND) * share)

    model = Model(problem, best.finish, floor)
    model.hint(best)
    model.by_order()
    status = Search(model, seed, stopped, better).solve(left())
    return judged(best, "solver", proven=proven and status == cp_model.OPTIMAL)


def can_be_kept(problem: Problem, seconds: float) -> bool | None:
    """Whether the rules leave any schedule: None where the time did not suffice to tell."""
    if pins_clash(problem):
        return False
    if problem.deadline is not None and earliest_finish(problem).finish > problem.deadline:
        return False
    if first_answer(problem) is not None:
        return True
    model = Model(problem, _horizon(problem))
    status = Search(model, 0, lambda: False).solve(seconds)
    return {cp_model.INFEASIBLE: False, cp_model.OPTIMAL: True, cp_model.FEASIBLE: True}.get(status)


def pins_clash(problem: Problem) -> bool:
    """Whether a pinned print is outside the hours or before its spool is dry, or two are in the same thing at once."""
    fixed = [(t, 0 if t.began else t.pinned) for t in problem.tasks]
    placed = sorted(((at, t) for t, at in fixed if at is not None), key=lambda p: p[0])
    for at, t in placed:
        if not t.began and problem.hours.next(at, problem.starts(t)) != at:
            return True
        if not t.began and any(problem.drying.get(s, 0) > at for s in t.spools):
            return True
    return any(
        other_at < at + t.occupied
        and (t.machine == other.machine or (problem.one_spool and bool(set(t.spools) & set(other.spools))))
        for i, (at, t) in enumerate(placed)
        for other_at, other in placed[i + 1 :]
    )


def _horizon(problem: Problem) -> int:
    """Late enough for any schedule that there is: everything else could come behind the last pin."""
    last = max((t.pinned + t.occupied for t in problem.tasks if t.pinned is not None), default=0)
    free = first_answer(replace(problem, tasks=tuple(replace(t, pinned=None) for t in problem.tasks), deadline=None))
    if free is None:
        return problem.hours.end
    behind = problem.hours.next(last + free.finish, 1)
    return problem.hours.end if behind is None else min(problem.hours.end, behind + free.finish)


def _untidiness(problem: Problem, made: Schedule) -> tuple[int, int]:
    return spool_moves(problem, made.slots), idle_ticks(problem, made.slots)
