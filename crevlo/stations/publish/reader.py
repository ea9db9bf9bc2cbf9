"""A page for readers: a published revision at an address that needs no account, ranked anew by the reader's own weights.

Everything on it comes out of what was frozen with the revision; no other study and no person can be reached through it.
"""

import secrets
import uuid
from dataclasses import replace
from datetime import UTC, datetime
from typing import Annotated

from pydantic import Field
from sqlalchemy import select
from sqlalchemy.dialects.postgresql import insert
from sqlalchemy.orm import Session, defer

from crevlo.core.evaluations import QUANTITIES
from crevlo.core.evaluations.evaluation import Better
from crevlo.core.must_haves import MustHave
from crevlo.core.package.verdicts import Buyer, Study, Told, tell
from crevlo.core.package.verify import Published
from crevlo.core.ranking.gate import GateKind
from crevlo.core.ranking.points import rounded_to_total
from crevlo.stations.kit.kept import Kept
from crevlo.stations.kit.shape import Missing, Quantity, Refused, Shape, quantity
from crevlo.stations.publish.document import Document
from crevlo.stations.publish.frozen import of_revision
from crevlo.stations.publish.revision import RevisionOut, list_revisions
from crevlo.stations.rank.buyer import Weights
from crevlo.store.published import ReaderPage, ReportRevision

MOST_LIMITS = 20
# Enough for a chance to the nearest percent, in a tenth of a second.
_DRAWS = 10_000


class Opened(Shape):
    revisions: list[RevisionOut]


class ReaderCriterion(Shape):
    code: str
    name: str
    unit: str
    digits: int
    lower_is_better: bool


class ReaderBuyer(Shape):
    name: str
    headline: str
    weights: list[float] = Field(description="by criterion, as they count")
    must_haves: list[str]


class ReaderView(Shape):
    """What a reader begins with."""

    study: str
    question: str
    line: str
    headline: str
    evidence: str
    currency: str
    criteria: list[ReaderCriterion]
    buyers: list[ReaderBuyer]
    revision: int
    newer: bool = Field(description="whether a later revision is open to readers")


class ReaderLimit(Shape):
    """A must-have of the reader's own: a figure at most, or at least."""

    code: Annotated[str, Field(max_length=60)]
    limit: float = Field(gt=-1e9, lt=1e9)
    at_least: bool = False


class ReaderWish(Shape):
    buyer: str = Field(max_length=120)
    weights: Weights | None = None
    limits: list[ReaderLimit] = Field(default=[], max_length=MOST_LIMITS)
    keep_must_haves: bool = Field(
        default=True, description="whether the buyer's own must-haves leave machines out too"
    )


class ReaderStanding(Shape):
    name: str
    rank: int | None
    best_rank: int
    worst_rank: int
    low: float
    high: float
    first_chance: float
    points: list[float | None]
    figures: list[Quantity]


class ReaderLeftOut(Shape):
    name: str
    reason: str


class ReaderRanking(Shape):
    headline: str
    evidence: str
    standings: list[ReaderStanding]
    left_out: list[ReaderLeftOut]


_ranked: Kept[ReaderRanking] = Kept(400)


def open_page(session: Session, revision_id: uuid.UUID, person_id: uuid.UUID) -> Opened:
    """Gives a revision an address for readers; the one it has where it is open already."""
    revision = session.get(ReportRevision, revision_id)
    if revision is None:
        raise Missing("There is no such revision.")
    if revision.frozen is None:
        raise Refused(
            "This revision was published by an earlier version and has no data frozen with it. Publish anew."
        )
    # Two who open it at once open one.
    session.execute(
        insert(ReaderPage)
        .values(
            id=uuid.uuid4(), revision_id=revision_id, key=secrets.token_urlsafe(16), person_id=person_id, version=1
        )
        .on_conflict_do_nothing()
    )
    return Opened(revisions=list_revisions(session, revision.study_id))


def close_page(session: Session, revision_id: uuid.UUID) -> Opened:
    """Nobody reads it there any more; opened again it has another address."""
    revision = session.get(ReportRevision, revision_id)
    page = _open_of(session, revision_id)
    if revision is None or page is None:
        raise Missing("This revision has no open page.")
    page.closed_at = datetime.now(UTC)
    session.flush()
    return Opened(revisions=list_revisions(session, revision.study_id))


def _open_of(session: Session, revision_id: uuid.UUID) -> ReaderPage | None:
    return session.scalar(
        select(ReaderPage).where(ReaderPage.revision_id == revision_id, ReaderPage.closed_at.is_(None))
    )


