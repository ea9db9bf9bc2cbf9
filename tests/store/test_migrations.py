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
