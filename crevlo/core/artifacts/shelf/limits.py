"""Artifacts that tell limits of the process: overhang fan, bridge ladder, ooze posts, ringing wall, warp bar,
first-layer sheet, colour-swap token, and a long household part."""

import math
from collections.abc import Mapping

from crevlo.core.artifacts.artifact import Artifact, Body, Design, Parameter
from crevlo.core.artifacts.shape import block, engraving, joined, leaning, mark, post, profile, without
from crevlo.core.features.feature import Feature, Kind

ANGLES = tuple(range(20, 80, 5))
SPANS_MM = tuple(range(10, 90, 10))
FREE_MM = (10.0, 20.0, 40.0)


def _fan(values: Mapping[str, float]) -> Artifact:
    length, thickness, wide, pitch, foot = values["length"], 3.0, 6.0, 8.0, 3.0
    rows = len(ANGLES)
    depth = pitch * rows
    base = without(block(-14, 1, 0, depth, 0, foot), [engraving(mark("OF", values), -7, depth / 2, foot, dot=0.9)])
    slabs, features = [base], []
    for k, angle in enumerate(ANGLES):
        y = pitch * k + (pitch - wide) / 2
        outline = [(x, z + foot - 1) for x, z in leaning(length + 1, angle, thickness)]
        slabs.append(profile(outline, y, y + wide))
        turn = math.radians(angle)
        near, far = (
            (s * math.sin(turn), y + wide / 2, foot - 1 + s * math.cos(turn)) for s in (0.4 * length, 0.95 * length)
        )
        features.append(
            Feature(f"A{angle}", Kind.OVERHANG, "X", 0, float(angle), "Underside: clean, curled or drooping? The steepest clean one counts.",
                    (near, far), "°")
        )  # fmt: skip
    solid = joined(slabs).trim_by_plane((0, 0, 1), 0).translate((0, -depth / 2, 0))
    moved = tuple(f.moved(0, -depth / 2) for f in features)
    return Artifact(
        "OF", "Overhang fan", (Body(solid),), moved,
        isolates="The steepest underside that comes out clean without support.",
        isolates_not="Cooling from every side: the fan leans one way; print it turned for the other.",
        note="Angles are from the vertical: 75° is nearly flat.", shows=("stringing", "blobs", "gaps", "droop"), values=values,
    )  # fmt: skip


OVERHANG_FAN = Design("OF", "Overhang fan", (Parameter("length", "Length of a blade", "mm", 18, 12, 30),), _fan)


def _bridges(values: Mapping[str, float]) -> Artifact:
    pitch, wide, high, deck, pier = 9.0, 6.0, values["height"], 1.6, 6.0
    depth = pitch * len(SPANS_MM)
    reach = SPANS_MM[-1] / 2 + pier
    parts = [block(-reach, reach, -depth / 2 - 6, depth / 2, 0, 1)]
    features: list[Feature] = []
    sags: list[Feature] = []
    for k, span in enumerate(SPANS_MM):
        y = -depth / 2 + pitch * k + 1
        half = span / 2
        parts += [
            block(-half - pier, -half, y, y + wide, 0, high),
            block(half, half + pier, y, y + wide, 0, high),
            block(-half - pier, half + pier, y, y + wide, high, high + deck),
        ]
        features.append(
            Feature(f"S{span}", Kind.SPAN, "X", -1, float(span), "Underside of the deck: straight, sagging or strings hanging?",
                    ((-half, y + wide / 2, high - 0.5), (half, y + wide / 2, high - 0.5)))
        )  # fmt: skip
        sags.append(
            Feature(f"D{span}", Kind.SAG, "Z", 0, 0.0, f"How far the middle of the {span} mm deck hangs below its ends: gauge or depth rod.",
                    ((0, y + wide / 2, high), (0, y + wide / 2, high)), level=float(span))
        )  # fmt: skip
    solid = without(joined(parts), [engraving(mark("BL", values), 0, -depth / 2 - 2.8, 1, dot=0.8)])
    return Artifact(
        "BL", "Bridge ladder", (Body(solid),), (*features, *sags),
        isolates="The longest clean bridge.",
        isolates_not="Bridge settings of the profile: a good bridge may be the profile's work.",
        note="Short spans stand in front, so that every deck can be seen from below.", shows=("stringing", "gaps", "droop"), values=values,
    )  # fmt: skip


