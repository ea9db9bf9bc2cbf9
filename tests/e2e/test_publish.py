"""Publish by hand: the composer, errata, a page for readers, cards, and packages of other benches."""

import re
from collections.abc import Callable
from pathlib import Path

import pytest
from playwright.sync_api import Browser, Page, expect

from crevlo.sim.client import Client
from tests.e2e.conftest import Site
from tests.e2e.hands import Hands
from tests.states import LONG, Turned, make


@pytest.fixture
def client(site: Site) -> Client:
    return site.bench.as_("reviewer")


def published(page: Page, number: int) -> None:
    page.get_by_role("button", name=re.compile("Freeze and publish|Publish and end the blind")).click()
    page.get_by_role("link", name=re.compile(f"^Revision {number}:")).wait_for()


def test_a_report_is_composed_by_keys_frozen_and_put_right(page: Page, site: Site, client: Client) -> None:
    study = make(client, {"Kettle": Turned(), LONG: Turned(minutes=100, severity=2)}, copies=2)
    site.let_in(page, "reviewer")
    site.open(page, study, "publish")
    hands, draft = Hands(page), page.frame_locator("iframe")
    expect(draft.get_by_role("heading", name="What a part costs")).to_be_visible()
    expect(draft.get_by_text("draft, not published")).to_be_visible()
    # The list of sections is one stop for Tab; what must be said stays on.
    page.get_by_role("checkbox", name=re.compile("^Verdict")).focus()
    hands.press("Space")
    expect(page.get_by_role("checkbox", name=re.compile("^Verdict"))).to_be_checked()
    for _ in range(5):
        hands.press("ArrowDown")
    assert page.get_by_role("checkbox", name="What a part costs").evaluate("e => e === document.activeElement")
    hands.press("Space")
    expect(draft.get_by_role("heading", name="What a part costs")).to_have_count(0)
    hands.press("ArrowUp", "ArrowUp", "ArrowUp", "Alt+ArrowUp", "Alt+ArrowUp")
    heads = draft.get_by_role("heading", level=2)
    expect(heads.first).to_have_text("Figures that count")
    expect(page.get_by_text("Missing or untrue yet")).to_be_visible()
    published(page, 1)
    expect(page.get_by_text("A revision now would say the same as revision 1.")).to_be_visible()
    # A price moves: what a revision would say otherwise is told before it is published.
    unit = client.get(f"/api/studies/{study}/receive")["units"][0]
    client.send("PUT", f"/api/studies/{study}/units/{unit['machine']['unit_id']}", {
        "version": unit["version"], "price_paid": 987, "obtained": "bought"})  # fmt: skip
    page.reload()
    page.get_by_text(re.compile("^Since revision 1:")).click()
    expect(page.get_by_text("is “987.00”").first).to_be_visible()
    page.get_by_label("Erratum: puts revision 1 right").check()
    page.get_by_label("What was wrong").fill("The price was another's.")
    published(page, 2)
    expect(page.get_by_text("erratum", exact=True)).to_be_visible()
    expect(page.get_by_text("Puts revision 1 right: The price was another's.")).to_be_visible()


def test_readers_weigh_for_themselves_without_an_account_until_it_is_closed(
    page: Page, site: Site, client: Client, browser: Browser, check_axe: Callable
) -> None:
    quick, neat = Turned(minutes=40, off_mm=0.15, severity=2), Turned(minutes=110, off_mm=0.02)
    study = make(client, {"Quick": quick, "Neat": neat}, copies=2)
    site.let_in(page, "reviewer")
    site.open(page, study, "publish")
    published(page, 1)
    page.get_by_role("button", name="Open a page for readers").click()
    address = page.locator("a[href*='/read/']").get_attribute("href")
    assert address
    reader = browser.new_context(viewport={"width": 390, "height": 844}).new_page()
    reader.goto(address)
    mine = reader.get_by_role("region", name="By your own weights")
    expect(mine.get_by_role("heading", level=3)).to_contain_text(re.compile("Quick|Neat"))
    for name in ("Print time", "Dimensional accuracy", "Surface defects", "Repeatability", "First-pass success", "Noise at 1 m",
                 "Cost per good part", "Energy"):  # fmt: skip
        reader.get_by_label(f"Weight of {name}").fill("40" if name == "Dimensional accuracy" else "0")
    expect(mine.get_by_role("heading", level=3)).to_have_text("Neat")
    expect(mine.get_by_text("By your weights and limits")).to_be_visible()
    # A limit with a comma, as it is written in many places.
    reader.get_by_label("Print time, at most").fill("1,2")
    expect(mine.get_by_text(re.compile("^Neat is left out: print time"))).to_be_visible()
    expect(reader.frame_locator("iframe").get_by_role("heading", name="Disclosure")).to_have_count(1)
    assert reader.evaluate("document.documentElement.scrollWidth <= innerWidth")
    assert check_axe(reader) == []
    mine.get_by_role("button", name="As published").click()
    expect(reader.get_by_label("Print time, at most")).to_have_value("")
    page.get_by_role("button", name="Close it").click()
    page.get_by_role("button", name="Open a page for readers").wait_for()
    reader.reload()
    expect(reader.get_by_text("There is no report at this address, or it was closed.")).to_be_visible()


def test_cards_notes_and_packages(
    page: Page, site: Site, client: Client, tmp_path: Path, check_axe: Callable
) -> None:
    site.let_in(page, "reviewer")
    for title, minutes in (("Ours", 60), ("Theirs", 66)):
        turned = {"Kettle": Turned(minutes=minutes), "Orrin": Turned(minutes=80)}
        study = make(client, turned, copies=2, title=title, control="Orrin")
        client.send("POST", f"/api/studies/{study}/reveal", {})
        site.open(page, study, "publish")
        published(page, 1)
    page.get_by_role("button", name="For a video").click()
    cards = page.get_by_role("img", name=re.compile("^Card: "))
    expect(cards.first).to_be_visible()
    page.get_by_role("radio", name="1080 × 1920").click()
    page.wait_for_function(
        "[...document.querySelectorAll('main img')].every(i => !i.complete || i.naturalHeight > i.naturalWidth)"
    )
    page.get_by_label("Chapters, a line each").fill("0:00 Hello\n1:20 Ranking by points")
    expect(page.locator("pre")).to_contain_text("1:20 Ranking by points")
    page.get_by_role("button", name="Copy the notes").click()
    expect(page.get_by_role("status").filter(has_text=re.compile("Copied|does not let"))).to_be_visible()
    assert check_axe(page) == []
    with page.expect_download() as download:
        page.get_by_role("link", name="Data package").click()
    package = tmp_path / "package.zip"
    download.value.save_as(package)
    page.goto(f"{site.url}/packages")
    page.get_by_label("Whose bench it is").fill("The bench across the river")
    page.locator("input[type=file]").set_input_files(package)
    expect(page.get_by_text("All are as published.")).to_be_visible()
    page.get_by_label("Take The bench across the river together with others").check()
    page.get_by_label("Ours").check()
    page.get_by_role("button", name="Take together").click()
    pooled = page.get_by_role("region", name="Against Orrin, over all benches")
    expect(pooled.get_by_role("row").filter(has_text="Print time").first).to_contain_text("Kettle")
    assert check_axe(page) == []
    (tmp_path / "bad.zip").write_bytes(package.read_bytes()[:3000])
    page.locator("input[type=file]").set_input_files(tmp_path / "bad.zip")
    expect(page.get_by_text(re.compile("no zip that can be read whole"))).to_be_visible()
