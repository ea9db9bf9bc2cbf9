"""What the person at the bench does next: start, remove, dry, weigh; by day, on paper, and in a calendar."""

import uuid
from datetime import UTC, date, datetime, time, timedelta
from typing import Literal

import icalendar
from pydantic import Field
from sqlalchemy.orm import Session

from crevlo.stations.bench import Bench, load_bench
from crevlo.stations.kit.mark import UnitMark, mark_of
from crevlo.stations.kit.shape import Refused, Shape
from crevlo.stations.plan.problem import job_words, wall_time
from crevlo.stations.plan.rules import Rules
from crevlo.stations.plan.schedule import SlotOut, latest_schedule, slots_of
from crevlo.store.schedule import MadeSchedule

Kind = Literal["start", "remove", "dry", "dried", "weigh"]
CAUTIONS = {
    "remove": "Plate and print may be hot. Scrapers slip: away from the hand, eyes protected.",
    "start": "Stay until the first layers hold. A smoke alarm works, the surroundings are clear.",
    "dry": "Temperature and time by the filament maker's data sheet; follow the dryer's own instructions.",
}


class Action(Shape):
    kind: Kind
    at: datetime
    due: bool
    words: str
    detail: str
    job_id: uuid.UUID | None
    machine: UnitMark | None


class DayView(Shape):
    """What is to be done on one day, in order; `overnight` names what prints on after the last hour."""

    study: str
    now: datetime
    day: date
    time_zone: str
    number: int
    actions: list[Action]
    overnight: list[str]
    cautions: list[str] = Field(description="those that today's work calls for")
    before: date | None
    after: date | None


def view_day(session: Session, study_id: uuid.UUID, day: date | None) -> DayView:
    """Actions of `day`, or of the first day from now on that has any; what is overdue stands with today's."""
    bench, row = load_bench(session, study_id), latest_schedule(session, study_id)
    if row is None:
        raise Refused("There is no schedule yet.")
    now, rules = datetime.now(UTC), Rules(**row.rules)
    every = _actions(bench, row, rules, now)
    today = now.astimezone(rules.zone).date()

    def day_of(action: Action) -> date:
        return max(action.at.astimezone(rules.zone).date(), today)

    days = sorted({day_of(a) for a in every})
    chosen = day or (days[0] if days else today)
    actions = [a for a in every if day_of(a) == chosen]
    hours = [] if chosen in rules.holidays else rules.week[chosen.weekday()]
    closed = datetime.combine(chosen, max((h.closes for h in hours), default=time()), rules.zone)
    midnight = datetime.combine(chosen + timedelta(days=1), time(), rules.zone)
    over = [
        f"{_short(bench, s)}, done about {s.printed_at:%a %H:%M}"
        for s in slots_of(bench, row, now)
        if s.state in ("planned", "late", "printing") and s.start_at < midnight and s.printed_at > closed
    ]
    kinds = {a.kind for a in actions}
    return DayView(
        study=bench.study.title, now=now, day=chosen, time_zone=rules.time_zone, number=row.number, actions=actions,
        overnight=over, cautions=[words for kind, words in CAUTIONS.items() if kind in kinds],
        before=max((d for d in days if d < chosen), default=None),
        after=min((d for d in days if d > chosen), default=None),
    )  # fmt: skip


def calendar(session: Session, study_id: uuid.UUID) -> bytes:
    """The open part of the schedule as iCalendar: what needs a person as busy time, the prints as free time."""
    bench, row = load_bench(session, study_id), latest_schedule(session, study_id)
    if row is None:
        raise Refused("There is no schedule yet.")
    now, rules = datetime.now(UTC), Rules(**row.rules)
    made = icalendar.Calendar()
    made.add("prodid", "-//Crevlo//bench schedule//EN")
    made.add("version", "2.0")
    made.add("x-wr-calname", bench.study.title)
    minutes = {"start": rules.setup_min, "remove": rules.removal_min}
    for a in _actions(bench, row, rules, now):
        made.add_component(
            _event(
                f"{a.words}-{a.job_id or row.study_id}".replace(" ", "-").lower(), row, a.at,
                a.at + timedelta(minutes=minutes.get(a.kind, 5)), a.words, a.detail, "OPAQUE",
            )
        )  # fmt: skip
    for s in slots_of(bench, row, now):
        if s.state in ("planned", "late", "printing"):
            made.add_component(
                _event(f"print-{s.job_id}", row, s.hot_at, s.printed_at, f"Printing: {_short(bench, s)}", "", "TRANSPARENT")
            )  # fmt: skip
    return bytes(made.to_ical())


