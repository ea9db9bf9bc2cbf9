"""Beside the ranking: rubrics, points by the line, final words, buyers' wishes and picks."""

import pytest

from crevlo.sim.client import ApiError, Client
from tests.conftest import Bench
from tests.small import new
from tests.states import Turned, make

GOOD, BAD = Turned(off_mm=0.02, severity=0, minutes=50), Turned(off_mm=0.3, severity=4, minutes=90)


@pytest.fixture
def client(bench: Bench) -> Client:
    return bench.as_("reviewer")


def units(client: Client, study: str) -> dict[str, str]:
    return {
        u["machine"]["name"]: u["machine"]["unit_id"] for u in client.get(f"/api/studies/{study}/receive")["units"]
    }


def cells(view: dict, rubric: str) -> dict[str, dict]:
    names = {m["unit_id"]: m["name"] for m in view["machines"]}
    return {names[c["unit_id"]]: c for c in view["cells"] if c["rubric"] == rubric}


def test_nobody_sees_anothers_score_before_giving_their_own(bench: Bench, client: Client) -> None:
    study = make(client, {"Mesa": GOOD, "Sparrow": BAD}, copies=2)
    of, owner = units(client, study), bench.as_("owner")
    path = f"/api/studies/{study}/rubrics"

    def give(who: Client, machine: str, score: int, **more: str) -> dict:
        return who.send(
            "POST", path, {"id": new(), "unit_id": of[machine], "rubric": "screen", "score": score, **more}
        )

    give(client, "Mesa", 4, words="found at once")
    seen = cells(owner.get(path), "screen")["Mesa"]
    assert (seen["mine"], seen["others"], seen["hidden"], seen["mean"]) == (None, [], 1, None)
    mine = cells(give(owner, "Mesa", 2), "screen")["Mesa"]
    assert [(o["score"], o["words"]) for o in mine["others"]] == [(4, "found at once")]
    assert mine["mean"]["value"] == 3
    with pytest.raises(ApiError, match="Say why your score changes"):
        give(owner, "Mesa", 3)
    assert cells(give(owner, "Mesa", 4, reason="found it after all"), "screen")["Mesa"]["mean"]["value"] == 4
    assert bench.as_("rater").http.get(path).status_code == 403
    # It counts where a scheme says so, and its source names who said it.
    scheme = client.get(f"/api/studies/{study}/scheme")
    choice = next(c for c in scheme["choices"] if c["code"] == "rubric.screen")
    assert (choice["group"], choice["known"]) == ("Ease of use, as judged", 1)
    client.send("POST", f"/api/studies/{study}/scheme", {
        "id": new(), "number": scheme["number"], "criteria": [
            {"code": "rubric.screen", "weight": 1, "shape": "linear", "points": [{"raw": 0, "value": 0}, {"raw": 5, "value": 100}]},
            {"code": "sheet.height", "weight": 1, "shape": "linear", "points": [{"raw": 150, "value": 0}, {"raw": 350, "value": 100}]}]})  # fmt: skip
    rank = client.send("POST", f"/api/studies/{study}/rank", {})
    raw = {s["machine"]["name"]: {c["code"]: c["raw"] for c in s["contributions"]} for s in rank["standings"]}
    assert raw["Mesa"]["rubric.screen"]["value"] == 4
    assert raw["Sparrow"]["rubric.screen"]["needs"] == "somebody who judged it"
    assert raw["Mesa"]["sheet.height"]["words"] == "250 mm"
    source = client.send(
        "POST", f"/api/studies/{study}/units/{of['Mesa']}/rank-source", {"criterion": "rubric.screen"}
    )
    assert sorted(e["amount"] for e in source["entries"]) == ["4 of 5", "4 of 5"]


