"""A revision as a workbook: points by live formulas, so that weights and anchors can be changed in it; results, readings, runs,
settings on sheets of their own."""

import io
import itertools
from collections.abc import Mapping, Sequence
from typing import TYPE_CHECKING, Any

from crevlo.core.evaluations import QUANTITIES
from crevlo.core.figure import central
from crevlo.core.package.layouts import BY_NAME
from crevlo.core.package.tables import Row
from crevlo.core.package.verdicts import Figures
from crevlo.core.package.verify import published
from crevlo.core.ranking.buyer import weights_of_buyer
from crevlo.stations.kit.cell import in_xlsx
from crevlo.stations.publish.document import Document, Table
from crevlo.stations.publish.frozen import Frozen, as_package

if TYPE_CHECKING:
    from openpyxl import Workbook
    from openpyxl.worksheet.worksheet import Worksheet

_FIRST_MACHINE = 3
_NAME_MOST = 31


def workbook(report: Document, frozen: Frozen) -> bytes:
    """XLSX of a report and the tables frozen with it."""
    # Loaded where it is needed, as everything that only some calls need.
    from openpyxl import Workbook

    book = Workbook()
    package = as_package(frozen)
    tables = package.tables
    summary = book.active
    assert summary is not None
    summary.title = "Summary"
    machines = [m for m in tables["machines"] if not m["control"]]
    study = published(package).study
    for line in (
        report.headline,
        report.line,
        report.evidence,
        "Change weights and anchors on the sheets of points: totals follow.",
    ):
        summary.append([in_xlsx(line)])
    summary.append([])
    summary.append(["Buyer", "Machine", "Points, low", "Points, high", "As published", "Left out because"])
    _bold(summary, summary.max_row)
    stated_by = {(str(r["buyer"]), str(r["machine"])): r for r in tables["rankings"]}
    for buyer in frozen["scheme"]["buyers"]:
        sheet = book.create_sheet(_title(book, f"Points {buyer['name']}"))
        figures = study.figures.of_buyer(buyer["prints_month"])
        rows = _points(sheet, frozen["scheme"]["criteria"], buyer, machines, figures)
        for at, m in enumerate(machines):
            stated = stated_by.get((buyer["name"], str(m["machine"])), {})
            column = _letter(_FIRST_MACHINE + 2 * at + 1)
            low, high = (f"='{sheet.title}'!{column}{row}" for row in rows)
            as_stated = "" if stated.get("low") is None else _span(stated)
            summary.append(
                [
                    in_xlsx(buyer["name"]),
                    in_xlsx(str(m["name"])),
                    low,
                    high,
                    as_stated,
                    in_xlsx(str(stated.get("left_out", ""))),
                ]
            )
    summary.freeze_panes = "A7"
    _widths(summary, [26, 30, 14, 14, 16, 50])
    _results(book.create_sheet("Results"), report)
    for title, name in (
        ("Figures", "figures"),
        ("Runs", "runs"),
        ("Readings", "readings_log"),
        ("Instruments", "instruments"),
    ):
        _table(book.create_sheet(title), name, tables[name])
    _settings(book.create_sheet("Settings"), frozen, tables["basis"])
    out = io.BytesIO()
    book.save(out)
    return out.getvalue()


def _span(stated: Mapping[str, Any]) -> str | float:
    low, high = float(stated["low"]), float(stated["high"])
    return round(low, 2) if abs(high - low) < 1e-9 else f"{low:.1f}–{high:.1f}"


