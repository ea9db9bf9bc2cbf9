"""At the printer by keyboard: what happens is noted with one key, alarms are judged, the room is looked at before the night,
limits are turned with a slider."""

import io
import re
import zipfile

from playwright.sync_api import Page, expect

from crevlo.sim import device
from tests.e2e.conftest import Site
from tests.e2e.hands import Hands
from tests.small import frozen_study, new

SLICED = device.sliced_file("step-block-a-0.20-absolute")


def test_what_happens_is_noted_in_the_running_print_and_judged_later(site: Site, page: Page, check_axe) -> None:
    client = site.bench.as_("reviewer")
    study = frozen_study(client)
    job = client.get(f"/api/studies/{study}/print")["jobs"][0]
    view = client.send("PUT", f"/api/jobs/{job['id']}/file", content=SLICED, id=new(), name="a.gcode")
    for kind in ("mains", "cables", "earth", "runaway", "stop", "screws"):
        client.send("POST", f"/api/studies/{study}/units/{job['machine']['unit_id']}/checks", {
            "id": new(), "kind": kind, "result": "pass", "done_by": "Electrician"})  # fmt: skip
    site.let_in(page, "reviewer")
    page.goto(f"{site.url}/study/{study}/print#{job['id']}")
    # The slider plans the moves anew.
    page.get_by_role("button", name="Where time and filament go").click()
    slider = page.get_by_role("slider", name="speeds up")
    slider.press("ArrowLeft")
    whatif = page.get_by_role("region", name="What if the machine")
    expect(whatif).to_contain_text(re.compile(r"That would take \d+ min longer"))
    slower = client.get(f"/api/jobs/{job['id']}/what-if", acceleration=0.7)["says"]
    expect(whatif).to_contain_text(slower)
    assert check_axe(page) == []
    page.get_by_role("button", name="Back to the timer").click()
    # Nothing starts unattended before the room was looked at.
    if view["file"]["deviations"]:
        page.get_by_label(re.compile("^Reason")).fill("accepted")
    page.get_by_label("Unattended").check()
    start = page.get_by_role("button", name="Start the print")
    expect(start).to_be_disabled()
    looked = page.get_by_role("button", name="I have looked")
    expect(looked).to_be_disabled()
    page.get_by_label("A smoke alarm works").check()
    page.get_by_label("Nothing that burns").check()
    assert check_axe(page) == []
    looked.click()
    start.click()
    page.get_by_role("timer").wait_for()
    hands = Hands(page)
    page.keyboard.press("n")
    assert hands.focused() == "What happened"
    hands.type("a corner lifts")
    hands.press("Enter")
    happened = page.get_by_role("list", name="What happened in attempt 1")
    expect(happened).to_contain_text("a corner lifts")
    page.get_by_label("Note or alarm").select_option("not known")
    page.get_by_label("What happened", exact=True).fill("camera: spaghetti")
    page.get_by_label("layer", exact=True).fill("12")
    page.get_by_label("layer", exact=True).press("Enter")
    expect(happened).to_contain_text("camera: spaghetti, layer 12 · not judged yet")
    assert check_axe(page) == []
    happened.get_by_role("button", name="it was false").click()
    expect(happened).to_contain_text("camera: spaghetti, layer 12 · false")
    [run] = client.get(f"/api/jobs/{job['id']}")["runs"]
    assert run["unattended"]
    assert [(e["what"], e["alarm"], e["layer"]) for e in run["timeline"]] == [
        ("start", None, None), ("note", None, None), ("alarm", "false", 12)]  # fmt: skip
    # With the server away the note is kept here, and goes out once.
    page.context.set_offline(True)
    page.get_by_label("What happened", exact=True).fill("it smells")
    page.get_by_label("What happened", exact=True).press("Enter")
    page.context.set_offline(False)
    expect(happened).to_contain_text("it smells")
    page.set_viewport_size({"width": 390, "height": 800})
    assert page.evaluate("document.documentElement.scrollWidth") <= 390


def test_a_project_of_two_plates_asks_which(site: Site, page: Page, check_axe) -> None:
    client = site.bench.as_("reviewer")
    study = frozen_study(client)
    job = client.get(f"/api/studies/{study}/print")["jobs"][0]
    packed = io.BytesIO()
    with zipfile.ZipFile(packed, "w", zipfile.ZIP_DEFLATED) as project:
        for number in (1, 3):
            project.writestr(f"Metadata/plate_{number}.gcode", SLICED)
    site.let_in(page, "reviewer")
    page.goto(f"{site.url}/study/{study}/print#{job['id']}")
    page.locator("input[type=file]").first.set_input_files(
        {"name": "both.3mf", "mimeType": "application/zip", "buffer": packed.getvalue()}
    )
    expect(page.get_by_role("alert")).to_contain_text("This project has 2 plates. Which of them was printed?")
    assert check_axe(page) == []
    page.get_by_role("button", name="Plate 3").click()
    expect(page.get_by_text("both.3mf, plate 3")).to_be_visible()
