"""Every sentence of every screen, in studies of every state, is true there."""

import re

import pytest
from playwright.sync_api import Page, expect

from crevlo.sim.client import Client
from tests.e2e.conftest import Site
from tests.states import EQUAL, LONG, Turned, make

STATIONS = ("plan", "receive", "print", "measure", "inspect", "cost", "rank", "publish")
# What must be read nowhere, whatever the state: half a sentence, a figure of nothing, a word of another artifact.
NEVER = (
    r"by 0\.0 points", r"\bNaN\b", r"undefined", r"\bnull\b", r"All 0 ", r"in 1 steps", r"0 of 0", r"± NaN",
    r"across the hole", r"upper steps", r"three checks", r"One step block per plate", r"runs (long|short) by 0\.00",
)  # fmt: skip


@pytest.fixture
def client(site: Site) -> Client:
    return site.bench.as_("reviewer")


def read(page: Page, site: Site, study: str, stations: tuple[str, ...] = STATIONS) -> dict[str, str]:
    """The text of each station's screen; refuses what is true in no state, and sideways scrolling."""
    found = {}
    for station in stations:
        site.open(page, study, station)
        text = page.locator("main").inner_text() + "\n" + page.locator("header").first.inner_text()
        for frame in page.frames[1:]:
            text += "\n" + frame.locator("body").inner_text()
        for wrong in NEVER:
            assert not re.search(wrong, text), f"{station}: {wrong}\n{text}"
        assert page.evaluate("document.documentElement.scrollWidth <= innerWidth"), station
        found[station] = text
    return found


def test_nothing_printed(page: Page, site: Site, client: Client) -> None:
    study = make(client, {"Kettle": EQUAL, "Urn": EQUAL}, printed=False)
    site.let_in(page, "reviewer")
    said = read(page, site, study)
    assert "Nothing to measure yet" in said["measure"]
    assert "Nothing to inspect yet" in said["inspect"]
    for station in ("rank", "publish"):
        assert "Not determined" in said[station]
        assert "Nothing is missing" not in said[station]
    assert "first" not in re.sub(r"(?i)first-pass success|finished first attempt", "", said["rank"])
    cost = page.get_by_role("link", name=re.compile("^6 Cost|Cost"))
    expect(cost.first).to_contain_text("0/2")


def test_all_equal_and_everything_revealed(page: Page, site: Site, client: Client) -> None:
    study = make(client, {"Kettle": EQUAL, "Urn": EQUAL}, copies=2)
    client.send("POST", f"/api/studies/{study}/reveal")
    site.let_in(page, "reviewer")
    said = read(page, site, study)
    assert "A tie: Kettle and Urn" in said["rank"]
    assert "Both have " in said["rank"]
    assert "leads" not in said["rank"]
    assert page.locator("main").count() == 1
    for station in ("measure", "inspect"):
        assert "hidden" not in said[station].lower()
        assert "Machines revealed" in said[station]
    assert "withheld" not in said["publish"]
    site.open(page, study, "plan#schedule")
    expect(page.locator("main")).to_contain_text("No print waits for a time: all are printed, or out of tries.")


def test_all_left_out(page: Page, site: Site, client: Client) -> None:
    study = make(client, {"Kettle": EQUAL, "Urn": EQUAL}, copies=2, buyer=[{"kind": "price", "limit": 100}])
    site.let_in(page, "reviewer")
    said = read(page, site, study, ("rank", "publish", "cost"))
    for station in ("rank", "publish"):
        assert "No machine passes every must-have" in said[station]
        assert "all in 400 EUR, limit 100" in said[station]
        assert "Nothing is missing" not in said[station]
    assert "figures are known" not in said["rank"]
    site.open(page, study, "rank")
    page.get_by_role("button", name="Show anyway").first.click()
    expect(page.get_by_role("region", name="Verdict")).to_contain_text("fails a must-have")


def test_one_figure_missing_in_another_currency(page: Page, site: Site, client: Client) -> None:
    study = make(client, {"Kettle": EQUAL, "Urn": Turned(price=None)}, copies=2, currency="CHF")
    site.let_in(page, "reviewer")
    said = read(page, site, study)
    assert "EUR" not in said["rank"] + said["cost"] + said["publish"]
    assert "Not decided yet: Kettle or Urn" in said["rank"]
    assert "Urn: cost per good part needs the price paid, at Receive." in said["rank"]
    assert "1 missing" in said["rank"]


def test_a_machine_without_figures(page: Page, site: Site, client: Client) -> None:
    study = make(client, {"Kettle": EQUAL, "Urn": EQUAL}, copies=2, unprinted=["Urn"])
    site.let_in(page, "reviewer")
    said = read(page, site, study)
    assert "Not decided yet: Kettle or Urn" in said["rank"]
    assert "Urn may end anywhere from 0.0 to 100.0 points" in said["rank"]
    assert "8 missing" in said["rank"]
    assert "nothing known" in said["rank"]
    assert "needs two machines with every figure" in said["rank"].lower()
    assert "Nothing is missing" not in said["publish"]


def test_two_arms_are_kept_apart_and_called_so(page: Page, site: Site, client: Client) -> None:
    study = make(client, {"Kettle": EQUAL, "Urn": Turned(minutes=100, severity=2)}, copies=2, own_arm=True)
    site.let_in(page, "reviewer")
    said = read(page, site, study)
    assert "The arm “Own profiles” is kept apart" in said["rank"]
    assert "All settings are the maker's own." in said["plan"]
    assert "Layers of 0.2 mm, 15 % infill, 2 walls" in said["plan"]
    # Figures are of the first arm alone: 2 of its 4 prints each.
    assert "2 of 2" in said["rank"]


