"""Two machines alone: every figure side by side, on what every machine of the study prints."""

import re

import pytest

from crevlo.sim.client import ApiError, Client
from tests.conftest import Bench
from tests.small import new
from tests.states import Turned, make


@pytest.fixture
def client(bench: Bench) -> Client:
    return bench.as_("reviewer")


def test_two_machines_are_set_side_by_side_in_all_that_is_known(bench: Bench, client: Client) -> None:
    study = make(client, {"Mesa": Turned(), "Sparrow": Turned(off_mm=0.3), "Twin": Turned()}, copies=2)
    rank = client.send("POST", f"/api/studies/{study}/rank", {})
    units = {s["machine"]["name"]: s["machine"]["unit_id"] for s in rank["standings"]}
    raw = {s["machine"]["name"]: {c["code"]: c["raw"] for c in s["contributions"]} for s in rank["standings"]}
    path = f"/api/studies/{study}/compare"
    view = client.get(path, first=units["Mesa"], second=units["Sparrow"])
    lines = {line["code"]: line for line in view["lines"]}
    # What counts and what only tells: all of it, as Rank has it.
    assert {c for c, q in raw["Mesa"].items() if q["value"] is not None} <= lines.keys()
    assert len(lines) > len(raw["Mesa"])
    for code, known in raw["Mesa"].items():
        if known["value"] is not None:
            assert lines[code]["first"]["words"] == known["words"]
    assert (lines["off.mean"]["ahead"], lines["off.mean"]["differs"]) == ("first", True)
    assert lines["off.mean"]["difference"].startswith("−")
    assert view["says"].startswith(
        f"Of {sum(x['ahead'] != 'not known' for x in view['lines'])} figures known of both: Mesa is ahead in "
    )
    turned = client.get(path, first=units["Sparrow"], second=units["Mesa"])
    ahead = {"first": "second", "second": "first"}
    assert {x["code"]: x["ahead"] for x in turned["lines"]} == {
        x["code"]: ahead.get(x["ahead"], x["ahead"]) for x in view["lines"]
    }
    alike = client.get(path, first=units["Mesa"], second=units["Twin"])
    assert not any(x["differs"] for x in alike["lines"])
    assert "not tell them apart" in alike["says"]
    with pytest.raises(ApiError, match="two different machines"):
        client.get(path, first=units["Mesa"], second=units["Mesa"])
    with pytest.raises(ApiError, match="no part in the study"):
        client.get(path, first=units["Mesa"], second=new())
    assert (
        bench.as_("rater").http.get(path, params={"first": units["Mesa"], "second": units["Twin"]}).status_code == 403
    )


def test_nothing_measured_is_said_so(client: Client) -> None:
    study = make(client, {"Mesa": Turned(price=None), "Sparrow": Turned(price=None)}, printed=False)
    units = [s["machine"]["unit_id"] for s in client.send("POST", f"/api/studies/{study}/rank", {})["standings"]]
    view = client.get(f"/api/studies/{study}/compare", first=units[0], second=units[1])
    assert view["says"].startswith("Nothing is known of both ")
    assert view["how"] == ""


def test_stock_stands_against_the_machines_own_profile_on_the_same_pieces(client: Client) -> None:
    study = make(client, {"Mesa": Turned(), "Sparrow": Turned()}, copies=2, own_arm=True)
    unit = client.send("POST", f"/api/studies/{study}/rank", {})["standings"][0]["machine"]["unit_id"]
    arms = {a["name"]: a["id"] for a in client.get(f"/api/studies/{study}/plan")["arms"]}
    path = f"/api/studies/{study}/compare"
    view = client.get(path, first=unit, second=unit, first_arm=arms["Stock"], second_arm=arms["Own profiles"])
    assert [a["name"] for a in view["arms"]] == list(arms)
    lines = {line["code"]: line for line in view["lines"]}
    # Whatever the arm, a machine costs what it cost; its prints are those of each arm.
    assert lines["time"]["first"]["value"] is not None
    assert "Step block" in view["how"]
    again = client.get(path, first=unit, second=unit, first_arm=arms["Own profiles"], second_arm=arms["Stock"])
    assert {x["code"]: (x["first"], x["second"]) for x in again["lines"]} == {
        x["code"]: (x["second"], x["first"]) for x in view["lines"]}  # fmt: skip
    with pytest.raises(ApiError, match="two arms of one"):
        client.get(path, first=unit, second=unit, second_arm=arms["Stock"])
    with pytest.raises(ApiError, match="no such arm"):
        client.get(path, first=unit, second=unit, second_arm=new())