def test_points_by_the_line_are_another_way_to_count(client: Client) -> None:
    study = make(client, {"Mesa": GOOD, "Sparrow": BAD, "Twin": GOOD}, copies=2)
    of, path = units(client, study), f"/api/studies/{study}/points-sheet"
    assert client.get(path)["says"] == "The sheet has no lines yet."
    lines = [
        {"words": "Quiet", "points": 10, "winners": [of["Sparrow"]]},
        {"words": "Feet that grip", "points": 6, "winners": [of["Mesa"], of["Twin"]]},
        {"words": "Warranty", "points": 4, "winners": []}]  # fmt: skip
    view = client.send("PUT", path, {"lines": lines})
    assert {t["machine"]["name"]: t["points"] for t in view["totals"]} == {"Mesa": 3, "Sparrow": 10, "Twin": 3}
    assert view["says"].startswith("Sparrow leads Mesa by 7 points; 4 points are open, which cannot turn it.")
    with pytest.raises(ApiError, match="Somebody changed this"):
        client.send("PUT", path, {"lines": []})
    with pytest.raises(ApiError, match="machines of this study"):
        client.send("PUT", path, {"version": view["version"], "lines": [lines[0] | {"winners": [new()]}]})
    schools = client.send("POST", f"/api/studies/{study}/schools", {})
    by_line = next(s for s in schools["schools"] if s["code"] == "lines")
    names = {m["unit_id"]: m["name"] for m in schools["machines"]}
    assert {names[c["unit_id"]]: c["rank"] for c in by_line["cells"]} == {"Sparrow": 1, "Mesa": 2, "Twin": 2}
    assert by_line["rests"].startswith("2 of 3 lines")
    assert any("points by the line" in w.lower() and "Sparrow first" in w for w in schools["says"])


def test_final_words_begin_with_what_the_findings_say(client: Client) -> None:
    study = make(client, {"Mesa": GOOD, "Sparrow": BAD}, copies=2)
    of, path = units(client, study), f"/api/studies/{study}/final-words"
    told = {m["machine"]["name"]: m for m in client.get(path)["machines"]}
    fixes = [s for s in told["Sparrow"]["suggested"] if s["kind"] == "fix" and s["points"]]
    assert [f["points"] for f in fixes] == sorted((f["points"] for f in fixes), reverse=True)
    assert any(f["words"].startswith("Dimensional accuracy: 0.3") for f in fixes)
    assert any(s["kind"] == "like" for s in told["Mesa"]["suggested"])
    word = new()
    view = client.send(
        "POST", path, {"id": word, "unit_id": of["Sparrow"], "kind": "fix", "words": fixes[0]["words"]}
    )
    now = next(m for m in view["machines"] if m["machine"]["name"] == "Sparrow")
    assert [w["words"] for w in now["words"]] == [fixes[0]["words"]]
    assert fixes[0]["words"] not in [s["words"] for s in now["suggested"]]
    with pytest.raises(ApiError, match="a price has its source and its day"):
        client.send("POST", path, {"id": new(), "unit_id": of["Mesa"], "kind": "must", "words": "Feet", "price": 12})
    with pytest.raises(ApiError, match="only an upgrade has a price"):
        client.send("POST", path, {
            "id": new(), "unit_id": of["Mesa"], "kind": "like", "words": "Feet", "price": 12, "source": "a shop", "priced_on": "2026-05-01"})  # fmt: skip
    view = client.send("POST", path, {
        "id": new(), "unit_id": of["Mesa"], "kind": "must", "words": "Feet", "price": 12, "source": "a shop", "priced_on": "2026-05-01"})  # fmt: skip
    mesa = next(m for m in view["machines"] if m["machine"]["name"] == "Mesa")
    assert (mesa["upgrades"], mesa["words"][0]["currency"]) == (12, "EUR")
    profile = client.send("POST", f"/api/studies/{study}/rank", {})["profile"]["id"]
    published = client.send(
        "POST", f"/api/studies/{study}/revisions", {"id": new(), "ends_blind": True, "profile_id": profile}
    )
    page = client.http.get(f"/api/revisions/{published['revisions'][0]['id']}/report.html").text
    assert "Upgrades one must buy" in page
    assert "Feet: 12 EUR, a shop, 1 May 2026." in page
    changed = client.send("PUT", f"{path}/{word}", {
        "version": 1, "unit_id": of["Sparrow"], "kind": "fix", "words": "Square the gantry."})  # fmt: skip
    assert any(w["words"] == "Square the gantry." for m in changed["machines"] for w in m["words"])
    with pytest.raises(ApiError, match="Somebody changed this"):
        client.send(
            "PUT", f"{path}/{word}", {"version": 1, "unit_id": of["Sparrow"], "kind": "fix", "words": "Other."}
        )
    left = client.send("DELETE", f"{path}/{word}", version=2)
    assert not any(w["kind"] == "fix" for m in left["machines"] for w in m["words"])


