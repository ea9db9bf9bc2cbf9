"""Backup and restore: one archive of the database, which holds the uploaded files too.

A restore takes rows from an archive and nothing else: the tables are made by this program's own migrations, and the rows
go in through a role that may neither run programs nor read files of the server. Nothing of the archive reaches a shell
or psql. What was there before stands aside until all of it is in.
"""

import io
import json
import re
import secrets
import subprocess
import tarfile
import tempfile
import time
import zlib
from collections.abc import Iterator
from contextlib import contextmanager
from datetime import UTC, datetime, timedelta
from pathlib import Path

import psycopg
from psycopg import sql
from sqlalchemy import Engine, make_url, text

from crevlo.cli.cluster import APP_ROLE, BINARIES
from crevlo.store import Base
from crevlo.store.database import connect, database_url, migrate

FORMAT = "crevlo-backup-1"
_MONTH = re.compile(r"power_sample_(\d{4})_(\d{2})")
_ASIDE = "crevlo_before"
_SIGNS_IN_WITHIN = timedelta(seconds=60)


class ArchiveError(RuntimeError):
    """A backup cannot be written or taken back; the message says why."""


def backup(url: str, file: Path) -> None:
    """Writes `file` whole or not at all: a tar of manifest.json and database.dump (pg_dump custom format)."""
    engine = connect(url)
    try:
        with engine.connect() as connection:
            revision = connection.scalar(text("select version_num from alembic_version"))
            uploads = connection.scalar(text("select count(*) from upload"))
    finally:
        # A connection kept would count as somebody using the database, to a restore that follows.
        engine.dispose()
    manifest = {"format": FORMAT, "revision": revision, "uploads": uploads, "made_at": datetime.now(UTC).isoformat()}
    partial = file.with_name(f"{file.name}.partial")
    with tempfile.TemporaryDirectory() as folder:
        dump = Path(folder) / "database.dump"
        _run("pg_dump", url, "--format=custom", "--no-owner", "--no-privileges", "--file", str(dump))
        try:
            with tarfile.open(partial, "w") as tar:
                content = json.dumps(manifest, indent=2).encode()
                entry = tarfile.TarInfo("manifest.json")
                entry.size = len(content)
                tar.addfile(entry, io.BytesIO(content))
                tar.add(dump, "database.dump")
            partial.replace(file)
        finally:
            partial.unlink(missing_ok=True)


def restore(url: str, file: Path, *, replace: bool) -> None:
    """Fills the database of `url` (its owner's) from an archive, and brings it to this version. All or nothing.

    Refused where the database holds anything of another program, where Crevlo is running on it, and, unless `replace`,
    where it holds anything at all.
    """
    with tempfile.TemporaryDirectory() as folder, psycopg.connect(_plain(url), autocommit=True) as db:
        dump = Path(folder) / "database.dump"
        revision = _unpack(file, dump)
        put_back(db)
        _refuse_running(db)
        used = _tables(db, "public")
        strangers = sorted(name for name in used if not _is_ours(name))
        if strangers:
            raise ArchiveError(
                f"the database holds tables of another program ({', '.join(strangers[:3])}); nothing was changed. "
                "Give a database of Crevlo's own"
            )
        if used and not replace and _holds_anything(db):
            raise ArchiveError("the database is not empty; say --replace to throw away what it holds")
        # What is there stands aside and comes back if anything goes wrong.
        db.execute(sql.SQL("alter schema public rename to {}").format(sql.Identifier(_ASIDE)))
        try:
            db.execute("create schema public")
            _fill(db, url, dump, revision)
        except BaseException:
            put_back(db)
            raise
        db.execute(sql.SQL("drop schema {} cascade").format(sql.Identifier(_ASIDE)))


def put_back(db: psycopg.Connection) -> bool:
    """Undoes a restore that was cut off; says whether there was one."""
    left = "select rolname from pg_roles where starts_with(rolname, %s)"
    for (name,) in db.execute(left, [_loaders_of(db.info.dbname)]).fetchall():
        role = sql.Identifier(name)
        db.execute(sql.SQL("drop owned by {}").format(role))
        db.execute(sql.SQL("drop role {}").format(role))
    if not db.execute("select 1 from pg_namespace where nspname = %s", [_ASIDE]).fetchone():
        return False
    if all(map(_is_ours, _tables(db, "public"))):
        with db.transaction():
            db.execute("drop schema if exists public cascade")
            db.execute(sql.SQL("alter schema {} rename to public").format(sql.Identifier(_ASIDE)))
    return True


