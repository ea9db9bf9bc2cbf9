"""What prints tell beside sizes: the worked examples by `crevlo calc`, findings in words, and what must hold for any machine."""

import json
import math

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from scipy.signal import lombscargle

from crevlo.cli.calc import calculate
from crevlo.core.artifacts.shelf import DESIGNS
from crevlo.core.estimate import BadInput, Estimate, NotDetermined
from crevlo.core.evaluations import EVALUATIONS
from crevlo.core.evaluations.banding import BANDING, banding
from crevlo.core.evaluations.evaluation import Told
from crevlo.core.evaluations.flow import FLOW, Step, flow_limit
from crevlo.core.evaluations.ringing import Band, damping, ringing
from crevlo.core.evaluations.thresholds import BRIDGES, CLEARANCE, Easier, over_specimens, threshold
from crevlo.core.evaluations.words import words_of
from crevlo.core.evidence import Instrument, Judgement, Reading, Specimen
from crevlo.core.features import KINDS, MEASURED
from crevlo.core.features.feature import Feature, Kind
from crevlo.core.features.kind import Judged, Takes, Verdict

TOOLS = {
    "C": Instrument("C-1", "caliper", 0.01, 0.012, 0.008), "S": Instrument("S-1", "scale", 0.001, 0.0005, 0.001),
    "T": Instrument("T-1", "stopwatch", 0.1, 0.0, 0.3), "G": Instrument("G-1", "gauge", 0.05, 0.002, 0.01),
}  # fmt: skip
HOLD = {"caliper": "C", "scale": "S", "stopwatch": "T", "gauge": "G"}


def features(code: str) -> dict[str, Feature]:
    return {f.code: f for f in DESIGNS[code].build().features}


def by_code(told: Told) -> dict:
    return {f.quantity.code: f for f in told.findings}


def calc(topic: str, **given) -> dict:
    return json.loads(calculate(topic, json.dumps(given)))


def judged(known: dict[str, Feature], said: dict[str, Judged], rater: str = "one") -> Specimen:
    return Specimen(known, judgements=tuple(Judgement(code, what, rater) for code, what in said.items()))


PASS, FAIL = Judged(Takes.VERDICT, verdict=Verdict.PASS), Judged(Takes.VERDICT, verdict=Verdict.FAIL)


# the worked examples


def test_a_band_of_the_worked_example() -> None:
    z = "2.3 2.4 2.9 4.7 5.3 13.7 14.2 16.6 17.2 18.4 19.1 20.8 21.4 23.2 24.8 25.0 30.1 35.8 37.4 37.6 39.8 40.3 41.1 41.1 44.1 48.6 49.3 49.5 49.8 54.6 61.0 62.2 62.6 64.4 65.1 68.4 70.2 71.7 77.2 77.7"
    w = "10.03 10.03 9.99 10.00 9.97 10.00 10.02 10.03 9.97 10.02 9.99 10.01 9.96 9.97 10.01 9.98 10.03 10.00 9.98 9.99 9.99 10.03 9.97 9.98 10.01 10.01 9.97 9.98 10.01 10.01 9.98 10.03 10.00 10.03 9.98 10.04 10.03 9.99 9.97 9.99"
    heights, widths = [float(x) for x in z.split()], [float(x) for x in w.split()]
    made = calc("banding", heights_mm=heights, widths_mm=widths, shortest_mm=0.8, longest_mm=20, seed=1)
    assert made["pitch_mm"] == pytest.approx(1.998, abs=1.5e-3)
    assert (made["amplitude_mm"], made["power"]) == (pytest.approx(0.0285, abs=1e-4), pytest.approx(0.894, abs=1e-3))
    assert made["false_alarm"] == pytest.approx(0.002, abs=5e-4)
    # The power is what a library's periodogram of the same widths reaches.
    known = lombscargle(np.array(heights), np.array(widths), np.array([2 * np.pi / made["pitch_mm"]]), floating_mean=True, normalize=True)  # fmt: skip
    assert made["power"] == pytest.approx(float(np.ravel(known)[0]), abs=1e-9)


