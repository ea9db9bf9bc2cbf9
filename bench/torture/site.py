"""A whole Crevlo under `crevlo up` in a scratch folder, with the demo study, and people who sign in to it."""

import os
import re
import shutil
import signal
import subprocess
import sys
import tempfile
import time
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path

import httpx

from crevlo.cli.cluster import Cluster
from crevlo.cli.link import sign_in_link
from crevlo.sim.client import Client


class Site:
    def __init__(self, folder: Path) -> None:
        self.folder = folder
        self.log = (folder / "up.log").open("w")
        environment = {k: v for k, v in os.environ.items() if k not in ("DATABASE_URL", "CREVLO_OWNER_URL")}
        self.process = subprocess.Popen(
            [sys.executable, "-m", "crevlo.cli.main", "up", "--demo", "--port", "9350"],
            env=environment | {"CREVLO_STATE": str(folder)}, stdout=subprocess.PIPE, stderr=self.log, text=True,
        )  # fmt: skip
        assert self.process.stdout is not None
        self.url = ""
        for line in self.process.stdout:
            found = re.search(r"running at (http://[\d.:]+)", line)
            if found:
                self.url = found[1]
                break
        # Request lines go on; nobody may have to wait for them to be read.
        subprocess.Popen(["cat"], stdin=self.process.stdout, stdout=subprocess.DEVNULL)

    @property
    def cluster(self) -> Cluster:
        return Cluster.running(self.folder / "demo" / "pg")

    def as_(self, email: str, timeout: float = 60) -> Client:
        token = str(sign_in_link(self.cluster.owner_url, email)).removeprefix("link#")
        client = Client(httpx.Client(base_url=self.url, timeout=timeout))
        client.sign_in_by_link(token)
        return client

    def ready(self, seconds: float = 60) -> None:
        end = time.monotonic() + seconds
        while time.monotonic() < end:
            try:
                if httpx.get(f"{self.url}/readyz", timeout=3).status_code == 200:
                    return
            except httpx.HTTPError:
                pass
            time.sleep(0.2)
        raise SystemExit("the server did not come back")

    def stop(self) -> None:
        self.process.send_signal(signal.SIGINT)
        self.process.wait(30)
        self.log.close()


@contextmanager
def site() -> Iterator[Site]:
    folder = Path(tempfile.mkdtemp(prefix="crevlo-torture-"))
    folder.chmod(0o755)
    up = Site(folder)
    try:
        yield up
    finally:
        up.stop()
        shutil.rmtree(folder, ignore_errors=True)


def children(parent: int) -> dict[int, str]:
    """Command lines of the live children of a process, by number."""
    found = {}
    for entry in Path("/proc").iterdir():
        if not entry.name.isdigit():
            continue
        try:
            if int((entry / "stat").read_text().rsplit(")", 1)[1].split()[1]) == parent:
                found[int(entry.name)] = (entry / "cmdline").read_bytes().replace(b"\0", b" ").decode()
        except (OSError, ValueError, IndexError):
            continue
    return found


def resident_mb(pid: int) -> float:
    return int(Path(f"/proc/{pid}/statm").read_text().split()[1]) * os.sysconf("SC_PAGE_SIZE") / 1e6