def _event(
    key: str, row: MadeSchedule, begin: datetime, end: datetime, words: str, detail: str, busy: str
) -> icalendar.Event:
    event = icalendar.Event()
    event.add("uid", f"{key}@crevlo")
    event.add("sequence", row.number)
    event.add("dtstamp", row.made_at)
    event.add("dtstart", begin.astimezone(UTC))
    event.add("dtend", end.astimezone(UTC))
    event.add("summary", words)
    if detail:
        event.add("description", detail)
    event.add("transp", busy)
    return event


def next_actions(bench: Bench, row: MadeSchedule, now: datetime) -> list[Action]:
    """What is to be done from now on, the first first."""
    return _actions(bench, row, Rules(**row.rules), now)


def _actions(bench: Bench, row: MadeSchedule, rules: Rules, now: datetime) -> list[Action]:
    tick = timedelta(seconds=row.tick_s)
    marks = {u.unit_id: mark_of(u) for u in bench.units}
    found: list[Action] = []

    def add(kind: Kind, at: datetime, words: str, detail: str, slot: SlotOut | None = None) -> None:
        found.append(
            Action(
                kind=kind, at=at, due=at <= now, words=words, detail=detail, job_id=slot.job_id if slot else None,
                machine=marks[slot.unit_id] if slot else None,
            )
        )  # fmt: skip

    began = {s for tries in bench.runs.values() if tries for s in _spools_of(bench, tries[0].job_id)}
    for d in row.dryings:
        begin, end = (wall_time(row.origin, d[k], tick, rules) for k in ("start", "end"))
        if d["spool"] in began or end < now - timedelta(days=1):
            continue
        if end > now:
            add("dry", begin, f"Put {d['spool']} into the dryer", f"Until {end:%a %H:%M}, by its data sheet.")
        add("dried", end, f"{d['spool']} is dry", "Keep it dry until it is used: closed box with desiccant.")
    where = _where_spools_are(bench)
    slots = slots_of(bench, row, now)
    for at, s in enumerate(slots):
        machine = marks[s.unit_id].name
        if s.state in ("planned", "late"):
            spools = [f"{c}, now in {where[c]}" if where.get(c, machine) != machine else c for c in s.spools]
            note = f"prints until about {s.printed_at:%a %H:%M}"
            add("start", s.start_at, f"Start {_what(s)} on {machine}", f"{' and '.join(spools)}; {note}.", s)
        for code in s.spools:
            where[code] = machine
        if s.state in ("planned", "late", "printing"):
            add("remove", s.removal_at, f"Remove {_what(s)} from {machine}", f"Cool since about {s.cool_at:%a %H:%M}. Bag it with its blind code.", s)  # fmt: skip
            for code in s.spools:
                following = next((n for n in slots[at + 1 :] if code in n.spools), None)
                if following is None or following.unit_id != s.unit_id:
                    then = (
                        f"It goes to {marks[following.unit_id].name} next." if following else "Its last print here."
                    )
                    add("weigh", s.end_at, f"Weigh {code} as it leaves {machine}", then, s)
    return sorted(found, key=lambda a: a.at)


def _where_spools_are(bench: Bench) -> dict[str, str]:
    """The machine in which each spool was used last, as far as this study's prints tell."""
    runs = sorted((r for tries in bench.runs.values() for r in tries), key=lambda r: r.started_at)
    return {code: bench.job_of[r.job_id].unit.name for r in runs for code in _spools_of(bench, r.job_id)}


def _spools_of(bench: Bench, job_id: uuid.UUID) -> list[str]:
    job = bench.job_of[job_id]
    return [bench.spools[i].code for i in job.spool_ids]


def _what(slot: SlotOut) -> str:
    arm = f" ({slot.arm})" if slot.arm else ""
    return f"{slot.artifact.lower()} {slot.copy_number}{arm}"


def _short(bench: Bench, slot: SlotOut) -> str:
    return job_words(bench, bench.job_of[slot.job_id])
