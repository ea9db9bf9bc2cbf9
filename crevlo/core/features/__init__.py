"""Kinds of features: what can be measured or judged on an artifact."""

from crevlo.core.features.diagonal import DIAGONAL
from crevlo.core.features.distance import DISTANCE
from crevlo.core.features.gap import GAP
from crevlo.core.features.kind import FeatureKind, Takes
from crevlo.core.features.length import LENGTH
from crevlo.core.features.lift import LIFT
from crevlo.core.features.look import LOOK
from crevlo.core.features.overhang import OVERHANG
from crevlo.core.features.pillar import PILLAR
from crevlo.core.features.span import SPAN
from crevlo.core.features.thickness import THICKNESS

KINDS: dict[str, FeatureKind] = {
    kind.code: kind
    for kind in (LENGTH, DIAGONAL, THICKNESS, LIFT, GAP, PILLAR, SPAN, OVERHANG, DISTANCE, LOOK)
}  # fmt: skip
# Kinds that an instrument gives a number for; the others are judged.
MEASURED = frozenset(code for code, kind in KINDS.items() if kind.takes is Takes.VALUE)
