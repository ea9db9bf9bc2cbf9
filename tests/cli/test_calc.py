"""`crevlo calc`: every rule on JSON, on lines and on tables; what cannot be right is refused in words, never a traceback."""

import json

import pytest
from pydantic import ValidationError

from crevlo.cli.calc import TOPICS, calculate, calculate_line, rows_of
from crevlo.core.estimate import BadInput, NotDetermined

COST = {
    "price": 400, "upgrades": 0, "residual": 100, "life_h": 4000, "upkeep_per_h": 0.05, "parts_per_plate": 1, "part_g": 20,
    "purge_g": 0, "material_per_kg": 20, "energy_kwh": 0.1, "tariff_per_kwh": 0.3, "hours": 2, "labour_min": 5, "wage_per_h": 20,
    "success": 0.9, "loss_fraction": 0.5, "failed_labour_min": 10,
}  # fmt: skip
TWO = [
    {"name": "a", "weight": 60, "points": [[0, 0], [100, 100]]},
    {"name": "b", "weight": 40, "points": [[0, 0], [100, 100]]},
]


@pytest.mark.parametrize(
    ("topic", "given"),
    [
        ("readings", {"readings_mm": [1e300, -1e300], "resolution_mm": 0.01, "u_calibration_mm": 0.01}),
        ("readings", {"readings_mm": [10.0], "resolution_mm": 0.01, "u_calibration_mm": -0.01}),
        ("rank", {"criteria": TWO, "machines": {"A": [{"value": 50}]}}),
        ("rank", {"criteria": TWO, "machines": {"A": [{"value": 50, "u": -1}, {"value": 50}]}}),
        ("rank", {"criteria": TWO, "machines": {"A": [{"good": 4, "tries": 3}, {"value": 50}]}}),
        ("rank", {"criteria": TWO, "machines": {}}),
        ("flip", {"weights": [50, 50], "a": [1, 2], "b": [2, 1], "criterion": 7}),
        ("flip", {"weights": [50, 50], "a": [1, 2], "b": [2, 1], "criterion": -1}),
        ("flip", {"weights": [50, 50], "a": [1], "b": [2, 1], "criterion": 0}),
        ("cost", COST | {"price": -1}),
        ("cost", COST | {"parts_per_plate": 0}),
        ("faults", {"faults": 2, "hours": 1e400}),
        ("energy", {"time_s": [0, 1], "power_w": [5]}),
        ("noise", {"levels_db": [50, 60], "durations_s": [1]}),
        ("sizes", {"features": [{"axis": "X", "sense": 1, "nominal_mm": 40, "deviation_mm": 0.1, "u_mm": 0}]}),
        ("batch", {"parts": 0, "parts_per_plate": 6, "part_s": 60, "part_g": 5}),
        ("circuits", {"amps": 16, "volts": 230, "peak_w": 100, "steady_w": 140}),
        ("plate", {"bed_x_mm": 200, "outline_mm": [[0, 0], [10, 10], [10, 0], [0, 10]]}),
        ("plate", {"bed_x_mm": 200}),
        ("phases", {"time_s": [0, 0, 1], "power_w": [5, 5, 5]}),
        ("ranks", {"artifacts": {"1": {"a": 1}, "2": {"b": 1}}}),
        ("wins", {"machines": {"a": [1, 2], "b": [1]}}),
        ("concordance", {"orders": [[1, 2], [1, 2, 3]]}),
        ("pool", {"studies": [{"value": 1, "u": 1}]}),
    ],
)  # fmt: skip
def test_what_cannot_be_right_is_refused_in_words(topic: str, given: dict) -> None:
    text = json.dumps(given)
    with pytest.raises((BadInput, ValidationError, NotDetermined)):
        calculate(topic, text)
    told = json.loads(calculate_line(topic, text))
    assert set(told) in ({"error"}, {"not_determined"})
    assert "Traceback" not in str(told)


def test_each_feature_has_its_grade_whatever_the_others_have() -> None:
    features = [{"nominal_mm": 40, "deviation_mm": 0.03}] * 39 + [{"nominal_mm": 30, "deviation_mm": 25}]
    made = json.loads(calculate("grade", json.dumps({"features": features})))
    assert made["features"][0] == "IT9"
    assert "within IT18" in made["features"][-1]["not_determined"]["needs"]
    assert made["machine"] == "IT9"
    beyond = json.loads(
        calculate("grade", json.dumps({"features": [*features[:2], {"nominal_mm": 900, "deviation_mm": 1}]}))
    )
    assert beyond["features"][0] == "IT9"
    assert "up to 500 mm" in beyond["features"][2]["error"]


def test_a_tie_is_the_smallest_set_that_is_sure_enough() -> None:
    machines = {name: [{"value": a, "u": 4}, {"value": b, "u": 4}] for name, a, b in (("A", 70, 60), ("B", 64, 66), ("C", 58, 61), ("D", 40, 50))}  # fmt: skip
    made = json.loads(calculate("rank", json.dumps({"criteria": TWO, "machines": machines, "weight_spread": 0})))
    assert made["tie_set"] == ["A", "B"]
    assert [made["rank_chances"][m][0] for m in "ABCD"] == [
        pytest.approx(p, abs=0.007) for p in (0.667, 0.314, 0.019, 0)
    ]
    alone = json.loads(calculate("rank", json.dumps({"criteria": TWO, "machines": machines, "weight_spread": 0, "field": False})))  # fmt: skip
    assert [round(alone["rank_chances"][m][0], 2) for m in "ABCD"] == [
        pytest.approx(p, abs=0.011) for p in (0.607, 0.377, 0.016, 0)
    ]


