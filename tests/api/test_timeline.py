"""What happened in the course of a run: notes, alarms and what they were worth, silences of the printer, photos, in order."""

import time
from datetime import UTC, datetime, timedelta

import pytest

from crevlo.sim.client import ApiError, Client
from tests.api.test_ingest import Sender, add, run_for
from tests.conftest import Bench
from tests.small import frozen_study, new


@pytest.fixture
def client(bench: Bench) -> Client:
    return bench.as_("reviewer")


@pytest.fixture
def job(client: Client) -> dict:
    study = frozen_study(client, frozen_at=datetime.now(UTC) - timedelta(hours=3))
    return client.get(f"/api/studies/{study}/print")["jobs"][0]


def happened(client: Client, job: dict) -> list[tuple[str, str, int | None]]:
    run = client.get(f"/api/jobs/{job['id']}")["runs"][-1]
    return [(e["what"], e["words"], e["layer"]) for e in run["timeline"]]


def test_notes_and_alarms_stand_in_the_order_of_time_with_their_layers(client: Client, job: dict) -> None:
    begun = datetime.now(UTC) - timedelta(hours=1)
    run = run_for(client, job, begun)
    assert happened(client, job) == []  # a start alone tells nothing
    path = f"/api/runs/{run['id']}/notes"

    def note(minutes: int, **more: object) -> dict:
        body = {"id": new(), "at": (begun + timedelta(minutes=minutes)).isoformat()} | more
        return client.send("POST", path, body)["runs"][-1]["timeline"]

    note(30, words="a string caught on the clip", layer=40)
    note(20, kind="alarm", words="camera: spaghetti", alarm="not known")
    client.send("POST", f"/api/runs/{run['id']}/events", {
        "id": new(), "kind": "paused", "at": (begun + timedelta(minutes=25)).isoformat()})  # fmt: skip
    assert happened(client, job) == [
        ("start", "started", None), ("alarm", "camera: spaghetti", None), ("phase", "paused begins", None),
        ("note", "a string caught on the clip", 40)]  # fmt: skip
    alarm = client.get(f"/api/jobs/{job['id']}")["runs"][-1]["timeline"][1]
    judged = client.send("POST", path, {
        "id": new(), "kind": "alarm", "words": "camera: spaghetti", "alarm": "false", "supersedes_id": alarm["note_id"],
        "reason": "looked: a loose brim"})["runs"][-1]["timeline"]  # fmt: skip
    assert [(e["alarm"], e["at"]) for e in judged if e["what"] == "alarm"] == [("false", alarm["at"])]
    for body, words in (
        ({"words": "late", "supersedes_id": alarm["note_id"], "reason": "x", "kind": "alarm", "alarm": "true"}, "corrected meanwhile"),
        ({"words": "an alarm", "kind": "alarm"}, "say whether it was right"),
        ({"words": "a note", "alarm": "true"}, "say whether it was right"),
        ({"words": "early", "at": (begun - timedelta(hours=1)).isoformat()}, "outside the run"),
        ({"words": "a correction", "reason": "x"}, "names the note"),
        ({"words": "of another", "supersedes_id": new(), "reason": "x"}, "not one of this run"),
    ):  # fmt: skip
        with pytest.raises(ApiError, match=words):
            client.send("POST", path, {"id": new()} | body)
    client.send("POST", f"/api/runs/{run['id']}/end", {
        "version": run["version"], "outcome": "failed", "cause": "machine", "failed_at_layer": 51,
        "ended_at": (begun + timedelta(minutes=50)).isoformat()})  # fmt: skip
    assert happened(client, job)[-1] == ("end", "ended: failed", 51)
    with pytest.raises(ApiError, match="say when it happened"):
        client.send("POST", path, {"id": new(), "words": "afterwards"})
    assert len(note(49, words="seen on the film")) == 6


def test_a_printer_that_goes_silent_is_noticed_and_its_layer_taken(bench: Bench, client: Client, job: dict) -> None:
    begun = datetime.now(UTC) - timedelta(minutes=40)
    run = run_for(client, job, begun)
    printer = Sender(bench, add(client, "printer", job["machine"]["unit_id"])["token"])
    base = begun.timestamp()
    steady = [{"t": base + s, "phase": "printing", "percent": s / 60, "layer": s // 60, "message": ""} for s in range(0, 1200, 30)]  # fmt: skip
    after = [{"t": base + s, "phase": "printing", "percent": s / 60, "layer": s // 60, "message": ""} for s in range(1500, 1800, 30)]  # fmt: skip
    printer.send("printer", reports=steady + after)
    assert happened(client, job) == [
        ("start", "started", None),
        ("silence", "the printer reported nothing for 6 min", 19),
    ]
    client.send("POST", f"/api/runs/{run['id']}/notes", {
        "id": new(), "words": "a click", "at": datetime.fromtimestamp(base + 600, UTC).isoformat()})  # fmt: skip
    assert ("note", "a click", 10) in happened(client, job)
    # Long after its last word nobody knows the layer.
    client.send("POST", f"/api/runs/{run['id']}/notes", {"id": new(), "words": "now", "at": datetime.fromtimestamp(time.time(), UTC).isoformat()})  # fmt: skip
    assert ("note", "now", None) in happened(client, job)


def test_a_good_print_has_its_photos_and_what_was_odd_about_it(client: Client, job: dict) -> None:
    run = run_for(client, job, datetime.now(UTC) - timedelta(hours=1))
    done = client.send("POST", f"/api/runs/{run['id']}/end", {"version": run["version"], "outcome": "done"})["runs"][
        -1
    ]
    sheet = client.send("POST", f"/api/runs/{done['id']}/hypotheses", {
        "id": new(), "claim": "the fan hummed", "test": "slowed it", "result": "it stopped", "ruling": "found"})  # fmt: skip
    assert [h["claim"] for h in sheet["runs"][-1]["hypotheses"]] == ["the fan hummed"]
