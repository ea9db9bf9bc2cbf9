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
    edge = 2 * pitch + half
    features.append(
        Feature("S", Kind.SEAM, "Z", 0, high, "Seam of the thickest wall, by eye and by nail, against the anchors.", ((edge, half, 1.0), (edge, half, high - 1)))
    )  # fmt: skip
    return Artifact(
        "LW", "Line-width shell", tuple(bodies), tuple(features),
        isolates="Extruded line width: walls of one, two and three lines, and those in between.",
        isolates_not="Flow apart from the slicer's own choice of line count: look at the layers too.",
        note="Sliced without a fixed wall count the slicer may leave a gap; that is a finding.", shows=("gaps", "skins", "extrusion"), values=values,
    )  # fmt: skip


LINE_WIDTH_SHELL = Design("LW", "Line-width shell", (), _shell)


# Of a plain filament; what it really is cancels, as a step is compared with the slow ones.
_DENSITY_G_MM3 = 1.24e-3


def _ladder(values: Mapping[str, float]) -> Artifact:
    wall, first, step = values["wall"], values["first"], values["step"]
    half, high, pitch, steps = 12.0, 30.0, 32.0, 8
    inner = half - wall
    bodies, features = [], []
    for k in range(steps):
        x, y = (k % 4 - 1.5) * pitch, (k // 4 - 0.5) * pitch
        tube = without(
            block(x - half, x + half, y - half, y + half, 0, high),
            [
                block(x - inner, x + inner, y - inner, y + inner, -1, high + 1),
                # As many notches in the front wall as its place in the ladder.
                *(block(x - 9 + 2.4 * n, x - 8 + 2.4 * n, y - half - 1, y - inner + 1, high - 1.5, high + 1) for n in range(k + 1)),
            ],
        )  # fmt: skip
        bodies.append(Body(tube))
        flow, mass = first + step * k, round(tube.volume() * _DENSITY_G_MM3, 3)
        words = f"The tube with {k + 1} {'notch' if k == 0 else 'notches'}, printed at {flow:g} mm³/s, alone on the scale."
        features.append(
            Feature(
                f"F{k + 1}",
                Kind.MASS,
                "X",
                0,
                mass,
                words,
                ((x + inner, y, high / 2), (x + half, y, high / 2)),
                "g",
                flow,
            )
        )
    return Artifact(
        "FL", "Flow ladder", tuple(bodies), tuple(features),
        isolates="The flow at which extrusion falls short: every tube is printed faster than the one before, and weighs less once it is too fast.",
        isolates_not="Cooling: fast tubes have less time per layer.",
        note="One wall, no infill, no brim left on. The flow of each tube is its speed × line width × layer height, set in the slicer for that tube alone.", shows=("gaps", "skins", "extrusion"), values=values,
    )  # fmt: skip


FLOW_LADDER = Design(
    "FL", "Flow ladder",
    (
        Parameter("wall", "Wall", "mm", 0.45, 0.3, 1.2), Parameter("first", "Slowest flow", "mm³/s", 4, 1, 20),
        Parameter("step", "Step of flow", "mm³/s", 4, 0.5, 10),
    ),
    _ladder,
)  # fmt: skip


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
    rims = ((-x + wall / 2, 0.0, high), (x - wall / 2, 0.0, high))
    features = (
        Feature("BX", Kind.LENGTH, "X", -1, 2 * (x - wall), "Inside jaws in the box, along X.", ((-x + wall, -y + wall + 1, high - 1), (x - wall, -y + wall + 1, high - 1))),
        Feature("BY", Kind.LENGTH, "Y", -1, 2 * (y - wall), "Inside jaws in the box, along Y.", ((x - wall - 1, -y + wall, high - 1), (x - wall - 1, y - wall, high - 1))),
        Feature("LX", Kind.LENGTH, "X", 1, 2 * lip_x, "Jaws across the lid's lip, along X.", ((-lip_x, aside - lip_y + 0.5, 6), (lip_x, aside - lip_y + 0.5, 6))),
        Feature("LY", Kind.LENGTH, "Y", 1, 2 * lip_y, "Jaws across the lid's lip, along Y.", ((lip_x - 0.5, aside - lip_y, 6), (lip_x - 0.5, aside + lip_y, 6))),
        Feature("F", Kind.FIT, "Z", 0, clearance, "Lid on the box, by hand: how does it sit?", rims),
        Feature("N", Kind.TRIES, "Z", 0, 0, "How often it was tried until it closed.", rims, ""),
        Feature("G", Kind.FORCE, "Z", 0, 0, "Box on a scale: what it shows as the lid goes on.", rims, "g"),
    )  # fmt: skip
    return Artifact(
        "SL", "Snap lid", (Body(box), Body(lid)), features,
        isolates="Whether a lid with a stated clearance goes on, holds and comes off.",
        isolates_not="Which of the two is off: the four lengths tell.",
        note="Try it once by hand, then measure; a forced lid has been filed.", shows=("warp", "foot", "stringing"), values=values,
    )  # fmt: skip


SNAP_LID = Design("SL", "Snap lid", (Parameter("clearance", "Clearance a side", "mm", 0.2, 0.05, 0.6),), _lid)
