"""The study builder through the API: arms and lines, effort, templates, files, own artifacts that work like built-in ones."""

import json
import uuid
from pathlib import Path
from typing import Any

import pytest

from crevlo.core.artifacts.artifact import Artifact, Body
from crevlo.core.artifacts.export import stl, three_mf
from crevlo.core.artifacts.shape import block
from crevlo.core.artifacts.shelf import DESIGNS
from crevlo.core.protocol import shuffled_jobs
from crevlo.sim import device
from crevlo.sim.client import ApiError, Client
from tests.conftest import Bench, Played
from tests.small import new


@pytest.fixture
def planner(bench: Bench) -> Client:
    return bench.as_("reviewer")


def _model(client: Client, name: str, bed: float = 220, **more: Any) -> str:
    body = {"id": new(), "name": name, "bed_x_mm": bed, "bed_y_mm": bed, "height_mm": 250}
    return str(client.send("POST", "/api/models", body | more)["id"])


def _spool(client: Client, code: str, material: str = "PLA") -> str:
    return str(client.send("POST", "/api/spools", {
        "id": new(), "code": code, "maker": "Wendle Works", "material": material, "colour": "moss",
        "density_g_cm3": 1.24, "price_per_kg": 20})["id"])  # fmt: skip


def _study(client: Client, title: str = "Winter") -> dict[str, Any]:
    view: dict[str, Any] = client.send("POST", "/api/studies", {"id": new(), "title": title, "seed": 11})
    return view


def _draft(view: dict[str, Any], models: list[str], arms: list[dict[str, Any]], **more: Any) -> dict[str, Any]:
    return {
        "version": view["version"], "question": "Which?", "candidates": [{"model_id": m} for m in models], "arms": arms,
        "repeats": 2, "policies": view["policies"],
    } | more  # fmt: skip


def _line(artifact: str, spool: str | None, copies: int = 1, **more: Any) -> dict[str, Any]:
    return {"artifact": artifact, "spool_id": spool, "copies": copies} | more


