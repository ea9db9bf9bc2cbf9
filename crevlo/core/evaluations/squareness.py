"""Skew of X against Y from the two diagonals of a frame."""

import math
from collections.abc import Mapping
from dataclasses import dataclass

from crevlo.core.estimate import BadInput, Estimate, NotDetermined, Shared, made_of
from crevlo.core.evaluations.evaluation import (
    Better,
    Evaluation,
    Features,
    Finding,
    FrameChart,
    Instruments,
    Quantity,
    Rests,
    Results,
    Says,
    Told,
    codes_of,
    figures_of_findings,
    missing_says,
    own_parts,
    shared_parts,
    signed,
    within,
)
from crevlo.core.evidence import Evidence, Specimen
from crevlo.core.features.feature import Feature, Kind
from crevlo.core.readings import feature_estimates

SKEW = Quantity(
    "skew.xy", "Out of square", "Skew", "mm/100 mm", 3, Better.ZERO, Rests.READINGS,
    "cos θ = (d1² − d2²) / (4ab); skew = 90° − θ, as mm over 100 mm. Above 0 the diagonal from front left to back right is the "
    "longer one. U from the readings; the caliper's calibration shifts both diagonals alike.", 0.5, 0.0,
)  # fmt: skip
SIDES = {
    axis: Quantity(
        f"side.{axis.lower()}", f"{axis} side off", f"{axis} side", "mm", 3, Better.ZERO, Rests.READINGS,
        f"Mean deviation of the outside lengths along {axis} from nominal.", 0.3, 0.0,
    )
    for axis in ("X", "Y")
}  # fmt: skip


@dataclass(frozen=True, slots=True)
class Squareness:
    """Out of square in percent of the diagonals, in degrees, and in mm over 100 mm."""

    percent: float
    skew_deg: Estimate
    mm_per_100: Estimate


def squareness(a_mm: float, b_mm: float, d1_mm: float, d2_mm: float, u_mm: float) -> Squareness:
    """cos θ = (d1² − d2²)/(4ab), skew = 90° − θ, of a parallelogram with sides a, b and diagonals d1, d2.

    `u_mm` is one standard uncertainty for each of the four. Raises BadInput for lengths that are not above 0 or diagonals
    that such sides cannot have. Source: parallelogram law, GUM 5.1.2.
    """
    given = (a_mm, b_mm, d1_mm, d2_mm)
    if not all(math.isfinite(x) and x > 0 for x in given) or not (math.isfinite(u_mm) and u_mm >= 0):
        raise BadInput("sides and diagonals must be above 0, their uncertainty 0 or more")
    cosine = (d1_mm**2 - d2_mm**2) / (4 * a_mm * b_mm)
    if abs(cosine) > 0.2:
        raise BadInput("these diagonals differ by more than a frame with such sides allows")
    u = u_mm * math.sqrt((d1_mm**2 + d2_mm**2) / (2 * a_mm * b_mm) ** 2 + cosine**2 / a_mm**2 + cosine**2 / b_mm**2)
    skew = math.asin(cosine)
    slope = 1 / math.sqrt(1 - cosine**2)
    return Squareness(
        percent=200 * abs(d1_mm - d2_mm) / (d1_mm + d2_mm),
        skew_deg=Estimate(math.degrees(skew), math.degrees(u * slope)),
        mm_per_100=Estimate(100 * math.tan(skew), 100 * u * slope / math.cos(skew) ** 2),
    )


def takes(features: Features) -> bool:
    """Two diagonals that cross in the middle of the same rectangle."""
    return _crossing(features) is not None


def of_specimen(specimen: Specimen, instruments: Instruments) -> Told:
    """Skew, and what the sides are off, of a frame as far as it is measured."""
    return _told(
        specimen,
        instruments,
        shared_parts(lambda given: _told(given, instruments, {}), specimen, instruments),
    )


def _told(specimen: Specimen, instruments: Instruments, parts: Mapping[str, Shared]) -> Told:
    crossing = _crossing(specimen.features)
    assert crossing is not None
    known = own_parts(feature_estimates(specimen, instruments))
    sides = {axis: _side(specimen.features, known, axis) for axis in SIDES}
    found, chart = _skew(specimen.features, known, crossing, parts.get(SKEW.code, {}))
    return Told(
        (found, *(_side_finding(axis, *side, parts.get(SIDES[axis].code, {})) for axis, side in sides.items())),
        chart,
    )


