"""Motion: printing times against the slicers' own, against hand sums, and laws that any planner keeps."""

import gzip
import math
import re
import shutil
import subprocess
import sys
from dataclasses import replace
from importlib.resources import files
from pathlib import Path

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

import crevlo.core.motion as motion_package
from crevlo.core.motion.causes import WORDS, Printing, causes, say_why, why_slower
from crevlo.core.motion.limits import Keep, Limits, Machine
from crevlo.core.motion.stream import plan_stream, read_stream
from tests.plain.moves import read_moves
from tests.plain.planner import on_machine, plan, spent

FLAT = Limits(
    speed=(200, 200, 200, 200), acceleration=(1e4, 1e4, 1e4, 1e4), corner=(10, 10, 10, 10), printing=1000,
    retracting=2000, travelling=1500,
)  # fmt: skip


def seconds(text: str, limits: Limits = FLAT) -> float:
    return plan(read_moves(text, limits)).seconds


def samples() -> list[tuple[str, str, float]]:
    """Sliced files that state their time, those that ship with the simulated bench and those beside the repository."""
    found = {
        p.name.removesuffix(".gz"): gzip.decompress(p.read_bytes()).decode()
        for p in (files("crevlo.sim") / "sliced").iterdir()
        if p.name.endswith(".gcode.gz")
    }
    shared = Path(__file__).resolve().parents[3] / "shared" / "samples"
    found |= {p.name: p.read_text() for p in shared.glob("*.gcode")}
    stated = []
    for name, text in sorted(found.items()):
        said = re.search(r"estimated printing time \(normal mode\) = (.*)", text)
        if said:
            unit = {"d": 86400, "h": 3600, "m": 60, "s": 1}
            stated.append((name, text, sum(int(n) * unit[u] for n, u in re.findall(r"(\d+)([dhms])", said.group(1)))))
    return stated


@pytest.mark.parametrize(
    ("name", "text", "stated"), samples(), ids=lambda v: v if isinstance(v, str) and len(v) < 60 else ""
)
def test_the_time_is_within_one_in_a_thousand_of_the_slicers_own(name: str, text: str, stated: float) -> None:
    assert len(samples()) >= 2
    moves = read_moves(text, Limits())
    assert moves.skipped == 0
    assert plan(moves).seconds == pytest.approx(stated, rel=0.001)


def test_one_move_is_a_trapezoid_as_by_hand() -> None:
    # From 10 mm/s (what the axis may jump) to 50 and back at 1000 mm/s²: 0.04 s and 1.2 mm each way.
    made = plan(read_moves("G1 X100 E1 F3000", FLAT))
    assert made.up_s == pytest.approx([0.04])
    assert made.down_s == pytest.approx([0.04])
    assert made.cruise_s == pytest.approx([(100 - 2 * 1.2) / 50])
    assert made.at_asked_speed == pytest.approx(97.6 / 50 / made.seconds)


def test_a_move_too_short_for_its_speed_is_a_triangle() -> None:
    made = plan(read_moves("G1 X2 E0.1 F12000", FLAT))
    peak = math.sqrt(10**2 + 2 * 1000 * 1)
    assert made.peak == pytest.approx([peak])
    assert made.cruise_s == pytest.approx([0])
    assert made.seconds == pytest.approx(2 * (peak - 10) / 1000)
    assert made.at_asked_speed == 0


def test_a_straight_line_in_two_pieces_takes_as_long_as_in_one() -> None:
    whole, pieces = seconds("G1 X80 E4 F6000"), seconds("G1 X30 E1.5 F6000\nG1 X80 E4")
    assert pieces == pytest.approx(whole)


def test_a_corner_costs_by_how_far_an_axis_speed_jumps() -> None:
    straight, right = seconds("G1 X50 E1 F6000\nG1 X100 E2"), seconds("G1 X50 E1 F6000\nG1 X50 Y50 E2")
    back = seconds("G1 X50 E1 F6000\nG1 X0 E2")
    assert straight < right <= back
    # At a right angle each axis jumps by the whole speed: no more than 10 mm/s are left.
    made = plan(read_moves("G1 X50 E1 F6000\nG1 X50 Y50 E2", FLAT))
    assert made.exit[0] == pytest.approx(10)


