"""One specimen in the hand: what was read and judged of it, and what that tells so far. Blind for everyone."""

import uuid
from collections import Counter, defaultdict
from collections.abc import Sequence

from pydantic import Field
from sqlalchemy.orm import Session

from crevlo.core.estimate import BadInput, Estimate, NotDetermined
from crevlo.core.evaluations import EVALUATIONS
from crevlo.core.evaluations.evaluation import Finding, Instruments, Told
from crevlo.core.evaluations.thresholds import EASIER, Easier
from crevlo.core.evaluations.words import words_of
from crevlo.core.evidence import Specimen as Evidence
from crevlo.core.features import KINDS
from crevlo.core.features.feature import Kind
from crevlo.core.features.kind import EntryWay, Takes, Verdict, means, places
from crevlo.core.grade import feature_grade
from crevlo.core.narrowing import Narrowing, narrowing, say_day
from crevlo.core.readings import feature_estimates
from crevlo.stations.blind import is_marked, sees_only_own
from crevlo.stations.entered import JudgementRow, ReadingRow, current_judgements, current_readings
from crevlo.stations.evidence.specimen import features_of, instruments_in
from crevlo.stations.evidence.specimen import specimen_of as evidence_of
from crevlo.stations.kit.shape import Missing, Quantity, Shape, quantity
from crevlo.stations.measure.chart import ChartOut, chart_out
from crevlo.stations.study import artifact_of, current_protocol, measured_of, readings_due
from crevlo.store.machine import ArtifactVersion, FeatureRow
from crevlo.store.run import Specimen
from crevlo.store.study import ProtocolVersion

# How many usual deviations a dial shows to either side.
_DIAL_SHOWS = 4


class ReadingOut(Shape):
    id: uuid.UUID
    repeat: int
    value: float | None
    cannot_because: str | None
    corrected: bool
    over: int = Field(description="over how many waves or changes")
    after_reveal: str | None = Field(description="why it was entered once the machines were known; no figure has it")
    note: str | None = Field(description="why it was kept although it is far off")
    by_other: bool = Field(description="somebody else took it: its value is hidden until the reveal")


class FeatureLine(Shape):
    """A feature that an instrument reads; a value more than `far_off` from nominal is kept only with a note."""

    feature_id: uuid.UUID
    code: str
    nominal: float
    unit: str
    digits: int
    far_off: float | None
    dial_reach: float
    dial_usual: float
    instruments: list[str] = Field(description="kinds that read it")
    entry: EntryWay
    repeats: int = Field(description="places to fill: repeats, or successive ones of a series")
    series: bool
    optional: bool
    over: str = Field(description="what a value is taken over several of; empty where it is of one")
    axis: str
    level: float | None
    at: list[float] | None = Field(description="its place from above, x and y in mm from the middle of the bed")
    readings: list[ReadingOut]
    off: Quantity
    grade: str | None


class JudgementOut(Shape):
    id: uuid.UUID
    takes: Takes
    amount: int | None
    verdict: Verdict | None
    word: str
    corrected: bool
    after_reveal: str | None


class WordOut(Shape):
    """A word and the verdict that usually goes with it."""

    word: str
    verdict: Verdict


class JudgedLine(Shape):
    """A feature that a person judges, with what this person said of it."""

    feature_id: uuid.UUID
    code: str
    nominal: float
    unit: str
    method: str
    takes: Takes
    entry: EntryWay
    axis: str
    easier: Easier | None = Field(description="of a rung: which way it gets easier")
    words: list[WordOut]
    said: JudgementOut | None


class FindingOut(Shape):
    """What the readings tell, in words; `points_to` names the likely cause and what would confirm it."""

    code: str | None = Field(description="of what is told; nothing where several need the same")
    headline: str
    amount: str
    uncertainty: str
    meaning: str
    points_to: str | None


class MoreReadings(Shape):
    """What would narrow a result of the specimen most."""

    feature_id: uuid.UUID
    more: int
    words: str


