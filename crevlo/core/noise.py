"""Sound levels: means, background and distance."""

import math
from collections.abc import Sequence
from enum import StrEnum

from crevlo.core.estimate import BadInput, NotDetermined


class NoiseState(StrEnum):
    """What the machine does while its noise is read."""

    STANDBY = "standby"
    HEATING = "heating"
    PRINTING = "printing"
    FAST = "printing at its fastest"


def mean_level_db(levels_db: Sequence[float], durations_s: Sequence[float] | None = None) -> float:
    """Energy mean 10·lg(Σt·10^(L/10)/Σt) in dB; equal durations where none are given."""
    if not levels_db:
        raise NotDetermined("a noise reading")
    times = durations_s if durations_s is not None else [1.0] * len(levels_db)
    if len(times) != len(levels_db) or not all(math.isfinite(x) and 0 <= x < 200 for x in levels_db):
        raise BadInput("noise levels must lie between 0 and 200 dB, one duration each")
    if not sum(times) > 0:
        raise BadInput("noise durations must add up to more than 0 s")
    energy = math.fsum(t * 10 ** (level / 10) for level, t in zip(levels_db, times, strict=True))
    return 10 * math.log10(energy / math.fsum(times))


def without_background_db(level_db: float, background_db: float) -> float:
    """Level with the background taken out; under 3 dB apart is NotDetermined, from 15 dB unchanged."""
    difference = level_db - background_db
    if difference < 3:
        raise NotDetermined(f"a quieter room: the background of {background_db:.1f} dB is within 3 dB of the reading")
    if difference >= 15:
        return level_db
    return 10 * math.log10(10 ** (level_db / 10) - 10 ** (background_db / 10))


def at_distance_db(level_db: float, measured_m: float, wanted_m: float = 1.0) -> float:
    """Free-field estimate of the level at `wanted_m`: −20·lg(r2/r1); only between 0.25 and 4 m."""
    for distance in (measured_m, wanted_m):
        if not 0.25 <= distance <= 4:
            raise NotDetermined(f"a distance between 0.25 and 4 m, {distance:g} m is outside the free-field estimate")
    return level_db - 20 * math.log10(wanted_m / measured_m)


def level_at_1_m_db(level_db: float, background_db: float | None, distance_m: float) -> float:
    """A reading with its background taken out, brought to 1 m. Raises NotDetermined where either does not allow it."""
    if background_db is not None:
        level_db = without_background_db(level_db, background_db)
    return at_distance_db(level_db, distance_m)
