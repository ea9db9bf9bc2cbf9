"""Gauge studies: several people read the same faces again and again, blind to each other; what it says holds from its end."""

import uuid
from collections import defaultdict
from collections.abc import Sequence
from dataclasses import dataclass
from datetime import UTC, datetime

import numpy as np
from pydantic import Field
from sqlalchemy import select
from sqlalchemy.orm import Session, aliased

from crevlo.core.estimate import BadInput, NotDetermined
from crevlo.core.features import KINDS
from crevlo.core.features.kind import check_value
from crevlo.core.raters.gauge import Gauge, gauge_study, say_gauge
from crevlo.stations.kit.clock import stated_time
from crevlo.stations.kit.shape import Missing, Moment, Refused, Shape
from crevlo.stations.measure.instruments import instrument_of
from crevlo.stations.study import artifacts_of, get_study, measured_of
from crevlo.store.gauge import GaugeReading, GaugeStudy, Hand
from crevlo.store.machine import ArtifactVersion, FeatureRow, InstrumentKind
from crevlo.store.person import Person, Role
from crevlo.store.run import Specimen

# Fewer make the spread between parts a guess; more add little to what is found.
LEAST_PARTS, USUAL_PARTS, MOST_PARTS = 2, 8, 12
# The latest ones.
SHOWN = 6
_READS = (Role.OWNER, Role.REVIEWER, Role.RATER)


class GaugeFace(Shape):
    """A face that at least two specimens have."""

    feature_id: uuid.UUID
    artifact: str
    face: str
    specimens: int
    instruments: list[InstrumentKind]


class GaugePerson(Shape):
    id: uuid.UUID
    name: str


class NewGauge(Shape):
    id: uuid.UUID
    instrument_id: uuid.UUID
    feature_ids: list[uuid.UUID] = Field(min_length=1, max_length=MOST_PARTS)
    people: list[uuid.UUID] = Field(min_length=2, max_length=6)
    parts: int = Field(default=USUAL_PARTS, ge=LEAST_PARTS, le=MOST_PARTS)
    repeats: int = Field(default=3, ge=2, le=5)


class NewGaugeReading(Shape):
    id: uuid.UUID
    part: int = Field(ge=1, le=MOST_PARTS)
    repeat: int = Field(ge=1, le=5)
    value: float = Field(gt=-1e9, lt=1e9)
    taken_at: Moment | None = None


class Progress(Shape):
    name: str
    done: int
    due: int
    me: bool


class GaugeNext(Shape):
    """What this person reads next, in their own order."""

    part: int
    repeat: int
    blind_code: str
    artifact_id: uuid.UUID
    face: str
    method: str
    nominal: float
    unit: str
    digits: int


class GaugeSays(Shape):
    words: str
    repeatability: float
    reproducibility: float
    part: float
    percent: float
    categories: int | None = Field(description="None where the readings do not scatter at all")
    dof: int
    rough: str = Field(description="what makes it a rough figure; empty where nothing does")


class GaugePart(Shape):
    """Off nominal, of one part, by person in their order."""

    blind_code: str
    face: str
    readings: list[list[float]]


class GaugeOut(Shape):
    id: uuid.UUID
    instrument_id: uuid.UUID
    instrument: str
    unit: str
    digits: int
    repeats: int
    begun_at: datetime
    ended_at: datetime | None
    people: list[Progress]
    next: GaugeNext | None
    last: uuid.UUID | None = Field(description="this person's last reading, which can be taken back")
    says: GaugeSays | None = Field(description="once everybody has read everything")
    needs: str = Field(description="why nothing is said although all is read; empty otherwise")
    parts: list[GaugePart] = Field(description="what was read, once everybody has read everything")


class GaugeView(Shape):
    faces: list[GaugeFace]
    people: list[GaugePerson]
    studies: list[GaugeOut] = Field(description="the newest first")


_Read = dict[uuid.UUID, dict[tuple[int, int], GaugeReading]]


@dataclass(frozen=True, slots=True)
class _Part:
    specimen: Specimen
    feature: FeatureRow


