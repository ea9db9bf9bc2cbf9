"""Databases that earlier versions made come along whole: a small study of each is opened by this one."""

import subprocess
from collections.abc import Callable
from dataclasses import replace
from datetime import UTC, datetime
from pathlib import Path

import pytest
from sqlalchemy import text

from crevlo.cli.cluster import APP_ROLE
from crevlo.core.package.archive import packed, unpacked
from crevlo.core.package.verify import verify
from crevlo.store.database import connect, migrate
from tests.conftest import Bench
from tests.small import new
from tests.states import SLICED

LANDED = Path(__file__).parent / "landed"


@pytest.fixture
def opened(copy_of: Callable[[str], str], as_owner: Callable[[str], str], drop: Callable[[str], None]):
    """Opens the dump of a version as this version would."""
    made: list[Bench] = []

    def open_(version: str) -> Bench:
        url = copy_of("template0")
        owner = as_owner(url)
        dump = ["-v", "ON_ERROR_STOP=1", "-q", "-f", str(LANDED / f"{version}.sql")]
        subprocess.run(
            ["psql", "-X", *dump, "-d", owner.replace("+psycopg", "")], check=True, stdout=subprocess.DEVNULL
        )
        engine = connect(owner)
        migrate(engine, APP_ROLE)
        engine.dispose()
        made.append(Bench(url))
        return made[-1]

    yield open_
    for bench in made:
        bench.close()
        drop(bench.url)


def test_a_measured_study_of_the_last_version_ranks_as_it_did(opened) -> None:
    reviewer = opened("0008").as_("reviewer")
    study = reviewer.get("/api/studies")["studies"][0]["id"]
    rank = reviewer.send("POST", f"/api/studies/{study}/rank", {})
    assert [c["code"] for c in rank["criteria"]] == [
        "off.mean", "repeatability", "defects", "success", "time", "cost", "energy", "noise"]  # fmt: skip
    assert rank["criteria"][0]["points"] == [{"raw": 0.2, "value": 0}, {"raw": 0.02, "value": 100}]
    assert (rank["currency"], rank["missing_cells"]) == ("CHF", 14)
    units = {u["machine"]["name"]: u for u in reviewer.get(f"/api/studies/{study}/receive")["units"]}
    assert {n: (u["price_paid"], u["currency"]) for n, u in units.items()} == {
        "Mesa": (400, "CHF"), "Sparrow": (520, "CHF")}  # fmt: skip
    assert {s["currency"] for s in reviewer.get("/api/library")["spools"]} == {"CHF"}
    queue = reviewer.get(f"/api/studies/{study}/measure")["queue"]
    assert all(line["done"] == line["due"] == 11 for line in queue)
    off = sorted(
        round(reviewer.get(f"/api/specimens/{line['id']}")["features"][0]["off"]["value"], 2) for line in queue
    )
    assert off == [0.05, 0.12]


def test_a_study_of_a_version_further_back_goes_on_from_where_it_was(opened) -> None:
    reviewer = opened("0005").as_("reviewer")
    study = reviewer.get("/api/studies")["studies"][0]["id"]
    jobs = reviewer.get(f"/api/studies/{study}/print")["jobs"]
    assert len(jobs) == 2
    reviewer.send("PUT", f"/api/jobs/{jobs[0]['id']}/file", content=SLICED, id=new(), name="a.gcode")
    begun = reviewer.send("POST", f"/api/jobs/{jobs[0]['id']}/runs", {
        "id": new(), "deviation_reason": "as it was planned"})  # fmt: skip
    assert begun["runs"][-1]["outcome"] is None
    assert reviewer.send("POST", f"/api/studies/{study}/rank", {})["cells"] == 16


def test_energy_with_a_gap_keeps_what_it_had_left_unknown(opened) -> None:
    bench = opened("0009")
    with bench.engine.connect() as db:
        kept = db.execute(
            text("select energy_kwh, energy_low_kwh, energy_high_kwh, energy_u_kwh, energy_from from run order by energy_u_kwh desc")
        ).all()  # fmt: skip
    # One of four runs has a trace with a gap of 100 s at 100 W; the others were typed.
    assert len(kept) == 4
    assert tuple(kept[0]) == (
        pytest.approx(0.098611, abs=1e-6), pytest.approx(0.097222, abs=1e-6), pytest.approx(0.1), pytest.approx(0.000802, abs=1e-6), "trace")  # fmt: skip
    assert {(u, source) for _, _, _, u, source in kept[1:]} == {(0, "meter")}
    reviewer = bench.as_("reviewer")
    study = reviewer.get("/api/studies")["studies"][0]["id"]
    rank = reviewer.send("POST", f"/api/studies/{study}/rank", {})
    raw = {s["machine"]["name"]: {c["code"]: c["raw"] for c in s["contributions"]} for s in rank["standings"]}
    assert raw["Mesa"]["off.mean"]["value"] == pytest.approx(0.05, abs=1e-6)
    assert raw["Sparrow"]["off.mean"]["value"] == pytest.approx(0.12, abs=1e-6)
    assert raw["Mesa"]["energy"]["high"] > raw["Mesa"]["energy"]["value"]
    assert [r["rate"] for r in reviewer.get("/api/rates")["rates"]] == [0.94]


