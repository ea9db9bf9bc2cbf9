"""What a protocol asks for: arms, lines of prints, and the shuffled jobs that follow."""

from collections.abc import Callable, Sequence
from enum import StrEnum
from typing import TypeVar

from crevlo.core.blind import shuffled, shuffled_blocks


class Slicing(StrEnum):
    COMMON = "common"  # one slicer with matched settings: tells the hardware apart
    OWN = "own"  # each maker's slicer and stock profile: what the buyer gets


class Tuning(StrEnum):
    STOCK = "stock"  # as delivered
    TUNED = "tuned"  # corrected after the stock results are in; never replaces them


Machine = TypeVar("Machine")
Line = TypeVar("Line")


def shuffled_jobs(
    lines: Sequence[tuple[Line, int]],
    machines: Sequence[Machine],
    possible: Callable[[Machine, Line], bool],
    seed: int,
) -> list[tuple[Machine, Line, int]]:
    """Jobs (machine, line, copy) in working order, from lines with their number of copies.

    One copy of everything comes before the next copy of anything. Within a round the lines stand in a shuffled order
    and each is a block of its machines, shuffled too: drift over the weeks hits no machine more than another.
    """
    blocks: list[list[tuple[Machine, Line, int]]] = []
    for copy in range(1, max((copies for _, copies in lines), default=0) + 1):
        due = [line for line, copies in lines if copies >= copy]
        for line in shuffled(due, seed + 7919 * copy):
            blocks.append([(machine, line, copy) for machine in machines if possible(machine, line)])
    return shuffled_blocks(blocks, seed)
