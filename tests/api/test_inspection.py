"""Looks, own faults, duels, agreement and photos with pins: blind for who scores, kept once, and told when they may be."""

import io
import math

import pytest
from PIL import Image

from crevlo.core.defects import DEFECT_CODES
from crevlo.sim.client import ApiError, Client
from crevlo.stations.inspect import score as scoring
from crevlo.stations.inspect.duel import MOST_NOT_SHOWN
from tests.conftest import Bench
from tests.small import new
from tests.states import EQUAL, Turned, make

THREE = {"Mesa": EQUAL, "Sparrow": EQUAL, "Twin": EQUAL}


@pytest.fixture
def reviewer(bench: Bench) -> Client:
    return bench.as_("reviewer")


@pytest.fixture
def rater(bench: Bench) -> Client:
    return bench.as_("rater")


def specimens(client: Client, study: str) -> list[dict]:
    return client.get(f"/api/studies/{study}/inspect")["specimens"]


def made_by(client: Client, study: str) -> dict[str, str]:
    jobs = client.get(f"/api/studies/{study}/print")["jobs"]
    return {client.get(f"/api/jobs/{j['id']}")["runs"][-1]["bag_code"]: j["machine"]["name"] for j in jobs}


def score(client: Client, line: dict, severity, lock: bool = True) -> None:
    for at, code in enumerate(line["asked"]):
        given = severity(at) if callable(severity) else severity
        client.send("POST", f"/api/specimens/{line['id']}/scores", {"id": new(), "defect": code, "severity": given})
    if lock:
        client.send("POST", f"/api/specimens/{line['id']}/lock")


def test_scores_given_at_once_are_kept_all_or_none(reviewer: Client, rater: Client) -> None:
    study = make(reviewer, THREE, measured=False, inspected=False)
    line = specimens(rater, study)[0]
    path = f"/api/specimens/{line['id']}/scores"
    first, *rest = line["asked"]

    def entry(code: str, severity: int, **more: str) -> dict:
        return {"id": new(), "defect": code, "severity": severity, **more}

    for wrong, why in (
        ([entry(c, 1) for c in rest] + [entry("of another piece", 1)], "No defect is called"),
        ([entry(first, 1), entry(first, 2)], "scored meanwhile"),
    ):
        with pytest.raises(ApiError, match=why):
            rater.send("POST", f"{path}/batch", {"scores": wrong})
        assert specimens(rater, study)[0]["given"] == 0
    one = entry(first, 1)
    # In one go a score may be corrected too.
    again = entry(first, 2, supersedes_id=one["id"], reason="looked again")
    told = rater.send("POST", f"{path}/batch", {"scores": [one, again, *(entry(c, 0) for c in rest)]})
    assert {s["defect"]: s["severity"] for s in told["line"]["scores"]} == {first: 2} | dict.fromkeys(rest, 0)
    rater.send("POST", f"/api/specimens/{line['id']}/lock")
    with pytest.raises(ApiError, match="locked"):
        rater.send("POST", f"{path}/batch", {"scores": [entry(first, 3, supersedes_id=again["id"], reason="late")]})


