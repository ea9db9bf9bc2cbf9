"""Success, noise, energy, cost, defects and blinding."""

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from crevlo.core.blind import ALPHABET, blind_code, follows, place_in_queue, shuffled, shuffled_blocks
from crevlo.core.cost import CostInputs, cost_per_good_part, say_costs, say_ratio
from crevlo.core.defects import USUAL, specimen_quality
from crevlo.core.energy import integrate_counter, integrate_power
from crevlo.core.estimate import BadInput, NotDetermined
from crevlo.core.gaps import trace_energy
from crevlo.core.noise import at_distance_db, mean_level_db, without_background_db
from crevlo.core.success import fault_rate, success_chance

PLATE = CostInputs(
    price=540, upgrades=60, residual=120, life_h=4000, upkeep_per_h=0.05, parts_per_plate=8, part_g=14.2, purge_g=6,
    material_per_kg=22.5, energy_kwh=0.92, tariff_per_kwh=0.31, hours=6.4, labour_min=12, wage_per_h=18, success=0.9,
    loss_fraction=0.5, failed_labour_min=10,
)  # fmt: skip


def test_success_intervals() -> None:
    assert (success_chance(9, 10).low, success_chance(9, 10).high) == (
        pytest.approx(0.619, abs=5e-4), pytest.approx(0.989, abs=5e-4))  # fmt: skip
    never = success_chance(0, 4)
    assert (never.low, never.high) == (0.0, pytest.approx(0.445, abs=5e-4))
    assert success_chance(4, 4).high == 1.0
    with pytest.raises(BadInput):
        success_chance(3, 2)


def test_faults_compare_over_unequal_hours() -> None:
    rate = fault_rate(3, 412)
    assert (rate.low, rate.median, rate.high) == (
        pytest.approx(0.205, abs=5e-4), pytest.approx(0.770, abs=5e-4), pytest.approx(1.943, abs=5e-4))  # fmt: skip


def test_noise_levels() -> None:
    assert mean_level_db([52.1, 55.4, 53.0]) == pytest.approx(53.73, abs=0.005)
    assert without_background_db(55.4, 48.0) == pytest.approx(54.53, abs=0.005)
    assert without_background_db(60, 45) == 60
    assert at_distance_db(54.5, 0.5) == pytest.approx(48.48, abs=0.005)
    with pytest.raises(NotDetermined, match="quieter room"):
        without_background_db(50, 48)
    with pytest.raises(NotDetermined, match="distance"):
        at_distance_db(50, 5)


@given(st.lists(st.floats(1, 500), min_size=3, max_size=30), st.data())
def test_energy_of_a_trace_is_the_sum_of_its_parts(steps: list[float], data: st.DataObject) -> None:
    time = np.cumsum(steps)
    watts = np.array(data.draw(st.lists(st.floats(0, 500), min_size=len(steps), max_size=len(steps))))
    cut = data.draw(st.integers(1, len(steps) - 2))
    whole = integrate_power(time, watts)
    left, right = integrate_power(time[: cut + 1], watts[: cut + 1]), integrate_power(time[cut:], watts[cut:])
    assert whole.high_kwh >= left.high_kwh + right.high_kwh - 1e-12
    assert whole.low_kwh == pytest.approx(left.low_kwh + right.low_kwh)
    assert 0 <= whole.low_kwh <= whole.high_kwh
    assert len(whole.gaps) == sum(step > 30 for step in np.diff(time))


def test_a_gap_is_bounded_and_a_counter_reset_is_counted_on() -> None:
    gap = integrate_power(np.array([0.0, 10, 110, 120]), np.array([360.0, 360, 360, 360]))
    assert gap.low_kwh == pytest.approx(0.002)
    assert gap.high_kwh == pytest.approx(0.012)
    assert gap.kwh == pytest.approx(0.007)
    reset = integrate_counter(np.array([0.0, 10, 20, 30]), np.array([5.0, 6.0, 0.5, 1.5]))
    assert reset.kwh == pytest.approx(0.0025)


