"""The bench as it is now, marks and photos of a run, finding a fault, labels."""

import io
import time
import uuid
from datetime import UTC, datetime, timedelta

import pytest
from PIL import Image

from crevlo.sim.client import ApiError, Client
from tests.api.test_ingest import Sender, add, run_for
from tests.conftest import Bench
from tests.small import frozen_study


def new() -> str:
    return str(uuid.uuid4())


@pytest.fixture
def client(bench: Bench) -> Client:
    return bench.as_("reviewer")


@pytest.fixture
def jobs(client: Client) -> list[dict]:
    study = frozen_study(client, frozen_at=datetime.now(UTC) - timedelta(days=1))
    lines = client.get(f"/api/studies/{study}/print")["jobs"]
    by_machine = {j["machine"]["name"]: j | {"study": study} for j in reversed(lines)}
    return [by_machine[name] for name in sorted(by_machine)]


def test_the_bench_shows_every_machine_and_says_which_needs_someone(
    bench: Bench, client: Client, jobs: list[dict]
) -> None:
    first, second = jobs
    study = first["study"]
    now = datetime.now(UTC)
    printer = Sender(bench, add(client, "printer", first["machine"]["unit_id"])["token"])
    meter = Sender(bench, add(client, "power meter", first["machine"]["unit_id"])["token"])
    rules = client.get(f"/api/studies/{study}/bench-rules")
    units = [j["machine"]["unit_id"] for j in jobs]
    client.send("PUT", f"/api/studies/{study}/bench-rules", rules | {
        "circuits": [{"name": "Wall", "limit_w": 300, "unit_ids": units}]})  # fmt: skip
    run = run_for(client, first, now - timedelta(minutes=20))
    begin = (now - timedelta(minutes=20)).timestamp()
    reports = [{"t": begin + t, "phase": p, "percent": c, "layer": 0, "bed_c": 60} for t, p, c in (
        (1, "levelling", 0), (60, "warm-up", 0), (300, "printing", 1), (900, "printing", 40), (1195, "printing", 55.5))]  # fmt: skip
    printer.send("printer", reports=reports)
    meter.send("power", t=[time.time() - 3, time.time() - 1], w=[120, 130])

    def live() -> dict:
        view = client.get(f"/api/studies/{study}/live")
        return view | {"by": {u["machine"]["name"]: u for u in view["units"]}}

    view = live()
    unit = view["by"][first["machine"]["name"]]
    assert (unit["phase"], unit["percent"], unit["power_w"]) == ("printing", 55.5, 130)
    assert not unit["urgent"]
    assert {p["phase"]: round(p["seconds"] / 10) for p in unit["run"]["phases"]} == {"levelling": 6, "warm-up": 24, "printing": 90}  # fmt: skip
    assert unit["run"]["left_s"] == pytest.approx((1 - 0.555) * unit["run"]["estimate_s"], rel=0.01)
    assert view["circuits"] == [
        {"name": "Wall", "limit_w": 300, "load_w": 130, "silent": [second["machine"]["name"]]}
    ]
    assert view["by"][second["machine"]["name"]]["run"] is None
    assert f"Slice step block 1 on {second['machine']['name']}" in [n["words"] for n in view["next"]]

    for report, urgent, words in (
        ({"phase": "cooling", "percent": 100, "bed_c": 52}, False, "let it cool first, the bed is at 52 °C"),
        ({"phase": "removal", "percent": 100, "bed_c": 30}, True, "take it off"),
        ({"phase": "filament change", "percent": 60}, True, "waits for filament"),
        ({"phase": "fault", "percent": 60, "message": "no filament at the sensor"}, True, "no filament at the sensor"),
    ):  # fmt: skip
        printer.send("printer", reports=[report | {"t": time.time()}])
        unit = live()["by"][first["machine"]["name"]]
        assert unit["urgent"] is urgent
        assert words in unit["needs"]
        assert live()["next"][0]["words"].startswith(first["machine"]["name"])
    client.send("POST", f"/api/runs/{run['id']}/end", {
        "version": run["version"], "outcome": "failed", "cause": "machine", "failed_at_percent": 60, "failed_at_layer": 130})  # fmt: skip
    ended = client.get(f"/api/jobs/{first['id']}")["runs"][-1]
    assert (ended["failed_at_layer"], ended["failed_at_percent"]) == (130, 60)
    power = client.get(f"/api/runs/{run['id']}/power")
    assert [s["phase"] for s in power["spans"]][:3] == ["levelling", "warm-up", "printing"]


