"""What an evaluation is: evidence in, findings of a specimen and figures of machines out, with words and a chart."""

import math
from collections import defaultdict
from collections.abc import Callable, Collection, Iterable, Mapping, Sequence
from dataclasses import dataclass, field, replace
from enum import StrEnum

from crevlo.core.estimate import Estimate, NotDetermined, Shared, determined, mean_shared
from crevlo.core.evidence import Evidence, Instrument, Key, Run, Specimen
from crevlo.core.features.feature import Feature
from crevlo.core.figure import Figure
from crevlo.core.once import once
from crevlo.core.readings import shared_by
from crevlo.core.sizes import Axis
from crevlo.core.statistics import Line, line, mean_over_lines

Instruments = Mapping[Key, Instrument]
Features = Mapping[str, Feature]


class Better(StrEnum):
    LOWER = "lower"
    HIGHER = "higher"
    ZERO = "zero"  # nearest to 0
    NONE = "none"  # tells, does not rank


class Rests(StrEnum):
    """What a figure was made from, for its source."""

    READINGS = "readings"
    SCORES = "scores"
    RUNS = "runs"
    NOISE = "noise"
    UNIT = "unit"
    DUELS = "duels"
    PEOPLE = "people"
    SHEET = "sheet"


# What rests on entries of parts, which are made without knowing the printer.
OF_PARTS = frozenset({Rests.READINGS, Rests.SCORES, Rests.DUELS})
WITHHELD = NotDetermined("the reveal: its parts are still measured and judged blind")


@dataclass(frozen=True, slots=True)
class Quantity:
    """One thing that is told: stable code, name, unit ("money" for the study's currency), digits, which way is better.

    `rule` says in a sentence how it is made; `worst`, `best` are the anchors that a scheme begins with; what is shown is
    `factor` times the raw figure.
    """

    code: str
    name: str
    short: str
    unit: str
    digits: int
    better: Better
    rests: Rests
    rule: str
    worst: float
    best: float
    factor: float = 1.0


@dataclass(frozen=True, slots=True)
class Says:
    """A finding in the practitioners' words: headline, amount with uncertainty, and what it means or needs."""

    headline: str
    amount: str
    uncertainty: str
    meaning: str


@dataclass(frozen=True, slots=True)
class Finding:
    """One quantity of one specimen. `points_to`: the likely cause, and what would confirm it. `made_from`: feature codes."""

    quantity: Quantity
    value: Estimate | NotDetermined
    says: Says
    points_to: str | None = None
    made_from: tuple[str, ...] = ()


@dataclass(frozen=True, slots=True)
class FitPoint:
    code: str
    axis: Axis
    nominal_mm: float
    deviation_mm: float
    expanded_mm: float


@dataclass(frozen=True, slots=True)
class LinePoint:
    length_mm: float
    deviation_mm: float
    expanded_mm: float


@dataclass(frozen=True, slots=True)
class FitChart:
    """Deviations against length, and by axis the fitted line of outside sizes with its U at each place."""

    points: tuple[FitPoint, ...]
    lines: Mapping[Axis, tuple[LinePoint, ...]]
    longest_mm: float
    chart: str = "fit"


@dataclass(frozen=True, slots=True)
class Disc:
    code: str
    x_mm: float
    y_mm: float
    value: float
    off: float
    good: bool


@dataclass(frozen=True, slots=True)
class MapChart:
    """Values on a map of the bed; `off` is what the fitted plane leaves, `good` whether a value is `within` the tolerance
    around nominal."""

    discs: tuple[Disc, ...]
    nominal: float
    within: float
    unit: str
    chart: str = "map"


@dataclass(frozen=True, slots=True)
class FrameChart:
    """A frame of sides a, b with its diagonals: d1 from front left to back right, d2 from front right to back left."""

    a_mm: float
    b_mm: float
    d1_mm: float
    d2_mm: float
    mm_per_100: float
    chart: str = "frame"


@dataclass(frozen=True, slots=True)
class Rung:
    """One rung of a ladder; `passed` is the share of people who passed it, None before anybody judged it."""

    code: str
    level: float
    passed: float | None


@dataclass(frozen=True, slots=True)
class LadderChart:
    """Rungs, easiest first."""

    rungs: tuple[Rung, ...]
    unit: str
    chart: str = "ladder"


@dataclass(frozen=True, slots=True)
class ColumnPoint:
    code: str
    height_mm: float
    width_mm: float


@dataclass(frozen=True, slots=True)
class ColumnChart:
    """Widths along the height, and the sine that fits them where a band stands out: pitch, amplitude, its phase at height 0
    in turns, about a mean."""

    points: tuple[ColumnPoint, ...]
    pitch_mm: float | None
    amplitude_mm: float
    phase: float
    mean_mm: float
    chart: str = "column"


