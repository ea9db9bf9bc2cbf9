"""What Rank, Cost and Publish say is true in every state of a study."""

import re

import pytest

from crevlo.sim.client import Client
from tests.conftest import Bench
from tests.small import new
from tests.states import EQUAL, LONG, Turned, make


@pytest.fixture
def client(bench: Bench) -> Client:
    return bench.as_("reviewer")


def rank(client: Client, study: str, **what_if: object) -> dict:
    return client.send("POST", f"/api/studies/{study}/rank", what_if)


def said(client: Client, study: str) -> str:
    """Every sentence of Rank, Cost and Publish, and of the report."""
    view = rank(client, study)
    cost = client.get(f"/api/studies/{study}/cost")
    publish = client.get(f"/api/studies/{study}/publish")
    client.send("POST", f"/api/studies/{study}/revisions", {
        "id": "00000000-0000-4000-8000-0000000000aa", "ends_blind": True, "profile_id": view["profile"]["id"]})  # fmt: skip
    report = client.http.get("/api/revisions/00000000-0000-4000-8000-0000000000aa/report.html").text
    parts = [
        view["verdict"]["headline"], view["verdict"]["evidence"], view["flips_words"], view["cells_words"],
        *(f["words"] for f in view["flips"]), *(d for s in view["standings"] for d in s["doubts"]), cost["sentence"],
        cost["certainty"], *(m["words"] for m in publish["missing"]), *(f"{x['name']} {x['value']}" for x in publish["sample"]),
        re.sub(r"<style>.*?</style>", "", report, flags=re.S),
    ]  # fmt: skip
    return "\n".join(parts)


def test_nothing_printed_names_no_winner(client: Client) -> None:
    study = make(client, {"Mesa": EQUAL, "Sparrow": EQUAL}, printed=False)
    view = rank(client, study)
    assert view["verdict"] == {
        "headline": "Not determined", "tie": False,
        "evidence": "Nothing that counts for this buyer is known of any machine yet.",
    }  # fmt: skip
    assert {s["rank"] for s in view["standings"]} == {None}
    words = said(client, study)
    assert "by 0.0 points" not in words
    assert "All 16 figures" not in words
    assert "16 of 16 figures not yet known" in words


def test_what_is_not_done_yet_is_said_where_it_is_mended(client: Client) -> None:
    study = make(
        client, {"Mesa": EQUAL, "Sparrow": EQUAL}, measured=False, unprinted=["Sparrow"], artifact=["SB", "SF"]
    )

    def open_work() -> list[tuple[str, str]]:
        return [(m["words"], m["station"]) for m in client.get(f"/api/studies/{study}/publish")["missing"]]

    assert ("2 of 4 planned prints are without a good piece.", "print") in open_work()
    assert ("2 pieces have no reading yet.", "measure") in open_work()
    view = client.get(f"/api/studies/{study}/measure")
    line = next(q for q in view["queue"] if q["artifact_id"] == view["artifacts"][0]["id"])
    caliper = next(i["id"] for i in view["instruments"] if i["kind"] == "caliper")
    face = next(f for f in view["artifacts"][0]["features"] if f["measured"])
    client.enter("POST", f"/api/studies/{study}/zero-checks", {"id": new(), "instrument_id": caliper, "value": 0.0})
    client.enter("POST", f"/api/specimens/{line['id']}/readings/batch", {"readings": [
        {"id": new(), "feature_id": face["id"], "repeat": 1, "instrument_id": caliper, "value": face["nominal"]}]})  # fmt: skip
    assert ("1 piece has no reading yet.", "measure") in open_work()
    unpriced = dict.fromkeys(("Mesa", "Sparrow"), Turned(price=None))
    few = make(client, unpriced, copies=2, measured=False, inspected=False, title="Unpriced")
    named = {(m["words"], m["station"]) for m in client.get(f"/api/studies/{few}/publish")["missing"]}
    assert {
        ("Mesa: cost per good part needs the price paid, at Receive.", "receive"),
        ("Sparrow: cost per good part needs the price paid, at Receive.", "receive"),
        ("Mesa: dimensional accuracy needs a measured specimen.", "measure"),
        ("Mesa: surface defects needs a specimen scored and locked.", "inspect"),
    } <= named
    names = [f"Bench {n}" for n in range(12)]
    many = make(client, dict.fromkeys(names, Turned(price=None)), printed=False, title="Many")
    counted = [(m["words"], m["station"]) for m in client.get(f"/api/studies/{many}/publish")["missing"]]
    assert ("Bench 0, Bench 1, Bench 2 and 9 more: print time needs a good print.", "print") in counted
    assert not [words for words, _ in counted if words.startswith("Bench 5")]
    done = make(client, {"Mesa": EQUAL, "Sparrow": EQUAL}, title="Done")
    told = " ".join(m["words"] for m in client.get(f"/api/studies/{done}/publish")["missing"])
    assert "reading" not in told
    assert "good piece" not in told


