"""References of a study: added, taken away, and how this study's machines stand against them."""

import uuid
from collections.abc import Sequence
from typing import Annotated

import numpy as np
from pydantic import Field
from sqlalchemy import exists, func, select
from sqlalchemy.orm import Session

from crevlo.core.estimate import NORMAL_COVERAGE, NotDetermined
from crevlo.core.figure import Figure, central
from crevlo.core.ranking.chances import draw_values
from crevlo.core.ranking.points import weighted_totals
from crevlo.core.ranking.value import ValueFunction, value_of
from crevlo.core.replaces import Replaces, say_replaces
from crevlo.stations.figures.reference import Reference, ReferenceKind, references_of
from crevlo.stations.figures.study import study_figures
from crevlo.stations.kit.kept import Kept
from crevlo.stations.kit.shape import Missing, Name, Refused, Shape
from crevlo.stations.rank.criteria import BY_CODE, unit_of
from crevlo.stations.study import get_study
from crevlo.store.run import Run
from crevlo.store.study import Job, Study, StudyReference, StudyUnit

MOST_REFERENCES = 12
MOST_MEMBERS = 30


class StatedFigure(Shape):
    """As somebody states it, in what is shown; ± at 95 % where they say it."""

    value: float = Field(gt=-1e9, lt=1e9)
    expanded: float = Field(default=0, ge=0, lt=1e9)


class MemberIn(Shape):
    study_id: uuid.UUID
    unit_id: uuid.UUID


class NewReference(Shape):
    """A machine of another study (one member), what is typical of several, or figures that somebody states."""

    id: uuid.UUID
    kind: ReferenceKind
    name: Name = Field(min_length=1, max_length=80)
    about: str = Field(default="", max_length=300, description="whose it is, and where stated figures come from")
    members: list[MemberIn] = Field(default=[], max_length=MOST_MEMBERS)
    figures: dict[Annotated[str, Field(max_length=60)], StatedFigure] = Field(default={}, max_length=60)


class ReferenceOut(Shape):
    id: uuid.UUID
    kind: ReferenceKind
    name: str
    about: str
    age: str
    known: int = Field(description="of the criteria how many it has a figure of")


class UnitChoice(Shape):
    unit_id: uuid.UUID
    name: str


class StudyChoice(Shape):
    """Another study, with its machines that printed."""

    study_id: uuid.UUID
    title: str
    units: list[UnitChoice]


class FigureChoice(Shape):
    code: str
    name: str
    unit: str


class References(Shape):
    references: list[ReferenceOut]
    choices: list[StudyChoice]
    figures: list[FigureChoice] = Field(description="what can be stated: the criteria of this study")


class ReferenceLine(Shape):
    """A reference under the same weights; its total is an interval where figures are missing."""

    id: uuid.UUID
    name: str
    about: str
    age: str
    total_low: float
    total_high: float
    missing: int
    needs: list[str]
    says: str = Field(description="whether the first of this study would replace it")


def view_references(session: Session, study_id: uuid.UUID, codes: Sequence[str]) -> References:
    """`codes` are the criteria of the study."""
    inputs = study_figures(session, study_id)
    currency = inputs.bench.study.currency
    return References(
        references=[
            ReferenceOut(
                id=r.id, kind=r.kind, name=r.name, about=r.about, age=r.age,
                known=sum(not isinstance(r.figure(code), NotDetermined) for code in codes),
            )
            for r in references_of(session, inputs)
        ],
        choices=_choices(session, study_id),
        figures=[FigureChoice(code=c, name=BY_CODE[c].name, unit=unit_of(c, currency)) for c in codes],
    )  # fmt: skip


def _choices(session: Session, study_id: uuid.UUID) -> list[StudyChoice]:
    printed = exists().where(
        Job.study_id == StudyUnit.study_id, Job.unit_id == StudyUnit.unit_id, Run.job_id == Job.id
    )
    rows = session.execute(
        select(Study.id, Study.title, StudyUnit)
        .join(StudyUnit, StudyUnit.study_id == Study.id)
        .where(Study.id != study_id, printed)
        .order_by(Study.created_at.desc(), StudyUnit.position)
        .limit(400)
    )
    found: dict[uuid.UUID, StudyChoice] = {}
    for sid, title, entry in rows:
        choice = found.setdefault(sid, StudyChoice(study_id=sid, title=title, units=[]))
        choice.units.append(UnitChoice(unit_id=entry.unit_id, name=entry.unit.name))
    return list(found.values())


