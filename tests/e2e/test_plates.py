"""Plates of several parts in the browser: planned by what fits, asked for at the printer, costed by the part and the batch."""

import re

from playwright.sync_api import Page, expect

from crevlo.sim import plates
from tests.e2e.conftest import Site
from tests.small import draft_study, new


def test_a_plate_of_several_is_planned_printed_and_costed(site: Site, page: Page, check_axe) -> None:
    client = site.bench.as_("reviewer")
    study = draft_study(client, ("Mesa", "Sparrow"))
    site.let_in(page, "reviewer")
    site.open(page, study, "plan")
    plate = page.get_by_label("Parts on a plate of Step block")
    expect(plate).to_have_value("1")
    plate.fill("")
    expect(page.get_by_role("tabpanel")).to_contain_text(re.compile(r"\d+ fit"))
    plate.fill("6")
    expect(page.get_by_role("button", name="Draft is saved")).to_be_visible()
    page.get_by_role("button", name="Freeze").click()
    expect(page.get_by_role("region", name="Protocol")).to_contain_text("6 a plate")
    for job in client.get(f"/api/studies/{study}/print")["jobs"]:
        content = plates.plate_file(plates.MACHINES["Corvane Twin"])
        nameless = b"\n".join(x for x in content.split(b"\n") if b"printing object" not in x)
        client.send("PUT", f"/api/jobs/{job['id']}/file", content=nameless, id=new(), name="six.gcode")
    page.goto(f"{site.url}/study/{study}/print#{job['id']}")
    asked = page.get_by_label("Parts on the plate")
    expect(asked).to_have_value("6")
    expect(page.get_by_text("6 planned. The file names no objects, so count them.")).to_be_visible()
    start = page.get_by_role("button", name="Start the print")
    asked.fill("5")
    reason = page.get_by_label(re.compile("^Reason"))
    reason.fill("one place is scratched")
    assert check_axe(page) == []
    start.click()
    page.get_by_role("heading", name=re.compile("^Attempts")).wait_for()
    expect(page.get_by_text("5 parts on the plate")).to_be_visible()
    run = client.get(f"/api/jobs/{job['id']}")["runs"][-1]
    assert run["parts"] == 5
    departures = client.get(f"/api/studies/{study}/plan")["deviations"]
    assert [d["reason"] for d in departures if "5 instead of 6" in d["what"]] == ["one place is scratched"]


def test_a_batch_is_set_against_others_at_cost(site: Site, page: Page, check_axe) -> None:
    client = site.bench.as_("reviewer")
    spools = [new(), new()]
    for code, spool in zip(("S-1", "S-2"), spools, strict=True):
        client.send("POST", "/api/spools", {
            "id": spool, "code": code, "maker": "Wendle Works", "material": "PLA", "colour": "sage", "density_g_cm3": 1.24,
            "price_per_kg": 20})  # fmt: skip
    client.send("POST", "/api/models", {
        "id": new(), "name": "Corvane Twin", "bed_x_mm": 250, "bed_y_mm": 210, "height_mm": 210, "tools": 2})  # fmt: skip
    study = plates.play(client, *spools, seed=4)
    site.let_in(page, "reviewer")
    site.open(page, study, "cost")
    expect(page.get_by_text("for one part, whatever lies on its plate")).to_be_visible()
    page.get_by_role("radio", name="A batch").click()
    batch = page.get_by_role("region", name="Batch", exact=True)
    expect(batch).to_contain_text("100 × Colour-swap token")
    row = batch.get_by_role("row", name=re.compile("Dellmar Duo"))
    expect(row).to_contain_text("12")
    page.get_by_label("Parts", exact=True).fill("13")
    expect(batch).to_contain_text("13 × Colour-swap token")
    page.get_by_role("radio", name="for all").click()
    made = {m["machine"]["name"]: m for m in client.get(f"/api/studies/{study}/batch", parts=13)["machines"]}
    expect(row).to_contain_text(f"{made['Dellmar Duo']['whole']['waste_g']:.0f}")
    page.get_by_label("Planned share of the fuse, %").fill("50")
    expect(page.get_by_text("Planned for 1840 W.")).to_be_visible()
    page.get_by_label("Parts", exact=True).fill("none")
    expect(page.get_by_role("alert")).to_contain_text("parts")
    expect(page.get_by_text("licensed electrician")).to_be_visible()
    page.get_by_label("Parts", exact=True).fill("24")
    expect(page.get_by_role("alert")).to_have_count(0)
    assert check_axe(page) == []
    page.get_by_role("radio", name="Every artifact").click()
    table = page.get_by_role("region", name="One good part of each artifact")
    told = client.get(f"/api/studies/{study}/cost-table")
    least = min(c["cost"] for c in told["rows"][0]["cells"])
    expect(table.get_by_role("row", name=re.compile("Colour-swap token"))).to_contain_text(f"{least:.2f}")
    expect(table).to_contain_text(told["rows"][0]["says"])
    table.get_by_role("radio", name="Waste, g").click()
    expect(table.get_by_role("row", name=re.compile("Colour-swap token"))).to_contain_text(f"{told['rows'][0]['cells'][0]['waste_g']:.1f}")  # fmt: skip
    expect(page.get_by_role("region", name="What machines cost beside their parts")).to_contain_text("545")
    assert check_axe(page) == []
