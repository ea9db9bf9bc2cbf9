"""Whether a machine would take the place of another that somebody has, in one sentence."""

from dataclasses import dataclass

# What is asked of a new machine beside one that is there: to be better beyond doubt, and by what somebody would notice.
SURE = 0.95
NOTICED = 3.0


@dataclass(frozen=True, slots=True)
class Replaces:
    """Points that `first` leads `reference` by on the criteria that both have, and the chance that it is better there."""

    first: str
    reference: str
    shared: int
    criteria: int
    lead: float
    chance: float


def say_replaces(r: Replaces) -> str:
    """True in every state: nothing in common, better, worse, and not told apart."""
    if not r.shared:
        return f"{r.first} and {r.reference} have no figure in common."
    one = f"the {r.shared} of {r.criteria} criteria that both have" if r.shared < r.criteria else "all that counts"
    if r.chance >= SURE and r.lead >= NOTICED:
        return (
            f"{r.first} would replace it: {r.lead:.1f} points better on {one}, in {_percent(r.chance)} of the draws."
        )
    if r.chance >= SURE:
        return f"{r.first} is better on {one}, but by {abs(r.lead):.1f} points only: hardly a reason to replace it."
    if r.chance <= 1 - SURE:
        return f"{r.first} would not replace it: {abs(r.lead):.1f} points behind on {one}."
    return f"{r.first} and {r.reference} are not told apart on {one}: no reason to replace it."


def _percent(chance: float) -> str:
    return "over 99 %" if chance > 0.995 else f"{100 * chance:.0f} %"
