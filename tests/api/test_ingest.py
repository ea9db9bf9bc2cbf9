"""What devices send by themselves: kept once, in any order, exactly added up."""

import random
import time
import uuid
from concurrent.futures import ThreadPoolExecutor
from datetime import UTC, datetime, timedelta

import httpx
import numpy as np
import pytest
from sqlalchemy import text

from crevlo.core.energy import integrate_power
from crevlo.sim import device
from crevlo.sim.client import Client
from tests.conftest import Bench
from tests.small import frozen_study


class Sender:
    """A device with its token, and no session."""

    def __init__(self, bench: Bench, token: str) -> None:
        self.http = httpx.Client(
            transport=httpx.WSGITransport(app=bench.app), base_url="http://127.0.0.1",
            headers={"Authorization": f"Bearer {token}"},
        )  # fmt: skip

    def send(self, what: str, **body: object) -> dict:
        answer = self.http.post(f"/api/ingest/{what}", json=body)
        assert answer.status_code == 200, answer.text
        return answer.json()


@pytest.fixture
def client(bench: Bench) -> Client:
    return bench.as_("reviewer")


@pytest.fixture
def job(client: Client) -> dict:
    study = frozen_study(client, frozen_at=datetime.now(UTC) - timedelta(hours=3))
    return client.get(f"/api/studies/{study}/print")["jobs"][0] | {"study": study}


def add(client: Client, kind: str, unit: str | None = None, **more: object) -> dict:
    return client.send("POST", "/api/devices", {"id": str(uuid.uuid4()), "name": f"{kind} {uuid.uuid4().hex[:4]}", "kind": kind, "unit_id": unit, **more})  # fmt: skip


@pytest.fixture
def meter(bench: Bench, client: Client, job: dict) -> Sender:
    return Sender(bench, add(client, "power meter", job["machine"]["unit_id"])["token"])


def run_for(client: Client, job: dict, begin: datetime) -> dict:
    client.send("PUT", f"/api/jobs/{job['id']}/file", content=device.sliced_file("step-block-a-0.20-absolute"), id=str(uuid.uuid4()), name="a.gcode")  # fmt: skip
    made = client.send("POST", f"/api/jobs/{job['id']}/runs", {"id": str(uuid.uuid4()), "started_at": begin.isoformat(), "deviation_reason": "as it is"})  # fmt: skip
    return made["runs"][-1]


def rows(bench: Bench, query: str) -> list[tuple]:
    with bench.engine.connect() as db:
        return [tuple(r) for r in db.execute(text(query))]


