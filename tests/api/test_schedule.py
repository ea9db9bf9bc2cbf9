"""A study's schedule over the API: made in the background, kept to by what happens, told in words where there is none."""

import threading
import time as clock
import uuid
from datetime import UTC, datetime, time, timedelta
from typing import Any

import icalendar
import pytest

from crevlo.jobs.carry_out import carry_out, take_up_abandoned
from crevlo.sim import device
from crevlo.sim.client import ApiError, Client
from crevlo.store.database import sessions
from tests.conftest import Bench
from tests.small import frozen_study, new

ALWAYS = [[{"opens": "00:00", "closes": "23:59"}]] * 7


def rules(client: Client, study: str, **change: Any) -> dict[str, Any]:
    path = f"/api/studies/{study}/bench-rules"
    return client.send("PUT", path, client.get(path) | {"week": ALWAYS} | change)


def made(bench: Bench, client: Client, study: str, seconds: int = 1) -> dict[str, Any]:
    """Asks for a schedule and is its worker: the finished work."""
    asked = client.send("POST", f"/api/studies/{study}/schedule", {"id": new(), "seconds": seconds})
    carry_out(sessions(bench.engine), uuid.UUID(asked["id"]))
    return client.get(f"/api/work/{asked['id']}")


def ten_in(days: int) -> datetime:
    """Ten o'clock at a bench whose clock shows UTC."""
    return datetime.combine(datetime.now(UTC).date() + timedelta(days=days), time(10), UTC)


def view(client: Client, study: str) -> dict[str, Any]:
    return client.get(f"/api/studies/{study}/schedule")


def at(iso: str) -> datetime:
    return datetime.fromisoformat(iso)


def by_job(schedule: dict[str, Any]) -> dict[str, dict[str, Any]]:
    return {s["job_id"]: s for s in schedule["slots"]}


def started(client: Client, job: str) -> dict[str, Any]:
    """The print's run, begun now from a sliced file."""
    client.send("PUT", f"/api/jobs/{job}/file", content=device.sliced_file("step-block-a-0.20-absolute"), id=new(), name="a.gcode")  # fmt: skip
    return client.send("POST", f"/api/jobs/{job}/runs", {"id": new(), "deviation_reason": "Start code."})["runs"][-1]


@pytest.fixture
def client(bench: Bench) -> Client:
    return bench.as_("reviewer")


def test_a_frozen_study_gets_times_hours_loads_and_chances(bench: Bench, client: Client) -> None:
    study = frozen_study(client, ("Mesa", "Sparrow", "Twin"), copies=2)
    units = [m["unit_id"] for m in view(client, study)["machines"]]
    rules(client, study, time_zone="Europe/Berlin", circuits=[{"name": "Wall", "limit_w": 900, "unit_ids": units}],
          week=[[{"opens": "08:00", "closes": "20:00"}]] * 7)  # fmt: skip
    work = made(bench, client, study)
    assert (work["state"], work["message"]) == ("done", "Plan 1 is made.")
    seen = view(client, study)
    plan = seen["schedule"]
    assert (len(plan["slots"]), seen["open_prints"], seen["stale"], seen["work"]) == (6, 6, [], None)
    ends = {}
    for s in sorted(plan["slots"], key=lambda s: s["start_at"]):
        phases = [s[k] for k in ("start_at", "hot_at", "print_at", "printed_at", "cool_at", "removal_at", "end_at")]
        assert [at(p) for p in phases] == sorted(at(p) for p in phases)
        for moment in ("start_at", "removal_at"):
            assert 8 <= at(s[moment]).hour < 20  # on the bench's own clock
        # No safety check has passed: nothing prints while nobody is there.
        assert at(s["printed_at"]).date() == at(s["start_at"]).date()
        for spool in s["spools"]:
            assert at(s["start_at"]) >= ends.get(spool, at(s["start_at"]))
            ends[spool] = at(s["end_at"])
    assert at(plan["slots"][0]["start_at"]) >= at(plan["dryings"][0]["end_at"])
    assert plan["circuits"][0]["peak_w"] <= 900
    assert at(plan["bound_at"]) <= at(plan["finish_at"]) == max(at(s["end_at"]) for s in plan["slots"])
    shares = [c["chance"] for c in plan["chances"]]
    assert shares == sorted(shares)
    assert plan["times_from"] == "6 by volume alone"
    # A sliced file knows better.
    job = plan["slots"][0]["job_id"]
    client.send("PUT", f"/api/jobs/{job}/file", content=device.sliced_file("step-block-a-0.20-absolute"), id=new(), name="a.gcode")  # fmt: skip
    made(bench, client, study)
    again = view(client, study)["schedule"]
    assert again["times_from"] == "1 by their sliced files, 5 by volume alone"
    stated = client.get(f"/api/jobs/{job}")["file"]["time_s"]
    slot = by_job(again)[job]
    assert 0 <= (at(slot["printed_at"]) - at(slot["print_at"])).total_seconds() - stated < 300


