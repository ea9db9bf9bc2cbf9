"""An underside leaning from the vertical."""

from crevlo.core.features.kind import EntryWay, FeatureKind, Takes

OVERHANG = FeatureKind(
    "overhang", "Overhang", Takes.VERDICT, words=("curled", "drooping", "strings hang"), unit="°", entry=EntryWay.LADDER,
)  # fmt: skip
