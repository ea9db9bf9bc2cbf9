"""Spools by their log, and instruments by their calibration."""

import uuid
from datetime import UTC, datetime

from pydantic import Field
from sqlalchemy import select
from sqlalchemy.orm import Session

from crevlo.core.estimate import NotDetermined
from crevlo.core.spool import diameter_spread, mass_left_g
from crevlo.stations.clock import stated_time
from crevlo.stations.library import InstrumentIn, InstrumentOut, SpoolIn, SpoolOut, change, instrument_out
from crevlo.stations.shape import Missing, Moment, Refused, Shape, Version
from crevlo.store.machine import Instrument, InstrumentKind, Spool
from crevlo.store.record import SpoolEntry, SpoolKind


class SpoolChange(SpoolIn):
    version: Version


class InstrumentChange(InstrumentIn):
    version: Version


class SpoolEntryOut(Shape):
    id: uuid.UUID
    kind: SpoolKind
    value: float
    at_c: float | None
    note: str
    at: datetime


class NewSpoolEntry(Shape):
    id: uuid.UUID
    kind: SpoolKind
    value: float = Field(ge=0, le=1e5, description="g, hours, % or mm, by the kind")
    at_c: float | None = Field(default=None, ge=0, le=200)
    note: str = Field(default="", max_length=300)
    at: Moment | None = None


class SpoolRecord(Shape):
    spool: SpoolOut
    entries: list[SpoolEntryOut]
    left_g: float | None
    left_needs: str | None
    diameter_mean_mm: float | None
    diameter_spread_mm: float | None
    volume_spread: float | None = Field(description="by which share the extruded volume strays with the diameter")
    diameter_needs: str | None


def view_spool(session: Session, spool_id: uuid.UUID) -> SpoolRecord:
    spool = _spool(session, spool_id)
    entries = session.scalars(
        select(SpoolEntry).where(SpoolEntry.spool_id == spool_id).order_by(SpoolEntry.at.desc())
    ).all()
    weighed = next((e.value for e in entries if e.kind is SpoolKind.WEIGHED), None)
    left, left_needs = None, "a weighing" if weighed is None else None
    if weighed is not None:
        try:
            left = mass_left_g(weighed, spool.empty_g)
        except NotDetermined as missing:
            left_needs = missing.needs
    made = SpoolRecord(
        spool=SpoolOut.model_validate(spool), entries=[SpoolEntryOut.model_validate(e) for e in entries], left_g=left,
        left_needs=left_needs, diameter_mean_mm=None, diameter_spread_mm=None, volume_spread=None, diameter_needs=None,
    )  # fmt: skip
    try:
        spread = diameter_spread([e.value for e in entries if e.kind is SpoolKind.DIAMETER])
    except NotDetermined as missing:
        return made.model_copy(update={"diameter_needs": missing.needs})
    return made.model_copy(
        update={
            "diameter_mean_mm": spread.mean_mm, "diameter_spread_mm": spread.deviation_mm,
            "volume_spread": spread.volume_spread,
        }
    )  # fmt: skip


def add_spool_entry(session: Session, spool_id: uuid.UUID, given: NewSpoolEntry, person_id: uuid.UUID) -> SpoolRecord:
    """Weighed, dried, measured; a drying counts for the schedule from then on. Raises BadInput for what cannot be."""
    spool = _spool(session, spool_id)
    at = stated_time(given.at)
    if given.kind is SpoolKind.DIAMETER:
        diameter_spread([given.value] * 3)
    if given.kind is SpoolKind.WEIGHED and spool.empty_g is not None:
        mass_left_g(given.value, spool.empty_g)
    session.add(SpoolEntry(spool_id=spool_id, person_id=person_id, **given.model_dump(exclude={"at"}), at=at))
    if given.kind is SpoolKind.DRIED and (spool.dried_on is None or spool.dried_on < at.date()):
        spool.dried_on = at.date()
    session.flush()
    return view_spool(session, spool_id)


def change_spool(session: Session, spool_id: uuid.UUID, given: SpoolChange) -> SpoolRecord:
    change(session, _spool(session, spool_id), given.version, given.model_dump(exclude={"version", "id"}))
    return view_spool(session, spool_id)


def change_instrument(session: Session, instrument_id: uuid.UUID, given: InstrumentChange) -> InstrumentOut:
    row = session.get(Instrument, instrument_id)
    if row is None:
        raise Missing("There is no such instrument.")
    change(session, row, given.version, given.model_dump(exclude={"version", "id"}))
    return instrument_out(row)


def overdue(instrument: Instrument) -> str | None:
    """What to say of every reading that an instrument takes now; None while its calibration holds."""
    due = instrument_out(instrument).due_on
    if due is None:
        return f"{instrument.code} has no calibration on record: readings rest on its stated uncertainty alone."
    if due < datetime.now(UTC).date():
        return f"The calibration of {instrument.code} ran out on {due:%d %b %Y}: readings may be off by more than is shown."
    return None


def _spool(session: Session, spool_id: uuid.UUID) -> Spool:
    row = session.get(Spool, spool_id)
    if row is None:
        raise Missing("There is no such spool.")
    return row


class MeterOut(Shape):
    """An instrument that a reading may be taken with; `overdue` is what to say where its calibration has run out."""

    id: uuid.UUID
    code: str
    kind: InstrumentKind
    overdue: str | None


def meters_of(session: Session, *kinds: InstrumentKind) -> list[MeterOut]:
    """Instruments of these kinds, to choose from."""
    rows = session.scalars(
        select(Instrument).where(Instrument.kind.in_(kinds)).order_by(Instrument.kind, Instrument.code)
    )
    return [MeterOut(id=i.id, code=i.code, kind=i.kind, overdue=overdue(i)) for i in rows]


def instrument_used(session: Session, kind: InstrumentKind, named: uuid.UUID | None) -> Instrument | None:
    """What a reading was taken with: as named, or the only one of its kind; None where none is listed.

    Of several none is taken for granted: raises Refused until one is named.
    """
    if named is not None:
        row = session.get(Instrument, named)
        if row is None or row.kind is not kind:
            raise Missing(f"There is no such {kind.value}.")
        return row
    rows = session.scalars(select(Instrument).where(Instrument.kind == kind).limit(2)).all()
    if len(rows) > 1:
        raise Refused(f"Several {kind.value}s are listed. Say which one was read.")
    return rows[0] if rows else None
