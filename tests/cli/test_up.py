"""Starting on one machine: one line with the address, a second start, and stopping exactly what was started."""

import os
import re
import signal
import socket
import subprocess
import sys
import threading
import time
from collections.abc import Iterator
from pathlib import Path

import httpx
import pytest

from crevlo.sim.client import Client


class Running:
    def __init__(self, state: Path, port: int) -> None:
        environment = os.environ | {"CREVLO_STATE": str(state)}
        environment.pop("DATABASE_URL", None)
        self.process = subprocess.Popen(
            [sys.executable, "-m", "crevlo.cli.main", "up", "--port", str(port)],
            env=environment, stdout=subprocess.PIPE, text=True,
        )  # fmt: skip
        self.said: list[str] = []
        assert self.process.stdout is not None
        for line in self.process.stdout:
            self.said.append(line)
            if "running at" in line:
                break
        self.url = re.search(r"http://[\d.:]+", self.said[-1]).group()
        # Request lines go on: a full pipe would hold up every request.
        self._reader = threading.Thread(target=self.said.extend, args=(self.process.stdout,), daemon=True)
        self._reader.start()

    def stop(self, number: int = signal.SIGINT) -> int:
        """Gives the exit code; everything it printed is then in `said`."""
        self.process.send_signal(number)
        code = self.process.wait(20)
        self._reader.join(20)
        return code


def _mine(state: Path) -> list[str]:
    """Command lines of live processes that name the state folder, or whose data lies in it."""
    found = []
    for entry in Path("/proc").iterdir():
        if entry.name.isdigit():
            try:
                line = (entry / "cmdline").read_bytes().replace(b"\0", b" ").decode()
            except OSError:
                continue
            if str(state) in line:
                found.append(line)
    return found


@pytest.fixture
def state(tmp_path_factory: pytest.TempPathFactory) -> Iterator[Path]:
    import shutil
    import tempfile

    folder = Path(tempfile.mkdtemp(prefix="crevlo-up-"))
    folder.chmod(0o755)
    yield folder
    shutil.rmtree(folder, ignore_errors=True)


def test_start_keeps_what_was_entered_and_stops_what_it_started(state: Path) -> None:
    with socket.socket() as taken:
        taken.bind(("127.0.0.1", 0))
        taken.listen()
        port = taken.getsockname()[1]
        first = Running(state, port)
        assert first.said[0].startswith(f"Port {port} is taken; using ")
        assert sum("running at" in line for line in first.said) == 1
        client = Client(httpx.Client(base_url=first.url))
        assert client.get("/api/session")["needs_owner"] is True
        client.send("POST", "/api/owner", {
            "id": "00000000-0000-4000-8000-00000000000a", "name": "Reviewer", "email": "me@bench.example", "role": "owner",
            "password": "long enough words"})  # fmt: skip
        assert client.http.get("/readyz").text.startswith("ok")
        # A second start finds the first and says where it is; nothing runs twice.
        again = Running(state, port)
        assert "already running" in again.said[-1]
        assert again.url == first.url
        assert again.process.wait(20) == 0
    servers = [line for line in _mine(state) if "postgres" in line]
    assert len(servers) == 1
    assert first.stop() == 0
    deadline = time.monotonic() + 10
    while _mine(state) and time.monotonic() < deadline:
        time.sleep(0.2)
    assert _mine(state) == []
    second = Running(state, port)
    client = Client(httpx.Client(base_url=second.url))
    assert client.get("/api/session")["needs_owner"] is False
    client.sign_in("me@bench.example", "long enough words")
    assert second.stop(signal.SIGTERM) == 0


def test_requests_leave_one_line_each_without_secrets(state: Path) -> None:
    running = Running(state, 8970)
    try:
        client = Client(httpx.Client(base_url=running.url))
        with pytest.raises(Exception, match="do not match"):
            client.sign_in("nobody@bench.example", "a secret of mine")
    finally:
        running.stop()
    log = "".join(running.said)
    lines = [line for line in running.said if '"event": "request"' in line]
    assert any('"path": "/api/session"' in line and '"status": 401' in line for line in lines)
    assert len(lines) == 2
    assert "a secret of mine" not in log
    assert client.csrf not in log
