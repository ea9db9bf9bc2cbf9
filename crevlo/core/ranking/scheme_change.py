"""What moved from one version of a scheme to the next, in words."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass


@dataclass(frozen=True, slots=True)
class Counts:
    """One criterion of a scheme: its weight, and the points of its value function as (raw, value)."""

    name: str
    unit: str
    weight: float
    shape: str
    points: tuple[tuple[float, float], ...]
    group: str = ""


def say_change(before: Mapping[str, Counts], after: Mapping[str, Counts]) -> list[str]:
    """What came, what went, what weighs otherwise and what is valued otherwise; nothing where both are the same."""
    said = [f"{after[c].name} counts now, weighing {after[c].weight:g}." for c in after if c not in before]
    said += [f"{before[c].name} counts no more." for c in before if c not in after]
    for code in (c for c in after if c in before):
        old, new = before[code], after[code]
        if old.weight != new.weight:
            said.append(f"{new.name} weighs {new.weight:g} instead of {old.weight:g}.")
        if (old.shape, old.points) != (new.shape, new.points):
            said.append(f"{new.name}: {_valued(new)} instead of {_valued(old)}.")
        if old.group != new.group:
            said.append(f"{new.name} {_stands(new)}, before it {_stands(old, past=True)}.")
    return said


def _stands(c: Counts, *, past: bool = False) -> str:
    return f"{'stood' if past else 'stands'} {f'in {c.group}' if c.group else 'alone'}"


def _valued(c: Counts) -> str:
    ends = ", ".join(f"{value:g} at {raw:g} {c.unit}".rstrip() for raw, value in c.points)
    return f"{c.shape}, {ends}"


def say_moved(before: Sequence[tuple[str, float]], after: Mapping[str, float]) -> str:
    """By how much totals moved between two schemes, the machine that leads by each first; `before` in its own order."""
    if not before or not after:
        return ""
    first, now = max(before, key=lambda x: x[1])[0], max(after, key=lambda m: after[m])
    lead = f"{first} leads by both" if first == now else f"{now} leads instead of {first}"
    moved = [
        f"{name} {old:.1f} → {after[name]:.1f}"
        for name, old in before
        if name in after and abs(after[name] - old) >= 0.05
    ]
    return f"{lead}; {', '.join(moved)}." if moved else f"{lead}; no total moves."