def test_jobs_follow_from_arms_lines_and_what_each_machine_can_print(planner: Client) -> None:
    big, small, twin = _model(planner, "Big", 300), _model(planner, "Small", 150), _model(planner, "Twin", tools=2)
    pla, red = _spool(planner, "S-1"), _spool(planner, "S-2")
    view = _study(planner)
    arms = [
        {"name": "Stock", "lines": [_line("SB", pla, 2), _line("RA", pla), _line("CS", pla, 1, second_spool_id=red)]},
        {"name": "Own", "slicing": "own", "lines": [_line("SB", red)], "conditions": {"nozzle_c": None}},
    ]
    draft = _draft(view, [big, small, twin], arms)
    effort = planner.send("POST", f"/api/studies/{view['id']}/effort", draft)
    assert [(e["prints"], e["left_out"]) for e in effort["lines"]] == [
        (6, []), (3, []), (1, ["Big", "Small"]), (3, []),
    ]  # fmt: skip
    assert (effort["prints"], effort["readings"]) == (13, 2 * (9 * 11 + 3 * 3 + 2) + 3 + 2)
    assert effort["low_h"] < effort["printing_h"] < effort["high_h"]
    assert effort["bottleneck"] == "the people at the bench"
    # Nobody metered these: energy by bed and temperatures, and said so; a hotter bed takes more for the same hours.
    assert "a rough figure by bed and temperatures for Big, Small, Twin: never metered" in effort["basis"]
    hot = [arm | {"conditions": {"nozzle_c": 250, "bed_c": 100}} for arm in arms]
    hotter = planner.send("POST", f"/api/studies/{view['id']}/effort", draft | {"arms": hot})
    assert hotter["printing_h"] == pytest.approx(effort["printing_h"], rel=0.2)
    assert hotter["energy_kwh"] > 1.4 * effort["energy_kwh"]
    # What a maker rules out is said before it is planned, and again before it is printed.
    models = {m["name"]: m for m in planner.get("/api/library")["models"]}
    sheet = {k: v for k, v in models["Small"].items() if k not in ("units",)}
    planner.send("PUT", f"/api/models/{small}", sheet | {"sheet": sheet["sheet"] | {"rules_out": ["pla"]}})
    doubts = [e["doubts"] for e in planner.send("POST", f"/api/studies/{view['id']}/effort", draft)["lines"]]
    assert doubts == [["Small: its maker rules pla out"]] * 4
    saved = planner.send("PUT", f"/api/studies/{view['id']}/plan", draft)
    assert [c["left_out"] for c in saved["coverage"][1]["cells"]] == ["", "", "needs 2 tools, it has 1", ""]
    frozen = planner.send("POST", f"/api/studies/{view['id']}/freeze", {})
    layers = [[len(c["layers"]) for c in row["cells"]] for row in frozen["coverage"]]
    assert layers == [[2, 1, 0, 1], [2, 1, 0, 1], [2, 1, 1, 1]]
    jobs = planner.get(f"/api/studies/{view['id']}/print")["jobs"]
    seen = [(j["machine"]["name"], (j["artifact"], j["spool"], j["arm"]), j["copy_number"]) for j in jobs]
    lines = [(("Step block", "S-1", "Stock"), 2), (("Rack arm", "S-1", "Stock"), 1),
             (("Colour-swap token", "S-1", "Stock"), 1), (("Step block", "S-2", "Own"), 1)]  # fmt: skip
    possible = lambda m, line: line[0] != "Colour-swap token" or m == "Twin"  # noqa: E731
    assert seen == shuffled_jobs(lines, ["Big", "Small", "Twin"], possible, 11)
    rank = planner.send("POST", f"/api/studies/{view['id']}/rank", {})
    assert rank["apart"] == [
        "Colour-swap token from S-1: not every machine can print it, so it stays out of the comparison.",
        "The arm “Own” is kept apart: figures are of the arm “Stock”.",
    ]


@pytest.mark.parametrize(
    ("arms", "words"),
    [
        ([{"name": "Stock", "lines": []}], "Choose what to print"),
        ([{"name": "Stock", "lines": [_line("SB", None)]}], "Choose the spool of the Step block"),
        ([{"name": "Stock", "lines": [_line("CS", "PLA")]}], "Choose the second spool of the Colour-swap token"),
        ([{"name": "Stock", "lines": [_line("CS", "PLA", second_spool_id="RED")]}], "No machine of this study can print"),
    ],
)  # fmt: skip
def test_freezing_says_what_is_missing_and_leaves_the_draft(
    planner: Client, arms: list[dict[str, Any]], words: str
) -> None:
    names = {"PLA": _spool(planner, "S-1"), "RED": _spool(planner, "S-2")}
    lines = [
        {k: names.get(v, v) if k.endswith("spool_id") else v for k, v in line.items()}
        for arm in arms
        for line in arm["lines"]
    ]
    view = _study(planner)
    draft = _draft(view, [_model(planner, "A"), _model(planner, "B")], [{"name": "Stock", "lines": lines}])
    planner.send("PUT", f"/api/studies/{view['id']}/plan", draft)
    with pytest.raises(ApiError, match=words):
        planner.send("POST", f"/api/studies/{view['id']}/freeze", {})
    assert planner.get(f"/api/studies/{view['id']}/plan")["frozen_at"] is None


