"""gunicorn's settings: `gunicorn -c python:crevlo.cli.serving --bind HOST:PORT`; any number of them on one database."""

import atexit
import gc
import os
from threading import Timer
from typing import Any

from crevlo.cli.greeting import greet

wsgi_app = "crevlo.api.app:create_app()"
worker_class = "crevlo.cli.steady.SteadyWorker"
workers = int(os.environ.get("CREVLO_WORKERS", "2"))
threads = 4
preload_app = True
graceful_timeout = 2
# Longer than clients keep a quiet connection: who sends just as the server closes one gets no answer.
keepalive = 75
# The last resort against what grows: a worker is followed by a new one after so many requests.
max_requests = 50_000
max_requests_jitter = 10_000
loglevel = "warning"
control_socket_disable = True


def when_ready(server: Any) -> None:
    """Says where, once requests are taken; `crevlo up --demo` names whom a one-time sign-in link is for."""
    # What is loaded stays for good: the collector need not look through it, nor the workers copy it.
    gc.collect()
    gc.freeze()
    # Until the end, when what was never let go of would be told of as lost.
    atexit.register(gc.unfreeze)
    greeting = os.environ.get("CREVLO_GREETING")
    if not greeting:
        return
    address, owner = greeting.split()
    greet(os.environ["DATABASE_URL"], address, None if owner == "-" else owner)


def post_worker_init(worker: Any) -> None:
    """Loads the compiled reader of sliced files a moment after the start, so that the first upload does not wait."""

    def load() -> None:
        from crevlo.core.motion.stream import compiled

        compiled()

    timer = Timer(5.0, load)
    timer.daemon = True
    timer.start()
