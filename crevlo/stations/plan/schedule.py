"""The schedule as it is looked at: lanes, hours, loads, chances, and whether it still fits what has happened."""

import uuid
from datetime import UTC, date, datetime, time, timedelta
from typing import Any, Literal

from pydantic import Field
from sqlalchemy import select
from sqlalchemy.orm import Session

from crevlo.core.material import usual_drying_h
from crevlo.core.success import Outcome
from crevlo.stations.background import OPEN, WorkOut, ask, latest, work_out
from crevlo.stations.bench import Bench, load_bench
from crevlo.stations.kit.mark import UnitMark, mark_of
from crevlo.stations.kit.shape import Refused, Shape
from crevlo.stations.plan.problem import end_of, hours_from, job_words, wall_time
from crevlo.stations.plan.rules import PinOut, Rules, RulesOut, pins_of, rules_of
from crevlo.stations.protocol import Policies
from crevlo.stations.study import tries_used
from crevlo.store.schedule import MadeSchedule

SlotState = Literal["planned", "printing", "done", "failed", "late"]
# A start this much after its time counts as late.
LATE = timedelta(minutes=30)


def latest_schedule(session: Session, study_id: uuid.UUID) -> MadeSchedule | None:
    return session.scalar(
        select(MadeSchedule).where(MadeSchedule.study_id == study_id).order_by(MadeSchedule.number.desc()).limit(1)
    )


class AskSchedule(Shape):
    """`seconds` is how long to look for a better schedule than the first."""

    id: uuid.UUID
    seconds: int = Field(default=22, ge=1, le=120)


class SlotOut(Shape):
    """One print on the timeline with the times of its phases."""

    job_id: uuid.UUID
    unit_id: uuid.UUID
    artifact: str
    code: str
    arm: str
    copy_number: int
    spools: list[str]
    start_at: datetime
    hot_at: datetime = Field(description="set up, heating begins")
    print_at: datetime
    printed_at: datetime
    cool_at: datetime
    removal_at: datetime
    end_at: datetime
    pinned: bool
    state: SlotState


class DryingOut(Shape):
    spool: str
    start_at: datetime
    end_at: datetime


class SpoolUsed(Shape):
    code: str
    words: str


class LoadStep(Shape):
    at: datetime
    watts: float


class CircuitLoad(Shape):
    name: str
    limit_w: float
    peak_w: float
    steps: list[LoadStep]


class Window(Shape):
    from_at: datetime
    to_at: datetime


class Day(Shape):
    """Midnight at the bench, and the day's name."""

    at: datetime
    words: str


class Chance(Shape):
    at: datetime
    chance: float


class Moved(Shape):
    job_id: uuid.UUID
    words: str
    was: datetime
    now: datetime
    why: str


class Made(Shape):
    """One schedule; `gap` is the share of its time that is not proven necessary."""

    number: int
    made_at: datetime
    seed: int
    begin_at: datetime
    finish_at: datetime
    bound_at: datetime
    bound_by: str
    gap: float
    best: bool
    moves: int
    idle_h: float
    chances: list[Chance]
    by_date: float | None = Field(description="chance of being through by the date set")
    times_from: str
    slots: list[SlotOut]
    dryings: list[DryingOut]
    spools: list[SpoolUsed]
    circuits: list[CircuitLoad]
    windows: list[Window]
    days: list[Day]
    moved: list[Moved]
    moved_count: int
    notes: list[str]


class SpoolDrying(Shape):
    """A spool of the study, how long such a one usually dries, and when it was dried last."""

    spool_id: uuid.UUID
    words: str
    usual_h: float
    dried_on: date | None


class ScheduleView(Shape):
    now: datetime
    frozen: bool
    open_prints: int
    time_zone: str
    finish_by: date | None
    machines: list[UnitMark]
    spools: list[SpoolDrying]
    pins: list[PinOut]
    schedule: Made | None
    work: WorkOut | None
    stale: list[str] = Field(description="what has happened that the schedule does not know")


def ask_schedule(session: Session, study_id: uuid.UUID, given: AskSchedule, person_id: uuid.UUID) -> WorkOut:
    bench = load_bench(session, study_id)
    if bench.protocol is None or bench.protocol.frozen_at is None:
        raise Refused("Freeze the protocol first: only then is it known what is printed.")
    return ask(session, given.id, study_id, "schedule", {"seconds": given.seconds}, person_id)


