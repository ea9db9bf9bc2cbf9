"""Sliced files that come packed: gzip, and projects (3MF) with the code of each plate."""

import io
import re
import zipfile
import zlib
from collections.abc import Iterator
from dataclasses import dataclass

from crevlo.core.estimate import BadInput

MOST_UNPACKED_BYTES = 160_000_000
_MOST_PLATES, _MOST_ENTRIES, _MOST_PICTURE_BYTES = 36, 5000, 2_000_000
_GZIP, _CHUNK = 31, 1 << 20


@dataclass(frozen=True, slots=True)
class Plate:
    """One plate of a project: its number, the name of its code within the package, and its picture (PNG or JPEG)."""

    number: int
    entry: str
    picture: bytes | None


class WhichPlate(BadInput):
    """A project of several plates, of which none was chosen."""

    def __init__(self, plates: list[Plate]) -> None:
        super().__init__(f"This project has {len(plates)} plates. Which of them was printed?")
        self.plates = plates


def is_packed(content: bytes) -> bool:
    return content[:2] in (b"\x1f\x8b", b"PK")


def unpacked(content: bytes, plate: int | None = None) -> tuple[bytes, bytes | None]:
    """The code in a packed file, and the picture that the package has of it; a file that is not packed is given as it is.

    `plate` is the number of the plate of a project that has several. Raises WhichPlate where one must be chosen, BadInput for
    a package without code, a broken one, or one that unpacks to more than MOST_UNPACKED_BYTES.
    """
    if content[:2] == b"\x1f\x8b":
        return b"".join(_gunzipped(content)), None
    if content[:2] != b"PK":
        return content, None
    try:
        with zipfile.ZipFile(io.BytesIO(content)) as package:
            plates = _plates(package)
            if not plates:
                raise BadInput("this package holds no sliced plate; slice the project first")
            if plate is None and len(plates) > 1:
                raise WhichPlate(plates)
            chosen = next((p for p in plates if plate in (None, p.number)), None)
            if chosen is None:
                raise BadInput(f"this project has no plate {plate}")
            return _entry(package, chosen.entry, MOST_UNPACKED_BYTES), chosen.picture
    except BadInput:
        raise
    except Exception as error:  # a library's own many kinds of surprise at a broken file
        raise BadInput(f"the package cannot be read: {type(error).__name__}") from error


def _gunzipped(content: bytes) -> Iterator[bytes]:
    unpack, rest, size = zlib.decompressobj(_GZIP), content, 0
    try:
        while rest and not unpack.eof:
            piece = unpack.decompress(rest, _CHUNK)
            rest, size = unpack.unconsumed_tail, size + len(piece)
            if size > MOST_UNPACKED_BYTES:
                raise BadInput(f"the file unpacks to more than {MOST_UNPACKED_BYTES // 1_000_000} MB")
            if not piece and not rest:
                break
            yield piece
    except zlib.error:
        raise BadInput("the packed file is broken") from None
    if not unpack.eof:
        raise BadInput("the packed file breaks off")


def _plates(package: zipfile.ZipFile) -> list[Plate]:
    entries = package.infolist()
    if len(entries) > _MOST_ENTRIES:
        raise BadInput(f"the package has {len(entries)} entries; {_MOST_ENTRIES} are read")
    names = [e.filename for e in entries if re.search(r"\.(gcode|gco|g)$", e.filename, re.IGNORECASE)]
    numbered: dict[int, str] = {}
    for place, name in enumerate(names, 1):
        said = re.search(r"(\d{1,4})\.\w+$", name)
        number = int(said[1]) if said else place
        numbered.setdefault(number if number not in numbered else place, name)
    if len(numbered) > _MOST_PLATES:
        raise BadInput(f"the project has {len(numbered)} plates; {_MOST_PLATES} are read")
    pictures = {e.filename.lower(): e for e in entries if e.filename.lower().endswith((".png", ".jpg", ".jpeg"))}
    return [Plate(n, name, _picture(package, name, pictures)) for n, name in sorted(numbered.items())]


def _picture(package: zipfile.ZipFile, name: str, pictures: dict[str, zipfile.ZipInfo]) -> bytes | None:
    stem = name.rsplit(".", 1)[0].lower()
    for end in (".png", ".jpg", ".jpeg"):
        if (found := pictures.get(stem + end)) and found.file_size <= _MOST_PICTURE_BYTES:
            return _entry(package, found.filename, _MOST_PICTURE_BYTES)
    return None


def _entry(package: zipfile.ZipFile, name: str, most: int) -> bytes:
    with package.open(name) as entry:
        # The size that the package states may be a lie.
        content = entry.read(most + 1)
    if len(content) > most:
        raise BadInput(f"the file unpacks to more than {most // 1_000_000} MB")
    return content
