"""Prices by day as people keep them."""

from datetime import date

import pytest
from hypothesis import given
from hypothesis import strategies as st

from crevlo.core.estimate import BadInput
from crevlo.core.price_table import MOST_LINES, price_in, read_prices


@pytest.mark.parametrize(
    ("written", "price"),
    [("499", 499), ("499,00", 499), ("1.099,50", 1099.5), ("1,099.50", 1099.5), ("1 099", 1099), ("1.099", 1099), ("1,234,567", 1234567),
     ("€ 12.5", 12.5), ("540 EUR", 540), ("0", 0)],
)  # fmt: skip
def test_a_price_is_read_as_it_is_meant(written: str, price: float) -> None:
    assert price_in(written) == price


@pytest.mark.parametrize(
    "written", ["", "-4", "about 500", "1.2.3", "nan", "inf", "1e9", "9" * 12, "4,9999", "10000001"]
)
def test_what_is_no_price_is_none(written: str) -> None:
    assert price_in(written) is None


@given(
    st.integers(0, 9_999_999), st.integers(0, 99), st.sampled_from([(".", ","), (",", "."), (" ", ","), ("", ".")])
)
def test_every_price_comes_back_however_its_thousands_are_parted(
    whole: int, cents: int, marks: tuple[str, str]
) -> None:
    thousands, decimal = marks
    assert price_in(f"{whole:,}".replace(",", thousands) + f"{decimal}{cents:02d}") == pytest.approx(
        whole + cents / 100
    )


@given(
    st.lists(st.tuples(st.dates(date(2000, 1, 1), date(2099, 12, 31)), st.integers(0, 9999)), min_size=1),
    st.sampled_from(";\t,"),
)
def test_lines_come_as_they_were_written(rows: list, mark: str) -> None:
    text = "\n".join(f"{day}{mark}{price}{mark}a shop" for day, price in rows)
    assert [(p.day, p.price, p.source) for p in read_prices(f"Day{mark}Price{mark}Where\n{text}\n")] == [
        (d, p, "a shop") for d, p in rows
    ]


def test_what_cannot_be_read_is_named() -> None:
    for text, why in (
        ("2026-10-01;499\n2026-13-01;480", "line 2: “2026-13-01;480”"),
        ("2026-10-01 499", "line 1"),
        ("day;price", "no day with a price"),
        ("", "no day with a price"),
        ("2026-10-01;499\nnonsense", "line 2"),
        ("2026-10-01;1\n" * (MOST_LINES + 1), "at most"),
        ("2026-10-01;x", "line 1"),
    ):
        with pytest.raises(BadInput, match=why):
            read_prices(text)