@pytest.mark.parametrize(
    ("slow", "fast", "hz", "mm", "follows"),
    [
        ([1.28, 1.31, 1.26], [2.57, 2.63, 2.55], (46.57, 0.33, 0.66), None, "frequency"),
        ([1.98, 2.03, 2.01], [2.02, 1.97, 2.04], None, (2.008, 0.012, 0.90), "pitch"),
    ],
)
def test_waves_of_the_worked_examples(slow, fast, hz, mm, follows) -> None:
    bands = [{"speed_mm_s": 60, "spacings_mm": slow}, {"speed_mm_s": 120, "spacings_mm": fast}]
    made = calc("ringing", bands=bands, resolution_mm=0)
    assert made["follows"] == follows
    for name, p, expected in (("frequency_hz", "p_frequency", hz), ("pitch_mm", "p_pitch", mm)):
        if expected is None:
            assert made[p] == pytest.approx(0, abs=1e-3)
        else:
            value, u, chance = expected
            assert (made[name]["value"], made[name]["u"]) == (
                pytest.approx(value, abs=6e-3),
                pytest.approx(u, abs=6e-3),
            )
            assert made[p] == pytest.approx(chance, abs=6e-3)
    assert calc("ringing", bands=bands[:1], resolution_mm=0)["follows"] == "both"
    assert calc("damping", amplitudes=[0.12, 0.075, 0.05, 0.03])["ratio"] == pytest.approx(0.0733, abs=5e-5)


def test_limits_of_the_worked_examples() -> None:
    gaps = [{"level": x, "passed": x >= 0.2} for x in (0.5, 0.4, 0.3, 0.25, 0.2, 0.15, 0.1, 0.05)]
    made = calc("threshold", steps=gaps, easier="larger")
    assert (made["limit"], made["next"], made["monotone"]) == (0.2, 0.15, True)
    fan = [{"level": x, "passed": x not in (45, 55)} for x in (20, 30, 40, 45, 50, 55)]
    made = calc("threshold", steps=fan, easier="smaller")
    assert (made["limit"], made["next"], made["monotone"], made["exceptions"]) == (40, 45, False, [50])
    none = calc("threshold", steps=[{"level": x, "passed": False} for x in (20, 30)], easier="smaller")
    assert (none["limit"], none["next"]) == (None, 20)


def test_the_flow_limit_of_the_worked_example() -> None:
    masses = [1.99, 1.97, 1.96, 1.93, 1.84, 1.62]
    steps = [{"flow_mm3_s": 4 * (k + 1), "expected_g": 2.0, "measured_g": m} for k, m in enumerate(masses)]
    made = calc("flow", steps=steps, u_g=0.005)["limit_mm3_s"]
    assert made["value"] == pytest.approx(18.18, abs=5e-3)
    assert 0.3 < made["U"] < 0.6
    with pytest.raises(NotDetermined, match="above 16"):
        calculate("flow", json.dumps({"steps": steps[:4], "u_g": 0.005}))


def test_orientation_of_the_worked_example() -> None:
    made = calc("orientation", groups={"X": [0.06, 0.07, 0.05], "Y": [0.02, 0.03, 0.03], "45°": [0.05, 0.04, 0.05], "up": [-0.01, 0, 0.01]})  # fmt: skip
    assert (made["spread_mm"], made["F"], made["p"]) == (
        pytest.approx(0.06), pytest.approx(30.67, abs=5e-3), pytest.approx(1e-4, abs=5e-5))  # fmt: skip


# what must hold for any machine


@given(st.integers(0, 2**32 - 1), st.floats(1.0, 15.0), st.floats(0.02, 0.2))
def test_a_clean_band_is_found_at_its_pitch(seed: int, pitch: float, amplitude: float) -> None:
    rng = np.random.default_rng(seed)
    z = np.sort(rng.uniform(0, 110, 30))
    made = banding(z, 15 + amplitude * np.sin(2 * np.pi * z / pitch + rng.uniform(0, 6)) + rng.normal(0, amplitude / 20, 30))  # fmt: skip
    assert made.is_band
    assert made.pitch_mm == pytest.approx(pitch, rel=0.01)
    assert made.amplitude_mm == pytest.approx(amplitude, rel=0.1)


@given(st.floats(5, 200), st.floats(0.2, 4.0))
def test_waves_of_a_resonance_grow_with_speed_and_those_of_a_tooth_do_not(hz: float, pitch: float) -> None:
    at = {v: tuple(v / hz + e for e in (-0.002, 0.0, 0.002)) for v in (60.0, 120.0)}
    made = ringing([Band(v, s) for v, s in at.items()], 0.01)
    assert made.follows == "frequency" or (60 / hz < 0.05 and made.follows == "both")
    assert made.frequency_hz.value == pytest.approx(hz, rel=0.02)
    same = ringing([Band(v, (pitch - 0.002, pitch, pitch + 0.002)) for v in at], 0.01)
    assert same.follows == "pitch"
    assert same.pitch_mm.value == pytest.approx(pitch, rel=1e-6)


