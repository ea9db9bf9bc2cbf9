"""What a sheet is about and which of its columns is what, by the words that people head them with."""

import re
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass
from enum import StrEnum

from crevlo.core.defects import KNOWN
from crevlo.core.estimate import BadInput
from crevlo.core.old_bench.cells import amount_in
from crevlo.core.old_bench.sheets import Sheet

_HEADER_WITHIN = 12


class Holds(StrEnum):
    """What a sheet holds."""

    MACHINES = "machines"
    PRINTS = "prints"
    SIZES = "sizes"
    NOTHING = "nothing"


# By part of a sheet what its column is called; letters only, in any case.
_MACHINE = ("machine", "printer", "maschine", "drucker", "gerät")
_REMARKS = ("remarks", "remark", "notes", "note", "notiz", "bemerkung", "comment", "comments")
_CALLED: dict[Holds, dict[str, tuple[str, ...]]] = {
    Holds.MACHINES: {
        "machine": (*_MACHINE, "name"), "price": ("price", "pricepaid", "paid", "cost", "preis"),
        "bought": ("bought", "boughton", "date", "gekauft", "received"), "bed": ("bed", "volume", "buildvolume", "size", "druckbett"),
        "nozzle": ("nozzle", "düse"),
    },
    Holds.PRINTS: {
        "machine": _MACHINE, "piece": ("what", "piece", "part", "model", "object", "artifact", "teil", "print"),
        "material": ("material", "filament"), "spool": ("spool", "rolle", "spule", "colour", "color"),
        "day": ("date", "day", "datum", "tag"), "start": ("start", "begin", "began", "started", "beginn"),
        "end": ("end", "stop", "ended", "ende", "finished"), "took": ("took", "time", "duration", "printtime", "dauer", "zeit"),
        "pause": ("pause", "pausemin", "pauses", "paused"), "estimate": ("slicedest", "estimate", "estimated", "sliced", "slicer", "schätzung"),
        "model_g": ("gmodel", "grams", "gramm", "weight", "modelg", "gewicht", "g", "mass"), "waste_g": ("gwaste", "waste", "purge", "wasteg", "abfall"),
        "kwh": ("kwh", "energy", "energie"), "wh": ("wh",), "noise": ("db", "dba", "noise", "dbm", "lautstärke"),
        "good": ("ok", "good", "success", "result", "outcome", "gut", "erfolg"),
        "cause": ("whynot", "cause", "why", "reason", "failure", "grund", "fehler"), "remarks": _REMARKS,
    },
    Holds.SIZES: {
        "machine": _MACHINE, "copy": ("copy", "no", "nr", "number", "specimen", "kopie"), "who": ("who", "by", "person", "wer"),
    },
}  # fmt: skip
# What a sheet must name to be one of its kind.
NEEDED = {
    Holds.MACHINES: ("machine",), Holds.PRINTS: ("machine", "piece"), Holds.SIZES: ("machine",), Holds.NOTHING: (),
}  # fmt: skip


@dataclass(frozen=True, slots=True)
class SizeColumn:
    """A column of sizes: its header, the axis along which it runs ("" where it does not say), mm, and whether it is a hole."""

    header: str
    axis: str
    nominal: float
    inside: bool


@dataclass(frozen=True, slots=True)
class Layout:
    """How a sheet is read: what it holds, in which row (from 0) its headers stand, the headers, by part the header of its
    column, which headers are defects, and which are sizes."""

    sheet: str
    holds: Holds
    header_row: int
    headers: tuple[str, ...]
    columns: Mapping[str, str]
    defects: Mapping[str, str]
    sizes: tuple[SizeColumn, ...]

    @property
    def lacks(self) -> str:
        """The first column that has still to be named, "" for none."""
        return next((part for part in NEEDED[self.holds] if part not in self.columns), "")


def parts_of(holds: Holds) -> tuple[str, ...]:
    return tuple(_CALLED.get(holds, ()))


def guess(sheet: Sheet, holds: Holds | None = None, columns: Mapping[str, str] | None = None) -> Layout:
    """The likeliest layout; a person may say what it `holds` and by part which header is its column ("" for none).

    Raises BadInput for a part or a header that there is not.
    """
    found = [_layout(sheet, kind, row) for kind in _CALLED for row in _header_rows(sheet, kind)]
    if holds is Holds.NOTHING or not found:
        row = _header_rows(sheet, Holds.PRINTS)[0] if sheet.rows else 0
        return Layout(sheet.name, Holds.NOTHING, row, _headers(sheet, row), {}, {}, ())
    best = max((x for x in found if holds in (None, x.holds)), key=_likely)
    if holds is None and not _plausible(best):
        best = Layout(sheet.name, Holds.NOTHING, best.header_row, best.headers, {}, {}, ())
    if not columns:
        return best
    known = dict(best.columns)
    for part, header in columns.items():
        if part not in _CALLED.get(best.holds, {}) or (header and header not in best.headers):
            raise BadInput(f"the sheet {sheet.name} has no column {header or part}")
        known.pop(part, None)
        if header:
            known = {p: h for p, h in known.items() if h != header} | {part: header}
    taken = set(known.values())
    return Layout(
        best.sheet, best.holds, best.header_row, best.headers, known,
        {h: d for h, d in best.defects.items() if h not in taken}, tuple(s for s in best.sizes if s.header not in taken),
    )  # fmt: skip


