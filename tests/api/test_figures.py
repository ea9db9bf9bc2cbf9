"""Every figure of the catalogue in studies of every state: known with its source, or open with what it needs."""

import re
import uuid
from datetime import UTC, datetime, timedelta
from itertools import permutations

import pytest
from sqlalchemy import event, text

from crevlo.core.estimate import Estimate, NotDetermined
from crevlo.core.evaluations import QUANTITIES
from crevlo.core.evaluations.evaluation import Rests
from crevlo.core.figure import Composed, Counted, Spread, interval
from crevlo.core.readings import feature_estimates
from crevlo.sim.client import Client
from crevlo.stations.bench import load_bench
from crevlo.stations.blind import asks_for_everybody
from crevlo.stations.entered import current_readings
from crevlo.stations.evidence.specimen import features_of, instruments_in, specimen_again, specimen_of
from crevlo.stations.figures.study import StudyFigures, _load, study_figures
from crevlo.store.base import Base
from crevlo.store.database import SQL, sessions
from crevlo.store.run import Specimen
from tests.conftest import Bench
from tests.small import new
from tests.states import EQUAL, LONG, Turned, make

STATES = {
    "nothing printed": {"printed": False},
    "printed, not measured": {"measured": False, "inspected": False},
    "one copy of each": {},
    "all there is, twice": {"copies": 2},
    "one machine prints nothing": {"copies": 2, "unprinted": ["Sparrow"]},
    "frames": {"copies": 2, "artifact": "SF"},
    "sheets": {"copies": 2, "artifact": "FS"},
    "combs": {"artifact": "CC", "measured": False},
}


@pytest.fixture
def reviewer(bench: Bench) -> Client:
    return bench.as_("reviewer")


def figures(bench: Bench, study: str) -> StudyFigures:
    with bench.app.extensions["crevlo"]["sessions"]() as session:
        asks_for_everybody(session)
        return study_figures(session, uuid.UUID(study))


@pytest.mark.parametrize("state", STATES)
def test_every_figure_is_known_or_says_what_it_needs(bench: Bench, reviewer: Client, state: str) -> None:
    study = make(reviewer, {"Mesa": EQUAL, "Sparrow": Turned(off_mm=0.1)}, **STATES[state])
    made = figures(bench, study)
    units = [u.unit_id for u in made.bench.units]
    known = 0
    for code, quantity in QUANTITIES.items():
        for unit in units:
            figure = made.figure(code, unit)
            assert isinstance(figure, Estimate | Counted | Spread | Composed | NotDetermined), code
            if isinstance(figure, NotDetermined):
                assert re.match(r"^[a-z0-9].{6,}[^.]$", figure.needs), (code, figure.needs)
            else:
                known += not isinstance(figure, Counted)
                low, high = interval(figure)
                assert low <= high, code
                assert isinstance(figure, Counted) or low <= figure.value <= high, code
        source = reviewer.send("POST", f"/api/studies/{study}/units/{units[0]}/rank-source", {"criterion": code})
        assert source["rule"] == quantity.rule
        assert source["amount"]
        assert ("not determined" in source["amount"]) == isinstance(made.figure(code, units[0]), NotDetermined)
    assert known >= {"nothing printed": 2, "all there is, twice": 20}.get(state, 2)


def test_what_is_told_after_the_reveal_shows_the_entries_behind_it(bench: Bench, reviewer: Client) -> None:
    study = make(reviewer, {"Mesa": EQUAL, LONG: Turned(off_mm=0.1, severity=2)}, copies=2)
    unit = figures(bench, study).bench.units[0].unit_id
    path = f"/api/studies/{study}/units/{unit}/rank-source"
    hidden = reviewer.send("POST", path, {"criterion": "off.mean"})
    assert hidden["entries"] == []
    assert any(i["name"] == "Entries" and i["amount"] == "after the reveal" for i in hidden["inputs"])
    reviewer.send("POST", f"/api/studies/{study}/reveal")
    for code, rests in (
        (q.code, q.rests) for q in QUANTITIES.values() if q.code in ("off.mean", "defects", "time", "noise")
    ):
        source = reviewer.send("POST", path, {"criterion": code})
        assert len(source["entries"]) == {Rests.READINGS: 22, Rests.SCORES: 16, Rests.RUNS: 2, Rests.NOISE: 2}[rests]
        assert all(e["by"] == "Reviewer" for e in source["entries"])


def test_a_change_of_a_unit_keeps_its_earlier_prints_out_of_its_figures(bench: Bench, reviewer: Client) -> None:
    study = make(reviewer, {"Mesa": EQUAL, "Sparrow": EQUAL}, copies=3)
    made = figures(bench, study)
    unit = made.bench.units[0].unit_id
    machine = made.evidence.machines[unit]
    assert len(machine.good) == len(machine.runs) == 3
    reviewer.send("POST", f"/api/studies/{study}/units/{unit}/configurations", {
        "id": new(), "nozzle_mm": 0.6, "firmware": "as delivered", "plate": "as delivered", "profile_set": "maker's stock",
        "reason": "another nozzle"})  # fmt: skip
    assert figures(bench, study).evidence.machines[unit].main == machine.main


