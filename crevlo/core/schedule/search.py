"""One search in a model: bounded in time, stopped when asked, every better schedule told."""

import time
from collections.abc import Callable
from threading import Timer
from typing import Any

from ortools.sat.python import cp_model

from crevlo.core.schedule.check import violations
from crevlo.core.schedule.model import Model
from crevlo.core.schedule.task import Schedule

_WORKERS = 4


class Search(cp_model.CpSolverSolutionCallback):
    """One search, with its progress told and its stop asked for."""

    def __init__(
        self,
        model: Model,
        seed: int,
        stopped: Callable[[], bool],
        heard: Callable[[Schedule, float], None] = lambda made, share: None,
    ) -> None:
        super().__init__()
        self.made, self.seed, self.stopped, self.heard = model, seed, stopped, heard
        self.bound = 0
        self.last: Schedule | None = None
        self.failure: BaseException | None = None

    def solve(self, seconds: float) -> Any:
        solver = cp_model.CpSolver()
        solver.parameters.max_time_in_seconds = seconds
        solver.parameters.num_workers = _WORKERS
        solver.parameters.random_seed = self.seed % (1 << 31)
        solver.parameters.symmetry_level = 0
        self.seconds, self.began = seconds, time.monotonic()
        watch = _Watch(solver, self.stopped)
        watch.begin()
        try:
            status = solver.solve(self.made.model, self)
        finally:
            watch.end()
        if self.failure is not None:
            raise self.failure
        if status in (cp_model.OPTIMAL, cp_model.FEASIBLE):
            self.bound = round(solver.best_objective_bound)
        return status

    def on_solution_callback(self) -> None:
        share = min(1.0, (time.monotonic() - self.began) / self.seconds)
        try:
            made = self.made.read(self.value)
            broken = violations(self.made.problem, made)
            if broken:
                raise AssertionError("; ".join(broken[:3]))
            self.heard(made, share)
            self.last = made
        except Exception as error:  # an exception must not cross the solver's own frames
            self.failure = error
            self.stop_search()


class _Watch:
    """Asks every half second whether the search is to stop."""

    def __init__(self, solver: cp_model.CpSolver, stopped: Callable[[], bool]) -> None:
        self.solver, self.stopped, self.over = solver, stopped, False

    def begin(self) -> None:
        if self.over:
            return
        if self.stopped():
            self.solver.stop_search()
        self.timer = Timer(0.5, self.begin)
        self.timer.daemon = True
        self.timer.start()

    def end(self) -> None:
        self.over = True
        self.timer.cancel()
