"""What a print would take if its machine sped up, took corners or melted plastic otherwise."""

import uuid

from pydantic import BaseModel, Field
from sqlalchemy.orm import Session

from crevlo.stations.kit.kept import Kept
from crevlo.stations.kit.shape import Missing, Refused, Shape
from crevlo.stations.kit.upload import upload_content
from crevlo.stations.print_.sliced import SMALL_BYTES, machine_of, newest_file
from crevlo.stations.study import job_with_unit


class WhatIfQuery(BaseModel):
    acceleration: float = Field(default=1, ge=0.1, le=10, description="times what the file and the machine have")
    corner: float = Field(default=1, ge=0.1, le=10, description="times the speed that corners are taken at")
    flow: float | None = Field(
        default=None, ge=0.1, le=200, description="mm³/s that melt; none: as the machine's sheet has it"
    )


class Replanned(Shape):
    as_it_is_s: float
    planned_s: float
    says: str


_KEPT: Kept[Replanned] = Kept(256)


def what_if(session: Session, job_id: uuid.UUID, asked: WhatIfQuery) -> Replanned:
    """The newest file of a job planned with other limits. Raises Refused for one too large to wait for."""
    job, file = job_with_unit(session, job_id), newest_file(session, job_id)
    if file is None or not file.motion:
        raise Missing("There is no sliced file with moves on this print yet.")
    if file.facts["size_bytes"] > SMALL_BYTES:
        raise Refused(f"Only a file of up to {SMALL_BYTES // 1_000_000} MB is planned anew while somebody waits.")
    machine = machine_of(job.unit.model)
    key = repr((file.sha256, machine, asked.model_dump()))

    def make() -> Replanned:
        from dataclasses import replace

        from crevlo.core.motion.limits import Turned
        from crevlo.core.motion.stream import plan_stream
        from crevlo.core.motion.what_if import say_what_if

        content = upload_content(session, file.sha256)
        now = plan_stream(content.chunks(), machine=machine).seconds
        other = replace(machine, most_mm3_s=asked.flow) if asked.flow else machine
        turned = Turned(acceleration=asked.acceleration, corner=asked.corner)
        then = plan_stream(content.chunks(), machine=other, turned=turned).seconds
        return Replanned(as_it_is_s=now, planned_s=then, says=say_what_if(now, then))

    return _KEPT.get(key, make)
