"""Inspect at the screens: the looks, side by side by three keys, agreement, a fault of one's own; the plate look on a phone."""

import pytest
from playwright.sync_api import Page, expect

from crevlo.sim.client import Client
from tests.api.test_ballot import photo
from tests.e2e.conftest import Site
from tests.e2e.hands import Hands
from tests.small import new
from tests.states import EQUAL, make


@pytest.fixture
def client(site: Site) -> Client:
    return site.bench.as_("reviewer")


def test_duels_looks_and_agreement_by_keys(page: Page, site: Site, client: Client, check_axe) -> None:
    study = make(
        client, {"Mesa": EQUAL, "Sparrow": EQUAL, "Twin": EQUAL}, artifact="RA", measured=False, inspected=False
    )
    site.let_in(page, "rater")
    hands = Hands(page)
    site.open(page, study, "inspect")
    views = page.get_by_role("radiogroup", name="What is inspected")

    # The careful look comes first: what is wrong is ticked by its number.
    page.get_by_role("radiogroup", name="Which look").get_by_text("After cleaning").click()
    look = page.get_by_role("region", name="After cleaning")
    expect(look.get_by_role("button", name="Check by hand")).to_be_disabled()
    hands.press("2")
    expect(look.get_by_label("A stain larger than 1 mm")).to_be_checked()
    expect(look.get_by_role("button", name="Nothing wrong")).to_be_disabled()
    assert check_axe(page) == []
    look.get_by_role("button", name="Check by hand").click()
    expect(look).to_contain_text("To be checked by hand")
    look.get_by_role("button", name="look again").click()
    look.get_by_label("Why it is changed").fill("it wiped off")
    look.get_by_role("button", name="Nothing wrong").click()
    expect(look).to_contain_text("Fine")

    views.get_by_text("Side by side").click()
    left = page.get_by_role("region", name="Left hand")
    expect(left).to_be_visible()
    assert check_axe(page) == []
    hands.press("s")
    expect(page.get_by_role("radio", name="both")).to_be_checked()
    asked = page.get_by_role("region", name="Which would you rather hand over?")
    hands.press("l")
    expect(asked).to_contain_text("1 pair, 0 without a difference.")
    hands.press("n")
    expect(asked).to_contain_text("2 pairs, 1 without a difference.")
    hands.press("u")
    expect(asked).to_contain_text("1 pair, 0 without a difference.")
    # Without a network the press is kept, and the next pair comes once it is sent.
    page.context.set_offline(True)
    hands.press("r")
    expect(asked).to_contain_text("Kept; the next pair comes once it is sent.")
    hands.press("r")
    page.context.set_offline(False)
    expect(asked).to_contain_text("2 pairs, 0 without a difference.")
    hands.press("r")
    expect(page.get_by_text("You have compared every pair of this piece.")).to_be_visible()

    views.get_by_text("Agreement").click()
    expect(page.get_by_text("Lock scores of your own first")).to_be_visible()


def test_a_print_is_looked_at_on_the_plate_with_a_phone(page: Page, site: Site, client: Client) -> None:
    study = make(client, {"Mesa": EQUAL, "Sparrow": EQUAL}, measured=False, inspected=False)
    page.set_viewport_size({"width": 390, "height": 844})
    site.let_in(page, "reviewer")
    site.open(page, study, "print")
    plate = page.get_by_role("region", name="Look at the plate")
    plate.get_by_label("Layers shifted").check()
    plate.get_by_role("button", name="Reject").click()
    plate.get_by_label("Cause").select_option("machine")
    plate.get_by_role("button", name="Reject it for this cause").click()
    expect(plate).to_contain_text("Rejected")
    expect(plate).to_contain_text("Layers shifted")
    box = plate.bounding_box()
    assert box is not None
    assert box["x"] >= 0
    assert box["x"] + box["width"] <= 390


def test_a_fault_of_ones_own_is_scored_like_the_others(page: Page, site: Site, client: Client) -> None:
    study = make(client, {"Mesa": EQUAL, "Sparrow": EQUAL}, artifact="OP", measured=False, inspected=False)
    site.let_in(page, "reviewer")
    hands = Hands(page)
    site.open(page, study, "inspect")
    page.get_by_role("button", name="Look for another fault").click()
    page.get_by_label("Its name").fill("Smell")
    page.get_by_label("Where and how to look").fill("At a hand's width.")
    for n, words in enumerate(("None.", "Faint.", "Plain.", "Strong.", "Sharp.", "The room is left.")):
        page.get_by_label(("0, none of it", "1", "2", "3", "4", "5, unusable")[n], exact=True).fill(words)
    page.get_by_role("button", name="Look for it").click()
    scores = page.get_by_role("region", name="Scores")
    expect(scores.get_by_role("button", name="Smell")).to_be_visible()
    hands.press("0", "1", "3")
    expect(page.get_by_role("list", name="Severity of smell")).to_contain_text("Strong.")
    hands.press("l")
    expect(page.get_by_role("region", name="Queue")).to_contain_text("Locked by you, 1")


def test_an_audience_votes_on_a_phone_without_an_account(
    page: Page, site: Site, client: Client, browser, check_axe
) -> None:
    study = make(client, {"Mesa": EQUAL, "Sparrow": EQUAL}, measured=False)
    for n, line in enumerate(client.get(f"/api/studies/{study}/measure")["queue"]):
        client.send("PUT", f"/api/specimens/{line['id']}/photos", content=photo(60 * n, (500, 400)), id=new())
    site.let_in(page, "reviewer")
    site.open(page, study, "inspect")
    page.get_by_role("radio", name="Side by side").click()
    page.get_by_role("button", name="Ask an audience").click()
    sheet = page.get_by_role("dialog", name="Ballots for an audience")
    sheet.get_by_label("The question").fill("Which one would you put on your desk?")
    sheet.get_by_role("button", name="Open a ballot").click()
    expect(sheet).to_contain_text("No vote yet.")
    assert check_axe(page) == []
    address = sheet.get_by_role("link").get_attribute("href")
    phone = browser.new_page(viewport={"width": 390, "height": 780})
    phone.goto(str(address))
    expect(phone.get_by_role("heading", name="Which one would you put on your desk?")).to_be_visible()
    assert phone.evaluate("document.documentElement.scrollWidth") <= 390
    assert check_axe(phone) == []
    assert not any(name in phone.content() for name in ("Mesa", "Sparrow"))
    phone.keyboard.press("l")
    expect(phone.get_by_text("Thank you. You have compared every pair.")).to_be_visible()
    phone.reload()
    expect(phone.get_by_text("Thank you. You have compared every pair.")).to_be_visible()
    phone.close()
    page.reload()
    page.get_by_role("radio", name="Side by side").click()
    page.get_by_role("button", name="Ask an audience").click()
    expect(sheet).to_contain_text("1 vote from 1 browser")
    sheet.get_by_role("button", name="Close it now").click()
    expect(sheet).to_contain_text("closed")
