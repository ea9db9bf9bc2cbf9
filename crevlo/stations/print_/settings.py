"""Settings of a job's sliced file beside those of the other machines."""

import uuid
from typing import TYPE_CHECKING

from sqlalchemy import func, select
from sqlalchemy.orm import Session

from crevlo.core.gcode.settings import Affects, differing
from crevlo.stations.kit.shape import Shape
from crevlo.stations.study import job_with_unit
from crevlo.store.machine import Model, Unit
from crevlo.store.run import SlicedFile
from crevlo.store.study import Arm, Job

if TYPE_CHECKING:
    pass


_MOST_COMPARED = 12


class SettingOut(Shape):
    key: str
    affects: Affects
    values: list[str | None]


class ComparedFile(Shape):
    file_id: uuid.UUID
    machine: str
    mark: int
    name: str
    arm: str
    planned_s: float | None


class SettingsView(Shape):
    """This file and the newest of every other machine for the same artifact; the rows in which they differ."""

    files: list[ComparedFile]
    rows: list[SettingOut]


def view_settings(session: Session, job_id: uuid.UUID) -> SettingsView:
    """This job's newest file first, then the newest of every other machine and arm for the same artifact."""
    job = job_with_unit(session, job_id)
    newest = (
        select(SlicedFile.id)
        .join(Job, Job.id == SlicedFile.job_id)
        .where(Job.study_id == job.study_id, Job.artifact_id == job.artifact_id, SlicedFile.withdrawn_at.is_(None))
        .distinct(Job.unit_id, Job.arm_id)
        .order_by(Job.unit_id, Job.arm_id, (Job.id == job.id).desc(), SlicedFile.received_at.desc())
    )  # fmt: skip
    rows = session.execute(
        select(
            SlicedFile.id, SlicedFile.job_id, SlicedFile.name, SlicedFile.settings, SlicedFile.motion["planned_s"].as_float(), func.trim(Model.name + " " + Unit.label),
            Unit.mark, Arm.name,
        )
        .join(Job, Job.id == SlicedFile.job_id).join(Arm, Arm.id == Job.arm_id)
        .join(Unit, Unit.id == Job.unit_id).join(Model, Model.id == Unit.model_id)
        .where(SlicedFile.id.in_(newest)).order_by((Job.id == job.id).desc(), Arm.name, Model.name).limit(_MOST_COMPARED)
    ).all()  # fmt: skip
    if not rows or rows[0].job_id != job_id:
        return SettingsView(files=[], rows=[])
    return SettingsView(
        files=[
            ComparedFile(file_id=id_, name=name, planned_s=planned_s, machine=machine, mark=mark, arm=arm)
            for id_, _, name, _, planned_s, machine, mark, arm in rows
        ],
        rows=[
            SettingOut(key=r.key, affects=r.affects, values=list(r.values))
            for r in differing([settings for _, _, _, settings, *_ in rows])
        ],
    )  # fmt: skip
