"""What stands beside the line: people, library, finding things, keys, and what the API says of itself."""

import re
from collections.abc import Callable

from playwright.sync_api import Browser, Page, expect

from crevlo.store.database import connect
from tests.api.test_spools import spool
from tests.conftest import PASSWORD, Played
from tests.e2e.conftest import Site


def test_the_first_visit_makes_the_owner_who_adds_a_rater(site: Site, page: Page, browser: Browser, as_owner) -> None:
    with connect(as_owner(site.bench.url)).begin() as connection:
        connection.exec_driver_sql("set session_replication_role = replica")
        connection.exec_driver_sql("delete from person")
    page.goto(site.url)
    page.get_by_role("heading", name="Make the owner account").wait_for()
    page.get_by_label("Address").fill("me@bench.example")
    page.get_by_label("Password").fill(PASSWORD)
    page.get_by_role("button", name="Make account").click()
    page.get_by_text("No study yet").wait_for()
    page.get_by_role("link", name="People").click()
    form = page.locator("form")
    form.get_by_label("Name or role").fill("Second rater")
    form.get_by_label("Address").fill("second@bench.example")
    form.get_by_label("First password").fill(PASSWORD)
    form.locator("select[name=role]").select_option("rater")
    form.get_by_role("button", name=re.compile("^Add")).click()
    page.get_by_text("second@bench.example").wait_for()
    other = browser.new_page()
    other.goto(site.url)
    other.get_by_label("Address").fill("second@bench.example")
    other.get_by_label("Password").fill(PASSWORD)
    other.get_by_role("button", name="Sign in").click()
    other.get_by_text("No study yet").wait_for()
    expect(other.get_by_role("link", name="Machines")).to_have_count(0)
    other.close()


def test_machines_spools_and_instruments_are_added_by_key_and_form(site: Site, page: Page) -> None:
    site.sign_in(page, "reviewer")
    page.keyboard.press("g")
    page.keyboard.press("m")
    page.wait_for_url(re.compile("/library/machines"))
    page.get_by_role("button", name=re.compile("^Add")).click()
    form = page.locator("form")
    form.get_by_label(re.compile("^Name|^Model")).fill("Corvane Twin")
    for label, value in (("Bed X", "250"), ("Bed Y", "210"), ("Height", "210")):
        form.get_by_label(re.compile(label)).fill(value)
    form.get_by_role("button", name=re.compile("^(Add|Keep)")).click()
    expect(page.get_by_role("row", name=re.compile("Corvane Twin"))).to_contain_text("250 × 210")
    page.keyboard.press("g")
    page.keyboard.press("i")
    page.wait_for_url(re.compile("/library/instruments"))
    _calibrate_again(page)
    page.keyboard.press("/")
    page.get_by_role("dialog").get_by_role("textbox").fill("spool")
    page.keyboard.press("Enter")
    page.wait_for_url(re.compile("/library/spools"))


def _calibrate_again(page: Page) -> None:
    """With a later day Enter says that it was calibrated again; without one it corrects what was entered."""
    page.get_by_role("button", name="Add", exact=False).first.click()
    form = page.locator("form").first
    form.get_by_label("Code").fill("C-9")
    form.get_by_label("Calibrated on").fill("2026-03-01")
    form.get_by_role("button", name=re.compile("^Add")).click()
    for changes in ({"Calibrated on": "2026-09-01", "Calibration u": "0.009"}, {"Certificate": "K-118"}):
        page.get_by_role("button", name="C-9").click()
        sheet = page.get_by_role("region", name="Caliper C-9")
        for label, value in changes.items():
            sheet.get_by_label(re.compile(f"^{label}")).fill(value)
        sheet.get_by_label("Certificate").press("Enter")
        expect(sheet).to_have_count(0)
    page.get_by_role("button", name="C-9").click()
    expect(sheet).to_contain_text("Of 2026-03-01, for what it read before 2026-09-01: u 0.015 mm")
    sheet.get_by_role("button", name=re.compile("take it back")).click()
    expect(sheet.get_by_label("Calibrated on")).to_have_value("2026-03-01")
    expect(sheet).not_to_contain_text("for what it read before")


def test_a_spool_is_put_right_and_its_log_corrected_and_taken_back(
    site: Site, page: Page, check_axe: Callable[[Page], list[str]]
) -> None:
    client = site.bench.as_("reviewer")
    spool(client, "R-7")
    site.sign_in(page, "reviewer")
    page.keyboard.press("g")
    page.keyboard.press("s")
    page.get_by_role("button", name="R-7").click()
    sheet = page.get_by_role("region", name="Spool R-7")
    expect(sheet).to_contain_text("What is left: not determined; needs a weighing.")
    sheet.get_by_role("button", name="Change what is known of it").click()
    for label, value in (("Density", "1.27"), ("Lot", "L-118"), ("Empty spool, g", "210")):
        sheet.get_by_label(re.compile(f"^{label}")).fill(value)
    sheet.get_by_label("Lot").press("Enter")
    expect(sheet.get_by_label("Lot")).to_have_count(0)
    # Pressed twice it is kept once.
    sheet.get_by_label("Value, g").fill("9800")
    sheet.get_by_role("button", name="Keep").dblclick()
    expect(sheet).to_contain_text("9590 g left.")
    expect(sheet.get_by_role("listitem")).to_have_count(1)
    sheet.get_by_role("button", name="Correct").click()
    correction = sheet.get_by_role("form", name="Correct this entry")
    assert check_axe(page) == []
    correction.get_by_label("Value, g").fill("980")
    correction.get_by_label("Why").fill("a nought too many")
    correction.get_by_label("Why").press("Enter")
    expect(sheet).to_contain_text("770 g left.")
    expect(sheet.get_by_role("listitem")).to_contain_text("Corrected: a nought too many")
    sheet.get_by_role("button", name="Correct").click()
    correction.get_by_label("Why").fill("that was R-8")
    correction.get_by_role("button", name="There was none").click()
    expect(sheet).to_contain_text("needs a weighing")
    expect(sheet.get_by_role("listitem")).to_have_count(0)
    known = client.get(f"/api/spools/{client.get('/api/library')['spools'][0]['id']}")["spool"]
    assert (known["density_g_cm3"], known["lot"], known["empty_g"]) == (1.27, "L-118", 210)


