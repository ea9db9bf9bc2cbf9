"""Power over MQTT, through a real broker: heard once, confirmed after it is on disk, and again after an absence."""

import json
import os
import shutil
import signal
import socket
import subprocess
import sys
import time
from collections.abc import Callable, Iterator
from pathlib import Path
from types import SimpleNamespace

import paho.mqtt.client as mqtt
import pytest
from paho.mqtt.enums import CallbackAPIVersion
from sqlalchemy import text

from crevlo.core.estimate import BadInput
from crevlo.jobs.listen import sample_of
from tests.api.test_ingest import add, rows
from tests.conftest import Bench
from tests.small import frozen_study


@pytest.fixture
def broker(tmp_path: Path) -> Iterator[str]:
    with socket.socket() as probe:
        probe.bind(("127.0.0.1", 0))
        port = probe.getsockname()[1]
    config = tmp_path / "broker.conf"
    config.write_text(f"listener {port} 127.0.0.1\nallow_anonymous true\n")
    program = shutil.which("mosquitto") or "/usr/sbin/mosquitto"
    process = subprocess.Popen([program, "-c", str(config)], stderr=subprocess.DEVNULL)
    until(lambda: socket.create_connection(("127.0.0.1", port), 1).close() or True)
    yield f"127.0.0.1:{port}"
    process.terminate()
    process.wait()


def until(true: Callable[[], object], seconds: float = 60) -> None:
    end = time.monotonic() + seconds
    while True:
        try:
            if true():
                return
        except OSError:
            pass
        assert time.monotonic() < end, "it did not happen"
        time.sleep(0.05)


class Listener:
    """The listener as a process of its own, which may be ended at any moment."""

    def __init__(self, url: str, broker: str) -> None:
        self.process = subprocess.Popen(
            [sys.executable, "-m", "crevlo.cli.main", "listen", broker], env=os.environ | {"DATABASE_URL": url},
            stdout=subprocess.DEVNULL,
        )  # fmt: skip

    def kill(self) -> None:
        self.process.send_signal(signal.SIGKILL)
        self.process.wait()


def test_what_meters_publish_is_kept_once_even_where_the_listener_is_killed(bench: Bench, broker: str) -> None:
    client = bench.as_("reviewer")
    study = frozen_study(client)
    unit = client.get(f"/api/studies/{study}/print")["jobs"][0]["machine"]["unit_id"]
    add(client, "power meter", unit, topic="bench/plug-1", power_key="now.watts", counter_key="total", time_key="at")
    host, port = broker.split(":")
    plug = mqtt.Client(CallbackAPIVersion.VERSION2)
    plug.connect(host, int(port))
    plug.loop_start()
    begin = time.time() - 500

    def publish(first: int, last: int) -> None:
        for k in range(first, last):
            sent = plug.publish("bench/plug-1", json.dumps({"at": begin + k, "now": {"watts": 80 + k % 5}, "total": 10 + k}), qos=1)  # fmt: skip
            sent.wait_for_publish(5)

    def kept() -> int:
        return rows(bench, "select count(*) from power_sample where power_w is not null and counter_wh is not null")[0][0]  # fmt: skip

    listener = Listener(bench.url, broker)
    # A message that is no sample is left, and nothing is lost by it.
    until(lambda: plug.publish("bench/plug-1", b"not a sample", qos=1) and True)
    publish(0, 1)
    until(lambda: publish(0, 1) or kept() == 1)
    publish(1, 40)
    listener.kill()  # in the middle of what came
    publish(40, 100)  # nobody listens
    again = Listener(bench.url, broker)
    until(lambda: kept() == 100)
    publish(0, 10)  # a meter that repeats itself
    time.sleep(1)
    again.kill()
    plug.loop_stop()
    assert kept() == 100
    with bench.engine.connect() as db:
        seen = db.execute(text("select power_w, counter_wh from power_sample order by at")).all()
    assert [tuple(s) for s in seen] == [(80 + k % 5, 10 + k) for k in range(100)]


