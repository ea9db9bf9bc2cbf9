"""An underside leaning from the vertical."""

from crevlo.core.features.kind import FeatureKind, Takes

OVERHANG = FeatureKind("overhang", "Overhang", Takes.VERDICT, words=("curled", "drooping", "strings hang"))
