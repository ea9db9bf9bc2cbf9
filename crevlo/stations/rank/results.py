"""The table of results: artifact by machine, what each piece told and what it took, line by line."""

import uuid
from collections.abc import Mapping, Sequence

from pydantic import BaseModel, Field
from sqlalchemy.orm import Session

from crevlo.core.estimate import Estimate, NotDetermined
from crevlo.core.evaluations import EVALUATION_OF, EVALUATIONS, QUANTITIES
from crevlo.core.evaluations.defects import QUALITY
from crevlo.core.evaluations.duration import TIME
from crevlo.core.evaluations.energy import ENERGY
from crevlo.core.evaluations.evaluation import Better, Evaluation, Quantity, Rests
from crevlo.core.evaluations.noise import PRINTING
from crevlo.core.evaluations.scale import SCALE
from crevlo.core.evaluations.sizes import SIZES
from crevlo.core.evaluations.success import FIRST
from crevlo.core.evidence import Evidence, Key
from crevlo.core.figure import Figure, central
from crevlo.core.on_line import evidence_on, figures_on_line
from crevlo.core.statistics import Line
from crevlo.core.units import Between, between_units
from crevlo.stations.bench import Bench
from crevlo.stations.evidence.entrant import By, Entrant, sides_of
from crevlo.stations.evidence.study import evidence_of
from crevlo.stations.figures.reference import Reference, references_of
from crevlo.stations.figures.study import StudyFigures, entrants_by, study_figures, study_figures_by
from crevlo.stations.kit.kept import Kept
from crevlo.stations.kit.mark import UnitMark
from crevlo.stations.kit.photo import photos_of
from crevlo.stations.kit.shape import Missing, Shape
from crevlo.stations.rank.results_row import Beside, ResultRow, row_of
from crevlo.stations.study import LineKey, line_of


class ResultsQuery(BaseModel):
    by: By = By.MACHINE


class PiecesQuery(ResultsQuery):
    artifact: uuid.UUID
    spool: uuid.UUID


class ResultPiece(Shape):
    """One artifact of one material in one arm; the first row is what it stands for while it is closed."""

    artifact_id: uuid.UUID
    spool_id: uuid.UUID
    arm_id: uuid.UUID | None = Field(description="None where arms are columns")
    artifact: str
    rows: list[ResultRow]


class ResultGroup(Shape):
    title: str
    pieces: list[ResultPiece]


class ReferenceColumn(Shape):
    id: uuid.UUID
    name: str
    age: str


class ResultsView(Shape):
    by: By
    sides: list[By]
    columns: list[UnitMark]
    references: list[ReferenceColumn] = Field(description="columns after those, held against but not compared")
    groups: list[ResultGroup]
    every: list[ResultRow] = Field(description="of all prints together, as they are ranked")
    measures: list[str] = Field(description="codes that rows can be looked at by, those that most pieces tell first")
    apart: list[str]
    units: list[str] = Field(description="of models with several units: how far these differ beyond their copies")
    revealed: bool
    how: str


class Piece(Shape):
    blind_code: str
    copy_number: int
    photos: list[uuid.UUID]


class PiecesOf(Shape):
    machine: UnitMark
    pieces: list[Piece]


class PiecesView(Shape):
    """Pieces of one line side by side, once machines may be told."""

    columns: list[PiecesOf]
    needs: str


# A pure function of the figures that it is keyed by.
_tables: Kept[ResultsView] = Kept(48_000_000, lambda view: _BYTES_A_CELL * _cells(view))

GRAMS = Quantity("grams", "Filament", "Filament", "g", 1, Better.LOWER, Rests.RUNS, "of a part with its share of what is purged, by weighing or its file", 0, 0)  # fmt: skip
WASTE = Quantity("waste", "Waste", "Waste", "g", 1, Better.LOWER, Rests.RUNS, "purged for a part, by weighing or its file", 0, 0)  # fmt: skip
# What a print of any piece tells, beside what the piece is for.
_OF_RUNS = (TIME, ENERGY, PRINTING, FIRST)
_HOW = (
    "Of each figure the best is marked where at least one other is told apart from it, by Holm's procedure at 5 %; what nobody "
    "can tell from it carries an open mark. ± is a 95 % interval; a piece that was printed once borrows the spread of the others."
)