def _skew(
    features: Features, known: dict[str, Estimate], crossing: tuple[str, str], shared: Shared
) -> tuple[Finding, FrameChart | None]:
    first, second = crossing
    if first not in known or second not in known:
        missing = NotDetermined("both diagonals")
        return Finding(SKEW, missing, missing_says("squareness", missing), made_from=crossing), None
    spans = [abs(x) for x in _run(features[first])]
    # The diagonals run between points inside the outline: its sides are scaled as the measured ones are.
    a, b = (
        span * (off.value / nominal + 1 if (off := _side(features, known, axis)[0]) and (nominal := _nominal(features, axis)) else 1)
        for span, axis in zip(spans, ("X", "Y"), strict=True)
    )  # fmt: skip
    d1, d2 = known[first], known[second]
    u = math.sqrt((d1.u**2 + d2.u**2) / 2)
    try:
        made = squareness(a, b, d1.value, d2.value, u)
    except BadInput as refused:
        impossible = NotDetermined(f"a second look at the diagonals: {refused}")
        return Finding(SKEW, impossible, missing_says("squareness", impossible), made_from=crossing), None
    skew = made_of(made.mm_per_100.value, made.mm_per_100.u, min(d1.dof, d2.dof), shared)
    chart = FrameChart(a, b, d1.value, d2.value, skew.value)
    spread = within(skew, 3)
    if abs(skew.value) < skew.expanded:
        says = Says(
            "X and Y are square within", f"{skew.expanded:.3f} mm/100 mm", "", "No skew told apart from none."
        )
        return Finding(SKEW, skew, says, made_from=crossing), chart
    way = f"{abs(made.skew_deg.value):.2f}°: the back leans to the {'right' if skew.value > 0 else 'left'}."
    says = Says(
        "Out of square by", f"{abs(skew.value):.3f} mm/100 mm", spread, f"{way} Gantry not square, not the belts."
    )
    cause = "gantry not square. A frame printed turned by 90° leans the other way if it is so"
    return Finding(SKEW, skew, says, cause, crossing), chart


def _side_finding(axis: str, off: Estimate | None, made_from: tuple[str, ...], shared: Shared) -> Finding:
    quantity = SIDES[axis]
    if off is None:
        missing = NotDetermined("an outside length along it")
        return Finding(quantity, missing, missing_says(f"the {axis} side", missing), made_from=made_from)
    off = made_of(off.value, off.u, off.dof, shared)
    meaning = (
        "Within the uncertainty." if abs(off.value) < off.expanded else "Against nominal; a step block tells why."
    )
    says = Says(f"{axis} side", signed(off.value, 3, "mm"), within(off, 3), meaning)
    return Finding(quantity, off, says, made_from=made_from)


def _side(features: Features, known: dict[str, Estimate], axis: str) -> tuple[Estimate | None, tuple[str, ...]]:
    """Mean deviation of the outside lengths read along an axis, and which they are."""
    codes = tuple(c for c in codes_of(features, (Kind.LENGTH,)) if features[c].axis == axis and features[c].sense > 0)
    read = [c for c in codes if c in known]
    if not read:
        return None, codes
    n = len(read)
    off = math.fsum(known[c].value - features[c].nominal for c in read) / n
    return Estimate(off, math.sqrt(math.fsum(known[c].u ** 2 for c in read)) / n), tuple(read)


def _nominal(features: Features, axis: str) -> float:
    lengths = [f.nominal for f in features.values() if f.kind is Kind.LENGTH and f.axis == axis and f.sense > 0]
    return math.fsum(lengths) / len(lengths) if lengths else 0.0


def _crossing(features: Features) -> tuple[str, str] | None:
    """Codes of the diagonal from front left to back right and of the one that crosses it in its middle."""
    diagonals = [(c, features[c]) for c in codes_of(features, (Kind.DIAGONAL,)) if features[c].ends]
    for one, f in diagonals:
        for other, g in diagonals:
            (x, y), (v, w) = _run(f), _run(g)
            alike = math.isclose(abs(x), abs(v), rel_tol=0.02) and math.isclose(abs(y), abs(w), rel_tol=0.02)
            apart = math.dist(_middle(f), _middle(g))
            if x * y > 0 and v * w < 0 and alike and apart < 0.05 * f.nominal:
                return one, other
    return None


def _run(feature: Feature) -> tuple[float, float]:
    assert feature.ends is not None
    (x0, y0, _), (x1, y1, _) = feature.ends
    return x1 - x0, y1 - y0


def _middle(feature: Feature) -> tuple[float, float]:
    assert feature.ends is not None
    (x0, y0, _), (x1, y1, _) = feature.ends
    return (x0 + x1) / 2, (y0 + y1) / 2


def of_machines(evidence: Evidence) -> Results:
    return figures_of_findings(
        SQUARENESS, evidence, "a measured specimen", "an artifact with two diagonals that cross"
    )


SQUARENESS = Evaluation("squareness", "Squareness", (SKEW, *SIDES.values()), of_machines, takes, of_specimen)
