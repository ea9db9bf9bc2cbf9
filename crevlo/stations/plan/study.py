"""Plan: a study with its machines, conditions and policies, frozen before the first print."""

import secrets
import uuid
from collections import defaultdict
from collections.abc import Sequence
from dataclasses import replace
from datetime import datetime

from pydantic import Field
from sqlalchemy import func, select
from sqlalchemy.orm import Session

from crevlo.core.features import MEASURED
from crevlo.core.protocol import Slicing, Tuning
from crevlo.stations.bench import load_bench
from crevlo.stations.blind import hides
from crevlo.stations.job_state import JobState, Stage, job_states
from crevlo.stations.kit.change import change
from crevlo.stations.kit.mark import UnitMark, mark_of
from crevlo.stations.kit.shape import Conflict, Missing, Name, Refused, Shape
from crevlo.stations.library.artifact import reference, resolve, stored
from crevlo.stations.library.instrument import keep_stopwatch
from crevlo.stations.library.unit import nth_unit, unit_numbers
from crevlo.stations.plan.freeze import left_out, open_draft
from crevlo.stations.protocol import (
    MOST_ARMS,
    MOST_SPOOLS,
    ArmIn,
    Candidate,
    Conditions,
    Draft,
    LineIn,
    OwnSpool,
    Policies,
)
from crevlo.stations.rank.beginning import begin_scheme
from crevlo.stations.study import get_study, readings_due
from crevlo.store.machine import Spool
from crevlo.store.study import (
    Arm,
    Job,
    PrintLine,
    ProtocolDeviation,
    ProtocolVersion,
    Study,
    StudyUnit,
)


class NewStudy(Shape):
    id: uuid.UUID
    title: Name = Field(min_length=1, max_length=120)
    question: str = Field(default="", max_length=500)
    currency: str = Field(default="EUR", pattern="^[A-Z]{3}$")
    seed: int | None = Field(default=None, ge=0, lt=2**31)


class StudyCard(Shape):
    id: uuid.UUID
    title: str
    question: str
    machines: int
    frozen: bool
    entered_from: str = Field(description="the file it was taken over from, of a study that was kept elsewhere")


class CellLayer(Shape):
    """One copy of one line on one machine: how far it has come."""

    job_id: uuid.UUID
    copy_number: int
    stage: Stage
    failed_tries: int
    deviations: int


class Cell(Shape):
    """A machine's copies of one line; without a job the reason why there is none."""

    layers: list[CellLayer]
    left_out: str


class CoverageRow(Shape):
    machine: UnitMark
    cells: list[Cell] = Field(description="one for every line of every arm, in their order")


class LineOut(Shape):
    """A line as drafted, with its artifact and spools by name."""

    artifact: str = Field(description="reference of the artifact on the shelf")
    code: str
    number: int
    name: str
    isolates: str
    tools: int
    features: int
    spool_id: uuid.UUID | None
    spool: str
    second_spool_id: uuid.UUID | None
    second_spool: str
    more_spool_ids: list[uuid.UUID]
    own_spools: list[OwnSpool]
    copies: int
    parts: int | None


class ArmOut(Shape):
    id: uuid.UUID
    name: str
    slicing: Slicing
    tuning: Tuning
    conditions: Conditions
    fixed: str = Field(description="the conditions as a sentence")
    lines: list[LineOut]


class DeviationOut(Shape):
    id: uuid.UUID
    what: str
    reason: str
    job_id: uuid.UUID | None
    recorded_at: datetime


class PlanView(Shape):
    id: uuid.UUID
    title: str
    question: str
    currency: str
    seed: int
    version: int
    protocol_number: int
    frozen_at: datetime | None
    freeze_recorded_at: datetime | None
    entered_from: str
    most_arms: int
    most_spools: int = Field(description="on one line, a tool each")
    candidates: list[Candidate]
    arms: list[ArmOut]
    repeats: int
    policies: Policies
    coverage: list[CoverageRow]
    stops_at_printed: bool = Field(
        description="while parts are hidden it does not say of which printer they were measured or inspected"
    )
    deviations: list[DeviationOut]


class NewDeviation(Shape):
    id: uuid.UUID
    what: str = Field(min_length=1, max_length=300)
    reason: str = Field(min_length=1, max_length=500)
    job_id: uuid.UUID | None = None


def list_studies(session: Session) -> list[StudyCard]:
    frozen = set(session.scalars(select(ProtocolVersion.study_id).where(ProtocolVersion.frozen_at.is_not(None))))
    machines = dict(
        session.execute(select(StudyUnit.study_id, func.count()).group_by(StudyUnit.study_id)).tuples().all()
    )
    return [
        StudyCard(
            id=s.id,
            title=s.title,
            question=s.question,
            machines=machines.get(s.id, 0),
            frozen=s.id in frozen,
            entered_from=s.entered_from,
        )
        for s in session.scalars(select(Study).order_by(Study.created_at.desc()).limit(200))
    ]


