"""A bench that was kept in a spreadsheet becomes a study, whole or not at all, and says where it came from."""

import io
import uuid
from itertools import product

import pytest
from openpyxl import Workbook

from crevlo.sim.client import ApiError, Client
from tests.conftest import Bench
from tests.small import new

HEAD = "date;machine;what;material;start;end;took;g model;g waste;kWh;dB (0.5 m);ok?;why not;stringing\n"
PRINTS = HEAD + (
    "02.05.2026;Mesa;clip;PLA;10:00;11:00;;5,5;;0,09;48;y;;1\n"
    "02.05.2026;Mesa;clip;PLA;12:00;12:30;;2;;0,04;;n;came loose;\n"
    "02.05.2026;Mesa;clip;PLA;13:00;14:04;;5,6;;0,10;49;y;;2\n"
    "03.05.2026;Sparrow;clip;PLA;10:00;11:30;;5,4;1,2;0,12;~52;y;;3\n"
    "03.05.2026;Sparrow;clip;PLA;12:00;13:36;;5,5;1,1;0,13;52-53;y;;3\n"
    "03.05.2026;Sparrow;rack;PETG;15:00;;soon;;;;;y;;\n"
)
SIZES = (
    ";X;;Y\nmachine;20;40;20\nMesa;20,02;40,03;20,01\nMesa;20,03;40,05;20,02\nSparrow;19,95;39,9;19,96\nMesa;20,03;40,05;20,02\n"
    "Sparrow;19,94;39,91;far\n"
)


@pytest.fixture
def client(bench: Bench) -> Client:
    return bench.as_("reviewer")


def take(client: Client, text: str, name: str = "notes.csv") -> dict:
    return client.send("PUT", "/api/old-benches/file", content=text.encode("cp1252"), name=name, zone="Europe/Berlin")


def wish(view: dict, **more: object) -> dict:
    return {
        "id": str(uuid.uuid4()), "sha256": view["sha256"], "name": view["name"], "zone": "Europe/Berlin",
        "title": "The old bench", "currency": "EUR", "price_per_kg": 20,
    } | more  # fmt: skip


BEDS = [{"machine": m, "size_mm": [220, 220, 250]} for m in ("Mesa", "Sparrow")]


def test_a_spreadsheet_is_shown_then_kept_as_a_study_with_all_its_figures(client: Client) -> None:
    view = take(client, PRINTS)
    assert [(m["name"], m["known"], m["prints"], m["good"]) for m in view["machines"]] == [
        ("Mesa", False, 3, 2), ("Sparrow", False, 2, 2)]  # fmt: skip
    assert (view["prints"], view["scores"], view["noise"], view["rows_left_out"]) == (5, 4, 4, 1)
    assert view["problems"][0] == {
        "sheet": "notes.csv", "cells": ["H7"], "more": 0, "typed": "", "row_left_out": True,
        "why": "neither an end nor how long it took is written"} or view["problems"][0]["row_left_out"]  # fmt: skip
    with pytest.raises(ApiError, match="How large is the bed of Mesa"):
        client.send("POST", "/api/old-benches", wish(view))
    assert client.get("/api/studies")["studies"] == []
    assert client.get("/api/library")["models"] == []  # nothing is half kept

    kept = client.send("POST", "/api/old-benches", wish(view, beds=BEDS, causes=[{"words": "came loose", "cause": "profile"}]))  # fmt: skip
    study = kept["study_id"]
    assert kept["prints"] == 5
    plan = client.get(f"/api/studies/{study}/plan")
    assert plan["entered_from"] == "notes.csv"
    assert plan["frozen_at"].startswith("2026-05-02T08:00")
    # Of what nobody wrote down the report claims nothing.
    report = client.http.get(f"/api/studies/{study}/draft.md").text
    assert (
        "none: imported from notes.csv; how it was sliced, dried, put in order and watched is not on record" in report
    )
    for claim in ("dried before use", "shuffled", "Blind codes", "slicer", "of every face"):
        assert claim not in report
    rank = client.send("POST", f"/api/studies/{study}/rank", {})
    raw = {s["machine"]["name"]: {c["code"]: c["raw"] for c in s["contributions"]} for s in rank["standings"]}
    assert raw["Mesa"]["time"]["value"] == pytest.approx((60 + 64) / 2 / 60)
    assert raw["Sparrow"]["energy"]["value"] == pytest.approx(0.125)
    assert raw["Mesa"]["success"]["value"] == pytest.approx(100 * 1.5 / 3)  # of first tries
    cost = {m["machine"]["name"]: m for m in client.get(f"/api/studies/{study}/cost")["machines"]}
    assert set(cost) == {"Mesa", "Sparrow"}
    job = next(j for j in client.get(f"/api/studies/{study}/print")["jobs"] if j["machine"]["name"] == "Mesa")
    tries = client.get(f"/api/jobs/{job['id']}")["runs"]
    assert all(r["from_paper"] for r in tries)
    assert client.get(f"/api/studies/{study}/inspect")["revealed_at"] is not None
    with pytest.raises(ApiError, match="already a study called"):
        client.send("POST", "/api/old-benches", wish(view, beds=BEDS))


