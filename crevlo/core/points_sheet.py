"""Points by the line, as many reviewers count them: each line has its points, and who wins it has them; ties share."""

from collections.abc import Hashable, Mapping, Sequence
from dataclasses import dataclass
from typing import TypeVar

from crevlo.core.estimate import BadInput

Name = TypeVar("Name", bound=Hashable)


@dataclass(frozen=True, slots=True)
class SheetLine:
    """One line with its points and who won it; several share a tie, nobody while it is open."""

    words: str
    points: float
    winners: tuple[Hashable, ...] = ()


def sheet_totals(lines: Sequence[SheetLine], machines: Sequence[Name]) -> dict[Name, float]:
    """Points of each machine: a line's go to its winner, in equal parts where several won; an open line counts for nobody.

    Raises BadInput for points below 0 or a winner that is not among the machines.
    """
    totals = dict.fromkeys(machines, 0.0)
    known: Mapping[Hashable, Name] = {m: m for m in machines}
    for line in lines:
        if not line.points >= 0:
            raise BadInput("points of a line are 0 or more")
        if len(set(line.winners)) != len(line.winners):
            raise BadInput(f"a machine won the line {line.words} twice")
        for winner in line.winners:
            if winner not in known:
                raise BadInput(f"a winner of the line {line.words} is none of the machines")
            totals[known[winner]] += line.points / len(line.winners)
    return totals


def say_sheet(lines: Sequence[SheetLine], totals: Mapping[str, float]) -> str:
    """Who is ahead, by how much, and whether the open lines could still turn it."""
    if not lines:
        return "The sheet has no lines yet."
    open_ = [line for line in lines if not line.winners]
    left = sum(line.points for line in open_)
    if len(open_) == len(lines):
        return f"No line is decided yet: {left:g} points are open."
    order = sorted(totals.items(), key=lambda x: -x[1])
    if len(order) == 1:
        return f"{order[0][0]} is alone on the sheet, with {order[0][1]:g} points."
    (first, most), (second, next_) = order[0], order[1]
    lead = most - next_
    still = f"; {left:g} points are open" if open_ else ""
    if lead < 1e-9:
        level = [name for name, total in order if most - total < 1e-9]
        return f"{', '.join(level[:-1])} and {level[-1]} are level at {most:g} points{still}."
    turn = "" if not open_ else ", which could still turn it" if left >= lead - 1e-9 else ", which cannot turn it"
    return f"{first} leads {second} by {lead:g} points{still}{turn}. By the sheet alone: how sure each line is, nobody said."