def test_other_ways_to_count_stand_beside_the_points(bench: Bench, client: Client) -> None:
    # One good and dear, one cheap and loud, one in between.
    study = make(client, {
        "Dear": Turned(off_mm=0.02, severity=0, price=900, noise_db=45), "Cheap": Turned(off_mm=0.12, severity=3, price=200, noise_db=62),
        "Middle": Turned(price=500)}, copies=2)  # fmt: skip
    path = f"/api/studies/{study}/schools"
    view = client.send("POST", path, {"enough": 0})
    names = {m["unit_id"]: m["name"] for m in view["machines"]}
    places = {s["code"]: {names[c["unit_id"]]: c["rank"] for c in s["cells"]} for s in view["schools"]}
    rank = client.send("POST", f"/api/studies/{study}/rank", {})
    assert [m["name"] for m in view["machines"]] == [s["machine"]["name"] for s in rank["standings"]]
    assert places["points"]["Dear"] == 1
    assert places["enough"] == {"Cheap": 1, "Middle": 2, "Dear": 3}
    assert places["wins"]["Dear"] == places["mean"]["Dear"] == places["ranks"]["Dear"] == 1
    needs = {s["code"]: s["needs"] for s in view["schools"]}
    assert "duels" in needs["duels"]
    assert needs["wins"] == ""
    agrees = {s["code"]: s["agrees"] for s in view["schools"]}
    assert agrees["points"] is None
    assert agrees["enough"] == pytest.approx(-1)
    assert any(w.startswith("Not to be worked out yet: ") for w in view["says"])
    assert view["says"][-1].startswith("Points prefer Dear because of ")
    assert "cheapest that is good enough prefers Cheap, ahead in " in view["says"][-1]
    assert "cheapest that is good enough puts Cheap first" in " ".join(view["says"]).lower().replace(
        "cheap first", "Cheap first"
    )
    # How sure the first place of each is, from draws; ranks say their own chance, and prices alone leave no doubt.
    sure = {s["code"]: s["certainty"] for s in view["schools"]}
    assert sure["enough"] == "100 %"
    assert re.fullmatch(r"(over 99|\d\d|100) %", sure["points"])
    assert re.fullmatch(r"(over 99|\d\d|100) %", sure["wins"])
    assert re.fullmatch(r"(over 99|\d\d|100) %", sure["mean"])
    assert (sure["ranks"], sure["duels"], sure["lines"]) == ("", "", "")
    # From the cheapest on, each step brings points for money.
    assert [s["machine"]["name"] for s in view["steps"]] == ["Cheap", "Middle", "Dear"]
    assert view["steps"][1]["words"].startswith("For 300 EUR more: Middle, ")
    # Whatever is to be spent, the best that it buys is a step.
    stands = [(s["all_in"]["value"], s["total"], s["machine"]["name"]) for s in rank["standings"]]
    steps = {s["machine"]["name"]: (s["price"], s["points"]) for s in view["steps"]}
    for budget in (200, 499, 500, 899, 900, 2000):
        best = max((total, name) for price, total, name in stands if price <= budget)[1]
        assert steps[best] == next(pytest.approx((price, total)) for price, total, name in stands if name == best)
    none = client.send("POST", path, {"enough": 100})
    enough = next(s for s in none["schools"] if s["code"] == "enough")
    assert enough["needs"] == "two machines with a price and 100 points"
    # The weights on screen count here too.
    weights = {c["code"]: 100.0 * (c["code"] == "noise") for c in rank["criteria"]}
    loud = client.send("POST", path, {"enough": 0, "weights": weights})
    assert {names[c["unit_id"]]: c["rank"] for c in loud["schools"][0]["cells"]}["Dear"] == 1
    with pytest.raises(ApiError, match="422"):
        client.send("POST", path, {"enough": 101})
    with pytest.raises(ApiError, match="403"):
        bench.as_("rater").send("POST", path, {})


def test_with_nothing_measured_no_way_to_count_gives_an_order(client: Client) -> None:
    study = make(client, {"Mesa": Turned(price=None), "Sparrow": Turned(price=None)}, printed=False)
    view = client.send("POST", f"/api/studies/{study}/schools", {})
    assert all(s["needs"] for s in view["schools"])
    assert view["steps"] == []
    assert len(view["says"]) == 1