def view_gauges(session: Session, study_id: uuid.UUID, person_id: uuid.UUID) -> GaugeView:
    """Before a study is complete a person sees how far everybody is, and no value."""
    get_study(session, study_id)
    found: dict[uuid.UUID, list[Specimen]] = defaultdict(list)
    artifacts: dict[uuid.UUID, ArtifactVersion] = {}
    for specimen, artifact in _specimens(session, study_id):
        artifacts[artifact.id] = artifact
        found[artifact.id].append(specimen)
    faces = [
        GaugeFace(
            feature_id=f.id, artifact=artifacts[a].name, face=f.code, specimens=len(specimens),
            instruments=[InstrumentKind(k) for k in KINDS[f.kind].instruments],
        )
        for a, specimens in found.items() if len(specimens) >= LEAST_PARTS
        for f in measured_of(artifacts[a]) if _repeatable(f)
    ]  # fmt: skip
    people = [GaugePerson(id=p.id, name=p.name) for p in _people(session)]
    studies = session.scalars(
        select(GaugeStudy).where(GaugeStudy.study_id == study_id).order_by(GaugeStudy.begun_at.desc()).limit(SHOWN)
    )
    return GaugeView(faces=faces, people=people, studies=[_out(session, g, person_id) for g in studies])


def begin(session: Session, study_id: uuid.UUID, given: NewGauge, person_id: uuid.UUID) -> GaugeView:
    """Parts are taken by turns from the faces, over specimens in an order of chance."""
    get_study(session, study_id)
    if session.scalar(
        select(GaugeStudy.id).where(GaugeStudy.study_id == study_id, GaugeStudy.ended_at.is_(None)).limit(1)
    ):
        raise Refused("A gauge study is under way. End it, or give it up, first.")
    instrument = instrument_of(session, given.instrument_id)
    readers = {p.id: p for p in _people(session)}
    if len(set(given.people)) < len(given.people) or not readers.keys() >= set(given.people):
        raise Refused("Say who reads: two or more people who measure here, each once.")
    seed = given.id.int % 2**31
    chance = np.random.default_rng(seed)
    by_face: dict[uuid.UUID, list[Specimen]] = {f: [] for f in given.feature_ids}
    for specimen, artifact in _specimens(session, study_id):
        for f in measured_of(artifact):
            if f.id not in by_face or not _repeatable(f):
                continue
            if instrument.kind not in KINDS[f.kind].instruments:
                raise Refused(f"{f.code} is not read with a {instrument.kind.value}.")
            by_face[f.id].append(specimen)
    for specimens in by_face.values():
        chance.shuffle(specimens)
    parts: list[list[str]] = []
    while any(by_face.values()) and len(parts) < given.parts:
        for feature_id, specimens in by_face.items():
            if specimens and len(parts) < given.parts:
                parts.append([str(specimens.pop().id), str(feature_id)])
    if len(parts) < LEAST_PARTS:
        raise Refused("These faces are on fewer than two specimens; a gauge study needs two parts or more.")
    session.add(
        GaugeStudy(
            id=given.id, study_id=study_id, instrument_id=instrument.id, parts=parts, people=[str(p) for p in given.people],
            repeats=given.repeats, seed=seed, begun_at=datetime.now(UTC), ended_at=None, person_id=person_id,
        )
    )  # fmt: skip
    session.flush()
    return view_gauges(session, study_id, person_id)


def record(session: Session, gauge_id: uuid.UUID, given: NewGaugeReading, person_id: uuid.UUID) -> GaugeView:
    gauge = _gauge(session, gauge_id)
    if gauge.ended_at is not None:
        raise Refused("This gauge study has ended.")
    if str(person_id) not in gauge.people:
        raise Refused("You are not among those who read in this gauge study.")
    if given.part > len(gauge.parts) or given.repeat > gauge.repeats:
        raise Missing("There is no such part in this gauge study.")
    if (given.part, given.repeat) in _read(session, gauge).get(person_id, {}):
        raise Refused("You have read this part already, this often.")
    feature = _parts(session, gauge)[given.part - 1].feature
    try:
        check_value(KINDS[feature.kind], given.value, feature.nominal, feature.unit, feature.code, explained=False)
    except BadInput as bad:
        raise Refused(str(bad)) from None
    session.add(
        GaugeReading(
            id=given.id, gauge_id=gauge.id, part=given.part, repeat=given.repeat, value=given.value, person_id=person_id,
            taken_at=stated_time(given.taken_at),
        )
    )  # fmt: skip
    session.flush()
    return view_gauges(session, gauge.study_id, person_id)


