"""Several background workers against one database: every piece of work is carried out once."""

import time

import pytest
from sqlalchemy import text

from crevlo.jobs.carry_out import take_up_abandoned
from crevlo.sim.client import Client
from crevlo.store.database import sessions
from tests.conftest import Bench
from tests.small import frozen_study, new


@pytest.fixture
def client(bench: Bench) -> Client:
    return bench.as_("reviewer")


def rows(bench: Bench, query: str) -> list[tuple]:
    with bench.engine.connect() as db:
        return [tuple(r) for r in db.execute(text(query))]


def wait_until_done(bench: Bench) -> None:
    """Until all work is over and nothing is left in the queue."""
    # A job leaves the queue a moment after the work it asked for is done.
    open_work = "select 1 from background_work where state in ('waiting', 'running') union all select 2 from procrastinate_jobs"
    end = time.monotonic() + 120
    while rows(bench, open_work):
        assert time.monotonic() < end, rows(bench, "select state, message from background_work")
        time.sleep(0.2)


def ask(client: Client, study: str, seconds: int) -> str:
    return client.send("POST", f"/api/studies/{study}/schedule", {"id": new(), "seconds": seconds})["id"]


def test_three_workers_do_each_piece_of_work_once(bench: Bench, client: Client, workers: list) -> None:
    studies = [frozen_study(client, title=f"Study {number}") for number in range(6)]
    for study in studies:
        ask(client, study, 1)
    wait_until_done(bench)
    assert rows(bench, "select state, begun, count(*) from background_work group by 1, 2") == [("done", 1, 6)]
    assert rows(bench, "select count(*) from schedule") == [(6,)]


def test_what_another_worker_is_at_is_left_alone_until_it_is_gone(bench: Bench, client: Client) -> None:
    work = ask(client, frozen_study(client), 1)
    with bench.engine.begin() as db:
        db.execute(text("update background_work set state = 'running', begun = 1"))
    with bench.engine.connect() as other:
        other.execute(text("select pg_advisory_lock(hashtextextended(:key, 3))"), {"key": f"work {work}"})
        take_up_abandoned(sessions(bench.engine))
        assert rows(bench, "select state from background_work") == [("running",)]
        other.invalidate()
    end = time.monotonic() + 20
    while rows(bench, "select state from background_work") == [("running",)] and time.monotonic() < end:
        take_up_abandoned(sessions(bench.engine))
    [(state, message)] = rows(bench, "select state, message from background_work")
    assert (state, "was stopped while" in message) == ("failed", True)
