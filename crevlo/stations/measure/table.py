"""A pasted table of readings: shown as it would be kept, then kept whole or not at all."""

import uuid
from collections import defaultdict
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Annotated

from pydantic import Field
from sqlalchemy import select
from sqlalchemy.orm import Session

from crevlo.core.estimate import BadInput
from crevlo.core.features import KINDS
from crevlo.core.features.kind import check_over, check_value, places
from crevlo.core.reading_table import Cell, Table, read_table
from crevlo.core.sheet import sheet_text
from crevlo.stations.entered import current_readings
from crevlo.stations.kit.shape import Missing, Moment, Refused, Shape
from crevlo.stations.measure.instruments import instrument_of
from crevlo.stations.measure.reading import NewReading, record_readings
from crevlo.stations.study import artifacts_of, current_protocol, get_study, measured_of
from crevlo.store.machine import FeatureRow, Instrument
from crevlo.store.run import Specimen

_SHOWN = 400


class ReadingTable(Shape):
    """A table as it was pasted."""

    id: uuid.UUID
    text: str = Field(min_length=1, max_length=400_000)
    instrument_ids: list[uuid.UUID] = Field(
        min_length=1, max_length=8, description="each face is read with the first that reads its kind"
    )
    mapping: dict[Annotated[str, Field(max_length=20)], Annotated[str, Field(max_length=200)]] = Field(
        default={}, max_length=5, description="header of each part, where it has to be said"
    )
    after_reveal: str | None = Field(default=None, max_length=300)
    taken_at: Moment | None = None


class SheetText(Shape):
    text: str


class TableLine(Shape):
    line: int
    specimen: str
    face: str
    repeat: int
    typed: str
    unit: str
    problem: str = Field(description="why it cannot be kept; empty where it can")


class TableView(Shape):
    """What would be kept, or what was; one problem keeps all of it out."""

    headers: list[str]
    mapping: dict[str, str]
    lacks: str = Field(description="which column has still to be named")
    wide: bool
    lines: list[TableLine] = Field(description="those with a problem first, up to a few hundred")
    values: int
    problems: int
    kept: bool


def read_sheet(content: bytes) -> SheetText:
    """Text of a CSV or XLSX file. Raises Refused for what is neither or too large."""
    try:
        return SheetText(text=sheet_text(content))
    except BadInput as bad:
        raise Refused(f"{str(bad)[:1].upper()}{str(bad)[1:]}.") from None


def preview(session: Session, study_id: uuid.UUID, given: ReadingTable) -> TableView:
    """What of the table would be kept; nothing is. Raises Refused for what is no table."""
    table, placed = _read(session, study_id, given)
    return _view(table, placed, kept=False)


def keep_table(
    session: Session, study_id: uuid.UUID, given: ReadingTable, person_id: uuid.UUID, *, reviews: bool
) -> TableView:
    """Keeps every value, or raises Refused where one of them cannot be kept."""
    table, placed = _read(session, study_id, given)
    view = _view(table, placed, kept=True)
    if table.lacks:
        raise Refused(f"Nothing is kept: {table.lacks}.")
    if not placed:
        raise Refused("Nothing is kept: the table has no values.")
    if view.problems:
        raise Refused(f"Nothing is kept: {view.problems} of {view.values} values cannot be.")
    by_specimen: dict[uuid.UUID, list[NewReading]] = defaultdict(list)
    for at, x in enumerate(placed):
        assert x.specimen_id is not None
        assert x.feature is not None
        assert x.instrument is not None
        by_specimen[x.specimen_id].append(
            NewReading(
                id=uuid.uuid5(given.id, str(at)), feature_id=x.feature.id, repeat=x.repeat, value=x.cell.value, over=x.cell.over,
                instrument_id=x.instrument.id, taken_at=given.taken_at, after_reveal=given.after_reveal,
            )
        )  # fmt: skip
    for specimen_id, readings in by_specimen.items():
        record_readings(session, specimen_id, readings, person_id, reviews=reviews)
    return view


@dataclass(frozen=True, slots=True)
class _Placed:
    cell: Cell
    specimen_id: uuid.UUID | None = None
    feature: FeatureRow | None = None
    instrument: Instrument | None = None
    repeat: int = 0
    problem: str = ""