def test_duels_choose_the_pair_that_tells_most_and_become_a_criterion(reviewer: Client, rater: Client) -> None:
    study = make(reviewer, THREE, copies=2, measured=False, inspected=False)
    machine = made_by(reviewer, study)
    better = {"Mesa": 2, "Sparrow": 1, "Twin": 0}
    path = f"/api/studies/{study}/duels"
    seen, order = set(), set()
    for who in (rater, reviewer):
        for _ in range(15):
            view = who.get(path)
            pair = view["pair"]
            if pair is None:
                break
            first, second = pair["first"], pair["second"]
            a, b = machine[first["blind_code"]], machine[second["blind_code"]]
            assert not set(machine.values()) & set(str(view).split("'")), "no machine is named"
            seen.add(frozenset((first["blind_code"], second["blind_code"])))
            order.add((a, b))
            won = "first" if better[a] > better[b] else "second" if better[a] < better[b] else "tie"
            answer = who.send("POST", path, {
                "id": new(), "first_id": first["id"], "second_id": second["id"], "ticket": pair["ticket"], "won": won,
                "sells": "both"})  # fmt: skip
    # Every pair once by each, also two copies of one printer: what is left out would be known to be of one. Sides are mixed.
    assert len(seen) == 15
    assert {tuple(sorted(o)) for o in order} >= {("Mesa", "Sparrow"), ("Mesa", "Twin"), ("Twin", "Twin")}
    assert len(order) > 3
    assert answer["needs"] == "You have compared every pair of this piece."
    line = answer["lines"][0]
    assert (line["fought"], line["mine"], line["ties"]) == (30, 15, 6)
    assert "these parts" in line["words"]
    with pytest.raises(ApiError, match="compared these two already"):
        reviewer.send(
            "POST",
            path,
            {"id": new(), "first_id": first["id"], "second_id": second["id"], "ticket": pair["ticket"], "won": "tie"},
        )

    # Taken back it no longer counts; only by who said it.
    with pytest.raises(ApiError, match="no such duel of yours"):
        rater.send("POST", f"/api/duels/{answer['last']}/back", {"id": new()})
    back = reviewer.send("POST", f"/api/duels/{answer['last']}/back", {"id": new()})
    assert (back["lines"][0]["fought"], back["pair"] is not None) == (29, True)
    with pytest.raises(ApiError, match="taken back already"):
        reviewer.send("POST", f"/api/duels/{answer['last']}/back", {"id": new()})

    choices = {c["code"]: c for c in reviewer.get(f"/api/studies/{study}/scheme")["choices"]}
    assert choices["duel"]["known"] == 3
    units = {
        u["machine"]["name"]: u["machine"]["unit_id"] for u in reviewer.get(f"/api/studies/{study}/receive")["units"]
    }
    source = reviewer.send("POST", f"/api/studies/{study}/units/{units['Mesa']}/rank-source", {"criterion": "duel"})
    assert float(source["amount"].split()[0].replace("−", "-")) > 1
    assert source["entries"] == [], "which pieces were this machine's is told after the reveal"
    for one in specimens(rater, study):
        score(rater, one, 1)
    reviewer.send("POST", f"/api/studies/{study}/reveal", {})
    told = reviewer.send("POST", f"/api/studies/{study}/units/{units['Mesa']}/rank-source", {"criterion": "duel"})
    # Of 15 pairs 9 have a part of this printer, 1 of them two; each was compared twice, and one comparison was taken back.
    assert len(told["entries"]) in (17, 18)
    with pytest.raises(ApiError, match="known by now"):
        rater.send("POST", path, {"id": new(), "first_id": first["id"], "second_id": second["id"], "won": "tie"})


def test_a_pair_that_was_not_shown_gets_one_answer_whoever_made_it(bench: Bench, reviewer: Client) -> None:
    study = make(
        reviewer, {"Mesa": EQUAL, "Sparrow": EQUAL}, artifact=("SB", "OP"), copies=2, measured=False, inspected=False
    )
    machine, by = made_by(reviewer, study), {}
    for line in specimens(reviewer, study):
        by.setdefault((line["artifact"], machine[line["blind_code"]]), []).append(line["id"])
    path = f"/api/studies/{study}/duels"
    kept = reviewer.get(path)["pair"]
    said = {"first_id": kept["first"]["id"], "second_id": kept["second"]["id"], "won": "tie"}
    taken = new()
    reviewer.send("POST", path, {"id": taken, "ticket": kept["ticket"], **said})
    pairs = {
        "one printer": by["Step block", "Mesa"][:2],
        "two printers": (by["Step block", "Mesa"][0], by["Step block", "Sparrow"][0]),
        "two artifacts": (by["Step block", "Mesa"][0], by["Ooze posts", "Sparrow"][0]),
        "nothing": (new(), new()),
    }
    answers = {
        (answer.status_code, answer.text)
        for first, second in pairs.values()
        for ident in (new(), taken)
        for answer in [
            reviewer._request(
                "POST",
                path,
                {"id": ident, "first_id": first, "second_id": second, "won": "tie", "ticket": kept["ticket"]},
                None,
                {},
                {},
            )
        ]
    }
    assert [status for status, _ in answers] == [422]
    # It is of this person alone, and of the pair that it was shown with.
    with pytest.raises(ApiError, match="pair that is shown"):
        bench.as_("rater").send("POST", path, {"id": new(), "ticket": kept["ticket"], **said})
    # Whoever goes on asking waits, and what was asked stays counted.
    refused = [
        reviewer._request("POST", path, {"id": new(), **said}, None, {}, {}).status_code
        for _ in range(MOST_NOT_SHOWN)
    ]
    assert refused == [422] * (MOST_NOT_SHOWN - 8) + [429] * 8
    empty = make(reviewer, {"Mesa": EQUAL, "Sparrow": EQUAL}, printed=False, title="Nothing printed")
    view = reviewer.get(f"/api/studies/{empty}/duels")
    assert (view["lines"], view["pair"]) == ([], None)
    assert view["needs"].startswith("Comparing needs parts")


