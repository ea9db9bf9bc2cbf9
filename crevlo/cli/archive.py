"""Backup and restore: one archive of the database, which holds the uploaded files too."""

import io
import json
import subprocess
import tarfile
import tempfile
from datetime import UTC, datetime
from pathlib import Path

from sqlalchemy import make_url, text

from crevlo.cli.cluster import BINARIES
from crevlo.store.database import connect, database_url

FORMAT = "crevlo-backup-1"


class ArchiveError(RuntimeError):
    """A backup cannot be written or taken back; the message says why."""


def backup(url: str, file: Path) -> None:
    """Writes `file` whole or not at all: a tar of manifest.json and database.dump (pg_dump custom format)."""
    engine = connect(url)
    with engine.connect() as connection:
        revision = connection.scalar(text("select version_num from alembic_version"))
        uploads = connection.scalar(text("select count(*) from upload"))
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
    """Fills an empty database; one that holds anything is refused unless `replace`. All or nothing."""
    engine = connect(url)
    with engine.connect() as connection:
        holds = connection.scalar(text("select to_regclass('public.person') is not null"))
        used = holds and connection.scalar(text("select exists (select 1 from person)"))
    if used and not replace:
        raise ArchiveError("the database is not empty; say --replace to throw away what it holds")
    with tempfile.TemporaryDirectory() as folder:
        dump = Path(folder) / "database.dump"
        try:
            with tarfile.open(file) as tar:
                member, content = tar.extractfile("manifest.json"), tar.extractfile("database.dump")
                if member is None or content is None or json.load(member).get("format") != FORMAT:
                    raise ArchiveError(f"{file} is not a Crevlo backup")
                with dump.open("wb") as out:
                    while block := content.read(1 << 20):
                        out.write(block)
        except (tarfile.TarError, KeyError, ValueError, UnicodeDecodeError):
            raise ArchiveError(f"{file} is not a Crevlo backup, or it is damaged") from None
        script = Path(folder) / "restore.sql"
        _run("pg_restore", None, "--no-owner", "--no-privileges", "--file", str(script), str(dump))
        wipe = "drop schema public cascade; create schema public;\n"
        whole = Path(folder) / "whole.sql"
        with whole.open("w") as out, script.open() as body:
            out.write(wipe)
            for line in body:
                if not line.startswith(("CREATE SCHEMA public", "\\restrict", "\\unrestrict")):
                    out.write(line)
        _run("psql", url, "--single-transaction", "--quiet", "--set", "ON_ERROR_STOP=1", "--file", str(whole))


def _run(program: str, url: str | None, *args: str) -> None:
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
        raise ArchiveError(f"{program} failed: {done.stderr.strip()[-400:]}")
