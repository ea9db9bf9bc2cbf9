"""Fills a database as years of use would: `python -m bench.fill OWNER_URL`. Many studies like the demo's, and one large one.

Copies the rows of the demo study, which must be there, with new numbers; the rules that triggers keep are left out while it
copies, so the address must be that of a superuser of a database made for this.
"""

import sys
import time
import uuid
from collections.abc import Sequence

import psycopg
from psycopg import sql

from crevlo.core.artifacts.shelf import DESIGNS
from crevlo.core.features import MEASURED
from crevlo.sim.client import Client

# What a study is made of, in the order of its foreign keys; what is not here is shared by all copies.
_CLONED = (
    "unit", "configuration", "study", "study_unit", "protocol", "arm", "print_line", "job", "sliced_file", "run", "specimen",
    "reading", "defect_score", "inspection_lock", "rejection", "noise_reading", "safety_check", "unit_price", "run_event",
    "box_item", "assembly_step", "unit_measure", "log_entry", "scheme", "criterion", "buyer_profile", "gate", "deviation",
)  # fmt: skip


def fill(
    url: str, *, studies: int = 71, more_copies: int = 12, more_repeats: int = 10, samples: int = 20_000_000
) -> dict[str, int]:
    """Copies the first study `studies` times, each with `more_copies` as many prints and `more_repeats` readings a face.

    Gives the number of rows by table.
    """
    with psycopg.connect(url, autocommit=True) as db:
        db.execute("set session_replication_role = replica")
        db.execute("set synchronous_commit = off")
        tables = [t for t in _CLONED if db.execute("select to_regclass(%s)", (t,)).fetchone() != (None,)]
        # The study with the most prints is the one that is played through.
        source = db.execute(
            "select study_id from run join job on job.id = run.job_id group by 1 order by count(*) desc limit 1"
        ).fetchone()
        assert source is not None, "a study with prints must be there"
        _scope(db, tables, source[0])
        for number in range(1, studies + 1):
            _copy(db, tables, number, more_copies, more_repeats)
        if samples:
            _samples(db, samples)
        db.execute("analyze")
        return {
            t: db.execute(sql.SQL("select count(*) from {}").format(sql.Identifier(t))).fetchone()[0]  # type: ignore[index]
            for t in (*tables, "power_sample", "audit_entry")
        }


def _scope(db: psycopg.Connection, tables: Sequence[str], study: uuid.UUID) -> None:
    """Temporary tables with the rows of one study, found by following foreign keys to what is in scope already."""
    for table in tables:
        if table == "study":
            chosen = sql.SQL("id = {}").format(sql.Literal(study))
        elif table == "unit":
            chosen = sql.SQL("id in (select unit_id from study_unit where study_id = {})").format(sql.Literal(study))
        elif table == "configuration":
            chosen = sql.SQL("unit_id in (select id from of_unit)")
        else:
            parents = [(c, t) for c, t in _references(db, table) if t in tables[: tables.index(table)]]
            chosen = sql.SQL(" and ").join(
                sql.SQL("({0} is null or {0} in (select id from {1}))").format(
                    sql.Identifier(c), sql.Identifier(f"of_{t}")
                )
                for c, t in parents
            )
        db.execute(
            sql.SQL("create temp table {} as select * from {} where {}").format(
                sql.Identifier(f"of_{table}"), sql.Identifier(table), chosen
            )
        )


