"""The rules the database keeps by itself, whoever writes."""

import psycopg
import pytest
from psycopg.types.json import Jsonb

from tests.conftest import Bench


@pytest.fixture(scope="module")
def db(shared_bench: Bench):
    with psycopg.connect(shared_bench.url.replace("+psycopg", "")) as connection:
        yield connection


@pytest.mark.parametrize(
    "table",
    ["reading", "defect_score", "zero_check", "noise_reading", "safety_check", "inspection_lock", "deviation",
     "audit_entry", "scheme", "criterion"],
)  # fmt: skip
@pytest.mark.parametrize("change", ["update {} set {} = {}", "delete from {}", "truncate {} cascade"])
def test_what_was_observed_is_never_changed(db: psycopg.Connection, table: str, change: str) -> None:
    assert db.execute(f"select count(*) from {table}").fetchone()[0] > 0
    column = "at" if table == "audit_entry" else "id"
    with pytest.raises(psycopg.errors.IntegrityError, match="append-only"), db.transaction():
        db.execute(change.format(table, column, column))


def test_a_frozen_protocol_stays_frozen(db: psycopg.Connection) -> None:
    for change in ("update protocol set repeats = 1", "delete from protocol"):
        with pytest.raises(psycopg.errors.IntegrityError, match="frozen"), db.transaction():
            db.execute(change)


def _copy_reading(db: psycopg.Connection, **other: object) -> None:
    """Inserts the oldest reading again with some columns replaced."""
    row = dict(db.execute("select to_jsonb(r) from reading r order by recorded_at limit 1").fetchone()[0])
    row |= {"id": "00000000-0000-4000-8000-000000000001", **other}
    db.execute("insert into reading select * from jsonb_populate_record(null::reading, %s)", [Jsonb(row)])


def test_a_correction_is_a_new_row_of_the_same_face_with_its_reason(db: psycopg.Connection) -> None:
    first, other = (
        row[0] for row in db.execute("select id::text from reading order by recorded_at limit 2").fetchall()
    )
    with db.transaction(force_rollback=True):
        _copy_reading(db, value_mm=40.2, supersedes_id=first, reason="jaws tilted")
    refused = [
        {"value_mm": 40.2},  # a second first reading of the same place
        {"supersedes_id": first, "value_mm": 40.2},  # no reason
        {"supersedes_id": other, "value_mm": 40.2, "reason": "slip", "repeat": 1},  # corrects another repeat
        {"supersedes_id": first, "value_mm": None, "reason": "slip"},  # neither a value nor why there is none
        {"supersedes_id": first, "value_mm": 1e9, "reason": "slip"},
    ]
    for change in refused:
        with pytest.raises(psycopg.errors.IntegrityError), db.transaction():
            _copy_reading(db, **change)


@pytest.mark.parametrize(
    ("statement", "constraint"),
    [
        ("update run set outcome = 'failed' where outcome = 'done'", "failure_has_cause"),
        ("update run set ended_at = started_at - interval '1 min' where ended_at is not null", "ends_after_start"),
        ("update run set energy_kwh = -1 where energy_kwh is not null", "energy_range"),
        ("update run set ended_at = null, outcome = null where job_id = (select job_id from run where attempt = 2 limit 1)", "uq_run_live"),
        ("update specimen set blind_code = 'O0I'", "code_shape"),
        ("update unit set price_paid = -5", "price"),
        ("delete from model", "fk_"),
        ("update print_line set copies = 0", "frozen"),
    ],
)  # fmt: skip
def test_constraints_carry_the_rules(db: psycopg.Connection, statement: str, constraint: str) -> None:
    with pytest.raises(psycopg.errors.IntegrityError, match=constraint), db.transaction():
        db.execute(statement)


def test_every_change_is_in_the_audit_trail_with_who(db: psycopg.Connection) -> None:
    tables = {"study", "protocol", "unit", "run", "reading", "defect_score", "sliced_file", "buyer_profile", "job"}
    audited = {row[0] for row in db.execute("select distinct table_name from audit_entry").fetchall()}
    assert tables <= audited
    unattributed = "select count(*) from audit_entry where person_id is null and table_name not in ('person')"
    assert db.execute(unattributed).fetchone()[0] == 0
    before, after = db.execute(
        "select before, after from audit_entry where table_name = 'run' and action = 'update' and after->>'outcome' = 'failed' limit 1"
    ).fetchone()
    assert before["outcome"] is None
    assert after["cause"] in ("machine", "material")
    secrets = "select count(*) from audit_entry where after::text like '%argon2%' or after ? 'password_hash'"
    assert db.execute(secrets).fetchone()[0] == 0
