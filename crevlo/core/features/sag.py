"""How far the middle of a bridge hangs below its ends."""

from crevlo.core.features.kind import EntryWay, FeatureKind, Takes

SAG = FeatureKind(
    "sag", "Sag", Takes.VALUE, ("gauge", "caliper"), least=0.0, most=50.0, usual_off=0.5, entry=EntryWay.CALIPER, repeats=1,
    optional=True, level="span, mm",
)  # fmt: skip
