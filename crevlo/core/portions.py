"""Feature types of sliced files, and the filament that each part of a print takes."""

from collections.abc import Mapping
from dataclasses import dataclass
from enum import StrEnum


class Portion(StrEnum):
    MODEL = "model"
    SUPPORT = "support"
    SKIRT = "skirt and brim"
    TOWER = "tower"  # what a purge tower takes
    PURGE = "purge"  # filament pushed out elsewhere
    FEED = "fed, drawn back"  # moves of the extruder alone: loading, unloading, retracting
    UNTOLD = "not told apart"  # the file names no feature types


# Not of the part: what a tool change costs.
PURGED = (Portion.TOWER, Portion.PURGE)
_WORDS = (
    (("tower",), Portion.TOWER), (("purge", "flush", "prime"), Portion.PURGE), (("support",), Portion.SUPPORT),
    (("skirt", "brim", "raft"), Portion.SKIRT), (("custom",), Portion.PURGE),
)  # fmt: skip


def portion_of(feature: str) -> Portion:
    """The portion of a print that a feature type belongs to, by its name; an unknown type is of the model."""
    name = feature.lower()
    if not name:
        return Portion.UNTOLD
    return next((portion for words, portion in _WORDS if any(word in name for word in words)), Portion.MODEL)


@dataclass(frozen=True, slots=True)
class FilamentUse:
    """Filament of one tool for one portion: mm, and g where the tool's mass is known."""

    tool: int
    portion: Portion
    length_mm: float
    mass_g: float | None


def filament_uses(
    extruded: Mapping[tuple[int, str], float], fed: Mapping[tuple[int, str], float], g_per_mm: Mapping[int, float]
) -> tuple[FilamentUse, ...]:
    """Filament by tool and portion, from mm by tool and feature type of moves that lay plastic, and of those of the
    extruder alone: in a tower they load and unload, and are of the tower.

    `g_per_mm` has the tools whose filament's mass is known.
    """
    sums: dict[tuple[int, Portion], float] = {}
    for feed, lengths in ((False, extruded), (True, fed)):
        for (tool, feature), length in lengths.items():
            portion = portion_of(feature)
            if feed and portion not in PURGED:
                portion = Portion.FEED
            sums[tool, portion] = sums.get((tool, portion), 0.0) + length
    return tuple(
        FilamentUse(tool, portion, length, length * g_per_mm[tool] if tool in g_per_mm else None)
        for (tool, portion), length in sorted(sums.items(), key=lambda item: (item[0][0], list(Portion).index(item[0][1])))
        if abs(length) >= 0.05
    )  # fmt: skip
