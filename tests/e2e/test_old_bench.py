"""A spreadsheet of an old bench in the browser: dropped, put right, kept, and marked wherever the study is looked at."""

import re

from playwright.sync_api import Page, expect

from crevlo.sim import notebook
from tests.e2e.conftest import Site
from tests.small import new


def test_a_spreadsheet_is_dropped_put_right_and_kept(site: Site, page: Page, check_axe) -> None:
    client = site.bench.as_("reviewer")
    client.send("POST", "/api/instruments", {
        "id": new(), "code": "C-1", "kind": "caliper", "unit": "mm", "resolution": 0.01, "u_calibration": 0.01,
        "repeatability": 0.01})  # fmt: skip
    site.sign_in(page, "reviewer")
    page.get_by_role("link", name="take over a bench from a spreadsheet").click()
    workbook = {"name": "old-notes.xlsx", "mimeType": "application/octet-stream", "buffer": notebook.workbook(5)}
    page.locator("input[type=file]").set_input_files(workbook)
    kept = page.get_by_role("region", name="What would be kept")
    expect(kept).to_contain_text("3 machines")
    expect(kept).to_contain_text("lamp knob of PLA")
    assert check_axe(page) == []
    # A sheet that holds nothing is left out, and taken in again; a column that is not named is asked for.
    sheet = page.get_by_role("region", name="Prints")
    sheet.get_by_role("combobox", name="Column of Machine").click()
    page.get_by_role("option", name="not there").click()
    expect(kept).to_contain_text("Say which column of the sheet Prints names the machine.")
    keep = kept.get_by_role("button", name=re.compile("^Keep"))
    expect(keep).to_be_disabled()
    sheet.get_by_role("combobox", name="Column of Machine").click()
    page.get_by_role("option", name="machine", exact=True).click()
    expect(kept).to_contain_text("3 machines")
    kept.get_by_role("combobox", name="Cause: came loose").click()
    page.get_by_role("option", name="the profile").click()
    kept.get_by_label("Title of the study").fill("Lamp knobs")
    keep.click()
    expect(kept.get_by_role("alert")).to_contain_text("numbers")
    kept.get_by_label("Filament, price of a kg").fill("21,90")
    kept.get_by_role("combobox", name="Piece that the sizes are of").click()
    page.get_by_role("option", name="lamp knob").click()
    keep.click()
    page.get_by_role("link", name="Open the study").click()
    expect(page.get_by_text("entered afterwards")).to_be_visible()
    study = client.get("/api/studies")["studies"][0]
    assert (study["title"], study["entered_from"]) == ("Lamp knobs", "old-notes.xlsx")
    runs = [r for j in client.get(f"/api/studies/{study['id']}/print")["jobs"] for r in client.get(f"/api/jobs/{j['id']}")["runs"]]  # fmt: skip
    assert {r["cause"] for r in runs if r["outcome"] == "failed"} >= {"profile"}
    rank = client.send("POST", f"/api/studies/{study['id']}/rank", {})
    raw = {s["machine"]["name"]: {c["code"]: c["raw"] for c in s["contributions"]} for s in rank["standings"]}
    # What the workbook was made with comes out again: the quick one is quicker, the one that prints small reads so.
    assert raw["Hollowell Mesa"]["time"]["value"] < raw["Brindle 235"]["time"]["value"]
    assert raw["Oddfellow Sparrow"]["off.mean"]["value"] > raw["Hollowell Mesa"]["off.mean"]["value"]
    site.open(page, study["id"], "plan")
    protocol = page.get_by_role("region", name="Protocol")
    expect(protocol).to_contain_text("Entered afterwards from old-notes.xlsx.")
    expect(protocol).not_to_contain_text("Dried")
    expect(page.get_by_text("frozen")).to_have_count(0)
    site.open(page, study["id"], "inspect")
    expect(page.get_by_label("Machines are known by now.")).to_be_in_viewport()
    expect(page.get_by_text("Machines can be revealed once")).to_have_count(0)
    # A piece that nobody measures asks for no reading, nor for a reason to read it late.
    site.open(page, study["id"], "measure")
    page.get_by_role("button", name=re.compile("drawer clip")).first.click()
    expect(
        page.get_by_text("Nothing of this piece is measured: its faults are looked for at Inspect.")
    ).to_be_visible()
    expect(page.get_by_text("Every face of this specimen is measured.")).to_have_count(0)
    expect(page.get_by_text("Why is it measured all the same?")).to_have_count(0)
    page.get_by_role("button", name=re.compile("lamp knob")).first.click()
    expect(page.get_by_text("Why is it measured all the same?")).to_have_count(1)
    page.goto(f"{site.url}/")
    expect(page.get_by_text("entered afterwards from old-notes.xlsx")).to_be_visible()
