"""Artifacts as the first shelf had them, where their meshes are others by now: what was printed of them stays what it was."""

from collections.abc import Mapping

from crevlo.core.artifacts.artifact import Artifact, Body, Design, Parameter
from crevlo.core.artifacts.shape import block, engraving, joined, mark, without
from crevlo.core.artifacts.shelf.lengths import INSET, length
from crevlo.core.features.feature import Feature, Kind


def _column(values: Mapping[str, float]) -> Artifact:
    high, half = values["height"], 7.5
    foot = 12.5
    column = joined([block(-half, half, -half, half, 0, high), block(-foot, foot, -foot, foot, 0, 2)])
    solid = without(column, [engraving(mark("ZC", values), 0, -half - 2.5, 2, dot=0.6)])
    low, top = 0.25 * high, 0.75 * high
    features = (
        length("X", "X", 2 * half, "Jaws across left and right at half height.",
                ((-half, INSET - half, high / 2), (half, INSET - half, high / 2))),
        length("Y", "Y", 2 * half, "Jaws across front and back at half height.",
                ((half - INSET, -half, high / 2), (half - INSET, half, high / 2))),
        length("Z", "Z", high, "Height gauge from the base to the top.", ((half - INSET, INSET - half, 0.0), (half - INSET, INSET - half, high))),
        Feature("BX", Kind.LOOK, "X", 0, high, "Raking light along the right face: regular bands and their pitch.", ((half, 0, low), (half, 0, top))),
        Feature("BY", Kind.LOOK, "Y", 0, high, "Raking light along the front face: regular bands and their pitch.", ((0, -half, low), (0, -half, top))),
    )  # fmt: skip
    return Artifact(
        "ZC", "Z column", (Body(solid),), features,
        isolates="Vertical banding and its pitch, Z scale over a long height.",
        isolates_not="Corners: the same face carries ringing of the direction change.",
        note="The pitch of bands points to the part that turns once per pitch.", shows=("shift", "blobs", "ringing"), values=values,
    )  # fmt: skip


Z_COLUMN = Design("ZC", "Z column", (Parameter("height", "Height", "mm", 120, 60, 250),), _column)


def _ladder(values: Mapping[str, float]) -> Artifact:
    wall, bands, band = values["wall"], 8, 5.0
    half, high = 20.0, bands * band
    inner = half - wall
    tube = without(block(-half, half, -half, half, 0, high), [block(-inner, inner, -inner, inner, -1, high + 1)])
    ribs = [
        without(
            block(-half - 0.3, half + 0.3, -half - 0.3, half + 0.3, at - 0.2, at + 0.2),
            [block(-inner, inner, -inner, inner, at - 1, at + 1)],
        )
        for at in (band * k for k in range(1, bands))
    ]
    brim = without(
        block(-half - 4, half + 4, -half - 4, half + 4, 0, 0.6), [block(-inner, inner, -inner, inner, -1, 2)]
    )
    features = tuple(
        Feature(f"F{k + 1}", Kind.THICKNESS, "X", 1, wall, f"Right wall in the middle of band {k + 1}: thickness, holes, dull stripes.",
                ((inner, 0, band * (k + 0.5)), (half, 0, band * (k + 0.5))))
        for k in range(bands)
    )  # fmt: skip
    return Artifact(
        "FL", "Flow ladder", (Body(joined([tube, *ribs, brim])),), features,
        isolates="The flow at which extrusion falls short: each band is sliced faster than the one below.",
        isolates_not="Cooling: fast bands have less time per layer.",
        note="One wall, no infill. Speeds per band are set in the slicer; write them into the job.", shows=("gaps", "skins"), values=values,
    )  # fmt: skip


FLOW_LADDER = Design("FL", "Flow ladder", (Parameter("wall", "Wall", "mm", 0.45, 0.3, 1.2),), _ladder)


FIRST_SHELF = {design.code: design for design in (Z_COLUMN, FLOW_LADDER)}
