"""A public ballot: one say per browser and pair, nothing that tells a machine, kept apart from the raters, closed in time."""

import io
from datetime import UTC, datetime, timedelta

import pytest
from PIL import Image

from crevlo.sim.client import ApiError, Client
from tests.conftest import Bench
from tests.small import new
from tests.states import EQUAL, make


def photo(shade: int, size: tuple[int, int]) -> bytes:
    out = io.BytesIO()
    noise = Image.effect_noise(size, 40).point(lambda v: min(255, v // 2 + shade))
    noise.convert("RGB").save(out, "JPEG", comment=b"Sparrow on the left")
    return out.getvalue()


def soon(hours: float = 24) -> str:
    return (datetime.now(UTC) + timedelta(hours=hours)).isoformat()


@pytest.fixture
def reviewer(bench: Bench) -> Client:
    return bench.as_("reviewer")


@pytest.fixture
def study(reviewer: Client) -> str:
    study = make(reviewer, {"Mesa": EQUAL, "Sparrow": EQUAL}, copies=2, measured=False, inspected=True)
    queue = reviewer.get(f"/api/studies/{study}/measure")["queue"]
    with pytest.raises(ApiError, match="Photograph a piece of two machines first"):
        reviewer.send("POST", f"/api/studies/{study}/ballots", {"id": new(), "line": 1, "closes_at": soon()})
    for n, line in enumerate(queue):
        reviewer.send("PUT", f"/api/specimens/{line['id']}/photos", content=photo(40 * n, (400 + 200 * n, 300)),
                      id=new(), caption="the Sparrow's")  # fmt: skip
    return study


def test_an_audience_votes_without_learning_a_machine(bench: Bench, reviewer: Client, study: str) -> None:
    path = f"/api/studies/{study}/ballots"
    with pytest.raises(ApiError, match="within 60 days"):
        reviewer.send("POST", path, {"id": new(), "line": 1, "closes_at": soon(24 * 90)})
    key = reviewer.send("POST", path, {"id": new(), "line": 1, "closes_at": soon()})["ballots"][0]["key"]
    assert bench.as_("rater").http.get(path).status_code == 403
    assert bench.anyone().http.get(path).status_code == 401

    sizes, heard, orders = set(), "", []
    for _ in range(6):
        voter = bench.anyone()
        order, view = [], voter.get(f"/api/ballots/{key}")
        while view["first"]:
            for side in ("first", "second"):
                seen = voter.http.get(view[side]["picture"])
                assert seen.headers["content-type"] == "image/jpeg"
                with Image.open(io.BytesIO(seen.content)) as opened:
                    sizes.add((opened.size, len(seen.content)))
                assert b"Sparrow" not in seen.content
            heard += str(view)
            codes = (view["first"]["blind_code"], view["second"]["blind_code"])
            order.append(codes)
            say = {
                "id": new(),
                "first": codes[0],
                "second": codes[1],
                "ticket": view["ticket"],
                "won": "first" if min(codes) == codes[0] else "second",
            }
            view = voter.send("POST", f"/api/ballots/{key}/votes", say)
            again = voter.send("POST", f"/api/ballots/{key}/votes", say | {"id": new(), "won": "tie"})
            assert again["said"] == view["said"]  # a second say on the same pair changes nothing
        assert (view["said"], view["pairs"]) == (6, 6)
        orders.append(tuple(order))
    assert len(sizes) == 1
    assert len(set(orders)) > 2
    assert "Sparrow" not in heard
    assert "Mesa" not in heard

    ballot = reviewer.get(path)["ballots"][0]
    assert (ballot["votes"], ballot["voters"], ballot["ties"]) == (36, 6, 0)
    codes = sorted(s["name"] for s in ballot["standing"])
    assert ballot["standing"][0]["name"] == codes[0]
    # What the audience says is no duel of the raters.
    assert reviewer.get(f"/api/studies/{study}/duels")["lines"][0]["fought"] == 0

    one = bench.anyone()
    view = one.get(f"/api/ballots/{key}")
    with pytest.raises(ApiError, match="pair that is shown"):
        one.send(
            "POST", f"/api/ballots/{key}/votes", {"id": new(), "first": codes[0], "second": codes[0], "won": "tie"}
        )
    reviewer.send("POST", f"/api/ballots/{ballot['id']}/close")
    with pytest.raises(ApiError, match="closed"):
        one.send("POST", f"/api/ballots/{key}/votes", {
            "id": new(), "first": view["first"]["blind_code"], "second": view["second"]["blind_code"], "ticket": view["ticket"], "won": "tie"})  # fmt: skip
    shut = one.get(f"/api/ballots/{key}")
    assert (shut["open"], shut["first"]) == (False, None)
    with pytest.raises(ApiError, match="no such ballot"):
        one.get("/api/ballots/" + "x" * 16)


def test_once_machines_are_known_they_are_named_and_nothing_is_voted_any_more(
    bench: Bench, reviewer: Client, study: str
) -> None:
    path = f"/api/studies/{study}/ballots"
    key = reviewer.send("POST", path, {"id": new(), "line": 1, "closes_at": soon()})["ballots"][0]["key"]
    voter = bench.anyone()
    view = voter.get(f"/api/ballots/{key}")
    while view["first"]:
        view = voter.send("POST", f"/api/ballots/{key}/votes", {
            "id": new(), "first": view["first"]["blind_code"], "second": view["second"]["blind_code"], "ticket": view["ticket"],
            "won": "tie"})  # fmt: skip
    reviewer.send("POST", f"/api/studies/{study}/reveal")
    ballot = reviewer.get(path)["ballots"][0]
    assert {s["name"] for s in ballot["standing"]} == {"Mesa", "Sparrow"}
    assert (ballot["open"], ballot["words"]) == (False, "6 votes from 1 browser: the first two are not told apart.")
    assert voter.get(f"/api/ballots/{key}")["first"] is None


def test_one_address_cannot_flood_a_ballot(
    bench: Bench, reviewer: Client, study: str, monkeypatch: pytest.MonkeyPatch
) -> None:
    monkeypatch.setattr("crevlo.stations.inspect.ballot.MOST_AT_ONCE", 2)
    path = f"/api/studies/{study}/ballots"
    key = reviewer.send("POST", path, {"id": new(), "line": 1, "closes_at": soon()})["ballots"][0]["key"]
    said = []
    for _ in range(3):
        voter = bench.anyone()
        view = voter.get(f"/api/ballots/{key}")
        answer = voter.http.post(f"/api/ballots/{key}/votes", json={
            "id": new(), "first": view["first"]["blind_code"], "second": view["second"]["blind_code"], "ticket": view["ticket"], "won": "first"},
            headers={"X-CSRFToken": voter.csrf})  # fmt: skip
        said.append(answer.status_code)
    assert said == [200, 200, 429]
