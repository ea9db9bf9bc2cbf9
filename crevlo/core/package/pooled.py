"""Several benches taken together: machines that more than one of them had, on what all of them printed, against their
common control."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from crevlo.core.estimate import BadInput, Estimate, NotDetermined, difference
from crevlo.core.evaluations import EVALUATIONS
from crevlo.core.evaluations.evaluation import Better, Quantity
from crevlo.core.evidence import Evidence, Key
from crevlo.core.figure import Figure, as_estimate
from crevlo.core.on_line import evidence_on
from crevlo.core.pool import Pooled, pool


@dataclass(frozen=True, slots=True)
class Bench:
    """One bench: its evidence, its machines by name, its control, and what tells the artifact of each line from others."""

    name: str
    evidence: Evidence
    machines: Mapping[str, Key]
    control: str
    artifacts: Mapping[Key, str]
    currency: str


@dataclass(frozen=True, slots=True)
class Of:
    """One bench's word on a machine: how far it lies from the control there."""

    bench: str
    apart: Estimate | NotDetermined


@dataclass(frozen=True, slots=True)
class Together:
    """A machine's quantity over benches, as the machine less the control; `mean` says what is missing where it cannot be."""

    machine: str
    quantity: Quantity
    of: tuple[Of, ...]
    mean: Pooled | NotDetermined
    says: str


@dataclass(frozen=True, slots=True)
class Agreed:
    """What benches have in common, and what they say together."""

    control: str
    artifacts: tuple[str, ...]
    rows: tuple[Together, ...]


def together(benches: Sequence[Bench]) -> Agreed:
    """Raises BadInput where the benches cannot be taken together: fewer than two, no common control or artifact."""
    if len(benches) < 2:
        raise BadInput("two benches or more are needed")
    controls = {b.control for b in benches}
    if "" in controls:
        lacking = next(b.name for b in benches if not b.control)
        raise BadInput(
            f"{lacking} has no control: benches are held together by a machine that all of them printed with"
        )
    if len(controls) > 1:
        raise BadInput(f"the benches have different controls: {', '.join(sorted(controls))}")
    common = set.intersection(*({*b.artifacts.values()} for b in benches))
    if not common:
        raise BadInput("the benches printed no artifact in common")
    control = controls.pop()
    on = [evidence_on(b.evidence, {k for k, a in b.artifacts.items() if a in common}) for b in benches]
    money = len({b.currency for b in benches}) == 1
    names = [n for n in dict.fromkeys(n for b in benches for n in b.machines) if n != control]
    shared = [n for n in names if sum(n in b.machines for b in benches) > 1]
    rows: list[Together] = []
    for evaluation in EVALUATIONS:
        if not all(any(evaluation.takes(line.features) for line in e.lines.values()) for e in on):
            continue
        figures = [evaluation.of_machines(e).figures for e in on]
        for q in evaluation.tells:
            if q.better is not Better.NONE and (money or q.unit != "money"):
                rows += [row for n in shared if (row := _row(n, q, control, benches, [f[q.code] for f in figures]))]
    return Agreed(control, tuple(sorted(common)), tuple(rows))


def _row(
    machine: str, q: Quantity, control: str, benches: Sequence[Bench], figures: Sequence[Mapping[Key, Figure]]
) -> Together | None:
    of = tuple(
        Of(b.name, _apart(f[b.machines[machine]], f[b.machines[control]], q.factor))
        for b, f in zip(benches, figures, strict=True)
        if machine in b.machines
    )
    known = [(o.apart.value, o.apart.u) for o in of if isinstance(o.apart, Estimate) and o.apart.u > 0]
    if not any(isinstance(o.apart, Estimate) for o in of):
        return None
    try:
        mean: Pooled | NotDetermined = pool(known)
    except NotDetermined as missing:
        mean = missing
    return Together(machine, q, of, mean, _says(machine, q, control, mean))


def _apart(figure: Figure, control: Figure, factor: float) -> Estimate | NotDetermined:
    if isinstance(figure, NotDetermined):
        return figure
    if isinstance(control, NotDetermined):
        return NotDetermined(f"the control's own figure: {control.needs}")
    return difference(as_estimate(figure, factor), as_estimate(control, factor))


def _says(machine: str, q: Quantity, control: str, mean: Pooled | NotDetermined) -> str:
    if isinstance(mean, NotDetermined):
        return f"{machine}: not taken together, needs {mean.needs} with a known uncertainty."
    apart, unit = mean.mean, q.unit if q.unit != "money" else ""
    side = "above" if apart.value >= 0 else "below"
    if apart.expanded >= abs(apart.value):
        stands = f"not told apart from {control}"
    else:
        stands = f"{abs(apart.value):.{q.digits}f} ± {apart.expanded:.{q.digits}f} {unit} {side} {control}".replace(
            "  ", " "
        )
    agree = "the benches agree within their errors" if mean.tau == 0 else (
        f"the benches differ beyond their errors by {mean.tau:.{q.digits}f} {unit}".rstrip() + f" ({mean.i2_percent:.0f} % of their spread)"
    )  # fmt: skip
    return f"{machine}, {q.name.lower()}: {stands}; {agree}."
