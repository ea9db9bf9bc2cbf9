"""A new installation's first study: two machines of one's own, one copy each, from the first screen to the report by keys."""

import re
from pathlib import Path

import pytest
from playwright.sync_api import Page, expect

from crevlo.core.defects import USUAL
from crevlo.sim import device
from tests.e2e.conftest import Site
from tests.e2e.hands import Hands

FACES = 11


@pytest.mark.timeout(600)
def test_from_the_first_screen_to_the_report(bare_site: Site, page: Page, tmp_path: Path) -> None:
    hands = Hands(page)

    def go(control: str, key: str = "Enter") -> None:
        hands.tab_to(control)
        hands.press(key)

    # Whoever opens it first is its owner.
    page.goto(bare_site.url)
    page.get_by_label("Name or role").wait_for()
    hands.fill("Name or role", "Reviewer")
    hands.fill("Address", "me@bench.example")
    hands.fill("Password", "a long enough password")
    hands.press("Enter")
    page.get_by_label("Title").wait_for()
    hands.fill("Title", "Two for the shed")
    hands.fill("Question", "Which one?")
    go("Start planning")

    # 1 Plan: nothing can be frozen, and the screen says what is missing.
    page.wait_for_url(re.compile("/plan"))
    freeze = page.get_by_role("region", name="Freeze")
    expect(freeze).to_contain_text("A comparison needs at least two machines.")
    for name, x in (("Shed A", "235"), ("Shed B", "180")):
        go("Add a machine")
        hands.fill("Name", name)
        hands.fill("Bed X, mm", x)
        hands.press("Enter")
        # What is added here is meant for this study.
        page.get_by_role("checkbox", name=f"{name} is the control").wait_for()
    expect(freeze).to_contain_text("Choose the spool of the Step block before freezing.")
    go("Add a spool")
    hands.fill("Code on the spool", "S-1")
    hands.fill("Maker", "Wendle Works")
    hands.fill("Material", "PETG")
    expect(page.get_by_label("Density, g/cm³")).to_have_value("1.27")
    hands.fill("Colour", "grey")
    hands.press("Enter")
    expect(page.get_by_label("Spool of Step block")).to_contain_text("S-1 · grey PETG")
    # The common slicer's temperatures are those that this material usually has.
    expect(page.get_by_label("Nozzle temperature, °C")).to_have_value("240")
    hands.fill("Copies of Step block", "1")
    go("Policies")
    hands.fill("Readings of a face", "1")
    expect(freeze).to_contain_text("Jobs are made and shuffled within blocks.")
    go("Freeze the protocol")
    page.get_by_role("heading", name="Departures from the protocol, 0").wait_for()

    # 2 Receive: prices, and all checks in one round.
    hands.station(2, "receive")
    for name, price in (("Shed A", "300"), ("Shed B", "520")):
        page.get_by_role("navigation", name="Steps of receiving").wait_for()
        go(name)
        go("Box")
        page.get_by_role("heading", name="Intake").wait_for()
        go("Bought", "Space")
        hands.fill("Price paid", price)
        go("Save the intake")
        page.get_by_role("status").filter(has_text="Saved").wait_for()
        go("Safety")
        go("All checks passed in one round")
        ticks = page.get_by_role("form", name="All checks passed in one round").get_by_role("checkbox")
        expect(ticks).to_have_count(6)
        for n in range(6):
            ticks.nth(n).focus()
            hands.press("Space")
        hands.fill("Earth and touch current", "An electrician")
        go("Record all 6 as passed")
        page.get_by_text("The gate is open").wait_for()

    # 3 Print, with the end typed as it was.
    sliced = tmp_path / "block.gcode"
    sliced.write_bytes(device.sliced_file("step-block-a-0.20-absolute"))
    hands.station(3, "print")
    for number in range(2):
        page.get_by_label("Drop the sliced file").set_input_files(sliced)
        page.get_by_text("departs from the protocol").wait_for()
        hands.fill("Reason to print it", "sliced for another material")
        # The first letters made it ready to start; what is typed stays in the field all the same.
        expect(page.get_by_label(re.compile("^Reason to print it"))).to_have_value("sliced for another material")
        go("Start the print", "Space")
        page.get_by_role("timer").wait_for()
        hands.fill("Meter, Wh", "90")
        hands.press("Enter")
        page.get_by_text("90 Wh").wait_for()
        hands.fill("Level, dB", "48")
        if number == 0:
            hands.fill("Background", "30")
            hands.fill("Distance, m", "0.8")
        # The second reading is of the same set-up, without typing it again.
        expect(page.get_by_label("Distance, m")).to_have_value("0.8")
        expect(page.get_by_label("Background, dB")).to_have_value("30")
        hands.press("Enter")
        page.get_by_text("at 1 m").first.wait_for()
        hands.tab_to("Stop the timer", back=True)
        hands.press("Space")
        expect(page.get_by_label(re.compile("^Ended at"))).to_be_visible()
        go("Record the outcome")
        page.locator("b.num.text-title").wait_for()
        if number == 0:
            go("Next print")
            page.get_by_label("Drop the sliced file").wait_for(state="attached")

    # 4 Measure: there is no caliper yet, and it is said where one is added.
    hands.station(4, "measure")
    page.get_by_text("No caliper or gauge is listed").wait_for()
    go("Instruments")
    go("Add an instrument")
    hands.fill("Code", "C-1")
    hands.press("Enter")
    page.get_by_text("C-1").first.wait_for()
    page.go_back()
    for _ in range(2):
        for n in range(FACES):
            row = page.get_by_role("region", name="Readings").locator("tbody tr").nth(n)
            code, nominal = (row.locator("td").nth(at).inner_text() for at in (0, 1))
            expect(page.locator("label[for=reading]")).to_have_text(re.compile(f"^{code}$", re.I))
            hands.type(f"{float(nominal) + 0.04:.2f}")
            hands.press("Enter")
        expect(page.get_by_text("not sent yet")).to_have_count(0)
        hands.press("n")

    # 5 Inspect
    hands.station(5, "inspect")
    for left in (2, 1):
        page.get_by_text(f"To inspect, {left}").wait_for()
        for place in range(1, len(USUAL) + 1):
            page.get_by_text(f"{place} of {len(USUAL)}").wait_for()
            hands.press("1")
        # A slip is undone with a key: the next digit takes its place.
        hands.press("u", "2")
        expect(page.get_by_role("button", name="Lock these scores")).to_be_enabled()
        hands.press("l")
    page.get_by_text("Locked by you, 2").wait_for()
    expect(page.get_by_text("not sent yet")).to_have_count(0)
    go("Reveal the machines")
    page.get_by_text("Machines revealed").first.wait_for()

    # 6 to 8: one copy each says nothing of the spread; that is what is said, and no winner is named.
    hands.station(6, "cost")
    expect(page.locator("main")).to_contain_text("needs a second copy on some machine, to know the spread")
    hands.station(7, "rank")
    verdict = page.get_by_role("region", name="Verdict")
    expect(verdict).to_contain_text("Not decided yet: Shed A or Shed B")
    hands.station(8, "publish")
    hands.fill("What changed", "A first look")
    go("Freeze and publish")
    link = page.get_by_role("link", name=re.compile("^Revision 1: Not decided yet"))
    link.wait_for()
    report = page.request.get(f"{bare_site.url}{link.get_attribute('href')}").text()
    assert "Not decided yet: Shed A or Shed B" in report
    assert "nozzle at 240 °C" in report
    assert "Shed A, Step block 1" in report or "sliced for another material" not in report
