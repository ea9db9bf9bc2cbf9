"""Space between two bodies that should come free."""

from crevlo.core.features.kind import EntryWay, FeatureKind, Takes, Verdict

GAP = FeatureKind(
    "gap", "Gap", Takes.VERDICT, words=("falls free", "by hand", "with pliers", "broke", "fused"), entry=EntryWay.LADDER,
    usually={"falls free": Verdict.PASS, "by hand": Verdict.PASS, "broke": Verdict.FAIL, "fused": Verdict.FAIL},
)  # fmt: skip
