"""A simulated study entered over the API, as a person would: the figures, their uncertainty and the chances are the core's."""

import uuid
from datetime import UTC, datetime, timedelta

import pytest

from crevlo.core.estimate import NotDetermined
from crevlo.core.evidence import Evidence, Run
from crevlo.core.figure import interval
from crevlo.core.ranking.chances import DRAWS, draw_values, rank_chances
from crevlo.sim import device
from crevlo.sim.client import ApiError, Client
from crevlo.stations.blind import asks_for_everybody
from crevlo.stations.figures.study import study_figures
from tests.conftest import Bench
from tests.small import new
from tests.truth.coverage import figures_of
from tests.truth.ranking import functions_of
from tests.truth.study import Setting, study

SLICED = device.sliced_file("step-block-a-0.20-absolute")
NAMES = ("Mesa", "Sparrow", "Twin", "Brindle")
WEIGHTS = {"off.mean": 40, "noise": 30, "time": 20, "energy": 10}


def enter(client: Client, evidence: Evidence, repeats: int) -> tuple[str, dict[str, int]]:
    """Enters all of it blind; gives the study, and by unit which machine of the evidence it is."""
    ids = {kind: new() for kind in ("C", "P", "S")}
    kinds = {"C": ("caliper", "mm"), "P": ("power meter", "Wh"), "S": ("sound meter", "dB")}
    for key, (kind, unit) in kinds.items():
        i = evidence.instruments[key]
        client.send("POST", "/api/instruments", {
            "id": ids[key], "code": i.code, "kind": kind, "unit": unit, "resolution": i.resolution,
            "u_calibration": i.u_calibration, "repeatability": i.repeatability})  # fmt: skip
    spool, made, models = new(), new(), {name: new() for name in NAMES}
    for name, model in models.items():
        client.send(
            "POST", "/api/models", {"id": model, "name": name, "bed_x_mm": 220, "bed_y_mm": 220, "height_mm": 250}
        )
    client.send("POST", "/api/spools", {
        "id": spool, "code": "S-1", "maker": "Wendle Works", "material": "PLA", "colour": "moss", "density_g_cm3": 1.24,
        "price_per_kg": 22.5, "currency": "EUR"})  # fmt: skip
    view = client.send(
        "POST", "/api/studies", {"id": made, "title": "True", "question": "Which?", "seed": 5, "currency": "EUR"}
    )
    copies = max(sum(r.line == "SB" and r.specimen is not None for r in m.runs) for m in evidence.machines.values())
    client.send("PUT", f"/api/studies/{made}/plan", {
        "version": view["version"], "question": "Which?", "policies": view["policies"], "repeats": repeats,
        "arms": [{"name": "Stock", "slicing": "common", "lines": [{"artifact": "SB", "spool_id": spool, "copies": copies}]}],
        "candidates": [{"model_id": m} for m in models.values()]})  # fmt: skip
    client.send(
        "POST", f"/api/studies/{made}/freeze", {"frozen_at": (datetime.now(UTC) - timedelta(days=60)).isoformat()}
    )
    left = {n: [r for r in evidence.machines[k].runs if r.specimen] for k, n in enumerate(NAMES)}
    units: dict[str, int] = {}
    printed: dict[str, Run] = {}
    clock = datetime.now(UTC) - timedelta(days=50)
    for job in client.get(f"/api/studies/{made}/print")["jobs"]:
        name, clock = job["machine"]["name"], clock + timedelta(hours=6)
        units[job["machine"]["unit_id"]] = NAMES.index(name)
        if not left[name]:
            continue
        run = left[name].pop(0)
        printed[_print(client, job, run, clock, ids)] = run
    for line in client.get(f"/api/studies/{made}/measure")["queue"]:
        _measure(client, made, line, printed[line["blind_code"]], ids["C"])
    return made, units


def _print(client: Client, job: dict, of: Run, at: datetime, ids: dict[str, str]) -> str:
    view = client.send("PUT", f"/api/jobs/{job['id']}/file", content=SLICED, id=new(), name="a.gcode")
    reason = "accepted" if view["file"]["deviations"] else ""
    run = client.send("POST", f"/api/jobs/{job['id']}/runs", {"id": new(), "started_at": at.isoformat(), "deviation_reason": reason})["runs"][-1]  # fmt: skip
    client.send("PUT", f"/api/runs/{run['id']}/energy", {
        "version": run["version"], "energy_wh": 1000 * of.kwh, "instrument_id": ids["P"]})  # fmt: skip
    for n, level in enumerate(of.levels):
        client.send("POST", f"/api/runs/{run['id']}/noise", {
            "id": new(), "level_db": level.level_db, "background_db": level.background_db, "distance_m": 1.0, "door_shut": True,
            "instrument_id": ids["S"], "taken_at": (at + timedelta(minutes=5 + n)).isoformat()})  # fmt: skip
    ended = client.send("POST", f"/api/runs/{run['id']}/end", {
        "version": run["version"] + 1, "outcome": "done", "ended_at": (at + timedelta(hours=of.hours)).isoformat()})  # fmt: skip
    return ended["runs"][-1]["bag_code"]


def _measure(client: Client, made: str, line: dict, of: Run, caliper: str) -> None:
    client.send("POST", f"/api/studies/{made}/zero-checks", {"id": new(), "instrument_id": caliper, "value": 0.0})
    taken: dict[str, list[float | None]] = {}
    for reading in of.specimen.readings:
        taken.setdefault(reading.feature, []).append(reading.value)
    faces = client.get(f"/api/specimens/{line['id']}")["features"]
    client.send("POST", f"/api/specimens/{line['id']}/readings/batch", {"readings": [
        {"id": new(), "feature_id": f["feature_id"], "repeat": n, "instrument_id": caliper, "value": value}
        for f in faces for n, value in enumerate(taken[f["code"]], 1)]})  # fmt: skip


