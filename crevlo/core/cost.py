"""Cost per good part, with its make-up."""

import math
from dataclasses import dataclass, fields, replace

import numpy as np

from crevlo.core.batch import Batch
from crevlo.core.estimate import BadInput


@dataclass(frozen=True, slots=True)
class CostInputs:
    """What one plate of parts takes. Money in one currency, mass g, energy kWh, time h or min.

    `parts_per_plate` is broken where plates of several artifacts are taken together."""

    price: float
    upgrades: float
    residual: float
    life_h: float
    upkeep_per_h: float
    parts_per_plate: float
    part_g: float
    purge_g: float
    material_per_kg: float
    energy_kwh: float
    tariff_per_kwh: float
    hours: float
    labour_min: float
    wage_per_h: float
    success: float
    loss_fraction: float
    failed_labour_min: float


@dataclass(frozen=True, slots=True)
class CostPerPart:
    """Money per good part by what it goes on."""

    material: float
    energy: float
    machine: float
    labour: float
    failures: float

    @property
    def total(self) -> float:
        return self.material + self.energy + self.machine + self.labour + self.failures


def cost_per_good_part(plate: CostInputs) -> CostPerPart:
    """Plate cost and the expected cost of failed plates, divided by the parts on a plate.

    failures = (1−p)/p · (loss·(material + energy + machine) + failed labour). Raises BadInput for
    negative or non-finite inputs, a life of 0 h, no parts, a chance of success outside (0, 1].
    """
    for field in fields(plate):
        value = getattr(plate, field.name)
        if not math.isfinite(value) or value < 0:
            raise BadInput(f"{field.name.replace('_', ' ')} must be 0 or more, not {value:g}")
    if plate.life_h <= 0 or plate.parts_per_plate < 1:
        raise BadInput("machine life must be above 0 h and a plate must hold at least one part")
    if not 0 < plate.success <= 1:
        raise BadInput("the chance of a good print must be above 0 and at most 1")
    n = plate.parts_per_plate
    return _per_part(n, 1, n * plate.part_g + plate.purge_g, plate.energy_kwh, plate.hours, plate)


def cost_of_batch(made: Batch, plate: CostInputs) -> CostPerPart:
    """Of a part of a batch: handling, and a failed plate's, by the plate; all else by what the batch takes.

    With as many parts as fill one plate it is `cost_per_good_part`.
    """
    return _per_part(made.parts, made.plates, made.part_g + made.waste_g, made.kwh, made.hours, plate)


def _per_part(parts: float, plates: float, grams: float, kwh: float, hours: float, of: CostInputs) -> CostPerPart:
    material, energy = grams / 1000 * of.material_per_kg, kwh * of.tariff_per_kwh
    machine = hours * ((of.price + of.upgrades - of.residual) / of.life_h + of.upkeep_per_h)
    labour = plates * of.labour_min / 60 * of.wage_per_h
    lost = of.loss_fraction * (material + energy + machine) + plates * of.failed_labour_min / 60 * of.wage_per_h
    failures = (1 - of.success) / of.success * lost
    return CostPerPart(material / parts, energy / parts, machine / parts, labour / parts, failures / parts)


def costs_of_draws(plate: CostInputs, kwh: np.ndarray, hours: np.ndarray, success: np.ndarray) -> np.ndarray:
    """`cost_per_good_part` in total, of draws of energy, hours and chance of success, shape (n,)."""
    n = plate.parts_per_plate
    material = (n * plate.part_g + plate.purge_g) / 1000 * plate.material_per_kg
    per_h = (plate.price + plate.upgrades - plate.residual) / plate.life_h + plate.upkeep_per_h
    running = material + np.maximum(kwh, 0) * plate.tariff_per_kwh + np.maximum(hours, 0) * per_h
    lost = plate.loss_fraction * running + plate.failed_labour_min / 60 * plate.wage_per_h
    labour = plate.labour_min / 60 * plate.wage_per_h
    # A chance of nothing would cost without end: beyond a hundred tries nobody goes on.
    chance = np.maximum(success, 0.01)
    made: np.ndarray = (running + labour + (1 - chance) / chance * lost) / n
    return made


