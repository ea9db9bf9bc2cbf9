"""Axis scale error told apart from wall offset and first-layer offset."""

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from enum import StrEnum

import numpy as np

from crevlo.core.estimate import BadInput, Estimate, NotDetermined


class Axis(StrEnum):
    X = "X"
    Y = "Y"
    Z = "Z"


@dataclass(frozen=True, slots=True)
class MeasuredFeature:
    """One length: reading against nominal; `sense` is +1 outside, −1 inside, 0 centre-to-centre or step.

    On Z, sense +1 means that the lower face is the build plate. `u_mm` is the standard uncertainty.
    """

    axis: Axis
    sense: int
    nominal_mm: float
    deviation_mm: float
    u_mm: float


@dataclass(frozen=True, slots=True)
class SizeFit:
    """Scale errors (dimensionless) per axis, wall offset (both walls) and first-layer offset in mm.

    `covariance_mm` is that of an axis's scale with its offset (wall on X and Y, first layer on Z).
    """

    scale: Mapping[Axis, Estimate | NotDetermined]
    wall_offset_mm: Estimate | NotDetermined
    first_layer_mm: Estimate | NotDetermined
    covariance_mm: Mapping[Axis, float]
    percent_off: Mapping[Axis, float]
    mean_absolute_mm: float
    residual_rms_mm: float
    chi_squared: float
    dof: int


def fit_sizes(features: Sequence[MeasuredFeature]) -> SizeFit:
    """Weighted least squares of d = s_axis·nominal + c·t (X, Y) and d = s_z·nominal + z0·t (Z).

    Weights are 1/u²; the covariance is scaled by max(1, χ²/ν) and U taken from t(ν). A quantity that the
    given lengths cannot separate comes back as NotDetermined with what is needed. Raises BadInput for
    values that are not finite or u ≤ 0, NotDetermined without features. Source: GUM H.3, ISO/IEC Guide 98-3.
    """
    if not features:
        raise NotDetermined("readings of at least one face")
    for f in features:
        if not all(map(math.isfinite, (f.nominal_mm, f.deviation_mm, f.u_mm))) or f.u_mm <= 0:
            raise BadInput(f"the {f.axis} length of {f.nominal_mm:g} mm needs a finite reading and u above 0")
        if f.nominal_mm <= 0 or f.sense not in (-1, 0, 1):
            raise BadInput(f"the {f.axis} length of {f.nominal_mm:g} mm needs a nominal above 0 and sense −1, 0, 1")
    separable = [axis for axis in Axis if _separable(features, axis)]
    used = [f for f in features if f.axis in separable]
    names = [*separable, "c", "z0"]
    design = np.array([[*(f.nominal_mm * (f.axis is a) for a in separable), *_offsets(f)] for f in used])
    estimates: dict[str, Estimate] = {}
    covariance: dict[Axis, float] = {}
    chi2, dof, rms = 0.0, 0, 0.0
    if used:
        solved, joint, chi2, dof, rms = _solve(design.reshape(len(used), len(names)), used)
        estimates = {name: e for name, e in zip(names, solved, strict=True) if e is not None}
        covariance = {
            axis: float(joint[at, names.index("z0" if axis is Axis.Z else "c")]) for at, axis in enumerate(separable)
        }
    percent = {
        axis: float(np.mean([100 * f.deviation_mm / f.nominal_mm for f in features if f.axis is axis]))
        for axis in Axis
        if any(f.axis is axis for f in features)
    }
    return SizeFit(
        scale={axis: estimates.get(axis, NotDetermined(_scale_needs(features, axis))) for axis in Axis},
        wall_offset_mm=estimates.get("c", NotDetermined("two lengths on X or Y, or an inside and an outside size")),
        first_layer_mm=estimates.get("z0", NotDetermined("two heights above the plate")),
        covariance_mm=covariance,
        percent_off=percent,
        mean_absolute_mm=float(np.mean([abs(f.deviation_mm) for f in features])),
        residual_rms_mm=rms,
        chi_squared=chi2,
        dof=dof,
    )


def deviation_at(fit: SizeFit, axis: Axis, length_mm: float) -> Estimate:
    """Fitted deviation in mm of an outside size of `length_mm`, with the uncertainty of the line there.

    Raises NotDetermined where scale and offset could not be told apart.
    """
    scale = fit.scale[axis]
    offset = fit.first_layer_mm if axis is Axis.Z else fit.wall_offset_mm
    for part in (scale, offset):
        if isinstance(part, NotDetermined):
            raise part
    assert isinstance(scale, Estimate)
    assert isinstance(offset, Estimate)
    variance = (length_mm * scale.u) ** 2 + offset.u**2 + 2 * length_mm * fit.covariance_mm[axis]
    return Estimate(scale.value * length_mm + offset.value, math.sqrt(max(variance, 0.0)), scale.dof)


def correction_factor(scale: float) -> float:
    """Factor that would undo an axis scale error; advice for an own tuning arm only."""
    return 1.0 / (1.0 + scale)


def correction_per_wall_mm(wall_offset_mm: float) -> float:
    """Offset per wall that would undo the total over both walls; advice for an own tuning arm only."""
    return -wall_offset_mm / 2.0


def _offsets(f: MeasuredFeature) -> tuple[float, float]:
    return (0.0, float(f.sense)) if f.axis is Axis.Z else (float(f.sense), 0.0)


def _separable(features: Sequence[MeasuredFeature], axis: Axis) -> bool:
    return len({f.nominal_mm for f in features if f.axis is axis}) > 1


def _scale_needs(features: Sequence[MeasuredFeature], axis: Axis) -> str:
    lengths = len({f.nominal_mm for f in features if f.axis is axis})
    if lengths == 0:
        return "two different lengths on the axis"
    return "one more length on the axis: scale and offset cannot be told apart from a single one"


def _solve(
    design: np.ndarray, used: Sequence[MeasuredFeature]
) -> tuple[list[Estimate | None], np.ndarray, float, int, float]:
    """Estimates per column (None where the data cannot tell), covariance, χ², degrees of freedom, residual RMS in mm."""
    d = np.array([f.deviation_mm for f in used])
    u = np.array([f.u_mm for f in used])
    # Columns differ by orders of magnitude (mm against 1): scale them so that the rank test is fair.
    norms = np.linalg.norm(design, axis=0)
    norms[norms == 0] = 1.0
    whitened = design / norms / u[:, None]
    left, singular, right = np.linalg.svd(whitened, full_matrices=False)
    keep = singular > singular[0] * 1e-9
    rank = int(keep.sum())
    right, singular, left = right[keep], singular[keep], left[:, keep]
    solution = right.T @ ((left.T @ (d / u)) / singular)
    covariance = (right.T / singular**2) @ right
    residual = d - design @ (solution / norms)
    chi2 = float(np.sum((residual / u) ** 2))
    dof = len(used) - rank
    scale = max(1.0, chi2 / dof) if dof > 0 else 1.0
    reach = np.sum(right**2, axis=0)  # 1 where a column lies in the row space, so that it is estimable
    estimates: list[Estimate | None] = [
        Estimate(
            float(solution[j] / norms[j]),
            math.sqrt(scale * covariance[j, j]) / float(norms[j]),
            float(dof) if dof > 0 else math.inf,
        )
        if reach[j] > 1 - 1e-6
        else None
        for j in range(design.shape[1])
    ]
    return estimates, scale * covariance / np.outer(norms, norms), chi2, dof, float(np.sqrt(np.mean(residual**2)))
