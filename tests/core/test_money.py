"""Amounts of several currencies: turned by the rate of their day, or not added."""

from datetime import date

import pytest
from hypothesis import given
from hypothesis import strategies as st

from crevlo.core.estimate import BadInput, NotDetermined
from crevlo.core.money import Money, Rate, in_currency, total

DAY = date(2026, 3, 1)
RATES = [
    Rate("USD", "EUR", 0.90, date(2026, 1, 1)),
    Rate("USD", "EUR", 0.95, date(2026, 2, 1)),
    Rate("EUR", "CHF", 0.80, date(2026, 2, 1)),
    Rate("USD", "EUR", 1.50, date(2026, 6, 1)),
]


def test_the_latest_rate_of_the_day_or_before_counts_either_way_round() -> None:
    assert in_currency(Money(100, "USD", DAY), "EUR", RATES) == pytest.approx(95)
    assert in_currency(Money(100, "USD", date(2026, 1, 5)), "EUR", RATES) == pytest.approx(90)
    assert in_currency(Money(100, "CHF", DAY), "EUR", RATES) == pytest.approx(125)
    assert in_currency(Money(100, "USD"), "EUR", RATES) == pytest.approx(150)


def test_a_rate_stated_again_for_a_day_replaces_the_first() -> None:
    again = [*RATES, Rate("USD", "EUR", 0.97, date(2026, 2, 1))]
    assert in_currency(Money(100, "USD", DAY), "EUR", again) == pytest.approx(97)


def test_two_currencies_are_never_added_as_they_are() -> None:
    with pytest.raises(NotDetermined, match="a rate from USD to EUR of 31 December 2025 or before"):
        in_currency(Money(1, "USD", date(2025, 12, 31)), "EUR", RATES)
    with pytest.raises(NotDetermined, match="a rate from USD to CHF"):
        total([Money(1, "CHF", DAY), Money(1, "USD", DAY)], "CHF", RATES)


@given(st.floats(0, 1e6), st.floats(1e-3, 1e3))
def test_there_and_back_is_the_same_amount(amount: float, rate: float) -> None:
    rates = [Rate("USD", "EUR", rate, DAY)]
    there = in_currency(Money(amount, "USD", DAY), "EUR", rates)
    assert in_currency(Money(there, "EUR", DAY), "USD", rates) == pytest.approx(amount)


@pytest.mark.parametrize("given", [("USD", "USD", 1.0), ("usd", "EUR", 1.0), ("USD", "EUR", 0.0)])
def test_a_rate_that_is_none_is_refused(given: tuple[str, str, float]) -> None:
    with pytest.raises(BadInput):
        Rate(*given, DAY)
