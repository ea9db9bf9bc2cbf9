"""Revisions of a report: drafts, what is published and frozen, what changed since, and errata."""

import uuid
from datetime import UTC, datetime
from typing import Annotated

from pydantic import Field
from sqlalchemy import select
from sqlalchemy.orm import Session, defer

from crevlo.stations.blind import asks_for_everybody, end_for_all, hides_from_somebody
from crevlo.stations.figures.study import study_figures
from crevlo.stations.kit.kept import Kept
from crevlo.stations.kit.shape import Missing, Refused, Shape
from crevlo.stations.kit.snapshot import looking
from crevlo.stations.publish.changes import SectionChange, changes, say_changes
from crevlo.stations.publish.compose import ALL_BUYERS, SECTIONS, compose
from crevlo.stations.publish.document import Document, Fact
from crevlo.stations.publish.package import freeze
from crevlo.stations.publish.photo_data import small_photos
from crevlo.stations.publish.readings import hidden
from crevlo.stations.publish.render import ReportForm, as_html, rendered
from crevlo.stations.publish.sample import disclosures, facts_of_sample
from crevlo.stations.rank.buyer import buyers_of
from crevlo.stations.rank.ranking import WhatIf, view_rank
from crevlo.store.person import Person
from crevlo.store.published import ReaderPage, ReportRevision
from crevlo.store.study import BuyerProfile, Study


class RevisionOut(Shape):
    id: uuid.UUID
    number: int
    headline: str
    changed: str
    erratum: bool
    published_at: datetime
    audience: str
    by: str
    forms: list[ReportForm] = Field(description="in which it can be had; of earlier versions HTML alone")
    packaged: bool = Field(description="whether its data were frozen with it")
    reader_key: str | None = Field(description="of its open page for readers")


class SectionOut(Shape):
    code: str
    title: str
    always: bool


class Audience(Shape):
    id: uuid.UUID | None = Field(description="of one buyer; none for all")
    name: str


class Lacking(Shape):
    words: str
    station: str


class PublishView(Shape):
    headline: str
    evidence: str
    audience: Audience
    audiences: list[Audience]
    sections: list[SectionOut] = Field(description="all there are, in the usual order")
    sample: list[Fact]
    disclosures: list[str]
    missing: list[Lacking] = Field(description="what is missing or untrue yet, with the station where it is mended")
    withheld: int
    ends_blind: bool = Field(description="publishing now shows figures of hidden parts by printer to everybody")
    since: list[SectionChange] = Field(
        description="what a revision now would say otherwise than the last of this audience"
    )
    last: int | None = Field(description="number of that last revision")
    revisions: list[RevisionOut]


Code = Annotated[str, Field(max_length=40)]


class Wish(Shape):
    """For whom, and which sections in which order; all of them where none are named."""

    profile_id: uuid.UUID | None = None
    sections: list[Code] | None = Field(default=None, max_length=40)


class NewRevision(Wish):
    id: uuid.UUID
    changed: str = Field(default="", max_length=1000)
    erratum: bool = False
    ends_blind: bool = Field(
        default=False, description="that everybody may see figures by printer while parts are hidden, as readers will"
    )


def view_publish(session: Session, study_id: uuid.UUID, wish: Wish) -> PublishView:
    made = compose(session, study_id, wish.profile_id, wish.sections)
    draft = made.report
    bench = study_figures(session, study_id).bench
    buyers = buyers_of(session, study_id)
    last = _last(session, study_id, wish.profile_id)
    audiences = [Audience(id=None, name=ALL_BUYERS), *(Audience(id=b.id, name=b.name) for b in buyers)]
    return PublishView(
        headline=draft.headline, evidence=draft.evidence, audience=next(a for a in audiences if a.id == wish.profile_id),
        audiences=audiences, sections=[SectionOut(code=k.code, title=k.title, always=k.always) for k in SECTIONS],
        sample=facts_of_sample(bench), disclosures=disclosures(bench)[0], missing=[Lacking(words=w, station=s) for w, s in made.lacking],
        withheld=len(hidden(bench)), ends_blind=hides_from_somebody(session, study_id), since=_since(last, draft), last=last.number if last else None,
        revisions=list_revisions(session, study_id),
    )  # fmt: skip


def draft_form(session: Session, study_id: uuid.UUID, wish: Wish, form: ReportForm) -> bytes:
    """The report of this moment, marked as a draft."""
    draft = compose(session, study_id, wish.profile_id, wish.sections).report
    photos = small_photos(session, [p.photo_id for p in draft.pictures()])
    return rendered(draft, photos, form, lambda: freeze(session, study_id, wish.profile_id))