def test_two_questions_for_one_figure_work_it_out_once(bench: Bench, reviewer: Client, monkeypatch) -> None:
    study = make(reviewer, {"Mesa": EQUAL, "Sparrow": EQUAL}, copies=2)
    made = figures(bench, study)
    first = made.results("sizes")
    assert made.results("sizes") is first
    assert figures(bench, study) is made
    [line] = first.lines["off.mean"]
    assert (line.name, line.dof) == ("Step block", 2)
    assert made.spread("price") is None


def test_the_fingerprint_that_figures_are_kept_by_holds_every_table_they_are_read_from(
    bench: Bench, reviewer: Client
) -> None:
    study = make(reviewer, {"Mesa": EQUAL, "Sparrow": EQUAL})
    read: set[str] = set()

    def note(_conn, _cursor, statement: str, *_: object) -> None:
        read.update(re.findall(r"\b(?:from|join)\s+([a-z_]+)", statement.lower()))

    with bench.app.extensions["crevlo"]["sessions"]() as session:
        engine = session.connection().engine
        event.listen(engine, "before_cursor_execute", note)
        try:
            _load(session, uuid.UUID(study), None)
        finally:
            event.remove(engine, "before_cursor_execute", note)
    tables = {name for name in read if name in Base.metadata.tables}
    assert len(tables) > 20
    marked = set(re.findall(r"\b(?:from|join)\s+([a-z_]+)", (SQL / "study_print.sql").read_text()))
    # Who wrote a row is no part of a figure; what a check is called stands in the code.
    assert tables - marked - {"person"} == set()


def test_more_readings_are_asked_for_of_another_day_where_all_are_of_one(bench: Bench) -> None:
    client = bench.as_("reviewer")
    study = make(client, {"First": Turned(), "Second": Turned()}, inspected=False, title="One day", blind=True)
    with bench.engine.connect() as db:
        specimen = db.execute(text("select id from specimen order by id limit 1")).scalar_one()
    found = client.get(f"/api/specimens/{specimen}")
    assert "All of them so far are of one day" in found["more"]["words"]
    meters = client.get(f"/api/studies/{study}/measure")["instruments"]
    caliper = next(i["id"] for i in reversed(meters) if i["kind"] == "caliper")
    before = (datetime.now(UTC) - timedelta(days=3)).isoformat()
    for face in found["features"]:
        again = client.send("POST", f"/api/specimens/{specimen}/readings", {
            "id": new(), "feature_id": face["feature_id"], "repeat": 2, "instrument_id": caliper,
            "value": face["readings"][0]["value"] + 0.05, "taken_at": before})  # fmt: skip
    assert again["more"]
    assert "of one day" not in again["more"]["words"]


def test_of_two_instruments_the_one_used_first_counts_in_figures_as_on_the_screen(bench: Bench) -> None:
    """Figures read values grouped by instrument; which of them comes first must not hang on how they are grouped."""
    client = bench.as_("reviewer")
    study = make(client, {"Mesa": EQUAL, "Sparrow": EQUAL}, measured=False)
    calipers = [new() for _ in range(4)]
    for at, one in enumerate(calipers):
        client.enter("POST", "/api/instruments", {
            "id": one, "code": f"T-{at}", "kind": "caliper", "unit": "mm", "resolution": 0.01 * 4**at, "u_calibration": 0.01,
            "repeatability": 0.01})  # fmt: skip
        client.enter("POST", f"/api/studies/{study}/zero-checks", {"id": new(), "instrument_id": one, "value": 0.0})
    view = client.get(f"/api/studies/{study}/measure")
    faces = [f for f in view["artifacts"][0]["features"] if f["measured"]]
    used = list(permutations(calipers, 2))
    client.enter("POST", f"/api/specimens/{view['queue'][0]['id']}/readings/batch", {"readings": [
        {"id": new(), "feature_id": face["id"], "repeat": repeat, "instrument_id": one, "value": face["nominal"] + 0.01 * repeat}
        for face, pair in zip(faces, used, strict=False) for repeat, one in enumerate(pair, 1)]})  # fmt: skip
    with sessions(bench.engine)() as session:
        asks_for_everybody(session)
        rows = load_bench(session, uuid.UUID(study))
        [artifact], specimen = rows.artifacts.values(), session.get_one(Specimen, uuid.UUID(view["queue"][0]["id"]))
        known, features = instruments_in(session), features_of(artifact)
        one_by_one = (r.told for r in current_readings(session, [specimen.id])[specimen.id])
        shown = feature_estimates(specimen_of(artifact, features, one_by_one), known)
        counted = feature_estimates(specimen_again(artifact, features, rows.values[specimen.id], [], [], ()), known)
    assert len(shown) == min(len(faces), len(used)) >= 8
    assert counted == shown
