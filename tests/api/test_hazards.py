"""What a unit has been through stands beside its rank, and nothing prints where it must not."""

from datetime import UTC, datetime, timedelta

import pytest

from crevlo.sim.client import ApiError, Client
from tests.api.test_ingest import run_for
from tests.conftest import Bench
from tests.small import frozen_study, new

ENDING = ("mains", "cables", "earth", "runaway")


@pytest.fixture
def client(bench: Bench) -> Client:
    return bench.as_("reviewer")


@pytest.fixture
def study(client: Client) -> str:
    return frozen_study(client, frozen_at=datetime.now(UTC) - timedelta(days=2))


@pytest.fixture
def job(client: Client, study: str) -> dict:
    return client.get(f"/api/studies/{study}/print")["jobs"][0]


@pytest.fixture
def path(study: str, job: dict) -> str:
    return f"/api/studies/{study}/units/{job['machine']['unit_id']}"


def check(client: Client, path: str, kind: str, result: str, note: str = "", **more: object) -> dict:
    view = client.send("POST", f"{path}/checks", {"id": new(), "kind": kind, "result": result, "note": note, "done_by": "A qualified person", **more})  # fmt: skip
    return next(u for u in view["units"] if path.endswith(u["machine"]["unit_id"]))


def everywhere(client: Client, study: str, unit_id: str) -> list[list[str]]:
    """The safety record of a machine in Rank, Cost and the report."""
    ranked = client.send("POST", f"/api/studies/{study}/rank", {})
    line = next(s for s in [*ranked["standings"], *ranked["left_out"]] if s["machine"]["unit_id"] == unit_id)
    cost = next(m for m in client.get(f"/api/studies/{study}/cost")["machines"] if m["machine"]["unit_id"] == unit_id)
    made = client.send(
        "POST",
        f"/api/studies/{study}/revisions",
        {"id": new(), "ends_blind": True, "profile_id": ranked["profile"]["id"]},
    )
    html = client.http.get(f"/api/revisions/{made['revisions'][0]['id']}/report.html").text
    assert all(words.replace("“", "“") in html for words in line["safety"])
    return [line["safety"], cost["safety"]]


def test_a_unit_that_caught_fire_stays_marked_whatever_came_after(
    client: Client, study: str, job: dict, path: str
) -> None:
    unit_id = job["machine"]["unit_id"]
    check(client, path, "runaway", "fail", "went on heating")
    client.send("POST", f"{path}/log", {"id": new(), "kind": "fire", "words": "at the bed connector"})
    # Refused while it has ended, whatever the checks say.
    for kind in ENDING:
        unit = check(client, path, kind, "pass", "new board")
    assert not unit["may_run"]
    with pytest.raises(ApiError, match=r"Fire on .* ended testing on this unit.*re-open it"):
        run_for(client, job, datetime.now(UTC) - timedelta(minutes=5))
    with pytest.raises(ApiError, match="Say why testing may go on"):
        client.send("POST", f"{path}/log", {"id": new(), "kind": "re-opened", "words": " "})
    client.send("POST", f"{path}/log", {"id": new(), "kind": "re-opened", "words": "new board and cables"})
    unit = check(client, path, "runaway", "pass")
    assert unit["may_run"]
    run_for(client, job, datetime.now(UTC) - timedelta(minutes=5))
    told = everywhere(client, study, unit_id)
    assert told[0] == told[1] == unit["on_record"]
    assert [words.split(" on ")[0] for words in told[0]] == [
        "“Thermal-runaway response” failed", "Fire", "Re-opened for testing"]  # fmt: skip
    # The other machine has nothing of it.
    other = next(
        u for u in client.get(f"/api/studies/{study}/receive")["units"] if u["machine"]["unit_id"] != unit_id
    )
    assert other["on_record"] == []


