"""Reference pictures of defects: the same part drawn with the fault at each severity, from none to unusable."""

import math
from collections.abc import Callable
from dataclasses import dataclass

import numpy as np

from crevlo.core.defects import WORST
from crevlo.core.estimate import BadInput

WIDTH, HEIGHT = 100.0, 60.0
Dot = tuple[float, float]


@dataclass(frozen=True, slots=True)
class Stroke:
    """One shape in drawing units, y down: `part` filled, `line` of the sound part, or `fault` in the accent colour."""

    kind: str
    points: tuple[Dot, ...]
    closed: bool = False
    width: float = 1.0


def picture(defect: str, severity: int) -> tuple[Stroke, ...]:
    """The drawing of one defect at one severity. Raises BadInput for an unknown defect or a severity outside 0..5."""
    if defect not in _PICTURES or not 0 <= severity <= WORST:
        raise BadInput(f"there is no picture of {defect} at severity {severity}")
    return tuple(_PICTURES[defect](severity))


def _box(x0: float, y0: float, x1: float, y1: float) -> Stroke:
    return Stroke("part", ((x0, y0), (x1, y0), (x1, y1), (x0, y1)), closed=True)


def _layers(x0: float, x1: float, y0: float, y1: float, step: float = 5.0) -> list[Stroke]:
    return [Stroke("line", ((x0, y), (x1, y)), width=0.4) for y in np.arange(y0 + step, y1, step)]


def _blob(x: float, y: float, r: float) -> Stroke:
    ring = tuple((x + r * math.cos(a), y + r * math.sin(a)) for a in np.linspace(0, 2 * math.pi, 12, endpoint=False))
    return Stroke("fault", ring, closed=True)


def _stringing(s: int) -> list[Stroke]:
    found = [_box(12, 8, 30, 56), _box(70, 8, 88, 56)]
    count, width = (0, 2, 4, 7, 11, 16)[s], (0, 0.4, 0.5, 0.9, 1.3, 2.0)[s]
    for k in range(count):
        y = 12 + 40 * (k + 0.5) / count
        sag = 3 + 4 * ((k * 7) % 5) / 4
        curve = tuple((30 + 40 * t, y + 4 * sag * t * (1 - t)) for t in np.linspace(0, 1, 9))
        found.append(Stroke("fault", curve, width=width))
    return found


def _blobs(s: int) -> list[Stroke]:
    found = [_box(22, 6, 78, 56), *_layers(22, 78, 6, 56)]
    count, r = (0, 2, 5, 9, 10, 12)[s], (0, 1.0, 1.3, 1.8, 3.0, 4.4)[s]
    found += [_blob(50 + (0.6 if k % 2 else -0.6), 9 + 44 * (k + 0.5) / count, r) for k in range(count)]
    if s >= 4:
        found += [_blob(22, 14 + 13 * k, r * 0.8) for k in range(3)] + [
            _blob(78, 20 + 13 * k, r * 0.8) for k in range(3)
        ]
    return found


def _shift(s: int) -> list[Stroke]:
    off = (0, 0.9, 2.2, 4.5, 8, 13)[s]
    found = []
    for k in range(10):
        moved = off * ((k >= 5) + (s == WORST and k >= 8) * 0.8)
        found.append(_box(26 + moved, 52 - 5 * k, 62 + moved, 56 - 5 * k))
    if off:
        found.append(Stroke("fault", ((62, 31), (62, 34), (62 + off, 31), (62 + off, 28)), width=1.4))
        found.append(Stroke("fault", ((26, 31), (26 + off, 31)), width=1.6))
    return found


def _warp(s: int) -> list[Stroke]:
    lift = (0, 0.9, 2.4, 5, 8.5, 14)[s]
    both = s >= 3
    xs = np.linspace(10, 90, 25)
    bow = [lift * (((x - 50) / 40) ** 2 if (x > 50 or both) else 0) for x in xs]
    low = [(float(x), 50 - b) for x, b in zip(xs, bow, strict=True)]
    high = [(float(x), 34 - b) for x, b in reversed(list(zip(xs, bow, strict=True)))]
    found = [Stroke("line", ((4, 50.6), (96, 50.6)), width=1.2), Stroke("part", (*low, *high), closed=True)]
    if lift:
        ends = [(90.0, 50 - lift)] + ([(10.0, 50 - lift)] if both else [])
        found += [Stroke("fault", ((x, 50), (x, y)), width=1.6) for x, y in ends]
    return found


def _gaps(s: int) -> list[Stroke]:
    found = [_box(18, 8, 82, 56)]
    apart = (0, 0, 0.9, 1.6, 2.4, 3.4)[s]
    for k in range(12):
        y = 10 + 4 * k
        found.append(Stroke("line", ((18, y), (82, y)), width=0.4))
        if apart and k % (2 if s >= 4 else 3) == 1:
            found.append(Stroke("fault", ((24 if s < 4 else 18, y), (76 if s < 4 else 82, y)), width=apart))
    if s == 1:
        found += [_blob(x, y, 0.9) for x, y in ((34, 20), (58, 32), (46, 44))]
    if s == WORST:
        found.append(Stroke("fault", ((50, 8), (47, 24), (53, 38), (49, 56)), width=2.2))
    return found


def _ringing(s: int) -> list[Stroke]:
    found = [_box(14, 10, 90, 54), *_layers(14, 90, 10, 54)]
    for k in range((0, 1, 3, 5, 7, 12)[s]):
        strength = (0, 0.7, 0.9, 1.4, 2.2, 2.6)[s] * math.exp(-k / 9)
        found.append(Stroke("fault", ((20 + 5.4 * k, 10), (20 + 5.4 * k, 54)), width=strength))
    return found


