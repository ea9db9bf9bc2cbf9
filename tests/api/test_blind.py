"""What a rater is sent never tells which machine a specimen came from."""

import json
import uuid
from itertools import count

import psycopg
import pytest

from tests.api.test_ballot import photo, soon
from tests.conftest import Bench, Played

# Columns whose every value must stay out of a rater's answers while the study is blind.
TELL_TALES = [
    "select name from model", "select id::text from model", "select id::text from unit", "select serial from unit",
    "select id::text from study_unit", "select id::text from job", "select id::text from run",
    "select name from sliced_file", "select id::text from sliced_file", "select sha256 from sliced_file",
    "select code from spool", "select id::text from spool", "select colour from spool", "select maker from spool",
]  # fmt: skip


@pytest.fixture(scope="module")
def tell_tales(shared_bench: Bench) -> set[str]:
    with psycopg.connect(shared_bench.url.replace("+psycopg", "")) as connection:
        return {row[0] for query in TELL_TALES for row in connection.execute(query).fetchall() if row[0]}


def _ids(shared_bench: Bench, study: str) -> dict[str, str]:
    with psycopg.connect(shared_bench.url.replace("+psycopg", "")) as db:
        one = lambda sql: str(db.execute(sql).fetchone()[0])  # noqa: E731
        return {
            "study_id": study, "unit_id": one("select unit_id from study_unit limit 1"),
            "job_id": one("select id from job limit 1"), "run_id": one("select id from run limit 1"),
            "specimen_id": one("select id from specimen order by position limit 1"),
            "profile_id": one("select id from buyer_profile limit 1"), "person_id": one("select id from person limit 1"),
            "model_id": str(uuid.uuid4()), "device_id": str(uuid.uuid4()), "item_id": str(uuid.uuid4()), "file_id": str(uuid.uuid4()), "spool_id": str(uuid.uuid4()),
            "instrument_id": str(uuid.uuid4()), "hypothesis_id": str(uuid.uuid4()),
            "subject_id": str(uuid.uuid4()), "session_id": str(uuid.uuid4()), "photo_id": str(uuid.uuid4()), "work_id": str(uuid.uuid4()), "key": "quick", "sha256": "0" * 64,
            "revision_id": str(uuid.uuid4()), "duel_id": str(uuid.uuid4()), "name": "x", "ref": "SB", "kind": "stl",
        }  # fmt: skip


