"""The moves of a sliced file by plain Python, line by line: slow, and what the compiled reader is held against."""

import math
import re
from collections import defaultdict
from collections.abc import Iterable
from dataclasses import dataclass, field

import numpy as np
from numpy.typing import NDArray

from crevlo.core.motion.limits import Limits
from crevlo.core.motion.stream import BACK_MM, BACK_MM_S
from tests.plain.limits import changed as limits_after
from tests.plain.limits import velocity_limit

Floats = NDArray[np.float64]
# Chords of an arc, as firmware makes them.
_CHORD_MM, _CHORDS_A_TURN = 1.0, 24
_MOST_CHORDS = 4000
_MOST_MM = 1e5
_MOST_WORD, _LEAST_WORD, _LEAST_SPEED, _LEAST_MM = 1e9, 1e-9, 0.01, 1e-9


@dataclass(frozen=True, slots=True)
class Moves:
    """One row per straight move: way in mm of X, Y, Z, E; speed asked for in mm/s; which limits hold; whether the
    machine stands still before it; seconds it waits before it; its feature type, layer, and whether the tool was changed
    before it. `after` are seconds waited at the end; `extruded` and `fed` mm of filament by tool and feature type, of moves
    that lay plastic and of the extruder alone."""

    way: Floats  # (n, 4)
    speed: Floats  # (n,)
    limits: tuple[Limits, ...]
    which: NDArray[np.int64]  # (n,) index into limits
    stops: NDArray[np.bool_]  # (n,)
    waits: Floats  # (n,)
    features: list[str]
    layers: list[int]
    changed: list[bool]
    after: float
    skipped: int
    extruded: dict[tuple[int, str], float] = field(default_factory=dict)
    fed: dict[tuple[int, str], float] = field(default_factory=dict)
    diameters: list[float] = field(default_factory=list)  # mm that the file states, 0 where it states none


@dataclass(slots=True)
class _State:
    at: list[float]
    speed: float = 1500 / 60
    relative: bool = False
    relative_e: bool = False
    unit: float = 1.0
    factor: float = 1.0
    # Machines that set corners by M566 count all their speeds by the minute.
    by_minute: bool = False
    speeds_set: bool = False
    retracts_apart: bool = False
    modal: str = ""
    tool: int | None = None
    feature: str = ""
    layer: int = 0
    started: bool = False
    e_scale: float = 1.0
    diameter: float = 0.0
    fed_of: dict[int, float] = field(default_factory=dict)
    aside: float = 0.0
    drawn_back: bool = False
    back: tuple[float, float, float] = (BACK_MM, BACK_MM_S, BACK_MM_S)
    # The speed around a right angle, of firmware with macros.
    square: float = 0.0
    layer_words: int = 0


_LINE_ENDS = re.compile(r"\r\n|\r|\n")
_NUMBER = r"[+-]?(?:\d+\.?\d*|\.\d+)"
_WORD = re.compile(rf"\s*(?:\([^)]*\)?\s*)*([A-Za-z])({_NUMBER})?")
_LAYER = re.compile(r"(LAYER:-?\d)|(LAYER_CHANGE)|( CHANGE_LAYER)")
_MOVES = ("G0", "G1", "G2", "G3")
_SETS = (
    "M82", "M83", "M200", "M201", "M203", "M204", "M205", "M207", "M208", "M220", "M221", "M566"
)  # fmt: skip
_MODES = ("G4", "G92", "G90", "G91", "G20", "G21", "G28", "G10", "G11")


class _Malformed(ValueError):
    pass


