"""The table of results: artifact by machine, by configuration, by arm; units of one model and a unit that was replaced."""

import csv
import io
import uuid

import pytest
from openpyxl import load_workbook

from crevlo.core.units import Between
from crevlo.sim import device
from crevlo.sim.client import ApiError, Client
from crevlo.stations.library.unit import nth_unit
from crevlo.stations.rank.results import say_units
from crevlo.store.database import sessions
from tests.conftest import Bench
from tests.small import draft_study, new
from tests.states import Turned, make

GOOD, BAD = Turned(off_mm=0.02, severity=0, minutes=50), Turned(off_mm=0.3, severity=4, minutes=90)


@pytest.fixture
def client(bench: Bench) -> Client:
    return bench.as_("reviewer")


def rows_of(piece: dict) -> dict[str, dict]:
    return {r["code"]: r for r in piece["rows"]}


def test_each_piece_says_what_it_told_and_took_with_the_better_one_marked(bench: Bench, client: Client) -> None:
    study = make(client, {"Mesa": GOOD, "Sparrow": BAD, "Twin": GOOD}, copies=2)
    view = client.get(f"/api/studies/{study}/results")
    at = {c["name"]: k for k, c in enumerate(view["columns"])}
    (group,) = view["groups"]
    (piece,) = group["pieces"]
    rows = rows_of(piece)
    assert piece["artifact"] == "Step block"
    assert piece["rows"][0]["code"] == "off.mean"
    marks = {name: rows["off.mean"]["cells"][k]["place"] for name, k in at.items()}
    assert marks["Sparrow"] == "behind"
    assert sorted([marks["Mesa"], marks["Twin"]]) == ["better", "not told apart"]
    time = rows["time"]["cells"]
    assert (time[at["Sparrow"]]["text"], time[at["Sparrow"]]["place"]) == ("1.50", "behind")
    assert time[at["Mesa"]]["note"].startswith("est ")
    assert rows["energy"]["cells"][0]["text"] == "0.100"
    assert {c["place"] for c in rows["energy"]["cells"]} == {"not told apart"}
    assert rows["success"]["cells"][0]["text"] == "2 of 2"
    assert float(rows["grams"]["cells"][0]["text"]) > 0
    # A tolerance grade is a step: how near the next one is nobody knows.
    assert {c["place"] for c in rows["grade"]["cells"]} == {""}
    # One line alone is what the ranking has of all lines, where there is only one.
    rank = client.send("POST", f"/api/studies/{study}/rank", {})
    raw = {s["machine"]["name"]: {c["code"]: c["raw"] for c in s["contributions"]} for s in rank["standings"]}
    for name, k in at.items():
        assert rows["off.mean"]["cells"][k]["value"] == pytest.approx(raw[name]["off.mean"]["value"])
        assert rows["off.mean"]["cells"][k]["high"] == pytest.approx(raw[name]["off.mean"]["high"])
    every = {r["code"]: r for r in view["every"]}
    assert every["price"]["cells"][0]["text"] == "400"
    assert bench.as_("rater").http.get(f"/api/studies/{study}/results").status_code == 403
    pieces = client.get(
        f"/api/studies/{study}/results/pieces", artifact=piece["artifact_id"], spool=piece["spool_id"]
    )
    assert (pieces["columns"], pieces["needs"][:10]) == ([], "the reveal")
    client.send("POST", f"/api/studies/{study}/reveal")
    pieces = client.get(
        f"/api/studies/{study}/results/pieces", artifact=piece["artifact_id"], spool=piece["spool_id"]
    )
    assert [len(c["pieces"]) for c in pieces["columns"]] == [2, 2, 2]


