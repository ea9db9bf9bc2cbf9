"""The command line: exit status, one clear line, the rules of the core on JSON, backup and restore."""

import gc
import hashlib
import json
import re
import subprocess
import sys
import zipfile
from pathlib import Path
from threading import Timer

import psycopg
import pytest

from crevlo.cli.archive import ArchiveError, backup, restore
from crevlo.cli.calc import TOPICS
from crevlo.cli.cluster import free_port
from crevlo.cli.main import main
from crevlo.core.gcode.facts import read_facts
from crevlo.sim import device
from crevlo.store.database import connect, migrate
from tests.conftest import Played

EXAMPLES = {
    "readings": {"readings_mm": [39.93, 39.91, 39.92], "resolution_mm": 0.01, "u_calibration_mm": 0.01},
    "sizes": {"features": [
        {"axis": "X", "sense": s, "nominal_mm": n, "deviation_mm": d, "u_mm": 0.01}
        for s, n, d in ((1, 40, 0.10), (1, 30, 0.085), (1, 17, 0.07), (-1, 8, -0.05))]},
    "squareness": {"a_mm": 100.02, "b_mm": 99.98, "d1_mm": 141.71, "d2_mm": 141.13, "u_mm": 0.015},
    "plane": {"points": [{"x_mm": x, "y_mm": y, "value_mm": 0.2 + 0.001 * x * y} for x in (0, 1, 2) for y in (0, 1, 2)]},
    "timeratio": {"pairs": [[3600, 3000], [3700, 3000]]},
    "worth": {"base": 200, "features": {"lid": 50, "camera": 30}, "price": 250},
    "grade": {"features": [{"nominal_mm": 40, "deviation_mm": 0.1}, {"nominal_mm": 17, "deviation_mm": 0.05}]},
    "success": {"good": 3, "tries": 3},
    "faults": {"faults": 2, "hours": 120},
    "energy": {"time_s": [0, 5, 10, 15], "power_w": [100, 100, 100, 100]},
    "noise": {"levels_db": [50, 53], "background_db": 33, "distance_m": 1},
    "cost": {"price": 500, "upgrades": 0, "residual": 100, "life_h": 4000, "upkeep_per_h": 0.05, "parts_per_plate": 1,
             "part_g": 15, "purge_g": 0, "material_per_kg": 22.5, "energy_kwh": 0.1, "tariff_per_kwh": 0.31, "hours": 1,
             "labour_min": 6, "wage_per_h": 18, "success": 0.9, "loss_fraction": 0.5, "failed_labour_min": 10},
    "severity": {"severities": {"stringing": 1, "blobs": 0, "shift": 0, "warp": 0, "gaps": 0, "ringing": 2, "foot": 1, "skins": 0}},
    "rank": {"criteria": [{"name": "a", "weight": 2, "points": [[10, 0], [0, 100]]}, {"name": "b", "weight": 1, "points": [[0, 0], [1, 100]]}],
             "machines": {"One": [{"value": 2, "u": 1}, {"good": 3, "tries": 3}], "Two": [{"value": 4, "u": 1}, {}]}},
    "flip": {"weights": [2, 1], "a": [80, 40], "b": [60, 70], "criterion": 1},
    "banding": {"heights_mm": [3.1, 5.2, 8.8, 9.9, 13, 17.3, 20.2, 24.6, 27, 31.7, 33, 38.4],
                "widths_mm": [10.01, 9.98, 10.02, 9.99, 10, 10.01, 9.97, 10.02, 10, 9.99, 10.01, 9.98]},
    "ringing": {"bands": [{"speed_mm_s": 60, "spacings_mm": [1.28, 1.31, 1.26]}], "resolution_mm": 0.01},
    "damping": {"amplitudes": [0.12, 0.075, 0.05, 0.03]},
    "threshold": {"steps": [{"level": 0.3, "passed": True}, {"level": 0.2, "passed": False}], "easier": "larger"},
    "flow": {"steps": [{"flow_mm3_s": f, "expected_g": 2, "measured_g": m} for f, m in ((4, 2), (8, 2), (12, 1.8))], "u_g": 0.01},
    "gauge": {"parts": [[[10.0, 10.1], [10.1, 10.1]], [[11.0, 11.1], [11.0, 11.2]]]},
    "agreement": {"ratings": [[0, 1, 2], [0, 2, 2]]},
    "orientation": {"groups": {"X": [0.06, 0.07], "Y": [0.02, 0.03]}},
    "bias": {"pairs": [[2, 1], [3, 3], [1, 1]]},
    "duels": {"results": [["A", "B", "first"], ["B", "A", "tie"]]},
    "linewidth": {"walls": [[0.4, 0.43], [0.8, 0.82]], "u_mm": 0.01},
    "claims": {"kind": "flow", "claimed": 22, "value": 18.2, "u": 0.2},
    "batch": {"parts": 30, "parts_per_plate": 7, "fixed_s": 600, "changes_per_plate": 40, "change_s": 60, "part_s": 1500, "part_g": 9,
              "purge_per_change_g": 0.5, "tower_g": 6},
    "iteration": {"print_s": [3600, 1800], "fixed_s": 600},
    "circuits": {"amps": 16, "volts": 230, "peak_w": 380, "steady_w": 140},
    "plate": {"bed_x_mm": 200, "part_x_mm": 40, "part_y_mm": 60},
    "phases": {"time_s": [0, 10, 20, 30, 40], "power_w": [300, 300, 300, 100, 100], "marks": [[0, "warm-up"], [20, "printing"]]},
    "wins": {"machines": {"a": [82, 40, 55], "b": [70, 72, 66], "c": [70, None, 80]}},
    "ranks": {"artifacts": {"1": {"a": 80, "b": 70, "c": 60}, "2": {"a": 90, "b": 85, "c": 85}}},
    "concordance": {"orders": [[1, 2, 3, 4], [1, 3, 2, 4]]},
    "frontier": {"points": {"a": {"price": 540, "score": 76.4}, "b": {"price": 335, "score": 74.9}}},
    "pool": {"studies": [{"value": 76.4, "u": 3.1}, {"value": 70.1, "u": 2.4}]},
    "beforeafter": {"comparisons": [{"name": "Time", "resolution": 1, "pairs": [[[60, 62], [55, 57]]]}]},
}  # fmt: skip


