"""A bridge between two supports."""

from crevlo.core.features.kind import FeatureKind, Takes

SPAN = FeatureKind("span", "Bridge", Takes.VERDICT, words=("drooping", "strings hang", "broken"))
