"""Limits after the commands that set them, in plain Python."""

import math
import re
from dataclasses import replace
from typing import Protocol

from crevlo.core.motion.limits import Limits, on_axes

NUMBER = r"[+-]?(?:\d+\.?\d*|\.\d+)"


class Modes(Protocol):
    """What such a command changes beside the limits."""

    speeds_set: bool
    by_minute: bool
    retracts_apart: bool
    square: float


def changed(state: Modes, limits: Limits, command: str, words: dict[str, float]) -> Limits:
    """Limits after one of the commands that set them."""
    if command == "M201":
        return replace(limits, acceleration=on_axes(limits.acceleration, words))
    if command == "M203":
        state.speeds_set = True
        by = 60 if state.by_minute else 1
        return replace(limits, speed=on_axes(limits.speed, {k: v / by for k, v in words.items()}))
    if command == "M205":
        changed = replace(limits, corner=on_axes(limits.corner, words))
        if "J" in words:
            changed = replace(changed, junction_mm=min(max(0.0, words["J"]), 10.0))
        if "S" in words:
            changed = replace(changed, least_printing_speed=max(0.0, words["S"]))
        if "T" in words:
            changed = replace(changed, least_travel_speed=max(0.0, words["T"]))
        return changed
    if command == "M566":
        if state.speeds_set and not state.by_minute:
            x, y, z, e = limits.speed
            limits = replace(limits, speed=(x / 60, y / 60, z / 60, e / 60))
        state.by_minute = True
        return replace(limits, corner=on_axes(limits.corner, {k: v / 60 for k, v in words.items()}))
    if command == "M204":
        # An S without a P is of the older form: printing and travel together, with a T for retractions.
        if "S" in words and "P" not in words:
            words = {"P": words["S"], "R": words.get("R", words.get("T", -1.0)), "T": words["S"]}
            words = {k: v for k, v in words.items() if v >= 0}
        printing = words.get("P", 0.0)
        state.retracts_apart |= words.get("R", 0.0) > 0
        # Firmware without a figure of its own for retractions takes the one for printing.
        retracting = words.get("R", 0.0 if state.retracts_apart else printing)
        return replace(
            limits,
            printing=printing if printing > 0 else limits.printing,
            retracting=retracting if retracting > 0 else limits.retracting,
            travelling=words["T"] if words.get("T", 0.0) > 0 else limits.travelling,
        )
    return limits


def velocity_limit(state: Modes, limits: Limits, line: str) -> Limits:
    """Limits after a macro's SET_VELOCITY_LIMIT."""
    for key, number in re.findall(rf"(\w+)=({NUMBER})", line):
        value = float(number)
        if value <= 0:
            continue
        if key == "VELOCITY":
            limits = replace(limits, speed=(value, value, *limits.speed[2:]))
        elif key == "ACCEL":
            limits = replace(limits, printing=value, travelling=value)
        elif key == "SQUARE_CORNER_VELOCITY":
            state.square = value
    if state.square:
        junction = min(state.square**2 * (math.sqrt(2) - 1) / limits.printing, 10.0)
        limits = replace(limits, junction_mm=junction)
    return limits
