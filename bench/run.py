"""Benchmarks: `make bench`. Prints figures; judges nothing."""

import os
import platform
import resource
import statistics
import subprocess
import sys
import tempfile
import threading
import time
import uuid
from collections.abc import Callable
from datetime import UTC, date, datetime, timedelta
from functools import partial
from pathlib import Path

import httpx
import numpy as np

from crevlo.cli.cluster import APP_ROLE, Cluster
from crevlo.core.estimate import Estimate
from crevlo.core.figure import Counted
from crevlo.core.motion.limits import Limits
from crevlo.core.ranking.chances import draw_values, rank_chances
from crevlo.core.ranking.value import Shape, value_function
from crevlo.sim import device
from crevlo.sim.client import Client
from crevlo.sim.demo import TITLE

ROUNDS = 60
STUDY_MACHINES = 8


def main() -> None:
    print(f"{platform.machine()}, {os.cpu_count()} cores, Python {platform.python_version()}")
    _gcode()
    _draws()
    _shelf()
    _schedule()
    _requests()
    _start()


def _line(what: str, figure: str) -> None:
    print(f"{what:<44}{figure}")


def _median_s(work: Callable[[], object], rounds: int = 5) -> float:
    took = []
    for _ in range(rounds):
        began = time.perf_counter()
        work()
        took.append(time.perf_counter() - began)
    return statistics.median(took)


