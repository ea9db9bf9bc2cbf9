"""The worker process: waits at the queue in PostgreSQL and carries out one piece of work after the other."""

import os
import uuid

import procrastinate
from sqlalchemy import text

from crevlo.stations.background import QUEUED_TASK
from crevlo.store.database import connect, database_url, sessions

_ONE_WORKER = 0x43524557


def run_worker(url: str) -> None:
    """Until a signal stops it; the work then under way is ended by the next start. A second worker waits for the first."""
    # Searching takes a core: screens come first.
    os.nice(5)
    from crevlo.jobs.carry_out import carry_out, take_up_abandoned

    engine = connect(url)
    made = sessions(engine)
    # Held as long as the process lives: what is marked as running now was left by one that is gone.
    alone = engine.connect().execution_options(isolation_level="AUTOCOMMIT")
    alone.execute(text("select pg_advisory_lock(:key)"), {"key": _ONE_WORKER})
    take_up_abandoned(made)
    queue = procrastinate.App(
        connector=procrastinate.PsycopgConnector(conninfo=database_url(url).replace("+psycopg", ""), max_size=4)
    )

    @queue.task(name=QUEUED_TASK)
    def _carry_out(work_id: str) -> None:
        carry_out(made, uuid.UUID(work_id))

    queue.run_worker(concurrency=1, install_signal_handlers=True, shutdown_graceful_timeout=1, delete_jobs="always")
