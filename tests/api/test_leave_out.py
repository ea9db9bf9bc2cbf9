"""What first place rests on: the ranking without one artifact, material, person or criterion."""

import uuid
from dataclasses import replace

import pytest

from crevlo.core.estimate import Estimate, NotDetermined
from crevlo.core.evaluations.defects import QUALITY
from crevlo.sim.client import Client
from crevlo.stations.blind import asks_for_everybody
from crevlo.stations.evidence.entrant import machines_of
from crevlo.stations.evidence.study import evidence_of
from crevlo.stations.figures.study import study_figures, without_lines, without_word_of
from tests.conftest import Bench
from tests.small import new
from tests.states import Turned, make

GOOD, BAD = Turned(off_mm=0.02, severity=0, minutes=50), Turned(off_mm=0.3, severity=4, minutes=90)


@pytest.fixture
def client(bench: Bench) -> Client:
    return bench.as_("reviewer")


def test_what_first_place_rests_on_is_found_by_leaving_it_out(bench: Bench, client: Client) -> None:
    study = make(client, {"Mesa": GOOD, "Sparrow": BAD}, copies=2, artifact=["SB", "SF"])
    path = f"/api/studies/{study}/leave-out"
    view = client.send("POST", path, {})
    assert [m["what"] for m in view["without"]][:2] == ["the Squareness frame", "the Step block"]
    criteria = [c["name"].lower() for c in client.send("POST", f"/api/studies/{study}/rank", {})["criteria"]]
    assert [m["what"] for m in view["without"]][2:] == [f"the criterion {c}" for c in criteria]
    assert view["says"] == "Whatever one thing is left out, Mesa leads."
    assert all(
        m["words"].startswith(f"Without {m['what']}") and m["leader"]["name"] == "Mesa" for m in view["without"]
    )
    arms = make(
        client, {"Anvil": GOOD, "Bench": BAD}, copies=2, own_arm=True, artifact=["SB", "SF"], title="Two arms"
    )
    by_arm = client.send("POST", f"/api/studies/{arms}/leave-out", {"by": "arm"})
    assert by_arm == client.send("POST", f"/api/studies/{arms}/leave-out", {})
    one = make(client, {"Twin": GOOD, "Forge": BAD}, copies=2, title="One piece")
    assert next(m["what"] for m in client.send("POST", f"/api/studies/{one}/leave-out", {})["without"]).startswith(
        "the criterion"
    )
    # A second person who saw it the other way round: without the first the leader changes, where surface is all that counts.
    for line in bench.as_("rater").get(f"/api/studies/{one}/inspect")["specimens"]:
        for code in line["asked"]:
            bench.as_("rater").send(
                "POST", f"/api/specimens/{line['id']}/scores", {"id": new(), "defect": code, "severity": 1}
            )
        bench.as_("rater").send("POST", f"/api/specimens/{line['id']}/lock")
    told = client.send("POST", f"/api/studies/{one}/leave-out", {})
    assert len([m for m in told["without"] if m["what"].startswith("what ")]) == 2


def test_what_is_left_without_one_thing_is_what_a_study_without_it_would_tell(bench: Bench, client: Client) -> None:
    study = make(client, {"Mesa": GOOD, "Sparrow": BAD}, copies=2, artifact=["SB", "SF"])
    with bench.app.extensions["crevlo"]["sessions"]() as session:
        asks_for_everybody(session)
        whole = study_figures(session, uuid.UUID(study)).of_buyer(3.0)
        [frame] = [a for a in whole.bench.artifacts.values() if a.code == "SF"]
        gone = {line for line in whole.evidence.lines if line[0] == frame.id}
        left = without_lines(whole, gone)
        jobs = [j for j in whole.compared.jobs if j.artifact_id != frame.id]
        alone = evidence_of(whole.compared.of_jobs(jobs), machines_of(whole.compared.of_jobs(jobs)))
        [scorer] = {s.person_id for rows in whole.compared.scores.values() for s in rows}
        unscored = without_word_of(whole, scorer)
    # For the same buyer, who prints so much a month.
    assert left.evidence == replace(alone, basis=whole.evidence.basis)
    assert left.evidence.basis.prints_month == unscored.evidence.basis.prints_month == 3.0
    assert len(left.evidence.lines) == 1 < len(whole.evidence.lines)
    for key in whole.evidence.machines:
        assert isinstance(whole.figure(QUALITY.code, key), Estimate)
        assert isinstance(unscored.figure(QUALITY.code, key), NotDetermined)
        assert isinstance(unscored.figure("off.mean", key), Estimate)


def test_criteria_go_with_what_is_left_out_only_where_they_were_there(client: Client) -> None:
    study = make(client, {"Mesa": replace(GOOD, price=None), "Sparrow": replace(BAD, price=None)}, copies=2, artifact=["SB", "FS"])  # fmt: skip
    told = client.send("POST", f"/api/studies/{study}/leave-out", {})["without"]
    # Nobody's cost is known with everything either: it does not go with the sheet.
    assert "with it" not in next(m["words"] for m in told if m["what"] == "the First-layer sheet")


def test_first_place_that_rests_on_one_criterion_is_said_to(client: Client) -> None:
    quick = Turned(minutes=30, off_mm=0.05, severity=1)
    study = make(client, {"Quick": quick, "Slow": replace(quick, minutes=90, off_mm=0.04)}, copies=3)
    scheme = client.get(f"/api/studies/{study}/scheme")
    known = {c["code"]: c for c in scheme["criteria"]}

    def keep(number: int, **weights: float) -> dict:
        criteria = [
            known[code.replace("_", ".")] | {"weight": w, "group_name": "All of it"} for code, w in weights.items()
        ]
        return client.send(
            "POST", f"/api/studies/{study}/scheme", {"id": new(), "number": number, "criteria": criteria}
        )

    kept = keep(scheme["number"], time=60, off_mean=40)
    assert {c["group_name"] for c in kept["criteria"]} == {"All of it"}
    told = client.send("POST", f"/api/studies/{study}/leave-out", {})
    assert told["says"] == "That Quick leads rests on the criterion print time."
    [turned] = [m for m in told["without"] if m["changes"]]
    assert (
        turned["leader"]["name"],
        turned["words"].startswith("Without the criterion print time: Slow leads, first in "),
    ) == ("Slow", True)
    keep(kept["number"], time=100)
    alone = client.send("POST", f"/api/studies/{study}/leave-out", {})
    assert (alone["without"], alone["says"].startswith("Only one artifact, material, person and criterion")) == (
        [],
        True,
    )
    # Both versions say what moved, the group too.
    said = [c for s in client.get(f"/api/studies/{study}/scheme-history")["steps"] for c in s["changes"]]
    assert "Print time stands in All of it, before it stood alone." in said
