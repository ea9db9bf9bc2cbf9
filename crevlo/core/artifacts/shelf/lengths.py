"""Artifacts that tell sizes: step block, squareness frame, Z column, orientation bars."""

import math
from collections.abc import Mapping

from crevlo.core.artifacts.artifact import Artifact, Body, Design, Parameter
from crevlo.core.artifacts.shape import block, engraving, joined, mark, plate, post, tilted, without
from crevlo.core.defects import USUAL
from crevlo.core.features.feature import Feature, Kind, Point

# Ends of a length lie this far inside the edge they are drawn along, so that they lie on a face.
INSET = 0.01


def length(code: str, axis: str, nominal: float, method: str, ends: tuple[Point, Point], sense: int = 1) -> Feature:
    return Feature(code, Kind.LENGTH, axis, sense, nominal, method, ends)


def _step_block(values: Mapping[str, float]) -> Artifact:
    steps = ((40.0, 0.0, 10.0), (30.0, 10.0, 25.0), (17.0, 25.0, 45.0))
    hole, height = 8.0, 45.0
    features = []
    for n, (width, _, high) in enumerate(steps, 1):
        half, at = width / 2, high - 1.0
        features.append(
            length(f"X{n}", "X", width, "Jaws across the left and right faces, one millimetre below the upper edge.",
                    ((-half, INSET - half, at), (half, INSET - half, at)))
        )  # fmt: skip
    for n, (width, _, high) in enumerate(steps, 1):
        half, at = width / 2, high - 1.0
        features.append(
            length(f"Y{n}", "Y", width, "Jaws across the front and back faces, one millimetre below the upper edge.",
                    ((half - INSET, -half, at), (half - INSET, half, at)))
        )  # fmt: skip
    for n, (width, _, high) in enumerate(steps, 1):
        at = width / 2 - INSET
        features.append(
            length(f"Z{n}", "Z", high, "Depth rod or jaws from the base to this step.", ((at, -at, 0.0), (at, -at, high)))
        )  # fmt: skip
    for code, axis, ends in (
        ("DX", "X", ((-hole / 2, 0.0, height - INSET), (hole / 2, 0.0, height - INSET))),
        ("DY", "Y", ((0.0, -hole / 2, height - INSET), (0.0, hole / 2, height - INSET))),
    ):
        features.append(
            length(code, axis, hole, f"Inside jaws in the hole, along {axis}. Take the largest reading.", ends, -1)
        )
    stack = joined([block(-w / 2, w / 2, -w / 2, w / 2, low, high) for w, low, high in steps])
    solid = without(stack, [post(0, 0, hole, -1, height + 1), engraving(mark("SB", values), -10, -17.4, 10, dot=0.8)])
    return Artifact(
        "SB", "Step block", (Body(solid),), tuple(features),
        isolates="Axis scale, wall offset, hole size, first-layer height.",
        isolates_not="Squareness.",
        note="Keep clear of the seam and of the engraved code.",
        shows=USUAL, values=values,
    )  # fmt: skip


STEP_BLOCK = Design("SB", "Step block", (), _step_block)


def _frame(values: Mapping[str, float]) -> Artifact:
    half, rim, high, cut = values["width"] / 2, 8.0, 6.0, 6.0
    outline = [(-half + cut, -half), (half - cut, -half), (half, -half + cut), (half, half - cut),
               (half - cut, half), (-half + cut, half), (-half, half - cut), (-half, -half + cut)]  # fmt: skip
    inner = half - rim
    solid = without(
        plate(outline, 0, high),
        [
            block(-inner, inner, -inner, inner, -1, high + 1),
            engraving(mark("SF", values), 0, -half + rim / 2, high, dot=0.9),
        ],
    )
    at, top = inner + 1, high - 1
    flat = half - cut / 2
    features = [
        length("X1", "X", 2 * half, "Jaws across left and right, at the front rim.", ((-half, -at, top), (half, -at, top))),
        length("X2", "X", 2 * half, "Jaws across left and right, at the back rim.", ((-half, at, top), (half, at, top))),
        length("Y1", "Y", 2 * half, "Jaws across front and back, at the left rim.", ((-at, -half, top), (-at, half, top))),
        length("Y2", "Y", 2 * half, "Jaws across front and back, at the right rim.", ((at, -half, top), (at, half, top))),
    ]  # fmt: skip
    across = 2 * math.sqrt(2) * flat
    for code, side in (("D1", 1.0), ("D2", -1.0)):
        features.append(
            Feature(code, Kind.DIAGONAL, "D", 1, across, "Jaws across the two corner flats.",
                    ((-flat, -side * flat, top), (flat, side * flat, top)))
        )  # fmt: skip
    return Artifact(
        "SF", "Squareness frame", (Body(solid),), tuple(features),
        isolates="Skew of X against Y from the two diagonals, scale over a long side.",
        isolates_not="Wall offset, and what happens along Z.",
        note="Let it cool flat before measuring; a frame off the plate warm springs.", shows=("warp", "foot", "shift"), values=values,
    )  # fmt: skip


SQUARENESS_FRAME = Design("SF", "Squareness frame", (Parameter("width", "Outer width", "mm", 100, 60, 200),), _frame)


