"""A package as one zip: tables as CSV, a descriptor with types, units and checksums, and the files beside them."""

import hashlib
import io
import json
import stat
import struct
import zipfile
import zlib
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field
from typing import Any, cast

from crevlo.core.estimate import BadInput
from crevlo.core.package.layouts import ALL, BY_NAME
from crevlo.core.package.tables import Row, from_csv, to_csv

FORMAT = 3
# Tables, and what `about` says, that earlier formats do not have, by the format that brought them.
_SINCE = {"must_haves": 2}
_SAID_SINCE = {"field_spread": 3}
DESCRIPTOR = "datapackage.json"
MOST_BYTES, MOST_UNPACKED, MOST_TABLE, MOST_ENTRIES = 200_000_000, 500_000_000, 80_000_000, 5000
_MOST_DESCRIPTOR, _DEEPEST = 2_000_000, 12
_CHUNK = 1 << 20
# A zip holds the same bytes whenever it is made of the same.
_WHEN = (2000, 1, 1, 0, 0, 0)


@dataclass(frozen=True, slots=True)
class Package:
    """`about` says what study this is, with its seed, draws, currency and code; `scheme` what counts for whom; `files` are
    those beside the tables, by path."""

    title: str
    about: Mapping[str, Any]
    scheme: Mapping[str, Any]
    tables: Mapping[str, Sequence[Row]]
    files: Mapping[str, bytes] = field(default_factory=dict)


def packed(package: Package) -> bytes:
    """The zip, of the format that its tables and what it says of itself are of; the same package gives the same bytes."""
    content: dict[str, bytes] = {}
    resources: list[dict[str, Any]] = []
    since = [n for name, n in _SINCE.items() if name in package.tables]
    written = max([1, *since, *(n for name, n in _SAID_SINCE.items() if name in package.about)])
    for layout in (layout for layout in ALL if _SINCE.get(layout.name, 1) <= written):
        path = f"data/{layout.name}.csv"
        content[path] = to_csv(layout, package.tables.get(layout.name, ())).encode()
        resources.append({
            "name": layout.name, "path": path, "profile": "tabular-data-resource", "title": layout.about, "format": "csv",
            "mediatype": "text/csv", "encoding": "utf-8", **_mark(content[path]),
            "schema": {"fields": [_described(f.name, f.type.value, f.unit, f.about) for f in layout.fields], "missingValues": [""]},
        })  # fmt: skip
    content["scheme.json"] = _json(package.scheme)
    content |= dict(sorted(package.files.items()))
    for path in ["scheme.json", *sorted(package.files)]:
        name = path.lower().replace("/", "-").replace(".", "-").replace(" ", "-")
        resources.append({"name": name, "path": path, "profile": "data-resource", **_mark(content[path])})
    descriptor = {
        "profile": "tabular-data-package", "name": _slug(package.title), "title": package.title,
        "licenses": [{"name": "CC-BY-4.0", "path": "https://creativecommons.org/licenses/by/4.0/", "title": "Attribution 4.0"}],
        "about": {"format": written, **package.about}, "resources": resources,
    }  # fmt: skip
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED) as archive:
        for path, bytes_ in {DESCRIPTOR: _json(descriptor), **content}.items():
            archive.writestr(zipfile.ZipInfo(path, _WHEN), bytes_, zipfile.ZIP_DEFLATED)
    return out.getvalue()


def _json(value: Any) -> bytes:
    return (json.dumps(value, ensure_ascii=False, indent=1) + "\n").encode()


def _mark(content: bytes) -> dict[str, Any]:
    return {"bytes": len(content), "hash": f"sha256:{hashlib.sha256(content).hexdigest()}"}


def _described(name: str, kind: str, unit: str, about: str) -> dict[str, str]:
    said = {"unit": unit, "description": about}
    return {"name": name, "type": kind, **{k: v for k, v in said.items() if v}}


def _slug(title: str) -> str:
    kept = "".join(c if c.isascii() and c.isalnum() else "-" for c in title.lower())
    return "-".join(part for part in kept.split("-") if part)[:60] or "study"


def unpacked(content: bytes) -> Package:
    """What is in a zip that anybody may have made: nothing is written anywhere, nothing unpacks beyond its bounds, and every
    checksum is held against what is there. Raises BadInput with what is wrong."""
    if len(content) > MOST_BYTES:
        raise BadInput(f"the package is larger than {MOST_BYTES // 1_000_000} MB")
    try:
        with zipfile.ZipFile(io.BytesIO(content)) as archive:
            return _read(archive)
    except (
        zipfile.BadZipFile,
        zipfile.LargeZipFile,
        zlib.error,
        struct.error,
        NotImplementedError,
        EOFError,
        OSError,
        ValueError,
    ) as wrong:
        if isinstance(wrong, BadInput):
            raise
        raise BadInput("the file is no zip that can be read whole") from None


