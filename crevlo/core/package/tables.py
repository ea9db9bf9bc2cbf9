"""Plain tables with units and types, as CSV and back."""

import csv
import io
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from enum import StrEnum

from crevlo.core.estimate import BadInput

Cell = str | float | int | bool | None
MOST_ROWS = 2_000_000


class Type(StrEnum):
    """As tabular data packages name them."""

    STRING = "string"
    NUMBER = "number"
    INTEGER = "integer"
    BOOLEAN = "boolean"


@dataclass(frozen=True, slots=True)
class Field:
    name: str
    type: Type
    unit: str = ""
    about: str = ""


@dataclass(frozen=True, slots=True)
class Layout:
    """What a table is called, what it holds, and its columns."""

    name: str
    about: str
    fields: tuple[Field, ...]


Row = Mapping[str, Cell]
Tables = Mapping[str, Sequence[Row]]


def to_csv(layout: Layout, rows: Sequence[Row]) -> str:
    out = io.StringIO()
    # Line ends as RFC 4180 has them: then a text that holds one, of whatever kind, is quoted.
    writer = csv.writer(out, lineterminator="\r\n")
    writer.writerow([f.name for f in layout.fields])
    writer.writerows([_written(row.get(f.name)) for f in layout.fields] for row in rows)
    return out.getvalue()


def _written(value: Cell) -> str:
    if value is None:
        return ""
    if isinstance(value, bool):
        return "true" if value else "false"
    # The shortest that reads back as the same number.
    return repr(value) if isinstance(value, float) else str(value)


def from_csv(layout: Layout, text: str, most: int = MOST_ROWS) -> list[dict[str, Cell]]:
    """Rows by column. Raises BadInput where columns are missing, a row has another length, or a cell is not of its type."""
    rows: list[dict[str, Cell]] = []
    try:
        lines = csv.reader(io.StringIO(text, newline=""), strict=True)
        head = next(lines, [])
        lacking = [f.name for f in layout.fields if f.name not in head]
        if lacking or len(set(head)) != len(head):
            raise BadInput(
                f"{layout.name}.csv has no column “{lacking[0]}”"
                if lacking
                else f"{layout.name}.csv names a column twice"
            )
        at = [(f, head.index(f.name)) for f in layout.fields]
        for number, line in enumerate(lines, 2):
            if len(line) != len(head):
                raise BadInput(f"{layout.name}.csv, line {number}: {len(line)} cells under {len(head)} columns")
            if len(rows) >= most:
                raise BadInput(f"{layout.name}.csv has more than {most:,} rows")
            rows.append({f.name: _read(layout.name, number, f, line[i]) for f, i in at})
    except csv.Error as wrong:
        raise BadInput(f"{layout.name}.csv cannot be read: {wrong}") from None
    return rows


def _read(table: str, number: int, field: Field, cell: str) -> Cell:
    if cell == "":
        return "" if field.type is Type.STRING else None
    try:
        if field.type is Type.NUMBER:
            value = float(cell)
            if not -1e15 < value < 1e15:
                raise ValueError
            return value
        if field.type is Type.INTEGER:
            if len(cell) > 18:
                raise ValueError
            return int(cell)
        if field.type is Type.BOOLEAN:
            return {"true": True, "false": False}[cell]
    except (ValueError, KeyError):
        raise BadInput(
            f"{table}.csv, line {number}: “{cell[:40]}” is no {field.type.value} under “{field.name}”"
        ) from None
    return cell
