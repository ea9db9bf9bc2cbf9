"""What is published: one report in many forms, frozen revisions that say what changed, and packages that can be checked."""

import io
import json
import os
import subprocess
import sys
import zipfile
from dataclasses import replace
from pathlib import Path

import docx
import formulas
import openpyxl
import pytest
from PIL import Image
from pypdf import PdfReader

from crevlo.cli.bring import bring as command_line
from crevlo.core.estimate import BadInput
from crevlo.core.package.archive import packed, unpacked
from crevlo.core.package.verify import published, verify
from crevlo.sim.client import ApiError, Client
from crevlo.stations.publish.compose import SECTIONS
from tests.api.test_stations import finish_and_reveal
from tests.conftest import Bench, Played
from tests.small import new
from tests.states import LONG, Turned, make

ALL = {"profile_id": None}


@pytest.fixture
def client(bench: Bench) -> Client:
    return bench.as_("reviewer")


def got(client: Client, path: str, **query: str) -> bytes:
    answer = client.http.get(path, params=query)
    assert answer.status_code == 200, answer.text[:300]
    return answer.content


def publish(client: Client, study: str, **given) -> dict:
    return client.send("POST", f"/api/studies/{study}/revisions", {"id": new(), "ends_blind": True, **ALL, **given})


def revision(view: dict, number: int) -> dict:
    return next(r for r in view["revisions"] if r["number"] == number)


def revealed(client: Client, study: str) -> None:
    client.send("POST", f"/api/studies/{study}/reveal", {})


def test_a_report_is_one_and_the_same_in_every_form(client: Client) -> None:
    study = make(client, {"Mesa": Turned(), LONG: Turned(minutes=90, off_mm=0.2)}, copies=2)
    html = got(client, f"/api/studies/{study}/draft.html").decode()
    markdown = got(client, f"/api/studies/{study}/draft.md").decode()
    pdf = PdfReader(io.BytesIO(got(client, f"/api/studies/{study}/draft.pdf")))
    word = docx.Document(io.BytesIO(got(client, f"/api/studies/{study}/draft.docx")))
    view = client.get(f"/api/studies/{study}/publish")
    shown = [s["title"] for s in view["sections"] if f'<h2 id="{s["code"]}">' in html]
    assert {
        "Verdict",
        "Results by artifact",
        "Safety",
        "Missing",
        "Sample",
        "Disclosure" if view["disclosures"] else "Sample",
    } <= set(shown)
    assert [line[3:] for line in markdown.splitlines() if line.startswith("## ")] == shown
    assert [p.text for p in word.paragraphs if p.style.name == "Heading 1"] == shown
    assert word.sections[0].header.paragraphs[0].text == "Draft, not published"
    assert "draft, not published" in html
    assert "<script" not in html
    assert "http" not in html.replace("http-equiv", "")
    assert "/StructTreeRoot" in pdf.trailer["/Root"]
    [whole] = [o for o in pdf.outline if not isinstance(o, list)]
    assert whole.title == view["headline"]
    assert [o.title for o in pdf.outline[1] if not isinstance(o, list)] == shown
    assert "Draft" in pdf.pages[0].extract_text()
    assert view["headline"] in markdown.replace("\\", "")
    assert "\\_" not in markdown
    table = next(t for t in word.tables if t.cell(0, 1).text == "Place")
    assert {row.cells[0].text for row in table.rows[1:]} == {"Mesa", LONG}


def test_sections_are_chosen_and_ordered_but_what_must_be_said_stays(client: Client) -> None:
    study = make(client, {"Mesa": Turned(), "Sparrow": Turned()})
    html = got(client, f"/api/studies/{study}/draft.html", sections="methods,cost").decode()
    places = {k.code: html.find(f'<h2 id="{k.code}">') for k in SECTIONS}
    assert 0 < places["methods"] < places["cost"] < places["verdict"] < places["safety"]
    assert places["results"] == places["prices"] == -1
    answer = client.http.get(f"/api/studies/{study}/draft.html", params={"sections": "gossip"})
    assert (answer.status_code, "no section “gossip”" in answer.json()["title"]) == (422, True)


