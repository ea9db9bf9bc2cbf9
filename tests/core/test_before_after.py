"""Before and after a change: like with like, and what chance alone would do."""

import numpy as np
import pytest

from crevlo.core.before_after import Comparison, changes, difference
from crevlo.core.estimate import BadInput, NotDetermined


def test_only_pieces_there_before_and_after_are_compared() -> None:
    # A long piece only before, a short one only after: nothing to compare.
    with pytest.raises(NotDetermined, match="same piece"):
        difference([([300.0, 301.0], []), ([], [60.0, 61.0])], 0.1)
    mixed = difference([([60.0, 61.0], [50.0, 51.0]), ([300.0], []), ([], [20.0])], 0.0)
    assert mixed.value == pytest.approx(-10)
    # s = 0.7071 from both pairs, ν = 2; u² = s²(½ + ½).
    assert (mixed.u, mixed.dof) == (pytest.approx(0.5**0.5), pytest.approx(2))


def test_two_equal_readings_against_two_others_are_known_to_their_resolution() -> None:
    found = difference([([60.0, 60.0], [59.0, 59.0])], 1.0)
    assert found.u == pytest.approx((1 / 6) ** 0.5)
    told = changes([Comparison("Energy", "Wh", 0, 1.0, [([60.0, 60.0], [60.0, 60.0])])])[0]
    assert (told.real, told.difference) == (False, 0)
    assert "± 0 " not in told.words
    close = changes([Comparison("Energy", "Wh", 1, 1.0, [([60.0, 60.0], [60.5, 60.5])])])[0]
    assert close.real is False
    assert close.words == "Energy: no change that can be told from chance (0.5 Wh ± 0.8)."


def test_no_second_copy_and_no_negative_resolution() -> None:
    with pytest.raises(NotDetermined, match="second copy"):
        difference([([60.0], [50.0])], 0.1)
    with pytest.raises(BadInput):
        difference([([60.0], [50.0])], -1)


def test_of_many_comparisons_chance_alone_calls_hardly_any_real() -> None:
    rng = np.random.default_rng(5)
    alarms = 0
    for _ in range(400):
        told = changes(
            [
                Comparison(f"C{k}", "", 2, 0.0, [(rng.normal(50, 1, 3).tolist(), rng.normal(50, 1, 3).tolist())])
                for k in range(5)
            ]
        )
        alarms += any(c.real for c in told)
    # Five at once: 5 % in all by Holm, not the 23 % of five separate tests.
    assert alarms <= 400 * 0.05 + 3 * (400 * 0.05 * 0.95) ** 0.5


def test_a_real_change_is_seen_among_others() -> None:
    rng = np.random.default_rng(6)
    quiet = Comparison("Noise", "dB", 1, 0.1, [(rng.normal(50, 1, 4).tolist(), rng.normal(50, 1, 4).tolist())])
    faster = Comparison("Time", "min", 1, 0.02, [(rng.normal(70, 1, 4).tolist(), rng.normal(55, 1, 4).tolist())])
    told = {c.words.split(":")[0]: c for c in changes([quiet, faster])}
    assert told["Time"].real is True
    assert "min less than before" in told["Time"].words
    assert told["Noise"].real is False
    assert "2 compared together" in told["Noise"].words