def test_a_draft_that_contradicts_itself_is_refused_whole(planner: Client) -> None:
    a, b, spool = _model(planner, "A"), _model(planner, "B"), _spool(planner, "S-1")
    view = _study(planner)
    refused = {
        "same name": [{"name": "Stock", "lines": []}, {"name": "stock ", "lines": []}],
        "stock comes first": [{"name": "Tuned", "tuning": "tuned", "lines": []}],
        "twice from the same spool": [{"name": "Stock", "lines": [_line("SB", spool), _line("SB", spool)]}],
        "same as the first": [{"name": "Stock", "lines": [_line("CS", spool, second_spool_id=spool)]}],
        "no such spool": [{"name": "Stock", "lines": [_line("SB", new())]}],
        "no such artifact": [{"name": "Stock", "lines": [_line(new(), spool)]}],
    }
    for words, arms in refused.items():
        with pytest.raises(ApiError, match=words):
            planner.send("PUT", f"/api/studies/{view['id']}/plan", _draft(view, [a, b], arms))
    assert planner.get(f"/api/studies/{view['id']}/plan")["version"] == view["version"]


def test_a_protocol_goes_out_as_a_file_and_comes_back_the_same(planner: Client, bench: Bench) -> None:
    a, b, spool = _model(planner, "A"), _model(planner, "B"), _spool(planner, "S-1")
    view = _study(planner)
    longer = planner.send("POST", "/api/shelf/versions", {"code": "WB", "sizes": "length:200"})
    assert (longer["number"], longer["size_mm"][0]) == (2, 200)
    assert planner.send("POST", "/api/shelf/versions", {"code": "WB", "sizes": "length:200"})["ref"] == longer["ref"]
    arms = [
        {
            "name": "Stock",
            "slicing": "common",
            "tuning": "stock",
            "lines": [_line("SB", spool, 3), _line(longer["ref"], spool)],
        }
    ]
    draft = _draft(view, [a, b], arms)
    planner.send("PUT", f"/api/studies/{view['id']}/plan", draft)
    file = planner.get(f"/api/studies/{view['id']}/protocol.json")
    assert file["arms"][0]["lines"][1] == {
        "artifact": "WB", "sizes": {"length": 200}, "mesh_sha256": None, "spool": "S-1", "second_spool": None, "more_spools": [], "copies": 1,
        "parts": 1,
    }  # fmt: skip
    back = planner.send("POST", "/api/protocols/read", file)
    assert back["notes"] == []
    assert back["candidates"] == [{"model_id": m, "is_control": False, "unit": 1} for m in (a, b)]
    assert [(n["artifact"], n["spool_id"], n["copies"]) for n in back["arms"][0]["lines"]] == [
        ("SB", spool, 3), (longer["ref"], spool, 1),
    ]  # fmt: skip
    strange = file | {"candidates": [{"model": "Unheard of"}]}
    strange["arms"][0]["lines"][0]["spool"] = "S-99"
    read = planner.send("POST", "/api/protocols/read", strange)
    assert read["notes"] == [
        "There is no machine called Unheard of here; it was left out.", "There is no spool S-99 here; choose another.",
    ]  # fmt: skip
    assert read["arms"][0]["lines"][0]["spool_id"] is None
    strange["arms"][0]["lines"][0]["artifact"] = "ZZ"
    with pytest.raises(ApiError, match="no artifact ZZ here"):
        planner.send("POST", "/api/protocols/read", strange)
    with pytest.raises(ApiError, match="422"):
        planner.send("POST", "/api/protocols/read", {"arms": [], "colour": "red"})
    schema = planner.get("/api/protocol.schema.json")
    assert schema["properties"]["format"]["const"] == "crevlo-protocol"
    assert set(file) == set(schema["properties"])


