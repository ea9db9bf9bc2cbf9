"""Nothing that was acknowledged is lost, however the server ends."""

import socket
import threading
import time

import httpx

from tests.api.test_ingest import add, rows
from tests.conftest import Bench
from tests.processes import kill, serve
from tests.small import frozen_study


def test_kill_minus_nine_loses_no_sample_that_was_acknowledged(bench: Bench) -> None:
    client = bench.as_("reviewer")
    study = frozen_study(client)
    jobs = client.get(f"/api/studies/{study}/print")["jobs"]
    tokens = [add(client, "power meter", j["machine"]["unit_id"])["token"] for j in jobs]
    with socket.socket() as probe:
        probe.bind(("127.0.0.1", 0))
        port = probe.getsockname()[1]
    base = time.time() - 80_000
    done = threading.Event()
    acknowledged: list[list[float]] = [[] for _ in tokens]

    def meter(number: int) -> None:
        """Sends ten samples at a time, again until there is an answer, as a real one does."""
        batch, at = 0, base
        with httpx.Client(headers={"Authorization": f"Bearer {tokens[number]}"}, timeout=5) as http:
            while not done.is_set():
                t = [at + 10 * batch + k for k in range(10)]
                try:
                    answer = http.post(f"http://127.0.0.1:{port}/api/ingest/power", json={"t": t, "w": [float(batch)] * 10})  # fmt: skip
                except httpx.TransportError:
                    time.sleep(0.02)
                    continue
                if answer.status_code == 200:
                    acknowledged[number] += t
                    batch += 1

    server = serve(bench.url, port)
    threads = [threading.Thread(target=meter, args=(k,)) for k in range(len(tokens))]
    for thread in threads:
        thread.start()
    for _ in range(3):
        enough = len(acknowledged[0]) + 100
        end = time.monotonic() + 30
        while len(acknowledged[0]) < enough and time.monotonic() < end:
            time.sleep(0.01)
        kill(server)
        server = serve(bench.url, port)
    done.set()
    for thread in threads:
        thread.join()
    kill(server)
    assert len(acknowledged[0]) > 300
    for number, sent in enumerate(acknowledged, 1):
        kept = [r[0] for r in rows(bench, f"select extract(epoch from at)::float8 from power_sample where device = {number}")]  # fmt: skip
        assert len(set(kept)) == len(kept)
        missing = {round(t, 3) for t in sent} - {round(t, 3) for t in kept}
        assert not missing
    # The levels are those of the samples that are there.
    drawn = "select sum(samples) from power_level where step_s = "
    count = rows(bench, "select count(*) from power_sample")[0][0]
    assert rows(bench, drawn + "60")[0][0] == rows(bench, drawn + "1800")[0][0] == count
