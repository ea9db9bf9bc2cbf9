"""More than one part on a plate: planned by what fits, told by the file or a person, paid for by the part."""

import re

import pytest

from crevlo.core.cost import CostInputs, cost_per_good_part
from crevlo.sim import plates
from crevlo.sim.client import ApiError, Client
from tests.conftest import Bench
from tests.small import new
from tests.states import Turned, make


@pytest.fixture
def client(bench: Bench) -> Client:
    return bench.as_("reviewer")


def _model(client: Client, name: str, bed: tuple[float, float], tools: int = 1, **sheet: object) -> str:
    model = new()
    client.send("POST", "/api/models", {
        "id": model, "name": name, "bed_x_mm": bed[0], "bed_y_mm": bed[1], "height_mm": 200, "tools": tools, "sheet": sheet})  # fmt: skip
    return model


def _spool(client: Client, code: str, price: float = 20.0) -> str:
    spool = new()
    client.send("POST", "/api/spools", {
        "id": spool, "code": code, "maker": "Wendle Works", "material": "PLA", "colour": "sage", "density_g_cm3": 1.24,
        "price_per_kg": price})  # fmt: skip
    return spool


def _drafted(client: Client, models: list[str], line: dict) -> tuple[str, dict]:
    study = new()
    view = client.send("POST", "/api/studies", {"id": study, "title": f"Plates {study[:6]}", "currency": "EUR"})
    draft = {
        "version": view["version"], "question": "", "repeats": 1, "policies": view["policies"],
        "arms": [{"name": "Stock", "slicing": "own", "lines": [line]}], "candidates": [{"model_id": m} for m in models]}  # fmt: skip
    client.send("PUT", f"/api/studies/{study}/plan", draft)
    return study, draft


def test_as_many_as_each_bed_holds_are_planned_and_no_more_than_fit(client: Client) -> None:
    large, small, spool = (
        _model(client, "Large", (300, 300)),
        _model(client, "Small", (120, 120)),
        _spool(client, "S-1"),
    )
    line = {"artifact": "SB", "spool_id": spool, "copies": 1}
    study, draft = _drafted(client, [large, small], line | {"parts": None})
    effort = client.send("POST", f"/api/studies/{study}/effort", draft)
    wide, narrow = effort["lines"][0]["parts"]
    assert wide >= 16
    assert 2 <= narrow <= 8
    one = client.send(
        "POST", f"/api/studies/{study}/effort", draft | {"arms": [draft["arms"][0] | {"lines": [line]}]}
    )
    assert effort["printing_h"] == pytest.approx(one["printing_h"] * (wide + narrow) / 2)
    too_many = draft | {"arms": [draft["arms"][0] | {"lines": [line | {"parts": narrow + 1}]}]}
    assert (
        f"Small holds {narrow} of the Step block on a plate, not {narrow + 1}"
        in client.send("POST", f"/api/studies/{study}/effort", too_many)["freeze_needs"]
    )
    client.send("POST", f"/api/studies/{study}/freeze", {})
    jobs = client.get(f"/api/studies/{study}/print")["jobs"]
    planned = {j["machine"]["name"]: client.get(f"/api/jobs/{j['id']}")["parts"] for j in jobs}
    assert planned == {"Large": wide, "Small": narrow}
    for wrong in (0, 201):
        with pytest.raises(ApiError, match="422"):
            _drafted(client, [large, small], line | {"parts": wrong})


def test_parts_come_from_the_names_in_the_file_or_are_asked_for(client: Client) -> None:
    models = [_model(client, n, (250, 250), tools=2) for n in ("A", "B")]
    line = {"artifact": "CS", "spool_id": _spool(client, "S-1"), "second_spool_id": _spool(client, "S-2"), "copies": 1, "parts": 10}  # fmt: skip
    study, _ = _drafted(client, models, line)
    client.send("POST", f"/api/studies/{study}/freeze", {})
    first, second = (j["id"] for j in client.get(f"/api/studies/{study}/print")["jobs"])
    content = plates.plate_file(plates.MACHINES["Corvane Twin"])
    named = client.send("PUT", f"/api/jobs/{first}/file", content=content, id=new(), name="plate.gcode")["file"]
    assert named["parts"] == 12
    assert {"setting": "Parts on the plate", "wanted": "10", "found": "12", "unit": ""} in named["deviations"]
    with pytest.raises(ApiError, match="Give the reason"):
        client.send("POST", f"/api/jobs/{first}/runs", {"id": new()})
    run = client.send("POST", f"/api/jobs/{first}/runs", {"id": new(), "deviation_reason": "two more were wanted"})["runs"][-1]  # fmt: skip
    assert run["parts"] == 12
    nameless = b"\n".join(x for x in content.split(b"\n") if b"printing object" not in x)
    silent = client.send("PUT", f"/api/jobs/{second}/file", content=nameless, id=new(), name="plate.gcode")["file"]
    assert silent["parts"] is None
    assert "Parts on the plate" in silent["silent"]
    start = {"id": new(), "parts": 9, "deviation_reason": ""}
    if not silent["deviations"]:
        with pytest.raises(ApiError, match="10 parts were planned on this plate"):
            client.send("POST", f"/api/jobs/{second}/runs", start)
    told = client.send("POST", f"/api/jobs/{second}/runs", start | {"deviation_reason": "one did not fit"})
    assert told["runs"][-1]["parts"] == 9
    departures = client.get(f"/api/studies/{study}/plan")["deviations"]
    assert any("Parts on the plate 9 instead of 10" in d["what"] for d in departures)


