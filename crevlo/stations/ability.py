"""What machines cannot print, as was said last."""

import uuid
from collections.abc import Callable, Iterable

from sqlalchemy import select
from sqlalchemy.orm import Session

from crevlo.core.ability import reason
from crevlo.store.run import Ability
from crevlo.store.study import Job


def cannot_print(session: Session, study_id: uuid.UUID, jobs: Callable[[], Iterable[Job]]) -> dict[uuid.UUID, str]:
    """By job why its machine cannot print it; jobs that it can print are left out."""
    rows = session.scalars(
        select(Ability).where(Ability.study_id == study_id).order_by(Ability.recorded_at, Ability.id)
    )
    # Seldom said: the jobs are looked at only where it was.
    latest = {(a.unit_id, a.artifact_id, a.spool_id): a for a in rows}
    found = {job.id: latest.get((job.unit_id, job.artifact_id, job.spool_id)) for job in (jobs() if latest else ())}
    return {
        j: reason(a.because, a.words if a.words != a.because else "") for j, a in found.items() if a and not a.able
    }
