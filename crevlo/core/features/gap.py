"""Space between two bodies that should come free."""

from crevlo.core.features.kind import FeatureKind, Takes

GAP = FeatureKind(
    "gap", "Gap", Takes.VERDICT, words=("falls free", "by hand", "with pliers", "broke", "fused"),
)  # fmt: skip