@dataclass(frozen=True, slots=True)
class Wave:
    """Waves on one face at one speed: their spacing, and how many are seen."""

    code: str
    axis: str
    speed_mm_s: float
    spacing_mm: float | None
    seen: int


@dataclass(frozen=True, slots=True)
class WavesChart:
    waves: tuple[Wave, ...]
    chart: str = "waves"


@dataclass(frozen=True, slots=True)
class FlowPoint:
    flow_mm3_s: float
    short: float


@dataclass(frozen=True, slots=True)
class FlowChart:
    """Share of the mass that is missing at each flow, and how much is allowed."""

    points: tuple[FlowPoint, ...]
    allowed: float
    chart: str = "flow"


Chart = FitChart | MapChart | FrameChart | LadderChart | ColumnChart | WavesChart | FlowChart


@dataclass(frozen=True, slots=True)
class Told:
    """What one specimen tells so far."""

    findings: tuple[Finding, ...]
    chart: Chart | None = None


@dataclass(frozen=True, slots=True)
class Results:
    """Figures by quantity and machine; by quantity the lines that they are means over, where they are such, and by machine the
    u beside the spread of copies."""

    figures: Mapping[str, Mapping[Key, Figure]]
    lines: Mapping[str, Sequence[Line]] = field(default_factory=dict)
    own: Mapping[str, Mapping[Key, float]] = field(default_factory=dict)


@dataclass(frozen=True, slots=True)
class Evaluation:
    """One rule of the catalogue. `takes` says whether an artifact with such features tells it; an evaluation of runs or
    units has no `of_specimen`."""

    code: str
    name: str
    tells: tuple[Quantity, ...]
    rule: Callable[[Evidence], Results]
    takes: Callable[[Features], bool] = lambda features: True
    of_specimen: Callable[[Specimen, Instruments], Told] | None = None

    def of_machines(self, evidence: Evidence) -> Results:
        """Figures by quantity and printer; of parts whose entries are withheld, that they need the reveal."""
        made = self.rule(evidence)
        if not evidence.withheld:
            return made
        hidden = {q.code for q in self.tells if q.rests in OF_PARTS}
        return replace(
            made,
            figures={
                code: dict.fromkeys(of, WITHHELD) if code in hidden else of for code, of in made.figures.items()
            },
        )


def lines_of(
    evidence: Evidence,
    value: Callable[[Run], Estimate | float | None],
    takes: Callable[[Features], bool] = lambda _: True,
) -> list[Line]:
    """Values of the prints that came out, by line and machine, with what the errors of instruments they share; only lines
    whose artifact is taken."""
    wanted = {key: of.name for key, of in evidence.lines.items() if takes(of.features)}
    values: dict[Key, dict[Key, list[float]]] = {key: {} for key in wanted}
    shared: dict[Key, dict[Key, Shared]] = {key: {} for key in wanted}
    for machine, of in evidence.machines.items():
        for key, runs in of.good_of.items():
            amounts = [found for run in runs if (found := value(run)) is not None] if key in wanted else []
            if amounts:
                values[key][machine] = [e.value if isinstance(e, Estimate) else e for e in amounts]
                shared[key][machine] = mean_shared([e.shared if isinstance(e, Estimate) else {} for e in amounts])
    return [line(name, values[key], shared[key], key) for key, name in wanted.items()]


def mean_figures(
    evidence: Evidence,
    lines: Sequence[Line],
    needs: str,
    own: Mapping[Key, float] | None = None,
    s_least: float = 0.0,
) -> dict[Key, Figure]:
    """Of every machine the mean over lines, or what it needs; `own` by machine is a part of u beside the spread of copies,
    which is at least `s_least`."""
    return {
        key: determined(lambda key=key: mean_over_lines(lines, key, needs, (own or {}).get(key, 0.0), s_least))  # type: ignore[misc]
        for key in evidence.machines
    }


def own_of_mean(evidence: Evidence, lines: Iterable[Key], u: Callable[[Run], float | None]) -> dict[Key, float]:
    """By machine what errors of each run's value alone (a gap in its trace, a start pressed late) leave in the mean over
    copies and lines; runs without a value have no u."""
    found = {}
    told = list(lines)
    for key, machine in evidence.machines.items():
        every = ([own for run in machine.good_of.get(line, ()) if (own := u(run)) is not None] for line in told)
        known = [mine for mine in every if mine]
        parts = [math.fsum(x * x for x in mine) / len(mine) ** 2 for mine in known]
        found[key] = math.sqrt(math.fsum(parts)) / max(1, len(known))
    return found


