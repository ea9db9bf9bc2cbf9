"""Plan: a study with its machines, conditions and policies, frozen before the first print."""

import secrets
import uuid
from datetime import UTC, datetime
from typing import Literal

from pydantic import Field
from sqlalchemy import func, select
from sqlalchemy.orm import Session

from crevlo.core.blind import shuffled_blocks
from crevlo.core.gcode.facts import Wanted
from crevlo.core.scoring.gate import GateKind
from crevlo.core.scoring.value import Shape as ValueShape
from crevlo.stations.bench import Bench, current_protocol, get_study, load_bench
from crevlo.stations.clock import stated_time
from crevlo.stations.library import ArtifactOut, SpoolOut, artifact_out, built_in_artifact, change, first_unit
from crevlo.stations.rank.criteria import CRITERIA
from crevlo.stations.shape import Conflict, Missing, Refused, Shape
from crevlo.store.machine import Spool
from crevlo.store.run import Outcome
from crevlo.store.study import (
    BuyerProfile,
    CriterionRow,
    GateRow,
    Job,
    ProtocolDeviation,
    ProtocolVersion,
    SchemeVersion,
    Study,
    StudyUnit,
)

Stage = Literal["planned", "printing", "failed", "printed", "measured", "inspected"]
CauseName = Literal["machine", "profile", "material", "operator", "power", "unknown"]


class Conditions(Shape):
    """Print conditions; an empty one is left to the maker's profile."""

    layer_height_mm: float | None = Field(default=0.2, gt=0, le=2)
    infill_percent: float | None = Field(default=15, ge=0, le=100)
    walls: int | None = Field(default=2, ge=1, le=50)
    nozzle_mm: float | None = Field(default=0.4, gt=0, le=3)
    nozzle_c: float | None = Field(default=215, gt=0, le=600)
    bed_c: float | None = Field(default=60, ge=0, le=200)
    material: str | None = Field(default=None, max_length=20)


class Policies(Shape):
    slicing: Literal["common", "own"] = "common"
    counted_causes: list[CauseName] = Field(default=["machine", "profile", "unknown"], max_length=6)
    most_attempts: int = Field(default=3, ge=1, le=10)
    unattended: Literal["never", "after checks"] = "after checks"


class NewStudy(Shape):
    id: uuid.UUID
    title: str = Field(min_length=1, max_length=120)
    question: str = Field(default="", max_length=500)
    currency: str = Field(default="EUR", pattern="^[A-Z]{3}$")
    seed: int | None = Field(default=None, ge=0, lt=2**31)


class Candidate(Shape):
    model_id: uuid.UUID
    copies: int = Field(default=3, ge=1, le=20)
    is_control: bool = False


class Draft(Shape):
    version: int
    question: str = Field(max_length=500)
    candidates: list[Candidate] = Field(max_length=40)
    spool_id: uuid.UUID | None
    repeats: int = Field(ge=1, le=10)
    conditions: Conditions
    policies: Policies


class UnitMark(Shape):
    """A machine as it appears everywhere: name with its mark."""

    unit_id: uuid.UUID
    name: str
    mark: int
    is_control: bool


class StudyCard(Shape):
    id: uuid.UUID
    title: str
    question: str
    machines: int
    frozen: bool


class Freeze(Shape):
    """When the protocol was frozen, where that was before it is entered here; both times are kept."""

    frozen_at: datetime | None = None


class CellLayer(Shape):
    """One copy of one machine on the coverage sheet: how far it has come."""

    job_id: uuid.UUID
    copy_number: int
    stage: Stage
    failed_tries: int
    deviations: int


class CoverageRow(Shape):
    machine: UnitMark
    layers: list[CellLayer]


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
    candidates: list[Candidate]
    spool: SpoolOut | None
    repeats: int
    conditions: Conditions
    policies: Policies
    artifact: ArtifactOut
    coverage: list[CoverageRow]
    deviations: list[DeviationOut]


class NewDeviation(Shape):
    id: uuid.UUID
    what: str = Field(min_length=1, max_length=300)
    reason: str = Field(min_length=1, max_length=500)
    job_id: uuid.UUID | None = None


def list_studies(session: Session) -> list[StudyCard]:
    frozen = set(session.scalars(select(ProtocolVersion.study_id).where(ProtocolVersion.frozen_at.is_not(None))))
    return [
        StudyCard(id=s.id, title=s.title, question=s.question, machines=len(s.units), frozen=s.id in frozen)
        for s in session.scalars(select(Study).order_by(Study.created_at.desc()).limit(200))
    ]


