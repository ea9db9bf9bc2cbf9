"""A database that is away is told so, with when to come again; what it sees at once is one state."""

import socket
import uuid

import httpx
import pytest

from crevlo.api.app import create_app
from crevlo.sim.client import Client
from crevlo.stations.blind import asks_for_everybody
from crevlo.stations.figures.study import StudyFigures, study_figures
from crevlo.stations.kit.snapshot import print_of
from crevlo.stations.rank import ranking
from tests.conftest import SECRET, Bench, Played
from tests.small import new
from tests.states import EQUAL, make


def test_every_kind_of_call_says_503_and_when_to_come_again(bench: Bench) -> None:
    client = bench.as_("reviewer")
    with socket.socket() as probe:
        probe.bind(("127.0.0.1", 0))
        port = probe.getsockname()[1]
    gone = create_app(f"postgresql://nobody:x@127.0.0.1:{port}/nothing", secret=SECRET)
    http = httpx.Client(
        transport=httpx.WSGITransport(app=gone), base_url="http://127.0.0.1", cookies=client.http.cookies
    )
    headers = {"X-CSRFToken": client.csrf, "X-Write-Id": str(uuid.uuid4()), "Authorization": "Bearer x"}
    for method, path, body in (
        ("GET", "/api/studies", None), ("POST", "/api/models", {}), ("GET", "/api/session", None),
        ("POST", "/api/session", {"email": "a@b", "password": "x"}), ("POST", "/api/ingest/power", {"t": [1]}),
        ("GET", "/readyz", None),
    ):  # fmt: skip
        answer = http.request(method, path, json=body, headers=headers)
        assert answer.status_code == 503, (path, answer.text)
        assert int(answer.headers["retry-after"]) >= 1
        assert answer.headers["content-type"] == "application/problem+json"
    assert http.get("/healthz").text == "ok"


def test_a_view_is_of_one_state_whatever_is_written_meanwhile(
    demo_bench: Bench, played: Played, monkeypatch: pytest.MonkeyPatch
) -> None:
    reviewer, owner = demo_bench.as_("reviewer"), demo_bench.as_("owner")
    rank = lambda client: client.send("POST", f"/api/studies/{played.study}/rank", {})  # noqa: E731
    before = rank(reviewer)
    original, wrote = ranking.study_figures, []

    def with_a_write_behind_it(session, study_id):  # type: ignore[no-untyped-def]
        found = original(session, study_id)
        if not wrote:
            wrote.append(True)
            basis = owner.get(f"/api/studies/{played.study}/cost")["basis"]
            owner.send("PUT", f"/api/studies/{played.study}/cost", basis | {"wage_per_h": 90.0})
        return found

    monkeypatch.setattr(ranking, "study_figures", with_a_write_behind_it)
    ranking._draws.clear()
    assert rank(reviewer) == before
    after = rank(reviewer)
    assert after["standings"] != before["standings"]
    # What was kept on the way is of the state that it was made from.
    ranking._draws.clear()
    assert rank(reviewer) == after


def test_samples_of_power_do_not_throw_the_figures_away(demo_bench: Bench, played: Played) -> None:
    from crevlo.stations.kit.snapshot import state_of
    from tests.api.test_ingest import Sender, add

    reviewer = demo_bench.as_("reviewer")
    unit = reviewer.get(f"/api/studies/{played.study}/print")["jobs"][0]["machine"]["unit_id"]
    meter = Sender(demo_bench, add(reviewer, "power meter", unit)["token"])
    sessions = demo_bench.app.extensions["crevlo"]["sessions"]

    def state() -> str | None:
        with sessions() as session:
            return state_of(session)

    before = state()
    meter.send("power", t=[1.79e9, 1.79e9 + 1], w=[50.0, 51.0])
    assert state() == before
    basis = reviewer.get(f"/api/studies/{played.study}/cost")["basis"]
    reviewer.send("PUT", f"/api/studies/{played.study}/cost", basis | {"wage_per_h": 33.0})
    assert state() != before


def test_figures_are_kept_by_the_rows_of_their_study_and_by_nothing_written_elsewhere(
    demo_bench: Bench, played: Played
) -> None:
    reviewer = demo_bench.as_("reviewer")
    study = f"/api/studies/{played.study}"
    sessions = demo_bench.app.extensions["crevlo"]["sessions"]

    def mark() -> str:
        with sessions() as session:
            return print_of(session, uuid.UUID(played.study))

    def figures() -> StudyFigures:
        with sessions() as session:
            asks_for_everybody(session)
            return study_figures(session, uuid.UUID(played.study))

    made = figures()
    make(reviewer, {"Elsewhere": EQUAL, "Nearby": EQUAL}, title="Another")
    # Its caliper and spool are new to the whole bench; nothing after them is.
    told = mark()
    reviewer.send("POST", "/api/studies", {"id": new(), "title": "One more", "question": "Why?"})
    assert (mark(), figures().evidence.machines) == (told, made.evidence.machines)
    assert figures() is figures()
    unit = reviewer.get(f"{study}/receive")["units"][0]
    specimen = next(q for q in reviewer.get(f"{study}/measure")["queue"] if q["done"])
    faces = reviewer.get(f"/api/specimens/{specimen['id']}")["features"]
    caliper = reviewer.get(f"{study}/measure")["instruments"][0]["id"]
    path = f"{study}/units/{unit['machine']['unit_id']}"
    for change in (
        lambda: reviewer.send("POST", f"/api/specimens/{specimen['id']}/corrections", {
            "id": new(), "supersedes_id": faces[0]["readings"][0]["id"], "value": faces[0]["nominal"] + 0.3,
            "reason": "read again", "instrument_id": caliper}),
        lambda: reviewer.send("PUT", path, {"version": unit["version"], "price_paid": 999}),
        lambda: reviewer.send("POST", f"{path}/log", {"id": new(), "kind": "smoke", "words": "from the board"}),
        lambda: reviewer.send("PUT", f"{path}/not-recommended", {"reason": "it smoked"}),
        lambda: reviewer.send("POST", f"{study}/deviations", {"id": new(), "what": "Door open", "reason": "heat"}),
    ):  # fmt: skip
        told, before = mark(), figures()
        change()
        assert mark() != told
        assert figures() is not before


def test_what_one_person_pressed_is_not_taken_from_another(bench: Bench) -> None:
    client: Client = bench.as_("reviewer")
    headers = {"X-CSRFToken": client.csrf, "X-Write-Id": str(uuid.uuid4()), "X-Person": str(uuid.uuid4())}
    answer = client.http.post("/api/models", json={}, headers=headers)
    body = {"id": str(uuid.uuid4()), "title": "Mine", "question": ""}
    answer = client.http.post("/api/studies", json=body, headers=headers)
    assert (answer.status_code, answer.json()["wait"]) == (403, True)
    assert client.get("/api/studies")["studies"] == []
