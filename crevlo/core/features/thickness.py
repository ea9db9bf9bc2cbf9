"""A thin wall or sheet; a look may stand beside it."""

from crevlo.core.features.kind import EntryWay, FeatureKind, Takes

THICKNESS = FeatureKind(
    "thickness", "Thickness", Takes.VALUE, ("caliper", "gauge"), least=0.0, far_off=2.0, usual_off=0.05, looked_at=True,
    entry=EntryWay.MAP,
)  # fmt: skip
