"""What artifacts tell: the worked examples, findings with their words, and what must hold for any machine."""

import math
from dataclasses import replace

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from crevlo.core.artifacts.shelf import DESIGNS
from crevlo.core.estimate import BadInput, Estimate, NotDetermined
from crevlo.core.evaluations import EVALUATION_OF, EVALUATIONS, QUANTITIES
from crevlo.core.evaluations.evaluation import Told
from crevlo.core.evaluations.flatness import FLATNESS, plane
from crevlo.core.evaluations.noise import of_state
from crevlo.core.evaluations.scale import SCALE
from crevlo.core.evaluations.sizes import SIZES
from crevlo.core.evaluations.squareness import SQUARENESS, squareness
from crevlo.core.evaluations.words import words_of
from crevlo.core.evaluations.worth import worth_of
from crevlo.core.evidence import Basis, Evidence, Instrument, Level, LineOf, Machine, Reading, Run, Specimen, Unit
from crevlo.core.features.feature import Feature, Kind
from crevlo.core.noise import NoiseState
from crevlo.core.ranking.chances import draw_values
from crevlo.core.ranking.value import linear
from crevlo.core.success import DEFAULT_COUNTED, Cause, Outcome

CALIPER = {"C": Instrument("C-1", "caliper", 0.01, 0.012, 0.008)}
EXACT = {"C": Instrument("C-0", "caliper", 0.0001, 0.0, 0.0005)}


def features(code: str) -> dict[str, Feature]:
    return {f.code: f for f in DESIGNS[code].build().features}


def read(code: str, size, leave: int = 0) -> Specimen:
    """A specimen of which every measured feature but the last `leave` was read once as `size` says."""
    known = features(code)
    measured = [f for f in known.values() if f.kind in (Kind.LENGTH, Kind.DIAGONAL, Kind.THICKNESS, Kind.LIFT)]
    kept = measured[: len(measured) - leave]
    return Specimen(known, tuple(Reading(f.code, size(f), "C") for f in kept))


def by_code(told: Told) -> dict:
    return {f.quantity.code: f for f in told.findings}


def sheared(lean_mm_per_100: float, grown: float = 0.0):
    """Sizes of a frame whose back leans to the right by so much."""
    slope = lean_mm_per_100 / 100

    def size(f: Feature) -> float:
        (x0, y0, _), (x1, y1, _) = f.ends
        across = (x1 - x0 + slope * (y1 - y0), y1 - y0)
        return math.hypot(*across) * (1 + grown) if f.kind is Kind.DIAGONAL else f.nominal * (1 + grown)

    return size


# the worked examples


def test_squareness_of_the_worked_example() -> None:
    made = squareness(100.02, 99.98, 141.71, 141.13, 0.015)
    assert made.percent == pytest.approx(0.4101, abs=5e-5)
    assert (made.skew_deg.value, made.skew_deg.expanded) == (pytest.approx(0.2350, abs=5e-5), pytest.approx(0.0168, abs=5e-5))  # fmt: skip
    assert (made.mm_per_100.value, made.mm_per_100.expanded) == (pytest.approx(0.4101, abs=5e-5), pytest.approx(0.0294, abs=5e-5))  # fmt: skip


def test_the_plane_of_the_worked_example() -> None:
    values = [0.22, 0.21, 0.20, 0.21, 0.17, 0.19, 0.20, 0.18, 0.17]
    places = [(x, y) for y in (-80, 0, 80) for x in (-80, 0, 80)]
    made = plane([(x, y, v) for (x, y), v in zip(places, values, strict=True)])
    for tilt, value in ((made.tilt_x_mm_per_100, -0.0146), (made.tilt_y_mm_per_100, -0.0167)):
        assert (tilt.value, tilt.expanded) == (pytest.approx(value, abs=5e-5), pytest.approx(0.0139, abs=5e-5))
    assert (made.range_mm, made.rms_mm) == (pytest.approx(0.0317, abs=5e-5), pytest.approx(0.0111, abs=5e-5))
    assert made.dish_mm == pytest.approx(-0.0275, abs=5e-5)
    assert (made.worst, made.worst_off_mm) == (4, pytest.approx(-0.0244, abs=5e-5))