class SpecimenView(Shape):
    id: uuid.UUID
    blind_code: str
    due: int
    done: int
    features: list[FeatureLine]
    judged: list[JudgedLine]
    findings: list[FindingOut]
    charts: list[ChartOut]
    more: MoreReadings | None = Field(description="None while something is due, or where more readings tell little")


def view_specimen(session: Session, specimen_id: uuid.UUID, person_id: uuid.UUID) -> SpecimenView:
    specimen, protocol = specimen_of(session, specimen_id)
    return view_of(session, specimen, protocol, artifact_of(session, specimen), person_id)


def specimen_of(session: Session, specimen_id: uuid.UUID) -> tuple[Specimen, ProtocolVersion]:
    """A specimen with the protocol of its study. Raises Missing."""
    specimen = session.get(Specimen, specimen_id)
    protocol = current_protocol(session, specimen.study_id) if specimen else None
    if specimen is None or protocol is None:
        raise Missing("There is no such specimen.")
    return specimen, protocol


def view_of(
    session: Session, specimen: Specimen, protocol: ProtocolVersion, artifact: ArtifactVersion, person_id: uuid.UUID
) -> SpecimenView:
    """What was entered, late entries too, and what the entries made blind tell; judgements are those of the person.

    While the part is hidden a person sees their own readings of it: of others', that a place is taken.
    """
    every = current_readings(session, [specimen.id], late=True).get(specimen.id, [])
    counting = every
    if any(r.after_reveal or r.not_blind for r in every):
        counting = current_readings(session, [specimen.id]).get(specimen.id, [])
    own_only = sees_only_own(session, specimen.study_id, person_id)
    blind = [r for r in counting if not own_only or r.person_id == person_id]
    instruments = instruments_in(session)
    own = current_judgements(session, [specimen.id], late=True, by=person_id).get(specimen.id, [])
    evidence = evidence_of(
        artifact, features_of(artifact), (r.told for r in blind), [j for j in own if not j.after_reveal]
    )
    estimates = feature_estimates(evidence, instruments)
    by_feature: dict[uuid.UUID, list[ReadingOut]] = defaultdict(list)
    for r in every:
        by_feature[r.feature_id].append(_reading(r, hidden=own_only and r.person_id != person_id))
    measured = measured_of(artifact)
    told = told_of(evidence, instruments)
    counts = Counter(r.feature_id for r in every)
    judged, known = _judged(artifact, own), {f.id for f in measured}
    due = readings_due(protocol, artifact)
    done = sum(min(counts[f.id], places(k, protocol.repeats)) for f in measured if not (k := KINDS[f.kind]).optional)
    done += sum(j.said is not None and j.feature_id not in known for j in judged)
    # More readings of who has left the blind would not count beside those made blind.
    marked = is_marked(session, specimen.study_id, person_id) and any(not r.not_blind for r in blind)
    narrower = narrowing(evidence, instruments) if done >= due and not marked else None
    return SpecimenView(
        id=specimen.id, blind_code=specimen.blind_code, due=due, done=done,
        features=[
            _line(f, by_feature.get(f.id, []), estimates.get(f.code, NotDetermined("a reading")), protocol.repeats)
            for f in measured
        ],
        judged=judged,
        findings=[f for t in told for f in _findings(t.findings)],
        charts=[chart_out(t.chart) for t in told if t.chart is not None],
        more=_more(narrower, measured, blind) if narrower else None,
    )  # fmt: skip


def _reading(r: ReadingRow, *, hidden: bool) -> ReadingOut:
    if hidden:
        return ReadingOut(
            id=r.id,
            repeat=r.repeat,
            value=None,
            cannot_because=None,
            corrected=False,
            over=1,
            after_reveal=None,
            note=None,
            by_other=True,
        )
    return ReadingOut(
        id=r.id,
        repeat=r.repeat,
        value=r.value,
        cannot_because=r.cannot_because,
        corrected=r.supersedes_id is not None,
        over=r.over,
        after_reveal=r.after_reveal,
        note=r.note,
        by_other=False,
    )


