"""Phases of a run and their energy: parts that sum to the whole, steps found in noise."""

import math

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from crevlo.core.energy import Columns, heading_of, integrate_power, read_log
from crevlo.core.estimate import BadInput, NotDetermined
from crevlo.core.gaps import trace_energy
from crevlo.core.phases import Phase, change_points, guess_spans, power_by_phase, spans, total_s
from crevlo.core.ratio import time_ratio

MARKS = st.lists(st.tuples(st.floats(-50, 1100), st.sampled_from(list(Phase))), min_size=1, max_size=8)


def test_spans_run_from_mark_to_mark() -> None:
    marks = [(300.0, Phase.PRINTING), (0.0, Phase.LEVELLING), (120.0, Phase.WARM_UP), (400.0, Phase.PRINTING)]
    assert [(s.phase, s.begin_s, s.end_s) for s in spans(marks, 10, 900)] == [
        (Phase.LEVELLING, 10, 120), (Phase.WARM_UP, 120, 300), (Phase.PRINTING, 300, 900),
    ]  # fmt: skip
    assert spans([], 0, 10) == []
    with pytest.raises(BadInput, match="end"):
        spans(marks, 10, 5)


@given(MARKS, st.integers(0, 2**32))
def test_the_phases_energies_sum_to_that_of_the_stretch_they_cover(
    marks: list[tuple[float, Phase]], seed: int
) -> None:
    rng = np.random.default_rng(seed)
    at = np.unique(np.r_[0.0, rng.uniform(0, 1000, 200), 1000.0])
    watts = rng.uniform(0, 400, len(at))
    found = spans(marks, 0.0, 1000.0)
    assert sum(total_s(found).values()) == pytest.approx(sum(s.seconds for s in found))
    covered = [s for s in found if s.seconds > 1e-6]
    if not covered:
        return
    begin, end = covered[0].begin_s, covered[-1].end_s
    inside = (at > begin) & (at < end)
    whole_at = np.r_[begin, at[inside], end]
    whole = integrate_power(whole_at - begin, np.interp(whole_at, at, watts), longest_step_s=1e9)
    by_phase = power_by_phase(at, watts, covered)
    assert sum(p.energy.kwh for p in by_phase) == pytest.approx(whole.kwh, rel=1e-6, abs=1e-12)
    for p in by_phase:
        assert p.mean_w * p.seconds / 3.6e6 == pytest.approx(p.energy.kwh, rel=1e-6, abs=1e-12)
        assert p.mean_w - 1e-9 <= p.peak_w
        assert p.p95_w <= p.peak_w


def test_a_plateau_has_its_figures_and_a_gap_its_bounds() -> None:
    at = np.r_[np.arange(0, 600, 5.0), np.arange(900, 1801, 5.0)]
    watts = np.where(at < 300, 400.0, 100.0)
    marks = [(0.0, Phase.WARM_UP), (300.0, Phase.PRINTING)]
    warm, printing = power_by_phase(at, watts, spans(marks, 0, 1800))
    assert warm.peak_w == 400
    assert printing.energy.low_kwh == pytest.approx(100 * (1500 - 305) / 3.6e6, rel=0.01)
    assert printing.energy.high_kwh == pytest.approx(100 * 1500 / 3.6e6, rel=0.01)
    assert printing.p95_w == 100


@pytest.mark.parametrize("seed", range(6))
def test_steps_are_found_in_noise_and_named(seed: int) -> None:
    rng = np.random.default_rng(seed)
    at = np.cumsum(rng.uniform(1.5, 2.5, 2400))
    level = np.select([at < 320, at < 4300, at < 4600], [310.0, 95.0, 40.0], 6.0)
    watts = np.maximum(0, level * (1 + rng.normal(0, 0.06, len(at))))
    edges = change_points(at, watts)
    assert len(edges) == 5
    assert edges[1:4] == pytest.approx([320, 4300, 4600], abs=25)
    found = guess_spans(at, watts)
    assert [s.phase for s in found] == [Phase.WARM_UP, Phase.PRINTING, Phase.COOLING, Phase.STANDBY]


