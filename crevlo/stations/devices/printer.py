"""What printers report of themselves."""

from datetime import UTC, datetime, timedelta

from pydantic import Field
from sqlalchemy import select
from sqlalchemy.dialects.postgresql import insert
from sqlalchemy.orm import Session

from crevlo.core.estimate import BadInput
from crevlo.core.phases import Phase
from crevlo.stations.devices.power import Taken
from crevlo.stations.kit.shape import Shape
from crevlo.store.device import Device, DeviceKind, DeviceValue, PrinterReport

_CLOCK_AHEAD = timedelta(minutes=10)


class Report(Shape):
    t: float = Field(ge=946_684_800, le=1e11, description="seconds since 1970, UTC")
    phase: Phase
    percent: float | None = Field(default=None, ge=0, le=100)
    layer: int | None = Field(default=None, ge=0, le=100_000)
    nozzle_c: float | None = Field(default=None, ge=-50, le=700)
    bed_c: float | None = Field(default=None, ge=-50, le=300)
    message: str = Field(default="", max_length=200)


class ReportBatch(Shape):
    reports: list[Report] = Field(max_length=5000)


class Value(Shape):
    t: float = Field(ge=946_684_800, le=1e11)
    value: float = Field(ge=-1e9, le=1e9)


class ValueBatch(Shape):
    """Values of a sound meter in dB, a scale in g, a caliper in mm."""

    values: list[Value] = Field(max_length=5000)


class LatestValue(Shape):
    value: float
    at: datetime
    device: str


class LatestValues(Shape):
    values: list[LatestValue]


def take_reports(session: Session, device: Device, batch: ReportBatch) -> Taken:
    """Keeps reports, each once however often it is sent."""
    rows = [r.model_dump(exclude={"t"}) | {"device": device.number, "at": _moment(r.t)} for r in batch.reports]
    return _insert(session, PrinterReport, rows)


def take_values(session: Session, device: Device, batch: ValueBatch) -> Taken:
    rows = [{"device": device.number, "at": _moment(v.t), "value": v.value} for v in batch.values]
    return _insert(session, DeviceValue, rows)


def latest_values(session: Session, kind: DeviceKind) -> LatestValues:
    """The newest value of each instrument of a kind, of the last hour; of those that are on no machine, so that it tells
    nothing of one."""
    found = []
    for device in session.scalars(select(Device).where(Device.kind == kind, Device.retired_at.is_(None))):
        if device.unit_id is not None:
            continue
        row = session.scalar(
            select(DeviceValue)
            .where(DeviceValue.device == device.number, DeviceValue.at > datetime.now(UTC) - timedelta(hours=1))
            .order_by(DeviceValue.at.desc()).limit(1)
        )  # fmt: skip
        if row is not None:
            found.append(LatestValue(value=row.value, at=row.at, device=device.name))
    return LatestValues(values=found)


def _insert(session: Session, table: type[PrinterReport] | type[DeviceValue], rows: list[dict[str, object]]) -> Taken:
    if not rows:
        return Taken(taken=0, repeated=0)
    # One statement for each row's shape, sent as a batch: thousands of rows in one statement take seconds to write down.
    stored = sum(
        len(session.execute(_MADE[table], part).all())
        for part in (rows[i : i + 500] for i in range(0, len(rows), 500))
    )
    return Taken(taken=stored, repeated=len(rows) - stored)


_MADE = {
    table: insert(table).on_conflict_do_nothing().returning(table.device) for table in (PrinterReport, DeviceValue)
}


def _moment(t: float) -> datetime:
    moment = datetime.fromtimestamp(round(t, 6), UTC)
    if moment > datetime.now(UTC) + _CLOCK_AHEAD:
        raise BadInput("a report lies in the future: set the device's clock")
    return moment
