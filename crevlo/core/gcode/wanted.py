"""The settings of a sliced file set against a protocol's conditions."""

import math
import re
from collections.abc import Mapping
from dataclasses import dataclass, field


@dataclass(frozen=True, slots=True)
class Wanted:
    """Print conditions of a protocol; None means left to the maker's profile."""

    layer_height_mm: float | None = None
    infill_percent: float | None = None
    walls: int | None = None
    nozzle_mm: float | None = None
    nozzle_c: float | None = None
    bed_c: float | None = None
    speed_mm_s: float | None = None
    material: str | None = None


@dataclass(frozen=True, slots=True)
class Deviation:
    """One setting of the file that differs from the protocol."""

    setting: str
    wanted: str
    found: str
    unit: str = field(default="")


_KEYS = {
    "layer_height_mm": ("Layer height", "mm", ("layer_height",)),
    "infill_percent": ("Infill", "%", ("fill_density",)),
    "walls": ("Walls", "", ("perimeters",)),
    "nozzle_mm": ("Nozzle", "mm", ("nozzle_diameter",)),
    "nozzle_c": ("Nozzle temperature", "°C", ("temperature",)),
    "bed_c": ("Bed temperature", "°C", ("bed_temperature",)),
    "speed_mm_s": ("Speed of walls", "mm/s", ("perimeter_speed",)),
    "material": ("Material", "", ("filament_type",)),
}


def deviations(settings: Mapping[str, str], wanted: Wanted) -> tuple[list[Deviation], list[str]]:
    """Settings that differ from the protocol, and the conditions the file says nothing about."""
    differ, silent = [], []
    for name, (title, unit, keys) in _KEYS.items():
        target = getattr(wanted, name)
        if target is None:
            continue
        found = next((settings[k] for k in keys if settings.get(k, "").strip()), None)
        if found is None:
            silent.append(title)
            continue
        first = re.split(r"[,;]", found)[0].strip().removesuffix("%").strip('"')
        if isinstance(target, str):
            same = first.casefold() == target.casefold()
        else:
            try:
                same = math.isclose(float(first), target, rel_tol=1e-6, abs_tol=1e-6)
            except ValueError:
                same = False
        if not same:
            wanted_text = target if isinstance(target, str) else f"{target:g}"
            differ.append(Deviation(title, wanted_text, first[:60], unit))
    return differ, silent
