"""What n changes of colour leave behind: purge, tower and flush together."""

from crevlo.core.features.kind import EntryWay, FeatureKind, Takes

WASTE = FeatureKind(
    "waste", "Waste", Takes.VALUE, ("scale",), least=0.0, most=100_000.0, unit="g", entry=EntryWay.SCALE, repeats=1, over="changes",
)  # fmt: skip