def test_the_past_is_kept_and_what_moved_says_why(bench: Bench, client: Client) -> None:
    study = frozen_study(client, ("Mesa", "Sparrow"), copies=2)
    rules(client, study)
    made(bench, client, study)
    before = by_job(view(client, study)["schedule"])
    first, second = sorted(before, key=lambda j: before[j]["start_at"])[:2]
    run = started(client, first)
    began = at(run["started_at"])
    made(bench, client, study)
    kept = by_job(view(client, study)["schedule"])
    assert view(client, study)["schedule"]["slots"][0]["state"] == "printing"
    # The running print is where it is; the next one waits until it is out of the machine with its spool.
    assert at(kept[first]["start_at"]) - began < timedelta(minutes=5)
    assert at(kept[second]["start_at"]) >= at(kept[first]["end_at"])
    client.send("POST", f"/api/runs/{run['id']}/end", {
        "version": run["version"], "outcome": "failed", "cause": "machine", "failed_at_percent": 20, "note": "Skipped"})  # fmt: skip
    stale = view(client, study)["stale"]
    assert any("failed and has no new time" in words for words in stale)
    client.send("PUT", f"/api/jobs/{first}/pin", {"start_at": ten_in(3).isoformat()})
    assert "Pins have changed." in view(client, study)["stale"]
    made(bench, client, study)
    plan = view(client, study)["schedule"]
    assert plan["number"] == 3
    moved = {m["job_id"]: m for m in plan["moved"]}
    assert moved[first]["why"] == "It failed and is printed again. Pinned there."
    assert at(by_job(plan)[first]["start_at"]) == ten_in(3)
    assert view(client, study)["stale"] == []
    # What is printed is no longer planned.
    done = sorted(by_job(plan), key=lambda j: by_job(plan)[j]["start_at"])[0]
    run = started(client, done)
    client.send("POST", f"/api/runs/{run['id']}/end", {"version": run["version"], "outcome": "done"})
    made(bench, client, study)
    assert done not in by_job(view(client, study)["schedule"])


def test_where_there_is_no_schedule_the_clash_is_said_and_nothing_is_kept(bench: Bench, client: Client) -> None:
    study = frozen_study(client, ("Mesa", "Sparrow", "Twin"), copies=8)
    rules(client, study, week=[[{"opens": "09:00", "closes": "09:25"}]] * 7)
    work = made(bench, client, study)
    assert work["state"] == "failed"
    assert "may not be left alone, but nobody is there for longer than 25 min at a time" in work["message"]
    tomorrow = datetime.now(UTC).date() + timedelta(days=1)
    nine = [[{"opens": "09:00", "closes": "17:30"}]] * 7
    rules(client, study, finish_by=tomorrow.isoformat(), week=nine)
    work = made(bench, client, study)
    assert work["state"] == "failed"
    assert "cannot all be kept" in work["message"]
    assert f"the study is finished by {tomorrow:%A %d %B}" in work["message"]
    seen = view(client, study)
    assert seen["schedule"] is None
    assert seen["work"]["message"] == work["message"]
    # Two prints pinned into each other on one machine.
    rules(client, study, finish_by=None)
    made(bench, client, study)
    slots = view(client, study)["schedule"]["slots"]
    one, other = [s for s in slots if s["unit_id"] == slots[0]["unit_id"]][:2]
    moment = ten_in(2)
    for slot, minutes in ((one, 0), (other, 20)):
        client.send("PUT", f"/api/jobs/{slot['job_id']}/pin", {"start_at": (moment + timedelta(minutes=minutes)).isoformat()})  # fmt: skip
    message = made(bench, client, study)["message"]
    assert message.count("is pinned to") == 2
    assert "Give up any one of them" in message
    assert view(client, study)["schedule"]["number"] == 1
    client.send("DELETE", f"/api/jobs/{one['job_id']}/pin")
    assert made(bench, client, study)["state"] == "done"
    with pytest.raises(ApiError, match="into the past"):
        client.send("PUT", f"/api/jobs/{one['job_id']}/pin", {"start_at": "2020-01-01T10:00:00+00:00"})


