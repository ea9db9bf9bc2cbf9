"""Axis scale error told apart from wall offset and first-layer offset."""

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field
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

    On Z, sense +1 means that the lower face is the build plate. `u_mm` is the reading's own standard uncertainty; beside it
    it shares, with every other one of that source, an error of standard uncertainty `u_calibration_mm`, and so of each source in `besides`.
    """

    axis: Axis
    sense: int
    nominal_mm: float
    deviation_mm: float
    u_mm: float
    u_calibration_mm: float = 0.0
    calibration: str = "calibration"
    besides: Mapping[str, float] = field(default_factory=dict)

    @property
    def shared(self) -> dict[str, float]:
        """By source, in mm."""
        return {**self.besides, **({self.calibration: self.u_calibration_mm} if self.u_calibration_mm else {})}


@dataclass(frozen=True, slots=True)
class SizeFit:
    """Scale errors (dimensionless) per axis, wall offset (both walls) and first-layer offset in mm, and the mean deviation of
    inside sizes once the scale of their axis is taken out (None without any).

    With `dof` 0 nothing is left to check the fit by: its u is that of the readings, with the normal factor. `gains` are the
    rows of weights on the deviations that make each quantity.
    """

    scale: Mapping[Axis, Estimate | NotDetermined]
    wall_offset_mm: Estimate | NotDetermined
    first_layer_mm: Estimate | NotDetermined
    hole_offset_mm: Estimate | NotDetermined | None
    percent_off: Mapping[Axis, float]
    mean_absolute_mm: float
    residual_rms_mm: float
    chi_squared: float
    dof: int
    gains: Mapping[str, np.ndarray] = field(default_factory=dict, repr=False)
    rows: "Rows | None" = field(default=None, repr=False)


@dataclass(frozen=True, slots=True)
class Rows:
    """What was fitted: deviations and their own u in mm, shape (n,), and by source what each shares, in mm."""

    deviation: np.ndarray
    u: np.ndarray
    shared: Mapping[str, np.ndarray]
    dof: float

    def estimate(self, gain: np.ndarray) -> Estimate:
        """A quantity that is `gain` · deviations: a linear one, with t(ν) for the whole of its u."""
        own2 = float(gain**2 @ self.u**2)
        shared = {source: float(gain @ s) for source, s in self.shared.items()}
        u = math.sqrt(own2 + math.fsum(s * s for s in shared.values()))
        return Estimate(float(gain @ self.deviation), u, self.dof, shared)


def fit_sizes(features: Sequence[MeasuredFeature]) -> SizeFit:
    """Weighted least squares of d = s_axis·nominal + c·t + b (X, Y) and d = s_z·nominal + z0·t + b (Z).

    b is the calibration error of the instrument, one unknown for all its rows with prior N(0, u_cal). Weights are 1/u²; where
    χ²/ν is above 1 the own parts are scaled by its root and fitted again; U is taken from t(ν), ν = rows − (s, c, z0). A
    quantity that the given lengths cannot separate comes back as NotDetermined with what is needed. Raises BadInput for
    values that are not finite or u ≤ 0, NotDetermined without features. Source: GUM H.3, ISO/IEC Guide 98-3.
    """
    if not features:
        raise NotDetermined("readings of at least one face")
    for f in features:
        given = (f.nominal_mm, f.deviation_mm, f.u_mm, f.u_calibration_mm)
        if not all(map(math.isfinite, given)) or f.u_mm <= 0 or f.u_calibration_mm < 0:
            raise BadInput(f"the {f.axis} length of {f.nominal_mm:g} mm needs a finite reading and u above 0")
        if f.nominal_mm <= 0 or f.sense not in (-1, 0, 1):
            raise BadInput(f"the {f.axis} length of {f.nominal_mm:g} mm needs a nominal above 0 and sense −1, 0, 1")
    separable = [axis for axis in Axis if _separable(features, axis)]
    used = [f for f in features if f.axis in separable]
    names = [*separable, "c", "z0"]
    design = np.array([[*(f.nominal_mm * (f.axis is a) for a in separable), *_offsets(f)] for f in used])
    gains: dict[str, np.ndarray] = {}
    rows, chi2, dof, rms = None, 0.0, 0, 0.0
    if used:
        rows, gains, chi2, dof, rms = _solve(design.reshape(len(used), len(names)), names, used)
    estimates = {name: rows.estimate(gain) for name, gain in gains.items()} if rows else {}
    percent = {
        axis: float(np.mean([100 * f.deviation_mm / f.nominal_mm for f in features if f.axis is axis]))
        for axis in Axis
        if any(f.axis is axis for f in features)
    }
    scale = {axis: estimates.get(axis, NotDetermined(_scale_needs(features, axis))) for axis in Axis}
    return SizeFit(
        scale=scale,
        wall_offset_mm=estimates.get("c", NotDetermined("two lengths on X or Y, or an inside and an outside size")),
        first_layer_mm=estimates.get("z0", NotDetermined("two heights above the plate")),
        hole_offset_mm=_holes(features, used, rows, gains, scale),
        percent_off=percent,
        mean_absolute_mm=float(np.mean([abs(f.deviation_mm) for f in features])),
        residual_rms_mm=rms,
        chi_squared=chi2,
        dof=dof,
        gains=gains,
        rows=rows,
    )


def deviation_at(fit: SizeFit, axis: Axis, length_mm: float) -> Estimate:
    """Fitted deviation in mm of an outside size of `length_mm`, with the uncertainty of the line there.

    Raises NotDetermined where scale and offset could not be told apart.
    """
    offset = "z0" if axis is Axis.Z else "c"
    for part in (fit.scale[axis], fit.first_layer_mm if axis is Axis.Z else fit.wall_offset_mm):
        if isinstance(part, NotDetermined):
            raise part
    assert fit.rows is not None
    return fit.rows.estimate(length_mm * fit.gains[axis] + fit.gains[offset])


def _holes(
    features: Sequence[MeasuredFeature], used: Sequence[MeasuredFeature], rows: Rows | None,
    gains: Mapping[str, np.ndarray], scale: Mapping[Axis, Estimate | NotDetermined],
) -> Estimate | NotDetermined | None:  # fmt: skip
    inside = [f for f in features if f.sense < 0 and f.axis is not Axis.Z]
    if not inside:
        return None
    for f in inside:
        of_axis = scale[f.axis]
        if isinstance(of_axis, NotDetermined):
            return NotDetermined(f"the scale of {f.axis}: {of_axis.needs}")
    assert rows is not None
    gain = np.zeros(len(used))
    for at, f in enumerate(used):
        if f.sense < 0 and f.axis is not Axis.Z:
            gain[at] += 1 / len(inside)
            gain -= f.nominal_mm * gains[f.axis] / len(inside)
    return rows.estimate(gain)


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
    design: np.ndarray, names: Sequence[str], used: Sequence[MeasuredFeature]
) -> tuple[Rows, dict[str, np.ndarray], float, int, float]:
    """Rows with their scaled u, by name the gain of each quantity that the data can tell, χ², ν, residual RMS in mm."""
    d = np.array([f.deviation_mm for f in used])
    u = np.array([f.u_mm for f in used])
    shared = {
        source: np.array([f.shared.get(source, 0.0) for f in used])
        for source in sorted({source for f in used for source in f.shared})
    }
    gain, reach, chi2, dof, residual = _fit(design, d, u, shared)
    if dof > 0 and chi2 > dof:
        u = u * math.sqrt(chi2 / dof)
        gain, reach, *_ = _fit(design, d, u, shared)
    told = {name: gain[j] for j, name in enumerate(names) if reach[j] > 1 - 1e-6}
    rows = Rows(d, u, shared, float(dof) if dof > 0 else math.inf)
    return rows, told, chi2, dof, float(np.sqrt(np.mean(residual**2)))


def _fit(
    design: np.ndarray, d: np.ndarray, u: np.ndarray, shared: Mapping[str, np.ndarray]
) -> tuple[np.ndarray, np.ndarray, float, int, np.ndarray]:
    """Gain of each column, shape (columns, n), how far each lies in the row space (1 where it can be told), χ², ν, residuals.

    Each source of shared error is one unknown more, in units of its standard uncertainty, with one row more: 0 ± 1.
    """
    # Columns differ by orders of magnitude (mm against 1): scale them so that the rank test is fair.
    norms = np.linalg.norm(design, axis=0)
    norms[norms == 0] = 1.0
    columns, errors = design.shape[1], len(shared)
    whole = np.zeros((len(d) + errors, columns + errors))
    whole[: len(d), :columns] = design / norms / u[:, None]
    for at, s in enumerate(shared.values()):
        whole[: len(d), columns + at] = s / u
        whole[len(d) + at, columns + at] = 1.0
    left, singular, right = np.linalg.svd(whole, full_matrices=False)
    keep = singular > singular[0] * 1e-9
    right, singular, left = right[keep], singular[keep], left[:, keep]
    inverse = (right.T / singular) @ left.T
    known = np.concatenate([d / u, np.zeros(errors)])
    off = known - whole @ (inverse @ known)
    gain = inverse[:columns, : len(d)] / norms[:, None] / u
    reach = np.sum(right**2, axis=0)[:columns]
    dof = len(d) - (len(singular) - errors)
    return gain, reach, float(off @ off), dof, d - design @ (gain @ d)
