"""Readings, sizes and grades: the worked examples, then what must hold for any machine."""

import math

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from crevlo.core.estimate import BadInput, NotDetermined
from crevlo.core.evaluations.scale import findings_of
from crevlo.core.grade import feature_grade, machine_grade, tolerance_mm
from crevlo.core.readings import combine_readings
from crevlo.core.sizes import Axis, MeasuredFeature, correction_factor, fit_sizes
from crevlo.core.statistics import pool_scatter

BLOCK = [
    ("X", 1, 40, 0.107), ("X", 1, 30, 0.083), ("X", 1, 17, 0.066), ("X", -1, 24, 0.012), ("X", 0, 25, 0.044),
    ("Y", 1, 40, 0.021), ("Y", 1, 30, 0.024), ("Y", 1, 17, 0.031), ("Y", -1, 24, -0.044), ("Y", 0, 25, -0.008),
    ("Z", 1, 10, -0.028), ("Z", 1, 25, -0.021), ("Z", 1, 45, -0.012), ("Z", 0, 15, 0.006), ("Z", 0, 20, 0.010),
]  # fmt: skip


def measured(rows: list[tuple[str, int, float, float]], u: float = 0.012) -> list[MeasuredFeature]:
    return [MeasuredFeature(Axis(axis), sense, nominal, d, u) for axis, sense, nominal, d in rows]


def test_three_readings_of_a_thirty_millimetre_step() -> None:
    step = combine_readings([30.06, 30.07, 30.05], resolution_mm=0.01, u_calibration_mm=0.015)
    assert (step.value, step.u) == (pytest.approx(30.06), pytest.approx(0.01633, abs=5e-6))
    assert round(step.dof) == 128
    assert step.expanded == pytest.approx(0.0323, abs=5e-5)


def test_one_reading_leans_on_the_instruments_repeatability_or_says_what_is_missing() -> None:
    with pytest.raises(NotDetermined, match="repeatability"):
        combine_readings([30.06], resolution_mm=0.01, u_calibration_mm=0.015)
    single = combine_readings([30.06], resolution_mm=0.01, u_calibration_mm=0.015, repeatability_mm=0.01)
    assert single.u == pytest.approx(math.sqrt(0.01**2 + 0.01**2 / 12 + 0.015**2))
    with pytest.raises(NotDetermined):
        combine_readings([], resolution_mm=0.01, u_calibration_mm=0.015)
    with pytest.raises(BadInput):
        combine_readings([float("nan")], resolution_mm=0.01, u_calibration_mm=0.015)


@given(st.lists(st.floats(-0.1, 0.1), min_size=2, max_size=8), st.floats(0, 0.05))
def test_more_calibration_doubt_never_makes_a_reading_surer(scatter: list[float], u_cal: float) -> None:
    values = [20 + s for s in scatter]
    known = combine_readings(values, resolution_mm=0.01, u_calibration_mm=u_cal)
    looser = combine_readings(values, resolution_mm=0.01, u_calibration_mm=u_cal + 0.01)
    assert looser.u > known.u
    assert min(values) - 1e-9 <= known.value <= max(values) + 1e-9


def test_pooled_scatter_ignores_the_means() -> None:
    s, dof = pool_scatter([[1.0, 1.2], [5.0, 5.2], [9.0]])
    assert (s, dof) == (pytest.approx(0.141421, abs=1e-6), 2)