# Where a column is measured, as shares of its height: of six thousand random ways the one whose heights least look like even
# steps, so that no pitch hides behind another.
_SHARES = (
    0.0, 0.074, 0.175, 0.215, 0.24, 0.271, 0.304, 0.322, 0.34, 0.356, 0.379, 0.392, 0.439, 0.451, 0.473, 0.495, 0.531, 0.558,
    0.598, 0.672, 0.717, 0.736, 0.804, 0.833, 0.853, 0.892, 0.903, 0.929, 0.94, 1.0,
)  # fmt: skip


def _heights(high: float) -> list[float]:
    low = 6.0
    return [round(low + (high - 2 * low) * share, 1) for share in _SHARES]


def _column(values: Mapping[str, float]) -> Artifact:
    high, half = values["height"], 7.5
    foot = 12.5
    column = joined([block(-half, half, -half, half, 0, high), block(-foot, foot, -foot, foot, 0, 2)])
    heights = _heights(high)
    # Marks on the back: the faces that are measured stay whole.
    notches = [block(-1.5, 1.5, half - 0.3, half + 1, z - 0.2, z + 0.2) for z in heights]
    solid = without(column, [*notches, engraving(mark("ZC", values), 0, -half - 2.5, 2, dot=0.6)])
    low, top = 0.25 * high, 0.75 * high
    features = (
        length("X", "X", 2 * half, "Jaws across left and right at half height.",
                ((-half, INSET - half, high / 2), (half, INSET - half, high / 2))),
        length("Y", "Y", 2 * half, "Jaws across front and back at half height.",
                ((half - INSET, -half, high / 2), (half - INSET, half, high / 2))),
        length("Z", "Z", high, "Height gauge from the base to the top.", ((half - INSET, INSET - half, 0.0), (half - INSET, INSET - half, high))),
        *(
            Feature(f"W{k:02d}", Kind.WIDTH, "X", 1, 2 * half, f"Jaws across left and right, level with mark {k} from below ({z:g} mm).",
                    ((-half, INSET - half, z), (half, INSET - half, z)), level=z)
            for k, z in enumerate(heights, 1)
        ),
        Feature("BX", Kind.LOOK, "X", 0, high, "Raking light along the right face: regular bands and their pitch.", ((half, 0, low), (half, 0, top))),
        Feature("BY", Kind.LOOK, "Y", 0, high, "Raking light along the front face: regular bands and their pitch.", ((0, -half, low), (0, -half, top))),
    )  # fmt: skip
    return Artifact(
        "ZC", "Z column", (Body(solid),), features,
        isolates="Vertical banding and its pitch, Z scale over a long height.",
        isolates_not="Corners: the same face carries ringing of the direction change.",
        note="The pitch of bands points to the part that turns once per pitch.", shows=("shift", "blobs", "ringing", "banding"), values=values,
    )  # fmt: skip


Z_COLUMN = Design("ZC", "Z column", (Parameter("height", "Height", "mm", 120, 60, 250),), _column)


def _bars(values: Mapping[str, float]) -> Artifact:
    long, wide, thick = values["length"], 10.0, 4.0
    half = long / 2
    lying = without(
        block(-half, half, -wide / 2, wide / 2, 0, thick),
        [engraving(mark("OB", values), -half + 8, 0, thick, dot=1.0)],
    )
    aside = half + 15
    along_x = lying.translate((0, -30, 0))
    along_y = tilted(lying, 90).translate((-aside, 10, 0))
    turned = tilted(lying, 45).translate((0, 20, 0))
    standing = block(aside - thick / 2, aside + thick / 2, -wide / 2, wide / 2, 0, long)
    reach = half / math.sqrt(2)
    mid = thick / 2
    features = (
        length("XL", "X", long, "Length of the bar along X.", ((-half, -30, mid), (half, -30, mid))),
        length("XW", "Y", wide, "Width of the bar along X.", ((0, -35, mid), (0, -25, mid))),
        length("YL", "Y", long, "Length of the bar along Y.", ((-aside, 10 - half, mid), (-aside, 10 + half, mid))),
        length("YW", "X", wide, "Width of the bar along Y.", ((-aside - 5, 10, mid), (-aside + 5, 10, mid))),
        Feature("DL", Kind.DIAGONAL, "D", 1, long, "Length of the bar at 45°.", ((-reach, 20 - reach, mid), (reach, 20 + reach, mid))),
        length("SL", "Z", long, "Height of the standing bar.", ((aside, 0, 0.0), (aside, 0, long))),
        length("ST", "X", thick, "Thickness of the standing bar at half height.", ((aside - thick / 2, 0, half), (aside + thick / 2, 0, half))),
    )  # fmt: skip
    return Artifact(
        "OB", "Orientation bars", tuple(Body(b) for b in (along_x, along_y, turned, standing)), features,
        isolates="Size and look of one bar lying along X, along Y, at 45° and standing.",
        isolates_not="Strength: a pull test needs its own rig.",
        note="The standing bar may sway; note wobble marks near its top.", shows=("shift", "ringing", "warp"), values=values,
    )  # fmt: skip


ORIENTATION_BARS = Design(
    "OB", "Orientation bars", (Parameter("length", "Length of a bar", "mm", 80, 50, 120),), _bars
)