def test_every_figure_leads_to_its_source_and_leaves_as_a_sheet(client: Client) -> None:
    study = make(client, {"Mesa": GOOD, "=Sparrow": BAD}, copies=2)
    view = client.get(f"/api/studies/{study}/results")
    piece = view["groups"][0]["pieces"][0]
    for k, column in enumerate(view["columns"]):
        path = f"/api/studies/{study}/units/{column['unit_id']}/result-source"
        for row in piece["rows"]:
            of = {"artifact": piece["artifact_id"], "spool": piece["spool_id"], "arm": piece["arm_id"]}
            source = client.get(path, code=row["code"], **of)
            assert column["name"] in source["title"]
            cell = row["cells"][k]
            if row["code"] not in ("success", "grams"):
                assert cell["text"].lstrip("+") in source["amount"].replace("-", "−")
        assert client.get(path, code="price")["amount"].startswith("400")
        with pytest.raises(ApiError, match="no such figure"):
            client.get(path, code="nonsense", artifact=piece["artifact_id"], spool=piece["spool_id"])
    text = client.http.get(f"/api/studies/{study}/results.csv").text
    table = list(csv.DictReader(io.StringIO(text)))
    assert len(table) == 2 * (len(piece["rows"]) + len(view["every"]))
    off = next(r for r in table if r["figure"] == piece["rows"][0]["name"] and r["machine"] == "Mesa")
    assert float(off["value"]) == pytest.approx(piece["rows"][0]["cells"][0]["value"])
    # A name that a spreadsheet would take for a formula is text.
    assert {r["machine"] for r in table} == {"Mesa", "'=Sparrow"}
    book = load_workbook(io.BytesIO(client.http.get(f"/api/studies/{study}/results.xlsx").content))
    assert book.sheetnames == ["Results", "Figures"]
    seen = list(book["Results"].iter_rows(values_only=True))
    assert seen[0][3:5] == ("Mesa", "'=Sparrow")
    assert any(row[0] == "Step block" and str(row[3]).startswith("● ") for row in seen)
    assert book["Figures"].max_row == len(table) + 1


def test_a_piece_printed_once_borrows_the_spread_of_the_others(client: Client) -> None:
    study = make(client, {"Mesa": GOOD, "Sparrow": BAD}, artifact=["SB", "SF"], copies=1)
    view = client.get(f"/api/studies/{study}/results")
    rows = [rows_of(p) for p in view["groups"][0]["pieces"]]
    # Nobody printed anything twice: what a single print took is shown, and that nobody knows how far it can be trusted.
    told = [c for r in rows for c in r["time"]["cells"]]
    assert {c["text"] for c in told} == {"0.83", "1.50"}
    assert {(c["spread"], c["place"], c["needs"]) for c in told} == {
        ("spread not known", "", "a second copy on some machine, to know the spread")}  # fmt: skip
    jobs = client.get(f"/api/studies/{study}/print")["jobs"]
    job = next(j for j in jobs if j["artifact"] == view["groups"][0]["pieces"][0]["artifact"])
    extra = new()
    client.send("POST", f"/api/jobs/{job['id']}/more", {
        "id": extra, "kind": "an extra copy", "counts": True, "reason": "to know the spread"})  # fmt: skip
    view = client.send(
        "PUT",
        f"/api/jobs/{extra}/file",
        content=device.sliced_file("step-block-a-0.20-absolute"),
        id=new(),
        name="a.gcode",
    )
    run = client.send("POST", f"/api/jobs/{extra}/runs", {
        "id": new(), "deviation_reason": "accepted" if view["file"]["deviations"] else ""})["runs"][-1]  # fmt: skip
    client.send("POST", f"/api/runs/{run['id']}/end", {"version": run["version"], "outcome": "done"})
    pieces = client.get(f"/api/studies/{study}/results")["groups"][0]["pieces"]
    assert all(c["spread"].startswith("± ") for p in pieces for c in rows_of(p)["time"]["cells"])


