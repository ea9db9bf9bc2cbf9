"""A unit's record: its box, assembly, checks, what was measured against what is claimed, changes, log and worth."""

import uuid
from datetime import UTC, datetime, timedelta

import pytest

from crevlo.sim.client import ApiError, Client
from tests.api.test_ingest import run_for
from tests.conftest import Bench
from tests.small import frozen_study

DAY = timedelta(days=1)


def new() -> str:
    return str(uuid.uuid4())


@pytest.fixture
def client(bench: Bench) -> Client:
    return bench.as_("reviewer")


@pytest.fixture
def study(client: Client) -> str:
    return frozen_study(client, frozen_at=datetime.now(UTC) - 2 * DAY, copies=4)


@pytest.fixture
def job(client: Client, study: str) -> dict:
    return client.get(f"/api/studies/{study}/print")["jobs"][0]


@pytest.fixture
def path(study: str, job: dict) -> str:
    return f"/api/studies/{study}/units/{job['machine']['unit_id']}"


def test_a_box_is_gone_through_by_its_list_and_assembled_by_the_clock(client: Client, path: str) -> None:
    view = client.send("POST", f"{path}/box", {"id": new(), "name": "Spare nozzle"})
    with pytest.raises(ApiError, match="on the list already"):
        client.send("POST", f"{path}/box", {"id": new(), "name": "Spare nozzle "})
    item = view["box"][0]
    assert item["found"] is None
    view = client.send("PUT", f"{path}/box/{item['id']}", {"version": item["version"], "found": "missing", "note": "reported"})  # fmt: skip
    assert (view["box"][0]["found"], view["box"][0]["note"]) == ("missing", "reported")
    with pytest.raises(ApiError, match="409"):
        client.send("PUT", f"{path}/box/{item['id']}", {"version": item["version"], "found": "present"})
    for name, seconds in (("Gantry on the base", 840), ("Belts", 300)):
        view = client.send("POST", f"{path}/assembly", {"id": new(), "name": name, "seconds": seconds})
    assert view["assembly_s"] == 1140
    assert view["first_assembly_s"] is None


def test_the_disclosure_carries_what_the_reviewer_adds(client: Client, study: str, path: str) -> None:
    unit = next(u for u in client.get(f"/api/studies/{study}/receive")["units"] if path.endswith(u["machine"]["unit_id"]))  # fmt: skip
    view = client.send("PUT", path, {
        "version": unit["version"], "obtained": "lent", "obtained_from": "its maker", "disclosure": "It goes back in spring.",
        "day_price": 499, "day_price_on": "2026-11-02", "first_power_on": "2026-11-03T09:30:00+00:00"})  # fmt: skip
    unit = next(u for u in view["units"] if path.endswith(u["machine"]["unit_id"]))
    assert unit["disclosure"].endswith("was lent by its maker. It goes back in spring.")
    assert (unit["day_price"], unit["day_price_on"]) == (499, "2026-11-02")


def test_a_failed_check_that_ends_testing_stops_every_print_until_a_re_check(
    client: Client, study: str, path: str, job: dict
) -> None:
    def check(kind: str, result: str, note: str = "") -> dict:
        view = client.send("POST", f"{path}/checks", {"id": new(), "kind": kind, "result": result, "note": note, "done_by": "A qualified person"})  # fmt: skip
        return next(u for u in view["units"] if path.endswith(u["machine"]["unit_id"]))

    for kind in ("mains", "cables", "earth", "stop", "screws"):
        unit = check(kind, "pass")
        assert not unit["may_run_unattended"]
    assert check("screws", "fail", "a pulley turns on its shaft")["may_run"]  # closes the gate, no more
    check("screws", "pass", "tightened")
    assert not check("runaway", "fail", "went on heating")["may_run"]
    with pytest.raises(ApiError, match=r"Thermal-runaway response.*nothing is printed"):
        run_for(client, job, datetime.now(UTC) - timedelta(minutes=5))
    unit = check("runaway", "pass", "new board")
    assert unit["may_run"]
    assert unit["may_run_unattended"]
    past = next(c for c in unit["checks"] if c["kind"] == "runaway")
    assert (past["times_done"], [h["result"] for h in past["history"]]) == (2, ["fail"])
    assert past["history"][0]["note"] == "went on heating"
    run_for(client, job, datetime.now(UTC) - timedelta(minutes=5))


