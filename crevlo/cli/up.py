"""Starts everything on one machine and stops exactly that."""

import json
import os
import secrets
import signal
import subprocess
import sys
import urllib.request
import uuid
from collections.abc import Callable, Iterator
from contextlib import contextmanager
from pathlib import Path
from types import FrameType

from crevlo.cli.cluster import Cluster, free_port
from crevlo.cli.revision import newest

OWNER = "reviewer@bench.example"
RATER = "rater@bench.example"


class _Stop(Exception):
    """A signal asked to stop."""


def up(folder: Path, *, demo: bool, port: int) -> int:
    """Database, migrations, demo data on the first demo start, web server; returns after Ctrl-C."""
    # A shell that runs this in the background hands SIGINT down ignored; it is taken all the same.
    for number in (signal.SIGINT, signal.SIGTERM):
        signal.signal(number, _raise)
    folder.mkdir(parents=True, exist_ok=True)
    running = _already_up(folder)
    if running:
        link = ""
        if demo:
            from crevlo.cli.link import sign_in_link

            link = sign_in_link(os.environ.get("DATABASE_URL") or Cluster.running_url(folder / "pg"), OWNER) or ""
        print(f"Crevlo is already running at http://127.0.0.1:{running}/{link}", flush=True)
        return 0
    cluster, web, worker = None, None, None
    devices: list[subprocess.Popen[bytes]] = []
    try:
        given = os.environ.get("DATABASE_URL")
        url = given or ""
        if not given:
            cluster = Cluster(folder / "pg")
            if demo and not (folder / "ready").exists():
                cluster.destroy()  # what an interrupted first start left behind
            cluster.prepare()
            url = cluster.url
        secret = _secret(folder)
        os.environ.setdefault("CREVLO_CACHE", str(folder / "cache"))
        chosen = free_port(port)
        if chosen != port:
            print(f"Port {port} is taken; using {chosen}.", flush=True)
        ready = folder / "ready"
        if not given and ready.exists() and ready.read_text() == newest():
            web = _web(url, secret, chosen, demo)  # loads while the database starts
        if cluster is not None:
            cluster.start()
        if web is None:
            from crevlo.store.database import connect, migrate

            engine = connect(url)
            migrate(engine)
            engine.dispose()
            if demo:
                made = load_demo(url, secret, lambda step: print(f"demo: {step} …", flush=True))
                if made is not None:
                    (folder / "devices.json").touch(mode=0o600)
                    (folder / "devices.json").write_text(json.dumps(made))
            ready.write_text(newest())
            web = _web(url, secret, chosen, demo)
        worker = _command(url, "worker")
        devices = _devices(folder / "devices.json", chosen) if demo else []
        broker = os.environ.get("CREVLO_MQTT")
        if broker:
            devices.append(_command(url, "listen", broker))
        (folder / "up").write_text(f"{os.getpid()} {chosen}\n")
        return web.wait()
    except _Stop:
        return 0
    finally:
        for number in (signal.SIGINT, signal.SIGTERM):
            signal.signal(number, signal.SIG_IGN)
        (folder / "up").unlink(missing_ok=True)
        children = [p for p in (*devices, web, worker) if p is not None and p.poll() is None]
        for process in children:
            process.terminate()
        for process in children:
            try:
                process.wait(4)
            except subprocess.TimeoutExpired:
                process.kill()
                process.wait()
        if cluster is not None:
            cluster.stop()