def test_templates_start_a_study_and_keep_one(planner: Client, bench: Bench) -> None:
    shipped = planner.get("/api/templates")["templates"]
    assert [t["name"] for t in shipped] == ["Quick look", "Full bench", "Mechanical only", "Colour", "Materials"]
    for card in shipped:
        read = planner.get(f"/api/templates/{card['key']}")
        assert sum(n["copies"] for arm in read["arms"] for n in arm["lines"]) == card["prints"]
    view = _study(planner)
    arms = planner.get("/api/templates/quick")["arms"]
    kept = planner.send("POST", "/api/templates", {
        "id": new(), "name": "Ours", "repeats": 5, "policies": view["policies"], "arms": arms})  # fmt: skip
    (own,) = [t for t in kept["templates"] if t["own"]]
    assert planner.get(f"/api/templates/{own['key']}")["repeats"] == 5
    with pytest.raises(ApiError, match="already a template called ours"):
        planner.send("POST", "/api/templates", {
            "id": new(), "name": "ours", "repeats": 5, "policies": view["policies"], "arms": arms})  # fmt: skip
    with pytest.raises(ApiError, match="no such template"):
        planner.send("DELETE", "/api/templates/quick")
    assert not any(t["own"] for t in planner.send("DELETE", f"/api/templates/{own['key']}")["templates"])


def _mesh(client: Client, content: bytes, name: str = "part.stl", unit: str = "mm") -> dict[str, Any]:
    report: dict[str, Any] = client.send("PUT", "/api/meshes", content=content, name=name, unit=unit)
    return report


def _part(*bodies: Any) -> Artifact:
    return Artifact("P", "part", tuple(Body(b) for b in bodies), (), "", "", "")


def test_an_own_artifact_is_brought_in_and_works_like_a_built_in_one(planner: Client, bench: Bench) -> None:
    # A channel: 40 × 20 × 10 with a slot 8 wide.
    channel = block(0, 40, 0, 20, 0, 10) - block(16, 24, -1, 21, 4, 11)
    report = _mesh(planner, stl(_part(channel), 1))
    assert (report["troubles"], report["size_mm"], report["volume_mm3"]) == ([], [40, 20, 10], pytest.approx(7040))
    served = planner.http.get(f"/api/meshes/{report['sha256']}/mesh.stl").content
    corners = _corners(served)
    sides = {n: _face(corners, n) for n in ((-1, 0, 0), (1, 0, 0))}
    outer = planner.send("POST", f"/api/meshes/{report['sha256']}/feature", {
        "code": "L", "first": sides[-1, 0, 0][0], "second": sides[1, 0, 0][-1]})  # fmt: skip
    assert (outer["kind"], outer["axis"], outer["sense"], outer["nominal"]) == ("length", "X", 1, 40)
    slot = planner.send("POST", f"/api/meshes/{report['sha256']}/feature", {
        "code": "S", "first": sides[1, 0, 0][0], "second": sides[-1, 0, 0][-1]})  # fmt: skip
    assert (slot["sense"], slot["nominal"]) == (-1, 8)
    typed = {"code": "H", "kind": "length", "axis": "Z", "sense": 1, "nominal": 10, "method": "Jaws over the height."}
    body = {
        "id": new(), "code": "CH", "name": "Channel", "sha256": report["sha256"], "licence": "CC0 1.0",
        "source": "drawn at the bench", "isolates": "Slot width.", "shows": ["warp"], "features": [outer, slot, typed],
    }  # fmt: skip
    with pytest.raises(ApiError, match="code of a built-in"):
        planner.send("POST", "/api/artifacts", body | {"code": "SB"})
    with pytest.raises(ApiError, match="same code"):
        planner.send("POST", "/api/artifacts", body | {"features": [outer, outer]})
    card = planner.send("POST", "/api/artifacts", body)
    again = planner.send("POST", "/api/artifacts", body | {"id": new(), "features": [outer]})
    assert (card["code"], card["number"], again["number"]) == ("CH", 1, 2)
    listed = [c for c in planner.get("/api/shelf")["artifacts"] if c["own"]]
    assert [c["number"] for c in listed] == [1, 2]
    small = _model(planner, "Small", 41.5)
    detail = planner.get(f"/api/shelf/{card['ref']}")
    assert (detail["licence"], detail["shows"]) == ("CC0 1.0", ["warp"])
    assert [(b["machine"], b["fits"]) for b in detail["beds"]] == [("Small", True)]
    assert [c["code"] for c in detail["drawing"]["callouts"]] == ["L", "S"]
    plate = planner.get(f"/api/shelf/{card['ref']}/plate", bed_x=90, bed_y=50, spacing=2, wanted=9)
    assert plate["copies"] == 4
    # In a study: frozen, printed, and measured on its own features.
    spool, other = _spool(planner, "S-1"), _model(planner, "Other")
    view = _study(planner)
    arms = [{"name": "Stock", "lines": [_line(card["ref"], spool)]}]
    planner.send("PUT", f"/api/studies/{view['id']}/plan", _draft(view, [small, other], arms))
    planner.send("POST", f"/api/studies/{view['id']}/freeze", {})
    job = planner.get(f"/api/studies/{view['id']}/print")["jobs"][0]
    planner.send("PUT", f"/api/jobs/{job['id']}/file", content=device.sliced_file("step-block-a-0.20-absolute"),
                 id=new(), name="channel.gcode")  # fmt: skip
    started = planner.send("POST", f"/api/jobs/{job['id']}/runs", {"id": new(), "deviation_reason": "accepted"})
    planner.send("POST", f"/api/runs/{started['runs'][0]['id']}/end", {
        "version": started["runs"][0]["version"], "outcome": "done"})  # fmt: skip
    queue = bench.as_("rater").get(f"/api/studies/{view['id']}/measure")
    assert [f["code"] for f in queue["artifacts"][0]["features"]] == ["L", "S", "H"]
    assert (queue["queue"][0]["artifact"], queue["queue"][0]["due"]) == ("Channel", 6)


