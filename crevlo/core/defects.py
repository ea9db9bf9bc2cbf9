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
)
DEFECT_CODES = tuple(d.code for d in DEFECTS)


def asked_of(shows: Sequence[str]) -> tuple[str, ...]:
    """The defects looked for on an artifact: those that it was made to bring out; all where it names none."""
    return tuple(code for code in DEFECT_CODES if code in shows) or DEFECT_CODES


@dataclass(frozen=True, slots=True)
class Quality:
    """Specimen quality 0..100, and the structural defect that rejects it, if any."""

    value: float
    rejected_by: str | None


def specimen_quality(severities: Mapping[str, int], asked: Collection[str] = DEFECT_CODES) -> Quality:
    """100·(1 − Σw·severity/(5·Σw)) over the defects asked of the artifact; a structural 5 rejects the specimen.

    Raises BadInput for a defect that is unknown or not asked, or a severity outside 0..5, NotDetermined while one is
    unscored.
    """
    known = {d.code: d for d in DEFECTS if d.code in asked}
    for code, severity in severities.items():
        if code not in known:
            called = next((d.name.lower() for d in DEFECTS if d.code == code), None)
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
