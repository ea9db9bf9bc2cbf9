"""Settings of sliced files set side by side: only what differs, by what it affects."""

import math
import re
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from enum import StrEnum


class Affects(StrEnum):
    TIME = "time and motion"
    HEAT = "heat and cooling"
    STRENGTH = "walls, layers and infill"
    SUPPORTS = "supports"
    FIRST_LAYER = "first layer and adhesion"
    OOZE = "retraction and oozing"
    FILAMENT = "filament"
    OTHER = "other settings"


# The first that fits counts, so that "support_material_speed" is of the supports.
_PATTERNS = (
    (r"support", Affects.SUPPORTS),
    (r"first_layer|brim|skirt|raft|elefant|adhesion|initial", Affects.FIRST_LAYER),
    (r"retract|wipe|ooze|lift|deretract", Affects.OOZE),
    (r"temperature|fan|cool|bed_temp|chamber", Affects.HEAT),
    (r"speed|accel|jerk|machine_max|machine_min|feedrate|volumetric|flow_ratio|slowdown|max_print|junction", Affects.TIME),
    (r"perimeter|wall|infill|fill|layer_height|solid|top_|bottom_|shell|seam|extrusion_width|line_width|thin|bridge|"
     r"nozzle_diameter|overhang|spiral|fuzzy|xy_size|resolution|gap", Affects.STRENGTH),
    (r"filament|density|diameter|material|extrusion_multiplier|purg|tower|multi_material|flush", Affects.FILAMENT),
)  # fmt: skip
# Names, notes, code and what the program says of itself differ without affecting a part.
_IDLE = re.compile(
    r"gcode|notes|_id$|settings_id|profile|printer_model|inherits|thumbnail|host|color|colour|cost|vendor|post_process|"
    r"output_filename|compatible|print_settings|binary|bed_shape|printer_variant|printer_technology"
)
_LONGEST_SHOWN = 80


@dataclass(frozen=True, slots=True)
class SettingRow:
    """One setting that is not the same everywhere; `values` in the order of the files, None where a file says nothing."""

    key: str
    affects: Affects
    values: tuple[str | None, ...]


def differing(files: Sequence[Mapping[str, str]], *, most: int = 400) -> list[SettingRow]:
    """The settings in which the files differ, the ones that change a part or its time; grouped by what they affect.

    A setting that only some files name counts as differing only where at least two name it: programs name things
    differently, and a name alone says nothing. Numbers count by value: "0.20" is "0.2", "15%" is "15 %".
    """
    rows = []
    for key in sorted({key for settings in files for key in settings}):
        if _IDLE.search(key):
            continue
        said = [settings.get(key) for settings in files]
        known = [value for value in said if value is not None]
        if len(known) < 2 or len({_plain(value) for value in known}) < 2:
            continue
        shown = tuple(None if value is None else value.strip()[:_LONGEST_SHOWN] for value in said)
        rows.append(SettingRow(key, affects(key), shown))
    order = list(Affects)
    return sorted(rows, key=lambda row: (order.index(row.affects), row.key))[:most]


def affects(key: str) -> Affects:
    """What a setting affects, by its name."""
    return next((kind for pattern, kind in _PATTERNS if re.search(pattern, key)), Affects.OTHER)


def _plain(value: str) -> tuple[object, ...]:
    return tuple(_part(part) for part in re.split(r"[,;x]", value.strip().strip('"')))


def _part(part: str) -> object:
    text = part.strip().strip('"').casefold()
    try:
        number = float(text.removesuffix("%").strip())
    except ValueError:
        return text
    return (round(number, 9), text.endswith("%")) if math.isfinite(number) else text
