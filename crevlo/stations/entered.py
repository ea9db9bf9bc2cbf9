"""What was entered of specimens as it counts now: readings, scores and rejections with their corrections applied."""

import uuid
from collections import defaultdict
from collections.abc import Callable, Collection, Iterable
from datetime import datetime
from typing import Any, NamedTuple, TypeVar

from sqlalchemy import ColumnElement, Select, exists, func, or_, select, text
from sqlalchemy.dialects.postgresql import aggregate_order_by
from sqlalchemy.orm import Session, aliased

from crevlo.core.evidence import Key
from crevlo.core.features import MEASURED, OPTIONAL
from crevlo.core.features.kind import Judged, Takes, Verdict
from crevlo.store.database import SQL
from crevlo.store.gauge import Hand
from crevlo.store.machine import EarlierCalibration
from crevlo.store.person import Person
from crevlo.store.reading import DefectScore, InspectionLock, Judgement, Reading, Rejection
from crevlo.store.run import Specimen

# At which sizes are stated (ISO 1).
_REFERENCE_C = 20.0
Told = tuple[uuid.UUID, float | None, Key, float, int]


def using(who: uuid.UUID, calibration_id: uuid.UUID | None) -> Key:
    """What evidence knows an instrument by, or a hand at it: as it is calibrated now, or as it was before."""
    return (who, calibration_id) if calibration_id else who


class ReadingRow(NamedTuple):
    """A reading as it stands in the store, without the machinery of an object that could be changed."""

    id: uuid.UUID
    specimen_id: uuid.UUID
    feature_id: uuid.UUID
    repeat: int
    value: float | None
    cannot_because: str | None
    note: str | None
    instrument_id: uuid.UUID
    hand_id: uuid.UUID | None
    over: int
    part_c: float | None
    person_id: uuid.UUID
    taken_at: datetime
    supersedes_id: uuid.UUID | None
    reason: str | None
    after_reveal: str | None
    not_blind: bool
    calibration_id: uuid.UUID | None
    """The calibration before that it rests on; none where its instrument has not been calibrated since."""

    @property
    def told(self) -> "Told":
        """What it says: of which feature, what of one, by which instrument or studied hand, how far from 20 °C, over how many."""
        return (
            self.feature_id,
            None if self.value is None or not self.over else self.value / self.over,
            using(self.hand_id or self.instrument_id, self.calibration_id),
            abs(self.part_c - _REFERENCE_C) if self.part_c is not None else 0.0,
            self.over,
        )


class JudgementRow(NamedTuple):
    """What one person said of a feature or a specimen, as it stands in the store."""

    id: uuid.UUID
    specimen_id: uuid.UUID
    feature_id: uuid.UUID | None
    takes: Takes
    amount: int | None
    verdict: Verdict | None
    word: str
    person_id: uuid.UUID
    judged_at: datetime
    supersedes_id: uuid.UUID | None
    reason: str | None
    after_reveal: str | None

    @property
    def said(self) -> Judged:
        return Judged(self.takes, self.amount, self.verdict, self.word)


class ScoreRow(NamedTuple):
    """A score of one defect by one rater, as it stands in the store."""

    id: uuid.UUID
    specimen_id: uuid.UUID
    defect: str
    severity: int
    person_id: uuid.UUID
    scored_at: datetime
    supersedes_id: uuid.UUID | None
    reason: str | None
    after_reveal: str | None


Entered = TypeVar("Entered", ReadingRow, "ValuesRow", JudgementRow, ScoreRow)
_READING = (*(getattr(Reading, name) for name in ReadingRow._fields[:-1]), EarlierCalibration.id)
_AS_CALIBRATED = (
    (EarlierCalibration.instrument_id == Reading.instrument_id)
    & (Reading.taken_at < EarlierCalibration.until)
    & or_(EarlierCalibration.since.is_(None), Reading.taken_at >= EarlierCalibration.since)
)
_JUDGEMENT = tuple(getattr(Judgement, name) for name in JudgementRow._fields)
_SCORE = tuple(getattr(DefectScore, name) for name in ScoreRow._fields)


