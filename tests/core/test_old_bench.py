"""A bench that was kept in a spreadsheet: cells as people write them, sheets as they grow, whole workbooks."""

import io
import zipfile
from datetime import UTC, date, datetime, time, timedelta
from pathlib import Path
from zoneinfo import ZoneInfo

import pytest
from hypothesis import given
from hypothesis import strategies as st
from openpyxl import Workbook

from crevlo.core.estimate import BadInput
from crevlo.core.old_bench.bench import OldBench, materials_mixed, printed_by_all, read_bench
from crevlo.core.old_bench.cells import amount_in, day_in, days_lead, hour_in, moment, size_in, span_in, yes_in
from crevlo.core.old_bench.guess import Holds, guess, size_column
from crevlo.core.old_bench.sheets import Sheet, cell_name, read_sheets
from crevlo.sim import notebook

BERLIN = ZoneInfo("Europe/Berlin")
NOW = datetime(2026, 11, 1, tzinfo=UTC)
SAMPLES = Path(__file__).resolve().parents[3] / "shared" / "samples"


@pytest.mark.parametrize(
    ("typed", "value", "about"),
    [("20,05", 20.05, False), ("20.05", 20.05, False), ("~50", 50, True), ("52-53", 52.5, True), ("½", 0.5, False),
     (" 7 ", 7, False), ("\u22121,5", -1.5, False), ("ca. 40", 40, True)],
)  # fmt: skip
def test_numbers_as_people_write_them(typed: str, value: float, about: bool) -> None:
    found = amount_in(typed)
    assert found is not None
    assert (found.value, found.about) == (value, about)


@pytest.mark.parametrize("typed", ["", "x", "1.2.3", "53-52", "1e5", "nan", "20 mm", "12:30", "9" * 400])
def test_what_is_no_number(typed: str) -> None:
    assert amount_in(typed) is None


@pytest.mark.parametrize(
    ("typed", "minutes"),
    [("1h 07m", 67), ("3h34", 214), ("67 min", 67), ("1:07", 67), ("230", 230), ("0h 56m", 56), ("2,5 h", 150), ("1d 2h", 1560),
     ("1:00:30", 60.5), ("45'", 45)],
)  # fmt: skip
def test_spans_of_time_as_people_write_them(typed: str, minutes: float) -> None:
    assert span_in(typed) == pytest.approx(60 * minutes)
    assert span_in("2", hours=True) == 7200
    assert [span_in(bad) for bad in ("", "soon", "h", "1:99", "-5", "12.03.2026")] == [None] * 6


def test_days_and_hours_as_people_write_them() -> None:
    second = date(2026, 4, 2)
    for typed in ("2026-04-02 00:00", "02.04.2026", "2.4.26", "02/04/2026", "02.04.2026 20:10"):
        assert day_in(typed) == second
    assert day_in("04/02/2026", day_first=False) == second
    assert [day_in(bad) for bad in ("", "31.02.2026", "20:10", "1/2", "2.4.1066")] == [None] * 5
    assert days_lead(["01/02/2026", "20/03/2026"])
    assert not days_lead(["01/02/2026", "03/20/2026"])
    assert [hour_in(t) for t in ("20:10", "02.04.2026 9:50", "9h05", "9:50 pm", "12:05 am")] == [
        time(20, 10), time(9, 50), time(9, 5), time(21, 50), time(0, 5)]  # fmt: skip
    assert [hour_in(bad) for bad in ("", "25:00", "13:00 pm", "noon", "02.04.2026")] == [None] * 5


def test_an_hour_that_was_there_twice_or_not_at_all_is_said() -> None:
    autumn, spring = date(2026, 10, 25), date(2026, 3, 29)
    found, odd = moment(autumn, time(2, 30), BERLIN)
    assert (found.astimezone(UTC).hour, "twice" in odd) == (0, True)
    assert "skipped" in moment(spring, time(2, 30), BERLIN)[1]
    assert moment(autumn, time(3, 10), BERLIN)[1] == ""


def test_beds_answers_and_headers() -> None:
    assert size_in("230x230x250") == (230, 230, 250)
    assert size_in("Ø180 x 200") == (180, 180, 200)
    assert [size_in(bad) for bad in ("", "230x230", "1x1x1", "big")] == [None] * 4
    assert [yes_in(x) for x in ("Y", "ok", "nein", "0", "maybe", "")] == [True, True, False, False, None, None]
    assert cell_name(6, 4) == "E7"
    assert cell_name(0, 27) == "AB1"
    hole = size_column("Y hole 8")
    assert hole is not None
    assert (hole.axis, hole.nominal, hole.inside) == ("Y", 8, True)
    assert [size_column(bad) for bad in ("who", "X", "0", "20 40")] == [None] * 4


def read(name: str, content: bytes | None = None, now: datetime = NOW) -> OldBench:
    sheets = read_sheets(content if content is not None else (SAMPLES / name).read_bytes(), name)
    return read_bench(sheets, [guess(s) for s in sheets], BERLIN, now)


