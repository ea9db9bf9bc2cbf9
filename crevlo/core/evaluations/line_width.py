"""Width of extruded lines from thin walls, how much they scatter, and the seam as it is judged."""

import math
from collections.abc import Sequence
from dataclasses import dataclass

from crevlo.core.estimate import BadInput, Estimate, NotDetermined, made_of, mean_shared
from crevlo.core.evaluations.evaluation import (
    Better,
    Evaluation,
    Features,
    Finding,
    Instruments,
    Quantity,
    Rests,
    Results,
    Says,
    Told,
    codes_of,
    figures_of_findings,
    missing_says,
    signed,
    within,
)
from crevlo.core.evidence import Evidence, Specimen
from crevlo.core.features.feature import Kind
from crevlo.core.readings import feature_estimates

FEWEST = 2

OFF = Quantity(
    "line_width.off", "Line width off", "Line width", "mm", 3, Better.ZERO, Rests.READINGS,
    "Mean of what thin walls measure less what they should.", 0.2, 0.0,
)  # fmt: skip
SCATTER = Quantity(
    "line.scatter", "Scatter of line widths", "Line scatter", "mm", 3, Better.LOWER, Rests.READINGS,
    "Standard deviation of what the walls are off, about their mean.", 0.1, 0.0,
)  # fmt: skip


@dataclass(frozen=True, slots=True)
class LineWidth:
    """Mean of what walls are off, and their standard deviation about it."""

    off_mm: Estimate
    scatter_mm: Estimate


def line_width(pairs: Sequence[tuple[float, float]], u_mm: float) -> LineWidth:
    """Of walls (nominal, measured) in mm, each known to `u_mm`. Raises NotDetermined for fewer than two walls."""
    if len(pairs) < FEWEST:
        raise NotDetermined(f"{FEWEST} walls")
    if not all(math.isfinite(x) for p in pairs for x in p) or not (math.isfinite(u_mm) and u_mm >= 0):
        raise BadInput("walls are numbers, their uncertainty 0 or more")
    off, n = [measured - nominal for nominal, measured in pairs], len(pairs)
    mean = math.fsum(off) / n
    s = math.sqrt(math.fsum((x - mean) ** 2 for x in off) / (n - 1))
    own = max(s, u_mm) / math.sqrt(n)
    return LineWidth(Estimate(mean, own, n - 1), Estimate(s, s / math.sqrt(2 * (n - 1)), n - 1))


def takes(features: Features) -> bool:
    """Thin walls that stand up, at least two."""
    return len(_walls(features)) >= FEWEST


def of_specimen(specimen: Specimen, instruments: Instruments) -> Told:
    """What the walls of a shell are off once all are measured."""
    walls, estimates = _walls(specimen.features), feature_estimates(specimen, instruments)
    known = {c: e for c in walls if isinstance(e := estimates.get(c), Estimate)}
    if not known:
        return Told(())
    if len(known) < len(walls):
        left = len(walls) - len(known)
        needs = NotDetermined(f"the other {left} walls" if left > 1 else "the last wall")
        return Told(
            (
                Finding(OFF, needs, missing_says("the line width", needs), made_from=walls),
                Finding(SCATTER, needs, missing_says("its scatter", needs), made_from=walls),
            )
        )
    made = line_width(
        [(specimen.features[c].nominal, e.value) for c, e in known.items()], max(e.own for e in known.values())
    )
    off = made_of(made.off_mm.value, made.off_mm.u, made.off_mm.dof, mean_shared([e.shared for e in known.values()]))
    spread = within(off, 3)
    if abs(off.value) < off.expanded:
        says = Says(
            "Lines are off by",
            signed(off.value, 3, "mm"),
            spread,
            "Within the uncertainty: no correction called for.",
        )
        cause = None
    else:
        says = Says(
            "Lines are wide by" if off.value > 0 else "Lines are thin by",
            f"{abs(off.value):.3f} mm",
            spread,
            "Flow, or the diameter of the filament.",
        )
        cause = "flow, or a filament that is not as thick as stated. Measure the filament, then weigh a known length"
    scatter = made.scatter_mm
    return Told((
        Finding(OFF, off, says, cause, walls),
        Finding(SCATTER, scatter, Says("About that they scatter by", f"{scatter.value:.3f} mm", within(scatter, 3), "One standard deviation."), made_from=walls),
    ))  # fmt: skip


def _walls(features: Features) -> tuple[str, ...]:
    return tuple(c for c in codes_of(features, (Kind.THICKNESS,)) if features[c].axis != "Z")


def of_machines(evidence: Evidence) -> Results:
    return figures_of_findings(LINE_WIDTH, evidence, "a measured shell", "an artifact with thin walls")


LINE_WIDTH = Evaluation("line_width", "Line width", (OFF, SCATTER), of_machines, takes, of_specimen)