def test_waits_limits_and_units_are_taken_from_the_file() -> None:
    assert seconds("G1 X10 F600\nG4 P1500\nG1 X20") == pytest.approx(2 * seconds("G1 X10 F600") + 1.5)
    slow, fast = seconds("M204 T100\nG1 X100 F12000"), seconds("G1 X100 F12000")
    assert slow > fast
    assert seconds("M203 X50\nG1 X100 F12000") > 2
    assert seconds("G20\nG1 X1 F100") == pytest.approx(seconds("G1 X25.4 F2540"))
    assert seconds("M220 S50\nG1 X100 F1200") == pytest.approx(seconds("G1 X100 F600"))
    # Where corners are set by M566 speeds count by the minute.
    assert seconds("M203 X3000\nM566 X600\nG1 X100 F12000") == pytest.approx(
        seconds("M203 X50\nM205 X10\nG1 X100 F12000")
    )


def test_extrusion_absolute_relative_and_reset_move_as_much() -> None:
    absolute = read_moves("M82\nG1 X10 E1\nG1 X20 E2\nG92 E0\nG1 X30 E1", FLAT)
    relative = read_moves("M83\nG1 X10 E1\nG1 X20 E1\nG1 X30 E1", FLAT)
    assert np.allclose(absolute.way, relative.way)
    reset = "M83\nG90\nG1 X10 E1\nG1 X20 E2"
    assert read_moves(reset, FLAT).way[:, 3].tolist() == [1, 2]
    assert read_moves(reset, FLAT, g90_resets_extrusion=True).way[:, 3].tolist() == [1, 1]


@pytest.mark.parametrize(
    ("arc", "turn"),
    [("G2 X20 Y0 I10 J0", math.pi), ("G3 X20 Y0 I10 J0", math.pi), ("G3 X10 Y10 R10", math.pi / 2),
     ("G2 X10 Y10 R-10", 3 * math.pi / 2), ("G2 X0 Y0 I5 J0", math.pi), ("G2 X0 Y0 I0.3 J0", math.pi)],
)  # fmt: skip
def test_an_arc_is_as_long_as_its_turn(arc: str, turn: float) -> None:
    moves = read_moves(arc, FLAT)
    whole = "X0 Y0" in arc
    radius = (0.3 if "I0.3" in arc else 5) if whole else 10
    turn = 2 * math.pi if whole else turn
    assert np.hypot(moves.way[:, 0], moves.way[:, 1]).sum() == pytest.approx(turn * radius, rel=0.004)
    ends = {"X": 0.0, "Y": 0.0} | {w[0]: float(w[1:]) for w in arc.split() if w[0] in "XY"}
    assert moves.way[:, :2].sum(axis=0) == pytest.approx([ends["X"], ends["Y"]], abs=1e-9)


def test_what_cannot_be_read_is_counted_and_the_rest_goes_on() -> None:
    lines = ["G1 X10 F600", "G2 X5 Y5 R0.1", "G1 X1000000", "G2 X20 I9999999", "nonsense", "G1 XNaN", "G1 X20", "M204 P0", "G4 S1 S2"]  # fmt: skip
    moves = read_moves("\n".join(lines), FLAT)
    assert moves.skipped == 5
    assert moves.way[:, 0].sum() == pytest.approx(20)
    assert math.isfinite(plan(moves).seconds)
    assert plan(read_moves("", FLAT)).seconds == 0


@st.composite
def programs(draw) -> list[str]:
    number = st.integers(-400, 400)
    return [
        f"G1 X{draw(number) / 10} Y{draw(number) / 10}"
        + (f" E{draw(number) / 100}" if draw(st.booleans()) else "")
        + f" F{draw(st.integers(300, 18000))}"
        for _ in range(draw(st.integers(1, 25)))
    ]


@given(programs())
@settings(max_examples=80)
def test_no_move_breaks_a_limit_and_speeds_meet_at_the_corners(lines: list[str]) -> None:
    moves = read_moves("\n".join(lines), FLAT)
    made = plan(moves)
    length = np.where(
        (moves.way[:, :3] ** 2).sum(axis=1) > 0, np.sqrt((moves.way[:, :3] ** 2).sum(axis=1)), np.abs(moves.way[:, 3])
    )
    took = made.up_s + made.cruise_s + made.down_s
    way = (
        (made.entry + made.peak) / 2 * made.up_s
        + made.peak * made.cruise_s
        + (made.peak + made.exit) / 2 * made.down_s
    )
    assert np.allclose(way, length, atol=1e-6)
    assert (took >= length / moves.speed - 1e-9).all()
    # A move may begin faster than the one before goes; then that one does not slow down.
    assert (made.exit[:-1] <= made.entry[1:] + 1e-9).all()
    assert np.allclose(made.exit[:-1], np.minimum(made.entry[1:], made.peak[:-1]))
    assert (made.peak <= moves.speed + 1e-6).all()
    share = moves.way / length[:, None]
    assert (np.abs(share * made.peak[:, None]) <= 200 + 1e-6).all()
    if len(length) > 1:
        jump = np.abs(share[1:] * made.entry[1:, None] - share[:-1] * made.exit[:-1, None])
        # Each axis at most 10 mm/s, twice where it turns round; an extruder that outruns the way is taken like one along it.
        assert (jump[:, :3] <= 20 * 1.011).all()