def test_weighed_filament_costs_what_it_weighs(client: Client) -> None:
    content = book(
        Rigs="printer;price paid;bed;bought;nozzle\nMesa;300;220x220x250;2.1.2026;0,6\nsparrow;499,90;200 x 200 x 200;;",
        Log=PRINTS,
    )
    view = client.send("PUT", "/api/old-benches/file", content=content, name="all.xlsx", zone="Europe/Berlin")
    assert [m["bed_mm"] for m in view["machines"]] == [[220, 220, 250], [200, 200, 200]]
    study = client.send("POST", "/api/old-benches", wish(view))["study_id"]
    units = {u["machine"]["name"]: u for u in client.get(f"/api/studies/{study}/receive")["units"]}
    assert [units[m]["received_on"] for m in ("Mesa", "Sparrow")] == ["2026-01-02", None]
    record = client.get(f"/api/studies/{study}/units/{units['Mesa']['machine']['unit_id']}/record")
    assert record["configurations"][0]["nozzle_mm"] == 0.6
    per_part = {m["machine"]["name"]: m["each"] for m in client.get(f"/api/studies/{study}/batch")["machines"]}
    assert (per_part["Mesa"]["part_g"], per_part["Mesa"]["waste_g"]) == (pytest.approx(5.55), 0)
    assert (per_part["Sparrow"]["part_g"], per_part["Sparrow"]["waste_g"]) == (
        pytest.approx(5.45),
        pytest.approx(1.15),
    )


def book(**sheets: str) -> bytes:
    made = Workbook()
    made.remove(made.active)
    for name, text in sheets.items():
        sheet = made.create_sheet(name)
        for line in text.splitlines():
            sheet.append(line.split(";"))
    out = io.BytesIO()
    made.save(out)
    return out.getvalue()


def test_sizes_go_to_the_copies_of_the_piece_that_was_measured(client: Client) -> None:
    content = book(Prints=PRINTS, Calipers=SIZES)
    view = client.send("PUT", "/api/old-benches/file", content=content, name="all.xlsx", zone="Europe/Berlin")
    assert [(s["name"], s["holds"]) for s in view["sheets"]] == [("Prints", "prints"), ("Calipers", "sizes")]
    assert (view["sizes"], view["sheets"][1]["sizes"]) == (14, ["X 20", "X 40", "Y 20"])
    given = wish(view, beds=BEDS, measured_piece="clip")
    with pytest.raises(ApiError, match="With which caliper"):
        client.send("POST", "/api/old-benches", given)
    caliper = new()
    client.send("POST", "/api/instruments", {
        "id": caliper, "code": "C-1", "kind": "caliper", "unit": "mm", "resolution": 0.01, "u_calibration": 0.01,
        "repeatability": 0.01})  # fmt: skip
    kept = client.send("POST", "/api/old-benches", given | {"instrument_id": caliper})
    # A third copy of Mesa was read that nobody printed.
    assert kept["sizes"] == 11
    assert kept["left_out"] == [f"Calipers {c}6: there is no 3. good clip of Mesa" for c in "BCD"]
    study = kept["study_id"]
    rank = client.send("POST", f"/api/studies/{study}/rank", {})
    raw = {s["machine"]["name"]: {c["code"]: c["raw"] for c in s["contributions"]} for s in rank["standings"]}
    assert raw["Mesa"]["off.mean"]["value"] == pytest.approx((0.025 + 0.04 + 0.015) / 3, abs=1e-6)
    queue = client.get(f"/api/studies/{study}/measure")["queue"]
    assert sorted(line["done"] for line in queue) == [2, 3, 3, 3]
    # The piece is known by its name alone: it is drawn as a block, and can be planned again.
    piece = client.get(f"/api/studies/{study}/plan")["arms"][0]["lines"][0]
    assert client.get(f"/api/shelf/{piece['artifact']}")["name"] == "clip"