def test_arms_stand_side_by_side_in_results_and_rank(client: Client) -> None:
    study = make(client, {"Mesa": GOOD, "Sparrow": BAD}, copies=2, own_arm=True)
    view = client.get(f"/api/studies/{study}/results")
    assert view["sides"] == ["machine", "arm"]
    assert [g["title"].rsplit(", ", 1)[1] for g in view["groups"]] == ["Stock", "Own profiles"]
    by_arm = client.get(f"/api/studies/{study}/results", by="arm")
    assert [c["name"] for c in by_arm["columns"]] == [
        "Mesa, Stock", "Mesa, Own profiles", "Sparrow, Stock", "Sparrow, Own profiles"]  # fmt: skip
    assert len(by_arm["groups"]) == 1
    rank = client.send("POST", f"/api/studies/{study}/rank", {"by": "arm"})
    assert rank["sides"] == ["machine", "arm"]
    assert {s["machine"]["name"] for s in rank["standings"]} == {c["name"] for c in by_arm["columns"]}
    stock = client.send("POST", f"/api/studies/{study}/rank", {})
    first = next(s for s in rank["standings"] if s["machine"]["name"] == "Mesa, Stock")
    alone = next(s for s in stock["standings"] if s["machine"]["name"] == "Mesa")
    values = lambda s: {c["code"]: c["raw"]["value"] for c in s["contributions"] if c["code"] != "cost"}  # noqa: E731
    assert values(first) == pytest.approx(values(alone))
    unit = first["machine"]["unit_id"]
    source = client.send("POST", f"/api/studies/{study}/units/{unit}/rank-source", {"by": "arm", "criterion": "time"})
    assert source["title"].endswith("Mesa, Stock")
    assert len(source["entries"]) == 2
    # At Cost too each arm stands with its own prints, and every bead leads to them.
    cost = client.get(f"/api/studies/{study}/cost", by="arm")
    assert {m["machine"]["name"] for m in cost["machines"]} == {s["machine"]["name"] for s in rank["standings"]}
    assert (cost["sides"], cost["by"]) == (["machine", "arm"], "arm")
    mine = next(m for m in cost["machines"] if m["machine"]["name"] == "Mesa, Stock")
    assert sum(p["amount"] for p in mine["parts"]) == pytest.approx(mine["total"]["value"])
    assert mine["tries"] == 2
    source = client.get(f"/api/studies/{study}/units/{unit}/cost-source", part="machine", by="arm")
    assert source["title"] == "Machine, Mesa, Stock"
    assert len(source["entries"]) == 2
    schools = client.send("POST", f"/api/studies/{study}/schools", {"by": "arm"})
    assert [m["name"] for m in schools["machines"]] == [s["machine"]["name"] for s in rank["standings"]]


def test_a_machine_before_and_after_a_change_stands_as_two(client: Client) -> None:
    study = make(
        client, {"Mesa": GOOD, "Sparrow": BAD}, copies=4, unprinted=["Mesa"], measured=False, inspected=False
    )
    unit = next(
        u["machine"]["unit_id"]
        for u in client.get(f"/api/studies/{study}/receive")["units"]
        if u["machine"]["name"] == "Mesa"
    )
    mine = [j for j in client.get(f"/api/studies/{study}/print")["jobs"] if j["machine"]["name"] == "Mesa"]
    assert client.get(f"/api/studies/{study}/results")["sides"] == ["machine"]
    for at, job in enumerate(mine):
        if at == 2:
            client.send("POST", f"/api/studies/{study}/units/{unit}/configurations", {
                "id": new(), "nozzle_mm": 0.6, "firmware": "1", "plate": "steel", "profile_set": "stock", "reason": "a wider nozzle"})  # fmt: skip
        view = client.send(
            "PUT",
            f"/api/jobs/{job['id']}/file",
            content=device.sliced_file("step-block-a-0.20-absolute"),
            id=new(),
            name="a.gcode",
        )
        run = client.send("POST", f"/api/jobs/{job['id']}/runs", {
            "id": new(), "deviation_reason": "accepted" if view["file"]["deviations"] else ""})["runs"][-1]  # fmt: skip
        client.send("POST", f"/api/runs/{run['id']}/end", {"version": run["version"], "outcome": "done"})
    view = client.get(f"/api/studies/{study}/results", by="configuration")
    assert [c["name"] for c in view["columns"]] == ["Mesa, 1 as delivered", "Mesa, 2 a wider nozzle", "Sparrow"]
    counts = rows_of(view["groups"][0]["pieces"][0])["success"]["cells"]
    assert [c["text"] for c in counts] == ["2 of 2", "2 of 2", "4 of 4"]
    rank = client.send("POST", f"/api/studies/{study}/rank", {"by": "configuration"})
    assert {s["machine"]["name"] for s in rank["standings"]} == {c["name"] for c in view["columns"]}
    assert not any("kept apart" in words for words in rank["apart"])


