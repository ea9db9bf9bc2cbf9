"""Runs typed afterwards: times in order, pauses that are no printing, files that come later, tries that add up."""

from concurrent.futures import ThreadPoolExecutor
from datetime import UTC, datetime, timedelta

import pytest

from crevlo.sim.client import ApiError, Client
from tests.conftest import Bench
from tests.small import frozen_study, new
from tests.states import SLICED

DAY = datetime.now(UTC).replace(hour=6, minute=0, second=0, microsecond=0) - timedelta(days=3)


@pytest.fixture
def client(bench: Bench) -> Client:
    return bench.as_("reviewer")


@pytest.fixture
def jobs(client: Client) -> list[dict]:
    study = frozen_study(client, copies=2, frozen_at=DAY - timedelta(days=1))
    return client.get(f"/api/studies/{study}/print")["jobs"]


def _at(hours: float) -> str:
    return (DAY + timedelta(hours=hours)).isoformat()


def _paper(start: float, end: float, *pauses: tuple[float, float], **more: object) -> dict:
    return {
        "id": new(), "started_at": _at(start), "ended_at": _at(end), "outcome": "done", "without_file": True,
        "deviation_reason": "the stick was lost", "pauses": [{"begin": _at(a), "end": _at(b)} for a, b in pauses]} | more  # fmt: skip


def _of(jobs: list[dict], machine: str) -> list[str]:
    return [j["id"] for j in jobs if j["machine"]["name"] == machine]


def _figure(client: Client, study: str, code: str) -> float:
    standings = client.send("POST", f"/api/studies/{study}/rank", {})["standings"]
    mesa = next(s for s in standings if s["machine"]["name"] == "Mesa")
    return next(c["raw"]["value"] for c in mesa["contributions"] if c["code"] == code)


def _weigh(client: Client, study: str, code: str) -> None:
    path = f"/api/studies/{study}/scheme"
    client.send("POST", path, {"id": new(), "number": client.get(path)["number"], "criteria": [
        {"code": code, "weight": 10, "shape": "linear", "points": [{"raw": 4, "value": 0}, {"raw": 1, "value": 100}]}]})  # fmt: skip


def test_pauses_and_the_night_are_no_printing_time(client: Client, jobs: list[dict]) -> None:
    first, second = _of(jobs, "Mesa")
    study = client.get("/api/studies")["studies"][0]["id"]
    view = client.send("POST", f"/api/jobs/{first}/paper-run", _paper(0, 12, (1, 1.5), (2, 10)))
    run = view["runs"][-1]
    assert (run["took_s"], run["paused_s"], run["from_paper"], run["has_file"]) == (43200, 30600, True, False)
    assert datetime.fromisoformat(run["recorded_at"]) > datetime.now(UTC) - timedelta(minutes=5)
    assert run["bag_code"]
    client.send("POST", f"/api/jobs/{second}/paper-run", _paper(20, 23.5, (22, 23.5)))
    assert _figure(client, study, "time") == pytest.approx((3.5 + 2.0) / 2)
    log = client.get(f"/api/studies/{study}/plan")["deviations"]
    assert [d["what"] for d in log] == ["No sliced file on record"] * 2


@pytest.mark.parametrize(
    ("wrong", "words"),
    [
        (_paper(5, 5), "The end comes before the start"),
        (_paper(5, 5 + 31 * 24), "slip of the pen|future"),
        (_paper(0, 4, (3, 5)), "Pauses lie within"),
        (_paper(0, 4, (2, 3), (1, 2.5)), "Pauses lie within"),
        (_paper(0, 4, (3, 2)), "Pauses lie within"),
        (_paper(0, 4, deviation_reason=""), "Say why there is no sliced file"),
        (_paper(0, 4, without_file=False), "Drop the sliced file"),
        (_paper(0, 4, outcome="failed"), "Give the cause"),
        (_paper(0, 4, (0, 2), (2, 4)), "no time of printing"),
        (_paper(-48, -40), "before the protocol was frozen"),
    ],
)
def test_what_cannot_have_been_so_is_refused_and_nothing_is_kept(
    client: Client, jobs: list[dict], wrong: dict, words: str
) -> None:
    job = _of(jobs, "Mesa")[0]
    with pytest.raises(ApiError, match=words):
        client.send("POST", f"/api/jobs/{job}/paper-run", wrong)
    assert client.get(f"/api/jobs/{job}")["runs"] == []
    kept = client.get(f"/api/studies/{client.get('/api/studies')['studies'][0]['id']}/plan")["deviations"]
    assert kept == []


