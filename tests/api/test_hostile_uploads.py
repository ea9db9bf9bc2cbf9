"""Files made to ask for gigabytes or minutes: refused in words, the server goes on."""

import io
import socket
import struct
import threading
import time
import uuid
import zipfile
import zlib
from concurrent.futures import ThreadPoolExecutor

import httpx
import pytest

from crevlo.core.estimate import BadInput
from crevlo.sim.client import ApiError, Client
from crevlo.stations.kit.apart import apart
from crevlo.stations.library import shelf
from tests.api.test_ingest import Sender, add, run_for
from tests.conftest import Bench
from tests.plain.harm import die, eat, spin
from tests.processes import kill, serve
from tests.small import frozen_study


@pytest.fixture(scope="module")
def bench_of_module(empty: str, copy_of):
    made = Bench(copy_of(empty))
    yield made
    made.close()


@pytest.fixture(scope="module")
def client(bench_of_module: Bench) -> Client:
    return bench_of_module.as_("reviewer")


@pytest.fixture(scope="module")
def run(client: Client) -> dict:
    from datetime import UTC, datetime, timedelta

    study = frozen_study(client, frozen_at=datetime.now(UTC) - timedelta(hours=3))
    job = client.get(f"/api/studies/{study}/print")["jobs"][0]
    return run_for(client, job, datetime.now(UTC) - timedelta(hours=1))


def three_mf(model: bytes) -> bytes:
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED) as package:
        package.writestr("[Content_Types].xml", "<Types/>")
        package.writestr("3D/3dmodel.model", model)
    return out.getvalue()


def deep_xml(depth: int) -> bytes:
    return b"<model>" + b"<a>" * depth + b"</a>" * depth + b"</model>"


def laughs() -> bytes:
    """Entities that name each other: a few lines that stand for gigabytes."""
    lines = ['<!ENTITY a0 "ha">'] + [f'<!ENTITY a{n} "{f"&a{n - 1};" * 10}">' for n in range(1, 12)]
    return f'<?xml version="1.0"?><!DOCTYPE model [{"".join(lines)}]><model>&a11;</model>'.encode()


def tall_png() -> bytes:
    """A picture one pixel wide and 79 million high."""

    def chunk(kind: bytes, data: bytes) -> bytes:
        return struct.pack(">I", len(data)) + kind + data + struct.pack(">I", zlib.crc32(kind + data))

    header = struct.pack(">IIBBBBB", 1, 79_000_000, 8, 0, 0, 0, 0)
    return (
        b"\x89PNG\r\n\x1a\n"
        + chunk(b"IHDR", header)
        + chunk(b"IDAT", zlib.compress(bytes(2_000_000)))
        + chunk(b"IEND", b"")
    )


@pytest.mark.parametrize(
    "model",
    [
        b"<model>" + b"<vertex x='1' y='2' z='3'/>" * 3_000_000 + b"</model>",
        b" " * 150_000_000, deep_xml(200_000), laughs(), b"<model><resources>" + b"<object id='1'/>" * 500_000,
    ],
    ids=["vertices", "spaces", "deep", "entities", "cut"],
)  # fmt: skip
def test_a_package_that_unpacks_to_far_more_is_refused(client: Client, model: bytes) -> None:
    content = three_mf(model)
    with pytest.raises(ApiError, match=r"422 "):
        client.send("PUT", "/api/meshes", content=content, name="bomb.3mf", unit="mm")
    assert client.http.get("/api/studies").status_code == 200


def test_pictures_and_logs_made_to_do_harm_are_refused(client: Client, run: dict) -> None:
    with pytest.raises(ApiError, match=r"20 000 in a row|no picture that can be read"):
        client.send("PUT", f"/api/photos/{run['id']}", content=tall_png(), id=str(uuid.uuid4()))
    for content in (
        b"," * 30_000_000,
        b"time,power\n" + b"1," * 10_000_000 + b"\n",
        b'time,power\n"' + b"x\n" * 5_000_000,
    ):
        with pytest.raises(ApiError, match=r"422 "):
            client.send("PUT", f"/api/runs/{run['id']}/trace", content=content, version=run["version"])
        with pytest.raises(ApiError, match=r"422 "):
            client.send("PUT", "/api/power-logs/heading", content=content[:1] * 30_000_000)