def _more(narrower: Narrowing, measured: Sequence[FeatureRow], readings: Sequence[ReadingRow]) -> MoreReadings:
    feature_id = next(f.id for f in measured if f.code == narrower.feature)
    days = len({r.taken_at.date() for r in readings if r.feature_id == feature_id})
    return MoreReadings(feature_id=feature_id, more=narrower.more, words=narrower.words + say_day(days))


def told_of(evidence: Evidence, instruments: Instruments) -> list[Told]:
    """What each evaluation of the catalogue tells of one specimen; nothing before the first reading or judgement."""
    if not evidence.judgements and not any(r.value is not None or r.over == 0 for r in evidence.readings):
        return []
    return [
        e.of_specimen(evidence, instruments)
        for e in EVALUATIONS
        if e.of_specimen is not None and e.takes(evidence.features)
    ]


def _findings(findings: tuple[Finding, ...]) -> list[FindingOut]:
    by_says = {id(f.says): f for f in findings}
    return [
        FindingOut(
            code=f.quantity.code if (f := by_says.get(id(says))) else None, headline=says.headline, amount=says.amount,
            uncertainty=says.uncertainty, meaning=says.meaning, points_to=f.points_to if f else None,
        )
        for says in words_of(findings)
    ]  # fmt: skip


def _line(
    feature: FeatureRow, readings: list[ReadingOut], estimate: Estimate | NotDetermined, repeats: int
) -> FeatureLine:
    kind = KINDS[feature.kind]
    off = (
        estimate
        if isinstance(estimate, NotDetermined)
        else Estimate(estimate.value - feature.nominal, estimate.u, estimate.dof)
    )
    usual = kind.usual_off or 0.1
    return FeatureLine(
        feature_id=feature.id, code=feature.code, nominal=feature.nominal, unit=feature.unit, digits=kind.digits,
        far_off=kind.far_off, dial_reach=_DIAL_SHOWS * usual, dial_usual=usual, instruments=list(kind.instruments),
        entry=kind.entry, repeats=max(places(kind, repeats), max((r.repeat for r in readings), default=0)), series=kind.series, optional=kind.optional, over=kind.over,
        axis=feature.axis, level=feature.level, at=_middle(feature),
        readings=readings, off=quantity(off, feature.unit, kind.digits + 1),
        grade=None if isinstance(off, NotDetermined) else _grade(feature, off.value),
    )  # fmt: skip


def _middle(feature: FeatureRow) -> list[float] | None:
    if not feature.ends:
        return None
    (x0, y0, _), (x1, y1, _) = feature.ends
    return [(x0 + x1) / 2, (y0 + y1) / 2]


def _grade(feature: FeatureRow, off_mm: float) -> str | None:
    if feature.kind not in (Kind.LENGTH, Kind.DIAGONAL):
        return None
    try:
        return f"IT{feature_grade(feature.nominal, off_mm)}"
    except (NotDetermined, BadInput):
        return None


def _judged(artifact: ArtifactVersion, own: list[JudgementRow]) -> list[JudgedLine]:
    asked = [(f, k) for f in artifact.features if (k := KINDS[f.kind]).takes is not Takes.VALUE or k.looked_at]
    said = {(j.feature_id, j.takes): j for j in own}
    return [
        JudgedLine(
            feature_id=f.id, code=f.code, nominal=f.nominal, unit=f.unit, method=f.method, takes=takes,
            entry=k.entry if takes is k.takes else EntryWay.JUDGED, axis=f.axis, easier=EASIER.get(f.kind), words=[WordOut(word=w, verdict=means(k, w)) for w in k.words],
            said=JudgementOut(
                id=j.id, takes=j.takes, amount=j.amount, verdict=j.verdict, word=j.word,
                corrected=j.supersedes_id is not None, after_reveal=j.after_reveal,
            ) if (j := said.get((f.id, takes))) else None,
        )
        for f, k in asked
        if (takes := Takes.LOOK if k.takes is Takes.VALUE else k.takes)
    ]  # fmt: skip
