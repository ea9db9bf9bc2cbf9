"""Orders of the same machines by different schools side by side: ranks, how far they agree, and where they differ in words."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from crevlo.core.estimate import NotDetermined
from crevlo.core.ranking.schools import concordance

# Scores nearer than this are one.
_ALIKE = 1e-9


@dataclass(frozen=True, slots=True)
class School:
    """One way to an order: by machine its score, higher is better, None where it has none."""

    name: str
    scores: Mapping[str, float | None]


def ranks(scores: Mapping[str, float | None]) -> dict[str, int | None]:
    """1 for the best; machines of one score share the better rank; None where there is no score."""
    known = [s for s in scores.values() if s is not None]
    return {m: None if s is None else 1 + sum(other > s + _ALIKE for other in known) for m, s in scores.items()}


def leaders(scores: Mapping[str, float | None]) -> list[str]:
    return [m for m, rank in ranks(scores).items() if rank == 1]


def agreement(a: School, b: School) -> float | NotDetermined:
    """Kendall's τ over the machines that both have a score of."""
    both = [m for m, s in a.scores.items() if s is not None and b.scores.get(m) is not None]
    try:
        return concordance([a.scores[m] or 0.0 for m in both], [b.scores[m] or 0.0 for m in both])
    except NotDetermined as missing:
        return missing


def say_orders(schools: list[School]) -> list[str]:
    """Who leads by which school, the schools that name the same together; and whether all agree."""
    by_leader: dict[tuple[str, ...], list[str]] = {}
    open_ones = []
    for school in schools:
        first = leaders(school.scores)
        known = sum(s is not None for s in school.scores.values())
        if known < 2:
            open_ones.append(school.name)
        else:
            by_leader.setdefault(tuple(first), []).append(school.name)
    said = [
        f"{_listed(names)} {'puts' if len(names) == 1 else 'put'} {' and '.join(first)} first{' together' if len(first) > 1 else ''}."
        for first, names in sorted(by_leader.items(), key=lambda x: -len(x[1]))
    ]
    if len(by_leader) == 1 and sum(map(len, by_leader.values())) > 1:
        said = [f"Every way to count that can be worked out puts {' and '.join(next(iter(by_leader)))} first."]
    if open_ones:
        said.append(f"Not to be worked out yet: {_listed(open_ones, capital=False)}.")
    return said


def _listed(names: list[str], *, capital: bool = True) -> str:
    words = [n[:1].lower() + n[1:] for n in names]
    text = words[0] if len(words) == 1 else f"{', '.join(words[:-1])} and {words[-1]}"
    return text[:1].upper() + text[1:] if capital else text


@dataclass(frozen=True, slots=True)
class Apart:
    """Two leaders by different schools, on the criteria that both have: name, weight in points of 100, and by how many
    points of its value the first is ahead."""

    first: str
    second: str
    criteria: Sequence[tuple[str, float, float]]


def say_apart(school: str, apart: Apart) -> str:
    """Why points prefer the first and another school the second: what weighs, and who is ahead in how many."""
    gains = [(weight * ahead / 100, name, weight) for name, weight, ahead in apart.criteria]
    most = max(gains, default=None)
    behind = sum(ahead < 0 for *_, ahead in apart.criteria)
    school = f"{school[:1].lower()}{school[1:]}"
    verb = "prefer" if school.endswith("s") and not school.endswith("ss") else "prefers"
    because = f" because of {most[1].lower()}, which counts {most[2]:.0f}" if most and most[0] > 0 else ""
    count = f", ahead in {behind} of {len(apart.criteria)}" if behind else ""
    return f"Points prefer {apart.first}{because}; {school} {verb} {apart.second}{count}."
