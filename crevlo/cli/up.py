"""Starts everything on one machine and stops exactly that."""

import json
import os
import secrets
import signal
import subprocess
import sys
import time
import urllib.request
import uuid
from collections.abc import Callable, Iterator
from contextlib import contextmanager
from pathlib import Path
from types import FrameType
from typing import TYPE_CHECKING

from crevlo.cli.cluster import Cluster, ClusterError, free_port
from crevlo.cli.folder import FolderInUse, held, secret_in
from crevlo.cli.greeting import greet
from crevlo.cli.supervise import Child, ends_with_us, stop, supervise
from crevlo.revision import newest

if TYPE_CHECKING:
    import httpx

OWNER = "reviewer@bench.example"
RATER = "rater@bench.example"


class _Stop(Exception):
    """A signal asked to stop."""


def up(folder: Path, *, demo: bool, port: int) -> int:
    """Database, migrations, demo data on the first demo start, web server and worker; what dies is started again.

    Returns after Ctrl-C.
    """
    # A shell that runs this in the background hands SIGINT down ignored; it is taken all the same.
    for number in (signal.SIGINT, signal.SIGTERM):
        signal.signal(number, _raise)
    try:
        folder.mkdir(parents=True, exist_ok=True)
        with held(folder):
            return _up(folder, demo=demo, port=port)
    except FolderInUse:
        return _say_where(folder, demo=demo)
    except OSError as error:
        # A read-only folder, a full disk.
        raise ClusterError(f"Crevlo cannot work in {folder}: {error.strerror or error}") from error


def _say_where(folder: Path, *, demo: bool) -> int:
    """Another process works in this folder: its address, or that it is still starting."""
    running = _already_up(folder)
    if not running:
        print(f"Crevlo is being started in {folder} by another command. Wait until it says its address.", flush=True)
        return 1
    link = ""
    if demo:
        from crevlo.cli.link import sign_in_link

        link = sign_in_link(os.environ.get("DATABASE_URL") or Cluster.running(folder / "pg").url, OWNER) or ""
    print(f"Crevlo is already running at http://127.0.0.1:{running}/{link}", flush=True)
    return 0


def _up(folder: Path, *, demo: bool, port: int) -> int:
    cluster = None
    children: list[Child] = []
    try:
        given = os.environ.get("DATABASE_URL")
        url, owner_url = given or "", os.environ.get("CREVLO_OWNER_URL") or given or ""
        # Left by a first start that was interrupted while it made the demo: only what that made is made anew.
        half_made = folder / "making-demo"
        if not given:
            cluster = Cluster(folder / "pg")
            if demo and half_made.exists():
                cluster.destroy()
                half_made.unlink()
            cluster.prepare()
            url, owner_url = cluster.url, cluster.owner_url
        secret = secret_in(folder / "secret", 32)
        os.environ.setdefault("CREVLO_CACHE", str(folder / "cache"))
        # Draws and fits are short: more threads than cores would only make the processes wait for each other.
        os.environ.setdefault("OPENBLAS_NUM_THREADS", "1")
        chosen = free_port(port)
        if chosen != port:
            print(f"Port {port} is taken; using {chosen}.", flush=True)
        entering: list[bool] = []
        web = Child("the web server", lambda: _web(url, secret, chosen, demo, quiet=bool(entering)))
        ready = folder / "ready"
        if not given and ready.exists() and ready.read_text() == newest():
            children.append(web)
            web.run()  # loads while the database starts
        if cluster is not None:
            cluster.start()
        if web.process is None:
            # Of a new database it loads while that is made; nobody is served from an old one before it is up to date.
            entering.append(True)
            children.append(web)
            if not given and not ready.exists():
                web.run()
            _bring_up_to_date(owner_url, url)
            if web.process is None:
                web.run()
            password = demo_people(url, half_made.touch) if demo else None
            if password:
                _load_demo()  # beside the server, which loads too
            _wait_for(web, chosen)
            if password:
                _make_demo(folder, chosen, password)
                _analyse(owner_url)
                half_made.unlink()
            entering.clear()
            greet(url, f"http://127.0.0.1:{chosen}", OWNER if demo else None)
            ready.write_text(newest())
        children.append(Child("the background worker", lambda: _command(url, "worker")))
        broker = os.environ.get("CREVLO_MQTT")
        if broker:
            children.append(Child("the listener", lambda: _command(url, "listen", broker)))
        if demo:
            children += _devices(folder / "devices.json", chosen)
        (folder / "up").write_text(f"{os.getpid()} {chosen}\n")
        supervise(children, cluster, lambda line: print(f"crevlo: {line}", file=sys.stderr, flush=True))
        return 0
    except _Stop:
        return 0
    finally:
        for number in (signal.SIGINT, signal.SIGTERM):
            signal.signal(number, signal.SIG_IGN)
        (folder / "up").unlink(missing_ok=True)
        stop(children)
        if cluster is not None:
            cluster.stop()