@pytest.mark.parametrize("points", [[(0, 0, 0.2)] * 3, [(x, 2 * x, 0.2) for x in range(6)]])
def test_a_plane_needs_places_that_span_one(points) -> None:
    with pytest.raises(NotDetermined):
        plane(points)


# what must hold for any machine


@given(st.floats(-0.8, 0.8), st.floats(-0.004, 0.004))
def test_the_skew_of_any_frame_is_found_whatever_its_size(lean: float, grown: float) -> None:
    found = by_code(SQUARENESS.of_specimen(read("SF", sheared(lean, grown)), EXACT))["skew.xy"]
    assert found.value.value == pytest.approx(lean, abs=0.004 + 0.02 * abs(lean))


@given(st.floats(-0.1, 0.1), st.floats(-0.1, 0.1), st.floats(-0.02, 0.02))
def test_the_tilt_of_any_bed_is_found_whatever_the_height(x: float, y: float, high: float) -> None:
    def size(f: Feature) -> float:
        (at_x, at_y, _), _ = f.ends
        return f.nominal + high + (x * at_x + y * at_y) / 100

    found = by_code(FLATNESS.of_specimen(read("FS", size), EXACT))
    assert found["tilt.x"].value.value == pytest.approx(x, abs=1e-9)
    assert found["tilt.y"].value.value == pytest.approx(y, abs=1e-9)
    assert found["bow.range"].value.value == pytest.approx(0, abs=1e-9)


@given(st.floats(-0.3, 0.3))
def test_a_bias_of_the_caliper_does_not_skew_a_frame_nor_tilt_a_bed(bias: float) -> None:
    for code, evaluation, keys in (
        ("SF", SQUARENESS, ["skew.xy"]),
        ("FS", FLATNESS, ["tilt.x", "dish", "bow.range"]),
    ):
        plain = by_code(evaluation.of_specimen(read(code, lambda f: f.nominal), EXACT))
        biased = by_code(evaluation.of_specimen(read(code, lambda f: f.nominal + bias), EXACT))
        for key in keys:
            assert biased[key].value.value == pytest.approx(plain[key].value.value, abs=2e-3)


def test_the_share_of_a_u_that_is_the_calibration_is_told_apart() -> None:
    grown = read("SB", lambda f: f.nominal + 0.1)
    off = by_code(SIZES.of_specimen(grown, CALIPER))["off.mean"]
    # Every face is large, so that a bias moves the mean in full.
    assert off.value.u_shared == pytest.approx(0.012)
    sides = {f.code: (1 if k % 2 else -1) for k, f in enumerate(features("SB").values())}
    mixed = by_code(SIZES.of_specimen(read("SB", lambda f: f.nominal + 0.1 * sides[f.code]), CALIPER))["off.mean"]
    assert mixed.value.u_shared < 0.0012
    assert mixed.value.value == pytest.approx(off.value.value)


@given(st.sampled_from([-0.01, -0.004, 0.003, 0.008]), st.sampled_from([-0.2, -0.08, 0.06, 0.15]))
def test_what_is_said_to_undo_an_axis_and_its_walls_does(grown: float, proud: float) -> None:
    def told(factor: float, per_wall: float) -> dict:
        # A tuned machine: the part is sliced by the factor, its walls moved by the offset.
        def size(f: Feature) -> float:
            across = 0 if f.axis == "Z" else f.sense
            return f.nominal * factor * (1 + (grown if f.axis == "X" else 0)) + across * (proud + 2 * per_wall)

        return by_code(SCALE.of_specimen(read("SB", size), EXACT))

    stock = told(1.0, 0.0)
    undo = "What undoes it, for an arm of own tuning:"
    factor = float(stock["scale.x"].says.meaning.split(f"{undo} × ")[1].rstrip("."))
    said = stock["wall.offset"].says.meaning.split(f"{undo} ")[1].removesuffix(" mm per wall.")
    per_wall = float(said.replace("−", "-"))
    assert undo not in stock["scale.y"].says.meaning
    assert factor == pytest.approx(1 / (1 + grown), abs=2e-4)
    # Both are said to so many digits; what is left is no more than the last one.
    tuned = told(factor, per_wall)
    assert abs(tuned["scale.x"].value.value) < 0.03
    assert abs(tuned["wall.offset"].value.value) < 0.004