def test_a_revision_says_what_changed_section_by_section_and_an_erratum_what_was_wrong(client: Client) -> None:
    study = make(client, {"Mesa": Turned(), "Sparrow": Turned(minutes=90)}, copies=2)
    with pytest.raises(ApiError, match="no revision for these readers"):
        publish(client, study, erratum=True, changed="A slip.")
    first = publish(client, study)
    assert (revision(first, 1)["changed"], first["since"]) == ("First revision.", [])
    units = {u["machine"]["name"]: u for u in client.get(f"/api/studies/{study}/receive")["units"]}
    client.send("PUT", f"/api/studies/{study}/units/{units['Mesa']['machine']['unit_id']}", {
        "version": units["Mesa"]["version"], "price_paid": 777, "obtained": "bought"})  # fmt: skip
    since = {c["code"]: c for c in client.get(f"/api/studies/{study}/publish")["since"]}
    assert "was “400.00”, is “777.00”" in " ".join(since["prices"]["words"])
    assert "results" not in since
    with pytest.raises(ApiError, match="Say what was wrong"):
        publish(client, study, erratum=True)
    second = publish(client, study, erratum=True, changed="The price of the Mesa was another's.")
    told = revision(second, 2)
    assert told["erratum"]
    assert told["changed"].startswith("Puts revision 1 right: The price of the Mesa was another's. Since revision 1:")
    assert "777.00" in told["changed"]
    assert "400.00" in got(client, f"/api/revisions/{revision(second, 1)['id']}/report.md").decode()
    assert "an erratum" in got(client, f"/api/revisions/{told['id']}/report.html").decode()


def test_a_revision_stays_as_it_was_in_every_form(client: Client) -> None:
    study = make(client, {"Mesa": Turned(), "Sparrow": Turned(minutes=90)})
    kept = revision(publish(client, study), 1)
    assert kept["forms"] == ["html", "pdf", "md", "docx", "xlsx"]
    before = got(client, f"/api/revisions/{kept['id']}/report.md")
    unit = client.get(f"/api/studies/{study}/receive")["units"][0]
    client.send("PUT", f"/api/studies/{study}/units/{unit['machine']['unit_id']}", {
        "version": unit["version"], "price_paid": 55, "obtained": "bought"})  # fmt: skip
    assert got(client, f"/api/revisions/{kept['id']}/report.md") == before
    assert got(client, f"/api/revisions/{kept['id']}/report.pdf").startswith(b"%PDF")


def test_a_package_is_had_after_the_reveal_and_says_what_its_own_data_say(client: Client) -> None:
    study = make(client, {"Mesa": Turned(), "Sparrow": Turned(minutes=90, off_mm=0.15), "Twin": Turned(severity=2)}, copies=2,
                 buyer=[{"kind": "price", "limit": 450}])  # fmt: skip
    kept = revision(publish(client, study), 1)
    early = client.http.get(f"/api/revisions/{kept['id']}/package.zip")
    assert (early.status_code, "after the reveal" in early.text) == (422, True)
    revealed(client, study)
    content = got(client, f"/api/revisions/{kept['id']}/package.zip")
    assert content == got(client, f"/api/revisions/{kept['id']}/package.zip")
    package = unpacked(content)
    found = verify(package)
    assert (found.differences, found.rankings) == (
        (),
        len(client.get(f"/api/studies/{study}/publish")["audiences"]) - 1,
    )
    assert found.figures > 50
    ranked = client.send("POST", f"/api/studies/{study}/rank", {})
    assert found.headlines[ranked["profile"]["name"]] == ranked["verdict"]["headline"]
    with zipfile.ZipFile(io.BytesIO(content)) as archive:
        descriptor = json.loads(archive.read("datapackage.json"))
        assert "Reviewer" not in archive.read("data/readings_log.csv").decode()
        assert archive.read("protocol.json")
    fields = {f["name"]: f for r in descriptor["resources"] if r["name"] == "runs" for f in r["schema"]["fields"]}
    assert (fields["kwh"]["unit"], fields["hours"]["type"]) == ("kWh", "number")
    assert any(p.startswith("artifacts/") for p in package.files)