def test_every_call_a_rater_can_make_names_no_machine(
    shared_bench: Bench, played: Played, tell_tales: set[str]
) -> None:
    rater = shared_bench.as_("rater")
    ids = _ids(shared_bench, played.study) | {"reading_id": str(uuid.uuid4())}
    queue = rater.get(f"/api/studies/{played.study}/measure")
    faces = queue["artifacts"][0]["features"]
    unmeasured = next(q for q in queue["queue"] if q["done"] == 0)
    number = count()
    pair = rater.get(f"/api/studies/{played.study}/duels")["pair"]
    gauges = rater.get(f"/api/studies/{played.study}/gauge-studies")
    reviewer = shared_bench.as_("reviewer")
    begun = reviewer.send("POST", f"/api/studies/{played.study}/gauge-studies", {
        "id": str(uuid.uuid4()), "instrument_id": next(i["id"] for i in queue["instruments"] if i["kind"] == "caliper"),
        "feature_ids": [gauges["faces"][0]["feature_id"]], "people": [p["id"] for p in gauges["people"]]})  # fmt: skip
    ids["gauge_id"] = begun["studies"][0]["id"]
    for q in queue["queue"]:
        reviewer.send("PUT", f"/api/specimens/{q['id']}/photos", content=photo(90, (400, 300)), id=str(uuid.uuid4()))
    line = next(x for x in reviewer.get(f"/api/studies/{played.study}/ballots")["lines"] if not x["needs"])
    ballot = reviewer.send("POST", f"/api/studies/{played.study}/ballots", {
        "id": str(uuid.uuid4()), "line": line["number"], "closes_at": soon()})["ballots"][0]  # fmt: skip
    shown = rater.get(f"/api/ballots/{ballot['key']}")
    ids |= {"ballot_id": ballot["id"], "key": ballot["key"], "code": shown["first"]["blind_code"]}
    ids |= {"package_id": str(uuid.uuid4()), "form": "html", "format": "wide", "name": "verdict", "kind": "png"}
    first = rater.get(f"/api/studies/{played.study}/gauge-studies")["studies"][0]["next"]
    in_gauge = {"id": str(uuid.uuid4()), "part": first["part"], "repeat": 1, "value": first["nominal"]}
    table = {"id": str(uuid.uuid4()), "text": f"code;X2\n{unmeasured['blind_code']};30,02",
             "instrument_ids": [i["id"] for i in queue["instruments"]]}  # fmt: skip
    bodies = {
        "votes": {"id": str(uuid.uuid4()), "first": shown["first"]["blind_code"],
                  "second": shown["second"]["blind_code"], "ticket": shown["ticket"], "won": "tie"},
        "preview": table,
        "reading-table": table,
        "readings": {"id": str(uuid.uuid4()), "feature_id": faces[0]["id"], "repeat": 1,
                     "instrument_id": queue["instruments"][0]["id"], "value": 40.02},
        "scores": {"id": str(uuid.uuid4()), "defect": "stringing", "severity": 1},
        "zero-checks": {"id": str(uuid.uuid4()), "instrument_id": queue["instruments"][0]["id"], "value": 0.0},
        "looks": {"id": str(uuid.uuid4()), "stage": "clean", "result": "check", "words": "a doubt"},
        "duels": {"id": str(uuid.uuid4()), "first_id": pair["first"]["id"], "second_id": pair["second"]["id"],
                  "ticket": pair["ticket"], "won": "tie"},
    }  # fmt: skip
    answered = {}
    for path, methods in shared_bench.app.api_doc["paths"].items():
        last = path.rsplit("/", 1)[1]
        # Readings and scores go to a specimen that still needs them.
        mine = ids | ({"specimen_id": unmeasured["id"]} if last in bodies else {})
        for method in methods:
            if path == "/api/session" and method == "delete":
                continue
            answer = rater.http.request(
                method, path.format(**mine), json=in_gauge if "{gauge_id}" in path else bodies.get(last, {}),
                headers={"X-CSRFToken": rater.csrf, "X-Write-Id": str(uuid.uuid4())},
            )  # fmt: skip
            answered[(method, path)] = answer.status_code
            told = [t for t in tell_tales if t in answer.text]
            assert not told, (method, path, told[:3])
            next(number)
    assert next(number) > 50
    seen = {path.rsplit("/", 1)[1] for (_, path), status in answered.items() if status == 200}
    assert {
        "studies",
        "line",
        "measure",
        "{specimen_id}",
        "source",
        "inspect",
        "readings",
        "scores",
        "zero-checks",
        "looks",
        "duels",
        "agreement",
        "photos",
        "gauge-studies",
        "preview",
        "reading-table",
        "votes",
        "{key}",
        "{code}",
    } <= seen
    assert answered["post", "/api/gauge-studies/{gauge_id}/readings"] == 200


def test_the_tell_tales_are_found_where_they_may_be_shown(
    shared_bench: Bench, played: Played, tell_tales: set[str]
) -> None:
    """The walk above can fail: the same search finds machines in what a reviewer is sent."""
    reviewer = shared_bench.as_("reviewer")
    for station in ("plan", "receive", "print", "cost"):
        text = json.dumps(reviewer.get(f"/api/studies/{played.study}/{station}"), ensure_ascii=False)
        assert sum(t in text for t in tell_tales) >= 7


def test_before_the_reveal_no_answer_ties_a_code_to_a_machine(demo_bench: Bench, played: Played) -> None:
    reviewer = demo_bench.as_("reviewer")
    codes = [q["blind_code"] for q in reviewer.get(f"/api/studies/{played.study}/measure")["queue"]]
    unit = reviewer.get(f"/api/studies/{played.study}/plan")["coverage"][0]["machine"]["unit_id"]
    for criterion in ("off.mean", "defects", "total"):
        source = reviewer.send(
            "POST", f"/api/studies/{played.study}/units/{unit}/rank-source", {"criterion": criterion}
        )
        assert not any(code in json.dumps(source) for code in codes)
    data = reviewer.get(f"/api/studies/{played.study}/readings.json")
    assert data["withheld_specimens"] == len(codes) == 19
    assert data["readings"] == []
    refused = reviewer.http.get(f"/api/studies/{played.study}/revealed")
    assert refused.status_code == 422
    assert "stay hidden until every specimen is scored and locked" in refused.json()["title"]
