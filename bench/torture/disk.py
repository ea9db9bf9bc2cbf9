"""A disk that fills up: nothing acknowledged is lost, refusals say so, and it goes on once there is room."""

import os
import subprocess
import tempfile
import time
import uuid
from pathlib import Path

import httpx
import psycopg

from crevlo.api.app import create_app
from crevlo.cli.cluster import APP_ROLE, Cluster, ClusterError
from crevlo.cli.link import sign_in_link
from crevlo.sim.client import Client
from crevlo.stations.library.person import NewPerson, create_owner
from crevlo.store.database import connect, migrate, sessions
from crevlo.store.person import Role

ROOM_MB = 220


def run() -> str:
    if os.geteuid() != 0:
        return "left out: a small disk of its own needs root"
    folder = Path(tempfile.mkdtemp(prefix="crevlo-disk-"))
    done = subprocess.run(["mount", "-t", "tmpfs", "-o", f"size={ROOM_MB}m,mode=755", "tmpfs", str(folder)], check=False, capture_output=True)  # fmt: skip
    if done.returncode:
        return "left out: no disk can be mounted here"
    cluster = Cluster(folder / "pg", server_options="-c max_wal_size=64MB -c min_wal_size=32MB")
    try:
        return _fill(folder, cluster)
    finally:
        cluster.stop()
        subprocess.run(["umount", str(folder)], check=False)
        folder.rmdir()


def _fill(folder: Path, cluster: Cluster) -> str:
    cluster.start()
    engine = connect(cluster.owner_url)
    migrate(engine, APP_ROLE)
    with sessions(engine).begin() as session:
        create_owner(session, NewPerson(id=uuid.uuid4(), name="R", email="r@bench.example", role=Role.OWNER, password="seven drawers of nuts"))  # fmt: skip
    engine.dispose()
    app = create_app(cluster.url, secret="t" * 32)
    client = Client(httpx.Client(transport=httpx.WSGITransport(app=app), base_url="http://127.0.0.1"))
    client.sign_in_by_link(str(sign_in_link(cluster.owner_url, "r@bench.example")).removeprefix("link#"))
    filler = folder / "filler"
    room = os.statvfs(folder)
    with filler.open("wb") as out:
        out.write(bytes(max(0, room.f_bavail * room.f_frsize - 2_000_000)))
    acknowledged, refused = [], 0
    for number in range(4000):
        status, made = _write(client, number)
        if status == 200:
            acknowledged.append(made)
        elif status == 503:
            refused += 1
            if refused >= 5:
                break
            time.sleep(0.2)
        else:
            raise SystemExit(f"a full disk was answered with {status}")
    if not refused:
        raise SystemExit("the disk did not fill up")
    filler.unlink()
    end = time.monotonic() + 60
    while time.monotonic() < end:
        # As `crevlo up` does with a database that ended.
        if not cluster.runs():
            try:
                cluster.start()
            except ClusterError:
                time.sleep(1)
                continue
        if _write(client, 10_000 + int(end - time.monotonic()))[0] == 200:
            break
        time.sleep(0.5)
    else:
        raise SystemExit("it did not go on once there was room")
    with psycopg.connect(cluster.owner_url.replace("+psycopg", "")) as db:
        stored = {str(row[0]) for row in db.execute("select id from model").fetchall()}
    lost = set(acknowledged) - stored
    if lost:
        raise SystemExit(f"{len(lost)} acknowledged writes were lost on a full disk")
    return f"full after {len(acknowledged)} acknowledged writes, {refused} told to come again (503), none lost, writing again with room"


def _write(client: Client, number: int) -> tuple[int, str]:
    made = str(uuid.uuid4())
    body = {"id": made, "name": f"disk {number} {made[:8]}", "bed_x_mm": 200, "bed_y_mm": 200, "height_mm": 200,
            "sheet": {"motion": "x" * 60, "board": "y" * 60, "hotend": "z" * 60}}  # fmt: skip
    headers = {"X-CSRFToken": client.csrf, "X-Write-Id": str(uuid.uuid4())}
    return client.http.post("/api/models", json=body, headers=headers).status_code, made
