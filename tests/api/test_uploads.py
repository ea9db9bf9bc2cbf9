"""Hostile and broken files: a clear refusal or a partial result marked so, and nothing half-saved."""

import math
import os
import uuid

import pytest
from werkzeug.test import EnvironBuilder, run_wsgi_app

from crevlo.sim import device
from crevlo.sim.client import ApiError, Client
from tests.conftest import Bench
from tests.small import frozen_study

SLICED = device.sliced_file("step-block-a-0.20-absolute")


@pytest.fixture(scope="module")
def bench_and_job(empty, copy_of):
    """A frozen study of two machines, and its first job."""
    bench = Bench(copy_of(empty))
    client = bench.as_("reviewer")
    study = frozen_study(client)
    job = client.get(f"/api/studies/{study}/print")["jobs"][0]["id"]
    yield bench, job
    bench.close()


@pytest.fixture
def client(bench_and_job) -> Client:
    return bench_and_job[0].as_("reviewer")


def _drop(client: Client, job: str, content: bytes, name: str = "part.gcode") -> dict:
    return client.send("PUT", f"/api/jobs/{job}/file", content=content, id=str(uuid.uuid4()), name=name)


@pytest.mark.parametrize(
    ("content", "words"),
    [
        (b"", "empty"),
        (os.urandom(1 << 20), "text"),
        (b"\x89PNG\r\n\x1a\n" + bytes(5000), "text"),
        (bytes(8 << 20), "text"),
        ("G1 X1 Y2 E3\n".encode("utf-16") * 500, "text"),
        (b"; only remarks\n" * 4000, "no moves"),
        (b"a shopping list\nbread\n", "G-code"),
        (b"<html><body>G1 is lovely</body></html>", "G-code"),
    ],
    ids=["empty", "noise", "picture", "zeros", "utf-16", "remarks", "list", "page"],
)
def test_what_is_no_sliced_file_is_refused_in_words(
    client: Client, bench_and_job, content: bytes, words: str
) -> None:
    _, job = bench_and_job
    had = client.get(f"/api/jobs/{job}")["file"]
    with pytest.raises(ApiError, match=r"42[0-9] ") as refused:
        _drop(client, job, content)
    assert words.lower() in str(refused.value).lower()
    assert client.get(f"/api/jobs/{job}")["file"] == had


