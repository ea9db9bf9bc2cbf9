"""An instrument that is calibrated again: what it read before keeps the calibration that it was read with."""

import uuid
from datetime import UTC, datetime, timedelta
from typing import Any

import pytest
from sqlalchemy.orm import Session

from crevlo.core.estimate import Estimate, difference
from crevlo.core.package.verify import verify
from crevlo.sim.client import ApiError, Client
from crevlo.stations.blind import asks_for_everybody
from crevlo.stations.figures.study import study_figures
from tests.api.test_publish import got, publish, revealed, revision, unpacked
from tests.api.test_workers import rows
from tests.conftest import Bench
from tests.small import draft_study, new
from tests.states import Turned, make

TODAY = datetime.now(UTC).date()


@pytest.fixture
def client(bench: Bench) -> Client:
    return bench.as_("reviewer")


def caliper_of(client: Client) -> dict[str, Any]:
    return next(i for i in client.get("/api/library")["instruments"] if i["kind"] == "caliper")


def put(client: Client, caliper: dict[str, Any], **given: object) -> dict[str, Any]:
    fields = ("id", "code", "kind", "unit", "resolution", "u_calibration", "repeatability", "certificate", "valid_days", "calibrated_on", "version")  # fmt: skip
    return client.send("PUT", f"/api/instruments/{caliper['id']}", {**{k: caliper[k] for k in fields}, **given})


def take_back(client: Client, caliper: dict[str, Any]) -> dict[str, Any]:
    return client.send("DELETE", f"/api/instruments/{caliper['id']}/calibration", version=caliper["version"])


def measured(bench: Bench, client: Client) -> str:
    """Two machines, of which the first was measured five days ago and the second now, with the same caliper."""
    study = make(client, {"Mesa": Turned(), "Sparrow": Turned()}, copies=2, measured=False)
    view = client.get(f"/api/studies/{study}/measure")
    caliper = caliper_of(client)["id"]
    query = """select blind_code from specimen join run on run.id = run_id join job on job.id = job_id
        join unit on unit.id = unit_id join model on model.id = model_id where model.name = 'Mesa'"""
    first = {code for (code,) in rows(bench, query)}
    faces = [f for a in view["artifacts"] for f in a["features"] if f["measured"]]
    for line in view["queue"]:
        at = datetime.now(UTC) - timedelta(days=5 if line["blind_code"] in first else 0)
        client.enter("POST", f"/api/specimens/{line['id']}/readings/batch", {"readings": [
            {"id": new(), "feature_id": f["id"], "repeat": 1, "instrument_id": caliper, "value": round(f["nominal"] + 0.05, 3),
             "taken_at": at.isoformat()} for f in faces]})  # fmt: skip
    return study


def offset(bench: Bench, study: str) -> tuple[dict[str, Estimate], Estimate]:
    """How far faces are off in the mean, by machine, and the difference of the two."""
    with Session(bench.engine) as session:
        asks_for_everybody(session)
        inputs = study_figures(session, uuid.UUID(study))
        names = {e.key: e.name for e in inputs.entrants}
        found = {names[k]: f for k, f in inputs.figures("off.mean").items() if isinstance(f, Estimate)}
    return found, difference(found["Mesa"], found["Sparrow"])


def test_what_was_read_before_keeps_its_calibration_and_shares_it_no_more(bench: Bench, client: Client) -> None:
    study = measured(bench, client)
    before, apart_before = offset(bench, study)
    again = put(
        client, caliper_of(client), calibrated_again=True, calibrated_on=str(TODAY - timedelta(days=2)),
        u_calibration=0.03, certificate="K-2",
    )  # fmt: skip
    assert [(c["until"], c["u_calibration"]) for c in again["earlier"]] == [(str(TODAY - timedelta(days=2)), 0.01)]
    after, apart = offset(bench, study)
    assert after["Mesa"].u == pytest.approx(before["Mesa"].u)
    assert after["Sparrow"].u > before["Sparrow"].u
    assert not set(after["Mesa"].shared) & set(after["Sparrow"].shared)
    # Two errors where it had been one that falls out of the difference.
    assert apart.u > apart_before.u
    # Corrected, the day parts what was read before from what was read after anew.
    corrected = put(client, caliper_of(client), calibrated_on=str(TODAY - timedelta(days=6)))
    assert [c["until"] for c in corrected["earlier"]] == [str(TODAY - timedelta(days=6))]
    _, together = offset(bench, study)
    assert together.u == pytest.approx(apart_before.u, rel=1e-3)
    back = take_back(client, corrected)
    assert (back["u_calibration"], back["calibrated_on"], back["earlier"]) == (0.01, None, [])
    assert offset(bench, study)[0] == before


