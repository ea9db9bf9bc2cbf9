"""The calls of station 8 Publish: reports in every form, their revisions, and their data."""

from flask import Response
from flask_login import current_user
from pydantic import BaseModel, Field

from crevlo.api.guard import NOT_BLIND, REVIEW, db, reads, writes
from crevlo.api.paths import RevisionPath, StudyPath
from crevlo.api.station import station
from crevlo.stations.publish import media, package, readings, revision
from crevlo.stations.publish.cards import CardFormat, CardKind
from crevlo.stations.publish.render import MIME, ReportForm

api = station("publish")


class WishQuery(BaseModel):
    """A wish as an address has it."""

    profile_id: str = Field(
        default="", max_length=36, pattern="^$|^[0-9a-fA-F-]{36}$", description="empty: all buyers"
    )
    sections: str = Field(default="", max_length=1000, description="codes, by commas; empty: all there are")

    @property
    def wish(self) -> revision.Wish:
        return revision.Wish.model_validate(
            {
                "profile_id": self.profile_id or None,
                "sections": self.sections.split(",") if self.sections else None,
            }
        )


class FormPath(StudyPath):
    form: ReportForm


class RevisionFormPath(RevisionPath):
    form: ReportForm


@api.get("/studies/<uuid:study_id>/publish", responses={200: revision.PublishView})
@reads(NOT_BLIND)
def view_publish(path: StudyPath, query: WishQuery) -> revision.PublishView:
    return revision.view_publish(db(), path.study_id, query.wish)


@api.get("/studies/<uuid:study_id>/draft.<form>")
@reads(NOT_BLIND)
def draft(path: FormPath, query: WishQuery) -> Response:
    """The report of this moment, marked as a draft."""
    made = revision.draft_form(db(), path.study_id, query.wish, path.form)
    return _file(made, path.form, f"draft.{path.form.value}")


@api.post("/studies/<uuid:study_id>/revisions", responses={200: revision.PublishView})
@writes(REVIEW, heavy=True)
def publish_revision(path: StudyPath, body: revision.NewRevision) -> revision.PublishView:
    return revision.publish(db(), path.study_id, body, current_user.id)


@api.get("/revisions/<uuid:revision_id>/report.<form>")
@reads(NOT_BLIND)
def revision_form(path: RevisionFormPath) -> Response:
    made, name = revision.revision_form(db(), path.revision_id, path.form)
    return _file(made, path.form, name)


@api.get("/revisions/<uuid:revision_id>/package.zip")
@reads(NOT_BLIND, heavy=True)
def revision_package(path: RevisionPath) -> Response:
    """Everything the revision rests on, for whoever wants to work it out again."""
    made, name = package.package_of(db(), path.revision_id)
    return _sent(made, "application/zip", name)


class CardQuery(BaseModel):
    format: CardFormat = CardFormat.WIDE
    clear: bool = Field(default=False, description="without its ground")
    width: int | None = Field(default=None, ge=120, le=1920, description="of a PNG, in px")


class CardPath(RevisionPath):
    name: str = Field(pattern=r"^[a-z0-9-]{1,60}$")
    kind: CardKind


class CardsPath(RevisionPath):
    format: CardFormat


@api.get("/revisions/<uuid:revision_id>/cards", responses={200: media.CardList})
@reads(NOT_BLIND)
def list_cards(path: RevisionPath) -> media.CardList:
    return media.list_cards(db(), path.revision_id)


@api.get("/revisions/<uuid:revision_id>/cards/card-<name>.<kind>")
@reads(NOT_BLIND)
def one_card(path: CardPath, query: CardQuery) -> Response:
    made = media.one_card(
        db(), path.revision_id, path.name, query.format, path.kind, clear=query.clear, width=query.width
    )
    kind = "image/svg+xml" if path.kind is CardKind.SVG else "image/png"
    return _sent(made, kind, f"{path.name}-{query.format.value}.{path.kind.value}", inline=True)


@api.get("/revisions/<uuid:revision_id>/cards-<format>.zip")
@reads(NOT_BLIND, heavy=True)
def all_cards(path: CardsPath) -> Response:
    made, name = media.all_cards(db(), path.revision_id, path.format)
    return _sent(made, "application/zip", name)


@api.post("/revisions/<uuid:revision_id>/show-notes", responses={200: media.ShowNotes})
@reads(NOT_BLIND)
def show_notes(path: RevisionPath, body: media.NotesWish) -> media.ShowNotes:
    return media.show_notes(db(), path.revision_id, body)


@api.get("/studies/<uuid:study_id>/readings.json", responses={200: readings.ReadingData})
@reads(NOT_BLIND)
def readings_json(path: StudyPath) -> readings.ReadingData:
    return readings.reading_data(db(), path.study_id)


@api.get("/studies/<uuid:study_id>/readings.csv")
@reads(NOT_BLIND)
def readings_csv(path: StudyPath) -> Response:
    text = readings.reading_csv(readings.reading_data(db(), path.study_id))
    return Response(text, mimetype="text/csv", headers={"Content-Disposition": 'attachment; filename="readings.csv"'})


def _file(content: bytes, form: ReportForm, name: str) -> Response:
    """HTML opens in the browser, what a browser cannot show is saved."""
    return _sent(content, MIME[form], name, inline=form in (ReportForm.HTML, ReportForm.PDF))


def _sent(content: bytes, kind: str, name: str, *, inline: bool = False) -> Response:
    how = "inline" if inline else "attachment"
    return Response(content, mimetype=kind, headers={"Content-Disposition": f'{how}; filename="{name}"'})
