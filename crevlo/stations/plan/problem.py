"""A study's open prints and the rules of its bench, as the core schedules them."""

import uuid
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field
from datetime import UTC, date, datetime, time, timedelta
from typing import NamedTuple

from sqlalchemy import func, select
from sqlalchemy.orm import Session

from crevlo.core.material import usual_drying_h
from crevlo.core.print_estimate import SPREAD_BY_FILE, SPREAD_BY_VOLUME
from crevlo.core.protocol import Tuning
from crevlo.core.schedule.calendar import Calendar, working_hours
from crevlo.core.schedule.finish import Doubt
from crevlo.core.schedule.task import Circuit, Problem, Task
from crevlo.core.success import Outcome, success_chance
from crevlo.stations.bench import Bench, load_bench
from crevlo.stations.kit.shape import Refused
from crevlo.stations.library.artifact import stored
from crevlo.stations.library.model import peak_w_of
from crevlo.stations.plan.expected import History, by_volume, histories, watts_of
from crevlo.stations.plan.rules import TICK, Rules, rules_of
from crevlo.stations.protocol import Conditions, Policies
from crevlo.stations.study import tries_used
from crevlo.store.run import Run
from crevlo.store.schedule import Pin
from crevlo.store.study import Job

_DAYS = 500


@dataclass(frozen=True)
class Planned:
    """The core's problem with what its keys stand for.

    `times_from` counts where the prints' times come from, `tried` the attempts of each that have ended, and `untried`
    names machines without any attempt on record, whose failures are not known.
    """

    bench: Bench
    rules: Rules
    origin: datetime
    problem: Problem
    doubts: dict[str, Doubt]
    jobs: dict[str, Job]
    attempts: int
    given_up: list[Job]
    missed_pins: list[Job]
    tried: dict[str, int]
    untried: list[str]
    times_from: dict[str, int] = field(default_factory=dict)

    def at(self, tick: int) -> datetime:
        return wall_time(self.origin, tick, TICK, self.rules)

    def name(self, key: str) -> str:
        return job_words(self.bench, self.jobs[key])


def wall_time(origin: datetime, tick: int, length: timedelta, rules: Rules) -> datetime:
    """A tick on the bench's clock; counted in UTC, so that a clock change shifts nothing."""
    return (origin.astimezone(UTC) + tick * length).astimezone(rules.zone)


def job_words(bench: Bench, job: Job) -> str:
    artifact = bench.artifacts[job.artifact_id].name.lower()
    return f"{job.unit.name} · {artifact} {job.copy} from {bench.spools[job.spool_id].code}"


