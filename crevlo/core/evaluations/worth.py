"""What a machine's features are worth in money, over its price."""

import math
from collections.abc import Sequence
from dataclasses import dataclass

from crevlo.core.estimate import BadInput, Estimate, NotDetermined, determined
from crevlo.core.evaluations.evaluation import Better, Evaluation, Quantity, Rests, Results
from crevlo.core.evidence import Evidence, Machine

SURPLUS = Quantity(
    "worth.surplus", "Worth over price", "Worth", "money", 0, Better.HIGHER, Rests.UNIT,
    "What a machine without any of them is worth to this reviewer, and what its features add, less the price paid.", -200, 400,
)  # fmt: skip


@dataclass(frozen=True, slots=True)
class Worth:
    """Base and features present; `surplus` is that less the price, None where the price is not known."""

    worth: float
    surplus: float | None


def worth_of(base: float, present: Sequence[float], price: float | None) -> Worth:
    """Raises BadInput for amounts that are negative or not finite."""
    for amount in (base, *present, *(() if price is None else (price,))):
        if not (math.isfinite(amount) and amount >= 0):
            raise BadInput(f"an amount must be 0 or more, not {amount:g}")
    worth = base + math.fsum(present)
    return Worth(worth, None if price is None else worth - price)


def _surplus(machine: Machine) -> Estimate:
    unit = machine.unit
    if not unit.worth_present:
        raise NotDetermined("features of the model with their worth, at Receive")
    for amount in (unit.worth_base, unit.worth_present, unit.paid):
        if isinstance(amount, NotDetermined):
            raise amount
    made = worth_of(unit.worth_base, unit.worth_present, unit.paid)  # type: ignore[arg-type]
    assert made.surplus is not None
    return Estimate(made.surplus, 0.0)


def of_machines(evidence: Evidence) -> Results:
    return Results(
        {SURPLUS.code: {k: determined(lambda m=m: _surplus(m)) for k, m in evidence.machines.items()}}  # type: ignore[misc]
    )


WORTH = Evaluation("worth", "Worth over price", (SURPLUS,), of_machines)
