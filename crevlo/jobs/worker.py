"""The worker process: waits at the queue in PostgreSQL and carries out one piece of work after the other."""

import os
import threading
import uuid

import procrastinate
import structlog

from crevlo.stations.background import QUEUED_TASK
from crevlo.store.database import connect, database_url, sessions

_LOOK_S = 20.0
log = structlog.get_logger("crevlo")


def run_worker(url: str) -> None:
    """Until a signal stops it. Any number may run, on any machines: each piece of work is carried out by one of them, and
    taken up by another where that one goes away."""
    # Searching takes a core: screens come first.
    os.nice(5)
    from crevlo.jobs.carry_out import carry_out, take_up_abandoned

    made = sessions(connect(url))
    take_up_abandoned(made)
    stop = threading.Event()

    def look() -> None:
        while not stop.wait(_LOOK_S):
            try:
                take_up_abandoned(made)
            except Exception as away:
                log.warning("the worker could not look for work that was left", why=str(away).split("\n", 1)[0])

    threading.Thread(target=look, daemon=True, name="crevlo-left-work").start()
    queue = procrastinate.App(
        connector=procrastinate.PsycopgConnector(conninfo=database_url(url).replace("+psycopg", ""), max_size=4)
    )

    @queue.task(name=QUEUED_TASK)
    def _carry_out(work_id: str) -> None:
        carry_out(made, uuid.UUID(work_id))

    try:
        queue.run_worker(
            concurrency=1, install_signal_handlers=True, shutdown_graceful_timeout=1, delete_jobs="always"
        )
    finally:
        stop.set()