def test_a_package_whose_figure_or_data_was_changed_is_found_out(client: Client) -> None:
    study = make(client, {"Mesa": Turned(), "Sparrow": Turned(minutes=90)}, copies=2)
    kept = revision(publish(client, study), 1)
    revealed(client, study)
    package = unpacked(got(client, f"/api/revisions/{kept['id']}/package.zip"))
    figures = [dict(r) for r in package.tables["figures"]]
    time = next(r for r in figures if r["quantity"] == "time")
    time["value"] -= 0.1
    [said] = verify(replace(package, tables={**package.tables, "figures": figures})).differences
    assert said.startswith("Mesa, print time: value is published as")
    runs = [{**r, "hours": r["hours"] / 2} if r["machine"] == "M2" else r for r in package.tables["runs"]]
    differences = verify(replace(package, tables={**package.tables, "runs": runs})).differences
    assert any("Sparrow, print time" in d for d in differences)
    assert any("Mesa" in d and "rank" in d for d in differences) or any("first chance" in d for d in differences)
    with pytest.raises(BadInput, match="1 to 500 machines"):
        published(replace(package, tables={**package.tables, "machines": []}))


def test_the_demo_published_for_all_is_worked_out_again_from_its_package(demo_bench: Bench, played: Played) -> None:
    client = demo_bench.as_("reviewer")
    before = publish(client, played.study)["revisions"][0]
    finish_and_reveal(demo_bench, played.study)
    after = publish(client, played.study)["revisions"][0]
    for kept in (before, after):
        package = unpacked(got(client, f"/api/revisions/{kept['id']}/package.zip"))
        assert verify(package).differences == ()
        assert unpacked(packed(package)) == package


def test_the_workbooks_formulas_come_to_the_published_points(client: Client, tmp_path) -> None:
    study = make(client, {"Mesa": Turned(), "Sparrow": Turned(minutes=90, severity=2), "Twin": Turned(off_mm=0.12)}, copies=2,
                 unprinted=["Twin"])  # fmt: skip
    view = client.send("POST", f"/api/studies/{study}/rank", {})
    scheme = client.get(f"/api/studies/{study}/scheme")
    criteria = [{k: c[k] for k in ("code", "weight", "shape", "points")} for c in scheme["criteria"]]
    shapes = {"time": ("logarithmic", [(0.5, 100), (6, 0)]), "noise": ("thresholds", [(30, 100), (45, 60), (50, 20)]),
              "energy": ("piecewise", [(0.05, 100), (0.1, 40), (0.3, 0)])}  # fmt: skip
    for c in criteria:
        if c["code"] in shapes:
            c["shape"], points = shapes[c["code"]]
            c["points"] = [{"raw": raw, "value": value} for raw, value in points]
    client.send(
        "POST", f"/api/studies/{study}/scheme", {"id": new(), "number": view["scheme_number"], "criteria": criteria}
    )
    published = client.send("POST", f"/api/studies/{study}/rank", {})
    path = tmp_path / "report.xlsx"
    path.write_bytes(got(client, f"/api/studies/{study}/draft.xlsx"))
    book = openpyxl.load_workbook(path)
    assert book.sheetnames[0] == "Summary"
    assert {"Results", "Figures", "Runs", "Readings", "Instruments", "Settings"} <= set(book.sheetnames)
    solved = formulas.ExcelModel().loads(str(path)).finish().calculate()
    values = {str(key).upper(): cell.value[0, 0] for key, cell in solved.items() if hasattr(cell, "value")}
    rows = {r[1].value: r[1].row for r in book["Summary"].iter_rows(min_row=7)}
    for s in published["standings"]:
        low, high = (values[f"'[REPORT.XLSX]SUMMARY'!{column}{rows[s['machine']['name']]}"] for column in "CD")
        assert (low, high) == (pytest.approx(s["total_low"]), pytest.approx(s["total_high"]))


