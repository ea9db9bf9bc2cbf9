"""What figures point to, by a machine's sheet: only what is more than its uncertainty, and never a certainty."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from crevlo.core.causes import Sheet, points_to
from crevlo.core.estimate import Estimate, NotDetermined
from crevlo.core.evaluations import QUANTITIES

SHEET = Sheet(screw_lead_mm=8.0, belt_pitch_mm=2.0, pulley_teeth=20, gear_pitch_mm=1.1, layer_mm=0.2)


@pytest.mark.parametrize(
    ("code", "value", "u", "words"),
    [
        ("band.pitch", 8.02, 0.02, "turn of the Z screw"), ("band.pitch", 0.8, 0.01, "Every 4 layers"),
        ("band.pitch", 7.31, 0.01, None), ("ring.pitch.x", 2.004, 0.01, "teeth of the belt of X"),
        ("ring.pitch.y", 40.1, 0.1, "pulley of Y"), ("ring.pitch.x", 1.1, 0.01, "extruder's gear"),
        ("ring.pitch.x", 3.3, 0.01, None), ("ring.frequency.y", 46.0, 0.5, "resonance of Y"), ("skew.xy", 0.4, 0.02, "not square"),
        ("skew.xy", 0.02, 0.02, None), ("tilt.x", 0.1, 0.01, "not level"), ("dish", -0.1, 0.01, "bent, or the warm-up"),
        ("scale.z", 0.3, 0.02, "screw or steps of Z"), ("wall.offset", 0.2, 0.01, "Flow or line width"), ("energy", 1, 0.1, None),
    ],
)  # fmt: skip
def test_a_figure_points_where_the_sheet_lets_it(code: str, value: float, u: float, words: str | None) -> None:
    found = points_to(code, {code: Estimate(value, u)}, SHEET)
    assert (found is None) if words is None else words in (found or "")
    if found:
        assert found.count(". ") >= 1, "it names what would confirm it"


def test_what_others_show_changes_what_one_points_to() -> None:
    one = {"scale.x": Estimate(0.3, 0.02), "scale.y": Estimate(0.01, 0.02)}
    assert "steps or belt of X" in (points_to("scale.x", one, SHEET) or "")
    every = one | {"scale.y": Estimate(0.32, 0.02), "scale.z": Estimate(0.29, 0.03)}
    assert "shrinkage" in (points_to("scale.x", every, SHEET) or "")
    # Two of three, one within its uncertainty, one much longer, or one the other way: not all alike.
    for z in (None, Estimate(0.02, 0.02), Estimate(0.9, 0.03), Estimate(-0.3, 0.03)):
        two = {k: v for k, v in (every | {"scale.z": z}).items() if v is not None}
        assert "shrinkage" not in (points_to("scale.x", two, SHEET) or ""), z
    assert points_to("wall.offset", one | {"wall.offset": Estimate(0.2, 0.01)}, SHEET) is None
    holes = {"hole.offset": Estimate(-0.2, 0.01)}
    assert points_to("hole.offset", holes | {"wall.offset": Estimate(0.2, 0.01)}, SHEET) is None
    assert "Inner corners" in (points_to("hole.offset", holes | {"wall.offset": Estimate(0.001, 0.01)}, SHEET) or "")


@given(st.sampled_from(sorted(QUANTITIES)), st.floats(-50, 50), st.floats(0.001, 5))
def test_nothing_within_its_uncertainty_points_anywhere(code: str, value: float, u: float) -> None:
    bare = points_to(code, {code: Estimate(value, u)}, Sheet())
    if abs(value) <= 1.96 * u:
        assert bare is None
    assert points_to(code, {code: NotDetermined("a reading")}, SHEET) is None
    assert points_to(code, {}, SHEET) is None
