"""Schedules: every rule kept tick by tick, optima known by hand, clashes named, chances of finishing."""

import itertools
from collections import defaultdict
from dataclasses import replace
from datetime import date, datetime, time, timedelta
from zoneinfo import ZoneInfo

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from crevlo.core.estimate import BadInput
from crevlo.core.schedule.bound import earliest_finish
from crevlo.core.schedule.calendar import Calendar, working_hours
from crevlo.core.schedule.check import violations
from crevlo.core.schedule.clash import Rule, clash, impossible
from crevlo.core.schedule.finish import Doubt, chance_by, finishes
from crevlo.core.schedule.greedy import first_answer, looked_ahead
from crevlo.core.schedule.solve import NoSchedule, solve
from crevlo.core.schedule.task import Circuit, Problem, Schedule, Slot, Task
from crevlo.core.schedule.why import Wait, reason

DAY, OPEN = 96, 32  # a tick is a quarter of an hour: eight hours of every day somebody is there
DAYS = Calendar(tuple((d * DAY, d * DAY + OPEN) for d in range(60)))


def task(key: str, machine: str = "A", spool: str = "S", block: int = 0, ticks: int = 8, **more) -> Task:
    return Task(key, machine, (spool,), block, setup=1, heat=1, print=ticks, cool=1, removal=1,
                **{"heat_w": 300.0, "print_w": 100.0} | more)  # fmt: skip


def broken(problem: Problem, made: Schedule) -> set[str]:
    """Rules that a schedule breaks, found by walking through time tick by tick; knows nothing of solver or checker."""
    wrong: set[str] = set()
    there = {t for a, b in problem.hours.windows for t in range(a, b)}
    machines, spools, hands = defaultdict(list), defaultdict(list), defaultdict(int)
    watts = defaultdict(float)
    for t in problem.tasks:
        s = made.slots[t.key]
        hot = s.start + t.setup
        if s.removal < hot + t.heat + t.print + t.cool:
            wrong.add("cool")
        for at in range(s.start, s.removal + t.removal):
            machines[t.machine, at].append(t.key)
            for spool in t.spools:
                spools[spool, at].append(t.key)
        by_hand = [*range(s.start, hot), *range(s.removal, s.removal + t.removal)]
        watched = [] if t.unattended or t.began else range(s.start, hot + t.heat + t.print)
        if any(at not in there for at in (*by_hand, *watched)):
            wrong.add("hours")
        for at in by_hand:
            hands[at] += 1
        for circuit in problem.circuits:
            if t.machine in circuit.machines:
                for at in range(hot, hot + t.heat + t.print):
                    watts[circuit.name, at] += t.heat_w if at < hot + t.heat else t.print_w
        for d in made.dryings:
            if d.spool in t.spools and s.start < d.end:
                wrong.add("drying")
        if t.pinned is not None and s.start != t.pinned:
            wrong.add("pin")
    if any(len(keys) > 1 for keys in machines.values()):
        wrong.add("machine")
    if problem.one_spool and any(len(keys) > 1 for keys in spools.values()):
        wrong.add("spool")
    if any(n > problem.people for n in hands.values()):
        wrong.add("people")
    if any(watts[c.name, at] > c.limit_w for c in problem.circuits for _, at in [k for k in watts if k[0] == c.name]):
        wrong.add("circuit")
    if {d.spool for d in made.dryings} < {s for t in problem.tasks for s in t.spools if problem.drying.get(s)}:
        wrong.add("drying")
    for one, other in itertools.permutations(problem.tasks, 2):
        if made.slots[one.key].start < made.slots[other.key].start:
            shared = set(one.spools) & set(other.spools) if problem.one_spool else one.machine == other.machine
            free = one.pinned is None and other.pinned is None
            if shared and free and one.block > other.block:
                wrong.add("order")
            if one.machine == other.machine and one.stage > other.stage:
                wrong.add("stage")
    return wrong


@st.composite
def problems(draw) -> Problem:
    machines, spools = "ABC"[: draw(st.integers(1, 3))], ["S", "T"][: draw(st.integers(1, 2))]
    tasks = []
    for block in range(draw(st.integers(1, 3))):
        spool = draw(st.sampled_from(spools))
        for m in machines:
            tasks.append(
                task(f"{m}{block}", m, spool, block, draw(st.integers(1, 24)), unattended=draw(st.booleans()),
                     stage=int(block == 2))
            )  # fmt: skip
    circuits = (Circuit("wall", draw(st.sampled_from([350.0, 450.0, 2000.0])), frozenset(machines)),)
    return Problem(
        tuple(tasks), DAYS, people=draw(st.integers(1, 2)), circuits=circuits,
        drying={"S": draw(st.sampled_from([0, 20]))}, one_spool=draw(st.booleans()),
    )  # fmt: skip


@given(problems())
@settings(max_examples=60)
def test_quick_schedules_keep_every_rule(problem: Problem) -> None:
    bound = earliest_finish(problem).finish
    for made in (first_answer(problem), looked_ahead(problem)):
        assert made is not None
        assert broken(problem, made) == set()
        assert violations(problem, made) == []
        assert made.finish >= bound


