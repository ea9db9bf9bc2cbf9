"""Limits by rungs: the smallest gap that frees, the thinnest pillar that stands, the steepest overhang, the longest bridge."""

import math
from collections import defaultdict
from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass
from enum import StrEnum
from itertools import pairwise
from statistics import median

from crevlo.core.estimate import BadInput, Estimate, NotDetermined
from crevlo.core.evaluations.evaluation import (
    Better,
    Evaluation,
    Features,
    Finding,
    Instruments,
    LadderChart,
    Quantity,
    Rests,
    Results,
    Rung,
    Says,
    Told,
    codes_of,
    figures_of_findings,
    missing_says,
    within,
)
from crevlo.core.evidence import Evidence, Key, Specimen
from crevlo.core.features.feature import Kind
from crevlo.core.features.kind import Judged, Verdict
from crevlo.core.readings import feature_estimates

FEWEST = 2


class Easier(StrEnum):
    LARGER = "larger"
    SMALLER = "smaller"


@dataclass(frozen=True, slots=True)
class Threshold:
    """The last level such that it and all easier ones passed (None where the easiest failed), the first that failed, and
    what passed beyond a failure."""

    limit: float | None
    next: float | None
    monotone: bool
    exceptions: tuple[float, ...]


def threshold(steps: Sequence[tuple[float, bool]], easier: Easier) -> Threshold:
    """The limit of steps (level, passed). Raises NotDetermined without steps, BadInput for a level given twice or not finite."""
    if not steps:
        raise NotDetermined("a step that was tried")
    levels = [level for level, _ in steps]
    if not all(map(math.isfinite, levels)) or len(set(levels)) != len(levels):
        raise BadInput("every level is a number and stands once")
    ordered = sorted(steps, key=lambda s: s[0], reverse=Easier(easier) is Easier.LARGER)
    failed = next((k for k, (_, passed) in enumerate(ordered) if not passed), len(ordered))
    beyond = tuple(level for level, passed in ordered[failed:] if passed)
    return Threshold(
        ordered[failed - 1][0] if failed else None, ordered[failed][0] if failed < len(ordered) else None, not beyond, beyond
    )  # fmt: skip


@dataclass(frozen=True, slots=True)
class OverSpecimens:
    """Limits of several specimens: median, ends, and mean with u² = s²/n + step²/12."""

    median: float
    low: float
    high: float
    mean: Estimate


def over_specimens(limits: Sequence[float], step: float) -> OverSpecimens:
    """Raises NotDetermined without limits; of one specimen the step alone is in u."""
    if not limits:
        raise NotDetermined("a specimen with a limit")
    n, mean = len(limits), math.fsum(limits) / len(limits)
    s2 = math.fsum((x - mean) ** 2 for x in limits) / (n - 1) if n > 1 else 0.0
    return OverSpecimens(median(limits), min(limits), max(limits), Estimate(mean, math.sqrt(s2 / n + step**2 / 12)))


@dataclass(frozen=True, slots=True)
class Ladder:
    """What the rungs of one kind tell. `words`: what the limit is called, and what stands when every rung passed or none."""

    kind: Kind
    quantity: Quantity
    easier: Easier
    passes: Callable[[Judged], bool]
    headline: str
    all_passed: str
    none_passed: str


def _clean(said: Judged) -> bool:
    return said.verdict is Verdict.PASS


def _out(said: Judged) -> bool:
    """By hand or with pliers."""
    return said.verdict is Verdict.PASS or (said.verdict is Verdict.PARTLY and said.word == "with pliers")