def test_what_a_side_is_off_carries_the_calibration_in_its_words_too() -> None:
    told = SQUARENESS.of_specimen(read("SF", sheared(0.0, 0.0005)), CALIPER)
    side = by_code(told)["side.x"]
    assert side.value.u_shared == pytest.approx(0.012)
    assert side.value.expanded > 1.96 * 0.012
    assert side.says.uncertainty == f"± {side.value.expanded:.3f}"
    walls = by_code(SCALE.of_specimen(read("SB", lambda f: f.nominal + 0.03 * f.sense), CALIPER))["wall.offset"]
    # A bias shifts outside and inside alike, so that only part of it looks like a wall.
    assert 0 < walls.value.u_shared < 0.012


# words in every state


def test_words_of_a_frame_that_leans_name_the_cause_and_what_would_confirm_it() -> None:
    found = by_code(SQUARENESS.of_specimen(read("SF", sheared(0.4)), CALIPER))["skew.xy"]
    assert found.says.headline == "Out of square by"
    assert "leans to the right" in found.says.meaning
    assert found.points_to.startswith("gantry not square")
    assert found.made_from == ("D1", "D2")
    square = by_code(SQUARENESS.of_specimen(read("SF", sheared(0.0)), CALIPER))["skew.xy"]
    assert square.says.headline == "X and Y are square within"
    assert square.points_to is None


def test_a_frame_half_measured_says_what_it_needs_and_draws_nothing() -> None:
    told = SQUARENESS.of_specimen(read("SF", sheared(0.0), leave=1), CALIPER)
    assert by_code(told)["skew.xy"].value == NotDetermined("both diagonals")
    assert told.chart is None
    assert words_of(told.findings)[-1].meaning == "needs both diagonals."


def test_diagonals_that_no_such_frame_has_are_asked_for_again() -> None:
    wrong = read("SF", lambda f: f.nominal * (0.3 if f.code == "D1" else 1))
    found = by_code(SQUARENESS.of_specimen(wrong, CALIPER))["skew.xy"]
    assert isinstance(found.value, NotDetermined)
    assert "second look" in found.value.needs
    with pytest.raises(BadInput):
        squareness(100, 100, 141, 0, 0.01)


def test_a_sheet_with_a_thin_middle_is_dished_and_out_of_tolerance_there() -> None:
    def size(f: Feature) -> float:
        return f.nominal - (0.08 if f.code == "B2" else 0.0)

    told = FLATNESS.of_specimen(read("FS", size), CALIPER)
    found = by_code(told)
    assert found["dish"].says.headline == "The layer is thin in the middle by"
    assert found["disc.worst"].says.headline == "Disc B2 is thinner than the plane by"
    assert found["area.good"].value.value == pytest.approx(100 * 8 / 9)
    assert {d.code for d in told.chart.discs if not d.good} == {"B2"}
    edge = FLATNESS.of_specimen(read("FS", lambda f: f.nominal - (0.05 if f.code == "C1" else 0.0)), CALIPER)
    assert by_code(edge)["area.good"].value.value == 100.0
    assert all(d.good for d in edge.chart.discs)


def test_a_sheet_with_few_discs_read_says_once_what_it_waits_for() -> None:
    told = FLATNESS.of_specimen(read("FS", lambda f: f.nominal, leave=7), CALIPER)
    words = words_of(told.findings)
    assert len(words) == 1
    assert words[0].meaning == "need 4 places on the bed."
    assert told.chart is None


def test_holes_too_small_with_right_walls_point_to_inner_corners() -> None:
    told = SCALE.of_specimen(read("SB", lambda f: f.nominal - (0.2 if f.sense < 0 else 0.0)), EXACT)
    found = by_code(told)["hole.offset"]
    assert found.value.value == pytest.approx(-0.2, abs=0.06)
    assert found.says.headline == "Holes are small by"