@given(programs(), st.floats(1.05, 4))
@settings(max_examples=60)
def test_looser_limits_are_never_slower(lines: list[str], factor: float) -> None:
    def scaled(name: str) -> dict:
        return {name: tuple(factor * v for v in getattr(FLAT, name))}

    base = seconds("\n".join(lines))
    more = Limits(**{f: getattr(FLAT, f) for f in FLAT.__slots__} | {"printing": 1000 * factor, "travelling": 1500 * factor, "retracting": 2000 * factor})  # fmt: skip
    assert seconds("\n".join(lines), more) <= base * (1 + 1e-9)
    wider = Limits(**{f: getattr(FLAT, f) for f in FLAT.__slots__} | scaled("corner"))
    assert seconds("\n".join(lines), wider) <= base * (1 + 1e-9)


@given(programs(), programs())
@settings(max_examples=40)
def test_two_programs_with_a_standstill_between_add_up(one: list[str], other: list[str]) -> None:
    apart = seconds("\n".join(one)) + seconds("\n".join(["G92 X0 Y0 E0", *other]))
    joined = seconds("\n".join([*one, "G92 X0 Y0 E0", "G4 P0", *other]))
    assert joined == pytest.approx(apart)


def printing(text: str, limits: Limits = FLAT, machine: Machine | None = None) -> Printing:
    return Printing(f"{hash(text)}", lambda: [text.encode()], machine or Machine(), limits)


def test_causes_add_up_to_the_whole_and_none_is_negative() -> None:
    text = next(text for name, text, _ in samples() if "step-block-a" in name)
    text = "\n".join(text.splitlines()[:12_000])
    machine = Machine(most_mm3_s=9)
    found = causes(printing(text, Limits(), machine))
    moves = read_moves(text, Limits())
    assert found.seconds == pytest.approx(plan(on_machine(moves, machine)).seconds)
    for part in WORDS:
        assert getattr(found, part) >= -1e-6, part
    assert found.asked == pytest.approx(
        sum(
            (math.sqrt(x * x + y * y + z * z) or abs(e)) / s
            for (x, y, z, e), s in zip(moves.way.tolist(), moves.speed.tolist(), strict=True)
        ),
        rel=1e-4,
    )


def test_the_flow_limit_slows_down_what_melts_too_much() -> None:
    text = "G1 X100 E10 F6000\nG1 X0 F6000"
    area = math.pi * 1.75**2 / 4
    slowed = plan_stream([text.encode()], FLAT, machine=Machine(most_mm3_s=12))
    speed = 12 / (0.1 * area)
    assert slowed.flow_s - slowed.asked_s == pytest.approx(100 / speed - 1)
    assert slowed.by_flow_s > 0.9 * 100 / speed
    # Thicker filament brings as much plastic by a shorter way.
    thick = plan_stream([text.encode()], FLAT, machine=Machine(most_mm3_s=12, diameter_mm=2.85))
    assert thick.flow_s - thick.asked_s == pytest.approx(100 / speed * (2.85 / 1.75) ** 2 - 1)


ZIGZAG = "\n".join(f"G1 X{10 if k % 2 else 0} Y{k * 0.4} E{k * 0.4} F7200" for k in range(1, 300))


