"""Level, bow and dish of the bed from the thickness of a first layer."""

import math
from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from crevlo.core.estimate import BadInput, Estimate, NotDetermined, Shared, made_of
from crevlo.core.evaluations.evaluation import (
    Better,
    Disc,
    Evaluation,
    Features,
    Finding,
    Instruments,
    MapChart,
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
    within,
)
from crevlo.core.evidence import Evidence, Specimen
from crevlo.core.features.feature import Feature, Kind
from crevlo.core.readings import feature_estimates

FEWEST = 4
# A disc further from nominal than this is too thin to hold or too thick to stick.
WITHIN_MM = 0.05

_PLANE = "Least squares plane through the thickness of the discs; "
TILTS = {
    axis: Quantity(
        f"tilt.{axis.lower()}", f"Bed tilt along {axis}", f"{axis} tilt", "mm/100 mm", 3, Better.ZERO, Rests.READINGS,
        _PLANE + "its slope over 100 mm, U by t(n − 3).", 0.15, 0.0,
    )
    for axis in ("X", "Y")
}  # fmt: skip
BOW = Quantity(
    "bow.range", "Bed bow", "Bow", "mm", 3, Better.LOWER, Rests.READINGS, _PLANE + "what it leaves, highest less lowest.", 0.2, 0.02
)  # fmt: skip
DISH = Quantity(
    "dish", "Bed dish", "Dish", "mm", 3, Better.ZERO, Rests.READINGS,
    _PLANE + "mean of what it leaves near the middle, less that of the others; below 0 the layer is thinner in the middle.",
    0.15, 0.0,
)  # fmt: skip
WORST = Quantity(
    "disc.worst", "Worst disc", "Worst disc", "mm", 3, Better.LOWER, Rests.READINGS, _PLANE + "the furthest that a disc is off it.", 0.15, 0.0
)  # fmt: skip
GOOD = Quantity(
    "area.good", "First layer in tolerance", "In tolerance", "%", 0, Better.HIGHER, Rests.READINGS,
    f"Share of the discs within {WITHIN_MM} mm of the layer's nominal thickness.", 50, 100,
)  # fmt: skip


@dataclass(frozen=True, slots=True)
class Plane:
    """A fitted plane and what it leaves: tilts per 100 mm, range and RMS (over n − 3) of the residuals, dish, worst point."""

    tilt_x_mm_per_100: Estimate
    tilt_y_mm_per_100: Estimate
    range_mm: float
    rms_mm: float
    dish_mm: float
    worst: int
    worst_off_mm: float
    residuals_mm: tuple[float, ...]


def plane(points: Sequence[tuple[float, float, float]]) -> Plane:
    """Least squares plane through (x_mm, y_mm, value_mm), U of the tilts by t(n − 3).

    Points within half the largest distance from their middle are inner ones. Raises NotDetermined for fewer than four or
    points in a line, BadInput for values that are not finite.
    """
    if len(points) < FEWEST:
        raise NotDetermined(f"{FEWEST} places on the bed")
    x, y, z = np.array(points, dtype=float).T
    if not np.isfinite([x, y, z]).all():
        raise BadInput("places and thicknesses must be finite")
    middle_x, middle_y = x.mean(), y.mean()
    design = np.column_stack([np.ones_like(x), x - middle_x, y - middle_y])
    reach = max(float(np.hypot(x - middle_x, y - middle_y).max()), 1e-12)
    if np.linalg.svd(design[:, 1:] / reach, compute_uv=False)[-1] < 1e-6:
        raise NotDetermined("places that do not lie in a line")
    solved, *_ = np.linalg.lstsq(design, z, rcond=None)
    left = z - design @ solved
    dof = len(z) - 3
    s2 = float(left @ left) / dof
    spread = np.sqrt(np.diag(np.linalg.inv(design.T @ design)) * s2)
    distance = np.hypot(x - middle_x, y - middle_y)
    inner = distance <= distance.max() / 2
    dish = float(left[inner].mean() - left[~inner].mean()) if inner.any() and not inner.all() else 0.0
    worst = int(np.argmax(np.abs(left)))
    return Plane(
        Estimate(100 * float(solved[1]), 100 * float(spread[1]), dof), Estimate(100 * float(solved[2]), 100 * float(spread[2]), dof),
        float(left.max() - left.min()), math.sqrt(s2), dish, worst, float(left[worst]), tuple(float(r) for r in left),
    )  # fmt: skip


def takes(features: Features) -> bool:
    """At least four thicknesses at places on the bed that do not lie in a line."""
    places = {_place(features[c]) for c in _discs(features)}
    return len(places) >= FEWEST and len({x for x, _ in places}) > 1 and len({y for _, y in places}) > 1


def of_specimen(specimen: Specimen, instruments: Instruments) -> Told:
    """Tilt, bow, dish and worst disc of a sheet as far as it is measured."""
    parts = shared_parts(lambda given: _told(given, instruments, {}), specimen, instruments)
    return _told(specimen, instruments, parts.get(GOOD.code, {}))


