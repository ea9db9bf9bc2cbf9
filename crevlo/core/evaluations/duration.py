"""Print time."""

import math
from collections import defaultdict
from collections.abc import Callable, Mapping
from dataclasses import replace

from crevlo.core.estimate import Estimate
from crevlo.core.evaluations.evaluation import (
    Better,
    Evaluation,
    Quantity,
    Rests,
    Results,
    lines_of,
    mean_figures,
)
from crevlo.core.evidence import Evidence, Key, Machine, Run
from crevlo.core.figure import Figure

# A start and a stop are pressed to within half a minute: however alike the copies, their times are no better known.
U_HOURS = 1 / 120 / math.sqrt(3)

TIME = Quantity(
    "time", "Print time", "Time", "h", 2, Better.LOWER, Rests.RUNS, "Mean time from start to stop of the good prints; of a plate of several parts, for each of them.", 2.0, 0.5
)  # fmt: skip


TOTAL = Quantity(
    "time.total", "Time to a good print", "With re-tries", "h", 2, Better.LOWER, Rests.RUNS,
    "Mean time of all tries at a print up to the good one, for each part of its plate; pauses and the time between tries are left out.",
    4.0, 0.5,
)  # fmt: skip


def hours_of_tries(machine: Machine) -> dict[Key, float]:
    """By job the h that its tries took, up to and with the first that is good."""
    found: dict[Key, float] = {}
    through: set[Key] = set()
    for run in machine.runs:
        if run.job not in through:
            found[run.job] = found.get(run.job, 0.0) + run.hours
        if run.came_out and not run.rejected:
            through.add(run.job)
    return {job: hours for job, hours in found.items() if job in through}


PRINTS = "length of its prints"
_ALIKE_FROM = 4
"""A correlation of few prints is luck: with so many degrees of freedom half of it is believed."""


def along_with_time(evidence: Evidence, value: Callable[[Run], float | None]) -> float:
    """How far a figure of prints goes with how long they take: the correlation of what copies are off their mean by, pooled
    over lines and machines, drawn to 0 where they are few; 0 where nobody printed twice.

    A print that took longer also took more energy, so the means of one machine err the same way.
    """
    cells: dict[tuple[Key, Key], list[tuple[float, float]]] = defaultdict(list)
    for key, machine in evidence.machines.items():
        for run in machine.good:
            if (found := value(run)) is not None:
                cells[key, run.line].append((run.hours / run.parts, found))
    hours, values, dof = [], [], 0
    for pairs in cells.values():
        middle = [math.fsum(x) / len(pairs) for x in zip(*pairs, strict=True)]
        hours += [h - middle[0] for h, _ in pairs]
        values += [v - middle[1] for _, v in pairs]
        dof += len(pairs) - 1
    spread = max(math.fsum(h * h for h in hours), dof * U_HOURS**2) * math.fsum(v * v for v in values)
    if spread <= 0:
        return 0.0
    found = math.fsum(h * v for h, v in zip(hours, values, strict=True)) / math.sqrt(spread)
    return max(-1.0, min(1.0, found)) * dof / (dof + _ALIKE_FROM)


def going_along(figures: Mapping[Key, Figure], share: float) -> dict[Key, Figure]:
    """The figures, each going with the length of its machine's prints by that correlation."""
    return {k: replace(f, along=(PRINTS, share)) if isinstance(f, Estimate) else f for k, f in figures.items()}


def of_machines(evidence: Evidence) -> Results:
    lines = lines_of(evidence, lambda run: run.hours / run.parts)
    # By what the run is and not by its job: machines may call theirs alike.
    hours: dict[int, float] = {}
    for machine in evidence.machines.values():
        of_job = hours_of_tries(machine)
        hours |= {id(r): of_job[r.job] / r.parts for r in machine.runs if not r.rejected and r.job in of_job}

    def total(run: Run) -> float | None:
        return hours.get(id(run))

    whole = lines_of(evidence, total)
    return Results(
        {
            TIME.code: going_along(mean_figures(evidence, lines, "a good print", s_least=U_HOURS), 1.0),
            TOTAL.code: going_along(
                mean_figures(evidence, whole, "a good print", s_least=U_HOURS), along_with_time(evidence, total)
            ),
        },
        {TIME.code: lines, TOTAL.code: whole},
    )


DURATION = Evaluation("duration", "Print time", (TIME, TOTAL), of_machines)