def _copy(db: psycopg.Connection, tables: Sequence[str], number: int, copies: int, repeats: int) -> None:
    """One more study: every row once, prints and what follows from them `copies` times, readings up to `repeats` a face."""
    printed = {
        "job",
        "sliced_file",
        "run",
        "specimen",
        "defect_score",
        "inspection_lock",
        "noise_reading",
        "run_event",
    }
    for table in tables:
        many = table in printed or table in ("reading", "rejection")
        columns = _columns(db, table)
        references = dict(_references(db, table))
        chosen = []
        for column in columns:
            name = sql.Identifier(column)
            target = table if column == "id" else references.get(column)
            if target in tables:
                again = sql.SQL("n") if target in printed or target in ("reading", "rejection") else sql.SQL("0")
                chosen.append(
                    sql.SQL("md5({}::text || '-' || {} || '-' || {}{})::uuid").format(
                        name, sql.Literal(number), again,
                        sql.SQL(" || '-' || r") if target == "reading" and column == "id" else sql.SQL(""),
                    )
                )  # fmt: skip
            elif (table, column) == ("study", "title"):
                chosen.append(sql.SQL("title || ' ' || {}").format(sql.Literal(number)))
            elif (table, column) == ("unit", "serial"):
                chosen.append(sql.SQL("serial || '-' || {}").format(sql.Literal(number)))
            elif (table, column) == ("unit", "label"):
                chosen.append(sql.SQL("label || ' of round ' || {}").format(sql.Literal(number)))
            elif (table, column) == ("unit", "mark"):
                # They came after those that were there.
                chosen.append(sql.SQL("mark + 1000 * {}").format(sql.Literal(number)))
            elif (table, column) == ("job", "copy"):
                chosen.append(sql.SQL("copy + 3 * n"))
            elif (table, column) == ("job", "position"):
                chosen.append(sql.SQL("position + 1000 * n"))
            elif (table, column) == ("specimen", "blind_code"):
                chosen.append(_code())
            elif (table, column) == ("reading", "repeat"):
                chosen.append(sql.SQL("r"))
            elif (table, column) in (("reading", "supersedes_id"), ("reading", "reason")):
                chosen.append(sql.SQL("null"))
            else:
                chosen.append(name)
        rows = sql.SQL("{} of_rows cross join generate_series(0, {}) n").format(
            sql.Identifier(f"of_{table}"), sql.Literal(copies - 1 if many else 0)
        )
        if table == "reading":
            rows += sql.SQL(" cross join generate_series(1, {}) r where repeat = 1").format(sql.Literal(repeats))
        db.execute(
            sql.SQL("insert into {} ({}) select {} from {}").format(
                sql.Identifier(table), sql.SQL(", ").join(map(sql.Identifier, columns)), sql.SQL(", ").join(chosen), rows
            )
        )  # fmt: skip


def _code() -> sql.Composable:
    """A blind code that no other specimen of its study has: counted up in the letters that codes are made of."""
    letters = sql.Literal("ACEFHJKMNPRTWXY34679")
    place = sql.SQL("(row_number() over () - 1)::int")
    return sql.SQL(" || ").join(
        sql.SQL("substr({}, mod({} / {}, 20) + 1, 1)").format(letters, place, sql.Literal(step))
        for step in (1, 20, 400)
    )


def _columns(db: psycopg.Connection, table: str) -> list[str]:
    rows = db.execute(
        "select column_name from information_schema.columns where table_schema = 'public' and table_name = %s"
        " and is_generated = 'NEVER' and is_identity = 'NO' order by ordinal_position",
        (table,),
    ).fetchall()
    return [row[0] for row in rows]


def _references(db: psycopg.Connection, table: str) -> list[tuple[str, str]]:
    """Columns of a table with the tables that they name rows of."""
    rows = db.execute(
        "select a.attname, f.relname from pg_constraint c join pg_class t on t.oid = c.conrelid"
        " join pg_class f on f.oid = c.confrelid join pg_attribute a on a.attrelid = t.oid and a.attnum = c.conkey[1]"
        " where c.contype = 'f' and t.relname = %s",
        (table,),
    ).fetchall()
    return [(row[0], row[1]) for row in rows]


def _samples(db: psycopg.Connection, samples: int) -> None:
    """Two-second samples of ten meters that nobody asks for, in months of their own."""
    months, each = 10, samples // 10
    first = db.execute("select coalesce(max(number), 0) + 1000 from device").fetchone()[0]  # type: ignore[index]
    for month in range(1, months + 1):
        db.execute(
            sql.SQL("create table if not exists {} partition of power_sample for values from ({}) to ({})").format(
                sql.Identifier(f"power_sample_2020_{month:02}"),
                sql.Literal(f"2020-{month:02}-01T00:00:00Z"),
                sql.Literal(f"2020-{month + 1:02}-01T00:00:00Z" if month < 12 else "2021-01-01T00:00:00Z"),
            )
        )
        db.execute(
            sql.SQL(
                "insert into power_sample (device, at, power_w) select {} + n % 10,"
                " {}::timestamptz + make_interval(secs => 10 * (n / 10)), 80 + n % 50 from generate_series(1, {}) n"
            ).format(sql.Literal(first), sql.Literal(f"2020-{month:02}-01T00:00:00Z"), sql.Literal(each))
        )