@pytest.mark.parametrize(
    "text",
    ["time;power\n0;360,0\n10;360,0\n", "Time (s),Power (W)\n0,360\n10,360\n",
     "timestamp\tW\n2026-11-02T10:00:00Z\t360\n2026-11-02T10:00:10Z\t360\n"],
)  # fmt: skip
def test_traces_of_different_habits_read_alike(text: str) -> None:
    assert trace_energy(text.encode()).kwh == pytest.approx(0.001)


@pytest.mark.parametrize("content", [b"\0" * 9000, b"a,b\n1,2\n", b"time,power\n0,x\n", b"time,power\n0,nan\n1,5\n", b"",
                                     b"time,power\n0,5\n1,1e400\n", "time,power\n".encode("utf-16")])  # fmt: skip
def test_a_bad_trace_is_refused_in_words(content: bytes) -> None:
    with pytest.raises(BadInput, match=r"CSV"):
        trace_energy(content)


def test_cost_per_good_part_with_its_make_up() -> None:
    cost = cost_per_good_part(PLATE)
    assert [round(x, 4) for x in (cost.material, cost.energy, cost.machine, cost.labour, cost.failures)] == [
        0.3364, 0.0357, 0.1360, 0.4500, 0.0699]  # fmt: skip
    assert cost.total == pytest.approx(1.0279, abs=5e-5)


@given(st.floats(0.05, 1), st.floats(0.05, 1))
def test_a_surer_machine_never_costs_more(p: float, q: float) -> None:
    from dataclasses import replace

    low, high = sorted((p, q))
    assert (
        cost_per_good_part(replace(PLATE, success=high)).total
        <= cost_per_good_part(replace(PLATE, success=low)).total
    )


def test_ratios_are_worded_both_ways() -> None:
    assert say_costs("A", 2.22, "B", 3.41, "EUR") == "A part costs 2.22 EUR on A, 3.41 on B: 35 % less."
    assert say_costs("A", 2, "B", 2.005, "EUR").endswith("on A and on B, within half a percent.")
    with pytest.raises(BadInput):
        say_costs("A", 3, "B", 2, "EUR")
    assert say_ratio("A", 72, "B", 100, "wastes") == "A wastes 28 % less than B; B wastes 39 % more than A."


def test_quality_from_severities() -> None:
    none = dict.fromkeys(USUAL, 0)
    assert specimen_quality(none).value == 100
    assert specimen_quality(dict.fromkeys(USUAL, 5)).value == pytest.approx(0)
    assert specimen_quality(none | {"shift": 5}).rejected_by == "Layer shift"
    with pytest.raises(NotDetermined, match="stringing"):
        specimen_quality({k: v for k, v in none.items() if k != "stringing"})
    with pytest.raises(BadInput):
        specimen_quality(none | {"warp": 6})


@given(st.integers(0, 2**32), st.integers(1, 200))
def test_blind_codes_are_unique_and_readable(seed: int, count: int) -> None:
    taken: set[str] = set()
    for _ in range(count):
        code = blind_code(taken, str(seed), f"print {len(taken)}")
        assert follows(code, str(seed), f"print {len(taken)}")
        assert code not in taken
        assert set(code) <= set(ALPHABET)
        taken.add(code)


def test_places_in_the_queue_come_from_the_secret_and_are_spread_evenly() -> None:
    places = [place_in_queue("a secret", str(n)) for n in range(2000)]
    assert all(0 <= p < 1 for p in places)
    assert np.histogram(places, bins=4, range=(0, 1))[0].tolist() == pytest.approx([500] * 4, abs=90)
    assert place_in_queue("another", "7") != places[7]


@given(st.integers(0, 2**32), st.lists(st.integers(), max_size=30, unique=True))
def test_shuffling_loses_nothing_and_repeats_from_its_seed(seed: int, items: list[int]) -> None:
    assert sorted(shuffled(items, seed)) == sorted(items)
    assert shuffled(items, seed) == shuffled(items, seed)
    blocks = [items[:5], items[5:]]
    assert set(shuffled_blocks(blocks, seed)[: len(blocks[0])]) == set(blocks[0])