def current_readings(
    session: Session, specimen_ids: list[uuid.UUID], *, late: bool = False
) -> dict[uuid.UUID, list[ReadingRow]]:
    """Readings that no later one supersedes, by specimen; those entered after the reveal only where `late`."""
    query = _counting(Reading, _READING, specimen_ids, late=late).outerjoin(EarlierCalibration, _AS_CALIBRATED)
    return _by_specimen(session, query.order_by(Reading.repeat), ReadingRow._make)


class ValuesRow(NamedTuple):
    """All readings of one feature of a specimen with one instrument, or one studied hand at it, as they count, in the order of their places, each of one
    where it was taken over several."""

    specimen_id: uuid.UUID
    feature_id: uuid.UUID
    who: uuid.UUID
    calibration_id: uuid.UUID | None
    kelvin: float
    over: int
    values: list[float | None]

    @property
    def using(self) -> Key:
        return using(self.who, self.calibration_id)


def current_values(session: Session, specimen_ids: list[uuid.UUID]) -> dict[uuid.UUID, list[ValuesRow]]:
    """The values alone of `current_readings`, in a fifth of its time: a study's figures follow from them."""
    who = func.coalesce(Reading.hand_id, Reading.instrument_id)
    of = (Reading.specimen_id, Reading.feature_id, who, EarlierCalibration.id)
    values = func.array_agg(aggregate_order_by(Reading.value / func.nullif(Reading.over, 0), Reading.repeat))
    kelvin = func.coalesce(func.avg(func.abs(Reading.part_c - _REFERENCE_C)), 0.0)
    query = _counting(Reading, (*of, kelvin, func.min(Reading.over), values), specimen_ids, late=False)
    query = query.outerjoin(EarlierCalibration, _AS_CALIBRATED).group_by(*of).order_by(func.min(Reading.repeat))
    return _by_specimen(session, query, ValuesRow._make)


class HandRow(NamedTuple):
    """What an ended gauge study says of one person with one instrument."""

    id: uuid.UUID
    instrument_id: uuid.UUID
    person: str
    repeatability: float
    dof: float
    reproducibility: float


def studied_hands(session: Session) -> list[HandRow]:
    query = select(Hand.id, Hand.instrument_id, Person.name, Hand.repeatability, Hand.dof, Hand.reproducibility)
    return [HandRow._make(row) for row in session.execute(query.join(Person, Person.id == Hand.person_id))]


def readings_of(session: Session, specimen_id: uuid.UUID, feature_ids: Collection[uuid.UUID]) -> list[ReadingRow]:
    """Every reading of some faces of a specimen in the order they were taken, corrected ones too."""
    query = (
        select(*_READING)
        .outerjoin(EarlierCalibration, _AS_CALIBRATED)
        .where(Reading.specimen_id == specimen_id, Reading.feature_id.in_(feature_ids))
    )
    return [ReadingRow._make(row) for row in session.execute(query.order_by(Reading.taken_at, Reading.recorded_at))]


def current_judgements(
    session: Session, specimen_ids: list[uuid.UUID], *, late: bool = False, by: uuid.UUID | None = None
) -> dict[uuid.UUID, list[JudgementRow]]:
    """As `current_readings`, of judgements; of everybody, or of one person."""
    query = _counting(Judgement, _JUDGEMENT, specimen_ids, late=late).order_by(Judgement.judged_at)
    if by is not None:
        query = query.where(Judgement.person_id == by)
    return _by_specimen(session, query, JudgementRow._make)


def current_scores(
    session: Session,
    specimen_ids: list[uuid.UUID],
    *,
    locked_only: bool,
    late: bool = False,
    by: uuid.UUID | None = None,
) -> dict[uuid.UUID, list[ScoreRow]]:
    """As `current_readings`, of scores; of every rater, of one, or of those who have locked theirs."""
    query = _counting(DefectScore, _SCORE, specimen_ids, late=late)
    if by is not None:
        query = query.where(DefectScore.person_id == by)
    if locked_only:
        query = query.join(
            InspectionLock,
            (InspectionLock.specimen_id == DefectScore.specimen_id)
            & (InspectionLock.person_id == DefectScore.person_id),
        )
    return _by_specimen(session, query, ScoreRow._make)


