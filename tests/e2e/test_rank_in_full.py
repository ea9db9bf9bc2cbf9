"""Rank in the browser beyond the ranking: results, every buyer, judged by hand, final words, references, what to do next."""

import re
import uuid
from pathlib import Path

import pytest
from playwright.sync_api import Page, Route, expect

from tests.e2e.conftest import Site
from tests.small import new
from tests.states import LONG, Turned, make


def test_results_open_are_marked_lead_to_their_source_and_leave_as_files(
    site: Site, page: Page, check_axe, tmp_path: Path
) -> None:
    client = site.bench.as_("reviewer")
    study = make(
        client, {LONG: Turned(off_mm=0.3, minutes=95), "Sparrow": Turned(), "Twin": Turned()}, copies=2, own_arm=True
    )
    site.let_in(page, "reviewer")
    site.open(page, study, "print")
    # From anywhere by one key.
    page.keyboard.press("t")
    table = page.get_by_role("region", name="Results", exact=True)
    piece = table.get_by_role("button", name="Step block").first
    expect(piece).to_have_attribute("aria-expanded", "false")
    row = page.locator("tr", has=page.get_by_role("button", name="Step block")).first
    expect(row.get_by_role("img", name="better")).to_have_count(1)
    expect(row.get_by_role("img", name="not told apart from it")).to_have_count(1)
    piece.press("Enter")
    expect(piece).to_have_attribute("aria-expanded", "true")
    expect(table).to_contain_text("Pieces side by side need the reveal")
    time = table.get_by_role("button", name=re.compile(f"^Print time of {re.escape(LONG)}: 1.58, source")).first
    time.click()
    drawer = page.get_by_role("dialog")
    expect(drawer).to_contain_text(f"Print time, {LONG}")
    page.keyboard.press("Escape")
    assert check_axe(page) == []
    table.get_by_role("combobox", name="What the closed rows show").click()
    page.get_by_role("option", name="Energy").click()
    piece.press("Enter")
    expect(row).to_contain_text("Energy")
    table.get_by_role("radio", name="Arms").click()
    expect(table.get_by_role("columnheader", name="Sparrow, Own profiles")).to_be_visible()
    for kind in ("CSV", "XLSX", "SVG", "PNG"):
        with page.expect_download() as download:
            table.get_by_role("link" if kind in ("CSV", "XLSX") else "button", name=kind, exact=True).click()
        kept = tmp_path / kind
        download.value.save_as(kept)
        content = kept.read_bytes()
        start = {"CSV": b"group,", "XLSX": b"PK", "SVG": b"<svg", "PNG": b"\x89PNG"}[kind]
        assert content.startswith(start), kind
    assert b"Sparrow, Own profiles" in (tmp_path / "SVG").read_bytes()


