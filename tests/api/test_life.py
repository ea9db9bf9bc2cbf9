"""The log that goes on: a unit's life, prices over time, re-tests, and verdicts that no longer hold."""

from datetime import UTC, datetime, timedelta

import icalendar
import pytest

from crevlo.sim.client import ApiError, Client
from tests.api.test_publish import publish, revision
from tests.conftest import Bench
from tests.small import new
from tests.states import Turned, make, print_again

TODAY = datetime.now(UTC).date()


@pytest.fixture
def client(bench: Bench) -> Client:
    return bench.as_("reviewer")


def units_of(client: Client, study: str) -> dict[str, dict]:
    return {u["machine"]["name"]: u for u in client.get(f"/api/studies/{study}/receive")["units"]}


def log(client: Client, study: str, unit: dict, kind: str, words: str = "", days: float = 0, **more) -> None:
    at = (datetime.now(UTC) - timedelta(days=days)).isoformat()
    client.send("POST", f"/api/studies/{study}/units/{unit['machine']['unit_id']}/log", {
        "id": new(), "kind": kind, "words": words, "at": at, **more})  # fmt: skip


def model_of(client: Client, unit: dict) -> str:
    return client.get(f"/api/units/{unit['machine']['unit_id']}/life")["model_id"]


def test_a_units_life_tells_its_hours_faults_wear_and_upkeep_over_its_studies(client: Client) -> None:
    study = make(client, {"Mesa": Turned(), "Sparrow": Turned()}, copies=2, title="First")
    make(client, {"Mesa": Turned(minutes=70), "Sparrow": Turned()}, title="Second")
    mesa = units_of(client, study)["Mesa"]
    quiet = client.get(f"/api/units/{mesa['machine']['unit_id']}/life")
    assert (round(quiet["hours"], 1), quiet["hours_from"], quiet["faults"]) == (3.2, "of its prints", 0)
    assert quiet["upkeep"] == "not determined: needs a cost in its log"
    assert [s["title"] for s in quiet["studies"]] == ["Second", "First"]
    assert [(s["prints"], s["good"]) for s in quiet["studies"]] == [(1, 1), (2, 2)]
    assert any(f["name"] == "Print time" for f in quiet["studies"][1]["figures"])
    for days, hours in ((300, 0.0), (100, 200.0), (0.5, 400.0)):
        log(client, study, mesa, "hours", days=days, hours=hours)
    for hours in (120.0, 240.0, 355.0):
        log(client, study, mesa, "part replaced", "nozzle", days=1, hours=hours, cost=12)
    for hours in (300.0, 330.0, 350.0, 370.0, 380.0, 395.0):
        log(client, study, mesa, "fault", "skipped steps", days=1, hours=hours)
    life = client.get(f"/api/units/{mesa['machine']['unit_id']}/life")
    assert life["hours_from"] == "by its own counter"
    assert life["hours"] == pytest.approx(400, abs=1)
    assert life["wear"] == [
        "nozzle: replaced 3 times, lasted 115 to 120 h; 45 h on the present one, due in about 73 h."
    ]
    assert life["upkeep"].startswith("0.090 EUR/h: 36.00 EUR in 400 h")

    # At Cost it counts where the study says so.
    def machine_time() -> float:
        costs = client.get(f"/api/studies/{study}/cost")
        return next(
            p["amount"]
            for m in costs["machines"]
            if m["machine"]["name"] == "Mesa"
            for p in m["parts"]
            if p["name"] == "machine"
        )

    basis, before = client.get(f"/api/studies/{study}/cost")["basis"], machine_time()
    client.send("PUT", f"/api/studies/{study}/cost", basis | {"upkeep_from_log": True})
    assert machine_time() - before == pytest.approx((0.09 - 0.05) * 1.0, rel=0.05)
    assert sum(s["faults"] for s in life["stretches"]) == life["faults"] == 6
    assert life["events"][0]["at"] >= life["events"][-1]["at"]