BRIDGE_LADDER = Design("BL", "Bridge ladder", (Parameter("height", "Height of the piers", "mm", 8, 5, 30),), _bridges)


def _posts(values: Mapping[str, float]) -> Artifact:
    high, side = values["height"], 8.0
    whole = sum(FREE_MM) + side * (len(FREE_MM) + 1)
    x = -whole / 2
    left = [x]
    for free in FREE_MM:
        x += side + free
        left.append(x)
    base = without(
        block(-whole / 2 - 3, whole / 2 + 3, -8, 7, 0, 1.2), [engraving(mark("OP", values), 0, -6, 1.2, dot=0.7)]
    )
    solid = joined([base, *(block(p, p + side, -side / 2, side / 2, 0.5, high) for p in left)])
    at = 0.75 * high
    features = (
        *(
            Feature(f"T{free:.0f}", Kind.DISTANCE, "X", -1, free, "Strings and blobs where the nozzle crossed: count them.",
                    ((left[k] + side, 0, at), (left[k + 1], 0, at)))
            for k, free in enumerate(FREE_MM)
        ),
        Feature("M", Kind.STRINGS_MASS, "X", 0, 0, "All strings pulled off, on a scale that reads milligrams.", ((left[0] + side, 0, at), (left[-1], 0, at)), "g"),
    )  # fmt: skip
    return Artifact(
        "OP", "Ooze posts", (Body(solid),), features,
        isolates="Ooze over short, middle and long travel.",
        isolates_not="Wet filament from a poor profile: dry the spool first.",
        note="Dry filament before this one, or it tells the humidity.", shows=("stringing", "blobs"), values=values,
    )  # fmt: skip


OOZE_POSTS = Design("OP", "Ooze posts", (Parameter("height", "Height", "mm", 40, 20, 80),), _posts)


def _ringing(values: Mapping[str, float]) -> Artifact:
    leg, wall, high = values["leg"], 2.0, 40.0
    half = high / 2
    body = joined([
        block(0, leg, 0, wall, 0, high), block(0, wall, 0, leg, 0, high),
        block(0, leg, 0, 8, 0, 1.2), block(0, 8, 0, leg, 0, 1.2),
    ])  # fmt: skip
    grooves = [
        block(-1, leg + 1, -1, 0.3, half - 0.3, half + 0.3),
        block(-1, 0.3, -1, leg + 1, half - 0.3, half + 0.3),
    ]
    solid = without(body, [*grooves, engraving(mark("RW", values), leg / 2, 5, 1.2, dot=0.8)])
    features: list[Feature] = []
    heights: list[Feature] = []
    for code, at, name in (("S", 0.25 * high, "slow"), ("F", 0.75 * high, "fast")):
        for axis, face, near, far in (
            ("X", "Front", (0.1 * leg, 0, at), (0.9 * leg, 0, at)), ("Y", "Left", (0, 0.1 * leg, at), (0, 0.9 * leg, at)),
        ):  # fmt: skip
            speed = values[name]
            features.append(
                Feature(f"{axis}{code}", Kind.WAVES, axis, 0, 0.0, f"{face} face, {name} band ({speed:g} mm/s): distance over the waves after the corner, and how many.",
                        (near, far), level=speed)
            )  # fmt: skip
            heights.append(
                Feature(f"{axis}{code}H", Kind.WAVE_HEIGHT, axis, 0, 0.0, f"{face} face, {name} band: heights of successive waves, the first after the corner first.",
                        (near, far), level=speed)
            )  # fmt: skip
    features.append(
        Feature("T", Kind.THICKNESS, "Y", 1, wall, "Jaws across the long wall, away from the corner.", ((0.7 * leg, 0, 0.6 * high), (0.7 * leg, wall, 0.6 * high)))
    )  # fmt: skip
    centred = tuple(f.moved(-leg / 2, -leg / 2) for f in (*features, *heights))
    return Artifact(
        "RW", "Ringing wall", (Body(solid.translate((-leg / 2, -leg / 2, 0))),), centred,
        isolates="Vibration after a sharp turn, on each axis and at two speeds: speed over pitch gives the frequency.",
        isolates_not="Loose belts from a soft table: knock on the frame and compare.",
        note="The groove parts the slow band below from the fast one above: set both speeds in the slicer.", shows=("ringing", "blobs"), values=values,
    )  # fmt: skip