def _revision(session: Session, key: str) -> ReportRevision:
    """The revision behind a key, without its page. Raises Missing, in the same words whether it is closed or never was."""
    found = session.scalar(
        select(ReportRevision)
        .join(ReaderPage, ReaderPage.revision_id == ReportRevision.id)
        .where(ReaderPage.key == key, ReaderPage.closed_at.is_(None))
        .options(defer(ReportRevision.html), defer(ReportRevision.data))
    )
    if found is None:
        raise Missing("There is no report at this address, or it was closed.")
    return found


def view_page(session: Session, key: str) -> ReaderView:
    revision = _revision(session, key)
    here, document = of_revision(revision), Document.model_validate(revision.document)
    study, said = here.study, (revision.frozen or {})["scheme"]["buyers"]
    return ReaderView(
        study=document.study, question=document.question, line=document.line, headline=document.headline,
        evidence=document.evidence, currency=study.currency,
        criteria=[_criterion(c.code, study.currency) for c in study.scheme],
        buyers=[
            ReaderBuyer(
                name=b.name, headline=here.headlines[b.name], weights=[study.weights_of(b)[c.code] for c in study.scheme],
                must_haves=[m if isinstance(m, str) else str(m["text"]) for m in raw["must_haves"]],
            )
            for b, raw in zip(here.buyers, said, strict=True)
        ],
        revision=document.number or 0, newer=_newer(session, revision),
    )  # fmt: skip


def _newer(session: Session, here: ReportRevision) -> bool:
    """Whether a later revision of the same readers has a page of its own."""
    later = (
        select(ReaderPage.id)
        .join(ReportRevision, ReportRevision.id == ReaderPage.revision_id)
        .where(
            ReportRevision.study_id == here.study_id, ReportRevision.number > here.number, ReaderPage.closed_at.is_(None),
            ReportRevision.profile_id.is_not_distinct_from(here.profile_id),
        )
    )  # fmt: skip
    return session.scalar(later.limit(1)) is not None


def _criterion(code: str, currency: str) -> ReaderCriterion:
    q = QUANTITIES[code]
    return ReaderCriterion(
        code=code, name=q.name, unit=_unit(code, currency), digits=q.digits,
        lower_is_better=q.better is not Better.HIGHER,
    )  # fmt: skip


def _unit(code: str, currency: str) -> str:
    return currency if QUANTITIES[code].unit == "money" else QUANTITIES[code].unit


def page_report(session: Session, key: str) -> str:
    """The report itself, one HTML file."""
    return _revision(session, key).html


def rank_page(session: Session, key: str, wish: ReaderWish) -> ReaderRanking:
    """The ranking by a reader's weights and must-haves. Raises Refused for what the revision does not know."""
    revision = _revision(session, key)
    return _ranked.get(f"{revision.id} {wish.model_dump_json()}", lambda: _rank(of_revision(revision), wish))


def _rank(here: Published, wish: ReaderWish) -> ReaderRanking:
    buyer = next((b for b in here.buyers if b.name == wish.buyer), None)
    if buyer is None:
        raise Refused("There is no such buyer in this report.")
    codes = {c.code for c in here.study.scheme}
    if wish.weights is not None and set(wish.weights) != codes:
        raise Refused("Weights are needed for exactly the criteria of the report.")
    if any(limit.code not in codes for limit in wish.limits):
        raise Refused("A limit is on a figure that counts in this report.")
    study = replace(here.study, draws=_DRAWS)
    limits = tuple(MustHave(GateKind.FIGURE, x.limit, x.code, x.at_least) for x in wish.limits)
    kept = buyer.must_haves if wish.keep_must_haves else ()
    # The reader's own stand behind the buyer's, whose numbers say what was judged of them.
    told = tell(study, replace(buyer, must_haves=kept + limits), wish.weights)
    return ReaderRanking(
        headline=told.ranking.verdict.headline, evidence=told.ranking.verdict.evidence,
        standings=[_standing(study, buyer, told, i) for i in told.ranking.order],
        left_out=[ReaderLeftOut(name=study.names[m], reason=why) for m, why in told.left_out.items()],
    )  # fmt: skip


def _standing(study: Study, buyer: Buyer, told: Told, i: int) -> ReaderStanding:
    ranking, machine = told.ranking, told.machines[i]
    total, place = ranking.totals[i], ranking.places[i]
    assert ranking.chance is not None
    rounded = iter(rounded_to_total([p for p in total.contributions if p is not None]))
    figures = study.figures.of_buyer(buyer.prints_month)
    return ReaderStanding(
        name=study.names[machine], rank=place.rank, best_rank=place.best, worst_rank=place.worst, low=total.low, high=total.high,
        first_chance=float(ranking.chance.rank[i, 0]),
        points=[None if p is None else next(rounded) for p in total.contributions],
        figures=[
            quantity(figures.of(c.code, machine), _unit(c.code, study.currency), QUANTITIES[c.code].digits) for c in study.scheme
        ],
    )  # fmt: skip
