"""Colour where another should be: a look of 0 to 5."""

from crevlo.core.features.kind import FeatureKind, Takes

BLEED = FeatureKind("bleed", "Colour bleed", Takes.LOOK)
