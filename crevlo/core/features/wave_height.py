"""Heights of successive waves, the first after the corner first."""

from crevlo.core.features.kind import EntryWay, FeatureKind, Takes

WAVE_HEIGHT = FeatureKind(
    "wave height", "Wave height", Takes.VALUE, ("gauge", "caliper"), digits=3, least=0.0, most=10.0, entry=EntryWay.CALIPER,
    repeats=4, series=True, level="speed, mm/s", optional=True,
)  # fmt: skip