def _points(
    sheet: "Worksheet", criteria: Sequence[Mapping[str, Any]], buyer: Mapping[str, Any], machines: Sequence[Row],
    figures: Figures,
) -> tuple[int, int]:  # fmt: skip
    """One buyer's points: by criterion its weight, and by machine the raw figure and its value; gives the rows of totals."""
    weights = weights_of_buyer(
        {c["code"]: buyer["weights"].get(c["code"], c["weight"]) for c in criteria}, buyer["prints_month"]
    )
    head: list[Any] = ["Criterion", "Weight"]
    for m in machines:
        head += [in_xlsx(f"{m['name']}, figure"), in_xlsx(f"{m['name']}, value 0 to 100")]
    anchors = 2 + 2 * len(machines) + 2
    sheet.append([*head, "", "Anchors: figure, value, figure, value …"])
    _bold(sheet, 1)
    for row, c in enumerate(criteria, 2):
        sheet.cell(row, 1, in_xlsx(f"{QUANTITIES[c['code']].name}, {QUANTITIES[c['code']].unit}"))
        sheet.cell(row, 2, weights[c["code"]])
        places = []
        for n, (raw, value) in enumerate(sorted(map(tuple, c["points"]))):
            sheet.cell(row, anchors + 2 * n, raw)
            sheet.cell(row, anchors + 2 * n + 1, value)
            places.append((f"${_letter(anchors + 2 * n)}${row}", f"${_letter(anchors + 2 * n + 1)}${row}"))
        for at, m in enumerate(machines):
            raw_at = _FIRST_MACHINE + 2 * at
            value = central(figures.of(c["code"], m["machine"]))
            if value is not None:
                sheet.cell(row, raw_at, value)
            where = f"{_letter(raw_at)}{row}"
            sheet.cell(row, raw_at + 1, f'=IF({where}="","",{_valued(c["shape"], where, places)})')
    last = 1 + len(criteria)
    share, whole = f"$B$2:$B${last}", f"SUM($B$2:$B${last})"
    for words, row in (
        ("Points, low: what is missing counts 0", last + 2),
        ("Points, high: what is missing counts 100", last + 3),
    ):
        sheet.cell(row, 1, words)
        for at in range(len(machines)):
            column = _letter(_FIRST_MACHINE + 2 * at + 1)
            here = f"{column}2:{column}{last}"
            low = f"SUMPRODUCT({share},{here})/{whole}"
            high = f'{low}+100*SUMIF({here},"",{share})/{whole}'
            sheet[f"{column}{row}"] = f"={low}" if row == last + 2 else f"={high}"
    _bold(sheet, last + 2)
    _bold(sheet, last + 3)
    sheet.freeze_panes = "C2"
    _widths(sheet, [34, 10, *[16] * (2 * len(machines) + 8)])
    return last + 2, last + 3


def _valued(shape: str, x: str, places: Sequence[tuple[str, str]]) -> str:
    """The value function as a formula of the cell `x` and the cells of its anchors, in rising order."""
    (first, at_first), (last, at_last) = places[0], places[-1]
    if shape == "thresholds":
        made = at_first
        for raw, value in places[1:]:
            made = f"IF({x}>={raw},{value},{made})"
        return made
    made = at_last
    for (low, at_low), (high, at_high) in reversed(list(itertools.pairwise(places))):
        share = f"({x}-{low})/({high}-{low})"
        if shape == "logarithmic":
            share = f"LN({x}/{low})/LN({high}/{low})"
        made = f"IF({x}<={high},{at_low}+({at_high}-{at_low})*{share},{made})"
    return f"IF({x}<={first},{at_first},IF({x}>={last},{at_last},{made}))"


def _results(sheet: "Worksheet", report: Document) -> None:
    for section in report.sections:
        for block in section.blocks:
            if isinstance(block, Table):
                sheet.append([in_xlsx(f"{section.title}: {block.caption}")])
                _bold(sheet, sheet.max_row)
                sheet.append([in_xlsx(c) for c in block.columns])
                _bold(sheet, sheet.max_row)
                for row in block.rows:
                    sheet.append([in_xlsx(c) for c in row])
                sheet.append([])
    _widths(sheet, [34, *[24] * 12])


def _table(sheet: "Worksheet", name: str, rows: Sequence[Row]) -> None:
    fields = BY_NAME[name].fields
    sheet.append([f"{f.name} ({f.unit})" if f.unit else f.name for f in fields])
    _bold(sheet, 1)
    for row in rows:
        sheet.append([in_xlsx(v) if isinstance(v := row[f.name], str) else v for f in fields])
    sheet.freeze_panes = "A2"
    sheet.auto_filter.ref = sheet.dimensions
    _widths(sheet, [16] * len(fields))


def _settings(sheet: "Worksheet", frozen: Frozen, basis: Sequence[Row]) -> None:
    sheet.append(["Setting", "Value"])
    _bold(sheet, 1)
    for key, value in frozen["about"].items():
        sheet.append([key, in_xlsx("; ".join(value) if isinstance(value, list) else str(value))])
    for row in basis:
        sheet.append([in_xlsx(str(row["name"])), row["value"]])
    _widths(sheet, [34, 60])


def _title(book: "Workbook", wanted: str) -> str:
    """A name that a sheet can have, and that no other has."""
    kept = "".join(c for c in wanted if c not in r"[]:*?/\'" and ord(c) >= 32).strip()[:_NAME_MOST] or "Points"
    taken, n, name = {s.casefold() for s in book.sheetnames}, 1, kept
    while name.casefold() in taken:
        n += 1
        name = f"{kept[: _NAME_MOST - 4]} {n}"
    return name


def _letter(column: int) -> str:
    from openpyxl.utils import get_column_letter

    letter: str = get_column_letter(column)
    return letter


def _bold(sheet: "Worksheet", row: int) -> None:
    from openpyxl.styles import Alignment, Font

    for cell in sheet[row]:
        cell.font, cell.alignment = Font(bold=True), Alignment(wrap_text=True, vertical="top")


def _widths(sheet: "Worksheet", widths: Sequence[int]) -> None:
    for at, width in enumerate(widths, 1):
        sheet.column_dimensions[_letter(at)].width = width