def test_the_finder_and_the_key_list(shared_site: Site, played: Played, page: Page) -> None:
    shared_site.let_in(page, "reviewer")
    shared_site.open(page, played.study, "rank")
    page.keyboard.press("/")
    page.get_by_role("dialog").get_by_role("textbox").fill("meas")
    page.keyboard.press("Enter")
    page.wait_for_url(re.compile("/measure"))
    page.locator("label[for=reading]").wait_for()
    page.keyboard.press("Escape")
    page.keyboard.press("?")
    keys = page.get_by_role("dialog")
    for does in (
        "back one reading",
        "this face can't be measured",
        "zero check of the instrument",
        "source of the focused figure",
    ):
        expect(keys).to_contain_text(does)


def test_a_must_have_is_changed_in_place_and_the_ranking_follows(demo_site: Site, played: Played, page: Page) -> None:
    demo_site.let_in(page, "reviewer")
    demo_site.open(page, played.study, "rank")
    ranking = page.get_by_role("region", name="Ranking")
    expect(ranking).to_contain_text("Nettlewick Solo is left out: noise at 1 m 63 dB, limit 58")
    page.get_by_role("button", name="Change: Up to 58 dB at 1 m, printing").click()
    page.get_by_label("limit, dB").fill("70")
    page.keyboard.press("Enter")
    expect(ranking.get_by_role("listitem").filter(has_text="Nettlewick Solo")).to_have_count(1)
    expect(ranking).not_to_contain_text("is left out")
    expect(page.get_by_role("button", name="Change: Up to 70 dB at 1 m, printing")).to_be_visible()


def test_the_api_describes_every_call_on_its_own_page(shared_site: Site, played: Played, page: Page) -> None:
    shared_site.let_in(page, "reader")
    page.goto(f"{shared_site.url}/api-docs")
    page.get_by_text("/api/studies/{study_id}/rank", exact=False).first.wait_for()
    shown = page.locator("main").inner_text()
    paths = list(shared_site.bench.app.api_doc["paths"])
    assert len(paths) > 40
    assert [p for p in paths if p not in shown] == []


def test_signing_out_closes_the_page(shared_site: Site, played: Played, page: Page) -> None:
    shared_site.sign_in(page, "owner")
    page.get_by_role("button", name=re.compile("^Sign out")).click()
    page.get_by_role("heading", name="Sign in").wait_for()
    page.goto(f"{shared_site.url}/study/{played.study}/rank")
    page.get_by_role("heading", name="Sign in").wait_for()
    assert page.get_by_text("Hollowell").count() == 0


def test_the_shelf_shows_each_artifact_with_its_sizes(shared_site: Site, page: Page, check_axe) -> None:
    shared_site.sign_in(page, "reviewer")
    page.keyboard.press("g")
    page.keyboard.press("a")
    page.get_by_role("heading", name="Shelf, 17").wait_for()
    page.get_by_role("button", name="Warp bar").click()
    detail = page.get_by_role("region", name="Warp bar")
    expect(detail).to_contain_text("150 × 12 × 12 mm")
    detail.get_by_label("Length, mm").fill("240")
    expect(detail).to_contain_text("240 × 12 × 12 mm")
    detail.get_by_role("table").get_by_role("button", name="X", exact=True).focus()
    expect(detail.get_by_role("img", name="Warp bar, X marked")).to_contain_text("X · 240.00 mm")
    detail.get_by_label("Length, mm").fill("900")
    expect(detail.get_by_role("alert")).to_contain_text("Length runs from 80 to 250 mm")
    detail.get_by_label("Length, mm").fill("240")
    with page.expect_download() as got:
        detail.get_by_role("link", name="STL").click()
    assert got.value.suggested_filename == "WB-1.stl"
    detail.get_by_role("radio", name="Plate", exact=True).click()
    detail.get_by_role("combobox").first.select_option("Nettlewick Solo")
    expect(detail).to_contain_text("Not one fits.")
    detail.get_by_role("combobox").first.select_option("Hollowell Mesa")
    detail.get_by_role("spinbutton", name="Copies").fill("6")
    expect(detail).to_contain_text("The 6 wanted fit")
    expect(detail.get_by_role("img", name="6 copies on a bed of 256 by 256 mm")).to_be_visible()
    assert check_axe(page) == []