def test_three_looks_have_their_lists_and_a_rejected_part_is_a_failed_print(reviewer: Client, rater: Client) -> None:
    study = make(reviewer, {"Mesa": EQUAL, "Sparrow": EQUAL}, artifact="RA", measured=False, inspected=False)
    job = reviewer.get(f"/api/studies/{study}/print")["jobs"][0]["id"]
    run = reviewer.get(f"/api/jobs/{job}")["runs"][-1]
    assert [i["code"] for i in run["plate"]["items"]] == ["loose", "lift", "skips", "shift", "blob"]
    assert "more than 1 mm" in run["plate"]["items"][1]["asks"]
    path = f"/api/runs/{run['id']}/look"
    with pytest.raises(ApiError, match="Tick what is wrong"):
        reviewer.send("POST", path, {"id": new(), "stage": "plate", "result": "reject"})
    with pytest.raises(ApiError, match="is ticked: then"):
        reviewer.send("POST", path, {"id": new(), "stage": "plate", "result": "fine", "wrong": ["lift"]})
    with pytest.raises(ApiError, match="not on the list"):
        reviewer.send("POST", path, {"id": new(), "stage": "plate", "result": "check", "wrong": ["support"]})
    assert rater.http.post(path, json={}, headers={"X-CSRFToken": rater.csrf}).status_code == 403
    looked = reviewer.send("POST", path, {
        "id": new(), "stage": "plate", "result": "reject", "wrong": ["lift"], "cause": "profile"})["runs"][-1]  # fmt: skip
    assert (looked["plate"]["result"], looked["plate"]["wrong"]) == ("reject", ["lift"])
    assert looked["plate"]["words"].startswith("A corner lifted more than 1 mm")
    # It counts as a failure of its cause, and another try is open.
    success = {m["machine"]["name"]: m for m in reviewer.get(f"/api/studies/{study}/cost")["machines"]}
    assert success
    choices = {c["code"]: c for c in reviewer.get(f"/api/studies/{study}/scheme")["choices"]}
    assert sorted(f["value"] for f in choices["success"]["figures"]) == [pytest.approx(25), pytest.approx(75)]

    # Neither the caliper nor a rater waits for it, nor does the reveal.
    lines = reviewer.get(f"/api/studies/{study}/measure")["queue"]
    gone = next(line for line in lines if line["rejected"])
    assert [s["blind_code"] for s in specimens(rater, study) if s["rejected"]] == [gone["blind_code"]]
    before = reviewer.get(f"/api/studies/{study}/inspect")["reveal_needs"]
    assert before.startswith("Still to be scored")
    assert gone["blind_code"] not in before
    stations = {s["station"]: s["count"] for s in reviewer.get(f"/api/studies/{study}/line")["stations"]}
    assert (stations["measure"], stations["inspect"]) == (f"1/{len(lines)}",) * 2

    # The careful look is blind: the rater's own, and others' only by their number.
    one = specimens(rater, study)[0]
    looks = rater.get(f"/api/specimens/{one['id']}/looks")
    assert [x["stage"] for x in looks["looks"]] == ["clean", "pack"]
    assert "support" in [i["code"] for i in looks["looks"][0]["items"]]
    given = {"stage": "clean", "result": "check", "wrong": ["stain"], "words": "by the hook"}
    rater.send("POST", f"/api/specimens/{one['id']}/looks", given | {"id": (first := new())})
    with pytest.raises(ApiError, match="made already"):
        rater.send("POST", f"/api/specimens/{one['id']}/looks", given | {"id": new()})
    other = reviewer.get(f"/api/specimens/{one['id']}/looks")["looks"][0]
    assert (other["result"], other["words"], other["by_others"]) == (None, "", 1)
    changed = rater.send("POST", f"/api/specimens/{one['id']}/looks", {
        "id": new(), "stage": "clean", "result": "fine", "supersedes_id": first, "reason": "it wiped off"})  # fmt: skip
    assert changed["looks"][0]["result"] == "fine"