def crevlo(*args: str, stdin: str = "") -> subprocess.CompletedProcess[str]:
    return subprocess.run(
        [sys.executable, "-m", "crevlo.cli.main", *args], input=stdin, capture_output=True, text=True, check=False
    )


def test_each_topic_computes_its_example_and_knows_its_schema() -> None:
    assert set(EXAMPLES) == set(TOPICS)
    from crevlo.cli.calc import calculate, schema

    for topic, given in EXAMPLES.items():
        result = json.loads(calculate(topic, json.dumps(given)))
        assert result, topic
        assert schema(topic)["additionalProperties"] is False
        assert set(schema(topic)["required"]) <= set(given)


@pytest.mark.parametrize(
    ("args", "stdin", "status", "words"),
    [
        (["calc", "success"], '{"good": 3, "tries": 3}', 0, ""),
        (["calc"], "", 0, ""),
        (["calc", "success"], '{"good": 5, "tries": 3}', 1, "good"),
        (["calc", "success"], '{"good": NaN, "tries": 3}', 1, "good"),
        (["calc", "success"], "no json", 1, "JSON"),
        (["calc", "sizes"], '{"features": []}', 1, "needs"),
        (["calc", "alchemy"], "", 2, "alchemy"),
        (["gcode", "/no/such/file.gcode"], "", 1, "no such file"),
        (["frobnicate"], "", 2, "frobnicate"),
    ],
)
def test_exit_status_and_one_clear_line(args: list[str], stdin: str, status: int, words: str) -> None:
    done = crevlo(*args, stdin=stdin)
    assert done.returncode == status, done.stderr
    assert words.lower() in done.stderr.lower()
    if status == 1:
        assert done.stderr.count("\n") == 1
    assert "Traceback" not in done.stderr


def test_gcode_says_the_facts_of_a_file(tmp_path: Path) -> None:
    content = device.sliced_file("step-block-b-0.20-relative")
    file = tmp_path / "part.gcode"
    file.write_bytes(content)
    facts = read_facts([content])
    said = json.loads(crevlo("gcode", str(file), "--json").stdout)
    assert said["time_s"] == facts.time_s
    assert said["length_mm"] == pytest.approx(facts.length_mm)
    plain = crevlo("gcode", str(file)).stdout
    assert f"{facts.length_mm / 1000:.3f} m" in plain
    planned = re.search(r"planned +(\d+) h (\d+) min (\d+) s", crevlo("gcode", str(file), "--motion").stdout)
    assert planned
    hours, minutes, seconds = map(int, planned.groups())
    assert 3600 * hours + 60 * minutes + seconds == pytest.approx(facts.time_s, rel=0.003)