@given(st.lists(st.booleans(), min_size=1, max_size=12), st.sampled_from(Easier))
def test_a_limit_and_all_easier_rungs_passed(passed: list[bool], easier: Easier) -> None:
    steps = [(float(k), p) for k, p in enumerate(passed)]
    made = threshold(steps, easier)
    ordered = steps if easier is Easier.SMALLER else steps[::-1]
    upto = next((k for k, (_, p) in enumerate(ordered) if not p), len(ordered))
    assert made.limit == (ordered[upto - 1][0] if upto else None)
    assert made.next == (ordered[upto][0] if upto < len(ordered) else None)
    assert set(made.exceptions) == {level for level, p in ordered[upto:] if p}
    assert threshold(steps[::-1], easier) == made


@given(st.floats(0.5, 2), st.floats(9, 27), st.floats(0.05, 0.3))
def test_density_cancels_in_the_flow_limit(density: float, limit: float, steepness: float) -> None:
    def mass(flow: float) -> float:
        # Exactly what is allowed is missing at the limit.
        return density * 2 * (1 - max(0.0, 0.05 + steepness / 10 * (flow - limit)))

    steps = [Step(f, 2.0, mass(f)) for f in (2.0, 3.0, *(4.0 * k for k in range(1, 9)))]
    if mass(2.0) != mass(3.0) or limit + 5 > 32:
        return
    found = flow_limit(steps, 0.0)
    assert found.value == pytest.approx(limit, abs=2.1)
    same = flow_limit([Step(s.flow_mm3_s, s.expected_g, s.measured_g * 3) for s in steps], 0.0)
    assert same.value == pytest.approx(found.value, rel=1e-9)


def test_waves_that_die_in_a_steady_ratio_have_its_damping() -> None:
    for ratio in (0.01, 0.05, 0.3):
        decrement = 2 * math.pi * ratio / math.sqrt(1 - ratio**2)
        assert damping([math.exp(-decrement * k) for k in range(5)]) == pytest.approx(ratio, rel=1e-9)
    with pytest.raises(NotDetermined):
        damping([0.1])
    with pytest.raises(BadInput):
        damping([0.1, 0.0])


def test_limits_of_several_specimens_keep_the_step_they_are_known_to() -> None:
    made = over_specimens([0.2, 0.25, 0.2], 0.05)
    assert (made.median, made.low, made.high) == (0.2, 0.2, 0.25)
    assert made.mean.u == pytest.approx(math.sqrt((0.05**2 / 3) / 3 + 0.05**2 / 12), rel=0.35)
    assert over_specimens([0.2], 0.05).mean.u == pytest.approx(0.05 / math.sqrt(12))


# of specimens, in words


def test_a_comb_says_how_far_it_frees_while_it_is_judged_and_where_it_stops() -> None:
    comb = features("CC")
    order = sorted(comb, key=lambda c: -comb[c].nominal)
    begun = CLEARANCE.of_specimen(judged(comb, dict.fromkeys(order[:4], PASS)), TOOLS)
    assert begun.findings[0].says.amount == "0.35 mm at least"
    assert isinstance(begun.findings[0].value, NotDetermined)
    pliers = Judged(Takes.VERDICT, verdict=Verdict.PARTLY, word="with pliers")
    said = dict.fromkeys(order[:6], PASS) | {order[6]: pliers, order[7]: FAIL, order[8]: PASS}
    told = by_code(CLEARANCE.of_specimen(judged(comb, said), TOOLS))
    assert told["gap.free"].value.value == pytest.approx(0.25)
    assert told["gap.tool"].value.value == pytest.approx(0.20)
    assert told["gap.tool"].says.meaning == "Failed at 0.15 mm. 0.10 mm passed beyond that and does not count."
    none = by_code(CLEARANCE.of_specimen(judged(comb, {order[0]: FAIL}), TOOLS))
    assert (none["gap.free"].says.headline, none["gap.free"].value.value) == ("No gap came free", pytest.approx(0.55))
    every = by_code(CLEARANCE.of_specimen(judged(comb, dict.fromkeys(order, PASS)), TOOLS))
    assert every["gap.free"].says.headline == "Every gap came free"
    two = judged(comb, dict.fromkeys(order[:6], PASS) | {order[6]: FAIL})
    other = judged(comb, dict.fromkeys(order[:4], PASS) | {order[4]: FAIL}, "two")
    both = Specimen(comb, judgements=two.judgements + other.judgements)
    assert by_code(CLEARANCE.of_specimen(both, TOOLS))["gap.free"].value.value == pytest.approx(0.30)


def test_a_bridge_sags_only_where_it_is_clean() -> None:
    ladder = features("BL")
    said = {f"S{n}": PASS if n <= 40 else FAIL for n in range(10, 90, 10)}
    sags = tuple(Reading(f"D{n}", n / 100, "G") for n in (20, 40, 60))
    told = by_code(BRIDGES.of_specimen(Specimen(ladder, sags, judged(ladder, said).judgements), TOOLS))
    assert told["bridge.long"].value.value == 40
    assert told["bridge.sag"].value.value == pytest.approx(0.4)


