"""Amounts of money with their currency and day, and how one becomes another."""

import math
import re
from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date

from crevlo.core.estimate import BadInput, NotDetermined

_CODE = re.compile(r"[A-Z]{3}")


@dataclass(frozen=True, slots=True)
class Money:
    """An amount in a currency (ISO 4217 code), as of a day; None where the day is not known."""

    amount: float
    currency: str
    on: date | None = None


@dataclass(frozen=True, slots=True)
class Rate:
    """One of `base` was worth `rate` of `quote` on a day, as a person read it."""

    base: str
    quote: str
    rate: float
    on: date

    def __post_init__(self) -> None:
        if not (_CODE.fullmatch(self.base) and _CODE.fullmatch(self.quote)) or self.base == self.quote:
            raise BadInput("a rate is between two currencies, each by its three letters")
        if not (math.isfinite(self.rate) and self.rate > 0):
            raise BadInput("a rate is above 0")


def in_currency(money: Money, currency: str, rates: Sequence[Rate]) -> float:
    """The amount in another currency by the latest rate of its day or before, whichever way round it was stated.

    An amount without a day takes the latest rate of all. Raises NotDetermined where no such rate was stated: two currencies
    are never added as they are.
    """
    if money.currency == currency:
        return money.amount
    best: tuple[date, float] | None = None
    # Of two rates of a day the later one in the list counts.
    for rate in rates:
        if money.on is not None and rate.on > money.on:
            continue
        factor = (
            rate.rate if (rate.base, rate.quote) == (money.currency, currency)
            else 1 / rate.rate if (rate.quote, rate.base) == (money.currency, currency)
            else None
        )  # fmt: skip
        if factor is not None and (best is None or rate.on >= best[0]):
            best = rate.on, factor
    if best is None:
        day = f" of {money.on:%-d %B %Y} or before" if money.on else ""
        raise NotDetermined(f"a rate from {money.currency} to {currency}{day}, at Cost")
    return money.amount * best[1]


def total(amounts: Sequence[Money], currency: str, rates: Sequence[Rate]) -> float:
    """Sum of the amounts in one currency. Raises NotDetermined as `in_currency`."""
    return math.fsum(in_currency(m, currency, rates) for m in amounts)