def test_prices_are_kept_by_day_and_a_table_is_taken_whole_or_not_at_all(client: Client) -> None:
    study = make(client, {"Mesa": Turned(), "Sparrow": Turned()}, printed=False)
    model = model_of(client, units_of(client, study)["Mesa"])
    path = f"/api/models/{model}"
    first = {"id": new(), "price": 499, "currency": "EUR", "priced_on": str(TODAY), "source": "its maker's shop"}
    client.send("POST", f"{path}/prices", first)
    again = client.send("POST", f"{path}/prices", first | {"id": new(), "price": 479})
    assert [p["price"] for p in again["prices"]] == [479]
    for words, why in (
        ("day,price\n2026-10-01,499\n2026-10-xx,450", "Line 3"),
        ("2026-10-01 499", "Line 1"),
        ("2099-01-01,499", "not come yet"),
        ("day;price", "no day with a price"),
        ("2026-10-01,-4", "Line 1"),
    ):
        with pytest.raises(ApiError, match=why):
            client.send("POST", f"{path}/price-table", {"words": words, "currency": "EUR", "source": "a list"})
    told = client.send("POST", f"{path}/price-table", {
        "words": "Day;Price;Where\n2026-10-01;1.099,50;a dealer\n05.09.2026;529\n", "currency": "EUR", "source": "a list"})  # fmt: skip
    assert [(p["priced_on"], p["price"], p["source"]) for p in told["prices"][1:]] == [
        ("2026-10-01", 1099.5, "a dealer"), ("2026-09-05", 529, "a list")]  # fmt: skip
    with pytest.raises(ApiError, match="not come yet"):
        client.send("POST", f"{path}/prices", first | {"id": new(), "priced_on": str(TODAY + timedelta(days=9))})


def test_a_published_verdict_says_that_it_holds_and_since_what_it_does_not(bench: Bench, client: Client) -> None:
    study = make(client, {"Mesa": Turned(minutes=45, off_mm=0.02, severity=0, noise_db=42, watt_hours=60), "Sparrow": Turned(minutes=100, off_mm=0.15, severity=3)}, copies=2,
                 buyer=[{"kind": "price", "limit": 450}])  # fmt: skip
    assert client.get(f"/api/studies/{study}/holds")["needs"] == "a revision that was published with its data"
    publish(client, study)

    def now() -> dict:
        [found] = client.get(f"/api/studies/{study}/holds")["revisions"]
        return found

    fresh = now()
    assert (fresh["holds"], fresh["since"], fresh["beside"]) == (True, [], [])
    assert "still holds" in fresh["says"]
    was = fresh["buyers"][0]["was"]
    assert was == "Mesa"
    units = units_of(client, study)
    model = model_of(client, units["Mesa"])
    price = {
        "id": new(),
        "currency": "EUR",
        "source": "its maker's shop",
        "priced_on": str(TODAY),
    }
    client.send("POST", f"/api/models/{model}/prices", price | {"price": 405})
    assert now()["since"] == []
    client.send("POST", f"/api/models/{model}/prices", price | {"id": new(), "price": 620})
    turned = now()
    assert not turned["holds"]
    held = next(b for b in turned["buyers"] if not b["holds"])
    assert (held["was"], held["now"]) == ("Mesa", "Sparrow, without comparison")
    assert "the price of Mesa rose from 400 to 620 EUR (its maker's shop" in held["says"]
    assert "Mesa is left out now" in held["says"]
    client.send("POST", f"/api/models/{model}/prices", price | {"id": new(), "price": 400})
    assert now()["holds"]
    log(client, study, units["Mesa"], "smoke", "smoke from its supply")
    smoked = now()
    assert not smoked["holds"]
    assert "smoke from its supply" in smoked["since"][0]
    client.send(
        "POST", "/api/models", {"id": new(), "name": "Latecomer", "bed_x_mm": 200, "bed_y_mm": 200, "height_mm": 200}
    )
    assert now()["beside"] == ["Not in it, because it came later: Latecomer."]


