"""Power over MQTT: a process that hears meters publish, and confirms a message once its sample is on disk."""

import json
import threading
import time
from datetime import datetime
from queue import Empty, Queue
from typing import Any

import paho.mqtt.client as mqtt
import structlog
from paho.mqtt.enums import CallbackAPIVersion
from sqlalchemy import select
from sqlalchemy.orm import Session, sessionmaker

from crevlo.core.estimate import BadInput
from crevlo.stations.devices.power import PowerBatch, take_power
from crevlo.store.database import connect, sessions
from crevlo.store.device import Device, DeviceKind

_CLIENT = "crevlo-listener"
_BATCH, _BATCH_S, _LOOK_S = 500, 0.5, 5.0
log = structlog.get_logger("crevlo")


def run_listener(url: str, broker: str, stop: threading.Event | None = None) -> None:
    """Until stopped; `broker` is host:port. What came while it was away is heard again, as the broker keeps the session."""
    made = sessions(connect(url))
    host, _, port = broker.partition(":")
    heard: Queue[mqtt.MQTTMessage] = Queue()
    client = mqtt.Client(CallbackAPIVersion.VERSION2, client_id=_CLIENT, clean_session=False, manual_ack=True)
    client.on_message = lambda _client, _data, message: heard.put(message)
    topics: set[str] = set()
    # A new connection asks for its topics again.
    client.on_connect = lambda *_: topics.clear()
    client.connect_async(host, int(port or 1883), keepalive=30)
    client.loop_start()
    looked = 0.0
    try:
        while stop is None or not stop.is_set():
            if time.monotonic() - looked > _LOOK_S or not topics:
                looked = time.monotonic()
                _subscribe(client, made, topics)
            batch = _next(heard)
            if batch:
                _keep(made, batch)
                for message in batch:
                    client.ack(message.mid, message.qos)
    finally:
        client.disconnect()
        client.loop_stop()


def sample_of(device: Device, payload: bytes | bytearray, now: float) -> tuple[float, float | None, float | None]:
    """Time, power and counter in a message, found by the device's keys (dots lead into nested objects).

    A message without a time counts as of now. Raises BadInput for one without power and counter.
    """
    try:
        message = json.loads(payload)
    except ValueError:
        message = None
    if isinstance(message, int | float) and not isinstance(message, bool):
        return now, float(message), None
    if not isinstance(message, dict):
        raise BadInput("the message is neither a number nor a JSON object")
    power, counter = (_number(_at(message, key)) for key in (device.power_key, device.counter_key))
    if power is None and counter is None:
        raise BadInput(f"the message has neither “{device.power_key}” nor “{device.counter_key}”")
    return _time(_at(message, device.time_key), now), power, counter


def _subscribe(client: mqtt.Client, made: sessionmaker[Session], topics: set[str]) -> None:
    if not client.is_connected():
        time.sleep(0.1)
        return
    with made() as session:
        wanted = {d.topic for d in _listened(session) if d.topic}
    for topic in wanted - topics:
        client.subscribe(topic, qos=1)
    for topic in topics - wanted:
        client.unsubscribe(topic)
    topics.clear()
    topics.update(wanted)


def _listened(session: Session) -> list[Device]:
    query = select(Device).where(
        Device.topic.is_not(None), Device.kind == DeviceKind.POWER_METER, Device.retired_at.is_(None)
    )
    return list(session.scalars(query))


def _next(heard: "Queue[mqtt.MQTTMessage]") -> list[mqtt.MQTTMessage]:
    """The messages of the next moment, none after a while of silence."""
    try:
        batch = [heard.get(timeout=_BATCH_S)]
    except Empty:
        return []
    until = time.monotonic() + _BATCH_S
    while len(batch) < _BATCH and (left := until - time.monotonic()) > 0:
        try:
            batch.append(heard.get(timeout=left))
        except Empty:
            break
    return batch


def _keep(made: sessionmaker[Session], batch: list[mqtt.MQTTMessage]) -> None:
    """Keeps the samples of a batch; what cannot be read is told in the log and left. Waits for a database that is away."""
    while True:
        try:
            with made.begin() as session:
                devices = {d.topic: d for d in _listened(session)}
                for topic in {m.topic for m in batch}:
                    device = devices.get(topic)
                    if device is not None:
                        _take(session, device, [m for m in batch if m.topic == topic])
            return
        except Exception:
            log.exception("samples over MQTT not kept yet")
            time.sleep(2.0)


def _take(session: Session, device: Device, messages: list[mqtt.MQTTMessage]) -> None:
    samples = []
    for message in messages:
        try:
            samples.append(sample_of(device, message.payload, time.time()))
        except BadInput as refused:
            log.warning("message over MQTT refused", topic=message.topic, why=str(refused))
    try:
        _send(session, device, samples)
    except BadInput:
        # One that makes no sense must not take the others with it.
        for sample in samples:
            try:
                _send(session, device, [sample])
            except BadInput as refused:
                log.warning("sample over MQTT refused", topic=device.topic, why=str(refused))


def _send(session: Session, device: Device, samples: list[tuple[float, float | None, float | None]]) -> None:
    if samples:
        t, w, wh = (list(column) for column in zip(*samples, strict=True))
        take_power(session, device, PowerBatch(t=t, w=w, wh=wh))


def _at(message: dict[str, Any], key: str) -> Any:
    found: Any = message
    for part in key.split("."):
        found = found.get(part) if isinstance(found, dict) else None
    return found


def _number(value: Any) -> float | None:
    if isinstance(value, bool) or not isinstance(value, int | float | str):
        return None
    try:
        return float(value)
    except ValueError:
        return None


def _time(value: Any, now: float) -> float:
    number = _number(value)
    if number is not None:
        # Milliseconds since 1970 where seconds would be thousands of years away.
        return number / 1000 if number > 1e11 else number
    try:
        return datetime.fromisoformat(str(value)).timestamp() if value else now
    except ValueError:
        return now
