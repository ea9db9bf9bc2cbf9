"""A unit that another of its model takes the place of: damaged on the way, or failed for good."""

import uuid

from pydantic import Field
from sqlalchemy import func, select
from sqlalchemy.orm import Session

from crevlo.core.ability import Because
from crevlo.stations.bench import load_bench
from crevlo.stations.kit.shape import Missing, Refused, Shape
from crevlo.stations.library.unit import nth_unit, unit_numbers
from crevlo.stations.protocol import MOST_UNITS
from crevlo.stations.study import line_of
from crevlo.store.machine import Unit
from crevlo.store.run import Ability, Run
from crevlo.store.study import Job, ProtocolDeviation, Study, StudyUnit


class Replacement(Shape):
    """Why, and which unit of the model takes its place; without a number a new one is opened."""

    id: uuid.UUID
    reason: str = Field(min_length=1, max_length=300)
    unit: int | None = Field(default=None, ge=1, le=MOST_UNITS)


def replace_unit(
    session: Session, study_id: uuid.UUID, unit_id: uuid.UUID, given: Replacement, person_id: uuid.UUID
) -> None:
    """The new unit prints all that was planned for the old one; what the old one printed stays on record and out of the
    comparison. Refused while it prints, and before the protocol is frozen."""
    session.scalars(select(Study).where(Study.id == study_id).with_for_update()).one_or_none()
    bench = load_bench(session, study_id)
    old = next((u for u in bench.units if u.unit_id == unit_id), None)
    if old is None:
        raise Missing("This unit takes no part in the study.")
    reason = given.reason.strip()
    if not reason:
        raise Refused("Say why it is replaced.")
    if bench.protocol is None or bench.protocol.frozen_at is None:
        raise Refused("Nothing is planned for it yet: choose another unit at Plan.")
    if old.replaced_by:
        raise Refused("It was replaced already.")
    if session.scalar(select(Run.id).join(Job).where(Job.unit_id == unit_id, Run.ended_at.is_(None)).limit(1)):
        raise Refused("It is printing just now. End the run first.")
    new = _successor(session, old, given.unit)
    if any(u.unit_id == new.id for u in bench.units):
        raise Refused(f"{new.name} takes part in this study already.")
    old.replaced_by, old.replaced_because = new.id, reason
    was_control, old.is_control = old.is_control, False
    session.flush()
    session.add(
        StudyUnit(
            study_id=study_id, unit_id=new.id, is_control=was_control,
            position=1 + max(u.position for u in bench.units),
        )
    )  # fmt: skip
    planned = [j for j in bench.jobs_of(unit_id) if not j.added]
    last = session.scalar(select(func.max(Job.position)).where(Job.study_id == study_id)) or 0
    for at, job in enumerate(planned, last + 1):
        session.add(
            Job(
                study_id=study_id, unit_id=new.id, artifact_id=job.artifact_id, **job.feed, arm_id=job.arm_id, copy=job.copy, position=at, parts=job.parts,
            )
        )  # fmt: skip
    for artifact_id, spool_id in {line_of(j) for j in planned if j.id not in bench.cannot}:
        session.add(
            Ability(
                study_id=study_id, unit_id=unit_id, artifact_id=artifact_id, spool_id=spool_id, able=False,
                because=Because.OTHER, words=f"replaced by {new.name}: {reason}", person_id=person_id,
            )
        )  # fmt: skip
    session.add(
        ProtocolDeviation(
            id=given.id, study_id=study_id, person_id=person_id, reason=reason,
            what=f"{old.unit.name} is replaced by {new.name}, which prints all of its plan anew",
        )
    )  # fmt: skip
    session.flush()
    session.expire_all()


def _successor(session: Session, old: StudyUnit, number: int | None) -> Unit:
    if number is None:
        numbers = unit_numbers(session, [old.unit])
        return nth_unit(session, old.unit.model_id, len(numbers) + 1)
    return nth_unit(session, old.unit.model_id, number)
