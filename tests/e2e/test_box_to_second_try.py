"""From the box to a failed run and its second attempt, by mouse and touch, as at the bench."""

import io
import re
from pathlib import Path

import pytest
from PIL import Image
from playwright.sync_api import Page, expect

from crevlo.sim import device
from tests.e2e.conftest import Site
from tests.small import frozen_study


def photo() -> bytes:
    out = io.BytesIO()
    exif = Image.Exif()
    exif.get_ifd(0x8825).update({1: "N", 2: (52.0, 31.0, 12.0)})
    Image.effect_noise((640, 480), 50).convert("RGB").save(out, "JPEG", exif=exif)
    return out.getvalue()


@pytest.mark.timeout(300)
def test_from_the_box_to_a_failed_run_and_its_second_attempt(site: Site, page: Page, tmp_path: Path) -> None:
    client = site.bench.as_("reviewer")
    study = frozen_study(client)
    site.let_in(page, "reviewer")
    site.open(page, study, "receive")
    steps = page.get_by_role("navigation", name="Steps of receiving")

    # The box, by its list; what is damaged gets its photo.
    box = page.get_by_role("region", name="What is in the box")
    for thing in ("Plate", "Spare nozzle"):
        box.get_by_label("What should be in it").fill(thing)
        box.get_by_role("button", name="Add to the list").click()
        box.get_by_role("radiogroup", name=thing).wait_for()
    box.get_by_role("radiogroup", name="Plate").get_by_role("radio", name="damaged").click()
    box.get_by_text("Plate damaged.").wait_for()
    box.locator("input[type=file]").set_input_files({"name": "p.jpg", "mimeType": "image/jpeg", "buffer": photo()})
    box.get_by_role("img", name="the unit as it came, photo 1").wait_for()

    # The stopwatch.
    steps.get_by_role("button", name="Assembly").click()
    page.get_by_role("button", name="Start a step").click()
    page.wait_for_timeout(1100)
    page.get_by_role("button", name="Step done").click()
    page.get_by_label("Which step it was").fill("Gantry")
    page.get_by_role("button", name="Keep the step").click()
    page.get_by_role("region", name="Assembly, by the stopwatch").get_by_text(re.compile("in 1 step")).wait_for()

    # A check that fails ends testing; its re-check lets it go on.
    steps.get_by_role("button", name="Safety").click()
    runaway = page.get_by_role("article", name="Thermal-runaway response")
    for button, note in (("Failed", "went on heating"), ("Re-check passed", "new board")):
        runaway.get_by_role("button", name=button, exact=True).click()
        runaway.get_by_label(re.compile("What failed|Remark")).fill(note)
        runaway.get_by_role("button", name=re.compile("Record it")).click()
        if button == "Failed":
            page.get_by_text("“Thermal-runaway response” failed on this unit").wait_for()
    page.get_by_text("5 of 6 checks still to do").wait_for()

    steps.get_by_role("button", name="Claims").click()
    page.locator("select[name=kind]").select_option("noise")
    page.get_by_label("Value, in the unit").fill("45")
    page.get_by_role("button", name="Add the claim").click()
    page.get_by_text("needs noise readings in the state").wait_for()

    # The first attempt fails at a layer, and a possible cause is ruled out.
    machine = client.get(f"/api/studies/{study}/receive")["units"][0]["machine"]["name"]
    site.open(page, study, "print")
    page.get_by_role("region", name="Prints").get_by_role("button", name=re.compile(machine)).click()
    sliced = tmp_path / "block.gcode"
    sliced.write_bytes(device.sliced_file("step-block-a-0.20-absolute"))
    page.get_by_label("Drop the sliced file").set_input_files(sliced)
    page.get_by_role("button", name="Where time and filament go").click()
    page.get_by_role("group", name="Printing time by what it goes on").wait_for()
    page.get_by_role("button", name="Back to the timer").click()
    if page.get_by_label("Reason to print it").count():
        page.get_by_label("Reason to print it").fill("as it is")
    page.get_by_role("button", name="Start the print").click()
    page.get_by_role("group", name="What begins now").get_by_role("button", name="warm-up").click()
    page.get_by_role("button", name=re.compile("^warm-up \\d\\d:\\d\\d")).wait_for()
    page.get_by_role("button", name="Stop the timer").click()
    page.get_by_text("Failed", exact=True).click()
    page.locator("select[name=cause]").select_option("machine")
    page.get_by_label("At layer, if known").fill("42")
    page.get_by_label("How it was seen").fill("Walls thin from there on")
    page.get_by_role("button", name="Record the outcome").click()
    tries = page.get_by_role("region", name="Sliced file and attempts")
    tries.get_by_text("failed, layer 42, machine").wait_for()
    tries.get_by_role("button", name=re.compile("Find the fault")).click()
    tries.get_by_label("It may have been").fill("Nozzle blocked")
    tries.get_by_label("What the test showed").fill("Flows freely")
    tries.locator("select[name=ruling]").select_option("ruled out")
    tries.get_by_role("button", name="Keep").click()
    tries.get_by_text("ruled out").wait_for()

    # The second says what changed, comes out, and gets its label.
    page.get_by_label("What changed").fill("Extruder tensioned")
    if page.get_by_label("Reason to print it").count():
        page.get_by_label("Reason to print it").fill("as it is")
    page.get_by_role("button", name="Start the print").click()
    page.get_by_role("button", name="← The whole bench").click()
    # The bench as it was last seen shows the first try for a moment.
    page.get_by_role("button", name=re.compile(rf"{machine}\s*Step block 1, try 2")).click()
    page.get_by_role("button", name="Stop the timer").click()
    page.get_by_role("button", name="Record the outcome").click()
    label = page.get_by_role("link", name="Label for the bag, small roll")
    label.wait_for()
    answer = page.request.get(f"{site.url}{label.get_attribute('href')}")
    assert answer.body().startswith(b"%PDF")
    expect(tries.get_by_text("Changed: Extruder tensioned")).to_be_visible()

    # What was printed speaks for itself where the machine was received.
    site.open(page, study, "receive")
    page.get_by_role("button", name=machine).first.click()
    steps.get_by_role("button", name="Measured").click()
    page.get_by_text("0 of 1 came out at the first try.").wait_for()
    page.get_by_text("Of 1 later tries 1 came out").wait_for()
