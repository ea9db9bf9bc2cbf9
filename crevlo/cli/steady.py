"""gunicorn's threads, with an end to how long a peer may take: a silent or dripping one gets no thread for itself."""

import os
import socket
import time
from typing import Any

from gunicorn.workers.gthread import ThreadWorker

HEAD_S = float(os.environ.get("CREVLO_HEAD_S", "15"))
# For the body and the answer: a slow line's upload has its time, one byte a second has not.
BODY_S, LEAST_BYTES_S = 120.0, 20_000


class SteadyWorker(ThreadWorker):  # type: ignore[misc]
    """Closes connections whose request is not there in time; the thread that waited for it is free again."""

    def init_process(self) -> None:
        self.due: dict[Any, float] = {}
        super().init_process()

    def handle(self, conn: Any) -> Any:
        self.due[conn] = time.monotonic() + HEAD_S
        try:
            return super().handle(conn)
        finally:
            self.due.pop(conn, None)

    def handle_request(self, req: Any, conn: Any) -> Any:
        length = next((int(v) for k, v in req.headers if k == "CONTENT-LENGTH" and v.isdigit()), 0)
        self.due[conn] = time.monotonic() + BODY_S + length / LEAST_BYTES_S
        return super().handle_request(req, conn)

    def notify(self) -> None:
        """Called every second by the worker's own loop."""
        super().notify()
        now = time.monotonic()
        for conn, due in list(self.due.items()):
            if now > due:
                self.due.pop(conn, None)
                try:
                    conn.sock.shutdown(socket.SHUT_RDWR)
                except OSError:
                    continue
