"""Measure: the shuffled queue of blind codes, readings, corrections, and what they say so far.

Nothing here names a machine, spool or file: the page and the data sent to it are blind for everyone.
"""

import uuid
from collections import Counter, defaultdict
from collections.abc import Sequence
from datetime import UTC, datetime

from pydantic import Field
from sqlalchemy import select, text
from sqlalchemy.orm import Session

from crevlo.core.artifacts.feature import Kind
from crevlo.core.estimate import BadInput, Estimate, NotDetermined
from crevlo.core.grade import feature_grade
from crevlo.core.sizes import Axis, deviation_at, fit_sizes, say_sizes
from crevlo.stations.bench import artifact_of, current_protocol, get_study, measured_of, readings_due
from crevlo.stations.blind import late_reason
from crevlo.stations.clock import stated_time
from crevlo.stations.entered import ReadingRow, current_readings
from crevlo.stations.library import ArtifactOut, artifact_out
from crevlo.stations.measure.caliper import InstrumentNow, calipers_now, instrument_of
from crevlo.stations.shape import Missing, Moment, Quantity, Refused, Shape, quantity
from crevlo.stations.sizes import measured_features, specimen_estimates
from crevlo.store.machine import ArtifactVersion, FeatureRow, Instrument
from crevlo.store.reading import Reading
from crevlo.store.run import Specimen
from crevlo.store.study import ProtocolVersion

# A reading this far off is more likely a slip than a part; it is asked for again before it is kept.
FAR_OFF_MM = 2.0
# The needle's span, and the part of it marked as usual for a part of this size.
DIAL_REACH_MM, DIAL_USUAL_MM = 0.4, 0.1


class QueueLine(Shape):
    id: uuid.UUID
    blind_code: str
    artifact_id: uuid.UUID
    artifact: str
    done: int
    due: int


class MeasureQueue(Shape):
    now: datetime
    revealed: bool = Field(description="whether the machines are known: a reading then needs a reason")
    repeats: int
    artifacts: list[ArtifactOut]
    calipers: list[InstrumentNow]
    far_off_mm: float = Field(description="a reading further off is kept only with a note")
    dial_reach_mm: float
    dial_usual_mm: float
    queue: list[QueueLine]


class ReadingOut(Shape):
    id: uuid.UUID
    repeat: int
    value_mm: float | None
    cannot_because: str | None
    corrected: bool
    after_reveal: str | None = Field(description="why it was entered once the machines were known; no figure has it")
    note: str | None = Field(description="why it was kept although it is far off")


class FeatureLine(Shape):
    feature_id: uuid.UUID
    code: str
    nominal_mm: float
    readings: list[ReadingOut]
    off: Quantity
    grade: str | None


class FindingOut(Shape):
    about: str
    headline: str
    amount: str
    uncertainty: str
    meaning: str


class FitPoint(Shape):
    code: str
    axis: Axis
    nominal_mm: float
    deviation_mm: float
    expanded_mm: float


class LinePoint(Shape):
    length_mm: float
    deviation_mm: float
    expanded_mm: float


class FitLine(Shape):
    """Fitted deviation of outside sizes over length, with the line's U at each place."""

    axis: Axis
    points: list[LinePoint]


class SpecimenView(Shape):
    id: uuid.UUID
    blind_code: str
    due: int
    done: int
    features: list[FeatureLine]
    findings: list[FindingOut]
    points: list[FitPoint]
    lines: list[FitLine]
    mean_absolute_mm: float | None
    longest_mm: float | None = Field(description="the artifact's longest size, as far as the drawing of the fit goes")


class NewReading(Shape):
    id: uuid.UUID
    after_reveal: str | None = Field(
        default=None, max_length=300, description="why this is entered although the machines are known"
    )
    feature_id: uuid.UUID
    repeat: int = Field(ge=1, le=10)
    value_mm: float | None = Field(default=None, gt=-1000, lt=10000)
    cannot_because: str | None = Field(default=None, min_length=1, max_length=300)
    note: str | None = Field(
        default=None, min_length=1, max_length=300, description="why it is kept although far off"
    )
    instrument_id: uuid.UUID
    taken_at: Moment | None = None


class NewReadings(Shape):
    """Several readings of one specimen at once: kept all, or none of them."""

    readings: list[NewReading] = Field(min_length=1, max_length=400)


class Correction(Shape):
    id: uuid.UUID
    after_reveal: str | None = Field(default=None, max_length=300)
    supersedes_id: uuid.UUID
    value_mm: float | None = Field(default=None, gt=-1000, lt=10000)
    cannot_because: str | None = Field(default=None, min_length=1, max_length=300)
    reason: str = Field(min_length=1, max_length=300)
    instrument_id: uuid.UUID
    taken_at: Moment | None = None