def planned(session: Session, study_id: uuid.UUID, now: datetime) -> Planned:
    """Raises Refused before the protocol is frozen."""
    bench = load_bench(session, study_id)
    protocol = bench.protocol
    if protocol is None or protocol.frozen_at is None:
        raise Refused("Freeze the protocol first: only then is it known what is printed.")
    rules, policies = rules_of(session, study_id), Policies(**protocol.policies)
    pins = {p.job_id: p.start_at for p in session.scalars(select(Pin).where(Pin.study_id == study_id))}
    live = {run.job_id: run for tries in bench.runs.values() for run in tries if run.ended_at is None}
    origin = _origin(rules, now, begun=bool(live))
    hours = hours_from(rules, origin)
    known = histories(session, [u.unit_id for u in bench.units])
    counted = _attempts(session, [u.unit_id for u in bench.units])
    _refuse_two_at_once(bench, live)
    arms = {arm.id: arm for arm in protocol.arms}
    blocks: dict[tuple[object, ...], int] = {}
    tasks, doubts, jobs, tried = [], {}, {}, {}
    held: set[str] = set()
    given_up, missed = [], []
    sources = {"file": 0, "history": 0, "volume": 0}
    for job in bench.jobs:
        block = blocks.setdefault((job.arm_id, job.artifact_id, job.spool_id, job.copy), len(blocks))
        tries = bench.runs.get(job.id, [])
        if job.id in bench.cannot or any(run.outcome is Outcome.DONE for run in tries):
            continue
        run = live.get(job.id)
        if run is None and tries_used(tries) >= policies.most_attempts:
            given_up.append(job)
            continue
        key, history = str(job.id), known[job.unit_id]
        seconds, doubt, source = _time_of(session, bench, job, arms[job.arm_id].conditions, history, run)
        sources[source] += 1
        pinned = _ticks(pins[job.id] - origin) if job.id in pins and run is None else None
        if pinned is not None and pinned < 0:
            missed.append(job)
            pinned = None
        gone = (origin - run.started_at).total_seconds() if run else 0.0
        heat_s = rules.heat_min * 60.0
        codes = [bench.spools[s].code for s in job.spool_ids]
        if run:
            # Two prints that run from one spool's code are evidently fed from two: what happens is not planned away.
            codes = [c for c in codes if c not in held]
            held |= set(codes)
        tasks.append(
            Task(
                key=key, machine=str(job.unit_id),
                spools=tuple(codes), block=block,
                setup=0 if run else _up(rules.setup_min * 60), heat=_up(max(0.0, heat_s - gone)),
                print=_up(seconds - max(0.0, gone - heat_s)) if run else max(1, _up(seconds)),
                cool=_up(rules.cool_min * 60), removal=_up(rules.removal_min * 60),
                unattended=_may_be_left(bench, job, policies, rules), heat_w=_peak_w(job),
                print_w=history.mean_w or watts_of(job.unit.model, Conditions(**arms[job.arm_id].conditions), bench.spools[job.spool_ids[0]]), stage=int(arms[job.arm_id].tuning is Tuning.TUNED),
                pinned=pinned, began=run is not None,
            )
        )  # fmt: skip
        good, all_tries = counted[job.unit_id]
        fails = 1 - success_chance(good, all_tries).mean if all_tries else 0.0
        doubts[key] = Doubt(doubt.machine, doubt.own, fails, doubt.everywhere)
        jobs[key], tried[key] = job, tries_used(tries) - bool(run)
    problem = Problem(
        tuple(tasks), hours, people=rules.people,
        circuits=tuple(
            Circuit(c.name, c.limit_w, frozenset(str(u) for u in c.unit_ids)) for c in rules.circuits if c.unit_ids
        ),
        drying=_drying(bench, policies, rules, tasks, now), dryers=rules.dryers,
        one_spool=policies.material == "same spool", deadline=_deadline(rules, origin),
    )  # fmt: skip
    return Planned(
        bench, rules, origin, problem, doubts, jobs, policies.most_attempts, given_up, missed, tried,
        [u.unit.name for u in bench.units if not counted[u.unit_id][1]], sources,
    )  # fmt: skip


def hours_from(rules: Rules, origin: datetime) -> Calendar:
    week = [[(h.opens, h.closes) for h in day] for day in rules.week]
    return working_hours(origin, _DAYS, week, set(rules.holidays), rules.zone, TICK)


