"""Inspect: severities by written anchors, blind; locked, then revealed."""

import uuid
from collections import defaultdict
from collections.abc import Sequence
from datetime import UTC, datetime

from pydantic import Field
from sqlalchemy import select, text
from sqlalchemy.orm import Session

from crevlo.core.blind import CODE_RULE, follows
from crevlo.core.defects import KNOWN, asked_of, specimen_quality
from crevlo.stations.bench import load_bench
from crevlo.stations.blind import late_reason
from crevlo.stations.entered import ScoreRow, current_rejections, current_scores
from crevlo.stations.inspect.defects import DefectText, defect_texts
from crevlo.stations.inspect.reject import reject_specimen
from crevlo.stations.judged import own_defects
from crevlo.stations.kit.clock import stated_time
from crevlo.stations.kit.mark import UnitMark, mark_of
from crevlo.stations.kit.shape import Missing, Moment, Refused, Shape
from crevlo.stations.library.artifact import shown_by
from crevlo.stations.study import artifacts_of, current_protocol, get_study
from crevlo.store.machine import ArtifactVersion
from crevlo.store.reading import DefectScore, InspectionLock, Rejection
from crevlo.store.run import Run, Specimen
from crevlo.store.study import Job, Study


class ScoreOut(Shape):
    id: uuid.UUID
    defect: str
    severity: int
    corrected: bool
    after_reveal: str | None = Field(description="why it was entered once the machines were known")


class SpecimenScores(Shape):
    """One rater's own scores of a specimen; `quality` once locked; how many others have locked theirs. In the list what is
    locked comes without its scores."""

    id: uuid.UUID
    blind_code: str
    artifact: str
    asked: list[str] = Field(description="codes of the defects looked for on this artifact")
    scores: list[ScoreOut]
    given: int
    locked: bool
    locked_by_others: int
    quality: float | None
    rejected_by: str | None
    rejected: bool = Field(description="the print was rejected: scores of it are welcome, not due")


class InspectView(Shape):
    now: datetime
    defects: list[DefectText]
    specimens: list[SpecimenScores]
    may_reveal: bool
    reveal_needs: str
    revealed_at: datetime | None


class Inspected(Shape):
    """What one key changed: the line of its specimen, and whether the machines may be revealed by now."""

    line: SpecimenScores
    may_reveal: bool
    reveal_needs: str
    revealed_at: datetime | None


class Revealed(Shape):
    blind_code: str
    print_id: uuid.UUID = Field(description="the number of the run, of which the secret made the code")
    machine: UnitMark
    quality: float | None
    raters: int


class RevealedList(Shape):
    """Which code was which machine; and the secret that codes and order came from, so that the shuffle can be checked."""

    specimens: list[Revealed]
    secret: str
    follows: int = Field(description="codes that are those the secret gives")
    rule: str


class NewScore(Shape):
    id: uuid.UUID
    after_reveal: str | None = Field(
        default=None, max_length=300, description="why this is entered although the machines are known"
    )
    defect: str = Field(max_length=60)
    severity: int = Field(ge=0, le=5)
    supersedes_id: uuid.UUID | None = None
    reason: str | None = Field(default=None, min_length=1, max_length=300)
    scored_at: Moment | None = None


class NewScores(Shape):
    """Several scores of one specimen at once: kept all, or none of them."""

    scores: list[NewScore] = Field(min_length=1, max_length=100)


def view_inspect(session: Session, study_id: uuid.UUID, person_id: uuid.UUID) -> InspectView:
    """The rater's own scores only: nobody sees another's before revealing."""
    study = get_study(session, study_id)
    lines = _lines(session, study, person_id)
    needs = _reveal_needs(session, study)
    return InspectView(
        now=datetime.now(UTC), defects=defect_texts(own_defects(session, study_id)), specimens=lines,
        may_reveal=not needs and study.revealed_at is None, reveal_needs=needs, revealed_at=study.revealed_at,
    )  # fmt: skip


def view_scores(session: Session, specimen_id: uuid.UUID, person_id: uuid.UUID) -> SpecimenScores:
    """One specimen with the rater's scores, locked or not."""
    specimen = _specimen(session, specimen_id)
    return _lines(session, get_study(session, specimen.study_id), person_id, specimen_id)[0]


def view_inspected(session: Session, specimen_id: uuid.UUID, person_id: uuid.UUID) -> Inspected:
    """One specimen with the rater's scores, and whether the machines may be revealed now."""
    study = get_study(session, _specimen(session, specimen_id).study_id)
    needs = _reveal_needs(session, study)
    return Inspected(
        line=_lines(session, study, person_id, specimen_id)[0], may_reveal=not needs and study.revealed_at is None,
        reveal_needs=needs, revealed_at=study.revealed_at,
    )  # fmt: skip