def test_another_artifact_than_the_step_block(page: Page, site: Site, client: Client) -> None:
    worse = Turned(severity=3, minutes=90)
    study = make(client, {"Kettle": EQUAL, "Urn": worse}, copies=2, artifact="OP", measured=False)
    site.let_in(page, "reviewer")
    said = read(page, site, study)
    assert "Ooze posts" in said["inspect"]
    assert re.search(r"1 OF 2", said["inspect"], re.I)
    for defect in ("Layer shift", "Warped corners", "First-layer bulge"):
        assert defect not in said["inspect"]
    everything = "\n".join(said.values())
    assert "step block" not in everything.lower()


def test_long_names_stand_whole(page: Page, site: Site, client: Client) -> None:
    study = make(client, {LONG: Turned(noise_db=44), "350": Turned(minutes=120, off_mm=0.12)}, copies=2)
    site.let_in(page, "reviewer")
    said = read(page, site, study, ("rank", "publish", "cost", "receive"))
    assert f"Points of {LONG} over 350".lower() in said["rank"].lower()
    standings = page.get_by_role("region", name="Ranking")
    site.open(page, study, "rank")
    # Whole, and beside its points rather than over them.
    name = standings.get_by_text(LONG).first.bounding_box()
    points = standings.get_by_role("button", name=re.compile(f"^{LONG}: .* points, source$")).first.bounding_box()
    assert name is not None
    assert points is not None
    assert name["x"] + name["width"] <= points["x"] + 1


def test_one_machine_left_and_one_copy_each(page: Page, site: Site, client: Client) -> None:
    study = make(client, {"Kettle": EQUAL, "Urn": Turned(price=900)}, buyer=[{"kind": "price", "limit": 500}])
    site.let_in(page, "reviewer")
    said = read(page, site, study)
    assert "Kettle, without comparison" in said["rank"]
    assert "the only machine that no must-have leaves out (1 left out)" in said["rank"]
    # One copy says nothing of the spread, and what would is named.
    assert "a second copy on some machine" in said["rank"]


def test_buyers_are_made_named_and_removed_by_hand(page: Page, site: Site, client: Client) -> None:
    study = make(client, {"Kettle": EQUAL, "Urn": EQUAL}, copies=2)
    site.let_in(page, "reviewer")
    site.open(page, study, "rank")
    page.get_by_role("button", name="Buyers").click()
    page.get_by_role("textbox", name="Who").fill("A school")
    page.get_by_role("button", name="Add this buyer").click()
    expect(page.get_by_role("region", name="Verdict")).to_contain_text("Verdict for A school", ignore_case=True)
    page.get_by_label("Add a must-have").select_option("price")
    page.get_by_label("limit, EUR").fill("350")
    page.keyboard.press("Enter")
    expect(page.get_by_role("region", name="Must have")).to_contain_text("Up to 350 EUR all in · 2 out")
    expect(page.get_by_role("region", name="Verdict")).to_contain_text("No machine passes every must-have")
    page.get_by_role("button", name="Change: Up to 350 EUR all in").click()
    page.get_by_role("button", name="Drop it").click()
    # Kept once the form has gone.
    expect(page.get_by_role("button", name="Drop it")).to_have_count(0)
    expect(page.get_by_role("region", name="Must have")).not_to_contain_text("350")
    page.get_by_role("button", name="Buyers").click()
    page.get_by_label("Name of A school").fill("A school of ten")
    page.get_by_role("button", name="Rename").nth(1).click()
    expect(page.get_by_role("button", name="Remove A school of ten")).to_be_visible()
    page.get_by_role("button", name="Remove A school of ten").click()
    expect(page.get_by_role("button", name="Remove A school of ten")).to_have_count(0)
    page.keyboard.press("Escape")
    expect(page.get_by_role("region", name="Verdict")).to_contain_text("Verdict for Any buyer", ignore_case=True)


def test_a_must_have_changed_by_two_keeps_what_both_said(page: Page, site: Site, client: Client) -> None:
    asked = [{"kind": "noise", "limit": 60, "what": "printing"}, {"kind": "price", "limit": 700}]
    study = make(client, {"Kettle": EQUAL, "Urn": EQUAL}, printed=False, buyer=asked)
    site.let_in(page, "reviewer")
    site.open(page, study, "rank")
    page.get_by_role("button", name="Change: Up to 700 EUR all in").click()
    page.get_by_label("limit, EUR").fill("350")
    profile = client.send("POST", f"/api/studies/{study}/rank", {})["profile"]
    client.send("PUT", f"/api/studies/{study}/buyers/{profile['id']}", {
        "version": profile["version"], "must_haves": asked[1:]})  # fmt: skip
    page.keyboard.press("Enter")
    expect(page.get_by_role("alert")).to_contain_text("What you typed is still here; saving again keeps yours.")
    # The other's change is shown, and the row that was edited is still that row.
    expect(page.get_by_role("region", name="Must have")).not_to_contain_text("60 dB")
    expect(page.get_by_label("limit, EUR")).to_have_value("350")
    page.get_by_role("button", name="Set", exact=True).click()
    expect(page.get_by_role("button", name="Change: Up to 350 EUR all in")).to_be_visible()
    kept = client.send("POST", f"/api/studies/{study}/rank", {})["must_haves"]
    assert [(m["kind"], m["limit"]) for m in kept] == [("price", 350)]