RINGING_WALL = Design(
    "RW", "Ringing wall",
    (
        Parameter("leg", "Length of a leg", "mm", 80, 50, 150), Parameter("slow", "Speed of the slow band", "mm/s", 60, 10, 300),
        Parameter("fast", "Speed of the fast band", "mm/s", 120, 20, 600),
    ),
    _ringing,
)  # fmt: skip


def _warp(values: Mapping[str, float]) -> Artifact:
    long, wide, high = values["length"], 12.0, 12.0
    x, y = long / 2, wide / 2
    solid = without(block(-x, x, -y, y, 0, high), [engraving(mark("WB", values), 0, 0, high, dot=1.2)])
    corners = (("L1", -x, -y), ("L2", x, -y), ("L3", x, y), ("L4", -x, y))
    features = [
        Feature(
            code, Kind.LIFT, "Z", 0, 0.0, "On a flat plate: gauge under this corner.", ((px, py, 0.0), (px, py, 0.0))
        )
        for code, px, py in corners
    ]
    features.append(
        Feature("G", Kind.UNDER, "Z", 0, 0.0, "Does the 1 mm leaf go under any corner? Pass where it goes under none.", ((-x, -y, 0.0), (x, y, 0.0)))
    )  # fmt: skip
    features.append(
        Feature("X", Kind.LENGTH, "X", 1, long, "Jaws across the ends, at mid height.", ((-x, 0.01 - y, high / 2), (x, 0.01 - y, high / 2)))
    )  # fmt: skip
    return Artifact(
        "WB", "Warp bar", (Body(solid),), tuple(features),
        isolates="Lift of sharp corners on a long bar.",
        isolates_not="Draughts in the room: note temperature and door.",
        note="Let the plate cool before it comes off; no brim.", shows=("warp", "foot"), values=values,
    )  # fmt: skip


WARP_BAR = Design("WB", "Warp bar", (Parameter("length", "Length", "mm", 150, 80, 250),), _warp)


def _sheet(values: Mapping[str, float]) -> Artifact:
    layer, margin, pad = values["layer"], 12.0, 22.0
    round_bed = values["round"] >= 0.5
    reach_x, reach_y = values["bed_x"] / 2 - margin, values["bed_y"] / 2 - margin
    spread = 1 / math.sqrt(2) if round_bed else 1.0
    xs = [spread * (reach_x - pad / 2) * k for k in (-1, 0, 1)]
    ys = [spread * (reach_y - pad / 2) * k for k in (-1, 0, 1)]
    pads = [block(x - pad / 2, x + pad / 2, y - pad / 2, y + pad / 2, 0, layer) for x in xs for y in ys]
    ties = [block(xs[0], xs[2], y - 2, y + 2, 0, layer) for y in ys] + [
        block(x - 2, x + 2, ys[0], ys[2], 0, layer) for x in xs
    ]
    features = tuple(
        Feature(f"{row}{column}", Kind.THICKNESS, "Z", 1, layer, "Micrometer in the middle of the pad; then look for gaps and ridges.",
                ((x, y, 0.0), (x, y, layer)))
        for row, y in zip("ABC", ys, strict=True)
        for column, x in enumerate(xs, 1)
    )  # fmt: skip
    return Artifact(
        "FS", "First-layer sheet", (Body(joined([*pads, *ties])),), features,
        isolates="Level, height and adhesion of the first layer over the whole bed.",
        isolates_not="A bed that moves when warm: print it at working temperature.",
        note="Fitted to the unit's true printable area; a round bed gets its pads inside the circle.", shows=("gaps", "skins", "warp", "layer"), values=values,
    )  # fmt: skip


FIRST_LAYER_SHEET = Design(
    "FS", "First-layer sheet",
    (
        Parameter("bed_x", "Bed, X", "mm", 220, 100, 500), Parameter("bed_y", "Bed, Y", "mm", 220, 100, 500),
        Parameter("round", "Round bed", "0 or 1", 0, 0, 1), Parameter("layer", "First layer", "mm", 0.2, 0.1, 0.4),
    ),
    _sheet,
)  # fmt: skip