def view_schedule(session: Session, study_id: uuid.UUID) -> ScheduleView:
    bench = load_bench(session, study_id)
    now = datetime.now(UTC)
    rules, pins = rules_of(session, study_id), pins_of(session, study_id).pins
    row, work = latest_schedule(session, study_id), latest(session, study_id, "schedule")
    # What failed or is under way is told until a newer schedule is there.
    shown = work if work and (work.state in OPEN or row is None or work.asked_at > row.made_at) else None
    made = _made(bench, row, now) if row else None
    return ScheduleView(
        now=now, frozen=bool(bench.protocol and bench.protocol.frozen_at), open_prints=len(open_jobs(bench)),
        time_zone=rules.time_zone, finish_by=rules.finish_by, machines=[mark_of(u) for u in bench.units], spools=_spools(bench), pins=pins,
        schedule=made, work=work_out(shown) if shown else None,
        stale=_stale(bench, row, rules, pins, made, now) if row and made else [],
    )  # fmt: skip


def open_jobs(bench: Bench) -> list[uuid.UUID]:
    most = Policies(**bench.protocol.policies).most_attempts if bench.protocol else 1
    return [
        job.id
        for job in bench.jobs
        for tries in [bench.runs.get(job.id, [])]
        if not any(r.outcome is Outcome.DONE for r in tries)
        and (tries_used(tries) < most or tries[-1].ended_at is None)
    ]


def _spools(bench: Bench) -> list[SpoolDrying]:
    used = {i for job in bench.jobs for i in job.spool_ids}
    return [
        SpoolDrying(
            spool_id=s.id, words=f"{s.code} · {s.colour} {s.material}", usual_h=usual_drying_h(s.material),
            dried_on=s.dried_on,
        )
        for s in sorted((bench.spools[i] for i in used), key=lambda s: s.code)
    ]  # fmt: skip


def slots_of(bench: Bench, row: MadeSchedule, now: datetime) -> list[SlotOut]:
    """A schedule's prints with what has become of them, in order of their starts."""
    tick, rules = timedelta(seconds=row.tick_s), Rules(**row.rules)
    jobs, arms = {str(job.id): job for job in bench.jobs}, bench.arm_names
    found = []
    for s in row.slots:
        job = jobs[s["job"]]
        # By count, not by time: a run may be entered later than it was.
        tries = bench.runs.get(job.id, [])[s["tried"] :]
        start = wall_time(row.origin, s["start"], tick, rules)
        if any(r.outcome is Outcome.DONE for r in tries):
            state: SlotState = "done"
        elif any(r.ended_at is None for r in tries):
            state = "printing"
        elif tries:
            state = "failed"
        else:
            state = "late" if now > start + LATE else "planned"
        ends, at = [], s["start"]
        for phase in ("setup", "heat", "print", "cool"):
            at += s[phase]
            ends.append(wall_time(row.origin, at, tick, rules))
        found.append(
            SlotOut(
                job_id=job.id, unit_id=job.unit_id, artifact=bench.artifacts[job.artifact_id].name,
                code=bench.artifacts[job.artifact_id].code, arm=arms[job.arm_id], copy_number=job.copy,
                spools=[bench.spools[i].code for i in job.spool_ids],
                start_at=start, hot_at=ends[0], print_at=ends[1], printed_at=ends[2], cool_at=ends[3],
                removal_at=wall_time(row.origin, s["removal_at"], tick, rules),
                end_at=wall_time(row.origin, s["removal_at"] + s["removal"], tick, rules),
                pinned=s["pinned"], state=state,
            )
        )  # fmt: skip
    return sorted(found, key=lambda slot: slot.start_at)