def _gcode() -> None:
    """Facts and motion of a sliced file: the compiled pass against plain Python for the same result."""
    from bench.prototype import motion_s
    from crevlo.core.gcode.facts import read_sliced
    from crevlo.core.motion.stream import compiled
    from tests.plain.moves import read_moves
    from tests.plain.planner import plan, spent

    began = time.perf_counter()
    compiled()
    _line("G-code, loading what was compiled", f"{time.perf_counter() - began:.1f} s")
    once = device.sliced_file("step-block-a-0.20-absolute")
    # One head and one foot, as in any file; layers in between.
    first, last = once.index(b";LAYER_CHANGE"), once.rindex(b"; filament used")
    body = once[first:last]
    big = once[:first] + body * (120_000_000 // len(body) + 1) + once[last:]
    chunks = [big[i : i + (1 << 20)] for i in range(0, len(big), 1 << 20)]
    before = resource.getrusage(resource.RUSAGE_SELF).ru_maxrss
    # The plain form has the same part of the file's end, so that all that differs is the machine's other work.
    pairs = []
    plain, sliced = None, None
    for _ in range(3):
        began = time.perf_counter()
        sliced = read_sliced(chunks)
        fast = (time.perf_counter() - began) / len(big)
        grown = (resource.getrusage(resource.RUSAGE_SELF).ru_maxrss - before) / 1024
        began = time.perf_counter()
        moves = read_moves(once.decode(), Limits())
        plain = plan(moves)
        spent(moves, plain)
        pairs.append(((time.perf_counter() - began) / len(once), fast))
        if len(pairs) == 1:
            _line("G-code memory beyond the file", f"{grown:.0f} MB for {len(big) / 1e6:.0f} MB")
    assert plain is not None
    assert sliced is not None
    same = abs(read_sliced([once]).motion.seconds - plain.seconds) < 1e-6 * plain.seconds
    slow, fast = (statistics.median(column) for column in zip(*pairs, strict=True))
    _line("G-code facts and motion, plain Python", f"{1e-6 / slow:.1f} MB/s")
    _line(f"G-code facts and motion, {len(big) / 1e6:.0f} MB", f"{1e-6 / fast:.0f} MB/s")
    ratio = statistics.median(a / b for a, b in pairs)
    _line("G-code against plain Python", f"{ratio:.0f} times as fast, same time: {same}")
    motion_s(once)
    alone = []
    for _ in range(5):
        began = time.perf_counter()
        motion_s(big)
        middle = time.perf_counter()
        read_sliced(chunks)
        alone.append((middle - began) / (time.perf_counter() - middle))
    _line("G-code against plain compiled motion alone", f"{statistics.median(alone):.2f} times as fast")
    ten = big[:10_000_000]
    _line("G-code file of 10 MB", f"{1000 * _median_s(lambda: read_sliced([ten]), 3):.0f} ms")


def _draws() -> None:
    rng = np.random.default_rng(1)
    functions = [value_function(Shape.LINEAR, [(0.0, 0.0), (1.0, 100.0)])] * 8
    figures = [
        [Counted(3, 4), *(Estimate(float(x), 0.05, 6.0) for x in rng.uniform(0, 1, 7))]
        for _ in range(STUDY_MACHINES)
    ]  # fmt: skip
    draws = 40_000
    fresh = _median_s(lambda: draw_values(figures, functions, 1, draws))
    drawn = draw_values(figures, functions, 1, draws)
    again = _median_s(lambda: rank_chances([1.0] * 8, drawn, 1, 0.3))
    _line("Rank draws, new readings", f"{draws / (fresh + again):,.0f} /s for {STUDY_MACHINES} machines × 8 criteria")
    _line("Rank draws, new weights", f"{draws / again:,.0f} /s")
    _many_draws()


def _many_draws() -> None:
    """50 machines × 20 criteria × 100 000, beside as many plain normals, one product and one sort."""
    machines, criteria, draws = 50, 20, 100_000
    rng = np.random.default_rng(1)
    figures = [
        [Estimate(float(x), 5.0, shared={f"meter {c}": 3.0}) for c, x in enumerate(rng.uniform(10, 90, criteria))]
        for _ in range(machines)
    ]
    functions = [value_function(Shape.LINEAR, [(0.0, 0.0), (100.0, 100.0)])] * criteria

    def plain() -> np.ndarray:
        drawn = np.random.default_rng(1).standard_normal((criteria, machines * draws), dtype=np.float32)
        totals = (np.full(criteria, 1 / criteria, np.float32) @ drawn).reshape(machines, draws)
        return np.argsort(totals.T, axis=1)

    def ranked() -> None:
        rank_chances([1.0] * criteria, draw_values(figures, functions, 1, draws, in_steps=True), 1, 0.3)

    ratio = _median_s(ranked) / _median_s(plain)
    _line("Rank draws, 50 × 20 × 100 000", f"{ratio:.2f} times plain normals, a product and a sort")


def _shelf() -> None:
    """Each artifact built and drawn, then thirty L-shaped parts on a plate."""
    from shapely import Polygon

    from crevlo.core.artifacts.drawing import isometric
    from crevlo.core.artifacts.shelf import SHELF
    from crevlo.core.plate import Plate, pack

    for design in SHELF:
        built, drawn = _median_s(design.build, 3), _median_s(lambda design=design: isometric(design.build()), 1)  # type: ignore[misc]
        _line(f"Artifact {design.name.lower()}", f"mesh {1000 * built:.0f} ms, drawing {1000 * drawn:.0f} ms")
    ell = Polygon([(0, 0), (40, 0), (40, 12), (12, 12), (12, 40), (0, 40)])
    seconds = _median_s(lambda: pack(ell, Plate(220, 220), spacing_mm=2, wanted=30), 3)
    whole = pack(ell, Plate(220, 220), spacing_mm=2)
    _line(
        "Packing of 30 L-shaped parts",
        f"{1000 * seconds:.0f} ms; {len(whole.placements)} fit, at most {whole.at_most} by area",
    )


def _schedule() -> None:
    """Eight machines × 17 artifacts × 2 materials × 3 copies, one spool of each: first answer, then 26 s of search."""
    from datetime import datetime, timedelta
    from datetime import time as clock
    from zoneinfo import ZoneInfo

    from crevlo.core.artifacts.shelf import SHELF
    from crevlo.core.print_estimate import expected_print
    from crevlo.core.protocol import shuffled_jobs
    from crevlo.core.schedule.calendar import working_hours
    from crevlo.core.schedule.greedy import first_answer
    from crevlo.core.schedule.solve import solve
    from crevlo.core.schedule.task import Circuit, Problem, Task

    tick = timedelta(minutes=5)
    zone = ZoneInfo("Europe/Berlin")
    week = [[(clock(9), clock(17, 30))]] * 5 + [[], []]
    hours = working_hours(datetime(2026, 11, 2, 8, tzinfo=zone), 500, week, set(), zone, tick)
    built = [design.build() for design in SHELF]
    seconds = [expected_print(a.volume_mm3, a.surface_mm2, a.size_mm[2]).seconds for a in built]
    rng = np.random.default_rng(4)
    pace = rng.uniform(0.8, 1.4, STUDY_MACHINES)
    lines = [((artifact, spool), 3) for artifact in range(len(SHELF)) for spool in ("PLA", "PETG")]
    jobs = shuffled_jobs(lines, range(STUDY_MACHINES), lambda machine, line: True, seed=4)
    blocks: dict[tuple[object, int], int] = {}
    tasks = tuple(
        Task(
            f"{machine} {line} {copy}", f"m{machine}", (line[1],), blocks.setdefault((line, copy), len(blocks)),
            setup=2, heat=1, print=int(seconds[line[0]] * pace[machine] // 300) + 1, cool=4, removal=2,
            unattended=machine > 1, heat_w=350, print_w=120,
        )
        for machine, line, copy in jobs
    )  # fmt: skip
    circuits = tuple(Circuit(name, 900, frozenset(f"m{m}" for m in half)) for name, half in (("A", range(4)), ("B", range(4, 8))))  # fmt: skip
    problem = Problem(tasks, hours, circuits=circuits, drying={"PLA": 48, "PETG": 72})
    first = _median_s(lambda: first_answer(problem), 3)
    began = time.perf_counter()
    solved = solve(problem, seconds=26)
    took = time.perf_counter() - began
    days = tick.total_seconds() / 86400
    _line(f"Schedule of {len(tasks)} prints, first answer", f"{first:.2f} s")
    _line(
        "Schedule, best",
        f"{took:.1f} s: {solved.schedule.finish * days:.1f} days, bound {solved.bound * days:.1f} by {solved.bound_by}, "
        f"gap {100 * solved.gap:.1f} %, {solved.moves} spool moves",
    )


def _old_bench(reach: Callable[..., httpx.Client], url: str) -> None:
    """A workbook of 5 000 prints, shown and kept."""
    from crevlo.cli.link import sign_in_link
    from crevlo.cli.up import OWNER
    from crevlo.sim import notebook

    content = notebook.workbook(7, copies=780, begun=date(2023, 1, 2))
    client = Client(reach())
    client.sign_in_by_link(str(sign_in_link(url, OWNER)).removeprefix("link#"))
    began = time.perf_counter()
    view = client.send("PUT", "/api/old-benches/file", content=content, name="large.xlsx", zone="Europe/Berlin")
    shown = time.perf_counter() - began
    began = time.perf_counter()
    kept = client.send("POST", "/api/old-benches", {
        "id": str(uuid.uuid4()), "sha256": view["sha256"], "name": "large.xlsx", "zone": "Europe/Berlin", "title": "Large notes",
        "currency": "EUR", "price_per_kg": 20})  # fmt: skip
    took = time.perf_counter() - began
    _line(f"Spreadsheet of {kept['prints']} prints", f"shown in {shown:.1f} s, kept in {took:.1f} s")


def _requests() -> None:
    """The demo over a real socket: a weight change as the Rank screen sends it, and a reading."""
    from werkzeug.serving import WSGIRequestHandler, make_server

    from crevlo.api.app import create_app
    from crevlo.cli.link import sign_in_link
    from crevlo.cli.up import OWNER, demo_people, enter_demo
    from crevlo.store.database import connect, migrate

    class Quiet(WSGIRequestHandler):
        def log(self, *args: object) -> None: ...

    folder = Path(tempfile.mkdtemp(prefix="crevlo-bench-"))
    folder.chmod(0o755)
    cluster = Cluster(folder / "pg")
    try:
        cluster.start()
        engine = connect(cluster.owner_url)
        migrate(engine, APP_ROLE)
        engine.dispose()
        import structlog

        structlog.configure(wrapper_class=structlog.make_filtering_bound_logger(40))
        server = make_server(
            "127.0.0.1", 0, create_app(cluster.url, secret="s" * 32), threaded=True, request_handler=Quiet
        )
        threading.Thread(target=server.serve_forever, daemon=True).start()
        reach = partial(httpx.Client, base_url=f"http://127.0.0.1:{server.server_port}", timeout=120)
        began = time.perf_counter()
        enter_demo(reach, str(demo_people(cluster.url)))
        _line("Demo entered over the API", f"{time.perf_counter() - began:.0f} s")
        _old_bench(reach, cluster.url)
        client = Client(reach())
        client.sign_in_by_link(str(sign_in_link(cluster.url, OWNER)).removeprefix("link#"))
        study = next(s["id"] for s in client.get("/api/studies")["studies"] if s["title"] == TITLE)
        for screen in ("line", "plan", "receive", "print", "measure", "inspect", "cost", "publish"):
            _percentiles(f"GET {screen}", lambda screen=screen: client.get(f"/api/studies/{study}/{screen}"))  # type: ignore[misc]
        first = client.send("POST", f"/api/studies/{study}/rank", {})
        weights = {c["code"]: c["weight"] for c in first["criteria"]}
        rng = np.random.default_rng(2)
        _percentiles("Re-rank after a weight change", lambda: client.send(
            "POST", f"/api/studies/{study}/rank", {"weights": {c: w * rng.uniform(0.5, 2) for c, w in weights.items()}}))  # fmt: skip
        queue = client.get(f"/api/studies/{study}/measure")
        # The specimen with most left to read, from its last face on.
        specimen = min(queue["queue"], key=lambda q: q["done"] - q["due"])
        faces = [f for f in queue["artifacts"][0]["features"] if f["measured"]]
        every = [(f, r) for f in faces for r in range(1, queue["repeats"] + 1)]
        rounds = min(30, specimen["due"] - specimen["done"])
        places = iter(every[::-1])

        def read() -> None:
            face, repeat = next(places)
            client.send("POST", f"/api/specimens/{specimen['id']}/readings", {
                "id": str(uuid.uuid4()), "feature_id": face["id"], "repeat": repeat, "value": face["nominal"],
                "instrument_id": queue["instruments"][0]["id"]})  # fmt: skip

        _percentiles("Reading kept and judged", read, rounds)
        _percentiles("GET live, the whole bench", lambda: client.get(f"/api/studies/{study}/live"))
        _ingest(client, cluster.url, study)
        server.shutdown()
    finally:
        cluster.destroy()
        folder.rmdir()


def _ingest(client: Client, url: str, study: str) -> None:
    """Samples over HTTP against COPY of the same rows, then how long a month of one meter takes to be drawn."""
    import psycopg

    units = [u["machine"]["unit_id"] for u in client.get(f"/api/studies/{study}/receive")["units"]]
    free = next(u for u in units if u not in {d["unit_id"] for d in client.get("/api/devices")["devices"]})
    made = client.send("POST", "/api/devices", {
        "id": str(uuid.uuid4()), "name": "Bench plug", "kind": "power meter", "unit_id": free})  # fmt: skip
    meter = httpx.Client(base_url=client.http.base_url, headers={"Authorization": f"Bearer {made['token']}"})
    base, batch, batches = time.time() - 40 * 86400, 5000, 20
    began = time.perf_counter()
    for k in range(batches):
        t = [base + 0.5 * (k * batch + i) for i in range(batch)]
        meter.post("/api/ingest/power", json={"t": t, "w": [90.0 + i % 7 for i in range(batch)]}).raise_for_status()
    http = batch * batches / (time.perf_counter() - began)
    with psycopg.connect(url.replace("+psycopg", "")) as db:
        number = db.execute("select number from device where name = 'Bench plug'").fetchone()
        assert number is not None
        db.execute("create temp table copied (like power_sample including all)")
        began = time.perf_counter()
        with db.cursor().copy("copy copied (device, at, power_w) from stdin") as copy:
            for i in range(batch * batches):
                copy.write(f"{number[0]}\t{datetime.fromtimestamp(base + 0.5 * i, UTC).isoformat()}\t{90 + i % 7}\n")
        copied = batch * batches / (time.perf_counter() - began)
        month = 30 * 86400 // 2
        db.execute(
            "insert into power_sample select %s, to_timestamp(%s) + i * interval '2 s', 90 + i %% 7, null "
            "from generate_series(1, %s) i on conflict do nothing",
            [number[0], base + 86400 * 2, month],
        )
        for statement, values in (
            ("select %s, 60, to_timestamp(floor(extract(epoch from at) / 60) * 60) b, count(*), min(power_w), avg(power_w), "
             "max(power_w) from power_sample where device = %s group by b", [number[0], number[0]]),
            ("select %s, 1800, to_timestamp(floor(extract(epoch from at) / 1800) * 1800) b, sum(samples), min(low_w), "
             "avg(mean_w), max(high_w) from power_level where device = %s and step_s = 60 group by b", [number[0], number[0]]),
        ):  # fmt: skip
            db.execute(f"insert into power_level {statement} on conflict do nothing", values)
        db.commit()
    _line("Power samples over HTTP, each once, levels drawn", f"{http:,.0f} /s")
    _line("The same rows by COPY, nothing else", f"{copied:,.0f} /s")
    from sqlalchemy import select

    from crevlo.stations.devices.power import trace
    from crevlo.store.database import connect, sessions
    from crevlo.store.device import Device

    engine = connect(url)
    end = datetime.fromtimestamp(base + 86400 * 32, UTC)
    with sessions(engine)() as session:
        plug = session.scalars(select(Device).where(Device.name == "Bench plug")).one()
        for words, span in (("a month", timedelta(days=30)), ("an hour", timedelta(hours=1))):
            took = _median_s(lambda span=span: trace(session, plug, end - span, end), 5)  # type: ignore[misc]
            _line(f"Trace of {words}, of {month / 1e6:.1f} million samples", f"{1000 * took:.0f} ms")
    engine.dispose()


def _percentiles(what: str, call: Callable[[], object], rounds: int = ROUNDS) -> None:
    took = []
    for _ in range(rounds):
        began = time.perf_counter()
        call()
        took.append(1000 * (time.perf_counter() - began))
    p50, p95 = np.percentile(took, [50, 95])
    _line(what, f"p50 {p50:.0f} ms, p95 {p95:.0f} ms")


def _start() -> None:
    """From the command to the printed line, with the database made before."""
    with tempfile.TemporaryDirectory(prefix="crevlo-start-") as folder:
        Path(folder).chmod(0o755)
        environment = os.environ | {"CREVLO_STATE": folder}
        environment.pop("DATABASE_URL", None)
        took = []
        for _ in range(4):
            began = time.perf_counter()
            up = subprocess.Popen(
                [sys.executable, "-m", "crevlo.cli.main", "up", "--port", "8950"],
                env=environment, stdout=subprocess.PIPE, text=True,
            )  # fmt: skip
            assert up.stdout is not None
            for line in up.stdout:
                if "running at" in line:
                    break
            took.append(time.perf_counter() - began)
            up.terminate()
            up.wait()
    _line("Start, first", f"{took[0]:.1f} s")
    _line("Start, later", f"{statistics.median(took[1:]):.1f} s")


if __name__ == "__main__":
    main()