def test_pauses_that_begin_with_the_print_or_touch_are_pauses_all_the_same(client: Client, jobs: list[dict]) -> None:
    first, second = _of(jobs, "Mesa")
    run = client.send("POST", f"/api/jobs/{first}/paper-run", _paper(0, 4, (0, 1), (1, 1.5), (3, 4)))["runs"][-1]
    assert run["paused_s"] == 2.5 * 3600
    assert len({e["at"] for e in run["events"]}) == len(run["events"])
    alone = client.send("POST", f"/api/jobs/{second}/paper-run", _paper(5, 6))["runs"][-1]
    assert (alone["paused_s"], alone["events"]) == (0, [])


def test_of_two_typed_at_once_for_one_machine_one_is_kept(client: Client, jobs: list[dict]) -> None:
    def enter(job: str) -> int:
        headers = {"X-CSRFToken": client.csrf, "X-Write-Id": new()}
        return client.http.post(f"/api/jobs/{job}/paper-run", json=_paper(0, 4), headers=headers).status_code

    with ThreadPoolExecutor(2) as pool:
        answers = sorted(pool.map(enter, _of(jobs, "Mesa")))
    assert answers[0] == 200
    assert answers[1] >= 400


def test_a_machine_prints_one_thing_at_a_time(client: Client, jobs: list[dict]) -> None:
    first, second = _of(jobs, "Mesa")
    client.send("POST", f"/api/jobs/{first}/paper-run", _paper(0, 4))
    for start, end in ((3, 6), (-1, 0.5), (1, 2)):
        with pytest.raises(ApiError, match="printed something else then"):
            client.send("POST", f"/api/jobs/{second}/paper-run", _paper(start, end))
    other = _of(jobs, "Sparrow")[0]
    assert client.send("POST", f"/api/jobs/{other}/paper-run", _paper(1, 5))["runs"]
    assert client.send("POST", f"/api/jobs/{second}/paper-run", _paper(4, 6))["runs"]


def test_a_file_found_later_is_tied_to_the_run_that_it_made(client: Client, jobs: list[dict]) -> None:
    job, other = _of(jobs, "Mesa")
    run = client.send("POST", f"/api/jobs/{job}/paper-run", _paper(0, 2))["runs"][-1]
    file = client.send("PUT", f"/api/jobs/{job}/file", content=SLICED, id=new(), name="found.gcode")["file"]
    foreign = client.send("PUT", f"/api/jobs/{other}/file", content=SLICED, id=new(), name="other.gcode")["file"]
    with pytest.raises(ApiError, match="no such file on this print"):
        client.send("PUT", f"/api/runs/{run['id']}/file", {"file_id": foreign["id"]})
    tied = client.send("PUT", f"/api/runs/{run['id']}/file", {"file_id": file["id"]})["runs"][-1]
    assert tied["has_file"]
    assert tied["of_estimate"] == pytest.approx(7200 / file["time_s"])
    with pytest.raises(ApiError, match="on record already"):
        client.send("PUT", f"/api/runs/{run['id']}/file", {"file_id": file["id"]})


def test_tries_up_to_the_good_print_add_up_without_the_nights_between(client: Client, jobs: list[dict]) -> None:
    job, other = _of(jobs, "Mesa")
    study = client.get("/api/studies")["studies"][0]["id"]
    client.send("POST", f"/api/jobs/{other}/paper-run", _paper(30, 32.5))
    client.send("POST", f"/api/jobs/{job}/paper-run", _paper(0, 1.5, outcome="failed", cause="machine"))
    view = client.send("POST", f"/api/jobs/{job}/paper-run", _paper(24, 26.5, (25, 25.5), changed="plate washed"))
    assert [(r["attempt"], r["until_s"]) for r in view["runs"]] == [(1, 5400), (2, 5400 + 7200)]
    marks = [(e["kind"], e["at"]) for e in view["runs"][-1]["events"]]
    assert [k for k, _ in marks] == ["printing", "paused", "printing"]
    _weigh(client, study, "time.total")
    assert _figure(client, study, "time.total") == pytest.approx((1.5 + 2.0 + 2.5) / 2)
