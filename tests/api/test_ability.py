"""What a machine cannot print is an outcome with its reason; it blanks nothing else."""

from datetime import UTC, datetime, timedelta

import pytest

from crevlo.sim.client import ApiError, Client
from tests.conftest import Bench
from tests.small import new
from tests.states import Turned, make


@pytest.fixture
def client(bench: Bench) -> Client:
    return bench.as_("reviewer")


def _jobs(client: Client, study: str, machine: str, artifact: str) -> list[dict]:
    jobs = client.get(f"/api/studies/{study}/print")["jobs"]
    return [j for j in jobs if j["machine"]["name"] == machine and j["artifact"] == artifact]


def _say(client: Client, job: str, **said: object) -> dict:
    return client.send("POST", f"/api/jobs/{job}/ability", {"id": new(), "able": False, "because": "extruder"} | said)


def test_what_one_cannot_print_leaves_its_other_figures_and_the_comparison_standing(client: Client) -> None:
    study = make(
        client, {"Mesa": Turned(off_mm=0.12), "Sparrow": Turned(off_mm=0.05)}, artifact=("SB", "RA"), measured=False,
        inspected=False, printed=False, copies=2,
    )  # fmt: skip
    arm = _jobs(client, study, "Sparrow", "Rack arm")[0]
    view = _say(client, arm["id"], words="soft as rubber")
    assert view["cannot"] == "the filament escapes the extruder: soft as rubber"
    assert [j["state"] for j in _jobs(client, study, "Sparrow", "Rack arm")] == ["cannot"] * 2
    assert [j["state"] for j in _jobs(client, study, "Sparrow", "Step block")] == ["planned"] * 2
    with pytest.raises(ApiError, match="cannot print it: the filament escapes the extruder"):
        client.send("POST", f"/api/jobs/{arm['id']}/runs", {"id": new(), "without_file": True, "deviation_reason": "none"})  # fmt: skip
    line = client.get(f"/api/studies/{study}/line")
    assert next(s["count"] for s in line["stations"] if s["station"] == "print") == "0/6"
    coverage = client.get(f"/api/studies/{study}/plan")["coverage"]
    cells = {r["machine"]["name"]: [c["left_out"] for c in r["cells"]] for r in coverage}
    assert cells["Mesa"] == ["", ""]
    assert [bool(c) for c in cells["Sparrow"]] == [False, True]
    for at, job in enumerate(
        _jobs(client, study, "Mesa", "Step block") + _jobs(client, study, "Sparrow", "Step block")
    ):
        began = datetime.now(UTC) - timedelta(days=1 + at)
        client.send("POST", f"/api/jobs/{job['id']}/paper-run", {
            "id": new(), "started_at": began.isoformat(), "ended_at": (began + timedelta(hours=2)).isoformat(), "outcome": "done",
            "without_file": True, "deviation_reason": "lost"})  # fmt: skip
    rank = client.send("POST", f"/api/studies/{study}/rank", {})
    assert any("Sparrow cannot print the Rack arm" in words for words in rank["apart"])
    for standing in rank["standings"]:
        time = next(c for c in standing["contributions"] if c["code"] == "time")
        assert time["raw"]["value"] == pytest.approx(2.0)
    back = _say(client, arm["id"], able=True, because="other", words="a drive with a guide was fitted")
    assert back["cannot"] == ""
    assert client.send("POST", f"/api/studies/{study}/rank", {})["apart"] == []


def test_a_must_have_for_a_material_leaves_out_what_cannot_print_it(client: Client) -> None:
    study = make(client, {"Mesa": Turned(), "Sparrow": Turned()}, buyer=[{"kind": "material", "what": "PLA"}])
    free = client.send("POST", f"/api/studies/{study}/rank", {})
    assert free["left_out"] == []
    for job in _jobs(client, study, "Sparrow", "Step block"):
        view = client.get(f"/api/jobs/{job['id']}")
        assert view["runs"][-1]["outcome"] == "done"
    other = make(
        client, {"Mesa": Turned(), "Sparrow": Turned()}, buyer=[{"kind": "material", "what": "PLA"}], printed=False,
        title="Second",
    )  # fmt: skip
    _say(client, _jobs(client, other, "Sparrow", "Step block")[0]["id"], because="maker", of_material=True)
    out = client.send("POST", f"/api/studies/{other}/rank", {})["left_out"]
    assert [(o["machine"]["name"], o["reason"]) for o in out] == [("Sparrow", "PLA: its maker rules it out")]


def test_it_is_said_once_with_its_reason_and_never_while_it_prints(client: Client) -> None:
    study = make(client, {"Mesa": Turned(), "Sparrow": Turned()}, printed=False, copies=2)
    first, second = _jobs(client, study, "Mesa", "Step block")
    for wrong in ({"because": "other"}, {"able": True, "because": "maker"}):
        with pytest.raises(ApiError, match="say why"):
            _say(client, first["id"], **wrong)
    with pytest.raises(ApiError, match="Nothing says that it cannot"):
        _say(client, first["id"], able=True, words="it can")
    run = client.send("POST", f"/api/jobs/{first['id']}/runs", {"id": new(), "without_file": True, "deviation_reason": "lost"})  # fmt: skip
    with pytest.raises(ApiError, match="printing that just now"):
        _say(client, second["id"])
    client.send("POST", f"/api/runs/{run['runs'][-1]['id']}/end", {"outcome": "failed", "cause": "machine"})
    assert _say(client, second["id"])["cannot"]
    for again in ({}, {"of_material": True}):
        with pytest.raises(ApiError, match="on record already"):
            _say(client, first["id"], **again)
    # The only piece: it stays, and the machine that cannot print it has no figure of it.
    rank = client.send("POST", f"/api/studies/{study}/rank", {})
    assert {s["machine"]["name"] for s in rank["standings"]} == {"Mesa", "Sparrow"}
