"""Labels for the specimens' bags: the blind code and what a scanner needs to open it; nothing of the machine."""

import uuid
from typing import Literal

import segno
from sqlalchemy.orm import Session

from crevlo.stations.bench import load_bench
from crevlo.stations.kit.shape import Missing, Refused

Paper = Literal["roll", "sheet"]
# A roll for small label printers, and sheets of 3 × 8 labels.
_PAGES = {
    "roll": "@page { size: 62mm 29mm; margin: 0 } .label { width: 62mm; height: 29mm; break-after: page }",
    "sheet": "@page { size: A4; margin: 0 } .label { width: 70mm; height: 37mm; float: left }",
}
_STYLE = """
body { margin: 0; font-family: sans-serif; color: #000 }
.label { box-sizing: border-box; padding: 2.5mm 3mm; overflow: hidden }
.label svg { float: left; width: 23mm; height: 23mm; margin-right: 3mm }
.code { font: 700 30pt monospace; letter-spacing: 1mm; line-height: 1 }
p { margin: 1mm 0 0; font-size: 7.5pt; line-height: 1.25 }
"""


def labels(session: Session, study_id: uuid.UUID, origin: str, paper: Paper, code: str | None) -> bytes:
    """PDF with the label of one specimen, or of all that wait to be measured.

    `origin` is the address under which this Crevlo is reached. A specimen that is being measured has no label any more:
    whoever prints it would see which machine's print it is.
    """
    bench = load_bench(session, study_id)
    waiting = [s for s in bench.specimens if bench.untouched(s.id)]
    chosen = [s for s in waiting if code is None or s.blind_code == code]
    if not chosen:
        if code is not None and any(s.blind_code == code for s in bench.specimens):
            raise Refused("This specimen is being measured; its label is printed before that.")
        raise Missing("No specimen waits for a label.")
    return labels_pdf([(s.blind_code, f"{origin}/study/{study_id}/measure#{s.blind_code}") for s in chosen], bench.study.title, paper)  # fmt: skip


def labels_pdf(entries: list[tuple[str, str]], title: str, paper: Paper) -> bytes:
    """PDF of labels, each a code and the address that its square leads to."""
    # Loaded where it is needed: it takes a while, and hardly any call needs it.
    from html import escape

    from weasyprint import HTML

    body = "".join(
        f'<div class="label">{_square(address)}<div class="code">{escape(code)}</div><p>{escape(title)}</p>'
        "<p>Scan to open. Handle by this code alone.</p></div>"
        for code, address in sorted(entries)
    )
    page = f"<html><head><style>{_PAGES[paper]}{_STYLE}</style></head><body>{body}</body></html>"
    made: bytes = HTML(string=page).write_pdf()
    return made


def _square(address: str) -> str:
    return str(segno.make(address, error="m", micro=False).svg_inline(border=1, omitsize=True))