def _loaders_of(database: str) -> str:
    """How the names of roles begin that load into one database: another of the same server may be restored meanwhile."""
    return f"crevlo_restore_{zlib.crc32(database.encode()):08x}_"


def _unpack(file: Path, dump: Path) -> str:
    """Writes the dump out of the archive; gives the revision it is of."""
    try:
        with tarfile.open(file) as tar:
            member, content = tar.extractfile("manifest.json"), tar.extractfile("database.dump")
            if member is None or content is None:
                raise ArchiveError(f"{file} is not a Crevlo backup")
            manifest = json.loads(member.read(1 << 16))
            if not isinstance(manifest, dict) or manifest.get("format") != FORMAT:
                raise ArchiveError(f"{file} is not a Crevlo backup")
            with dump.open("wb") as out:
                while block := content.read(1 << 20):
                    out.write(block)
    except (tarfile.TarError, KeyError, ValueError, EOFError, RecursionError):
        raise ArchiveError(f"{file} is not a Crevlo backup, or it is damaged") from None
    revision = str(manifest.get("revision"))
    known = Path(__file__).resolve().parents[1] / "store" / "migrations" / "versions"
    if not re.fullmatch(r"\d{4}", revision) or not list(known.glob(f"{revision}_*.py")):
        raise ArchiveError("this archive was made by a newer Crevlo; update Crevlo first, then restore it")
    return revision


def _fill(db: psycopg.Connection, url: str, dump: Path, revision: str) -> None:
    engine = connect(url)
    try:
        _fill_through(engine, db, url, dump, revision)
    finally:
        engine.dispose()


def _fill_through(engine: Engine, db: psycopg.Connection, url: str, dump: Path, revision: str) -> None:
    migrate(engine, revision=revision)
    entries = _entries(dump)
    for name in sorted({name for _, name in entries}):
        month = _MONTH.fullmatch(name)
        if month and "2000" <= month[1] < "2200" and "01" <= month[2] <= "12":
            db.execute(
                "select power_month(make_timestamptz(%s, %s, 1, 0, 0, 0, 'UTC'))", [int(month[1]), int(month[2])]
            )
    there = _tables(db, "public")
    wanted = [line for line, name in entries if name in there and not name.startswith(("procrastinate_", "alembic_"))]
    listed = dump.with_suffix(".list")
    listed.write_text("\n".join(wanted) + "\n")
    with _without_triggers(db, there), _loader(db, url) as loader:
        _run("pg_restore", loader, "--data-only", "--single-transaction", "--exit-on-error", "--use-list", str(listed),
             "--dbname", make_url(database_url(url)).database or "", str(dump))  # fmt: skip
    _check_references(db)
    db.execute(
        "update background_work set state = 'failed', ended_at = now(),"
        " message = 'Crevlo was restored from a backup meanwhile. Ask for it again.' where state in ('waiting', 'running')"
    )
    role = db.execute("select 1 from pg_roles where rolname = %s", [APP_ROLE]).fetchone()
    migrate(engine, APP_ROLE if role else None)


def _entries(dump: Path) -> list[tuple[str, str]]:
    """Lines of the archive's list that stand for rows, with their table."""
    listing = _run("pg_restore", None, "--list", str(dump))
    found = []
    for line in listing.splitlines():
        match = re.fullmatch(r"\d+; \d+ \d+ (?:TABLE DATA|SEQUENCE SET) public ([a-z_0-9]{1,63}) \S*", line)
        if match:
            found.append((line, match[1].removesuffix("_id_seq").removesuffix("_number_seq")))
    if not found:
        raise ArchiveError("the archive holds no data of Crevlo's")
    return found


@contextmanager
def _without_triggers(db: psycopg.Connection, tables: set[str]) -> Iterator[None]:
    """Rows come in as they were kept: no trigger writes of them again, references are looked at afterwards."""
    for state in ("disable", "enable"):
        with db.transaction():
            for name in sorted(tables):
                db.execute(sql.SQL(f"alter table public.{{}} {state} trigger all").format(sql.Identifier(name)))
        if state == "disable":
            yield


