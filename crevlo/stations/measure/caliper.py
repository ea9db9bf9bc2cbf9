"""Calipers on the bench, and the zero checks that a day's work starts with."""

import uuid
from datetime import UTC, datetime, timedelta

from pydantic import Field
from sqlalchemy import select
from sqlalchemy.orm import Session

from crevlo.stations.clock import stated_time
from crevlo.stations.shape import Missing, Moment, Shape
from crevlo.stations.stock import overdue
from crevlo.store.machine import Instrument, InstrumentKind, ZeroCheck

ZERO_HOLDS = timedelta(hours=12)


class InstrumentNow(Shape):
    id: uuid.UUID
    code: str
    resolution: float
    expanded: float = Field(description="the calibration's U, k = 2")
    zero_at: datetime | None
    zero_due: bool
    overdue: str | None = Field(description="what to say where the calibration has run out")


class NewZero(Shape):
    id: uuid.UUID
    instrument_id: uuid.UUID
    value: float = Field(gt=-1, lt=1)
    taken_at: Moment | None = None


def calipers_now(session: Session) -> list[InstrumentNow]:
    calipers = session.scalars(
        select(Instrument).where(Instrument.kind == InstrumentKind.CALIPER).order_by(Instrument.code)
    ).all()
    latest: dict[uuid.UUID, ZeroCheck] = {}
    for check in session.scalars(
        select(ZeroCheck).where(ZeroCheck.instrument_id.in_([c.id for c in calipers])).order_by(ZeroCheck.taken_at)
    ):
        latest[check.instrument_id] = check
    return [
        InstrumentNow(
            id=c.id, code=c.code, resolution=c.resolution, expanded=2 * c.u_calibration,
            zero_at=latest[c.id].taken_at if c.id in latest else None, overdue=overdue(c),
            zero_due=c.id not in latest or datetime.now(UTC) - latest[c.id].taken_at > ZERO_HOLDS,
        )
        for c in calipers
    ]  # fmt: skip


def instrument_of(session: Session, instrument_id: uuid.UUID) -> Instrument:
    instrument = session.get(Instrument, instrument_id)
    if instrument is None:
        raise Missing("There is no such instrument.")
    return instrument


def record_zero(session: Session, given: NewZero, person_id: uuid.UUID) -> None:
    instrument_of(session, given.instrument_id)
    session.add(
        ZeroCheck(
            id=given.id, instrument_id=given.instrument_id, value=given.value, person_id=person_id,
            taken_at=stated_time(given.taken_at),
        )
    )  # fmt: skip
    session.flush()
