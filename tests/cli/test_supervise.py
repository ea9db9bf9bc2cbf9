"""What dies under `crevlo up` is started again; nothing of a stranger's is signalled or removed."""

import itertools
import os
import signal
import subprocess
import sys
import time
from collections.abc import Callable, Iterator
from pathlib import Path

import httpx
import pytest

from crevlo.cli.cluster import Cluster
from crevlo.cli.supervise import Child, stop
from tests.cli.test_up import Running, _mine, state  # noqa: F401


def until(true: Callable[[], object], seconds: float = 40) -> None:
    end = time.monotonic() + seconds
    while True:
        try:
            if true():
                return
        except (OSError, httpx.HTTPError):
            pass
        assert time.monotonic() < end, "it did not happen"
        time.sleep(0.1)


def pids(of: str, parent: int | None = None) -> list[int]:
    """Numbers of live processes whose command line holds the words, and that are children of `parent`."""
    found = []
    for entry in Path("/proc").iterdir():
        try:
            line = (entry / "cmdline").read_bytes().replace(b"\0", b" ").decode()
            ppid = int((entry / "stat").read_text().rsplit(")", 1)[1].split()[1])
        except (OSError, ValueError, IndexError):
            continue
        if entry.name.isdigit() and of in line and parent in (None, ppid):
            found.append(int(entry.name))
    return found


@pytest.fixture
def running(state: Path) -> Iterator[tuple[Running, Path]]:  # noqa: F811
    up = Running(state, 8985)
    yield up, state
    if up.process.poll() is None:
        up.stop()
    until(lambda: not _mine(state), 15)


def test_web_worker_and_database_come_back_by_themselves(running: tuple[Running, Path]) -> None:
    up, folder = running
    ready = lambda: httpx.get(f"{up.url}/readyz", timeout=2).text.startswith("ok\n")  # noqa: E731
    until(ready)
    for words, of in (("gunicorn", up.process.pid), ("crevlo.cli.main worker", up.process.pid)):
        [before] = pids(words, of)
        os.kill(before, signal.SIGKILL)
        until(lambda b=before, w=words, o=of: (now := pids(w, o)) and now != [b])
        until(ready)
    postmaster = int((folder / "serve" / "pg" / "data" / "postmaster.pid").read_text().split("\n")[0])
    os.kill(postmaster, signal.SIGKILL)
    until(lambda: int((folder / "serve" / "pg" / "data" / "postmaster.pid").read_text().split("\n")[0]) != postmaster)
    until(ready)
    # The worker is heard of again after the database was away.
    until(lambda: "heard" in httpx.get(f"{up.url}/readyz", timeout=2).text)
    assert up.stop() == 0


def test_a_stale_number_file_that_names_a_stranger_signals_nobody(tmp_path_factory: pytest.TempPathFactory) -> None:
    import shutil
    import tempfile

    folder = Path(tempfile.mkdtemp(prefix="crevlo-stale-"))
    folder.chmod(0o755)
    cluster = Cluster(folder / "pg", server_options="-c fsync=off")
    cluster.start()
    number_file = cluster.data / "postmaster.pid"
    lines = number_file.read_text().split("\n")
    os.kill(int(lines[0]), signal.SIGKILL)
    until(lambda: not Path(f"/proc/{lines[0]}").exists())
    stranger = subprocess.Popen([sys.executable, "-c", "import time; time.sleep(60)"])
    try:
        owner = number_file.stat() if number_file.exists() else None
        number_file.write_text("\n".join([str(stranger.pid), *lines[1:]]))
        if owner is not None:
            os.chown(number_file, owner.st_uid, owner.st_gid)
        cluster.stop()
        assert stranger.poll() is None
        again = Cluster(folder / "pg", server_options="-c fsync=off")
        assert again.start() is True
        assert stranger.poll() is None
        again.destroy()
        assert stranger.poll() is None
    finally:
        stranger.kill()
        stranger.wait()
        shutil.rmtree(folder, ignore_errors=True)