def create_study(session: Session, given: NewStudy, person_id: uuid.UUID) -> PlanView:
    if session.scalar(select(Study.id).where(func.lower(Study.title) == given.title.lower())):
        raise Refused(f"There is already a study called {given.title}.")
    seed = given.seed if given.seed is not None else secrets.randbelow(2**31)
    study = Study(id=given.id, title=given.title, question=given.question, currency=given.currency, seed=seed)
    session.add(study)
    session.flush()
    session.add(
        ProtocolVersion(
            study_id=study.id, number=1, artifact_id=built_in_artifact(session).id,
            conditions=Conditions().model_dump(), policies=Policies().model_dump(),
        )
    )  # fmt: skip
    _first_scheme(session, study.id, person_id)
    session.flush()
    return view_plan(session, study.id)


def save_draft(session: Session, study_id: uuid.UUID, draft: Draft) -> PlanView:
    """Replaces the draft's machines, conditions and policies; refused once the protocol is frozen."""
    study, protocol = _open_draft(session, study_id)
    models = [c.model_id for c in draft.candidates]
    if len(set(models)) != len(models):
        raise Refused("A machine is listed twice.")
    if sum(c.is_control for c in draft.candidates) > 1:
        raise Refused("A study has one control machine at most.")
    if draft.spool_id and session.get(Spool, draft.spool_id) is None:
        raise Missing("There is no such spool.")
    if study.version != draft.version:
        raise Conflict(
            view_plan(session, study_id).model_dump(mode="json", include=set(Draft.model_fields) | {"spool"})
        )
    change(session, study, draft.version, {"question": draft.question})
    for row in list(study.units):
        session.delete(row)
    session.flush()
    study.units = [
        StudyUnit(
            study_id=study.id, unit_id=first_unit(session, c.model_id).id, copies=c.copies, is_control=c.is_control,
            position=at,
        )
        for at, c in enumerate(draft.candidates)
    ]  # fmt: skip
    protocol.spool_id = draft.spool_id
    protocol.repeats = draft.repeats
    protocol.conditions = draft.conditions.model_dump()
    protocol.policies = draft.policies.model_dump()
    session.flush()
    session.expire_all()
    return view_plan(session, study_id)


def freeze(session: Session, study_id: uuid.UUID, given: Freeze, person_id: uuid.UUID) -> PlanView:
    """Freezes the protocol and makes the jobs, shuffled within each round of copies."""
    study, protocol = _open_draft(session, study_id)
    if len(study.units) < 2:
        raise Refused("A comparison needs at least two machines.")
    if protocol.spool_id is None:
        raise Refused("Choose the spool before freezing.")
    rounds = max(u.copies for u in study.units)
    blocks = [[(u, copy) for u in study.units if u.copies >= copy] for copy in range(1, rounds + 1)]
    for position, (entry, copy) in enumerate(shuffled_blocks(blocks, study.seed)):
        session.add(
            Job(
                study_id=study.id, unit_id=entry.unit_id, artifact_id=protocol.artifact_id, spool_id=protocol.spool_id,
                copy=copy, position=position,
            )
        )  # fmt: skip
    protocol.frozen_at = stated_time(given.frozen_at)
    protocol.freeze_recorded_at = datetime.now(UTC)
    protocol.frozen_by = person_id
    session.flush()
    return view_plan(session, study_id)


def record_deviation(session: Session, study_id: uuid.UUID, given: NewDeviation, person_id: uuid.UUID) -> PlanView:
    get_study(session, study_id)
    if given.job_id:
        job = session.get(Job, given.job_id)
        if job is None or job.study_id != study_id:
            raise Missing("There is no such job in this study.")
    session.add(ProtocolDeviation(study_id=study_id, person_id=person_id, **given.model_dump()))
    session.flush()
    return view_plan(session, study_id)


