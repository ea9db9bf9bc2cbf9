"""A thin post that should stand."""

from crevlo.core.features.kind import FeatureKind, Takes

PILLAR = FeatureKind("pillar", "Pillar", Takes.VERDICT, words=("broken", "leaning", "missing"))
