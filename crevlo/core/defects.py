"""Defects scored 0 to 5 by written anchors, and the quality that follows."""

from collections.abc import Collection, Mapping, Sequence
from dataclasses import dataclass

from crevlo.core.estimate import BadInput, NotDetermined

WORST = 5


@dataclass(frozen=True, slots=True)
class Defect:
    """One named print fault: weight in the quality, whether severity 5 rejects the part, anchors 0..5."""

    code: str
    name: str
    weight: float
    structural: bool
    look: str
    anchors: tuple[str, str, str, str, str, str]


DEFECTS: tuple[Defect, ...] = (
    Defect(
        "stringing",
        "Stringing",
        1.0,
        False,
        "Between parts that stand apart and across openings.",
        (
            "No strings at arm's length or close up.",
            "A few hairs that brush off.",
            "Hairs on one side, gone with a heat gun.",
            "Strings on several sides that need a knife.",
            "Webs that hide an edge.",
            "Webs that fill an opening or join parts that stand apart.",
        ),
    ),
    Defect(
        "blobs",
        "Blobs and zits",
        1.0,
        False,
        "The seam and every corner.",
        (
            "Smooth to the fingernail.",
            "One or two dots felt, not seen.",
            "Dots along the seam seen at half a metre.",
            "A row of dots that throws a caliper off by 0.1 mm.",
            "Blobs over 1 mm on more than one side.",
            "Blobs that stop the part from seating.",
        ),
    ),
    Defect(
        "shift",
        "Layer shift",
        2.0,
        True,
        "Sight down each edge against a straight line.",
        (
            "Edges straight.",
            "A step felt by nail, under 0.1 mm.",
            "A step up to 0.2 mm.",
            "A step up to 0.5 mm.",
            "A step up to 1 mm.",
            "A step over 1 mm, or more than one shift.",
        ),
    ),
    Defect(
        "warp",
        "Warped corners",
        1.5,
        True,
        "Base on a flat plate, gauge under each corner.",
        (
            "No light under any corner.",
            "Light under one corner, 0.05 mm gauge does not enter.",
            "Up to 0.2 mm under one corner.",
            "Up to 0.5 mm, or two corners.",
            "Up to 1 mm.",
            "Over 1 mm, or the part came loose while printing.",
        ),
    ),
    Defect(
        "gaps",
        "Gaps and thin walls",
        2.0,
        True,
        "Walls against a lamp, top skins.",
        (
            "Closed everywhere.",
            "Pinholes in one top skin.",
            "Lines stand apart in one skin.",
            "Lines stand apart on a wall.",
            "Light through a wall.",
            "Walls come apart between the fingers.",
        ),
    ),
    Defect(
        "ringing",
        "Ringing after corners",
        1.0,
        False,
        "Raking light along the long faces.",
        (
            "No echo of the corner.",
            "One faint wave under raking light.",
            "Two or three waves under raking light.",
            "Waves seen in room light.",
            "Waves felt by fingernail.",
            "Waves over half the face.",
        ),
    ),
    Defect(
        "foot",
        "First-layer bulge",
        1.0,
        False,
        "Bottom edge, all four sides.",
        (
            "Edge as sharp as the others.",
            "Bulge felt, under 0.05 mm.",
            "Bulge up to 0.1 mm.",
            "Bulge up to 0.2 mm.",
            "Bulge up to 0.4 mm.",
            "Bulge over 0.4 mm or a loose brim fused on.",
        ),
    ),
    Defect(
        "skins",
        "Rough top skins",
        1.0,
        False,
        "Every upward face.",
        (
            "Even lines, no marks.",
            "Lines show a change of direction.",
            "Nozzle marks on one face.",
            "Rough on one face.",
            "Rough on every face.",
            "Holes or pillows through the skin.",
        ),
    ),
    Defect(
        "banding", "Bands around the walls", 1.0, False, "Walls in raking light, from the side.",
        (
            "Even from bottom to top.", "A band or two under raking light.", "Bands under raking light all the way up.",
            "Bands seen in room light.", "Bands felt by fingernail.", "Bands so deep that layers part.",
        ),
    ),
    Defect(
        "droop", "Drooping overhangs", 1.5, False, "Every underside that was printed without support.",
        (
            "As smooth as a wall.", "Lines a little apart at one edge.", "Lines hang at one edge.",
            "Lines hang along the underside.", "Loops hang loose.", "The underside did not form.",
        ),
    ),
    Defect(
        "extrusion", "Uneven extrusion", 1.5, True, "Lines of a wall and of a top skin, close up.",
        (
            "Every line alike.", "A line thinner here and there.", "Thin lines on one face.", "Thin and thick lines all over.",
            "Gaps in lines that a nail goes into.", "Layers stand apart or are missing.",
        ),
    ),
    Defect(
        "scars", "Support scars", 1.0, False, "Where support stood, after it is off.",
        (
            "Nothing to be seen.", "A change of gloss.", "Marks felt by nail.", "Ridges that a knife takes off.",
            "Torn places, or support that stays.", "The part broke with its support.",
        ),
    ),
    Defect(
        "bleed", "Colour bleed", 1.0, False, "Edges between colours, and light faces.",
        (
            "Edges sharp, colours clean.", "A tint at one edge.", "A tint along the edges.", "Smears on a light face.",
            "Wrong colour in a patch.", "Colours cannot be told apart.",
        ),
    ),
    Defect(
        "layer", "First layer", 1.0, False, "The base, flat against the light.",
        (
            "Closed and even.", "Lines seen, none apart.", "Lines apart in a corner.", "Lines apart over a quarter.",
            "Ridges, or lines that came off.", "The base has holes through.",
        ),
    ),
)  # fmt: skip
DEFECT_CODES = tuple(d.code for d in DEFECTS)
KNOWN: Mapping[str, Defect] = {d.code: d for d in DEFECTS}


