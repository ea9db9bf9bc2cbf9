"""Cost per good part, from what a machine's prints took and what it cost."""

import math
from collections.abc import Collection, Mapping
from dataclasses import dataclass, replace

import numpy as np

from crevlo.core.cost import CostInputs, cost_per_good_part, costs_of_draws
from crevlo.core.estimate import Estimate, NotDetermined, determined
from crevlo.core.evaluations import duration, energy, success
from crevlo.core.evaluations.evaluation import Better, Evaluation, Quantity, Rests, Results
from crevlo.core.evaluations.success import attempts
from crevlo.core.evidence import Basis, Evidence, Key, Machine
from crevlo.core.figure import Composed, Counted, Draws, Figure
from crevlo.core.success import success_chance

COST = Quantity(
    "cost", "Cost per good part", "Cost", "money", 2, Better.LOWER, Rests.RUNS,
    "Material, energy, machine time, labour and failed plates, per good part.", 6.0, 1.0,
)  # fmt: skip


BARE = Quantity(
    "cost.good", "Cost without failures", "Bare cost", "money", 2, Better.LOWER, Rests.RUNS,
    "Material, energy, machine time and labour of a plate that comes out, per part: failed plates are left out.", 6.0, 1.0,
)  # fmt: skip


def counted_twice(codes: Collection[str]) -> str:
    """What to say where criteria count failures twice; empty where they do not."""
    both = COST.code in codes and {success.FIRST.code, success.ALL.code} & set(codes)
    return (
        f"{COST.name} has failed prints in it already: beside success they count twice. {BARE.name} leaves them out."
        if both
        else ""
    )


def plates(
    evidence: Evidence, kwh: Mapping[Key, Figure], hours: Mapping[Key, Figure]
) -> dict[Key, CostInputs | NotDetermined]:
    """What one plate takes on each machine with its figures of energy and time, or what is not known of it."""
    return {key: _plate(evidence, machine, kwh[key], hours[key]) for key, machine in evidence.machines.items()}


def of_machines(evidence: Evidence) -> Results:
    figures: dict[Key, Figure] = {}
    bare: dict[Key, Figure] = {}
    of_kwh = energy.of_machines(evidence).figures[energy.ENERGY.code]
    of_hours = duration.of_machines(evidence).figures[duration.TIME.code]
    for key, plate in plates(evidence, of_kwh, of_hours).items():
        kwh, hours = of_kwh[key], of_hours[key]
        if isinstance(plate, NotDetermined):
            figures[key] = bare[key] = plate
            continue
        counted, _ = attempts(evidence.machines[key], evidence.counted, first_only=False)
        figures[key] = _composed(plate, kwh, hours, counted)
        bare[key] = _composed(replace(plate, success=1.0), kwh, hours, None)
    return Results({COST.code: figures, BARE.code: bare})


def _plate(evidence: Evidence, machine: Machine, kwh: Figure, hours: Figure) -> CostInputs | NotDetermined:
    for figure in (kwh, hours):
        if isinstance(figure, NotDetermined):
            return figure
    if isinstance(machine.unit.paid, NotDetermined):
        return machine.unit.paid
    material = _material(evidence, machine)
    if isinstance(material, NotDetermined):
        return material
    assert isinstance(kwh, Estimate)
    assert isinstance(hours, Estimate)
    counted, _ = attempts(machine, evidence.counted, first_only=False)
    basis = evidence.basis
    return CostInputs(
        price=machine.unit.paid, upgrades=machine.unit.upgrades, residual=machine.unit.residual,
        life_h=hours_of_life(basis, hours.value * material.parts),
        upkeep_per_h=basis.upkeep_per_h if machine.unit.upkeep_per_h is None else machine.unit.upkeep_per_h,
        parts_per_plate=material.parts, part_g=material.part_g, purge_g=material.waste_g,
        material_per_kg=material.per_kg, energy_kwh=kwh.value * material.parts, tariff_per_kwh=basis.tariff_per_kwh,
        hours=hours.value * material.parts, labour_min=basis.labour_min, wage_per_h=basis.wage_per_h,
        success=_plain_chance(counted),
        loss_fraction=basis.loss_fraction, failed_labour_min=basis.failed_labour_min,
    )  # fmt: skip


