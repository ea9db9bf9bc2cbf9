"""A study, its protocol and its prints, looked up one by one."""

import uuid
from collections.abc import Sequence

from sqlalchemy import select
from sqlalchemy.orm import Session, joinedload

from crevlo.core.features import KINDS, MEASURED
from crevlo.core.features.kind import places
from crevlo.stations.kit.shape import Missing
from crevlo.store.machine import ArtifactVersion, FeatureRow
from crevlo.store.run import Run, Specimen
from crevlo.store.study import Job, ProtocolVersion, Study


def tries_used(runs: Sequence[Run]) -> int:
    """How many of a job's runs count as tries: one that a person stopped does not, unless they said so."""
    return sum(run.uses_attempt for run in runs)


LineKey = tuple[uuid.UUID, uuid.UUID]


def line_of(job: Job) -> LineKey:
    """Which line of its arm a job belongs to: artifact and spool."""
    return job.artifact_id, job.spool_id


def measured_of(artifact: ArtifactVersion) -> list[FeatureRow]:
    return [f for f in artifact.features if f.kind in MEASURED]


def readings_due(protocol: ProtocolVersion | None, artifact: ArtifactVersion) -> int:
    """Readings that a specimen should get, and features that somebody should judge."""
    if protocol is None:
        return 0
    return sum(places(kind, protocol.repeats) for f in artifact.features if not (kind := KINDS[f.kind]).optional)


def get_study(session: Session, study_id: uuid.UUID) -> Study:
    study = session.get(Study, study_id)
    if study is None:
        raise Missing("There is no such study.")
    return study


def current_protocol(session: Session, study_id: uuid.UUID) -> ProtocolVersion | None:
    return session.scalar(
        select(ProtocolVersion)
        .where(ProtocolVersion.study_id == study_id)
        .order_by(ProtocolVersion.number.desc())
        .limit(1)
    )


def artifacts_of(session: Session, specimen_ids: Sequence[uuid.UUID]) -> dict[uuid.UUID, ArtifactVersion]:
    """The artifact that each specimen is a print of."""
    rows = session.execute(
        select(Specimen.id, ArtifactVersion)
        .join(Run, Run.id == Specimen.run_id)
        .join(Job, Job.id == Run.job_id)
        .join(ArtifactVersion, ArtifactVersion.id == Job.artifact_id)
        .where(Specimen.id.in_(specimen_ids))
    )
    return dict(rows.tuples().all())


def artifact_of(session: Session, specimen: Specimen) -> ArtifactVersion:
    return artifacts_of(session, [specimen.id])[specimen.id]


def job_with_unit(session: Session, job_id: uuid.UUID) -> Job:
    job = session.scalar(select(Job).where(Job.id == job_id).options(joinedload(Job.unit)))
    if job is None:
        raise Missing("There is no such job.")
    return job
