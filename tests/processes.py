"""Processes of a server as it runs in earnest."""

import os
import signal
import subprocess
import sys
import time
import urllib.request

from tests.conftest import SECRET


def serve(url: str, port: int, **settings: str) -> subprocess.Popen[bytes]:
    process = subprocess.Popen(
        [sys.executable, "-m", "gunicorn", "-c", "python:crevlo.cli.serving", "--bind", f"127.0.0.1:{port}"],
        env=os.environ | {"DATABASE_URL": url, "CREVLO_SECRET": SECRET} | settings, stdin=subprocess.DEVNULL,
        stdout=subprocess.DEVNULL, start_new_session=True,
    )  # fmt: skip
    end = time.monotonic() + 60
    while True:
        try:
            with urllib.request.urlopen(f"http://127.0.0.1:{port}/healthz", timeout=1):
                return process
        except OSError:
            assert time.monotonic() < end, "the server did not come up"
            time.sleep(0.1)


def kill(process: subprocess.Popen[bytes]) -> None:
    os.killpg(process.pid, signal.SIGKILL)
    process.wait()


def worker(url: str) -> subprocess.Popen[bytes]:
    return subprocess.Popen(
        [sys.executable, "-m", "crevlo.cli.main", "worker"], env=os.environ | {"DATABASE_URL": url},
        stdin=subprocess.DEVNULL, start_new_session=True,
    )  # fmt: skip