@pytest.mark.skipif(not SAMPLES.exists(), reason="the samples lie beside the repository")
def test_a_workbook_as_it_grew_is_read_with_every_doubt_named() -> None:
    bench = read("bench-notes.xlsx")
    assert [(m.name, m.price, m.bed) for m in bench.machines] == [
        ("Fernhollow Two", 412, (230, 230, 250)), ("Quillbeck Mini", 189.9, (180, 180, 200)), ("Ashdown Box", 749, (256, 256, 256))]  # fmt: skip
    assert (len(bench.prints), len(bench.sizes), bench.noise_at_m) == (26, 72, 0.5)
    assert sum(p.good for p in bench.prints) == 22
    first = next(p for p in bench.prints if p.line == 2)
    assert (first.machine, first.began, first.ended - first.began, first.cause) == (
        "Ashdown Box", datetime(2026, 4, 2, 10, 31, tzinfo=UTC), timedelta(minutes=230), "ran out")  # fmt: skip
    two = next(p for p in bench.prints if p.line == 5)
    assert (two.model_g, two.waste_g, two.kwh, two.noise_db) == (23.9, 34.2, 0.266, 50)
    assert {s.column.header: s.value for s in bench.sizes if (s.machine, s.copy) == ("Fernhollow Two", 2)} == {
        "X 20": 20.02, "X 40": 40.07, "X hole 8": 7.88, "Y 20": 20.06, "Y 40": 40.03, "Y hole 8": 7.91, "Z 10": 10.03, "Z 25": 25.05}  # fmt: skip
    doubts = {(p.cell, p.why) for p in bench.problems}
    assert ("M4", "taken as 52.5") in doubts
    assert ("row 9", "it printed row 8 of Prints then; both are kept as they stand") in doubts


@pytest.mark.skipif(not SAMPLES.exists(), reason="the samples lie beside the repository")
def test_times_on_paper_through_a_night_in_which_clocks_change() -> None:
    bench = read("times-on-paper.csv")
    assert (len(bench.prints), bench.materials, len(bench.problems)) == (14, ("",), 1)
    night = bench.prints[1]
    assert (night.began, night.paused_s) == (datetime(2026, 10, 25, 2, 10, tzinfo=UTC), 2700)
    assert bench.prints[4].ended - bench.prints[4].began == timedelta(hours=2, minutes=41)
    # One that has not been yet is a slip.
    early = read("times-on-paper.csv", now=datetime(2026, 10, 26, tzinfo=UTC))
    assert sum(p.row_left_out for p in early.problems) == 10


