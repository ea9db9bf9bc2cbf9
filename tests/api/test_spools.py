"""Spools of a line: one a tool up to sixteen, a machine's own, and arms in steps of one condition."""

import pytest

from crevlo.sim import device
from crevlo.sim.client import ApiError, Client
from tests.conftest import Bench
from tests.small import draft_study, new


@pytest.fixture
def client(bench: Bench) -> Client:
    return bench.as_("reviewer")


def spool(client: Client, code: str, **other: object) -> str:
    made = new()
    client.send("POST", "/api/spools", {
        "id": made, "code": code, "maker": "Wendle Works", "material": "PLA", "colour": "red", "density_g_cm3": 1.24,
        "price_per_kg": 20, **other})  # fmt: skip
    return made


def draft_of(plan: dict) -> dict:
    return {k: plan[k] for k in ("version", "question", "policies", "repeats", "candidates")} | {
        "arms": [{"name": a["name"], "slicing": a["slicing"], "conditions": a["conditions"], "lines": [
            {k: x[k] for k in ("artifact", "spool_id", "second_spool_id", "more_spool_ids", "own_spools", "copies", "parts")}
            for x in a["lines"]]} for a in plan["arms"]]}  # fmt: skip


def test_a_line_feeds_up_to_sixteen_tools_and_all_of_them_are_held(client: Client) -> None:
    study = draft_study(client, ("Mesa", "Sparrow"))
    plan = client.get(f"/api/studies/{study}/plan")
    reels = [spool(client, f"R-{n:02d}", price_per_kg=10 * n) for n in range(1, 18)]
    draft = draft_of(plan)
    line = draft["arms"][0]["lines"][0]

    def put(**change: object) -> dict:
        return client.send("PUT", f"/api/studies/{study}/plan", draft | {"arms": [
            draft["arms"][0] | {"lines": [line | change]}]})  # fmt: skip

    with pytest.raises(ApiError, match="A third spool comes after the second"):
        put(more_spool_ids=reels[:1])
    with pytest.raises(ApiError, match="in two tools at once"):
        put(second_spool_id=reels[0], more_spool_ids=[reels[1], reels[0]])
    with pytest.raises(ApiError, match="422"):
        put(second_spool_id=reels[0], more_spool_ids=reels[1:17])
    plan = put(second_spool_id=reels[0], more_spool_ids=reels[1:15])
    assert plan["arms"][0]["lines"][0]["more_spool_ids"] == reels[1:15]
    file = client.get(f"/api/studies/{study}/protocol.json")
    assert file["arms"][0]["lines"][0]["more_spools"] == [f"R-{n:02d}" for n in range(2, 16)]
    back = client.send("POST", "/api/protocols/read", file)
    assert back["arms"][0]["lines"][0]["more_spool_ids"] == reels[1:15]
    client.send("POST", f"/api/studies/{study}/freeze", {})
    job = client.get(f"/api/studies/{study}/print")["jobs"][0]
    assert client.get(f"/api/jobs/{job['id']}")["spool"].count(" and ") == 15


def test_a_machine_takes_its_own_spool_and_stays_on_the_line(client: Client) -> None:
    study = draft_study(client, ("Mesa", "Sparrow"))
    plan = client.get(f"/api/studies/{study}/plan")
    wide, other = spool(client, "W-01", diameter_mm=2.85, price_per_kg=99), spool(client, "P-01", material="PETG")
    draft = draft_of(plan)
    line, sparrow = draft["arms"][0]["lines"][0], plan["candidates"][1]["model_id"]

    def put(own: list[dict]) -> dict:
        arms = [draft["arms"][0] | {"lines": [line | {"own_spools": own}]}]
        return client.send("PUT", f"/api/studies/{study}/plan", draft | {"arms": arms})

    with pytest.raises(ApiError, match="of the line's material"):
        put([{"model_id": sparrow, "spool_id": other}])
    with pytest.raises(ApiError, match="one spool of its own"):
        put([{"model_id": sparrow, "spool_id": wide}] * 2)
    put([{"model_id": sparrow, "spool_id": wide}])
    client.send("POST", f"/api/studies/{study}/freeze", {})
    jobs = {j["machine"]["name"]: j for j in client.get(f"/api/studies/{study}/print")["jobs"]}
    of = {name: client.get(f"/api/jobs/{j['id']}") for name, j in jobs.items()}
    assert of["Sparrow"]["spool"].startswith("W-01")
    assert "W-01" not in of["Mesa"]["spool"]
    for name, view in of.items():
        put_in = client.send(
            "PUT",
            f"/api/jobs/{view['id']}/file",
            content=device.sliced_file("step-block-a-0.20-absolute"),
            id=new(),
            name="a.gcode",
        )
        run = client.send("POST", f"/api/jobs/{view['id']}/runs", {
            "id": new(), "deviation_reason": "accepted" if put_in["file"]["deviations"] else ""})["runs"][-1]  # fmt: skip
        client.send("POST", f"/api/runs/{run['id']}/end", {"version": run["version"], "outcome": "done"})
        assert name in ("Mesa", "Sparrow")
    # One line, so one row in which both stand.
    (group,) = client.get(f"/api/studies/{study}/results")["groups"]
    assert len(group["pieces"]) == 1
    assert [c["text"] for r in group["pieces"][0]["rows"] if r["code"] == "success" for c in r["cells"]] == [
        "1 of 1",
        "1 of 1",
    ]


def test_arms_in_steps_of_speed_are_held_against_what_files_say(client: Client) -> None:
    study = draft_study(client, ("Mesa", "Sparrow"))
    plan = client.get(f"/api/studies/{study}/plan")
    draft = draft_of(plan)
    arm = draft["arms"][0]
    arms = [
        arm | {"name": f"Speed {v}", "conditions": arm["conditions"] | {"speed_mm_s": v}}
        for v in (60, 120, 240, 300, 400)
    ]
    plan = client.send("PUT", f"/api/studies/{study}/plan", draft | {"arms": arms})
    assert [
        a["fixed"].count(f"walls at {v} mm/s") for a, v in zip(plan["arms"], (60, 120, 240, 300, 400), strict=True)
    ] == [1] * 5
    with pytest.raises(ApiError, match="422"):
        client.send(
            "PUT", f"/api/studies/{study}/plan", draft_of(plan) | {"arms": [arm | {"name": f"{n}"} for n in range(9)]}
        )
    client.send("POST", f"/api/studies/{study}/freeze", {})
    job = next(j for j in client.get(f"/api/studies/{study}/print")["jobs"] if j["arm"] == "Speed 400")
    view = client.send(
        "PUT",
        f"/api/jobs/{job['id']}/file",
        content=device.sliced_file("step-block-a-0.20-absolute"),
        id=new(),
        name="a.gcode",
    )
    said = [d["setting"] for d in view["file"]["deviations"]] + list(view["file"]["silent"])
    assert "Speed of walls" in said


def test_the_effort_counts_each_unit_of_a_model(client: Client) -> None:
    study = draft_study(client, ("Mesa", "Sparrow"))
    plan = client.get(f"/api/studies/{study}/plan")
    second = plan["candidates"][0] | {"unit": 2}
    one = client.send("POST", f"/api/studies/{study}/effort", draft_of(plan))
    two = client.send(
        "POST", f"/api/studies/{study}/effort", draft_of(plan) | {"candidates": [*plan["candidates"], second]}
    )
    assert [m["name"] for m in two["machines"]] == ["Mesa", "Sparrow", "Mesa no. 2"]
    assert two["prints"] == one["prints"] + 1
    assert two["lines"][0]["on"] == ["Mesa", "Sparrow", "Mesa no. 2"]
