"""One page a unit: how it came, what it printed in which study, its faults, wear, upkeep, prices and last words."""

import uuid
from datetime import date, datetime
from typing import Any

from pydantic import Field
from sqlalchemy import select
from sqlalchemy.orm import Session

from crevlo.core.estimate import NotDetermined
from crevlo.core.life.faults import stretches, trend
from crevlo.core.life.wear import Wear, upkeep_per_h, wears
from crevlo.core.money import in_currency
from crevlo.core.success import FaultRate, Outcome, fault_rate
from crevlo.stations.figures.study import study_figures
from crevlo.stations.kit.change import change
from crevlo.stations.kit.shape import Day, Missing, Refused, Shape, Version, quantity
from crevlo.stations.life.prices import PriceOut, prices_of
from crevlo.stations.past import HAZARDS, Past, pasts_of
from crevlo.stations.price import latest_price
from crevlo.stations.rank.criteria import BY_CODE, unit_of
from crevlo.stations.rank.final_words import said_of_units
from crevlo.stations.rank.scheme import latest_scheme
from crevlo.stations.rate import stated_rates
from crevlo.stations.receive.unit import disclose
from crevlo.store.machine import Configuration, Obtained, Unit
from crevlo.store.record import LogKind
from crevlo.store.study import Study, StudyUnit

# The latest studies of a unit, of which its figures are shown.
MOST_STUDIES = 6


class StretchOut(Shape):
    begins_h: float
    ends_h: float
    faults: int
    low: float = Field(description="per 100 h, as the others")
    median: float
    high: float


class LifeEvent(Shape):
    """Something that happened: an entry of the log, a change of its configuration, a study."""

    at: datetime
    what: str
    words: str
    hours: float | None
    grave: bool


class LifeFigure(Shape):
    name: str
    words: str


class LifeStudy(Shape):
    id: uuid.UUID
    title: str
    prints: int
    good: int
    hours: float
    retest: bool
    figures: list[LifeFigure] = Field(description="what counts in that study")
    said: list[LifeFigure]


class MachineLife(Shape):
    unit_id: uuid.UUID
    version: int
    model_id: uuid.UUID
    name: str
    how: str = Field(description="how it was obtained; empty while nobody says")
    received_on: date | None
    return_by: date | None
    loaned: bool
    hours: float
    hours_from: str
    faults: int
    per_100h: str
    stretches: list[StretchOut]
    trend: str
    wear: list[str]
    upkeep: str
    events: list[LifeEvent]
    studies: list[LifeStudy]
    earlier: int = Field(description="studies beside those shown")
    prices: list[PriceOut]


class ReturnBy(Shape):
    """When a loaned unit goes back; none: it stays."""

    version: Version
    return_by: Day | None = None


def view_life(session: Session, unit_id: uuid.UUID) -> MachineLife:
    unit = _unit(session, unit_id)
    model_id, name = unit.model_id, unit.name
    entries = session.execute(
        select(StudyUnit.study_id, Study.title, Study.retest_of)
        .join(Study, Study.id == StudyUnit.study_id)
        .where(StudyUnit.unit_id == unit_id)
        .order_by(Study.created_at.desc())
    ).all()
    how = disclose(unit, latest_price(session, unit_id)) or ""
    fields: dict[str, Any] = {
        "received_on": unit.received_on,
        "return_by": unit.return_by,
        "loaned": unit.obtained is Obtained.LENT,
        "version": unit.version,
    }
    past = pasts_of(session, [unit_id])[unit_id]
    events = _events(session, unit_id, past)
    life: dict[str, Any] = {
        **_faults(past), "wear": [w.words for w in _wear(past)], "upkeep": say_upkeep(session, past),
    }  # fmt: skip
    prices = prices_of(session, {model_id}).get(model_id, [])
    # Figures last: reading them lets go of what the session held before.
    studies = [_study(session, e.study_id, e.title, e.retest_of is not None, unit_id) for e in entries[:MOST_STUDIES]]
    return MachineLife(
        unit_id=unit_id, model_id=model_id, name=name, how=how, events=events, studies=studies,
        earlier=max(0, len(entries) - MOST_STUDIES), prices=prices, **fields, **life,
    )  # fmt: skip


def set_return(session: Session, unit_id: uuid.UUID, given: ReturnBy) -> MachineLife:
    unit = _unit(session, unit_id)
    if given.return_by is not None and unit.received_on and given.return_by < unit.received_on:
        raise Refused("It cannot go back before it came.")
    change(session, unit, given.version, {"return_by": given.return_by})
    return view_life(session, unit_id)


