"""Machines, prints and sizes of a bench that was kept in a spreadsheet, with every cell that could not be read."""

import re
from collections import Counter, defaultdict
from collections.abc import Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass, field, replace
from datetime import date, datetime, time, timedelta
from zoneinfo import ZoneInfo

from crevlo.core.estimate import BadInput
from crevlo.core.old_bench.cells import amount_in, day_in, days_lead, hour_in, moment, size_in, span_in, yes_in
from crevlo.core.old_bench.guess import Holds, Layout, SizeColumn
from crevlo.core.old_bench.sheets import Sheet, cell_name

MOST_PRINTS = 6000
_LONGEST = timedelta(days=30)
_OFF_S, _OFF_SHARE = 300.0, 0.05


@dataclass(frozen=True, slots=True)
class Problem:
    """A cell that could not be used, or is odd: what was typed, why, and whether its whole row is left out."""

    sheet: str
    cell: str
    typed: str
    why: str
    row_left_out: bool = False


@dataclass(frozen=True, slots=True)
class OldMachine:
    """One machine by the name it is written with most; bed in mm."""

    name: str
    price: float | None = None
    bought: date | None = None
    bed: tuple[float, float, float] | None = None
    nozzle_mm: float | None = None


@dataclass(frozen=True, slots=True)
class OldPrint:
    """One row: `line` counts from 1 in its sheet; `began` may stand for a day alone (`hour_known`). Masses in g, energy in kWh,
    noise in dB as read, defects by code 0..5."""

    sheet: str
    line: int
    machine: str
    piece: str
    material: str
    began: datetime
    hour_known: bool
    ended: datetime
    paused_s: float
    good: bool
    cause: str = ""
    estimate_s: float | None = None
    model_g: float | None = None
    waste_g: float | None = None
    kwh: float | None = None
    noise_db: float | None = None
    defects: Mapping[str, int] = field(default_factory=dict)
    remarks: str = ""


@dataclass(frozen=True, slots=True)
class OldSize:
    """A size read on one copy of a machine's piece."""

    sheet: str
    cell: str
    machine: str
    copy: int
    column: SizeColumn
    value: float
    who: str = ""


@dataclass(frozen=True, slots=True)
class OldBench:
    machines: tuple[OldMachine, ...]
    prints: tuple[OldPrint, ...]
    sizes: tuple[OldSize, ...]
    problems: tuple[Problem, ...]
    noise_at_m: float | None = None

    @property
    def pieces(self) -> tuple[str, ...]:
        """Names of the pieces printed, as they come."""
        return tuple(dict.fromkeys(p.piece for p in self.prints))

    @property
    def materials(self) -> tuple[str, ...]:
        return tuple(dict.fromkeys(p.material for p in self.prints))


def printed_by_all(bench: OldBench, *, by_material: bool) -> tuple[str, ...]:
    """Pieces, or pieces of a material, of which every machine has a good print: what can be compared."""
    machines: defaultdict[tuple[str, str], set[str]] = defaultdict(set)
    for p in bench.prints:
        if p.good:
            machines[p.piece, p.material if by_material else ""].add(p.machine)
    everybody = {m.name for m in bench.machines}
    return tuple(" of ".join(filter(None, key)) for key, of in machines.items() if of == everybody)


def materials_mixed(bench: OldBench) -> OldBench:
    """The same bench with a piece being one piece whatever it was printed of; what that was stands in the remarks."""
    together = " and ".join(filter(None, bench.materials)) or "material not noted"
    prints = tuple(
        replace(p, material=together, remarks="; ".join(filter(None, (p.material, p.remarks)))) for p in bench.prints
    )
    return replace(bench, prints=prints)


class _Names:
    """Names written in several ways, each by the way it is written most; of two as frequent, by that with more capitals."""

    def __init__(self, written: Iterable[str]) -> None:
        count = Counter(" ".join(name.split()) for name in written)
        self.known: dict[str, str] = {}
        for name in sorted(count, key=lambda n: (count[n], sum(map(str.isupper, n)))):
            self.known[name.casefold()] = name

    def of(self, typed: str) -> str:
        return self.known[" ".join(typed.casefold().split())]