def test_why_one_machine_is_slower_than_another() -> None:
    quick = printing(ZIGZAG, machine=Machine(FLAT))
    slow = printing(ZIGZAG, machine=Machine(replace(FLAT, printing=400)))
    a, b, why = why_slower(slow, quick)
    assert [cause for cause, _ in why] == ["acceleration"]
    sentence = say_why("Brindle 235", "Hollowell Mesa", a, b, why)
    other = why_slower(quick, slow)
    assert sentence == say_why("Hollowell Mesa", "Brindle 235", *other)
    assert re.fullmatch(r"Brindle 235 takes \d+ s longer than Hollowell Mesa, by acceleration \(\d+ s\)\.", sentence)
    assert "same time" in say_why("A", "B", *why_slower(quick, quick))
    # A machine is never quicker than the file lets it be.
    strong = Machine(Limits((1e3,) * 4, (1e6,) * 4, (1e3,) * 4, 1e6, 1e6, 1e6))
    assert printing(ZIGZAG, machine=strong).motion().seconds == quick.motion().seconds


def test_several_causes_add_up_whichever_way_they_work() -> None:
    told: list[float] = []
    a = printing(ZIGZAG, machine=Machine(replace(FLAT, printing=500), most_mm3_s=30))
    b = printing(ZIGZAG, machine=Machine(replace(FLAT, corner=(2, 2, 2, 2))))
    seconds_a, seconds_b, found = why_slower(a, b, told.append)
    why = dict(found)
    assert set(why) == {"acceleration", "corners", "flow"}
    assert why["acceleration"] > 0 > why["corners"]
    assert sum(why.values()) == pytest.approx(seconds_a - seconds_b)
    assert seconds_a == pytest.approx(a.motion().seconds)
    assert told == sorted(told)
    assert told[-1] == 1
    other = printing("G1 X100 E5 F600")
    assert [cause for cause, _ in why_slower(other, printing(ZIGZAG))[2]] == ["file"]


def agree(
    text: str, limits: Limits = FLAT, piece: int = 1 << 20, machine: Machine | None = None, keep: Keep | None = None
) -> None:
    """The compiled reader and planner say the same as the plain ones, whatever the pieces."""
    content = text.encode()
    fast, tally = read_stream(
        [content[i : i + piece] for i in range(0, len(content), piece)], limits, machine=machine, keep=keep
    )
    moves = read_moves(text, limits)
    slow = plan(on_machine(moves, machine or Machine(), keep))
    assert fast.moves == len(moves.speed)
    assert sum(tally.skipped.values()) == moves.skipped
    assert tally.extruded == pytest.approx(moves.extruded, abs=1e-6)
    assert tally.fed == pytest.approx(moves.fed, abs=1e-6)
    assert fast.seconds == pytest.approx(slow.seconds, rel=1e-9, abs=1e-9)
    assert fast.waits_s == pytest.approx(slow.waits_s)
    if machine is None:
        assert fast.at_asked_speed == pytest.approx(slow.at_asked_speed, abs=1e-9)
    by_feature, by_layer, changes = spent(moves, slow)
    assert fast.by_feature == pytest.approx({k: v for k, v in by_feature.items() if v > 0})
    assert fast.by_layer.tolist() == pytest.approx([by_layer.get(i, 0.0) for i in range(len(fast.by_layer))])
    assert fast.changes_s.tolist() == pytest.approx(changes)
    for spread in (fast.by_speed, fast.by_flow):
        assert spread.sum() == pytest.approx(fast.moving_s)
    assert fast.asked_s <= fast.flow_s + 1e-9 <= fast.axes_s + 2e-9 <= fast.moving_s + 3e-9
    assert fast.at_asked_s + fast.by_flow_s + fast.by_axes_s <= fast.moving_s + 1e-9


def test_compiled_and_plain_agree_on_whole_files() -> None:
    for name, text, stated in samples():
        agree(text, Limits())
        assert plan_stream([text.encode()], Limits()).seconds == pytest.approx(stated, rel=0.001), name