_RULE = (
    "The last rung such that it and all easier ones passed, of every person who judged it; what passes beyond a failure does "
    "not count. Mean over specimens, u² = s²/n + step²/12."
)
FREE = Ladder(
    Kind.GAP,
    Quantity("gap.free", "Smallest gap that frees", "Free gap", "mm", 2, Better.LOWER, Rests.READINGS, _RULE, 0.5, 0.1),
    Easier.LARGER, _clean, "Frees by hand down to", "Every gap came free", "No gap came free",
)  # fmt: skip
TOOL = Ladder(
    Kind.GAP,
    Quantity(
        "gap.tool", "Smallest gap with a tool", "Gap with tool", "mm", 2, Better.LOWER, Rests.READINGS, _RULE, 0.5, 0.1
    ),
    Easier.LARGER, _out, "With pliers down to", "Every gap came free with pliers", "No gap came free even with pliers",
)  # fmt: skip
THIN = Ladder(
    Kind.PILLAR,
    Quantity("pillar.thin", "Thinnest pillar", "Pillar", "mm", 2, Better.LOWER, Rests.READINGS, _RULE, 2.0, 0.4),
    Easier.LARGER, _clean, "Pillars stand down to", "Every pillar stands", "No pillar stands",
)  # fmt: skip
STEEP = Ladder(
    Kind.OVERHANG,
    Quantity("overhang.steep", "Steepest clean overhang", "Overhang", "°", 0, Better.HIGHER, Rests.READINGS, _RULE, 30, 70),
    Easier.SMALLER, _clean, "Clean up to", "Every overhang is clean", "No overhang is clean",
)  # fmt: skip
LONG = Ladder(
    Kind.SPAN,
    Quantity("bridge.long", "Longest clean bridge", "Bridge", "mm", 0, Better.HIGHER, Rests.READINGS, _RULE, 20, 80),
    Easier.SMALLER, _clean, "Bridges clean up to", "Every bridge is clean", "No bridge is clean",
)  # fmt: skip
SAG = Quantity(
    "bridge.sag", "Sag of a clean bridge", "Sag", "mm", 2, Better.LOWER, Rests.READINGS,
    "The largest sag among the bridges that were gauged and called clean.", 1.0, 0.0,
)  # fmt: skip


EASIER: dict[Kind, Easier] = {ladder.kind: ladder.easier for ladder in (FREE, THIN, STEEP, LONG)}
"""Which way each kind of rung gets easier."""


def _told(ladders: Sequence[Ladder], specimen: Specimen, instruments: Instruments) -> Told:
    """The limit of each ladder as far as it is judged; nothing before the first rung."""
    kind, features = ladders[0].kind, specimen.features
    codes = codes_of(features, (kind,))
    said: dict[Key, dict[str, Judged]] = defaultdict(dict)
    for j in specimen.judgements:
        if j.feature in codes:
            said[j.rater][j.feature] = j.said
    if not said:
        return Told(())
    findings = [_limit(ladder, specimen, codes, said) for ladder in ladders]
    if kind is Kind.SPAN:
        findings += _sag(specimen, instruments, codes, said)
    return Told(tuple(findings), _chart(ladders[0], specimen, codes, said))


def _limit(
    ladder: Ladder, specimen: Specimen, codes: Sequence[str], said: Mapping[Key, Mapping[str, Judged]]
) -> Finding:
    found, needs = [], None
    for mine in said.values():
        try:
            found.append(_of_rater(ladder, specimen, codes, mine))
        except NotDetermined as missing:
            needs = missing
    if not found:
        assert needs is not None
        return Finding(ladder.quantity, needs, _so_far(ladder, specimen, codes, said, needs), made_from=tuple(codes))
    levels = sorted(specimen.features[c].nominal for c in codes)
    counted = [_counted(t, ladder, levels) for t in found]
    step = _step_at(math.fsum(counted) / len(counted), levels)
    value = over_specimens(counted, step).mean
    digits, unit = ladder.quantity.digits, ladder.quantity.unit
    spread = within(value, digits)
    if all(t.limit is None for t in found):
        says = Says(
            ladder.none_passed,
            f"{levels[0 if ladder.easier is Easier.SMALLER else -1]:.{digits}f} {unit}",
            "",
            "The easiest rung failed: it counts as one rung beyond.",
        )
    elif all(t.next is None for t in found):
        says = Says(
            ladder.all_passed, f"to {counted[0]:.{digits}f} {unit}", "", "The limit lies beyond the hardest rung."
        )
    else:
        says = Says(ladder.headline, f"{value.value:.{digits}f} {unit}", spread, _beyond(found, digits, unit))
    return Finding(ladder.quantity, value, says, made_from=tuple(codes))  # fmt: skip


def _of_rater(ladder: Ladder, specimen: Specimen, codes: Sequence[str], mine: Mapping[str, Judged]) -> Threshold:
    """Raises NotDetermined while an easier rung than the first failure is not judged."""
    ordered = _in_order(ladder, specimen, codes)
    for code in ordered:
        if code not in mine:
            raise NotDetermined(f"rung {code}")
        if not ladder.passes(mine[code]):
            break
    steps = [(specimen.features[c].nominal, ladder.passes(mine[c])) for c in ordered if c in mine]
    return threshold(steps, ladder.easier)


def _so_far(
    ladder: Ladder, specimen: Specimen, codes: Sequence[str], said: Mapping[Key, Mapping[str, Judged]], needs: NotDetermined
) -> Says:  # fmt: skip
    """While rungs are missing: how far all easier ones passed."""
    reached = None
    mine = next(iter(said.values()))
    for code in _in_order(ladder, specimen, codes):
        if code not in mine or not ladder.passes(mine[code]):
            break
        reached = specimen.features[code].nominal
    if reached is None or len(said) > 1:
        return missing_says(ladder.quantity.name[:1].lower() + ladder.quantity.name[1:], needs)
    amount = f"{reached:.{ladder.quantity.digits}f} {ladder.quantity.unit} at least"
    return Says(ladder.headline, amount, "", f"All easier rungs passed; next is {needs.needs}.")