def test_the_work_is_asked_for_once_stopped_or_cancelled(bench: Bench, client: Client) -> None:
    study = frozen_study(client, ("Mesa", "Sparrow", "Twin"), copies=20)
    rules(client, study)
    asked = client.send("POST", f"/api/studies/{study}/schedule", {"id": new(), "seconds": 60})
    with pytest.raises(ApiError, match="worked on already"):
        client.send("POST", f"/api/studies/{study}/schedule", {"id": new()})
    assert client.send("POST", f"/api/work/{asked['id']}/wish", {"wish": "cancel"})["state"] == "cancelled"
    carry_out(sessions(bench.engine), uuid.UUID(asked["id"]))
    assert view(client, study)["schedule"] is None
    for wish, state in (("cancel", "cancelled"), ("enough", "done")):
        asked = client.send("POST", f"/api/studies/{study}/schedule", {"id": new(), "seconds": 60})
        worker = threading.Thread(target=carry_out, args=(sessions(bench.engine), uuid.UUID(asked["id"])))
        worker.start()
        until = clock.monotonic() + 20
        while not (now := client.get(f"/api/work/{asked['id']}"))["found"]:
            assert clock.monotonic() < until
            clock.sleep(0.1)
        assert now["state"] == "running"
        assert now["found"].startswith("through on")
        client.send("POST", f"/api/work/{asked['id']}/wish", {"wish": wish})
        worker.join(20)
        assert client.get(f"/api/work/{asked['id']}")["state"] == state
        assert (view(client, study)["schedule"] is not None) == (state == "done")
    # A worker that went away leaves nothing that runs forever.
    asked = client.send("POST", f"/api/studies/{study}/schedule", {"id": new()})
    with bench.engine.begin() as connection:
        connection.exec_driver_sql("update background_work set state = 'running' where state = 'waiting'")
    take_up_abandoned(sessions(bench.engine))
    assert "Ask for it again" in client.get(f"/api/work/{asked['id']}")["message"]


def test_the_day_the_sheet_and_the_calendar_say_the_same(bench: Bench, client: Client) -> None:
    study = frozen_study(client, ("Mesa", "Sparrow"), copies=1)
    with pytest.raises(ApiError, match="no schedule yet"):
        client.get(f"/api/studies/{study}/day")
    rules(client, study, time_zone="Asia/Tokyo")
    made(bench, client, study)
    plan = view(client, study)["schedule"]
    actions = []
    day = client.get(f"/api/studies/{study}/day")
    while True:
        actions += day["actions"]
        if not day["after"]:
            break
        day = client.get(f"/api/studies/{study}/day", day=day["after"])
    kinds = [a["kind"] for a in actions]
    assert (kinds.count("start"), kinds.count("remove"), kinds.count("dry")) == (2, 2, 1)
    # The spool is weighed as it moves on, and when it is through.
    assert [a["detail"] for a in actions if a["kind"] == "weigh"][-1] == "Its last print here."
    assert kinds.count("weigh") == 2
    starts = {a["job_id"]: a["at"] for a in actions if a["kind"] == "start"}
    assert starts == {s["job_id"]: s["start_at"] for s in plan["slots"]}
    assert all(a["at"].endswith("+09:00") for a in actions)
    answer = client.http.get(f"/api/studies/{study}/schedule.ics")
    calendar = icalendar.Calendar.from_ical(answer.content)
    events = list(calendar.walk("VEVENT"))
    busy = [e for e in events if e["TRANSP"] == "OPAQUE"]
    assert len({str(e["UID"]) for e in events}) == len(events)
    assert sorted(str(e["SUMMARY"]) for e in busy) == sorted(a["words"] for a in actions)
    assert {e.decoded("DTSTART") for e in busy} == {at(a["at"]) for a in actions}


def test_hours_are_checked_kept_with_their_version_and_carried_on_to_the_next_study(client: Client) -> None:
    study = frozen_study(client)
    path = f"/api/studies/{study}/bench-rules"
    fresh = client.get(path)
    for wrong, said in (
        ({"week": [[{"opens": "17:00", "closes": "09:00"}]] * 7}, "end before they begin"),
        ({"week": [[]] * 7}, "somebody is at the bench"),
        ({"time_zone": "Moon/Crater"}, "no time zone called"),
        ({"begin": "2027-02-01", "finish_by": "2027-01-01"}, "finished before it begins"),
    ):
        with pytest.raises(ApiError, match=said):
            client.send("PUT", path, fresh | wrong)
    kept = client.send("PUT", path, fresh | {"people": 3, "time_zone": "Europe/Lisbon", "finish_by": "2027-05-01"})
    with pytest.raises(ApiError, match="409"):
        client.send("PUT", path, fresh | {"people": 4})
    assert client.get(path) == kept
    next_study = client.send("POST", "/api/studies", {"id": new(), "title": "Next"})["id"]
    later = client.get(f"/api/studies/{next_study}/bench-rules")
    assert (later["people"], later["time_zone"], later["finish_by"]) == (3, "Europe/Lisbon", None)


