"""What every screen's data costs: a usual study in an empty database, the same in a full one, and a study of fifty machines.

`python -m bench.loads [SAMPLES]`; by itself about ten minutes and 6 GB of disk, with fewer samples less.
"""

import gc
import shutil
import sys
import tempfile
import time
import uuid
from collections.abc import Callable, Iterator
from contextlib import contextmanager
from dataclasses import dataclass
from functools import partial
from pathlib import Path

import httpx
import numpy as np
import structlog
from sqlalchemy import Engine, event

from bench.fill import fill, large_study
from crevlo.api.app import create_app
from crevlo.cli.cluster import APP_ROLE, Cluster
from crevlo.cli.up import OWNER, demo_people, enter_demo
from crevlo.sim.client import Client
from crevlo.sim.demo import TITLE
from crevlo.store.database import connect, migrate

ROUNDS = 12


@dataclass(frozen=True)
class Cost:
    """Of one call: questions to the database, time in ms, size of the answer."""

    queries: int
    first_ms: float
    """Of the first call, which finds nothing kept."""
    median_ms: float
    p95_ms: float
    kilobytes: float


@contextmanager
def counted(engine: Engine) -> Iterator[list[str]]:
    """The statements that reach the database meanwhile."""
    seen: list[str] = []

    def note(connection: object, cursor: object, statement: str, *_: object) -> None:
        seen.append(statement)

    event.listen(engine, "before_cursor_execute", note)
    try:
        yield seen
    finally:
        event.remove(engine, "before_cursor_execute", note)


def cost_of(engine: Engine, call: Callable[[], httpx.Response], rounds: int = ROUNDS) -> Cost:
    """The first call is left out: what is loaded once does not come again. Raises RuntimeError for a call that is refused."""
    took = []
    with counted(engine) as seen:
        for _ in range(rounds + 1):
            seen.clear()
            began = time.perf_counter()
            answer = call()
            took.append(1000 * (time.perf_counter() - began))
            if answer.status_code >= 400:
                raise RuntimeError(f"{answer.request.url}: {answer.status_code} {answer.text[:200]}")
    later = took[1:] or took
    return Cost(
        len(seen), took[0], float(np.median(later)), float(np.percentile(later, 95)), len(answer.content) / 1000
    )


def screens_of(client: Client, study: str) -> dict[str, Callable[[], httpx.Response]]:
    """The call behind each screen of a study."""
    path = f"/api/studies/{study}"
    jobs = client.get(f"{path}/print")["jobs"]
    queue = client.get(f"{path}/measure")["queue"]
    unit = client.get(f"{path}/receive")["units"][0]["machine"]["unit_id"]
    looked_at = {
        "studies": "/api/studies", "library": "/api/library", "line": f"{path}/line", "plan": f"{path}/plan",
        "receive": f"{path}/receive", "record": f"{path}/units/{unit}/record", "print": f"{path}/print",
        "job": f"/api/jobs/{jobs[0]['id']}", "live": f"{path}/live", "measure": f"{path}/measure",
        "specimen": f"/api/specimens/{queue[0]['id']}", "inspect": f"{path}/inspect", "cost": f"{path}/cost", "cost table": f"{path}/cost-table",
        "publish": f"{path}/publish", "schedule": f"{path}/schedule", "holds": f"{path}/holds", "life": f"/api/units/{unit}/life", "reminders": "/api/reminders",
        "results": f"{path}/results", "picks": f"{path}/picks",
    }  # fmt: skip
    calls: dict[str, Callable[[], httpx.Response]] = {
        name: partial(client.http.get, address) for name, address in looked_at.items()
    }
    # The weights travel in the body; nothing is saved.
    by_weights = {"rank": "rank", "other ways": "schools", "what next": "next-best", "left out": "leave-out"}
    return calls | {
        name: partial(client.http.post, f"{path}/{call}", json={}, headers={"X-CSRFToken": client.csrf})
        for name, call in by_weights.items()
    }


