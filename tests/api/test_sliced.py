"""Sliced files on a job: motion, portions, differences between machines, and large files in the background."""

import base64
import gzip
import io
import uuid
import zipfile
from itertools import chain, repeat

import pytest
from PIL import Image
from sqlalchemy import text

from crevlo.jobs.carry_out import carry_out, take_up_abandoned
from crevlo.sim import device
from crevlo.sim.client import ApiError, Client
from crevlo.store.database import sessions
from tests.conftest import Bench
from tests.small import frozen_study

ONE = device.sliced_file("step-block-a-0.20-absolute")
OTHER = device.sliced_file("step-block-b-0.20-relative")


@pytest.fixture
def client(bench: Bench) -> Client:
    return bench.as_("reviewer")


@pytest.fixture
def jobs(client: Client) -> list[str]:
    """A print of each of two machines."""
    lines = client.get(f"/api/studies/{frozen_study(client)}/print")["jobs"]
    by_machine = {j["machine"]["name"]: j["id"] for j in reversed(lines)}
    return [by_machine[name] for name in sorted(by_machine)]


def drop(client: Client, job: str, content: bytes) -> dict:
    return client.send("PUT", f"/api/jobs/{job}/file", content=content, id=str(uuid.uuid4()), name="part.gcode")


def large(size: int = 10_500_000) -> bytes:
    head, moves = ONE[: 40 * 1024], ONE[40 * 1024 : 600 * 1024]
    made = b"".join(chain([head], repeat(moves, size // len(moves))))
    return made + ONE[600 * 1024 :]


def waiting(bench: Bench) -> list[uuid.UUID]:
    with bench.engine.begin() as db:
        return [r.id for r in db.execute(text("select id from background_work where state = 'waiting'"))]


def test_a_files_motion_adds_up_in_every_way(client: Client, jobs: list[str]) -> None:
    file = drop(client, jobs[0], device.sliced_file("two-colour-tower"))["file"]
    motion = file["motion"]
    whole = pytest.approx(motion["planned_s"], abs=1)
    assert motion["planned_s"] == pytest.approx(file["time_s"], rel=0.003)
    assert sum(motion["causes"].values()) == whole
    assert sum(motion["by_feature_s"].values()) == whole
    assert sum(motion["by_layer_s"]) == whole
    assert len(motion["by_layer_s"]) == file["layers"] + 1
    assert sum(motion["by_speed_s"]) + motion["waits_s"] == whole
    parts = ("at_asked_s", "by_flow_s", "by_axes_s", "speeding_s", "waits_s")
    assert sum(motion[p] for p in parts) == whole
    assert sum(u["length_mm"] for u in file["uses"]) == pytest.approx(
        sum(t["length_mm"] for t in file["tools"]), rel=0.01
    )
    assert {u["portion"] for u in file["uses"]} == {"model", "tower", "skirt and brim"}
    assert sum(u["mass_g"] for u in file["uses"] if u["portion"] == "tower") > 9
    assert 40 < sum(motion["changes_s"]) / len(motion["changes_s"]) < 80


def test_why_one_machine_is_slower_is_told_in_causes_that_add_up(client: Client, jobs: list[str]) -> None:
    for job, content in zip(jobs, (ONE, OTHER), strict=True):
        drop(client, job, content)
    told = client.get(f"/api/jobs/{jobs[0]}/why", other=jobs[1])
    assert [p["cause"] for p in told["parts"]] == ["file"]
    assert told["first_s"] - told["second_s"] == pytest.approx(sum(p["seconds"] for p in told["parts"]))
    # A machine that speeds up slowly is the cause from then on, beside how it is sliced.
    models = client.get("/api/library")["models"]
    slow = next(m for m in models if m["name"] in told["says"].split(" takes ")[0])
    sheet = slow["sheet"] | {"acceleration_mm_s2": 400, "flow_mm3_s": 6}
    client.send(
        "PUT", f"/api/models/{slow['id']}", {k: v for k, v in slow.items() if k != "units"} | {"sheet": sheet}
    )
    again = client.get(f"/api/jobs/{jobs[0]}/why", other=jobs[1])
    assert {p["cause"] for p in again["parts"]} == {"file", "acceleration", "flow"}
    assert again["first_s"] > told["first_s"] + 60
    assert again["first_s"] - again["second_s"] == pytest.approx(sum(p["seconds"] for p in again["parts"]))
    assert "acceleration" in again["says"]


def test_what_if_the_machine_sped_up_or_melted_otherwise(client: Client, jobs: list[str]) -> None:
    drop(client, jobs[0], ONE)
    path = f"/api/jobs/{jobs[0]}/what-if"
    same = client.get(path)
    assert same["planned_s"] == same["as_it_is_s"]
    assert same["says"] == "That would not change the time."
    quick, slow = client.get(path, acceleration=4, corner=2), client.get(path, flow=2)
    assert quick["planned_s"] < same["as_it_is_s"] < slow["planned_s"]
    assert "less" in quick["says"]
    assert "longer" in slow["says"]
    with pytest.raises(ApiError, match="no sliced file"):
        client.get(f"/api/jobs/{jobs[1]}/what-if")


def test_a_packed_file_is_read_and_of_a_project_its_plate(client: Client, jobs: list[str]) -> None:
    view = client.send("PUT", f"/api/jobs/{jobs[0]}/file", content=gzip.compress(ONE), id=str(uuid.uuid4()), name="a.gcode.gz")  # fmt: skip
    assert (view["file"]["time_s"], view["file"]["size_bytes"]) == (3955, len(ONE))
    picture = io.BytesIO()
    Image.new("RGB", (20, 10), "red").save(picture, "PNG")
    packed = io.BytesIO()
    with zipfile.ZipFile(packed, "w") as project:
        for number, code in ((1, ONE), (2, OTHER)):
            project.writestr(f"Metadata/plate_{number}.gcode", code)
        project.writestr("Metadata/plate_2.png", picture.getvalue())
    given = {"content": packed.getvalue(), "name": "both.3mf"}
    with pytest.raises(ApiError, match="409 This project has 2 plates"):
        client.send("PUT", f"/api/jobs/{jobs[1]}/file", **given, id=str(uuid.uuid4()))
    assert "plate" not in str(client.get(f"/api/jobs/{jobs[1]}")["file"])
    file = client.send("PUT", f"/api/jobs/{jobs[1]}/file", **given, id=str(uuid.uuid4()), plate=2)["file"]
    assert (file["time_s"], file["name"], file["picture"]) == (2286, "both.3mf, plate 2", True)


def test_settings_are_set_side_by_side_where_they_differ(client: Client, jobs: list[str]) -> None:
    changed = ONE.replace(b"; perimeters = ", b"; perimeters = 1").replace(
        b"; infill_speed = ", b"; infill_speed = 1"
    )
    drop(client, jobs[0], ONE)
    drop(client, jobs[1], changed)
    view = client.get(f"/api/jobs/{jobs[0]}/settings")
    assert view["files"][0]["file_id"] == client.get(f"/api/jobs/{jobs[0]}")["file"]["id"]
    rows = {r["key"]: r for r in view["rows"]}
    assert set(rows) == {"perimeters", "infill_speed"}
    assert rows["perimeters"]["affects"] == "walls, layers and infill"
    assert rows["infill_speed"]["affects"] == "time and motion"
    assert rows["infill_speed"]["values"][1] == "1" + rows["infill_speed"]["values"][0]


def test_a_large_file_is_read_in_the_background_and_survives_a_restart(
    bench: Bench, client: Client, jobs: list[str]
) -> None:
    view = drop(client, jobs[0], large())
    assert view["file"] is None
    assert view["reading"]["state"] == "waiting"
    with pytest.raises(ApiError, match="being read"):
        drop(client, jobs[0], ONE)
    # The worker goes away in the middle: the next one begins again, by itself.
    with bench.engine.begin() as db:
        db.execute(text("update background_work set state = 'running', share = 0.4 where kind = 'sliced file'"))
        db.execute(text("delete from procrastinate_jobs"))
    take_up_abandoned(sessions(bench.engine))
    [work] = waiting(bench)
    with bench.engine.begin() as db:
        assert db.execute(text("select args->>'work_id' from procrastinate_jobs")).scalar_one() == str(work)
    carry_out(sessions(bench.engine), work)
    read = client.get(f"/api/jobs/{jobs[0]}")
    assert read["reading"] is None
    assert read["file"]["size_bytes"] > 10_000_000
    assert read["file"]["motion"]["moves"] > 300_000
    assert sum(read["file"]["motion"]["causes"].values()) == pytest.approx(read["file"]["motion"]["planned_s"])


def test_a_file_that_ended_its_worker_twice_is_refused_and_the_next_is_read(
    bench: Bench, client: Client, jobs: list[str]
) -> None:
    drop(client, jobs[0], large())
    for _ in range(2):
        # As a worker leaves it that is gone in a moment, without a word.
        with bench.engine.begin() as db:
            db.execute(
                text("update background_work set state = 'running', begun = begun + 1 where kind = 'sliced file'")
            )
            db.execute(text("delete from procrastinate_jobs"))
        take_up_abandoned(sessions(bench.engine))
    view = client.get(f"/api/jobs/{jobs[0]}")
    assert view["reading"]["state"] == "failed"
    assert "ended twice while it worked on this one" in view["reading"]["message"]
    assert waiting(bench) == []
    drop(client, jobs[1], large())
    [work] = waiting(bench)
    carry_out(sessions(bench.engine), work)
    assert client.get(f"/api/jobs/{jobs[1]}")["file"]["size_bytes"] > 10_000_000


def test_a_cancel_is_heard_although_the_worker_is_gone(bench: Bench, client: Client, jobs: list[str]) -> None:
    view = drop(client, jobs[0], large())
    with bench.engine.begin() as db:
        db.execute(text("update background_work set state = 'running', begun = 1 where kind = 'sliced file'"))
    client.send("POST", f"/api/work/{view['reading']['id']}/wish", {"wish": "cancel"})
    take_up_abandoned(sessions(bench.engine))
    assert client.get(f"/api/jobs/{jobs[0]}")["reading"] is None
    assert waiting(bench) == []


def test_a_large_file_that_is_none_says_so_and_a_cancelled_one_leaves_nothing(
    bench: Bench, client: Client, jobs: list[str]
) -> None:
    drop(client, jobs[0], b"bread and butter\n" * 700_000)
    [work] = waiting(bench)
    carry_out(sessions(bench.engine), work)
    view = client.get(f"/api/jobs/{jobs[0]}")
    assert view["file"] is None
    assert view["reading"]["state"] == "failed"
    assert "does not look like G-code" in view["reading"]["message"]
    view = drop(client, jobs[0], large())
    client.send("POST", f"/api/work/{view['reading']['id']}/wish", {"wish": "cancel"})
    assert client.get(f"/api/jobs/{jobs[0]}")["reading"] is None
    assert drop(client, jobs[0], ONE)["file"]["name"] == "part.gcode"


def test_large_files_are_compared_in_the_background(
    bench: Bench, client: Client, jobs: list[str], monkeypatch: pytest.MonkeyPatch
) -> None:
    monkeypatch.setattr("crevlo.stations.print_.why._WAITED_BYTES", 10_000_000)
    for job, content in zip(jobs, (large(12_000_000), large(11_000_000)), strict=True):
        drop(client, job, content)
    for work in waiting(bench):
        carry_out(sessions(bench.engine), work)
    assert client.get(f"/api/jobs/{jobs[0]}/why", other=jobs[1])["first_s"] is None
    client.send("POST", f"/api/jobs/{jobs[0]}/why", {"id": str(uuid.uuid4()), "other_id": jobs[1]})
    assert client.get(f"/api/jobs/{jobs[0]}/why", other=jobs[1])["work"]["state"] == "waiting"
    [work] = waiting(bench)
    carry_out(sessions(bench.engine), work)
    told = client.get(f"/api/jobs/{jobs[0]}/why", other=jobs[1])
    assert told["first_s"] > told["second_s"] > 0
    assert "how it is sliced" in told["says"]


def carrying(picture: bytes) -> bytes:
    """A sliced file with a picture in its comments, as slicers put it there, and a smaller one that is broken."""
    text = base64.b64encode(picture)
    lines = [b"; thumbnail begin 8x8 9", b"; not+base64", b"; thumbnail end", b";", b"; thumbnail begin 64x48 %d" % len(text)]  # fmt: skip
    lines += [b"; " + text[i : i + 78] for i in range(0, len(text), 78)] + [b"; thumbnail end", b";", b""]
    return b"\n".join(lines) + ONE


def test_a_files_picture_of_its_part_is_shown(client: Client, jobs: list[str]) -> None:
    out = io.BytesIO()
    Image.new("RGBA", (64, 48), (200, 40, 20, 0)).save(out, "PNG")
    plain = drop(client, jobs[0], ONE)["file"]
    assert not plain["picture"]
    assert client.http.get(f"/api/files/{plain['id']}/picture").status_code == 404
    file = drop(client, jobs[0], carrying(out.getvalue()))["file"]
    assert file["picture"]
    assert (file["time_s"], file["layers"]) == (plain["time_s"], plain["layers"])
    with Image.open(io.BytesIO(client.http.get(f"/api/files/{file['id']}/picture").content)) as shown:
        assert shown.size == (64, 48)
        assert shown.getpixel((5, 5))[2] > 180  # see-through: the paper behind it
    assert not drop(client, jobs[0], carrying(b"\x89PNG broken"))["file"]["picture"]
