"""References: a machine of another study, what is typical of several, figures as somebody states them."""

import pytest

from crevlo.core.ranking.chances import draw_values
from crevlo.sim.client import ApiError, Client
from crevlo.stations.rank import reference
from tests.conftest import Bench
from tests.small import draft_study, new
from tests.states import Turned, make

OLD, BETTER = Turned(off_mm=0.2, minutes=90, severity=3), Turned(off_mm=0.02, minutes=50, severity=0)


@pytest.fixture
def client(bench: Bench) -> Client:
    return bench.as_("reviewer")


def units(client: Client, study: str) -> dict[str, str]:
    return {
        u["machine"]["name"]: u["machine"]["unit_id"] for u in client.get(f"/api/studies/{study}/receive")["units"]
    }


def refer(
    client: Client, study: str, kind: str, name: str, members: tuple[tuple[str, str], ...] = (), **more: object
) -> dict:
    return client.send("POST", f"/api/studies/{study}/references", {
        "id": new(), "kind": kind, "name": name,
        "members": [{"study_id": s, "unit_id": u} for s, u in members], **more})  # fmt: skip


def test_a_machine_of_an_earlier_study_is_what_a_single_machine_is_held_against(bench: Bench, client: Client) -> None:
    spring = make(client, {"Mesa": OLD, "Sparrow": OLD}, copies=2, title="Spring")
    autumn = make(client, {"Twin": BETTER, "Forge": OLD}, copies=2, title="Autumn")
    mesa = units(client, spring)["Mesa"]
    view = client.get(f"/api/studies/{autumn}/references")
    assert [(c["title"], [u["name"] for u in c["units"]]) for c in view["choices"]] == [
        ("Spring", ["Mesa", "Sparrow"])
    ]
    view = refer(client, autumn, "machine", "The one we have", ((spring, mesa),))
    (mine,) = view["references"]
    assert mine["known"] == len(view["figures"])
    assert mine["age"].startswith("Mesa in “Spring”, the last print ")
    # Of its prints of the same piece and material it has the figures that it has at home.
    there = client.send("POST", f"/api/studies/{spring}/rank", {})
    here = client.send("POST", f"/api/studies/{autumn}/rank", {})
    (line,) = here["references"]
    at_home = next(s for s in there["standings"] if s["machine"]["name"] == "Mesa")
    assert line["total_low"] == pytest.approx(at_home["total"], abs=0.06)
    assert line["total_low"] == line["total_high"]
    assert line["says"].startswith("Twin would replace it: ")
    assert line["says"].endswith(" points better on all that counts, in over 99 % of the draws.")
    # It stands in the table, and takes no place of a machine of this study.
    table = client.get(f"/api/studies/{autumn}/results")
    piece = table["groups"][0]["pieces"][0]
    assert [r["name"] for r in table["references"]] == ["The one we have"]
    for row in piece["rows"]:
        assert len(row["cells"]) == 3
        assert row["cells"][2]["place"] == ""
    time = next(r for r in piece["rows"] if r["code"] == "time")
    assert time["cells"][2]["text"] == "1.50"
    source = client.get(f"/api/studies/{autumn}/units/{mine['id']}/result-source", code="time",
                        artifact=piece["artifact_id"], spool=piece["spool_id"])  # fmt: skip
    assert source["inputs"][0]["name"] == "Mesa, Spring"
    twin = units(client, autumn)["Twin"]
    against = client.get(f"/api/studies/{autumn}/compare", first=twin, second=mine["id"])
    assert {x["code"]: x["ahead"] for x in against["lines"]}["off.mean"] == "first"
    assert "Step block" in against["how"]
    # Nothing of it is open to a rater, and it can be taken away again.
    assert bench.as_("rater").http.get(f"/api/studies/{autumn}/references").status_code == 403
    assert client.send("DELETE", f"/api/studies/{autumn}/references/{mine['id']}")["references"] == []
    assert client.send("POST", f"/api/studies/{autumn}/rank", {})["references"] == []


