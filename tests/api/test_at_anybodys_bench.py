"""What a bench enters as people work: rounds of checks, readings far off, noise without a print, other materials."""

import pytest

from crevlo.core.defects import KNOWN
from crevlo.sim.client import ApiError, Client
from tests.conftest import Bench
from tests.small import draft_study, new
from tests.states import CHECKS, EQUAL, SLICED, make


@pytest.fixture
def client(bench: Bench) -> Client:
    return bench.as_("reviewer")


def unit_path(client: Client, study: str, at: int = 0) -> str:
    unit = client.get(f"/api/studies/{study}/receive")["units"][at]["machine"]["unit_id"]
    return f"/api/studies/{study}/units/{unit}"


def test_a_round_is_all_checks_each_an_entry_of_its_own(client: Client) -> None:
    study = draft_study(client)
    path = f"{unit_path(client, study)}/check-round"
    checks = [{"id": new(), "kind": kind} for kind in CHECKS]
    given = {"done_by": "Reviewer", "earth_by": "An electrician", "note": "all seen"}
    with pytest.raises(ApiError, match="A round is all 6 checks"):
        client.send("POST", path, given | {"checks": checks[:5]})
    view = client.send("POST", path, given | {"checks": checks})
    unit = view["units"][0]
    assert {c["result"] for c in unit["checks"]} == {"pass"}
    assert {c["kind"]: c["done_by"] for c in unit["checks"]}["earth"] == "An electrician"
    assert {c["kind"]: c["done_by"] for c in unit["checks"]}["stop"] == "Reviewer"


def test_a_reading_far_off_is_kept_with_a_note_and_stands_in_the_figures(client: Client) -> None:
    study = make(client, {"Mesa": EQUAL, "Sparrow": EQUAL}, measured=False, inspected=False)
    queue = client.get(f"/api/studies/{study}/measure")
    path = f"/api/specimens/{queue['queue'][0]['id']}"
    feature = client.get(path)["features"][0]
    given = {
        "id": new(), "feature_id": feature["feature_id"], "repeat": 1, "instrument_id": queue["instruments"][0]["id"],
        "value": feature["nominal"] + feature["far_off"] + 0.5,
    }  # fmt: skip
    with pytest.raises(ApiError, match="keep it with a note that says why"):
        client.send("POST", f"{path}/readings", given)
    view = client.send("POST", f"{path}/readings", given | {"id": new(), "note": "sliced at the wrong scale"})
    assert view["features"][0]["readings"][0]["note"] == "sliced at the wrong scale"
    assert view["features"][0]["off"]["value"] == pytest.approx(2.5)


def test_noise_of_a_unit_that_prints_nothing_answers_claims_and_must_haves(client: Client) -> None:
    asked = [{"kind": "noise", "limit": 30, "what": "standby"}]
    study = make(client, {"Mesa": EQUAL, "Sparrow": EQUAL}, copies=2, buyer=asked)
    path = unit_path(client, study)
    noise = {"background_db": 20, "distance_m": 1, "state": "standby"}
    with pytest.raises(ApiError, match="noise is read with the print that runs"):
        client.send("POST", f"{path}/noise", noise | {"id": new(), "level_db": 50, "state": "printing"})
    for level in (36.0, 36.4):
        record = client.send("POST", f"{path}/noise", noise | {"id": new(), "level_db": level})
    assert [n["level_db"] for n in record["standby_noise"]] == [36.0, 36.4]
    assert next(row for row in record["noise"] if row["state"] == "standby")["readings"] == 2
    wrong = record["standby_noise"][1]["id"]
    other = f"{unit_path(client, study, 1)}/noise"
    with pytest.raises(ApiError, match="contradicts what is already recorded"):
        client.send("POST", other, noise | {"id": new(), "level_db": 25, "supersedes_id": wrong, "reason": "mine"})
    view = client.send("POST", f"/api/studies/{study}/rank", {})
    assert [m["reason"] for m in view["left_out"]] == ["noise at 1 m, standby, 36 dB, limit 30"]
    # Of printing nothing has changed.
    printing = next(c for c in view["standings"][0]["contributions"] if c["code"] == "noise")
    assert printing["raw"]["value"] == pytest.approx(50, abs=0.01)


def test_an_arm_of_the_makers_own_slicers_fixes_nothing_unless_it_says_so(client: Client) -> None:
    study = draft_study(client)
    plan = client.get(f"/api/studies/{study}/plan")
    line = plan["arms"][0]["lines"][0]
    lines = [{"artifact": line["artifact"], "spool_id": line["spool_id"], "copies": 1}]
    body = {
        "version": plan["version"], "question": "", "policies": plan["policies"], "repeats": 1,
        "candidates": plan["candidates"],
        "arms": [
            {"name": "Stock", "lines": lines},
            {"name": "Own", "slicing": "own", "lines": lines},
            {"name": "Own, fine", "slicing": "own", "lines": lines,
             "conditions": {"layer_height_mm": 0.12, "nozzle_c": None, "bed_c": None}},
        ],
    }  # fmt: skip
    stock, own, fine = client.send("PUT", f"/api/studies/{study}/plan", body)["arms"]
    assert stock["conditions"]["layer_height_mm"] == 0.2
    assert [v for v in own["conditions"].values() if v not in (None, [])] == []
    assert fine["conditions"]["layer_height_mm"] == 0.12


