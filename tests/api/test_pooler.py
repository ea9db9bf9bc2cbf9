"""Two web servers behind a pooler in transaction mode, three workers at the database itself: one Crevlo."""

import itertools
import os
import shutil
import socket
import subprocess
import threading
import time
import uuid
from collections.abc import Iterator
from pathlib import Path

import httpx
import pytest
from sqlalchemy import make_url

from crevlo.cli.cluster import free_port
from crevlo.sim.client import Client
from tests.api.test_workers import rows, wait_until_done
from tests.conftest import PASSWORD, Bench
from tests.processes import kill, serve
from tests.small import frozen_study, new

# As few as make them wait for each other: what one leaves behind on a connection meets the next.
_CONNECTIONS = 3


@pytest.fixture
def pooler(bench: Bench, tmp_path_factory: pytest.TempPathFactory) -> Iterator[str]:
    """The address of the same database by way of PgBouncer."""
    to = make_url(bench.url)
    folder, port = tmp_path_factory.mktemp("pooler"), free_port(26432)
    (folder / "users").write_text(f'"{to.username}" "{to.password}"\n')
    (folder / "ini").write_text(
        f"[databases]\n* = host={to.host} port={to.port}\n[pgbouncer]\nlisten_addr = 127.0.0.1\nlisten_port = {port}\n"
        f"unix_socket_dir =\nauth_type = scram-sha-256\nauth_file = {folder}/users\npool_mode = transaction\n"
        f"default_pool_size = {_CONNECTIONS}\nmax_client_conn = 200\nquery_wait_timeout = 60\n"
    )
    as_whom: list[str] = []
    if os.geteuid() == 0:
        # It refuses to be root, and the folder is root's alone.
        for path in (folder, *folder.iterdir()):
            shutil.chown(path, "nobody")
        for above in itertools.takewhile(lambda p: p != Path("/tmp"), folder.parents):
            above.chmod(above.stat().st_mode | 0o011)
        as_whom = ["setpriv", "--reuid=nobody", "--regid=nogroup", "--clear-groups"]
    process = subprocess.Popen(
        [*as_whom, "/usr/sbin/pgbouncer", "-q", str(folder / "ini")], stdin=subprocess.DEVNULL, start_new_session=True
    )
    end = time.monotonic() + 20
    while socket.socket().connect_ex(("127.0.0.1", port)):
        assert time.monotonic() < end, "the pooler did not come up"
        time.sleep(0.1)
    yield to.set(port=port).render_as_string(hide_password=False)
    kill(process)


@pytest.fixture
def servers(bench: Bench, pooler: str) -> Iterator[list[str]]:
    """The addresses of two web servers that reach the database only through the pooler."""
    ports = [free_port(21000), free_port(21300)]
    made = [serve(pooler, port, CREVLO_POOLER="1", CREVLO_WORKERS="2") for port in ports]
    yield [f"http://127.0.0.1:{port}" for port in ports]
    for process in made:
        kill(process)


def test_two_servers_behind_a_pooler_do_each_piece_of_work_once(
    bench: Bench, servers: list[str], workers: list[subprocess.Popen[bytes]]
) -> None:
    here = bench.as_("reviewer")
    studies = [frozen_study(here, title=f"Study {number}") for number in range(4)]
    refused: list[str] = []

    def heard(answer: httpx.Response) -> None:
        if answer.status_code != 200:
            refused.append(f"{answer.request.url} {answer.status_code} {answer.text[:200]}")

    def person(number: int) -> None:
        """Signs in at one server, looks and asks at both with the one session, and sends a change again at the other."""
        client = Client(httpx.Client(base_url=servers[number % 2], timeout=60))
        client.sign_in("reviewer@bench.example", PASSWORD)
        both = [httpx.Client(base_url=s, timeout=60, cookies=client.http.cookies) for s in servers]

        def write(at: httpx.Client, path: str, body: dict, write_id: str | None = None) -> httpx.Response:
            headers = {"X-CSRFToken": client.csrf, "X-Write-Id": write_id or str(uuid.uuid4())}
            return at.post(path, json=body, headers=headers)

        for turn, study in itertools.product(range(6), studies):
            for screen in ("print", "plan", "measure", "cost"):
                heard(both[(turn + number) % 2].get(f"/api/studies/{study}/{screen}"))
        # Asked often enough on one connection, a question would be prepared on it.
        for turn in range(16):
            rate = {
                "id": new(),
                "base": "CHF",
                "quote": "USD",
                "rate": 1 + turn,
                "on": "2026-11-02",
                "source": "bank",
            }
            heard(write(both[turn % 2], "/api/rates", rate))
        wish = {"id": new(), "seconds": 1}
        once = str(uuid.uuid4())
        for at in both:
            heard(write(at, f"/api/studies/{studies[number]}/schedule", wish, once))

    people = [threading.Thread(target=person, args=(n,)) for n in range(len(studies))]
    for thread in people:
        thread.start()
    for thread in people:
        thread.join()
    assert refused == []
    wait_until_done(bench)
    assert rows(bench, "select state, begun, count(*) from background_work group by 1, 2") == [("done", 1, 4)]
    assert rows(bench, "select count(*), count(distinct study_id) from schedule") == [(4, 4)]
    assert rows(bench, "select count(*) from exchange_rate") == [(64,)]
    # What each did is in its own name: nothing of one transaction was left for the next on that connection.
    assert rows(
        bench, "select count(*) from audit_entry where person_id is null and table_name = 'background_work'"
    ) == [(0,)]
