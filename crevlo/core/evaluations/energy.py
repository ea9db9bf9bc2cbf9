"""Energy of the good prints."""

from crevlo.core.estimate import Estimate, made_of
from crevlo.core.evaluations.duration import along_with_time, going_along
from crevlo.core.evaluations.evaluation import (
    Better,
    Evaluation,
    Quantity,
    Rests,
    Results,
    lines_of,
    mean_figures,
    own_of_mean,
)
from crevlo.core.evidence import Evidence, Run
from crevlo.core.readings import calibration_of

ENERGY = Quantity(
    "energy", "Energy", "Energy", "kWh", 3, Better.LOWER, Rests.RUNS,
    "Mean energy of the good prints from the power meter or trace; of a plate of several parts, for each of them.", 0.30, 0.05,
)  # fmt: skip


def of_machines(evidence: Evidence) -> Results:
    def value(run: Run) -> Estimate | None:
        if run.kwh is None:
            return None
        meter = evidence.instruments.get(run.meter) if run.meter is not None else None
        shared = {calibration_of(meter): meter.u_calibration / 1000 / run.parts} if meter else {}
        return made_of(run.kwh / run.parts, 0.0, shared=shared)

    lines = lines_of(evidence, value)
    gaps = own_of_mean(evidence, evidence.lines, lambda run: None if run.kwh is None else run.u_kwh / run.parts)
    figures = mean_figures(evidence, lines, "the energy of a good print", gaps)
    share = along_with_time(evidence, lambda run: None if run.kwh is None else run.kwh / run.parts)
    figures = going_along(figures, share)
    return Results({ENERGY.code: figures}, {ENERGY.code: lines}, {ENERGY.code: gaps})


ENERGY_USED = Evaluation("energy", "Energy", (ENERGY,), of_machines)
