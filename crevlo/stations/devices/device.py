"""Devices that send by themselves: added with a token of their own, changed, retired."""

import hashlib
import secrets
import uuid
from collections import defaultdict
from collections.abc import Iterable
from datetime import UTC, datetime

from pydantic import Field
from sqlalchemy import select
from sqlalchemy.orm import Session

from crevlo.stations.kit.change import change
from crevlo.stations.kit.shape import Missing, Name, Refused, Shape, Version
from crevlo.store.device import Device, DeviceKind, DeviceValue, PowerSample, PrinterReport
from crevlo.store.machine import Instrument, Unit

_PLUGGED = (DeviceKind.POWER_METER, DeviceKind.PRINTER)


class DeviceIn(Shape):
    name: Name = Field(min_length=1, max_length=60)
    kind: DeviceKind
    unit_id: uuid.UUID | None = Field(default=None, description="the unit that a meter or a printer belongs to")
    instrument_id: uuid.UUID | None = Field(default=None, description="the instrument on record that it is")
    topic: str | None = Field(default=None, max_length=200, description="where it publishes over MQTT, if it does")
    power_key: str = Field(default="power_w", max_length=120, description="where in an MQTT message its power is")
    counter_key: str = Field(default="energy_wh", max_length=120)
    time_key: str = Field(default="time", max_length=120)


class NewDevice(DeviceIn):
    id: uuid.UUID


class DeviceChange(DeviceIn):
    version: Version


class DeviceOut(DeviceIn):
    id: uuid.UUID
    version: int
    unit: str | None
    instrument: str | None
    retired: bool
    last_at: datetime | None = Field(description="time of the last thing it sent, by its own clock")
    refused: int = Field(description="messages that made no sense")
    refused_why: str
    refused_at: datetime | None


class DeviceAdded(DeviceOut):
    token: str = Field(description="shown this once; what the device sends as its bearer token")


class DeviceList(Shape):
    now: datetime
    devices: list[DeviceOut]


class UnitName(Shape):
    id: uuid.UUID
    name: str


class UnitList(Shape):
    units: list[UnitName]


def list_units(session: Session) -> UnitList:
    """Every unit there is, told apart by its serial."""
    units = sorted(session.scalars(select(Unit)).unique(), key=lambda u: (u.model.name, u.serial or ""))
    return UnitList(
        units=[UnitName(id=u.id, name=f"{u.model.name}, {u.serial}" if u.serial else u.model.name) for u in units]
    )


def list_devices(session: Session) -> DeviceList:
    rows = session.scalars(select(Device).order_by(Device.retired_at.nulls_first(), Device.name)).all()
    return DeviceList(now=datetime.now(UTC), devices=[_out(session, row) for row in rows])


def add_device(session: Session, given: NewDevice) -> DeviceAdded:
    """Adds a device and makes its token, of which only the hash is kept."""
    _check(session, given, None)
    token = f"crevlo-{secrets.token_urlsafe(24)}"
    fields = given.model_dump() | {"topic": given.topic or None}
    row = Device(**fields, token_sha256=_hash(token))
    session.add(row)
    session.flush()
    return DeviceAdded(**_out(session, row).model_dump(), token=token)


def change_device(session: Session, device_id: uuid.UUID, given: DeviceChange) -> DeviceOut:
    row = _device(session, device_id)
    if given.kind is not row.kind:
        raise Refused("What a device is does not change; retire it and add another.")
    if given.unit_id != row.unit_id:
        raise Refused("What it has sent belongs to its machine; retire it, and add it to the other one.")
    _check(session, given, row)
    change(
        session, row, given.version, given.model_dump(exclude={"version", "kind"}) | {"topic": given.topic or None}
    )
    session.refresh(row)
    return _out(session, row)


def retire_device(session: Session, device_id: uuid.UUID) -> DeviceOut:
    """From now on nothing that it sends is taken; what it sent stays."""
    row = _device(session, device_id)
    row.retired_at = row.retired_at or datetime.now(UTC)
    session.flush()
    return _out(session, row)


def device_by_token(session: Session, token: str) -> Device | None:
    """The device that a token belongs to, unless it was retired."""
    return session.scalar(select(Device).where(Device.token_sha256 == _hash(token), Device.retired_at.is_(None)))


def device_of(session: Session, unit_id: uuid.UUID, kind: DeviceKind, at: datetime | None = None) -> Device | None:
    """The device of a kind that is plugged into a unit; or that was, at a moment before it was retired."""
    return plugged_in(devices_of(session, [unit_id], kind).get(unit_id, []), at)


def devices_of(session: Session, unit_ids: Iterable[uuid.UUID], kind: DeviceKind) -> dict[uuid.UUID, list[Device]]:
    """Devices of a kind by unit, those that were retired first in front."""
    rows = session.scalars(
        select(Device).where(Device.unit_id.in_(list(unit_ids)), Device.kind == kind)
        .order_by(Device.retired_at.nulls_last())
    )  # fmt: skip
    found: dict[uuid.UUID, list[Device]] = defaultdict(list)
    for row in rows:
        assert row.unit_id is not None
        found[row.unit_id].append(row)
    return found


def plugged_in(devices: Iterable[Device], at: datetime | None = None) -> Device | None:
    """Of a unit's devices the one that is in use; or that was, at a moment before it was retired."""
    return next((d for d in devices if d.retired_at is None or (at is not None and d.retired_at > at)), None)


def _check(session: Session, given: DeviceIn, row: Device | None) -> None:
    if given.kind in _PLUGGED:
        if given.unit_id is None or session.get(Unit, given.unit_id) is None:
            raise Refused("Say which machine it is plugged into.")
        other = device_of(session, given.unit_id, given.kind)
        if other is not None and other is not row:
            raise Refused(f"“{other.name}” is the {given.kind.value} of this machine already; retire it first.")
    if given.instrument_id is not None and session.get(Instrument, given.instrument_id) is None:
        raise Missing("There is no such instrument.")
    for field, value in (("name", given.name), ("topic", given.topic)):
        taken = value and session.scalar(select(Device).where(getattr(Device, field) == value))
        if taken and taken is not row:
            raise Refused(f"Another device has this {field} already.")


def _device(session: Session, device_id: uuid.UUID) -> Device:
    row = session.get(Device, device_id)
    if row is None:
        raise Missing("There is no such device.")
    return row


def _out(session: Session, row: Device) -> DeviceOut:
    tables: dict[DeviceKind, type[PowerSample] | type[PrinterReport]] = {
        DeviceKind.POWER_METER: PowerSample, DeviceKind.PRINTER: PrinterReport,
    }  # fmt: skip
    table = tables.get(row.kind, DeviceValue)
    last = session.scalar(select(table.at).where(table.device == row.number).order_by(table.at.desc()).limit(1))
    return DeviceOut(
        id=row.id, version=row.version, name=row.name, kind=row.kind, unit_id=row.unit_id, instrument_id=row.instrument_id,
        topic=row.topic, power_key=row.power_key, counter_key=row.counter_key, time_key=row.time_key,
        unit=row.unit.name if row.unit else None, instrument=row.instrument.code if row.instrument else None,
        retired=row.retired_at is not None, last_at=last, refused=row.refused, refused_why=row.refused_why,
        refused_at=row.refused_at,
    )  # fmt: skip


def _hash(token: str) -> str:
    return hashlib.sha256(token.encode()).hexdigest()
