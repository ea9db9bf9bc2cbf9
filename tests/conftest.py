"""A throw-away PostgreSQL cluster, fresh databases on it, and people who sign in."""

import gc
import logging
import os
import pickle
import shutil
import tempfile
import uuid
from collections.abc import Callable, Iterator, Mapping
from dataclasses import dataclass
from pathlib import Path
from typing import Any, TypeVar

import httpx
import psycopg
import pytest
import structlog
from argon2 import PasswordHasher
from filelock import FileLock
from hypothesis import settings
from sqlalchemy import Engine, create_engine, update
from werkzeug.routing import Rule

from crevlo.api.app import create_app
from crevlo.cli.cluster import APP_ROLE, Cluster
from crevlo.jobs.carry_out import carry_out
from crevlo.sim.client import Client
from crevlo.sim.demo import Demo
from crevlo.sim.truth import Truth
from crevlo.stations.library.person import NewPerson, add_person
from crevlo.store import database
from crevlo.store.database import connect, migrate, sessions
from crevlo.store.person import Person, Role
from tests.wiper import Wiper

# The same examples at every run: a change turns a test red, not luck. CREVLO_EXPLORE=1 looks for new ones.
settings.register_profile("steady", derandomize=not os.environ.get("CREVLO_EXPLORE"), deadline=None)
settings.load_profile("steady")

PASSWORD = "correct caliper battery"
SECRET = "s" * 32


@pytest.fixture(scope="session", autouse=True)
def _no_request_lines() -> None:
    structlog.configure(wrapper_class=structlog.make_filtering_bound_logger(40))
    # A connection that is collected once its database is dropped would be told of with a traceback, whose marks are parsed in
    # the midst of whatever is being parsed: Python 3.11 then ends that with a SystemError.
    logging.getLogger("sqlalchemy.pool").setLevel(logging.CRITICAL + 1)


def pytest_configure(config: pytest.Config) -> None:
    """One folder for all workers of this run; what each needs first is made in it by one of them, under a lock."""
    if not hasattr(config, "workerinput"):
        folder = tempfile.mkdtemp(prefix="crevlo-test-", dir=_in_memory())
        Path(folder).chmod(0o755)
        os.environ[_FOLDER] = folder
        os.environ["CREVLO_CACHE"] = f"{folder}/cache"


def pytest_unconfigure(config: pytest.Config) -> None:
    if not hasattr(config, "workerinput"):
        folder = Path(os.environ.pop(_FOLDER))
        if (folder / "pg").exists():
            Cluster(folder / "pg").destroy()
        shutil.rmtree(folder, ignore_errors=True)


_FOLDER = "CREVLO_TEST_FOLDER"


def _in_memory() -> str | None:
    """Where databases are copied in memory, a tenth of the time of a disk; None where there is no room for them."""
    memory = Path("/dev/shm")
    roomy = memory.is_dir() and os.access(memory, os.W_OK) and shutil.disk_usage(memory).free > 4e9
    return str(memory) if roomy else None


def _compile_addresses_once() -> None:
    """Every test has an application of its own with the same addresses: each is compiled once for all of them."""
    compile_builder, known = Rule._compile_builder, {}

    def once(rule: Rule, append_unknown: bool = True) -> Callable[..., tuple[str, str]]:
        key = (repr(rule._trace), repr(rule.defaults), append_unknown)
        if key not in known:
            known[key] = compile_builder(rule, append_unknown)
        made: Callable[..., tuple[str, str]] = known[key]
        return made

    Rule._compile_builder = once  # type: ignore[method-assign]


_compile_addresses_once()


def _compile_questions_once() -> None:
    """Every test has a database of its own with the same tables: a question is made SQL once for all of them."""
    made: list[Engine] = []

    def engine_of(*given: Any, **more: Any) -> Engine:
        engine = create_engine(*given, **more)
        # Only one that has met the server knows its version.
        known = next((e for e in made if e.dialect.server_version_info), None)
        if known is None:
            made.append(engine)
        else:
            engine.dialect = engine.pool._dialect = known.dialect
            engine._compiled_cache = known._compiled_cache
        return engine

    database.create_engine = engine_of  # type: ignore[assignment]


_compile_questions_once()


# While all is loaded there is nothing to collect.
gc.disable()


def pytest_collection_finish() -> None:
    # What is loaded stays: the collector need not look through it again and again.
    gc.freeze()
    gc.enable()


def pytest_collection_modifyitems(items: list[pytest.Item]) -> None:
    """The slow ones first, so that no worker waits for the last of them; what needs no demo while the first one makes it."""
    order = {name: place for place, name in enumerate(("e2e", "cli", "api", "truth", "core", "fuzz", "sim", "store"))}
    root = Path(__file__).parent
    items.sort(key=lambda item: order[item.path.relative_to(root).parts[0]])


_Made = TypeVar("_Made")


def _once(name: str, make: Callable[[], _Made]) -> _Made:
    """What the first worker to ask has made; the others take it over."""
    kept = Path(os.environ[_FOLDER]) / name
    with FileLock(f"{kept}.lock"):
        if not kept.exists():
            kept.write_bytes(pickle.dumps(make()))
        made: _Made = pickle.loads(kept.read_bytes())
    return made


@pytest.fixture(scope="session")
def cluster() -> Cluster:
    made = Cluster(
        Path(os.environ[_FOLDER]) / "pg",
        server_options="-c fsync=off -c synchronous_commit=off -c full_page_writes=off -c max_connections=200",
    )
    with FileLock(f"{made.folder}.lock"):
        made.start()
    return made