def test_what_people_say_is_kept_and_counts_where_it_is_asked_to(site: Site, page: Page, check_axe) -> None:
    client = site.bench.as_("reviewer")
    study = make(client, {"Mesa": Turned(), "Sparrow": Turned(off_mm=0.3, severity=4)}, copies=2)
    site.let_in(page, "reviewer")
    site.open(page, study, "rank")
    page.get_by_role("radio", name="Judged by hand").click()
    rubrics = page.get_by_role("region", name="Ease of use, as judged")
    rubrics.get_by_role("button", name="Noise as heard of Mesa: not judged yet").click()
    form = rubrics.get_by_role("form", name="Noise as heard of Mesa")
    form.get_by_role("radio", name=re.compile("^4 heard when the room is quiet")).check()
    form.get_by_role("button", name="That is my score").click()
    expect(rubrics.get_by_role("button", name="Noise as heard of Mesa: 4.0, you gave 4")).to_have_text("4.0")
    form.get_by_role("radio", name=re.compile("^3 ")).check()
    form.get_by_label("Why it changes").fill("heard it again at night")
    form.get_by_role("button", name="Correct my score").click()
    expect(rubrics.get_by_role("button", name="Noise as heard of Mesa: 3.0, you gave 3")).to_be_visible()
    sheet = page.get_by_role("region", name="Points by the line")
    sheet.get_by_label("Another line").fill("Feet that grip")
    sheet.get_by_role("button", name="Add the line").click()
    sheet.get_by_role("button", name="Mesa wins Feet that grip").click()
    expect(sheet).to_contain_text("Mesa leads Sparrow by 10 points.")
    sheet.get_by_role("button", name="Sparrow wins Feet that grip").click()
    expect(sheet).to_contain_text("Mesa and Sparrow are level at 5 points.")
    assert check_axe(page) == []
    page.set_viewport_size({"width": 390, "height": 800})
    assert page.evaluate("document.documentElement.scrollWidth") <= 390
    page.set_viewport_size({"width": 1280, "height": 800})
    page.get_by_role("radio", name="Final words").click()
    page.get_by_role("navigation", name="Machines").get_by_role("button", name="Sparrow").click()
    fixes = page.get_by_role("region", name="Fixes asked of the maker")
    fixes.get_by_role("button", name=re.compile("^Say so: Dimensional accuracy: ")).click()
    words = page.get_by_label("What the maker should fix")
    expect(words).to_have_value(re.compile("^Dimensional accuracy: 0.300"))
    words.fill("Dimensional accuracy: walls stand proud; a flow test in the first-run guide would do.")
    page.get_by_role("button", name="Say it").click()
    expect(fixes).to_contain_text("a flow test in the first-run guide would do")
    expect(fixes.get_by_role("button", name=re.compile("^Say so: Dimensional accuracy: "))).to_have_count(0)
    assert check_axe(page) == []
    # It stands in what other people see, and survives a reload.
    page.reload()
    page.get_by_role("navigation", name="Machines").get_by_role("button", name="Sparrow").click()
    expect(fixes).to_contain_text("a flow test in the first-run guide would do")


def test_every_buyer_is_told_theirs_and_a_reference_is_held_against(site: Site, page: Page, check_axe) -> None:
    client = site.bench.as_("reviewer")
    spring = make(client, {"Old Mesa": Turned(off_mm=0.25, minutes=100), "Other": Turned()}, copies=2, title="Spring")
    study = make(
        client, {"Mesa": Turned(off_mm=0.02, severity=0), "Sparrow": Turned(price=250)}, copies=2, title="Autumn"
    )
    client.send("POST", f"/api/studies/{study}/buyers", {"id": new(), "name": "A school"})
    site.let_in(page, "reviewer")
    site.open(page, study, "rank")
    page.get_by_role("button", name="References").click()
    dialog = page.get_by_role("dialog")
    dialog.get_by_label("Called").fill("The one we have")
    dialog.get_by_role("group", name="Spring").get_by_label("Old Mesa").check()
    dialog.get_by_role("button", name="Hold against it").click()
    expect(dialog).to_contain_text("Old Mesa in “Spring”, the last print ")
    page.keyboard.press("Escape")
    held = page.get_by_role("region", name="What they are held against")
    expect(held).to_contain_text(re.compile(r"The one we have [\d.]+ points .*Mesa would replace it"))
    page.get_by_role("radio", name="Two alone").click()
    two = page.get_by_role("region", name="Two machines alone")
    two.get_by_role("combobox", name="The other").click()
    page.get_by_role("option", name="The one we have (reference)").click()
    expect(two).to_contain_text(re.compile(r"Of \d+ figures known of both"))
    page.get_by_role("radio", name="Every buyer").click()
    picks = page.get_by_role("region", name="What every buyer is told")
    school = picks.get_by_role("listitem").filter(has_text="A school")
    school.get_by_role("button", name="prints a month, budget").click()
    wishes = school.get_by_role("form", name="What A school prints and spends")
    wishes.get_by_label("Prints a month").fill("80")
    wishes.get_by_label("Budget").fill("300")
    wishes.get_by_label("A step up, at most").fill("200")
    wishes.get_by_role("button", name="Keep it").click()
    expect(school).to_contain_text("Up to 300 EUR: Sparrow")
    expect(school).to_contain_text("For 100 EUR above it: Mesa")
    expect(school).to_contain_text("reliability weighs 2.00 times what is set")
    triangle = page.get_by_role("region", name="Which weights give which winner")
    expect(triangle.get_by_role("img")).to_be_visible()
    assert check_axe(page) == []
    assert spring


