"""A workbook and a table in text become the same text; what is neither is refused, and in bounded room."""

import contextlib
import io
import zipfile

import pytest
from hypothesis import given
from hypothesis import strategies as st
from openpyxl import Workbook

from crevlo.core.estimate import BadInput
from crevlo.core.reading_table import read_table
from crevlo.core.sheet import MOST_BYTES, sheet_text


def workbook(*rows: list) -> bytes:
    book = Workbook()
    book.active.title = "empty"
    sheet = book.create_sheet("readings")
    for row in rows:
        sheet.append(row)
    kept = io.BytesIO()
    book.save(kept)
    return kept.getvalue()


def test_the_first_sheet_with_rows_is_read_as_it_would_be_pasted() -> None:
    text = sheet_text(workbook(["code", "X1", "X1 2", None], [], ["K7M", 40.07, "40,06"], ["P3E", 40, None]))
    assert text == "code\tX1\tX1 2\nK7M\t40.07\t40,06\nP3E\t40\t"
    assert [c.value for c in read_table(text).cells] == [40.07, 40.06, 40.0]


@pytest.mark.parametrize("encoding", ["utf-8", "utf-8-sig", "cp1252", "utf-16"])
def test_text_is_read_in_what_programs_write(encoding: str) -> None:
    assert sheet_text("Prüfling;X1\nK7M;40,1\n".encode(encoding)).startswith("Prüfling;X1")


def bomb() -> bytes:
    made = io.BytesIO()
    with zipfile.ZipFile(made, "w", zipfile.ZIP_DEFLATED) as package:
        package.writestr("xl/worksheets/sheet1.xml", b"0" * (30 << 20))
    return made.getvalue()


@pytest.mark.parametrize(
    ("content", "words"),
    [
        (b"x" * (MOST_BYTES + 1), "4 MB are taken"), (bomb(), "unpacks to 30 MB"), (b"PK\3\4rest", "cannot be read"),
        (b"\x89PNG\0\0", "neither a workbook"), (workbook(), "no sheet of the workbook has a row"),
    ],
)  # fmt: skip
def test_what_is_no_table_is_refused(content: bytes, words: str) -> None:
    with pytest.raises(BadInput, match=words):
        sheet_text(content)


SMALL = workbook(["code", "X1"], ["K7M", 40.07])


@given(st.integers(0, len(SMALL) - 1), st.binary(min_size=1, max_size=8))
def test_a_damaged_workbook_is_read_or_refused(at: int, junk: bytes) -> None:
    with contextlib.suppress(BadInput):
        sheet_text(SMALL[:at] + junk + SMALL[at + len(junk) :])
