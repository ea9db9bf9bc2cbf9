"""The sheets of a workbook or of a table in text, cell by cell as a person sees them."""

import csv
import io
from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from typing import TYPE_CHECKING, Any

from crevlo.core.estimate import BadInput
from crevlo.core.sheet import MOST_BYTES, check_size, plain_text, written

if TYPE_CHECKING:
    from openpyxl.worksheet.worksheet import Worksheet

MOST_SHEETS, MOST_ROWS, MOST_COLUMNS = 20, 20_000, 60
_LONGEST_CELL, _MOST_MERGED = 300, 100_000


@dataclass(frozen=True, slots=True)
class Sheet:
    """One sheet: cells as text, "" where empty, every row as wide as the widest; a merged cell stands in all its places."""

    name: str
    rows: tuple[tuple[str, ...], ...]


def cell_name(row: int, column: int) -> str:
    """The name of a cell by its place from 0: (6, 4) is E7."""
    letters, n = "", column + 1
    while n:
        n, rest = divmod(n - 1, 26)
        letters = chr(65 + rest) + letters
    return f"{letters}{row + 1}"


def read_sheets(content: bytes, name: str = "table") -> tuple[Sheet, ...]:
    """The sheets that have anything in them. Raises BadInput for what is no workbook and no table, or is larger than is read."""
    if len(content) > MOST_BYTES:
        raise BadInput(f"the file has {len(content) >> 20} MB; {MOST_BYTES >> 20} MB are taken")
    if content[:2] != b"PK":
        return (_sheet(name, _rows_of_text(plain_text(content))),)
    from openpyxl import load_workbook

    try:
        check_size(content)
        book = load_workbook(io.BytesIO(content), read_only=True, data_only=True, keep_links=False)
        sheets = [_sheet(w.title, _rows_of_sheet(w)) for w in book.worksheets[:MOST_SHEETS]]
    except BadInput:
        raise
    except Exception as error:  # a library's own many kinds of surprise at a broken file
        raise BadInput(f"the workbook cannot be read: {type(error).__name__}") from error
    found = tuple(s for s in sheets if s.rows)
    if not found:
        raise BadInput("no sheet of the workbook has a row")
    return found


def _rows_of_sheet(sheet: "Worksheet") -> list[list[str]]:
    rows = [
        [written(v)[:_LONGEST_CELL] for v in _to_the_last(row)]
        for row in sheet.iter_rows(max_row=MOST_ROWS + 1, max_col=MOST_COLUMNS, values_only=True)
    ]
    if len(rows) > MOST_ROWS:
        raise BadInput(f"the sheet {sheet.title} has more than {MOST_ROWS} rows")
    wide = max(map(len, rows), default=0)
    rows = [row + [""] * (wide - len(row)) for row in rows]
    room = _MOST_MERGED
    for left, top, right, bottom in _merged(sheet):
        room -= (right - left + 1) * (bottom - top + 1)
        if room < 0:
            raise BadInput(f"the sheet {sheet.title} has more than {_MOST_MERGED} merged cells")
        if top > len(rows) or left > wide:
            continue
        shown = rows[top - 1][left - 1]
        for row in range(top, min(bottom, len(rows)) + 1):
            for column in range(left, min(right, wide) + 1):
                rows[row - 1][column - 1] = shown
    return rows


def _to_the_last(row: Sequence[object]) -> Sequence[object]:
    """Without the empty cells after the last filled one, of which every row has some as far as is read."""
    end = len(row)
    while end and row[end - 1] is None:
        end -= 1
    return row[:end]


def _merged(sheet: Any) -> Iterator[tuple[int, int, int, int]]:
    """First column and row, last column and row of each merged area, of which reading the rows refused what is none. A sheet that
    is read to be written to makes a cell of each place in them, of which a file of a few kilobytes can state billions."""
    from openpyxl.utils import range_boundaries
    from openpyxl.xml.functions import iterparse

    with sheet._get_source() as source:
        for _, element in iterparse(source):
            if element.tag.rpartition("}")[2] == "mergeCell":
                area: Any = range_boundaries(element.get("ref"))
                yield area
            element.clear()


def _rows_of_text(text: str) -> list[list[str]]:
    head = next((line for line in text.splitlines() if line.strip()), "")
    delimiter = max("\t;,", key=head.count)
    try:
        rows = [row[:MOST_COLUMNS] for row in csv.reader(io.StringIO(text), delimiter=delimiter)]
    except csv.Error as error:
        raise BadInput(f"this cannot be read as a table: {error}") from error
    if len(rows) > MOST_ROWS:
        raise BadInput(f"the table has {len(rows)} rows; {MOST_ROWS} are read")
    return [[" ".join(cell.split())[:_LONGEST_CELL] for cell in row] for row in rows]


def _sheet(name: str, rows: list[list[str]]) -> Sheet:
    while rows and not any(rows[-1]):
        rows.pop()
    wide = max((k + 1 for row in rows for k, cell in enumerate(row) if cell), default=0)
    if wide == 0:
        return Sheet(name, ())
    return Sheet(name, tuple(tuple((row + [""] * wide)[:wide]) for row in rows))
