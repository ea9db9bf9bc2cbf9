"""What a piece weighs."""

from crevlo.core.features.kind import EntryWay, FeatureKind, Takes

MASS = FeatureKind(
    "mass", "Mass", Takes.VALUE, ("scale",), digits=3, least=0.0, most=100_000.0, unit="g", entry=EntryWay.SCALE, level="flow, mm³/s; 0 of a whole part", repeats=1,
)  # fmt: skip
