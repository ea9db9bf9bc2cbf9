"""Why there is no schedule: the smallest set of rules that cannot all be kept."""

import time
from collections.abc import Callable, Sequence
from dataclasses import dataclass, replace
from itertools import combinations

from crevlo.core.schedule.bound import earliest_finish
from crevlo.core.schedule.calendar import always
from crevlo.core.schedule.solve import can_be_kept, pins_clash
from crevlo.core.schedule.task import Problem, Task

_PER_CHECK_S = 1.0
# A person who can do everything at once: more hands than there are prints.
_MANY = 10_000


@dataclass(frozen=True, slots=True)
class Rule:
    """A rule that can be given up: its kind, and the machine, spool, circuit or print that it is about."""

    kind: str
    about: str = ""


@dataclass(frozen=True, slots=True)
class Clash:
    """Rules that cannot all be kept; without any one of them the others can. `smallest` unless time ran out first.

    Without rules it is what prints already that clashes, whatever is given up.
    """

    rules: tuple[Rule, ...]
    smallest: bool


@dataclass(frozen=True, slots=True)
class Impossible:
    """A print that cannot be put anywhere by itself, and the rule in its way: ticks or watts needed against those there."""

    task: Task
    rule: Rule
    needs: float
    has: float


def impossible(problem: Problem) -> list[Impossible]:
    """Prints that no day is long enough for, or no circuit strong enough."""
    longest = problem.hours.longest
    limits = {m: (c.name, c.limit_w) for c in problem.circuits for m in c.machines}
    found = []
    for t in problem.tasks:
        if not t.began and problem.starts(t) > longest:
            kind = "hours" if t.unattended else "attended"
            found.append(
                Impossible(t, Rule(kind, t.machine if kind == "attended" else ""), problem.starts(t), longest)
            )
        elif t.removal > longest:
            found.append(Impossible(t, Rule("hours"), t.removal, longest))
        name, limit = limits.get(t.machine, ("", 0.0))
        if name and max(t.heat_w, t.print_w) > limit:
            found.append(Impossible(t, Rule("circuit", name), max(t.heat_w, t.print_w), limit))
    return found


def rules_of(problem: Problem) -> list[Rule]:
    """Every rule of a problem that a person could give up."""
    rules = [Rule("hours"), Rule("people")]
    rules += [Rule("attended", m) for m in sorted({t.machine for t in problem.tasks if not t.unattended})]
    if problem.one_spool:
        rules += [Rule("spool", s) for s in sorted({s for t in problem.tasks for s in t.spools})]
    rules += [Rule("circuit", c.name) for c in problem.circuits]
    rules += [Rule("drying", s) for s in sorted(problem.drying)]
    rules += [Rule("pin", t.key) for t in problem.tasks if t.pinned is not None]
    if problem.keep_order:
        rules.append(Rule("order"))
    if problem.deadline is not None:
        rules.append(Rule("deadline"))
    return rules


def clash(
    problem: Problem,
    *,
    seconds: float = 12.0,
    stopped: Callable[[], bool] = lambda: False,
    kept: Callable[[Problem, float], bool | None] = can_be_kept,
) -> Clash | None:
    """The smallest clashing set of rules, or None where the rules can be kept or it could not be told.

    Every set of rules whose removal helps must meet the clash, so sets are looked for that meet all those found
    (implicit hitting sets; Ignatiev et al. 2015, "Smallest MUS extraction with minimal hitting set dualization").
    """
    began = time.monotonic()
    rules = rules_of(problem)
    exact = kept_in_time(problem, 0) is not False
    if pins_clash(problem):
        # Two rules at most, found without any search.
        kept, exact = _pins_kept, True
    elif not exact:
        kept = kept_in_time

    def fits(active: frozenset[Rule]) -> bool | None:
        return kept(_relaxed(problem, active), _PER_CHECK_S)

    def over() -> bool:
        return stopped() or time.monotonic() - began > seconds

    if fits(frozenset(rules)) is not False:
        return None
    if fits(frozenset()) is False:
        return Clash((), smallest=True)
    # Left out, many at a time and then one by one, where the rest still clashes: a set of which every rule is needed.
    needed = frozenset(rules)
    size = len(rules)
    while size >= 1 and not over():
        for at in range(0, len(rules), size):
            part = needed & frozenset(rules[at : at + size])
            if part and len(part) < len(needed) and not over() and fits(needed - part) is False:
                needed -= part
        size //= 2
    helps: list[frozenset[Rule]] = []
    for size in range(1, len(needed)):
        for chosen in combinations(rules, size):
            if over():
                return Clash(_sorted(rules, needed), smallest=False)
            active = frozenset(chosen)
            if any(not active & h for h in helps):
                continue
            if fits(active) is False:
                return Clash(_sorted(rules, active), smallest=exact)
            # As many rules as can be added: what is left over must be met by every clash.
            grown = active
            for rule in rules:
                if rule not in grown and not over() and fits(grown | {rule}) is not False:
                    grown |= {rule}
            helps.append(frozenset(rules) - grown)
    return Clash(_sorted(rules, needed), smallest=exact and not over())


def _pins_kept(problem: Problem, seconds: float) -> bool | None:
    return not pins_clash(problem)


def kept_in_time(problem: Problem, seconds: float) -> bool | None:
    """False where the bound alone shows that the date cannot be met; quick, whatever the number of prints."""
    late = problem.deadline is not None and earliest_finish(problem).finish > problem.deadline
    return False if late else None


def _sorted(rules: Sequence[Rule], chosen: frozenset[Rule]) -> tuple[Rule, ...]:
    return tuple(r for r in rules if r in chosen)


def _relaxed(problem: Problem, active: frozenset[Rule]) -> Problem:
    """The problem with only `active` rules of those that can be given up."""
    # A spool that may be in several machines at once is as good as one spool for each.
    free = {s for t in problem.tasks for s in t.spools if Rule("spool", s) not in active}
    tasks = tuple(
        replace(
            t,
            unattended=t.unattended or Rule("attended", t.machine) not in active,
            pinned=t.pinned if Rule("pin", t.key) in active else None,
            spools=tuple(f"{s}\n{t.machine}" if problem.one_spool and s in free else s for s in t.spools),
        )
        for t in problem.tasks
    )
    drying = {
        name: problem.drying[spool]
        for t in tasks
        for name in t.spools
        for spool in [name.split("\n")[0]]
        if spool in problem.drying and Rule("drying", spool) in active
    }
    return replace(
        problem,
        tasks=tasks,
        hours=problem.hours if Rule("hours") in active else always(),
        people=problem.people if Rule("people") in active else _MANY,
        circuits=tuple(c for c in problem.circuits if Rule("circuit", c.name) in active),
        drying=drying,
        dryers=max(problem.dryers, sum("\n" in name for name in drying)),
        keep_order=problem.keep_order and Rule("order") in active,
        deadline=problem.deadline if Rule("deadline") in active else None,
    )
