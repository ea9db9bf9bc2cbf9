"""Nothing is stored twice, nothing is overwritten unseen, nothing is half-saved."""

import uuid
from concurrent.futures import ThreadPoolExecutor

import psycopg
import pytest

from crevlo.sim.client import ApiError, Client
from tests.conftest import Bench, Played
from tests.states import EQUAL, SLICED, make


@pytest.fixture
def reviewer(demo_bench: Bench) -> Client:
    return demo_bench.as_("reviewer")


def _rows(bench: Bench, sql: str) -> int:
    with psycopg.connect(bench.url.replace("+psycopg", "")) as connection:
        return connection.execute(sql).fetchone()[0]


def _next_reading(client: Client, study: str) -> tuple[str, dict[str, object]]:
    queue = client.get(f"/api/studies/{study}/measure")
    specimen = next(q for q in queue["queue"] if q["done"] == 0)
    return f"/api/specimens/{specimen['id']}/readings", {
        "id": str(uuid.uuid4()), "feature_id": queue["artifacts"][0]["features"][0]["id"], "repeat": 1,
        "instrument_id": queue["instruments"][0]["id"], "value": 40.06, "taken_at": "2026-11-20T09:00:00+01:00"}  # fmt: skip


def test_a_reading_sent_many_times_at_once_is_kept_once(demo_bench: Bench, reviewer: Client, played: Played) -> None:
    path, body = _next_reading(reviewer, played.study)
    before = _rows(demo_bench, "select count(*) from reading")
    headers = {"X-CSRFToken": reviewer.csrf, "X-Write-Id": str(uuid.uuid4())}
    with ThreadPoolExecutor(8) as pool:
        answers = list(pool.map(lambda _: reviewer.http.post(path, json=body, headers=headers), range(16)))
    assert {a.status_code for a in answers} == {200}
    assert len({a.text for a in answers}) == 1
    assert _rows(demo_bench, "select count(*) from reading") == before + 1
    other = reviewer.http.post(path, json=body | {"value": 40.5}, headers=headers)
    assert other.status_code == 409
    assert "used for something else" in other.json()["title"]


def test_who_wants_no_answer_gets_none_and_is_kept_once_or_refused_in_words_all_the_same(
    demo_bench: Bench, reviewer: Client, played: Played
) -> None:
    path, body = _next_reading(reviewer, played.study)
    before = _rows(demo_bench, "select count(*) from reading")
    headers = {"X-CSRFToken": reviewer.csrf, "X-Write-Id": str(uuid.uuid4()), "Prefer": "return=minimal"}
    for answer in [reviewer.http.post(path, json=body, headers=headers) for _ in range(2)]:
        assert (answer.status_code, answer.content) == (204, b"")
        assert answer.headers["Preference-Applied"] == "return=minimal"
    assert _rows(demo_bench, "select count(*) from reading") == before + 1
    reading = reviewer.get(path.removesuffix("/readings"))["features"][0]["readings"]
    assert [r["id"] for r in reading] == [body["id"]]
    refused = reviewer.http.post(
        path,
        json=body | {"id": str(uuid.uuid4()), "value": 40.1},
        headers=headers | {"X-Write-Id": str(uuid.uuid4())},
    )
    assert refused.status_code == 422
    assert "already kept" in refused.json()["title"]
    # What is told once and never again is told whatever the sender prefers.
    unit = reviewer.get(f"/api/studies/{played.study}/receive")["units"][1]["machine"]["unit_id"]
    device = {"id": str(uuid.uuid4()), "name": "Plug 9", "kind": "power meter", "unit_id": unit}
    token = reviewer.http.post("/api/devices", json=device, headers=headers | {"X-Write-Id": str(uuid.uuid4())})
    assert token.json()["token"]