def large_study(client: Client, url: str, *, machines: int = 50, copies: int = 3) -> str:
    """A study of `machines` machines and every artifact of the shelf, planned over the API and printed by rows; gives its id.

    Everything is printed at the first try, measured once a face and scored by one person.
    """
    new = lambda: str(uuid.uuid4())  # noqa: E731
    models = []
    for number in range(machines):
        models.append(new())
        client.send("POST", "/api/models", {
            "id": models[-1], "name": f"Bench {number + 1}", "bed_x_mm": 300, "bed_y_mm": 300, "height_mm": 300, "tools": 2, "list_price": 300 + number})  # fmt: skip
    spools = [new() for _ in range(2)]
    for number, spool in enumerate(spools):
        client.send("POST", "/api/spools", {
            "id": spool, "code": f"L-{number}", "maker": "Wendle Works", "material": "PLA", "colour": "sage",
            "density_g_cm3": 1.24, "price_per_kg": 20})  # fmt: skip
    study = new()
    view = client.send("POST", "/api/studies", {
        "id": study, "title": "Fifty machines", "question": "Which of all?", "seed": 1, "currency": "EUR"})  # fmt: skip
    lines = [
        {"artifact": code, "spool_id": spools[0], "copies": copies}
        | ({"second_spool_id": spools[1]} if code == "CS" else {})
        for code in DESIGNS
    ]
    client.send("PUT", f"/api/studies/{study}/plan", {
        "version": view["version"], "question": view["question"], "repeats": 3, "policies": view["policies"],
        "arms": [{"name": "Stock", "lines": lines}],
        "candidates": [{"model_id": m, "is_control": m == models[0]} for m in models]})  # fmt: skip
    client.send("POST", f"/api/studies/{study}/freeze", {})
    measured = tuple(MEASURED)
    with psycopg.connect(url, autocommit=True) as db:
        db.execute("set session_replication_role = replica")
        person = db.execute("select id from person limit 1").fetchone()[0]  # type: ignore[index]
        caliper = db.execute("select id from instrument where kind = 'caliper' limit 1").fetchone()[0]  # type: ignore[index]
        given = {"study": study, "person": person, "caliper": caliper, "measured": list(measured)}
        for statement in _LARGE:
            db.execute(statement, given)
        db.execute(
            sql.SQL(
                "insert into specimen (id, study_id, run_id, blind_code, position, bagged_at)"
                " select md5(run.id::text || 's')::uuid, job.study_id, run.id, {}, random(), now()"
                " from run join job on job.id = run.job_id where job.study_id = %(study)s"
            ).format(_code()),
            given,
        )
        for statement in _LOOKED_AT:
            db.execute(statement, given)
        db.execute("analyze")
    return study


_LARGE = (
    "insert into sliced_file (id, job_id, sha256, name, facts, settings, deviations, person_id, received_at)"
    " select md5(job.id::text || 'f')::uuid, job.id, f.sha256, 'a.gcode', f.facts, '{}', '[]', %(person)s, now()"
    " from job cross join (select sha256, facts from sliced_file where facts ? 'mass_g' limit 1) f where study_id = %(study)s",
    "insert into run (id, version, job_id, attempt, configuration_id, sliced_file_id, unattended, changed, started_at, ended_at,"
    " outcome, uses_attempt, note, energy_kwh, energy_low_kwh, energy_high_kwh, energy_from, person_id)"
    " select md5(job.id::text || 'r')::uuid, 1, job.id, 1, c.id, md5(job.id::text || 'f')::uuid, false, '',"
    " now() - make_interval(hours => 9000 - 3 * position), now() - make_interval(hours => 9000 - 3 * position, mins => -90),"
    " 'done', true, '', 0.1, 0.1, 0.1, 'meter', %(person)s"
    " from job join configuration c on c.unit_id = job.unit_id and c.number = 1 where study_id = %(study)s",
    "insert into noise_reading (id, run_id, level_db, distance_m, door_shut, state, person_id, taken_at)"
    " select md5(run.id::text || 'n')::uuid, run.id, 45 + 5 * random(), 1, true, 'printing', %(person)s, run.started_at"
    " from run join job on job.id = run.job_id where job.study_id = %(study)s",
)
_LOOKED_AT = (
    "insert into reading (id, specimen_id, feature_id, repeat, value, instrument_id, person_id, taken_at)"
    " select md5(s.id::text || f.id::text || r)::uuid, s.id, f.id, r, f.nominal + 0.1 * random(), %(caliper)s, %(person)s, now()"
    " from specimen s join run on run.id = s.run_id join job on job.id = run.job_id join feature f on f.artifact_id = job.artifact_id"
    " cross join generate_series(1, 3) r where s.study_id = %(study)s and f.kind = any(%(measured)s)",
    "insert into defect_score (id, specimen_id, defect, severity, person_id, scored_at)"
    " select md5(s.id::text || d.defect)::uuid, s.id, d.defect, (3 * random())::int, %(person)s, now()"
    " from specimen s cross join (select distinct defect from defect_score limit 8) d where s.study_id = %(study)s",
    "insert into inspection_lock (id, specimen_id, person_id)"
    " select md5(s.id::text || 'l')::uuid, s.id, %(person)s from specimen s where s.study_id = %(study)s",
)


def main() -> None:
    began = time.perf_counter()
    for table, rows in fill(sys.argv[1].replace("+psycopg", "")).items():
        print(f"{table:<20}{rows:>12,}")
    print(f"{time.perf_counter() - began:.0f} s")


if __name__ == "__main__":
    main()
