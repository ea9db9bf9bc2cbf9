"""The verdict sentence: who is first, by how much, how sure; true in every state."""

from collections.abc import Sequence
from dataclasses import dataclass

from crevlo.core.percent import percent
from crevlo.core.ranking.leaders import SURE, share_first

# More names than these make no headline.
NAMES_IN_HEADLINE = 3


@dataclass(frozen=True, slots=True)
class Ranked:
    """One machine in the ranking: its points (an interval while figures are missing), and what is known of it."""

    name: str
    total: float
    low: float
    high: float
    expanded: float
    first_chance: float
    known: int
    criteria: int
    ahead: float = 1.0
    """How often, by the readings alone, the machine that comes first most often is ahead of this one."""
    between: float = 0.0
    """What the readings leave of that one's lead over this one, at 95 %: less than of both apart, where they share errors."""

    @property
    def complete(self) -> bool:
        return self.known == self.criteria


@dataclass(frozen=True, slots=True)
class Verdict:
    """Headline, evidence in a sentence, whether first is shared by a tie, and who is first (indices; nobody while open).

    `contenders` are those who may be first; they are the first where that is decided.
    """

    headline: str
    evidence: str
    tie: bool
    first: tuple[int, ...]
    contenders: tuple[int, ...]


def say_verdict(machines: Sequence[Ranked], left_out: int, sure: float = SURE) -> Verdict:
    """Verdict over the machines that no must-have leaves out; `left_out` counts those that one does."""
    if not machines:
        if left_out:
            all_of = {1: "The only one fails", 2: "Both fail"}.get(left_out, f"All {left_out} fail")
            return _open("No machine passes every must-have", f"{all_of} at least one; the reasons stand with them.")
        return _open("No machine to rank", "This study has no machine to compare. Machines are added at Plan.")
    if not any(m.known for m in machines):
        lacking = "any machine" if len(machines) > 1 else machines[0].name
        return _open("Not determined", f"Nothing that counts for this buyer is known of {lacking} yet.")
    if len(machines) == 1:
        return _alone(machines[0], left_out)
    together = share_first([m.first_chance for m in machines], sure, [m.ahead for m in machines])
    contenders = tuple(sorted(together, key=lambda i: (-machines[i].total, i)))
    if len(contenders) == 1:
        return _winner(machines, contenders[0])
    if all(machines[i].complete for i in contenders):
        return _tie(machines, contenders)
    return _undecided(machines, contenders)


def _open(headline: str, evidence: str) -> Verdict:
    return Verdict(headline, evidence, False, (), ())


def _alone(machine: Ranked, left_out: int) -> Verdict:
    why = (
        f"It is the only machine that no must-have leaves out ({left_out} left out)"
        if left_out
        else "It is the only machine to rank in this study"
    )
    text = f"{why}: there is nothing to compare it with.{_missing([machine])}"
    return Verdict(f"{machine.name}, without comparison", text, False, (0,), (0,))


def _winner(machines: Sequence[Ranked], at: int) -> Verdict:
    best = machines[at]
    rest = [m for i, m in enumerate(machines) if i != at]
    second = max(rest, key=lambda m: m.total)
    lead = best.total - second.total
    comes = f"comes first in {percent(best.first_chance)} of the draws"
    open_ = not all(m.complete for m in machines)
    if lead >= 0.05 and best.complete and second.complete:
        text = f"It leads {second.name} by {lead:.1f} points and {comes}; the readings leave ± {second.between:.1f} between them."
    else:
        text = f"It {comes}."
    # Only where the missing figures could still put another first is the verdict a passing one.
    so_far = open_ and any(m.high >= best.low for m in rest)
    headline = f"{best.name}, as far as measured" if so_far else best.name
    return Verdict(headline, text + _missing(machines), False, (at,), (at,))


def _tie(machines: Sequence[Ranked], contenders: tuple[int, ...]) -> Verdict:
    tied = [machines[i] for i in contenders]
    totals = [f"{m.total:.1f}" for m in tied]
    if len(set(totals)) == 1:
        text = f"{'Both' if len(tied) == 2 else f'All {len(tied)}'} have {totals[0]} points."
    else:
        text = _chances(tied)
    text += " Treat them as equal, and let price or supply decide."
    return Verdict(f"A tie: {_names(tied)}", text + _missing(machines), True, contenders, contenders)


def _undecided(machines: Sequence[Ranked], contenders: tuple[int, ...]) -> Verdict:
    them = [machines[i] for i in contenders]
    spans = [
        f"{m.name} may end anywhere from {m.low:.1f} to {m.high:.1f} points"
        for m in them[:NAMES_IN_HEADLINE]
        if not m.complete
    ]
    return Verdict(
        f"Not decided yet: {_names(them, 'or')}", "; ".join(spans) + "." + _missing(machines) if spans else
        _chances(them) + _missing(machines), False, (), contenders,
    )  # fmt: skip


def _names(machines: Sequence[Ranked], word: str = "and") -> str:
    if len(machines) > NAMES_IN_HEADLINE:
        return f"{len(machines)} machines"
    names = [m.name for m in machines]
    return f"{', '.join(names[:-1])} {word} {names[-1]}"


def some_of(names: Sequence[str]) -> str:
    """The first few names, and how many more there are."""
    more = len(names) - NAMES_IN_HEADLINE
    # One name takes no more room than that there is one more.
    return ", ".join(names) if more <= 1 else f"{', '.join(names[:NAMES_IN_HEADLINE])} and {more} more"


def _chances(machines: Sequence[Ranked]) -> str:
    first, *shown = machines[:NAMES_IN_HEADLINE]
    rest = machines[NAMES_IN_HEADLINE:]
    others = [f"{m.name} in {percent(m.first_chance)}" for m in shown]
    if rest:
        others.append(f"{len(rest)} more in {percent(sum(m.first_chance for m in rest))}")
    return f"{first.name} comes first in {percent(first.first_chance)} of the draws, {', '.join(others)}."


def _missing(machines: Sequence[Ranked]) -> str:
    lacking = sum(m.criteria - m.known for m in machines)
    if not lacking:
        return ""
    return f" {lacking} figure{'' if lacking == 1 else 's'} still missing: where one is, the total is an interval."