def test_what_is_steady_has_no_steps_and_a_scrap_is_not_enough() -> None:
    rng = np.random.default_rng(1)
    at = np.arange(0, 3000, 5.0)
    assert len(change_points(at, rng.normal(80, 3, len(at)))) == 2
    with pytest.raises(NotDetermined, match="minute"):
        guess_spans(at[:4], np.ones(4))


def test_times_against_estimates_are_compared_by_their_ratio() -> None:
    ratio = time_ratio([(110, 100), (99, 90), (220, 200)])
    assert ratio.mean == pytest.approx(1.1)
    assert ratio.spread == pytest.approx(1)
    uneven = time_ratio([(100, 50), (50, 100)])
    assert uneven.mean == pytest.approx(1)
    assert uneven.spread == pytest.approx(math.exp(math.sqrt(2) * math.log(2)))
    assert time_ratio([(5, 4)]).spread is None
    with pytest.raises(NotDetermined):
        time_ratio([])


PLAIN = "time,power_w\n0,100\n60,100\n120,100\n"


@pytest.mark.parametrize(
    ("text", "columns"),
    [
        (PLAIN, Columns()),
        ("Zeit;Leistung in kW\n0;0,1\n60;0,1\n120;0,1\n", Columns(time="Zeit", power="Leistung in kW")),
        ("Datum;Uhrzeit;P\n24.10.2026;09:00:00;100,0\n24.10.2026;09:01:00;100,0\n24.10.2026;09:02:00;100,0\n",
         Columns(time="Uhrzeit", date="Datum", power="P", time_format="%d.%m.%Y %H:%M:%S", zone="Europe/Berlin")),
        ("time\tI\tU\n0\t0.5\t200\n60\t0.5\t200\n120\t0.5\t200\n", Columns(current="I", voltage="U")),
        ("time;w\n0;1.000,5\n60;1.000,5\n120;1.000,5\n", None),
        ("time,energy kWh\n0,0.01\n60,0.011666666667\n120,0.013333333333\n", Columns()),
    ],
    ids=["plain", "kW, comma", "date and time", "A and V", "thousands", "kWh counter"],
)  # fmt: skip
def test_a_log_is_read_in_the_form_that_it_has(text: str, columns: Columns | None) -> None:
    found = trace_energy(text.encode(), columns)
    expected = (1000.5 if columns is None else 100) * 120 / 3.6e6
    assert found.kwh == pytest.approx(expected, rel=1e-6) or found.high_kwh == pytest.approx(expected, rel=1e-6)
    assert found.duration_s == 120


def test_local_times_count_through_the_change_of_the_clock() -> None:
    rows = ["2026-10-25T02:30:00", "2026-10-25T03:30:00"]
    log = "time,power\n" + "".join(f"{r},60\n" for r in rows)
    # In Berlin the hour from two to three comes twice that night.
    _, at, _ = read_log(log.encode(), Columns(zone="Europe/Berlin"))
    assert at[1] - at[0] == 7200
    _, plain, _ = read_log(log.encode(), Columns())
    assert plain[1] - plain[0] == 3600


@pytest.mark.parametrize(
    ("columns", "words"),
    [
        (Columns(time="Uhr"), "no Uhr column"),
        (Columns(current="power_w"), "A and one of V"),
        (Columns(zone="Mars/North"), "time zone"),
        (Columns(time_format="%H:%M"), "line 2"),
    ],
)
def test_a_column_that_is_not_there_is_named(columns: Columns, words: str) -> None:
    with pytest.raises(BadInput, match=words):
        read_log(PLAIN.encode(), columns)


def test_the_heading_is_shown_to_choose_by() -> None:
    assert heading_of(PLAIN.encode()) == (["time", "power_w"], [["0", "100"], ["60", "100"], ["120", "100"]])
    with pytest.raises(BadInput, match="binary"):
        heading_of(b"\0\1\2")