def _lines(
    session: Session, study: Study, person_id: uuid.UUID, only: uuid.UUID | None = None
) -> list[SpecimenScores]:
    """All specimens in the order of the queue, or one of them with all its scores."""
    query = (
        select(Specimen.id, Specimen.blind_code, Job.artifact_id)
        .join(Run, Run.id == Specimen.run_id).join(Job, Job.id == Run.job_id)
        .where(Specimen.study_id == study.id).order_by(Specimen.position, Specimen.blind_code)
    )  # fmt: skip
    specimens = session.execute(query if only is None else query.where(Specimen.id == only)).all()
    locks = _locks(session, study.id)
    mine = {s for s, raters in locks.items() if person_id in raters}
    scores = _scores_in(session, study.id, person_id, only)
    printed = {s.artifact_id for s in specimens}
    artifacts = {a.id: a for a in session.scalars(select(ArtifactVersion).where(ArtifactVersion.id.in_(printed)))}
    own = own_defects(session, study.id)
    asked = {a.id: asked_of(shown_by(a), own) for a in artifacts.values()}
    every = (*KNOWN, *(d.code for d in own))
    rejected = current_rejections(session, [s.id for s in specimens])
    lines = []
    for specimen in specimens:
        given = scores.get(specimen.id, [])
        locked = specimen.id in mine
        severities = {s.defect: s.severity for s in given}
        quality = specimen_quality(severities, severities, own) if locked and given else None
        # What was locked was of what was asked then, whatever the artifact brings out by now.
        of = tuple(c for c in every if c in severities) if locked and given else asked[specimen.artifact_id]
        lines.append(
            SpecimenScores(
                id=specimen.id, blind_code=specimen.blind_code, locked=locked, artifact=artifacts[specimen.artifact_id].name,
                asked=list(of), locked_by_others=len(locks.get(specimen.id, set()) - {person_id}), scores=given,
                given=len(of) if locked else len(given),
                quality=quality.value if quality else None, rejected_by=quality.rejected_by if quality else None,
                rejected=specimen.id in rejected,
            )
        )  # fmt: skip
    return lines


def _locks(session: Session, study_id: uuid.UUID) -> dict[uuid.UUID, set[uuid.UUID]]:
    """By specimen who has locked their scores."""
    locks: dict[uuid.UUID, set[uuid.UUID]] = defaultdict(set)
    rows = session.execute(
        select(InspectionLock.specimen_id, InspectionLock.person_id)
        .join(Specimen, Specimen.id == InspectionLock.specimen_id).where(Specimen.study_id == study_id)
    )  # fmt: skip
    for specimen_id, rater in rows:
        locks[specimen_id].add(rater)
    return locks


def _reveal_needs(session: Session, study: Study) -> str:
    """What keeps the machines hidden; empty where nothing does."""
    protocol = current_protocol(session, study.id)
    codes = session.scalars(
        select(Specimen.blind_code)
        .outerjoin(InspectionLock, InspectionLock.specimen_id == Specimen.id)
        .outerjoin(Rejection, Rejection.specimen_id == Specimen.id)
        .where(Specimen.study_id == study.id, InspectionLock.id.is_(None), Rejection.id.is_(None)).order_by(Specimen.position, Specimen.blind_code)
        .limit(7)
    ).all()  # fmt: skip
    printed = session.scalar(select(Specimen.id).where(Specimen.study_id == study.id).limit(1))
    if protocol is None or protocol.frozen_at is None or printed is None:
        return "There is nothing to reveal yet."
    if codes:
        return f"Still to be scored and locked: {', '.join(codes[:6])}{' …' if len(codes) > 6 else ''}."
    return ""


def record_scores(
    session: Session,
    specimen_id: uuid.UUID,
    given: Sequence[NewScore],
    person_id: uuid.UUID,
    *,
    reviews: bool = False,
) -> None:
    """Keeps a rater's scores of one specimen; where one is refused, none is kept."""
    specimen = _specimen(session, specimen_id)
    # A lock that is under way is waited for, and holds afterwards.
    session.execute(select(Specimen.id).where(Specimen.id == specimen_id).with_for_update(read=True))
    late = {
        reason: late_reason(session, specimen.study_id, reason, reviews=reviews)
        for reason in {score.after_reveal for score in given}
    }
    own_ones = own_defects(session, specimen.study_id)
    artifact = artifacts_of(session, [specimen_id])[specimen_id]
    asked, known = asked_of(shown_by(artifact), own_ones), {*KNOWN, *(d.code for d in own_ones)}
    locked = _locked(session, specimen_id, person_id)
    latest = {s.defect: s.id for s in _own_scores(session, specimen_id, person_id)}
    for score in given:
        if score.defect not in known:
            raise Refused(f"No defect is called {score.defect}.")
        if score.defect not in asked:
            raise Refused(f"That defect is not looked for on the {artifact.name.lower()}.")
        # What is locked stays; given again once the machines are known it stands beside it.
        if late[score.after_reveal] is None and locked:
            raise Refused("Your scores of this specimen are locked.")
        if latest.get(score.defect) != score.supersedes_id:
            raise Refused("This defect was scored meanwhile; look at the newer score first.")
        if score.supersedes_id and not score.reason:
            raise Refused("Say why the score changes.")
        latest[score.defect] = score.id
        session.add(
            DefectScore(
                id=score.id, specimen_id=specimen_id, defect=score.defect, severity=score.severity, person_id=person_id,
                scored_at=stated_time(score.scored_at), supersedes_id=score.supersedes_id, reason=score.reason,
                after_reveal=late[score.after_reveal],
            )
        )  # fmt: skip
    session.flush()