def package_of(client: Client, title: str, **turned: Turned) -> tuple[str, bytes]:
    """The id and the package of a published study of these machines, of which Orrin is the control."""
    study = make(client, {**turned, "Orrin": Turned()}, copies=2, title=title, control="Orrin")
    kept = revision(publish(client, study), 1)
    revealed(client, study)
    return kept["id"], got(client, f"/api/revisions/{kept['id']}/package.zip")


def bring(client: Client, content: bytes, **query) -> dict:
    return client.send("PUT", "/api/packages", content=content, id=new(), **query)


def test_a_package_of_another_bench_is_worked_out_again_read_and_pooled(
    bench: Bench, client: Client, tmp_path
) -> None:
    own, _ = package_of(client, "Ours", Mesa=Turned(minutes=50), Twin=Turned())
    _, theirs = package_of(client, "Theirs", Mesa=Turned(minutes=54), Solo=Turned())
    there = bring(client, theirs, bench="The bench across the river")
    assert there["holds"]
    assert there["says"].endswith("All are as published.")
    assert (there["control"], there["machines"]) == ("Orrin", ["Mesa", "Solo", "Orrin"])
    time = next(f for f in there["figures"] if (f["machine"], f["quantity"]) == ("Mesa", "time"))
    assert (round(time["value"], 1), time["unit"]) == (0.9, "h")
    with pytest.raises(ApiError, match="is here already"):
        bring(client, theirs)
    with pytest.raises(ApiError, match="no zip"):
        bring(client, b"not a package")
    found = client.get("/api/packages")
    assert [p["bench"] for p in found["packages"]] == ["The bench across the river"]
    assert {r["study"] for r in found["own"]} == {"Ours", "Theirs"}
    pooled = client.send("POST", "/api/packages/pool", {"packages": [there["id"]], "revisions": [own]})
    assert pooled["control"] == "Orrin"
    row = next(r for r in pooled["rows"] if r["machine"] == "Mesa" and r["name"] == "Print time")
    assert [part["bench"] for part in row["of"]] == ["The bench across the river", "Ours"]
    assert row["value"] is not None
    assert {r["machine"] for r in pooled["rows"]} == {"Mesa"}
    with pytest.raises(ApiError, match="Two benches or more"):
        client.send("POST", "/api/packages/pool", {"packages": [there["id"]]})
    changed = unpacked(theirs)
    figures = [{**f, "value": 0.1} if f["quantity"] == "time" else f for f in changed.tables["figures"]]
    false = bring(client, packed(replace(changed, tables={**changed.tables, "figures": figures})))
    assert not false["holds"]
    assert false["differences"][0].startswith("Mesa, print time: value is published as 0.1 and comes out as")
    assert [p["id"] for p in client.send("DELETE", f"/api/packages/{false['id']}")["packages"]] == [there["id"]]
    assert bench.as_("rater").http.get("/api/packages").status_code == 403


