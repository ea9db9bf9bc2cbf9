"""Artifacts that tell fine detail and fit: clearance comb, pillar field, line-width shell, flow ladder, snap lid."""

from collections.abc import Mapping

from crevlo.core.artifacts.artifact import Artifact, Body, Design, Parameter
from crevlo.core.artifacts.shape import block, engraving, joined, mark, post, without
from crevlo.core.features.feature import Feature, Kind

GAPS_MM = tuple(round(0.05 * k, 2) for k in range(1, 11))
PILLARS_MM = (0.4, 0.6, 0.8, 1.0, 1.2, 1.5, 2.0)
WALLS_MM = (0.4, 0.6, 0.8, 1.0, 1.2)


def _comb(values: Mapping[str, float]) -> Artifact:
    peg, pitch, high = values["peg"], values["peg"] + 10, 6.0
    places = [((k % 5 - 2) * pitch, -pitch / 2 + 2 if k < 5 else pitch / 2 + 2) for k in range(10)]
    base = block(-2.5 * pitch, 2.5 * pitch, -pitch - 4, pitch + 4, 0, high)
    holes = [post(x, y, peg + 2 * gap, -1, high + 1) for gap, (x, y) in zip(GAPS_MM, places, strict=True)]
    marks = [engraving(mark("CC", values), -1.5 * pitch, -pitch - 0.5, high, dot=0.9)]
    for gap, (x, y) in zip(GAPS_MM, places, strict=True):
        marks.append(engraving(f"{round(100 * gap):02d}", x, y + peg / 2 + gap + 3, high, depth=0.3, dot=0.6))
    pegs = [post(x, y, peg, 0, high) for x, y in places]
    features = tuple(
        Feature(f"G{round(100 * gap):02d}", Kind.GAP, "X", -1, gap, "Push the peg by hand: free, with a tap, or fused.",
                ((x + peg / 2, y, high - 0.5), (x + peg / 2 + gap, y, high - 0.5)))
        for gap, (x, y) in zip(GAPS_MM, places, strict=True)
    )  # fmt: skip
    return Artifact(
        "CC", "Clearance comb", (Body(without(base, holes + marks)), *(Body(p) for p in pegs)), features,
        isolates="The smallest gap that comes free, printed in place.",
        isolates_not="Whether wall offset or a bulged first layer closes it: compare with the step block.",
        note="Do not force a fused peg with a blade towards the hand.", shows=("gaps", "foot"), values=values,
    )  # fmt: skip


CLEARANCE_COMB = Design("CC", "Clearance comb", (Parameter("peg", "Peg diameter", "mm", 8, 5, 16),), _comb)


def _pillars(values: Mapping[str, float]) -> Artifact:
    high = 10.0 * values["scale"] / 100
    pitch, base = 8.0, 2.0
    xs = [(k - 3) * pitch for k in range(7)]
    ys = [-pitch, 0.0, pitch]
    deck = without(
        block(-4 * pitch, 4 * pitch, -2.6 * pitch, 1.6 * pitch, 0, base),
        [engraving(mark("PF", values), 0, -2.1 * pitch, base)],
    )
    stand = joined(
        [deck, *(post(x, y, d, base - 0.5, base + high) for x, d in zip(xs, PILLARS_MM, strict=True) for y in ys)]
    )
    features = tuple(
        Feature(f"P{round(10 * d):02d}", Kind.PILLAR, "X", 1, d, "Does it stand to its full height? Jaws across at half height if it does.",
                ((x - d / 2, ys[0], base + high / 2), (x + d / 2, ys[0], base + high / 2)))
        for x, d in zip(xs, PILLARS_MM, strict=True)
    )  # fmt: skip
    return Artifact(
        "PF", "Pillar field", (Body(stand),), features,
        isolates="The thinnest post that stands, and how its size holds.",
        isolates_not="Cooling apart from motion: a slower profile may save a pillar either way.",
        note="Three of each: count how many stand.", shows=("stringing", "blobs", "gaps"), values=values,
    )  # fmt: skip