def lock(session: Session, specimen_id: uuid.UUID, person_id: uuid.UUID) -> None:
    """Makes the rater's scores final; every defect must have one."""
    specimen = _specimen(session, specimen_id)
    session.execute(select(Specimen.id).where(Specimen.id == specimen_id).with_for_update())
    if not _locked(session, specimen_id, person_id):
        own = {s.defect: s.severity for s in _own_scores(session, specimen_id, person_id)}
        own_ones = own_defects(session, specimen.study_id)
        asked = asked_of(shown_by(artifacts_of(session, [specimen_id])[specimen_id]), own_ones)
        quality = specimen_quality(own, asked, own_ones)  # raises NotDetermined while a defect is unscored
        session.add(InspectionLock(specimen_id=specimen_id, person_id=person_id))
        session.flush()
        if quality.rejected_by:
            reject_specimen(session, specimen_id, quality.rejected_by, person_id)


def reveal(session: Session, study_id: uuid.UUID, person_id: uuid.UUID) -> RevealedList:
    """Opens which code was which machine; only once every specimen that was not rejected is scored and locked."""
    if get_study(session, study_id).revealed_at is None:
        if needs := _reveal_needs(session, get_study(session, study_id)):
            raise Refused(needs)
        study = session.scalars(select(Study).where(Study.id == study_id).with_for_update()).one()
        study.revealed_at = datetime.now(UTC)
        session.flush()
    return revealed(session, study_id)


def revealed(session: Session, study_id: uuid.UUID) -> RevealedList:
    bench = load_bench(session, study_id)
    if bench.study.revealed_at is None:
        raise Refused("Machines stay hidden until every specimen is scored and locked.")
    marks = {u.unit_id: mark_of(u) for u in bench.units}
    unit_of = {run.id: job.unit_id for job in bench.jobs for run in bench.runs.get(job.id, [])}
    rows = []
    for specimen in bench.specimens:
        by_rater: dict[uuid.UUID, dict[str, int]] = defaultdict(dict)
        for score in bench.scores.get(specimen.id, []):
            by_rater[score.person_id][score.defect] = score.severity
        qualities = [specimen_quality(s, s, bench.own_defects).value for s in by_rater.values()]
        rows.append(
            Revealed(
                blind_code=specimen.blind_code, print_id=specimen.run_id, machine=marks[unit_of[specimen.run_id]],
                quality=sum(qualities) / len(qualities) if qualities else None, raters=len(qualities),
            )
        )  # fmt: skip
    secret = bench.study.blind_secret
    return RevealedList(
        specimens=sorted(rows, key=lambda r: (r.machine.mark, r.blind_code)), secret=secret, rule=CODE_RULE,
        follows=sum(follows(r.blind_code, secret, str(r.print_id)) for r in rows),
    )  # fmt: skip


_SCORES = text(
    "select score.specimen_id, score.id, score.defect, score.severity, score.supersedes_id is not null, score.after_reveal"
    " from specimen join defect_score score on score.specimen_id = specimen.id where specimen.study_id = :study"
    " and score.person_id = :person and not exists (select from defect_score newer where newer.supersedes_id = score.id)"
    " and (specimen.id = :only or cast(:only as uuid) is null and not exists ("
    "  select from inspection_lock l where l.specimen_id = specimen.id and l.person_id = :person))"
)


def _scores_in(
    session: Session, study_id: uuid.UUID, person_id: uuid.UUID, only: uuid.UUID | None
) -> dict[uuid.UUID, list[ScoreOut]]:
    """A rater's scores as they count, by specimen: of what is not locked yet, or of one specimen."""
    found: dict[uuid.UUID, list[ScoreOut]] = defaultdict(list)
    rows = session.execute(_SCORES, {"study": study_id, "person": person_id, "only": only})
    for specimen_id, score_id, defect, severity, corrected, late in rows:
        found[specimen_id].append(
            ScoreOut(id=score_id, defect=defect, severity=severity, corrected=corrected, after_reveal=late)
        )
    return found


def _own_scores(session: Session, specimen_id: uuid.UUID, person_id: uuid.UUID) -> list[ScoreRow]:
    return current_scores(session, [specimen_id], locked_only=False, late=True, by=person_id).get(specimen_id, [])


def _specimen(session: Session, specimen_id: uuid.UUID) -> Specimen:
    specimen = session.get(Specimen, specimen_id)
    if specimen is None:
        raise Missing("There is no such specimen.")
    return specimen


def _locked(session: Session, specimen_id: uuid.UUID, person_id: uuid.UUID) -> bool:
    return bool(
        session.scalar(
            select(InspectionLock.id).where(
                InspectionLock.specimen_id == specimen_id, InspectionLock.person_id == person_id
            )
        )
    )