def create_study(session: Session, given: NewStudy, person_id: uuid.UUID) -> None:
    if session.scalar(select(Study.id).where(func.lower(Study.title) == given.title.lower())):
        raise Refused(f"There is already a study called {given.title}.")
    seed = given.seed if given.seed is not None else secrets.randbelow(2**31)
    study = Study(id=given.id, title=given.title, question=given.question, currency=given.currency, seed=seed)
    session.add(study)
    session.flush()
    protocol = ProtocolVersion(study_id=study.id, number=1, policies=Policies().model_dump())
    session.add(protocol)
    session.flush()
    _write_arms(session, protocol, [ArmIn(name="Stock", lines=[LineIn(artifact="SB")])])
    begin_scheme(session, study.id, person_id)
    keep_stopwatch(session)
    session.flush()


def save_draft(session: Session, study_id: uuid.UUID, draft: Draft) -> None:
    """Replaces the draft's machines, conditions and policies; refused once the protocol is frozen."""
    study, protocol = open_draft(session, study_id)
    chosen = sorted((str(c.model_id), c.unit) for c in draft.candidates)
    if len(set(chosen)) != len(chosen):
        raise Refused("A machine is listed twice.")
    if sum(c.is_control for c in draft.candidates) > 1:
        raise Refused("A study has one control machine at most.")
    if study.version != draft.version:
        raise Conflict(view_plan(session, study_id).model_dump(mode="json", include=set(Draft.model_fields)))
    change(session, study, draft.version, {"question": draft.question})
    # What was said of a machine stays with it, however the list is written anew.
    said = {row.unit_id: row.not_recommended for row in study.units}
    for row in list(study.units):
        session.delete(row)
    session.flush()
    # A further unit is opened after those before it; first ones in the order of the list, as their marks go.
    opened = {
        (c.model_id, c.unit): nth_unit(session, c.model_id, c.unit).id
        for c in sorted(draft.candidates, key=lambda c: c.unit)
    }
    units = [opened[c.model_id, c.unit] for c in draft.candidates]
    study.units = [
        StudyUnit(
            study_id=study.id, unit_id=unit_id, is_control=c.is_control, position=at, not_recommended=said.get(unit_id, ""),
        )
        for at, (unit_id, c) in enumerate(zip(units, draft.candidates, strict=True))
    ]  # fmt: skip
    _write_arms(session, protocol, draft.arms)
    protocol.repeats = draft.repeats
    protocol.policies = draft.policies.model_dump()
    session.flush()
    session.expire_all()


def record_deviation(session: Session, study_id: uuid.UUID, given: NewDeviation, person_id: uuid.UUID) -> None:
    get_study(session, study_id)
    if given.job_id:
        job = session.get(Job, given.job_id)
        if job is None or job.study_id != study_id:
            raise Missing("There is no such job in this study.")
    session.add(ProtocolDeviation(study_id=study_id, person_id=person_id, **given.model_dump()))
    session.flush()


def view_plan(session: Session, study_id: uuid.UUID) -> PlanView:
    bench = load_bench(session, study_id)
    study, protocol = bench.study, bench.protocol
    if protocol is None:
        raise Missing("This study has no protocol.")
    deviations = bench.deviations
    by_job = {d.job_id for d in deviations if d.job_id}
    lines = [line for arm in protocol.arms for line in arm.lines]
    reasons = left_out(session, study, lines)
    due = {line.artifact_id: readings_due(protocol, line.artifact) for line in lines}
    jobs_of: dict[tuple[uuid.UUID, ...], list[JobState]] = defaultdict(list)
    # Which printer's part was measured just now would tell whose part that code is.
    withheld = hides(session, study_id)
    for job in job_states(session, study_id):
        if withheld:
            job = replace(job, readings=0, judged=False)
        jobs_of[job.unit_id, job.arm_id, job.artifact_id, job.spool_id].append(job)
    rows = []
    numbers = unit_numbers(session, [u.unit for u in bench.units])
    for entry in bench.units:
        cells = []
        for line in lines:
            jobs = jobs_of[entry.unit_id, line.arm_id, line.artifact_id, line.spool_id] if line.spool_id else []
            layers = [
                CellLayer(
                    job_id=job.id, copy_number=job.copy, stage=job.stage(due), failed_tries=job.failed,
                    deviations=int(job.id in by_job),
                )
                for job in sorted(jobs, key=lambda j: j.copy)
            ]  # fmt: skip
            cannot = next((bench.cannot[job.id] for job in jobs if job.id in bench.cannot), "")
            if cannot:
                layers = [layer for layer in layers if layer.stage not in ("planned", "failed")]
            cells.append(Cell(layers=layers, left_out=cannot or reasons.get((entry.unit_id, line.id), "")))
        rows.append(CoverageRow(machine=mark_of(entry), cells=cells))
    return PlanView(
        id=study.id, title=study.title, question=study.question, currency=study.currency, seed=study.seed,
        version=study.version, protocol_number=protocol.number, frozen_at=protocol.frozen_at,
        freeze_recorded_at=protocol.freeze_recorded_at, entered_from=study.entered_from,
        most_arms=MOST_ARMS, most_spools=MOST_SPOOLS,
        candidates=[
            Candidate(model_id=u.unit.model_id, is_control=u.is_control, unit=numbers[u.unit_id]) for u in bench.units
        ],
        arms=[_arm_out(session, arm) for arm in protocol.arms], repeats=protocol.repeats,
        policies=Policies(**protocol.policies), coverage=rows, stops_at_printed=withheld,
        deviations=[DeviationOut.model_validate(d, extra="ignore") for d in deviations],
    )  # fmt: skip


