"""Readings of specimens, and their corrections. Nothing here names a machine, spool or file."""

import uuid
from collections.abc import Sequence

from pydantic import Field
from sqlalchemy import select
from sqlalchemy.orm import Session

from crevlo.core.estimate import BadInput
from crevlo.core.features import KINDS
from crevlo.core.features.kind import MOST_OVER, check_over, check_value, most_places
from crevlo.stations.blind import late_reason, sees_only_own
from crevlo.stations.kit.clock import stated_time
from crevlo.stations.kit.shape import Missing, Moment, Refused, Shape
from crevlo.stations.measure.instruments import instrument_of, sittings_of
from crevlo.stations.measure.specimen import specimen_of
from crevlo.stations.study import artifact_of, measured_of
from crevlo.store.machine import ArtifactVersion, FeatureRow, Instrument
from crevlo.store.reading import Reading


class NewReading(Shape):
    id: uuid.UUID
    after_reveal: str | None = Field(
        default=None, max_length=300, description="why this is entered although the machines are known"
    )
    feature_id: uuid.UUID
    repeat: int = Field(ge=1, le=10)
    value: float | None = Field(default=None, gt=-1e9, lt=1e9, description="in the unit of its feature")
    cannot_because: str | None = Field(default=None, min_length=1, max_length=300)
    note: str | None = Field(
        default=None, min_length=1, max_length=300, description="why it is kept although far off"
    )
    instrument_id: uuid.UUID
    over: int = Field(
        default=1, ge=0, le=MOST_OVER, description="over how many waves or changes; 0 where there are none"
    )
    taken_at: Moment | None = None


class NewReadings(Shape):
    """Several readings of one specimen at once: kept all, or none of them."""

    readings: list[NewReading] = Field(min_length=1, max_length=400)


class Correction(Shape):
    id: uuid.UUID
    after_reveal: str | None = Field(default=None, max_length=300)
    supersedes_id: uuid.UUID
    value: float | None = Field(default=None, gt=-1e9, lt=1e9, description="in the unit of its feature")
    cannot_because: str | None = Field(default=None, min_length=1, max_length=300)
    reason: str = Field(min_length=1, max_length=300)
    instrument_id: uuid.UUID
    over: int = Field(default=1, ge=0, le=MOST_OVER)
    taken_at: Moment | None = None


def record_readings(
    session: Session,
    specimen_id: uuid.UUID,
    given: Sequence[NewReading],
    person_id: uuid.UUID,
    *,
    reviews: bool = False,
) -> None:
    """Keeps what was read off one specimen; where one reading is refused, none is kept."""
    specimen, protocol = specimen_of(session, specimen_id)
    artifact = artifact_of(session, specimen)
    taken = set(
        session.execute(select(Reading.feature_id, Reading.repeat).where(Reading.specimen_id == specimen_id)).tuples()
    )
    late = {
        reason: late_reason(session, specimen.study_id, reason, reviews=reviews)
        for reason in {reading.after_reveal for reading in given}
    }
    instruments = {i: instrument_of(session, i) for i in {reading.instrument_id for reading in given}}
    moments = [stated_time(reading.taken_at) for reading in given]
    sittings = sittings_of(session, instruments, person_id, moments)
    for reading, at in zip(given, moments, strict=True):
        feature = _feature(artifact, reading.feature_id)
        _reads(instruments[reading.instrument_id], feature)
        most = most_places(KINDS[feature.kind], protocol.repeats)
        if reading.repeat > most:
            raise Refused(
                f"{feature.code} is read {most} times at most." if most > 1 else f"{feature.code} is read once."
            )
        _sensible(reading.value, reading.cannot_because, feature, reading.note, reading.over)
        if (feature.id, reading.repeat) in taken:
            raise Refused(
                f"{feature.code} reading {reading.repeat} is already kept; a change is a correction with its reason."
            )
        taken.add((feature.id, reading.repeat))
        session.add(
            Reading(
                specimen_id=specimen_id,
                person_id=person_id,
                **reading.model_dump(exclude={"taken_at", "after_reveal"}),
                taken_at=at,
                part_c=sittings.part_c(reading.instrument_id, at),
                hand_id=sittings.hand_id(reading.instrument_id, feature.kind, at),
                after_reveal=late[reading.after_reveal],
            )
        )
    session.flush()


def correct_reading(
    session: Session, specimen_id: uuid.UUID, given: Correction, person_id: uuid.UUID, *, reviews: bool = False
) -> None:
    """A newer row with the reason; the old one stays. Of two corrections of the same reading the second is refused."""
    specimen, _ = specimen_of(session, specimen_id)
    late = late_reason(session, specimen.study_id, given.after_reveal, reviews=reviews)
    old = session.get(Reading, given.supersedes_id)
    if old is None or old.specimen_id != specimen_id:
        raise Missing("There is no such reading on this specimen.")
    if old.person_id != person_id and sees_only_own(session, specimen.study_id, person_id):
        raise Refused("Someone else took this reading. Until the reveal only they can correct it.")
    if session.scalar(select(Reading.id).where(Reading.supersedes_id == old.id)):
        raise Refused("This reading was corrected meanwhile; correct the newer one.")
    # The reason of a correction says too why it is kept although far off.
    artifact = artifact_of(session, specimen)
    feature = _feature(artifact, old.feature_id)
    _sensible(given.value, given.cannot_because, feature, given.reason, given.over)
    _reads(instrument_of(session, given.instrument_id), feature)
    at = stated_time(given.taken_at)
    sittings = sittings_of(session, [given.instrument_id], person_id, [at])
    session.add(
        Reading(
            specimen_id=specimen_id, feature_id=old.feature_id, repeat=old.repeat, person_id=person_id,
            **given.model_dump(exclude={"taken_at", "after_reveal"}), taken_at=at, after_reveal=late,
            part_c=sittings.part_c(given.instrument_id, at),
            hand_id=sittings.hand_id(given.instrument_id, feature.kind, at),
        )
    )  # fmt: skip
    session.flush()


def _sensible(
    value: float | None, cannot_because: str | None, feature: FeatureRow, note: str | None, over: int
) -> None:
    if (value is None) == (cannot_because is None):
        raise Refused("Give a value, or the reason why there is none.")
    if value is None:
        return
    try:
        check_over(KINDS[feature.kind], value, over, feature.code)
        check_value(KINDS[feature.kind], value, feature.nominal, feature.unit, feature.code, explained=bool(note))
    except BadInput as bad:
        raise Refused(str(bad)) from None


def _reads(instrument: Instrument, feature: FeatureRow) -> None:
    kinds = KINDS[feature.kind].instruments
    if instrument.kind not in kinds:
        raise Refused(
            f"{feature.code} is read with a {' or a '.join(kinds)}, not with the {instrument.kind.value} {instrument.code}."
        )


def _feature(artifact: ArtifactVersion, feature_id: uuid.UUID) -> FeatureRow:
    feature = next((f for f in measured_of(artifact) if f.id == feature_id), None)
    if feature is None:
        raise Missing("This face does not belong to the artifact.")
    return feature