def test_a_buyers_prints_and_budget_count_as_is_said(client: Client) -> None:
    study = make(client, {
        "Mesa": Turned(price=900, off_mm=0.02, severity=0), "Sparrow": Turned(price=300, off_mm=0.1, severity=2),
        "Twin": Turned(price=380, severity=1)}, copies=2)  # fmt: skip
    before = client.send("POST", f"/api/studies/{study}/rank", {})
    profile = before["profile"]
    path = f"/api/studies/{study}/buyers/{profile['id']}"
    after = client.send("PUT", path, {
        "version": profile["version"], "wishes": {"prints_month": 1, "budget": 350, "step": 50}})  # fmt: skip
    cost = lambda view, name: next(  # noqa: E731
        c["raw"]["value"] for s in view["standings"] if s["machine"]["name"] == name for c in s["contributions"] if c["code"] == "cost")  # fmt: skip
    # A dear machine that prints once a month costs more a part than one at work every hour of its life.
    assert cost(after, "Mesa") > 2 * cost(before, "Mesa")
    weight = lambda view: next(c["scheme_weight"] for c in view["criteria"] if c["code"] == "success")  # noqa: E731
    assert weight(after) == pytest.approx(weight(before) / 2)
    assert "reliability weighs 0.50 times" in after["prints_words"]
    assert [w.split(",")[0] for w in after["budget_words"]] == ["Up to 350 EUR: Sparrow", "For 30 EUR above it: Twin"]
    # Weights kept from the screen come back as they were on it.
    shown = {c["code"]: c["weight"] for c in after["criteria"]}
    kept = client.send("PUT", path, {"version": after["profile"]["version"], "weights": shown})
    assert {c["code"]: c["weight"] for c in kept["criteria"]} == pytest.approx(shown)
    source = client.send("POST", f"/api/studies/{study}/units/{after['standings'][0]['machine']['unit_id']}/rank-source", {
        "criterion": "cost"})  # fmt: skip
    assert (
        f"{after['standings'][0]['contributions'][[c['code'] for c in after['criteria']].index('cost')]['raw']['value']:.2f}"
        in source["amount"]
    )
    other = new()
    client.send("POST", f"/api/studies/{study}/buyers", {"id": other, "name": "A school"})
    picks = client.get(f"/api/studies/{study}/picks")["picks"]
    assert [p["name"] for p in picks] == [profile["name"], "A school"]
    for p in picks:
        view = client.send("POST", f"/api/studies/{study}/rank", {"profile_id": p["profile_id"]})
        assert p["headline"] == view["verdict"]["headline"]
        assert [m["name"] for m in p["pick"]] == ([s["machine"]["name"] for s in view["standings"] if s["rank"] == 1])
    codes = [c["code"] for c in before["criteria"]]
    place = client.send("POST", f"/api/studies/{study}/weight-map", {"first": codes[:2], "second": codes[2:4]})
    assert sum(place["now"]) == pytest.approx(1)
    assert len(place["places"]) == 91
    assert {p["unit_id"] for p in place["places"]} == {m["unit_id"] for m in place["machines"]}
    with pytest.raises(ApiError, match="stands in one group"):
        client.send("POST", f"/api/studies/{study}/weight-map", {"first": codes[:2], "second": codes[1:4]})