def _told(specimen: Specimen, instruments: Instruments, shared: Shared) -> Told:
    """`shared`: of the share in tolerance; a bias of the instrument is in no slope and no residual."""
    found = own_parts(feature_estimates(specimen, instruments))
    discs = _discs(specimen.features)
    known = {c: found[c] for c in discs if c in found}
    nominal = specimen.features[discs[0]].nominal
    places = {c: _place(specimen.features[c]) for c in known}
    off = dict.fromkeys(known, 0.0)
    try:
        made = plane([(*places[c], e.value) for c, e in known.items()])
    except NotDetermined as few:
        findings = [
            Finding(q, few, missing_says(q.name[:1].lower() + q.name[1:], few), made_from=tuple(discs))
            for q in FLATNESS.tells
        ]
    else:
        off = dict(zip(known, made.residuals_mm, strict=True))
        findings = _findings(made, known, nominal, shared, whole=len(known) == len(discs))
    chart = MapChart(
        tuple(Disc(c, *places[c], e.value, off[c], _good(e, nominal)) for c, e in known.items()), nominal, WITHIN_MM, "mm"
    )  # fmt: skip
    return Told(tuple(findings), chart if len(known) >= FEWEST else None)


def _findings(
    made: Plane, known: dict[str, Estimate], nominal: float, shared: Shared, *, whole: bool
) -> list[Finding]:
    codes = tuple(known)
    u = math.sqrt(math.fsum(e.u**2 for e in known.values()) / len(known))
    inner = max(1, round(len(known) / 9))
    findings = [_tilt(axis, t, codes) for axis, t in (("X", made.tilt_x_mm_per_100), ("Y", made.tilt_y_mm_per_100))]
    bow = Estimate(made.range_mm, math.sqrt(2) * u)
    findings.append(
        Finding(BOW, bow, Says("Beyond the tilt it bows by", f"{bow.value:.3f} mm", within(bow, 3), f"RMS {made.rms_mm:.3f} mm."), made_from=codes)
    )  # fmt: skip
    dish = Estimate(made.dish_mm, u * math.sqrt(1 / inner + 1 / max(1, len(known) - inner)))
    findings.append(_dish(dish, codes))
    worst = Estimate(abs(made.worst_off_mm), u)
    way = "thicker" if made.worst_off_mm > 0 else "thinner"
    lost = worst.value <= worst.expanded
    says = Says(
        f"Disc {codes[made.worst]} is {way} than the plane by", f"{worst.value:.3f} mm", within(worst, 3),
        "The furthest of all, and yet within the uncertainty." if lost else "The furthest of all.",
    )  # fmt: skip
    findings.append(Finding(WORST, worst, says, made_from=(codes[made.worst],)))
    if not whole:
        rest = NotDetermined("the rest of the discs")
        findings.append(Finding(GOOD, rest, missing_says("the share in tolerance", rest), made_from=codes))
        return findings
    good = [c for c, e in known.items() if _good(e, nominal)]
    share = made_of(100 * len(good) / len(known), 0.0, shared=shared)
    words = f"{len(good)} of {len(known)} discs within {WITHIN_MM} mm of {nominal:g} mm."
    findings.append(
        Finding(
            GOOD,
            share,
            Says("In tolerance", f"{share.value:.0f} %", within(share, 0) if share.u else "", words),
            made_from=codes,
        )
    )
    return findings


def _good(thickness: Estimate, nominal: float) -> bool:
    # What lies on the limit is within it, whatever the last binary digit says.
    return abs(thickness.value - nominal) <= WITHIN_MM + 1e-9


def _tilt(axis: str, tilt: Estimate, codes: tuple[str, ...]) -> Finding:
    spread = within(tilt, 3)
    if abs(tilt.value) < tilt.expanded:
        says = Says(
            f"Level along {axis} within", f"{tilt.expanded:.3f} mm/100 mm", "", "No tilt told apart from none."
        )
        return Finding(TILTS[axis], tilt, says, made_from=codes)
    thicker = {"X": ("left", "right"), "Y": ("front", "back")}[axis][tilt.value > 0]
    says = Says(
        f"Thicker to the {thicker} by", f"{abs(tilt.value):.3f} mm/100 mm", spread, f"The bed hangs low there: level along {axis}."
    )  # fmt: skip
    return Finding(TILTS[axis], tilt, says, "level. A sheet printed after levelling shows none of it", codes)


def _dish(dish: Estimate, codes: tuple[str, ...]) -> Finding:
    spread = within(dish, 3)
    if abs(dish.value) < dish.expanded:
        says = Says("No dish within", f"{dish.expanded:.3f} mm", "", "Middle and rim alike.")
        return Finding(DISH, dish, says, made_from=codes)
    where = "The layer is thin in the middle by" if dish.value < 0 else "The layer is thick in the middle by"
    says = Says(where, f"{abs(dish.value):.3f} mm", spread, "Plate bent, or warm-up too short.")
    return Finding(DISH, dish, says, "plate bent, or warm-up too short. Print it again after a longer soak", codes)


def _discs(features: Features) -> tuple[str, ...]:
    return tuple(c for c in codes_of(features, (Kind.THICKNESS,)) if features[c].ends and features[c].axis == "Z")


def _place(feature: Feature) -> tuple[float, float]:
    assert feature.ends is not None
    return feature.ends[0][0], feature.ends[0][1]


def of_machines(evidence: Evidence) -> Results:
    return figures_of_findings(FLATNESS, evidence, "a measured specimen", "a first-layer sheet among the prints")


FLATNESS = Evaluation(
    "flatness", "Level and flatness", (*TILTS.values(), BOW, DISH, WORST, GOOD), of_machines, takes, of_specimen
)