def _unit(session: Session, unit_id: uuid.UUID) -> Unit:
    unit = session.get(Unit, unit_id)
    if unit is None:
        raise Missing("There is no such unit.")
    return unit


def _faults(past: Past) -> dict[str, Any]:
    clock, at = past.clock, past.faults_at_hours
    fields: dict[str, Any] = {
        "hours": clock.total, "faults": len(past.faults_at), "hours_from": past.hours_from,
    }  # fmt: skip
    if past.hours_need:
        return {**fields, "per_100h": f"not determined: needs {past.hours_need}", "stretches": [], "trend": ""}
    found = stretches(at, clock.total, clock.begins)
    whole = fault_rate(len(at), clock.watched)
    try:
        told = trend(at, clock.total, clock.begins).words
    except NotDetermined as missing:
        told = f"whether they come more often is not determined: needs {missing.needs}"
    return {
        **fields, "per_100h": _rate_words(past, whole), "trend": told,
        "stretches": [
            StretchOut(begins_h=s.begins_h, ends_h=s.ends_h, faults=s.faults, low=s.rate.low, median=s.rate.median, high=s.rate.high)
            for s in found
        ],
    }  # fmt: skip


def _rate_words(past: Past, rate: FaultRate) -> str:
    said = [f"{rate.median:.1f} per 100 h ({rate.low:.1f} to {rate.high:.1f})"]
    if past.clock.begins > 0:
        said.append(f"since the first reading of its hours at {past.clock.begins:.0f} h")
    if outside := len(past.faults_at) - len(past.faults_at_hours):
        said.append(f"{outside} before its hours are known {'is' if outside == 1 else 'are'} not in it")
    return ", ".join(said)


def _wear(past: Past) -> list[Wear]:
    replaced = [(e.words, past.hours_at(e)) for e in past.log if e.kind is LogKind.PART]
    return wears(replaced, past.clock.total, past.clock.begins)


def say_upkeep(session: Session, past: Past) -> str:
    """What the log says that upkeep costs an hour."""
    paid = past.spent
    if not paid:
        return "not determined: needs a cost in its log"
    currency, rates = paid[0].currency, stated_rates(session)
    try:
        costs = [in_currency(m, currency, rates) for m in paid]
    except NotDetermined as missing:
        return f"not determined: needs {missing.needs}"
    per_h = upkeep_per_h(costs, past.clock.watched)
    if per_h is None:
        return f"not determined: needs {past.hours_need}"
    return f"{per_h:.3f} {currency}/h: {sum(costs):.2f} {currency} in {past.clock.watched:.0f} h"


def _events(session: Session, unit_id: uuid.UUID, past: Past) -> list[LifeEvent]:
    grave = {*HAZARDS, LogKind.FAULT}
    found = [
        LifeEvent(at=e.at, what=e.kind.value, words=e.words or f"{e.hours:.0f} h on its counter", hours=past.hours_at(e), grave=e.kind in grave)
        for e in past.log
    ]  # fmt: skip
    for c in session.scalars(select(Configuration).where(Configuration.unit_id == unit_id)):
        if c.number > 1:
            words = f"configuration {c.number}: {c.reason}, firmware {c.firmware}"
            found.append(
                LifeEvent(at=c.opened_at, what="changed", words=words, hours=past.clock.at(c.opened_at), grave=False)
            )
    return sorted(found, key=lambda e: e.at, reverse=True)


def _study(session: Session, study_id: uuid.UUID, title: str, retest: bool, unit_id: uuid.UUID) -> LifeStudy:
    inputs = study_figures(session, study_id)
    bench = inputs.bench
    runs = [r for r in bench.runs_of(unit_id) if r.outcome]
    good = sum(r.outcome is Outcome.DONE and r.id not in bench.rejections for r in runs)
    figures = []
    if any(e.key == unit_id for e in inputs.entrants):
        for c in latest_scheme(session, study_id).criteria:
            raw = quantity(
                inputs.figure(c.code, unit_id), unit_of(c.code, bench.study.currency), BY_CODE[c.code].digits
            )
            if raw.needs is None:
                figures.append(LifeFigure(name=BY_CODE[c.code].name, words=raw.words))
    said = [LifeFigure(name=h, words=" ".join(w)) for h, w in said_of_units(session, study_id).get(unit_id, [])]
    return LifeStudy(
        id=study_id, title=title, prints=len(runs), good=good, hours=sum(r.printed_s for r in runs) / 3600, retest=retest,
        figures=figures, said=said,
    )  # fmt: skip
