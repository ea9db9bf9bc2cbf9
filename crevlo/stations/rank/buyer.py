"""Buyers: whom a study recommends for, with their weights and must-haves."""

import uuid
from collections.abc import Sequence
from typing import Annotated

from pydantic import Field
from sqlalchemy import func, select
from sqlalchemy.orm import Session

from crevlo.core.ranking.buyer import weights_as_set
from crevlo.core.ranking.gate import GateKind
from crevlo.core.ranking.points import normalised
from crevlo.stations.kit.change import change
from crevlo.stations.kit.shape import Missing, Name, Refused, Shape, Version
from crevlo.stations.rank.beginning import must_be_safe
from crevlo.stations.rank.criteria import BY_CODE
from crevlo.stations.rank.must_have import MustHave, checked
from crevlo.stations.rank.scheme import latest_scheme
from crevlo.stations.study import get_study
from crevlo.store.published import ReportRevision
from crevlo.store.study import BuyerProfile, GateRow, Study

MOST_BUYERS = 30

Weights = Annotated[
    dict[Annotated[str, Field(max_length=60)], Annotated[float, Field(ge=0, le=1000)]], Field(max_length=100)
]


class NewBuyer(Shape):
    """A new buyer; `copy_of` is one of this or another study whose weights and must-haves to begin with, but for amounts of
    another currency."""

    id: uuid.UUID
    name: Name = Field(min_length=1, max_length=80)
    copy_of: uuid.UUID | None = None


class Wishes(Shape):
    """How much a buyer prints, and what they would spend; what is left out nobody says."""

    prints_month: float | None = Field(default=None, gt=0, le=100_000)
    budget: float | None = Field(default=None, gt=0, le=1e7)
    step: float | None = Field(default=None, gt=0, le=1e7, description="how much more a better machine may cost")


class BuyerChange(Shape):
    """What is left out stays as it is; must-haves are given whole."""

    version: Version
    name: str | None = Field(default=None, min_length=1, max_length=80)
    weights: Weights | None = None
    must_haves: list[MustHave] | None = Field(default=None, max_length=30)
    wishes: Wishes | None = None


class BuyerCard(Shape):
    """A buyer of some study, to copy from."""

    id: uuid.UUID
    name: str
    study: str


class Buyers(Shape):
    buyers: list[BuyerCard]


def buyers_of(session: Session, study_id: uuid.UUID) -> list[BuyerProfile]:
    return list(
        session.scalars(select(BuyerProfile).where(BuyerProfile.study_id == study_id).order_by(BuyerProfile.position))
    )


def all_buyers(session: Session) -> Buyers:
    """Buyers of every study, the newest study's first."""
    rows = session.execute(
        select(BuyerProfile.id, BuyerProfile.name, Study.title)
        .join(Study, Study.id == BuyerProfile.study_id)
        .order_by(Study.created_at.desc(), BuyerProfile.position)
        .limit(300)
    )
    return Buyers(buyers=[BuyerCard(id=i, name=name, study=title) for i, name, title in rows])


def add_buyer(session: Session, study_id: uuid.UUID, given: NewBuyer) -> None:
    study = get_study(session, study_id)
    present = buyers_of(session, study_id)
    if len(present) >= MOST_BUYERS:
        raise Refused(f"A study has {MOST_BUYERS} buyers at most.")
    name = _free_name(session, study_id, given.name, None)
    buyer = BuyerProfile(
        id=given.id,
        study_id=study_id,
        name=name,
        position=1 + max((b.position for b in present), default=-1),
        weights={},
    )
    buyer.gates = must_be_safe()
    if given.copy_of:
        copied = session.get(BuyerProfile, given.copy_of)
        if copied is None:
            raise Missing("There is no such buyer to copy.")
        theirs = get_study(session, copied.study_id).currency
        buyer.weights = dict(copied.weights)
        buyer.prints_month = copied.prints_month
        if theirs == study.currency:
            buyer.budget, buyer.step = copied.budget, copied.step
        buyer.gates = [
            GateRow(kind=g.kind, limit=g.limit, what=g.what, at_least=g.at_least) for g in copied.gates
            # An amount of other money would be another limit.
            if theirs == study.currency or not _is_money(g)
        
        ]  # fmt: skip
    session.add(buyer)
    session.flush()


def change_buyer(session: Session, study_id: uuid.UUID, buyer_id: uuid.UUID, given: BuyerChange) -> None:
    buyer = find_buyer(session, study_id, buyer_id)
    changes: dict[str, object] = {"name": buyer.name}
    if given.name is not None:
        changes["name"] = _free_name(session, study_id, given.name, buyer_id)
    prints = buyer.prints_month
    if given.wishes is not None:
        changes |= given.wishes.model_dump()
        prints = given.wishes.prints_month
    if given.weights is not None:
        normalised(list(given.weights.values()))
        if set(given.weights) - set(BY_CODE):
            raise Refused("There is a weight for something that is no criterion.")
        # A criterion of the scheme that is not named weighs nothing; one that comes later brings its weight along.
        codes = [c.code for c in latest_scheme(session, study_id).criteria]
        # As they stand on the screen they hold what the prints a month do to them.
        changes["weights"] = dict.fromkeys(codes, 0.0) | weights_as_set(given.weights, prints)
    wanted = None if given.must_haves is None else _distinct([checked(m) for m in given.must_haves])
    change(session, buyer, given.version, changes)
    if wanted is not None:
        for gate in list(buyer.gates):
            session.delete(gate)
        session.flush()
        session.expire(buyer, ["gates"])
        buyer.gates.extend(wanted)
    session.flush()


def remove_buyer(session: Session, study_id: uuid.UUID, buyer_id: uuid.UUID, version: int) -> None:
    # Of two who remove the last two at once, the second finds that one is left.
    session.execute(select(Study.id).where(Study.id == study_id).with_for_update())
    buyer = find_buyer(session, study_id, buyer_id)
    if len(buyers_of(session, study_id)) == 1:
        raise Refused("A study recommends to somebody: its last buyer stays.")
    if session.scalar(select(func.count()).where(ReportRevision.profile_id == buyer_id)):
        raise Refused(f"A report for {buyer.name} is published, so this buyer stays.")
    change(session, buyer, version, {"name": buyer.name})
    for gate in list(buyer.gates):
        session.delete(gate)
    session.flush()
    session.delete(buyer)
    session.flush()


def find_buyer(session: Session, study_id: uuid.UUID, buyer_id: uuid.UUID) -> BuyerProfile:
    buyer = session.get(BuyerProfile, buyer_id)
    if buyer is None or buyer.study_id != study_id:
        raise Missing("There is no such buyer in this study.")
    return buyer


def _is_money(gate: GateRow) -> bool:
    return gate.kind is GateKind.PRICE or (gate.kind is GateKind.FIGURE and BY_CODE[gate.what].unit == "money")


def _free_name(session: Session, study_id: uuid.UUID, name: str, own: uuid.UUID | None) -> str:
    name = name.strip()
    if not name:
        raise Refused("A buyer needs a name.")
    for other in buyers_of(session, study_id):
        if other.id != own and other.name.lower() == name.lower():
            raise Refused(f"There is already a buyer called {other.name}.")
    return name


def _distinct(gates: Sequence[GateRow]) -> Sequence[GateRow]:
    seen = [(g.kind, g.what, g.at_least) for g in gates]
    if len(set(seen)) != len(seen):
        raise Refused("A must-have is there twice; change the one that is there.")
    return gates
