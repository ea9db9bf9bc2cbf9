"""A report in the forms in which it goes out: one HTML file, PDF, Markdown, DOCX."""

import io
import uuid
from collections.abc import Callable, Mapping
from enum import StrEnum
from pathlib import Path
from typing import TYPE_CHECKING

from jinja2 import Environment, FileSystemLoader, select_autoescape

from crevlo.stations.kit.apart import apart
from crevlo.stations.publish.document import Bars, Block, Document, Facts, Heading, Pictures, Points, Table, Words
from crevlo.stations.publish.frozen import Frozen
from crevlo.stations.publish.photo_data import data_uri
from crevlo.stations.publish.readable import readable
from crevlo.stations.publish.workbook import workbook

if TYPE_CHECKING:
    from docx.document import Document as Docx

# Colours of criteria, each of another lightness than its neighbours, so that they part in grey too.
BEADS = (
    "#1d3b34", "#2c6b58", "#5f9c80", "#a97a1c", "#c9a552", "#8c5a3c", "#b98c74", "#5b6f8f", "#7a4b6a", "#8f9a3e", "#3f7f92",
    "#a65e5e",
)  # fmt: skip
_templates = Environment(loader=FileSystemLoader(Path(__file__).parent), autoescape=select_autoescape(default=True))
Photos = Mapping[uuid.UUID, bytes]


class ReportForm(StrEnum):
    HTML = "html"
    PDF = "pdf"
    MARKDOWN = "md"
    DOCX = "docx"
    XLSX = "xlsx"


MIME = {
    ReportForm.HTML: "text/html", ReportForm.PDF: "application/pdf", ReportForm.MARKDOWN: "text/markdown",
    ReportForm.DOCX: "application/vnd.openxmlformats-officedocument.wordprocessingml.document",
    ReportForm.XLSX: "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet",
}  # fmt: skip


def rendered(report: Document, photos: Photos, form: ReportForm, frozen: Callable[[], Frozen]) -> bytes:
    """`photos` by id, JPEG; one that is not there is left out of pictures. `frozen` gives the tables of a workbook."""
    match form:
        case ReportForm.HTML:
            return as_html(report, photos).encode()
        case ReportForm.PDF:
            return _pdf_of(as_html(report, photos))
        case ReportForm.MARKDOWN:
            return as_markdown(report).encode()
        case ReportForm.DOCX:
            return as_docx(report, photos)
        case ReportForm.XLSX:
            return workbook(report, frozen())


def as_html(report: Document, photos: Photos) -> str:
    """One file that needs nothing beside it."""
    shown = readable(_with_pictures(report, photos))
    uris = {photo_id: data_uri(jpeg) for photo_id, jpeg in photos.items()}
    return _templates.get_template("report.html.j2").render(report=shown, photos=uris, beads=BEADS)


# With so many cells of tables it takes long enough for a process of its own, beside which others are answered.
_MANY_CELLS = 3_000
_MOST_S, _MOST_MB = 180.0, 3_000


def _pdf_of(html: str) -> bytes:
    return (
        as_pdf(html)
        if html.count("<td") < _MANY_CELLS
        else apart("This report as PDF", _MOST_S, _MOST_MB, as_pdf, html)
    )


def as_pdf(html: str) -> bytes:
    """The same, tagged and with bookmarks; nothing is fetched from anywhere."""

    # Loaded where it is needed, as DOCX is: it takes a while, and hardly any call needs it.
    from weasyprint import HTML
    from weasyprint.urls import URLFetcher

    inside = URLFetcher(allowed_protocols=("data",))
    made: bytes = HTML(string=html, url_fetcher=inside).write_pdf(pdf_tags=True)
    return made


def _with_pictures(report: Document, photos: Photos) -> Document:
    """Without the pictures whose photos are not there."""
    sections = []
    for section in report.sections:
        blocks: list[Block] = []
        for b in section.blocks:
            if isinstance(b, Pictures):
                there = [p for p in b.pictures if p.photo_id in photos]
                if there:
                    blocks.append(b.model_copy(update={"pictures": there}))
            else:
                blocks.append(b)
        sections.append(section.model_copy(update={"blocks": blocks}))
    return report.model_copy(update={"sections": [s for s in sections if s.blocks]})


# Markdown


def as_markdown(report: Document) -> str:
    """Plain text with its tables; photos are named, not held."""
    lines = [f"# {_md(report.headline)}", "", f"*{_md(report.line)}*", "", _md(report.evidence), ""]
    if report.question:
        lines += [f"*{_md(report.question)}*", ""]
    if report.changed:
        lines += [f"**{'Erratum' if report.erratum else 'This revision'}:** {_md(report.changed)}", ""]
    for section in readable(report).sections:
        lines += [f"## {_md(section.title)}", ""]
        for block in section.blocks:
            lines += [*_md_block(block), ""]
    return "\n".join(lines).rstrip() + "\n"


