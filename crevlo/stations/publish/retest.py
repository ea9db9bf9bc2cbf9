"""A published study tested again: the same pieces on the same units, and how far their figures have drifted."""

import uuid
from datetime import datetime
from typing import Any

from pydantic import Field
from sqlalchemy import select
from sqlalchemy.orm import Session

from crevlo.core.estimate import NotDetermined
from crevlo.core.evaluations import EVALUATIONS
from crevlo.core.evaluations.evaluation import Better, Rests
from crevlo.core.evidence import Evidence, Key
from crevlo.core.figure import Figure
from crevlo.core.on_line import evidence_on
from crevlo.core.pairwise import Compared, Pair, compare
from crevlo.stations.figures.study import StudyFigures, study_figures
from crevlo.stations.kit.shape import Missing, Name, Refused, Shape, quantity
from crevlo.stations.plan.exchange import export_protocol, read_protocol
from crevlo.stations.plan.study import NewStudy, create_study, save_draft
from crevlo.stations.protocol import Draft
from crevlo.stations.publish.frozen import of_revision
from crevlo.store.published import ReportRevision
from crevlo.store.study import Study


class NewRetest(Shape):
    id: uuid.UUID
    title: Name = Field(min_length=1, max_length=120)


class RetestMade(Shape):
    study_id: uuid.UUID


class DriftRow(Shape):
    """One figure of one unit, then and now; `drifted` where it differs by more than chance and readings leave."""

    code: str
    name: str
    before: str
    now: str
    drifted: bool
    says: str


class DriftOf(Shape):
    unit_id: uuid.UUID
    name: str
    rows: list[DriftRow]
    says: str


class Drift(Shape):
    study_id: uuid.UUID
    title: str
    begun_at: datetime
    units: list[DriftOf]
    needs: str


def plan_retest(session: Session, revision_id: uuid.UUID, given: NewRetest, person_id: uuid.UUID) -> RetestMade:
    """A draft of the same protocol on the same units, which is to be frozen and printed as any other."""
    revision = session.get(ReportRevision, revision_id)
    if revision is None:
        raise Missing("There is no such revision.")
    if revision.frozen is None or "units" not in revision.frozen:
        raise Refused(
            "This revision was published by an earlier version and has no data to test against. Publish anew."
        )
    old = session.get_one(Study, revision.study_id)
    read = read_protocol(session, export_protocol(session, old.id))
    create_study(
        session,
        NewStudy(id=given.id, title=given.title.strip(), question=old.question, currency=old.currency),
        person_id,
    )
    study = session.get_one(Study, given.id)
    study.retest_of = revision_id
    session.flush()
    save_draft(
        session, given.id,
        Draft(version=study.version, question=read.question, candidates=read.candidates, arms=read.arms, repeats=read.repeats, policies=read.policies),
    )  # fmt: skip
    return RetestMade(study_id=given.id)


def retests_of(session: Session, revision: ReportRevision) -> list[Study]:
    return list(session.scalars(select(Study).where(Study.retest_of == revision.id).order_by(Study.created_at)))


def drift_of(
    session: Session, revision: ReportRevision, retest: uuid.UUID
) -> tuple[Drift, dict[Key, dict[str, Figure]]]:
    """Then against now on the pieces that both printed, all of a unit's figures judged together; and by frozen machine the
    figures that drifted, as they are now."""
    inputs = study_figures(session, retest)
    study = inputs.bench.study
    fields: dict[str, Any] = {"study_id": retest, "title": study.title, "begun_at": study.created_at}
    if not inputs.evidence.machines or not any(m.good for m in inputs.evidence.machines.values()):
        return Drift(**fields, units=[], needs="a good print"), {}
    before = of_revision(revision).study
    there = {str(unit): called for called, unit in (revision.frozen or {}).get("units", {}).items()}
    old, new = _common(before.figures.evidence, inputs)
    if not old.lines:
        return Drift(**fields, units=[], needs="a piece that was printed then too"), {}
    units, found = [], {}
    for entrant in inputs.entrants:
        called = there.get(str(entrant.entry.unit_id))
        if called is not None:
            told, drifted = _one(old, new, called, entrant.key)
            found[called] = drifted
            units.append(
                DriftOf(unit_id=entrant.entry.unit_id, name=entrant.name, rows=told, says=_says(entrant.name, told))
            )
    return Drift(**fields, units=units, needs=""), found


def _common(old: Evidence, inputs: StudyFigures) -> tuple[Evidence, Evidence]:
    """Both on the pieces of one name; their spools may be others."""
    names = {line.name for line in old.lines.values()} & {line.name for line in inputs.evidence.lines.values()}

    def of(evidence: Evidence) -> Evidence:
        return evidence_on(evidence, {key for key, line in evidence.lines.items() if line.name in names})

    return of(old), of(inputs.evidence)


def _one(old: Evidence, new: Evidence, called: Key, key: Key) -> tuple[list[DriftRow], dict[str, Figure]]:
    pairs, quantities = [], []
    for evaluation in EVALUATIONS:
        if not any(evaluation.takes(line.features) for line in old.lines.values()):
            continue
        then, now = evaluation.of_machines(old).figures, evaluation.of_machines(new).figures
        for q in evaluation.tells:
            # What a unit costs or is by its sheet does not drift.
            if q.better is Better.NONE or q.rests is Rests.UNIT or q.unit == "money":
                continue
            a, b = then[q.code][called], now[q.code][key]
            if not isinstance(a, NotDetermined) and not isinstance(b, NotDetermined):
                pairs.append(Pair(q.code, q.better, b, a, least=0.5 * 10.0**-q.digits / q.factor))
                quantities.append(q)
    rows, drifted = [], {}
    for pair, q, made in zip(pairs, quantities, compare(pairs), strict=True):
        before, now_ = (quantity(f, q.unit, q.digits).words for f in (pair.second, pair.first))
        rows.append(
            DriftRow(
                code=q.code, name=q.name, before=before, now=now_, drifted=made.differs, says=_row(made, q.unit, q.digits)
            )
        )  # fmt: skip
        if made.differs:
            drifted[q.code] = pair.first
    return sorted(rows, key=lambda r: not r.drifted), drifted


def _row(made: Compared, unit: str, digits: int) -> str:
    assert made.difference is not None
    apart = f"{made.difference:+.{digits}f} {unit}".replace("-", "−").strip()
    if not made.differs:
        return f"{apart}, within what copies and readings leave"
    assert made.low is not None
    assert made.high is not None
    low, high = (f"{x:.{digits}f}".replace("-", "−") for x in (made.low, made.high))
    return f"{apart} ({low} to {high}), beyond what copies and readings leave"


def _says(name: str, rows: list[DriftRow]) -> str:
    if not rows:
        return f"{name}: nothing is known of both times yet."
    drifted = [r.name.lower() for r in rows if r.drifted]
    if not drifted:
        return f"{name}: none of {len(rows)} figures has drifted beyond chance."
    return f"{name}: {', '.join(drifted)} {'has' if len(drifted) == 1 else 'have'} drifted; {len(rows) - len(drifted)} others have not."
