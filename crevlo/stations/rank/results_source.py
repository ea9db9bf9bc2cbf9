"""Where a figure of the table of results comes from: of one piece, or of all prints."""

import uuid

from pydantic import Field
from sqlalchemy.orm import Session

from crevlo.core.evaluations import EVALUATION_OF, QUANTITIES
from crevlo.core.evaluations.evaluation import Results
from crevlo.core.on_line import figures_on_line
from crevlo.stations.departures import departures_of
from crevlo.stations.evidence.entrant import Entrant
from crevlo.stations.evidence.study import evidence_of, plate_of, weighed
from crevlo.stations.figures.reference import Reference, references_of
from crevlo.stations.figures.source import Input, Source, figure_source
from crevlo.stations.figures.study import StudyFigures, study_figures, study_figures_by
from crevlo.stations.kit.shape import Missing, Name
from crevlo.stations.kit.shape import quantity as as_quantity
from crevlo.stations.rank.results import GRAMS, WASTE, ResultsQuery, side_by_side
from crevlo.stations.study import LineKey, line_of


class ResultSourceQuery(ResultsQuery):
    """A figure of the table; of all prints where no piece is named."""

    code: Name = Field(max_length=60)
    artifact: uuid.UUID | None = None
    spool: uuid.UUID | None = None
    arm: uuid.UUID | None = None


def result_source(session: Session, study_id: uuid.UUID, key: uuid.UUID, asked: ResultSourceQuery) -> Source:
    """Raises Missing for a column, a piece or a figure that is not in the table."""
    inputs = study_figures_by(session, study_id, asked.by)
    held = next((r for r in references_of(session, study_figures(session, study_id)) if r.id == key), None)
    if held is not None:
        return _of_reference(inputs, held, asked)
    if asked.artifact is None or asked.spool is None:
        return figure_source(session, inputs, key, asked.code)
    line = (asked.artifact, asked.spool)
    field = [
        e for e in side_by_side(inputs, asked.by)
        if asked.arm is None or any(j.arm_id == asked.arm for j in e.bench.jobs)
    ]  # fmt: skip
    mine = next((e for e in field if e.key == key and line in e.bench.lines), None)
    if mine is None:
        raise Missing("This is not printed on it.")
    if asked.code in (GRAMS.code, WASTE.code):
        return _masses(mine, line, asked.code)
    if asked.code not in QUANTITIES:
        raise Missing("There is no such figure.")
    return figure_source(session, _on(inputs, field, line, asked.code), key, asked.code)


def _on(inputs: StudyFigures, field: list[Entrant], line: LineKey, code: str) -> StudyFigures:
    """The figures of one line alone, with its spread borrowed where nobody printed it twice."""
    rule = EVALUATION_OF[code]
    on = [
        Entrant(e.key, e.entry, e.bench.of_jobs([j for j in e.bench.jobs if line_of(j) == line]), e.of) for e in field
    ]
    evidence = evidence_of(inputs.bench, on)
    lines = rule.of_machines(evidence_of(inputs.bench, field)).lines
    made = rule.of_machines(evidence)
    known = {rule.code: Results(figures_on_line(rule, evidence, lines).figures, made.lines, made.own)}
    return StudyFigures(None, inputs.bench, inputs.compared, evidence, on, [], known)


def _masses(entrant: Entrant, line: LineKey, code: str) -> Source:
    quantity = GRAMS if code == GRAMS.code else WASTE
    bench, rows = entrant.bench, []
    amounts = []
    for job in bench.jobs_of(entrant.entry.unit_id):
        if line_of(job) != line:
            continue
        runs = bench.runs.get(job.id, [])
        facts = bench.sliced[job.id].facts if job.id in bench.sliced else {}
        known = weighed(runs, facts)
        if not known:
            continue
        plate = plate_of(bench, job, known)
        waste = plate.waste_g / plate.parts
        amount = waste if quantity is WASTE else plate.part_g + waste
        amounts.append(amount)
        by = "weighed" if any(r.model_g is not None for r in runs) else "by its sliced file"
        rows.append(Input(name=f"Copy {job.copy}", amount=f"{amount:.{quantity.digits}f} g", note=f"{by}, {plate.parts:g} on the plate"))  # fmt: skip
    if not amounts:
        raise Missing("Neither a sliced file nor a weighing tells it.")
    return Source(
        title=f"{quantity.name}, {entrant.name}", amount=f"{sum(amounts) / len(amounts):.{quantity.digits}f} g a part",
        rule=f"Mean over its plates of what is {quantity.rule}.", inputs=rows, entries=[],
        departures=departures_of(bench, entrant.entry.unit_id),
    )  # fmt: skip


def _of_reference(inputs: StudyFigures, held: Reference, asked: ResultSourceQuery) -> Source:
    """Which machines of which studies it rests on, or who states it."""
    quantity = QUANTITIES.get(asked.code)
    if quantity is None:
        raise Missing("There is no such figure.")
    unit = inputs.bench.study.currency if quantity.unit == "money" else quantity.unit
    if asked.artifact is not None and asked.spool is not None:
        held = held.on([(asked.artifact, asked.spool)])
    return Source(
        title=f"{quantity.name}, {held.name}", amount=as_quantity(held.figure(asked.code), unit, quantity.digits).words,
        rule=f"{quantity.rule} As a reference: {held.age}.", entries=[],
        inputs=[
            Input(
                name=f"{m.name}, {m.study}", amount=as_quantity(m.figure(asked.code), unit, quantity.digits).words,
                note="its prints of the same pieces and material, valued as here",
            )
            for m in held.members
        ],
    )  # fmt: skip