def test_a_machine_that_nothing_happened_to_cannot_be_re_opened(client: Client, path: str) -> None:
    with pytest.raises(ApiError, match="Nothing on this unit's log has ended testing"):
        client.send("POST", f"{path}/log", {"id": new(), "kind": "re-opened", "words": "why not"})


def test_not_recommended_stands_wherever_the_rank_does(client: Client, study: str, job: dict, path: str) -> None:
    unit_id = job["machine"]["unit_id"]
    client.send("PUT", f"{path}/not-recommended", {"reason": "No spare parts to be had"})
    ranked = client.send("POST", f"/api/studies/{study}/rank", {})
    assert next(s for s in ranked["standings"] if s["machine"]["unit_id"] == unit_id)["not_recommended"] == (
        "No spare parts to be had"
    )
    made = client.send(
        "POST",
        f"/api/studies/{study}/revisions",
        {"id": new(), "ends_blind": True, "profile_id": ranked["profile"]["id"]},
    )
    html = client.http.get(f"/api/revisions/{made['revisions'][0]['id']}/report.html").text
    assert "is not recommended: No spare parts to be had</b>" in html
    taken_back = client.send("PUT", f"{path}/not-recommended", {"reason": ""})["units"]
    assert all(u["not_recommended"] == "" for u in taken_back)


@pytest.mark.parametrize("at", ["2099-01-01T00:00:00Z", "2026-11-20T09:00:00", "1999-12-31T00:00:00Z"])
def test_a_check_is_not_of_the_future_and_says_its_zone(client: Client, path: str, at: str) -> None:
    with pytest.raises(ApiError, match=r"future|zone|2000 and 2099"):
        check(client, path, "mains", "pass", done_at=at)


def test_a_check_that_was_done_before_the_fire_does_not_open_it_again(client: Client, path: str) -> None:
    client.send("POST", f"{path}/log", {"id": new(), "kind": "smoke", "words": "from the supply"})
    client.send("POST", f"{path}/log", {"id": new(), "kind": "re-opened", "words": "supply replaced"})
    before = (datetime.now(UTC) - timedelta(hours=5)).isoformat()
    for kind in ENDING:
        unit = check(client, path, kind, "pass", done_at=before)
    assert not unit["may_run"]
    assert "“Mains selector” checked again since" in unit["needs"]


def test_false_alarms_are_counted_apart_and_are_no_faults(client: Client, path: str) -> None:
    client.send("POST", f"{path}/log", {"id": new(), "kind": "hours", "hours": 100})
    for words in ("stopped for a hair", "stopped for a shadow"):
        view = client.send("POST", f"{path}/log", {"id": new(), "kind": "false alarm", "words": words})
    assert (view["faults"]["faults"], view["faults"]["false_alarms"]) == (0, 2)


def test_noise_is_claimed_and_read_state_by_state_with_the_meters_calibration(
    client: Client, job: dict, path: str
) -> None:
    client.send("POST", "/api/instruments", {
        "id": new(), "code": "N-1", "kind": "sound meter", "unit": "dB", "resolution": 0.1, "u_calibration": 0.5,
        "repeatability": 0.3, "calibrated_on": datetime.now(UTC).date().isoformat()})  # fmt: skip
    for state, value in (("printing", 48), ("standby", 30)):
        client.send("POST", f"{path}/claims", {"id": new(), "kind": "noise", "value": value, "state": state})
    with pytest.raises(ApiError, match="claimed already"):
        client.send("POST", f"{path}/claims", {"id": new(), "kind": "noise", "value": 40, "state": "standby"})
    run = run_for(client, job, datetime.now(UTC) - timedelta(minutes=30))
    for state, levels in (
        ("printing", (48.2, 48.4, 48.3)),
        ("standby", (35.0, 35.2, 35.1)),
        ("heating", (60.0, 61.0)),
    ):
        for level in levels:
            client.send("POST", f"/api/runs/{run['id']}/noise", {"id": new(), "level_db": level, "distance_m": 1.0, "state": state})  # fmt: skip
    client.send("POST", f"/api/runs/{run['id']}/noise", {"id": new(), "level_db": 55.0, "distance_m": 1.0, "door_shut": False})  # fmt: skip
    claims = {c["state"]: c for c in client.get(f"{path}/record")["claims"]}
    # Three readings that differ by 0.1 dB are known no better than the meter: U is about 1 dB.
    assert claims["printing"]["holds"] is True
    assert "measured 48.3 ± 1.0 dB (printing, door shut): as claimed" in claims["printing"]["words"]
    assert claims["standby"]["holds"] is False
    assert "5.1 dB louder" in claims["standby"]["words"]