def test_equal_machines_tie_and_share_the_first_rank(client: Client) -> None:
    study = make(client, {"Mesa": EQUAL, "Sparrow": EQUAL}, copies=2)
    view = rank(client, study)
    assert (view["verdict"]["headline"], view["verdict"]["tie"]) == ("A tie: Mesa and Sparrow", True)
    assert view["verdict"]["evidence"].startswith("Both have ")
    assert [s["rank"] for s in view["standings"]] == [1, 1]
    assert (view["flips"], view["flips_words"]) == ([], "The first are level: whatever changes decides.")
    assert "leads" not in said(client, study)


def test_a_clear_winner_is_named_and_what_would_turn_it(client: Client) -> None:
    better = Turned(minutes=50, watt_hours=70, noise_db=44, off_mm=0.03, severity=0, price=300)
    study = make(client, {"Mesa": better, "Sparrow": Turned(minutes=90, noise_db=42, off_mm=0.12)}, copies=3)
    view = rank(client, study)
    assert view["verdict"]["headline"] == "Mesa"
    assert [s["rank"] for s in view["standings"]] == [1, 2]
    noise = next(f for f in view["flips"] if f["kind"] == "weight" and f["criterion"] == "noise")
    assert (noise["becomes"]["name"], noise["direction"]) == ("Sparrow", "above")
    report = said(client, study)
    assert "Noise at 1 m weighted above" in report
    # Other weights, beyond the flip: what it said comes true.
    rest = (100 - noise["points"] - 1) / 7
    turned = {c["code"]: rest for c in view["criteria"]} | {"noise": noise["points"] + 1}
    assert rank(client, study, weights=turned)["standings"][0]["machine"]["name"] == "Sparrow"


def test_a_success_is_a_count_with_both_ends(client: Client) -> None:
    study = make(client, {"Mesa": EQUAL, "Sparrow": EQUAL}, copies=3, buyer=[{"kind": "success", "limit": 0.95}])
    view = rank(client, study)
    assert view["left_out"] == []
    raw = next(c["raw"] for c in view["standings"][0]["contributions"] if c["code"] == "success")
    assert raw["words"].startswith("3 of 3 (")
    assert (raw["high"], raw["low"] < raw["value"] < raw["high"]) == (100, True)
    assert "3 of 3 attempts good, wanted 95 % (passes, " in view["standings"][0]["doubts"][0]


def test_all_left_out_is_said_and_nothing_is_called_measured(client: Client) -> None:
    study = make(client, {"Mesa": EQUAL, "Sparrow": EQUAL}, copies=2, buyer=[{"kind": "price", "limit": 100}])
    view = rank(client, study)
    assert view["verdict"]["headline"] == "No machine passes every must-have"
    assert (view["standings"], view["cells_words"], view["flips"]) == ([], "", [])
    words = said(client, study)
    assert "Nothing is missing" not in words
    assert "No machine passes every must-have: there is nothing to recommend for" in words
    shown = rank(client, study, show_gated=True)
    assert "fails a must-have" in shown["verdict"]["evidence"]
    assert all("all in 400 EUR, limit 100" in s["doubts"] for s in shown["standings"])


def test_the_only_machine_left_is_not_a_winner(client: Client) -> None:
    machines = {"Mesa": EQUAL, "Sparrow": Turned(price=900), "Forge": Turned(price=901)}
    study = make(client, machines, copies=2, buyer=[{"kind": "price", "limit": 500}])
    verdict = rank(client, study)["verdict"]
    assert verdict["headline"] == "Mesa, without comparison"
    assert "the only machine that no must-have leaves out (2 left out)" in verdict["evidence"]