MODES = st.sampled_from(
    ["M82", "M83", "G90", "G91", "G92 E0", "G92 X0 Y0", "G20", "G21", "G4 P200", "M220 S80", "M204 P800 T1200",
     "M204 R900", "M203 X9000 Y9000", "M566 X600 Y600", "M205 X6 Y6 S5 T10", "M201 X500", ";TYPE:Support", "T1", "  ",
     "G2 X5 Y5 I3 J1", "G3 X-4 Y2 R9", "G1X3Y4", "G1 X1E5 Y-.5 F+900", "G1 X5 ;E9", "g1 y7 a0.2", "G28", "M104 S200",
     "M205 J0.03", "M205 J0", "T0", ";TYPE:Wipe tower", ";TYPE:PRIME-LINE", "; FEATURE: Outer wall ", ";LAYER_CHANGE", ";LAYER:3", "X3 E1", "M200 D1.75", "M200 D0", "M221 S90", "M221 S110 T1", "G28 X", "G28 Y0 Z", "M220 B", "M220 R",
     "M207 S1.5 F2400", "M208 F1200", "G10", "G11", "G10 S1", "G2 X0.2 Y0 I0.1", "G3 I0.3", "M204 S700 T900", " CHANGE_LAYER",
     "SET_VELOCITY_LIMIT ACCEL=700 SQUARE_CORNER_VELOCITY=4 ;x", "SET_VELOCITY_LIMIT VELOCITY=60 FOO=", "; CHANGE_LAYER",
     "END_PRINT X=3",      "y8", "N12 G1 X7*31", "G90 G1 X4 M83", "G1 X2 Y", "G1 X2 X3", "G1 X--2", "M117 see G1 X9", "G1 X1 (up) Y2", "T99",
     "G1 X+", "(G1 X5)", ";", "G1 X1 G", "M204 S", "G4 S", "G4", "G92", "G92 E1 E2", ";TYPE:Custom", "G10 P0 S210",
     "G1.5 X3", "G0 F0", "N G1 X3", "M220 S0", "G1 X12345678901234567890.5", "M73 P0 R12", "M109 R210", "F600"]
)  # fmt: skip
MACHINES = st.sampled_from(
    [None, Machine(replace(FLAT, printing=300, corner=(1, 2, 3, 4))), Machine(most_mm3_s=4),
     Machine(replace(FLAT, junction_mm=0.02, speed=(40, 90, 5, 9)), most_mm3_s=6, diameter_mm=2.85)]
)  # fmt: skip
KEEPS = st.builds(Keep, st.booleans(), st.booleans(), st.booleans())


@given(st.lists(st.one_of(MODES, programs().map("\n".join)), max_size=12), st.integers(1, 60), MACHINES, KEEPS)
@settings(max_examples=200, deadline=None)
def test_compiled_and_plain_agree_on_any_program_in_any_pieces(
    parts: list[str], piece: int, machine: Machine | None, keep: Keep
) -> None:
    agree("\r\n".join(parts) if piece % 2 else "\n".join(parts), piece=piece, machine=machine, keep=keep)


@pytest.mark.parametrize(
    "content",
    [b"", b"\n\n", b"\x00\x01\x02", b"G1 X1e308 E1e308\n" * 50, b"G1 E1e999\n", b"G2 I1e9 J1e9 X1\n" * 9,
     b"G1 X" + b"9" * 3_000_000, b"M204 P0 T0 R0\nM201 X0 Y0\nG1 X10 E1 F600\n", b"G1 X1\rG1 X2\rG1 X3",
     b"G1 X5 F1e300\nG1 X0\n", b"N1 G1 X5*7\n", b"G1\xff\xfeX5\n", b"G4 S1e9\nG1 X1\n", b"G1 X.\nG1 X-\nG1 X1E\n",
     b"M205 J999999999\nG1 X5\nG1 Y5\n", b"G", b"N", b"N5", b";", b"T", b"G1 X1 G", b"(", b"G10\n" * 99 + b"G11\n"],
)  # fmt: skip
def test_hostile_files_end_in_a_finite_time(content: bytes) -> None:
    made = plan_stream([content], Limits())
    assert math.isfinite(made.seconds)
    assert made.seconds >= 0
    assert not made.partial


def test_a_file_without_limits_is_told_from_one_with() -> None:
    assert not plan_stream([b"G1 X10 F600\n"], Limits()).sets_limits
    assert plan_stream([b"M204 P900\nG1 X10 F600\n"], Limits()).sets_limits


def test_compiled_code_is_kept_by_all_sources_of_the_package(tmp_path: Path) -> None:
    """A changed constant in one file never runs beside code that was compiled with the old one."""
    root = Path(motion_package.__file__).parents[3]
    shutil.copytree(root / "crevlo", tmp_path / "crevlo", ignore=shutil.ignore_patterns("__pycache__"))

    def folder() -> str:
        told = "import crevlo.core.compiled; from numba.core import config; print(config.CACHE_DIR)"
        run = subprocess.run([sys.executable, "-c", told], cwd=tmp_path, capture_output=True, text=True, check=True)
        return run.stdout.strip()

    before = folder()
    layout = tmp_path / "crevlo" / "core" / "motion" / "layout.py"
    layout.write_text(layout.read_text() + "\n# moved\n")
    assert str(tmp_path) in before
    assert folder() != before