def _md_block(block: Block) -> list[str]:
    if isinstance(block, Words):
        return [f"**{_md(block.words)}**" if block.strong else _md(block.words)]
    if isinstance(block, Heading):
        return [f"### {_md(block.words)}"]
    if isinstance(block, Points):
        return [f"- {_md(item)}" for item in block.items]
    if isinstance(block, Facts):
        return [f"- **{_md(f.name)}:** {_md(f.value)}" for f in block.rows]
    if isinstance(block, Table):
        return [f"**{_md(block.caption)}**", "", *_md_table(block.columns, block.rows)]
    if isinstance(block, Bars):
        made = block.table
        return [f"**{_md(made.caption)}**", "", *_md_table(made.columns, made.rows)]
    return [f"- {_md(block.caption)}: photo of {_md(p.caption)}" for p in block.pictures]


def _md_table(columns: list[str], rows: list[list[str]]) -> list[str]:
    head = [f"| {' | '.join(_md(c) for c in columns)} |", f"|{' --- |' * len(columns)}"]
    return head + [f"| {' | '.join(_md(c) for c in row)} |" for row in rows]


def _md(words: str) -> str:
    """What somebody wrote stands as it was written, whatever it would mean in Markdown."""
    plain = " ".join(words.split())
    for mark in ("\\", "`", "*", "_", "[", "]", "<", ">", "|", "#"):
        plain = plain.replace(mark, f"\\{mark}")
    return plain


# DOCX


def as_docx(report: Document, photos: Photos) -> bytes:
    import docx
    from docx.shared import Pt

    made = docx.Document()
    made.core_properties.title, made.core_properties.subject = report.headline[:255], report.line[:255]
    style = made.styles["Normal"]
    style.font.name, style.font.size = "Liberation Sans", Pt(10)
    if report.number is None:
        made.sections[0].header.paragraphs[0].text = "Draft, not published"
    made.add_paragraph(_xml(report.line))
    made.add_heading(_xml(report.headline), 0)
    made.add_paragraph(_xml(report.evidence))
    if report.question:
        made.add_paragraph().add_run(_xml(report.question)).italic = True
    if report.changed:
        made.add_paragraph(_xml(f"{'Erratum' if report.erratum else 'This revision'}: {report.changed}"))
    for section in readable(_with_pictures(report, photos)).sections:
        made.add_heading(_xml(section.title), 1)
        for block in section.blocks:
            _docx_block(made, block, photos)
    out = io.BytesIO()
    made.save(out)
    return out.getvalue()


def _docx_block(made: "Docx", block: Block, photos: Photos) -> None:
    from docx.shared import Cm

    if isinstance(block, Words):
        made.add_paragraph().add_run(_xml(block.words)).bold = block.strong
    elif isinstance(block, Heading):
        made.add_heading(_xml(block.words), 2)
    elif isinstance(block, Points):
        for item in block.items:
            made.add_paragraph(_xml(item), style="List Bullet")
    elif isinstance(block, Facts):
        for f in block.rows:
            line = made.add_paragraph()
            line.add_run(_xml(f"{f.name}: ")).bold = True
            line.add_run(_xml(f.value))
    elif isinstance(block, Table):
        _docx_table(made, block.caption, block.columns, block.rows)
    elif isinstance(block, Bars):
        _docx_table(made, block.table.caption, block.table.columns, block.table.rows)
    else:
        made.add_heading(_xml(block.caption), 2)
        for p in block.pictures:
            made.add_picture(io.BytesIO(photos[p.photo_id]), width=Cm(6))
            made.add_paragraph(_xml(p.caption))


def _docx_table(made: "Docx", caption: str, columns: list[str], rows: list[list[str]]) -> None:
    from docx.shared import Pt

    made.add_paragraph().add_run(_xml(caption)).bold = True
    table = made.add_table(rows=1 + len(rows), cols=len(columns), style="Table Grid")
    for at, row in enumerate([columns, *rows]):
        # By row: asking a table for one cell walks all of it.
        for cell, words in zip(table.rows[at].cells, row, strict=True):
            cell.text = _xml(words)
            for paragraph in cell.paragraphs:
                for run in paragraph.runs:
                    run.font.size, run.bold = Pt(8), at == 0
    made.add_paragraph()


def _xml(words: str) -> str:
    """Without what XML cannot hold."""
    return "".join(c for c in words if c in "\t\n" or ord(c) >= 32)
