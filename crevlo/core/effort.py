"""What a study will take: printing hours, person hours, filament, energy, and at least how many days."""

import math
from collections import defaultdict
from collections.abc import Sequence
from dataclasses import dataclass

from crevlo.core.estimate import NORMAL_COVERAGE, BadInput

# What a reading and an inspection take a practised person.
PER_READING_S, INSPECTION_MIN = 12.0, 4.0
# Twice or half of what was expected, as one standard deviation: wider than any printer that was ever timed.
MOST_SPREAD = math.log(2)
# A print that took less or more than so many times what was expected of it is a slip of the clock, or another print.
ABSURD = 8.0


def is_absurd(took_s: float, expected_s: float) -> bool:
    """Whether a duration tells nothing of how a printer keeps its times."""
    return not 1 / ABSURD <= took_s / expected_s <= ABSURD


@dataclass(frozen=True, slots=True)
class PlannedPrint:
    """One print to come. `log_spread` is the standard deviation of ln(actual/expected), shared by a machine's prints; more than
    `MOST_SPREAD` of it is not planned by, whatever a few prints did."""

    machine: str
    spools: tuple[str, ...]
    seconds: float
    log_spread: float
    grams: float
    mean_w: float
    readings: int


@dataclass(frozen=True, slots=True)
class Handling:
    """What people do at every print, and how long printing may go on in a day."""

    per_print_min: float
    per_reading_s: float
    per_inspection_min: float
    staff_h_per_day: float
    printing_h_per_day: float


@dataclass(frozen=True, slots=True)
class Effort:
    """Totals; `low_h` and `high_h` hold 95 %. `days` is a bound from below, set by `bottleneck`."""

    prints: int
    printing_h: float
    low_h: float
    high_h: float
    person_h: float
    energy_kwh: float
    filament_g: dict[str, float]
    machine_h: dict[str, float]
    days: float
    bottleneck: str


def effort(prints: Sequence[PlannedPrint], handling: Handling, *, one_spool: bool = True) -> Effort:
    """Totals of the prints; with `one_spool` a spool is in one machine at a time and its prints follow each other.

    Raises BadInput where a day has no hours.
    """
    if handling.staff_h_per_day <= 0 or handling.printing_h_per_day <= 0:
        raise BadInput("a day needs some hours in which people work and machines print")
    machine_s: dict[str, float] = defaultdict(float)
    spread_s: dict[str, float] = defaultdict(float)
    spool_s: dict[str, float] = defaultdict(float)
    grams: dict[str, float] = defaultdict(float)
    joules = 0.0
    for p in prints:
        # E of a lognormal whose median is the expected time.
        log_spread = min(p.log_spread, MOST_SPREAD)
        machine_s[p.machine] += p.seconds * math.exp(log_spread**2 / 2)
        spread_s[p.machine] += p.seconds * log_spread
        joules += p.seconds * p.mean_w
        for spool in p.spools:
            spool_s[spool] += p.seconds
            grams[spool] += p.grams / len(p.spools)
    total = math.fsum(machine_s.values()) / 3600
    half = NORMAL_COVERAGE * math.sqrt(sum(s**2 for s in spread_s.values())) / 3600
    person = len(prints) * (handling.per_print_min + handling.per_inspection_min) / 60
    person += sum(p.readings for p in prints) * handling.per_reading_s / 3600
    bounds = [(s / 3600 / handling.printing_h_per_day, m) for m, s in machine_s.items()]
    if one_spool:
        bounds += [(s / 3600 / handling.printing_h_per_day, f"spool {m}") for m, s in spool_s.items()]
    bounds.append((person / handling.staff_h_per_day, "the people at the bench"))
    days, bottleneck = max(bounds, key=lambda b: b[0]) if prints else (0.0, "")
    return Effort(
        prints=len(prints), printing_h=total, low_h=max(0.0, total - half), high_h=total + half, person_h=person,
        energy_kwh=joules / 3.6e6, filament_g=dict(grams),
        machine_h={m: s / 3600 for m, s in machine_s.items()}, days=days, bottleneck=bottleneck,
    )  # fmt: skip
