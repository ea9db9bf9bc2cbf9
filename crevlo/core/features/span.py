"""A bridge between two supports."""

from crevlo.core.features.kind import EntryWay, FeatureKind, Takes, Verdict

SPAN = FeatureKind(
    "span",
    "Bridge",
    Takes.VERDICT,
    words=("drooping", "strings hang", "broken"),
    entry=EntryWay.LADDER,
    usually={"broken": Verdict.FAIL},
)