@given(problems())
@settings(max_examples=8)
def test_solved_schedules_keep_every_rule_and_are_never_later(problem: Problem) -> None:
    first, solved = first_answer(problem), solve(problem, seconds=1.5)
    assert first is not None
    assert broken(problem, solved.schedule) == set()
    assert solved.bound <= solved.schedule.finish <= first.finish


@given(problems(), st.data())
@settings(max_examples=60)
def test_the_checker_sees_what_walking_through_time_sees(problem: Problem, data) -> None:
    made = first_answer(problem)
    assert made is not None
    slots = dict(made.slots)
    key = data.draw(st.sampled_from(sorted(slots)))
    shift = data.draw(st.integers(-40, 40))
    start = max(0, slots[key].start + shift)
    slots[key] = Slot(key, start, max(0, slots[key].removal + shift))
    moved = Schedule(slots, made.dryings, made.finish)
    assert bool(violations(problem, moved)) == bool(broken(problem, moved))


def by_all_orders(problem: Problem) -> int:
    """Earliest end of one spool's prints over all orders, one block."""
    best = 1 << 40
    for order in itertools.permutations(problem.tasks):
        at = 0
        for t in order:
            start = problem.hours.next(at, problem.starts(t))
            removal = problem.hours.next(start + t.busy, t.removal)
            at = removal + t.removal
        best = min(best, at)
    return best


@given(st.lists(st.tuples(st.integers(1, 40), st.booleans()), min_size=2, max_size=5))
@settings(max_examples=15)
def test_one_spool_on_its_own_is_solved_to_the_known_optimum(prints: list[tuple[int, bool]]) -> None:
    tasks = tuple(
        task(f"p{i}", f"M{i}", ticks=n if alone else min(n, 20), unattended=alone)
        for i, (n, alone) in enumerate(prints)
    )
    problem = Problem(tasks, DAYS)
    solved = solve(problem, seconds=4)
    assert solved.schedule.finish == by_all_orders(problem) == solved.bound


def test_the_longest_safe_print_takes_the_night() -> None:
    watched, night = task("day", "A", ticks=20, unattended=False), task("night", "B", ticks=60)
    made = solve(Problem((night, watched), DAYS), seconds=3).schedule
    assert made.slots["day"].start == 0
    assert made.slots["night"].start + night.busy > OPEN
    assert made.slots["night"].removal == DAY


def test_a_pin_is_kept_and_stands_outside_the_shuffled_order() -> None:
    late, early = task("late", "A", block=1, pinned=3), task("early", "B", block=0)
    made = solve(Problem((late, early), DAYS), seconds=2).schedule
    assert made.slots["late"].start == 3
    assert made.slots["early"].start >= made.slots["late"].removal + 1


def test_what_is_printing_stays_and_the_rest_comes_behind_it() -> None:
    running = replace(task("running", ticks=15), began=True, setup=0, heat=0)
    problem = Problem((running, task("next", block=1)), DAYS)
    made = solve(problem, seconds=2).schedule
    assert made.slots["running"].start == 0
    assert made.slots["next"].start == made.slots["running"].removal + running.removal
    why = reason(problem, made, "next")
    assert (why.wait, why.about, why.other) == (Wait.SPOOL, "S", "running")


def test_heating_up_does_not_add_past_the_circuit() -> None:
    tasks = tuple(task(m, m, spool=m) for m in "ABC")
    wall = Circuit("wall", 520.0, frozenset("ABC"))
    made = solve(Problem(tasks, DAYS, people=3, circuits=(wall,)), seconds=3).schedule
    heats = sorted(s.start for s in made.slots.values())
    assert heats == [0, 1, 2]  # one heats while the others print: 300 + 100 + 100 W


def test_where_each_machine_has_its_own_spool_they_print_side_by_side() -> None:
    tasks = tuple(task(m, m) for m in "ABC")
    apart = solve(Problem(tasks, DAYS, people=3, one_spool=False), seconds=2).schedule
    shared = solve(Problem(tasks, DAYS, people=3), seconds=2).schedule
    assert apart.finish == tasks[0].occupied
    assert shared.finish == DAY + 1  # the third is cool after hours and waits for the morning


def test_impossible_prints_are_told_one_by_one() -> None:
    problem = Problem(
        (task("too long", "A", ticks=40, unattended=False), task("too strong", "B", heat_w=900.0), task("fine", "C")),
        DAYS, circuits=(Circuit("wall", 800.0, frozenset("AB")),),
    )  # fmt: skip
    assert [(i.task.key, i.rule) for i in impossible(problem)] == [
        ("too long", Rule("attended", "A")),
        ("too strong", Rule("circuit", "wall")),
    ]


