"""Random kills while six clients write: every acknowledged write is there, once."""

import os
import random
import signal
import threading
import time
import uuid
from collections import Counter

import httpx
import psycopg

from bench.torture.site import Site, children

CLIENTS = 6


def run(up: Site, kills: int, seed: int = 7) -> str:
    rng = random.Random(seed)
    done = threading.Event()
    acknowledged: list[list[str]] = [[] for _ in range(CLIENTS)]
    sent = [0] * CLIENTS
    clients = [up.as_("reviewer@bench.example", timeout=5) for _ in range(CLIENTS)]

    def write(number: int) -> None:
        client, mine = clients[number], acknowledged[number]
        while not done.is_set():
            body = {"id": str(uuid.uuid4()), "name": f"w{number} {len(mine)}", "bed_x_mm": 200, "bed_y_mm": 200, "height_mm": 200}  # fmt: skip
            headers = {"X-CSRFToken": client.csrf, "X-Write-Id": str(uuid.uuid4())}
            while True:
                sent[number] += 1
                try:
                    answer = client.http.post("/api/models", json=body, headers=headers)
                except httpx.HTTPError:
                    time.sleep(0.05)
                    continue
                if answer.status_code == 200:
                    mine.append(str(body["id"]))
                    break
                if answer.status_code < 500:
                    raise SystemExit(f"a write was refused: {answer.status_code} {answer.text}")
                time.sleep(0.1)

    threads = [threading.Thread(target=write, args=(n,), daemon=True) for n in range(CLIENTS)]
    for thread in threads:
        thread.start()
    killed: Counter[str] = Counter()
    began = time.monotonic()
    while sum(killed.values()) < kills:
        time.sleep(rng.uniform(0.3, 1.5))
        what = rng.choices(["web worker", "web server", "background worker", "database"], [5, 3, 3, 2])[0]
        pid = _find(up, what)
        if pid is None:
            continue
        try:
            os.kill(pid, signal.SIGKILL)
        except ProcessLookupError:
            continue
        killed[what] += 1
        if what in ("database", "web server"):
            up.ready()
    up.ready()
    done.set()
    for thread in threads:
        thread.join(90)
    took = time.monotonic() - began
    wanted = [i for mine in acknowledged for i in mine]
    with psycopg.connect(up.cluster.owner_url.replace("+psycopg", "")) as db:
        stored = Counter(str(row[0]) for row in db.execute("select id from model where name ~ '^w[0-5] '").fetchall())
        names = db.execute("select count(*), count(distinct name) from model where name ~ '^w[0-5] '").fetchone()
    lost = [i for i in wanted if stored[i] != 1]
    if lost or names is None or names[0] != names[1]:
        raise SystemExit(f"{len(lost)} acknowledged writes are not there once; {names}")
    told = ", ".join(f"{n} × {what}" for what, n in killed.most_common())
    return f"{sum(killed.values())} kills ({told}) in {took:.0f} s: {len(wanted)} acknowledged writes of {sum(sent)} sent, each there once"


def _find(up: Site, what: str) -> int | None:
    mine = children(up.process.pid)
    if what == "database":
        try:
            return int((up.folder / "demo" / "pg" / "data" / "postmaster.pid").read_text().split("\n")[0])
        except (OSError, ValueError):
            return None
    words = "gunicorn" if what.startswith("web") else "crevlo.cli.main worker"
    found = [pid for pid, line in mine.items() if words in line]
    if what == "web worker":
        found = [pid for master in found for pid in children(master)]
    return random.choice(found) if found else None
