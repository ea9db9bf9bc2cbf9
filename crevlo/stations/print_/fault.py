"""Fault finding on a run, failed or not, or on a unit whatever it prints: possible causes, how each was tested, and which are ruled out."""

import uuid
from datetime import datetime

from pydantic import Field
from sqlalchemy import select
from sqlalchemy.orm import Session

from crevlo.stations.kit.change import change
from crevlo.stations.kit.shape import Missing, Refused, Shape, Version
from crevlo.store.device import Hypothesis, Ruling
from crevlo.store.run import Run


class HypothesisIn(Shape):
    claim: str = Field(min_length=1, max_length=300)
    test: str = Field(default="", max_length=500)
    result: str = Field(default="", max_length=500)
    ruling: Ruling = Ruling.OPEN


class NewHypothesis(HypothesisIn):
    id: uuid.UUID


class HypothesisChange(HypothesisIn):
    version: Version


class HypothesisOut(HypothesisIn):
    id: uuid.UUID
    version: int
    noted_at: datetime


def add_hypothesis(session: Session, run_id: uuid.UUID, given: NewHypothesis, person_id: uuid.UUID) -> uuid.UUID:
    """Gives the run's job. An open end is allowed: a cause may never be found."""
    run = session.get(Run, run_id)
    if run is None:
        raise Missing("There is no such run.")
    _check(given)
    session.add(Hypothesis(run_id=run_id, person_id=person_id, **given.model_dump()))
    session.flush()
    return run.job_id


def change_hypothesis(session: Session, hypothesis_id: uuid.UUID, given: HypothesisChange) -> uuid.UUID:
    row = session.get(Hypothesis, hypothesis_id)
    if row is None or row.run_id is None:
        raise Missing("There is no such entry of a run.")
    _check(given)
    change(session, row, given.version, given.model_dump(exclude={"version"}))
    return session.get_one(Run, row.run_id).job_id


def add_to_unit(session: Session, unit_id: uuid.UUID, given: NewHypothesis, person_id: uuid.UUID) -> None:
    """A possible cause of what a machine does, whatever it prints."""
    _check(given)
    session.add(Hypothesis(unit_id=unit_id, person_id=person_id, **given.model_dump()))
    session.flush()


def change_of_unit(session: Session, unit_id: uuid.UUID, hypothesis_id: uuid.UUID, given: HypothesisChange) -> None:
    row = session.get(Hypothesis, hypothesis_id)
    if row is None or row.unit_id != unit_id:
        raise Missing("There is no such entry of this machine.")
    _check(given)
    change(session, row, given.version, given.model_dump(exclude={"version"}))


def of_unit(session: Session, unit_id: uuid.UUID) -> list[HypothesisOut]:
    rows = session.scalars(select(Hypothesis).where(Hypothesis.unit_id == unit_id).order_by(Hypothesis.noted_at))
    return [HypothesisOut.model_validate(row, extra="ignore") for row in rows]


def hypotheses_of(session: Session, run_ids: list[uuid.UUID]) -> dict[uuid.UUID, list[HypothesisOut]]:
    found: dict[uuid.UUID, list[HypothesisOut]] = {}
    rows = session.scalars(select(Hypothesis).where(Hypothesis.run_id.in_(run_ids)).order_by(Hypothesis.noted_at))
    for row in rows:
        assert row.run_id is not None
        found.setdefault(row.run_id, []).append(HypothesisOut.model_validate(row, extra="ignore"))
    return found


def _check(given: HypothesisIn) -> None:
    if given.ruling is not Ruling.OPEN and not given.result.strip():
        raise Refused("Say what the test showed before ruling on it.")