def take_back(session: Session, reading_id: uuid.UUID, back_id: uuid.UUID, person_id: uuid.UUID) -> GaugeView:
    """A newer row says that it no longer counts; it is read again."""
    old = session.get(GaugeReading, reading_id)
    if old is None or old.person_id != person_id or old.value is None:
        raise Missing("There is no such reading of yours.")
    gauge = _gauge(session, old.gauge_id)
    if gauge.ended_at is not None:
        raise Refused("This gauge study has ended.")
    if session.scalar(select(GaugeReading.id).where(GaugeReading.supersedes_id == old.id)):
        raise Refused("This reading was taken back already.")
    session.add(
        GaugeReading(
            id=back_id, gauge_id=old.gauge_id, part=old.part, repeat=old.repeat, value=None, person_id=person_id,
            taken_at=datetime.now(UTC), supersedes_id=old.id,
        )
    )  # fmt: skip
    session.flush()
    return view_gauges(session, gauge.study_id, person_id)


def end(session: Session, gauge_id: uuid.UUID, person_id: uuid.UUID) -> GaugeView:
    """Ends it; complete, its s, ν and how far people read apart hold for what they read with this instrument from now on."""
    gauge = _gauge(session, gauge_id)
    if gauge.ended_at is not None:
        raise Refused("This gauge study has ended.")
    gauge.ended_at = datetime.now(UTC)
    parts, read = _parts(session, gauge), _read(session, gauge)
    if _complete(gauge, read):
        try:
            made = gauge_study(_off(gauge, parts, read))
        except NotDetermined as few:
            raise Refused(f"Nothing follows from it yet: needs {few.needs}.") from None
        for person in gauge.people:
            session.add(
                Hand(
                    id=uuid.uuid5(gauge.id, person), gauge_id=gauge.id, instrument_id=gauge.instrument_id, person_id=uuid.UUID(person),
                    kinds=sorted({p.feature.kind for p in parts}), repeatability=made.repeatability, dof=made.repeatability_dof,
                    reproducibility=made.reproducibility, from_at=gauge.ended_at,
                )
            )  # fmt: skip
    session.flush()
    return view_gauges(session, gauge.study_id, person_id)


def _repeatable(feature: FeatureRow) -> bool:
    """A face that can be read again and again, of which one number is read."""
    kind = KINDS[feature.kind]
    return bool(kind.instruments) and not kind.series and not kind.over and "stopwatch" not in kind.instruments


def _specimens(session: Session, study_id: uuid.UUID) -> list[tuple[Specimen, ArtifactVersion]]:
    specimens = list(
        session.scalars(select(Specimen).where(Specimen.study_id == study_id).order_by(Specimen.blind_code))
    )
    artifacts = artifacts_of(session, [s.id for s in specimens])
    return [(s, artifacts[s.id]) for s in specimens if s.id in artifacts]


def _people(session: Session) -> list[Person]:
    query = select(Person).where(Person.active, Person.role.in_(_READS)).order_by(Person.name)
    return list(session.scalars(query))


def _gauge(session: Session, gauge_id: uuid.UUID) -> GaugeStudy:
    gauge = session.get(GaugeStudy, gauge_id, with_for_update=True)
    if gauge is None:
        raise Missing("There is no such gauge study.")
    return gauge


def _parts(session: Session, gauge: GaugeStudy) -> list[_Part]:
    pairs = [(uuid.UUID(s), uuid.UUID(f)) for s, f in gauge.parts]
    specimens = {s.id: s for s in session.scalars(select(Specimen).where(Specimen.id.in_({s for s, _ in pairs})))}
    features = {f.id: f for f in session.scalars(select(FeatureRow).where(FeatureRow.id.in_({f for _, f in pairs})))}
    return [_Part(specimens[s], features[f]) for s, f in pairs]


def _read(session: Session, gauge: GaugeStudy) -> _Read:
    """By person, by part and repeat, what counts."""
    newer = aliased(GaugeReading)
    rows = session.scalars(
        select(GaugeReading).outerjoin(newer, newer.supersedes_id == GaugeReading.id)
        .where(GaugeReading.gauge_id == gauge.id, GaugeReading.value.is_not(None), newer.id.is_(None))
        .order_by(GaugeReading.recorded_at)
    )  # fmt: skip
    found: dict[uuid.UUID, dict[tuple[int, int], GaugeReading]] = defaultdict(dict)
    for row in rows:
        found[row.person_id][row.part, row.repeat] = row
    return found


