"""Whether a published verdict still holds once prices, figures or the standing of a machine have changed."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field, replace

from crevlo.core.evidence import Key
from crevlo.core.figure import Figure
from crevlo.core.package.verdicts import Buyer, Figures, Study, Told, tell


@dataclass(frozen=True, slots=True)
class Change:
    """One thing that is otherwise now. `paid` is what the machine costs all new, `figures` what a re-test found in place of
    the published ones, `out` why nobody should be told to buy it any more."""

    machine: Key
    words: str
    paid: float | None = None
    figures: Mapping[str, Figure] = field(default_factory=dict)
    out: str = ""


@dataclass(frozen=True, slots=True)
class Held:
    """One buyer's verdict, as it was published and as it is with the changes; `by` names those that alone turn it."""

    buyer: str
    was: str
    now: str
    holds: bool
    says: str
    by: tuple[str, ...]


class _Changed(Figures):
    """Figures with some of them found anew, and prices as they are now."""

    def __init__(self, figures: Figures, changes: Sequence[Change]) -> None:
        machines = dict(figures.evidence.machines)
        self._anew: dict[tuple[str, Key], Figure] = {}
        for change in changes:
            if change.paid is not None:
                machine = machines[change.machine]
                machines[change.machine] = replace(machine, unit=replace(machine.unit, paid=change.paid))
            self._anew |= {(code, change.machine): f for code, f in change.figures.items()}
        super().__init__(replace(figures.evidence, machines=machines))

    def of(self, quantity: str, machine: Key) -> Figure:
        found = self._anew.get((quantity, machine))
        return super().of(quantity, machine) if found is None else found

    def of_buyer(self, prints_month: float | None) -> Figures:
        made = super().of_buyer(prints_month)
        if made is self or not self._anew:
            return made
        anew = _Changed(made, [])
        anew._anew = self._anew
        return anew


def held(study: Study, buyers: Sequence[Buyer], changes: Sequence[Change]) -> list[Held]:
    """Every buyer's verdict worked out with all changes, and with each alone where it turned."""
    found = []
    for buyer in buyers:
        before, after = tell(study, buyer), _with(study, buyer, changes)
        same = _same(before, after)
        by = () if same else tuple(c.words for c in changes if not _same(before, _with(study, buyer, [c])))
        was, now = before.ranking.verdict.headline, after.ranking.verdict.headline
        found.append(Held(buyer.name, was, now, same, _says(study, buyer.name, before, after, changes, by), by))
    return found


def _same(before: Told, after: Told) -> bool:
    """Whether the same machines are, or may be, first; in what order a tie names them is no matter."""
    a, b = before.ranking.verdict, after.ranking.verdict
    who = [{told.machines[i] for i in v.contenders} for told, v in ((before, a), (after, b))]
    return (who[0], a.tie, bool(a.first)) == (who[1], b.tie, bool(b.first))


def _with(study: Study, buyer: Buyer, changes: Sequence[Change]) -> Told:
    """Must-haves that rest on figures are judged by those of now."""
    as_now = replace(study, figures=_Changed(study.figures, changes))
    return tell(as_now, buyer, out={c.machine: c.out for c in changes if c.out})


def _says(study: Study, buyer: str, before: Told, after: Told, changes: Sequence[Change], by: Sequence[str]) -> str:
    was, now = before.ranking.verdict.headline, after.ranking.verdict.headline
    if _same(before, after):
        if not changes:
            return f"For {buyer}: “{was}” still holds; nothing is known to have changed."
        lead_was, lead_now = _lead(before), _lead(after)
        moved = (
            f" The lead is {lead_now:.1f} points, {lead_was:.1f} when it was published."
            if lead_was is not None and lead_now is not None
            else ""
        )
        return f"For {buyer}: “{was}” still holds.{moved}"
    first = before.machines[before.ranking.order[0]] if before.ranking.order else None
    cause = "; ".join(by) if by else " together with ".join(c.words for c in changes)
    points = ""
    if first is not None:
        here, there = _points(before, first), _points(after, first)
        name = study.names[first]
        if there is None:
            points = f" {name} is left out now."
        elif here is not None:
            points = f" {name} has {there:.1f} points, {here:.1f} when it was published."
    return f"For {buyer} it said “{was}” and is “{now}” now: {cause}.{points}"


def _points(told: Told, machine: Key) -> float | None:
    at = next((i for i, m in enumerate(told.machines) if m == machine), None)
    return None if at is None else told.ranking.middle[at]


def _lead(told: Told) -> float | None:
    order = told.ranking.order
    if len(order) < 2:
        return None
    return told.ranking.middle[order[0]] - told.ranking.middle[order[1]]