def test_a_fault_of_ones_own_is_asked_with_its_anchors(reviewer: Client, rater: Client) -> None:
    study = make(
        reviewer, {"Mesa": EQUAL, "Sparrow": Turned(severity=3)}, artifact="OP", measured=False, inspected=False
    )
    first, second = specimens(rater, study)
    score(rater, first, 0)
    fault = {
        "id": new(), "name": "Smell", "weight": 2, "structural": True, "look": "At a hand's width.",
        "anchors": ["None.", "Faint.", "Plain.", "Strong.", "Sharp.", "The room is left."],
    }  # fmt: skip
    for bad, words in (
        ({"anchors": ["x"] * 6}, "needs its anchor"), ({"name": "stringing"}, "looked for already"), ({"weight": 0}, "weight"),
    ):  # fmt: skip
        with pytest.raises(ApiError, match=words):
            reviewer.send("POST", f"/api/studies/{study}/defects", fault | bad | {"id": new()})
    assert (
        rater.http.post(f"/api/studies/{study}/defects", json=fault, headers={"X-CSRFToken": rater.csrf}).status_code
        == 403
    )
    view = reviewer.send("POST", f"/api/studies/{study}/defects", fault)
    assert [d["name"] for d in view["defects"] if d["own"]] == ["Smell"]
    # What was locked without it stays as it was.
    assert rater.get(f"/api/specimens/{first['id']}/scores")["quality"] == 100
    line = next(s for s in specimens(rater, study) if s["id"] == second["id"])
    assert line["asked"] == ["stringing", "blobs", "own-smell"]
    score(rater, line, lambda at: 5 if at == 2 else 0)
    locked = rater.get(f"/api/specimens/{second['id']}/scores")
    assert (locked["quality"], locked["rejected_by"]) == (pytest.approx(50), "Smell")


def test_raters_see_how_they_agree_only_of_what_they_have_locked(reviewer: Client, rater: Client) -> None:
    study = make(reviewer, {"Mesa": EQUAL, "Sparrow": EQUAL}, copies=2, measured=False, inspected=False, blind=True)
    lines = specimens(rater, study)
    path = f"/api/studies/{study}/agreement"
    assert rater.get(path)["words"].startswith("Lock scores of your own first")
    for line in lines[:3]:
        score(rater, line, lambda at: at % 3)
    # A milder second rater, who sees nothing of the first before their own are locked.
    score(reviewer, lines[0], lambda at: at % 3, lock=False)
    assert reviewer.get(path)["specimens"] == 0
    reviewer.send("POST", f"/api/specimens/{lines[0]['id']}/lock")
    score(reviewer, lines[1], lambda at: max(0, at % 3 - 1))
    score(reviewer, lines[2], lambda at: 5 if at == 0 else at % 3)
    made = reviewer.get(path)
    assert (made["raters"], made["specimens"]) == (2, 3)
    assert 0.5 < made["alpha"] < 1
    assert made["kappa"] is not None
    assert [(a["blind_code"], sorted(s["severity"] for s in a["scores"])) for a in made["apart"]] == [
        (lines[2]["blind_code"], [0, 5])]  # fmt: skip
    assert all(r["scores"] == 24 and "±" in r["higher"] + r["drift"] for r in made["by_rater"])
    # Given again once the machines are known: beside the blind scores, which stay.
    score(rater, lines[3], 1)
    reviewer.send("POST", f"/api/studies/{study}/reveal", {})
    old = {s["defect"]: s for s in reviewer.get(f"/api/specimens/{lines[0]['id']}/scores")["scores"]}
    for defect, was in old.items():
        reviewer.send("POST", f"/api/specimens/{lines[0]['id']}/scores", {
            "id": new(), "defect": defect, "severity": min(5, was["severity"] + 1), "supersedes_id": was["id"],
            "reason": "seen again", "after_reveal": "to see whether the name matters"})  # fmt: skip
    again = {r["rater"]: r["revealed"] for r in reviewer.get(path)["by_rater"]}
    assert sorted(again.values())[0] == ""
    assert sorted(again.values())[1].startswith("scores worse by 1.00")
    assert reviewer.get(path)["alpha"] == made["alpha"]


