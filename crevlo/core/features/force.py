"""What a scale shows as two parts close."""

from crevlo.core.features.kind import EntryWay, FeatureKind, Takes

FORCE = FeatureKind(
    "force", "Force", Takes.VALUE, ("scale",), digits=0, least=0.0, most=100_000.0, unit="g", entry=EntryWay.SCALE, repeats=1,
    optional=True,
)  # fmt: skip