def add_reference(session: Session, study_id: uuid.UUID, given: NewReference, person_id: uuid.UUID) -> None:
    session.scalars(select(Study).where(Study.id == study_id).with_for_update()).one_or_none()
    get_study(session, study_id)
    name = given.name.strip()
    present = list(session.scalars(select(StudyReference).where(StudyReference.study_id == study_id)))
    if len(present) >= MOST_REFERENCES:
        raise Refused(f"A study has {MOST_REFERENCES} references at most.")
    if not name:
        raise Refused("A reference needs a name.")
    if same := next((r.name for r in present if r.name.lower() == name.lower()), None):
        raise Refused(f"There is already a reference called {same}.")
    members = list(dict.fromkeys((m.study_id, m.unit_id) for m in given.members))
    if given.kind is ReferenceKind.STATED:
        _check_stated(given)
        members = []
    elif given.kind is ReferenceKind.MACHINE and len(members) != 1:
        raise Refused("Choose the machine.")
    elif given.kind is ReferenceKind.TYPICAL and len(members) < 2:
        raise Refused("What is typical takes two machines or more.")
    for sid, unit in members:
        if sid == study_id:
            raise Refused("A reference is a machine of another study; those of this one stand side by side already.")
        if not session.scalar(select(func.count()).where(StudyUnit.study_id == sid, StudyUnit.unit_id == unit)):
            raise Missing("There is no such machine in that study.")
    figures = {
        code: {"value": f.value / BY_CODE[code].factor, "u": f.expanded / NORMAL_COVERAGE / BY_CODE[code].factor}
        for code, f in given.figures.items()
    } if given.kind is ReferenceKind.STATED else {}  # fmt: skip
    session.add(
        StudyReference(
            id=given.id, study_id=study_id, kind=given.kind.value, name=name, about=given.about.strip(),
            members=[[str(s), str(u)] for s, u in members], figures=figures, person_id=person_id,
        )
    )  # fmt: skip
    session.flush()


def _check_stated(given: NewReference) -> None:
    if not given.figures:
        raise Refused("State one figure at least.")
    if strange := set(given.figures) - set(BY_CODE):
        raise Refused(f"There is no figure called {', '.join(sorted(strange))}.")
    if not given.about.strip():
        raise Refused("Say where the figures come from.")


def remove_reference(session: Session, study_id: uuid.UUID, reference_id: uuid.UUID) -> None:
    row = session.get(StudyReference, reference_id)
    if row is None or row.study_id != study_id:
        raise Missing("There is no such reference in this study.")
    session.delete(row)
    session.flush()


def reference_lines(
    references: Sequence[Reference], codes: Sequence[str], functions: Sequence[ValueFunction], shares: Sequence[float],
    first: tuple[str, Sequence[Figure]] | None, seed: int, state: str | None,
) -> list[ReferenceLine]:  # fmt: skip
    """Each reference under these weights; `first` is the machine of this study that leads, by name with its figures. Equal keys
    `state` stand for an equal one under equal value functions; None: nothing is kept."""
    lines = []
    for r in references:
        row = [r.figure(code) for code in codes]
        values = [None if (x := central(f)) is None else float(value_of(v, x)) for f, v in zip(row, functions, strict=True)]  # fmt: skip
        total = weighted_totals(shares, [values])[0]
        missing = [(BY_CODE[c].name.lower(), f.needs) for c, f in zip(codes, row, strict=True) if isinstance(f, NotDetermined)]  # fmt: skip
        lines.append(
            ReferenceLine(
                id=r.id, name=r.name, about=r.about, age=r.age, total_low=total.low, total_high=total.high,
                missing=len(missing), needs=[f"{name} needs {needs}" for name, needs in missing],
                says="" if first is None else say_replaces(_replaces(r, row, first, functions, shares, codes, seed, state)),
            )
        )  # fmt: skip
    return lines


# Of what a machine's figures are drawn apart from a reference's, whatever the criteria weigh.
_apart: Kept[np.ndarray] = Kept(64_000_000, lambda drawn: drawn.nbytes)


def _replaces(
    reference: Reference, row: Sequence[Figure], first: tuple[str, Sequence[Figure]], functions: Sequence[ValueFunction],
    shares: Sequence[float], codes: Sequence[str], seed: int, state: str | None,
) -> Replaces:  # fmt: skip
    """On the criteria that both have, their weights in proportion: what both were measured with cancels."""
    name, figures = first
    known = [
        k for k, (mine, theirs) in enumerate(zip(row, figures, strict=True))
        if not isinstance(mine, NotDetermined) and not isinstance(theirs, NotDetermined)
    ]  # fmt: skip
    both = [k for k in known if shares[k] > 0]
    if not both:
        return Replaces(name, reference.name, 0, len(codes), 0.0, 0.0)

    def draw() -> np.ndarray:
        drawn = draw_values(
            [[figures[k] for k in known], [row[k] for k in known]], [functions[k] for k in known], seed, 20_000,
            codes=[codes[k] for k in known], field=False,
        )  # fmt: skip
        apart: np.ndarray = drawn[:, 0] - drawn[:, 1]
        return apart

    kept = state is not None and all(m.state for m in reference.members)
    apart = _apart.get(f"{state} {reference.state}", draw) if kept else draw()
    weights = np.array([shares[k] for k in known]) / sum(shares[k] for k in both)
    lead = weights @ apart
    middle = float(sum(
        w * (value_of(functions[k], central(figures[k]) or 0.0) - value_of(functions[k], central(row[k]) or 0.0))
        for w, k in zip(weights, known, strict=True)
    ))  # fmt: skip
    chance = float(np.mean(lead > 0) + np.mean(lead == 0) / 2)
    return Replaces(name, reference.name, len(both), sum(s > 0 for s in shares), middle, chance)