def _bring_up_to_date(owner_url: str, url: str) -> None:
    import psycopg
    from sqlalchemy import make_url

    from crevlo.cli.archive import put_back
    from crevlo.store.database import connect, database_url, migrate, stands_above_the_rules

    with psycopg.connect(owner_url.replace("+psycopg", ""), autocommit=True) as db:
        if put_back(db):
            print("A restore had been cut off: what was there before it is back.", flush=True)
    engine = connect(owner_url)
    migrate(engine, make_url(database_url(url)).username)
    engine.dispose()
    engine = connect(url)
    if stands_above_the_rules(engine):
        print(
            "Note: this database role owns the tables, so it could switch off the rules that the database keeps. "
            "Give the application an ordinary role; docs/operations.md says how.", flush=True,
        )  # fmt: skip
    engine.dispose()


def _analyse(owner_url: str) -> None:
    """Has the database look at what was just entered, so that its first answers are as quick as later ones."""
    import psycopg

    with psycopg.connect(owner_url.replace("+psycopg", ""), autocommit=True) as db:
        db.execute("analyze")


def demo_people(url: str, begin: Callable[[], None] = lambda: None) -> str | None:
    """The two people of the demo and their password, where there is nobody yet; None where there is. `begin` is called
    before the first of them is made."""
    from sqlalchemy import func, select

    from crevlo.stations.library.person import NewPerson, add_person, create_owner
    from crevlo.store.database import connect, sessions
    from crevlo.store.person import Person, Role
    from crevlo.store.study import Study

    engine = connect(url)
    password = secrets.token_urlsafe(18)
    try:
        with sessions(engine).begin() as session:
            if session.scalar(select(func.count()).select_from(Study)):
                return None
            if session.scalar(select(func.count()).select_from(Person)):
                return None
            begin()
            create_owner(
                session, NewPerson(id=uuid.uuid4(), name="Reviewer", email=OWNER, role=Role.OWNER, password=password)
            )
            add_person(
                session,
                NewPerson(id=uuid.uuid4(), name="Second rater", email=RATER, role=Role.RATER, password=password),
            )
    finally:
        engine.dispose()
    return password


def _load_demo() -> None:
    import httpx  # noqa: F401

    import crevlo.sim.afterwards
    import crevlo.sim.last_words
    import crevlo.sim.notebook
    import crevlo.sim.pieces
    import crevlo.sim.plates  # noqa: F401


def enter_demo(
    reach: "Callable[[], httpx.Client]", password: str, say: Callable[[str], None] = lambda _: None
) -> list[dict[str, str]]:
    """Enters the demo study through the HTTP API; gives the simulated devices to start beside it."""
    from crevlo.sim import afterwards, last_words, notebook, plates
    from crevlo.sim.client import Client, meanwhile
    from crevlo.sim.demo import SEED, Demo
    from crevlo.sim.pieces import Pieces

    reviewer, rater = Client(reach()), Client(reach())
    reviewer.sign_in(OWNER, password)
    rater.sign_in(RATER, password)
    demo = Demo(reviewer, rater)
    demo.begin(say=say)

    def pieces() -> None:
        say("measuring nine kinds of pieces")
        Pieces(reviewer, rater, SEED + 7).play(demo.spool, demo.petg, lambda: Client(reach()))

    of_tokens: list[str] = []

    def tokens() -> None:
        say("printing plates of twelve")
        of_tokens.append(plates.play(reviewer, demo.spool, demo.brick, SEED + 11))
        say("taking over the notes of an old round")
        notebook.play(reviewer, SEED + 13)

    with meanwhile(pieces):
        with meanwhile(tokens):
            demo.go_through(say=say)
        # A change is of the unit, whatever study it prints for: it waits until neither does.
        plates.with_accessory(reviewer, of_tokens[0], SEED + 11)
        say("saying the last words")
        last_words.say(reviewer, demo.study)
        say("publishing a first look")
        afterwards.go_on(reviewer, demo.study)
    return demo.devices