def test_a_file_that_states_less_than_its_tower_takes_still_has_a_cost(client: Client) -> None:
    _model(client, "Corvane Twin", (250, 210), tools=2)
    study = plates.play(client, _spool(client, "S-1"), _spool(client, "S-2"), seed=6)
    job = client.get(f"/api/studies/{study}/print")["jobs"][0]["id"]
    content = plates.plate_file(plates.MACHINES["Corvane Twin"])
    short = re.sub(rb"; filament used \[mm\] = .*", b"; filament used [mm] = 10, 10", content)
    short = re.sub(rb"; filament used \[g\] = .*", b"; filament used [g] = 0.5, 0.5", short)
    client.send("PUT", f"/api/jobs/{job}/file", content=short, id=new(), name="short.gcode")
    view = client.get(f"/api/studies/{study}/batch", parts=12)
    assert all(m["each"]["part_g"] >= 0 and m["each"]["cost"] > 0 for m in view["machines"])


def test_a_part_of_twelve_pays_a_twelfth_of_its_plate(client: Client) -> None:
    _model(client, "Corvane Twin", (250, 210), tools=2, peak_w=380)
    study = plates.play(client, _spool(client, "S-1", 20.0), _spool(client, "S-2", 30.0), seed=3)
    units = {u["machine"]["name"]: u for u in client.get(f"/api/studies/{study}/receive")["units"]}
    cost = client.get(f"/api/studies/{study}/cost")
    view = client.get(f"/api/studies/{study}/batch", parts=12)
    rows = {m["machine"]["name"]: m for m in view["machines"]}
    for machine in cost["machines"]:
        name, of, row = (
            machine["machine"]["name"],
            plates.MACHINES[machine["machine"]["name"]],
            rows[machine["machine"]["name"]],
        )
        grams = plates.LAYERS * of.tower_g
        assert row["whole"]["waste_g"] == pytest.approx(grams, rel=0.02)
        assert machine["part_g"] == pytest.approx(4.2, rel=0.02)
        # Half of each colour, so that a kg costs the mean of both.
        plate = CostInputs(
            price=units[name]["price_paid"], upgrades=units[name]["upgrades"], residual=units[name]["residual"],
            parts_per_plate=12, part_g=machine["part_g"], purge_g=row["whole"]["waste_g"], material_per_kg=25.0,
            energy_kwh=12 * machine["energy_kwh"], hours=12 * machine["hours"], success=1.0,
            **{k: v for k, v in cost["basis"].items() if k not in ("version", "upkeep_from_log")},
        )  # fmt: skip
        assert machine["total"]["value"] == pytest.approx(cost_per_good_part(plate).total, rel=1e-6)
        assert row["each"]["cost"] == pytest.approx(machine["total"]["value"], rel=1e-6)
        assert (row["parts_per_plate"], row["plates"], row["whole"]["changes"]) == (12, 1, plates.LAYERS)
    assert (
        rows["Corvane Twin"]["one_after_another"] > rows["Corvane Twin"]["all_at_once"] == int(16 * 230 * 0.8 / 380)
    )


