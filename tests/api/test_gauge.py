"""A gauge study: each reads in their own order, sees no value before everybody has read, and its end changes what readings say."""

import random

import pytest

from crevlo.sim.client import ApiError, Client
from tests.conftest import Bench
from tests.small import new
from tests.states import EQUAL, make


def x1(queue: dict) -> dict:
    return next(f for f in queue["artifacts"][0]["features"] if f["code"] == "X1")


def spread(view: dict) -> float:
    off = next(f["off"] for f in view["features"] if f["code"] == "X1")
    return off["high"] - off["low"]


def read(client: Client, study: str, bias: float, true: dict[tuple[str, str], float], seed: int) -> list[str]:
    """Reads all that this person is asked for; the order of codes as it was asked."""
    chance, asked = random.Random(seed), []
    while (g := client.get(f"/api/studies/{study}/gauge-studies")["studies"][0])["next"]:
        at = g["next"]
        asked.append(f"{at['blind_code']} {at['face']}")
        value = true[at["blind_code"], at["face"]] + bias + chance.gauss(0, 0.004)
        client.send("POST", f"/api/gauge-studies/{g['id']}/readings", {
            "id": new(), "part": at["part"], "repeat": at["repeat"], "value": round(value, 3)})  # fmt: skip
    return asked


def test_a_gauge_study_is_blind_balanced_and_holds_from_its_end(bench: Bench) -> None:
    reviewer, rater = bench.as_("reviewer"), bench.as_("rater")
    study = make(reviewer, {"Mesa": EQUAL, "Sparrow": EQUAL}, copies=3, measured=False, inspected=False)
    queue = reviewer.get(f"/api/studies/{study}/measure")
    tools = {i["kind"]: i for i in queue["instruments"]}
    chance = random.Random(3)
    true = {(q["blind_code"], f["code"]): f["nominal"] + chance.gauss(0, 0.05)
            for q in queue["queue"] for f in queue["artifacts"][0]["features"]}  # fmt: skip
    specimen, late = (q["id"] for q in queue["queue"][:2])
    one = {"feature_id": x1(queue)["id"], "repeat": 1, "instrument_id": tools["caliper"]["id"], "value": 40.02}
    early = reviewer.send("POST", f"/api/specimens/{specimen}/readings", {"id": new()} | one)

    path = f"/api/studies/{study}/gauge-studies"
    view = reviewer.get(path)
    assert {f["specimens"] for f in view["faces"]} == {6}
    people = {p["name"]: p["id"] for p in view["people"]}
    given = {"id": new(), "instrument_id": tools["caliper"]["id"], "feature_ids": [x1(queue)["id"]],
             "people": list(people.values())[:1] * 2, "parts": 6, "repeats": 2}  # fmt: skip
    with pytest.raises(ApiError, match="each once"):
        reviewer.send("POST", path, given)
    with pytest.raises(ApiError, match="not read with a scale"):
        reviewer.send(
            "POST", path, given | {"people": list(people.values())[:2], "instrument_id": tools["scale"]["id"]}
        )
    mine, other = (c.get("/api/session")["name"] for c in (reviewer, rater))
    begun = reviewer.send("POST", path, given | {"id": new(), "people": [people[mine], people[other]]})
    with pytest.raises(ApiError, match="under way"):
        reviewer.send("POST", path, given | {"id": new(), "people": [people[mine], people[other]]})
    gauge = begun["studies"][0]["id"]

    first = read(reviewer, study, +0.010, true, 1)
    assert sorted(first[:6]) == sorted(first[6:])  # every part once before one comes again
    seen = rater.get(path)["studies"][0]
    assert ([p["done"] for p in seen["people"]], seen["parts"], seen["says"]) == ([12, 0], [], None)
    at = seen["next"]
    with pytest.raises(ApiError, match="from the nominal"):
        rater.send(
            "POST",
            f"/api/gauge-studies/{gauge}/readings",
            {"id": new(), "part": at["part"], "repeat": 1, "value": 12},
        )
    # A slip is taken back and read again; another's reading is nobody's to take back.
    slip = rater.send("POST", f"/api/gauge-studies/{gauge}/readings", {"id": new(), "part": at["part"], "repeat": at["repeat"], "value": 40.3})  # fmt: skip
    last = slip["studies"][0]["last"]
    with pytest.raises(ApiError, match="no such reading of yours"):
        reviewer.send("POST", f"/api/gauge-readings/{last}/back", {"id": new()})
    back = rater.send("POST", f"/api/gauge-readings/{last}/back", {"id": new()})
    assert (back["studies"][0]["next"], back["studies"][0]["last"]) == (at, None)
    second = read(rater, study, -0.010, true, 2)
    assert sorted(first) == sorted(second)
    assert first != second

    whole = reviewer.get(path)["studies"][0]
    assert whole["says"]["repeatability"] == pytest.approx(0.004, rel=0.5)
    assert whole["says"]["reproducibility"] == pytest.approx(0.0141, rel=0.3)
    assert whole["says"]["words"].startswith("The caliper C-")
    assert [len(p["readings"]) for p in whole["parts"]] == [2] * 6
    ended = reviewer.send("POST", f"/api/gauge-studies/{gauge}/end")
    assert ended["studies"][0]["ended_at"]
    with pytest.raises(ApiError, match="has ended"):
        reviewer.send("POST", f"/api/gauge-studies/{gauge}/end")

    # From now on u has its s and what people differ by; what was read before keeps what was known then.
    now = reviewer.send("POST", f"/api/specimens/{late}/readings", {"id": new()} | one)
    after = reviewer.get(f"/api/specimens/{specimen}")
    assert spread(now) > 1.2 * spread(early)
    assert spread(after) == spread(early)
    said = reviewer.get(f"/api/specimens/{late}/source", feature="X1")
    assert any("hand of" in line["note"] for line in said["inputs"])


def test_a_study_given_up_says_nothing(bench: Bench) -> None:
    reviewer = bench.as_("reviewer")
    study = make(reviewer, {"Mesa": EQUAL, "Sparrow": EQUAL}, measured=False, inspected=False)
    queue = reviewer.get(f"/api/studies/{study}/measure")
    path = f"/api/studies/{study}/gauge-studies"
    people = [p["id"] for p in reviewer.get(path)["people"]][:2]
    tool = next(i["id"] for i in queue["instruments"] if i["kind"] == "caliper")
    begun = reviewer.send("POST", path, {"id": new(), "instrument_id": tool, "feature_ids": [x1(queue)["id"]], "people": people, "parts": 9})  # fmt: skip
    gauge = begun["studies"][0]
    assert [p["due"] for p in gauge["people"]] == [6, 6]  # two specimens are all there are, three repeats
    ended = reviewer.send("POST", f"/api/gauge-studies/{gauge['id']}/end")["studies"][0]
    assert (ended["says"], ended["next"], ended["parts"]) == (None, None, [])