def test_pieces_can_be_compared_whatever_they_were_printed_of(client: Client) -> None:
    long = "a material of a very long name indeed"
    text = PRINTS.replace("Sparrow;clip;PLA", f"Sparrow;clip;{long}")
    view = take(client, text)
    assert (view["shared"], view["shared_pieces"]) == ([], ["clip"])
    apart = client.send("POST", "/api/old-benches", wish(view, beds=BEDS))["study_id"]
    rank = client.send("POST", f"/api/studies/{apart}/rank", {})
    assert sum("not every machine printed it" in words for words in rank["apart"]) == 2
    together = client.send("POST", "/api/old-benches", wish(view, title="Together", mix_materials=True))["study_id"]
    rank = client.send("POST", f"/api/studies/{together}/rank", {})
    raw = {s["machine"]["name"]: {c["code"]: c["raw"] for c in s["contributions"]} for s in rank["standings"]}
    assert raw["Mesa"]["time"]["value"] == pytest.approx((60 + 64) / 2 / 60)
    departures = client.get(f"/api/studies/{together}/plan")["deviations"]
    assert departures[0]["what"].startswith("Pieces of PLA and a material")
    # What was made of it can be looked at everywhere.
    library = client.get("/api/library")
    assert {s["material"] for s in library["spools"]} >= {"PLA", long[:20]}
    for path in ("print", "measure", "inspect", "cost", "receive", "plan", "publish"):
        assert client.http.get(f"/api/studies/{together}/{path}").status_code == 200


def test_long_names_that_begin_alike_are_two_pieces_and_known_prices_keep_their_currency(client: Client) -> None:
    first = client.send("POST", "/api/old-benches", wish(take(client, PRINTS), beds=BEDS))["study_id"]
    unit = next(u for u in client.get(f"/api/studies/{first}/receive")["units"] if u["machine"]["name"] == "Mesa")
    client.send("PUT", f"/api/studies/{first}/units/{unit['machine']['unit_id']}", {
        "version": unit["version"], "price_paid": 400, "upgrades": 50, "residual": 80, "currency": "USD"})  # fmt: skip
    long = "p" * 80
    text = "machine;what;start;took\n" + "".join(
        f"{m};{long}{k};{k}.5.2026 10:00;30\n" for m in ("Mesa", "Sparrow") for k in (1, 2)
    )
    view = client.send("PUT", "/api/old-benches/file", name="long.xlsx", zone="UTC", content=book(
        Prints=text, Rigs="machine;price paid\nMesa;300\nSparrow;250"))  # fmt: skip
    study = client.send("POST", "/api/old-benches", wish(view, title="Long"))["study_id"]
    lines = client.get(f"/api/studies/{study}/plan")["arms"][0]["lines"]
    assert len({line["name"] for line in lines}) == 2
    told = {m["machine"]["name"]: m for m in client.get(f"/api/studies/{study}/cost-table")["machines"]}
    # 50 dollars of upgrades are no 50 euros.
    assert (told["Mesa"]["usable"], told["Mesa"]["upgrades"]) == (300, 0)


def test_only_reviewers_bring_one_in_and_what_is_asked_is_checked(bench: Bench, client: Client) -> None:
    view = take(client, PRINTS)
    for role, (method, path) in product(
        ("rater", "reader"), (("PUT", "/api/old-benches/file"), ("POST", "/api/old-benches"))
    ):
        other = bench.as_(role)
        answer = other.http.request(method, path, json={}, headers={"X-CSRFToken": other.csrf, "X-Write-Id": new()})
        assert answer.status_code == 403
    shown = {"sha256": view["sha256"], "name": "notes.csv", "zone": "Europe/Berlin"}
    assert client.send("POST", "/api/old-benches/view", shown)["prints"] == 5
    with pytest.raises(ApiError, match="No time zone is called"):
        client.send("POST", "/api/old-benches/view", shown | {"zone": "Nowhere/Land"})
    with pytest.raises(ApiError, match="There is no sheet other"):
        client.send("POST", "/api/old-benches/view", shown | {"sheets": [{"sheet": "other", "holds": "prints"}]})
    with pytest.raises(ApiError, match="no longer kept"):
        client.send("POST", "/api/old-benches/view", shown | {"sha256": "0" * 64})
    unread = client.send("POST", "/api/old-benches/view", shown | {"sheets": [
        {"sheet": "notes.csv", "holds": "prints", "columns": {"machine": ""}}]})  # fmt: skip
    assert unread["lacks"] == "Say which column of the sheet notes.csv names the machine."
    with pytest.raises(ApiError, match="names the machine"):
        client.send("POST", "/api/old-benches", wish(view, beds=BEDS, sheets=[
            {"sheet": "notes.csv", "holds": "prints", "columns": {"machine": ""}}]))  # fmt: skip
    with pytest.raises(ApiError, match="From how far was the noise read"):
        client.send(
            "POST", "/api/old-benches", wish(take(client, PRINTS.replace(" (0.5 m)", ""), "near.csv"), beds=BEDS)
        )
