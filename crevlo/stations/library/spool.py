"""Spools and their log: weighings, drying, diameters."""

import uuid
from collections.abc import Sequence
from datetime import UTC, date, datetime

from pydantic import Field, computed_field
from sqlalchemy import select
from sqlalchemy.orm import Session

from crevlo.core.estimate import NotDetermined
from crevlo.core.material import usual_of
from crevlo.core.spool import diameter_spread, mass_left_g
from crevlo.stations.kit.change import change, unused_code
from crevlo.stations.kit.clock import stated_time
from crevlo.stations.kit.shape import Currency, Day, Missing, Moment, Name, Refused, Shape, Version
from crevlo.store.machine import (
    Spool,
)
from crevlo.store.record import SpoolEntry, SpoolKind


class SpoolIn(Shape):
    id: uuid.UUID
    code: Name = Field(min_length=1, max_length=20)
    maker: Name = Field(max_length=80)
    material: str = Field(min_length=1, max_length=20)
    colour: Name = Field(min_length=1, max_length=40)
    diameter_mm: float = Field(default=1.75, gt=0.5, lt=5)
    density_g_cm3: float = Field(gt=0.5, lt=5)
    price_per_kg: float = Field(ge=0, le=1e5)
    currency: Currency = "EUR"
    priced_on: Day | None = None
    dried_on: Day | None = None
    lot: str = Field(default="", max_length=40)
    empty_g: float | None = Field(default=None, gt=0, le=5000, description="mass of the empty spool")


class MaterialOut(Shape):
    name: str
    density: float
    nozzle_c: float
    bed_c: float


class SpoolOut(SpoolIn):
    version: int

    @computed_field(description="what its material usually is printed at; nothing where it is not known")  # type: ignore[prop-decorator]
    @property
    def usual(self) -> MaterialOut | None:
        known = usual_of(self.material)
        return MaterialOut.model_validate(known, extra="ignore") if known else None


def add_spool(session: Session, given: SpoolIn) -> SpoolOut:
    unused_code(session, Spool, given.code)
    # A price is of a day: where none is stated, of the day it is entered on.
    priced_on = given.priced_on or datetime.now(UTC).date()
    spool = Spool(**given.model_dump() | {"priced_on": priced_on})
    session.add(spool)
    session.flush()
    return SpoolOut.model_validate(spool)


class SpoolChange(SpoolIn):
    version: Version


class SpoolEntryOut(Shape):
    id: uuid.UUID
    kind: SpoolKind
    value: float
    at_c: float | None
    note: str
    at: datetime
    reason: str | None = Field(description="why it was corrected to this; nothing where it was not")


class NewSpoolEntry(Shape):
    """An entry, or with `supersedes_id` and a reason the correction of one; a correction without a value takes it back."""

    id: uuid.UUID
    kind: SpoolKind
    value: float | None = Field(ge=0, le=1e5, description="g, hours, % or mm, by the kind")
    at_c: float | None = Field(default=None, ge=0, le=200)
    note: str = Field(default="", max_length=300)
    at: Moment | None = Field(default=None, description="now where it is not said; of a correction, as it was")
    supersedes_id: uuid.UUID | None = None
    reason: str | None = Field(default=None, min_length=1, max_length=300)


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
    entries = _log_of(session, spool_id)
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
        spread = diameter_spread([e.value for e in entries if e.kind is SpoolKind.DIAMETER and e.value is not None])
    except NotDetermined as missing:
        return made.model_copy(update={"diameter_needs": missing.needs})
    return made.model_copy(
        update={
            "diameter_mean_mm": spread.mean_mm, "diameter_spread_mm": spread.deviation_mm,
            "volume_spread": spread.volume_spread,
        }
    )  # fmt: skip


def _log_of(session: Session, spool_id: uuid.UUID) -> Sequence[SpoolEntry]:
    """What holds of the log, the latest first."""
    replaced = select(SpoolEntry.supersedes_id).where(SpoolEntry.supersedes_id.is_not(None))
    return session.scalars(
        select(SpoolEntry)
        .where(SpoolEntry.spool_id == spool_id, SpoolEntry.id.not_in(replaced), SpoolEntry.value.is_not(None))
        .order_by(SpoolEntry.at.desc(), SpoolEntry.recorded_at.desc())
    ).all()


def add_spool_entry(session: Session, spool_id: uuid.UUID, given: NewSpoolEntry, person_id: uuid.UUID) -> SpoolRecord:
    """Weighed, dried, measured; a drying counts for the schedule from then on. Raises BadInput for what cannot be."""
    # One at a time, so that of two who correct the same entry the later is told.
    spool = session.get(Spool, spool_id, with_for_update=True)
    if spool is None:
        raise Missing("There is no such spool.")
    if (given.supersedes_id is None) != (given.reason is None):
        raise Refused("A correction names the entry it replaces and the reason.")
    old = _corrected(session, spool, given) if given.supersedes_id else None
    if given.value is None and old is None:
        raise Refused("Give a value.")
    at = old.at if old and given.at is None else stated_time(given.at)
    if given.kind is SpoolKind.DIAMETER and given.value is not None:
        diameter_spread([given.value] * 3)
    if given.kind is SpoolKind.WEIGHED and given.value is not None and spool.empty_g is not None:
        mass_left_g(given.value, spool.empty_g)
    session.add(SpoolEntry(spool_id=spool_id, person_id=person_id, **given.model_dump(exclude={"at"}), at=at))
    session.flush()
    if given.kind is SpoolKind.DRIED:
        _dried(session, spool, old)
    return view_spool(session, spool_id)


def _corrected(session: Session, spool: Spool, given: NewSpoolEntry) -> SpoolEntry:
    old = session.get(SpoolEntry, given.supersedes_id)
    if old is None or old.spool_id != spool.id:
        raise Missing("There is no such entry on this spool.")
    if old.kind is not given.kind:
        raise Refused("A correction is of the same kind as what it replaces.")
    if session.scalar(select(SpoolEntry.id).where(SpoolEntry.supersedes_id == old.id)):
        raise Refused("This entry was corrected meanwhile; correct the newer one.")
    return old


def _dried(session: Session, spool: Spool, old: SpoolEntry | None) -> None:
    """The day of the last drying, by the log; a later one that somebody stated stays, unless it was that of the entry `old`,
    which is corrected."""
    last = next((_day(e) for e in _log_of(session, spool.id) if e.kind is SpoolKind.DRIED), None)
    stated = spool.dried_on
    if old is not None and stated == _day(old):
        stated = None
    spool.dried_on = max((day for day in (last, stated) if day is not None), default=None)
    session.flush()


def _day(entry: SpoolEntry) -> date:
    # A moment is given in any zone and comes back in one: its day is the same whichever it is.
    return entry.at.astimezone(UTC).date()


def change_spool(session: Session, spool_id: uuid.UUID, given: SpoolChange) -> SpoolRecord:
    row = _spool(session, spool_id)
    if given.code != row.code:
        unused_code(session, Spool, given.code)
    # A price stays one of a day.
    priced_on = given.priced_on or row.priced_on
    change(session, row, given.version, given.model_dump(exclude={"version", "id"}) | {"priced_on": priced_on})
    return view_spool(session, spool_id)


def _spool(session: Session, spool_id: uuid.UUID) -> Spool:
    row = session.get(Spool, spool_id)
    if row is None:
        raise Missing("There is no such spool.")
    return row
