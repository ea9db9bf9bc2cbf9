"""Commands that change what numbers in a sliced file mean, retraction by the firmware, macros, and limits turned."""

import math
from dataclasses import replace

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from crevlo.core.motion.limits import Machine, Turned
from crevlo.core.motion.stream import plan_stream
from crevlo.core.motion.what_if import say_what_if
from tests.core.test_motion import FLAT, programs, seconds
from tests.plain.moves import read_moves
from tests.plain.planner import plan


def test_commands_that_change_what_a_number_means() -> None:
    # mm³ of a filament: its volume, over its area, is how far the extruder turns; a flow limit counts the same mm³.
    area = math.pi * 1.75**2 / 4
    cubic = read_moves(f"M83\nM200 D1.75\nG1 X10 E{area}\nM200 D0\nG1 X20 E1", FLAT)
    assert cubic.way[:, 3] == pytest.approx([1, 1])
    given = [b"M83\nM200 D2.85\nG1 X100 E50 F6000\n"]
    assert plan_stream(given, FLAT, machine=Machine(most_mm3_s=25)).flow_s == pytest.approx(2)
    assert read_moves("M83\nM221 S50\nG1 X10 E1", FLAT).way[0, 3] == pytest.approx(0.5)
    # Relative axes take the extruder along, but not on firmware that counts by the minute or has macros.
    along = "M82\nG1 X1 E5\nG91\nG1 E-2\nG90\nG1 X2 E6"
    assert read_moves(along, FLAT).way[:, 3].tolist() == [5, -2, 3]
    for apart in ("M566 X600", "SET_VELOCITY_LIMIT SQUARE_CORNER_VELOCITY=5"):
        assert read_moves(f"{apart}\n{along}", FLAT).way[:, 3].tolist() == [5, -7, 8]
    assert read_moves("G1 X9 Y9\nG28 X\nG1 X1 Y10", FLAT).way[1].tolist() == [1, 1, 0, 0]
    assert seconds("M220 S50\nM220 B\nM220 S200\nM220 R\nG1 X100 F1200") == pytest.approx(seconds("G1 X100 F600"))
    # The older form of M204 is for travel too.
    assert seconds("M204 S100\nG1 X100 F12000") == pytest.approx(seconds("M204 T100\nG1 X100 F12000"))


def test_retraction_by_the_firmware_takes_its_time_once() -> None:
    line = "G1 X50 E1 F3000\n"
    plain, drawn = seconds(line), seconds(line + "M207 S3 F1800\nM208 F600\nG10\nG10\nG11\nG11")
    # 3 mm at 30 mm/s and back at 10, from the 10 mm/s that the extruder may jump to at 2000 mm/s².
    there = 3 / 30 + 2 * (0.01 - 0.2 / 30)
    assert drawn - plain == pytest.approx(there + 3 / 10, abs=0.002)
    assert plan_stream([f"{line}G10 P0 S210\n".encode()], FLAT).moves == 1


def test_the_limits_of_a_macro_hold() -> None:
    slow = seconds("SET_VELOCITY_LIMIT VELOCITY=50 ACCEL=500\nG1 X100 F12000")
    assert slow == pytest.approx(seconds("M203 X50 Y50\nM204 S500\nG1 X100 F12000"))
    # At a right angle the speed is the one stated.
    made = plan(read_moves("SET_VELOCITY_LIMIT ACCEL=1500 SQUARE_CORNER_VELOCITY=8\nG1 X50 F6000\nG1 Y50", FLAT))
    assert made.exit[0] == pytest.approx(8)


@given(programs(), st.floats(0.2, 5), st.floats(0.2, 5))
@settings(max_examples=60)
def test_limits_turned_are_the_limits_of_another_machine(
    lines: list[str], acceleration: float, corner: float
) -> None:
    text = "\n".join(lines).encode()
    other = replace(
        FLAT, acceleration=tuple(acceleration * a for a in FLAT.acceleration), printing=acceleration * FLAT.printing,
        retracting=acceleration * FLAT.retracting, travelling=acceleration * FLAT.travelling,
        corner=tuple(corner * c for c in FLAT.corner),
    )  # fmt: skip
    turned = plan_stream([text], FLAT, turned=Turned(acceleration, corner)).seconds
    assert turned == pytest.approx(plan_stream([text], other).seconds)


def test_what_another_limit_would_do_in_words() -> None:
    assert say_what_if(3600, 3600.2) == "That would not change the time."
    assert say_what_if(3600, 3240) == "That would take 6 min less, 10 %."
    assert say_what_if(100, 101) == "That would take 1 s longer, 1.0 %."