def _foot(s: int) -> list[Stroke]:
    out = (0, 1.1, 2.2, 3.8, 6, 9)[s]
    found = [Stroke("line", ((4, 54.6), (96, 54.6)), width=1.2), _box(24, 10, 76, 54), *_layers(24, 76, 10, 54)]
    if out:
        for x, side in ((24.0, -1), (76.0, 1)):
            found.append(
                Stroke("fault", ((x, 46), (x + side * out * 0.7, 50), (x + side * out, 54), (x, 54)), closed=True)
            )
    return found


def _skins(s: int) -> list[Stroke]:
    top: tuple[Dot, ...] = ((50, 8), (94, 30), (50, 52), (6, 30))
    found = [Stroke("part", top, closed=True)]
    for k in range(1, 11):
        t = k / 11
        found.append(
            Stroke("line", ((50 - 44 * t, 8 + 22 * t), (94 - 44 * t, 30 + 22 * t)), width=0.4 if s < 3 else 0.7)
        )
    rng = np.random.default_rng(7)
    marks = (0, 0, 3, 8, 18, 12)[s]
    if s == 1:
        found.append(Stroke("fault", ((28, 19), (72, 41)), width=0.3))
    for _ in range(marks):
        u, v = rng.uniform(0.1, 0.9, 2)
        x, y = 50 + 44 * (u - v), 8 + 22 * (u + v)
        if s == WORST:
            found.append(_blob(x, y, 2.6))
        else:
            found.append(Stroke("fault", ((x - 3, y - 1), (x, y + 0.6), (x + 3, y - 0.4)), width=0.9))
    return found


def _banding(s: int) -> list[Stroke]:
    deep = (0, 0.3, 0.5, 1.0, 1.8, 3.0)[s]
    found = [_box(26, 6, 74, 56)]
    for k in range((0, 2, 8, 8, 8, 8)[s]):
        y = 10 + 42 * (k + 0.5) / max(1, (0, 2, 8, 8, 8, 8)[s])
        found.append(Stroke("fault", ((26 - deep, y), (74 + deep, y)), width=max(0.5, deep)))
    return found


def _droop(s: int) -> list[Stroke]:
    found = [_box(10, 6, 40, 56), _box(40, 6, 92, 16)]
    hang, count = (0, 1.5, 4, 7, 13, 22)[s], (0, 2, 4, 8, 9, 10)[s]
    for k in range(count):
        x = 90 - 5 * k
        curve = tuple((x - 4 + 8 * t, 16 + 4 * hang * t * (1 - t) * (1 - k / 16)) for t in np.linspace(0, 1, 7))
        found.append(Stroke("fault", curve, width=0.9))
    return found


def _extrusion(s: int) -> list[Stroke]:
    found = [_box(16, 8, 84, 56)]
    rng = np.random.default_rng(3)
    for k in range(10):
        y = 11 + 4.6 * k
        found.append(Stroke("line", ((16, y), (84, y)), width=2.0))
        if rng.random() < (0, 0.2, 0.4, 0.8, 0.9, 1.0)[s]:
            x = float(rng.uniform(18, 50))
            found.append(Stroke("fault", ((x, y + 1.6), (x + 30, y + 1.6)), width=(0, 0.4, 0.7, 1.0, 1.8, 3.2)[s]))
    return found


def _scars(s: int) -> list[Stroke]:
    found = [_box(10, 10, 90, 40), *_layers(10, 90, 10, 40)]
    for k in range((0, 3, 6, 9, 10, 12)[s]):
        x, tall = 14 + 72 * (k + 0.5) / max(1, (0, 3, 6, 9, 10, 12)[s]), (0, 0.6, 1.5, 4, 9, 14)[s]
        found.append(Stroke("fault", ((x - 1.5, 40), (x, 40 + tall), (x + 1.5, 40)), closed=True))
    if s == WORST:
        found.append(Stroke("fault", ((46, 10), (50, 22), (45, 30), (51, 40)), width=2.2))
    return found


def _bleed(s: int) -> list[Stroke]:
    found = [_box(12, 8, 88, 56), Stroke("line", ((38, 8), (38, 56)), width=1.2)]
    rng = np.random.default_rng(5)
    for _ in range((0, 3, 8, 14, 24, 44)[s]):
        reach = (0, 4, 6, 18, 30, 48)[s]
        found.append(
            _blob(38 + float(rng.uniform(0.5, reach)), float(rng.uniform(11, 53)), (0, 0.8, 1.0, 1.4, 2.2, 3.0)[s])
        )
    return found


def _layer(s: int) -> list[Stroke]:
    found = [_box(10, 8, 90, 56)]
    for k in range(13):
        x = 14 + 6 * k
        found.append(Stroke("line", ((x, 8), (x, 56)), width=0.4))
        apart = (0, 0, 0.3, 0.5, 0.8, 1.0)[s] * 13
        if k < apart:
            top = (8, 8, 40, 30, 8, 8)[s]
            found.append(Stroke("fault", ((x + 3, top), (x + 3, 56)), width=(0, 0, 0.8, 1.2, 1.8, 2.6)[s]))
    if s == 1:
        found.append(Stroke("fault", ((20, 8), (20, 56)), width=0.5))
    if s == WORST:
        found += [_blob(x, y, 5.0) for x, y in ((30, 24), (62, 38))]
    return found


_PICTURES: dict[str, Callable[[int], list[Stroke]]] = {
    "stringing": _stringing, "blobs": _blobs, "shift": _shift, "warp": _warp, "gaps": _gaps, "ringing": _ringing,
    "foot": _foot, "skins": _skins, "banding": _banding, "droop": _droop, "extrusion": _extrusion, "scars": _scars,
    "bleed": _bleed, "layer": _layer,
}  # fmt: skip