def test_what_cannot_be_read_is_named_cell_by_cell_and_the_rest_is_kept() -> None:
    bench = read("mine.csv", (
        b"printer,part,date,start,end,took,grams,ok,stringing\n"
        b"Mesa,clip,2026-05-01,10:00,11:00,60,5.5,y,2\n"
        b",clip,2026-05-01,12:00,13:00,60,5,y,1\n"
        b"mesa,clip,soon,12:00,13:00,60,5,y,1\n"
        b"MESA,clip,2026-05-02,10:00,11:00,3h,much,perhaps,7\n"
        b"Mesa,clip,2026-05-03,23:30,00:30,,,,\n"
        b"Mesa,clip,2026-05-04,,,,,y,\n"
        b"Mesa,clip,2026-05-05,,,90,,n,\n"))  # fmt: skip
    assert [(p.line, p.good, (p.ended - p.began).seconds // 60, p.hour_known) for p in bench.prints] == [
        (2, True, 60, True), (5, True, 60, True), (6, True, 60, True), (8, False, 90, False)]  # fmt: skip
    assert [m.name for m in bench.machines] == ["Mesa"]
    assert bench.prints[0].defects == {"stringing": 2}
    left_out = {p.cell for p in bench.problems if p.row_left_out}
    assert left_out == {"A3", "C4", "E7"}
    assert {p.cell for p in bench.problems} - left_out == {"F5", "G5", "H5", "I5"}


def test_a_person_says_what_a_sheet_holds_and_which_column_is_what() -> None:
    sheet = Sheet("mine", (("rig", "thing", "when", "lasted"), ("Mesa", "clip", "1.5.2026 10:00", "50")))
    assert guess(sheet).holds is Holds.NOTHING
    wish = {"machine": "rig", "piece": "thing", "start": "when", "took": "lasted"}
    layout = guess(sheet, Holds.PRINTS, wish)
    assert (layout.lacks, dict(layout.columns)) == ("", wish)
    assert read_bench([sheet], [layout], BERLIN, NOW).prints[0].ended == datetime(2026, 5, 1, 8, 50, tzinfo=UTC)
    with pytest.raises(BadInput, match="which column of the sheet mine is the machine"):
        read_bench([sheet], [guess(sheet, Holds.PRINTS, {"piece": "thing"})], BERLIN, NOW)
    with pytest.raises(BadInput, match="no column colour"):
        guess(sheet, Holds.PRINTS, {"spool": "colour"})


def test_a_merged_cell_stands_in_all_its_places_however_long_the_rows_are() -> None:
    book = Workbook()
    sheet = book.active
    for row in (["machine", "what", "took"], ["Mesa", "SB"], [None, None, "1h 07m"], []):
        sheet.append(row)
    sheet.merge_cells("A2:A3")
    sheet.merge_cells("B2:B3")
    sheet.merge_cells("BZ1:CC4")
    out = io.BytesIO()
    book.save(out)
    [read_again] = read_sheets(out.getvalue())
    assert read_again.rows == (("machine", "what", "took"), ("Mesa", "SB", ""), ("Mesa", "SB", "1h 07m"))


def with_merged(workbook: bytes, stated: str) -> bytes:
    """The workbook with another merged area written in it than A2:C3."""
    out = io.BytesIO()
    with zipfile.ZipFile(io.BytesIO(workbook)) as before, zipfile.ZipFile(out, "w") as after:
        for entry in before.infolist():
            after.writestr(entry, before.read(entry).replace(b'"A2:C3"', f'"{stated}"'.encode()))
    return out.getvalue()


def test_files_that_are_too_much_are_refused_in_words() -> None:
    book = Workbook()
    sheet = book.active
    sheet.append(["machine", "what", "took"])
    sheet.merge_cells("A2:C3")
    out = io.BytesIO()
    book.save(out)
    for stated, words in (
        ("A2:AZ3000", "merged cells"),
        ("A1:XFD1048576", "merged cells"),
        ("A:C", "cannot be read"),
        ("C3:A2", "cannot be read"),
    ):
        with pytest.raises(BadInput, match=words):
            read_sheets(with_merged(out.getvalue(), stated))
    for content, words in (
        (b"a,b\n" * 30_000, "20000 are read"),
        (b"PK\x03\x04", "cannot be read"),
        (b"\x00\x01", "neither a workbook"),
    ):
        with pytest.raises(BadInput, match=words):
            read_sheets(content)


CELLS = st.one_of(
    st.text(max_size=12), st.sampled_from(["1h 07m", "02.04.2026", "12:31", "~50", "y", "n", "20,05", "Mesa"])
)


@given(st.lists(st.lists(CELLS, min_size=4, max_size=4), max_size=6))
def test_whatever_stands_in_the_cells_a_print_has_its_order_and_every_row_its_fate(rows: list[list[str]]) -> None:
    sheet = Sheet("any", (("machine", "what", "start", "took"), *(tuple(r) for r in rows)))
    bench = read_bench([sheet], [guess(sheet, Holds.PRINTS)], BERLIN, NOW)
    assert all(p.began < p.ended <= NOW and p.paused_s >= 0 for p in bench.prints)
    filled = sum(any(row) for row in rows)
    assert len(bench.prints) + sum(p.row_left_out for p in bench.problems) == filled


@pytest.mark.parametrize("seed", range(12))
def test_a_workbook_that_grew_is_read_whole_however_its_cells_are_written(seed: int) -> None:
    bench = read("grown.xlsx", notebook.workbook(seed))
    assert [m.name for m in bench.machines] == ["Hollowell Mesa", "Oddfellow Sparrow", "Brindle 235"]
    assert not [p for p in bench.problems if not p.why.startswith("taken as")]
    assert len(bench.sizes) == 48
    good = [p for p in bench.prints if p.good]
    assert len(good) == 3 * 2 * 4
    assert {p.cause for p in bench.prints if not p.good} <= {"came loose", "ran out", "layer shift"}
    assert printed_by_all(bench, by_material=True) == ("lamp knob of PLA", "drawer clip of PLA")
    # However a time is written, the quick machine is quicker by as much as it was made to be.
    minutes = {m.name: [(p.ended - p.began).seconds / 60 for p in good if (p.machine, p.piece) == (m.name, "lamp knob")] for m in bench.machines}  # fmt: skip
    for name, share in (("Hollowell Mesa", 0.86), ("Brindle 235", 1.17)):
        assert sum(minutes[name]) / 4 == pytest.approx(74 * share, rel=0.03)


def test_materials_are_mixed_only_when_asked_and_stay_in_the_remarks() -> None:
    text = b"machine,what,material,start,took\nA,clip,PLA,2026-05-01 10:00,30\nB,clip,PETG,2026-05-01 10:00,31\n"
    bench = read("two.csv", text)
    assert printed_by_all(bench, by_material=True) == ()
    assert printed_by_all(bench, by_material=False) == ("clip",)
    mixed = materials_mixed(bench)
    assert printed_by_all(mixed, by_material=True) == ("clip of PLA and PETG",)
    assert [p.remarks for p in mixed.prints] == ["PLA", "PETG"]
