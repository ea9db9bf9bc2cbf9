"""Units of models, and what they are set up as now."""

import uuid
from collections.abc import Iterable

from sqlalchemy import func, select
from sqlalchemy.orm import Session

from crevlo.stations.kit.shape import Missing
from crevlo.store.machine import (
    Configuration,
    Model,
    Unit,
)


def first_unit(session: Session, model_id: uuid.UUID, nozzle_mm: float | None = None) -> Unit:
    """The model's first unit, opened with a configuration (and its nozzle, where that is known) where there is none yet."""
    unit = session.scalar(select(Unit).where(Unit.model_id == model_id).order_by(Unit.mark).limit(1))
    if unit:
        return unit
    if session.get(Model, model_id) is None:
        raise Missing("There is no such model.")
    mark = session.scalar(select(func.coalesce(func.max(Unit.mark) + 1, 0))) or 0
    unit = Unit(model_id=model_id, mark=mark)
    session.add(unit)
    session.flush()
    session.add(Configuration(unit_id=unit.id, number=1, **({"nozzle_mm": nozzle_mm} if nozzle_mm else {})))
    return unit


def configuration_of(session: Session, unit_id: uuid.UUID) -> Configuration:
    """What a unit is now. Raises Missing for a unit that does not exist."""
    latest = latest_configurations(session, [unit_id]).get(unit_id)
    if latest is None:
        raise Missing("This unit has no configuration.")
    return latest


def latest_configurations(session: Session, unit_ids: Iterable[uuid.UUID]) -> dict[uuid.UUID, Configuration]:
    rows = session.scalars(
        select(Configuration).where(Configuration.unit_id.in_(list(unit_ids)))
        .distinct(Configuration.unit_id).order_by(Configuration.unit_id, Configuration.number.desc())
    )  # fmt: skip
    return {row.unit_id: row for row in rows}