PILLAR_FIELD = Design("PF", "Pillar field", (Parameter("scale", "Height", "%", 100, 100, 200),), _pillars)


def _shell(values: Mapping[str, float]) -> Artifact:
    high, half, pitch = 12.0, 9.0, 24.0
    bodies, features = [], []
    for k, wall in enumerate(WALLS_MM):
        x = (k - 2) * pitch
        outer = block(x - half, x + half, -half, half, 0, high)
        inner = half - wall
        bodies.append(Body(without(outer, [block(x - inner, x + inner, -inner, inner, 0.8, high + 1)])))
        features.append(
            Feature(f"W{round(10 * wall):02d}", Kind.THICKNESS, "X", 1, wall, "Thimble of the micrometer on the right wall, two thirds up.",
                    ((x + inner, 0, 8.0), (x + half, 0, 8.0)))
        )  # fmt: skip
    return Artifact(
        "LW", "Line-width shell", tuple(bodies), tuple(features),
        isolates="Extruded line width: walls of one, two and three lines, and those in between.",
        isolates_not="Flow apart from the slicer's own choice of line count: look at the layers too.",
        note="Sliced without a fixed wall count the slicer may leave a gap; that is a finding.", shows=("gaps", "skins"), values=values,
    )  # fmt: skip


LINE_WIDTH_SHELL = Design("LW", "Line-width shell", (), _shell)


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


def _lid(values: Mapping[str, float]) -> Artifact:
    clearance = values["clearance"]
    x, y, high, wall = 22.0, 16.0, 14.0, 2.0
    box = without(block(-x, x, -y, y, 0, high), [block(-x + wall, x - wall, -y + wall, y - wall, 2, high + 1)])
    aside = 2 * y + 6
    lip_x, lip_y, lip = x - wall - clearance, y - wall - clearance, 1.6
    ring = without(
        block(-lip_x, lip_x, -lip_y, lip_y, 2, 7), [block(-lip_x + lip, lip_x - lip, -lip_y + lip, lip_y - lip, 1, 8)]
    )
    lid = without(
        joined([block(-x, x, -y, y, 0, 2), ring]), [engraving(mark("SL", values), 0, 0, 2, dot=1.0)]
    ).translate((0, aside, 0))
    features = (
        Feature("BX", Kind.LENGTH, "X", -1, 2 * (x - wall), "Inside jaws in the box, along X.", ((-x + wall, -y + wall + 1, high - 1), (x - wall, -y + wall + 1, high - 1))),
        Feature("BY", Kind.LENGTH, "Y", -1, 2 * (y - wall), "Inside jaws in the box, along Y.", ((x - wall - 1, -y + wall, high - 1), (x - wall - 1, y - wall, high - 1))),
        Feature("LX", Kind.LENGTH, "X", 1, 2 * lip_x, "Jaws across the lid's lip, along X.", ((-lip_x, aside - lip_y + 0.5, 6), (lip_x, aside - lip_y + 0.5, 6))),
        Feature("LY", Kind.LENGTH, "Y", 1, 2 * lip_y, "Jaws across the lid's lip, along Y.", ((lip_x - 0.5, aside - lip_y, 6), (lip_x - 0.5, aside + lip_y, 6))),
    )  # fmt: skip
    return Artifact(
        "SL", "Snap lid", (Body(box), Body(lid)), features,
        isolates="Whether a lid with a stated clearance goes on, holds and comes off.",
        isolates_not="Which of the two is off: the four lengths tell.",
        note="Try it once by hand, then measure; a forced lid has been filed.", shows=("warp", "foot", "stringing"), values=values,
    )  # fmt: skip


SNAP_LID = Design("SL", "Snap lid", (Parameter("clearance", "Clearance a side", "mm", 0.2, 0.05, 0.6),), _lid)
