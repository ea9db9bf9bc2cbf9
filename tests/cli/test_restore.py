"""Taking a backup back: only what is ours goes, nothing of the archive but rows comes in, and what was there comes back."""

import io
import json
import tarfile
from collections.abc import Callable
from pathlib import Path

import psycopg
import pytest

from crevlo.cli.archive import FORMAT, ArchiveError, backup, put_back, restore
from tests.conftest import Bench
from tests.small import frozen_study

Url = Callable[[str], str]


def plain(url: str) -> str:
    return url.replace("+psycopg", "")


def one(url: str, query: str) -> object:
    with psycopg.connect(plain(url)) as db:
        return db.execute(query).fetchone()[0]


@pytest.fixture
def archive(bench: Bench, as_owner: Url, tmp_path: Path) -> Path:
    """A backup of an installation with one small study."""
    frozen_study(bench.as_("reviewer"))
    bench.engine.dispose()
    file = tmp_path / "bench.backup"
    backup(as_owner(bench.url), file)
    return file


@pytest.fixture
def target(copy_of: Url, as_owner: Url) -> str:
    return as_owner(copy_of("template0"))


def test_another_programs_database_is_left_alone_with_and_without_replace(archive: Path, target: str) -> None:
    with psycopg.connect(plain(target), autocommit=True) as db:
        db.execute("create table invoices (amount numeric)")
        db.execute("insert into invoices values (12)")
    for replace in (False, True):
        with pytest.raises(ArchiveError, match=r"tables of another program \(invoices\)"):
            restore(target, archive, replace=replace)
    assert one(target, "select amount from invoices") == 12
    # A view or a table beside ours counts too.
    with psycopg.connect(plain(target), autocommit=True) as db:
        db.execute("drop table invoices")
    restore(target, archive, replace=False)
    with psycopg.connect(plain(target), autocommit=True) as db:
        db.execute("create view mine as select 1 as x")
    with pytest.raises(ArchiveError, match="mine"):
        restore(target, archive, replace=True)
    assert one(target, "select count(*) from study") == 1


def test_it_is_refused_while_anybody_is_connected(archive: Path, target: str) -> None:
    with psycopg.connect(plain(target)), pytest.raises(ArchiveError, match="in use"):
        restore(target, archive, replace=False)
    restore(target, archive, replace=False)


def _repacked(archive: Path, out: Path, manifest: dict, dump: bytes) -> Path:
    with tarfile.open(out, "w") as tar:
        for name, content in (("manifest.json", json.dumps(manifest).encode()), ("database.dump", dump)):
            entry = tarfile.TarInfo(name)
            entry.size = len(content)
            tar.addfile(entry, io.BytesIO(content))
    return out


def _dump_of(archive: Path) -> tuple[dict, bytes]:
    with tarfile.open(archive) as tar:
        manifest = json.load(tar.extractfile("manifest.json"))
        return manifest, tar.extractfile("database.dump").read()


def test_a_damaged_or_newer_archive_is_told_in_words_and_changes_nothing(
    archive: Path, target: str, tmp_path: Path
) -> None:
    restore(target, archive, replace=False)
    with psycopg.connect(plain(target), autocommit=True) as db:
        db.execute("update study set title = 'What is here now'")
    manifest, dump = _dump_of(archive)
    bad = [
        (_repacked(archive, tmp_path / "cut", manifest, dump[: len(dump) // 2]), "damaged"),
        (_repacked(archive, tmp_path / "noise", manifest, b"PGDMP" + bytes(5000)), "damaged"),
        (_repacked(archive, tmp_path / "none", manifest, b""), "damaged"),
        (_repacked(archive, tmp_path / "new", manifest | {"revision": "9999"}, dump), "newer Crevlo"),
        (_repacked(archive, tmp_path / "path", manifest | {"revision": "../../x"}, dump), "newer Crevlo"),
        (_repacked(archive, tmp_path / "other", {"format": "other"}, dump), "not a Crevlo backup"),
        (_repacked(archive, tmp_path / "deep", manifest, dump), None),
    ]
    (tmp_path / "text").write_text("hello")
    bad.append((tmp_path / "text", "not a Crevlo backup"))
    for file, words in bad:
        if words is None:
            continue
        with pytest.raises(ArchiveError, match=words):
            restore(target, file, replace=True)
        assert one(target, "select title from study") == "What is here now", file.name
        assert one(target, "select count(*) from pg_namespace where nspname = 'crevlo_before'") == 0


def test_a_hostile_archive_runs_no_program_and_makes_nothing(
    copy_of: Url, as_owner: Url, target: str, tmp_path: Path
) -> None:
    """Made by a real dump of a database that holds traps: functions, rules, triggers, and a name that leaves psql."""
    made = as_owner(copy_of("template0"))
    mark = tmp_path / "it-ran"
    with psycopg.connect(plain(made), autocommit=True) as db:
        db.execute("create table person (id uuid, name text)")
        db.execute(f"insert into person values (gen_random_uuid(), E'x\n\\\\! touch {mark}\n')")
        db.execute(f'create table "study\n\\\\! touch {mark}\n" (id int)')
        db.execute(
            "create function trap() returns trigger language plpgsql as"
            f" $$begin execute 'copy (select 1) to program ''touch {mark}'''; return new; end$$"
        )
        db.execute("create trigger trap before insert on person for each row execute function trap()")
    file = tmp_path / "trap.backup"
    with psycopg.connect(plain(made), autocommit=True) as db:
        db.execute("create table alembic_version (version_num text)")
        db.execute("insert into alembic_version values ('0006')")
        db.execute("create table upload (id int)")
    backup(made, file)
    manifest, _ = _dump_of(file)
    assert manifest["format"] == FORMAT
    with pytest.raises(ArchiveError):
        restore(target, file, replace=False)
    assert not mark.exists()
    assert one(target, "select count(*) from pg_proc where proname = 'trap'") == 0
    assert one(target, "select count(*) from pg_roles where rolname like 'crevlo_restore%%'") == 0


def test_what_was_cut_off_is_put_back(archive: Path, target: str) -> None:
    restore(target, archive, replace=False)
    with psycopg.connect(plain(target), autocommit=True) as db:
        # As a restore that was killed leaves it: the old schema aside, a half-made one in its place.
        db.execute("alter schema public rename to crevlo_before")
        db.execute("create schema public")
        db.execute("create table person (id uuid)")
        assert put_back(db) is True
        assert put_back(db) is False
    assert one(target, "select count(*) from study") == 1


def test_the_restored_database_keeps_its_rules_for_the_application(
    archive: Path, target: str, copy_of: Url, cluster
) -> None:
    restore(target, archive, replace=False)
    app = f"{cluster.url.removesuffix('/crevlo')}/{target.rsplit('/', 1)[1]}"
    with psycopg.connect(plain(app)) as db, pytest.raises(psycopg.errors.InsufficientPrivilege):
        db.execute("delete from audit_entry")
    again = Bench(app)
    assert again.as_("reviewer").get("/api/studies")["studies"][0]["title"] == "Small"
    again.close()
