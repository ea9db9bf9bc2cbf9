"""The shelf: every built-in artifact, in the order of the bench."""

from crevlo.core.artifacts.artifact import Design
from crevlo.core.artifacts.shelf.details import CLEARANCE_COMB, FLOW_LADDER, LINE_WIDTH_SHELL, PILLAR_FIELD, SNAP_LID
from crevlo.core.artifacts.shelf.earlier import FIRST_SHELF
from crevlo.core.artifacts.shelf.lengths import ORIENTATION_BARS, SQUARENESS_FRAME, STEP_BLOCK, Z_COLUMN
from crevlo.core.artifacts.shelf.limits import (
    BRIDGE_LADDER,
    COLOUR_TOKEN,
    FIRST_LAYER_SHEET,
    OOZE_POSTS,
    OVERHANG_FAN,
    RACK_ARM,
    RINGING_WALL,
    WARP_BAR,
)

SHELF: tuple[Design, ...] = (
    STEP_BLOCK, SQUARENESS_FRAME, CLEARANCE_COMB, PILLAR_FIELD, OVERHANG_FAN, BRIDGE_LADDER, OOZE_POSTS, RINGING_WALL,
    FIRST_LAYER_SHEET, Z_COLUMN, FLOW_LADDER, WARP_BAR, COLOUR_TOKEN, ORIENTATION_BARS, LINE_WIDTH_SHELL, SNAP_LID, RACK_ARM,
)  # fmt: skip
DESIGNS = {design.code: design for design in SHELF}


def design_of(code: str, shelf: int) -> Design:
    """A design as the shelf of that version had it. Raises KeyError for an unknown code."""
    return FIRST_SHELF.get(code, DESIGNS[code]) if shelf == 1 else DESIGNS[code]