# Every specimen of a study in the order of the queue, with how many places have been read.
_IN_QUEUE = text(
    "select specimen.id, specimen.blind_code, job.artifact_id, (select count(*) from reading"
    " where reading.specimen_id = specimen.id and reading.supersedes_id is null and reading.after_reveal is null) as readings"
    " from specimen join run on run.id = specimen.run_id join job on job.id = run.job_id where specimen.study_id = :study"
    " order by specimen.position, specimen.blind_code"
)


def view_queue(session: Session, study_id: uuid.UUID) -> MeasureQueue:
    protocol = current_protocol(session, study_id)
    if protocol is None:
        raise Missing("There is no such study.")
    specimens = session.execute(_IN_QUEUE, {"study": study_id}).all()
    wanted = {s.artifact_id for s in specimens}
    # Before the first print there is already something to look at: what will be measured.
    wanted = wanted or {line.artifact_id for arm in protocol.arms for line in arm.lines}
    rows = session.scalars(select(ArtifactVersion).where(ArtifactVersion.id.in_(wanted)))
    artifacts = {a.id: a for a in rows}
    due = {a.id: readings_due(protocol, a) for a in artifacts.values()}
    return MeasureQueue(
        now=datetime.now(UTC), revealed=get_study(session, study_id).revealed_at is not None,
        repeats=protocol.repeats, artifacts=[artifact_out(session, a) for a in artifacts.values()],
        calipers=calipers_now(session), far_off_mm=FAR_OFF_MM, dial_reach_mm=DIAL_REACH_MM, dial_usual_mm=DIAL_USUAL_MM,
        queue=[
            QueueLine(
                id=s.id, blind_code=s.blind_code, artifact_id=s.artifact_id, artifact=artifacts[s.artifact_id].name,
                done=min(s.readings, due[s.artifact_id]), due=due[s.artifact_id],
            )
            for s in specimens
        ],
    )  # fmt: skip


def view_specimen(session: Session, specimen_id: uuid.UUID) -> SpecimenView:
    specimen, protocol = _specimen(session, specimen_id)
    return _view(session, specimen, protocol, artifact_of(session, specimen))


def record_readings(
    session: Session,
    specimen_id: uuid.UUID,
    given: Sequence[NewReading],
    person_id: uuid.UUID,
    *,
    reviews: bool = False,
) -> SpecimenView:
    """Keeps what was read off one specimen; where one reading is refused, none is kept."""
    specimen, protocol = _specimen(session, specimen_id)
    artifact = artifact_of(session, specimen)
    taken = set(
        session.execute(select(Reading.feature_id, Reading.repeat).where(Reading.specimen_id == specimen_id)).tuples()
    )
    late = {
        reason: late_reason(session, specimen.study_id, reason, reviews=reviews)
        for reason in {reading.after_reveal for reading in given}
    }
    for instrument_id in {reading.instrument_id for reading in given}:
        instrument_of(session, instrument_id)
    for reading in given:
        feature = _feature(artifact, reading.feature_id)
        if reading.repeat > protocol.repeats:
            raise Refused(f"The protocol asks for {protocol.repeats} readings of a face.")
        _sensible(reading.value_mm, reading.cannot_because, feature, reading.note)
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
                taken_at=stated_time(reading.taken_at),
                after_reveal=late[reading.after_reveal],
            )
        )
    session.flush()
    return _view(session, specimen, protocol, artifact)


def correct_reading(
    session: Session, specimen_id: uuid.UUID, given: Correction, person_id: uuid.UUID, *, reviews: bool = False
) -> SpecimenView:
    """A newer row with the reason; the old one stays. Of two corrections of the same reading the second is refused."""
    specimen, protocol = _specimen(session, specimen_id)
    late = late_reason(session, specimen.study_id, given.after_reveal, reviews=reviews)
    old = session.get(Reading, given.supersedes_id)
    if old is None or old.specimen_id != specimen_id:
        raise Missing("There is no such reading on this specimen.")
    if session.scalar(select(Reading.id).where(Reading.supersedes_id == old.id)):
        raise Refused("This reading was corrected meanwhile; correct the newer one.")
    # The reason of a correction says too why it is kept although far off.
    artifact = artifact_of(session, specimen)
    _sensible(given.value_mm, given.cannot_because, _feature(artifact, old.feature_id), given.reason)
    instrument_of(session, given.instrument_id)
    session.add(
        Reading(
            specimen_id=specimen_id, feature_id=old.feature_id, repeat=old.repeat, person_id=person_id,
            **given.model_dump(exclude={"taken_at", "after_reveal"}), taken_at=stated_time(given.taken_at), after_reveal=late,
        )
    )  # fmt: skip
    session.flush()
    return _view(session, specimen, protocol, artifact)


