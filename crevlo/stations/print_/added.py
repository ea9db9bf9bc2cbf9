"""Prints outside the plan: a trial, an extra copy, a print again after a change; each counts or not, with its reason."""

import uuid
from enum import StrEnum

from pydantic import Field
from sqlalchemy import func, select
from sqlalchemy.orm import Session

from crevlo.stations.bench import load_bench
from crevlo.stations.kit.shape import Refused, Shape
from crevlo.stations.protocol import MOST_JOBS
from crevlo.stations.study import job_with_unit
from crevlo.store.study import Job, ProtocolDeviation, Study

_MOST_ADDED = 50


class Added(StrEnum):
    EXTRA = "an extra copy"
    TRIAL = "a trial"
    AGAIN = "again after a change"
    BETTER = "a second try of a good print"


class NewPrint(Shape):
    """One more print of the line and machine of a planned one. Only an extra copy counts unless it is said to."""

    id: uuid.UUID
    kind: Added
    counts: bool = Field(description="whether it stands beside the planned copies in every figure")
    reason: str = Field(min_length=1, max_length=500)


def add_print(session: Session, job_id: uuid.UUID, given: NewPrint, person_id: uuid.UUID) -> uuid.UUID:
    """Adds it at the end of the order and puts it on record as a departure. Gives the job."""
    like = job_with_unit(session, job_id)
    session.scalars(select(Study).where(Study.id == like.study_id).with_for_update()).one()
    bench = load_bench(session, like.study_id, [like.unit_id])
    if not given.reason.strip():
        raise Refused("Say why it is printed.")
    if like.id in bench.cannot:
        raise Refused(
            f"It is on record that this machine cannot print it: {bench.cannot[like.id]}. Take that back first."
        )
    counted = select(func.count()).where(Job.study_id == like.study_id)
    alike = (
        Job.arm_id == like.arm_id, Job.unit_id == like.unit_id, Job.artifact_id == like.artifact_id,
        Job.spool_id == like.spool_id,
    )  # fmt: skip
    if (session.scalar(counted.where(*alike, Job.added != "")) or 0) >= _MOST_ADDED:
        raise Refused(f"{_MOST_ADDED} prints were added to this line on this machine; no more are taken.")
    if (session.scalar(counted) or 0) >= MOST_JOBS:
        raise Refused(f"{MOST_JOBS} prints are the most that one study takes.")
    last = session.execute(
        select(func.max(Job.position), select(func.max(Job.copy)).where(*alike).scalar_subquery()).where(
            Job.study_id == like.study_id
        )
    ).one()
    name = bench.artifacts[like.artifact_id].name
    session.add(
        Job(
            id=given.id, study_id=like.study_id, unit_id=like.unit_id, artifact_id=like.artifact_id, **like.feed, arm_id=like.arm_id, copy=last[1] + 1, position=last[0] + 1, parts=like.parts,
            counts=given.counts, added=given.kind.value,
        )
    )  # fmt: skip
    session.flush()
    session.add(
        ProtocolDeviation(
            study_id=like.study_id, job_id=given.id, person_id=person_id, reason=given.reason.strip(),
            what=f"{name}, copy {last[1] + 1}: {given.kind.value}, {'counts' if given.counts else 'does not count'}",
        )
    )  # fmt: skip
    session.flush()
    return given.id
