"""Prints that cannot be used: each counts as a failed one, with its cause, and opens a reprint."""

import uuid

from pydantic import Field
from sqlalchemy import select
from sqlalchemy.orm import Session

from crevlo.core.success import Cause
from crevlo.stations.entered import current_rejections
from crevlo.stations.kit.shape import Missing, Refused, Shape
from crevlo.store.reading import Rejection
from crevlo.store.run import Run, Specimen


class NewRejection(Shape):
    """A print that is rejected, or another cause or words for one that is, with the reason for the change."""

    id: uuid.UUID
    cause: Cause
    words: str = Field(min_length=1, max_length=300)
    reason: str | None = Field(default=None, min_length=1, max_length=300)


def reject_run(session: Session, run_id: uuid.UUID, given: NewRejection, person_id: uuid.UUID) -> uuid.UUID:
    """Rejects what came of a run, as it lies on the plate or later; gives the run's job."""
    run = session.get(Run, run_id)
    specimen = session.scalar(select(Specimen).where(Specimen.run_id == run_id))
    if run is None or specimen is None:
        raise Missing("There is no print of this run that could be rejected.")
    known = current_rejections(session, [specimen.id]).get(specimen.id)
    if known and not given.reason:
        raise Refused("This print is rejected already. To change the cause, say why.")
    session.add(
        Rejection(
            id=given.id, specimen_id=specimen.id, cause=given.cause, words=given.words.strip(), person_id=person_id,
            supersedes_id=known.id if known else None, reason=given.reason if known else None,
        )
    )  # fmt: skip
    session.flush()
    return run.job_id


def reject_specimen(session: Session, specimen_id: uuid.UUID, defect: str, person_id: uuid.UUID) -> None:
    """A structural defect at its worst rejects a specimen; what caused it is told later, by who knows the run."""
    if not current_rejections(session, [specimen_id]):
        words = f"{defect} at its worst, 5 of 5."
        session.add(Rejection(specimen_id=specimen_id, cause=Cause.UNKNOWN, words=words, person_id=person_id))
        session.flush()
