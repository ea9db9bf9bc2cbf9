"""An outside or inside size along an axis."""

from crevlo.core.features.kind import EntryWay, FeatureKind, Takes

LENGTH = FeatureKind(
    "length", "Length", Takes.VALUE, ("caliper", "gauge"), least=0.0, far_off=2.0, usual_off=0.1, entry=EntryWay.CALIPER,
)  # fmt: skip