def test_a_claim_of_any_kind_is_measured_by_hand(client: Client, path: str) -> None:
    view = client.send("POST", f"{path}/claims", {"id": new(), "kind": "other", "name": "acceleration", "unit": "mm/s²", "value": 20000})  # fmt: skip
    claim = view["claims"][0]
    assert claim["words"] == "Claimed 20000 mm/s²; not determined: needs two or more measurements of “acceleration”."
    measure = {"kind": "claim", "claim_id": claim["id"]}
    view = client.send("POST", f"{path}/measures", {"id": new(), "value": 15000, **measure})
    assert "measured 15000 mm/s² once: 5000 mm/s² short" in view["claims"][0]["words"]
    assert view["claims"][0]["holds"] is None
    for value in (15100, 14900):
        view = client.send("POST", f"{path}/measures", {"id": new(), "value": value, **measure})
    assert view["claims"][0]["holds"] is False
    assert {m["name"] for m in view["measures"]} == {"acceleration"}
    with pytest.raises(ApiError, match="names the claim"):
        client.send("POST", f"{path}/measures", {"id": new(), "kind": "claim", "value": 1})


def test_a_plate_larger_than_stated_is_wider_not_less_than_nothing(client: Client, path: str) -> None:
    for kind, value in (("plate width", 226), ("left edge not reached", 1), ("right edge not reached", 2),
                        ("front edge not reached", 0), ("back edge not reached", 0)):  # fmt: skip
        view = client.send("POST", f"{path}/measures", {"id": new(), "kind": kind, "value": value})
    assert view["printable"]["words"].startswith("223.0 × 220.0 mm, 3.0 mm wider than its sheet says.")


def test_what_was_paid_belongs_to_its_study_and_date(client: Client, study: str, path: str) -> None:
    def paid(of: str) -> list[float | None]:
        units = client.get(f"/api/studies/{of}/receive")["units"]
        return [u["price_paid"] for u in units if path.endswith(u["machine"]["unit_id"])]

    unit = next(u for u in client.get(f"/api/studies/{study}/receive")["units"] if path.endswith(u["machine"]["unit_id"]))  # fmt: skip
    client.send("PUT", path, {"version": unit["version"], "price_paid": 300})
    plan = client.get(f"/api/studies/{study}/plan")
    later = new()
    view = client.send("POST", "/api/studies", {"id": later, "title": "Later", "question": "And now?"})
    client.send("PUT", f"/api/studies/{later}/plan", {
        "version": view["version"], "question": "", "policies": view["policies"], "repeats": 1, "arms": [
            {"name": "Stock", "lines": [{k: plan["arms"][0]["lines"][0][k] for k in ("artifact", "spool_id", "copies")}]}],
        "candidates": plan["candidates"]})  # fmt: skip
    # A new study begins with what is known, and its own price is its own.
    assert paid(later) == [300]
    mine = path.replace(study, later)
    version = next(u for u in client.get(f"/api/studies/{later}/receive")["units"] if path.endswith(u["machine"]["unit_id"]))["version"]  # fmt: skip
    client.send("PUT", mine, {"version": version, "price_paid": 249})
    assert (paid(later), paid(study)) == ([249], [300])
