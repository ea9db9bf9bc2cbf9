"""Any bytes at the compiled reader with every array access checked: run as a process with NUMBA_BOUNDSCHECK=1."""

import math
import sys

from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st
from numba.core import config

from crevlo.core.motion.limits import Machine
from crevlo.core.motion.stream import read_stream

COMMANDS = st.sampled_from(
    ["M83", "M82", "G91", "G90", "G20", "G2I5000", "G3X9J-4000", "G2X5R9", "G1X1", "G1Y2E1F600", "G1E-1", "G92X1E9",
     "G92 X999999999", "M204P1", "M201X0.0000000001", "M203X1Y1", "M205J0.00000000001", "M220S99999999", "F0.0000001",
     "M566X1", "T63", "T64", "N7 G1X3", ";TYPE:Perimeter", ";LAYER:1", "; a = b", "; thumbnail begin", "; thumbnail end",
     "M73 R999999999", "G4S99999", "M109S250", "G1X" + "9" * 299, "G1X." + "0" * 290 + "1", "(", "G", "*", "\r", "\n",
     "M200D0.04", "M200D9", "M200D0", "M221S9999999T63", "M221S5T-1", "M207S999F0.1", "G10", "G11", "G28X", "M220R", "M220B",
     "SET_VELOCITY_LIMIT ACCEL=0.0000001 SQUARE_CORNER_VELOCITY=999999999", "SET_VELOCITY_LIMIT VELOCITY=", "\nSET_VELOCITY_LIMIT"]
)  # fmt: skip
LINES = st.lists(st.tuples(COMMANDS, st.integers(1, 40)), max_size=8).map(
    lambda parts: "".join(text * times for text, times in parts)
)
PROGRAMS = st.lists(LINES, max_size=8).map(lambda lines: "\n".join(lines).encode())


@given(st.one_of(PROGRAMS, st.binary(max_size=300)), st.integers(1, 4000), st.sampled_from([None, 0.001, 8.0]))
@settings(max_examples=400, deadline=None, derandomize=True, suppress_health_check=list(HealthCheck))
def any_bytes(content: bytes, piece: int, flow: float | None) -> None:
    motion, _ = read_stream(
        [content[i : i + piece] for i in range(0, len(content), piece)], machine=Machine(most_mm3_s=flow)
    )
    assert math.isfinite(motion.seconds)
    assert motion.seconds >= 0
    assert math.isclose(motion.by_speed.sum(), motion.moving_s, rel_tol=1e-6, abs_tol=1e-6)


def many_arcs_on_one_line() -> None:
    """More moves on one line than there is room for at once."""
    motion, _ = read_stream([b"M83\nG1 X0 Y0 E1 F600\n" + b"G2I5000" * 40 + b"\nG1X0\n"])
    assert motion.moves == 40 * 4000 + 1
    motion, _ = read_stream([b"G1X1G1X2" * 100_000 + b"\n"])
    assert motion.moves == 200_000


if __name__ == "__main__":
    if not config.BOUNDSCHECK:
        sys.exit("array accesses are not checked here: set NUMBA_BOUNDSCHECK=1")
    many_arcs_on_one_line()
    any_bytes()
    print("every access within bounds")
