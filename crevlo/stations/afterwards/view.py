"""A spreadsheet of an old bench as it would be kept: its sheets, how they are read, and what could not be."""

from collections import Counter, defaultdict
from collections.abc import Callable, Iterable, Sequence
from dataclasses import dataclass
from datetime import UTC, datetime
from typing import Annotated
from zoneinfo import ZoneInfo, ZoneInfoNotFoundError

from pydantic import Field
from sqlalchemy import func, select
from sqlalchemy.orm import Session

from crevlo.core.defects import KNOWN
from crevlo.core.estimate import BadInput
from crevlo.core.old_bench.bench import OldBench, Problem, printed_by_all, read_bench
from crevlo.core.old_bench.guess import Holds, Layout, guess, parts_of
from crevlo.core.old_bench.sheets import Sheet, read_sheets
from crevlo.stations.kit.apart import apart
from crevlo.stations.kit.kept import Kept
from crevlo.stations.kit.shape import Missing, Shape
from crevlo.stations.kit.upload import keep_upload, upload_content
from crevlo.store.machine import ArtifactVersion, Model

_SECONDS, _MEGABYTES = 25.0, 900
_SHOWN_ROWS, _SHOWN_PROBLEMS, _SHOWN_CELLS = 6, 200, 12
_READ: Kept[tuple[Sheet, ...]] = Kept(4)
SheetName = Annotated[str, Field(max_length=300)]


class SheetWish(Shape):
    """What a person says of a sheet: what it holds, and by part the header of its column ("" for none)."""

    sheet: SheetName
    holds: Holds
    columns: dict[Annotated[str, Field(max_length=20)], SheetName] = Field(default={}, max_length=20)


class OldBenchWish(Shape):
    sha256: str = Field(pattern="^[0-9a-f]{64}$")
    name: SheetName
    zone: str = Field(max_length=60, description="in which its hours were written, such as Europe/Berlin")
    sheets: list[SheetWish] = Field(default=[], max_length=20)


class PartOut(Shape):
    part: str
    header: str = Field(description="of its column; empty where there is none")


class SheetOut(Shape):
    name: str
    holds: Holds
    headers: list[str]
    parts: list[PartOut]
    sizes: list[str]
    defects: list[str]
    lacks: str
    first_row: int = Field(description="of what is shown, counted as in the sheet")
    rows: list[list[str]]


class OldMachineOut(Shape):
    name: str
    known: bool = Field(description="whether the library has a machine of this name")
    bed_mm: list[float] | None
    price: float | None
    prints: int
    good: int


class NamedCount(Shape):
    name: str
    prints: int
    known: bool = Field(default=False, description="whether the shelf has a piece of this name")


class ProblemOut(Shape):
    sheet: str
    cells: list[str]
    more: int = Field(description="cells of the same kind beside those that are named")
    typed: str
    why: str
    row_left_out: bool


class OldBenchView(Shape):
    sha256: str
    name: str
    sheets: list[SheetOut]
    machines: list[OldMachineOut]
    pieces: list[NamedCount]
    materials: list[NamedCount]
    causes: list[NamedCount]
    prints: int
    sizes: int
    scores: int
    noise: int
    noise_at_m: float | None
    began: datetime | None
    ended: datetime | None
    rows_left_out: int
    problems: list[ProblemOut]
    shared: list[str] = Field(description="pieces of a material of which every machine has a good print")
    shared_pieces: list[str] = Field(description="the same whatever they were printed of")
    lacks: str = Field(description="what must be said before anything can be shown; empty where nothing")


@dataclass(frozen=True, slots=True)
class Read:
    """A spreadsheet read as wished; `bench` is None while a sheet lacks a column."""

    sheets: tuple[Sheet, ...]
    layouts: tuple[Layout, ...]
    bench: OldBench | None
    lacks: str


def take_sheets(session: Session, content: bytes, name: str, zone: str) -> OldBenchView:
    """Keeps the file and shows it as it would be read. Raises BadInput for what is no spreadsheet."""
    wish = OldBenchWish(sha256=keep_upload(session, content), name=name[:300], zone=zone)
    _sheets(wish, lambda: content)
    return view_old_bench(session, wish)


