"""What artifacts tell, at the screens: a frame and a sheet measured, a comb judged, a criterion chosen, money turned."""

import pytest
from playwright.sync_api import Page, expect

from crevlo.sim.client import Client
from tests.e2e.conftest import Site
from tests.e2e.hands import Hands
from tests.small import new
from tests.states import EQUAL, Turned, make


@pytest.fixture
def client(site: Site) -> Client:
    return site.bench.as_("reviewer")


@pytest.fixture
def hands(page: Page, site: Site) -> Hands:
    site.let_in(page, "reviewer")
    return Hands(page)


def measure(page: Page, hands: Hands, sizes: dict[str, str]) -> None:
    """Types every face of the specimen in hand, with a comma as some people do."""
    for code, size in sizes.items():
        expect(page.locator("label[for=reading]")).to_have_text(code)
        hands.type(size)
        hands.press("Enter")
    expect(page.locator("#reading")).to_be_disabled()


def test_a_frame_tells_its_skew_and_becomes_a_criterion(
    page: Page, site: Site, client: Client, hands: Hands, check_axe
) -> None:
    study = make(client, {"Mesa": EQUAL, "Sparrow": EQUAL}, artifact="SF", measured=False, inspected=False)
    site.open(page, study, "measure")
    says = page.get_by_role("region", name="What the readings say so far")
    measure(
        page, hands, {"X1": "100,02", "X2": "100,02", "Y1": "99,98", "Y2": "99,98", "D1": "133,20", "D2": "132,68"}
    )
    expect(says).to_contain_text("Out of square by")
    expect(says).to_contain_text("the back leans to the right")
    expect(says.get_by_role("img", name="The frame from above")).to_be_visible()
    says.get_by_role("button", name="Out of square by").click()
    drawer = page.get_by_role("dialog")
    expect(drawer).to_contain_text("D1, D2")
    expect(drawer).to_contain_text("gantry not square")
    assert check_axe(page) == []
    hands.press("Escape")

    site.open(page, study, "rank")
    page.get_by_role("button", name="Criteria, scheme v1").click()
    sheet = page.get_by_role("dialog")
    expect(sheet.get_by_label("Bed tilt along X")).to_have_count(0)
    sheet.get_by_label("Out of square").check()
    sheet.get_by_label("Weight of Out of square in the scheme").fill("25,5")
    sheet.get_by_label("Out of square, figure of 0 points").fill("much")
    sheet.get_by_role("button", name="Keep as scheme v2").click()
    expect(sheet.get_by_role("alert")).to_have_text("Out of square: weight and both anchors are numbers.")
    sheet.get_by_label("Out of square, figure of 0 points").fill("0,8")
    assert check_axe(page) == []
    # Somebody else was quicker: what is typed stays, and saving again keeps it.
    theirs = client.get(f"/api/studies/{study}/scheme")
    client.send("POST", f"/api/studies/{study}/scheme", {
        "id": new(), "number": 1, "criteria": theirs["criteria"][:3]})  # fmt: skip
    sheet.get_by_role("button", name="Keep as scheme v2").click()
    expect(sheet.get_by_role("alert")).to_contain_text("saving again keeps yours")
    expect(sheet.get_by_label("Weight of Out of square in the scheme")).to_have_value("25,5")
    sheet.get_by_role("button", name="Keep as scheme v3").click()
    expect(page.get_by_role("button", name="Criteria, scheme v3")).to_be_visible()
    expect(page.get_by_role("slider", name="Weight of Out of square")).to_be_visible()
    kept = client.get(f"/api/studies/{study}/scheme")["criteria"]
    skew = next(c for c in kept if c["code"] == "skew.xy")
    assert (skew["weight"], skew["shape"]) == (25.5, "piecewise")
    assert [p["raw"] for p in skew["points"]] == [-0.8, 0, 0.8]


def test_a_sheet_is_drawn_as_a_map_and_says_where_the_bed_hangs(
    page: Page, site: Site, client: Client, hands: Hands
) -> None:
    study = make(client, {"Mesa": EQUAL, "Sparrow": EQUAL}, artifact="FS", measured=False, inspected=False)
    site.open(page, study, "measure")
    columns = {"1": "0,13", "2": "0,20", "3": "0,27"}
    measure(page, hands, {f"{row}{column}": size for row in "ABC" for column, size in columns.items()})
    says = page.get_by_role("region", name="What the readings say so far")
    expect(says).to_contain_text("Thicker to the right by")
    expect(says).to_contain_text("3 of 9 discs within 0.05 mm of 0.2 mm.")
    expect(says.get_by_role("img", name="Discs on the bed")).to_be_visible()
    # A look may stand beside each thickness.
    page.get_by_role("img", name="Discs of the bed from above").get_by_text("A1").click()
    page.get_by_role("radiogroup", name="A1: look").get_by_text("2").click()
    expect(page.get_by_role("button", name="A1: 2, change")).to_be_visible()


def test_of_two_calipers_the_one_in_hand_is_asked_once_and_remembered(
    page: Page, site: Site, client: Client, hands: Hands
) -> None:
    study = make(client, {"Mesa": EQUAL, "Sparrow": EQUAL}, measured=False, inspected=False)
    client.send("POST", "/api/instruments", {
        "id": new(), "code": "C-two", "kind": "caliper", "unit": "mm", "resolution": 0.01, "u_calibration": 0.02,
        "repeatability": 0.01})  # fmt: skip
    site.open(page, study, "measure")
    reading = page.get_by_role("region", name="Reading", exact=True)
    expect(reading).to_contain_text("Several instruments would do")
    reading.get_by_role("combobox", name="Instrument").click()
    page.get_by_role("option", name="C-two").click()
    measure_one = page.locator("label[for=reading]")
    expect(measure_one).to_have_text("X1")
    page.reload()
    expect(measure_one).to_have_text("X1")
    expect(page.locator("header").first).to_contain_text("U 0.040")


def test_a_price_in_another_currency_is_turned_by_a_rate_that_is_stated(
    page: Page, site: Site, client: Client, hands: Hands
) -> None:
    study = make(client, {"Mesa": EQUAL, "Sparrow": Turned(price=None)}, copies=2)
    site.open(page, study, "receive")
    page.get_by_role("button", name="Sparrow").first.click()
    page.get_by_label("Currency of these amounts").fill("usd")
    page.get_by_label("Price paid, USD").fill("499,50")
    page.get_by_role("button", name="Save the intake").click()
    expect(page.get_by_text("Turned into EUR by a rate stated at Cost")).to_be_visible()
    expect(page.get_by_text("Saved.")).to_be_visible()
    site.open(page, study, "cost")
    expect(page.get_by_text("a rate from USD to EUR").first).to_be_visible()
    page.get_by_text("Rates of exchange").click()
    page.get_by_label("One of").fill("usd")
    page.get_by_label("is, in EUR").fill("0,80")
    page.get_by_label("On", exact=True).fill("2026-01-05")
    page.get_by_label("Read where").fill("the bank's list")
    page.get_by_role("button", name="State this rate").click()
    expect(page.get_by_text("1 USD = 0.8 EUR")).to_be_visible()
    costs = {m["machine"]["name"]: m for m in client.get(f"/api/studies/{study}/cost")["machines"]}
    assert costs["Sparrow"]["all_in"]["value"] == pytest.approx(399.6)