def _header_rows(sheet: Sheet, kind: Holds) -> list[int]:
    """The rows near the top that name at least two parts of this kind, or else the first with two cells."""
    near = list(enumerate(sheet.rows[:_HEADER_WITHIN]))

    def parts(n: int) -> int:
        sizes = sum(size_column(h) is not None for h in _headers(sheet, n)) if kind is Holds.SIZES else 0
        return sum(1 for _ in _named(sheet.rows[n], kind)) + sizes

    # Values of sizes look like headers of them; only a row that names the machine heads those.
    named = [
        n for n, row in near if parts(n) >= 2 and (kind is not Holds.SIZES or any(_plain(c) in _MACHINE for c in row))
    ]
    return named[:1] or [next((n for n, row in near if sum(map(bool, row)) >= 2), 0)]


def _named(row: Sequence[str], kind: Holds) -> Iterator[tuple[str, int]]:
    taken: set[int] = set()
    for part, words in _CALLED[kind].items():
        at = next((k for k, cell in enumerate(row) if k not in taken and _plain(cell) in words), None)
        if at is not None:
            taken.add(at)
            yield part, at


def _layout(sheet: Sheet, kind: Holds, row: int) -> Layout:
    headers = _headers(sheet, row)
    columns = {part: headers[at] for part, at in _named(sheet.rows[row], kind)} if sheet.rows else {}
    rest = [h for h in headers if h and h not in columns.values()]
    names = {d.name.lower(): d.code for d in KNOWN.values()}
    defects = {h: names[h.lower()] for h in rest if h.lower() in names}
    sizes = tuple(s for h in rest if (s := size_column(h))) if kind is Holds.SIZES else ()
    return Layout(sheet.name, kind, row, headers, columns, defects, sizes)


def _headers(sheet: Sheet, row: int) -> tuple[str, ...]:
    """The headers, each once: with what stands above it in a row of its own over them, and a number where two are alike."""
    if not sheet.rows:
        return ()
    above = (
        sheet.rows[row - 1] if row > 0 and sum(map(bool, sheet.rows[row - 1])) > 1 else ("",) * len(sheet.rows[row])
    )
    headers: list[str] = []
    last = ""
    for over, cell in zip(above, sheet.rows[row], strict=True):
        last = over or last
        if not over and size_column(cell):
            over = last  # a table in text has no merged cells
        name = f"{over} {cell}".strip() if over != cell else cell
        alike = sum(h == name or h.startswith(f"{name} (") for h in headers)
        headers.append(f"{name} ({alike + 1})" if alike and name else name)
    return tuple(headers)


def size_column(header: str) -> SizeColumn | None:
    """ "X 20", "Y hole 8", "Z10", "20 mm": a size in mm along an axis; None for what names no size."""
    found = re.fullmatch(
        r"(?:([XYZ])\b|([XYZ])(?=\d))?\s*(hole|bore|inside|gap|loch|innen)?\s*(\d{1,4}(?:[.,]\d{1,3})?)\s*(?:mm)?(?: \(\d+\))?",
        header.strip(), re.IGNORECASE,
    )  # fmt: skip
    nominal = amount_in(found[4]) if found else None
    if not found or nominal is None or not 0.1 <= nominal.value <= 2000:
        return None
    return SizeColumn(header, (found[1] or found[2] or "").upper(), nominal.value, bool(found[3]))


def _likely(layout: Layout) -> tuple[int, int]:
    weight = {Holds.PRINTS: 1, Holds.MACHINES: 0, Holds.SIZES: 2}[layout.holds]
    named = len(layout.columns) + (2 * len(layout.sizes) if layout.holds is Holds.SIZES else 0)
    return (named if not layout.lacks else named - 10, weight)


def _plausible(layout: Layout) -> bool:
    if layout.lacks:
        return False
    if layout.holds is Holds.SIZES:
        return len(layout.sizes) > 0
    if layout.holds is Holds.MACHINES:
        return any(part in layout.columns for part in ("price", "bed", "nozzle"))
    return any(part in layout.columns for part in ("start", "took", "good", "day"))


def _plain(text: str) -> str:
    return re.sub(r"\([^)]*\)|[^a-zäöüß]", "", text.lower())