def test_a_column_without_a_band_says_so_and_what_would_hide() -> None:
    column = features("ZC")
    rng = np.random.default_rng(3)
    widths = [f for f in column.values() if f.kind is Kind.WIDTH]
    flat = Specimen(column, tuple(Reading(f.code, 15 + rng.normal(0, 0.01), "C") for f in widths))
    told = by_code(BANDING.of_specimen(flat, TOOLS))
    assert told["band.amplitude"].says.headline == "No band told apart"
    assert told["band.amplitude"].value.value == 0
    assert isinstance(told["band.pitch"].value, NotDetermined)
    assert [s.headline for s in words_of(BANDING.of_specimen(flat, TOOLS).findings)].count("No band told apart") == 1
    wavy = Specimen(
        column, tuple(Reading(f.code, 15 + 0.03 * math.sin(2 * math.pi * f.level / 8), "C") for f in widths)
    )
    told = by_code(BANDING.of_specimen(wavy, TOOLS))
    assert told["band.pitch"].value.value == pytest.approx(8, abs=0.1)
    assert "screw" in told["band.pitch"].points_to


def test_a_ladder_of_flow_waits_for_its_slow_pieces() -> None:
    ladder = features("FL")
    codes = list(ladder)
    masses = {c: ladder[c].nominal * (1 if ladder[c].level < 20 else 0.8) for c in codes}
    begun = Specimen(ladder, tuple(Reading(c, masses[c], "S") for c in codes[2:]))
    assert "slowest" in by_code(FLOW.of_specimen(begun, TOOLS))["flow.limit"].value.needs
    whole = Specimen(ladder, tuple(Reading(c, masses[c], "S") for c in codes))
    assert 16 < by_code(FLOW.of_specimen(whole, TOOLS))["flow.limit"].value.value < 20


def say(feature: Feature) -> Judged:
    kind = KINDS[feature.kind]
    if kind.takes is Takes.VERDICT:
        return PASS
    if kind.takes is Takes.WORD:
        return Judged(Takes.WORD, 3, word=kind.words[3])
    return Judged(kind.takes, 1)


@pytest.mark.parametrize("design", DESIGNS.values(), ids=lambda d: d.code)
def test_every_artifact_says_what_it_tells_once_it_is_measured_and_judged(design) -> None:
    known = {f.code: f for f in design.build().features}
    readings = tuple(
        Reading(f.code, 3.0 if f.kind in (Kind.WAVES, Kind.SECONDS) else f.nominal or 0.01, HOLD[KINDS[f.kind].instruments[0]], over=3 if KINDS[f.kind].over else 1)
        for f in known.values() if f.kind in MEASURED
        for _ in range(2)
    )  # fmt: skip
    said = judged(known, {c: say(f) for c, f in known.items() if f.kind not in MEASURED}).judgements
    specimen = Specimen(known, readings, said)
    told = [
        f for e in EVALUATIONS if e.of_specimen and e.takes(known) for f in e.of_specimen(specimen, TOOLS).findings
    ]
    assert told
    waits = {f.quantity.code: f.value.needs for f in told if isinstance(f.value, NotDetermined)}
    # A perfect ladder falls short nowhere, a perfect column has no band, a ringing that is the same at both speeds no frequency.
    assert set(waits) <= {"flow.limit", "band.pitch", "band.amplitude", "scale.x", "scale.y", "scale.z", "wall.offset", "first.layer", "hole.offset"}  # fmt: skip
    for f in told:
        assert set(f.made_from) <= set(known), f.quantity.code
        assert f.says.headline
        if isinstance(f.value, Estimate):
            assert math.isfinite(f.value.value)
            assert math.isfinite(f.value.expanded)
        assert f.points_to is None or ". " in f.points_to, f"{f.quantity.code} names no confirmation"


def test_half_an_artifact_never_says_more_than_it_knows() -> None:
    """Nothing entered tells nothing; every prefix of entries tells only what is finite or says what it needs."""
    for design in DESIGNS.values():
        known = {f.code: f for f in design.build().features}
        empty = Specimen(known)
        for e in EVALUATIONS:
            if e.of_specimen is None or not e.takes(known):
                continue
            for f in e.of_specimen(empty, TOOLS).findings:
                assert isinstance(f.value, NotDetermined), (design.code, f.quantity.code)
            first = next((f for f in known.values() if f.kind in MEASURED), None)
            if first is None:
                continue
            one = Specimen(
                known, (Reading(first.code, first.nominal or 0.1, HOLD[KINDS[first.kind].instruments[0]]),)
            )
            for f in e.of_specimen(one, TOOLS).findings:
                assert isinstance(f.value, NotDetermined) or math.isfinite(f.value.value)
