"""Packages made to do harm, and damaged ones: each is refused in words."""

import io
import json
import random
import struct
import zipfile

import pytest

from crevlo.core.estimate import BadInput
from crevlo.core.package import archive
from crevlo.core.package.archive import packed, unpacked
from crevlo.core.package.verify import verify
from tests.core.test_package import bench_of, package_of


def _zip(entries: dict[str, bytes], **marks) -> bytes:
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED) as made:
        for path, content in entries.items():
            info = zipfile.ZipInfo(path)
            info.external_attr = marks.get("attr", 0)
            made.writestr(info, content, zipfile.ZIP_DEFLATED)
    return out.getvalue()


def _entries(content: bytes) -> dict[str, bytes]:
    with zipfile.ZipFile(io.BytesIO(content)) as made:
        return {n: made.read(n) for n in made.namelist()}


GOOD = packed(package_of(bench_of({"Mesa": 0.2, "Sparrow": 1.0}, 3)))


def _marked_anew(entries: dict[str, bytes]) -> bytes:
    """The entries with checksums that fit, so that what is in them is looked at."""
    descriptor = json.loads(entries["datapackage.json"])
    for r in descriptor["resources"]:
        if r["path"] in entries:
            r |= archive._mark(entries[r["path"]])
    return _zip({**entries, "datapackage.json": json.dumps(descriptor).encode()})


def _described_as(entries: dict[str, bytes], format_: object) -> bytes:
    descriptor = json.loads(entries["datapackage.json"])
    descriptor["about"]["format"] = format_
    return _zip({**entries, "datapackage.json": json.dumps(descriptor).encode()})


def _harmful() -> dict[str, bytes]:
    entries = _entries(GOOD)
    runs = entries["data/runs.csv"].decode()
    head, first, *rest = runs.splitlines()
    deep = b"[" * 5000 + b"]" * 5000
    return {
        "out of its folder": _zip({**entries, "../../etc/x": b"x"}),
        "from the root": _zip({**entries, "/etc/x": b"x"}),
        "a drive": _zip({**entries, "C:x": b"x"}),
        "backslashes": _zip({**entries, "..\\x": b"x"}),
        "a link": _zip(entries, attr=0o120777 << 16),
        "not listed": _zip({**entries, "extra.txt": b"x"}),
        "wrong checksum": _zip({**entries, "data/runs.csv": (runs + "\n").encode()}),
        "no descriptor": _zip({k: v for k, v in entries.items() if k != "datapackage.json"}),
        "descriptor no JSON": _zip({**entries, "datapackage.json": b"{"}),
        "descriptor a list": _zip({**entries, "datapackage.json": b"[]"}),
        "descriptor deep": _zip({**entries, "datapackage.json": deep}),
        "descriptor long": _zip({**entries, "datapackage.json": b" " * 3_000_000 + b"{}"}),
        "scheme deep": _marked_anew({**entries, "scheme.json": deep}),
        "scheme empty": _marked_anew({**entries, "scheme.json": b"{}"}),
        "scheme infinite": _marked_anew({**entries, "scheme.json": entries["scheme.json"].replace(b"30", b"Infinity", 1)}),
        "scheme huge number": _marked_anew({**entries, "scheme.json": entries["scheme.json"].replace(b"30", b"1e400", 1)}),
        "a bomb": _marked_anew({**entries, "report.md": b"\0" * 600_000_000}),
        "a table bomb": _marked_anew({**entries, "data/runs.csv": b"a" * 90_000_000}),
        "column gone": _marked_anew({**entries, "data/runs.csv": runs.replace("hours", "ours", 1).encode()}),
        "column twice": _marked_anew({**entries, "data/runs.csv": runs.replace("kwh", "hours", 1).encode()}),
        "a short row": _marked_anew({**entries, "data/runs.csv": "\n".join([head, first[:20], *rest]).encode()}),
        "no number": _marked_anew({**entries, "data/runs.csv": runs.replace("7000.0", "much", 1).encode()}),
        "not a number": _marked_anew({**entries, "data/runs.csv": runs.replace("7000.0", "nan", 1).encode()}),
        "beyond all": _marked_anew({**entries, "data/runs.csv": runs.replace("7000.0", "1e300", 1).encode()}),
        "not UTF-8": _marked_anew({**entries, "data/runs.csv": b"\xff\xfe" + runs.encode()}),
        "a long cell": _marked_anew({**entries, "data/runs.csv": (head + "\n" + "x" * 50_000).encode()}),
        "an open quote": _marked_anew({**entries, "data/runs.csv": (head + '\n"').encode()}),
        "too many files": _zip({**{f"f{n}": b"" for n in range(5001)}}),
        "of a format to come": _described_as(entries, archive.FORMAT + 1),
        "of no format": _described_as(entries, "2"),
        "nothing": b"",
        "no zip": b"PK\x03\x04" + b"x" * 400,
        "cut off": GOOD[: len(GOOD) // 2],
    }  # fmt: skip


@pytest.fixture(scope="module")
def harmful() -> dict[str, bytes]:
    return _harmful()


def test_packages_made_to_do_harm_are_refused_in_words(harmful: dict[str, bytes]) -> None:
    for name, content in harmful.items():
        with pytest.raises(BadInput) as refused:
            verify(unpacked(content))
        assert len(str(refused.value)) > 10, name


def test_a_package_said_to_be_of_the_first_format_does_not_lose_its_must_haves() -> None:
    found = verify(unpacked(_described_as(_entries(GOOD), 1)))
    assert not found.holds
    assert any("must-have" in d for d in found.differences)


def test_damaged_packages_are_refused_and_never_end_otherwise() -> None:
    """Two hundred of them: bytes turned, cut and doubled, and numbers of the zip's own directory made up."""
    rng = random.Random(11)
    for _ in range(200):
        made = bytearray(GOOD)
        match rng.randrange(4):
            case 0:
                for _ in range(rng.randint(1, 8)):
                    made[rng.randrange(len(made))] ^= 1 << rng.randrange(8)
            case 1:
                at = rng.randrange(len(made))
                del made[at : at + rng.randint(1, 3000)]
            case 2:
                at = rng.randrange(len(made))
                made[at:at] = made[at : at + rng.randint(1, 500)]
            case 3:
                # Sizes and places in the directory at its end.
                at = len(made) - rng.randint(22, 1500)
                made[at : at + 4] = struct.pack("<I", rng.choice([0, 1, 2**31 - 1, 2**32 - 1, rng.randrange(2**32)]))
        try:
            found = verify(unpacked(bytes(made)))
        except BadInput:
            continue
        # A turned bit that nobody reads.
        assert found.holds


# several benches