@pytest.mark.parametrize(("seed", "copies"), [(3, (2,)), (4, (2, 1, 2, 2))])
def test_what_is_entered_is_what_is_evaluated(bench: Bench, seed: int, copies: tuple[int, ...]) -> None:
    setting = Setting("entered", machines=4, copies=copies, artifacts=("SB",), tries=0)
    evidence, _ = study(setting, seed)
    client = bench.as_("reviewer")
    made, units = enter(client, evidence, setting.repeats)
    client.enter("POST", f"/api/studies/{made}/unblinding")
    codes = ["scale.x", "scale.z", "wall.offset", "hole.offset", "repeatability", *WEIGHTS]
    core = figures_of(evidence, codes)
    with bench.app.extensions["crevlo"]["sessions"]() as session:
        asks_for_everybody(session)
        found = study_figures(session, uuid.UUID(made))
        for unit, machine in units.items():
            for code in codes:
                figure, expected = found.figure(code, uuid.UUID(unit)), core[code][machine]
                if isinstance(expected, NotDetermined):
                    assert (code, figure) == ("repeatability", expected)
                    continue
                assert interval(figure) == pytest.approx(interval(expected), rel=1e-4, abs=1e-6), (code, machine)
                assert getattr(figure, "shared", {}) == pytest.approx(getattr(expected, "shared", {}), abs=1e-6), code
    _read_the_source(client, made, {machine: unit for unit, machine in units.items()}, single=1 in copies)
    number = client.get(f"/api/studies/{made}/scheme")["number"]
    functions = functions_of(list(WEIGHTS))
    criteria = [
        {"code": code, "weight": weight, "shape": "linear", "points": [{"raw": raw, "value": value} for raw, value in f.points]}
        for (code, weight), f in zip(WEIGHTS.items(), functions, strict=True)
    ]  # fmt: skip
    client.send("POST", f"/api/studies/{made}/scheme", {"id": new(), "number": number, "criteria": criteria})
    ranked = client.send("POST", f"/api/studies/{made}/rank", {"show_gated": True})
    rows = [[core[c][m] for c in WEIGHTS] for m in range(4)]
    drawn = draw_values(rows, functions, 5, DRAWS, codes=list(WEIGHTS))
    chance = rank_chances(list(WEIGHTS.values()), drawn, 5, ranked["weight_spread"]).rank[:, 0]
    for standing in ranked["standings"]:
        assert standing["first_chance"] == pytest.approx(chance[units[standing["machine"]["unit_id"]]], abs=0.02)


def _read_the_source(client: Client, made: str, units: dict[int, str], *, single: bool) -> None:
    """A reader sees which part of a ± others share, and where a spread was borrowed."""

    def source(machine: int, code: str) -> list[dict]:
        return client.send("POST", f"/api/studies/{made}/units/{units[machine]}/rank-source", {"criterion": code})[
            "inputs"
        ]

    shared = [i for i in source(1, "noise") if i["name"] == "Of its uncertainty"]
    assert [i["note"] for i in shared] == [
        "is the sound meter S-1 calibration: the same for all that is read with it"
    ]
    assert shared[0]["amount"] == "± 1.37 dB"
    borrowed = [i["amount"] for i in source(1, "time") if i["name"] == "Spread"]
    assert borrowed == (["borrowed from the field"] if single else [])
    assert not [i for i in source(0, "time") if i["name"] in ("Spread", "Of its uncertainty")]


def test_how_warm_the_parts_are_is_kept_with_every_reading_of_the_sitting_and_is_in_its_uncertainty(
    bench: Bench,
) -> None:
    client = bench.as_("reviewer")
    evidence, _ = study(Setting("warm", machines=4, copies=(1,), artifacts=("SB",), tries=0), 6)
    made, _ = enter(client, evidence, 3)
    queue = client.get(f"/api/studies/{made}/measure")
    caliper = next(i["id"] for i in queue["instruments"] if i["kind"] == "caliper")
    line = client.get(f"/api/specimens/{queue['queue'][0]['id']}")
    face = max(line["features"], key=lambda f: f["nominal"])
    cool = face["off"]["high"] - face["off"]["value"]
    with pytest.raises(ApiError, match="part c"):
        client.send(
            "POST",
            f"/api/studies/{made}/zero-checks",
            {"id": new(), "instrument_id": caliper, "value": 0.0, "part_c": 400},
        )
    client.send(
        "POST",
        f"/api/studies/{made}/zero-checks",
        {"id": new(), "instrument_id": caliper, "value": 0.0, "part_c": 30},
    )
    for reading in face["readings"]:
        line = client.send("POST", f"/api/specimens/{line['id']}/corrections", {
            "id": new(), "supersedes_id": reading["id"], "value": reading["value"], "reason": "read warm", "instrument_id": caliper})  # fmt: skip
    after = next(f for f in line["features"] if f["code"] == face["code"])
    warm = after["off"]["high"] - after["off"]["value"]
    assert after["off"]["value"] == pytest.approx(face["off"]["value"])
    # 45 mm of plastic, 10 K from where sizes are stated: 0.032 mm beside what was there.
    assert warm > (cool**2 + (1.9 * 70e-6 * face["nominal"] * 10) ** 2) ** 0.5
