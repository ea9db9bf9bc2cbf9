"""Values that are weighed again tell the same as values that were never weighed before."""

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from crevlo.core.ranking.chances import MOST_BYTES, STEP, RankChances, draws_for, rank_chances
from crevlo.core.ranking.weighed import Weighed

CRITERIA, MACHINES, DRAWS = 6, 4, 300


def values(seed: int, *, in_steps: bool) -> np.ndarray:
    rng = np.random.default_rng(seed)
    made = rng.uniform(0, 100, (CRITERIA, MACHINES, DRAWS)).astype(np.float32)
    # Two that are alike in everything but the first criterion.
    made[1:, 3] = made[1:, 2]
    return np.rint(made / STEP).astype(np.uint16) if in_steps else made


def alike(one: RankChances, other: RankChances) -> None:
    # In a draw or two what lies within a thousandth of a point falls to the other side.
    assert one.rank == pytest.approx(other.rank, abs=3 / DRAWS)
    assert one.ahead == pytest.approx(other.ahead, abs=3 / DRAWS)
    assert one.expanded == pytest.approx(other.expanded, abs=2e-3)
    assert one.between == pytest.approx(other.between, abs=2e-3)


# Which weight is put to what share, of whom, and whether the rest keep their proportions or stand still.
MOVES = st.lists(
    st.tuples(st.integers(0, CRITERIA - 1), st.sampled_from([0.0, 0.5, 7.0, 30.0, 100.0]), st.booleans()), max_size=8
)


@settings(max_examples=60, deadline=None)
@given(MOVES, st.integers(0, 99), st.booleans(), st.sampled_from([1.0, 0.003, 70.0]))
def test_whatever_was_weighed_before_changes_nothing(moves, seed: int, in_steps: bool, factor: float) -> None:
    drawn = values(seed, in_steps=in_steps)
    kept, weights = Weighed(drawn), np.full(CRITERIA, 10.0)
    for which, to, in_proportion in [(0, 10.0, True), *moves]:
        weights[which] = to
        if weights.sum() == 0:
            continue
        if in_proportion:
            weights *= factor * 60 / weights.sum()
        alike(rank_chances(weights.tolist(), kept, seed), rank_chances(weights.tolist(), drawn, seed))


@given(st.integers(0, 99))
@settings(max_examples=10, deadline=None)
def test_who_is_alike_in_what_is_left_is_level_when_a_weight_goes(seed: int) -> None:
    kept = Weighed(values(seed, in_steps=True))
    rank_chances([50, 10, 10, 10, 10, 10], kept, seed)
    made = rank_chances([0, 20, 20, 20, 20, 20], kept, seed)
    assert made.rank[2] == pytest.approx(made.rank[3])


def test_another_seed_or_spread_is_not_taken_for_the_one_before() -> None:
    drawn = values(1, in_steps=False)
    kept, weights = Weighed(drawn), [3.0, 2, 1, 1, 1, 1]
    for seed, spread in ((1, 0.3), (2, 0.3), (2, 0.0), (1, 0.3)):
        made, fresh = rank_chances(weights, kept, seed, spread), rank_chances(weights, drawn, seed, spread)
        assert (made.rank == fresh.rank).all()


def test_a_weight_that_moved_reads_its_own_values_alone(monkeypatch: pytest.MonkeyPatch) -> None:
    from crevlo.core.ranking import weighed

    summed = []
    plain = weighed.sums_of

    def noted(values, weights, moved, onto=None):
        summed.append(int(np.count_nonzero(weights)))
        return plain(values, weights, moved, onto)

    monkeypatch.setattr(weighed, "sums_of", noted)
    kept = Weighed(values(3, in_steps=True))
    for weights in (
        [20] * 6,
        [15] * 5 + [45],
        [30, 10, 20, 20, 20, 20],
        [20] * 6,
        [1, 2, 3, 4, 5, 6],
        [1, 2, 3, 4, 5, 9],
    ):
        rank_chances(weights, kept, 3)
    assert summed == [6, 1, 2, 0, 6, 1]


@pytest.mark.parametrize(("machines", "criteria"), [(50, 20), (10, 100), (4, 7), (20, 50), (49, 20), (100, 30)])
def test_a_study_of_as_much_as_is_drawn_in_full_is_kept(machines: int, criteria: int) -> None:
    drawn = np.empty((criteria, machines, draws_for(machines, criteria)), np.uint16)
    assert Weighed(drawn).nbytes <= MOST_BYTES


def test_a_weight_that_was_nearly_all_leaves_no_rounding_behind() -> None:
    drawn = values(4, in_steps=True)
    kept = Weighed(drawn)
    rank_chances([1e6, 1, 1, 1, 1, 1], kept, 4)
    alike(rank_chances([0.01, 1, 1, 1, 1, 1], kept, 4), rank_chances([0.01, 1, 1, 1, 1, 1], drawn, 4))
