"""Versions of a study's scheme with what each changed, and schemes and buyers as a file."""

import uuid
from datetime import datetime
from typing import Annotated, Literal

from pydantic import Field
from sqlalchemy import select
from sqlalchemy.orm import Session

from crevlo.core.figure import central
from crevlo.core.ranking.points import weighted_totals
from crevlo.core.ranking.scheme_change import Counts, say_change, say_moved
from crevlo.core.ranking.value import value_function, value_of
from crevlo.stations.figures.study import StudyFigures, study_figures
from crevlo.stations.kit.shape import Missing, Name, Shape
from crevlo.stations.rank.buyer import (
    MOST_BUYERS,
    BuyerChange,
    NewBuyer,
    Weights,
    Wishes,
    add_buyer,
    buyers_of,
    change_buyer,
)
from crevlo.stations.rank.criteria import BY_CODE, unit_of
from crevlo.stations.rank.must_have import MustHave
from crevlo.stations.rank.scheme import CriterionIn, NewScheme, change_scheme, criterion_in, latest_scheme
from crevlo.store.person import Person
from crevlo.store.study import SchemeVersion


class SchemeStep(Shape):
    """One version: what it changed in words, and how totals moved by it, with today's figures and the scheme's own weights."""

    number: int
    at: datetime
    by: str
    changes: list[str]
    moved: str


class SchemeHistory(Shape):
    steps: list[SchemeStep] = Field(description="the newest first")


class BuyerFile(Shape):
    name: Name = Field(min_length=1, max_length=80)
    weights: Weights = Field(default={})
    must_haves: list[MustHave] = Field(default=[], max_length=30)
    wishes: Wishes = Wishes()


class SchemeFile(Shape):
    """A scheme and its buyers in the format `crevlo-scheme` 1; money in `currency`."""

    format: Literal["crevlo-scheme"] = "crevlo-scheme"
    format_version: Literal[1] = 1
    study: str = Field(default="", max_length=120)
    currency: Annotated[str, Field(pattern="^[A-Z]{3}$")]
    criteria: list[CriterionIn] = Field(min_length=1, max_length=100)
    buyers: list[BuyerFile] = Field(default=[], max_length=MOST_BUYERS)


class TakenOver(Shape):
    """What a file brought, in words."""

    notes: list[str]


def view_history(session: Session, study_id: uuid.UUID) -> SchemeHistory:
    versions = list(
        session.scalars(
            select(SchemeVersion).where(SchemeVersion.study_id == study_id).order_by(SchemeVersion.number.desc()).limit(50)
        )
    )  # fmt: skip
    if not versions:
        raise Missing("There is no such study.")
    names = dict(session.execute(select(Person.id, Person.name)).tuples().all())
    inputs = study_figures(session, study_id)
    totals = {v.number: _totals(inputs, v) for v in versions}
    steps = []
    for version, earlier in zip(versions, [*versions[1:], None], strict=True):
        currency = inputs.bench.study.currency
        steps.append(
            SchemeStep(
                number=version.number, at=version.created_at, by=names.get(version.person_id, ""),
                changes=say_change(_counts(earlier, currency), _counts(version, currency)) if earlier else [],
                moved=say_moved(list(totals[earlier.number].items()), totals[version.number]) if earlier else "",
            )
        )  # fmt: skip
    return SchemeHistory(steps=steps)


def _counts(version: SchemeVersion, currency: str) -> dict[str, Counts]:
    return {
        c.code: Counts(
            BY_CODE[c.code].name, unit_of(c.code, currency), c.weight, c.shape.value,
            tuple((float(BY_CODE[c.code].factor * raw), float(value)) for raw, value in c.points),
            c.group_name,
        )
        for c in version.criteria
        if c.code in BY_CODE
    }  # fmt: skip


