"""A report as data: sections of plain blocks, composed once and rendered in many forms."""

import uuid
from datetime import datetime
from typing import Annotated, Literal

from pydantic import Field

from crevlo.stations.kit.shape import Shape

# The table that tells every buyer's verdict.
BY_BUYER = "Verdict by buyer"


class Words(Shape):
    """A paragraph."""

    kind: Literal["words"] = "words"
    words: str
    strong: bool = False


class Points(Shape):
    kind: Literal["points"] = "points"
    items: list[str]


class Fact(Shape):
    name: str
    value: str


class Facts(Shape):
    """Names with what is to be said of each."""

    kind: Literal["facts"] = "facts"
    rows: list[Fact]


class Heading(Shape):
    kind: Literal["heading"] = "heading"
    words: str


class Table(Shape):
    """Cells as they are read; the first column names the row. `caption` tells one table of a report from another."""

    kind: Literal["table"] = "table"
    caption: str
    columns: list[str]
    rows: list[list[str]]


class Bar(Shape):
    name: str
    parts: list[float | None] = Field(description="points by criterion, None where missing")
    total: str


class Bars(Shape):
    """Points of each machine, laid end to end by criterion."""

    kind: Literal["bars"] = "bars"
    caption: str
    criteria: list[str]
    rows: list[Bar]

    @property
    def table(self) -> Table:
        """The same where nothing can be drawn."""
        rows = [[r.name, *["missing" if p is None else f"{p:.1f}" for p in r.parts], r.total] for r in self.rows]
        return Table(
            caption=f"{self.caption}, points by criterion", columns=["Machine", *self.criteria, "Points"], rows=rows
        )


class Picture(Shape):
    photo_id: uuid.UUID
    caption: str


class Pictures(Shape):
    """Photos side by side."""

    kind: Literal["pictures"] = "pictures"
    caption: str
    pictures: list[Picture]


Block = Annotated[Words | Points | Facts | Heading | Table | Bars | Pictures, Field(discriminator="kind")]


class Section(Shape):
    code: str
    title: str
    blocks: list[Block]


class Document(Shape):
    """A report for one audience. `number` is that of its revision, None while it is a draft."""

    study: str
    question: str
    audience: str
    headline: str
    evidence: str
    number: int | None
    erratum: bool
    composed_at: datetime
    changed: str
    sections: list[Section]

    @property
    def line(self) -> str:
        """What stands above its headline."""
        as_what = f"revision {self.number}" if self.number is not None else "draft, not published"
        erratum = ", an erratum" if self.erratum else ""
        return f"{self.study} · {as_what}{erratum} · {self.composed_at:%d %B %Y} · {self.audience}"

    def pictures(self) -> list[Picture]:
        return [p for s in self.sections for b in s.blocks if isinstance(b, Pictures) for p in b.pictures]