def view_old_bench(session: Session, wish: OldBenchWish) -> OldBenchView:
    read = read_as(session, wish)
    bench = read.bench or OldBench((), (), (), ())
    known = _lower(session, Model, [m.name for m in bench.machines])
    shelf = _lower(session, ArtifactVersion, bench.pieces)
    prints = Counter(p.machine for p in bench.prints)
    good = Counter(p.machine for p in bench.prints if p.good)
    return OldBenchView(
        sha256=wish.sha256, name=wish.name,
        sheets=[_sheet_out(s, x) for s, x in zip(read.sheets, read.layouts, strict=True)],
        machines=[
            OldMachineOut(
                name=m.name, known=m.name.lower() in known, bed_mm=list(m.bed) if m.bed else None, price=m.price,
                prints=prints[m.name], good=good[m.name],
            )
            for m in bench.machines
        ],
        pieces=[
            NamedCount(name=n, prints=c, known=n.lower() in shelf) for n, c in Counter(p.piece for p in bench.prints).items()
        ],
        materials=_counted(p.material for p in bench.prints),
        causes=_counted(p.cause for p in bench.prints if not p.good),
        prints=len(bench.prints), sizes=len(bench.sizes), scores=sum(len(p.defects) for p in bench.prints),
        noise=sum(p.noise_db is not None for p in bench.prints), noise_at_m=bench.noise_at_m,
        began=min((p.began for p in bench.prints), default=None), ended=max((p.ended for p in bench.prints), default=None),
        rows_left_out=sum(p.row_left_out for p in bench.problems), problems=_problems_out(bench.problems), lacks=read.lacks,
        shared=list(printed_by_all(bench, by_material=True)), shared_pieces=list(printed_by_all(bench, by_material=False)),
    )  # fmt: skip


def read_as(session: Session, wish: OldBenchWish) -> Read:
    """The kept spreadsheet by what a person says of its sheets. Raises Missing for one that is not kept, BadInput for a zone,
    sheet or column that there is not."""
    try:
        zone = ZoneInfo(wish.zone)
    except (ZoneInfoNotFoundError, ValueError):
        raise BadInput(f"no time zone is called {wish.zone[:40]}") from None
    kept = upload_content(session, wish.sha256)
    sheets = _sheets(wish, lambda: b"".join(kept.chunks()))
    said = {s.sheet: s for s in wish.sheets}
    if unknown := said.keys() - {s.name for s in sheets}:
        raise Missing(f"There is no sheet {sorted(unknown)[0]}.")
    layouts = tuple(
        guess(s, said[s.name].holds, said[s.name].columns) if s.name in said else guess(s) for s in sheets
    )
    lacks = next((f"Say which column of the sheet {x.sheet} names the {x.lacks}." for x in layouts if x.lacks), "")
    bench = None if lacks else read_bench(sheets, layouts, zone, datetime.now(UTC))
    return Read(sheets, layouts, bench, lacks)


def _sheets(wish: OldBenchWish, content: Callable[[], bytes]) -> tuple[Sheet, ...]:
    """Its sheets, read once for all that is said of them."""
    key = f"{wish.sha256} {wish.name}"
    return _READ.get(key, lambda: apart("this spreadsheet", _SECONDS, _MEGABYTES, read_sheets, content(), wish.name))


def _sheet_out(sheet: Sheet, layout: Layout) -> SheetOut:
    first = layout.header_row + 1
    rows = [list(row) for row in sheet.rows[first:] if any(row)][:_SHOWN_ROWS]
    return SheetOut(
        name=sheet.name, holds=layout.holds, headers=[h for h in layout.headers if h],
        parts=[PartOut(part=p, header=layout.columns.get(p, "")) for p in parts_of(layout.holds)],
        sizes=[s.header for s in layout.sizes], defects=[KNOWN[c].name for c in layout.defects.values()],
        lacks=layout.lacks, first_row=first + 1, rows=rows,
    )  # fmt: skip


def _counted(names: Iterable[str]) -> list[NamedCount]:
    return [NamedCount(name=n, prints=c) for n, c in Counter(names).items()]


def _problems_out(problems: Sequence[Problem]) -> list[ProblemOut]:
    """Alike ones together, those that leave a row out first."""
    alike: defaultdict[tuple[str, str, str, bool], list[str]] = defaultdict(list)
    for p in problems:
        alike[p.sheet, p.typed, p.why, p.row_left_out].append(p.cell)
    ordered = sorted(alike.items(), key=lambda x: not x[0][3])[:_SHOWN_PROBLEMS]
    return [
        ProblemOut(
            sheet=sheet, cells=cells[:_SHOWN_CELLS], more=max(0, len(cells) - _SHOWN_CELLS), typed=typed, why=why, row_left_out=out
        )
        for (sheet, typed, why, out), cells in ordered
    ]  # fmt: skip


def _lower(session: Session, table: type[Model | ArtifactVersion], names: Sequence[str]) -> set[str]:
    lower = [n.lower() for n in names]
    return set(session.scalars(select(func.lower(table.name)).where(func.lower(table.name).in_(lower))))