def test_a_spool_dries_as_long_as_it_is_said_to_and_not_at_all_when_it_is_dry(bench: Bench, client: Client) -> None:
    study = frozen_study(client, ("Mesa", "Sparrow"))
    spool = view(client, study)["spools"][0]
    assert (spool["usual_h"], spool["dried_on"]) == (4, None)
    rules(client, study, drying=[{"spool_id": spool["spool_id"], "hours": 9}])
    made(bench, client, study)
    plan = view(client, study)["schedule"]
    (dried,) = plan["dryings"]
    assert at(dried["end_at"]) - at(dried["start_at"]) == timedelta(hours=9)
    assert min(at(s["start_at"]) for s in plan["slots"]) >= at(dried["end_at"])
    rules(client, study, drying=[{"spool_id": spool["spool_id"], "hours": 0}])
    assert "The rules of the bench have changed." in view(client, study)["stale"]
    made(bench, client, study)
    assert view(client, study)["schedule"]["dryings"] == []


def test_what_is_entered_late_counts_and_a_machine_prints_one_thing_at_a_time(bench: Bench, client: Client) -> None:
    study = frozen_study(client, ("Mesa", "Sparrow"), copies=2)
    rules(client, study)
    made(bench, client, study)
    plan = view(client, study)["schedule"]
    assert sorted(n for n in plan["notes"]) == [
        f"{name} has no attempt on record; its failures are not drawn." for name in ("Mesa", "Sparrow")
    ]
    first, *rest = plan["slots"]
    client.send("PUT", f"/api/jobs/{first['job_id']}/pin", {"start_at": ten_in(5).isoformat()})
    # Printed before the schedule was made, written down only now: done, and its pin is of no account.
    run = started(client, first["job_id"])
    client.send("POST", f"/api/runs/{run['id']}/end", {"version": run["version"], "outcome": "done"})
    seen = view(client, study)
    assert by_job(seen["schedule"])[first["job_id"]]["state"] == "done"
    assert "Pins have changed." not in seen["stale"]
    made(bench, client, study)
    assert len(view(client, study)["schedule"]["notes"]) == 1
    # Two runs of one spool are what happens; two on one machine cannot be.
    same = [s["job_id"] for s in rest if s["unit_id"] == rest[0]["unit_id"]]
    other = next(s["job_id"] for s in rest if s["unit_id"] != rest[0]["unit_id"])
    for job in (same[0], other):
        started(client, job)
    assert made(bench, client, study)["state"] == "done"
    if len(same) > 1:
        started(client, same[1])
    else:
        started(client, next(s["job_id"] for s in rest if s["job_id"] not in (same[0], other)))
    assert "has two prints running at once" in made(bench, client, study)["message"]


def test_failures_in_an_earlier_study_make_a_later_one_end_later(bench: Bench, client: Client) -> None:
    early = frozen_study(client, ("Mesa", "Sparrow"), copies=2)
    jobs = client.get(f"/api/studies/{early}/print")["jobs"]
    models = {m["name"]: m["id"] for m in client.get("/api/library")["models"]}
    spool = client.get(f"/api/studies/{early}/plan")["arms"][0]["lines"][0]["spool_id"]

    def later(title: str) -> dict[str, Any]:
        view_ = client.send("POST", "/api/studies", {"id": new(), "title": title, "seed": 5})
        client.send("PUT", f"/api/studies/{view_['id']}/plan", {
            "version": view_["version"], "question": "", "policies": view_["policies"], "repeats": 1,
            "arms": [{"name": "Stock", "lines": [{"artifact": "SB", "spool_id": spool, "copies": 3}]}],
            "candidates": [{"model_id": m} for m in models.values()]})  # fmt: skip
        client.send("POST", f"/api/studies/{view_['id']}/freeze", {})
        rules(client, view_["id"])
        made(bench, client, view_["id"])
        return view(client, view_["id"])["schedule"]

    def spread(plan: dict[str, Any]) -> timedelta:
        return at(plan["chances"][-1]["at"]) - at(plan["finish_at"])

    before = later("Before")
    for job in jobs:
        run = started(client, job["id"])
        client.send("POST", f"/api/runs/{run['id']}/end", {
            "version": run["version"], "outcome": "failed", "cause": "machine", "failed_at_percent": 50, "note": "Jam"})  # fmt: skip
    after = later("After")
    assert (len(before["notes"]), after["notes"]) == (2, [])
    assert spread(after) > spread(before)