def test_lines_give_one_result_each_and_an_error_stops_nothing() -> None:
    good = calculate_line("success", '{"good": 3, "tries": 3}')
    assert json.loads(good)["good"] == 3
    assert "not possible" in json.loads(calculate_line("success", '{"good": 5, "tries": 3}'))["error"]
    assert "error" in json.loads(calculate_line("success", "no json"))
    assert "needs" in json.loads(calculate_line("readings", '{"readings_mm": [], "resolution_mm": 0.01, "u_calibration_mm": 0}'))["not_determined"]  # fmt: skip


def test_a_table_is_read_as_what_the_topic_takes() -> None:
    many = json.loads(calculate("success", "good,tries\n3,3\n7,8\n"))
    assert [m["tries"] for m in many] == [3, 8]
    trace = json.loads(calculate("energy", "time_s,power_w,longest_step_s\n0,100,60\n30,100,\n60,100,\n"))
    assert trace == json.loads(
        calculate("energy", '{"time_s": [0, 30, 60], "power_w": [100, 100, 100], "longest_step_s": 60}')
    )
    rows = [("X", 1, 40, 0.06), ("X", 1, 17, 0.03), ("X", -1, 8, -0.02)]
    table = "axis,sense,nominal_mm,deviation_mm,u_mm\n" + "".join(f"{a},{s},{n},{d},0.012\n" for a, s, n, d in rows)
    listed = {
        "features": [
            {"axis": a, "sense": s, "nominal_mm": n, "deviation_mm": d, "u_mm": 0.012} for a, s, n, d in rows
        ]
    }
    assert json.loads(calculate("sizes", table)) == json.loads(calculate("sizes", json.dumps(listed)))
    readings = json.loads(
        calculate("readings", "readings_mm,resolution_mm,u_calibration_mm\n10.01,0.01,0.01\n10.03\n")
    )
    assert readings["value"] == pytest.approx(10.02)
    with pytest.raises(BadInput, match="there is no colour here"):
        rows_of(TOPICS["success"][0], "good,tries,colour\n1,2,red\n")
    with pytest.raises(BadInput, match="a row of the same width"):
        rows_of(TOPICS["success"][0], "good,tries\n1,2,3\n")


def test_what_artifacts_tell_comes_out_by_the_names_of_the_design() -> None:
    frame = json.loads(calculate("squareness", json.dumps({
        "a_mm": 100.02, "b_mm": 99.98, "d1_mm": 141.71, "d2_mm": 141.13, "u_mm": 0.015})))  # fmt: skip
    assert set(frame) == {"percent", "skew_deg", "mm_per_100"}
    assert (frame["skew_deg"]["value"], frame["skew_deg"]["U"]) == (pytest.approx(0.2350, abs=5e-5), pytest.approx(0.0168, abs=5e-5))  # fmt: skip
    values = (0.22, 0.21, 0.20, 0.21, 0.17, 0.19, 0.20, 0.18, 0.17)
    places = [(x, y) for y in (-80, 0, 80) for x in (-80, 0, 80)]
    table = "x_mm,y_mm,value_mm\n" + "".join(f"{x},{y},{v}\n" for (x, y), v in zip(places, values, strict=True))
    sheet = json.loads(calculate("plane", table))
    assert {
        "tilt_x_mm_per_100",
        "tilt_y_mm_per_100",
        "range_mm",
        "rms_mm",
        "dish_mm",
        "worst",
        "worst_off_mm",
    } <= set(sheet)
    assert sheet["tilt_y_mm_per_100"]["value"] == pytest.approx(-0.0167, abs=5e-5)
    few = json.loads(calculate_line("plane", json.dumps({"points": [{"x_mm": 0, "y_mm": 0, "value_mm": 0.2}]})))
    assert few == {"not_determined": {"needs": "4 places on the bed"}}
    worth = json.loads(calculate("worth", json.dumps({"base": 200, "features": {"lid": 50}, "price": None})))
    assert worth == {"worth": 250, "surplus": None}


def test_a_trace_is_parted_by_its_marks_or_by_its_steps() -> None:
    time = list(range(0, 601, 10))
    power = [300.0 if t <= 300 else 100.0 for t in time]
    marked = json.loads(
        calculate(
            "phases", json.dumps({"time_s": time, "power_w": power, "marks": [[0, "warm-up"], [305, "printing"]]})
        )
    )
    assert [p["phase"] for p in marked["phases"]] == ["warm-up", "printing"]
    assert marked["phases"][1]["mean_w"] == pytest.approx(100, abs=1.5)
    guessed = json.loads(calculate("phases", json.dumps({"time_s": time, "power_w": power})))
    whole = json.loads(calculate("energy", json.dumps({"time_s": time, "power_w": power})))
    assert sum(p["kwh"] for p in guessed["phases"]) == pytest.approx(
        whole["kwh"]["value"] if isinstance(whole["kwh"], dict) else whole["kwh"]
    )


def test_a_plate_holds_what_lies_apart_on_it() -> None:
    square = {"bed_x_mm": 200, "part_x_mm": 40, "part_y_mm": 40, "spacing_mm": 0}
    assert json.loads(calculate("plate", json.dumps(square)))["copies"] == 25
    kept_free = square | {"keep_outs_mm": [[-100, -100, 100, -60]]}
    assert json.loads(calculate("plate", json.dumps(kept_free)))["copies"] == 20