def test_marks_by_hand_come_before_reports_and_are_corrected_not_changed(client: Client, jobs: list[dict]) -> None:
    begin = datetime.now(UTC) - timedelta(minutes=30)
    run = run_for(client, jobs[0], begin)
    path = f"/api/runs/{run['id']}/events"
    marks = {}
    for minutes, kind in ((0, "warm-up"), (5, "printing"), (12, "paused"), (15, "printing")):
        marks[minutes] = new()
        client.send("POST", path, {"id": marks[minutes], "kind": kind, "at": (begin + timedelta(minutes=minutes)).isoformat()})  # fmt: skip
    corrected = {"id": new(), "kind": "printing", "at": (begin + timedelta(minutes=6)).isoformat(), "supersedes_id": marks[5]}  # fmt: skip
    with pytest.raises(ApiError, match="reason"):
        client.send("POST", path, corrected)
    view = client.send("POST", path, corrected | {"reason": "the clock was read late"})
    assert [e["kind"] for e in view["runs"][-1]["events"]] == ["warm-up", "printing", "paused", "printing"]
    with pytest.raises(ApiError, match="meanwhile"):
        client.send("POST", path, corrected | {"id": new(), "reason": "again"})
    with pytest.raises(ApiError, match="outside the run"):
        client.send("POST", path, {"id": new(), "kind": "cooling", "at": (begin - timedelta(minutes=1)).isoformat()})
    # Pressed right after Start by a clock that is a moment off: it begins with the run.
    second = client.send(
        "POST", path, {"id": new(), "kind": "warm-up", "at": (begin - timedelta(seconds=2)).isoformat()}
    )
    assert datetime.fromisoformat(second["runs"][-1]["events"][0]["at"]) == begin
    live = client.get(f"/api/studies/{jobs[0]['study']}/live")["units"]
    phases = next(u["run"]["phases"] for u in live if u["run"])
    assert next(u["run"]["printed_at"] for u in live if u["run"]) is None
    # Through in the night, found in the morning: when it was through is offered as its end.
    through = begin + timedelta(minutes=24)
    client.send("POST", path, {"id": new(), "kind": "cooling", "at": through.isoformat()})
    later = client.get(f"/api/studies/{jobs[0]['study']}/live")["units"]
    offered = next(u["run"]["printed_at"] for u in later if u["run"])
    assert datetime.fromisoformat(offered) == pytest.approx(through, abs=timedelta(seconds=1))
    assert {p["phase"]: round(p["seconds"] / 60) for p in phases} == {"warm-up": 6, "printing": 21, "paused": 3}
    power = client.get(f"/api/runs/{run['id']}/power")
    assert "power meter" in power["needs"]
    assert power["spans_from"] == "marked at the machine"


def test_finding_a_fault_may_end_open_but_a_ruling_says_what_the_test_showed(
    client: Client, jobs: list[dict]
) -> None:
    run = run_for(client, jobs[0], datetime.now(UTC) - timedelta(minutes=30))
    client.send("POST", f"/api/runs/{run['id']}/end", {"version": 1, "outcome": "failed", "cause": "unknown"})
    view = client.send("POST", f"/api/runs/{run['id']}/hypotheses", {
        "id": new(), "claim": "Nozzle blocked", "test": "Pushed filament by hand at 220 °C"})  # fmt: skip
    entry = view["runs"][-1]["hypotheses"][0]
    ruled = {k: entry[k] for k in ("version", "claim", "test", "result")} | {"ruling": "ruled out"}
    with pytest.raises(ApiError, match="what the test showed"):
        client.send("PUT", f"/api/hypotheses/{entry['id']}", ruled)
    view = client.send("PUT", f"/api/hypotheses/{entry['id']}", ruled | {"result": "Flows freely."})
    assert view["runs"][-1]["hypotheses"][0]["ruling"] == "ruled out"
    with pytest.raises(ApiError, match="409"):
        client.send("PUT", f"/api/hypotheses/{entry['id']}", ruled | {"result": "Blocked."})


def picture(**save: object) -> bytes:
    out = io.BytesIO()
    Image.effect_noise((400, 300), 60).convert("RGB").save(out, "JPEG", **save)
    return out.getvalue()


def test_a_photo_keeps_the_picture_and_nothing_of_where_it_was_taken(bench: Bench, client: Client, jobs: list[dict]) -> None:  # fmt: skip
    exif = Image.Exif()
    exif[0x0112] = 6  # held upright: turned by a quarter
    exif[0x010F] = "a phone"
    exif.get_ifd(0x8825).update({1: "N", 2: (52.0, 31.0, 12.0), 3: "E", 4: (13.0, 24.0, 18.0)})
    content = picture(exif=exif, comment=b"bench in the cellar")
    assert b"a phone" in content
    unit = jobs[0]["machine"]["unit_id"]
    listed = client.send("PUT", f"/api/photos/{unit}", content=content, id=new(), caption="Dented foot")["photos"]
    assert [(p["width"], p["height"], p["caption"]) for p in listed] == [(300, 400, "Dented foot")]
    kept = client.http.get(f"/api/photos/{listed[0]['id']}/picture").content
    assert b"a phone" not in kept
    assert b"cellar" not in kept
    with Image.open(io.BytesIO(kept)) as seen:
        assert dict(seen.getexif()) == {}
        assert seen.size == (300, 400)
    assert bench.as_("rater").http.get(f"/api/photos/{listed[0]['id']}/picture").status_code == 404
    for bad in (b"", b"no picture", picture()[:200], b"<svg xmlns='http://www.w3.org/2000/svg'/>"):
        with pytest.raises(ApiError, match=r"422|400"):
            client.send("PUT", f"/api/photos/{unit}", content=bad, id=new())
    with pytest.raises(ApiError, match="404"):
        client.send("PUT", f"/api/photos/{new()}", content=content, id=new())


