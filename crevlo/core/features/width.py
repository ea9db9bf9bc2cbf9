"""The width at a marked height of a column, one after the other."""

from crevlo.core.features.kind import EntryWay, FeatureKind, Takes

WIDTH = FeatureKind(
    "width", "Width", Takes.VALUE, ("caliper",), least=0.0, far_off=2.0, usual_off=0.05, entry=EntryWay.COLUMN, level="height, mm", repeats=1,
)  # fmt: skip