def test_each_material_is_held_to_its_own_temperatures(client: Client) -> None:
    study = draft_study(client)
    petg = client.send("POST", "/api/spools", {
        "id": new(), "code": "P-1", "maker": "Wendle Works", "material": "PETG-CF", "colour": "black",
        "density_g_cm3": 1.3, "price_per_kg": 30})  # fmt: skip
    assert (petg["usual"]["name"], petg["usual"]["nozzle_c"], petg["usual"]["density"]) == ("PETG", 240, 1.27)
    plan = client.get(f"/api/studies/{study}/plan")
    arm = plan["arms"][0]
    lines = [{"artifact": "SB", "spool_id": s, "copies": 1} for s in (arm["lines"][0]["spool_id"], petg["id"])]
    conditions = arm["conditions"] | {"temperatures": [{"material": "petg-cf", "nozzle_c": 244, "bed_c": 82}]}
    client.send("PUT", f"/api/studies/{study}/plan", {
        "version": plan["version"], "question": "", "policies": plan["policies"], "repeats": 1,
        "candidates": plan["candidates"], "arms": [{"name": "Stock", "conditions": conditions, "lines": lines}]})  # fmt: skip
    client.send("POST", f"/api/studies/{study}/freeze", {})
    wanted = {}
    for job in client.get(f"/api/studies/{study}/print")["jobs"]:
        view = client.send("PUT", f"/api/jobs/{job['id']}/file", content=SLICED, id=new(), name="a.gcode")
        nozzle = [d["wanted"] for d in view["file"]["deviations"] if d["setting"] == "Nozzle temperature"]
        wanted.setdefault(job["spool"], set()).update(nozzle)
    assert any("244" in w for w in wanted.values())
    assert all("244" not in w for spool, w in wanted.items() if "P-1" not in spool)


def test_what_is_missing_before_a_freeze_is_said_beforehand_and_is_what_the_freeze_says(client: Client) -> None:
    study = draft_study(client)
    plan = client.get(f"/api/studies/{study}/plan")
    line = plan["arms"][0]["lines"][0]
    spool = line["spool_id"]

    def draft(lines: list[dict], candidates: list[dict] | None = None) -> dict:
        return {
            "version": client.get(f"/api/studies/{study}/plan")["version"], "question": "", "repeats": 1,
            "policies": plan["policies"], "candidates": plan["candidates"] if candidates is None else candidates,
            "arms": [{"name": "Stock", "lines": lines}],
        }  # fmt: skip

    whole = [{"artifact": "SB", "spool_id": spool, "copies": 1}]
    for body, needs in (
        (draft(whole, plan["candidates"][:1]), "A comparison needs at least two machines."),
        (draft([]), "Choose what to print before freezing."),
        (draft([{"artifact": "SB", "copies": 1}]), "Choose the spool of the Step block before freezing."),
        (draft([{"artifact": "CS", "spool_id": spool, "copies": 1}]), "Choose the second spool of the"),
    ):
        body["version"] = client.get(f"/api/studies/{study}/plan")["version"]
        assert client.send("POST", f"/api/studies/{study}/effort", body)["freeze_needs"].startswith(needs)
        client.send("PUT", f"/api/studies/{study}/plan", body)
        with pytest.raises(ApiError, match=needs):
            client.send("POST", f"/api/studies/{study}/freeze", {})
    assert client.send("POST", f"/api/studies/{study}/effort", draft(whole))["freeze_needs"] == ""
    client.send("PUT", f"/api/studies/{study}/plan", draft(whole))
    client.send("POST", f"/api/studies/{study}/freeze", {})


def test_inspect_asks_what_the_artifact_was_made_to_show(client: Client) -> None:
    study = make(client, {"Mesa": EQUAL, "Sparrow": EQUAL}, artifact="OP", inspected=False, measured=False)
    view = client.get(f"/api/studies/{study}/inspect")
    specimen = view["specimens"][0]
    assert (specimen["artifact"], specimen["asked"]) == ("Ooze posts", ["stringing", "blobs"])
    assert {d["code"] for d in view["defects"]} == set(KNOWN)
    path = f"/api/specimens/{specimen['id']}"
    with pytest.raises(ApiError, match="not looked for on the ooze posts"):
        client.send("POST", f"{path}/scores", {"id": new(), "defect": "warp", "severity": 1})
    client.send("POST", f"{path}/scores", {"id": new(), "defect": "stringing", "severity": 5})
    with pytest.raises(ApiError, match="blobs and zits"):
        client.send("POST", f"{path}/lock")
    client.send("POST", f"{path}/scores", {"id": new(), "defect": "blobs", "severity": 0})
    locked = client.send("POST", f"{path}/lock")["line"]
    assert (locked["quality"], locked["rejected_by"]) == (50, None)
    for other in view["specimens"][1:]:
        for code in other["asked"]:
            client.send("POST", f"/api/specimens/{other['id']}/scores", {"id": new(), "defect": code, "severity": 0})
        client.send("POST", f"/api/specimens/{other['id']}/lock")
    rows = client.send("POST", f"/api/studies/{study}/reveal")["specimens"]
    assert sorted(r["quality"] for r in rows) == [50, 100]