def figures_of_findings(
    evaluation: Evaluation, evidence: Evidence, needs: str, lacks: str, *, in_steps: bool = False
) -> Results:
    """Means over copies and lines of each quantity that specimens tell. `needs`: a specimen; `lacks`: an artifact. What is
    told `in_steps` keeps the u of its step, however many copies have it."""
    assert evaluation.of_specimen is not None
    told = {
        id(run): findings
        for machine in evidence.machines.values()
        for run in machine.good
        if run.specimen is not None and evaluation.takes(run.specimen.features)
        if (findings := {f.quantity.code: f for f in once(evaluation.of_specimen, run.specimen, evidence.instruments).findings})
    }  # fmt: skip
    figures, lines, owns = {}, {}, {}
    for quantity in evaluation.tells:
        found = {key: f for key, by in told.items() if (f := by.get(quantity.code))}

        def value(run: Run, found: Mapping[int, Finding] = found) -> Estimate | None:
            f = found.get(id(run))
            return f.value if f and isinstance(f.value, Estimate) else None

        every = lines_of(evidence, value, evaluation.takes)
        # What no print of an artifact could tell is asked of the artifacts that tell it.
        lines[quantity.code] = [one for one in every if any(one.values.values())] or every
        words = needs if lines[quantity.code] else lacks
        own = _widest_step(evidence, value) if in_steps else {}
        owns[quantity.code] = own
        figures[quantity.code] = mean_figures(evidence, lines[quantity.code], words, own)
        for key, machine in evidence.machines.items():
            mine = [f.value for run in machine.good if (f := found.get(id(run)))]
            if mine and all(isinstance(v, NotDetermined) for v in mine):
                # Measured, but of no specimen could it be told: why is that of the last.
                figures[quantity.code][key] = mine[-1]
    return Results(figures, lines, owns)


def _widest_step(evidence: Evidence, value: Callable[[Run], Estimate | None]) -> dict[Key, float]:
    """By machine the largest u of its values."""
    return {
        key: max((e.u for run in machine.good if (e := value(run)) is not None), default=0.0)
        for key, machine in evidence.machines.items()
    }


def shared_parts(
    made: Callable[[Specimen], Told], specimen: Specimen, instruments: Instruments
) -> dict[str, dict[str, float]]:
    """Of each finding what the calibration of each instrument, and the hands at it, do to it: by how much it moves where all
    readings of that source are off by one u together (GUM F.1.2.3)."""
    plain = {f.quantity.code: f.value for f in made(specimen).findings}
    moved: dict[str, dict[str, float]] = defaultdict(dict)
    by_source: dict[str, dict[Key, float]] = defaultdict(dict)
    for key in {r.instrument for r in specimen.readings}:
        for source, u in shared_by(instruments[key]).items():
            by_source[source][key] = u
    for source, us in by_source.items():
        shifted = tuple(
            r if r.value is None else replace(r, value=r.value + us.get(r.instrument, 0.0) / max(r.over, 1))
            for r in specimen.readings
        )
        for after in made(replace(specimen, readings=shifted)).findings:
            before = plain.get(after.quantity.code)
            if isinstance(before, Estimate) and isinstance(after.value, Estimate):
                moved[after.quantity.code][source] = after.value.value - before.value
    return moved


def own_parts(estimates: Mapping[str, Estimate | NotDetermined]) -> dict[str, Estimate]:
    """Features that were read, with their own part of u alone; what their calibration does is found by `shared_parts`."""
    return {c: Estimate(e.value, e.own, e.own_dof) for c, e in estimates.items() if isinstance(e, Estimate)}


def signed(value: float, digits: int, unit: str) -> str:
    """An amount with its sign; none where it is 0 to the digits shown."""
    text = f"{abs(value):.{digits}f} {unit}"
    return text if float(f"{value:.{digits}f}") == 0 else f"{'−' if value < 0 else '+'}{text}"


def within(estimate: Estimate, digits: int) -> str:
    """Its ± with so many digits, or as many more as it takes not to read as none at all."""
    expanded = estimate.expanded
    if expanded > 0 and float(f"{expanded:.{digits}f}") == 0:
        digits = min(digits + 3, -math.floor(math.log10(expanded)))
    return f"± {expanded:.{digits}f}"


def missing_says(name: str, needs: NotDetermined) -> Says:
    """Words for what is not known yet; `words_of` puts those that need the same together."""
    return Says(name, "", "", f"needs {needs.needs}.")


def codes_of(features: Features, kinds: Collection[str]) -> tuple[str, ...]:
    """Codes of the features of some kinds, in the artifact's order."""
    return tuple(code for code, feature in features.items() if feature.kind in kinds)
