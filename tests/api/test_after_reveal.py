"""A judgement is blind or says that it is not; a lock is a lock."""

import threading
import uuid
from concurrent.futures import ThreadPoolExecutor

import pytest

from crevlo.core.defects import USUAL
from crevlo.sim.client import ApiError, Client
from tests.api.test_stations import finish_and_reveal
from tests.conftest import Bench, Played
from tests.small import new


@pytest.fixture
def reviewer(demo_bench: Bench) -> Client:
    return demo_bench.as_("reviewer")


def _figures(client: Client, study: str) -> dict[str, list]:
    view = client.send("POST", f"/api/studies/{study}/rank", {})
    return {s["machine"]["name"]: [c["raw"]["value"] for c in s["contributions"]] for s in view["standings"]}


def test_what_is_entered_after_the_reveal_is_marked_and_changes_no_blind_figure(
    demo_bench: Bench, reviewer: Client, played: Played
) -> None:
    finish_and_reveal(demo_bench, played.study)
    rater = demo_bench.as_("rater")
    before = _figures(reviewer, played.study)
    measured = {q["id"] for q in reviewer.get(f"/api/studies/{played.study}/measure")["queue"] if q["done"]}
    inspect = reviewer.get(f"/api/studies/{played.study}/inspect")
    specimen = next(s for s in inspect["specimens"] if s["id"] in measured)
    path = f"/api/specimens/{specimen['id']}/scores"
    score = {"defect": "warp", "severity": 5}
    for client in (rater, reviewer):
        with pytest.raises(ApiError, match="known by now"):
            client.send("POST", path, score | {"id": new()})
    with pytest.raises(ApiError, match="closed"):
        rater.send("POST", path, score | {"id": new(), "after_reveal": "let me"})
    for code in USUAL:
        reviewer.send(
            "POST", path, {"id": new(), "defect": code, "severity": 5, "after_reveal": "found cracked later"}
        )
    reviewer.send("POST", f"/api/specimens/{specimen['id']}/lock")
    view = reviewer.get(f"/api/specimens/{specimen['id']}")
    feature = next(f for f in view["features"] if f["readings"])
    old = feature["readings"][0]
    queue = reviewer.get(f"/api/studies/{played.study}/measure")
    correction = {
        "id": new(), "supersedes_id": old["id"], "value": old["value"] + 1.5, "reason": "slip",
        "instrument_id": queue["instruments"][0]["id"],
    }  # fmt: skip
    corrections = f"/api/specimens/{specimen['id']}/corrections"
    with pytest.raises(ApiError, match="known by now"):
        reviewer.send("POST", corrections, correction)
    view = reviewer.send("POST", corrections, correction | {"after_reveal": "the jaws were bent"})
    shown = next(f for f in view["features"] if f["feature_id"] == feature["feature_id"])
    assert shown["readings"][0]["after_reveal"] == "the jaws were bent"
    assert shown["off"] == feature["off"]
    after = _figures(reviewer, played.study)
    assert {k: v[:3] for k, v in after.items()} == {k: v[:3] for k, v in before.items()}
    machine = next(
        r["machine"] for r in reviewer.get(f"/api/studies/{played.study}/revealed")["specimens"]
        if r["blind_code"] == specimen["blind_code"]
    )  # fmt: skip
    cost = next(m for m in reviewer.get(f"/api/studies/{played.study}/cost")["machines"] if m["machine"] == machine)
    assert (
        "9 entered after the reveal, left out of its figures: found cracked later; the jaws were bent"
        in cost["departures"]
    )


def test_a_score_never_lands_after_its_own_lock(demo_bench: Bench, played: Played) -> None:
    """Both sent at the same moment, a dozen times: the lock has all eight or the score is refused."""
    rater = demo_bench.as_("rater")
    inspect = rater.get(f"/api/studies/{played.study}/inspect")
    waiting = [s for s in inspect["specimens"] if not s["locked"]]
    assert len(waiting) == 4
    for specimen in waiting:
        scores = f"/api/specimens/{specimen['id']}/scores"
        given = {}
        for code in USUAL:
            given[code] = new()
            rater.send("POST", scores, {"id": given[code], "defect": code, "severity": 1})
        gate = threading.Barrier(2)

        def send(path: str, body: dict | None, gate: threading.Barrier = gate) -> int:
            gate.wait()
            headers = {"X-CSRFToken": rater.csrf, "X-Write-Id": str(uuid.uuid4())}
            return rater.http.post(path, json=body, headers=headers).status_code

        change = {
            "id": new(),
            "defect": "warp",
            "severity": 4,
            "supersedes_id": given["warp"],
            "reason": "looked again",
        }
        with ThreadPoolExecutor(2) as pool:
            scored = pool.submit(send, scores, change)
            locked = pool.submit(send, f"/api/specimens/{specimen['id']}/lock", None)
            assert locked.result() == 200
        with demo_bench.engine.connect() as db:
            late = db.exec_driver_sql(
                "select count(*) from defect_score s join inspection_lock l using (specimen_id, person_id)"
                f" where s.specimen_id = '{specimen['id']}' and s.recorded_at > l.locked_at"
            ).scalar()
        assert late == 0
        assert scored.result() in (200, 409, 422)