def load_demo(url: str, secret: str, say: Callable[[str], None]) -> list[dict[str, str]] | None:
    """Enters the demo study through the HTTP API, once; later starts keep what the user has made of it.

    Gives the simulated devices to start beside it; None where the demo was there already.
    """
    import httpx
    from sqlalchemy import func, select, text

    from crevlo.api.app import create_app
    from crevlo.sim.client import Client
    from crevlo.sim.demo import Demo
    from crevlo.stations.people import NewPerson, add_person, create_owner
    from crevlo.store.database import connect, sessions
    from crevlo.store.person import Person, Role
    from crevlo.store.study import Study

    engine = connect(url)
    password = secrets.token_urlsafe(18)
    with sessions(engine).begin() as session:
        if session.scalar(select(func.count()).select_from(Study)):
            return None
        if not session.scalar(select(func.count()).select_from(Person)):
            create_owner(
                session, NewPerson(id=uuid.uuid4(), name="Reviewer", email=OWNER, role=Role.OWNER, password=password)
            )
            add_person(
                session,
                NewPerson(id=uuid.uuid4(), name="Second rater", email=RATER, role=Role.RATER, password=password),
            )
    app = create_app(url, secret=secret)
    quiet = _QuietLog()
    with quiet:
        reviewer, rater = (
            Client(httpx.Client(transport=httpx.WSGITransport(app=app), base_url="http://127.0.0.1")) for _ in "ab"
        )
        reviewer.sign_in(OWNER, password)
        rater.sign_in(RATER, password)
        demo = Demo(reviewer, rater)
        demo.play(say=say)
    with engine.connect() as connection:
        connection.execute(text("analyze"))
        connection.commit()
    engine.dispose()
    return demo.devices


@contextmanager
def reachable(folder: Path) -> Iterator[str]:
    """A database address for a command: DATABASE_URL, the running cluster, or the cluster started for as long."""
    given = os.environ.get("DATABASE_URL")
    if given:
        yield given
        return
    cluster = Cluster(folder / "pg")
    started = cluster.start()
    try:
        yield cluster.url
    finally:
        if started:
            cluster.stop()


class _QuietLog:
    """No request lines while the demo is entered; there would be a thousand."""

    def __enter__(self) -> None:
        import structlog

        structlog.configure(wrapper_class=structlog.make_filtering_bound_logger(40))

    def __exit__(self, *_: object) -> None:
        import structlog

        structlog.configure(wrapper_class=structlog.make_filtering_bound_logger(20))


def _raise(number: int, frame: FrameType | None) -> None:
    raise _Stop


def _already_up(folder: Path) -> int:
    try:
        pid, port = (folder / "up").read_text().split()
        os.kill(int(pid), 0)
        with urllib.request.urlopen(f"http://127.0.0.1:{int(port)}/healthz", timeout=2) as answer:
            return int(port) if answer.read() == b"ok" else 0
    except (OSError, ValueError):
        return 0


def _secret(folder: Path) -> str:
    path = folder / "secret"
    if not path.exists():
        path.touch(mode=0o600)
        path.write_text(secrets.token_hex(32))
    return path.read_text()


def _command(url: str, *words: str) -> subprocess.Popen[bytes]:
    """Another command of ours as a process beside the web server."""
    return subprocess.Popen(
        [sys.executable, "-m", "crevlo.cli.main", *words],
        env=os.environ | {"DATABASE_URL": url}, stdin=subprocess.DEVNULL,
        start_new_session=True,
    )  # fmt: skip


def _devices(file: Path, port: int) -> list[subprocess.Popen[bytes]]:
    """The simulated devices of the demo, each a process that knows no more than its token and the address."""
    if not file.exists():
        return []
    started = []
    for given in json.loads(file.read_text()):
        options = [f"--{name}={given[name]}" for name in ("machine", "sliced", "start", "seed")]
        started.append(
            subprocess.Popen(
                [sys.executable, "-m", "crevlo.cli.main", "sim", given["device"], f"--url=http://127.0.0.1:{port}",
                 "--speed=5000", *options],
                env=os.environ | {"CREVLO_TOKEN": given["token"]}, stdin=subprocess.DEVNULL, start_new_session=True,
            )
        )  # fmt: skip
    return started


def _web(url: str, secret: str, port: int, demo: bool) -> subprocess.Popen[bytes]:
    address = f"127.0.0.1:{port}"
    environment = os.environ | {
        "DATABASE_URL": url, "CREVLO_SECRET": secret, "PYTHONUNBUFFERED": "1",
        "CREVLO_GREETING": f"http://{address} {OWNER if demo else '-'}",
    }  # fmt: skip
    # Draws and fits are short: more threads than cores would only make the processes wait for each other.
    environment.setdefault("OPENBLAS_NUM_THREADS", "1")
    return subprocess.Popen(
        [sys.executable, "-m", "gunicorn", "-c", "python:crevlo.cli.serving", "--bind", address],
        env=environment, stdin=subprocess.DEVNULL, start_new_session=True,
    )  # fmt: skip
