"""How far raters agree, where they do not, and whether one of them is lenient, drifts, or scores otherwise once machines are known."""

import uuid
from collections import defaultdict

from pydantic import Field
from sqlalchemy import select
from sqlalchemy.orm import Session

from crevlo.core.defects import DEFECTS
from crevlo.core.estimate import Estimate, NotDetermined
from crevlo.core.raters.agreement import agreement, say_agreement
from crevlo.core.raters.bias import against_others, revealed_bias
from crevlo.stations.entered import ScoreRow, current_scores
from crevlo.stations.judged import own_defects
from crevlo.stations.kit.shape import Shape
from crevlo.stations.study import get_study
from crevlo.store.person import Person
from crevlo.store.reading import InspectionLock
from crevlo.store.run import Specimen

# Two people this far apart talk it over.
APART = 2
_MOST_APART = 60


class ScoreBy(Shape):
    rater: str
    severity: int


class Apart(Shape):
    """One defect of a specimen on which raters are far apart; both scores stay."""

    specimen_id: uuid.UUID
    blind_code: str
    defect: str
    scores: list[ScoreBy]


class RaterWords(Shape):
    rater: str
    scores: int
    higher: str
    drift: str
    revealed: str = Field(description="blind against revealed, where it was scored again; empty where it was not")


class AgreementView(Shape):
    raters: int
    specimens: int = Field(description="scored and locked by two or more, this person among them until the reveal")
    alpha: float | None
    kappa: float | None
    exact: float | None
    within_one: float | None
    words: str
    apart: list[Apart]
    by_rater: list[RaterWords]


def view_agreement(session: Session, study_id: uuid.UUID, person_id: uuid.UUID) -> AgreementView:
    """Over locked scores; before the reveal a person sees others' only of what they have locked themselves."""
    study = get_study(session, study_id)
    locks: dict[uuid.UUID, set[uuid.UUID]] = defaultdict(set)
    codes: dict[uuid.UUID, str] = {}
    for specimen_id, code, rater in session.execute(
        select(Specimen.id, Specimen.blind_code, InspectionLock.person_id)
        .join(InspectionLock, InspectionLock.specimen_id == Specimen.id).where(Specimen.study_id == study_id)
    ):  # fmt: skip
        locks[specimen_id].add(rater)
        codes[specimen_id] = code
    open_ = [
        s for s, raters in locks.items() if len(raters) > 1 and (study.revealed_at is not None or person_id in raters)
    ]
    scores = current_scores(session, open_, locked_only=True)
    names = dict(session.execute(select(Person.id, Person.name)).tuples().all())
    raters = sorted({s.person_id for rows in scores.values() for s in rows}, key=lambda r: names[r])
    if not open_ or len(raters) < 2:
        mine = any(person_id in r for r in locks.values())
        need = (
            "Needs a specimen that two people have scored and locked."
            if mine or study.revealed_at
            else "Lock scores of your own first: others' are shown beside them then."
        )
        return AgreementView(
            raters=len(raters),
            specimens=0,
            alpha=None,
            kappa=None,
            exact=None,
            within_one=None,
            words=need,
            apart=[],
            by_rater=[],
        )
    things: dict[tuple[uuid.UUID, str], dict[uuid.UUID, ScoreRow]] = defaultdict(dict)
    for specimen_id, rows in scores.items():
        for row in rows:
            things[specimen_id, row.defect][row.person_id] = row
    shared = {thing: by for thing, by in things.items() if len(by) > 1}
    ratings = [[by[r].severity if r in by else None for by in shared.values()] for r in raters]
    made = agreement(ratings)
    named = {d.code: d.name for d in (*DEFECTS, *own_defects(session, study_id))}
    apart = [
        Apart(
            specimen_id=specimen_id, blind_code=codes[specimen_id], defect=named.get(defect, defect),
            scores=[ScoreBy(rater=names[r], severity=row.severity) for r, row in sorted(by.items(), key=lambda x: names[x[0]])],
        )
        for (specimen_id, defect), by in shared.items()
        if max(row.severity for row in by.values()) - min(row.severity for row in by.values()) >= APART
    ]  # fmt: skip
    apart.sort(key=lambda a: (-(max(s.severity for s in a.scores) - min(s.severity for s in a.scores)), a.blind_code))
    again = _given_again(session, open_) if study.revealed_at is not None else {}
    return AgreementView(
        raters=len(raters), specimens=len(open_), alpha=_number(made.alpha), kappa=_number(made.kappa), exact=made.exact,
        within_one=made.within_one, words=say_agreement(made, len(raters)), apart=apart[:_MOST_APART],
        by_rater=[_rater(names[r], r, shared, again.get(r, [])) for r in raters],
    )  # fmt: skip


def _number(found: float | NotDetermined | None) -> float | None:
    return None if found is None or isinstance(found, NotDetermined) else found


def _rater(
    name: str, rater: uuid.UUID, shared: dict[tuple[uuid.UUID, str], dict[uuid.UUID, ScoreRow]], again: list[tuple[float, float]],
) -> RaterWords:  # fmt: skip
    """One rater against the others' mean on the same things, in the order they scored them."""
    mine = sorted((by for by in shared.values() if rater in by), key=lambda by: by[rater].scored_at)
    pairs = [
        (float(by[rater].severity), sum(r.severity for p, r in by.items() if p != rater) / (len(by) - 1))
        for by in mine
    ]
    made = against_others(pairs)
    return RaterWords(
        rater=name, scores=len(pairs), higher=_say(made.higher, "scores higher than the others by", "scores lower than the others by", "neither stricter nor milder than the others"),
        drift=_say(made.drift, "grows stricter by", "grows milder by", "no drift over the sitting", " per ten scores"), revealed=_revealed(again),
    )  # fmt: skip


def _say(found: Estimate | NotDetermined, up: str, down: str, none: str, per: str = "") -> str:
    if isinstance(found, NotDetermined):
        return f"needs {found.needs}"
    if abs(found.value) <= found.expanded:
        return f"{none} (± {found.expanded:.2f})"
    return f"{up if found.value > 0 else down} {abs(found.value):.2f} ± {found.expanded:.2f}{per}"


def _revealed(pairs: list[tuple[float, float]]) -> str:
    if not pairs:
        return ""
    try:
        found = revealed_bias(pairs)
    except NotDetermined as few:
        return f"blind against revealed: needs {few.needs}"
    if abs(found.value) <= found.expanded:
        return f"blind and revealed alike within {found.expanded:.2f}"
    way = "worse" if found.value > 0 else "better"
    return f"scores {way} by {abs(found.value):.2f} ± {found.expanded:.2f} once the machine is known"


def _given_again(session: Session, specimen_ids: list[uuid.UUID]) -> dict[uuid.UUID, list[tuple[float, float]]]:
    """By rater, (blind, revealed) severities of what they scored again after the reveal."""
    blind = current_scores(session, specimen_ids, locked_only=True)
    late = current_scores(session, specimen_ids, locked_only=False, late=True)
    found: dict[uuid.UUID, list[tuple[float, float]]] = defaultdict(list)
    for specimen_id, rows in late.items():
        before = {(r.person_id, r.defect): r.severity for r in blind.get(specimen_id, [])}
        for row in rows:
            if row.after_reveal and (row.person_id, row.defect) in before:
                found[row.person_id].append((float(before[row.person_id, row.defect]), float(row.severity)))
    return found