def publish(session: Session, study_id: uuid.UUID, given: NewRevision, person_id: uuid.UUID) -> PublishView:
    """Freezes the report of this moment, with the data behind it, under the next number; earlier revisions stay as they
    were. An erratum says what was wrong in the last revision for the same readers."""
    ends_blind = hides_from_somebody(session, study_id)
    if ends_blind and not given.ends_blind:
        raise Refused(
            "Parts of this study are still measured and judged blind. What you publish shows their figures by printer, which "
            "ends the blind for everybody. Confirm this to publish."
        )
    if ends_blind:
        end_for_all(session, study_id)
    with looking(session) as seen:
        # What ends the blind is not seen by it yet.
        asks_for_everybody(seen)
        draft = compose(seen, study_id, given.profile_id, given.sections).report
        if not study_figures(seen, study_id).bench.units:
            raise Refused("There is no machine in this study: there is nothing to publish yet.")
        frozen = freeze(seen, study_id, given.profile_id)
        ranked = view_rank(seen, study_id, WhatIf(profile_id=given.profile_id))
    # One after the other: two who publish at once take two numbers.
    session.scalars(select(Study).where(Study.id == study_id).with_for_update()).one()
    numbers = session.scalars(select(ReportRevision.number).where(ReportRevision.study_id == study_id)).all()
    last = _last(session, study_id, given.profile_id)
    said = given.changed.strip()
    if given.erratum and last is None:
        raise Refused("There is no revision for these readers that an erratum could put right.")
    if given.erratum and not said:
        raise Refused("Say what was wrong.")
    found = _since(last, draft)
    if last is None:
        words = f"First revision {draft.audience}." if numbers else "First revision."
    elif last.document is None:
        words = (
            f"Revision {last.number} was made by an earlier version; what changed cannot be told section by section."
        )
    else:
        words = f"Since revision {last.number}: {say_changes(found)}"
    changed = f"{said} {words}" if given.erratum else said or words
    report = draft.model_copy(
        update={
            "number": 1 + max(numbers, default=0),
            "erratum": given.erratum,
            "changed": f"Puts revision {last.number} right: {changed}" if given.erratum and last else changed,
            "composed_at": datetime.now(UTC),
        }
    )
    photos = small_photos(session, [p.photo_id for p in report.pictures()])
    session.add(
        ReportRevision(
            id=given.id, study_id=study_id, profile_id=given.profile_id, number=report.number, headline=report.headline,
            changed=report.changed, html=as_html(report, photos), data=ranked.model_dump(mode="json"),
            document=report.model_dump(mode="json"), frozen=frozen, erratum=given.erratum, person_id=person_id,
        )
    )  # fmt: skip
    session.flush()
    with looking(session) as seen:
        if ends_blind:
            asks_for_everybody(seen)
        view = view_publish(seen, study_id, given)
    return view.model_copy(
        update={
            "revisions": list_revisions(session, study_id),
            "since": [],
            "last": report.number,
            "ends_blind": False,
        }
    )


def revision_form(session: Session, revision_id: uuid.UUID, form: ReportForm) -> tuple[bytes, str]:
    """A revision as it was published, in any form, and its file name."""
    revision = session.get(ReportRevision, revision_id)
    if revision is None:
        raise Missing("There is no such revision.")
    name = f"report-revision-{revision.number}.{form.value}"
    if form is ReportForm.HTML:
        return revision.html.encode(), name
    if revision.document is None:
        raise Refused("This revision was published by an earlier version: it can be had as HTML alone.")
    report, frozen = Document.model_validate(revision.document), revision.frozen or {}
    photos = small_photos(session, [p.photo_id for p in report.pictures()])
    key = f"{revision.id} {form} {sorted(map(str, photos))}"
    return _forms.get(key, lambda: rendered(report, photos, form, lambda: frozen)), name


# What was published does not change, but for photos that were taken away since.
_forms: Kept[bytes] = Kept(32_000_000, len)


def list_revisions(session: Session, study_id: uuid.UUID) -> list[RevisionOut]:
    open_page = (ReaderPage.revision_id == ReportRevision.id) & ReaderPage.closed_at.is_(None)
    rows = session.execute(
        select(
            ReportRevision.id, ReportRevision.number, ReportRevision.headline, ReportRevision.changed, ReportRevision.erratum,
            ReportRevision.published_at, BuyerProfile.name, Person.name, ReportRevision.document.is_not(None),
            ReportRevision.frozen.is_not(None), ReaderPage.key,
        )
        .outerjoin(BuyerProfile, BuyerProfile.id == ReportRevision.profile_id)
        .join(Person, Person.id == ReportRevision.person_id)
        .outerjoin(ReaderPage, open_page)
        .where(ReportRevision.study_id == study_id)
        .order_by(ReportRevision.number.desc())
    )  # fmt: skip
    return [
        RevisionOut(
            id=i, number=n, headline=h, changed=c, erratum=e, published_at=at, audience=profile or ALL_BUYERS, by=by,
            forms=list(ReportForm) if composed else [ReportForm.HTML], packaged=packaged, reader_key=key,
        )
        for i, n, h, c, e, at, profile, by, composed, packaged, key in rows
    ]  # fmt: skip


def _last(session: Session, study_id: uuid.UUID, profile_id: uuid.UUID | None) -> ReportRevision | None:
    """The newest revision for the same readers: a report for another buyer is another report."""
    return session.scalars(
        select(ReportRevision)
        .where(ReportRevision.study_id == study_id, ReportRevision.profile_id.is_not_distinct_from(profile_id))
        .options(defer(ReportRevision.html), defer(ReportRevision.frozen), defer(ReportRevision.data))
        .order_by(ReportRevision.number.desc())
        .limit(1)
    ).first()


def _since(last: ReportRevision | None, draft: Document) -> list[SectionChange]:
    if last is None or last.document is None:
        return []
    before = Document.model_validate(last.document)
    return changes(before, draft)