def test_what_to_do_next_goes_into_the_plan_at_one_press(site: Site, page: Page) -> None:
    client = site.bench.as_("reviewer")
    study = make(client, {"Mesa": Turned(off_mm=0.05), "Sparrow": Turned(off_mm=0.055)}, copies=2)
    before = len(client.get(f"/api/studies/{study}/print")["jobs"])
    site.let_in(page, "reviewer")
    site.open(page, study, "rank")
    todo = page.get_by_role("region", name="What to do next")
    expect(todo).to_contain_text(re.compile(r"is first in \d+ % of the draws"))
    todo.get_by_role("button", name=re.compile("^Plan it: One more Step block")).first.click()
    expect(todo.get_by_role("button", name=re.compile("^Planned: ")).first).to_have_text("Planned")
    jobs = client.get(f"/api/studies/{study}/print")["jobs"]
    assert len(jobs) == before + 1
    assert client.get(f"/api/studies/{study}/plan")["deviations"][-1]["reason"] == "It would tell who is first"


def test_two_units_of_a_model_are_planned_and_one_takes_anothers_place(site: Site, page: Page, check_axe) -> None:
    client = site.bench.as_("reviewer")
    study = make(client, {"Mesa": Turned(), "Sparrow": Turned()}, printed=False)
    site.let_in(page, "reviewer")
    site.open(page, study, "receive")
    page.get_by_role("button", name=re.compile("^Sparrow")).click()
    page.get_by_role("button", name="Changes").click()
    page.get_by_role("button", name="Another unit takes its place").click()
    page.get_by_label("Why it is replaced").fill("bent on the way")
    assert check_axe(page) == []
    page.get_by_role("button", name="Replace it").click()
    expect(page.get_by_text("Replaced by Sparrow no. 2: bent on the way.")).to_be_visible()
    page.get_by_role("button", name=re.compile("^Sparrow no. 2")).click()
    page.get_by_role("button", name="Box").click()
    page.get_by_label("Called, beside its model").fill("from the fair")
    page.get_by_role("button", name="Save the intake").click()
    expect(page.get_by_role("button", name=re.compile("^Sparrow from the fair"))).to_be_visible()


def test_a_value_function_is_drawn_and_moved_by_keys_and_the_scheme_goes_out_as_a_file(
    site: Site, page: Page, check_axe, tmp_path: Path
) -> None:
    client = site.bench.as_("reviewer")
    study = make(client, {"Mesa": Turned(), "Sparrow": Turned(off_mm=0.2)}, copies=2)
    site.let_in(page, "reviewer")
    site.open(page, study, "rank")
    page.get_by_role("button", name="Criteria, scheme v1").click()
    dialog = page.get_by_role("dialog")
    dialog.get_by_role("button", name="draw the value of Dimensional accuracy").click()
    dialog.get_by_role("combobox", name="Shape").click()
    page.get_by_role("option", name="in pieces").click()
    dialog.get_by_role("button", name="Add a point").click()
    middle = dialog.get_by_role("slider", name="Point 2 of 3")
    expect(middle).to_have_attribute("aria-valuenow", "50")
    for _ in range(3):
        middle.press("Shift+ArrowUp")
    expect(middle).to_have_attribute("aria-valuenow", "65")
    assert check_axe(page) == []
    dialog.get_by_role("button", name="Keep as scheme v2").click()
    expect(page.get_by_role("button", name="Criteria, scheme v2")).to_be_visible()
    kept = next(c for c in client.get(f"/api/studies/{study}/scheme")["criteria"] if c["code"] == "off.mean")
    assert (kept["shape"], [p["value"] for p in kept["points"]]) == ("piecewise", [100, 65, 0])
    page.get_by_role("button", name="Criteria, scheme v2").click()
    dialog.get_by_text("Earlier versions, and the scheme as a file").click()
    expect(dialog).to_contain_text("Dimensional accuracy: piecewise, 100 at 0.02 mm, 65 at ")
    with page.expect_download() as download:
        dialog.get_by_role("link", name="Save the scheme and its buyers as a file").click()
    download.value.save_as(tmp_path / "scheme.json")
    other = make(client, {"Twin": Turned(), "Forge": Turned()}, copies=2, title="Other")
    site.open(page, other, "rank")
    page.get_by_role("button", name="Criteria, scheme v1").click()
    dialog.get_by_text("Earlier versions, and the scheme as a file").click()
    dialog.get_by_label("Take over such a file").set_input_files(tmp_path / "scheme.json")
    expect(dialog.get_by_text("Scheme v2 counts 8 criteria.")).to_be_visible()
    (tmp_path / "other.json").write_text("not one")
    dialog.get_by_label("Take over such a file").set_input_files(tmp_path / "other.json")
    expect(dialog.get_by_text("This is no such file: it is not JSON.")).to_be_visible()