def _counting(
    table: type[Reading | Judgement | DefectScore],
    columns: tuple[Any, ...],
    specimen_ids: list[uuid.UUID],
    *,
    late: bool,
) -> Select[Any]:
    """Rows of some specimens that no newer one supersedes.

    What was entered after the reveal neither counts nor corrects unless `late`. Nor does what a person entered who had seen
    figures by printer, where the same was entered blind: it counts only where there is nothing else.
    """
    newer = aliased(table)
    replaced = newer.supersedes_id == table.id
    query = select(*columns).where(table.specimen_id.in_(specimen_ids))
    if not late:
        replaced = replaced & newer.after_reveal.is_(None) & (table.not_blind | ~newer.not_blind)
        query = query.where(table.after_reveal.is_(None), ~(table.not_blind & _told_blind(table)))
    return query.outerjoin(newer, replaced).where(newer.id.is_(None))


def _told_blind(table: type[Reading | Judgement | DefectScore]) -> ColumnElement[bool]:
    """Whether the same of the same specimen was entered blind."""
    blind, place = aliased(table), "defect" if table is DefectScore else "feature_id"
    same_place = getattr(blind, place).is_not_distinct_from(getattr(table, place))
    told_blind = ~blind.not_blind & blind.after_reveal.is_(None)
    return exists().where(blind.specimen_id == table.specimen_id, same_place, told_blind)


def _by_specimen(
    session: Session, query: Select[Any], made: Callable[[Iterable[Any]], Entered]
) -> dict[uuid.UUID, list[Entered]]:
    found: dict[uuid.UUID, list[Entered]] = defaultdict(list)
    for row in map(made, session.execute(query)):
        found[row.specimen_id].append(row)
    return found


def touched(session: Session, specimen_ids: list[uuid.UUID]) -> set[uuid.UUID]:
    """Those of some specimens that anybody has begun to read, judge or score, locked or not."""
    tables = (Reading, Judgement, DefectScore)
    begun = (exists().where(t.specimen_id == Specimen.id) for t in tables)
    return set(session.scalars(select(Specimen.id).where(Specimen.id.in_(specimen_ids), or_(*begun))))


def late_entries(session: Session, specimen_ids: list[uuid.UUID]) -> dict[uuid.UUID, list[str]]:
    """Reasons of what was entered after the reveal, by specimen."""
    found: dict[uuid.UUID, list[str]] = defaultdict(list)
    for table in (Reading, Judgement, DefectScore):
        for specimen_id, reason in session.execute(
            select(table.specimen_id, table.after_reveal).where(
                table.specimen_id.in_(specimen_ids), table.after_reveal.is_not(None)
            )
        ).tuples():
            found[specimen_id].append(reason or "")
    return found


def current_rejections(session: Session, specimen_ids: list[uuid.UUID]) -> dict[uuid.UUID, Rejection]:
    """Specimens that cannot be used, with the cause as it stands now."""
    newer = aliased(Rejection)
    rows = session.scalars(
        select(Rejection).outerjoin(newer, newer.supersedes_id == Rejection.id)
        .where(Rejection.specimen_id.in_(specimen_ids), newer.id.is_(None))
    )  # fmt: skip
    return {row.specimen_id: row for row in rows}


class Places(NamedTuple):
    """How far a specimen has come: places read, and judged where no instrument reads."""

    specimen_id: uuid.UUID
    blind_code: str
    artifact_id: uuid.UUID
    places: int
    rejected: bool


_PLACES = text((SQL / "places_entered.sql").read_text())


def places_entered(session: Session, study_id: uuid.UUID, person_id: uuid.UUID | None = None) -> list[Places]:
    """Every specimen of a study in the order of its queue; judgements of anybody, or of one person."""
    given = {"study": study_id, "person": person_id, "measured": sorted(MEASURED), "optional": sorted(OPTIONAL)}
    return [Places._make(row) for row in session.execute(_PLACES, given)]