def test_one_meters_nonsense_stops_no_other_and_is_counted_where_people_see_it(bench: Bench, broker: str) -> None:
    client = bench.as_("reviewer")
    study = frozen_study(client)
    units = [j["machine"]["unit_id"] for j in client.get(f"/api/studies/{study}/print")["jobs"]]
    for number, unit in enumerate(units):
        add(client, "power meter", unit, topic=f"bench/plug-{number}")
    host, port = broker.split(":")
    plug = mqtt.Client(CallbackAPIVersion.VERSION2)
    plug.connect(host, int(port))
    plug.loop_start()
    listener = Listener(bench.url, broker)
    kept = lambda: rows(bench, "select count(*) from power_sample")[0][0]  # noqa: E731
    until(lambda: plug.publish("bench/plug-1", b"80", qos=1).wait_for_publish(5) or kept() > 0)
    before = kept()
    nonsense = [*HOSTILE, b'{"power_w": 5, "time": 1e300}', b'{"power_w": -1e8}', b'{"power_w": 1e300}']
    for payload in nonsense:
        plug.publish("bench/plug-0", payload, qos=1).wait_for_publish(5)
    base = time.time() - 100
    for k in range(5):
        plug.publish("bench/plug-1", json.dumps({"power_w": 90, "time": base + k}), qos=1).wait_for_publish(5)
    until(lambda: kept() >= before + 5)
    until(lambda: next(d for d in client.get("/api/devices")["devices"] if d["topic"] == "bench/plug-0")["refused"] >= len(nonsense))  # fmt: skip
    device = next(d for d in client.get("/api/devices")["devices"] if d["topic"] == "bench/plug-0")
    assert device["refused_why"]
    assert next(d for d in client.get("/api/devices")["devices"] if d["topic"] == "bench/plug-1")["refused"] == 0
    # Counting is no change of a record.
    assert (
        rows(bench, "select count(*) from audit_entry where table_name = 'device' and action = 'update'")[0][0] == 0
    )
    listener.kill()
    plug.loop_stop()


@pytest.mark.parametrize(
    ("payload", "sample"),
    [
        (b"42.5", (100.0, 42.5, None)),
        (b'{"power_w": "17", "time": 1700000000}', (1.7e9, 17.0, None)),
        (b'{"power_w": 17, "time": 1700000000500}', (1.7e9 + 0.5, 17.0, None)),
        (b'{"energy_wh": 5, "time": "2023-11-14T22:13:20+00:00"}', (1.7e9, None, 5.0)),
        (b'{"power_w": 3, "time": "soon"}', (100.0, 3.0, None)),
    ],
)
def test_a_message_is_read_by_the_devices_keys(payload: bytes, sample: tuple) -> None:
    device = SimpleNamespace(power_key="power_w", counter_key="energy_wh", time_key="time")
    assert sample_of(device, payload, 100.0) == sample


HOSTILE = [
    b"", b"\xff\xfe", b"true", b"[1]", b'{"volt": 230}', b'{"power_w": null}', b"NaN", b"-Infinity", b"1e400", b"9" * 400,
    b'{"power_w": NaN}', b'{"power_w": 1e400}', b'{"power_w": "nan"}', b'{"power_w": ' + b"9" * 400 + b"}", b"[" * 5000,
    b'{"a":' * 5000, b'{"power_w": 5, "time": ' + b"9" * 400 + b"}" + b" " * 10_000,
]  # fmt: skip


@pytest.mark.parametrize("payload", HOSTILE)
def test_a_message_that_is_no_sample_is_refused(payload: bytes) -> None:
    device = SimpleNamespace(power_key="power_w", counter_key="energy_wh", time_key="time")
    with pytest.raises(BadInput):
        sample_of(device, payload, 100.0)
