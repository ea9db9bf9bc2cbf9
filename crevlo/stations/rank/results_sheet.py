"""The table of results as a sheet: as it is seen, and every figure on a line of its own."""

import csv
import io
from collections.abc import Iterator

from crevlo.core.in_row import Place
from crevlo.stations.kit.cell import in_csv, in_xlsx
from crevlo.stations.rank.results import ResultsView
from crevlo.stations.rank.results_row import ResultCell, ResultRow

_HEAD = (
    "group", "artifact", "figure", "unit", "machine", "value", "low", "high", "as written", "place", "note", "missing",
)  # fmt: skip
_MARKS = {Place.BETTER: "●", Place.LEVEL: "○", Place.BEHIND: "", Place.NONE: ""}


def results_csv(view: ResultsView) -> str:
    out = io.StringIO()
    writer = csv.writer(out)
    writer.writerow(_HEAD)
    writer.writerows([in_csv(x) for x in line] for line in _lines(view))
    return out.getvalue()


def results_xlsx(view: ResultsView) -> bytes:
    """Two sheets: "Results" as it stands on screen, "Figures" with every figure on a line."""
    from openpyxl import Workbook
    from openpyxl.styles import Alignment, Font
    from openpyxl.utils import get_column_letter

    book = Workbook()
    seen = book.active
    assert seen is not None
    seen.title = "Results"
    bold = Font(bold=True)
    seen.append(["Results", "", "", *[in_xlsx(name) for name in _names(view)]])
    for cell in seen[1]:
        cell.font, cell.alignment = bold, Alignment(wrap_text=True, vertical="top")
    for title, artifact, row in _rows(view):
        if title:
            seen.append([in_xlsx(title)])
            seen.cell(seen.max_row, 1).font = bold
        seen.append([in_xlsx(artifact), row.name, row.unit, *[_written(c) for c in row.cells]])
    seen.append([])
    for words in [
        f"{_MARKS[Place.BETTER]} better   {_MARKS[Place.LEVEL]} not told apart from it",
        view.how,
        *view.apart,
    ]:
        seen.append([in_xlsx(words)])
    seen.freeze_panes = "D2"
    for at, width in enumerate([22, 30, 10, *[20] * len(_names(view))], 1):
        seen.column_dimensions[get_column_letter(at)].width = width
    figures = book.create_sheet("Figures")
    figures.append(list(_HEAD))
    for line in _lines(view):
        figures.append([in_xlsx(x) for x in line])
    figures.freeze_panes = "A2"
    figures.auto_filter.ref = figures.dimensions
    out = io.BytesIO()
    book.save(out)
    return out.getvalue()


def _names(view: ResultsView) -> list[str]:
    return [c.name for c in view.columns] + [f"{r.name} (reference)" for r in view.references]


def _rows(view: ResultsView) -> Iterator[tuple[str, str, ResultRow]]:
    """Every row with its artifact, and its group's title before the first of it."""
    for group in view.groups:
        title = group.title
        for piece in group.pieces:
            name = piece.artifact
            for row in piece.rows:
                yield title, name, row
                title = name = ""
    title = "Every run"
    for row in view.every:
        yield title, "All prints" if title else "", row
        title = ""


def _written(cell: ResultCell) -> str | float:
    if cell.cannot or not cell.text:
        return f"cannot: {cell.cannot}" if cell.cannot else ""
    return " ".join(x for x in (_MARKS[cell.place], cell.text, cell.spread, cell.note) if x)


def _lines(view: ResultsView) -> Iterator[list[str | float]]:
    title = artifact = ""
    for new_title, new_artifact, row in _rows(view):
        if new_title:
            title = new_title
        artifact = new_artifact or artifact
        for name, cell in zip(_names(view), row.cells, strict=True):
            numbers = ["" if x is None else x for x in (cell.value, cell.low, cell.high)]
            missing = f"cannot: {cell.cannot}" if cell.cannot else f"needs {cell.needs}" if cell.needs else ""
            yield [
                title, artifact, row.name, row.unit, name, *numbers, f"{cell.text} {cell.spread}".strip(), cell.place.value,
                cell.note, missing,
            ]  # fmt: skip