def test_a_damaged_file_is_read_in_part_and_says_so(client: Client, bench_and_job) -> None:
    _, job = bench_and_job
    whole = _drop(client, job, SLICED)["file"]
    assert not whole["partial"]
    crlf = _drop(client, job, SLICED.replace(b"\n", b"\r\n"))["file"]
    assert (crlf["time_s"], crlf["mass_g"], crlf["layers"]) == (whole["time_s"], whole["mass_g"], whole["layers"])
    hurt = SLICED.replace(b"G1 X", b"G1 E1e400 X", 3).replace(b"G1 F", b"G1 Enan F", 3)
    marked = _drop(client, job, hurt)["file"]
    assert marked["partial"]
    assert sum(marked["skipped"].values()) >= 3
    long_line = _drop(client, job, SLICED[:20000] + b"; " + b"x" * (5 << 20) + b"\n" + SLICED[20000:])["file"]
    assert long_line["partial"]
    assert long_line["time_s"] == whole["time_s"]
    cut = _drop(client, job, SLICED[: len(SLICED) // 2])["file"]
    assert cut["warnings"] or cut["partial"] or cut["time_s"] != whole["time_s"]


def test_two_gigabytes_are_refused_before_they_are_read(client: Client, bench_and_job) -> None:
    bench, job = bench_and_job

    class Unread:
        def read(self, size: int = -1) -> bytes:
            raise AssertionError("the body was read")

    for length, status in ((str(2 << 30), "413"), ("", "411")):
        environ = EnvironBuilder(
            f"/api/jobs/{job}/file", method="PUT", query_string={"id": str(uuid.uuid4()), "name": "big.gcode"},
            headers={"X-CSRFToken": client.csrf, "X-Write-Id": str(uuid.uuid4()),
                     "Cookie": "; ".join(f"{k}={v}" for k, v in client.http.cookies.items())},
        ).get_environ() | {"wsgi.input": Unread(), "wsgi.input_terminated": True}  # fmt: skip
        environ.pop("CONTENT_LENGTH", None)
        if length:
            environ["CONTENT_LENGTH"] = length
        body, answered, headers = run_wsgi_app(bench.app, environ)
        assert answered.startswith(status), b"".join(body)
        assert headers["Content-Type"] == "application/problem+json"
    too_long = client.http.post("/api/models", json={"name": "x" * (2 << 20)}, headers={"X-CSRFToken": client.csrf})
    assert too_long.status_code == 413


@pytest.mark.parametrize("name", ["../../etc/passwd", "C:\\prints\\part\x00.gcode", "x" * 400, "<script>.gcode"])
def test_a_file_name_is_only_a_label(client: Client, bench_and_job, name: str) -> None:
    _, job = bench_and_job
    kept = _drop(client, job, SLICED, name)["file"]["name"]
    assert len(kept) <= 160
    assert not set(kept) & {"/", "\\", "\x00"}


@pytest.fixture(scope="module")
def started(bench_and_job) -> dict:
    bench, job = bench_and_job
    client = bench.as_("reviewer")
    view = _drop(client, job, SLICED)
    reason = "start code differs" if view["file"]["deviations"] else ""
    return client.send("POST", f"/api/jobs/{job}/runs", {"id": str(uuid.uuid4()), "deviation_reason": reason})[
        "runs"
    ][-1]


@pytest.mark.parametrize(
    "content",
    [b"", os.urandom(100_000), bytes(1 << 20), b"time,power\n1,2", b"time,power\n" + b"1,nan\n2,1e400\n" * 50,
     b"time,power\n" + b"x" * (5 << 20), "time;power\n1;2\n".encode("utf-16"), b"time,power\n5,10\n4,10\n3,10\n"],
    ids=["empty", "noise", "zeros", "one sample", "no numbers", "one long line", "utf-16", "backwards"],
)  # fmt: skip
def test_what_is_no_power_log_is_refused(client: Client, started: dict, content: bytes) -> None:
    with pytest.raises(ApiError, match=r"42[0-9] "):
        client.send("PUT", f"/api/runs/{started['id']}/trace", content=content, version=started["version"])


def test_a_power_log_gives_its_energy_with_the_gaps_as_a_range(client: Client, started: dict) -> None:
    steady = "".join(f"{t};100,0\n" for t in range(0, 3601, 5) if not 1000 < t < 1100)
    view = client.send(
        "PUT", f"/api/runs/{started['id']}/trace", content=("time;power\n" + steady).encode(), version=started["version"]
    )  # fmt: skip
    run = view["runs"][-1]
    # 100 W for 1 h with 100 s unseen: the gap counts as its phase does on average, and as a range from nothing to its peak.
    assert run["energy_kwh"] == pytest.approx(0.1, rel=1e-6)
    assert (run["energy_low_kwh"], run["energy_high_kwh"]) == pytest.approx((0.1 - 100 * 100 / 3.6e6, 0.1), rel=1e-6)


def test_a_handed_in_log_shows_its_trace_and_what_each_phase_drew(
    client: Client, bench_and_job, started: dict
) -> None:
    lines = "".join(f"{t},{310 if t < 300 else 90}\n" for t in range(0, 3601, 5))
    run = client.get(f"/api/jobs/{bench_and_job[1]}")["runs"][-1]
    content = ("time,power\n" + lines).encode()
    client.send("PUT", f"/api/runs/{run['id']}/trace", content=content, version=run["version"])
    seen = client.get(f"/api/runs/{started['id']}/power")
    assert seen["needs"] is None
    assert seen["peak_w"] == 310
    assert (min(seen["trace"]["w"]), max(seen["trace"]["w"])) == (90, 310)
    assert seen["kwh"] == pytest.approx((300 * 310 + 3300 * 90) / 3.6e6, rel=0.01)
    assert seen["spans_from"] == "guessed from steps in the power"
    assert math.fsum(p["kwh"] for p in seen["phases"]) == pytest.approx(seen["kwh"], rel=0.01)
    heating, printing = seen["phases"][0], max(seen["phases"], key=lambda p: p["seconds"])
    assert (heating["peak_w"], round(printing["mean_w"])) == (310, 90)
    assert client.get(f"/api/runs/{started['id']}/power") == seen
