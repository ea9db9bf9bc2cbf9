"""What supports left on the part: a look of 0 to 5."""

from crevlo.core.features.kind import FeatureKind, Takes

SCAR = FeatureKind("scar", "Support scars", Takes.LOOK)