def _token(values: Mapping[str, float]) -> Artifact:
    across, high, arm = values["diameter"], 4.0, 5.0
    inlay = joined(
        [
            block(-0.3 * across, 0.3 * across, -arm / 2, arm / 2, 2.8, high),
            block(-arm / 2, arm / 2, -0.3 * across, 0.3 * across, 2.8, high),
        ]
    )
    disc = without(
        post(0, 0, across, 0, high), [inlay, engraving(mark("CS", values), 0, -0.38 * across, high, dot=0.7)]
    )
    half = across / 2
    features = (
        Feature("X", Kind.LENGTH, "X", 1, across, "Jaws across the disc along X, below the inlay.", ((-half, 0, 1.5), (half, 0, 1.5))),
        Feature("Y", Kind.LENGTH, "Y", 1, across, "Jaws across the disc along Y, below the inlay.", ((0, -half, 1.5), (0, half, 1.5))),
        Feature("E", Kind.BLEED, "X", 0, arm, "Edge of the inlay: bleeding colour, gaps, smears.", ((-0.3 * across, -arm / 2, high), (-arm / 2, -arm / 2, high))),
        Feature("P", Kind.WASTE, "Z", 0, 0.0, "Purge, tower and flush of this print on the scale, and over how many changes.", ((0, 0, high), (0, 0, high)), "g"),
        Feature("T", Kind.CHANGE_SECONDS, "Z", 0, 0.0, "Several changes by the stopwatch, from stop to next line, and how many.", ((0, 0, high), (0, 0, high)), "s"),
    )  # fmt: skip
    return Artifact(
        "CS", "Colour-swap token", (Body(disc), Body(inlay, tool=1)), features,
        isolates="Purge and registration of a colour change: clean edges, and grams per change.",
        isolates_not="Speed of the change itself: read it off the sliced file and the clock.",
        note="Two tools. Weigh tower and purge; they are per plate, not per part.", shows=("blobs", "gaps", "skins", "bleed"), values=values,
    )  # fmt: skip


COLOUR_TOKEN = Design("CS", "Colour-swap token", (Parameter("diameter", "Diameter", "mm", 40, 25, 80),), _token)


def _arm(values: Mapping[str, float]) -> Artifact:
    long, wide, thick = values["length"], 16.0, 6.0
    half, eye, bore = long / 2, 18.0, 6.0
    hook = profile(
        [(half - 6, 0), (half, 0), (half, 26), (half - 20, 26), (half - 20, 20), (half - 6, 20)], -wide / 2, wide / 2
    )
    boss = post(-half + eye / 2, 0, eye, 0, 14)
    body = joined([block(-half + eye / 2, half, -wide / 2, wide / 2, 0, thick), hook, boss])
    centre = -half + eye / 2
    solid = without(body, [post(centre, 0, bore, -1, 20), engraving(mark("RA", values), 0, 0, thick, dot=1.3)])
    features = (
        Feature("L", Kind.LENGTH, "X", 1, long, "Jaws from the eye's end to the back of the hook, near the base.", ((-half, 0, 2), (half, 0, 2))),
        Feature("W", Kind.LENGTH, "Y", 1, wide, "Width in the middle.", ((0, -wide / 2, thick / 2), (0, wide / 2, thick / 2))),
        Feature("D", Kind.LENGTH, "X", -1, bore, "Inside jaws in the eye. Take the largest reading.", ((centre - bore / 2, 0, 13.5), (centre + bore / 2, 0, 13.5))),
        Feature("H", Kind.SCAR, "Z", -1, 14.0, "Underside of the hook after the support is off: marks, sag, what tore.", ((half - 13, 0, thick), (half - 13, 0, 20.0))),
        Feature("T", Kind.SECONDS, "Z", 0, 0.0, "Time until the support is off and the part is clean.", ((half - 13, 0, 20.0), (half - 13, 0, 20.0)), "s"),
    )  # fmt: skip
    return Artifact(
        "RA", "Rack arm", (Body(solid),), features,
        isolates="A real spare part: length, eye, and a hook that needs support.",
        isolates_not="One cause alone; it is what a counter would hand over.",
        note="Support under the hook. Cut it away from the hand and wear eye protection.", shows=("warp", "stringing", "skins", "shift", "scars"), values=values,
    )  # fmt: skip


RACK_ARM = Design("RA", "Rack arm", (Parameter("length", "Length", "mm", 180, 100, 240),), _arm)
