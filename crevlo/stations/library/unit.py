"""Units of models, and what they are set up as now."""

import uuid
from collections.abc import Iterable

from sqlalchemy import func, select
from sqlalchemy.orm import Session

from crevlo.stations.kit.shape import Missing, Refused
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
    return _open(session, model_id, "", nozzle_mm)


def nth_unit(session: Session, model_id: uuid.UUID, number: int) -> Unit:
    """The model's first, second … unit in the order they came; the next one is opened with its number for a label.

    Raises Refused for a number beyond the next.
    """
    first = first_unit(session, model_id)
    if number == 1:
        return first
    # One after the other: two who open the next unit at once open one.
    session.scalars(select(Model.id).where(Model.id == model_id).with_for_update()).one()
    units = list(session.scalars(select(Unit).where(Unit.model_id == model_id).order_by(Unit.mark)))
    if number <= len(units):
        return units[number - 1]
    if number > len(units) + 1:
        raise Refused(
            f"There {'is one unit' if len(units) == 1 else f'are {len(units)} units'} of this model; the next is number {len(units) + 1}."
        )
    taken = {u.label for u in units}
    label = next(f"no. {n}" for n in range(number, number + len(units) + 1) if f"no. {n}" not in taken)
    return _open(session, model_id, label)


def unit_numbers(session: Session, units: Iterable[Unit]) -> dict[uuid.UUID, int]:
    """Which unit of its model each is, 1 for the first that came; of every unit of these models."""
    found: dict[uuid.UUID, int] = {}
    counts: dict[uuid.UUID, int] = {}
    models = {u.model_id for u in units}
    for unit, model in session.execute(
        select(Unit.id, Unit.model_id).where(Unit.model_id.in_(models)).order_by(Unit.mark)
    ):
        found[unit] = counts[model] = counts.get(model, 0) + 1
    return found


def _open(session: Session, model_id: uuid.UUID, label: str, nozzle_mm: float | None = None) -> Unit:
    mark = session.scalar(select(func.coalesce(func.max(Unit.mark) + 1, 0))) or 0
    unit = Unit(model_id=model_id, mark=mark, label=label)
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