def test_a_photo_of_a_specimen_is_for_raters_too_and_tells_nothing_but_the_picture(
    reviewer: Client, rater: Client
) -> None:
    study = make(reviewer, {"Mesa": EQUAL, "Sparrow": EQUAL}, measured=False, inspected=False)
    line = specimens(rater, study)[0]
    made = io.BytesIO()
    exif = Image.Exif()
    exif[0x010F] = "Sparrow's own camera"
    Image.new("RGB", (640, 480), (90, 120, 90)).save(made, "JPEG", exif=exif)
    path = f"/api/specimens/{line['id']}/photos"
    photo = rater.send("PUT", path, content=made.getvalue(), id=new(), caption="left side")["photos"][0]
    picture = rater.http.get(f"/api/photos/{photo['id']}/picture").content
    assert b"Sparrow" not in picture
    pins = [{"x": 0.25, "y": 0.5, "words": "a string"}]
    assert rater.send("POST", f"/api/photos/{photo['id']}/pins", {"pins": pins})["photos"][0]["pins"] == pins
    with pytest.raises(ApiError, match="who took the photo"):
        reviewer.send("POST", f"/api/photos/{photo['id']}/pins", {"pins": []})
    with pytest.raises(ApiError, match="less than or equal to 1"):
        rater.send("POST", f"/api/photos/{photo['id']}/pins", {"pins": [{"x": 1.5, "y": 0, "words": "x"}]})
    # Of a machine a rater sees no picture.
    unit = reviewer.get(f"/api/studies/{study}/receive")["units"][0]["machine"]["unit_id"]
    hidden = reviewer.send("PUT", f"/api/photos/{unit}", content=made.getvalue(), id=new())["photos"][0]["id"]
    assert rater.http.get(f"/api/photos/{hidden}/picture").status_code == 404
    assert reviewer.http.get(f"/api/photos/{hidden}/picture").status_code == 200


def test_a_flow_ladder_answers_the_makers_claim_and_a_columns_bands_point_to_the_screw(reviewer: Client) -> None:
    study = make(
        reviewer, {"Mesa": EQUAL, "Sparrow": EQUAL}, artifact=("FL", "ZC"), copies=2, measured=False, inspected=False
    )
    queue = reviewer.get(f"/api/studies/{study}/measure")
    tools = {i["kind"]: i["id"] for i in queue["instruments"]}
    for at, line in enumerate(queue["queue"]):
        view = reviewer.get(f"/api/specimens/{line['id']}")
        flow = line["artifact"] == "Flow ladder"

        def value(f: dict, at: int = at) -> float:
            if f["entry"] == "scale":
                return round(f["nominal"] * (1 if f["level"] < 14 else 0.85), 3)
            return round(
                f["nominal"] + (0.04 * math.sin(2 * math.pi * f["level"] / 8 + at) if f["level"] else 0.0), 3
            )

        reviewer.send("POST", f"/api/specimens/{line['id']}/readings/batch", {"readings": [
            {"id": new(), "feature_id": f["feature_id"], "repeat": 1, "instrument_id": tools["scale" if flow else "caliper"],
             "value": value(f)} for f in view["features"]]})  # fmt: skip
    units = reviewer.get(f"/api/studies/{study}/receive")["units"]
    unit = units[0]["machine"]["unit_id"]
    claims = reviewer.send("POST", f"/api/studies/{study}/units/{unit}/claims", {
        "id": new(), "kind": "flow", "value": 22, "said": "the box"})["claims"]  # fmt: skip
    words = next(c for c in claims if c["kind"] == "flow")["words"]
    assert "Claimed 22.0 mm³/s, measured 13." in words
    assert "by its prints in this study" in words
    model = next(
        {k: v for k, v in m.items() if k != "units"}
        for m in reviewer.get("/api/library")["models"]
        if m["name"] == units[0]["machine"]["name"]
    )
    source = reviewer.send("POST", f"/api/studies/{study}/units/{unit}/rank-source", {"criterion": "band.pitch"})
    assert "Points to" not in {i["name"] for i in source["inputs"]}
    reviewer.send("PUT", f"/api/models/{model['id']}", model | {"sheet": model["sheet"] | {"screw_lead_mm": 8}})
    source = reviewer.send("POST", f"/api/studies/{study}/units/{unit}/rank-source", {"criterion": "band.pitch"})
    cause = next(i for i in source["inputs"] if i["name"] == "Points to")
    assert cause["amount"].startswith("Once per turn of the Z screw")
    assert cause["note"] == "a suggestion, not a certainty"


def test_what_was_locked_stays_as_it_was_asked_then(
    reviewer: Client, rater: Client, monkeypatch: pytest.MonkeyPatch
) -> None:
    """A later version of the shelf looks for other faults: what is locked keeps its own, and its quality."""
    study = make(reviewer, THREE, measured=False, inspected=False)
    done, open_, *_ = specimens(rater, study)
    score(rater, done, 2)
    before = rater.get(f"/api/specimens/{done['id']}/scores")
    assert (before["asked"], before["given"]) == (done["asked"], len(done["asked"]))
    others = [code for code in DEFECT_CODES if code not in done["asked"]][:3]
    monkeypatch.setattr(scoring, "shown_by", lambda artifact: others)
    assert rater.get(f"/api/specimens/{done['id']}/scores") == before
    assert {line["id"]: line["asked"] for line in specimens(rater, study)}[open_["id"]] == others