def test_samples_in_any_order_and_again_are_kept_once(bench: Bench, meter: Sender) -> None:
    now = time.time() - 4000
    # Two months, so that two partitions are made; and a stretch touched by several batches.
    times = [now + 0.5 * k for k in range(3000)] + [now - 40 * 86400 + k for k in range(100)]
    samples = [(t, 50 + (k % 100)) for k, t in enumerate(times)]
    shuffled = random.Random(3).sample(samples, len(samples))
    sent = 0
    for start in range(0, len(shuffled), 700):
        part = shuffled[start : start + 900]  # overlaps the next
        answer = meter.send("power", t=[t for t, _ in part], w=[w for _, w in part])
        assert answer["taken"] + answer["repeated"] == len(part)
        sent += answer["taken"]
    assert sent == len(samples) == rows(bench, "select count(*) from power_sample")[0][0]
    assert meter.send("power", t=[t for t, _ in samples], w=[w for _, w in samples]) == {"taken": 0, "repeated": len(samples)}  # fmt: skip
    # The levels are those of the samples, whatever the order they came in.
    for step in (60, 1800):
        drawn = rows(bench, f"select extract(epoch from at)::float8, samples, low_w, mean_w, high_w from power_level where step_s = {step} order by at")  # fmt: skip
        by_stretch: dict[float, list[float]] = {}
        for t, w in samples:
            by_stretch.setdefault(t // step * step, []).append(w)
        assert [(r[0], r[1], r[2], r[4]) for r in drawn] == [
            (at, len(w), min(w), max(w)) for at, w in sorted(by_stretch.items())
        ]
        for drawn_row, (_, w) in zip(drawn, sorted(by_stretch.items()), strict=True):
            assert drawn_row[3] == pytest.approx(sum(w) / len(w), rel=1e-5)


def test_a_runs_energy_is_the_exact_integral_with_its_gap_as_bounds(client: Client, job: dict, meter: Sender) -> None:
    begin = datetime.now(UTC) - timedelta(hours=2)
    run = run_for(client, job, begin)
    # A ramp from 100 W to 400 W over an hour, unevenly sampled, with 5 minutes missing.
    whole = 3600.0
    rng = random.Random(5)
    at = [*sorted(rng.uniform(0, whole) for _ in range(1500)), whole]
    seen = [0.0, *[t for t in at if not 1200 < t < 1500]]
    first, rest = seen[: len(seen) // 2], seen[len(seen) // 2 :]
    base = begin.timestamp()
    power = lambda t: 100 + 300 * t / whole  # noqa: E731
    meter.send("power", t=[base + t for t in first], w=[power(t) for t in first])
    end = begin + timedelta(seconds=whole)
    client.send("POST", f"/api/runs/{run['id']}/end", {"version": run["version"], "outcome": "done", "ended_at": end.isoformat()})  # fmt: skip
    # The second half comes only now: the meter was out of reach, and the run's energy is counted again.
    meter.send("power", t=[base + t for t in rest], w=[power(t) for t in rest])
    done = client.get(f"/api/jobs/{job['id']}")["runs"][-1]
    before, after = max(t for t in seen if t <= 1200), min(t for t in seen if t >= 1500)
    kwh = lambda a, b: (power(a) + power(b)) / 2 * (b - a) / 3.6e6  # noqa: E731
    assert done["energy_from"] == "live"
    assert done["energy_low_kwh"] < done["energy_kwh"] < done["energy_high_kwh"]
    assert done["energy_kwh"] == pytest.approx(kwh(0, whole), rel=0.05)
    # At most the peak of its phase all the while.
    most = done["energy_high_kwh"] - done["energy_low_kwh"]
    assert kwh(before, after) < most < 1.001 * power(whole) * (after - before) / 3.6e6
    assert done["energy_low_kwh"] == pytest.approx(kwh(0, whole) - kwh(before, after), rel=1e-6)
    # What a person reads off a meter counts from then on.
    typed = client.send("PUT", f"/api/runs/{run['id']}/energy", {"version": done["version"], "energy_wh": 250})["runs"][-1]  # fmt: skip
    meter.send("power", t=[base + 5.5], w=[10])
    assert client.get(f"/api/jobs/{job['id']}")["runs"][-1]["energy_kwh"] == typed["energy_kwh"] == 0.25


@pytest.mark.parametrize(
    ("body", "words"),
    [
        ({"t": [1e9], "w": [1, 2]}, "1 times but 2 values"),
        ({"t": [1e9]}, "needs power"),
        ({"t": [time.time() + 4000], "w": [1]}, "future"),
        ({"t": [5], "w": [1]}, "before the year 2000"),
        ({"t": [1e9], "w": [-1]}, "between 0 and 100 kW"),
        ({"t": [1e9, 1e9 + 1], "w": [1, None]}, "Every sample"),
        ({"t": [1e9] * 20_001, "w": [1] * 20_001}, "20000"),
        ({"t": ["soon"], "w": [1]}, "number"),
    ],
)
def test_a_batch_that_makes_no_sense_is_refused_whole(bench: Bench, meter: Sender, body: dict, words: str) -> None:
    answer = meter.http.post("/api/ingest/power", json=body)
    assert answer.status_code == 422
    assert words in answer.text
    assert rows(bench, "select count(*) from power_sample") == [(0,)]


def test_a_token_opens_one_kind_of_call_until_the_device_is_retired(bench: Bench, client: Client, job: dict) -> None:
    unit = job["machine"]["unit_id"]
    made = add(client, "printer", unit)
    printer = Sender(bench, made["token"])
    assert printer.send("printer", reports=[{"t": time.time() - 5, "phase": "printing", "percent": 12, "layer": 3}])["taken"] == 1  # fmt: skip
    assert printer.http.post("/api/ingest/power", json={"t": [1e9], "w": [1]}).status_code == 403
    assert printer.http.get("/api/studies").status_code == 401
    listed = client.get("/api/devices")["devices"]
    assert [(d["name"], d["unit"]) for d in listed] == [(made["name"], job["machine"]["name"])]
    assert made["token"] not in str(listed)
    assert rows(bench, f"select count(*) from device where token_sha256 = '{made['token']}'") == [(0,)]
    with pytest.raises(Exception, match="retire it first"):
        add(client, "printer", unit)
    client.send("POST", f"/api/devices/{made['id']}/retire", {})
    assert printer.http.post("/api/ingest/printer", json={"reports": []}).status_code == 401
    add(client, "printer", unit)


def test_two_meters_may_send_the_first_samples_of_a_month_at_once(bench: Bench, client: Client) -> None:
    study = frozen_study(client, names=("Mesa", "Sparrow", "Twin", "Forge"))
    units = {j["machine"]["unit_id"] for j in client.get(f"/api/studies/{study}/print")["jobs"]}
    meters = [Sender(bench, add(client, "power meter", unit)["token"]) for unit in units]
    for month in range(1, 9):
        at = datetime(2024, month, 5, tzinfo=UTC).timestamp()
        with ThreadPoolExecutor(len(meters)) as together:
            answers = list(together.map(lambda m, at=at: m.send("power", t=[at, at + 1], w=[1, 2]), meters))
        assert [a["taken"] for a in answers] == [2] * len(meters)


def test_what_a_machine_draws_at_rest_is_told_apart_from_its_runs(client: Client, job: dict, meter: Sender) -> None:
    path = f"/api/studies/{job['study']}/units/{job['machine']['unit_id']}/record"
    begin = datetime.now(UTC) - timedelta(minutes=90)
    run = run_for(client, job, begin)
    end = begin + timedelta(minutes=10)
    client.send("POST", f"/api/runs/{run['id']}/end", {"version": 1, "outcome": "done", "ended_at": end.isoformat()})
    # 100 W while it prints and cools, 7 W from an hour later on, and the twenty minutes before.
    base = begin.timestamp()
    t = [base + 10 * k for k in range(-120, 530)]
    meter.send("power", t=t, w=[7.2 if s < base - 60 or s > base + 4260 else 100 for s in t])
    printing = client.get(path)["printing"]
    assert printing["standby_w"] == pytest.approx(7.2)
    assert printing["words"][-1] == "Stands by at 7.2 W: about 20 EUR a year, were it never switched off."
    table = client.get(f"/api/studies/{job['study']}/cost-table", standby_h=1000)
    told = {m["machine"]["unit_id"]: m for m in table["machines"]}
    assert told[job["machine"]["unit_id"]]["standby_cost"] == pytest.approx(7.2 * 0.31, rel=1e-3)
    assert sum(m["standby_w"] is not None for m in told.values()) == 1


def test_a_long_trace_is_looked_through_by_its_minutes_and_its_energy_is_that_of_every_sample(
    bench: Bench, client: Client
) -> None:
    study = frozen_study(client, frozen_at=datetime.now(UTC) - timedelta(hours=9))
    job = client.get(f"/api/studies/{study}/print")["jobs"][0]
    meter = Sender(bench, add(client, "power meter", job["machine"]["unit_id"])["token"])
    begin = datetime.now(UTC) - timedelta(hours=8)
    run = run_for(client, job, begin)
    rng = np.random.default_rng(5)
    at = np.arange(0, 25_000, 1.0)
    at = at[(at < 9000) | (at > 9300)]
    watts = np.where(at < 600, 300.0, 90.0) * (1 + rng.normal(0, 0.05, len(at)))
    for part in np.array_split(np.arange(len(at)), 2):
        meter.send("power", t=(begin.timestamp() + at[part]).tolist(), w=watts[part].tolist())
    client.send("POST", f"/api/runs/{run['id']}/events", {"id": str(uuid.uuid4()), "kind": "warm-up", "at": begin.isoformat()})  # fmt: skip
    client.send("POST", f"/api/runs/{run['id']}/events", {
        "id": str(uuid.uuid4()), "kind": "printing", "at": (begin + timedelta(seconds=600)).isoformat()})  # fmt: skip
    end = begin + timedelta(seconds=float(at[-1]))
    ended = client.send("POST", f"/api/runs/{run['id']}/end", {"outcome": "done", "ended_at": end.isoformat()})[
        "runs"
    ][-1]
    exact = integrate_power(at, watts)
    assert ended["energy_from"] == "live"
    assert (ended["energy_low_kwh"], ended["energy_high_kwh"]) == pytest.approx((exact.low_kwh, exact.high_kwh), rel=1e-6)  # fmt: skip
    power = client.get(f"/api/runs/{run['id']}/power")
    assert (power["trace"]["step_s"], power["spans_from"]) == (
        60,
        "marked at the machine; power by means of a minute",
    )
    phases = {p["phase"]: p for p in power["phases"]}
    assert phases["warm-up"]["mean_w"] == pytest.approx(300, rel=0.05)
    assert phases["printing"]["mean_w"] == pytest.approx(90, rel=0.02)
    assert sum(p["kwh"] for p in phases.values()) == pytest.approx(ended["energy_kwh"], rel=0.01)
    assert power["gaps"] == 1
    assert (power["low_kwh"], power["high_kwh"]) == pytest.approx((exact.low_kwh, exact.high_kwh), rel=1e-6)
