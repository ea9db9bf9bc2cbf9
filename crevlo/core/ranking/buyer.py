"""What a buyer's prints a month and budget do: to the weight of reliability, and to what the next step up would buy."""

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass

# So many prints a month leave the weights as they are set.
USUAL_PRINTS = 20.0
RELIABILITY = ("success", "success.all")
_LEAST, _MOST = 0.5, 2.0


def reliability_factor(prints_month: float | None) -> float:
    """Times which reliability weighs: the root of prints a month over 20, from a half to twice; 1 where nobody says."""
    if prints_month is None:
        return 1.0
    return min(_MOST, max(_LEAST, math.sqrt(prints_month / USUAL_PRINTS)))


def weights_of_buyer(weights: Mapping[str, float], prints_month: float | None) -> dict[str, float]:
    """Weights as they count for a buyer of so many prints a month."""
    factor = reliability_factor(prints_month)
    return {code: w * factor if code in RELIABILITY else w for code, w in weights.items()}


def weights_as_set(weights: Mapping[str, float], prints_month: float | None) -> dict[str, float]:
    """What must be set so that these weights come out; the other way round of `weights_of_buyer`."""
    factor = reliability_factor(prints_month)
    return {code: w / factor if code in RELIABILITY else w for code, w in weights.items()}


def say_prints(prints_month: float | None) -> str:
    """How the prints a month count, in words; empty where nobody says."""
    if prints_month is None:
        return ""
    factor = reliability_factor(prints_month)
    weighs = "as it is set" if abs(factor - 1) < 0.005 else f"{factor:.2f} times what is set"
    return f"At {prints_month:g} prints a month reliability weighs {weighs}, and the price is spread over three years of them."


@dataclass(frozen=True, slots=True)
class Offer:
    """One machine with its price all in and its points."""

    name: str
    price: float
    points: float


def say_budget(
    offers: Sequence[Offer], unpriced: int, budget: float | None, step: float | None, currency: str
) -> list[str]:
    """The best within the budget, and what a step up would buy; nothing where no budget is set."""
    if budget is None:
        return []
    within = [o for o in offers if o.price <= budget]
    best = max(within, key=lambda o: (o.points, -o.price), default=None)
    said = []
    if best is None:
        dearer = min(offers, key=lambda o: o.price, default=None)
        more = f"; the cheapest is {dearer.name} at {dearer.price:.0f}" if dearer else ""
        said.append(f"Nothing that passes costs {budget:.0f} {currency} or less{more}.")
    else:
        said.append(f"Up to {budget:.0f} {currency}: {best.name}, {best.points:.1f} points for {best.price:.0f}.")
    if step is not None:
        reach = [o for o in offers if budget < o.price <= budget + step and (best is None or o.points > best.points)]
        up = max(reach, key=lambda o: (o.points, -o.price), default=None)
        if up is None:
            said.append(f"Another {step:.0f} {currency} buys nothing better.")
        else:
            gain = f"{up.points - best.points:.1f} points more" if best else f"{up.points:.1f} points"
            said.append(f"For {up.price - budget:.0f} {currency} above it: {up.name}, {gain}.")
    if unpriced:
        said.append(
            f"{unpriced} machine{'' if unpriced == 1 else 's'} without a price {'is' if unpriced == 1 else 'are'} not looked at."
        )
    return said
