"""A folder is started in by one command at a time, and starts again whatever stopped the command before."""

import errno
import os
import signal
import subprocess
import sys
import time
from pathlib import Path

import psycopg
import pytest

from crevlo.cli import main as command
from crevlo.cli.archive import put_back
from crevlo.cli.cluster import Cluster
from crevlo.cli.folder import FolderInUse, held, secret_in
from tests.cli.test_up import Running, _mine, state  # noqa: F401


def begin(state: Path, port: int) -> subprocess.Popen[str]:  # noqa: F811
    environment = {k: v for k, v in os.environ.items() if k != "DATABASE_URL"} | {"CREVLO_STATE": str(state)}
    words = [sys.executable, "-m", "crevlo.cli.main", "up", "--port", str(port)]
    return subprocess.Popen(words, env=environment, stdout=subprocess.PIPE, stderr=subprocess.STDOUT, text=True)


def wait_for(seen, seconds: float = 60) -> None:
    until = time.monotonic() + seconds
    while not seen():
        assert time.monotonic() < until
        time.sleep(0.02)


@pytest.mark.parametrize("number", [signal.SIGINT, signal.SIGKILL])
def test_stopped_while_the_data_is_made_it_starts_the_next_time(state: Path, number: signal.Signals) -> None:  # noqa: F811
    first = begin(state, 8991)
    wait_for(lambda: list((state / "serve" / "pg").glob("data.new-*/PG_VERSION")))
    first.send_signal(number)
    first.wait(20)
    if number == signal.SIGINT:
        wait_for(lambda: not _mine(state), 10)
    assert not (state / "serve" / "pg" / "data").exists()
    again = Running(state, 8991)
    assert again.stop() == 0


def test_a_folder_that_an_earlier_version_left_half_made_is_set_aside(state: Path) -> None:  # noqa: F811
    folder = state / "pg"
    (folder / "data" / "base" / "1").mkdir(parents=True)
    for place in ("PG_VERSION", "base/1/PG_VERSION"):
        (folder / "data" / place).write_text("15\n")
    cluster = Cluster(folder)
    try:
        assert cluster.start()
        assert [p.name.split("-")[0] for p in folder.glob("data.unfinished*")] == ["data.unfinished"]
        with psycopg.connect(cluster.url.replace("+psycopg", "")) as db:
            assert db.execute("select 1").fetchone() == (1,)
        # What holds a database of ours is never set aside.
        (folder / "made").unlink()
        assert not cluster._was_left_half_made()
    finally:
        cluster.destroy()


def test_of_two_that_start_at_once_one_runs_and_the_other_says_so(state: Path) -> None:  # noqa: F811
    both = [begin(state, 8993), begin(state, 8993)]
    try:
        wait_for(lambda: any(p.poll() is not None for p in both))
        [loser], [winner] = ([p for p in both if (p.poll() is None) is alive] for alive in (False, True))
        assert loser.stdout is not None
        said = loser.stdout.read()
        assert (loser.returncode, "is being started" in said, "Traceback" in said) == (1, True, False)
        assert winner.stdout is not None
        address = next(line for line in winner.stdout if "running at" in line)
        third = begin(state, 8993)
        told, _ = third.communicate(timeout=30)
        assert third.returncode == 0
        assert address.split("running at ")[1].split()[0] in told
    finally:
        for process in both:
            process.send_signal(signal.SIGINT)
            process.wait(20)


def test_what_a_killed_start_left_ends_and_the_next_takes_over(state: Path) -> None:  # noqa: F811
    first = Running(state, 8995)
    first.process.kill()
    first.process.wait(10)
    again = Running(state, 8995)
    # The database of the first is taken over; its web server and worker have ended.
    assert again.stop() == 0
    wait_for(lambda: not _mine(state), 10)


def test_a_folder_is_held_by_one_and_let_go_of_at_its_end(tmp_path: Path) -> None:
    with held(tmp_path), pytest.raises(FolderInUse), held(tmp_path):
        pass
    with held(tmp_path):
        pass


def test_an_empty_secret_is_made_anew_and_a_kept_one_stays(tmp_path: Path) -> None:
    file = tmp_path / "secret"
    file.write_text("\n")
    made = secret_in(file, 32)
    assert len(made) > 30
    assert secret_in(file, 32) == made
    assert file.stat().st_mode & 0o777 == 0o600


def test_a_folder_that_cannot_be_written_and_a_full_disk_are_said_in_a_line(
    tmp_path: Path, capsys: pytest.CaptureFixture[str], monkeypatch: pytest.MonkeyPatch
) -> None:
    (tmp_path / "file").write_text("")
    before = {n: signal.getsignal(n) for n in (signal.SIGINT, signal.SIGTERM)}
    monkeypatch.setattr(command, "STATE", tmp_path / "file")
    try:
        assert command.main(["up"]) == 1
    finally:
        for number, handler in before.items():
            signal.signal(number, handler)
    assert "Crevlo cannot work in" in capsys.readouterr().err

    def full(_: object) -> int:
        raise OSError(errno.ENOSPC, "No space left on device", "mine.backup.partial")

    monkeypatch.setattr(command, "_backup", full)
    assert command.main(["backup", "mine.backup"]) == 1
    assert capsys.readouterr().err == "crevlo: mine.backup.partial: No space left on device\n"


def test_a_restore_that_is_killed_leaves_no_way_in(cluster: Cluster, copy_of, as_owner, drop) -> None:
    """Its role may sign in for a minute, and is gone with the next start."""
    from crevlo.cli.archive import _loader

    url = as_owner(copy_of("template1"))
    with psycopg.connect(url.replace("+psycopg", ""), autocommit=True) as db:
        killed = _loader(db, url)
        killed.__enter__()
        [(name, until)] = db.execute(
            "select rolname, rolvaliduntil - now() from pg_roles where rolname like 'crevlo_restore_%' and rolcanlogin"
            " and pg_has_role(rolname, rolname, 'member') and has_database_privilege(rolname, current_database(), 'connect')"
            " and has_schema_privilege(rolname, 'public', 'usage') order by oid desc limit 1"
        ).fetchall()
        assert until.total_seconds() <= 60
        put_back(db)
        assert db.execute("select 1 from pg_roles where rolname = %s", [name]).fetchone() is None
    drop(url)