def _counted(found: Threshold, ladder: Ladder, levels: Sequence[float]) -> float:
    """The limit as a number; where the easiest rung failed, one step beyond it."""
    if found.limit is not None:
        return found.limit
    first, second = (levels[0], levels[1]) if ladder.easier is Easier.SMALLER else (levels[-1], levels[-2])
    return max(first - (second - first), 0.0)


def _step_at(limit: float, levels: Sequence[float]) -> float:
    """The distance between the rungs nearest to a limit."""
    gaps = [(abs((a + b) / 2 - limit), b - a) for a, b in pairwise(levels)]
    return min(gaps)[1]


def _beyond(found: Sequence[Threshold], digits: int, unit: str) -> str:
    odd = sorted({x for t in found for x in t.exceptions})
    nexts = sorted({t.next for t in found if t.next is not None})
    words = f"Failed at {', '.join(f'{x:.{digits}f}' for x in nexts)} {unit}."
    if odd:
        words += f" {', '.join(f'{x:.{digits}f}' for x in odd)} {unit} passed beyond that and does not count."
    if len(found) > 1 and len({t.limit for t in found}) > 1:
        words += f" {len(found)} people put it differently; this is their mean."
    return words


def _sag(
    specimen: Specimen, instruments: Instruments, codes: Sequence[str], said: Mapping[Key, Mapping[str, Judged]]
) -> list[Finding]:
    """Of the bridges that were gauged: sag features name theirs by its nominal span."""
    features, estimates = specimen.features, feature_estimates(specimen, instruments)
    clean = {features[c].nominal for c in codes if any(m.get(c) and _clean(m[c]) for m in said.values())}
    gauged = {
        c: e
        for c in codes_of(features, (Kind.SAG,))
        if isinstance(e := estimates.get(c), Estimate) and features[c].level in clean
    }
    if not gauged:
        return []
    worst = max(gauged, key=lambda c: gauged[c].value)
    value = gauged[worst]
    says = Says(
        "The clean ones sag by up to",
        f"{value.value:.2f} mm",
        within(value, 2),
        f"At {features[worst].level:g} mm.",
    )
    return [Finding(SAG, value, says, made_from=tuple(gauged))]  # fmt: skip


def _in_order(ladder: Ladder, specimen: Specimen, codes: Sequence[str]) -> list[str]:
    """Easiest first."""
    return sorted(codes, key=lambda c: specimen.features[c].nominal, reverse=ladder.easier is Easier.LARGER)


def _chart(
    ladder: Ladder, specimen: Specimen, codes: Sequence[str], said: Mapping[Key, Mapping[str, Judged]]
) -> LadderChart:
    rungs = []
    for code in _in_order(ladder, specimen, codes):
        passed = [ladder.passes(m[code]) for m in said.values() if code in m]
        share = sum(passed) / len(passed) if passed else None
        rungs.append(Rung(code, specimen.features[code].nominal, share))
    return LadderChart(tuple(rungs), ladder.quantity.unit)


def _evaluation(code: str, name: str, ladders: tuple[Ladder, ...], more: tuple[Quantity, ...] = ()) -> Evaluation:
    kind = ladders[0].kind
    tells = (*(ladder.quantity for ladder in ladders), *more)

    def takes(features: Features) -> bool:
        """At least two rungs of different height."""
        return len({features[c].nominal for c in codes_of(features, (kind,))}) >= FEWEST

    def of_specimen(specimen: Specimen, instruments: Instruments) -> Told:
        return _told(ladders, specimen, instruments)

    def of_machines(evidence: Evidence) -> Results:
        return figures_of_findings(
            made, evidence, "a judged specimen", f"an artifact with {name.lower()}", in_steps=True
        )

    made = Evaluation(code, name, tells, of_machines, takes, of_specimen)
    return made


CLEARANCE = _evaluation("clearance", "Gaps", (FREE, TOOL))
PILLARS = _evaluation("pillars", "Pillars", (THIN,))
OVERHANGS = _evaluation("overhangs", "Overhangs", (STEEP,))
BRIDGES = _evaluation("bridges", "Bridges", (LONG,), (SAG,))
THRESHOLDS = (CLEARANCE, PILLARS, OVERHANGS, BRIDGES)