def say_apart(name: str, chance: float, machines: int) -> str:
    """Whether the cheapest can be told apart from the others, by how often it is the cheapest in draws over all of them."""
    of = "the other" if machines == 2 else "the others"
    shown = "over 99 %" if 0.995 <= chance < 1 else f"{100 * chance:.0f} %"
    if chance >= TOLD_APART:
        return f"{name} is the cheapest in {shown} of the draws over all {machines} machines: told apart from {of}."
    return (
        f"{name} is the cheapest in {shown} of the draws over all {machines} machines: not told apart from {of} yet."
    )


# As elsewhere for what is stated at 95 %.
TOLD_APART = 0.95


def say_ratio(name_a: str, a: float, name_b: str, b: float, verb: str = "costs") -> str:
    """Both wordings of a ratio with their base; a and b above 0, same unit."""
    if not (a > 0 and b > 0):
        raise BadInput("a ratio needs two amounts above 0")
    if a > b:
        name_a, a, name_b, b = name_b, b, name_a, a
    less, more = 100 * (1 - a / b), 100 * (b / a - 1)
    if less < 0.5:
        return f"{name_a} and {name_b} {verb.removesuffix('s')} the same within half a percent."
    return f"{name_a} {verb} {less:.0f} % less than {name_b}; {name_b} {verb} {more:.0f} % more than {name_a}."


def say_costs(cheapest: str, least: float, dearest: str, most: float, currency: str) -> str:
    """What a part costs on the cheapest and on the dearest printer, and the difference, once. Amounts above 0."""
    if not 0 < least <= most:
        raise BadInput("a comparison of costs needs two amounts above 0, the smaller first")
    less = 100 * (1 - least / most)
    if less < 0.5:
        return f"A part costs {least:.2f} {currency} on {cheapest} and on {dearest}, within half a percent."
    return f"A part costs {least:.2f} {currency} on {cheapest}, {most:.2f} on {dearest}: {less:.0f} % less."


# What is a machine's own and somebody could change; each in words with its unit ("money" for the currency). Wages, tariffs
# and handling are the same for all.
LEVERS = {
    "price": ("its price", "money"), "hours": ("the time of a plate", "h"), "part_g": ("the filament of a part", "g"),
    "purge_g": ("the waste of a plate", "g"), "energy_kwh": ("the energy of a plate", "kWh"),
    "success": ("the share of good prints", "%"),
}  # fmt: skip


@dataclass(frozen=True, slots=True)
class Lever:
    """One input as it is, and as it would have to be."""

    name: str
    now: float
    needed: float

    @property
    def change(self) -> float:
        """By what share of itself it would have to change."""
        return abs(self.needed - self.now) / self.now if self.now else math.inf


def to_cost(plate: CostInputs, total: float) -> list[Lever]:
    """Each input alone at which a part of this plate would cost `total`; inputs that cannot bring it there are left out.

    The least change first. Costs rise with every input but success, so that a bisection between 0 and the input (success:
    and 1) finds it.
    """
    if cost_per_good_part(plate).total <= total:
        return []
    found = []
    for name in LEVERS:
        now = float(getattr(plate, name))
        best = 1.0 if name == "success" else 0.0
        if now == best or cost_per_good_part(replace(plate, **{name: best})).total > total:
            continue
        near, far = best, now
        for _ in range(60):
            middle = (near + far) / 2
            if cost_per_good_part(replace(plate, **{name: middle})).total > total:
                far = middle
            else:
                near = middle
        found.append(Lever(name, now, near))
    return sorted(found, key=lambda lever: lever.change)


def say_levers(name: str, levers: list[Lever], cheapest: str, currency: str) -> str:
    """What would make a machine as cheap as the cheapest, in a sentence."""
    told: list[str] = []
    for lever in levers:
        what, unit = LEVERS[lever.name]
        factor, unit = (100.0, "%") if unit == "%" else (1.0, currency if unit == "money" else unit)
        digits = 0 if unit in (currency, "%") else 2
        # Rounded so that what is said is enough.
        step, round_off = 10.0**-digits, math.ceil if lever.name == "success" else math.floor
        needed = step * round_off(factor * lever.needed / step)
        # What would have to be nothing at all is no way down.
        if needed > 0 and len(told) < 3:
            told.append(f"{what} were {needed:.{digits}f} {unit} instead of {factor * lever.now:.{digits}f}")
    if not told:
        return f"Nothing that could be changed alone would bring {name} down to {cheapest}."
    return f"{name} would be as cheap as {cheapest} if {', or '.join(told)}."