def test_two_pins_on_one_machine_clash_and_nothing_else_is_named() -> None:
    tasks = [task(f"p{i}", "AB"[i % 2], spool=f"S{i}", block=i) for i in range(4)]
    tasks[0], tasks[2] = replace(tasks[0], pinned=2), replace(tasks[2], pinned=6)
    found = clash(Problem(tuple(tasks), DAYS))
    assert found is not None
    assert found.rules == (Rule("pin", "p0"), Rule("pin", "p2"))
    assert found.smallest


def test_a_pin_while_nobody_is_there_clashes_with_the_hours() -> None:
    found = clash(Problem((task("p", pinned=OPEN + 4), task("q", "B", block=1)), DAYS))
    assert found is not None
    assert found.rules == (Rule("hours"), Rule("pin", "p"))


def test_a_date_too_early_names_the_spool_that_is_in_its_way() -> None:
    tasks = tuple(task(f"{m}{b}", m, "STU"[b % 3], b, 10) for b in range(6) for m in "ABCD")
    problem = Problem(tasks, DAYS, people=4, deadline=DAY - 1)
    with pytest.raises(NoSchedule) as told:
        solve(problem, seconds=2)
    assert told.value.proven
    found = clash(problem)
    assert found is not None
    kinds = {r.kind for r in found.rules}
    assert "deadline" in kinds
    assert kinds <= {"deadline", "hours", "spool", "order"}
    assert clash(replace(problem, deadline=59 * DAY)) is None


def test_rules_that_can_be_kept_do_not_clash() -> None:
    assert clash(Problem((task("p", pinned=2), task("q", "B", block=1)), DAYS)) is None


def test_draws_without_doubt_are_the_plan_itself() -> None:
    tasks = tuple(task(f"{m}{b}", m, "S", b, 6) for b in range(3) for m in "AB")
    problem = Problem(tasks, DAYS)
    made = solve(problem, seconds=2).schedule
    sure = finishes(problem, made, {t.key: Doubt(0, 0, 0) for t in tasks}, attempts=3, draws=20)
    assert set(sure.tolist()) == {made.finish}


def test_failures_and_spread_make_it_later_and_chances_rise_with_the_date() -> None:
    tasks = tuple(task(f"{m}{b}", m, "S", b, 6) for b in range(4) for m in "AB")
    problem = Problem(tasks, DAYS)
    made = solve(problem, seconds=1).schedule
    spread = finishes(problem, made, {t.key: Doubt(0.2, 0.1, 0.0) for t in tasks}, attempts=3, seed=1)
    failing = finishes(problem, made, {t.key: Doubt(0.2, 0.1, 0.4) for t in tasks}, attempts=3, seed=1)
    assert failing.mean() > spread.mean()
    chances = chance_by(failing, range(0, 40 * DAY, DAY))
    assert chances == sorted(chances)
    assert chances[0] == 0
    assert chances[-1] == 1
    # A print that fails with 0.4 and may be tried three times is tried 1.56 times on average.
    alone = Problem((task("one", ticks=4),), Calendar(((0, 100_000),)))
    only = first_answer(alone)
    assert only is not None
    tried = finishes(alone, only, {"one": Doubt(0, 0, 0.4)}, attempts=3, draws=20_000, seed=3)
    assert np.mean(tried == 8) == pytest.approx(0.6, abs=0.015)


def test_what_estimates_of_all_machines_share_does_not_average_out_over_them() -> None:
    machines = [f"M{k}" for k in range(8)]
    problem = Problem(tuple(task(m, m, m, 0, 40) for m in machines), Calendar(((0, 100_000),)), people=8)
    made = solve(problem, seconds=1).schedule
    apart, alike = (
        finishes(problem, made, dict.fromkeys(machines, doubt), attempts=1, draws=4000, seed=2)
        for doubt in (Doubt(0.2, 0.0, 0.0), Doubt(0.0, 0.0, 0.0, 0.2))
    )
    # The slowest of eight is late for sure where each strays by itself, and as likely early where they stray together.
    assert apart.mean() > alike.mean() + 5
    assert alike.std() > 1.1 * apart.std()


def test_hours_follow_the_clock_on_the_wall_through_the_change_of_summer_time() -> None:
    zone = ZoneInfo("Europe/Berlin")
    begin = datetime(2027, 3, 27, 0, 0, tzinfo=zone)
    week = [[(time(9), time(17))]] * 7
    hours = working_hours(begin, 3, week, {date(2027, 3, 29)}, zone, timedelta(minutes=15))
    assert hours.windows == ((36, 68), (128, 160))  # the second day has an hour less before nine; the third is off
    with pytest.raises(BadInput, match="end before they begin"):
        working_hours(begin, 1, [[(time(17), time(9))]] * 7, set(), zone, timedelta(minutes=15))


def test_stopping_keeps_the_best_so_far() -> None:
    tasks = tuple(task(f"{m}{b}", m, "S", b, 6) for b in range(4) for m in "ABC")
    told = []
    solved = solve(
        Problem(tasks, DAYS), seconds=30, tell=lambda s, stage, share: told.append(stage), stopped=lambda: True
    )
    assert told[0] == "first answer"
    assert violations(Problem(tasks, DAYS), solved.schedule) == []