def _migrated(url: str) -> None:
    engine = connect(url)
    migrate(engine, APP_ROLE)
    # Made in a moment: a thousand sign-ins of tests are no attack.
    quick = PasswordHasher(time_cost=1, memory_cost=8, parallelism=1).hash(PASSWORD)
    with sessions(engine).begin() as session:
        for role in Role:
            given = NewPerson(
                id=uuid.uuid4(), name=role.value.capitalize(), email=f"{role.value}@bench.example", role=role,
                password=PASSWORD,
            )  # fmt: skip
            add_person(session, given)
        session.execute(update(Person).values(password_hash=quick))
    engine.dispose()


@pytest.fixture(scope="session")
def copy_of(cluster: Cluster) -> Callable[[str], str]:
    """Makes a new database from the named template and gives its address."""

    def copy(template: str) -> str:
        name = f"t_{uuid.uuid4().hex[:12]}"
        _on(cluster, f"create database {name} template {template} strategy file_copy")
        return f"{cluster.url.removesuffix('/crevlo')}/{name}"

    return copy


@pytest.fixture(scope="session")
def drop(cluster: Cluster) -> Callable[[str], None]:
    """Takes away a database that was made for one test."""
    return lambda url: _on(cluster, f"drop database {url.rsplit('/', 1)[1]} with (force)")


def _on(cluster: Cluster, statement: str) -> None:
    address = cluster.owner_url.replace("+psycopg", "").removesuffix("/crevlo") + "/postgres"
    with psycopg.connect(address, autocommit=True) as connection:
        connection.execute(statement)


@pytest.fixture(scope="session")
def empty(cluster: Cluster) -> str:
    """Template with the schema and one person of each role, <role>@bench.example."""
    _once("empty", lambda: _migrated(cluster.owner_url))
    return "crevlo"


@pytest.fixture(scope="session")
def as_owner(cluster: Cluster) -> Callable[[str], str]:
    """The address of the same database for the role that owns its tables, which the application is not."""
    return lambda url: f"{cluster.owner_url.removesuffix('/crevlo')}/{url.rsplit('/', 1)[1]}"


@dataclass(frozen=True)
class Played:
    """The demo scenario as the simulated bench entered it."""

    template: str
    study: str
    made_by: Mapping[str, Truth]
    """Which simulated machine a blind code came from; the application does not tell."""


@pytest.fixture(scope="session")
def played(empty: str, copy_of: Callable[[str], str]) -> Played:
    def play() -> Played:
        bench = Bench(copy_of(empty))
        demo = Demo(bench.as_("owner"), bench.as_("rater"))
        study = demo.play()
        # The demo's owner has looked; most tests of figures ask as a reviewer.
        bench.as_("reviewer").enter("POST", f"/api/studies/{study}/unblinding")
        _work_off(bench, seconds=2)
        bench.close()
        return Played(bench.url.rsplit("/", 1)[1], study, demo.bagged)

    return _once("played", play)


def _work_off(bench: "Bench", seconds: int) -> None:
    """What the demo asked the worker for, with less time to search."""
    with bench.engine.begin() as connection:
        asked = connection.exec_driver_sql(
            f"update background_work set given = given || '{{\"seconds\": {seconds}}}' where state = 'waiting' returning id"
        )
        ids = [row.id for row in asked]
    for work_id in ids:
        carry_out(sessions(bench.engine), work_id)


class Bench:
    """The application on one database, and clients signed in to it."""

    def __init__(self, url: str) -> None:
        self.url = url
        self.app = create_app(url, secret=SECRET)
        self.engine: Engine = self.app.extensions["crevlo"]["engine"]

    def as_(self, role: str) -> Client:
        client = self.anyone()
        client.sign_in(f"{role}@bench.example", PASSWORD)
        return client

    def anyone(self) -> Client:
        return Client(httpx.Client(transport=httpx.WSGITransport(app=self.app), base_url="http://127.0.0.1"))

    def close(self) -> None:
        self.engine.dispose()


@pytest.fixture(scope="session")
def _wiped(
    empty: str, copy_of: Callable[[str], str], as_owner: Callable[[str], str], drop: Callable[[str], None]
) -> Iterator[Callable[[], Bench]]:
    """The same installation again and again, as it was at first: its connections know its tables and its questions."""
    kept: list[tuple[Bench, Wiper]] = []

    def leave() -> None:
        while kept:
            made, wiper = kept.pop()
            made.close()
            wiper.close()
            drop(made.url)

    def give() -> Bench:
        if kept and not kept[0][1].wipe():
            leave()
        if not kept:
            url = copy_of(empty)
            kept.append((Bench(url), Wiper(as_owner(url).replace("+psycopg", ""))))
        return kept[0][0]

    yield give
    leave()


@pytest.fixture
def bench(_wiped: Callable[[], Bench]) -> Bench:
    """A new installation with one person of each role and nothing else."""
    return _wiped()


@pytest.fixture
def demo_bench(played: Played, copy_of: Callable[[str], str], drop: Callable[[str], None]) -> Iterator[Bench]:
    """The demo scenario, for this test alone."""
    made = Bench(copy_of(played.template))
    yield made
    made.close()
    drop(made.url)


@pytest.fixture(scope="module")
def shared_bench(played: Played, copy_of: Callable[[str], str], drop: Callable[[str], None]) -> Iterator[Bench]:
    """The demo scenario, shared by tests that only look."""
    made = Bench(copy_of(played.template))
    yield made
    made.close()
    drop(made.url)