def _origin(rules: Rules, now: datetime, *, begun: bool) -> datetime:
    """The first tick from now on, or the first day; what is printing already does not wait for that day."""
    if rules.begin and not begun:
        first = datetime.combine(rules.begin, time(), rules.zone)
        now = max(now, first)
    tick_s = TICK.total_seconds()
    return datetime.fromtimestamp(-(-now.timestamp() // tick_s) * tick_s, UTC)


def _deadline(rules: Rules, origin: datetime) -> int | None:
    if rules.finish_by is None:
        return None
    return max(0, (end_of(rules.finish_by, rules) - origin) // TICK)


def end_of(day: date, rules: Rules) -> datetime:
    """Midnight after a day at the bench, in UTC."""
    return datetime.combine(day + timedelta(days=1), time(), rules.zone).astimezone(UTC)


class _Spread(NamedTuple):
    """Of the logarithm of a time: shared by the prints of a machine, the print's own, shared by those of all machines."""

    machine: float
    own: float
    everywhere: float = 0.0


# Half the variance: of an estimate that nothing of the machine's own went into as much is the way of estimating as the machine.
_HALF = 0.5**0.5


def _time_of(
    session: Session, bench: Bench, job: Job, conditions: dict[str, object], history: History, run: Run | None
) -> tuple[float, _Spread, str]:
    """Seconds of the print, their spread, and where they come from."""
    file = bench.sliced.get(job.id)
    stated = file.facts.get("time_s") if file else None
    if stated:
        # What the machine took of its files' times so far; without that the files are taken at their word.
        half = SPREAD_BY_FILE / 2
        if history.of_file is not None:
            return float(stated) * history.of_file, _Spread(half, SPREAD_BY_FILE), "file"
        return float(stated), _Spread(half * _HALF, SPREAD_BY_FILE, half * _HALF), "file"
    a = stored(session, bench.artifacts[job.artifact_id])
    expected = by_volume(a.key, a.artifact, Conditions.model_validate(conditions))
    seconds = expected.seconds * job.parts
    if history.ratio is None:
        of_way = SPREAD_BY_VOLUME * _HALF
        return seconds, _Spread(of_way, SPREAD_BY_FILE, of_way), "volume"
    shared = history.log_spread / max(1, history.runs) ** 0.5
    return seconds * history.ratio, _Spread(shared, history.log_spread), "history"


def _may_be_left(bench: Bench, job: Job, policies: Policies, rules: Rules) -> bool:
    checked = bench.safe(job.unit_id) is True
    return policies.unattended == "after checks" and checked and job.unit_id not in rules.attended_unit_ids


def _peak_w(job: Job) -> float:
    return peak_w_of(job.unit.model)[0]


def _attempts(session: Session, unit_ids: Sequence[uuid.UUID]) -> dict[uuid.UUID, tuple[int, int]]:
    """Good attempts and all that were printed to an end, of each unit in all studies."""
    rows = session.execute(
        select(Job.unit_id, func.count().filter(Run.outcome == Outcome.DONE), func.count())
        .join(Job, Job.id == Run.job_id)
        .where(Job.unit_id.in_(unit_ids), Run.outcome.in_([Outcome.DONE, Outcome.FAILED]))
        .group_by(Job.unit_id)
    )
    found = {unit_id: (good, tries) for unit_id, good, tries in rows}
    return {unit_id: found.get(unit_id, (0, 0)) for unit_id in unit_ids}


def _refuse_two_at_once(bench: Bench, live: Mapping[uuid.UUID, Run]) -> None:
    printing = [job.unit for job in bench.jobs if job.id in live]
    twice = next((u for i, u in enumerate(printing) if any(o.id == u.id for o in printing[:i])), None)
    if twice:
        raise Refused(f"{twice.model.name} has two prints running at once; end the one that is not on it first.")


def _drying(bench: Bench, policies: Policies, rules: Rules, tasks: list[Task], now: datetime) -> dict[str, int]:
    """Ticks of drying that each spool still needs before its first use in this study."""
    if policies.drying != "dried before use":
        return {}
    set_h = {d.spool_id: d.hours for d in rules.drying}
    used = {i for job in bench.jobs if bench.runs.get(job.id) for i in job.spool_ids}
    codes = {code for task in tasks for code in task.spools}
    need = {}
    for spool in bench.spools.values():
        if spool.code not in codes or spool.id in used:
            continue
        if spool.dried_on and (now.date() - spool.dried_on).days <= rules.dried_lasts_days:
            continue
        ticks = _up(3600 * set_h.get(spool.id, usual_drying_h(spool.material)))
        if ticks:
            need[spool.code] = ticks
    return need


def _up(seconds: float) -> int:
    return max(0, -int(-seconds // TICK.total_seconds()))


def _ticks(span: timedelta) -> int:
    return round(span / TICK)
