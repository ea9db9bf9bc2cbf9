"""Gauge study, agreement, bias and duels: the worked examples, and what must hold for any bench."""

import json
import math

import numpy as np
import pytest
from hypothesis import assume, given, settings
from hypothesis import strategies as st

from crevlo.cli.calc import calculate
from crevlo.core.estimate import BadInput, Estimate, NotDetermined
from crevlo.core.raters.agreement import agreement, say_agreement
from crevlo.core.raters.bias import against_others, revealed_bias
from crevlo.core.raters.duels import RIDGE, davidson, more_to_settle
from crevlo.core.raters.gauge import gauge_study, say_gauge

PARTS = [
    [[40.06, 40.07, 40.06], [40.08, 40.07, 40.08]], [[40.11, 40.10, 40.11], [40.12, 40.13, 40.12]],
    [[39.98, 39.98, 39.99], [40.00, 39.99, 40.00]], [[40.03, 40.04, 40.03], [40.05, 40.04, 40.06]],
    [[40.15, 40.14, 40.15], [40.16, 40.17, 40.16]],
]  # fmt: skip
A, B, C = [0, 1, 2, 2, 3, 4, 1, 0, 5, 3], [0, 1, 1, 2, 3, 3, 2, 0, 4, 3], [None, 1, 2, 3, 3, 4, None, 0, 5, 2]
DUELS = [
    ("A", "B", "first"), ("A", "B", "first"), ("A", "B", "tie"), ("B", "C", "first"), ("B", "C", "tie"), ("A", "C", "first"),
    ("A", "C", "first"), ("C", "B", "first"), ("B", "C", "first"),
]  # fmt: skip


def calc(topic: str, **given) -> dict:
    return json.loads(calculate(topic, json.dumps(given)))


def test_the_gauge_study_of_the_worked_example() -> None:
    made = calc("gauge", parts=PARTS)
    expected = {
        "repeatability": 0.00585,
        "reproducibility": 0.01074,
        "part": 0.06391,
        "gauge": 0.01222,
        "total": 0.06507,
    }
    assert {k: made[k] for k in expected} == {k: pytest.approx(v, abs=5e-6) for k, v in expected.items()}
    assert (made["percent"], made["ndc"], made["interaction_p"]) == (
        pytest.approx(18.79, abs=5e-3), 7, pytest.approx(0.972, abs=5e-4))  # fmt: skip
    assert say_gauge(gauge_study(PARTS), "Your caliper") == (
        "Your caliper and hands take 19 % of the spread; 7 categories: good enough to tell machines apart."
    )


@pytest.mark.parametrize(
    ("parts", "error"),
    [
        (PARTS[:1], NotDetermined), ([[p[0]] for p in PARTS], NotDetermined), ([[[1.0], [1.0]]] * 3, NotDetermined),
        ([*PARTS[:2], [[1.0, 2.0], [1.0, 2.0, 3.0]]], BadInput), ([[[1.0, math.nan], [1.0, 1.0]]] * 2, BadInput), ([], NotDetermined),
    ],
)  # fmt: skip
def test_a_gauge_study_that_is_none_is_refused(parts, error) -> None:
    with pytest.raises(error):
        gauge_study(parts)


@given(st.integers(0, 2**32 - 1), st.floats(-5, 5), st.floats(0.5, 20))
def test_a_gauge_study_is_the_same_shifted_and_scales(seed: int, shift: float, factor: float) -> None:
    x = np.random.default_rng(seed).normal(10, 1, (4, 3, 2))
    plain, moved = gauge_study(x.tolist()), gauge_study((factor * x + shift).tolist())
    assert moved.gauge == pytest.approx(factor * plain.gauge, rel=1e-6)
    assert moved.percent == pytest.approx(plain.percent, rel=1e-6)
    assert 0 <= plain.percent <= 100 + 1e-9


def test_agreement_of_the_worked_examples() -> None:
    assert calc("agreement", ratings=[A, B], categories=6)["kappa"] == pytest.approx(0.9052, abs=5e-5)
    three = calc("agreement", ratings=[A, B, C], categories=6)
    assert three["alpha"] == pytest.approx(0.9034, abs=5e-5)
    assert three["kappa"] is None


@given(st.lists(st.integers(0, 5), min_size=2, max_size=20))
def test_raters_who_say_the_same_agree_whole(said: list[int]) -> None:
    made = agreement([said, said, [None] * len(said)])
    assert (made.exact, made.within_one) == (1, 1)
    if len(set(said)) > 1:
        assert made.alpha == pytest.approx(1)
    else:
        assert isinstance(made.alpha, NotDetermined)
        assert "cannot be taken out" in say_agreement(made, 2)


def spelled_out(units: list[list[int]], categories: int) -> tuple[float, float, float | None]:
    """Shares of pairs that agree and lie within one, and ordinal alpha from all pairs, as the definition says (Krippendorff
    2011); None where nothing is expected by chance."""
    pairs = [(a, b) for u in units for i, a in enumerate(u) for b in u[i + 1 :]]
    said = [x for u in units for x in u]
    many = [said.count(c) for c in range(categories)]

    def far(a: int, b: int) -> float:
        low, high = sorted((a, b))
        return (sum(many[low : high + 1]) - (many[low] + many[high]) / 2) ** 2

    observed = sum(2 * far(a, b) / (len(u) - 1) for u in units for i, a in enumerate(u) for b in u[i + 1 :]) / len(
        said
    )
    chance = sum(far(a, b) for i, a in enumerate(said) for j, b in enumerate(said) if i != j)
    chance /= len(said) * (len(said) - 1)
    exact, near = (sum(abs(a - b) <= d for a, b in pairs) / len(pairs) for d in (0, 1))
    return exact, near, 1 - observed / chance if chance else None


