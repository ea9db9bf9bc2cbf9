"""The field that machines come from: what their figures say of each other, and the draws made of it."""

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from crevlo.core.estimate import made_of
from crevlo.core.figure import Known
from crevlo.core.ranking.chances import draw_values, rank_chances
from crevlo.core.ranking.field import Field, FieldSpread, fields_of
from crevlo.core.ranking.value import linear

FIGURES = st.lists(st.tuples(st.floats(-50, 50), st.floats(0.5, 9)), min_size=2, max_size=9)


def of(rows: list[tuple[float, float]]) -> dict[int, Known]:
    return {m: made_of(value, u) for m, (value, u) in enumerate(rows)}


def alone(rows: list[tuple[float, float]], spread: FieldSpread = FieldSpread.DRAWN) -> Field:
    return fields_of({"c": of(rows)}, spread)["c"]


def mean_of(field: Field, what: str) -> list[float]:
    """By machine, over all spreads by their chance."""
    return [float(field.chance @ getattr(pull, what)) for pull in field.pulls.values()]


@given(FIGURES)
def test_figures_are_drawn_to_the_middle_and_never_past_it(rows) -> None:
    field = alone(rows)
    assert field.chance.sum() == pytest.approx(1)
    low, high = min(v for v, _ in rows), max(v for v, _ in rows)
    for pull in field.pulls.values():
        assert ((pull.keeps >= 0) & (pull.keeps <= 1)).all()
        assert (pull.centre >= low - 1e-9).all()
        assert (pull.centre <= high + 1e-9).all()


@given(FIGURES, st.floats(-1000, 1000), st.sampled_from([0.001, 0.3, 60.0, 1e4]))
def test_units_and_where_they_count_from_change_nothing(rows, shift: float, factor: float) -> None:
    one, other = alone(rows), alone([(factor * (v + shift), factor * u) for v, u in rows])
    assert other.chance == pytest.approx(one.chance, rel=1e-4, abs=1e-7)
    for a, b in zip(one.pulls.values(), other.pulls.values(), strict=True):
        assert b.keeps == pytest.approx(a.keeps)
        assert b.centre == pytest.approx(factor * (a.centre + shift), rel=1e-5, abs=1e-5 * factor)


@given(st.lists(st.tuples(st.floats(-1e12, 1e12), st.sampled_from([0.0, 1e-15, 1e-6, 1.0, 1e9, 1e12])), min_size=2, max_size=6), st.sampled_from(list(FieldSpread)))  # fmt: skip
def test_however_exact_or_loose_figures_are_a_field_has_chances(rows, spread: FieldSpread) -> None:
    fields = fields_of({code: of(rows[k:] + rows[:k]) for k, code in enumerate("abc")}, spread)
    assert len(fields) == (3 if any(u > 0 for _, u in rows) else 0)
    for field in fields.values():
        assert np.isfinite(field.chance).all()
        assert field.chance.sum() == pytest.approx(1)
        for pull in field.pulls.values():
            assert np.isfinite([pull.centre, pull.keeps, pull.u_middle]).all()


@pytest.mark.parametrize("spread", FieldSpread)
def test_the_looser_a_figure_the_further_it_is_drawn(spread: FieldSpread) -> None:
    field = alone([(70, 4), (64, 4), (58, 4), (40, 12)], spread)
    centre, keeps = mean_of(field, "centre"), mean_of(field, "keeps")
    assert 58 < centre[0] < 70
    assert keeps[3] < keeps[0] < 1
    assert alone([(70, 0.1), (64, 0.1), (58, 0.1)], spread).pulls[0].keeps.mean() > 0.5
    assert fields_of({"price": of([(1.0, 0.0), (2.0, 0.0), (3.0, 0.0), (4.0, 0.0)])}, spread) == {}


def test_machines_far_apart_stand_for_themselves_and_alike_ones_do_not() -> None:
    apart, alike = alone([(10 * k, 1) for k in range(6)]), alone([(0.1 * k, 1) for k in range(6)])
    assert min(mean_of(apart, "keeps")) > 0.98
    assert max(mean_of(alike, "keeps")) < 0.75
    assert mean_of(apart, "centre") == pytest.approx([10 * k for k in range(6)], abs=0.5)


def test_what_other_criteria_show_of_the_field_is_learned_from_three_criteria_on() -> None:
    middling = of([(0.0, 1), (1.0, 1), (2.0, 1), (3.0, 1)])
    close = of([(0.0, 1), (0.1, 1), (0.2, 1), (-0.1, 1), (0.3, 1), (-0.2, 1)])
    wide = of([(0.0, 1), (9.0, 1), (20.0, 1), (-11.0, 1), (31.0, 1), (-22.0, 1)])

    def kept(**others) -> float:
        return float(np.mean(mean_of(fields_of({"c": middling} | others)["c"], "keeps")))

    own = kept()
    assert kept(a=close) == kept(a=wide) == own
    assert kept(a=close, b=close) < own - 0.03
    assert kept(a=wide, b=wide) > own + 0.03
    # Others that lie both ways teach little.
    assert kept(a=wide, b=wide) > kept(a=close, b=wide) > kept(a=close, b=close)


@given(FIGURES, st.integers(0, 99))
@settings(max_examples=15, deadline=None)
def test_draws_have_the_mean_and_the_spread_that_the_field_says(rows, seed: int) -> None:
    times = 20_000
    figures = [[figure] for figure in of(rows).values()]
    # 0 to 100 points over so wide a range that none is cut off: values tell the raw draws.
    drawn = 2000 * draw_values(figures, [linear(-1000, 1000)], seed, times, codes=["c"], field=True)[0] / 100 - 1000
    field = alone(rows)
    for (_, u), pull, made in zip(rows, field.pulls.values(), drawn, strict=True):
        mean = float(field.chance @ pull.centre)
        within = (u * pull.keeps) ** 2 + pull.u_middle**2 + (pull.centre - mean) ** 2
        s = float(np.sqrt(field.chance @ within))
        assert float(made.mean()) == pytest.approx(mean, abs=5 * s / np.sqrt(times) + 0.01)
        assert float(made.std()) == pytest.approx(s, rel=0.04)


@pytest.mark.parametrize(("spread", "first"), [(FieldSpread.DRAWN, (0.670, 0.309, 0.021, 0)), (FieldSpread.ONE, (0.667, 0.314, 0.019, 0))])  # fmt: skip
def test_the_worked_example_comes_out_by_either_rule(spread: FieldSpread, first: tuple[float, ...]) -> None:
    figures = [[made_of(a, 4), made_of(b, 4)] for a, b in ((70, 60), (64, 66), (58, 61), (40, 50))]
    drawn = draw_values(figures, [linear(0, 100)] * 2, 3, 100_000, spread=spread)
    assert rank_chances([6, 4], drawn, 3, 0.0).rank[:, 0] == pytest.approx(first, abs=0.005)
