"""Whether what was published still holds: with the prices, the record and the re-tests since."""

import uuid
from datetime import UTC, datetime

from pydantic import Field
from sqlalchemy import select
from sqlalchemy.orm import Session, defer

from crevlo.core.estimate import NotDetermined
from crevlo.core.evidence import Evidence
from crevlo.core.life.faults import more_than_before
from crevlo.core.life.holds import Change, Held, held
from crevlo.core.money import Money, in_currency
from crevlo.stations.kit.kept import Kept
from crevlo.stations.kit.shape import Shape
from crevlo.stations.life.prices import PriceOut, prices_of
from crevlo.stations.past import HAZARDS, Past, pasts_of
from crevlo.stations.publish.compose import ALL_BUYERS
from crevlo.stations.publish.frozen import of_revision
from crevlo.stations.publish.retest import Drift, drift_of, retests_of
from crevlo.stations.rate import stated_rates
from crevlo.store.machine import Configuration, Model, Unit
from crevlo.store.published import ReportRevision
from crevlo.store.study import BuyerProfile, StudyUnit

# A price that moved less is the same price.
_LEAST_MOVE = 0.02
_SURE = 0.05


_looked_at: Kept[list[Held]] = Kept(60)


class BuyerHeld(Shape):
    buyer: str
    holds: bool
    was: str
    now: str
    says: str


class RevisionHeld(Shape):
    revision_id: uuid.UUID
    number: int
    audience: str
    published_at: datetime
    holds: bool
    says: str
    buyers: list[BuyerHeld]
    since: list[str] = Field(description="what changed since and was reckoned with")
    beside: list[str] = Field(description="what changed since and is not in the figures")
    drift: list[Drift]


class HoldsView(Shape):
    checked_at: datetime
    revisions: list[RevisionHeld] = Field(description="the newest of each audience whose data were frozen with it")
    needs: str


def view_holds(session: Session, study_id: uuid.UUID) -> HoldsView:
    rows = session.execute(
        select(ReportRevision, BuyerProfile.name)
        .outerjoin(BuyerProfile, BuyerProfile.id == ReportRevision.profile_id)
        .where(ReportRevision.study_id == study_id, ReportRevision.frozen.is_not(None))
        .options(defer(ReportRevision.html), defer(ReportRevision.document), defer(ReportRevision.data))
        .order_by(ReportRevision.profile_id, ReportRevision.number.desc())
        .distinct(ReportRevision.profile_id)
    ).all()
    found = [
        _revision(session, revision, audience or ALL_BUYERS)
        for revision, audience in rows
        if "units" in (revision.frozen or {})
    ]
    return HoldsView(
        checked_at=datetime.now(UTC), revisions=sorted(found, key=lambda r: -r.number),
        needs="" if found else "a revision that was published with its data",
    )  # fmt: skip


def _revision(session: Session, revision: ReportRevision, audience: str) -> RevisionHeld:
    frozen = revision.frozen
    assert frozen is not None
    here, at = of_revision(revision), revision.published_at
    study = here.study
    called = {uuid.UUID(unit): machine for machine, unit in frozen["units"].items()}
    units = {u.id: u for u in session.scalars(select(Unit).where(Unit.id.in_(called)))}
    pasts = pasts_of(session, list(units))
    changes = [
        *_prices(session, units, called, study.figures.evidence, study.currency, at),
        *_hazards(units, called, pasts, at),
    ]
    beside = [*_faults(units, pasts, at), *_firmware(session, units, at), *_newcomers(session, revision)]
    number, published = revision.number, revision.published_at
    revision_id, again = revision.id, [s.id for s in retests_of(session, revision)]
    drift = []
    for retest in again:
        # Reading its figures lets go of what the session held before.
        told, drifted = drift_of(session, session.get_one(ReportRevision, revision_id), retest)
        drift.append(told)
        for machine, figures in drifted.items():
            if figures:
                name = next(u.name for u in told.units if called.get(u.unit_id) == machine)
                words = f"{name} was tested again in “{told.title}” and has other figures"
                changes.append(Change(machine, words, figures=figures))

    def look() -> list[Held]:
        return held(study, here.buyers, changes)

    # A revision never changes, so that the same changes leave the same of it.
    kept = repr([(c.machine, c.words, c.paid, c.out) for c in changes])
    made = look() if any(c.figures for c in changes) else _looked_at.get(f"{revision_id} {kept}", look)
    buyers = [BuyerHeld(buyer=h.buyer, holds=h.holds, was=h.was, now=h.now, says=h.says) for h in made]
    turned = [b for b in buyers if not b.holds]
    says = (
        f"Revision {number} still holds, looked at {datetime.now(UTC):%d %b %Y}."
        if not turned
        else f"Revision {number} no longer holds for {', '.join(b.buyer for b in turned)}."
    )
    return RevisionHeld(
        revision_id=revision_id, number=number, audience=audience, published_at=published, holds=not turned, says=says,
        buyers=buyers, since=[c.words for c in changes], beside=beside, drift=drift,
    )  # fmt: skip