# Of a cell as it is kept, about.
_BYTES_A_CELL = 900


def _cells(view: ResultsView) -> int:
    rows = sum(len(piece.rows) for group in view.groups for piece in group.pieces) + len(view.every)
    return 1 + rows * (len(view.columns) + len(view.references))


def view_results(session: Session, study_id: uuid.UUID, asked: ResultsQuery) -> ResultsView:
    inputs = study_figures_by(session, study_id, asked.by)
    references = references_of(session, study_figures(session, study_id))
    if inputs.state is None:
        return _table(inputs, asked.by, references)
    key = " ".join([inputs.state, *(r.state for r in references)])
    return _tables.get(key, lambda: _table(inputs, asked.by, references))


def view_pieces(session: Session, study_id: uuid.UUID, asked: PiecesQuery) -> PiecesView:
    """Pieces of a line by column with their photos. Raises Missing for what is not printed in the study."""
    inputs = study_figures_by(session, study_id, asked.by)
    line = (asked.artifact, asked.spool)
    if line not in inputs.bench.lines:
        raise Missing("This is not printed in the study.")
    if inputs.bench.study.revealed_at is None:
        return PiecesView(columns=[], needs="the reveal: until then pieces and machines stay apart")
    found: dict[uuid.UUID, list[tuple[str, int, uuid.UUID, uuid.UUID]]] = {}
    for entrant in side_by_side(inputs, asked.by):
        runs = {
            run.id: job.copy
            for job in entrant.bench.jobs_of(entrant.entry.unit_id) if line_of(job) == line
            for run in entrant.bench.runs.get(job.id, [])
        }  # fmt: skip
        found.setdefault(entrant.key, []).extend(
            (s.blind_code, runs[s.run_id], s.id, s.run_id)
            for s in entrant.bench.specimens_of(entrant.entry.unit_id)
            if s.run_id in runs
        )
    photos = photos_of(session, [i for mine in found.values() for piece in mine for i in piece[2:]])
    return PiecesView(
        columns=[
            PiecesOf(
                machine=e.mark,
                pieces=[
                    Piece(blind_code=code, copy_number=copy, photos=[p.id for i in ids for p in photos.get(i, [])])
                    for code, copy, *ids in sorted(found.get(e.key, []), key=lambda x: x[1])
                ],
            )
            for e in inputs.entrants
        ],
        needs="",
    )


def side_by_side(inputs: StudyFigures, by: By) -> list[Entrant]:
    """Who stands side by side, with all that counts and not only what everybody printed, arm by arm where arms are no
    columns."""
    bench = inputs.bench
    here = {e.entry.unit_id for e in inputs.entrants}
    jobs = [j for j in bench.jobs if j.counts and j.unit_id in here]
    if by is By.ARM:
        return entrants_by(bench.of_jobs(jobs), by, bench)
    arms = bench.protocol.arms if bench.protocol else []
    return [
        e
        for arm in arms
        for e in entrants_by(bench.of_jobs([j for j in jobs if j.arm_id == arm.id]), by, inputs.compared)
        if e.entry.unit_id in here
    ]


def _table(inputs: StudyFigures, by: By, references: Sequence[Reference]) -> ResultsView:
    bench = inputs.bench
    columns = [e.key for e in inputs.entrants]
    arms = bench.protocol.arms if bench.protocol else []
    several = len(arms) > 1 and by is not By.ARM
    groups: list[ResultGroup] = []
    whole = side_by_side(inputs, by)
    for arm in arms[:1] if by is By.ARM else arms:
        mine = whole if by is By.ARM else [e for e in whole if any(j.arm_id == arm.id for j in e.bench.jobs)]
        if not mine:
            continue
        evidence = evidence_of(bench, mine)
        of_all = {code: lines for e in EVALUATIONS for code, lines in _lines_of(e, evidence).items()}
        spools = list(dict.fromkeys(line.spool_id for a in (arms if by is By.ARM else [arm]) for line in a.lines))
        for spool in spools:
            lines = sorted((k for k in _printed(mine) if k[1] == spool), key=lambda k: bench.artifacts[k[0]].name)
            of = None if by is By.ARM else arm.id
            pieces = [_piece(bench, evidence, of_all, line, columns, mine, of, references) for line in lines]
            if pieces and spool is not None:
                title = f"{bench.spools[spool].material} {bench.spools[spool].colour}, {bench.spools[spool].code}"
                groups.append(ResultGroup(title=f"{title}, {arm.name}" if several else title, pieces=pieces))
    codes = [row.code for group in groups for piece in group.pieces for row in piece.rows]
    measures = sorted(set(codes), key=lambda c: (-codes.count(c), list(_ORDER).index(c)))
    return ResultsView(
        by=by, sides=sides_of(bench), columns=[e.mark for e in inputs.entrants], groups=groups, every=_every(inputs, references),
        references=[ReferenceColumn(id=r.id, name=r.name, age=r.age) for r in references],
        measures=measures, apart=inputs.apart, units=_units(inputs) if by is By.MACHINE else [], revealed=bench.study.revealed_at is not None, how=_HOW,
    )  # fmt: skip


