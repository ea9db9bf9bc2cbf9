"""Kinds of features: what can be measured or judged on an artifact."""

from crevlo.core.features.bleed import BLEED
from crevlo.core.features.change_seconds import CHANGE_SECONDS
from crevlo.core.features.diagonal import DIAGONAL
from crevlo.core.features.distance import DISTANCE
from crevlo.core.features.fit import FIT
from crevlo.core.features.force import FORCE
from crevlo.core.features.gap import GAP
from crevlo.core.features.kind import FeatureKind, Takes
from crevlo.core.features.length import LENGTH
from crevlo.core.features.lift import LIFT
from crevlo.core.features.look import LOOK
from crevlo.core.features.mass import MASS
from crevlo.core.features.overhang import OVERHANG
from crevlo.core.features.pillar import PILLAR
from crevlo.core.features.sag import SAG
from crevlo.core.features.scar import SCAR
from crevlo.core.features.seam import SEAM
from crevlo.core.features.seconds import SECONDS
from crevlo.core.features.span import SPAN
from crevlo.core.features.strings_mass import STRINGS_MASS
from crevlo.core.features.thickness import THICKNESS
from crevlo.core.features.tries import TRIES
from crevlo.core.features.under import UNDER
from crevlo.core.features.waste import WASTE
from crevlo.core.features.wave_height import WAVE_HEIGHT
from crevlo.core.features.waves import WAVES
from crevlo.core.features.width import WIDTH

KINDS: dict[str, FeatureKind] = {
    kind.code: kind
    for kind in (
        LENGTH, DIAGONAL, THICKNESS, LIFT, UNDER, GAP, PILLAR, SPAN, SAG, OVERHANG, DISTANCE, WAVES,
        WAVE_HEIGHT, WIDTH, MASS, WASTE, STRINGS_MASS, SECONDS, CHANGE_SECONDS, FIT, TRIES, FORCE, LOOK, SEAM, BLEED, SCAR,
    )
}  # fmt: skip
# Kinds that an instrument gives a number for; the others are judged.
MEASURED = frozenset(code for code, kind in KINDS.items() if kind.takes is Takes.VALUE)
# Kinds without which a specimen is whole.
OPTIONAL = frozenset(code for code, kind in KINDS.items() if kind.optional)