def test_a_pause_that_was_marked_is_no_printing_any_more(opened) -> None:
    reviewer = opened("0010").as_("reviewer")
    study = reviewer.get("/api/studies")["studies"][0]["id"]
    jobs = {j["machine"]["name"]: j for j in reviewer.get(f"/api/studies/{study}/print")["jobs"]}
    runs = {name: reviewer.get(f"/api/jobs/{j['id']}") for name, j in jobs.items()}
    mesa, sparrow = (runs[name]["runs"][-1] for name in ("Mesa", "Sparrow"))
    assert (mesa["paused_s"], sparrow["paused_s"]) == (900, 0)
    for view, run in ((runs["Mesa"], mesa), (runs["Sparrow"], sparrow)):
        assert (view["parts"], run["parts"], run["has_file"], run["from_paper"]) == (1, 1, True, False)
        assert run["recorded_at"] == run["started_at"]
    unit = jobs["Mesa"]["machine"]["unit_id"]
    source = reviewer.send("POST", f"/api/studies/{study}/units/{unit}/rank-source", {"criterion": "time"})
    assert source["entries"][0]["amount"].startswith(f"done, {mesa['took_s'] / 3600 - 0.25:.2f} h")
    queue = reviewer.get(f"/api/studies/{study}/measure")["queue"]
    assert all(line["done"] == line["due"] for line in queue)


def test_what_was_published_is_verified_and_held_against_what_came_after(opened) -> None:
    bench = opened("0016")
    reviewer = bench.as_("reviewer")
    study = reviewer.get("/api/studies")["studies"][0]["id"]
    [revision] = reviewer.get(f"/api/studies/{study}/holds")["revisions"]
    assert revision["says"].startswith("Revision 1 still holds")
    assert reviewer.http.get(f"/api/revisions/{revision['revision_id']}/cards").status_code == 200
    assert reviewer.http.get(f"/api/revisions/{revision['revision_id']}/report.xlsx").status_code == 200
    found = verify(unpacked(reviewer.http.get(f"/api/revisions/{revision['revision_id']}/package.zip").content))
    assert (found.differences, found.rankings) == ((), 1)
    # A price that falls under the limit brings back whom it had left out.
    units = {
        u["machine"]["name"]: u["machine"]["unit_id"] for u in reviewer.get(f"/api/studies/{study}/receive")["units"]
    }
    model = reviewer.get(f"/api/units/{units['Dear']}/life")["model_id"]
    reviewer.send("POST", f"/api/models/{model}/prices", {
        "id": new(), "price": 200, "currency": "EUR", "source": "a shop", "priced_on": str(datetime.now(UTC).date())})  # fmt: skip
    [after] = reviewer.get(f"/api/studies/{study}/holds")["revisions"]
    assert (after["holds"], "Dear" in after["buyers"][0]["now"]) == (False, True)
    # So does its page for readers, by the must-haves that it was published with and without them.
    with bench.engine.connect() as db:
        key = db.execute(text("select key from reader_page")).scalar_one()
    page = bench.anyone().get(f"/api/readers/{key}")
    [buyer] = page["buyers"]
    assert len(buyer["must_haves"]) == 2
    kept, free = (
        bench.anyone().send("POST", f"/api/readers/{key}/rank", {"buyer": buyer["name"], "keep_must_haves": keep})
        for keep in (True, False)
    )
    assert [m["name"] for m in kept["left_out"]] == ["Dear"]
    assert free["left_out"] == []
    rank = reviewer.send("POST", f"/api/studies/{study}/rank", {})
    assert [(s["machine"]["name"], s["total"], s["missing"]) for s in rank["standings"]] == [
        ("Sparrow", 51.0, 7), ("Mesa no. 2", 50.0, 8)]  # fmt: skip
    assert {c["group_name"] for c in rank["criteria"]} == {""}


def test_a_package_of_the_first_format_is_worked_out_again() -> None:
    package = unpacked((LANDED / "package-1.zip").read_bytes())
    found = verify(package)
    assert (found.differences, found.stated) == ((), 2)
    assert "2 must-haves that no figure tells are taken as stated" in found.says
    again = packed(package)
    assert unpacked(again).tables == package.tables
    rows = [dict(r) for r in package.tables["rankings"]]
    rows[0]["low"] = 1.0
    assert verify(replace(package, tables={**package.tables, "rankings": rows})).differ == 1
