"""How sure first place is by each way to count: shares of draws, against counting by hand and against hidden truths."""

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from crevlo.core.ranking.certainty import cheapest_scores, first_shares, mean_scores, win_scores
from crevlo.core.ranking.schools import win_shares

GRID = st.integers(0, 3).map(float)


@given(st.lists(st.lists(GRID, min_size=3, max_size=3), min_size=2, max_size=5), st.integers(0, 2**16))
def test_shares_of_wins_are_those_of_every_draw_counted_by_itself(rows: list[list[float]], mask: int) -> None:
    known = np.array([[mask >> (3 * m + c) & 1 for c in range(3)] for m in range(len(rows))], bool)
    values = np.array(rows).T[:, :, None]
    got = win_scores(values, known)[:, 0]
    by_hand = win_shares({
        m: [v if known[m, c] else None for c, v in enumerate(row)] for m, row in enumerate(rows)})  # fmt: skip
    for m, share in by_hand.items():
        assert np.isnan(got[m]) if not isinstance(share, float) else got[m] == pytest.approx(share)


@given(st.lists(st.lists(GRID | st.just(float("nan")), min_size=4, max_size=4), min_size=1, max_size=5))
def test_first_places_of_all_draws_add_up_to_those_that_anybody_could_have(rows: list[list[float]]) -> None:
    scores = np.array(rows)
    shares = first_shares(scores)
    held = float((~np.isnan(scores)).any(axis=0).mean())
    assert shares.sum() == pytest.approx(held)
    assert (shares >= 0).all()
    assert all(share == 0 for share, row in zip(shares, scores, strict=True) if np.isnan(row).all())


def test_the_cheapest_that_is_good_enough_has_its_points_whatever_is_missing() -> None:
    values = np.array([[[80.0, 40.0], [60.0, 60.0], [90.0, 90.0]], [[80.0, 60.0], [60.0, 60.0], [90.0, 90.0]]])
    known = np.array([[True, True], [True, True], [True, False]])
    scores = cheapest_scores(values, known, [1, 1], [200, 300, 100], enough=60)
    # The first has too few points in the second draw; the third misses a criterion and has 45 at least.
    assert np.array_equal(scores, [[-200, np.nan], [-300, -300], [np.nan, np.nan]], equal_nan=True)
    assert first_shares(scores).tolist() == [0.5, 0.5, 0]
    assert np.isnan(cheapest_scores(values, known, [1, 1], [None, None, None], 0)).all()
    assert mean_scores(values, [1]).tolist() == values[1].tolist()