def _totals(inputs: StudyFigures, version: SchemeVersion) -> dict[str, float]:
    """Of the machines with every figure, the control aside."""
    criteria = [c for c in version.criteria if c.code in BY_CODE]
    functions = [value_function(c.shape, [(raw, v) for raw, v in c.points]) for c in criteria]
    found = {}
    for e in inputs.entrants:
        raws = [central(inputs.figure(c.code, e.key)) for c in criteria]
        if e.entry.is_control or any(x is None for x in raws):
            continue
        values = [float(value_of(f, x)) for f, x in zip(functions, raws, strict=True) if x is not None]
        found[e.name] = weighted_totals([c.weight for c in criteria], [values])[0].low
    return found


def export_scheme(session: Session, study_id: uuid.UUID) -> SchemeFile:
    inputs, scheme = study_figures(session, study_id), latest_scheme(session, study_id)
    return SchemeFile(
        study=inputs.bench.study.title, currency=inputs.bench.study.currency,
        criteria=[criterion_in(c) for c in scheme.criteria],
        buyers=[
            BuyerFile(
                name=b.name, weights=b.weights,
                must_haves=[MustHave(kind=g.kind, limit=g.limit, what=g.what, at_least=g.at_least) for g in b.gates],
                wishes=Wishes(prints_month=b.prints_month, budget=b.budget, step=b.step),
            )
            for b in buyers_of(session, study_id)
        ],
    )  # fmt: skip


def take_over(session: Session, study_id: uuid.UUID, given: SchemeFile, person_id: uuid.UUID) -> TakenOver:
    """The file's criteria become the next version of the scheme; buyers that are not here are added, by name.

    Raises Refused where a criterion is not known here. Of another currency, amounts are left out and said so.
    """
    scheme = latest_scheme(session, study_id)
    study = study_figures(session, study_id).bench.study
    notes = []
    if given.currency == study.currency or not any(_is_money(c.code) for c in given.criteria):
        change_scheme(
            session, study_id, NewScheme(id=uuid.uuid4(), number=scheme.number, criteria=given.criteria), person_id
        )
        notes.append(f"Scheme v{scheme.number + 1} counts {len(given.criteria)} criteria.")
    else:
        notes.append(
            f"The scheme's anchors are in {given.currency}, this study's in {study.currency}: it stays as it is."
        )
    here = {b.name.lower() for b in buyers_of(session, study_id)}
    for buyer in given.buyers:
        if buyer.name.strip().lower() in here:
            notes.append(f"There is a buyer called {buyer.name} already: kept as it is.")
            continue
        if len(here) >= MOST_BUYERS:
            notes.append(f"A study has {MOST_BUYERS} buyers at most: {buyer.name} is left out.")
            continue
        _add(session, study_id, buyer, same=given.currency == study.currency, notes=notes)
        here.add(buyer.name.strip().lower())
    return TakenOver(notes=notes)


def _add(session: Session, study_id: uuid.UUID, buyer: BuyerFile, *, same: bool, notes: list[str]) -> None:
    made = uuid.uuid4()
    add_buyer(session, study_id, NewBuyer(id=made, name=buyer.name))
    row = next(b for b in buyers_of(session, study_id) if b.id == made)
    must = [
        m for m in buyer.must_haves if same or not (m.kind == "price" or (m.kind == "figure" and _is_money(m.what)))
    ]
    wishes = buyer.wishes if same else Wishes(prints_month=buyer.wishes.prints_month)
    change_buyer(session, study_id, made, BuyerChange(version=row.version, must_haves=must, wishes=wishes))
    # As they were set, not as they stood on a screen.
    codes = {c.code for c in latest_scheme(session, study_id).criteria}
    row.weights = {code: w for code, w in buyer.weights.items() if code in codes}
    session.flush()
    left = len(buyer.must_haves) - len(must)
    notes.append(f"{buyer.name} is added{f', without {left} limits in another currency' if left else ''}.")


def _is_money(code: str) -> bool:
    return code in BY_CODE and BY_CODE[code].unit == "money"