def test_two_units_of_a_model_are_told_apart_and_one_can_take_anothers_place(client: Client) -> None:
    study = draft_study(client, ("Mesa", "Sparrow"), 2)
    plan = client.get(f"/api/studies/{study}/plan")
    mesa = plan["candidates"][0]
    draft = {k: plan[k] for k in ("version", "question", "policies", "repeats")} | {
        "arms": [{"name": a["name"], "slicing": a["slicing"], "lines": [
            {k: line[k] for k in ("artifact", "spool_id", "copies")} for line in a["lines"]]} for a in plan["arms"]]}  # fmt: skip
    with pytest.raises(ApiError, match="There is one unit of this model; the next is number 2"):
        client.send(
            "PUT", f"/api/studies/{study}/plan", draft | {"candidates": [*plan["candidates"], mesa | {"unit": 3}]}
        )
    with pytest.raises(ApiError, match="listed twice"):
        client.send("PUT", f"/api/studies/{study}/plan", draft | {"candidates": [*plan["candidates"], mesa]})
    plan = client.send(
        "PUT", f"/api/studies/{study}/plan", draft | {"candidates": [*plan["candidates"], mesa | {"unit": 2}]}
    )
    assert [c["unit"] for c in plan["candidates"]] == [1, 1, 2]
    assert [r["machine"]["name"] for r in plan["coverage"]] == ["Mesa", "Sparrow", "Mesa no. 2"]
    assert client.get(f"/api/studies/{study}/protocol.json")["candidates"][2] == {
        "model": "Mesa",
        "is_control": False,
        "unit": 2,
    }
    unit = plan["coverage"][0]["machine"]["unit_id"]
    with pytest.raises(ApiError, match="choose another unit at Plan"):
        client.send("POST", f"/api/studies/{study}/units/{unit}/replacement", {"id": new(), "reason": "bent frame"})
    client.send("POST", f"/api/studies/{study}/freeze", {})
    units = {u["machine"]["name"]: u for u in client.get(f"/api/studies/{study}/receive")["units"]}
    second = units["Mesa no. 2"]
    path = f"/api/studies/{study}/units/{second['machine']['unit_id']}"
    with pytest.raises(ApiError, match="Another unit of this model is called so"):
        client.send("PUT", path, {"version": second["version"], "label": ""})
    client.send("PUT", path, {"version": second["version"], "label": "from the fair", "price_paid": 300})
    mesa, unit = (units[n]["machine"]["unit_id"] for n in ("Mesa", "Sparrow"))
    both = client.get(f"/api/studies/{study}/compare", first=mesa, second=second["machine"]["unit_id"])
    apart = client.get(f"/api/studies/{study}/compare", first=mesa, second=unit)
    assert "units of Mesa: what differs here is the unit, not the design" in both["how"]
    assert "units of" not in apart["how"]
    assert client.get(f"/api/studies/{study}/results")["units"] == [
        "The 2 units of Mesa cannot be told apart yet: that needs copies of both."
    ]
    view = client.send(
        "POST", f"/api/studies/{study}/units/{unit}/replacement", {"id": new(), "reason": "bent frame"}
    )
    now = {u["machine"]["name"]: u for u in view["units"]}
    assert list(now) == ["Mesa", "Sparrow", "Mesa from the fair", "Sparrow no. 2"]
    assert now["Sparrow"]["replaced"] == "Sparrow no. 2: bent frame"
    with pytest.raises(ApiError, match="replaced already"):
        client.send("POST", f"/api/studies/{study}/units/{unit}/replacement", {"id": new(), "reason": "again"})
    jobs = client.get(f"/api/studies/{study}/print")["jobs"]
    waiting = [j for j in jobs if j["machine"]["name"] == "Sparrow no. 2"]
    assert len(waiting) == 2
    assert not [j for j in jobs if j["machine"]["name"] == "Sparrow" and j["state"] != "cannot"]
    rank = client.send("POST", f"/api/studies/{study}/rank", {})
    names = {s["machine"]["name"] for s in rank["standings"]} | {m["machine"]["name"] for m in rank["left_out"]}
    assert names == {"Mesa", "Mesa from the fair", "Sparrow no. 2"}
    assert any(w.startswith("Sparrow was replaced by Sparrow no. 2: bent frame.") for w in rank["apart"])
    assert "Sparrow is replaced by Sparrow no. 2" in client.get(f"/api/studies/{study}/plan")["deviations"][0]["what"]