def _read(session: Session, study_id: uuid.UUID, given: ReadingTable) -> tuple[Table, list[_Placed]]:
    try:
        table = read_table(given.text, given.mapping)
    except BadInput as bad:
        raise Refused(f"{str(bad)[:1].upper()}{str(bad)[1:]}.") from None
    return table, _placed(session, study_id, table.cells, given.instrument_ids)


def _view(table: Table, placed: Sequence[_Placed], *, kept: bool) -> TableView:
    lines = [
        TableLine(
            line=x.cell.line, specimen=x.cell.specimen, face=x.cell.face, repeat=x.repeat, typed=x.cell.typed,
            unit=x.feature.unit if x.feature else "", problem=x.problem,
        )
        for x in sorted(placed, key=lambda x: not x.problem)
    ]  # fmt: skip
    return TableView(
        headers=list(table.headers), mapping=dict(table.mapping), wide=table.wide, lines=lines[:_SHOWN], values=len(lines),
        problems=sum(bool(x.problem) for x in lines), lacks=table.lacks, kept=kept,
    )  # fmt: skip


def _placed(
    session: Session, study_id: uuid.UUID, cells: tuple[Cell, ...], instrument_ids: Sequence[uuid.UUID]
) -> list[_Placed]:
    """Each value with its specimen, its face and its place among the repeats, or why it has none."""
    get_study(session, study_id)
    protocol, tools = current_protocol(session, study_id), [instrument_of(session, i) for i in instrument_ids]
    if protocol is None:
        raise Missing("There is no such study.")
    wanted = {c.specimen for c in cells}
    rows = session.execute(
        select(Specimen.blind_code, Specimen.id).where(Specimen.study_id == study_id, Specimen.blind_code.in_(wanted))
    )
    ids = dict(rows.tuples().all())
    artifacts = artifacts_of(session, list(ids.values()))
    faces = {s: {f.code.upper(): f for f in measured_of(a)} for s, a in artifacts.items()}
    taken = {
        (s, r.feature_id, r.repeat)
        for s, rows in current_readings(session, list(ids.values()), late=True).items()
        for r in rows
    }
    found: list[_Placed] = []
    for cell in cells:
        specimen_id = ids.get(cell.specimen)
        feature = faces.get(specimen_id, {}).get(cell.face) if specimen_id else None
        if specimen_id is None:
            found.append(_Placed(cell, problem=f"no specimen of this study is called {cell.specimen or '(empty)'}"))
            continue
        if feature is None:
            found.append(
                _Placed(cell, specimen_id, problem=f"{cell.face or '(empty)'} is no face that is read on it")
            )
            continue
        kind = KINDS[feature.kind]
        most = places(kind, protocol.repeats)
        free = [n for n in range(1, most + 1) if (specimen_id, feature.id, n) not in taken]
        repeat = cell.repeat or (free[0] if free else most + 1)
        problem = _problem(cell, feature, repeat, most, (specimen_id, feature.id, repeat) in taken)
        tool = next((t for t in tools if t.kind in kind.instruments), None)
        if not problem and tool is None:
            problem = f"it is read with a {' or a '.join(kind.instruments)}, and none is chosen"
        taken.add((specimen_id, feature.id, repeat))
        found.append(_Placed(cell, specimen_id, feature, tool, repeat, problem))
    return found


def _problem(cell: Cell, feature: FeatureRow, repeat: int, most: int, known: bool) -> str:
    if cell.value is None:
        return f"{cell.typed or 'nothing'} is no number"
    if not 1 <= repeat <= most or cell.over < 0:
        return (
            f"it has {most} {'reading' if most == 1 else 'readings'}, all of them kept"
            if cell.repeat == 0
            else f"it has {most} readings"
        )
    if known:
        return f"reading {repeat} is kept already; a change is a correction with its reason"
    try:
        check_over(KINDS[feature.kind], cell.value, cell.over, feature.code)
        check_value(KINDS[feature.kind], cell.value, feature.nominal, feature.unit, feature.code, explained=False)
    except BadInput as bad:
        return str(bad)
    return ""