def read_bench(sheets: Sequence[Sheet], layouts: Sequence[Layout], zone: ZoneInfo, now: datetime) -> OldBench:
    """All sheets by their layouts, moments in `zone` and before `now`. Raises BadInput for a sheet whose layout lacks a column it needs, and
    for more than MOST_PRINTS prints."""
    for layout in layouts:
        if layout.lacks:
            raise BadInput(f"say which column of the sheet {layout.sheet} is the {layout.lacks}")
    by_name = {s.name: s for s in sheets}
    reading = _Reading(
        zone, now, *(_Names(_written(by_name, layouts, part)) for part in ("machine", "piece", "material"))
    )
    for kind, take in (
        (Holds.MACHINES, reading.machines_of),
        (Holds.PRINTS, reading.prints_of),
        (Holds.SIZES, reading.sizes_of),
    ):
        for layout in layouts:
            if layout.holds is kind:
                take(by_name[layout.sheet], layout)
    return reading.bench()


def _written(sheets: Mapping[str, Sheet], layouts: Sequence[Layout], part: str) -> Iterator[str]:
    for layout in layouts:
        if part in layout.columns:
            at = layout.headers.index(layout.columns[part])
            yield from (row[at] for row in sheets[layout.sheet].rows[layout.header_row + 1 :])


class _Row:
    """One row with its cells by part."""

    def __init__(self, reading: "_Reading", layout: Layout, number: int, cells: Sequence[str]) -> None:
        self._reading, self._layout, self._number, self._cells = reading, layout, number, cells

    def text(self, part: str) -> str:
        header = self._layout.columns.get(part)
        return self.at(header) if header is not None else ""

    def at(self, header: str) -> str:
        return self._cells[self._layout.headers.index(header)].strip()

    @property
    def line(self) -> int:
        return self._number + 1

    def odd(self, part: str, why: str, *, left_out: bool = False, header: str | None = None) -> None:
        header = header if header is not None else self._layout.columns.get(part, "")
        column = self._layout.headers.index(header) if header in self._layout.headers else 0
        self._reading.problems.append(
            Problem(self._layout.sheet, cell_name(self._number, column), self._cells[column].strip(), why, left_out)
        )

    def number(self, part: str, most: float, header: str | None = None) -> float | None:
        typed = self.at(header) if header else self.text(part)
        if not typed:
            return None
        found = amount_in(typed)
        if found is None or not 0 <= found.value <= most:
            self.odd(part, "this is no number that fits here", header=header)
            return None
        if found.about:
            self.odd(part, f"taken as {found.value:g}", header=header)
        return found.value