def test_a_source_says_which_calibration_it_rests_on(bench: Bench, client: Client) -> None:
    study = measured(bench, client)
    put(
        client,
        caliper_of(client),
        calibrated_again=True,
        calibrated_on=str(TODAY - timedelta(days=2)),
        u_calibration=0.03,
    )
    said = set()
    for line in client.get(f"/api/studies/{study}/measure")["queue"]:
        view = client.get(f"/api/specimens/{line['id']}")
        source = client.get(f"/api/specimens/{line['id']}/source", feature=view["features"][0]["code"])
        said |= {(i["name"], i["note"]) for i in source["inputs"] if i["name"].startswith("caliper")}
    code, day = caliper_of(client)["code"], f"{TODAY - timedelta(days=2):%d %b %Y}"
    assert {(f"caliper {code} (from {day})", True), (f"caliper {code}", False)} == {
        (name, "u 0.03" in note) for name, note in said if "calibration u" in note
    }


def test_a_package_of_two_calibrations_holds_and_says_which_is_which(bench: Bench, client: Client) -> None:
    study = measured(bench, client)
    day = TODAY - timedelta(days=2)
    put(
        client,
        caliper_of(client),
        calibrated_again=True,
        calibrated_on=str(day),
        u_calibration=0.03,
        certificate="K-2",
    )
    kept = revision(publish(client, study), 1)
    code = caliper_of(client)["code"]
    report = got(client, f"/api/revisions/{kept['id']}/report.md").decode()
    for called, u, when in (
        (code, "0.01", "not on record"),
        (f"{code} (from {day:%d %b %Y})", "0.03", f"{day:%d %b %Y}"),
    ):
        [row] = [line for line in report.splitlines() if f"caliper {called} |" in line]
        assert f"| {u} mm |" in row
        assert when in row
    revealed(client, study)
    package = unpacked(got(client, f"/api/revisions/{kept['id']}/package.zip"))
    found = verify(package)
    assert (found.differences, found.figures > 50) == ((), True)
    read = {row["instrument"] for row in package.tables["readings"]}
    stated = {row["code"]: row["u_calibration"] for row in package.tables["instruments"] if row["instrument"] in read}
    assert stated == {code: 0.01, f"{code} (from {day:%d %b %Y})": 0.03}


def test_calibrations_follow_each_other_and_only_the_last_is_taken_back(client: Client) -> None:
    draft_study(client, ("Mesa",))
    caliper = caliper_of(client)
    with pytest.raises(ApiError, match="was not calibrated again"):
        take_back(client, caliper)
    with pytest.raises(ApiError, match="Say on which day"):
        put(client, caliper, calibrated_again=True, calibrated_on=None)
    first = put(client, caliper, calibrated_again=True, calibrated_on=str(TODAY - timedelta(days=30)))
    for days in (30, 31):
        with pytest.raises(ApiError, match="give a later day"):
            put(client, first, calibrated_again=True, calibrated_on=str(TODAY - timedelta(days=days)))
    second = put(client, first, calibrated_again=True, calibrated_on=str(TODAY - timedelta(days=3)))
    with pytest.raises(ApiError, match="give a later day"):
        put(client, second, calibrated_on=str(TODAY - timedelta(days=30)))
    with pytest.raises(ApiError, match="Say on which day"):
        put(client, second, calibrated_on=None)
    # Of two who say it at once the second sees that somebody was there, and nothing of his is kept.
    with pytest.raises(ApiError):
        put(client, first, calibrated_again=True, calibrated_on=str(TODAY))
    assert len(caliper_of(client)["earlier"]) == 2
    back = take_back(client, second)
    assert (back["calibrated_on"], len(back["earlier"])) == (first["calibrated_on"], 1)


def test_a_code_is_of_one_instrument(client: Client) -> None:
    draft_study(client, ("Mesa",))
    caliper = caliper_of(client)
    scale = next(i for i in client.get("/api/library")["instruments"] if i["kind"] == "scale")
    with pytest.raises(ApiError, match=f"The code {scale['code']} is already used"):
        put(client, caliper, code=scale["code"])
    assert put(client, caliper, code="C-9")["code"] == "C-9"