# the catalogue


def test_every_quantity_is_told_by_one_evaluation_and_named_once() -> None:
    told = [q.code for e in EVALUATIONS for q in e.tells]
    assert len(told) == len(set(told)) == len(QUANTITIES)
    assert len({q.name for q in QUANTITIES.values()}) == len(QUANTITIES)
    assert all(EVALUATION_OF[code].code for code in told)


def run(key: str, hours: float, specimen: Specimen | None = None, **more) -> Run:
    return Run(line="SF" if specimen else "L", job=key, outcome=Outcome.DONE, hours=hours, configuration=1, specimen=specimen, **more)  # fmt: skip


def study(machines: dict[str, list[Run]], **units: Unit) -> Evidence:
    lines = {r.line for runs in machines.values() for r in runs}
    return Evidence(
        machines={k: Machine(tuple(runs), 1, unit=units.get(k, Unit())) for k, runs in machines.items()},
        lines={line: LineOf(str(line), features("SF") if line == "SF" else {}) for line in lines},
        instruments=CALIPER, basis=Basis(0.3, 18, 6, 10, 0.5, 4000, 0.05), counted=DEFAULT_COUNTED,
    )  # fmt: skip


def test_skew_becomes_a_machines_figure_over_its_copies() -> None:
    leans = {"A": [0.30, 0.32, 0.31], "B": [-0.1, -0.11]}
    made = study(
        {k: [run(f"{k}{i}", 1, read("SF", sheared(x))) for i, x in enumerate(of)] for k, of in leans.items()}
    )
    figures = SQUARENESS.of_machines(made).figures["skew.xy"]
    assert figures["A"].value == pytest.approx(0.31, abs=0.01)
    assert figures["B"].value == pytest.approx(-0.105, abs=0.01)
    # The caliper shifts both diagonals alike: nothing of its calibration is left in the skew.
    assert figures["A"].u < 0.012


def test_without_an_artifact_that_tells_it_a_figure_says_which_is_missing() -> None:
    figures = SQUARENESS.of_machines(study({"A": [run("a", 1)], "B": []})).figures["skew.xy"]
    assert {f.needs for f in figures.values()} == {"an artifact with two diagonals that cross"}


def test_what_was_printed_in_another_configuration_is_no_part_of_the_figure() -> None:
    runs = [run("a", 1.0), run("b", 1.2), replace(run("c", 9.0), configuration=2)]
    made = EVALUATION_OF["time"].of_machines(study({"A": runs}))
    assert made.figures["time"]["A"].value == pytest.approx(1.1)


def test_tries_count_by_their_cause_and_the_first_by_nobody_stopping_it() -> None:
    stopped = replace(run("a", 0.1), outcome=Outcome.STOPPED)
    failed = replace(run("a", 0.2), outcome=Outcome.FAILED, cause=Cause.MACHINE)
    excused = replace(run("b", 0.2), outcome=Outcome.FAILED, cause=Cause.POWER)
    rejected = replace(run("c", 1.0), rejected=True, cause=Cause.PROFILE)
    made = (
        EVALUATION_OF["success"].of_machines(study({"A": [stopped, failed, run("a", 1), excused, rejected]})).figures
    )
    assert (made["success"]["A"].good, made["success"]["A"].tries) == (0, 2)
    assert (made["success.all"]["A"].good, made["success.all"]["A"].tries) == (1, 3)


@given(st.lists(st.floats(0.7, 1.5), min_size=2, max_size=8))
def test_time_kept_is_the_same_whatever_the_prints_are(ratios: list[float]) -> None:
    rng = np.random.default_rng(1)
    lengths = rng.uniform(600, 9000, len(ratios))
    runs = [
        run(str(i), r * s / 3600, stated_s=float(s)) for i, (r, s) in enumerate(zip(ratios, lengths, strict=True))
    ]
    figure = EVALUATION_OF["time.ratio"].of_machines(study({"A": runs})).figures["time.ratio"]["A"]
    assert figure.value == pytest.approx(math.exp(sum(map(math.log, ratios)) / len(ratios)))