def read_moves(text: str, limits: Limits, *, g90_resets_extrusion: bool = False) -> Moves:
    """Straight moves of the lines, arcs as chords. Commands that cannot be read are counted in `skipped`."""
    state = _State([0.0, 0.0, 0.0, 0.0])
    ways: list[tuple[float, float, float, float]] = []
    speeds: list[float] = []
    which: list[int] = []
    stops: list[bool] = []
    waits: list[float] = []
    features: list[str] = []
    layers: list[int] = []
    changes: list[bool] = []
    diameters: list[float] = []
    extruded: defaultdict[tuple[int, str], float] = defaultdict(float)
    fed: defaultdict[tuple[int, str], float] = defaultdict(float)
    known = [limits]
    number: dict[Limits, int] = {limits: 0}
    stop, wait, skipped, changed = False, 0.0, 0, False

    def put(way: list[float]) -> None:
        nonlocal stop, wait, changed
        straight = math.hypot(*way[:3])
        if (straight if straight >= _LEAST_MM else abs(way[3])) < _LEAST_MM:
            return
        ways.append((way[0], way[1], way[2], way[3]))
        speeds.append(max(_LEAST_SPEED, state.speed * state.factor))
        which.append(number[limits])
        stops.append(stop)
        waits.append(wait)
        features.append(state.feature)
        layers.append(state.layer)
        changes.append(changed)
        diameters.append(state.diameter)
        stop, wait, changed = False, 0.0, False

    for line in _LINE_ENDS.split(text):
        plain = line.strip(" \t")
        if plain.startswith(";"):
            comment = plain[1:]
            named = re.match(r"(?:TYPE:| FEATURE:) *(.*?)[ \t]*$", comment)
            if named:
                state.feature = named[1]
            mark = _LAYER.match(comment)
            if mark:
                state.layer_words = state.layer_words or mark.lastindex
                state.layer += state.layer_words == mark.lastindex
            if (named and not named[1].startswith("Custom")) or mark:
                if not state.started:
                    extruded.clear()
                    fed.clear()
                state.started = True
            continue
        if re.match(r"[A-Za-z][A-Za-z_]", plain):
            if plain.startswith("SET_VELOCITY_LIMIT"):
                limits = velocity_limit(state, limits, plain.partition(";")[0])
                if limits not in number:
                    number[limits] = len(known)
                    known.append(limits)
            continue
        try:
            commands = list(_commands(plain, state))
        except _Malformed as broken:
            commands, skipped = broken.args[0], skipped + 1
        for command, words in commands:
            try:
                if command in _MOVES:
                    state.modal = command
                    before = list(state.at)
                    fed_of = state.fed_of.get(state.tool or 0, 1.0)
                    if command in ("G0", "G1"):
                        way = _straight(state, words)
                        put([*way[:3], way[3] * fed_of])
                        laid = any(way[:3])
                    else:
                        for way in _arc(state, words, clockwise=command == "G2"):
                            put([*way[:3], way[3] * fed_of])
                        laid = True
                    out = (state.at[3] - before[3]) * fed_of
                    if out != 0:
                        state.tool = state.tool or 0
                        (extruded if laid and out > 0 else fed)[state.tool, state.feature] += out
                elif command == "T":
                    tool = words["T"]
                    if tool >= 64 or tool != int(tool):
                        skipped += 1
                    else:
                        changed |= state.tool is not None and tool != state.tool
                        state.tool = int(tool)
                elif command == "G4":
                    wait += max(0.0, min(words.get("S", words.get("P", 0.0) / 1000), 86400.0))
                    stop = True
                elif command == "G92":
                    for i, axis in enumerate("XYZE"):
                        if axis in words:
                            state.at[i] = words[axis] * (state.e_scale if axis == "E" else state.unit)
                elif command == "G28":
                    for i, axis in enumerate("XYZ"):
                        if axis in words or not {*"XYZ"} & words.keys():
                            state.at[i] = 0.0
                    stop = True
                elif command in ("G10", "G11"):
                    back = command == "G10"
                    if state.drawn_back != back and not (back and {*"PRL"} & words.keys()):
                        state.drawn_back = back
                        mm, speed_back, speed_forth = state.back
                        asked, state.speed = state.speed, (speed_back if back else speed_forth) / state.factor
                        put([0.0, 0.0, 0.0, -mm if back else mm])
                        state.speed = asked
                elif command in ("G90", "G91"):
                    state.relative = command == "G91"
                    if g90_resets_extrusion:
                        state.relative_e = state.relative
                elif command in ("M82", "M83"):
                    state.relative_e = command == "M83"
                elif command in ("G20", "G21"):
                    old, state.unit = state.unit, 25.4 if command == "G20" else 1.0
                    state.e_scale *= state.unit / old
                elif command == "M220":
                    if "B" in words:
                        state.aside = state.factor
                    if words.get("S", 0.0) > 0:
                        state.factor = words["S"] / 100
                    elif "R" in words and state.aside > 0:
                        state.factor = state.aside
                elif command == "M221":
                    if words.get("S", 0.0) > 0:
                        state.fed_of[int(words.get("T", state.tool or 0))] = min(words["S"] / 100, 100.0)
                elif command == "M200":
                    _volumes(state, words)
                elif command in ("M207", "M208"):
                    mm, speed_back, speed_forth = state.back
                    if command == "M207" and "S" in words:
                        mm = min(max(0.0, words["S"]), 1000.0)
                    if words.get("F", 0.0) > 0:
                        speed_forth = words["F"] / 60
                        speed_back = speed_forth if command == "M207" else speed_back
                    state.back = mm, speed_back, speed_forth
                else:
                    limits = limits_after(state, limits, command, words)
                    if limits not in number:
                        number[limits] = len(known)
                        known.append(limits)
            except (ValueError, OverflowError, KeyError):
                skipped += 1
    return Moves(
        np.array(ways, dtype=float).reshape(-1, 4), np.array(speeds), tuple(known), np.array(which, dtype=np.int64),
        np.array(stops, dtype=bool), np.array(waits), features, layers, changes, wait, skipped,
        {key: mm for key, mm in extruded.items() if mm != 0}, {key: mm for key, mm in fed.items() if mm != 0},
        diameters,
    )  # fmt: skip


