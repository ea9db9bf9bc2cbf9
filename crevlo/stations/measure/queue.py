"""The shuffled queue of blind codes that wait for the caliper. Nothing here names a machine, spool or file."""

import uuid
from datetime import UTC, datetime

from pydantic import Field
from sqlalchemy import select
from sqlalchemy.orm import Session

from crevlo.stations.entered import places_entered
from crevlo.stations.kit.shape import Missing, Shape
from crevlo.stations.library.shown import ArtifactOut, artifact_out
from crevlo.stations.measure.instruments import InstrumentNow, instruments_now
from crevlo.stations.study import current_protocol, get_study, readings_due
from crevlo.store.machine import ArtifactVersion


class QueueLine(Shape):
    id: uuid.UUID
    blind_code: str
    artifact_id: uuid.UUID
    artifact: str
    done: int
    due: int
    rejected: bool = Field(description="the print was rejected: what was read of it stands, more is not due")


class MeasureQueue(Shape):
    now: datetime
    revealed: bool = Field(description="whether the machines are known: a reading then needs a reason")
    repeats: int
    artifacts: list[ArtifactOut]
    instruments: list[InstrumentNow]
    queue: list[QueueLine]


def view_queue(session: Session, study_id: uuid.UUID, person_id: uuid.UUID) -> MeasureQueue:
    protocol = current_protocol(session, study_id)
    if protocol is None:
        raise Missing("There is no such study.")
    specimens = places_entered(session, study_id, person_id)
    wanted = {s.artifact_id for s in specimens}
    # Before the first print there is already something to look at: what will be measured.
    wanted = wanted or {line.artifact_id for arm in protocol.arms for line in arm.lines}
    rows = session.scalars(select(ArtifactVersion).where(ArtifactVersion.id.in_(wanted)))
    artifacts = {a.id: a for a in rows}
    due = {a.id: readings_due(protocol, a) for a in artifacts.values()}
    return MeasureQueue(
        now=datetime.now(UTC), revealed=get_study(session, study_id).revealed_at is not None,
        repeats=protocol.repeats, artifacts=[artifact_out(session, a) for a in artifacts.values()],
        instruments=instruments_now(session),
        queue=[
            QueueLine(
                id=s.specimen_id, blind_code=s.blind_code, artifact_id=s.artifact_id, artifact=artifacts[s.artifact_id].name,
                done=min(s.places, due[s.artifact_id]), due=due[s.artifact_id],
                rejected=s.rejected,
            )
            for s in specimens
        ],
    )  # fmt: skip