def test_a_machine_with_one_figure_missing_can_still_come_first(client: Client) -> None:
    study = make(client, {"Mesa": EQUAL, "Sparrow": Turned(price=None)}, copies=2)
    view = rank(client, study)
    lacking = next(s for s in view["standings"] if s["missing"])
    assert (lacking["machine"]["name"], lacking["missing"]) == ("Sparrow", 1)
    assert lacking["total_high"] - lacking["total_low"] == pytest.approx(12.5)
    assert view["verdict"]["headline"] == "Not decided yet: Mesa or Sparrow"
    assert view["flips_words"] == "Needs two machines with every figure."


def test_a_failed_check_leaves_out_by_the_only_must_have_of_a_new_study(client: Client) -> None:
    study = make(client, {"Mesa": EQUAL, "Sparrow": Turned(safe=False)}, copies=2)
    view = rank(client, study)
    assert [p["name"] for p in view["profiles"]] == ["Any buyer"]
    assert [m["text"] for m in view["must_haves"]] == ["Safety checks passed"]
    assert {c["weight"] for c in view["criteria"]} == {12.5}
    assert view["left_out"][0]["reason"] == "a safety check failed"


def test_another_currency_and_long_names_stand_whole_everywhere(client: Client) -> None:
    study = make(client, {LONG: EQUAL, "350": Turned(minutes=200, price=2000)}, copies=2, currency="CHF")
    view = rank(client, study)
    words = said(client, study)
    assert "EUR" not in words
    assert "CHF" in words
    assert LONG in view["verdict"]["headline"]
    assert f"{LONG} over 350" in words


def test_a_report_for_another_buyer_is_held_against_its_own_last(client: Client) -> None:
    study = make(client, {"Mesa": EQUAL, "Sparrow": Turned(minutes=120)}, copies=2)
    first = rank(client, study)["profile"]["id"]
    other = "00000000-0000-4000-8000-0000000000bb"
    client.send("POST", f"/api/studies/{study}/buyers", {"id": other, "name": "A school", "copy_of": first})
    view = client.send(
        "PUT", f"/api/studies/{study}/buyers/{other}", {"version": 1, "weights": {"time": 90, "noise": 10}}
    )
    assert view["profile"]["name"] == "A school"
    path = f"/api/studies/{study}/revisions"
    ids = [f"00000000-0000-4000-8000-00000000000{n}" for n in range(3)]
    for at, buyer in zip(ids, (first, other, first), strict=True):
        revisions = client.send("POST", path, {"id": at, "ends_blind": True, "profile_id": buyer})["revisions"]
    said_of = {r["id"]: r["changed"] for r in revisions}
    assert said_of[ids[1]] == "First revision for A school."
    assert said_of[ids[2]] == "Since revision 1: Nothing changed but its day."


def test_what_is_open_or_speaks_against_the_first_is_said_with_the_verdict(client: Client) -> None:
    better = Turned(minutes=50, watt_hours=70, noise_db=44, off_mm=0.03, severity=0, price=300)
    asked = [{"kind": "material", "what": "PETG"}]
    study = make(client, {"Mesa": better, "Sparrow": Turned(minutes=90, off_mm=0.12)}, copies=3, buyer=asked)
    verdict = rank(client, study)["verdict"]
    assert verdict["headline"] == "Mesa"
    assert "Of the must-haves, open: PETG not determined: needs a print of it (Mesa)." in verdict["evidence"]
    units = {
        u["machine"]["name"]: u["machine"]["unit_id"] for u in client.get(f"/api/studies/{study}/receive")["units"]
    }
    client.send("PUT", f"/api/studies/{study}/units/{units['Mesa']}/not-recommended", {"reason": "No spares."})
    verdict = rank(client, study)["verdict"]
    assert verdict["headline"] == "Mesa has the most points, but is not recommended"
    assert "Mesa is not recommended: No spares." in verdict["evidence"]


def test_one_who_may_be_first_and_is_not_recommended_is_called_so(client: Client) -> None:
    study = make(client, {"Mesa": EQUAL, "Sparrow": EQUAL}, copies=2)
    units = {
        u["machine"]["name"]: u["machine"]["unit_id"] for u in client.get(f"/api/studies/{study}/receive")["units"]
    }
    client.send("PUT", f"/api/studies/{study}/units/{units['Sparrow']}/not-recommended", {"reason": "It smells."})
    verdict = rank(client, study)["verdict"]
    assert verdict["headline"] == "A tie: Mesa and Sparrow"
    assert verdict["evidence"].endswith("Sparrow is not recommended: It smells.")
