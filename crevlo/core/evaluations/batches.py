"""Batches of one artifact on each machine, from what its plates took."""

import math
from dataclasses import dataclass, replace

from crevlo.core.batch import HOUR_S, Batch, PlateLoad, batch
from crevlo.core.cost import CostInputs, CostPerPart, cost_of_batch
from crevlo.core.estimate import NotDetermined
from crevlo.core.evidence import Evidence, Filament, Key, Machine


@dataclass(frozen=True, slots=True)
class Made:
    """A batch on one machine with what a part of it costs; `steady_w` is the mean power while a plate prints."""

    batch: Batch
    cost: CostPerPart
    steady_w: float


def plate_load(machine: Machine, line: Key) -> PlateLoad | NotDetermined:
    """A plate of one line: times and energies are means over its good prints, each for the parts that lay there.

    Warming up is by the plate, as its stopwatch says; so are changes. Energy is not parted: it goes by the parts.
    """
    of_file = machine.filament.get(line)
    if of_file is None:
        return NotDetermined("a sliced file that states its filament")
    good = [run for run in machine.good if run.line == line]
    if not good:
        return NotDetermined("a good print")
    metered = [run.kwh / run.parts for run in good if run.kwh is not None]
    if not metered:
        return NotDetermined("the energy of a good print")
    fixed_s = math.fsum(machine.unit.warm_up_s) / len(machine.unit.warm_up_s) if machine.unit.warm_up_s else 0.0
    changes = round(of_file.changes)
    by_plate_s = fixed_s + changes * of_file.change_s
    if all(run.hours <= 0 for run in good):
        return NotDetermined("a good print that took some time")
    # What a run took beyond warming up and changing went into its parts.
    part_s = math.fsum(max(0.0, HOUR_S * run.hours - by_plate_s) / run.parts for run in good) / len(good)
    return PlateLoad(
        max(1, round(of_file.parts)), part_s, of_file.part_g, fixed_s, changes, of_file.change_s, purge_g=of_file.waste_g,
        kwh_part=math.fsum(metered) / len(metered),
    )  # fmt: skip


def made_on(
    evidence: Evidence, plate: CostInputs | NotDetermined, key: Key, line: Key, parts: int
) -> Made | NotDetermined:
    """A batch of `parts` of one line on one machine, with prices and success as of `plate`."""
    machine = evidence.machines[key]
    load = plate_load(machine, line)
    if isinstance(load, NotDetermined):
        return load
    if isinstance(plate, NotDetermined):
        return plate
    priced = priced_as(plate, machine.filament[line])
    made = batch(parts, load)
    return Made(made, cost_of_batch(made, priced), 1000 * made.kwh / made.hours if made.hours else 0.0)


def priced_as(plate: CostInputs, filament: Filament) -> CostInputs:
    """The same with the price per kg of this line's filament."""
    if isinstance(filament.money, NotDetermined) or filament.grams <= 0:
        return plate
    return replace(plate, material_per_kg=1000 * filament.money / filament.grams)
