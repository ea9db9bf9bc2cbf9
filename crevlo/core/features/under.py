"""Whether a gauge of 1 mm goes under any corner that should lie flat: fail where it does."""

from crevlo.core.features.kind import FeatureKind, Takes, Verdict

UNDER = FeatureKind(
    "under",
    "Gauge under",
    Takes.VERDICT,
    words=("one corner", "several corners"),
    usually={"one corner": Verdict.FAIL, "several corners": Verdict.FAIL},
)
