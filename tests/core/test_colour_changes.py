"""A colour change's time from the power alone: recovered within what is stated, or what is missing is said."""

import numpy as np
import pytest

from crevlo.core.colour_changes import change_time
from crevlo.core.estimate import NotDetermined


def _trace(
    rng: np.random.Generator, changes: int = 30, change_s: float = 31.0, while_w: float = 70.0, step_s: float = 5.0
) -> tuple[np.ndarray, np.ndarray]:
    """A print of many layers at 128 W with as many changes, and a meter that samples unevenly."""
    each = rng.normal(change_s, 1.5, changes)
    prints = rng.uniform(150, 400, changes + 1)
    edges = np.cumsum(np.ravel(np.column_stack([prints[:-1], each])))
    end = edges[-1] + prints[-1]
    at = np.cumsum(rng.uniform(0.8 * step_s, 1.2 * step_s, int(end / step_s)))
    at = at[at < end]
    changing = np.searchsorted(edges, at, side="right") % 2 == 1
    watts = np.where(changing, while_w, 128.0) * (1 + rng.normal(0, 0.05, len(at)))
    return at, watts


@pytest.mark.parametrize("while_w", [70.0, 190.0])
def test_the_time_of_a_change_is_recovered_within_what_is_stated(while_w: float) -> None:
    held, tried = 0, 150
    for seed in range(tried):
        found = change_time(*_trace(np.random.default_rng(seed), while_w=while_w), 30)
        held += abs(found.value - 31.0) <= found.expanded
    assert 0.91 <= held / tried <= 0.99


def test_what_cannot_be_told_is_said() -> None:
    rng = np.random.default_rng(3)
    at, watts = _trace(rng)
    with pytest.raises(NotDetermined, match="changes: 40, not 30"):
        change_time(at, watts, 40)
    with pytest.raises(NotDetermined, match="two colour changes"):
        change_time(at, watts, 1)
    steady = 128 * (1 + rng.normal(0, 0.05, len(at)))
    with pytest.raises(NotDetermined, match="another power while it changes"):
        change_time(at, steady, 30)
    with pytest.raises(NotDetermined, match="power samples"):
        change_time(at[:5], watts[:5], 30)
    seldom = at[::10], watts[::10]
    with pytest.raises(NotDetermined):
        change_time(*seldom, 30)


def test_one_odd_sample_or_a_long_pause_is_no_change() -> None:
    rng = np.random.default_rng(5)
    at, watts = _trace(rng)
    plain = change_time(at, watts, 30)
    odd = watts.copy()
    printing = np.flatnonzero((watts[1:-1] > 110) & (watts[:-2] > 110) & (watts[2:] > 110)) + 1
    odd[printing[10]] = 60
    assert change_time(at, odd, 30) == plain
    paused = np.r_[at, at[-1] + np.arange(5, 1505, 5), at[-1] + 1500 + np.arange(5, 305, 5)]
    more = np.r_[watts, np.full(300, 72.0), np.full(60, 128.0)]
    assert change_time(paused, more, 30).value == pytest.approx(plain.value, abs=0.5)