def _made(bench: Bench, row: MadeSchedule, now: datetime) -> Made:
    rules, facts = Rules(**row.rules), row.facts
    tick, origin = timedelta(seconds=row.tick_s), row.origin.astimezone(rules.zone)

    def at(ticks: int) -> datetime:
        return wall_time(row.origin, ticks, tick, rules)

    slots = slots_of(bench, row, now)
    codes = {code for slot in slots for code in slot.spools} | {d["spool"] for d in row.dryings}
    spools = sorted((s for s in bench.spools.values() if s.code in codes), key=lambda s: s.code)
    quantiles = facts["finishes"]
    deadline = end_of(rules.finish_by, rules) if rules.finish_by else None
    names = {str(job.id): job_words(bench, job) for job in bench.jobs}
    return Made(
        number=row.number, made_at=row.made_at, seed=row.seed, begin_at=origin, finish_at=at(facts["finish"]),
        bound_at=at(facts["bound"]), bound_by=facts["bound_by"],
        gap=(facts["finish"] - facts["bound"]) / facts["finish"] if facts["finish"] else 0.0, best=facts["best"],
        moves=facts["moves"], idle_h=facts["idle_h"],
        chances=[Chance(at=at(quantiles[p]), chance=p / 100) for p in (5, 25, 50, 75, 90, 95)],
        by_date=sum(at(q) <= deadline for q in quantiles[1:]) / 100 if deadline else None,
        times_from=_times_words(facts["times_from"]), slots=slots,
        dryings=[DryingOut(spool=d["spool"], start_at=at(d["start"]), end_at=at(d["end"])) for d in row.dryings],
        spools=[SpoolUsed(code=s.code, words=f"{s.colour} {s.material}") for s in spools],
        circuits=_loads(row, rules, bench, at),
        windows=[
            Window(from_at=at(a), to_at=at(b))
            for a, b in hours_from(rules, origin).windows
            if a <= facts["finish"] + timedelta(days=2) // tick
        ],
        days=_days(origin, at(facts["finish"]) + timedelta(days=2)),
        moved=[
            Moved(job_id=uuid.UUID(m["job"]), words=names[m["job"]], was=m["was"], now=m["now"], why=m["why"])
            for m in row.moved[:30]
        ],
        moved_count=len(row.moved),
        notes=[f"{words} has no attempt left and is not planned again." for words in facts["given_up"]]
        + [f"{name} has no attempt on record; its failures are not drawn." for name in facts["untried"]]
        + [f"{words} was pinned to a time that had passed; it was planned freely." for words in facts["missed_pins"]],
    )  # fmt: skip


def _days(begin: datetime, end: datetime) -> list[Day]:
    count = (end.date() - begin.date()).days + 1
    midnights = (datetime.combine(begin.date() + timedelta(days=n), time(), begin.tzinfo) for n in range(count))
    return [Day(at=at, words=f"{at:%a} {at.day} {at:%b}") for at in midnights]


def _loads(row: MadeSchedule, rules: Rules, bench: Bench, at: Any) -> list[CircuitLoad]:
    unit_of = {str(job.id): job.unit_id for job in bench.jobs}
    found = []
    for circuit in rules.circuits:
        changes: dict[int, float] = {}
        for s in row.slots:
            if unit_of[s["job"]] in circuit.unit_ids:
                hot = s["start"] + s["setup"]
                for begin, length, watts in (
                    (hot, s["heat"], s["heat_w"]),
                    (hot + s["heat"], s["print"], s["print_w"]),
                ):
                    changes[begin] = changes.get(begin, 0.0) + watts
                    changes[begin + length] = changes.get(begin + length, 0.0) - watts
        level, steps = 0.0, []
        for tick in sorted(changes):
            if abs(changes[tick]) > 1e-9:
                level = max(0.0, level + changes[tick])
                steps.append(LoadStep(at=at(tick), watts=round(level, 1)))
        found.append(
            CircuitLoad(
                name=circuit.name, limit_w=circuit.limit_w, peak_w=max((s.watts for s in steps), default=0.0),
                steps=steps,
            )
        )  # fmt: skip
    return found


def _times_words(counts: dict[str, int]) -> str:
    words = {
        "file": "by their sliced files",
        "history": "by volume and what their machine took before",
        "volume": "by volume alone",
    }
    return ", ".join(f"{n} {words[k]}" for k, n in counts.items() if n)


def _stale(
    bench: Bench, row: MadeSchedule, rules: RulesOut, pins: list[PinOut], made: Made, now: datetime
) -> list[str]:
    jobs = {job.id: job for job in bench.jobs}
    found = []
    for slot in made.slots:
        if slot.state == "failed":
            found.append(f"{job_words(bench, jobs[slot.job_id])} failed and has no new time.")
    late = [s for s in made.slots if s.state == "late"]
    if late:
        first = job_words(bench, jobs[late[0].job_id])
        more = f" and {len(late) - 1} more" if len(late) > 1 else ""
        found.append(f"{first}{more} should have started by now.")
    over = [s for s in made.slots if s.state == "printing" and now > s.removal_at + LATE]
    found += [f"{job_words(bench, jobs[s.job_id])} prints longer than planned." for s in over]
    waiting = {j for j in open_jobs(bench) if not any(r.ended_at is None for r in bench.runs.get(j, []))}
    if {p.job_id: p.start_at for p in pins if p.start_at > now and p.job_id in waiting} != {
        s.job_id: s.start_at.astimezone(UTC)
        for s in made.slots
        if s.pinned and s.start_at > now and s.job_id in waiting
    }:
        found.append("Pins have changed.")
    if rules.model_dump(mode="json", exclude={"version"}) != Rules(**row.rules).model_dump(mode="json"):
        found.append("The rules of the bench have changed.")
    return found