def test_a_mesh_with_holes_is_reported_and_not_kept(planner: Client) -> None:
    whole = stl(_part(block(0, 20, 0, 10, 0, 5)), 1)
    holed = whole[:80] + (11).to_bytes(4, "little") + whole[84 : 84 + 50 * 11]
    report = _mesh(planner, holed)
    assert report["sha256"] == ""
    assert "the surface has a hole" in report["troubles"][0]
    assert report["volume_mm3"] is None
    with pytest.raises(ApiError, match="no such mesh"):
        planner.get(f"/api/meshes/{'0' * 64}/mesh.stl")
    with pytest.raises(ApiError, match="neither STL nor 3MF"):
        _mesh(planner, b"PNG and more")
    two = _mesh(planner, three_mf(_part(block(0, 20, 0, 10, 0, 5), block(0, 20, 0, 10, 5, 6)), 1), "two.3mf")
    assert (two["bodies"], two["volume_mm3"]) == (2, pytest.approx(1200, rel=1e-4))
    with pytest.raises(ApiError, match="first tool"):
        planner.send("POST", "/api/artifacts", {
            "id": new(), "code": "TB", "name": "Two", "sha256": two["sha256"], "licence": "x", "source": "x",
            "isolates": "x", "tools": [1, 1], "features": []})  # fmt: skip


def test_sheets_decide_what_fits_and_which_machines_look_alike(planner: Client) -> None:
    sheet = {"board": "Type 4", "hotend": "Short", "motion": "Bed moves in Y"}
    _model(planner, "Brindle 235", 235, sheet=sheet)
    copy = _model(planner, "Calder Cub", 235, sheet=sheet)
    library = planner.get("/api/library")
    (pair,) = library["lookalikes"]
    assert {pair["first"], pair["second"]} == {"Brindle 235", "Calder Cub"}
    model = next(m for m in library["models"] if m["id"] == copy)
    fits = lambda: {b["machine"]: b["fits"] for b in planner.get("/api/shelf/FS")["beds"]}  # noqa: E731
    assert fits() == {"Brindle 235": True, "Calder Cub": True}
    change = {k: v for k, v in model.items() if k != "units"} | {"sheet": sheet | {"is_round": True}}
    planner.send("PUT", f"/api/models/{copy}", change)
    assert fits() == {"Brindle 235": True, "Calder Cub": False}
    assert planner.get("/api/library")["lookalikes"] == []
    with pytest.raises(ApiError, match="409"):
        planner.send("PUT", f"/api/models/{copy}", change)