def test_what_to_do_next_is_told_with_its_time_and_stops_when_settled(bench: Bench, client: Client) -> None:
    near = {
        "Mesa": Turned(off_mm=0.05),
        "Sparrow": Turned(off_mm=0.055),
        "Twin": Turned(off_mm=0.4, severity=5, minutes=240),
    }
    study = make(client, near, copies=2, inspected=False)
    view = client.send("POST", f"/api/studies/{study}/next-best", {})
    kinds = {w["kind"] for w in view["works"]}
    assert kinds
    assert kinds <= {"copy", "inspect"}
    for w in view["works"]:
        assert w["bench_min"] > 0
        assert 0 <= w["settles"] <= 1
        # Which pieces wait of which machine is told to nobody.
        assert (w["machine"] is None) == (w["kind"] != "copy")
    assert view["works"] == sorted(view["works"], key=lambda w: -w["bits"] / w["bench_min"])
    assert bench.as_("rater").http.post(f"/api/studies/{study}/next-best", json={}).status_code in (400, 403)
    copy = next((w for w in view["works"] if w["kind"] == "copy"), None)
    if copy:
        assert copy["words"].startswith("One more Step block from ")
        added = client.send("POST", f"/api/jobs/{copy['like_job']}/more", {
            "id": new(), "kind": "an extra copy", "counts": True, "reason": "it would tell who is first"})  # fmt: skip
        assert added["machine"]["name"] == copy["machine"]["name"]
    clear = make(
        client, {"Best": GOOD, "Worst": Turned(off_mm=0.4, severity=5, minutes=240)}, copies=3, title="Clear"
    )
    told = client.send("POST", f"/api/studies/{clear}/next-best", {})
    assert told["works"] == []
    assert told["says"].startswith("Best is first in ")
    assert told["says"].endswith("nothing at the bench is needed for that.")
    # What no piece tells comes before all of them, and where it is entered.
    unpriced = make(client, near | {"Mesa": Turned(price=None)}, copies=2, inspected=False, title="Unpriced")
    said = client.send("POST", f"/api/studies/{unpriced}/next-best", {})["says"]
    assert said.startswith("First of all: cost per good part of Mesa needs the price paid, at Receive. ")
    assert not view["says"].startswith("First of all")
    # What does not count for this buyer is not asked for, and what a print would tell is no entry.
    rank = client.send("POST", f"/api/studies/{unpriced}/rank", {})
    weights = {c["code"]: 0 if c["code"] == "cost" else 1 for c in rank["criteria"]}
    without = client.send("POST", f"/api/studies/{unpriced}/next-best", {"weights": weights})["says"]
    assert not without.startswith("First of all")
    waiting = make(client, near, printed=False, title="Waiting")
    assert "First of all" not in client.send("POST", f"/api/studies/{waiting}/next-best", {})["says"]
    empty = make(client, {"Mesa": Turned(price=None), "Sparrow": Turned(price=None)}, printed=False, title="Empty")
    assert client.send("POST", f"/api/studies/{empty}/next-best", {})["works"] is not None


def test_a_scheme_says_what_moved_and_goes_to_another_study_as_a_file(client: Client) -> None:
    study = make(client, {"Mesa": GOOD, "Sparrow": BAD}, copies=2)
    first = client.get(f"/api/studies/{study}/scheme-history")["steps"]
    assert [(s["number"], s["changes"], s["moved"]) for s in first] == [(1, [], "")]
    scheme = client.get(f"/api/studies/{study}/scheme")
    kept = [c for c in scheme["criteria"] if c["code"] in ("time", "off.mean", "energy")]
    kept[0] = kept[0] | {"weight": 9}
    kept[1] = kept[1] | {"points": [{"raw": 4.0, "value": 0}, {"raw": 0.4, "value": 100}]}
    client.send("POST", f"/api/studies/{study}/scheme", {"id": new(), "number": 1, "criteria": kept})
    second = client.get(f"/api/studies/{study}/scheme-history")["steps"][0]
    assert "Dimensional accuracy weighs 9 instead of 12.5." in second["changes"]
    assert (
        "Print time: linear, 0 at 4 h, 100 at 0.4 h instead of linear, 0 at 2 h, 100 at 0.5 h." in second["changes"]
    )
    assert sum(w.endswith("counts no more.") for w in second["changes"]) == len(scheme["criteria"]) - 3
    assert second["moved"].startswith("Mesa leads by both; Mesa ")
    profile = client.send("POST", f"/api/studies/{study}/rank", {})["profile"]
    client.send("PUT", f"/api/studies/{study}/buyers/{profile['id']}", {
        "version": profile["version"], "name": "A school", "weights": {"time": 3, "off.mean": 1},
        "must_haves": [{"kind": "price", "limit": 500}, {"kind": "tools", "limit": 1}], "wishes": {"prints_month": 40, "budget": 450}})  # fmt: skip
    file = client.get(f"/api/studies/{study}/scheme.json")
    other = make(client, {"Twin": GOOD, "Forge": BAD}, copies=2, title="Other")
    notes = client.send("POST", f"/api/studies/{other}/scheme-file", file)["notes"]
    assert notes == ["Scheme v2 counts 3 criteria.", "A school is added."]
    ranked = client.send("POST", f"/api/studies/{other}/rank", {})
    school = next(p for p in ranked["profiles"] if p["name"] == "A school")
    here = client.send("POST", f"/api/studies/{other}/rank", {"profile_id": school["id"]})
    there = client.send("POST", f"/api/studies/{study}/rank", {"profile_id": profile["id"]})
    assert [(c["code"], c["weight"]) for c in here["criteria"]] == [
        (c["code"], c["weight"]) for c in there["criteria"]
    ]
    assert [m["text"] for m in here["must_haves"]] == [m["text"] for m in there["must_haves"]]
    assert (here["profile"]["prints_month"], here["profile"]["budget"]) == (40, 450)
    assert client.send("POST", f"/api/studies/{other}/scheme-file", file)["notes"][1] == (
        "There is a buyer called A school already: kept as it is."
    )
    francs = make(client, {"Solo": GOOD, "Duo": BAD}, copies=2, title="Francs", currency="CHF")
    notes = client.send("POST", f"/api/studies/{francs}/scheme-file", file)["notes"]
    assert notes[1] == "A school is added, without 1 limits in another currency."
    with pytest.raises(ApiError, match="no criterion called nonsense"):
        client.send(
            "POST", f"/api/studies/{other}/scheme-file", file | {"criteria": [kept[0] | {"code": "nonsense"}]}
        )


