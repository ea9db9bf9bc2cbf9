"""What is published: revisions of a report, pages for readers, packages of other benches."""

import uuid
from datetime import datetime
from typing import Any

from sqlalchemy import CheckConstraint, ForeignKey, Index, UniqueConstraint, text
from sqlalchemy.orm import Mapped, mapped_column

from crevlo.store.base import Base, Editable, Identified, recorded_at


class ReportRevision(Identified, Base):
    """A published report, frozen, for one buyer or for all (no profile). `document` is what it says, `frozen` what it rests on;
    of revisions of earlier versions only `html` and `data` are there."""

    __tablename__ = "report_revision"
    study_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("study.id"))
    profile_id: Mapped[uuid.UUID | None] = mapped_column(ForeignKey("buyer_profile.id"))
    number: Mapped[int]
    headline: Mapped[str]
    changed: Mapped[str]
    html: Mapped[str] = mapped_column(default="", server_default="")
    data: Mapped[dict[str, Any]]
    document: Mapped[dict[str, Any] | None]
    frozen: Mapped[dict[str, Any] | None]
    erratum: Mapped[bool] = mapped_column(default=False, server_default=text("false"))
    person_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("person.id"))
    published_at: Mapped[datetime] = recorded_at()
    __table_args__ = (UniqueConstraint("study_id", "number"),)


class ReaderPage(Editable, Base):
    """A public address of a revision; no one looks through it once it is closed."""

    __tablename__ = "reader_page"
    revision_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("report_revision.id"))
    key: Mapped[str] = mapped_column(unique=True)
    person_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("person.id"))
    opened_at: Mapped[datetime] = recorded_at()
    closed_at: Mapped[datetime | None]
    __table_args__ = (
        CheckConstraint("closed_at >= opened_at", name="closed_after"),
        Index("uq_reader_page_open", "revision_id", unique=True, postgresql_where=text("closed_at is null")),
    )


class OtherPackage(Identified, Base):
    """A package of another bench: the file among the uploads, and what was `found` when it was worked out again."""

    __tablename__ = "other_package"
    sha256: Mapped[str] = mapped_column(ForeignKey("upload.sha256"), unique=True)
    title: Mapped[str]
    bench: Mapped[str] = mapped_column(default="", server_default="")
    found: Mapped[dict[str, Any]]
    person_id: Mapped[uuid.UUID] = mapped_column(ForeignKey("person.id"))
    imported_at: Mapped[datetime] = recorded_at()
