"""The rules the database keeps by itself, whoever writes."""

import psycopg
import pytest
from psycopg.types.json import Jsonb

from tests.conftest import Bench


@pytest.fixture(scope="module")
def db(shared_bench: Bench, as_owner):
    """As the owner of the tables: what the rules stop, they stop for everybody."""
    with psycopg.connect(as_owner(shared_bench.url).replace("+psycopg", "")) as connection:
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
        _copy_reading(db, value=40.2, supersedes_id=first, reason="jaws tilted")
    refused = [
        {"value": 40.2},  # a second first reading of the same place
        {"supersedes_id": first, "value": 40.2},  # no reason
        {"supersedes_id": other, "value": 40.2, "reason": "slip", "repeat": 1},  # corrects another repeat
        {"supersedes_id": first, "value": None, "reason": "slip"},  # neither a value nor why there is none
        {"supersedes_id": first, "value": 1e9, "reason": "slip"},
    ]
    for change in refused:
        with pytest.raises(psycopg.errors.IntegrityError), db.transaction():
            _copy_reading(db, **change)


@pytest.mark.parametrize(
    ("statement", "constraint"),
    [
        ("update run set outcome = 'failed', ended_at = now() where outcome is null", "failure_has_cause"),
        ("update run set outcome = 'done', ended_at = started_at - interval '1 min' where outcome is null", "ends_after_start"),
        ("update run set energy_kwh = -1 where energy_kwh is not null", "energy_range"),
        ("insert into unit_price (id, unit_id, upgrades, residual, price_paid, stated_on, currency) select gen_random_uuid(), id, 0, 0, -5, now(), 'EUR' from unit", "money_not_negative"),
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


@pytest.mark.parametrize(
    "statement",
    [
        "update specimen set blind_code = 'AAA' where id = (select id from specimen limit 1)",
        "update specimen set position = 0.5",
        "delete from specimen where id not in (select specimen_id from reading) and id not in (select specimen_id from defect_score)",
        "update study set seed = seed + 1",
        "update study set blind_secret = 'known'",
        "update run set ended_at = ended_at + interval '1 hour' where outcome is not null",
        "update run set outcome = 'done', cause = null where outcome = 'failed'",
        "update run set started_at = started_at - interval '1 hour'",
        "delete from run where id not in (select run_id from specimen)",
        "update sliced_file set facts = '{}'",
        "update sliced_file set settings = '{}'",
        "delete from sliced_file",
        "update job set unit_id = (select unit_id from study_unit limit 1)",
        "update upload set content = ''",
        "update configuration set firmware = 'another'",
        "update person set active = false where role = 'owner'",
    ],
)  # fmt: skip
def test_what_is_settled_stays_whoever_writes(db: psycopg.Connection, statement: str) -> None:
    with pytest.raises(psycopg.errors.IntegrityError), db.transaction():
        db.execute(statement)


def test_nothing_is_moved_into_a_frozen_protocol_and_a_study_has_one_draft(db: psycopg.Connection) -> None:
    draft = "(select p.id from protocol p where p.frozen_at is null limit 1)"
    frozen = "(select p.id from protocol p where p.frozen_at is not null limit 1)"
    with pytest.raises(psycopg.errors.IntegrityError, match="frozen"), db.transaction():
        db.execute(f"update arm set protocol_id = {frozen}, name = 'smuggled' where protocol_id = {draft}")
    with pytest.raises(psycopg.errors.IntegrityError, match="frozen"), db.transaction():
        db.execute(
            f"update print_line set arm_id = (select id from arm where protocol_id = {frozen} limit 1)"
            f" where arm_id in (select id from arm where protocol_id = {draft})"
        )
    with pytest.raises(psycopg.errors.IntegrityError, match="uq_protocol_draft"), db.transaction():
        db.execute(
            "insert into protocol (id, study_id, number, repeats, policies, version)"
            " select gen_random_uuid(), study_id, 99, repeats, policies, 1 from protocol where frozen_at is null limit 1"
        )


@pytest.mark.parametrize(
    "table", ["study", "protocol", "arm", "run", "job", "specimen", "sliced_file", "upload", "unit_price", "person"]
)
def test_no_table_of_record_is_emptied(db: psycopg.Connection, table: str) -> None:
    with pytest.raises(psycopg.errors.IntegrityError, match="append-only"), db.transaction():
        db.execute(f"truncate {table} cascade")


@pytest.mark.parametrize(
    "statement",
    [
        "alter table reading disable trigger all", "drop trigger append_only on reading", "set session_replication_role = replica",
        "delete from audit_entry", "insert into audit_entry (table_name, row_id, action) values ('run', 'x', 'update')",
        "update reading set value = 40", "truncate reading", "drop table reading", "create table mine (id int)",
        "copy reading to program 'cat'", "create or replace function write_audit() returns trigger language sql as 'select 1'",
        "update alembic_version set version_num = '0001'", "alter role crevlo_app superuser",
    ],
)  # fmt: skip
def test_the_application_cannot_switch_the_rules_off(shared_bench: Bench, statement: str) -> None:
    refused = (
        psycopg.errors.InsufficientPrivilege, psycopg.errors.InvalidTransactionState, psycopg.errors.SyntaxError,
    )  # fmt: skip
    with psycopg.connect(shared_bench.url.replace("+psycopg", "")) as app:
        assert app.execute("select rolsuper from pg_roles where rolname = current_user").fetchone() == (False,)
        with pytest.raises(refused):
            app.execute(statement)


# Not records: the trail itself, answers kept for a repeat, signing in, how far work has come, what devices send by the second.
NOT_AUDITED = {
    "audit_entry", "client_write", "sign_in_link", "sign_in_attempt", "sign_in_session", "power_sample", "power_level",
    "printer_report", "device_value", "request_count",
}  # fmt: skip


def test_every_table_of_record_is_audited(db: psycopg.Connection) -> None:
    from crevlo.store import Base

    audited = {
        row[0]
        for row in db.execute("select tgrelid::regclass::text from pg_trigger where tgname = 'audit'").fetchall()
    }
    assert set(Base.metadata.tables) - audited == NOT_AUDITED