def with_criteria(client: Client, study: str, count: int) -> int:
    """Gives a study a scheme of so many criteria that have figures in it, as far as there are; and how many those are."""
    path = f"/api/studies/{study}/scheme"
    scheme = client.get(path)
    chosen = {c["code"]: c for c in scheme["criteria"]}
    for choice in scheme["choices"]:
        if len(chosen) < count and choice["code"] not in chosen and choice["known"]:
            worst, best = choice["worst"], choice["best"]
            centred = choice["better"] == "zero"
            far = max(abs(worst), abs(best))
            points = [(-far, 0), (0, 100), (far, 0)] if centred else [(worst, 0), (best, 100)]
            chosen[choice["code"]] = {
                "code": choice["code"], "weight": 5, "shape": "piecewise" if centred else "linear",
                "points": [{"raw": raw, "value": value} for raw, value in points]}  # fmt: skip
    wish = {"id": str(uuid.uuid4()), "number": scheme["number"], "criteria": list(chosen.values())}
    return len(client.send("POST", path, wish)["criteria"])


def moved(client: Client, engine: Engine, study: str, rounds: int = 40) -> Cost:
    """The ranking by another weight at every call, the others in proportion, as while one slider after another is moved."""
    path, headers = f"/api/studies/{study}/rank", {"X-CSRFToken": client.csrf}
    weights = {c["code"]: c["weight"] for c in client.send("POST", path, {})["criteria"]}
    rng = np.random.default_rng(1)

    sliders = iter(np.repeat(rng.permutation(list(weights)), 10).tolist() * rounds)

    def call() -> httpx.Response:
        slider = next(sliders)
        weights[slider] *= float(rng.uniform(0.8, 1.25))
        share = 100 / sum(weights.values())
        body = {"weights": {code: weight * share for code, weight in weights.items()}}
        return client.http.post(path, json=body, headers=headers)

    return cost_of(engine, call, rounds)


def measure(client: Client, engine: Engine, study: str, rounds: int = ROUNDS) -> dict[str, Cost]:
    return {name: cost_of(engine, call, rounds) for name, call in screens_of(client, study).items()}


def main() -> None:
    samples = int(sys.argv[1]) if len(sys.argv) > 1 else 20_000_000
    structlog.configure(wrapper_class=structlog.make_filtering_bound_logger(40))
    folder = Path(tempfile.mkdtemp(prefix="crevlo-loads-"))
    folder.chmod(0o755)
    cluster = Cluster(folder / "pg", server_options="-c fsync=off -c max_wal_size=4GB")
    try:
        cluster.start()
        engine = connect(cluster.owner_url)
        migrate(engine, APP_ROLE)
        engine.dispose()
        password = str(demo_people(cluster.url))
        app = create_app(cluster.url, secret="s" * 32)
        engine = app.extensions["crevlo"]["engine"]

        def reach() -> httpx.Client:
            return httpx.Client(transport=httpx.WSGITransport(app=app), base_url="http://127.0.0.1")

        enter_demo(reach, password)
        client = Client(reach())
        client.sign_in(OWNER, password)
        study = next(s["id"] for s in client.get("/api/studies")["studies"] if s["title"] == TITLE)
        alone = measure(client, engine, study)
        began = time.perf_counter()
        owner = cluster.owner_url.replace("+psycopg", "")
        rows = fill(owner, samples=samples)
        print(", ".join(f"{n:,} {t}" for t, n in rows.items() if n), f"in {time.perf_counter() - began:.0f} s")
        full = measure(client, engine, study)
        large = large_study(client, owner)
        gc.collect()
        wide = measure(client, engine, large, 4)
        print(f"{'':<10}{'alone':>22}{'in a full database':>24}{'fifty machines':>34}")
        for name, a in alone.items():
            f, w = full[name], wide[name]
            print(
                f"{name:<10}{a.queries:>5} q {a.median_ms:>6.0f} / {a.p95_ms:<6.0f}{f.queries:>7} q {f.median_ms:>6.0f} / {f.p95_ms:<6.0f}"
                f"{w.queries:>7} q {w.median_ms:>7.0f} / {w.p95_ms:<7.0f}{w.kilobytes:>7.0f} kB, first {w.first_ms:.0f}"
            )
        for wanted in (20, 40):
            criteria = with_criteria(client, large, wanted)
            m = moved(client, engine, large)
            print(
                f"rank of fifty machines by {criteria} criteria, a weight moved: {m.median_ms:.0f} / {m.p95_ms:.0f} ms"
            )
    finally:
        cluster.destroy()
        shutil.rmtree(folder, ignore_errors=True)


if __name__ == "__main__":
    main()