def _units(inputs: StudyFigures) -> list[str]:
    """A sentence of each model of which several units print."""
    models: dict[uuid.UUID, list[Entrant]] = {}
    for e in inputs.entrants:
        if e.entry.replaced_by is None:
            models.setdefault(e.entry.unit.model_id, []).append(e)
    said = []
    for of in models.values():
        if len(of) < 2:
            continue
        figures: dict[str, list[Estimate]] = {}
        for q in QUANTITIES.values():
            if q.rests is not Rests.UNIT and q.unit != "money" and q.better is not Better.NONE and inputs.has(q.code):
                mine = [inputs.figure(q.code, e.key) for e in of]
                figures[q.code] = [f for f in mine if isinstance(f, Estimate)]
        said.append(say_units(f"The {len(of)} units of {of[0].entry.unit.model.name}", between_units(figures)))
    return said


def say_units(name: str, found: Sequence[Between]) -> str:
    """Whether units of a model differ beyond their copies, and in what."""
    if not found:
        return f"{name} cannot be told apart yet: that needs copies of both."
    shown = [(QUANTITIES[b.code], b.spread) for b in found if b.differs]
    real = [
        f"{q.name.lower()} (by {spread * q.factor:.{q.digits}f} {q.unit})".replace(" )", ")") for q, spread in shown
    ]
    left = len(found) - len(real)
    if not real:
        figures = "the one figure that is known" if left == 1 else f"any of {left} figures"
        return f"{name} do not differ in {figures} by more than their copies do."
    others = {0: "", 1: "; in one other they do not"}.get(left, f"; in {left} others they do not")
    return f"{name} differ beyond their copies in {', '.join(real)}{others}."


_ORDER = (*QUANTITIES, GRAMS.code, WASTE.code)


def _lines_of(evaluation: Evaluation, evidence: Evidence) -> Mapping[str, Sequence[Line]]:
    told = any(evaluation.takes(line.features) for line in evidence.lines.values())
    return evaluation.of_machines(evidence).lines if told and _of_pieces(evaluation) else {}


def _of_pieces(evaluation: Evaluation) -> bool:
    return any(q in _OF_RUNS or q.rests in (Rests.READINGS, Rests.SCORES, Rests.DUELS) for q in evaluation.tells)


def _printed(entrants: Sequence[Entrant]) -> set[LineKey]:
    return {line_of(job) for e in entrants for job in e.bench.jobs_of(e.entry.unit_id)}


