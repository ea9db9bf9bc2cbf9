"""Studies made with earlier versions come along, and what nobody did is not done."""

import psycopg
import pytest
from sqlalchemy import text

from crevlo.store.database import connect, migrate

PERSON = "insert into person (id, name, email, role, session_epoch, active, version) values ('00000000-0000-4000-8000-000000000001', 'R', 'r@bench.example', 'reviewer', 0, true, 1)"  # fmt: skip
MODEL = "insert into model (id, name, bed_x_mm, bed_y_mm, height_mm, tools, enclosed, version) values ('00000000-0000-4000-8000-000000000002', 'Mesa', 220, 220, 250, 1, false, 1)"  # fmt: skip
UNIT = "insert into unit (id, model_id, mark, price_paid, upgrades, residual, version) values ('00000000-0000-4000-8000-000000000003', '00000000-0000-4000-8000-000000000002', 0, 540, 60, 120, 1)"  # fmt: skip
CHECK = (
    "insert into safety_check (id, unit_id, kind, result, note, done_by, person_id, done_at) values"
    " (gen_random_uuid(), '00000000-0000-4000-8000-000000000003', '{kind}', '{result}', '{note}', 'R',"
    " '00000000-0000-4000-8000-000000000001', now())"
)


@pytest.fixture
def old(copy_of, as_owner):
    """A database of revision 0004 with a unit whose mains and stop were checked."""
    url = as_owner(copy_of("template0"))
    engine = connect(url)
    migrate(engine, revision="0004")
    with engine.begin() as db:
        for statement in (PERSON, MODEL, UNIT, CHECK.format(kind="mains", result="pass", note=""),
                          CHECK.format(kind="stop", result="pass", note="")):  # fmt: skip
            db.execute(text(statement))
    yield url, engine
    engine.dispose()


def kinds(url: str) -> list[str]:
    with psycopg.connect(url.replace("+psycopg", "")) as db:
        return sorted(row[0] for row in db.execute("select kind from safety_check").fetchall())


def test_a_check_that_nobody_made_is_not_made_by_the_upgrade(old) -> None:
    url, engine = old
    migrate(engine)
    assert kinds(url) == ["mains", "stop"]


def test_passes_that_an_earlier_upgrade_copied_are_taken_away(old) -> None:
    url, engine = old
    migrate(engine, revision="0005")
    with engine.begin() as db:
        # As the version before wrote them, and one that was really made.
        for kind, was in (("cables", "mains"), ("earth", "mains"), ("screws", "stop")):
            db.execute(text(CHECK.format(kind=kind, result="pass", note=f"Recorded with the check “{was}”.")))
        db.execute(text(CHECK.format(kind="earth", result="pass", note="0.1 ohm")))
    migrate(engine)
    assert kinds(url) == ["earth", "mains", "stop"]
    with pytest.raises(psycopg.errors.IntegrityError), psycopg.connect(url.replace("+psycopg", "")) as db:
        db.execute("delete from safety_check")


def test_prices_come_along_as_stated_for_every_study(old) -> None:
    url, engine = old
    migrate(engine)
    with psycopg.connect(url.replace("+psycopg", "")) as db:
        assert db.execute("select price_paid, upgrades, residual, study_id from unit_price").fetchall() == [
            (540, 60, 120, None)
        ]


def test_a_noise_limit_of_before_is_one_while_printing_and_more_kinds_go_beside_it(old) -> None:
    url, engine = old
    migrate(engine, revision="0006")
    with engine.begin() as db:
        study, buyer = "00000000-0000-4000-8000-000000000004", "00000000-0000-4000-8000-000000000005"
        wanted = db.execute(text(
            "select column_name from information_schema.columns where table_name = 'study' and is_nullable = 'NO'"
            " and column_default is null")).scalars().all()  # fmt: skip
        given = {"id": f"'{study}'", "title": "'Old'", "question": "''", "currency": "'EUR'", "blind_secret": "'x'"}
        values = ", ".join(given.get(name, "1") for name in wanted)
        db.execute(text(f"insert into study ({', '.join(wanted)}) values ({values})"))
        db.execute(text(
            "insert into buyer_profile (id, study_id, name, position, weights, version)"
            f" values ('{buyer}', '{study}', 'Counter', 0, '{{}}', 1)"))  # fmt: skip
        db.execute(text(
            f"insert into gate (id, profile_id, kind, \"limit\", what) values (gen_random_uuid(), '{buyer}', 'noise', 58, '')"))  # fmt: skip
    migrate(engine)
    with psycopg.connect(url.replace("+psycopg", "")) as db:
        assert db.execute('select kind, "limit", what, at_least from gate').fetchall() == [
            ("noise", 58, "printing", False)
        ]
        more = 'insert into gate (id, profile_id, kind, "limit", what, at_least) values (gen_random_uuid(), %s, %s, 1, %s, false)'
        db.execute(more, [buyer, "noise", "standby"])
        db.execute(more, [buyer, "material", "PETG"])
        with pytest.raises(psycopg.errors.UniqueViolation):
            db.execute(more, [buyer, "material", "PETG"])