def _make_demo(folder: Path, port: int, password: str) -> None:
    import httpx

    from crevlo.api.agents import DEMO_AGENT

    def reach() -> httpx.Client:
        return httpx.Client(base_url=f"http://127.0.0.1:{port}", timeout=120, headers={"User-Agent": DEMO_AGENT})

    made = enter_demo(reach, password, lambda step: print(f"demo: {step} …\n", end="", flush=True))
    (folder / "devices.json").touch(mode=0o600)
    (folder / "devices.json").write_text(json.dumps(made))


def _wait_for(web: Child, port: int) -> None:
    """Until the web server answers. Raises ClusterError where it ends instead, or says nothing for a minute."""
    until = time.monotonic() + 60
    while time.monotonic() < until:
        if web.process is not None and web.process.poll() is not None:
            break
        try:
            with urllib.request.urlopen(f"http://127.0.0.1:{port}/healthz", timeout=2) as answer:
                if answer.read() == b"ok":
                    return
        except OSError:
            time.sleep(0.2)
    raise ClusterError("the web server does not start; what it said stands above")


@contextmanager
def reachable(folder: Path) -> Iterator[str]:
    """The owner's database address for a command: CREVLO_OWNER_URL or DATABASE_URL, the running cluster, or the cluster
    started for as long."""
    given = os.environ.get("CREVLO_OWNER_URL") or os.environ.get("DATABASE_URL")
    if given:
        yield given
        return
    cluster = Cluster(folder / "pg")
    started = cluster.start()
    try:
        yield cluster.owner_url
    finally:
        if started:
            cluster.stop()


def _raise(number: int, frame: FrameType | None) -> None:
    raise _Stop


def _already_up(folder: Path) -> int:
    try:
        pid, port = (folder / "up").read_text().split()
        if b"crevlo" not in Path(f"/proc/{int(pid)}/cmdline").read_bytes():
            return 0
        with urllib.request.urlopen(f"http://127.0.0.1:{int(port)}/healthz", timeout=2) as answer:
            return int(port) if answer.read() == b"ok" else 0
    except (OSError, ValueError):
        return 0


def _command(url: str, *words: str) -> subprocess.Popen[bytes]:
    """Another command of ours as a process beside the web server."""
    return subprocess.Popen(
        [sys.executable, "-m", "crevlo.cli.main", *words],
        env=os.environ | {"DATABASE_URL": url}, stdin=subprocess.DEVNULL,
        start_new_session=True, preexec_fn=ends_with_us,
    )  # fmt: skip


def _devices(file: Path, port: int) -> list[Child]:
    """The simulated devices of the demo, each a process that knows no more than its token and the address."""
    if not file.exists():
        return []

    def starter(given: dict[str, str]) -> Callable[[], subprocess.Popen[bytes]]:
        options = [f"--{name}={given[name]}" for name in ("machine", "sliced", "start", "seed")]
        return lambda: subprocess.Popen(
            [sys.executable, "-m", "crevlo.cli.main", "sim", given["device"], f"--url=http://127.0.0.1:{port}",
             "--speed=5000", *options],
            env=os.environ | {"CREVLO_TOKEN": given["token"]}, stdin=subprocess.DEVNULL, start_new_session=True,
            preexec_fn=ends_with_us,
        )  # fmt: skip

    return [Child("a simulated device", starter(given), once=True) for given in json.loads(file.read_text())]


def _web(url: str, secret: str, port: int, demo: bool, *, quiet: bool) -> subprocess.Popen[bytes]:
    """The web server; a `quiet` one does not say where it is, as long as there is nothing to see."""
    address = f"127.0.0.1:{port}"
    environment = os.environ | {
        "DATABASE_URL": url, "CREVLO_SECRET": secret, "PYTHONUNBUFFERED": "1",
        "CREVLO_GREETING": "" if quiet else f"http://{address} {OWNER if demo else '-'}",
    }  # fmt: skip
    # Each thread's own heap keeps what was once needed for good: with two of them a worker stays the size of its work.
    environment.setdefault("MALLOC_ARENA_MAX", "2")
    environment.setdefault("MALLOC_TRIM_THRESHOLD_", "100000000")
    return subprocess.Popen(
        [sys.executable, "-m", "gunicorn", "-c", "python:crevlo.cli.serving", "--bind", address],
        env=environment, stdin=subprocess.DEVNULL, start_new_session=True, preexec_fn=ends_with_us,
    )  # fmt: skip
