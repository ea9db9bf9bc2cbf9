"""Instruments with their calibration, and which of several a reading was taken with."""

import uuid
from datetime import UTC, date, datetime, time, timedelta

from pydantic import Field
from sqlalchemy import select
from sqlalchemy.orm import Session

from crevlo.stations.kit.change import change, unused_code
from crevlo.stations.kit.shape import Day, Missing, Name, Refused, Shape, Version
from crevlo.store.machine import EarlierCalibration, Instrument, InstrumentKind


class InstrumentIn(Shape):
    id: uuid.UUID
    code: Name = Field(min_length=1, max_length=20)
    kind: InstrumentKind
    unit: str = Field(default="mm", max_length=20)
    resolution: float = Field(ge=0, le=1e4)
    u_calibration: float = Field(ge=0, le=1e4)
    repeatability: float = Field(ge=0, le=1e4)
    calibrated_on: Day | None = None
    certificate: str = Field(default="", max_length=80)
    valid_days: int = Field(default=365, ge=1, le=3650, description="how long a calibration holds")


class CalibrationOut(Shape):
    """How an instrument was calibrated before; it holds for what was read before `until`."""

    calibrated_on: date | None
    until: date
    u_calibration: float
    certificate: str


class InstrumentOut(InstrumentIn):
    version: int
    due_on: date | None = Field(description="when the calibration runs out")
    overdue: bool
    earlier: list[CalibrationOut]


def add_instrument(session: Session, given: InstrumentIn) -> InstrumentOut:
    unused_code(session, Instrument, given.code)
    instrument = Instrument(**given.model_dump())
    session.add(instrument)
    session.flush()
    return instrument_out(instrument)


def due_on(row: Instrument) -> date | None:
    """When its calibration runs out; None where none is on record."""
    return row.calibrated_on + timedelta(days=row.valid_days) if row.calibrated_on else None


def instrument_out(row: Instrument) -> InstrumentOut:
    due = due_on(row)
    late = due is None or due < datetime.now(UTC).date()
    fields = {name: getattr(row, name) for name in InstrumentIn.model_fields}
    earlier = [
        CalibrationOut(
            calibrated_on=c.calibrated_on, until=c.until.astimezone(UTC).date(), u_calibration=c.u_calibration,
            certificate=c.certificate,
        )
        for c in row.earlier
    ]  # fmt: skip
    return InstrumentOut(**fields, version=row.version, due_on=due, overdue=late, earlier=earlier)


class InstrumentChange(InstrumentIn):
    version: Version
    calibrated_again: bool = Field(
        default=False, description="what it read before the day of this calibration keeps the calibration before"
    )


def change_instrument(session: Session, instrument_id: uuid.UUID, given: InstrumentChange) -> InstrumentOut:
    """A correction of what was entered, which holds for everything read since it was last calibrated; or a calibration anew."""
    row = session.get(Instrument, instrument_id)
    if row is None:
        raise Missing("There is no such instrument.")
    if row.version == given.version:
        if given.code != row.code:
            unused_code(session, Instrument, given.code)
        _keep_order(row, given)
    change(session, row, given.version, given.model_dump(exclude={"version", "id", "calibrated_again"}))
    return instrument_out(row)


def _keep_order(row: Instrument, given: InstrumentChange) -> None:
    """Earlier calibrations end where the next begins. Raises Refused where the days are not in that order."""
    last = row.earlier[-1] if row.earlier else None
    if given.calibrated_again:
        before, since = row.calibrated_on, last.until if last else None
    elif last:
        before, since = last.calibrated_on, last.since
    else:
        return
    if given.calibrated_on is None:
        raise Refused(
            f"Say on which day {row.code} was calibrated: what it read before rests on the calibration before."
        )
    until = _midnight(given.calibrated_on)
    first = max((day for day in (before, since.astimezone(UTC).date() if since else None) if day), default=None)
    if first and given.calibrated_on <= first:
        raise Refused(f"The calibration before is of {first:%d %b %Y}: give a later day.")
    if not given.calibrated_again:
        assert last is not None
        last.until = until
        return
    row.earlier.append(
        EarlierCalibration(
            since=since, until=until, resolution=row.resolution, u_calibration=row.u_calibration, repeatability=row.repeatability,
            calibrated_on=row.calibrated_on, certificate=row.certificate, valid_days=row.valid_days,
        )
    )  # fmt: skip


def take_back_calibration(session: Session, instrument_id: uuid.UUID, version: int) -> InstrumentOut:
    """The instrument is as it was calibrated before, and so is all that it read. Raises Refused where there was none before."""
    row = session.get(Instrument, instrument_id)
    if row is None:
        raise Missing("There is no such instrument.")
    if not row.earlier:
        raise Refused(f"{row.code} was not calibrated again.")
    last = row.earlier[-1]
    names = ("resolution", "u_calibration", "repeatability", "calibrated_on", "certificate", "valid_days")
    change(session, row, version, {name: getattr(last, name) for name in names})
    row.earlier.remove(last)
    session.delete(last)
    session.flush()
    return instrument_out(row)


def _midnight(day: date) -> datetime:
    return datetime.combine(day, time.min, UTC)


def keep_stopwatch(session: Session) -> None:
    """The stopwatch of the screen is among the instruments: tenths of a second, and the hand that presses it."""
    if session.scalar(select(Instrument.id).where(Instrument.kind == InstrumentKind.STOPWATCH).limit(1)) is None:
        session.add(
            Instrument(code="Screen", kind=InstrumentKind.STOPWATCH, unit="s", resolution=0.1, u_calibration=0.0, repeatability=0.3)
        )  # fmt: skip
        session.flush()


def overdue(instrument: Instrument) -> str | None:
    """What to say of every reading that an instrument takes now; None while its calibration holds."""
    due = due_on(instrument)
    if instrument.kind is InstrumentKind.STOPWATCH and due is None:
        # What runs on this screen's clock is calibrated with it.
        return None
    if due is None:
        return f"{instrument.code} has no calibration on record: readings rest on its stated uncertainty alone."
    if due < datetime.now(UTC).date():
        return f"The calibration of {instrument.code} ran out on {due:%d %b %Y}: readings may be off by more than is shown."
    return None


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
