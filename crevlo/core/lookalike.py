"""The same machine under two names: what two specification sheets share, and what speaks against it."""

import math
from collections import defaultdict
from collections.abc import Sequence
from dataclasses import dataclass
from itertools import product

# Sheets round, and count margins differently.
_VOLUME_SHARE = 0.02
_WEIGHT_SHARE = 0.03
_PRICE_SHARE = 0.25
_LEAST_REASONS = 3


@dataclass(frozen=True, slots=True)
class Sheet:
    """What a maker's specification sheet says; None or empty where it says nothing."""

    name: str
    volume_mm: tuple[float, float, float]
    tools: int = 1
    enclosed: bool = False
    is_round: bool = False
    price: float | None = None
    weight_kg: float | None = None
    motion: str = ""
    board: str = ""
    hotend: str = ""
    extruder: str = ""


@dataclass(frozen=True, slots=True)
class Lookalike:
    """Two sheets that look like one machine: why, what differs all the same, and what would settle it."""

    first: str
    second: str
    reasons: tuple[str, ...]
    against: tuple[str, ...]
    open: tuple[str, ...]


def lookalikes(sheets: Sequence[Sheet]) -> list[Lookalike]:
    """Pairs that share their build volume and at least two more traits, with no trait of the design against it.

    Only sheets of about the same volume are held against each other: each is sorted into a cell by the logarithms of its
    three sides, one cell as wide as two sides may differ, so that a partner stands in the same cell or next to it.
    """
    cells: dict[tuple[object, ...], list[int]] = defaultdict(list)
    found = []
    for place, sheet in enumerate(sheets):
        kind, cell = (sheet.is_round, sheet.tools, sheet.enclosed), tuple(_cell(side) for side in sheet.volume_mm)
        for near in product(*((c - 1, c, c + 1) for c in cell)):
            for other in cells.get((*kind, *near), ()):
                pair = compare(sheets[other], sheet)
                if pair is not None:
                    found.append(pair)
        cells[*kind, *cell].append(place)
    return sorted(found, key=lambda p: (-len(p.reasons), p.first, p.second))


def _cell(side_mm: float) -> int:
    return math.floor(math.log(max(side_mm, 1e-9)) / -math.log1p(-_VOLUME_SHARE))


def compare(a: Sheet, b: Sheet) -> Lookalike | None:
    """The pair, or None where it does not look like one machine."""
    if a.is_round != b.is_round or a.tools != b.tools or a.enclosed != b.enclosed:
        return None
    if any(abs(p - q) > _VOLUME_SHARE * max(p, q) for p, q in zip(a.volume_mm, b.volume_mm, strict=True)):
        return None
    reasons = ["build volume " + " × ".join(f"{v:.0f}" for v in a.volume_mm) + " mm"]
    unknown, against = [], []
    for trait, words in (
        ("board", "board"),
        ("hotend", "hotend"),
        ("motion", "motion system"),
        ("extruder", "extruder"),
    ):
        mine, theirs = (" ".join(str(getattr(s, trait)).casefold().split()) for s in (a, b))
        if not mine or not theirs:
            unknown.append(words)
        elif mine == theirs:
            reasons.append(f"{words} {getattr(a, trait)}")
        else:
            return None
    for trait, words, share, unit in (
        ("weight_kg", "weight", _WEIGHT_SHARE, "kg"), ("price", "list price", _PRICE_SHARE, ""),
    ):  # fmt: skip
        one, other = getattr(a, trait), getattr(b, trait)
        if one is None or other is None:
            unknown.append(words)
        elif abs(one - other) <= share * max(one, other):
            reasons.append(f"{words} {one:g} and {other:g} {unit}".rstrip())
        else:
            against.append(f"{words} {one:g} against {other:g} {unit}".rstrip())
    if len(reasons) < _LEAST_REASONS:
        return None
    return Lookalike(a.name, b.name, tuple(reasons), tuple(against), tuple(unknown))
