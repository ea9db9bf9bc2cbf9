"""Sections of what each artifact told: tables by artifact, photos side by side, and what a part costs."""

import uuid
from collections.abc import Sequence

from sqlalchemy.orm import Session

from crevlo.core.in_row import Place
from crevlo.stations.cost.table import CostCell, TableWish, view_table
from crevlo.stations.evidence.entrant import By
from crevlo.stations.figures.study import StudyFigures
from crevlo.stations.publish.document import Block, Heading, Picture, Pictures, Points, Table, Words
from crevlo.stations.rank.results import PiecesQuery, ResultsQuery, view_pieces, view_results
from crevlo.stations.rank.results_row import ResultCell

# A report is read; more than these make an album.
MOST_PICTURES = 48
_MARKS = {Place.BETTER: "● ", Place.LEVEL: "○ ", Place.BEHIND: "", Place.NONE: ""}


def result_tables(session: Session, study_id: uuid.UUID, by: By) -> list[Block]:
    view = view_results(session, study_id, ResultsQuery(by=by))
    names = [c.name for c in view.columns] + [f"{r.name} (reference)" for r in view.references]
    blocks: list[Block] = []
    for group in view.groups:
        blocks.append(Heading(words=group.title))
        for piece in group.pieces:
            # A figure that nobody has of this piece says nothing.
            rows = [
                [f"{row.name}, {row.unit}".rstrip(", "), *[_written(c) for c in row.cells]]
                for row in piece.rows
                if any(c.text or c.cannot for c in row.cells)
            ]
            if rows:
                caption = f"{piece.artifact}, {group.title}"
                blocks.append(Table(caption=caption, columns=[piece.artifact, *names], rows=rows))
    if not any(isinstance(b, Table) for b in blocks):
        return []
    return [*blocks, Words(words=f"● better   ○ not told apart from it. {view.how}"), *_points(view.apart)]


def _points(items: Sequence[str]) -> list[Block]:
    return [Points(items=list(items))] if items else []


def _written(cell: ResultCell) -> str:
    if cell.cannot:
        return f"cannot: {cell.cannot}"
    if not cell.text:
        return "–"
    # From one amount to another is no ± that follows by itself.
    spread = f"({cell.spread})" if " to " in cell.spread else cell.spread
    return _MARKS[cell.place] + " ".join(x for x in (cell.text, spread, cell.note) if x)


def pictures(session: Session, study_id: uuid.UUID, inputs: StudyFigures) -> list[Block]:
    """One photo of a piece of each machine by line, once machines may be told."""
    if inputs.bench.study.revealed_at is None:
        return []
    blocks: list[Block] = []
    left = MOST_PICTURES
    for (artifact, spool), _ in sorted(
        inputs.compared.lines.items(), key=lambda x: inputs.bench.artifacts[x[0][0]].name
    ):
        view = view_pieces(session, study_id, PiecesQuery(artifact=artifact, spool=spool))
        shown = []
        for column in view.columns:
            piece = next((p for p in column.pieces if p.photos), None)
            if piece is not None and left > 0:
                shown.append(
                    Picture(
                        photo_id=piece.photos[0],
                        caption=f"{column.machine.name}, copy {piece.copy_number}, {piece.blind_code}",
                    )
                )
                left -= 1
        if shown:
            name = f"{inputs.bench.artifacts[artifact].name}, {inputs.bench.spools[spool].code}"
            blocks.append(Pictures(caption=name, pictures=shown))
    return blocks


def cost_table(session: Session, study_id: uuid.UUID) -> list[Block]:
    view = view_table(session, study_id, TableWish())
    if not view.rows:
        return []
    names = [m.machine.name for m in view.machines]
    rows = [[f"{r.artifact}, {r.spool}", *[_cost(c) for c in r.cells]] for r in view.rows]
    usable = [["Made usable", *["not recorded" if m.usable is None else f"{m.usable:.0f}" for m in view.machines]]]
    return [
        Table(caption=f"Cost of a good part, {view.currency}", columns=["Part", *names], rows=rows),
        Table(caption=f"Beside its parts, {view.currency}", columns=["What", *names], rows=usable),
        Words(words=view.basis),
    ]


def _cost(cell: CostCell) -> str:
    return f"needs {cell.needs}" if cell.cost is None else f"{cell.cost:.2f}"
