"""Energy of the good prints."""

import math

from crevlo.core.evaluations.evaluation import Better, Evaluation, Quantity, Rests, Results, lines_of, mean_figures
from crevlo.core.evidence import Evidence, Machine

ENERGY = Quantity(
    "energy", "Energy", "Energy", "kWh", 3, Better.LOWER, Rests.RUNS,
    "Mean energy of the good prints from the power meter or trace.", 0.30, 0.05,
)  # fmt: skip


def of_machines(evidence: Evidence) -> Results:
    lines = lines_of(evidence, lambda run: run.kwh)
    fixed = {key: _u_fixed(evidence, machine) for key, machine in evidence.machines.items()}
    return Results(
        {ENERGY.code: mean_figures(evidence, lines, "the energy of a good print", fixed)}, {ENERGY.code: lines}
    )


def _u_fixed(evidence: Evidence, machine: Machine) -> float:
    """Meter calibration and the gaps of traces, as a standard uncertainty in kWh."""
    metered = [run for run in machine.good if run.kwh is not None]
    if not metered:
        return 0.0
    gaps = [((run.kwh_high or 0) - (run.kwh_low or 0)) / math.sqrt(12) for run in metered]
    meters = [evidence.instruments[run.meter].u_calibration / 1000 for run in metered if run.meter is not None]
    return math.hypot(max(gaps), max(meters, default=0.0))


ENERGY_USED = Evaluation("energy", "Energy", (ENERGY,), of_machines)
