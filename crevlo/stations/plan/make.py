"""Makes a study's schedule in the background, and says in words why there is none."""

from collections.abc import Sequence
from datetime import UTC, datetime, timedelta
from typing import TYPE_CHECKING, Any

import numpy as np
from sqlalchemy import func, select
from sqlalchemy.orm import Session, sessionmaker

from crevlo.core.schedule.check import violations
from crevlo.core.schedule.finish import finishes
from crevlo.core.schedule.task import Problem, Schedule
from crevlo.core.schedule.why import Wait, reason
from crevlo.core.success import Outcome
from crevlo.stations.background import Progress
from crevlo.stations.kit.shape import Refused
from crevlo.stations.plan.problem import Planned, job_words, planned
from crevlo.stations.plan.rules import TICK
from crevlo.stations.plan.schedule import latest_schedule
from crevlo.store.schedule import BackgroundWork, MadeSchedule
from crevlo.store.study import Study

if TYPE_CHECKING:
    from crevlo.core.schedule.clash import Clash, Impossible, Rule
    from crevlo.core.schedule.solve import NoSchedule, Solved

# Moves shorter than this are not worth a line.
_MOVED = timedelta(minutes=30)
_MOST_MOVES = 200


def make_schedule(sessions: sessionmaker[Session], work: BackgroundWork, progress: Progress) -> str:
    """Keeps the best schedule found as the study's next; raises Refused, in words, where there is none."""
    # The solver is loaded where a schedule is made, not by every server and command.
    from crevlo.core.schedule.clash import clash, impossible
    from crevlo.core.schedule.solve import NoSchedule, solve

    progress.tell("reading the study", 0.0)
    with sessions() as session:
        plan = planned(session, work.study_id, datetime.now(UTC))
        seed = session.get_one(Study, work.study_id).seed
        before = latest_schedule(session, work.study_id)
        session.expunge_all()
    if not plan.problem.tasks:
        raise Refused("Nothing is left to print in this study.")
    _refuse_impossible(plan, impossible(plan.problem))

    def tell(solved: "Solved", stage: str, share: float) -> None:
        gap = (
            f", of which {100 * solved.gap:.0f} % is not proven necessary"
            if solved.gap > 0.005
            else ", as early as can be"
        )
        found = {"words": f"through on {plan.at(solved.schedule.finish):%a %d %b, %H:%M}{gap}"}
        new = found != told.get("found")
        told["found"] = found
        progress.tell(stage, 0.02 + 0.9 * share, found if new else None)

    told: dict[str, Any] = {}
    try:
        solved = solve(
            plan.problem, seconds=float(work.given["seconds"]), seed=seed, tell=tell, stopped=progress.stopped
        )
    except NoSchedule as none:
        progress.raise_if_cancelled()
        progress.tell("looking for what clashes", 0.6, {})
        raise Refused(_clash_words(plan, clash(plan.problem, stopped=progress.stopped), none)) from None
    progress.raise_if_cancelled()
    broken = violations(plan.problem, solved.schedule)
    if broken:
        raise AssertionError(f"a schedule that breaks rules was found: {broken[:3]}")
    progress.tell("drawing print times", 0.93)
    drawn = finishes(
        plan.problem, solved.schedule, plan.doubts, attempts=plan.attempts, draws=1000, seed=seed
    )  # fmt: skip
    progress.tell("keeping it", 0.98)
    with sessions.begin() as session:
        number = (
            session.scalar(select(func.max(MadeSchedule.number)).where(MadeSchedule.study_id == work.study_id)) or 0
        ) + 1
        session.add(
            MadeSchedule(
                study_id=work.study_id, number=number, origin=plan.origin, tick_s=int(TICK.total_seconds()), seed=seed,
                rules=plan.rules.model_dump(mode="json", exclude={"version"}), slots=_slots(plan, solved.schedule),
                dryings=[{"spool": d.spool, "start": d.start, "end": d.end} for d in solved.schedule.dryings],
                facts=_facts(plan, solved, drawn), moved=_moved(plan, solved.schedule, before),
                person_id=work.person_id,
            )
        )  # fmt: skip
    return f"Plan {number} is made."


def _slots(plan: Planned, made: Schedule) -> list[dict[str, Any]]:
    return [
        {
            "job": t.key, "start": made.slots[t.key].start, "setup": t.setup, "heat": t.heat, "print": t.print,
            "cool": t.cool, "removal_at": made.slots[t.key].removal, "removal": t.removal, "pinned": t.pinned is not None,
            "began": t.began, "tried": plan.tried[t.key], "heat_w": t.heat_w, "print_w": t.print_w,
        }
        for t in plan.problem.tasks
    ]  # fmt: skip


def _facts(plan: Planned, solved: "Solved", drawn: np.ndarray) -> dict[str, Any]:
    return {
        "finish": solved.schedule.finish, "bound": solved.bound, "bound_by": _bound_words(plan, solved.bound_by),
        "moves": solved.moves, "idle_h": solved.idle * TICK.total_seconds() / 3600, "best": solved.best,
        "by": solved.by, "finishes": [int(v) for v in np.quantile(drawn, np.linspace(0, 1, 101), method="nearest")],
        "times_from": plan.times_from, "given_up": [job_words(plan.bench, j) for j in plan.given_up],
        "untried": plan.untried,
        "missed_pins": [job_words(plan.bench, j) for j in plan.missed_pins],
    }  # fmt: skip


