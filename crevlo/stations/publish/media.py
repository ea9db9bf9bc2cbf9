"""What goes with a video: the cards of a revision one by one or all as a zip, and its show notes."""

import io
import uuid
import zipfile

from pydantic import Field, ValidationError
from sqlalchemy.orm import Session

from crevlo.stations.kit.shape import Missing, Refused, Shape
from crevlo.stations.publish.cards import Card, CardFormat, CardKind, CardOut, cards_of, drawn
from crevlo.stations.publish.document import BY_BUYER, Document, Facts, Points, Section, Table, Words
from crevlo.stations.publish.package import licences
from crevlo.stations.publish.photo_data import small_photos
from crevlo.stations.rank.ranking import RankView
from crevlo.store.published import ReportRevision

_WHEN = (2000, 1, 1, 0, 0, 0)


class CardList(Shape):
    cards: list[CardOut]
    chapters: list[str] = Field(description="a first draft of a video's chapters, one a card, without their times")


class NotesWish(Shape):
    chapters: str = Field(default="", max_length=4000, description="as they are to stand, a line each")


class ShowNotes(Shape):
    words: str


def list_cards(session: Session, revision_id: uuid.UUID) -> CardList:
    cards = _made(session, revision_id)[1]
    return CardList(cards=[CardOut(name=c.name, title=c.title) for c in cards], chapters=[c.title for c in cards])


def one_card(
    session: Session,
    revision_id: uuid.UUID,
    name: str,
    form: CardFormat,
    kind: CardKind,
    *,
    clear: bool,
    width: int | None,
) -> bytes:
    report, cards = _made(session, revision_id)
    card = next((c for c in cards if c.name == name), None)
    if card is None:
        raise Missing("There is no such card.")
    return drawn(card, report, form, kind, clear=clear, width=width)


def all_cards(session: Session, revision_id: uuid.UUID, form: CardFormat) -> tuple[bytes, str]:
    """Every card of one format as PNG, PNG without ground and SVG, numbered in the order of the show notes, with these."""
    report, cards = _made(session, revision_id)
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w", zipfile.ZIP_STORED) as archive:

        def put(name: str, content: bytes) -> None:
            archive.writestr(zipfile.ZipInfo(name, _WHEN), content, zipfile.ZIP_DEFLATED)

        for number, card in enumerate(cards, 1):
            stem = f"{number:02d}-{card.name}"
            put(f"{stem}.png", drawn(card, report, form, CardKind.PNG))
            put(f"{stem}-clear.png", drawn(card, report, form, CardKind.PNG, clear=True))
            put(f"{stem}.svg", drawn(card, report, form, CardKind.SVG))
        put("show-notes.txt", show_notes(session, revision_id, NotesWish()).words.encode())
    return out.getvalue(), f"cards-revision-{report.number}-{form.value}.zip"


def _made(session: Session, revision_id: uuid.UUID) -> tuple[Document, list[Card]]:
    revision = session.get(ReportRevision, revision_id)
    if revision is None:
        raise Missing("There is no such revision.")
    if revision.document is None:
        raise Refused("This revision was published by an earlier version and has no cards. Publish anew.")
    report = Document.model_validate(revision.document)
    try:
        ranked = RankView.model_validate(revision.data)
    except ValidationError:
        raise Refused("This revision was published by an earlier version and has no cards. Publish anew.") from None
    photos = small_photos(session, [p.photo_id for p in report.pictures()])
    return report, cards_of(report, ranked, photos)


def show_notes(session: Session, revision_id: uuid.UUID, wish: NotesWish) -> ShowNotes:
    """Plain text to stand under a video: verdict, disclosure, chapters, settings, prices with their days, licences."""
    report, cards = _made(session, revision_id)
    revision = session.get_one(ReportRevision, revision_id)
    sections = {s.code: s for s in report.sections}
    lines = [report.headline, report.evidence, ""]
    if "verdict" in sections:
        for block in sections["verdict"].blocks:
            if isinstance(block, Table) and block.caption == BY_BUYER:
                lines += [f"For {row[0]}: {row[1]}" for row in block.rows] + [""]
    lines += _part(
        "Disclosure", _said(sections, "disclosure") or ["Nothing is recorded of how the machines were obtained."]
    )
    chapters = [c.strip() for c in wish.chapters.splitlines() if c.strip()] or [c.title for c in cards]
    lines += _part("Chapters", chapters)
    lines += _part("Settings", _said(sections, "conditions"))
    lines += _part("Safety", _said(sections, "safety"))
    lines += _part("Prices of the day", _said(sections, "prices"))
    meshes = (revision.frozen or {}).get("meshes", {})
    lines += _part("Models and licences", licences(session, meshes).splitlines()[4:])
    lines.append(f"{report.study}, revision {report.number}, {report.composed_at:%d %B %Y}")
    return ShowNotes(words="\n".join(lines).strip() + "\n")


def _part(title: str, items: list[str]) -> list[str]:
    return [title.upper(), *items, ""] if items else []


def _said(sections: dict[str, Section], code: str) -> list[str]:
    """A section's points, facts and rows, a line each."""
    said: list[str] = []
    for block in sections[code].blocks if code in sections else []:
        if isinstance(block, Points):
            said += block.items
        elif isinstance(block, Facts):
            said += [f"{f.name}: {f.value}" for f in block.rows]
        elif isinstance(block, Table):
            heads = block.columns[1:]
            said += [
                f"{row[0]}: "
                + ", ".join(f"{h.lower()} {v}" for h, v in zip(heads, row[1:], strict=True) if v not in ("", "–"))
                for row in block.rows
            ]
        elif isinstance(block, Words):
            said.append(block.words)
    return said
