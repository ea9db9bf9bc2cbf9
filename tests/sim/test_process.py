"""Simulated devices as processes of their own, over a real socket: what they report adds up to what they hide."""

import os
import subprocess
import sys
import uuid
from datetime import UTC, datetime, timedelta

import numpy as np
import pytest

from crevlo.core.phases import Phase
from crevlo.sim.machine import AMBIENT_C, Heater, PrintRun, draw_fault
from crevlo.sim.process import Setting, print_of, truth_of
from tests.api.test_ingest import add, rows, run_for
from tests.conftest import Bench
from tests.e2e.conftest import Site
from tests.small import frozen_study

MACHINE = "Nettlewick Solo"


def sim(site: Site, device: str, token: str, start: datetime, *more: str) -> subprocess.Popen[bytes]:
    return subprocess.Popen(
        [sys.executable, "-m", "crevlo.cli.main", "sim", device, f"--url={site.url}", f"--machine={MACHINE}", "--seed=3",
         f"--start={start.isoformat()}", "--speed=5000", *more],
        env=os.environ | {"CREVLO_TOKEN": token}, stderr=subprocess.PIPE,
    )  # fmt: skip


def ended(*processes: subprocess.Popen[bytes]) -> None:
    for process in processes:
        _, said = process.communicate(timeout=60)
        assert process.returncode == 0, said


def test_a_print_is_reported_and_metered_by_processes_that_know_only_their_tokens(bench: Bench) -> None:
    client = bench.as_("reviewer")
    study = frozen_study(client, frozen_at=datetime.now(UTC) - timedelta(days=1))
    job = client.get(f"/api/studies/{study}/print")["jobs"][0]
    unit = job["machine"]["unit_id"]
    start = datetime.now(UTC) - timedelta(hours=3)
    run = run_for(client, job, start)
    hidden = print_of(Setting("", "", MACHINE, 3, start))
    assert hidden.fault is None
    whole = f"--for={hidden.seconds + 60}"
    tokens = {kind: add(client, kind, unit)["token"] for kind in ("printer", "power meter")}
    with Site(bench) as site:
        ended(sim(site, "printer", tokens["printer"], start, whole), sim(site, "meter", tokens["power meter"], start, whole))  # fmt: skip
        kept = rows(bench, "select count(*) from power_sample")[0][0]
        assert kept > 1000
        # Started again, it sends the same once more, and nothing is counted twice.
        ended(sim(site, "meter", tokens["power meter"], start, whole))
        assert rows(bench, "select count(*) from power_sample")[0][0] == kept
        refused = sim(site, "meter", tokens["printer"], start, "--for=60")
        assert refused.wait(30) == 1
        assert b"cannot send this" in refused.stderr.read()
    end = start + timedelta(seconds=hidden.seconds)
    client.send("POST", f"/api/runs/{run['id']}/end", {"version": 1, "outcome": "done", "ended_at": end.isoformat()})
    done = client.get(f"/api/jobs/{job['id']}")["runs"][-1]
    true_kwh = float(hidden.rows[:, 5].sum()) / 3.6e6
    assert 0.98 * done["energy_low_kwh"] <= true_kwh <= 1.02 * done["energy_high_kwh"]
    power = client.get(f"/api/runs/{run['id']}/power")
    assert [s["phase"] for s in power["spans"]] == ["levelling", "warm-up", "printing", "cooling"]
    # No answer of the API tells what only the simulation knows.
    told = client.http.get(f"/api/studies/{study}/live").text + str(power) + client.http.get("/api/library").text
    assert "fault_rate" not in told
    assert "time_factor" not in told


def test_an_instrument_offers_its_values(bench: Bench) -> None:
    client = bench.as_("reviewer")
    token = add(client, "caliper")["token"]
    with Site(bench) as site:
        ended(sim(site, "caliper", token, datetime.now(UTC) - timedelta(minutes=5), "--true=40.02", "--count=4"))
    [latest] = client.get("/api/devices/values", kind="caliper")["values"]
    assert latest["value"] == pytest.approx(40.024, abs=0.05)
    assert rows(bench, "select count(*) from device_value") == [(4,)]
    # Raters measure with it too; of a machine's sound they hear nothing.
    rater = bench.as_("rater")
    assert rater.get("/api/devices/values", kind="caliper")["values"] == [latest]
    assert rater.http.get("/api/devices/values", params={"kind": "sound meter"}).status_code == 404


def test_heat_and_motion_behave_as_they_must() -> None:
    heater = Heater(most_w=100, capacity_j_k=50, loss_w_k=0.5)
    now, drawn = AMBIENT_C, 0.0
    for _ in range(2000):
        now, drawn = heater.step(now, 100.0, 1.0)
    # At rest the heater makes up for what is lost, no more.
    assert now == pytest.approx(100)
    assert drawn == pytest.approx(0.5 * (100 - AMBIENT_C))
    made = print_of(Setting("", "", MACHINE, 3, datetime.now(UTC)))
    printing = [s for t in range(0, int(made.seconds), 20) if (s := made.state(t)).phase is Phase.PRINTING]
    percents = [s.percent for s in printing]
    assert percents == sorted(percents)
    assert all(s.bed_c > 55 for s in printing)
    assert made.state(made.seconds + 10).phase is Phase.REMOVAL
    assert made.state(-5).power_w < 10


def test_faults_come_at_the_hidden_rate_and_stop_the_print() -> None:
    truth = truth_of("Brindle 235")
    drawn = [draw_fault(truth, np.random.default_rng(seed)) for seed in range(800)]
    assert sum(f is not None for f in drawn) / 800 == pytest.approx(truth.fault_rate, abs=0.05)
    assert {f.kind for f in drawn if f} == {"clog", "layer shift", "loose plate", "run-out"}
    for seed in range(60):
        made = PrintRun(truth, b"G1 X100 E5 F600\nG1 X0 E10\n" * 60, seed)
        if made.fault and not made.fault.silent:
            state = next(s for t in range(int(made.seconds)) if (s := made.state(t)).phase is Phase.FAULT)
            assert state.percent == pytest.approx(100 * made.fault.share, abs=2)
            assert state.message
            break
    else:
        raise AssertionError("no fault that the machine notices was drawn")


def test_ids_of_a_device_do_not_matter_to_its_print() -> None:
    start = datetime.now(UTC)
    one, other = (print_of(Setting(str(uuid.uuid4()), "x", MACHINE, 3, start)) for _ in "ab")
    assert (one.rows == other.rows).all()