def _commands(line: str, state: _State) -> Iterable[tuple[str, dict[str, float]]]:
    """The commands of one line with their words; what could be read goes with the error for the rest."""
    line = re.sub(rf"^[Nn]{_NUMBER}[ \t]*", "", re.split(r"[;*]", line, maxsplit=1)[0])
    found: list[tuple[str, dict[str, float]]] = []
    first = re.match(rf"([GgMmTt])({_NUMBER})", line)
    at = 0
    if first and first[1] in "Tt":
        return [("T", {"T": float(first[2])})] if first[2][0] not in "+-" else []
    if not first:
        if not state.modal or not re.match(r"[XYZEAFxyzeaf]", line):
            return []
        command = state.modal
    else:
        command, at = _code(first), first.end()
    while True:
        words: dict[str, float] = {}
        known = command in _MOVES + _MODES + _SETS
        again = None
        while at < len(line) and line[at:].strip(" \t"):
            word = _WORD.match(line, at)
            letter = word[1].upper() if word else ""
            if letter == "G" or (letter == "M" and command.startswith("G")):
                again = word
                break
            if not known:
                return found
            if re.fullmatch(r"[ \t]*(?:\([^)]*\)?[ \t]*)+", line[at:]):
                break
            if word and (command == "G28" or (command == "M220" and letter in "BR" and not word[2])):
                words[letter], at = 0.0, word.end()
                continue
            letter = "E" if letter == "A" else letter
            if not word or not word[2] or letter in words or abs(float(word[2])) > _MOST_WORD:
                if command.startswith("G"):
                    raise _Malformed(found)
                break
            value = float(word[2])
            words[letter], at = value if abs(value) >= _LEAST_WORD else 0.0, word.end()
        if known:
            found.append((command, words))
            if command in _MOVES:
                state.modal = command
        if again is None or at >= len(line):
            return found
        if not again[2]:
            if again[1] in "Gg":
                raise _Malformed(found)
            return found
        command, at = _code(again), again.end()