# What is looked for where nothing was said: what shows on any part.
USUAL = ("stringing", "blobs", "shift", "warp", "gaps", "ringing", "foot", "skins")


def asked_of(shows: Sequence[str], own: Sequence[Defect] = ()) -> tuple[str, ...]:
    """The defects looked for on an artifact: those that it was made to bring out, the usual ones where it names none; and
    the study's own."""
    return (tuple(code for code in DEFECT_CODES if code in shows) or USUAL) + tuple(d.code for d in own)


@dataclass(frozen=True, slots=True)
class Quality:
    """Specimen quality 0..100, and the structural defect that rejects it, if any."""

    value: float
    rejected_by: str | None


def specimen_quality(
    severities: Mapping[str, int], asked: Collection[str] = USUAL, own: Sequence[Defect] = ()
) -> Quality:
    """100·(1 − Σw·severity/(5·Σw)) over the defects asked of the artifact, `own` those of the study; a structural 5 rejects the specimen.

    Raises BadInput for a defect that is unknown or not asked, or a severity outside 0..5, NotDetermined while one is
    unscored.
    """
    every = {**KNOWN, **{d.code: d for d in own}}
    known = {code: d for code, d in every.items() if code in asked}
    for code, severity in severities.items():
        if code not in known:
            called = every[code].name.lower() if code in every else None
            raise BadInput(f"{called} is not asked of this artifact" if called else f"no defect is called {code}")
        if severity not in range(WORST + 1):
            raise BadInput(f"severity runs from 0 to 5, not {severity}")
    missing = [d.name.lower() for d in known.values() if d.code not in severities]
    if missing:
        raise NotDetermined(f"scores for {', '.join(missing)}")
    weight = sum(d.weight for d in known.values())
    if not weight:
        raise NotDetermined("a defect to look for")
    lost = sum(d.weight * severities[d.code] for d in known.values()) / (WORST * weight)
    rejected = next((d.name for d in known.values() if d.structural and severities[d.code] == WORST), None)
    return Quality(100 * (1 - lost), rejected)
