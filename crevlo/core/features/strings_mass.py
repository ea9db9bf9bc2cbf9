"""What strings weigh that were pulled off."""

from crevlo.core.features.kind import EntryWay, FeatureKind, Takes

STRINGS_MASS = FeatureKind(
    "strings", "Mass of strings", Takes.VALUE, ("scale",), digits=3, least=0.0, most=1000.0, unit="g", entry=EntryWay.SCALE, repeats=1,
    optional=True,
)  # fmt: skip