def test_what_was_weighed_takes_the_place_of_what_the_file_states(client: Client) -> None:
    _model(client, "Corvane Twin", (250, 210), tools=2)
    study = plates.play(client, _spool(client, "S-1", 20.0), _spool(client, "S-2", 20.0), seed=3)
    jobs = [j for j in client.get(f"/api/studies/{study}/print")["jobs"] if j["machine"]["name"] == "Corvane Twin"]
    name = jobs[0]["machine"]["unit_id"]

    def each() -> dict:
        return {m["machine"]["unit_id"]: m["each"] for m in client.get(f"/api/studies/{study}/batch", parts=12)["machines"]}[name]  # fmt: skip

    stated = each()
    for job in jobs:
        run = client.get(f"/api/jobs/{job['id']}")["runs"][-1]
        view = client.send("PUT", f"/api/runs/{run['id']}/weight", {"version": run["version"], "model_g": 60.0})
        assert (view["runs"][-1]["model_g"], view["runs"][-1]["waste_g"]) == (60, None)
    # Parts as weighed, the tower as the file states it; then both as weighed.
    assert (each()["part_g"], each()["waste_g"]) == (pytest.approx(5.0), pytest.approx(stated["waste_g"]))
    for job in jobs:
        run = client.get(f"/api/jobs/{job['id']}")["runs"][-1]
        client.send(
            "PUT", f"/api/runs/{run['id']}/weight", {"version": run["version"], "model_g": 48.0, "waste_g": 24.0}
        )
    assert (each()["part_g"], each()["waste_g"]) == (pytest.approx(4.0), pytest.approx(2.0))
    assert each()["cost"] != pytest.approx(stated["cost"])
    with pytest.raises(ApiError, match="409"):
        client.send("PUT", f"/api/runs/{run['id']}/weight", {"version": run["version"], "model_g": 1.0})
    for wrong in ({"model_g": 0}, {"model_g": 5, "waste_g": -1}):
        with pytest.raises(ApiError, match="422"):
            client.send("PUT", f"/api/runs/{run['id']}/weight", {"version": run["version"] + 1} | wrong)


def test_every_artifact_has_its_cost_in_one_table_and_a_machine_what_it_costs_beside(client: Client) -> None:
    _model(client, "Corvane Twin", (250, 210), tools=2)
    study = plates.play(client, _spool(client, "S-1", 20.0), _spool(client, "S-2", 30.0), seed=3)
    table = client.get(f"/api/studies/{study}/cost-table", standby_h=1000)
    batch = {
        m["machine"]["unit_id"]: m["each"] for m in client.get(f"/api/studies/{study}/batch", parts=12)["machines"]
    }
    [row] = table["rows"]
    assert [m["machine"]["unit_id"] for m in table["machines"]] == [c["unit_id"] for c in row["cells"]]
    for cell in row["cells"]:
        each = batch[cell["unit_id"]]
        assert cell["cost"] == pytest.approx(each["cost"])
        assert cell["grams"] == pytest.approx(each["part_g"] + each["waste_g"])
        # Nothing failed: what failures cost is what chance still holds against so few prints, or nothing.
        assert 0 < cell["without_failures"] <= cell["cost"]
    names = {m["machine"]["unit_id"]: m["machine"]["name"] for m in table["machines"]}
    dear, cheap = sorted(row["cells"], key=lambda c: -c["cost"])
    more = 100 * (dear["cost"] / cheap["cost"] - 1)
    assert (
        row["says"]
        == f"Cheapest on {names[cheap['unit_id']]}; on {names[dear['unit_id']]}, the next, it costs {more:.0f} % more."
    )
    assert all(m["standby_cost"] is None and "power meter" in m["standby_needs"] for m in table["machines"])
    duo = next(m for m in table["machines"] if m["machine"]["name"] == "Dellmar Duo")
    assert (duo["usable"], duo["upgrades"], duo["residual"]) == (545, 0, 120)
    for wrong in (-1, 9000):
        with pytest.raises(ApiError, match="422"):
            client.get(f"/api/studies/{study}/cost-table", standby_h=wrong)


def test_a_batch_is_dearest_by_the_part_where_its_last_plate_is_nearly_empty(client: Client) -> None:
    _model(client, "Corvane Twin", (250, 210), tools=2)
    study = plates.play(client, _spool(client, "S-1"), _spool(client, "S-2"), seed=5)
    at = {
        n: client.get(f"/api/studies/{study}/batch", parts=n, available_h=100)["machines"][0]["each"]
        for n in (12, 13, 24)
    }
    assert at[13]["cost"] > at[12]["cost"]
    assert at[13]["waste_g"] == pytest.approx(at[12]["waste_g"] * 24 / 13)
    assert at[24]["cost"] == pytest.approx(at[12]["cost"])
    view = client.get(f"/api/studies/{study}/batch", parts=48)
    assert all(len(c["points"]) == 40 and c["points"][-1]["parts"] == 48 for c in view["curves"])
    assert any(r.startswith("Waste of a part: Corvane Twin wastes") for r in view["ratios"])
    for wrong in ({"parts": 0}, {"available_h": 800}, {"share": 0}, {"volts": -1}):
        with pytest.raises(ApiError, match="422"):
            client.get(f"/api/studies/{study}/batch", **wrong)