def test_the_printable_area_is_what_the_nozzle_reaches(client: Client, path: str) -> None:
    send = lambda kind, value, **more: client.send("POST", f"{path}/measures", {"id": new(), "kind": kind, "value": value, **more})  # noqa: E731  # fmt: skip
    for kind, value in (("left edge not reached", 6), ("right edge not reached", 2), ("front edge not reached", -1)):
        view = send(kind, value)
    assert "back edge not reached" in view["printable"]["words"]
    area = send("back edge not reached", 3)["printable"]
    assert (area["width_mm"], area["depth_mm"], area["offset_x_mm"], area["offset_y_mm"]) == (212, 218, 2, -2)
    assert area["words"] == (
        "212.0 × 218.0 mm, 8.0 mm narrower and 2.0 mm less deep than its sheet says. The middle lies 2.8 mm off."
    )
    tapered = send("width at full height", 159)["printable"]["words"]
    assert tapered.endswith("At full height it is 159 mm wide, 75 % of that.")
    with pytest.raises(ApiError, match="from and to"):
        send("warm-up, both", 240)
    view = send("warm-up, both", 240, from_c=21, to_c=215)
    wrong = next(m for m in view["measures"] if m["kind"] == "warm-up, both")
    view = send("warm-up, both", 260, from_c=21, to_c=215, supersedes_id=wrong["id"], reason="read off wrongly")
    assert [(m["value"], m["corrected"]) for m in view["measures"] if m["kind"] == "warm-up, both"] == [(260, True)]
    with pytest.raises(ApiError, match="below 0"):
        send("weight", -2)


def test_claims_are_held_against_what_was_measured_without_entering_it_again(
    client: Client, path: str, job: dict
) -> None:
    def claim(kind: str, value: float) -> dict:
        return client.send("POST", f"{path}/claims", {"id": new(), "kind": kind, "value": value, "said": "Box, back"})

    claim("noise", 48)
    claim("printable width", 220)
    claim("warranty", 24)
    view = claim("weight", 8)
    words = {c["kind"]: c["words"] for c in view["claims"]}
    assert "needs noise readings in the state “printing”" in words["noise"]
    assert words["warranty"] == "Promised for 24 months; nothing to measure."
    for kind, value in (("left", 6), ("right", 2), ("front", 1), ("back", 3)):
        client.send("POST", f"{path}/measures", {"id": new(), "kind": f"{kind} edge not reached", "value": value})
    client.send("POST", f"{path}/measures", {"id": new(), "kind": "weight", "value": 8.04})
    run = run_for(client, job, datetime.now(UTC) - timedelta(minutes=30))
    for level in (55.0, 55.4, 54.8):
        client.send("POST", f"/api/runs/{run['id']}/noise", {"id": new(), "level_db": level, "distance_m": 1.0})
    claims = {c["kind"]: c for c in client.get(f"{path}/record")["claims"]}
    assert claims["noise"]["holds"] is False
    assert "7.1 dB louder" in claims["noise"]["words"]
    assert claims["printable width"]["words"].endswith("8.0 mm short, 4 % of the claim.")
    assert claims["weight"]["holds"] is True
    assert "within the uncertainty" in claims["weight"]["words"]


def test_a_change_opens_a_configuration_and_both_are_compared(
    client: Client, study: str, path: str, job: dict
) -> None:
    mine = [j for j in client.get(f"/api/studies/{study}/print")["jobs"] if j["machine"] == job["machine"]]
    begin = datetime.now(UTC) - timedelta(hours=20)

    def printed(one: dict, hours: float, minutes: float) -> None:
        start = begin + timedelta(hours=hours)
        run = run_for(client, one, start)
        client.send("POST", f"/api/runs/{run['id']}/end", {"version": 1, "outcome": "done", "ended_at": (start + timedelta(minutes=minutes)).isoformat()})  # fmt: skip

    printed(mine[0], 0, 70)
    printed(mine[1], 2, 71)
    present = client.get(f"{path}/record")["configurations"][-1]
    kept = {k: present[k] for k in ("nozzle_mm", "firmware", "plate", "profile_set", "parts", "accessories")}
    with pytest.raises(ApiError, match="Nothing is different"):
        client.send("POST", f"{path}/configurations", kept | {"id": new(), "reason": "none"})
    view = client.send("POST", f"{path}/configurations", kept | {"id": new(), "firmware": "2.1", "reason": "maker's update"})  # fmt: skip
    assert [(c["number"], c["attempts"]) for c in view["configurations"]] == [(1, 2), (2, 0)]
    assert view["comparison"] is None
    printed(mine[2], 5, 60)
    printed(mine[3], 7, 61)
    compared = client.get(f"{path}/record")["comparison"]
    assert (compared["before"], compared["after"]) == (1, 2)
    assert compared["words"][0] == "Printing time: 10.0 min less than before (± 3.0)."
    # What was measured in neither is not compared.
    assert len(compared["words"]) == 1

    def time_in_rank() -> float:
        usual = client.send("POST", f"/api/studies/{study}/rank", {"show_gated": True})
        mine_of = next(s for s in usual["standings"] if s["machine"] == job["machine"])
        return next(c["raw"]["value"] for c in mine_of["contributions"] if c["code"] == "time")

    # Two prints in each: figures are of the earlier one, and what came after is kept apart and said.
    assert time_in_rank() == pytest.approx(70.5 / 60)
    said = client.send("POST", f"/api/studies/{study}/rank", {})["apart"]
    assert any("figures are of its configuration 1" in words and "2 prints" in words for words in said)