def test_a_structural_five_makes_the_print_a_failed_one_with_its_cause(
    demo_bench: Bench, reviewer: Client, played: Played
) -> None:
    rater = demo_bench.as_("rater")
    tries = lambda: {m["machine"]["name"]: (m["good"], m["tries"]) for m in reviewer.get(f"/api/studies/{played.study}/cost")["machines"]}  # noqa: E731  # fmt: skip
    before = tries()
    open_one = next(s for s in rater.get(f"/api/studies/{played.study}/inspect")["specimens"] if not s["locked"])
    for code in USUAL:
        rater.send("POST", f"/api/specimens/{open_one['id']}/scores", {"id": new(), "defect": code, "severity": 5 if code == "shift" else 0})  # fmt: skip
    rater.send("POST", f"/api/specimens/{open_one['id']}/lock")
    name = played.made_by[open_one["blind_code"]].name
    good, tried = before[name]
    # An unknown cause counts against the machine; the operator's does not.
    assert tries()[name] == (good - 1, tried)
    told = finish_and_reveal(demo_bench, played.study)["specimens"]
    run = next(r["print_id"] for r in told if r["blind_code"] == open_one["blind_code"])
    with pytest.raises(ApiError, match="To change the cause, say why"):
        reviewer.send("POST", f"/api/runs/{run}/rejection", {"id": new(), "cause": "operator", "words": "Bed bumped"})
    job = reviewer.send("POST", f"/api/runs/{run}/rejection", {"id": new(), "cause": "operator", "words": "Bed bumped", "reason": "seen on the camera"})  # fmt: skip
    assert tries()[name] == (good - 1, tried - 1)
    assert next(r for r in job["runs"] if r["id"] == run)["rejected"] == "Bed bumped Cause: operator."


def test_audit_tells_no_reader_which_specimen_came_of_which_run(
    demo_bench: Bench, reviewer: Client, played: Played
) -> None:
    ids = {s["id"] for s in reviewer.get(f"/api/studies/{played.study}/inspect")["specimens"]}

    def told() -> set[str]:
        found, before = set(), 2**62
        while page := reviewer.get("/api/audit", before=before)["entries"]:
            found |= {e["row"] for e in page}
            before = page[-1]["id"]
        return found

    assert not told() & ids
    finish_and_reveal(demo_bench, played.study)
    assert ids <= told()


def test_a_code_is_told_to_who_bags_and_not_to_a_reader(bench: Bench) -> None:
    from datetime import UTC, datetime, timedelta

    from tests.api.test_ingest import run_for
    from tests.small import frozen_study

    client = bench.as_("reviewer")
    study = frozen_study(client, frozen_at=datetime.now(UTC) - timedelta(hours=3))
    job = client.get(f"/api/studies/{study}/print")["jobs"][0]
    run = run_for(client, job, datetime.now(UTC) - timedelta(minutes=50))
    ended = client.send("POST", f"/api/runs/{run['id']}/end", {"outcome": "done"})
    assert ended["runs"][-1]["bag_code"]
    seen = bench.as_("reader").get(f"/api/jobs/{job['id']}")
    assert seen["runs"][-1]["bag_code"] is None


def test_a_stopped_run_is_no_try_and_a_departure_is_reasoned_once(bench: Bench) -> None:
    from datetime import UTC, datetime, timedelta

    from tests.api.test_uploads import _drop
    from tests.small import frozen_study

    client = bench.as_("reviewer")
    study = frozen_study(client, frozen_at=datetime.now(UTC) - timedelta(hours=9))
    job = client.get(f"/api/studies/{study}/print")["jobs"][0]
    _drop(client, job["id"], b"M83\nG1 X1 E1 F600\n; layer_height = 0.3\n", "thick.gcode")
    reason: dict[str, str] = {"deviation_reason": "the only file there is"}
    for hours in (8, 7, 6):
        begun = datetime.now(UTC) - timedelta(hours=hours)
        made = client.send("POST", f"/api/jobs/{job['id']}/runs", {"id": new(), "started_at": begun.isoformat(), "changed": "again", **reason})  # fmt: skip
        view = client.send("POST", f"/api/runs/{made['runs'][-1]['id']}/end", {"outcome": "stopped", "ended_at": (begun + timedelta(minutes=5)).isoformat()})  # fmt: skip
        reason = {}  # the same departure again was given its reason
    assert (view["tries_used"], len(view["runs"])) == (0, 3)
    made = client.send("POST", f"/api/jobs/{job['id']}/runs", {"id": new(), "changed": "again"})
    view = client.send(
        "POST", f"/api/runs/{made['runs'][-1]['id']}/end", {"outcome": "stopped", "uses_attempt": True}
    )
    assert view["tries_used"] == 1
    # One departure on record, not one a try.
    assert len(client.get(f"/api/studies/{study}/plan")["deviations"]) == 1


def test_a_wrong_file_is_taken_away_but_not_one_that_was_printed_from(bench: Bench) -> None:
    from datetime import UTC, datetime, timedelta

    from tests.api.test_ingest import run_for
    from tests.api.test_uploads import _drop
    from tests.small import frozen_study

    client = bench.as_("reviewer")
    study = frozen_study(client, frozen_at=datetime.now(UTC) - timedelta(hours=3))
    job = client.get(f"/api/studies/{study}/print")["jobs"][0]
    dropped = _drop(client, job["id"], b"M83\nG1 X1 E1 F600\n", "wrong.gcode")
    view = client.send("DELETE", f"/api/jobs/{job['id']}/files/{dropped['file']['id']}")
    assert view["file"] is None
    with pytest.raises(ApiError, match="no such file"):
        client.send("DELETE", f"/api/jobs/{job['id']}/files/{dropped['file']['id']}")
    run_for(client, job, datetime.now(UTC) - timedelta(minutes=5))
    printed = client.get(f"/api/jobs/{job['id']}")["file"]["id"]
    with pytest.raises(ApiError, match="stays on record"):
        client.send("DELETE", f"/api/jobs/{job['id']}/files/{printed}")