def test_what_keeps_dying_is_started_ever_more_slowly() -> None:
    started: list[float] = []

    def start() -> subprocess.Popen[bytes]:
        started.append(time.monotonic())
        return subprocess.Popen([sys.executable, "-c", "raise SystemExit(3)"], start_new_session=True)

    said: list[str] = []
    child = Child("the thing", start)
    end = time.monotonic() + 5
    while time.monotonic() < end:
        child.look(said.append)
        time.sleep(0.02)
    stop([child])
    gaps = [b - a for a, b in itertools.pairwise(started)]
    assert 3 <= len(started) <= 6
    assert gaps[-1] > gaps[0]
    assert said[0] == "the thing ended (status 3); it is started again"


def test_what_was_restored_into_a_fresh_demo_folder_is_not_written_over(state: Path, tmp_path: Path) -> None:  # noqa: F811
    command = [sys.executable, "-m", "crevlo.cli.main"]
    environment = {k: v for k, v in os.environ.items() if k != "DATABASE_URL"} | {"CREVLO_STATE": str(state)}
    up = Running(state, 8986)
    httpx.get(f"{up.url}/healthz")
    up.stop()
    file = tmp_path / "mine.backup"
    subprocess.run([*command, "backup", str(file)], env=environment, check=True, capture_output=True)
    subprocess.run([*command, "restore", "--demo", str(file)], env=environment, check=True, capture_output=True)
    from psycopg import connect

    cluster = Cluster(state / "demo" / "pg")
    cluster.start()
    with connect(cluster.owner_url.replace("+psycopg", "")) as db:
        db.execute(
            "insert into model (id, name, bed_x_mm, bed_y_mm, height_mm, tools, enclosed, currency, version)"
            " values (gen_random_uuid(), 'What I entered', 1, 1, 1, 1, false, 'EUR', 1)"
        )
        db.execute(
            "insert into study (id, title, question, currency, seed, blind_secret, tariff_per_kwh, wage_per_h, labour_min,"
            " failed_labour_min, loss_fraction, life_h, upkeep_per_h, version)"
            " values (gen_random_uuid(), 'Mine', '', 'EUR', 1, 'x', 1, 1, 1, 1, 0.5, 1, 1, 1)"
        )
    cluster.stop()
    process = subprocess.Popen([*command, "up", "--demo", "--port", "8987"], env=environment, stdout=subprocess.PIPE, text=True)  # fmt: skip
    assert process.stdout is not None
    for line in process.stdout:
        assert "demo:" not in line
        if "running at" in line:
            break
    cluster = Cluster.running(state / "demo" / "pg")
    with connect(cluster.owner_url.replace("+psycopg", "")) as db:
        assert db.execute("select count(*) from model where name = 'What I entered'").fetchone() == (1,)
        assert db.execute("select title from study").fetchall() == [("Mine",)]
    process.send_signal(signal.SIGINT)
    process.wait(20)


@pytest.mark.parametrize("number", [signal.SIGINT, signal.SIGTERM])
def test_a_stop_in_the_midst_of_a_start_leaves_nothing_running(number: signal.Signals) -> None:
    class Asked(Exception):
        pass

    def ask(*_: object) -> None:
        raise Asked

    def start() -> subprocess.Popen[bytes]:
        made = subprocess.Popen([sys.executable, "-c", "import time; time.sleep(600)"], start_new_session=True)
        # As a key pressed before anybody has written down what was started.
        os.kill(os.getpid(), number)
        return made

    child, before = Child("a sleeper", start), signal.signal(number, ask)
    try:
        with pytest.raises(Asked):
            child.run()
        assert signal.getsignal(number) is ask
        assert child.process is not None
        assert child.process.poll() is None
    finally:
        signal.signal(number, before)
        stop([child])
    assert child.process.poll() == -signal.SIGTERM