# A buyer writes a machine off in so many months.
BUYER_MONTHS = 36


def hours_of_life(basis: Basis, plate_h: float) -> float:
    """Hours that a machine's price is spread over: its life, or what a buyer prints on it in three years where that is less."""
    if basis.prints_month is None:
        return basis.life_h
    return min(basis.life_h, BUYER_MONTHS * basis.prints_month * plate_h)


@dataclass(frozen=True, slots=True)
class _Material:
    """Parts of a plate, filament of a part and of the plate's waste in g, and the price per kg of that mixture."""

    parts: float
    part_g: float
    waste_g: float
    per_kg: float


def _material(evidence: Evidence, machine: Machine) -> _Material | NotDetermined:
    """Means over the lines of what a part takes, as time and energy are; handling is by the plate, so that the parts of a
    plate are the harmonic mean over the lines."""
    for key, of in evidence.lines.items():
        if key not in machine.filament:
            which = f" of the {of.name}" if len(evidence.lines) > 1 else ""
            return NotDetermined(f"a sliced file{which} that states its filament")
    plates = list(machine.filament.values())
    money = 0.0
    for plate in plates:
        if isinstance(plate.money, NotDetermined):
            return plate.money
        money += plate.money / plate.parts
    grams = math.fsum(p.grams / p.parts for p in plates)
    if grams <= 0:
        return NotDetermined("a sliced file that states its filament")
    parts = len(plates) / math.fsum(1 / p.parts for p in plates)
    waste_g = parts * math.fsum(p.waste_g / p.parts for p in plates) / len(plates)
    return _Material(parts, math.fsum(p.part_g for p in plates) / len(plates), waste_g, 1000 * money / grams)


def _plain_chance(counted: Counted) -> float:
    """k of n; where none came out the mean of what that leaves likely, and one half where nothing was tried."""
    if not counted.tries:
        return 0.5
    return counted.good / counted.tries if counted.good else success_chance(0, counted.tries).mean


def _composed(inputs: CostInputs, kwh: Figure, hours: Figure, counted: Counted | None) -> Composed:
    """Cost with the interval that joint draws of energy, hours and the chance of success leave; without `counted` every
    plate comes out."""
    assert isinstance(kwh, Estimate)
    assert isinstance(hours, Estimate)
    base = cost_per_good_part(inputs).total

    def rule(drawn: Mapping[str, np.ndarray]) -> np.ndarray:
        chance = drawn[success.ALL.code] if counted else np.ones(1)
        n = inputs.parts_per_plate
        return costs_of_draws(inputs, n * drawn[energy.ENERGY.code], n * drawn[duration.TIME.code], chance)

    parts: dict[str, Estimate | Counted] = {energy.ENERGY.code: kwh, duration.TIME.code: hours}
    if counted:
        parts[success.ALL.code] = counted
    made = Draws(_DRAWS, np.random.default_rng(_SEED))
    drawn = rule({name: made.of(part, "one", name) for name, part in parts.items()})
    low, high = (float(x) for x in np.percentile(drawn, [2.5, 97.5]))
    return Composed(Estimate(base, float(drawn.std())), min(low, base), max(high, base), parts, rule)


# Ends of an interval are then known to a fiftieth of its width; the same draws each time.
_DRAWS, _SEED = 20_000, 5


PRICE = Quantity(
    "price", "Price all in", "Price", "money", 0, Better.LOWER, Rests.UNIT,
    "Price paid and the upgrades it needed, as stated at Receive.", 1000, 200,
)  # fmt: skip


def _price(machine: Machine) -> Estimate:
    if isinstance(machine.unit.paid, NotDetermined):
        raise machine.unit.paid
    return Estimate(machine.unit.paid + machine.unit.upgrades, 0.0)


def price_of_machines(evidence: Evidence) -> Results:
    return Results(
        {PRICE.code: {k: determined(lambda m=m: _price(m)) for k, m in evidence.machines.items()}}  # type: ignore[misc]
    )


COST_OF_PART = Evaluation("cost", "Cost per good part", (COST, BARE), of_machines)
PRICE_ALL_IN = Evaluation("price", "Price all in", (PRICE,), price_of_machines)