def _bound_words(plan: Planned, by: str) -> str:
    kind, _, about = by.partition(" ")
    if kind == "machine":
        return f"{_machine(plan, about)} alone has that much to print"
    if kind == "spool":
        return f"{about} alone has that much to print, in one machine after the other"
    return {"the people": "the starts and removals by hand take that long"}.get(by, f"{by} take that long")


def _machine(plan: Planned, unit_id: str) -> str:
    return next(u.unit.name for u in plan.bench.units if str(u.unit_id) == unit_id)


def _moved(plan: Planned, made: Schedule, before: MadeSchedule | None) -> list[dict[str, Any]]:
    """Prints with another time than in the plan before, the later ones first, each with what it waits for."""
    if before is None:
        return []
    tick = timedelta(seconds=before.tick_s)
    found = []
    running = {t.key for t in plan.problem.tasks if t.began}
    for slot in before.slots:
        key = slot["job"]
        if key not in made.slots or key in running:
            continue
        was, now = before.origin.astimezone(UTC) + slot["start"] * tick, plan.at(made.slots[key].start)
        if abs(now - was) >= _MOVED:
            new = plan.bench.runs.get(plan.jobs[key].id, [])[slot["tried"] :]
            found.append((now - was, key, was, now, any(run.outcome is Outcome.FAILED for run in new)))
    found.sort(key=lambda f: -f[0])
    return [
        {
            "job": key, "was": was.isoformat(), "now": now.isoformat(),
            "why": ("It failed and is printed again. " if failed else "") + _why(plan, made, key),
        }
        for _, key, was, now, failed in found[:_MOST_MOVES]
    ]  # fmt: skip


def _why(plan: Planned, made: Schedule, key: str) -> str:
    found = reason(plan.problem, made, key)
    until = f"{plan.at(found.until):%a %d %b %H:%M}"
    if found.wait is Wait.PIN:
        return "Pinned there."
    if found.wait is Wait.DRYING:
        return f"{found.about} is in the dryer until {until}."
    if found.other is None:
        return "As early as somebody is there."
    other = plan.name(found.other)
    if found.wait is Wait.SPOOL:
        return f"{found.about} is in use until {until}, by {other}."
    return f"Its machine is taken until {until}, by {other}."


def _refuse_impossible(plan: Planned, found: "Sequence[Impossible]") -> None:
    if found:
        words = [_impossible_words(plan, i) for i in found[:5]]
        more = f" And {len(found) - 5} more prints like these." if len(found) > 5 else ""
        raise Refused(" ".join(words) + more)


def _impossible_words(plan: Planned, found: "Impossible") -> str:
    who = plan.name(found.task.key)
    if found.rule.kind == "circuit":
        return f"{who} draws up to {found.needs:.0f} W, and the circuit {found.rule.about} carries {found.has:.0f} W."
    needs, has = _span(found.needs), _span(found.has)
    if found.rule.kind == "attended":
        return (
            f"{who} takes {needs} and may not be left alone, but nobody is there for longer than {has} at a time: "
            "pass its safety checks, allow unattended printing, or lengthen a day."
        )
    return f"{who} needs somebody for {needs}, and nobody is there for longer than {has} at a time."


def _clash_words(plan: Planned, found: "Clash | None", none: "NoSchedule") -> str:
    if found is None:
        if none.proven:
            return "No schedule keeps all rules together."
        return "No schedule that keeps all rules was found in the time given, and none was shown to be impossible. Loosen a pin or the date, or ask again."
    if not found.rules:
        return "What is printing now leaves no room for the rest, whatever rule is given up."
    words = [_rule_words(plan, rule) for rule in found.rules]
    head = "These cannot all be kept: " if len(words) > 1 else "This cannot be kept: "
    tail = " Give up any one of them and the others can be kept." if found.smallest and len(words) > 1 else ""
    return head + "; ".join(words) + "." + tail


def _rule_words(plan: Planned, rule: "Rule") -> str:
    p: Problem = plan.problem
    if rule.kind == "deadline":
        day = plan.rules.finish_by
        return f"the study is finished by {day:%A %d %B}" if day else "the study is finished in time"
    if rule.kind == "pin":
        task = next(t for t in p.tasks if t.key == rule.about)
        return f"{plan.name(rule.about)} is pinned to {plan.at(task.pinned or 0):%a %d %b %H:%M}"
    if rule.kind == "spool":
        ticks = sum(t.occupied for t in p.tasks if rule.about in t.spools)
        return f"{rule.about} is in one machine at a time, for {_span(ticks)} in all"
    if rule.kind == "attended":
        ticks = sum(t.occupied for t in p.tasks if t.machine == rule.about)
        return f"{_machine(plan, rule.about)} may not be left alone, for {_span(ticks)} in all"
    if rule.kind == "circuit":
        limit = next(c.limit_w for c in p.circuits if c.name == rule.about)
        return f"the circuit {rule.about} carries {limit:.0f} W"
    if rule.kind == "drying":
        return f"{rule.about} dries for {_span(p.drying[rule.about])} before its first use"
    if rule.kind == "people":
        return (
            "one person starts and removes prints" if p.people == 1 else f"{p.people} people start and remove prints"
        )
    return {
        "hours": "prints are started and removed in the hours set, holidays left out",
        "order": "prints follow the shuffled order of the protocol",
    }[rule.kind]


def _span(ticks: float) -> str:
    minutes = round(ticks * TICK.total_seconds() / 60)
    return f"{minutes // 60} h {minutes % 60:02d} min" if minutes >= 60 else f"{minutes} min"