def _view(session: Session, specimen: Specimen, protocol: ProtocolVersion, artifact: ArtifactVersion) -> SpecimenView:
    features = {f.id: f for f in measured_of(artifact)}
    blind = readings = current_readings(session, [specimen.id], late=True).get(specimen.id, [])
    if any(r.after_reveal for r in readings):
        blind = current_readings(session, [specimen.id]).get(specimen.id, [])
    instruments = {i.id: i for i in session.scalars(select(Instrument))}
    estimates = specimen_estimates(blind, features, instruments)
    by_feature: dict[uuid.UUID, list[ReadingRow]] = defaultdict(list)
    for reading in readings:
        by_feature[reading.feature_id].append(reading)
    lines, points = [], []
    for feature in features.values():
        estimate = estimates.get(feature.id, NotDetermined("a reading"))
        off = (
            estimate
            if isinstance(estimate, NotDetermined)
            else Estimate(estimate.value - feature.nominal, estimate.u, estimate.dof)
        )
        lines.append(
            FeatureLine(
                feature_id=feature.id, code=feature.code, nominal_mm=feature.nominal,
                readings=[
                    ReadingOut(
                        id=r.id, repeat=r.repeat, value_mm=r.value_mm, cannot_because=r.cannot_because,
                        corrected=r.supersedes_id is not None, after_reveal=r.after_reveal, note=r.note,
                    )
                    for r in by_feature.get(feature.id, [])
                ],
                off=quantity(off, "mm", 3),
                grade=None if isinstance(off, NotDetermined) else _grade(feature.nominal, off.value),
            )
        )  # fmt: skip
        if not isinstance(off, NotDetermined) and feature.kind is Kind.LENGTH:
            points.append(FitPoint(code=feature.code, axis=Axis(feature.axis), nominal_mm=feature.nominal,
                                   deviation_mm=off.value, expanded_mm=off.expanded))  # fmt: skip
    findings, fit_lines, mean_absolute = _say(estimates, features)
    counts = Counter(r.feature_id for r in readings)
    return SpecimenView(
        id=specimen.id, blind_code=specimen.blind_code, due=len(features) * protocol.repeats,
        done=sum(min(n, protocol.repeats) for n in counts.values()), features=lines, findings=findings, points=points,
        lines=fit_lines, mean_absolute_mm=mean_absolute,
        longest_mm=max((f.nominal for f in features.values() if f.kind is Kind.LENGTH), default=None),
    )  # fmt: skip


def _say(
    estimates: dict[uuid.UUID, Estimate | NotDetermined], features: dict[uuid.UUID, FeatureRow]
) -> tuple[list[FindingOut], list[FitLine], float | None]:
    try:
        fit = fit_sizes(measured_features(estimates, features))
    except NotDetermined:
        return [], [], None
    lines = []
    longest = max(f.nominal for f in features.values() if f.kind is Kind.LENGTH)
    for axis in Axis:
        try:
            at = [(length, deviation_at(fit, axis, length)) for length in _spaced(longest)]
        except NotDetermined:
            continue
        lines.append(
            FitLine(
                axis=axis,
                points=[LinePoint(length_mm=x, deviation_mm=d.value, expanded_mm=d.expanded) for x, d in at],
            )
        )
    return [FindingOut.model_validate(f) for f in say_sizes(fit)], lines, fit.mean_absolute_mm


def _spaced(longest_mm: float) -> list[float]:
    return [longest_mm * k / 10 for k in range(1, 11)]


def _grade(nominal_mm: float, off_mm: float) -> str | None:
    try:
        return f"IT{feature_grade(nominal_mm, off_mm)}"
    except (NotDetermined, BadInput):
        return None


def _sensible(value_mm: float | None, cannot_because: str | None, feature: FeatureRow, note: str | None) -> None:
    if (value_mm is None) == (cannot_because is None):
        raise Refused("Give a value, or the reason why there is none.")
    if value_mm is not None and abs(value_mm - feature.nominal) > FAR_OFF_MM and not note:
        raise Refused(
            f"{value_mm:g} mm is {abs(value_mm - feature.nominal):.2f} mm from the nominal {feature.nominal:g} mm of "
            f"{feature.code}. Measure again; if the part really is so, keep it with a note that says why."
        )


def _specimen(session: Session, specimen_id: uuid.UUID) -> tuple[Specimen, ProtocolVersion]:
    specimen = session.get(Specimen, specimen_id)
    protocol = current_protocol(session, specimen.study_id) if specimen else None
    if specimen is None or protocol is None:
        raise Missing("There is no such specimen.")
    return specimen, protocol


def _feature(artifact: ArtifactVersion, feature_id: uuid.UUID) -> FeatureRow:
    feature = next((f for f in measured_of(artifact) if f.id == feature_id), None)
    if feature is None:
        raise Missing("This face does not belong to the artifact.")
    return feature