def test_the_same_place_is_read_once_and_then_corrected(reviewer: Client, played: Played) -> None:
    path, body = _next_reading(reviewer, played.study)
    view = reviewer.send("POST", path, body)
    with pytest.raises(ApiError, match="already kept; a change is a correction"):
        reviewer.send("POST", path, body | {"id": str(uuid.uuid4()), "value": 40.1})
    with pytest.raises(ApiError, match="Measure again"):
        reviewer.send("POST", path, body | {"id": str(uuid.uuid4()), "repeat": 2, "value": 400.6})
    fix = {
        "supersedes_id": body["id"],
        "instrument_id": body["instrument_id"],
        "value": 40.16,
        "reason": "jaws tilted",
    }
    corrected = reviewer.send("POST", path.replace("readings", "corrections"), fix | {"id": str(uuid.uuid4())})
    assert [r["value"] for r in corrected["features"][0]["readings"]] == [40.16]
    assert corrected["features"][0]["off"]["value"] == pytest.approx(0.16)
    with pytest.raises(ApiError, match="corrected meanwhile"):
        reviewer.send("POST", path.replace("readings", "corrections"), fix | {"id": str(uuid.uuid4())})
    source = reviewer.get(f"/api/specimens/{view['id']}/source", feature="X1")
    assert [(e["amount"], e["struck"]) for e in source["entries"]] == [("40.06 mm", True), ("40.16 mm", False)]
    assert source["entries"][1]["note"] == "correction: jaws tilted"


def test_readings_sent_together_are_kept_all_or_none(demo_bench: Bench, reviewer: Client, played: Played) -> None:
    path, first = _next_reading(reviewer, played.study)
    second = first | {"id": str(uuid.uuid4()), "repeat": 2}
    before = _rows(demo_bench, "select count(*) from reading")
    for wrong, words in (
        (first | {"id": str(uuid.uuid4())}, "already kept"),
        (second | {"value": 400.6}, "Measure again"),
        (second | {"instrument_id": str(uuid.uuid4())}, "no such instrument"),
        (second | {"repeat": 11}, "less than or equal to 10"),
    ):
        with pytest.raises(ApiError, match=words):
            reviewer.send("POST", f"{path}/batch", {"readings": [first, wrong]})
    assert _rows(demo_bench, "select count(*) from reading") == before
    view = reviewer.send("POST", f"{path}/batch", {"readings": [first, second]})
    assert view["done"] == 2
    assert [r["repeat"] for r in view["features"][0]["readings"]] == [1, 2]


def test_the_same_file_brought_by_several_at_once_is_kept_once(bench: Bench) -> None:
    client = bench.as_("reviewer")
    study = make(client, dict.fromkeys(("First", "Second", "Third", "Fourth"), EQUAL), printed=False)
    jobs = client.get(f"/api/studies/{study}/print")["jobs"]

    def drop(job: dict) -> str:
        view = client.send(
            "PUT", f"/api/jobs/{job['id']}/file", content=SLICED, id=str(uuid.uuid4()), name="same.gcode"
        )
        return view["file"]["name"]

    with ThreadPoolExecutor(4) as pool:
        assert list(pool.map(drop, jobs)) == ["same.gcode"] * len(jobs)
    assert _rows(bench, "select count(*) from upload") == 1


def test_the_later_of_two_editors_sees_both_versions(demo_bench: Bench, reviewer: Client, played: Played) -> None:
    owner = demo_bench.as_("owner")
    basis = reviewer.get(f"/api/studies/{played.study}/cost")["basis"]
    owner.send("PUT", f"/api/studies/{played.study}/cost", basis | {"wage_per_h": 24.0})
    answer = reviewer.http.put(
        f"/api/studies/{played.study}/cost", json=basis | {"wage_per_h": 20.0},
        headers={"X-CSRFToken": reviewer.csrf, "X-Write-Id": str(uuid.uuid4())},
    )  # fmt: skip
    assert answer.status_code == 409
    assert answer.json()["theirs"]["wage_per_h"] == 24.0
    assert reviewer.get(f"/api/studies/{played.study}/cost")["basis"]["wage_per_h"] == 24.0


def test_a_refused_change_leaves_nothing_behind(demo_bench: Bench, reviewer: Client, played: Played) -> None:
    counts = (
        "select (select count(*) from run) + (select count(*) from reading) + (select count(*) from client_write)"
    )
    before = _rows(demo_bench, counts)
    path, body = _next_reading(reviewer, played.study)
    jobs = reviewer.get(f"/api/studies/{played.study}/print")["jobs"]
    live = next(j for j in jobs if j["state"] == "printing")
    for refused in (
        (path, body | {"feature_id": str(uuid.uuid4())}),
        (path, body | {"value": None}),
        (path, body | {"taken_at": "2099-01-01T00:00:00Z"}),
        (f"/api/jobs/{live['id']}/runs", {"id": str(uuid.uuid4())}),
    ):
        with pytest.raises(ApiError, match=r"4[02][24] "):
            reviewer.send("POST", *refused)
    assert _rows(demo_bench, counts) == before
