"""Where layers begin and end: a look of 0 to 5."""

from crevlo.core.features.kind import FeatureKind, Takes

SEAM = FeatureKind("seam", "Seam", Takes.LOOK)