def test_a_reader_with_nothing_but_the_package_comes_to_the_same(client: Client, tmp_path) -> None:
    """Another process, without a database, in another folder."""
    _, content = package_of(client, "Theirs", Mesa=Turned(minutes=54), Solo=Turned(off_mm=0.2))
    path = tmp_path / "package.zip"
    path.write_bytes(content)
    crevlo = [str(Path(sys.executable).with_name("crevlo")), "verify", str(path)]
    alone = {"PATH": os.environ["PATH"], "HOME": str(tmp_path)}
    said = subprocess.run(crevlo, cwd=tmp_path, env=alone, capture_output=True, text=True)
    assert (said.returncode, said.stderr) == (0, "")
    assert said.stdout.splitlines()[-1].endswith("All are as published.")
    package = unpacked(content)
    runs = [{**r, "hours": 9.0} if n == 0 else r for n, r in enumerate(package.tables["runs"])]
    path.write_bytes(packed(replace(package, tables={**package.tables, "runs": runs})))
    said = subprocess.run(crevlo, cwd=tmp_path, env=alone, capture_output=True, text=True)
    assert said.returncode == 1
    assert "print time" in said.stdout


def test_a_package_is_taken_from_the_command_line_by_who_may(bench: Bench, client: Client) -> None:
    _, content = package_of(client, "Theirs", Mesa=Turned(minutes=54), Solo=Turned())
    with pytest.raises(BadInput, match="no reviewer has the address"):
        command_line(bench.url, content, "rater@bench.example", "")
    title, says = command_line(bench.url, content, "Reviewer@bench.example", "The bench across the river")
    assert (title, says.endswith("All are as published.")) == ("Theirs", True)
    [found] = client.get("/api/packages")["packages"]
    assert (found["bench"], found["control"], found["holds"]) == ("The bench across the river", "Orrin", True)


def test_a_report_of_pieces_shows_them_side_by_side_once_they_are_revealed(client: Client) -> None:
    study = make(client, {"Mesa": Turned(), "Sparrow": Turned(minutes=90)})
    for line in client.get(f"/api/studies/{study}/inspect")["specimens"]:
        picture = io.BytesIO()
        Image.new("RGB", (900, 600), (40, 90, 70)).save(picture, "JPEG")
        client.send("PUT", f"/api/specimens/{line['id']}/photos", content=picture.getvalue(), id=new(), caption="")
    assert "data:image" not in got(client, f"/api/studies/{study}/draft.html").decode()
    revealed(client, study)
    kept = revision(publish(client, study), 1)
    html = got(client, f"/api/revisions/{kept['id']}/report.html").decode()
    assert html.count('<img src="data:image/jpeg') == 2
    assert len(docx.Document(io.BytesIO(got(client, f"/api/revisions/{kept['id']}/report.docx"))).inline_shapes) == 2
    package = unpacked(got(client, f"/api/revisions/{kept['id']}/package.zip"))
    assert [p for p in package.files if p.startswith("photos/")] == ["photos/01.jpg", "photos/02.jpg"]
    names = [c["name"] for c in client.get(f"/api/revisions/{kept['id']}/cards")["cards"]]
    assert (names[0], "pieces-1" in names) == ("verdict", True)
    zipped = got(client, f"/api/revisions/{kept['id']}/cards-tall.zip")
    with zipfile.ZipFile(io.BytesIO(zipped)) as archive:
        listed = archive.namelist()
        assert [n for n in listed if n.endswith(".svg")] == [f"{k:02d}-{name}.svg" for k, name in enumerate(names, 1)]
        for name in listed:
            if name.endswith(".png"):
                card = Image.open(io.BytesIO(archive.read(name)))
                assert card.size == (1080, 1920)
                # Without its ground its corners are clear.
                assert ("clear" in name) == (card.convert("RGBA").getpixel((1079, 1000))[3] == 0)
        assert "CHAPTERS" in archive.read("show-notes.txt").decode()


def test_a_study_without_a_machine_is_not_published(client: Client) -> None:
    study = new()
    client.send(
        "POST",
        "/api/studies",
        {"id": study, "title": "Nothing yet", "question": "Which?", "seed": 5, "currency": "EUR"},
    )
    assert client.get(f"/api/studies/{study}/publish")["missing"]
    with pytest.raises(ApiError, match="no machine"):
        publish(client, study)
    assert client.get(f"/api/studies/{study}/publish")["revisions"] == []
