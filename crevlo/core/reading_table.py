"""Readings as a person keeps them in a spreadsheet, pasted: one a row, or a row a specimen with its faces in columns."""

import csv
import io
import math
import re
from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from crevlo.core.estimate import BadInput

MOST_ROWS = 2000
# What columns are called by those who keep such tables; in any case, with anything that is no letter left out.
_CALLED = {
    "specimen": ("specimen", "code", "blindcode", "tag", "part", "sample"), "face": ("face", "feature", "size", "dimension"),
    "value": ("value", "reading", "measured", "mm", "result"), "repeat": ("repeat", "no", "number", "nr", "rep"),
    "over": ("over", "waves", "changes"),
}  # fmt: skip
PARTS = tuple(_CALLED)


@dataclass(frozen=True, slots=True)
class Cell:
    """One value as it was pasted: in which line, of which specimen and face, which of its repeats (0 where not said)."""

    line: int
    specimen: str
    face: str
    repeat: int
    over: int
    value: float | None
    typed: str


@dataclass(frozen=True, slots=True)
class Table:
    """Headers, which of them is what, and the values; `wide` where faces are columns.

    `lacks` says which column has still to be named; there are no values then.
    """

    headers: tuple[str, ...]
    mapping: Mapping[str, str]
    wide: bool
    cells: tuple[Cell, ...]
    lacks: str = ""


def read_table(text: str, mapping: Mapping[str, str] | None = None) -> Table:
    """Values of a pasted table; `mapping` names the header of each part where it cannot be told from the headers.

    Numbers may have a comma for the point where columns are not parted by commas. Raises BadInput for what is no table.
    """
    rows = _rows(text.lstrip("\ufeff").replace("\r\n", "\n").replace("\r", "\n"))
    if len(rows) < 2:
        raise BadInput("a table needs a line of headers and a line under it")
    if len(rows) > MOST_ROWS + 1:
        raise BadInput(f"{len(rows) - 1} lines are more than {MOST_ROWS} at once")
    headers = tuple(c.strip() for c in rows[0])
    if len(set(headers)) < len(headers):
        raise BadInput("two columns have the same header")
    known = _mapped(headers, mapping or {})
    wide = "value" not in known
    if "specimen" not in known:
        return Table(headers, known, wide, (), "no column names the specimens: say which holds their codes")
    if not wide and "face" not in known:
        return Table(headers, known, wide, (), "no column names the faces: say which holds their codes")
    cells = _wide(headers, known, rows[1:]) if wide else _long(headers, known, rows[1:])
    return Table(headers, known, wide, tuple(cells))


def _rows(text: str) -> list[list[str]]:
    delimiter = max("\t;,", key=text.lstrip("\n ").split("\n", 1)[0].count)
    try:
        return [row for row in csv.reader(io.StringIO(text), delimiter=delimiter) if any(c.strip() for c in row)]
    except csv.Error as error:
        raise BadInput(f"this cannot be read as a table: {error}") from error


def _mapped(headers: Sequence[str], given: Mapping[str, str]) -> dict[str, str]:
    strange = [f"{part}: {name}" for part, name in given.items() if part not in PARTS or name not in headers]
    if strange:
        raise BadInput(f"there is no such column, {strange[0]}")
    found = dict(given)
    for part, names in _CALLED.items():
        match = next(
            (h for h in headers if re.sub(r"[^a-z]", "", h.lower()) in names and h not in found.values()), None
        )
        if part not in found and match is not None:
            found[part] = match
    return found


def _long(headers: Sequence[str], known: Mapping[str, str], rows: Sequence[Sequence[str]]) -> list[Cell]:
    at = {part: headers.index(name) for part, name in known.items()}

    def cell(row: Sequence[str], part: str) -> str:
        return row[at[part]].strip() if part in at and at[part] < len(row) else ""

    return [
        Cell(
            n, cell(row, "specimen").upper(), cell(row, "face").upper(), _whole(cell(row, "repeat"), 0), _whole(cell(row, "over"), 1),
            _number(cell(row, "value")), cell(row, "value"),
        )
        for n, row in enumerate(rows, 2)
    ]  # fmt: skip


def _wide(headers: Sequence[str], known: Mapping[str, str], rows: Sequence[Sequence[str]]) -> list[Cell]:
    """Headers are codes of faces, with a repeat behind them where a face was read several times: X1, X1 2, X1.3."""
    of = headers.index(known["specimen"])
    cells = []
    for n, row in enumerate(rows, 2):
        for k, header in enumerate(headers):
            if k == of or k >= len(row) or not row[k].strip():
                continue
            face, repeat = [*re.split(r"[ ._#-]+", header, maxsplit=1), ""][:2]
            typed = row[k].strip()
            code = row[of].strip().upper() if of < len(row) else ""
            cells.append(Cell(n, code, face.upper(), _whole(repeat, 0), 1, _number(typed), typed))
    return cells


def _whole(text: str, otherwise: int) -> int:
    return int(text) if re.fullmatch(r"\d{1,4}", text) else otherwise if text == "" else -1


def _number(text: str) -> float | None:
    plain = text.replace("\u2212", "-").replace(" ", "")
    if re.fullmatch(r"[+-]?\d{1,9}([.,]\d{0,9})?|[+-]?[.,]\d{1,9}", plain) is None:
        return None
    value = float(plain.replace(",", "."))
    return value if math.isfinite(value) else None
