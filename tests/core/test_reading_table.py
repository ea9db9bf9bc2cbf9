"""Tables as people keep them: long and wide, with commas for points, and what is no table refused in words."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from crevlo.core.estimate import BadInput
from crevlo.core.reading_table import read_table


def test_one_value_a_row_with_headers_as_people_write_them() -> None:
    made = read_table("Specimen;Face;Reading;No.\nk7m;x1;40,07;1\nK7M;X1;40,06;2\n")
    assert not made.wide
    assert [(c.specimen, c.face, c.repeat, c.value) for c in made.cells] == [("K7M", "X1", 1, 40.07), ("K7M", "X1", 2, 40.06)]  # fmt: skip
    assert dict(made.mapping) == {"specimen": "Specimen", "face": "Face", "value": "Reading", "repeat": "No."}


def test_a_row_a_specimen_with_faces_in_columns() -> None:
    made = read_table("code\tX1\tX1 2\tY1\nK7M\t40.07\t40.06\t\nP3E\t39.98\t-\t30,01\n")
    assert made.wide
    assert [(c.line, c.specimen, c.face, c.repeat, c.value) for c in made.cells] == [
        (2, "K7M", "X1", 0, 40.07), (2, "K7M", "X1", 2, 40.06), (3, "P3E", "X1", 0, 39.98), (3, "P3E", "X1", 2, None), (3, "P3E", "Y1", 0, 30.01)]  # fmt: skip


def test_a_column_is_what_it_is_said_to_be() -> None:
    made = read_table("a,b,c\nK7M,X1,40.1\n", {"specimen": "a", "face": "b", "value": "c"})
    assert made.cells[0].value == 40.1
    with pytest.raises(BadInput, match="no such column"):
        read_table("a,b\n1,2\n", {"specimen": "z"})


@pytest.mark.parametrize(
    ("text", "words"),
    [
        ("", "a line of headers"), ("code;X1\n", "a line of headers"),
        ("code;X1;X1\nK7M;1;2\n", "same header"), ("code;X1\n" + "K7M;1\n" * 2001, "more than 2000"),
    ],
)  # fmt: skip
def test_what_is_no_table_is_refused_in_words(text: str, words: str) -> None:
    with pytest.raises(BadInput, match=words):
        read_table(text)


@pytest.mark.parametrize(
    ("text", "lacks"), [("a;b\n1;2\n", "names the specimens"), ("code;value\nK7M;3\n", "names the faces")]
)
def test_a_column_that_has_still_to_be_named_is_asked_for(text: str, lacks: str) -> None:
    made = read_table(text)
    assert lacks in made.lacks
    assert (made.headers, made.cells) == (tuple(text.split("\n")[0].split(";")), ())


@given(st.text(max_size=400))
def test_no_text_does_harm(text: str) -> None:
    try:
        made = read_table("code;X1\n" + text)
    except BadInput:
        return
    assert all(c.value is None or abs(c.value) < 1e10 for c in made.cells)