def test_criteria_in_a_group_are_weighed_as_one_and_traded_within(site: Site, page: Page, check_axe) -> None:
    client = site.bench.as_("reviewer")
    study = make(client, {"Mesa": Turned(), "Sparrow": Turned(off_mm=0.2, minutes=30)})
    site.let_in(page, "reviewer")
    site.open(page, study, "rank")
    page.get_by_role("button", name="Criteria, scheme v1").click()
    dialog = page.get_by_role("dialog")
    for name in ("Energy", "Cost per good part"):
        dialog.get_by_label(f"Group of {name}").fill("Running it")
    whole = dialog.get_by_label("Weight of the group Running it")
    expect(whole).to_have_value("25")
    whole.fill("40")
    whole.press("Enter")
    expect(dialog.get_by_label("Weight of Energy in the scheme")).to_have_value("20")
    assert check_axe(page) == []
    dialog.get_by_role("button", name="Keep as scheme v2").click()

    def weight(name: str) -> int:
        return int(page.get_by_role("slider", name=name, exact=True).get_attribute("aria-valuenow") or -1)

    group, energy, cost, noise = (
        f"Weight of {n}" for n in ("the group Running it", "Energy", "Cost per good part", "Noise at 1 m")
    )
    expect(page.get_by_role("slider", name=group)).to_be_visible()
    together, before = weight(group), weight(noise)
    assert together == pytest.approx(weight(energy) + weight(cost), abs=1)
    for _ in range(5):
        page.get_by_role("slider", name=energy, exact=True).press("ArrowRight")
    assert (weight(group), weight(noise)) == (together, before)
    assert weight(energy) - weight(cost) == pytest.approx(10, abs=1)
    page.get_by_role("slider", name=group).press("Home")
    assert (weight(group), weight(energy), weight(cost)) == (0, 0, 0)
    assert weight(noise) > before
    assert check_axe(page) == []
    # Raised from nothing it is shared out as it was.
    for _ in range(together):
        page.get_by_role("slider", name=group).press("ArrowRight")
    assert weight(energy) - weight(cost) == pytest.approx(10, abs=2)
    page.keyboard.press("0")
    expect(page.get_by_role("slider", name=group)).to_have_attribute("aria-valuenow", str(together))


def test_a_long_table_of_results_draws_what_is_near_and_all_of_it_on_paper(site: Site, page: Page) -> None:
    client = site.bench.as_("reviewer")
    study = make(client, {"Mesa": Turned(), LONG: Turned(off_mm=0.2)})

    def longer(route: Route) -> None:
        """The same table with its piece three hundred times."""
        answer = route.fetch()
        view = answer.json()
        [piece] = view["groups"][0]["pieces"]
        view["groups"][0]["pieces"] = [
            piece | {"artifact": f"Piece {n}", "arm_id": str(uuid.UUID(int=n))} for n in range(300)
        ]
        route.fulfill(response=answer, json=view)

    page.route(re.compile(rf"/api/studies/{study}/results\?"), longer)
    site.let_in(page, "reviewer")
    site.open(page, study, "rank")
    page.keyboard.press("t")
    cells = page.locator("table.results td.text-right")
    expect(page.get_by_role("button", name="Piece 0", exact=True)).to_be_visible()
    assert 0 < cells.count() < 200
    # Every name is there to be searched for; its figures come with the view.
    last = page.get_by_role("button", name="Piece 299")
    last.scroll_into_view_if_needed()
    row = page.locator("tbody", has=last)
    expect(row.locator("td.text-right").first).to_be_visible()
    assert cells.count() < 200
    page.evaluate("window.dispatchEvent(new Event('beforeprint'))")
    assert cells.count() >= 600
