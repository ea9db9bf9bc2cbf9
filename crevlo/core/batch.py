"""Parts by the plate: how long, how much and what is wasted for one part and for many; the clock of a part's tries."""

import math
from collections.abc import Sequence
from dataclasses import dataclass
from itertools import accumulate

from crevlo.core.estimate import BadInput

HOUR_S = 3600.0
MOST_PARTS = 1_000_000


@dataclass(frozen=True, slots=True)
class PlateLoad:
    """What a plate of `parts` parts takes: s and kWh that every plate takes, and those of a part; g of a part, g of waste.

    Changes of colour or material, and what each purges, are per plate however many parts lie on it; so is a tower.
    """

    parts: int
    part_s: float
    part_g: float
    fixed_s: float = 0.0
    changes: int = 0
    change_s: float = 0.0
    purge_per_change_g: float = 0.0
    tower_g: float = 0.0
    purge_g: float = 0.0
    kwh_plate: float = 0.0
    kwh_part: float = 0.0

    @property
    def plate_s(self) -> float:
        """s of a plate that do not depend on how many parts lie on it."""
        return self.fixed_s + self.changes * self.change_s

    @property
    def waste_g(self) -> float:
        """g of a plate that are no part."""
        return self.changes * self.purge_per_change_g + self.tower_g + self.purge_g


@dataclass(frozen=True, slots=True)
class Amounts:
    """Time, filament and energy."""

    hours: float
    part_g: float
    waste_g: float
    changes: float
    kwh: float


@dataclass(frozen=True, slots=True)
class Batch(Amounts):
    """Of so many parts, with the plates that it takes; and of one of them."""

    parts: int
    plates: int
    per_part: Amounts


def batch(parts: int, plate: PlateLoad) -> Batch:
    """Plates = ⌈N/n⌉; time = plates · (fixed + changes · change) + N · part, so that the last plate counts by its own number.

    Source: FORMULAS, Batches. Raises BadInput for no parts, too many, or an amount below 0.
    """
    if not 1 <= parts <= MOST_PARTS or plate.parts < 1:
        raise BadInput(f"a batch has 1 to {MOST_PARTS} parts, and a plate at least one of them")
    given = (plate.part_s, plate.part_g, plate.plate_s, plate.waste_g, plate.kwh_plate, plate.kwh_part)
    if not all(math.isfinite(x) and x >= 0 for x in given):
        raise BadInput("times, masses and energies of a plate are 0 or above")
    plates = -(-parts // plate.parts)
    hours = (plates * plate.plate_s + parts * plate.part_s) / HOUR_S
    part_g, waste_g = parts * plate.part_g, plates * plate.waste_g
    changes, kwh = plates * plate.changes, plates * plate.kwh_plate + parts * plate.kwh_part
    each = Amounts(hours / parts, plate.part_g, waste_g / parts, changes / parts, kwh / parts)
    return Batch(hours, part_g, waste_g, changes, kwh, parts, plates, each)


def parts_a_month(plate: PlateLoad, available_h: float) -> int:
    """Parts off full plates in so many hours of a month. Raises BadInput for hours that a month has not."""
    if not 0 <= available_h <= 744:
        raise BadInput("a month has at most 744 h")
    seconds = plate.plate_s + plate.parts * plate.part_s
    if seconds <= 0:
        raise BadInput("a plate takes some time")
    # A plate that ends with the last second still counts, whatever the last binary digit says.
    return int(available_h * HOUR_S / seconds + 1e-9) * plate.parts


@dataclass(frozen=True, slots=True)
class Clock:
    """s from the first start to the end of each try, and the share that every print takes before it prints."""

    to_try_s: tuple[float, ...]
    fixed_share: float


def iteration_clock(print_s: Sequence[float], fixed_s: float, between_s: float = 0.0) -> Clock:
    """Tries of one part, one after another: a forced levelling and a warm-up are charged to every one of them.

    `between_s` is taken between a try and the next. Source: FORMULAS, Time. Raises BadInput without a try or below 0.
    """
    if not print_s or fixed_s < 0 or between_s < 0 or any(not s > 0 for s in print_s):
        raise BadInput("at least one try, its time above 0, what every print takes from 0")
    steps = [s + fixed_s + (between_s if i else 0.0) for i, s in enumerate(print_s)]
    return Clock(tuple(accumulate(steps)), len(print_s) * fixed_s / math.fsum(steps))
