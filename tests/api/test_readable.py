"""Reports of many machines: no table is wider than a page, and a long PDF is made beside the others' work, once."""

import re
from collections import Counter

import pytest
from hypothesis import given
from hypothesis import strategies as st

from crevlo.stations.publish import render
from crevlo.stations.publish.document import Table
from crevlo.stations.publish.readable import MOST_COLUMNS, narrow
from tests.api.test_publish import got, publish, revision
from tests.conftest import Bench
from tests.states import Turned, make


@given(st.integers(1, 70), st.integers(0, 40))
def test_what_a_wide_table_holds_stands_under_its_names_once(columns: int, rows: int) -> None:
    wide = Table(
        caption="Step block", columns=["Figure", *(f"machine {c}" for c in range(columns))],
        rows=[[f"figure {r}", *(f"{r} of {c}" for c in range(columns))] for r in range(rows)],
    )  # fmt: skip
    made = narrow(wide)
    assert all(len(t.columns) <= MOST_COLUMNS and all(len(row) == len(t.columns) for row in t.rows) for t in made)
    found: Counter[tuple[str, str, str]] = Counter()
    for t in made:
        for row in t.rows:
            for column, cell in zip(t.columns[1:], row[1:], strict=True):
                names = sorted((row[0], column))
                found[names[0], names[1], cell] += 1
    assert found == Counter(
        (f"figure {r}", f"machine {c}", f"{r} of {c}") for r in range(rows) for c in range(columns)
    )
    assert [t.caption for t in made] == [
        "Step block",
        *(f"Step block, {k} of {len(made)}" for k in range(2, len(made) + 1)),
    ]
    # Where it is wide one way alone it stays whole.
    assert len(made) == 1 or min(columns, rows) >= MOST_COLUMNS or rows >= columns


def test_a_report_of_a_dozen_machines_fits_its_pages_in_every_form(
    bench: Bench, monkeypatch: pytest.MonkeyPatch
) -> None:
    client = bench.as_("reviewer")
    names = [f"Bench {n}" for n in range(12)]
    study = make(client, {name: Turned(off_mm=0.02 * (1 + at)) for at, name in enumerate(names)}, copies=2)
    kept = revision(publish(client, study), 1)
    path = f"/api/revisions/{kept['id']}/report"
    lines = got(client, f"{path}.md").decode().splitlines()
    assert max(line.count(" | ") + 1 for line in lines if line.startswith("| ")) <= MOST_COLUMNS
    html = got(client, f"{path}.html").decode()
    tables = [t for t in re.findall(r"<table.*?</table>", html, re.S) if "Step block, PLA" in t]
    assert len(tables) == 2
    for t in tables:
        assert t.count('scope="col"') <= MOST_COLUMNS
    assert re.findall(r">(Bench \d+)<", "".join(tables)) == names
    # Beyond eight machines places stand in bands, on the cards too.
    card = got(client, f"/api/revisions/{kept['id']}/cards/card-chances.svg").decode()
    assert [words for words in ("first", "2 to 3", "4 to 5", "6 to 10") if f"<!-- {words} -->" not in card] == []
    made: list[str] = []
    apart = render.apart
    monkeypatch.setattr(render, "_MANY_CELLS", 0)
    monkeypatch.setattr(render, "apart", lambda *given: (made.append(given[0]), apart(*given))[1])
    for _ in range(2):
        assert got(client, f"{path}.pdf").startswith(b"%PDF")
    assert made == ["This report as PDF"]