@given(st.integers(2, 4).flatmap(lambda n: st.lists(
    st.lists(st.one_of(st.none(), st.integers(0, 4)), min_size=n, max_size=n), min_size=1, max_size=9)))  # fmt: skip
def test_agreement_is_what_its_definition_says(specimens: list[list[int | None]]) -> None:
    units = [u for s in specimens if len(u := [x for x in s if x is not None]) > 1]
    assume(units)
    made = agreement([list(rater) for rater in zip(*specimens, strict=True)], categories=5)
    exact, near, alpha = spelled_out(units, 5)
    assert (made.exact, made.within_one) == (pytest.approx(exact), pytest.approx(near))
    assert isinstance(made.alpha, NotDetermined) if alpha is None else made.alpha == pytest.approx(alpha)


def test_raters_who_throw_dice_agree_by_nothing() -> None:
    rng = np.random.default_rng(4)
    made = agreement(rng.integers(0, 6, (3, 2000)).tolist())
    assert isinstance(made.alpha, float)
    assert abs(made.alpha) < 0.05
    assert "too little" in say_agreement(made, 3)


@pytest.mark.parametrize("ratings", [[[0, 1], [0]], [[0, 6], [0, 1]], [[-1], [0]]])
def test_ratings_that_are_none_are_refused(ratings) -> None:
    with pytest.raises(BadInput):
        agreement(ratings)
    with pytest.raises(NotDetermined):
        agreement([[0, None], [None, 1]])


def test_bias_of_the_worked_example() -> None:
    made = calc("bias", pairs=[[2, 1], [3, 3], [1, 1], [4, 2], [2, 2], [3, 1]])
    assert (made["value"], made["U"]) == (pytest.approx(-0.833, abs=5e-4), pytest.approx(1.032, abs=5e-4))
    with pytest.raises(NotDetermined):
        revealed_bias([(1, 1)])


def test_a_lenient_rater_and_one_who_tires_are_told_from_noise() -> None:
    rng = np.random.default_rng(8)
    others = rng.uniform(1, 4, 60)
    noise = rng.normal(0, 0.3, 60)

    def seen(own: np.ndarray):
        made = against_others(list(zip(own.tolist(), others.tolist(), strict=True)))
        assert isinstance(made.higher, Estimate)
        assert isinstance(made.drift, Estimate)
        return abs(made.higher.value) > made.higher.expanded, abs(made.drift.value) > made.drift.expanded

    assert seen(others + noise) == (False, False)
    assert seen(others + noise - 0.5) == (True, False)
    assert seen(others + noise + (np.arange(60) - 29.5) / 30) == (False, True)
    assert isinstance(against_others([(1, 1)] * 3).drift, NotDetermined)


def test_duels_of_the_worked_example() -> None:
    made = calc("duels", results=DUELS, ridge=0)
    assert made["ability"] == {k: pytest.approx(v, abs=5e-4) for k, v in (("A", 2.436), ("B", -0.711), ("C", -1.725))}
    assert made["tie"] == pytest.approx(1.040, abs=5e-4)
    assert made["connected"]


@settings(max_examples=25)
@given(
    st.lists(
        st.tuples(
            st.sampled_from("ABCD"), st.sampled_from("ABCD"), st.sampled_from(["first", "second", "tie"])
        ).filter(lambda d: d[0] != d[1]),
        min_size=1,
        max_size=25,
    )
)
def test_swapping_sides_changes_nothing_and_abilities_sum_to_nothing(duels) -> None:
    other = {"first": "second", "second": "first", "tie": "tie"}
    made, swapped = davidson(duels), davidson([(b, a, other[w]) for a, b, w in duels])
    for name, value in made.ability.items():
        assert swapped.ability[name] == pytest.approx(value, abs=1e-4)
        assert 0 < made.u[name] < 10 / math.sqrt(RIDGE)
    assert sum(made.ability.values()) == pytest.approx(0, abs=1e-9)


def test_who_won_everything_needs_a_ridge_and_who_fought_nobody_is_not_joined() -> None:
    with pytest.raises(NotDetermined, match="ridge"):
        davidson([("A", "B", "first")] * 3, ridge=0)
    with pytest.raises(NotDetermined, match="somebody won"):
        davidson([("A", "B", "tie")] * 3, ridge=0)
    with pytest.raises(BadInput):
        davidson([("A", "A", "tie")])
    with pytest.raises(NotDetermined):
        davidson([])
    made = davidson([("A", "B", "first")] * 3, among=["C"])
    assert made.ability["A"] > made.ability["C"] > made.ability["B"]
    assert not made.connected
    assert "C" in (made.next or ())


def test_more_duels_settle_what_few_do_not() -> None:
    few, many = davidson(DUELS[:1], among=["B", "C"]), davidson(DUELS * 6)
    assert more_to_settle(many) == 0
    left = more_to_settle(few)
    assert left is None or left > 0
    even = [("A", "B", "first"), ("A", "B", "second")]
    assert more_to_settle(davidson(even * 10)) is None