@contextmanager
def _loader(db: psycopg.Connection, url: str) -> Iterator[str]:
    """A role for this once that can put rows into tables, and nothing else."""
    name, password = f"{_loaders_of(db.info.dbname)}{secrets.token_hex(4)}", secrets.token_urlsafe(18)
    role = sql.Identifier(name)
    db.execute(
        # It signs in once, at once: of a restore that is killed no way in is left.
        sql.SQL("create role {} login nosuperuser nocreatedb nocreaterole password {} valid until {}").format(
            role, sql.Literal(password), sql.Literal((datetime.now(UTC) + _SIGNS_IN_WITHIN).isoformat())
        )
    )
    try:
        db.execute(sql.SQL("grant usage on schema public to {}").format(role))
        db.execute(sql.SQL("grant insert on all tables in schema public to {}").format(role))
        db.execute(sql.SQL("grant usage, update on all sequences in schema public to {}").format(role))
        yield make_url(database_url(url)).set(username=name, password=password).render_as_string(hide_password=False)
    finally:
        db.execute(sql.SQL("drop owned by {}").format(role))
        db.execute(sql.SQL("drop role {}").format(role))


def _check_references(db: psycopg.Connection) -> None:
    """Every reference leads somewhere: the archive is whole."""
    for constraint in Base.metadata.sorted_tables:
        for key in constraint.foreign_key_constraints:
            ours, theirs = key.elements[0].parent, key.elements[0].column
            if not db.execute(
                "select 1 from information_schema.columns where table_schema = 'public' and table_name = %s"
                " and column_name = %s", [ours.table.name, ours.name],
            ).fetchone():  # fmt: skip
                continue
            lost = db.execute(
                sql.SQL("select 1 from {a} where {x} is not null and not exists (select from {b} where {y} = {a}.{x}) limit 1").format(
                    a=sql.Identifier(ours.table.name), x=sql.Identifier(ours.name),
                    b=sql.Identifier(theirs.table.name), y=sql.Identifier(theirs.table.name, theirs.name),
                )
            ).fetchone()  # fmt: skip
            if lost:
                raise ArchiveError(f"the archive is damaged: rows of {ours.table.name} lead nowhere")


# Who has just left, as after a backup, is counted for a moment more.
_LEAVING_S = 2.0


def _refuse_running(db: psycopg.Connection) -> None:
    until = time.monotonic() + _LEAVING_S
    while others := _others(db):
        if time.monotonic() > until:
            raise ArchiveError(f"this database is in use ({others} connections); stop Crevlo first, then restore")
        time.sleep(0.05)


def _others(db: psycopg.Connection) -> int:
    found = db.execute(
        "select count(*) from pg_stat_activity where datname = current_database() and pid <> pg_backend_pid()"
        " and backend_type = 'client backend'"
    ).fetchone()
    return int(found[0]) if found else 0


def _tables(db: psycopg.Connection, schema: str) -> set[str]:
    """Everything that holds or shows rows."""
    rows = db.execute(
        "select c.relname from pg_class c join pg_namespace n on n.oid = c.relnamespace"
        " where n.nspname = %s and c.relkind in ('r', 'p', 'v', 'm', 'f')", [schema],
    )  # fmt: skip
    return {row[0] for row in rows}


def _is_ours(name: str) -> bool:
    known = name in Base.metadata.tables or name == "alembic_version"
    return known or name.startswith("procrastinate_") or bool(_MONTH.fullmatch(name))


def _holds_anything(db: psycopg.Connection) -> bool:
    there = _tables(db, "public")
    return any(
        db.execute(sql.SQL("select 1 from {} limit 1").format(sql.Identifier(name))).fetchone()
        for name in ("person", "study", "model")
        if name in there
    )


def _plain(url: str) -> str:
    return database_url(url).replace("+psycopg", "")


def _run(program: str, url: str | None, *args: str) -> str:
    binary = next((f"{b}/{program}" for b in BINARIES if (Path(b) / program).exists()), program)
    environment = {"PATH": "/usr/bin:/bin", "LC_ALL": "C.UTF-8"}
    if url:
        parts = make_url(database_url(url))
        environment |= {
            "PGHOST": parts.host or "127.0.0.1", "PGPORT": str(parts.port or 5432), "PGUSER": parts.username or "",
            "PGPASSWORD": parts.password or "", "PGDATABASE": parts.database or "",
        }  # fmt: skip
    done = subprocess.run([binary, *args], env=environment, capture_output=True, text=True, check=False)
    if done.returncode:
        said = done.stderr.strip()[-400:]
        if program == "pg_restore":
            raise ArchiveError(f"the archive is damaged or not one of Crevlo's; nothing was changed ({said})")
        raise ArchiveError(f"{program} failed: {said}")
    return done.stdout
