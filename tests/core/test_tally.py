"""Places counted in stretches on all cores are those that counting one draw after another gives."""

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from crevlo.core.estimate import NotDetermined, made_of
from crevlo.core.ranking.chances import STEP, draw_values, pair_chances, rank_chances
from crevlo.core.ranking.points import normalised
from crevlo.core.ranking.value import linear

SPREAD = 0.3


def weights_of(weights: list[float], draws: int, seed: int) -> np.ndarray:
    """The drawn weights, as their definition says: each evenly within ± 30 %, then shares."""
    rng = np.random.default_rng([seed, 1])
    moved = rng.random((len(weights), draws), dtype=np.float32) * np.float32(2 * SPREAD) + np.float32(1 - SPREAD)
    moved *= normalised(weights).astype(np.float32)[:, None]
    return moved / moved.sum(axis=0)


def counted_one_by_one(totals: np.ndarray) -> tuple[np.ndarray, np.ndarray]:
    """Shares of the places, level machines sharing those that they span, and how often each is above each, level by half."""
    machines, draws = totals.shape
    rank, beats = np.zeros((machines, machines)), np.zeros((machines, machines))
    for column in totals.T:
        for m in range(machines):
            above, level = int((column > column[m]).sum()), int((column == column[m]).sum())
            rank[m, above : above + level] += 1 / level
            beats[m] += (column[m] > column) + (column[m] == column) / 2
    beats -= np.diag(np.diag(beats))
    return rank / draws, beats / draws


# Stretches end at 2048 draws; above half a million values they are shared out to all cores.
SIZES = st.tuples(st.integers(1, 3), st.integers(1, 9), st.sampled_from([1, 2, 511, 2049]))


@settings(max_examples=40, deadline=None)
@given(SIZES, st.integers(0, 2**31), st.sampled_from([1, 3, 1000]))
def test_places_and_pairs_are_those_of_counting_one_by_one(size: tuple[int, int, int], seed: int, steps: int) -> None:
    criteria, machines, draws = size
    rng = np.random.default_rng(seed)
    # Few steps make many level totals.
    values = rng.integers(0, steps + 1, (criteria, machines, draws)).astype(np.float32) * np.float32(100 / steps)
    weights = rng.uniform(0.1, 5, criteria).tolist()
    made = rank_chances(weights, values, seed, SPREAD)
    drawn = weights_of(weights, draws, seed)
    totals = np.zeros((machines, draws), np.float32)
    for c in range(criteria):
        totals += values[c] * drawn[c]
    rank, beats = counted_one_by_one(totals)
    # The order of a sum may make level what another order does not, in a draw or two.
    near = 3 / draws if criteria > 1 else 1e-9
    assert made.rank == pytest.approx(rank, abs=near)
    pairs = pair_chances(weights, values, seed, SPREAD)
    assert pairs.beats == pytest.approx(beats, abs=near)
    assert made.rank.sum(axis=0) == pytest.approx(1)
    assert made.rank.sum(axis=1) == pytest.approx(1)
    assert pairs.beats + pairs.beats.T + np.eye(machines) == pytest.approx(1)


@settings(max_examples=20, deadline=None)
@given(SIZES, st.integers(0, 2**31))
def test_values_in_steps_tell_the_same(size: tuple[int, int, int], seed: int) -> None:
    criteria, machines, draws = size
    rng = np.random.default_rng(seed)
    steps = rng.integers(0, 65536, (criteria, machines, draws)).astype(np.uint16)
    weights = rng.uniform(0.1, 5, criteria).tolist()
    in_steps, in_points = (rank_chances(weights, v, seed, SPREAD) for v in (steps, steps * STEP))
    for what in ("rank", "ahead"):
        # What lies within the last digit of a sum may fall either way.
        assert getattr(in_steps, what) == pytest.approx(getattr(in_points, what), abs=2 / draws)
    for what in ("expanded", "between"):
        assert getattr(in_steps, what) == pytest.approx(getattr(in_points, what), abs=1e-3)


@settings(max_examples=10, deadline=None)
@given(st.integers(1, 5), st.integers(0, 99))
def test_values_are_drawn_the_same_in_steps_and_in_points(machines: int, seed: int) -> None:
    figures = [[made_of(50.0 + m, 4.0), NotDetermined("a reading")] for m in range(machines)]
    points, steps = (
        draw_values(figures, [linear(0, 100), linear(0, 1)], seed, 500, in_steps=s) for s in (False, True)
    )
    assert steps.dtype == np.uint16
    assert np.abs(points - steps * STEP).max() <= STEP / 2 * 1.01
    assert points.min() >= 0
    assert points.max() <= 100


@settings(max_examples=25, deadline=None)
@given(st.integers(2, 7), st.sampled_from([1, 2, 3, 40, 4000]), st.integers(0, 2**31))
def test_intervals_hold_the_middle_95_percent_of_the_readings_alone(machines: int, draws: int, seed: int) -> None:
    rng = np.random.default_rng(seed)
    values = rng.normal(50, 15, (2, machines, draws)).clip(0, 100).astype(np.float32)
    made = rank_chances([3, 1], values, seed, SPREAD)
    held = values[0] * np.float32(0.75) + values[1] * np.float32(0.25)
    low, high = np.percentile(held, [2.5, 97.5], axis=1)
    assert made.expanded == pytest.approx((high - low) / 2, abs=1e-3)
    leader = int(np.argmax(made.rank[:, 0]))
    low, high = np.percentile(held[leader] - held, [2.5, 97.5], axis=1)
    assert made.between == pytest.approx((high - low) / 2, abs=1e-3)
    ahead = (held[leader] > held).mean(axis=1) + (held[leader] == held).mean(axis=1) / 2
    ahead[leader] = 1
    assert made.ahead == pytest.approx(ahead, abs=3 / draws)


def test_many_machines_are_shared_out_to_all_cores_and_told_the_same() -> None:
    rng = np.random.default_rng(5)
    values = rng.normal(50, 10, (10, 40, 1300)).astype(np.float32)
    values[:, 7] = values[:, 8]
    made = rank_chances([1] * 10, values, 3, SPREAD)
    drawn = weights_of([1] * 10, 1300, 3)
    totals = (values * drawn[:, None]).sum(axis=0)
    rank, beats = counted_one_by_one(totals)
    assert made.rank == pytest.approx(rank, abs=3e-3)
    pairs = pair_chances([1] * 10, values, 3, SPREAD)
    assert pairs.beats == pytest.approx(beats, abs=3e-3)
    assert made.rank[7] == pytest.approx(made.rank[8])
    wins = [w for w in pairs.central_weights if w is not None]
    assert all(w.sum() == pytest.approx(1, abs=1e-4) for w in wins)
