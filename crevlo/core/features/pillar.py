"""A thin post that should stand."""

from crevlo.core.features.kind import EntryWay, FeatureKind, Takes, Verdict

PILLAR = FeatureKind(
    "pillar",
    "Pillar",
    Takes.VERDICT,
    words=("broken", "leaning", "missing"),
    entry=EntryWay.LADDER,
    usually={"broken": Verdict.FAIL, "missing": Verdict.FAIL},
)