def test_noise_is_kept_apart_by_state_door_and_fan() -> None:
    def level(db: float, fan: float | None = None, state: NoiseState = NoiseState.STANDBY) -> Level:
        return Level(state, db, None, 1.0, True, fan, None)

    levels = [level(30), level(31), level(44, fan=100), level(60, state=NoiseState.PRINTING)]
    made, words = of_state(levels, NoiseState.STANDBY, CALIPER)
    assert made.value == pytest.approx(30.5)
    assert made.u > 1.0  # without a meter on record its calibration is taken as 1 dB
    assert words == "standby, door shut"
    with pytest.raises(NotDetermined, match="heating"):
        of_state(levels, NoiseState.HEATING, CALIPER)


def test_handling_and_worth_are_figures_of_the_unit_and_say_what_they_need() -> None:
    unit = Unit(paid=500.0, setup_first_s=(1800.0, 2400.0), worth_base=200.0, worth_present=(150.0, 250.0))
    made = study({"A": [run("a", 1)], "B": [run("b", 1)]}, A=unit)
    setup = EVALUATION_OF["setup.first"].of_machines(made).figures["setup.first"]
    assert setup["A"].value == pytest.approx(35)
    assert setup["B"] == NotDetermined("the time of the first set-up")
    surplus = EVALUATION_OF["worth.surplus"].of_machines(made).figures["worth.surplus"]
    assert surplus["A"] == Estimate(100.0, 0.0)
    assert isinstance(surplus["B"], NotDetermined)
    assert worth_of(200, [150], None).surplus is None
    with pytest.raises(BadInput):
        worth_of(-1, [], 5)


def test_a_price_in_another_currency_without_a_rate_leaves_cost_open_and_nothing_else() -> None:
    needs = NotDetermined("a rate from USD to EUR, at Cost")
    runs = [run("a", 1.0, kwh=0.1), run("b", 1.1, kwh=0.11)]
    made = study({"A": runs}, A=Unit(paid=needs))
    assert EVALUATION_OF["cost"].of_machines(made).figures["cost"]["A"] == needs
    assert EVALUATION_OF["price"].of_machines(made).figures["price"]["A"] == needs
    assert EVALUATION_OF["energy"].of_machines(made).figures["energy"]["A"].value == pytest.approx(0.105)


# figures of one machine that err together


def _slow_prints(rng: np.random.Generator, alike: float) -> Evidence:
    """Prints that take 4 h and 0.5 kWh and scatter by 5 %, of which `alike` is common to both."""
    common = math.sqrt(alike)

    def one(m: str, n: int) -> Run:
        both, hours, kwh = rng.normal(0, 0.05, 3) * (common, math.sqrt(1 - alike), math.sqrt(1 - alike))
        return run(f"{m}{n}", 4 * (1 + both + hours), kwh=0.5 * (1 + both + kwh))

    return study({m: [one(m, n) for n in range(4)] for m in "ABCDE"})


@pytest.mark.parametrize("alike", [0.0, 0.9])
def test_energy_goes_with_time_as_far_as_prints_do(alike: float) -> None:
    rng = np.random.default_rng(4)
    functions, weights = (linear(5.0, 3.0), linear(0.6, 0.4)), np.array([0.5, 0.5], np.float32)
    within = {"together": 0, "apart": 0}
    for number in range(400):
        evidence = _slow_prints(rng, alike)
        figures = [EVALUATION_OF[c].of_machines(evidence).figures[c] for c in ("time", "energy")]
        asked = [[f[m] for f in figures] for m in "AB"]
        ways = {"together": asked, "apart": [[replace(f, along=None) for f in row] for row in asked]}
        for way, rows in ways.items():
            values = draw_values(rows, functions, number, 2000, codes=("time", "energy"), field=False)
            totals = np.einsum("c,cmd->md", weights, values)
            low, high = np.percentile(totals[0] - totals[1], [2.5, 97.5])
            # The machines are equal.
            within[way] += low <= 0 <= high
    assert 0.93 <= within["together"] / 400 <= 0.975
    if alike:
        assert within["apart"] / 400 < 0.9
