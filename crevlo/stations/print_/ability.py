"""What a machine cannot print: said with its reason, taken back with one."""

import uuid

from pydantic import Field, model_validator
from sqlalchemy import select
from sqlalchemy.orm import Session

from crevlo.core.ability import Because
from crevlo.stations.bench import load_bench
from crevlo.stations.kit.shape import Refused, Shape
from crevlo.stations.study import job_with_unit, line_of
from crevlo.store.machine import Spool
from crevlo.store.run import Ability, Run
from crevlo.store.study import Job


class NewAbility(Shape):
    """Whether the machine of a print can print its piece; `of_material`: or anything of its spool's material in this study."""

    id: uuid.UUID
    able: bool
    because: Because = Because.OTHER
    words: str = Field(default="", max_length=300)
    of_material: bool = False

    @model_validator(mode="after")
    def _says_why(self) -> "NewAbility":
        if (self.able or self.because is Because.OTHER) and not self.words.strip():
            raise ValueError("say why")
        return self


def say(session: Session, job_id: uuid.UUID, given: NewAbility, person_id: uuid.UUID) -> uuid.UUID:
    """Keeps it for the print's line on its machine, or for every line of the material. Refused while one of them prints. Gives the job."""
    job = job_with_unit(session, job_id)
    material = session.get_one(Spool, job.spool_id).material
    jobs = [
        other
        for other in session.scalars(select(Job).where(Job.study_id == job.study_id, Job.unit_id == job.unit_id))
        if line_of(other) == line_of(job)
        or (given.of_material and session.get_one(Spool, other.spool_id).material == material)
    ]
    if session.scalar(select(Run.id).where(Run.job_id.in_([j.id for j in jobs]), Run.ended_at.is_(None)).limit(1)):
        raise Refused("It is printing that just now. End the run first.")
    cannot = load_bench(session, job.study_id, [job.unit_id]).cannot
    lines = {line_of(other): other for other in jobs if given.able == (other.id in cannot)}
    if not lines:
        raise Refused("That is on record already." if not given.able else "Nothing says that it cannot.")
    for at, (artifact_id, spool_id) in enumerate(lines):
        session.add(
            Ability(
                id=given.id if at == 0 else uuid.uuid4(), study_id=job.study_id, unit_id=job.unit_id, artifact_id=artifact_id,
                spool_id=spool_id, able=given.able, because=given.because, words=given.words.strip() or given.because.value,
                person_id=person_id,
            )
        )  # fmt: skip
    session.flush()
    return job_id