def view_plan(session: Session, study_id: uuid.UUID) -> PlanView:
    bench = load_bench(session, study_id)
    study, protocol = bench.study, bench.protocol
    if protocol is None:
        raise Missing("This study has no protocol.")
    deviations = list(
        session.scalars(
            select(ProtocolDeviation)
            .where(ProtocolDeviation.study_id == study_id)
            .order_by(ProtocolDeviation.recorded_at)
        )
    )
    by_job = {d.job_id for d in deviations if d.job_id}
    specimen_of = {s.run_id: s for s in bench.specimens}
    rows = []
    for entry in bench.units:
        layers = []
        for job in sorted((j for j in bench.jobs if j.unit_id == entry.unit_id), key=lambda j: j.copy):
            tries = bench.runs.get(job.id, [])
            specimen = next((specimen_of[r.id] for r in tries if r.id in specimen_of), None)
            layers.append(
                CellLayer(
                    job_id=job.id, copy_number=job.copy,
                    stage=_stage(bench, tries[-1].outcome if tries else None, bool(tries), specimen.id if specimen else None, protocol.repeats),
                    failed_tries=sum(r.outcome is Outcome.FAILED for r in tries), deviations=int(job.id in by_job),
                )
            )  # fmt: skip
        rows.append(CoverageRow(machine=mark_of(entry), layers=layers))
    return PlanView(
        id=study.id, title=study.title, question=study.question, currency=study.currency, seed=study.seed,
        version=study.version, protocol_number=protocol.number, frozen_at=protocol.frozen_at,
        freeze_recorded_at=protocol.freeze_recorded_at,
        candidates=[
            Candidate(model_id=u.unit.model_id, copies=u.copies, is_control=u.is_control) for u in bench.units
        ],
        spool=SpoolOut.model_validate(protocol.spool) if protocol.spool else None,
        repeats=protocol.repeats, conditions=Conditions(**protocol.conditions), policies=Policies(**protocol.policies),
        artifact=artifact_out(protocol.artifact), coverage=rows,
        deviations=[DeviationOut.model_validate(d, extra="ignore") for d in deviations],
    )  # fmt: skip


def mark_of(entry: StudyUnit) -> UnitMark:
    return UnitMark(
        unit_id=entry.unit_id, name=entry.unit.model.name, mark=entry.unit.mark, is_control=entry.is_control
    )


def wanted(protocol: ProtocolVersion) -> Wanted:
    """The protocol's conditions as the core compares them; the material is the spool's unless fixed."""
    conditions = dict(protocol.conditions)
    if conditions.get("material") is None and protocol.spool:
        conditions["material"] = protocol.spool.material
    return Wanted(**conditions)


def _open_draft(session: Session, study_id: uuid.UUID) -> tuple[Study, ProtocolVersion]:
    study, protocol = get_study(session, study_id), current_protocol(session, study_id)
    if protocol is None or protocol.frozen_at is not None:
        raise Refused("The protocol is frozen. A later change is recorded as a deviation with its reason.")
    return study, protocol


def _stage(bench: Bench, outcome: Outcome | None, tried: bool, specimen_id: uuid.UUID | None, repeats: int) -> Stage:
    if specimen_id:
        due = len(bench.features) * repeats
        measured = len(bench.readings.get(specimen_id, [])) >= due
        if bench.scores.get(specimen_id):
            return "inspected" if measured else "printed"
        return "measured" if measured else "printed"
    if not tried:
        return "planned"
    return "printing" if outcome is None else "failed"


def _first_scheme(session: Session, study_id: uuid.UUID, person_id: uuid.UUID) -> None:
    scheme = SchemeVersion(study_id=study_id, number=1, person_id=person_id)
    scheme.criteria = [
        CriterionRow(position=at, code=c.code, weight=c.weight, shape=ValueShape.LINEAR, worst=c.worst, best=c.best)
        for at, c in enumerate(CRITERIA)
    ]
    session.add(scheme)
    counter = BuyerProfile(study_id=study_id, name="Repair counter, staffed", position=0, weights={})
    counter.gates = [
        GateRow(kind=GateKind.LENGTH, limit=180, what="the 180 mm rack arm"),
        GateRow(kind=GateKind.SAFETY, limit=0),
        GateRow(kind=GateKind.NOISE, limit=58),
        GateRow(kind=GateKind.PRICE, limit=700),
    ]
    evening = BuyerProfile(
        study_id=study_id, name="Volunteer evening", position=1,
        weights={"success": 28, "noise": 18, "time": 16, "defects": 12, "accuracy": 10, "repeatability": 6, "cost": 6, "energy": 4},
    )  # fmt: skip
    evening.gates = [GateRow(kind=GateKind.SAFETY, limit=0), GateRow(kind=GateKind.NOISE, limit=55)]
    batch = BuyerProfile(
        study_id=study_id, name="Workshop batch maker", position=2,
        weights={"cost": 30, "success": 20, "time": 16, "accuracy": 12, "repeatability": 10, "defects": 6, "energy": 6, "noise": 0},
    )  # fmt: skip
    batch.gates = [GateRow(kind=GateKind.SAFETY, limit=0), GateRow(kind=GateKind.SUCCESS, limit=0.5)]
    session.add_all([counter, evening, batch])
