"""Instruments on the bench that read features, and the zero checks that a day's work starts with."""

import uuid
from collections.abc import Collection, Sequence
from dataclasses import dataclass
from datetime import UTC, datetime, timedelta

from pydantic import Field
from sqlalchemy import func, select
from sqlalchemy.orm import Session

from crevlo.core.features import KINDS
from crevlo.stations.kit.clock import stated_time
from crevlo.stations.kit.shape import Missing, Moment, Shape
from crevlo.stations.library.instrument import overdue
from crevlo.store.gauge import Hand
from crevlo.store.machine import Instrument, InstrumentKind, ZeroCheck

ZERO_HOLDS = timedelta(hours=12)


class InstrumentNow(Shape):
    id: uuid.UUID
    code: str
    kind: InstrumentKind
    unit: str
    resolution: float
    expanded: float = Field(description="the calibration's U, k = 2")
    zero_at: datetime | None
    zero_due: bool
    overdue: str | None = Field(description="what to say where the calibration has run out")


class NewZero(Shape):
    id: uuid.UUID
    instrument_id: uuid.UUID
    value: float = Field(gt=-1, lt=1)
    part_c: float | None = Field(default=None, ge=-20, le=100, description="how warm the parts of this sitting are")
    taken_at: Moment | None = None


def instruments_now(session: Session) -> list[InstrumentNow]:
    """All that may read some kind of feature, calipers first."""
    wanted = sorted({kind for feature in KINDS.values() for kind in feature.instruments})
    rows = session.scalars(
        select(Instrument).where(Instrument.kind.in_(wanted)).order_by(Instrument.kind, Instrument.code)
    ).all()
    checks = select(ZeroCheck.instrument_id, func.max(ZeroCheck.taken_at)).group_by(ZeroCheck.instrument_id)
    latest = dict(session.execute(checks.where(ZeroCheck.instrument_id.in_([i.id for i in rows]))).tuples().all())
    return [
        InstrumentNow(
            id=i.id, code=i.code, kind=i.kind, unit=i.unit, resolution=i.resolution, expanded=2 * i.u_calibration,
            zero_at=latest.get(i.id), overdue=overdue(i),
            zero_due=i.id not in latest or datetime.now(UTC) - latest[i.id] > ZERO_HOLDS,
        )
        for i in rows
    ]  # fmt: skip


def instrument_of(session: Session, instrument_id: uuid.UUID) -> Instrument:
    instrument = session.get(Instrument, instrument_id)
    if instrument is None:
        raise Missing("There is no such instrument.")
    return instrument


def record_zero(session: Session, given: NewZero, person_id: uuid.UUID) -> None:
    instrument_of(session, given.instrument_id)
    session.add(
        ZeroCheck(
            id=given.id, instrument_id=given.instrument_id, value=given.value, part_c=given.part_c, person_id=person_id,
            taken_at=stated_time(given.taken_at),
        )
    )  # fmt: skip
    session.flush()


@dataclass(frozen=True)
class Sittings:
    """What is known of one person's sittings with some instruments: how warm the parts were, and how steady the hand."""

    zeros: Sequence[ZeroCheck]
    hands: Sequence[Hand]

    def part_c(self, instrument_id: uuid.UUID, at: datetime) -> float | None:
        """How warm the parts were that were read then, by the zero check that the sitting began with; None where it was not
        said."""
        before = (z for z in self.zeros if z.instrument_id == instrument_id and z.taken_at <= at)
        began = next(before, None)
        return began.part_c if began and began.taken_at > at - ZERO_HOLDS else None

    def hand_id(self, instrument_id: uuid.UUID, kind: str, at: datetime) -> uuid.UUID | None:
        """What a gauge study that ended before says of this person; None where none does."""
        held = (h for h in self.hands if h.instrument_id == instrument_id and h.from_at <= at and kind in h.kinds)
        return next((h.id for h in held), None)


def sittings_of(
    session: Session, instrument_ids: Collection[uuid.UUID], person_id: uuid.UUID, at: Collection[datetime]
) -> Sittings:
    """The sittings in which this person may have read something at those moments."""
    zeros = (
        select(ZeroCheck)
        .where(
            ZeroCheck.instrument_id.in_(instrument_ids), ZeroCheck.person_id == person_id,
            ZeroCheck.taken_at > min(at) - ZERO_HOLDS, ZeroCheck.taken_at <= max(at),
        )
        .order_by(ZeroCheck.taken_at.desc())
    )  # fmt: skip
    hands = (
        select(Hand)
        .where(Hand.instrument_id.in_(instrument_ids), Hand.person_id == person_id, Hand.from_at <= max(at))
        .order_by(Hand.from_at.desc())
    )
    return Sittings(session.scalars(zeros).all(), session.scalars(hands).all())
