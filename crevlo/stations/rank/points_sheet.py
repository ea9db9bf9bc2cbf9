"""The sheet of points by the line: kept whole, and counted."""

import uuid
from datetime import UTC, datetime
from typing import Annotated

from pydantic import Field
from sqlalchemy import select
from sqlalchemy.orm import Session

from crevlo.core.points_sheet import SheetLine, say_sheet, sheet_totals
from crevlo.stations.kit.change import change
from crevlo.stations.kit.mark import UnitMark, mark_of
from crevlo.stations.kit.shape import Refused, Shape, Version
from crevlo.stations.study import get_study
from crevlo.store.study import Study
from crevlo.store.verdict import PointsSheet

MOST_LINES = 300


class SheetLineIn(Shape):
    words: Annotated[str, Field(min_length=1, max_length=160)]
    points: float = Field(ge=0, le=1000)
    winners: list[uuid.UUID] = Field(default=[], max_length=50, description="who won it; several share, none: open")


class SheetIn(Shape):
    version: Version | None = Field(default=None, description="of the sheet that was seen; none where there was none")
    lines: list[SheetLineIn] = Field(max_length=MOST_LINES)


class SheetTotal(Shape):
    machine: UnitMark
    points: float


class SheetView(Shape):
    version: int | None
    lines: list[SheetLineIn]
    totals: list[SheetTotal]
    of: float = Field(description="points of all lines")
    says: str


def sheet_of(session: Session, study_id: uuid.UUID) -> PointsSheet | None:
    return session.scalar(select(PointsSheet).where(PointsSheet.study_id == study_id))


def lines_of(sheet: PointsSheet | None) -> list[SheetLine]:
    return [
        SheetLine(line["words"], line["points"], tuple(uuid.UUID(w) for w in line["winners"]))
        for line in (sheet.lines if sheet else [])
    ]


def view_sheet(session: Session, study_id: uuid.UUID) -> SheetView:
    study, sheet = get_study(session, study_id), sheet_of(session, study_id)
    lines = lines_of(sheet)
    here = [u for u in study.units if u.replaced_by is None]
    # A unit that was replaced since has no points more.
    kept = [
        SheetLine(x.words, x.points, tuple(w for w in x.winners if any(u.unit_id == w for u in here))) for x in lines
    ]
    totals = sheet_totals(kept, [u.unit_id for u in here])
    return SheetView(
        version=sheet.version if sheet else None,
        lines=[SheetLineIn(words=x.words, points=x.points, winners=[w for w in x.winners if isinstance(w, uuid.UUID)]) for x in kept],
        totals=[SheetTotal(machine=mark_of(u), points=totals[u.unit_id]) for u in here],
        of=sum(x.points for x in kept), says=say_sheet(kept, {u.unit.name: totals[u.unit_id] for u in here}),
    )  # fmt: skip


def keep_sheet(session: Session, study_id: uuid.UUID, given: SheetIn, person_id: uuid.UUID) -> SheetView:
    """Replaces the sheet; of two who write at once the second is told. Raises Refused for a winner that takes no part."""
    study = get_study(session, study_id)
    session.execute(select(Study.id).where(Study.id == study_id).with_for_update())
    here = {u.unit_id for u in study.units}
    for line in given.lines:
        if not line.words.strip():
            raise Refused("A line says what it is about.")
        if len(set(line.winners)) != len(line.winners) or not set(line.winners) <= here:
            raise Refused(f"Who wins “{line.words}” are machines of this study, each once.")
    rows = [line.model_dump(mode="json") for line in given.lines]
    sheet = sheet_of(session, study_id)
    if sheet is None:
        if given.version is not None:
            raise Refused("The sheet is gone; read it again.")
        session.add(PointsSheet(study_id=study_id, lines=rows, person_id=person_id))
        session.flush()
    else:
        # Without a version seen, somebody else began the sheet in the meantime.
        seen = given.version if given.version is not None else sheet.version - 1
        change(session, sheet, seen, {"lines": rows, "person_id": person_id, "changed_at": datetime.now(UTC)})
    return view_sheet(session, study_id)
