"""Time of n changes of colour."""

from crevlo.core.features.kind import EntryWay, FeatureKind, Takes

CHANGE_SECONDS = FeatureKind(
    "change seconds", "Time of changes", Takes.VALUE, ("stopwatch",), digits=0, least=0.0, most=86_400.0, unit="s",
    entry=EntryWay.STOPWATCH, repeats=1, over="changes",
)  # fmt: skip
