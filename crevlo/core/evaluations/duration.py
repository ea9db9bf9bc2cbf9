"""Print time."""

import math

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


def of_machines(evidence: Evidence) -> Results:
    lines = lines_of(evidence, lambda run: run.hours / run.parts)
    hours = {job: h for machine in evidence.machines.values() for job, h in hours_of_tries(machine).items()}

    def total(run: Run) -> float | None:
        return None if run.rejected or run.job not in hours else hours[run.job] / run.parts

    whole = lines_of(evidence, total)
    return Results(
        {
            TIME.code: mean_figures(evidence, lines, "a good print", s_least=U_HOURS),
            TOTAL.code: mean_figures(evidence, whole, "a good print", s_least=U_HOURS),
        },
        {TIME.code: lines, TOTAL.code: whole},
    )


DURATION = Evaluation("duration", "Print time", (TIME, TOTAL), of_machines)
