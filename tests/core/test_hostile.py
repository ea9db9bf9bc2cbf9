"""Sliced files made to do harm: they end, in bounded time and memory, with words."""

import os
import signal
import subprocess
import sys
from collections.abc import Iterator
from pathlib import Path
from types import FrameType

import pytest

from crevlo.core.estimate import NotDetermined
from crevlo.core.gcode.facts import read_facts
from crevlo.core.gcode.stated import parse_duration
from crevlo.core.motion.stream import plan_stream


def test_no_bytes_make_the_compiled_reader_write_where_it_must_not() -> None:
    # In a process and a cache of its own: how a function is compiled is settled when it is loaded.
    root = Path(__file__).resolve().parents[2]
    done = subprocess.run(
        [sys.executable, "-m", "tests.fuzz.reader"], cwd=root, capture_output=True, text=True, check=False,
        env=os.environ | {"NUMBA_BOUNDSCHECK": "1", "NUMBA_CACHE_DIR": str(root / ".crevlo" / "numba-checked")},
    )  # fmt: skip
    assert done.stdout.strip() == "every access within bounds", done.stderr[-2000:]


def test_one_line_may_hold_more_moves_than_there_is_room_for() -> None:
    arcs = b"M83\nG1 X0 Y0 E1 F600\n" + b"G2I5000" * 18
    assert plan_stream([arcs]).moves == 18 * 4000 + 1
    # The same moves, a command to the line, take as long.
    apart = arcs.replace(b"G2I", b"\nG2I")
    assert plan_stream([arcs]).seconds == pytest.approx(plan_stream([apart]).seconds)
    assert plan_stream([b"G1X1G1X2" * 60_000]).moves == 120_000


@pytest.fixture
def _does_not_hang() -> Iterator[None]:
    """Ends what goes round in circles: a minute of the processor's own time, whatever else the machine does."""

    def stop(number: int, frame: FrameType | None) -> None:
        raise AssertionError("this would go on for hours")

    signal.signal(signal.SIGVTALRM, stop)
    signal.setitimer(signal.ITIMER_VIRTUAL, 60)
    yield
    signal.setitimer(signal.ITIMER_VIRTUAL, 0)


@pytest.mark.usefixtures("_does_not_hang")
@pytest.mark.parametrize(
    "line",
    [";TIME:{}x", "; filament used = {}x", "; filament used [mm] = {} 1", "; estimated printing time (normal mode) = {}h x",
     "; total filament used [g] = {}", "; layer_height = {}", ";LAYER_COUNT:{}"],
)  # fmt: skip
def test_stated_amounts_take_time_by_their_length_and_no_more(line: str) -> None:
    # One that goes back for every digit takes seconds for each of these lines.
    content = b"M83\nG1 X1 E1 F600\n" + (line.format("7" * 3900) + "\n").encode() * 2000
    assert read_facts([content]).length_mm == pytest.approx(1)


def test_times_beyond_a_year_and_without_end_are_no_times() -> None:
    for text in ("M73 P0 R" + "9" * 200, "M73 P0 R99999999", ";TIME:" + "9" * 50, ";TIME:1e999", ";TIME:99999999999"):
        assert isinstance(read_facts([f"G1 X1 E1 F600\n{text}\n".encode()]).time_s, NotDetermined), text
    with pytest.raises(ValueError, match="too long"):
        parse_duration("1" * 61)


def test_a_speed_next_to_nothing_does_not_last_for_ever() -> None:
    made = plan_stream([b"M220 S0." + b"0" * 280 + b"1\nG1 X10 F0." + b"0" * 280 + b"1\nG1 X20 E1\n"])
    assert 0 < made.seconds < 1e5