def test_work_apart_ends_by_time_and_by_memory_and_says_so() -> None:
    with pytest.raises(BadInput, match="this thing takes more than 1 s"):
        apart("this thing", 1, 200, spin)
    with pytest.raises(BadInput, match="takes more than 300 MB of memory"):
        apart("this thing", 10, 300, eat, 3000)
    with pytest.raises(BadInput, match="ended the program that reads it"):
        apart("this thing", 10, 300, die)
    assert apart("this thing", 10, 300, eat, 20) == 20 << 20


def test_thousands_of_reports_are_one_quick_batch_and_a_batch_spans_two_months_at_most(
    bench_of_module: Bench, client: Client, run: dict
) -> None:
    unit = client.get("/api/units")["units"][0]["id"]
    printer = Sender(bench_of_module, add(client, "printer", unit)["token"])
    base = time.time() - 90_000
    reports = [{"t": base + k, "phase": "printing", "percent": 5.0, "message": "x" * 40} for k in range(4000)]
    assert printer.send("printer", reports=reports) == {"taken": 4000, "repeated": 0}
    assert printer.send("printer", reports=reports) == {"taken": 0, "repeated": 4000}
    meter = Sender(bench_of_module, add(client, "power meter", unit)["token"])
    months = [time.time() - 30 * 86400 * k for k in range(300)]
    answer = meter.http.post("/api/ingest/power", json={"t": months, "w": [5.0] * 300})
    assert (answer.status_code, "62 days" in answer.text) == (422, True)


def test_a_heavy_call_waits_for_the_one_before_of_the_same_person(
    bench_of_module: Bench, client: Client, monkeypatch: pytest.MonkeyPatch
) -> None:
    other = bench_of_module.as_("owner")
    begun, go_on, packed = threading.Event(), threading.Event(), shelf.plate

    def plate_of_the_first_waits(session, ref, sizes, query):
        if query.wanted == 2:
            begun.set()
            assert go_on.wait(60)
        return packed(session, ref, sizes, query)

    def ask(who: Client, wanted: int) -> int:
        return who.http.get("/api/shelf/RA/plate", params={"bed_x": 120, "bed_y": 120, "wanted": wanted}).status_code

    monkeypatch.setattr(shelf, "plate", plate_of_the_first_waits)
    with ThreadPoolExecutor(1) as pool:
        first = pool.submit(ask, client, 2)
        try:
            assert begun.wait(60)
            assert (ask(client, 1), ask(other, 1)) == (429, 200)
        finally:
            go_on.set()
        assert (first.result(), ask(client, 1)) == (200, 200)


def test_silent_and_dripping_callers_shut_nobody_out(bench: Bench) -> None:
    with socket.socket() as probe:
        probe.bind(("127.0.0.1", 0))
        port = probe.getsockname()[1]
    server = serve(bench.url, port, CREVLO_HEAD_S="3")
    peers = [socket.create_connection(("127.0.0.1", port)) for _ in range(40)]
    try:
        for number, peer in enumerate(peers):
            if number % 2:
                peer.sendall(b"GET /api/studies HTTP/1.1\r\nHost: 127.0.0.1\r\nX-Slow: ")
        # Those that began a request and go no further lose their thread after a while, whatever they drip.
        end = time.monotonic() + 90
        answered = False
        while not answered and time.monotonic() < end:
            for peer in peers[1::2]:
                try:
                    peer.sendall(b"a")
                except OSError:
                    continue
            try:
                answered = httpx.get(f"http://127.0.0.1:{port}/healthz", timeout=2).text == "ok"
            except httpx.HTTPError:
                time.sleep(0.5)
        assert answered
    finally:
        for peer in peers:
            peer.close()
        kill(server)
