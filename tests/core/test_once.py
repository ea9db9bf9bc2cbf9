"""What specimens told is kept, and worked out again only where something of theirs has changed."""

from dataclasses import replace

import pytest
from hypothesis import given
from hypothesis import strategies as st

from crevlo.core.artifacts.shelf import DESIGNS
from crevlo.core.defects import DEFECTS
from crevlo.core.evaluations import EVALUATIONS
from crevlo.core.evidence import Instrument, Judgement, Reading, Specimen
from crevlo.core.features import KINDS
from crevlo.core.features.kind import Judged, Takes, Verdict
from crevlo.core.once import _made, once
from crevlo.core.readings import feature_estimates

TOOLS = {
    kind: Instrument(f"{kind} 1", kind, 0.01, 0.012, 0.008) for kind in ("caliper", "scale", "stopwatch", "gauge")
}
FEATURES = {code: {f.code: f for f in design.build().features} for code, design in DESIGNS.items()}
OF_SPECIMENS = [e for e in EVALUATIONS if e.of_specimen]
SAID = {
    Takes.VERDICT: Judged(Takes.VERDICT, verdict=Verdict.PASS), Takes.LOOK: Judged(Takes.LOOK, amount=2),
    Takes.COUNT: Judged(Takes.COUNT, amount=3),
}  # fmt: skip


@st.composite
def specimens(draw: st.DrawFn) -> Specimen:
    """Any artifact of the shelf, read and judged as far as it may be."""
    known = FEATURES[draw(st.sampled_from(sorted(FEATURES)))]
    off = draw(st.sampled_from([0.0, 0.01, 0.07]))
    kept = draw(st.integers(0, len(known)))
    readings, judgements = [], []
    for at, (code, feature) in enumerate(known.items()):
        kind = KINDS[feature.kind]
        if at >= kept:
            continue
        if kind.takes is Takes.VALUE:
            value = min(max((feature.nominal or 2.0) + off * (1 + at % 3), kind.least), kind.most)
            readings += [Reading(code, value + n * 0.01, "caliper") for n in range(kind.repeats or 1)]
        elif kind.takes in SAID:
            judgements.append(Judgement(code, SAID[kind.takes], "one"))
    return Specimen(known, tuple(readings), tuple(judgements), {"one": {DEFECTS[0].code: 1}})


def told(specimen: Specimen, tools: dict[str, Instrument]) -> list[object]:
    return [
        once(e.of_specimen, specimen, tools) for e in OF_SPECIMENS if e.of_specimen and e.takes(specimen.features)
    ]


def at_first(specimen: Specimen, tools: dict[str, Instrument]) -> list[object]:
    return [e.of_specimen(specimen, tools) for e in OF_SPECIMENS if e.of_specimen and e.takes(specimen.features)]


@given(specimens(), st.data())
def test_what_is_kept_is_what_would_be_told_at_first_whatever_changes(
    specimen: Specimen, data: st.DataObject
) -> None:
    assert told(specimen, TOOLS) == at_first(specimen, TOOLS)
    changed = [replace(specimen, severities={"one": {DEFECTS[0].code: 4}}), replace(specimen, severities={})]
    if specimen.readings:
        at = data.draw(st.integers(0, len(specimen.readings) - 1))
        one = specimen.readings[at]
        for other in (
            replace(one, value=(one.value or 0.0) + 0.02),
            replace(one, kelvin=4.0),
            replace(one, value=None),
        ):
            changed.append(replace(specimen, readings=(*specimen.readings[:at], other, *specimen.readings[at + 1 :])))
        changed.append(replace(specimen, readings=specimen.readings[:at]))
    if specimen.judgements:
        at = data.draw(st.integers(0, len(specimen.judgements) - 1))
        changed.append(replace(specimen, judgements=specimen.judgements[:at]))
    for after in changed:
        assert after != specimen
        assert told(after, TOOLS) == at_first(after, TOOLS)
    # The same readings with an instrument that is known worse.
    worse = TOOLS | {"caliper": replace(TOOLS["caliper"], u_calibration=0.05)}
    assert told(specimen, worse) == at_first(specimen, worse)


@given(specimens())
def test_equal_rows_are_worked_out_once_and_other_instruments_do_not_matter(specimen: Specimen) -> None:
    again = Specimen(dict(specimen.features), tuple(map(replace, specimen.readings)), specimen.judgements, dict(specimen.severities))  # fmt: skip
    assert (again, hash(again)) == (specimen, hash(specimen))
    told(specimen, TOOLS)
    before = _made.cache_info().misses
    told(again, TOOLS | {"unused": Instrument("other", "caliper", 0.5, 0.5, 0.5)})
    assert _made.cache_info().misses == before


def test_what_cannot_be_worked_out_is_asked_for_again() -> None:
    specimen = Specimen(FEATURES["SB"], (Reading("X1", 20.0, "lost"),))
    for _ in range(2):
        with pytest.raises(KeyError):
            once(feature_estimates, specimen, TOOLS)
    found = once(feature_estimates, specimen, TOOLS | {"lost": TOOLS["caliper"]})
    assert list(found) == ["X1"]
