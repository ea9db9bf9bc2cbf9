"""The calls of devices that send by themselves, each with the token of its own; and of the people who look after them."""

import uuid
from collections.abc import Callable
from functools import wraps
from typing import Any

from flask import Response, g
from flask_login import current_user
from pydantic import BaseModel

from crevlo.api.errors import for_exception, problem
from crevlo.api.guard import DEVICES, EVERYONE, NOT_BLIND, REVIEW, db, reads, writes
from crevlo.api.station import station
from crevlo.stations.devices import device, power, printer
from crevlo.stations.kit.shape import Missing
from crevlo.store.device import HANDHELD, Device, DeviceKind
from crevlo.store.person import Role

api = station("ingest", "/api/ingest")
devices = station("devices")


class KindQuery(BaseModel):
    kind: DeviceKind


class DevicePath(BaseModel):
    device_id: uuid.UUID


def sends(*kinds: DeviceKind) -> Callable[[Callable[..., BaseModel]], Callable[..., Any]]:
    """A call of a device. What it sends twice is kept once, so that it may send again whatever it got no answer to; the
    answer comes after everything is on disk."""

    def guard(handler: Callable[..., BaseModel]) -> Callable[..., Any]:
        @wraps(handler)
        def call(*args: Any, **kwargs: Any) -> Any:
            sender: Device = g.device
            if sender.kind not in kinds:
                return problem(403, f"“{sender.name}” is a {sender.kind.value}; it cannot send this.")
            session = db()
            try:
                answer = handler(*args, **kwargs)
                session.commit()
            except Exception as error:
                session.rollback()
                known = for_exception(error)
                if known is None:
                    raise
                return known
            return Response(answer.model_dump_json(), 200, mimetype="application/json")

        call.allowed = DEVICES  # type: ignore[attr-defined]
        return call

    return guard


@api.post("/power", responses={200: power.Taken})
@sends(DeviceKind.POWER_METER)
def take_power(body: power.PowerBatch) -> power.Taken:
    """Samples of a power meter, in any order, repeats included."""
    return power.take_power(db(), g.device, body)


@api.post("/printer", responses={200: power.Taken})
@sends(DeviceKind.PRINTER)
def take_reports(body: printer.ReportBatch) -> power.Taken:
    """What a printer says of itself: phase, percent, layer, temperatures."""
    return printer.take_reports(db(), g.device, body)


@api.post("/values", responses={200: power.Taken})
@sends(DeviceKind.SOUND_METER, *HANDHELD)
def take_values(body: printer.ValueBatch) -> power.Taken:
    """Values of a sound meter, a scale, a caliper or a gauge; a person takes them over."""
    return printer.take_values(db(), g.device, body)


@devices.get("/units", responses={200: device.UnitList})
@reads(NOT_BLIND)
def list_units() -> device.UnitList:
    return device.list_units(db())


@devices.get("/devices", responses={200: device.DeviceList})
@reads(NOT_BLIND)
def list_devices() -> device.DeviceList:
    return device.list_devices(db())


@devices.get("/devices/values", responses={200: printer.LatestValues})
@reads(EVERYONE)
def latest_values(query: KindQuery) -> printer.LatestValues:
    """What the instruments of a kind sent last, to be taken over by a person; a rater's are those that measure parts."""
    if current_user.role is Role.RATER and query.kind not in HANDHELD:
        raise Missing("There is no such instrument here.")
    return printer.latest_values(db(), query.kind)


@devices.post("/devices", responses={200: device.DeviceAdded})
@writes(REVIEW, shown_once=frozenset({"token"}))
def add_device(body: device.NewDevice) -> device.DeviceAdded:
    """Adds a device; its token is in the answer and shown only there."""
    return device.add_device(db(), body)


@devices.put("/devices/<uuid:device_id>", responses={200: device.DeviceOut})
@writes(REVIEW)
def change_device(path: DevicePath, body: device.DeviceChange) -> device.DeviceOut:
    return device.change_device(db(), path.device_id, body)


@devices.post("/devices/<uuid:device_id>/retire", responses={200: device.DeviceOut})
@writes(REVIEW)
def retire_device(path: DevicePath) -> device.DeviceOut:
    return device.retire_device(db(), path.device_id)