def _read(archive: zipfile.ZipFile) -> Package:
    entries = _entries(archive)
    if DESCRIPTOR not in entries:
        raise BadInput(f"the package has no {DESCRIPTOR}")
    descriptor = _parsed(_content(archive, entries[DESCRIPTOR], _MOST_DESCRIPTOR), DESCRIPTOR)
    about, resources = descriptor.get("about"), descriptor.get("resources")
    if not isinstance(about, dict) or not isinstance(resources, list):
        raise BadInput(f"{DESCRIPTOR} does not say what is in the package")
    written = about.get("format")
    if not isinstance(written, int) or not 1 <= written <= FORMAT:
        raise BadInput(f"the package is of format {str(written)[:20]}, this program reads formats 1 to {FORMAT}")
    listed: dict[str, bytes] = {}
    left = MOST_UNPACKED
    for resource in resources:
        path, bytes_ = _resource(archive, entries, resource, left)
        left -= len(bytes_)
        if path in listed:
            raise BadInput(f"“{path[:80]}” is listed twice")
        listed[path] = bytes_
    unlisted = sorted(set(entries) - set(listed) - {DESCRIPTOR})
    if unlisted:
        raise BadInput(f"“{unlisted[0][:80]}” is in the package and has no checksum")
    tables: dict[str, Sequence[Row]] = {}
    for layout in (layout for layout in ALL if _SINCE.get(layout.name, 1) <= written):
        found = listed.pop(f"data/{layout.name}.csv", None)
        if found is None:
            raise BadInput(f"the package has no data/{layout.name}.csv")
        tables[layout.name] = from_csv(BY_NAME[layout.name], _text(found, f"{layout.name}.csv"))
    scheme = _parsed(listed.pop("scheme.json", b"{}"), "scheme.json")
    title = descriptor.get("title")
    return Package(title[:300] if isinstance(title, str) else "Untitled", about, scheme, tables, listed)


def _entries(archive: zipfile.ZipFile) -> dict[str, zipfile.ZipInfo]:
    infos = archive.infolist()
    if len(infos) > MOST_ENTRIES:
        raise BadInput(f"the package holds more than {MOST_ENTRIES} files")
    found: dict[str, zipfile.ZipInfo] = {}
    for info in infos:
        path = info.filename
        parts = path.split("/")
        if path.startswith("/") or "\\" in path or ":" in path or any(p in ("", ".", "..") for p in parts):
            raise BadInput(f"“{path[:80]}” is no path inside the package")
        if stat.S_ISLNK(info.external_attr >> 16):
            raise BadInput(f"“{path[:80]}” is a link")
        if info.flag_bits & 1:
            raise BadInput("the package is locked by a password")
        if path in found:
            raise BadInput(f"“{path[:80]}” is in the package twice")
        found[path] = info
    return found


def _content(archive: zipfile.ZipFile, info: zipfile.ZipInfo, most: int) -> bytes:
    """The bytes of one entry, however few it says they are."""
    parts, size = [], 0
    with archive.open(info) as source:
        while chunk := source.read(_CHUNK):
            size += len(chunk)
            if size > most:
                raise BadInput(f"“{info.filename[:80]}” unpacks to more than it may")
            parts.append(chunk)
    return b"".join(parts)


def _resource(
    archive: zipfile.ZipFile, entries: Mapping[str, zipfile.ZipInfo], resource: Any, left: int
) -> tuple[str, bytes]:
    path = resource.get("path") if isinstance(resource, dict) else None
    if not isinstance(path, str) or path not in entries:
        raise BadInput(f"“{str(path)[:80]}” is listed and not in the package")
    most = min(left, MOST_TABLE) if path.endswith((".csv", ".json")) else left
    content = _content(archive, entries[path], most)
    if resource.get("hash") != _mark(content)["hash"]:
        raise BadInput(f"the checksum of “{path[:80]}” is wrong: it was changed after it was packed")
    return path, content


def _text(content: bytes, name: str) -> str:
    try:
        return content.decode()
    except UnicodeDecodeError:
        raise BadInput(f"{name} is not in UTF-8") from None


def _parsed(content: bytes, name: str) -> dict[str, Any]:
    text = _text(content, name)
    if len(text) > _MOST_DESCRIPTOR or _depth(text) > _DEEPEST:
        raise BadInput(f"{name} is longer or deeper than it may be")
    try:
        value = json.loads(text, parse_constant=_no_constant)
    except (ValueError, RecursionError):
        raise BadInput(f"{name} is no JSON") from None
    if not isinstance(value, dict):
        raise BadInput(f"{name} is no JSON object")
    return cast("dict[str, Any]", value)


def _no_constant(name: str) -> None:
    raise ValueError(name)


def _depth(text: str) -> int:
    """How deep brackets stand in each other, those in texts counted too."""
    deep = most = 0
    for letter in text:
        if letter in "[{":
            deep += 1
            most = max(most, deep)
        elif letter in "]}":
            deep -= 1
    return most