def test_a_reference_costs_what_it_would_cost_the_buyer_who_asks(client: Client) -> None:
    spring = make(client, {"Mesa": OLD, "Sparrow": OLD}, copies=2, title="Spring")
    autumn = make(client, {"Twin": BETTER, "Forge": OLD}, copies=2, title="Autumn")
    refer(client, autumn, "machine", "Ours", ((spring, units(client, spring)["Mesa"]),))
    rank = lambda study: client.send("POST", f"/api/studies/{study}/rank", {})  # noqa: E731
    every_hour = rank(autumn)["references"][0]["total_low"]
    for study in (spring, autumn):
        profile = rank(study)["profile"]
        client.send("PUT", f"/api/studies/{study}/buyers/{profile['id']}", {
            "version": profile["version"], "wishes": {"prints_month": 1}})  # fmt: skip
    there, here = rank(spring), rank(autumn)
    at_home = next(s["total"] for s in there["standings"] if s["machine"]["name"] == "Mesa")
    assert here["references"][0]["total_low"] == pytest.approx(at_home, abs=0.06)
    assert abs(at_home - every_hour) > 0.5


def test_what_is_typical_and_what_somebody_states(client: Client) -> None:
    spring = make(
        client, {"Mesa": OLD, "Sparrow": Turned(minutes=110)}, copies=2, title="Spring", artifact=["SB", "SF"]
    )
    autumn = make(client, {"Twin": BETTER, "Forge": BETTER}, copies=2, title="Autumn")
    members = tuple((spring, u) for u in units(client, spring).values())
    with pytest.raises(ApiError, match="takes two machines or more"):
        refer(client, autumn, "typical", "The usual", members[:1])
    with pytest.raises(ApiError, match="those of this one stand side by side already"):
        refer(client, autumn, "machine", "Twin", ((autumn, units(client, autumn)["Twin"]),))
    with pytest.raises(ApiError, match="no such machine"):
        refer(client, autumn, "machine", "Who", ((spring, new()),))
    with pytest.raises(ApiError, match="where the figures come from"):
        refer(client, autumn, "stated", "A reader's", figures={"time": {"value": 1}})
    with pytest.raises(ApiError, match="no figure called nonsense"):
        refer(client, autumn, "stated", "A reader's", about="a letter", figures={"nonsense": {"value": 1}})
    refer(client, autumn, "typical", "The usual", members)
    refer(client, autumn, "stated", "A reader's", about="a letter of May", figures={
        "time": {"value": 2.0, "expanded": 0.1}, "success": {"value": 80}})  # fmt: skip
    with pytest.raises(ApiError, match="already a reference called The usual"):
        refer(client, autumn, "typical", "the usual", members)
    lines = {r["name"]: r for r in client.send("POST", f"/api/studies/{autumn}/rank", {})["references"]}
    assert lines["The usual"]["age"].startswith("mean of 2 machines, the last print ")
    table = client.get(f"/api/studies/{autumn}/results")
    rows = {r["code"]: r for r in table["groups"][0]["pieces"][0]["rows"]}
    # Only the piece that both studies print, in the same material: 90 and 110 min.
    assert [c["text"] for c in rows["time"]["cells"][2:]] == ["1.67", "2.00"]
    reader = lines["A reader's"]
    assert reader["total_low"] < reader["total_high"]
    assert reader["missing"] == len(reader["needs"])
    assert "criteria that both have" in reader["says"]
    every = {r["code"]: r for r in table["every"]}
    assert every["success"]["cells"][3]["text"] == "80"


def test_other_pieces_are_nothing_in_common(client: Client) -> None:
    spring = make(client, {"Mesa": OLD, "Sparrow": OLD}, copies=2, title="Spring", artifact="SF")
    autumn = make(client, {"Twin": BETTER, "Forge": OLD}, copies=2, title="Autumn", printed=False)
    refer(client, autumn, "machine", "Ours", ((spring, units(client, spring)["Mesa"]),))
    (line,) = client.send("POST", f"/api/studies/{autumn}/rank", {})["references"]
    assert line["age"] == "Mesa in “Spring”, nothing printed of the same pieces"
    assert line["missing"] > 0
    other = client.get(f"/api/studies/{autumn}/compare", first=units(client, autumn)["Twin"],
                       second=client.get(f"/api/studies/{autumn}/references")["references"][0]["id"])  # fmt: skip
    assert all(x["code"] in ("price", "time.ratio") or x["ahead"] == "not known" for x in other["lines"])


