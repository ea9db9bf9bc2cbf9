"""What a report says of how it was done is what is on record; what was only planned is called so."""

import re
from collections.abc import Callable, Iterator
from datetime import UTC, datetime, timedelta

import psycopg
import pytest

from crevlo.sim.client import Client
from tests.conftest import Bench
from tests.small import frozen_study, new
from tests.states import EQUAL, SLICED, make

TWO = {"Mesa": EQUAL, "Sparrow": EQUAL}


@pytest.fixture
def client(bench: Bench) -> Client:
    return bench.as_("owner")


@pytest.fixture
def rows(bench: Bench, as_owner: Callable[[str], str]) -> Iterator[psycopg.Connection]:
    """As if it had been entered otherwise: the rules of the database are out of the way."""
    with psycopg.connect(as_owner(bench.url).replace("+psycopg", "")) as db:
        db.execute("set session_replication_role = replica")
        yield db


def conditions(client: Client, study: str) -> dict[str, str]:
    """Name and value of each line of the section, as readers see them."""
    page = client.http.get(f"/api/studies/{study}/draft.md", params={"sections": "conditions"}).text
    section = page.split("## Conditions")[1].split("\n## ")[0]
    return dict(re.findall(r"^- \*\*(.+?):?\*\*:? (.+)$", section, re.MULTILINE))


def test_before_anything_is_printed_all_is_called_planned(client: Client) -> None:
    said = conditions(client, frozen_study(client))
    assert said["Prints"] == "nothing printed yet"
    assert said["Prints: planned, not printed"] == "2 × Step block, version 1"
    assert said["Spools"] == "planned: same spool"
    assert said["Drying"] == "planned: dried before use; nothing printed yet"
    assert said["Readings"] == "none yet (1 of every dimension planned)"
    assert said["Sliced files"] == "nothing printed yet"


def test_drying_is_told_from_the_spools_record_and_its_day(client: Client, bench: Bench) -> None:
    study = make(client, TWO)
    assert re.fullmatch(
        r"no drying on record of S-\w+ \(planned: dried before use\)", conditions(client, study)["Drying"]
    )
    spool = client.get("/api/library")["spools"][0]

    def dried(days_ago: float) -> str:
        at = datetime.now(UTC) - timedelta(days=days_ago)
        client.enter("POST", f"/api/spools/{spool['id']}/entries", {
            "id": new(), "kind": "dried", "value": 6, "at_c": 55, "at": at.isoformat()})  # fmt: skip
        return conditions(client, study)["Drying"]

    assert "after its first print" in dried(1)
    assert ", before its first print" in dried(20)


def test_another_spool_on_one_printer_is_told_with_it(client: Client, rows: psycopg.Connection) -> None:
    study = make(client, TWO, copies=2)
    [first] = client.get("/api/library")["spools"]
    assert conditions(client, study)["Prints"] == f"4 × Step block, version 1, from moss PLA, spool {first['code']}"
    assert conditions(client, study)["Spools"].startswith("each test part from the same spool")
    other = new()
    client.enter("POST", "/api/spools", {
        "id": other, "code": "S-99", "maker": "Wendle Works", "material": "PLA", "colour": "slate", "density_g_cm3": 1.24,
        "price_per_kg": 20})  # fmt: skip
    rows.execute(
        "update job set own_spool_id = %s from unit join model on model.id = unit.model_id"
        " where unit.id = job.unit_id and model.name = 'Sparrow'",
        [other],
    )
    rows.commit()
    said = conditions(client, study)
    assert "2 from slate PLA, spool S-99 (Sparrow)" in said["Prints"]
    assert f"2 from moss PLA, spool {first['code']} (Mesa)" in said["Prints"]
    assert said["Spools"] == "1 of 1 test parts from different spools on different printers"


def test_a_file_attached_afterwards_is_no_longer_called_missing(client: Client) -> None:
    study = frozen_study(client, frozen_at=datetime.now(UTC) - timedelta(days=9))
    job = client.get(f"/api/studies/{study}/print")["jobs"][0]["id"]
    begin = datetime.now(UTC) - timedelta(days=3)
    client.enter("POST", f"/api/jobs/{job}/paper-run", {
        "id": new(), "started_at": begin.isoformat(), "ended_at": (begin + timedelta(hours=1)).isoformat(), "outcome": "done",
        "without_file": True, "deviation_reason": "the card was lost"})  # fmt: skip
    report = lambda: client.http.get(f"/api/studies/{study}/draft.md").text  # noqa: E731
    assert "No sliced file on record. the card was lost" in report()
    client.enter("PUT", f"/api/jobs/{job}/file", content=SLICED, id=new(), name="a.gcode")
    assert "No sliced file on record" not in report()
    assert "Printed without its sliced file on record, which was attached on" in report()


def test_a_control_that_printed_nothing_anchors_nobody(client: Client) -> None:
    study = make(client, {**TWO, "Standard": EQUAL}, control="Standard", unprinted=["Standard"])
    page = client.http.get(f"/api/studies/{study}/draft.md").text
    assert "Standard is the control, not printed on yet" in page
    assert "to anchor the others" not in page


def test_the_order_of_printing_is_told_as_it_was(client: Client, rows: psycopg.Connection) -> None:
    study = make(client, TWO, copies=3)
    assert conditions(client, study)["Plan"].endswith("order shuffled with seed 5 and kept")
    query = "select run.id, run.started_at from run join job on job.id = job_id order by job.position limit 2"
    (first, at), (second, later) = rows.execute(query).fetchall()
    for run, begins in ((first, later), (second, at)):
        ends = begins + timedelta(hours=1)
        rows.execute("update run set started_at = %s, ended_at = %s where id = %s", [begins, ends, run])
    rows.commit()
    # Figures are kept until something is written.
    client.enter("POST", f"/api/studies/{study}/deviations", {"id": new(), "what": "Cold room", "reason": "Winter"})
    assert conditions(client, study)["Plan"].endswith("and left 1 of 5 times")
