"""How two parts go together, from too tight to too loose."""

from crevlo.core.features.kind import FeatureKind, Takes

FIT = FeatureKind("fit", "Fit", Takes.WORD, words=("fused", "too tight", "tight", "snug", "loose", "falls off"))
