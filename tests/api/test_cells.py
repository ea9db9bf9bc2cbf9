"""What people type stays words in a file that a spreadsheet program opens."""

import csv
import io

import openpyxl
from hypothesis import given, settings
from hypothesis import strategies as st

from crevlo.stations.kit.cell import in_csv, in_xlsx

WORDS = st.one_of(
    st.text(max_size=30),
    st.tuples(
        st.sampled_from(["=", "+", "-", "@", "\t", "\r", "==", "=cmd|' /C'!A0", "\x00=", "\x1b"]),
        st.text(max_size=20),
    ).map("".join),
)


@settings(max_examples=150)
@given(WORDS)
def test_no_words_become_a_formula(words: str) -> None:
    book = openpyxl.Workbook()
    book.active.append([in_xlsx(words)])
    cell = book.active.cell(1, 1)
    assert cell.data_type in ("s", "n")
    out = io.StringIO(newline="")
    csv.writer(out).writerow([in_csv(words)])
    [kept] = next(csv.reader(io.StringIO(out.getvalue(), newline="")), [""])
    assert not kept.startswith(("=", "+", "-", "@", "\t", "\r"))
    assert kept.removeprefix("'") == words.removeprefix("'")


def test_numbers_stay_numbers() -> None:
    assert (in_csv(-3.5), in_xlsx(-3.5), in_csv(None), in_xlsx(True)) == (-3.5, -3.5, None, True)