def _arm_out(session: Session, arm: Arm) -> ArmOut:
    lines = []
    for line in arm.lines:
        a = stored(session, line.artifact)
        lines.append(
            LineOut(
                artifact=reference(line.artifact), code=line.artifact.code, number=line.artifact.number,
                name=line.artifact.name, isolates=a.artifact.isolates, tools=a.artifact.tools,
                features=sum(f.kind in MEASURED for f in a.artifact.features), spool_id=line.spool_id,
                spool=_spool_words(line.spool), second_spool_id=line.second_spool_id,
                second_spool=_spool_words(line.second_spool), more_spool_ids=[uuid.UUID(s) for s in line.more_spools],
                own_spools=[OwnSpool.model_validate(o) for o in line.own_spools], copies=line.copies, parts=line.parts,
            )
        )  # fmt: skip
    return ArmOut(
        id=arm.id, name=arm.name, slicing=arm.slicing, tuning=arm.tuning, conditions=(conditions := Conditions(**arm.conditions)),
        fixed=conditions.sentence, lines=lines,
    )  # fmt: skip


def _spool_words(spool: Spool | None) -> str:
    return f"{spool.code} · {spool.colour} {spool.material}" if spool else ""


def _write_arms(session: Session, protocol: ProtocolVersion, arms: Sequence[ArmIn]) -> None:
    spools = {s.id: s for s in session.scalars(select(Spool))}
    for arm in list(protocol.arms):
        session.delete(arm)
    session.flush()
    session.expire(protocol, ["arms"])
    for at, given in enumerate(arms):
        arm = Arm(
            protocol_id=protocol.id, position=at, name=given.name.strip(), slicing=given.slicing, tuning=given.tuning,
            conditions=given.conditions.model_dump(),
        )  # fmt: skip
        session.add(arm)
        session.flush()
        for place, line in enumerate(given.lines):
            _check_spools(line, spools)
            session.add(
                PrintLine(
                    arm_id=arm.id, position=place, artifact_id=resolve(session, line.artifact).id,
                    spool_id=line.spool_id, second_spool_id=line.second_spool_id, copies=line.copies, parts=line.parts,
                    more_spools=[str(s) for s in line.more_spool_ids],
                    own_spools=[o.model_dump(mode="json") for o in line.own_spools],
                )
            )  # fmt: skip
    session.flush()


def _check_spools(line: LineIn, spools: dict[uuid.UUID, Spool]) -> None:
    """Spools that there are, each tool's its own, and a machine's own of the line's material."""
    fed = [i for i in (line.spool_id, line.second_spool_id, *line.more_spool_ids) if i]
    if any(i not in spools for i in [*fed, *(o.spool_id for o in line.own_spools)]):
        raise Missing("There is no such spool.")
    if line.spool_id and line.spool_id == line.second_spool_id:
        raise Refused("The second spool is the same as the first.")
    if len(set(fed)) != len(fed):
        raise Refused("A spool is in two tools at once.")
    if line.more_spool_ids and line.second_spool_id is None:
        raise Refused("A third spool comes after the second.")
    machines = [(o.model_id, o.unit) for o in line.own_spools]
    if len(set(machines)) != len(machines):
        raise Refused("A machine has one spool of its own on a line.")
    for own in line.own_spools:
        if line.spool_id is None or spools[own.spool_id].material != spools[line.spool_id].material:
            raise Refused("A machine's own spool is of the line's material: only its diameter, colour or lot differ.")