def _prices(
    session: Session,
    units: dict[uuid.UUID, Unit],
    called: dict[uuid.UUID, str],
    evidence: Evidence,
    currency: str,
    at: datetime,
) -> list[Change]:
    """Of each model the newest price read after the revision, in its currency."""
    known: dict[uuid.UUID, list[PriceOut]] = prices_of(session, {u.model_id for u in units.values()})
    rates = stated_rates(session)
    found = []
    for unit_id, machine in called.items():
        unit, before = units[unit_id], evidence.machines[machine].unit.paid
        later = [
            p
            for p in known.get(unit.model_id, [])
            if p.priced_on > at.date() or (p.priced_on == at.date() and p.recorded_at > at)
        ]
        if not later or isinstance(before, NotDetermined):
            continue
        try:
            now = in_currency(Money(later[0].price, later[0].currency, later[0].priced_on), currency, rates)
        except NotDetermined:
            continue
        if abs(now - before) >= _LEAST_MOVE * max(before, 1.0):
            move = "rose" if now > before else "fell"
            words = (
                f"the price of {unit.name} {move} from {before:.0f} to {now:.0f} {currency} ({later[0].source}, "
                f"{later[0].priced_on:%d %b %Y})"
            )
            found.append(Change(machine, words, paid=now))
    return found


def _hazards(
    units: dict[uuid.UUID, Unit], called: dict[uuid.UUID, str], pasts: dict[uuid.UUID, Past], at: datetime
) -> list[Change]:
    found = []
    for unit_id, machine in called.items():
        for e in pasts[unit_id].log:
            if e.kind in HAZARDS and e.at > at:
                words = f"{units[unit_id].name} had {e.kind.value} on {e.at:%d %b %Y}: {e.words}"
                found.append(Change(machine, words, out=f"{e.kind.value} on record since: {e.words}"))
    return found


def _faults(units: dict[uuid.UUID, Unit], pasts: dict[uuid.UUID, Past], at: datetime) -> list[str]:
    """Units that fail more often since than before, by more than chance."""
    said = []
    for unit_id, past in pasts.items():
        since_h = past.clock.total - past.clock.at(at)
        before_h = past.clock.watched - since_h
        told = [t for t in past.faults_at if past.clock.watches(t)]
        before = sum(t <= at for t in told)
        since = len(told) - before
        if since and more_than_before(before, before_h, since, since_h) <= _SURE:
            said.append(
                f"{units[unit_id].name} failed {since} times in {since_h:.0f} h since, {before} times in {before_h:.0f} h before."
            )
    return said


def _firmware(session: Session, units: dict[uuid.UUID, Unit], at: datetime) -> list[str]:
    rows = session.scalars(
        select(Configuration).where(Configuration.unit_id.in_(units), Configuration.opened_at > at).order_by(Configuration.opened_at)
    )  # fmt: skip
    return [
        f"{units[c.unit_id].name} was changed on {c.opened_at:%d %b %Y}: {c.reason}, firmware {c.firmware}."
        for c in rows
    ]


def _newcomers(session: Session, revision: ReportRevision) -> list[str]:
    """Machines that came to the library since, which the verdict does not know."""
    within = select(Unit.model_id).join(StudyUnit, StudyUnit.unit_id == Unit.id)
    rows = session.scalars(
        select(Model.name)
        .where(Model.added_at > revision.published_at, Model.id.not_in(within.where(StudyUnit.study_id == revision.study_id)))
        .order_by(Model.name)
    ).all()  # fmt: skip
    return [f"Not in it, because it came later: {name}." for name in rows]