STATES = {
    "nothing printed": {"printed": False},
    "nothing measured": {"measured": False, "inspected": False},
    "one copy each": {},
    "nobody passes": {"buyer": [{"kind": "price", "limit": 10}]},
}


@pytest.mark.parametrize("name", STATES)
def test_every_sentence_beside_the_ranking_is_true_in_every_state(client: Client, name: str) -> None:
    study = make(client, {"Mesa": GOOD, "Sparrow": BAD}, **STATES[name])
    rank = client.send("POST", f"/api/studies/{study}/rank", {})
    for p in client.get(f"/api/studies/{study}/picks")["picks"]:
        # Nobody is picked who is not first, and a runner-up needs somebody before it.
        assert {m["name"] for m in p["pick"]} <= {s["machine"]["name"] for s in rank["standings"] if s["rank"] == 1}
        assert p["runner_up"] is None or p["pick"]
        assert not p["why"] or len(p["pick"]) == 1
        assert p["headline"] == rank["verdict"]["headline"]
    told = client.send("POST", f"/api/studies/{study}/next-best", {})
    assert told["says"]
    if name == "nothing printed":
        # Prices alone are known: whoever leads by them, what is planned comes first.
        assert all(
            w["words"].startswith("The next planned Step block") and w["like_job"] is None for w in told["works"]
        )
    if name == "nobody passes":
        assert (told["says"], told["works"]) == ("It takes two machines to ask who is first.", [])
    left = client.send("POST", f"/api/studies/{study}/leave-out", {})
    assert left["says"]
    codes = [c["code"] for c in rank["criteria"]]
    place = client.send("POST", f"/api/studies/{study}/weight-map", {"first": codes[:1], "second": codes[1:2]})
    assert bool(place["needs"]) == (not place["places"])
    table = client.get(f"/api/studies/{study}/results")
    cells = [c for g in table["groups"] for p in g["pieces"] for r in p["rows"] for c in r["cells"]]
    assert cells
    for c in cells:
        # Something is said of every cell: a figure, why there is none, or what it needs.
        assert c["text"] or c["needs"] or c["cannot"] or c["note"]
        assert not (c["cannot"] and c["text"])
        assert c["place"] == "" or c["text"]
    words = client.get(f"/api/studies/{study}/final-words")
    assert [m["machine"]["name"] for m in words["machines"]] == ["Mesa", "Sparrow"]
    if name == "nothing printed":
        assert not any(s["kind"] == "fix" for m in words["machines"] for s in m["suggested"])
