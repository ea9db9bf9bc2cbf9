"""A corner that should lie flat: the thickest leaf that goes under, or a height."""

from crevlo.core.features.kind import EntryWay, FeatureKind, Takes

LIFT = FeatureKind(
    "lift", "Lift", Takes.VALUE, ("gauge", "caliper"), least=0.0, far_off=2.0, usual_off=0.2, entry=EntryWay.CALIPER
)
