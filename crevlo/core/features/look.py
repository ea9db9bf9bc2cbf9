"""A face to judge against anchors."""

from crevlo.core.features.kind import FeatureKind, Takes

LOOK = FeatureKind("look", "Look", Takes.LOOK)
