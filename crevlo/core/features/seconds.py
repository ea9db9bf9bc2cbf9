"""Time by hand, as a stopwatch takes it."""

from crevlo.core.features.kind import EntryWay, FeatureKind, Takes

SECONDS = FeatureKind(
    "seconds", "Time by hand", Takes.VALUE, ("stopwatch",), digits=0, least=0.0, most=86_400.0, unit="s", entry=EntryWay.STOPWATCH,
    repeats=1,
)  # fmt: skip
