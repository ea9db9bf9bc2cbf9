"""Power over MQTT: a process that hears meters publish, and confirms a message once its sample is on disk."""

import json
import math
import threading
import time
from datetime import UTC, datetime
from queue import Empty, Queue
from typing import Any

import paho.mqtt.client as mqtt
import structlog
from paho.mqtt.enums import CallbackAPIVersion
from sqlalchemy import select, update
from sqlalchemy.exc import InterfaceError, OperationalError
from sqlalchemy.orm import Session, sessionmaker

from crevlo.core.estimate import BadInput
from crevlo.stations.devices.power import PowerBatch, take_power
from crevlo.store.database import connect, sessions
from crevlo.store.device import Device, DeviceKind

_CLIENT = "crevlo-listener"
_LONGEST_MESSAGE = 10_000
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
    if len(payload) > _LONGEST_MESSAGE:
        raise BadInput(f"the message is longer than {_LONGEST_MESSAGE} bytes")
    try:
        message = json.loads(payload, parse_constant=_no_number)
    except (ValueError, RecursionError):
        message = None
    if isinstance(message, int | float) and not isinstance(message, bool):
        power = _number(message)
        if power is None:
            raise BadInput("the number in the message is none that a meter shows")
        return now, power, None
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
    """Keeps the samples of a batch; what makes no sense is counted at its device, told in the log, and left.

    Only a database that is away is waited for: anything else would come again for ever and stop all other meters.
    """
    while True:
        try:
            for topic in {m.topic for m in batch}:
                _keep_topic(made, topic, [m for m in batch if m.topic == topic])
            return
        except (OperationalError, InterfaceError):
            log.exception("samples over MQTT not kept yet")
            time.sleep(2.0)


def _keep_topic(made: sessionmaker[Session], topic: str, messages: list[mqtt.MQTTMessage]) -> None:
    try:
        with made.begin() as session:
            device = next((d for d in _listened(session) if d.topic == topic), None)
            if device is not None:
                _take(session, device, messages)
    except (OperationalError, InterfaceError):
        raise
    except Exception:
        log.exception("messages over MQTT refused", topic=topic, messages=len(messages))
        with made.begin() as session:
            _refuse(session, topic, len(messages), "it could not be kept")


def _take(session: Session, device: Device, messages: list[mqtt.MQTTMessage]) -> None:
    samples = []
    for message in messages:
        try:
            samples.append(sample_of(device, message.payload, time.time()))
        except BadInput as refused:
            log.warning("message over MQTT refused", topic=message.topic, why=str(refused))
            _refuse(session, message.topic, 1, str(refused))
    try:
        _send(session, device, samples)
    except BadInput:
        # One that makes no sense must not take the others with it.
        for sample in samples:
            try:
                _send(session, device, [sample])
            except BadInput as refused:
                log.warning("sample over MQTT refused", topic=device.topic, why=str(refused))
                _refuse(session, str(device.topic), 1, str(refused))


def _refuse(session: Session, topic: str, count: int, why: str) -> None:
    """Counts what was refused where people see it: at the device."""
    session.execute(
        update(Device).where(Device.topic == topic)
        .values(refused=Device.refused + count, refused_why=why[:200], refused_at=datetime.now(UTC))
    )  # fmt: skip


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
        number = float(value)
    except (ValueError, OverflowError):
        return None
    return number if math.isfinite(number) else None


def _time(value: Any, now: float) -> float:
    number = _number(value)
    if number is not None:
        # Milliseconds since 1970 where seconds would be thousands of years away.
        return number / 1000 if number > 1e11 else number
    try:
        return datetime.fromisoformat(str(value)[:60]).timestamp() if value else now
    except (ValueError, OverflowError):
        return now


def _no_number(word: str) -> None:
    """NaN and Infinity are no JSON."""
    raise ValueError(f"{word} is no number")