def test_any_of_the_many_units_that_came_of_a_model_over_the_years_is_tested(bench: Bench, client: Client) -> None:
    study = draft_study(client, ("Mesa", "Sparrow"))
    plan = client.get(f"/api/studies/{study}/plan")
    mesa = plan["candidates"][0]
    with sessions(bench.engine).begin() as session:
        for number in range(2, 61):
            nth_unit(session, uuid.UUID(mesa["model_id"]), number)
    draft = {k: plan[k] for k in ("version", "question", "policies", "repeats")} | {
        "arms": [{"name": a["name"], "slicing": a["slicing"], "lines": [
            {k: line[k] for k in ("artifact", "spool_id", "copies")} for line in a["lines"]]} for a in plan["arms"]]}  # fmt: skip
    plan = client.send(
        "PUT", f"/api/studies/{study}/plan", draft | {"candidates": [mesa | {"unit": 60}, plan["candidates"][1]]}
    )
    assert [r["machine"]["name"] for r in plan["coverage"]] == ["Mesa no. 60", "Sparrow"]
    assert client.get(f"/api/studies/{study}/plan")["candidates"][0]["unit"] == 60
    client.send("POST", f"/api/studies/{study}/freeze", {})
    unit = client.get(f"/api/studies/{study}/plan")["coverage"][0]["machine"]["unit_id"]
    path = f"/api/studies/{study}/units/{unit}/replacement"
    client.send("POST", path, {"id": new(), "reason": "bent frame", "unit": 59})
    said = client.get(f"/api/studies/{study}/plan")["deviations"][0]["what"]
    assert "Mesa no. 60 is replaced by Mesa no. 59" in said


def test_what_units_of_a_model_differ_in_is_said_in_every_case() -> None:
    def between(code: str, spread: float, differs: bool) -> Between:
        return Between(code, spread, 0.001 if differs else 0.4, differs)

    name = "The 2 units of Mesa"
    same, slower = between("off.mean", 0.0, False), between("time", 0.21, True)
    assert say_units(name, []) == f"{name} cannot be told apart yet: that needs copies of both."
    assert (
        say_units(name, [same])
        == f"{name} do not differ in the one figure that is known by more than their copies do."
    )
    assert say_units(name, [same, same]) == f"{name} do not differ in any of 2 figures by more than their copies do."
    assert say_units(name, [slower]) == f"{name} differ beyond their copies in print time (by 0.21 h)."
    assert say_units(name, [slower, same]).endswith("(by 0.21 h); in one other they do not.")
    shaken = between("damping", 0.02, True)
    assert say_units(name, [shaken, slower, same, same]) == (
        f"{name} differ beyond their copies in damping of the ringing (by 0.020), print time (by 0.21 h); in 2 others they do not."
    )
