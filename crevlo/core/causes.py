"""What a machine's figures point to, where its sheet lets a cause be named: suggestions, each with what would confirm it."""

import math
from collections.abc import Mapping
from dataclasses import dataclass

from crevlo.core.estimate import Estimate
from crevlo.core.figure import Figure

# A pitch is read to a hundredth at best, whatever its U says.
_LEAST_MM = 0.01
_MOST_LAYERS = 20


@dataclass(frozen=True, slots=True)
class Sheet:
    """What of a machine repeats: lead of the Z screw, pitch of the belt's teeth, teeth of its pulley, pitch of the extruder's
    gear, and the layer height that was printed; all in mm, None where nobody stated it."""

    screw_lead_mm: float | None = None
    belt_pitch_mm: float | None = None
    pulley_teeth: int | None = None
    gear_pitch_mm: float | None = None
    layer_mm: float | None = None


def points_to(code: str, figures: Mapping[str, Figure], sheet: Sheet) -> str | None:
    """The cause that a figure points to, or None where it is within its uncertainty or nothing on the sheet fits.

    `figures` are all of the same machine by code.
    """
    value = figures.get(code)
    if not isinstance(value, Estimate) or not _shows(value):
        return None
    if code == "band.pitch":
        return _band(value, sheet)
    if code.startswith("ring.pitch."):
        return _waves(code[-1].upper(), value, sheet)
    if code.startswith("ring.frequency."):
        axis = code[-1].upper()
        return f"A resonance of {axis}: belt tension, or what the frame stands on. Tighten the belt and print it again: the frequency moves."
    if code.startswith("scale."):
        return _scale(code[-1], value, figures)
    if code == "wall.offset":
        return (
            "Flow or line width, not the axes. The line-width shell tells which." if not _any_scale(figures) else None
        )
    if code == "hole.offset":
        walls = figures.get("wall.offset")
        right = isinstance(walls, Estimate) and not _shows(walls)
        return (
            "Inner corners, or horizontal expansion: outsides are right. A hole of twice the size is off by as much."
            if right
            else None
        )
    if code == "skew.xy":
        return "The gantry is not square. Square it, print the frame again."
    if code in ("tilt.x", "tilt.y"):
        return "The bed is not level along that axis. A sheet printed after levelling shows none of it."
    if code == "dish":
        return "The plate is bent, or the warm-up too short. A sheet printed after a longer soak tells which."
    return None


def _band(pitch: Estimate, sheet: Sheet) -> str | None:
    if sheet.screw_lead_mm and _same(pitch, sheet.screw_lead_mm):
        return "Once per turn of the Z screw: wobble, its coupler, or a bent screw. Turn the column by a quarter: the bands stay with the screw."
    if sheet.layer_mm:
        layers = round(pitch.value / sheet.layer_mm)
        if 2 <= layers <= _MOST_LAYERS and _same(pitch, layers * sheet.layer_mm):
            return f"Every {layers} layers: rounding of the layer height to full steps. A layer height of whole steps shows none of it."
    return None


def _waves(axis: str, pitch: Estimate, sheet: Sheet) -> str | None:
    if sheet.belt_pitch_mm and _same(pitch, sheet.belt_pitch_mm):
        return f"The teeth of the belt of {axis}. They stand as far apart at any speed."
    if sheet.belt_pitch_mm and sheet.pulley_teeth and _same(pitch, sheet.belt_pitch_mm * sheet.pulley_teeth):
        return f"Once per turn of the pulley of {axis}: it runs out of true. Turn it by half on its shaft: the waves move."
    if sheet.gear_pitch_mm and _same(pitch, sheet.gear_pitch_mm):
        return "The teeth of the extruder's gear. Less pressure on it, or another gear, shows which."
    return None


def _scale(axis: str, value: Estimate, figures: Mapping[str, Figure]) -> str | None:
    others = [f for a in "xyz" if a != axis and isinstance(f := figures.get(f"scale.{a}"), Estimate)]
    if len(others) == 2 and all(_shows(o) and _alike(o, value) for o in others):
        return "All axes alike: shrinkage of the material, or the caliper. Another material shows another percent."
    part = "screw or steps" if axis == "z" else "steps or belt"
    return (
        f"The {part} of {axis.upper()}: its percent is its own. A second artifact of another length shows the same."
    )


def _any_scale(figures: Mapping[str, Figure]) -> bool:
    return any(isinstance(f := figures.get(f"scale.{a}"), Estimate) and _shows(f) for a in "xyz")


def _alike(one: Estimate, other: Estimate) -> bool:
    """Off the same way, by as much within what both leave open."""
    apart = abs(one.value - other.value)
    return one.value * other.value > 0 and apart <= math.hypot(one.expanded, other.expanded)


def _shows(value: Estimate) -> bool:
    """More than its uncertainty."""
    return abs(value.value) > value.expanded


def _same(value: Estimate, stated_mm: float) -> bool:
    return abs(value.value - stated_mm) <= max(value.expanded, _LEAST_MM, 0.005 * stated_mm)