def test_labels_carry_the_blind_code_alone_until_it_is_measured(client: Client, jobs: list[dict]) -> None:
    study = jobs[0]["study"]
    assert client.http.get(f"/api/studies/{study}/labels.pdf").status_code == 404
    run = run_for(client, jobs[0], datetime.now(UTC) - timedelta(minutes=90))
    done = client.send("POST", f"/api/runs/{run['id']}/end", {"version": 1, "outcome": "done"})
    code = done["runs"][-1]["bag_code"]
    sizes = []
    for paper in ("roll", "sheet"):
        answer = client.http.get(f"/api/studies/{study}/labels.pdf", params={"code": code, "paper": paper})
        assert answer.headers["Content-Type"] == "application/pdf"
        assert answer.content.startswith(b"%PDF")
        sizes.append(len(answer.content))
        assert jobs[0]["machine"]["name"].encode() not in answer.content
    assert sizes[0] > 2000
    queue = client.get(f"/api/studies/{study}/measure")
    face = queue["artifacts"][0]["features"][0]["id"]
    client.send("POST", f"/api/specimens/{queue['queue'][0]['id']}/readings", {
        "id": new(), "feature_id": face, "repeat": 1, "instrument_id": queue["instruments"][0]["id"], "value": 40.01})  # fmt: skip
    answer = client.http.get(f"/api/studies/{study}/labels.pdf", params={"code": code})
    assert answer.status_code == 422
    assert "being measured" in answer.text


def test_what_is_long_past_or_of_another_study_is_told_apart_from_now(
    bench: Bench, client: Client, jobs: list[dict]
) -> None:
    unit = jobs[0]["machine"]
    made = add(client, "printer", unit["unit_id"])
    meter_made = add(client, "power meter", unit["unit_id"])
    printer, meter = Sender(bench, made["token"]), Sender(bench, meter_made["token"])

    def seen(study: str) -> dict:
        return next(u for u in client.get(f"/api/studies/{study}/live")["units"] if u["machine"]["unit_id"] == unit["unit_id"])  # fmt: skip

    # A fault of yesterday calls nobody while nothing runs.
    printer.send("printer", reports=[{"t": time.time() - 86_000, "phase": "fault", "message": "jam"}])
    assert (seen(jobs[0]["study"])["phase"], seen(jobs[0]["study"])["urgent"]) == (None, False)
    begin = datetime.now(UTC) - timedelta(minutes=40)
    run = run_for(client, jobs[0], begin)
    base = begin.timestamp()
    printer.send("printer", reports=[{"t": base + 60 * k, "phase": "printing", "percent": k} for k in range(30)])
    meter.send("power", t=[base + 10 * k for k in range(180)], w=[100.0] * 180)
    client.send("POST", f"/api/runs/{run['id']}/events", {"id": new(), "kind": "printing", "at": begin.isoformat()})
    printer.send("printer", reports=[{"t": time.time() - 1, "phase": "fault", "message": "jam"}])
    assert "jam" in seen(jobs[0]["study"])["needs"]  # whatever was marked by hand before
    # The same machine in another study: it is not idle there.
    client.send("POST", "/api/studies", {"id": (other := new()), "title": "Other", "question": "?", "seed": 6})
    plan = client.get(f"/api/studies/{other}/plan")
    models = {m["name"]: m["id"] for m in client.get("/api/library")["models"]}
    spool = client.get("/api/library")["spools"][0]["id"]
    client.send("PUT", f"/api/studies/{other}/plan", {
        "version": plan["version"], "question": "?", "policies": plan["policies"], "repeats": 1,
        "arms": [{"name": "Stock", "lines": [{"artifact": "SB", "spool_id": spool, "copies": 1}]}],
        "candidates": [{"model_id": m} for m in models.values()]})  # fmt: skip
    client.send("POST", f"/api/studies/{other}/freeze", {})
    assert seen(other)["elsewhere"] == "Small"
    # What the devices sent stays with the run when they are retired, or others take their place.
    client.send("POST", f"/api/runs/{run['id']}/end", {"version": 1, "outcome": "stopped"})
    before = client.get(f"/api/runs/{run['id']}/power")
    for device in (made, meter_made):
        client.send("POST", f"/api/devices/{device['id']}/retire", {})
    add(client, "power meter", unit["unit_id"])
    assert client.get(f"/api/runs/{run['id']}/power") == before
    assert before["kwh"] > 0
    listed = next(d for d in client.get("/api/devices")["devices"] if not d["retired"])
    with pytest.raises(ApiError, match="belongs to its machine"):
        client.send("PUT", f"/api/devices/{listed['id']}", {
            "version": listed["version"], "name": "Plug", "kind": "power meter", "unit_id": jobs[1]["machine"]["unit_id"]})  # fmt: skip
