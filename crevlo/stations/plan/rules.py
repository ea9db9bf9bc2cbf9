"""Rules of the bench for a study's schedule: who is there when, what hangs on which circuit, how long handling takes."""

import uuid
from datetime import UTC, datetime, time, timedelta
from functools import cache
from typing import Annotated
from zoneinfo import ZoneInfo, available_timezones

from pydantic import Field, model_validator
from sqlalchemy import select
from sqlalchemy.orm import Session

from crevlo.stations.kit.change import change
from crevlo.stations.kit.shape import MOST_MACHINES, Conflict, Day, Missing, Moment, Name, Refused, Shape, Version
from crevlo.stations.study import get_study
from crevlo.store.schedule import BenchRules, Pin
from crevlo.store.study import Job

# Schedules count in these; a pin is put on the nearest.
TICK = timedelta(minutes=5)


@cache
def _zones() -> frozenset[str]:
    """Every time zone that this machine knows; looking through its folders takes a while."""
    return frozenset(available_timezones())


class Hours(Shape):
    opens: time
    closes: time

    @model_validator(mode="after")
    def _in_order(self) -> "Hours":
        if self.closes <= self.opens:
            raise ValueError(f"hours from {self.opens:%H:%M} to {self.closes:%H:%M} end before they begin")
        return self


class CircuitIn(Shape):
    """Machines on one fused line; the sums are for planning, the wiring is for a licensed electrician."""

    name: Name = Field(min_length=1, max_length=40)
    limit_w: float = Field(gt=0, le=50_000)
    unit_ids: list[uuid.UUID] = Field(max_length=MOST_MACHINES)


class DryingTime(Shape):
    spool_id: uuid.UUID
    hours: float = Field(ge=0, le=72)


_NINE_TO_FIVE = Hours(opens=time(9), closes=time(17))


class Rules(Shape):
    time_zone: str = Field(default="UTC", max_length=60)
    begin: Day | None = Field(default=None, description="first day; empty for at once")
    finish_by: Day | None = None
    week: list[Annotated[list[Hours], Field(max_length=12)]] = Field(
        default=[[_NINE_TO_FIVE]] * 5 + [[], []], min_length=7, max_length=7, description="hours by day, Monday first"
    )
    holidays: list[Day] = Field(default=[], max_length=400)
    people: int = Field(default=1, ge=1, le=20, description="who can do something at the same time")
    setup_min: int = Field(default=10, ge=1, le=240)
    heat_min: int = Field(default=5, ge=0, le=120)
    cool_min: int = Field(default=20, ge=0, le=600)
    removal_min: int = Field(default=10, ge=1, le=240)
    circuits: list[CircuitIn] = Field(default=[], max_length=20)
    attended_unit_ids: list[uuid.UUID] = Field(
        default=[], max_length=MOST_MACHINES, description="never left alone, checks or not"
    )
    dryers: int = Field(default=1, ge=1, le=20)
    drying: list[DryingTime] = Field(default=[], max_length=200)
    dried_lasts_days: int = Field(default=14, ge=0, le=365)

    @model_validator(mode="after")
    def _consistent(self) -> "Rules":
        if self.time_zone not in _zones():
            raise ValueError(f"there is no time zone called {self.time_zone}")
        if any(len(day) > 4 for day in self.week):
            raise ValueError("a day has at most four stretches of hours")
        placed = [unit for c in self.circuits for unit in c.unit_ids]
        if len(set(placed)) < len(placed):
            raise ValueError("a machine is on two circuits")
        names = [c.name.strip().lower() for c in self.circuits]
        if len(set(names)) < len(names):
            raise ValueError("two circuits have the same name")
        return self

    @property
    def zone(self) -> ZoneInfo:
        return ZoneInfo(self.time_zone)


class RulesOut(Rules):
    version: Version


class PinIn(Shape):
    start_at: Moment = Field(description="without a zone it is the bench's own time")


class PinOut(Shape):
    job_id: uuid.UUID
    start_at: datetime


class Pins(Shape):
    pins: list[PinOut]


def rules_of(session: Session, study_id: uuid.UUID) -> RulesOut:
    """A study's rules; before its own are kept, those of the study planned last."""
    row = session.scalar(select(BenchRules).where(BenchRules.study_id == study_id))
    if row is not None:
        return RulesOut(version=row.version, **row.rules)
    last = session.scalar(select(BenchRules).order_by(BenchRules.changed_at.desc()).limit(1))
    if last is None:
        return RulesOut(version=0)
    kept = Rules(**last.rules).model_copy(update={"begin": None, "finish_by": None, "drying": []})
    return RulesOut(version=0, **kept.model_dump())


def save_rules(session: Session, study_id: uuid.UUID, given: RulesOut) -> RulesOut:
    study = get_study(session, study_id)
    units = {u.unit_id for u in study.units}
    if not any(given.week):
        raise Refused("Say on which days somebody is at the bench.")
    if given.begin and given.finish_by and given.finish_by < given.begin:
        raise Refused("The study would have to be finished before it begins.")
    row = session.scalar(select(BenchRules).where(BenchRules.study_id == study_id))
    if (row.version if row else 0) != given.version:
        raise Conflict(rules_of(session, study_id).model_dump(mode="json"))
    # Machines of another study may be left over from the rules that these were copied from.
    mine = [u for u in given.attended_unit_ids if u in units]
    circuits = [c.model_copy(update={"unit_ids": [u for u in c.unit_ids if u in units]}) for c in given.circuits]
    kept = given.model_copy(update={"attended_unit_ids": mine, "circuits": circuits})
    fields = {"rules": kept.model_dump(mode="json", exclude={"version"}), "changed_at": datetime.now(UTC)}
    if row is None:
        session.add(BenchRules(study_id=study_id, **fields))
        session.flush()
    else:
        change(session, row, given.version, fields)
    return rules_of(session, study_id)


def pins_of(session: Session, study_id: uuid.UUID) -> Pins:
    rows = session.scalars(select(Pin).where(Pin.study_id == study_id).order_by(Pin.start_at))
    return Pins(pins=[PinOut(job_id=p.job_id, start_at=p.start_at) for p in rows])


def pin(session: Session, job_id: uuid.UUID, given: PinIn, person_id: uuid.UUID) -> Pins:
    """Puts a print at a time; the schedule keeps it when it is next made."""
    job = _job(session, job_id)
    at = given.start_at
    if at.tzinfo is None:
        at = at.replace(tzinfo=rules_of(session, job.study_id).zone)
    tick_s = TICK.total_seconds()
    at = datetime.fromtimestamp(round(at.timestamp() / tick_s) * tick_s, UTC)
    if at < datetime.now(UTC):
        raise Refused("A print cannot be put into the past.")
    row = session.scalar(select(Pin).where(Pin.job_id == job_id))
    if row is None:
        session.add(Pin(job_id=job_id, study_id=job.study_id, start_at=at, person_id=person_id))
    else:
        row.start_at, row.person_id, row.recorded_at = at, person_id, datetime.now(UTC)
    session.flush()
    return pins_of(session, job.study_id)


def unpin(session: Session, job_id: uuid.UUID) -> Pins:
    job = _job(session, job_id)
    row = session.scalar(select(Pin).where(Pin.job_id == job_id))
    if row is not None:
        session.delete(row)
        session.flush()
    return pins_of(session, job.study_id)


def _job(session: Session, job_id: uuid.UUID) -> Job:
    job = session.get(Job, job_id)
    if job is None:
        raise Missing("There is no such job.")
    return job
