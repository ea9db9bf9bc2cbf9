"""At the bench: the server goes away, the page is reloaded, two people look at the same print."""

import re
import time

import psycopg
from playwright.sync_api import Browser, Page, expect

from tests.conftest import Bench, Played
from tests.e2e.conftest import Site

# How the whole bench names the print that the demo leaves under way.
LIVE = re.compile(r"Orrin Standard\s*Step block")


def half_measured(bench: Bench, study: str) -> str:
    """Address of the specimen that the demo leaves half measured, whatever its code and place in the queue."""
    queue = bench.as_("rater").get(f"/api/studies/{study}/measure")["queue"]
    return "measure#" + next(q["blind_code"] for q in queue if 0 < q["done"] < q["due"])


def _readings(bench: Bench) -> int:
    with psycopg.connect(bench.url.replace("+psycopg", "")) as connection:
        return connection.execute("select count(*) from reading").fetchone()[0]


def test_readings_made_while_the_server_is_away_are_kept_and_sent_once(
    demo_bench: Bench, played: Played, page: Page
) -> None:
    with Site(demo_bench) as site:
        site.let_in(page, "rater")
        site.open(page, played.study, half_measured(demo_bench, played.study))
        label = page.locator("label[for=reading]")
        expect(label).to_contain_text("Y2 · reading 1 of 3")
        port = site.port
    before = _readings(demo_bench)
    for value in ("30.05", "30.06", "30.04", "17.03"):
        page.keyboard.type(value)
        page.keyboard.press("Enter")
    expect(page.get_by_role("status")).to_have_text("4 not sent yet")
    expect(label).to_contain_text("Y3 · reading 2 of 3")
    assert _readings(demo_bench) == before
    with Site(demo_bench, port) as site:
        # A reload, as after a flat battery: what was typed is still on the device.
        page.reload()
        expect(page.get_by_role("button", name=re.compile("30.06, correct Y2 reading 2"))).to_be_visible()
        expect(page.get_by_text("not sent yet")).to_have_count(0)
        expect(label).to_contain_text("Y3 · reading 2 of 3")
        assert _readings(demo_bench) == before + 4
        page.reload()
        expect(label).to_contain_text("Y3 · reading 2 of 3")
        assert _readings(demo_bench) == before + 4


def test_a_wrong_reading_is_asked_for_again_and_a_corrected_one_keeps_the_old(
    demo_site: Site, played: Played, page: Page
) -> None:
    demo_site.let_in(page, "reviewer")
    demo_site.open(page, played.study, half_measured(demo_site.bench, played.study))
    page.keyboard.type("300.5")
    page.keyboard.press("Enter")
    page.get_by_text("Y2: 300.50 mm is 270.50 mm off").wait_for()
    page.keyboard.press("Escape")
    expect(page.locator("label[for=reading]")).to_contain_text("Y2 · reading 1 of 3")
    # One that really is so is kept by a second Enter and a note.
    page.keyboard.press("ControlOrMeta+a")
    page.keyboard.type("33.01")
    page.keyboard.press("Enter")
    page.get_by_label(re.compile("^Measure again, or note")).fill("a clip was printed into it")
    page.keyboard.press("Enter")
    expect(page.get_by_role("button", name="33.01, correct Y2 reading 1")).to_be_visible()
    expect(page.locator("label[for=reading]")).to_contain_text("Y2 · reading 2 of 3")
    page.get_by_role("button", name=re.compile("correct X1 reading 1")).click()
    page.keyboard.press("ControlOrMeta+a")
    page.keyboard.type("40.14")
    page.keyboard.press("Enter")
    page.get_by_label(re.compile("^Reason")).fill("jaws tilted")
    page.keyboard.press("Enter")
    page.get_by_role("button", name=re.compile("40.14c, correct X1")).wait_for()
    page.get_by_role("button", name=re.compile("X1 off nominal")).focus()
    page.keyboard.press(".")
    drawer = page.get_by_role("dialog")
    expect(drawer).to_contain_text("correction: jaws tilted")
    expect(drawer.locator("li.line-through")).to_have_count(1)


def _seconds(page: Page) -> int:
    hours, minutes, seconds = page.get_by_role("timer").inner_text().split(":")
    return 3600 * int(hours) + 60 * int(minutes) + int(seconds)


def test_the_timer_survives_a_reload_and_is_the_same_on_two_screens(
    demo_site: Site, played: Played, page: Page, browser: Browser
) -> None:
    demo_site.let_in(page, "reviewer")
    demo_site.open(page, played.study, "print")
    page.get_by_role("button", name=LIVE).click()
    started = _seconds(page)
    assert started > 20 * 60
    # The other screen's clock is seven minutes fast; the server's counts.
    other = browser.new_page()
    other.clock.install()
    other.clock.fast_forward(7 * 60_000)
    demo_site.let_in(other, "owner")
    demo_site.open(other, played.study, "print")
    other.get_by_role("button", name=LIVE).click()
    assert abs(_seconds(other) - _seconds(page)) <= 3
    # The address says which print is shown.
    page.reload()
    page.get_by_role("timer").wait_for()
    assert started <= _seconds(page) < started + 60
    page.keyboard.press("Space")
    page.get_by_label("Failed").check(force=True)
    page.locator("select[name=cause]").select_option("power")
    page.get_by_label("How it was seen").fill("Fuse tripped.")
    page.get_by_role("button", name="Record the outcome").click()
    page.get_by_text("failed, power cut").wait_for()
    expect(page.get_by_text("What changed since the last attempt")).to_be_visible()
    other.clock.run_for(6000)
    expect(other.get_by_text("failed, power cut")).to_be_visible(timeout=15_000)
    other.close()


def test_of_two_editors_the_later_chooses(demo_site: Site, played: Played, page: Page, browser: Browser) -> None:
    other = browser.new_page()
    for who, screen in (("reviewer", page), ("owner", other)):
        demo_site.let_in(screen, who)
        demo_site.open(screen, played.study, "cost")
    for screen, wage in ((page, "24"), (other, "30")):
        screen.get_by_label(re.compile("^Wage")).fill(wage)
        screen.get_by_role("button", name="Recompute with these").click()
    choice = other.get_by_role("alert")
    choice.wait_for()
    expect(choice.get_by_role("row", name=re.compile("Wage"))).to_contain_text("24")
    expect(choice.get_by_role("row", name=re.compile("Wage"))).to_contain_text("30")
    # The choice goes as soon as it is made; what was chosen is kept once the server has answered.
    choice.get_by_role("button", name="Keep mine").click()
    expect(choice).to_have_count(0)
    reviewer = demo_site.bench.as_("reviewer")
    deadline = time.monotonic() + 30
    while reviewer.get(f"/api/studies/{played.study}/cost")["basis"]["wage_per_h"] != 30:
        assert time.monotonic() < deadline
        time.sleep(0.2)
    page.reload()
    expect(page.get_by_label(re.compile("^Wage"))).to_have_value("30")
    other.close()