def _complete(gauge: GaugeStudy, read: _Read) -> bool:
    due = len(gauge.parts) * gauge.repeats
    return all(len(read.get(uuid.UUID(p), {})) == due for p in gauge.people)


def _off(gauge: GaugeStudy, parts: Sequence[_Part], read: _Read) -> list[list[list[float]]]:
    """Off nominal by part, person and repeat: faces of different sizes are one spread then."""
    return [
        [
            [(read[uuid.UUID(p)][n, r].value or 0.0) - part.feature.nominal for r in range(1, gauge.repeats + 1)]
            for p in gauge.people
        ]
        for n, part in enumerate(parts, 1)
    ]


def _order(gauge: GaugeStudy, person_id: uuid.UUID) -> list[tuple[int, int]]:
    """Every part once before any comes again, each round shuffled for this person."""
    chance = np.random.default_rng([gauge.seed, person_id.int])
    order: list[tuple[int, int]] = []
    for repeat in range(1, gauge.repeats + 1):
        round_ = [(part, repeat) for part in range(1, len(gauge.parts) + 1)]
        chance.shuffle(round_)
        order += round_
    return order


def _out(session: Session, gauge: GaugeStudy, person_id: uuid.UUID) -> GaugeOut:
    parts, read = _parts(session, gauge), _read(session, gauge)
    instrument = instrument_of(session, gauge.instrument_id)
    names = {p.id: p.name for p in session.scalars(select(Person).where(Person.id.in_(gauge.people)))}
    due, mine = len(parts) * gauge.repeats, read.get(person_id, {})
    takes_part, open_ = str(person_id) in gauge.people, gauge.ended_at is None
    complete = _complete(gauge, read)
    off = _off(gauge, parts, read) if complete else []
    says, needs = _says(off, f"{instrument.kind.value} {instrument.code}", len(parts)) if complete else (None, "")
    pending = [at for at in _order(gauge, person_id) if at not in mine] if takes_part and open_ else []
    last = max(mine.values(), key=lambda r: r.recorded_at, default=None) if open_ else None
    return GaugeOut(
        id=gauge.id, instrument_id=instrument.id, instrument=f"{instrument.kind.value} {instrument.code}", unit=parts[0].feature.unit,
        digits=KINDS[parts[0].feature.kind].digits, repeats=gauge.repeats, begun_at=gauge.begun_at, ended_at=gauge.ended_at,
        people=[
            Progress(name=names[i], done=len(read.get(i, {})), due=due, me=i == person_id)
            for i in map(uuid.UUID, gauge.people)
        ],
        next=_next(parts, pending[0]) if pending else None, last=last.id if last else None, says=says, needs=needs,
        parts=[
            GaugePart(blind_code=p.specimen.blind_code, face=p.feature.code, readings=rows)
            for p, rows in zip(parts, off, strict=True)
        ] if complete else [],
    )  # fmt: skip


def _says(off: list[list[list[float]]], instrument: str, parts: int) -> tuple[GaugeSays | None, str]:
    try:
        made = gauge_study(off)
    except NotDetermined as few:
        return None, f"needs {few.needs}"
    return (
        GaugeSays(
            words=say_gauge(made, f"The {instrument}"), repeatability=made.repeatability, reproducibility=made.reproducibility,
            part=made.part, percent=made.percent, categories=_categories(made), dof=made.repeatability_dof,
            rough=f"From {parts} parts the spread of the parts is a rough figure; five or more tell it better." if parts < 5 else "",
        ),
        "",
    )  # fmt: skip


def _categories(made: Gauge) -> int | None:
    return made.ndc if made.gauge else None


def _next(parts: Sequence[_Part], at: tuple[int, int]) -> GaugeNext:
    part, repeat = at
    specimen, feature = parts[part - 1].specimen, parts[part - 1].feature
    return GaugeNext(
        part=part, repeat=repeat, blind_code=specimen.blind_code, artifact_id=feature.artifact_id, face=feature.code, method=feature.method,
        nominal=feature.nominal, unit=feature.unit, digits=KINDS[feature.kind].digits,
    )  # fmt: skip