def test_a_retest_tells_drift_from_spread_and_counts_in_the_verdict(client: Client) -> None:
    turned = {"Mesa": Turned(minutes=50, off_mm=0.03), "Sparrow": Turned(minutes=80)}
    study = make(client, turned, copies=3)
    kept = revision(publish(client, study), 1)
    again = client.send("POST", f"/api/revisions/{kept['id']}/retest", {"id": new(), "title": "After 150 h"})[
        "study_id"
    ]
    plan = client.get(f"/api/studies/{again}/plan")
    assert [c["model_id"] for c in plan["candidates"]] == [
        c["model_id"] for c in client.get(f"/api/studies/{study}/plan")["candidates"]
    ]
    assert plan["arms"][0]["lines"][0]["copies"] == 3
    [found] = client.get(f"/api/studies/{study}/holds")["revisions"]
    assert [(d["title"], d["needs"]) for d in found["drift"]] == [("After 150 h", "a good print")]
    print_again(client, again, {"Mesa": Turned(minutes=75, off_mm=0.03), "Sparrow": Turned(minutes=80)})
    [found] = client.get(f"/api/studies/{study}/holds")["revisions"]
    by_name = {u["name"]: u for u in found["drift"][0]["units"]}
    time = next(r for r in by_name["Mesa"]["rows"] if r["code"] == "time")
    assert time["drifted"]
    assert time["says"].startswith("+0.42 h")
    assert not any(r["drifted"] for r in by_name["Sparrow"]["rows"])
    assert "none of" in by_name["Sparrow"]["says"]
    assert found["since"] == ["Mesa was tested again in “After 150 h” and has other figures"]
    assert client.get(f"/api/units/{units_of(client, study)['Mesa']['machine']['unit_id']}/life")["studies"][0][
        "retest"
    ]


def test_what_is_due_is_told_and_goes_into_a_calendar(bench: Bench, client: Client) -> None:
    study = make(client, {"Mesa": Turned(), "Sparrow": Turned()}, copies=2)
    publish(client, study)
    units = units_of(client, study)
    assert [r["kind"] for r in client.get("/api/reminders")["due"]] == []
    instrument = client.get("/api/library")["instruments"][0]
    fields = ("id", "code", "kind", "unit", "resolution", "u_calibration", "repeatability", "certificate")
    client.send("PUT", f"/api/instruments/{instrument['id']}", {
        **{k: instrument[k] for k in fields}, "version": instrument["version"], "calibrated_on": str(TODAY - timedelta(days=360)), "valid_days": 365})  # fmt: skip
    mesa = units["Mesa"]["machine"]["unit_id"]
    life = client.get(f"/api/units/{mesa}/life")
    client.send(
        "PUT", f"/api/units/{mesa}/return", {"version": life["version"], "return_by": str(TODAY - timedelta(days=2))}
    )
    client.send("POST", f"/api/studies/{study}/units/{units['Sparrow']['machine']['unit_id']}/configurations", {
        "id": new(), "nozzle_mm": 0.4, "firmware": "2.1", "plate": "as delivered", "profile_set": "stock", "reason": "its maker's update"})  # fmt: skip
    due = {r["kind"]: r for r in client.get("/api/reminders")["due"]}
    assert due["goes back"]["over"]
    assert (TODAY + timedelta(days=5)).isoformat() == due["calibration"]["on"]
    assert due["re-test"]["words"].startswith("Test Sparrow of “Small” again: firmware 2.1, was ")
    events = icalendar.Calendar.from_ical(client.http.get("/api/reminders.ics").content).walk("VEVENT")
    assert {str(e["summary"]) for e in events} == {r["words"] for r in due.values()}
    # What is over stands on today, and every entry keeps its name when it is read again.
    assert min(e.decoded("dtstart") for e in events) == TODAY
    again = icalendar.Calendar.from_ical(client.http.get("/api/reminders.ics").content).walk("VEVENT")
    assert {str(e["uid"]) for e in events} == {str(e["uid"]) for e in again}
    assert bench.as_("rater").http.get("/api/reminders").status_code == 403
