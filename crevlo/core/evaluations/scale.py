"""Axis scale apart from wall offset, first-layer offset, and holes apart from both."""

from collections.abc import Sequence
from dataclasses import replace

from crevlo.core.estimate import Estimate, NotDetermined, scaled
from crevlo.core.evaluations.evaluation import (
    Better,
    Evaluation,
    Features,
    Finding,
    FitChart,
    FitPoint,
    Instruments,
    LinePoint,
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
from crevlo.core.features.feature import Feature, Kind
from crevlo.core.readings import feature_estimates
from crevlo.core.sizes import (
    Axis,
    MeasuredFeature,
    SizeFit,
    correction_factor,
    correction_per_wall_mm,
    deviation_at,
    fit_sizes,
)

_RULE = (
    "Weighted least squares: deviation = scale · nominal + wall offset · side (outside +1, inside −1), on Z with a first-layer "
    "offset instead, and the instrument's calibration as one unknown of all rows. Weights 1/u², scaled by max(1, χ²/ν); U from "
    "t(ν) at 95 %."
)
SCALES = {
    axis: Quantity(
        f"scale.{axis.lower()}",
        f"{axis} scale off",
        f"{axis} scale",
        "%",
        2,
        Better.ZERO,
        Rests.READINGS,
        _RULE,
        0.5,
        0.0,
    )
    for axis in Axis
}
WALLS = Quantity(
    "wall.offset", "Walls off", "Walls", "mm", 3, Better.ZERO, Rests.READINGS,
    _RULE + " The offset is over both walls.", 0.2, 0.0,
)  # fmt: skip
FIRST_LAYER = Quantity(
    "first.layer", "First layer off", "First layer", "mm", 3, Better.ZERO, Rests.READINGS, _RULE, 0.2, 0.0
)
HOLES = Quantity(
    "hole.offset", "Holes off", "Holes", "mm", 3, Better.ZERO, Rests.READINGS,
    "Mean deviation of the inside sizes once the scale of their axis is taken out; below 0 holes are too small.", 0.4, 0.0,
)  # fmt: skip

_UNCHECKED = "Its ± is that of the readings: no length is left to check the fit by."
# Stock results stay as they are.
_UNDO = "What undoes it, for an arm of own tuning:"
_WITHIN = "Within the uncertainty: no correction called for."
_ONE_LENGTH = "One length cannot tell scale from offset: needs another."
_AXIS_CAUSES = {
    Axis.X: "Steps or belt pitch on X, not the material.",
    Axis.Y: "Steps or belt pitch on Y, not the material.",
    Axis.Z: "Screw pitch or steps on Z, not the material.",
}
_AXIS_CONFIRMS = "A second artifact of another length shows the same percent."


def takes(features: Features) -> bool:
    """Lengths of at least two sizes on some axis."""
    return any(len({f.nominal for f in _lengths(features) if f.axis == axis}) > 1 for axis in Axis)


def of_specimen(specimen: Specimen, instruments: Instruments) -> Told:
    """What the lengths read so far tell; nothing before the first."""
    estimates = feature_estimates(specimen, instruments)
    codes = [c for c, e in estimates.items() if isinstance(e, Estimate) and specimen.features[c].kind is Kind.LENGTH]
    measured = []
    for code in codes:
        f, e = specimen.features[code], estimates[code]
        assert isinstance(e, Estimate)
        off = e.value - f.nominal
        measured.append(MeasuredFeature(Axis(f.axis), f.sense, f.nominal, off, max(e.own, 1e-6), besides=e.shared))
    if not measured:
        return Told(())
    fit = fit_sizes(measured)
    points = tuple(
        FitPoint(c, m.axis, m.nominal_mm, m.deviation_mm, e.expanded)
        for c, m in zip(codes, measured, strict=True)
        if isinstance(e := estimates[c], Estimate)
    )
    longest = max(f.nominal for f in _lengths(specimen.features))
    return Told(findings_of(fit, measured, codes), FitChart(points, _lines(fit, longest), longest))


def findings_of(
    fit: SizeFit, measured: Sequence[MeasuredFeature], codes: Sequence[str] | None = None
) -> tuple[Finding, ...]:
    """The fit in a practitioner's words; what is within its uncertainty calls for no correction."""
    codes = codes if codes is not None else [""] * len(measured)
    told = (
        *(_scale(fit, axis, tuple(c for c, m in zip(codes, measured, strict=True) if m.axis is axis)) for axis in Axis),
        _offset(
            WALLS, fit.wall_offset_mm, "walls", ("Walls stand proud by", "Walls fall short by"),
            "Flow or line width, not the axes.", tuple(c for c, m in zip(codes, measured, strict=True) if m.axis is not Axis.Z and m.sense),
        ),
        _offset(
            FIRST_LAYER, fit.first_layer_mm, "first layer", ("First layer stands high by", "First layer squeezed by"),
            "Nozzle height over the plate, not the Z axis.", tuple(c for c, m in zip(codes, measured, strict=True) if m.axis is Axis.Z),
        ),
        *_holes(fit, measured, codes),
    )  # fmt: skip
    return told if fit.dof else tuple(_unchecked(f) for f in told)


def _unchecked(f: Finding) -> Finding:
    """With as many unknowns as lengths nothing is left to see how well they fit: that is said."""
    if isinstance(f.value, NotDetermined):
        return f
    return replace(f, says=replace(f.says, meaning=f"{f.says.meaning} {_UNCHECKED}"))


def _scale(fit: SizeFit, axis: Axis, made_from: tuple[str, ...]) -> Finding:
    quantity, scale = SCALES[axis], fit.scale[axis]
    if isinstance(scale, NotDetermined):
        if axis in fit.percent_off:
            says = Says(f"{axis} is off by", signed(fit.percent_off[axis], 2, "%"), "", _ONE_LENGTH)
            return Finding(quantity, scale, says, made_from=made_from)
        return Finding(quantity, scale, missing_says(axis, scale))
    percent = scaled(scale, 100)
    spread = within(percent, 2)
    if abs(percent.value) < percent.expanded:
        says = Says(f"{axis} scale", signed(percent.value, 2, "%"), spread, _WITHIN)
        return Finding(quantity, percent, says, made_from=made_from)
    way = "long" if percent.value >= 0 else "short"
    undone = f"{_UNDO} × {correction_factor(scale.value):.4f}."
    says = Says(f"{axis} runs {way} by", f"{abs(percent.value):.2f} %", spread, f"{_AXIS_CAUSES[axis]} {undone}")
    return Finding(quantity, percent, says, f"steps or belt of {axis}. {_AXIS_CONFIRMS}", made_from)


def _offset(
    quantity: Quantity, offset: Estimate | NotDetermined, name: str, ways: tuple[str, str], cause: str,
    made_from: tuple[str, ...],
) -> Finding:  # fmt: skip
    if isinstance(offset, NotDetermined):
        return Finding(quantity, offset, missing_says(name, offset))
    spread = within(offset, 3)
    if abs(offset.value) < offset.expanded:
        says = Says(name.capitalize(), signed(offset.value, 3, "mm"), spread, _WITHIN)
        return Finding(quantity, offset, says, made_from=made_from)
    undone = (
        f" {_UNDO} {signed(correction_per_wall_mm(offset.value), 3, 'mm')} per wall." if quantity is WALLS else ""
    )
    says = Says(ways[offset.value < 0], f"{abs(offset.value):.3f} mm", spread, f"{cause}{undone}")
    return Finding(quantity, offset, says, cause, made_from)


def _holes(fit: SizeFit, measured: Sequence[MeasuredFeature], codes: Sequence[str]) -> list[Finding]:
    """Inside sizes with the scale of their axis taken out; nothing for artifacts without any."""
    made = fit.hole_offset_mm
    if made is None:
        return []
    if isinstance(made, NotDetermined):
        return [Finding(HOLES, made, missing_says("holes", made))]
    made_from = tuple(c for c, m in zip(codes, measured, strict=True) if m.sense < 0 and m.axis is not Axis.Z)
    spread = within(made, 3)
    walls = fit.wall_offset_mm
    if abs(made.value) < made.expanded:
        return [
            Finding(HOLES, made, Says("Holes", signed(made.value, 3, "mm"), spread, _WITHIN), made_from=made_from)
        ]
    right = isinstance(walls, Estimate) and abs(walls.value) < walls.expanded
    cause = "Inner corners or horizontal expansion." if right else "Flow or line width, as at the walls."
    way = "Holes are large by" if made.value > 0 else "Holes are small by"
    return [Finding(HOLES, made, Says(way, f"{abs(made.value):.3f} mm", spread, cause), cause, made_from)]


def _lines(fit: SizeFit, longest_mm: float) -> dict[Axis, tuple[LinePoint, ...]]:
    lines = {}
    for axis in Axis:
        try:
            at = [(length, deviation_at(fit, axis, length)) for length in (longest_mm * k / 10 for k in range(1, 11))]
        except NotDetermined:
            continue
        lines[axis] = tuple(LinePoint(length, d.value, d.expanded) for length, d in at)
    return lines


def _lengths(features: Features) -> list[Feature]:
    return [features[code] for code in codes_of(features, (Kind.LENGTH,))]


def of_machines(evidence: Evidence) -> Results:
    return figures_of_findings(SCALE, evidence, "a measured specimen", "an artifact with several lengths on an axis")


SCALE = Evaluation(
    "scale", "Axis scale and offsets", (*SCALES.values(), WALLS, FIRST_LAYER, HOLES), of_machines, takes, of_specimen
)