def test_step_block_scale_apart_from_wall_and_first_layer() -> None:
    fit = fit_sizes(measured(BLOCK))
    expected = {Axis.X: (0.1789, 0.0457), Axis.Y: (-0.0329, 0.0457), Axis.Z: (0.0460, 0.0759)}
    for axis, (percent, spread) in expected.items():
        scale = fit.scale[axis]
        assert not isinstance(scale, NotDetermined)
        assert 100 * scale.value == pytest.approx(percent, abs=5e-5)
        assert 100 * scale.expanded == pytest.approx(spread, abs=5e-5)
    wall, first = fit.wall_offset_mm, fit.first_layer_mm
    assert not isinstance(wall, NotDetermined)
    assert not isinstance(first, NotDetermined)
    assert (wall.value, wall.expanded) == (pytest.approx(0.0340, abs=5e-5), pytest.approx(0.0109, abs=5e-5))
    assert (first.value, first.expanded) == (
        pytest.approx(-0.0326, abs=5e-5),
        pytest.approx(0.0255, abs=5e-5),
    )
    assert (fit.chi_squared, fit.dof) == (pytest.approx(0.340, abs=5e-4), 10)
    words = {f.quantity.code: f.says for f in findings_of(fit, measured(BLOCK))}
    assert (words["scale.x"].headline, words["scale.x"].amount) == ("X runs long by", "0.18 %")
    assert words["scale.y"].meaning == "Within the uncertainty: no correction called for."


def test_a_single_length_cannot_tell_scale_from_offset() -> None:
    fit = fit_sizes(measured([("X", 1, 40, 0.1), ("X", 1, 40, 0.12)]))
    assert isinstance(fit.scale[Axis.X], NotDetermined)
    assert isinstance(fit.wall_offset_mm, NotDetermined)
    assert fit.percent_off[Axis.X] == pytest.approx(0.275)


def test_centre_distances_alone_give_scale_without_wall_offset() -> None:
    fit = fit_sizes(measured([("X", 0, 25, 0.05), ("X", 0, 50, 0.10)]))
    scale = fit.scale[Axis.X]
    assert not isinstance(scale, NotDetermined)
    assert scale.value == pytest.approx(0.002)
    assert isinstance(fit.wall_offset_mm, NotDetermined)


@given(
    st.tuples(st.floats(-0.01, 0.01), st.floats(-0.01, 0.01), st.floats(-0.01, 0.01)),
    st.floats(-0.3, 0.3), st.floats(-0.3, 0.3), st.permutations(range(len(BLOCK))),
)  # fmt: skip
def test_any_hidden_machine_is_found_whatever_the_order(
    scales: tuple[float, float, float], wall: float, first: float, order: list[int]
) -> None:
    by_axis = dict(zip("XYZ", scales, strict=True))
    rows = [(a, t, n, by_axis[a] * n + t * (first if a == "Z" else wall)) for a, t, n, _ in BLOCK]
    fit = fit_sizes(measured([rows[i] for i in order]))
    for axis in Axis:
        scale = fit.scale[axis]
        assert not isinstance(scale, NotDetermined)
        assert scale.value == pytest.approx(by_axis[axis.value], abs=1e-9)
        assert correction_factor(scale.value) * (1 + scale.value) == pytest.approx(1)
    assert not isinstance(fit.wall_offset_mm, NotDetermined)
    assert fit.wall_offset_mm.value == pytest.approx(wall, abs=1e-8)


def test_stated_uncertainty_covers_the_truth_about_95_times_in_100() -> None:
    rng = np.random.default_rng(7)
    inside = tries = 0
    for _ in range(300):
        rows = [(a, t, n, 0.001 * n + 0.03 * t + rng.normal(0, 0.012)) for a, t, n, _ in BLOCK]
        fit = fit_sizes(measured(rows))
        for axis in Axis:
            scale = fit.scale[axis]
            assert not isinstance(scale, NotDetermined)
            inside += scale.low <= 0.001 <= scale.high
            tries += 1
    assert 0.93 < inside / tries < 0.99


@pytest.mark.parametrize(
    ("nominal", "deviation", "grade"), [(40, 0.11, 12), (100, 0.20, 13), (17, 0.05, 11), (8, 0.19, 15)]
)
def test_tolerance_grades(nominal: float, deviation: float, grade: int) -> None:
    assert feature_grade(nominal, deviation) == feature_grade(nominal, -deviation) == grade


def test_grade_of_a_machine_is_what_95_percent_of_features_meet() -> None:
    features = [(40.0, 0.05)] * 19 + [(40.0, 0.5)]
    assert machine_grade(features) == feature_grade(40, 0.05)
    with pytest.raises(NotDetermined):
        feature_grade(40, 9)
    with pytest.raises(BadInput):
        tolerance_mm(0, 12)
