"""The line: how far a study has come at each of the eight stations."""

import uuid
from datetime import UTC, datetime

from pydantic import Field
from sqlalchemy import func, select
from sqlalchemy.orm import Session

from crevlo.core.success import Outcome
from crevlo.stations.bench import load_bench
from crevlo.stations.blind import Blinding, blinding
from crevlo.stations.entered import places_entered
from crevlo.stations.kit.shape import Shape
from crevlo.stations.price import prices_of
from crevlo.stations.safety import latest_safety, safety_records, safety_standing
from crevlo.stations.study import current_protocol, get_study, readings_due
from crevlo.store.machine import ArtifactVersion
from crevlo.store.published import ReportRevision
from crevlo.store.reading import InspectionLock, Rejection
from crevlo.store.run import Ability, Run, Specimen
from crevlo.store.study import Job, Study


class StationProgress(Shape):
    station: str
    count: str
    share: float
    trouble: bool


class PrintingNow(Shape):
    job_id: uuid.UUID
    machine: str
    started_at: datetime


class Line(Shape):
    study_id: uuid.UUID
    title: str
    entered_from: str = Field(description="the file it was taken over from, of a study kept elsewhere before")
    frozen: bool
    revealed: bool
    blinding: Blinding
    now: datetime
    printing: list[PrintingNow]
    stations: list[StationProgress]


def line(session: Session, study_id: uuid.UUID, *, blind: bool) -> Line:
    study = get_study(session, study_id)
    protocol = current_protocol(session, study_id)
    frozen = bool(protocol and protocol.frozen_at)
    planned = session.scalar(select(func.count()).where(Job.study_id == study_id)) or 0
    # Seldom said, so that a whole bench is loaded for it only then.
    said = session.scalar(select(Ability.id).where(Ability.study_id == study_id).limit(1))
    cannot = set(load_bench(session, study_id).cannot) if said else set()
    tried = select(Run, Job.unit_id).join(Job, Job.id == Run.job_id).where(Job.study_id == study_id).subquery()
    # A rejected print has come to nothing; who was rejected stays so whatever its cause is called later.
    rejected = (
        select(Specimen.run_id)
        .join(Rejection, Rejection.specimen_id == Specimen.id)
        .where(Specimen.study_id == study_id)
    )
    good = select(tried.c.job_id).where(tried.c.outcome == Outcome.DONE.value, tried.c.id.not_in(rejected))
    done = session.scalar(select(func.count()).select_from(good.distinct().subquery())) or 0
    if cannot:
        cannot -= set(session.scalars(good.where(tried.c.job_id.in_(cannot))))
    jobs = planned - len(cannot)
    live = [] if blind else _printing(session, study)
    failed_open = session.scalar(
        select(func.count(func.distinct(tried.c.job_id))).where(
            (tried.c.outcome == Outcome.FAILED.value) | tried.c.id.in_(rejected),
            tried.c.job_id.not_in(good),
            tried.c.job_id.not_in(cannot),
            tried.c.job_id.not_in(select(tried.c.job_id).where(tried.c.ended_at.is_(None))),
        )
    ) or 0  # fmt: skip
    specimens = places_entered(session, study_id)
    printed = {s.artifact_id for s in specimens}
    due = {
        a.id: readings_due(protocol, a)
        for a in session.scalars(select(ArtifactVersion).where(ArtifactVersion.id.in_(printed)))
    }
    measured = sum(s.rejected or s.places >= due[s.artifact_id] for s in specimens)
    locked = session.scalar(
        select(func.count(func.distinct(InspectionLock.specimen_id)))
        .join(Specimen, Specimen.id == InspectionLock.specimen_id)
        .where(Specimen.study_id == study_id, Specimen.run_id.not_in(rejected))
    ) or 0  # fmt: skip
    locked += sum(s.rejected for s in specimens)
    units = [u.unit_id for u in study.units]
    safety = latest_safety(session, units)
    received = sum(safety_standing(safety.get(u, {})) is not None for u in units)
    prices = prices_of(session, study_id, units)
    # A cost stands on the price paid, and on what a good print took.
    powered = set(
        session.scalars(
            select(tried.c.unit_id)
            .where(tried.c.outcome == Outcome.DONE.value, tried.c.energy_kwh.is_not(None))
            .distinct()
        )
    )
    priced = sum(p.paid is not None and unit in powered for unit, p in prices.items())
    revisions = session.scalar(select(func.count()).where(ReportRevision.study_id == study_id)) or 0
    failing = any(safety_standing(safety.get(u, {})) is False for u in units)
    failing = failing or any(r.ended for r in safety_records(session, units).values())
    wanted = max(jobs, 1)
    handled = 2 * max(wanted, len(specimens))
    stations = [
        StationProgress(station="plan", count=str(jobs) if frozen else "draft", share=1.0 if frozen else 0.3, trouble=False),
        StationProgress(station="receive", count=f"{received}/{len(units)}", share=received / max(len(units), 1), trouble=failing),
        StationProgress(station="print", count=f"{done}/{jobs}", share=done / wanted, trouble=failed_open > 0),
        StationProgress(station="measure", count=f"{measured}/{len(specimens)}", share=measured / max(len(specimens), 1), trouble=False),
        StationProgress(station="inspect", count=f"{locked}/{len(specimens)}", share=locked / max(len(specimens), 1), trouble=False),
        StationProgress(station="cost", count=f"{priced}/{len(units)}", share=priced / max(len(units), 1), trouble=False),
        StationProgress(
            station="rank", count=f"{round(100 * (measured + locked) / handled)} %",
            share=(measured + locked) / handled, trouble=False,
        ),
        StationProgress(station="publish", count=f"rev {revisions}" if revisions else "draft", share=1.0 if revisions else 0.1, trouble=False),
    ]  # fmt: skip
    return Line(
        study_id=study.id, title=study.title, entered_from=study.entered_from, frozen=frozen, revealed=study.revealed_at is not None,
        blinding=blinding(session, study_id), now=datetime.now(UTC), printing=live, stations=stations,
    )  # fmt: skip


def _printing(session: Session, study: Study) -> list[PrintingNow]:
    rows = session.execute(
        select(Run.job_id, Job.unit_id, Run.started_at)
        .join(Job, Job.id == Run.job_id)
        .where(Job.study_id == study.id, Run.ended_at.is_(None))
        .order_by(Run.started_at)
    )
    names = {u.unit_id: u.unit.name for u in study.units}
    return [PrintingNow(job_id=job, machine=names[unit], started_at=at) for job, unit, at in rows]
