"""An outside size across corners, for squareness."""

from crevlo.core.features.kind import EntryWay, FeatureKind, Takes

DIAGONAL = FeatureKind(
    "diagonal", "Diagonal", Takes.VALUE, ("caliper",), least=0.0, far_off=2.0, usual_off=0.2, entry=EntryWay.CALIPER
)
