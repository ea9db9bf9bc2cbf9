"""Noise readings: of a run, or of a unit that prints nothing, such as one standing by."""

import uuid
from collections import defaultdict
from collections.abc import Iterable
from datetime import datetime

from pydantic import Field
from sqlalchemy import select
from sqlalchemy.orm import Session, aliased

from crevlo.core.estimate import NotDetermined
from crevlo.core.noise import NoiseState, level_at_1_m_db
from crevlo.stations.kit.clock import stated_time
from crevlo.stations.kit.shape import Moment, Refused, Shape
from crevlo.stations.library.instrument import instrument_used
from crevlo.store.machine import InstrumentKind
from crevlo.store.run import NoiseReading


class NoiseOut(Shape):
    id: uuid.UUID
    level_db: float
    background_db: float | None
    distance_m: float
    door_shut: bool
    state: NoiseState
    fan_percent: float | None
    at_1_m_db: float | None
    needs: str | None
    corrected: bool
    taken_at: datetime


class NewNoise(Shape):
    id: uuid.UUID
    level_db: float = Field(ge=0, lt=199)
    background_db: float | None = Field(default=None, ge=0, lt=199)
    distance_m: float = Field(gt=0, le=100)
    door_shut: bool = True
    state: NoiseState = NoiseState.PRINTING
    fan_percent: float | None = Field(default=None, ge=0, le=100)
    instrument_id: uuid.UUID | None = Field(default=None, description="the meter, where several are listed")
    taken_at: Moment | None = None
    supersedes_id: uuid.UUID | None = None
    reason: str | None = Field(default=None, min_length=1, max_length=300)


def add_noise(
    session: Session,
    given: NewNoise,
    person_id: uuid.UUID,
    *,
    run_id: uuid.UUID | None = None,
    unit_id: uuid.UUID | None = None,
) -> None:
    """A reading of a run or of a unit, or the correction of one with its reason; the old one stays."""
    if unit_id and given.state not in (NoiseState.STANDBY, NoiseState.HEATING):
        raise Refused("While it prints, noise is read with the print that runs; this is for standing by and heating.")
    if (given.supersedes_id is None) != (given.reason is None):
        raise Refused("A correction names the reading it replaces and the reason.")
    if given.supersedes_id and session.scalar(
        select(NoiseReading.id).where(NoiseReading.supersedes_id == given.supersedes_id)
    ):
        raise Refused("This reading was corrected meanwhile; correct the newer one.")
    meter = instrument_used(session, InstrumentKind.SOUND_METER, given.instrument_id)
    session.add(
        NoiseReading(
            **given.model_dump(exclude={"taken_at", "instrument_id"}), run_id=run_id, unit_id=unit_id, person_id=person_id,
            instrument_id=meter.id if meter else None, taken_at=stated_time(given.taken_at),
        )
    )  # fmt: skip
    session.flush()


def noise_out(readings: Iterable[NoiseReading]) -> list[NoiseOut]:
    """In the order they were taken, each with its level at 1 m or what that needs."""
    found = []
    for reading in sorted(readings, key=lambda n: n.taken_at):
        level, needs = None, None
        try:
            level = level_at_1_m(reading)
        except NotDetermined as missing:
            needs = missing.needs
        found.append(
            NoiseOut(
                id=reading.id, level_db=reading.level_db, background_db=reading.background_db,
                distance_m=reading.distance_m, door_shut=reading.door_shut, state=reading.state,
                fan_percent=reading.fan_percent, at_1_m_db=level, needs=needs,
                corrected=reading.supersedes_id is not None, taken_at=reading.taken_at,
            )
        )  # fmt: skip
    return found


def level_at_1_m(reading: NoiseReading) -> float:
    """Raises NotDetermined where the background or the distance does not allow it."""
    return level_at_1_m_db(reading.level_db, reading.background_db, reading.distance_m)


def current_noise(
    session: Session, run_ids: list[uuid.UUID], unit_ids: list[uuid.UUID]
) -> dict[uuid.UUID, list[NoiseReading]]:
    """Readings that count, by the run or the unit they are of."""
    newer = aliased(NoiseReading)
    rows = session.scalars(
        select(NoiseReading)
        .outerjoin(newer, newer.supersedes_id == NoiseReading.id)
        .where(NoiseReading.run_id.in_(run_ids) | NoiseReading.unit_id.in_(unit_ids), newer.id.is_(None))
    )
    of: dict[uuid.UUID, list[NoiseReading]] = defaultdict(list)
    for row in rows:
        of[row.run_id or row.unit_id].append(row)  # type: ignore[index]
    return of