def test_copies_needed_use_the_spread_of_the_last_study(shared_bench: Bench, played: Played) -> None:
    reader = shared_bench.as_("reviewer")
    spreads = {s["code"]: s for s in reader.get("/api/spreads")["spreads"]}
    assert set(spreads) == {"off.mean", "defects", "time", "energy", "noise"}
    assert "autumn round" in spreads["time"]["source"]
    hint = reader.get(
        "/api/copies", difference=spreads["time"]["spread"] * 2, spread=spreads["time"]["spread"], copies=3
    )
    assert hint["needed"] == 6
    assert hint["told"] > 2 * spreads["time"]["spread"]
    assert reader.get("/api/copies", difference=1, spread=1, copies=1)["told"] is None


def _corners(content: bytes) -> Any:
    import numpy as np

    record = np.dtype([("n", "<f4", 3), ("c", "<f4", (3, 3)), ("a", "<u2")])
    return np.frombuffer(content, record, offset=84)["c"].astype(float)


def _face(corners: Any, normal: tuple[int, int, int]) -> list[int]:
    """Numbers of the triangles with this normal, from the lowest along it to the highest."""
    import numpy as np

    n = np.cross(corners[:, 1] - corners[:, 0], corners[:, 2] - corners[:, 0])
    n /= np.linalg.norm(n, axis=1, keepdims=True)
    found = np.flatnonzero(n @ normal > 0.999)
    return [int(i) for i in found[np.argsort(corners[found].mean(axis=1)[:, 0])]]


def test_designs_have_usual_sizes_as_version_one(planner: Client) -> None:
    planner.send("POST", "/api/shelf/versions", {"code": "SF", "sizes": "width:120"})
    numbers = {(c["code"], c["number"]) for c in planner.get("/api/shelf")["artifacts"] if c["code"] == "SF"}
    assert numbers == {("SF", 1), ("SF", 2)}
    with pytest.raises(ApiError, match="usual sizes"):
        planner.send(
            "POST", "/api/shelf/versions", {"code": "SF", "sizes": f"width:{DESIGNS['SF'].parameters[0].usual}"}
        )
    assert str(uuid.UUID(next(c["ref"] for c in planner.get("/api/shelf")["artifacts"] if c["number"] == 2)))


def test_the_published_schema_is_the_one_that_files_are_read_by(shared_bench: Bench) -> None:
    published = json.loads((Path(__file__).resolve().parents[2] / "docs" / "protocol.schema.json").read_text())
    assert published == shared_bench.as_("reader").get("/api/protocol.schema.json")


def test_a_departure_stands_wherever_its_results_are(shared_bench: Bench, played: Played) -> None:
    client = shared_bench.as_("reviewer")
    path = f"/api/studies/{played.study}"
    told = next(d for d in client.get(f"{path}/plan")["deviations"] if d["job_id"] and "17 °C" in d["what"])
    job = client.get(f"/api/jobs/{told['job_id']}")
    unit, sentence = (
        job["machine"]["unit_id"],
        f"{job['artifact']} {job['copy_number']}: {told['what']}. {told['reason']}",
    )
    for machine in client.get(f"{path}/cost")["machines"]:
        assert (sentence in machine["departures"]) == (machine["machine"]["unit_id"] == unit)
    assert sentence in client.get(f"{path}/units/{unit}/cost-source", part="total")["departures"]
    ranked = client.send("POST", f"{path}/rank", {"show_gated": True})["standings"]
    assert {s["machine"]["unit_id"] for s in ranked if sentence in s["departures"]} <= {unit}
    assert job["machine"]["is_control"] or any(sentence in s["departures"] for s in ranked)