class _Reading:
    def __init__(
        self, zone: ZoneInfo, now: datetime, names: _Names, piece_names: _Names, material_names: _Names
    ) -> None:
        self.zone, self.now = zone, now
        self.names, self.piece_names, self.material_names = names, piece_names, material_names
        self.machines: dict[str, OldMachine] = {}
        self.prints: list[OldPrint] = []
        self.sizes: list[OldSize] = []
        self.problems: list[Problem] = []
        self.noise_at_m: float | None = None

    def bench(self) -> OldBench:
        for name in dict.fromkeys([*(p.machine for p in self.prints), *(s.machine for s in self.sizes)]):
            self.machines.setdefault(name, OldMachine(name))
        self.prints.sort(key=lambda p: (p.began, p.sheet, p.line))
        self._overlaps()
        return OldBench(
            tuple(self.machines.values()),
            tuple(self.prints),
            tuple(self.sizes),
            tuple(self.problems),
            self.noise_at_m,
        )

    def machines_of(self, sheet: Sheet, layout: Layout) -> None:
        first = self._days_lead(sheet, layout, "bought")
        for row in self._rows(sheet, layout):
            if not row.text("machine"):
                if not any(row.text(p) for p in ("price", "bed", "nozzle")):
                    continue  # a remark of its own
                row.odd("machine", "no machine is named", left_out=True)
                continue
            name = self.names.of(row.text("machine"))
            if name in self.machines:
                row.odd("machine", "this machine is there already", left_out=True)
                continue
            bought, bed = day_in(row.text("bought"), day_first=first), size_in(row.text("bed"))
            if row.text("bought") and bought is None:
                row.odd("bought", "this is no day")
            if row.text("bed") and bed is None:
                row.odd("bed", "this is no size of a bed in mm")
            self.machines[name] = OldMachine(
                name, row.number("price", 1e7), bought, bed, row.number("nozzle", 5) or None
            )

    def prints_of(self, sheet: Sheet, layout: Layout) -> None:
        first = self._days_lead(sheet, layout, "day", "start")
        at_m = re.search(r"(\d+(?:[.,]\d+)?)\s*m\b", layout.columns.get("noise", ""))
        if at_m:
            self.noise_at_m = float(at_m[1].replace(",", "."))
        for row in self._rows(sheet, layout):
            made = self._print(row, layout, day_first=first)
            if made:
                self.prints.append(made)
                if len(self.prints) > MOST_PRINTS:
                    raise BadInput(f"more than {MOST_PRINTS} prints are too many for one study")

    def _print(self, row: _Row, layout: Layout, *, day_first: bool) -> OldPrint | None:
        for part in ("machine", "piece"):
            if not row.text(part):
                row.odd(part, f"no {part} is named", left_out=True)
                return None
        times = self._times(row, layout, day_first=day_first)
        if times is None:
            return None
        began, hour_known, ended, paused_s = times
        if ended > self.now:
            row.odd("start", "this lies in the future", left_out=True)
            return None
        kwh, wh = row.number("kwh", 1000), row.number("wh", 1e6)
        good, cause = yes_in(row.text("good")), row.text("cause")
        if row.text("good") and good is None:
            row.odd("good", "neither yes nor no; taken by whether a cause stands beside it")
        defects = {}
        for header, code in layout.defects.items():
            severity = row.number("", 5, header)
            if severity is not None and severity == int(severity):
                defects[code] = int(severity)
            elif severity is not None:
                row.odd("", "a severity is a whole number from 0 to 5", header=header)
        return OldPrint(
            layout.sheet, row.line, self.names.of(row.text("machine")), self.piece_names.of(row.text("piece")),
            self.material_names.of(row.text("material")) if row.text("material") else "", began, hour_known, ended, paused_s,
            good if good is not None else not cause, cause,
            self._span(row, layout, "estimate"), row.number("model_g", 1e5), row.number("waste_g", 1e5),
            kwh if kwh is not None else wh / 1000 if wh is not None else None, row.number("noise", 198), defects,
            "; ".join(x for x in (row.text("spool") and f"spool {row.text('spool')}", row.text("remarks")) if x),
        )  # fmt: skip

    def _times(self, row: _Row, layout: Layout, *, day_first: bool) -> tuple[datetime, bool, datetime, float] | None:
        """When it began, whether the hour is known, when it ended, and s of pauses; None where that cannot be told."""
        day = day_in(row.text("start"), day_first=day_first) or day_in(row.text("day"), day_first=day_first)
        if day is None:
            part = "day" if "day" in layout.columns else "start"
            row.odd(part, "no day is written that could be read", left_out=True)
            return None
        hour = hour_in(row.text("start"))
        if row.text("start") and hour is None and day_in(row.text("start"), day_first=day_first) is None:
            row.odd("start", "this is no hour of the day")
        began = self._moment(row, "start", day, hour or time())
        took, paused = self._span(row, layout, "took"), self._span(row, layout, "pause") or 0.0
        ended = self._end(row, began, day, day_first=day_first) if hour is not None else None
        if ended is None:
            if took is None:
                row.odd("end", "neither an end nor how long it took is written", left_out=True)
                return None
            return began, hour is not None, began + timedelta(seconds=took + paused), paused
        lasted = (ended - began).total_seconds()
        if took is not None and min(abs(lasted - took), abs(lasted - paused - took)) > max(_OFF_S, _OFF_SHARE * took):
            row.odd("took", f"start to end is {lasted / 60:.0f} min; that is taken")
        if paused >= lasted:
            row.odd("pause", "the pause leaves no time of printing; it is not taken")
            paused = 0.0
        return began, True, ended, paused

    def _end(self, row: _Row, began: datetime, day: date, *, day_first: bool) -> datetime | None:
        typed = row.text("end")
        if not typed:
            return None
        hour, of = hour_in(typed), day_in(typed, day_first=day_first)
        if hour is None:
            row.odd("end", "this is no hour of the day")
            return None
        ended = self._moment(row, "end", of or day, hour)
        if of is None and ended <= began:
            ended = self._moment(row, "end", day + timedelta(days=1), hour)
        if not timedelta() < ended - began <= _LONGEST:
            row.odd("end", "the end comes before the start, or over 30 days after it")
            return None
        return ended

    def _moment(self, row: _Row, part: str, day: date, hour: time) -> datetime:
        found, odd = moment(day, hour, self.zone)
        if odd:
            row.odd(part, odd)
        # Two moments of one zone differ by their clocks; in UTC by the time between them.
        return found.astimezone(ZoneInfo("UTC"))

    def _span(self, row: _Row, layout: Layout, part: str) -> float | None:
        typed = row.text(part)
        if not typed:
            return None
        hours = bool(re.search(r"\b(h|hrs?|hours?|std)\b", layout.columns[part], re.IGNORECASE))
        seconds = span_in(typed, hours=hours)
        if seconds is None or not 0 < seconds <= _LONGEST.total_seconds():
            row.odd(part, "this is no span of time")
            return None
        return seconds

    def sizes_of(self, sheet: Sheet, layout: Layout) -> None:
        count: defaultdict[str, int] = defaultdict(int)
        for row in self._rows(sheet, layout):
            if not row.text("machine"):
                row.odd("machine", "no machine is named", left_out=True)
                continue
            name = self.names.of(row.text("machine"))
            count[name] += 1
            copy = amount_in(row.text("copy")) if row.text("copy") else None
            if row.text("copy") and (copy is None or copy.value != int(copy.value) or not 1 <= copy.value <= 500):
                row.odd("copy", "this is no number of a copy", left_out=True)
                continue
            for column in layout.sizes:
                value = row.number("", 5000, column.header)
                if value is None:
                    continue
                if abs(value - column.nominal) > max(0.2 * column.nominal, 2):
                    row.odd("", f"this is far from {column.nominal:g} mm; it is not taken", header=column.header)
                    continue
                cell = cell_name(row.line - 1, layout.headers.index(column.header))
                self.sizes.append(
                    OldSize(
                        layout.sheet,
                        cell,
                        name,
                        int(copy.value) if copy else count[name],
                        column,
                        value,
                        row.text("who"),
                    )
                )

    def _overlaps(self) -> None:
        """Prints of one machine at the same time: both are kept, and said."""
        busy: dict[str, OldPrint] = {}
        for made in self.prints:
            before = busy.get(made.machine)
            if before and made.hour_known and before.hour_known and made.began < before.ended:
                self.problems.append(
                    Problem(made.sheet, f"row {made.line}", made.machine, f"it printed row {before.line} of {before.sheet} then; both are kept as they stand")
                )  # fmt: skip
            if before is None or made.ended > before.ended:
                busy[made.machine] = made

    @staticmethod
    def _days_lead(sheet: Sheet, layout: Layout, *parts: str) -> bool:
        columns = [layout.headers.index(layout.columns[p]) for p in parts if p in layout.columns]
        return days_lead([row[k] for row in sheet.rows[layout.header_row + 1 :] for k in columns])

    def _rows(self, sheet: Sheet, layout: Layout) -> Iterator[_Row]:
        for number, cells in enumerate(sheet.rows):
            if number > layout.header_row and any(cells):
                yield _Row(self, layout, number, cells)