def test_faults_count_by_the_hours_run_whatever_they_are(client: Client, study: str, path: str) -> None:
    assert client.get(f"{path}/record")["faults"]["needs"] == "hours run"
    with pytest.raises(ApiError, match="Say what it was"):
        client.send("POST", f"{path}/log", {"id": new(), "kind": "fault"})
    view = client.send("POST", f"{path}/log", {"id": new(), "kind": "hours", "hours": 412})
    # Whether it came used nobody knows yet.
    assert view["faults"]["needs"] == "the day on which it came, or a later reading of its hours"
    came = (datetime.now(UTC) - timedelta(days=60)).date().isoformat()
    unit = next(
        u for u in client.get(f"/api/studies/{study}/receive")["units"] if path.endswith(u["machine"]["unit_id"])
    )
    client.send("PUT", path, {"version": unit["version"], "received_on": came})
    for words in ("Belt slipped", "Fan stuck", "Sensor dead"):
        view = client.send("POST", f"{path}/log", {"id": new(), "kind": "fault", "words": words})
    faults = view["faults"]
    assert (faults["faults"], faults["hours"]) == (3, 412)
    assert [round(faults[k], 3) for k in ("low", "median_per_100h", "high")] == [0.205, 0.770, 1.943]
    # What was no fault after all is corrected, and stays on record.
    wrong = next(e for e in view["log"] if e["words"] == "Fan stuck")
    view = client.send("POST", f"{path}/log", {"id": new(), "kind": "fault", "words": "Fan stuck: a cable tie in it", "supersedes_id": wrong["id"], "reason": "seen later"})  # fmt: skip
    assert view["faults"]["faults"] == 3
    assert len(view["log"]) == 4


def test_features_are_worth_what_the_price_list_says(client: Client, study: str, path: str) -> None:
    unit = next(u for u in client.get(f"/api/studies/{study}/receive")["units"] if path.endswith(u["machine"]["unit_id"]))  # fmt: skip
    client.send("PUT", path, {"version": unit["version"], "price_paid": 300})
    for name, worth in (("Camera", 40), ("Enclosure", 120)):
        view = client.send("POST", f"{path}/worths", {"id": new(), "name": name, "worth": worth})
    assert view["worth"]["surplus"] is None
    enclosure, _ = view["worth"]["features"]
    view = client.send("PUT", f"{path}/features/{enclosure['id']}", {"present": True})
    assert (view["worth"]["worth"], view["worth"]["surplus"]) == (120, -180)
    view = client.send("PUT", f"{path}/worths/{enclosure['id']}", {"version": enclosure["version"], "worth": 150})
    assert view["worth"]["surplus"] == -150
    view = client.send("PUT", f"{path}/features/{enclosure['id']}", {"present": False})
    assert view["worth"]["surplus"] is None


def test_fault_finding_on_a_unit_stands_in_its_record_whatever_it_prints(bench: Bench) -> None:
    client = bench.as_("reviewer")
    study = frozen_study(client, title="Faults of a unit")
    unit, other = (u["machine"]["unit_id"] for u in client.get(f"/api/studies/{study}/receive")["units"])
    path, entry = f"/api/studies/{study}/units/{unit}/hypotheses", new()
    view = client.send(
        "POST", path, {"id": entry, "claim": "a worn belt on Y", "test": "pluck both and compare the tone"}
    )
    (said,) = view["hypotheses"]
    assert (said["claim"], said["ruling"]) == ("a worn belt on Y", "open")
    with pytest.raises(ApiError, match="Say what the test showed"):
        client.send("PUT", f"{path}/{entry}", {"version": said["version"], "claim": said["claim"], "ruling": "found"})
    view = client.send("PUT", f"{path}/{entry}", {
        "version": said["version"], "claim": said["claim"], "test": said["test"], "result": "Y is a third lower", "ruling": "found"})  # fmt: skip
    assert view["hypotheses"][0]["ruling"] == "found"
    assert client.get(f"/api/studies/{study}/units/{other}/record")["hypotheses"] == []
    # It is this machine's: no other's record changes it, nor the way that leads to a run.
    with pytest.raises(ApiError, match="no such entry of this machine"):
        client.send("PUT", f"/api/studies/{study}/units/{other}/hypotheses/{entry}", {"version": 2, "claim": "mine"})
    with pytest.raises(ApiError, match="no such entry"):
        client.send("PUT", f"/api/hypotheses/{entry}", {"version": 2, "claim": "mine"})
    assert bench.as_("rater").http.get(f"/api/studies/{study}/units/{unit}/record").status_code == 403
