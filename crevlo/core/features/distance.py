"""Free travel between posts, where ooze shows: how many strings."""

from crevlo.core.features.kind import FeatureKind, Takes

DISTANCE = FeatureKind("distance", "Free travel", Takes.COUNT)
