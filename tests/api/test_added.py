"""Prints outside the plan: shown as such, counted or not as was said, never silently."""

from datetime import UTC, datetime, timedelta

import pytest

from crevlo.sim.client import ApiError, Client
from tests.conftest import Bench
from tests.small import new
from tests.states import Turned, make


@pytest.fixture
def client(bench: Bench) -> Client:
    return bench.as_("reviewer")


def _add(client: Client, job: str, kind: str, *, counts: bool, reason: str = "to see it again") -> dict:
    return client.send(
        "POST", f"/api/jobs/{job}/more", {"id": new(), "kind": kind, "counts": counts, "reason": reason}
    )


def _print(client: Client, job: str, hours: float, days_ago: int) -> None:
    began = datetime.now(UTC) - timedelta(days=days_ago)
    client.send("POST", f"/api/jobs/{job}/paper-run", {
        "id": new(), "started_at": began.isoformat(), "ended_at": (began + timedelta(hours=hours)).isoformat(),
        "outcome": "done", "without_file": True, "deviation_reason": "lost"})  # fmt: skip


def _hours(client: Client, study: str) -> float:
    standings = client.send("POST", f"/api/studies/{study}/rank", {})["standings"]
    mesa = next(s for s in standings if s["machine"]["name"] == "Mesa")
    return next(c["raw"]["value"] for c in mesa["contributions"] if c["code"] == "time")


def test_an_extra_copy_counts_a_trial_does_not_and_both_are_on_record(client: Client) -> None:
    study = make(client, {"Mesa": Turned(minutes=120), "Sparrow": Turned(minutes=120)}, copies=2)
    job = next(j for j in client.get(f"/api/studies/{study}/print")["jobs"] if j["machine"]["name"] == "Mesa")
    assert _hours(client, study) == pytest.approx(2.0)
    trial = _add(client, job["id"], "a trial", counts=False, reason="a new nozzle")
    assert (trial["copy_number"], trial["added"], trial["counts"], trial["parts"]) == (3, "a trial", False, 1)
    _print(client, trial["id"], 8, 2)
    assert _hours(client, study) == pytest.approx(2.0)
    rank = client.send("POST", f"/api/studies/{study}/rank", {})
    assert "1 print outside the plan does not count, as was said." in rank["apart"]
    extra = _add(client, job["id"], "an extra copy", counts=True)
    _print(client, extra["id"], 5, 1)
    assert _hours(client, study) == pytest.approx((2 + 2 + 5) / 3)
    departures = {d["what"]: d["reason"] for d in client.get(f"/api/studies/{study}/plan")["deviations"]}
    assert departures["Step block, copy 3: a trial, does not count"] == "a new nozzle"
    assert "Step block, copy 4: an extra copy, counts" in departures
    jobs = client.get(f"/api/studies/{study}/print")["jobs"]
    assert [(j["position"], j["added"]) for j in jobs][-2:] == [(4, "a trial"), (5, "an extra copy")]


def test_what_is_added_says_why_and_of_what_and_is_bounded(client: Client) -> None:
    study = make(client, {"Mesa": Turned(), "Sparrow": Turned()}, printed=False)
    job = client.get(f"/api/studies/{study}/print")["jobs"][0]["id"]
    for wrong, words in (({"reason": ""}, "422"), ({"reason": "  "}, "Say why"), ({"kind": "a whim"}, "422")):
        body = {"id": new(), "kind": "a trial", "counts": False, "reason": "why"} | wrong
        with pytest.raises(ApiError, match=words):
            client.send("POST", f"/api/jobs/{job}/more", body)
    with pytest.raises(ApiError, match="404"):
        _add(client, new(), "a trial", counts=False)
    for _ in range(50):
        _add(client, job, "a trial", counts=False)
    with pytest.raises(ApiError, match="no more are taken"):
        _add(client, job, "a trial", counts=False)
    assert len(client.get(f"/api/studies/{study}/print")["jobs"]) == 52