def test_money_of_another_study_is_turned_by_a_stated_rate(client: Client) -> None:
    spring = make(client, {"Mesa": Turned(price=1000), "Sparrow": OLD}, copies=2, title="Spring", currency="CHF")
    autumn = make(client, {"Twin": BETTER, "Forge": OLD}, copies=2, title="Autumn")
    refer(client, autumn, "machine", "Ours", ((spring, units(client, spring)["Mesa"]),))

    def price() -> dict:
        every = {r["code"]: r for r in client.get(f"/api/studies/{autumn}/results")["every"]}
        return every["price"]["cells"][2]

    assert "a rate from CHF to EUR" in price()["needs"]
    client.send("POST", "/api/rates", {
        "id": new(), "base": "CHF", "quote": "EUR", "rate": 1.05, "on": "2026-01-05", "source": "the bank"})  # fmt: skip
    assert price()["text"] == "1050"


def test_a_reference_says_so_when_its_machine_leaves_its_study(client: Client) -> None:
    draft = draft_study(client, ("Solo", "Duo"), title="Draft")
    spring = make(client, {"Mesa": OLD, "Sparrow": OLD}, copies=2, title="Spring")
    autumn = make(client, {"Twin": BETTER, "Forge": OLD}, copies=2, title="Autumn")
    refer(client, autumn, "typical", "Usual", tuple((spring, u) for u in units(client, spring).values()))
    solo = units(client, draft)["Solo"]
    refer(client, autumn, "machine", "From a draft", ((draft, solo),))
    plan = client.get(f"/api/studies/{draft}/plan")
    client.send("PUT", f"/api/studies/{draft}/plan", {k: plan[k] for k in ("version", "question", "policies", "repeats")} | {
        "arms": [{"name": "Stock", "lines": []}], "candidates": plan["candidates"][1:]})  # fmt: skip
    ages = {r["name"]: r["age"] for r in client.get(f"/api/studies/{autumn}/references")["references"]}
    assert ages["From a draft"] == "its study is gone"
    assert ages["Usual"].startswith("mean of 2 machines")
    lines = {r["name"]: r for r in client.send("POST", f"/api/studies/{autumn}/rank", {})["references"]}
    assert lines["From a draft"]["says"] == "Twin and From a draft have no figure in common."


def test_a_weight_moved_draws_nothing_of_a_reference_again_and_tells_the_same(
    client: Client, monkeypatch: pytest.MonkeyPatch
) -> None:
    spring = make(client, {"Mesa": OLD, "Sparrow": OLD}, copies=2, title="Spring")
    # Better in sizes and slower, so that the weights decide.
    autumn = make(
        client,
        {"Twin": Turned(off_mm=0.02, minutes=120), "Forge": Turned(off_mm=0.4, minutes=30)},
        copies=2,
        title="Autumn",
    )
    refer(client, autumn, "machine", "Ours", ((spring, units(client, spring)["Mesa"]),))
    drawn = []

    def counted(*given, **named):
        drawn.append(given)
        return draw_values(*given, **named)

    monkeypatch.setattr(reference, "draw_values", counted)

    codes = [c["code"] for c in client.send("POST", f"/api/studies/{autumn}/rank", {})["criteria"]]
    drawn.clear()
    reference._apart.clear()

    def said(**given: float) -> str:
        weights = dict.fromkeys(codes, 0.0) | given
        return client.send("POST", f"/api/studies/{autumn}/rank", {"weights": weights})["references"][0]["says"]

    words = {(a, b): said(**{"time": a, "off.mean": b}) for a, b in ((1, 0), (2, 1), (1, 3), (0, 1))}
    # Once for each of the two that lead.
    assert len(drawn) == 2
    assert {w.split()[0] for w in words.values()} == {"Forge", "Twin"}
    reference._apart.clear()
    assert {(a, b): said(**{"time": a, "off.mean": b}) for a, b in words} == words
    assert len(drawn) == 4