def test_a_batch_says_what_it_lacks(client: Client) -> None:
    models = [_model(client, n, (250, 250)) for n in ("A", "B")]
    study, _ = _drafted(client, models, {"artifact": "SB", "spool_id": _spool(client, "S-1"), "copies": 1})
    assert client.get(f"/api/studies/{study}/batch")["lines"] == []
    client.send("POST", f"/api/studies/{study}/freeze", {})
    view = client.get(f"/api/studies/{study}/batch")
    assert [m["needs"] for m in view["machines"]] == ["a sliced file that states its filament"] * 2
    assert (view["ratios"], view["curves"]) == ([], [])


def test_a_plate_of_one_has_no_curve_and_the_dearer_one_hears_what_would_make_it_cheaper(client: Client) -> None:
    study = make(client, {"Mesa": Turned(minutes=60), "Sparrow": Turned(minutes=90, price=700)}, copies=2)
    view = client.get(f"/api/studies/{study}/batch")
    assert [c["points"] for c in view["curves"]] == [[], []]
    [words] = client.get(f"/api/studies/{study}/cost")["cheaper"]
    assert words.startswith("Sparrow would be as cheap as Mesa if ")
    assert "its price were" in words
    equal = make(client, {"Left": Turned(), "Right": Turned()}, copies=2, title="Equal")
    assert client.get(f"/api/studies/{equal}/cost")["cheaper"] == []


def test_an_accessory_on_and_off_stands_side_by_side_at_cost(client: Client) -> None:
    _model(client, "Corvane Twin", (250, 210), tools=2)
    study = plates.play(client, _spool(client, "S-1"), _spool(client, "S-2"), seed=6)
    assert client.get(f"/api/studies/{study}/cost")["sides"] == ["machine"]
    plates.with_accessory(client, study, seed=6)
    view = client.get(f"/api/studies/{study}/cost", by="configuration")
    off, on = (
        next(m for m in view["machines"] if m["machine"]["name"] == f"Corvane Twin, {of}")
        for of in ("1 as delivered", "2 draught hood on")
    )
    assert (off["tries"], on["tries"]) == (2, 2)
    assert on["energy_kwh"] < 0.9 * off["energy_kwh"]
    assert on["total"]["value"] < off["total"]["value"]
    # As one machine its figures stay those of the configuration that most good prints, or the earlier, were made in.
    [whole] = [
        m for m in client.get(f"/api/studies/{study}/cost")["machines"] if m["machine"]["name"] == "Corvane Twin"
    ]
    assert whole["energy_kwh"] == pytest.approx(off["energy_kwh"])


def test_how_long_a_colour_change_takes_is_told_by_stopwatch_power_and_file(client: Client) -> None:
    _model(client, "Corvane Twin", (230, 190), tools=2)
    study = plates.play(client, _spool(client, "S-1"), _spool(client, "S-2"), 7)
    units = {
        u["machine"]["name"]: u["machine"]["unit_id"] for u in client.get(f"/api/studies/{study}/receive")["units"]
    }

    def told(machine: str) -> str:
        words = client.get(f"/api/studies/{study}/units/{units[machine]}/record")["printing"]["words"]
        return next(w for w in words if "colour change" in w)

    seen = re.fullmatch(
        r"A colour change takes ([\d.]+) ± ([\d.]+) s by the power of one print \((\d+) changes\); its files plan \d+ s\.",
        told("Corvane Twin"),
    )
    assert seen
    takes, within, changes = map(float, seen.groups())
    assert abs(takes - plates.MACHINES["Corvane Twin"].change_s) < within + 0.5
    assert plates.LAYERS - 1 <= changes <= plates.LAYERS
    unseen = told("Dellmar Duo")
    assert unseen.startswith("A colour change was not timed; its files plan ")
    assert unseen.endswith("The power of its prints tells it once there is a power log.")
    client.send("POST", f"/api/studies/{study}/units/{units['Dellmar Duo']}/measures", {
        "id": new(), "kind": "colour change", "value": 50})  # fmt: skip
    assert told("Dellmar Duo").startswith("A colour change takes 50.0 ± 9.8 s by stopwatch (1); its files plan ")