def _code(word: re.Match[str]) -> str:
    number = float(word[2])
    return f"{word[1].upper()}{int(number) if number == int(number) else number}"


def _target(state: _State, words: dict[str, float]) -> list[float]:
    target = list(state.at)
    for i, axis in enumerate("XYZE"):
        if axis in words:
            value = words[axis] * (state.e_scale if axis == "E" else state.unit)
            # Common firmware makes the extruder relative with the axes; that of M566 and of macros does not.
            with_axes = state.relative and not (state.by_minute or state.square)
            relative = state.relative_e or with_axes if axis == "E" else state.relative
            target[i] = value + (state.at[i] if relative else 0.0)
            if abs(target[i]) > _MOST_MM and axis != "E":
                raise ValueError(f"{axis} {target[i]} is off any bed")
    if abs(target[3] - state.at[3]) > _MOST_MM:
        raise ValueError("no spool holds as much")
    if words.get("F", 0.0) > 0:
        state.speed = words["F"] * state.unit / 60
    return target


def _straight(state: _State, words: dict[str, float]) -> list[float]:
    target = _target(state, words)
    way = [b - a for a, b in zip(state.at, target, strict=True)]
    state.at = target
    return way


def _arc(state: _State, words: dict[str, float], *, clockwise: bool) -> list[list[float]]:
    """Chords of an arc in the XY plane by its centre (I, J) or radius (R)."""
    begin = list(state.at)
    target = _target(state, words)
    cx, cy = _centre(begin, target, words, state.unit, clockwise)
    radius = math.hypot(begin[0] - cx, begin[1] - cy)
    a0 = math.atan2(begin[1] - cy, begin[0] - cx)
    turn = math.atan2(target[1] - cy, target[0] - cx) - a0
    if clockwise and turn >= -1e-9:
        turn -= 2 * math.pi
    if not clockwise and turn <= 1e-9:
        turn += 2 * math.pi
    if not radius <= _MOST_MM:
        raise ValueError("an arc of this radius is off any bed")
    fewest = int(abs(turn) * _CHORDS_A_TURN / (2 * math.pi)) + 1
    count = min(_MOST_CHORDS, max(fewest, int(abs(turn) * radius / _CHORD_MM)))
    ways, last = [], begin
    for k in range(1, count + 1):
        share = k / count
        point = [begin[i] + (target[i] - begin[i]) * share for i in range(4)]
        if k < count:
            point[0] = cx + radius * math.cos(a0 + turn * share)
            point[1] = cy + radius * math.sin(a0 + turn * share)
        ways.append([b - a for a, b in zip(last, point, strict=True)])
        last = point
    state.at = target
    return ways


def _centre(
    begin: list[float], target: list[float], words: dict[str, float], unit: float, clockwise: bool
) -> tuple[float, float]:
    if "R" not in words:
        return begin[0] + words.get("I", 0.0) * unit, begin[1] + words.get("J", 0.0) * unit
    r = words["R"] * unit
    dx, dy = target[0] - begin[0], target[1] - begin[1]
    chord = math.hypot(dx, dy)
    if chord == 0 or abs(r) < chord / 2 * (1 - 1e-6):
        raise ValueError("the radius does not reach")
    high = math.sqrt(max(0.0, r * r - chord * chord / 4)) / chord
    side = -1.0 if clockwise == (r > 0) else 1.0
    return begin[0] + dx / 2 - side * dy * high, begin[1] + dy / 2 + side * dx * high


def _volumes(state: _State, words: dict[str, float]) -> None:
    """M200: an E counts mm³ of filament of the diameter D, or mm again where that is 0."""
    diameter = words.get("D", 0.0)
    if words.get("S", 1.0) == 0:
        diameter = 0.0
    elif "D" not in words or diameter > 10:
        return
    area = math.pi * diameter**2 / 4
    scale = 1 / area if area > 1e-3 else state.unit
    state.at[3] *= scale / state.e_scale
    state.e_scale = scale
    state.diameter = diameter if area > 1e-3 else 0.0
