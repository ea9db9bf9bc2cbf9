"""Two machines alone in the browser."""

import re

from playwright.sync_api import Page, expect

from tests.e2e.conftest import Site
from tests.states import LONG, Turned, make


def test_any_two_machines_are_set_against_each_other(site: Site, page: Page, check_axe) -> None:
    client = site.bench.as_("reviewer")
    study = make(client, {LONG: Turned(off_mm=0.3), "Sparrow": Turned(), "Twin": Turned()}, copies=2)
    site.let_in(page, "reviewer")
    site.open(page, study, "rank")
    page.get_by_role("radio", name="Two alone").click()
    two = page.get_by_role("region", name="Two machines alone")
    two.get_by_role("combobox", name="The one").click()
    page.get_by_role("option", name=LONG).click()
    other = two.get_by_role("combobox", name="The other")
    other.click()
    # Nobody is set against themselves.
    expect(page.get_by_role("option", name=LONG)).to_have_count(0)
    page.get_by_role("option", name="Sparrow").click()
    expect(two).to_contain_text(re.compile(r"Of \d+ figures known of both: .*Sparrow is ahead in \d+"))
    row = two.get_by_role("row", name=re.compile("^(Mean absolute|Dimensional|Mean off)"))
    expect(row.first).to_contain_text("Sparrow ahead")
    everything = two.get_by_role("row").count()
    two.get_by_label("Only what tells them apart").check()
    expect(two.get_by_text("not told apart")).to_have_count(0)
    assert two.get_by_role("row").count() < everything
    assert check_axe(page) == []
    page.get_by_role("radio", name="Other ways to count").click()
    ways = page.get_by_role("region", name="Other ways to count")
    expect(ways.get_by_role("columnheader", name="Category wins")).to_be_visible()
    cheapest = ways.get_by_role("listitem").filter(has_text="Cheapest that is good enough")
    ways.get_by_label("Good enough, points").fill("100")
    expect(cheapest).to_contain_text("needs two machines with a price and 100 points")
    ways.get_by_label("Good enough, points").fill("0")
    expect(cheapest).to_contain_text("0 points or more, then the price")
    expect(ways.get_by_role("row", name=re.compile("^Sparrow"))).to_contain_text("400 EUR")
    assert check_axe(page) == []
    page.set_viewport_size({"width": 390, "height": 800})
    assert page.evaluate("document.documentElement.scrollWidth") <= 390
    page.get_by_role("radio", name="Ranking", exact=True).click()
    expect(ways).to_have_count(0)