def _piece(
    bench: Bench, evidence: Evidence, of_all: Mapping[str, Sequence[Line]], line: LineKey, columns: Sequence[uuid.UUID],
    entrants: Sequence[Entrant], arm_id: uuid.UUID | None,
    references: Sequence[Reference],
) -> ResultPiece:  # fmt: skip
    on = evidence_on(evidence, [line])
    figures: dict[str, Mapping[Key, Figure]] = {}
    bare: dict[str, Mapping[Key, float]] = {}
    for evaluation in EVALUATIONS:
        if _of_pieces(evaluation) and evaluation.takes(evidence.lines[line].features):
            made = figures_on_line(evaluation, on, of_all)
            figures |= made.figures
            bare |= made.bare
    cannot = _cannot(bench, line, entrants)
    held = [r.on([line]) for r in references]
    here = {e.key for e in entrants if line in e.bench.lines}
    # Where nothing was planned, that is said instead of what is missing.
    unplanned = {k: "not planned" for k in columns if k not in here}
    told = [q for c in figures if (q := QUANTITIES[c]).rests in (Rests.READINGS, Rests.DUELS)]
    wanted = [*told, *(q for q in (QUALITY, *_OF_RUNS) if q.code in figures)]
    rows = [
        row_of(q, _unit(q, bench), [figures[q.code].get(k, NotDetermined("")) for k in columns], columns,
             Beside(cannot, unplanned | (_estimates(on) if q is TIME else {}), bare.get(q.code, {})), {r.id: _held(q, r) for r in held})
        for q in wanted
    ]  # fmt: skip
    for q in (GRAMS, WASTE):
        row = row_of(
            q,
            q.unit,
            [_mass(on, k, line, q) for k in columns],
            columns,
            Beside(cannot, unplanned),
            {r.id: _held(q, r) for r in held},
        )
        if q is GRAMS or any(float(c.text or 0) for c in row.cells):
            rows.append(row)
    known = [r for r in rows if any(c.value is not None for c in r.cells)]
    if known:
        # What ranks and what most machines have stands for the piece; sizes only where it tells nothing more of its own.
        ranks = {q.code for q in told if q.better is not Better.NONE}
        general = {q.code for e in (SIZES, SCALE) for q in e.tells}
        best = max(
            known,
            key=lambda r: (
                r.code in ranks,
                sum(c.value is not None for c in r.cells),
                r.code not in general,
                -known.index(r),
            ),
        )
        known.remove(best)
        rows = [best, *known]
    else:
        rows = [r for r in rows if r.code == TIME.code]
    return ResultPiece(
        artifact_id=line[0], spool_id=line[1], arm_id=arm_id, artifact=bench.artifacts[line[0]].name, rows=rows
    )


def _unit(q: Quantity, bench: Bench) -> str:
    return bench.study.currency if q.unit == "money" else q.unit


def _mass(on: Evidence, key: uuid.UUID, line: Key, q: Quantity) -> Figure:
    machine = on.machines.get(key)
    plate = machine.filament.get(line) if machine else None
    if plate is None:
        return NotDetermined("a sliced file or a weighing")
    waste = plate.waste_g / plate.parts
    return Estimate(waste if q is WASTE else plate.part_g + waste, 0.0)


def _estimates(on: Evidence) -> dict[uuid.UUID, str]:
    """By column what its sliced files state, of a part."""
    found = {}
    for key, machine in on.machines.items():
        stated = [r.stated_s / r.parts for r in machine.good if r.stated_s]
        if stated and isinstance(key, uuid.UUID):
            found[key] = f"est {sum(stated) / len(stated) / 3600:.2f}"
    return found


def _cannot(bench: Bench, line: LineKey, entrants: Sequence[Entrant]) -> dict[uuid.UUID, str]:
    """By column why a machine cannot print a line."""
    found = {}
    for e in entrants:
        jobs = [j for j in e.bench.jobs_of(e.entry.unit_id) if line_of(j) == line]
        reason = next((bench.cannot[j.id] for j in jobs if j.id in bench.cannot), "")
        if reason:
            found[e.key] = reason
    return found


def _held(q: Quantity, reference: Reference) -> Figure:
    if q.code in QUANTITIES:
        return reference.figure(q.code)
    lines = [k for m in reference.members for k in m.evidence.lines]
    found = [_mass(m.evidence, m.unit_id, line, q) for m in reference.members for line in lines[:1]]
    return found[0] if len(found) == 1 else NotDetermined("one machine")


def _every(inputs: StudyFigures, references: Sequence[Reference]) -> list[ResultRow]:
    columns = [e.key for e in inputs.entrants]
    rows = []
    for code, q in QUANTITIES.items():
        if q.rests in (Rests.READINGS, Rests.SCORES, Rests.SHEET) or not EVALUATION_OF[code].takes({}):
            continue
        figures = [inputs.figure(code, key) for key in columns]
        if any(central(f) is not None for f in figures):
            rows.append(
                row_of(q, _unit(q, inputs.bench), figures, columns, Beside(), {r.id: _held(q, r) for r in references})
            )
    return rows
