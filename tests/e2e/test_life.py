"""After the study, by hand: a unit's life, its prices, a verdict that no longer holds, what is due."""

import re
from collections.abc import Callable

from playwright.sync_api import Page, expect

from tests.e2e.conftest import Site
from tests.e2e.test_publish import published
from tests.states import Turned, make


def test_a_price_that_rises_turns_a_verdict_and_a_retest_is_planned(
    page: Page, site: Site, check_axe: Callable
) -> None:
    client = site.bench.as_("reviewer")
    best = Turned(minutes=45, off_mm=0.02, severity=0, noise_db=42, watt_hours=60)
    study = make(client, {"Kettle": best, "Urn": Turned(minutes=100, off_mm=0.15, severity=3)}, copies=2,
                 buyer=[{"kind": "price", "limit": 450}])  # fmt: skip
    site.let_in(page, "reviewer")
    site.open(page, study, "publish")
    published(page, 1)
    held = page.get_by_role("region", name="Does it still hold?")
    expect(held).to_contain_text("Revision 1 still holds")
    site.open(page, study, "receive")
    page.get_by_role("link", name="Whole life of this machine").click()
    prices = page.get_by_role("region", name="What it costs, by day")
    expect(prices).to_contain_text("No price was read yet.")
    today = page.evaluate("new Date().toISOString().slice(0, 10)")
    prices.get_by_role("textbox", name="Price", exact=True).fill("620,50")
    prices.get_by_label("Read on").fill(today)
    prices.get_by_label("Where it was read").first.fill("a shop by post")
    prices.get_by_role("button", name="Add the price").click()
    expect(prices).to_contain_text("620.50 EUR")
    prices.locator("summary").click()
    prices.get_by_label(re.compile("^Many at once")).fill("2026-10-01;499\n2026-13-01;480")
    prices.get_by_label("Where it was read").last.fill("a list")
    prices.get_by_role("button", name="Take all lines").click()
    expect(prices).to_contain_text("Line 2: “2026-13-01;480” is no day with a price")
    expect(prices.get_by_label(re.compile("^Many at once"))).to_have_value("2026-10-01;499\n2026-13-01;480")
    assert check_axe(page) == []
    site.open(page, study, "publish")
    expect(held).to_contain_text("Revision 1 no longer holds for")
    expect(held).to_contain_text("the price of Kettle rose from 400 to 620 EUR (a shop by post")
    assert check_axe(page) == []
    held.get_by_role("button", name="Test it again").click()
    held.get_by_label("Title of the re-test").fill("Kettle and Urn, half a year on")
    held.get_by_role("button", name="Make its plan").click()
    page.wait_for_url(re.compile("/plan"))
    expect(page.locator("header").first).to_contain_text("Kettle and Urn, half a year on")
    page.goto(site.url)
    expect(page.get_by_role("region", name="Due")).to_be_visible()
    assert page.evaluate("document.documentElement.scrollWidth <= innerWidth")
    assert check_axe(page) == []
