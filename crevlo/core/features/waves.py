"""The distance over n waves after a corner."""

from crevlo.core.features.kind import EntryWay, FeatureKind, Takes

WAVES = FeatureKind(
    "waves", "Waves", Takes.VALUE, ("caliper", "gauge"), least=0.0, most=1000.0, entry=EntryWay.WAVES, over="waves", level="speed, mm/s",
)  # fmt: skip