def test_a_backup_comes_back_whole_and_only_into_an_empty_database(
    played: Played, copy_of, as_owner, tmp_path: Path
) -> None:
    full = as_owner(copy_of(played.template))
    counts = "select (select count(*) from reading), (select count(*) from upload), (select sum(length(content)) from upload)"

    def count(url: str) -> tuple:
        with psycopg.connect(url.replace("+psycopg", "")) as connection:
            return connection.execute(counts).fetchone()

    file = tmp_path / "study.backup"
    gc.disable()
    try:
        backup(full, file)
        # Whatever the collector has not yet come to: a restore finds nobody left over from the backup.
        with pytest.raises(ArchiveError, match="not empty"):
            restore(full, file, replace=False)
    finally:
        gc.enable()
    target = as_owner(copy_of("template0"))
    restore(target, file, replace=False)
    assert count(target) == count(full)
    # Who is just leaving is waited for.
    leaving = psycopg.connect(full.replace("+psycopg", ""))
    Timer(0.5, leaving.close).start()
    restore(full, file, replace=True)
    assert count(full) == count(target)
    with psycopg.connect(target.replace("+psycopg", "")) as connection, pytest.raises(psycopg.errors.IntegrityError):
        connection.execute("delete from reading")
    broken = tmp_path / "broken.backup"
    broken.write_bytes(file.read_bytes()[: file.stat().st_size // 2])
    for bad in (broken, Path(__file__)):
        with pytest.raises(ArchiveError):
            restore(full, bad, replace=True)
    assert count(full) == count(target)


def test_migrating_twice_or_side_by_side_does_it_once(copy_of, as_owner) -> None:
    url = as_owner(copy_of("template0"))
    script = f"from crevlo.store.database import connect, migrate; migrate(connect({url!r}))"
    both = [subprocess.Popen([sys.executable, "-c", script]) for _ in "ab"]
    assert [p.wait() for p in both] == [0, 0]
    migrate(connect(url))


def test_the_models_are_what_the_migrations_make(empty, copy_of, as_owner) -> None:
    from alembic.autogenerate import compare_metadata
    from alembic.migration import MigrationContext

    from crevlo.store import Base
    from crevlo.store.database import ours

    with connect(as_owner(copy_of(empty))).connect() as connection:
        context = MigrationContext.configure(connection, opts={"include_object": ours, "compare_type": True})
        assert compare_metadata(context, Base.metadata) == []


def test_a_taken_port_is_passed_over() -> None:
    import socket

    with socket.socket() as taken:
        taken.bind(("127.0.0.1", 0))
        taken.listen()
        port = taken.getsockname()[1]
        assert free_port(port) != port


def test_a_forged_package_neither_commands_the_terminal_nor_takes_all_memory(
    tmp_path: Path, capsys: pytest.CaptureFixture[str]
) -> None:
    file = tmp_path / "forged.zip"
    with zipfile.ZipFile(file, "w") as archive:
        archive.writestr("\x1b[2J\x1b[Hdatapackage.json\u202e", "{}")
        archive.writestr("../\x1b]0;owned\x07", "{}")
    assert main(["verify", str(file)]) == 1
    said = capsys.readouterr()
    assert "is no path inside the package" in said.err
    assert all(letter.isprintable() or letter == "\n" for letter in said.out + said.err)
    # Far more of it than it takes up packed: ended, and said, before the machine feels it.
    with zipfile.ZipFile(file, "w", zipfile.ZIP_DEFLATED) as archive:
        table = b"a" * 70_000_000
        listed = [{"path": f"{n}.csv", "hash": f"sha256:{hashlib.sha256(table).hexdigest()}"} for n in range(6)]
        archive.writestr("datapackage.json", json.dumps({"about": {"format": 3}, "resources": listed}))
        for resource in listed:
            archive.writestr(resource["path"], table)
    assert main(["verify", "--megabytes", "200", str(file)]) == 1
    assert "takes more than 200 MB of memory" in capsys.readouterr().err
