"""One study through all eight stations with the keyboard alone; every figure shown is checked against the core."""

import math
import re
import uuid
from pathlib import Path

import numpy as np
import pytest
from playwright.sync_api import Page, expect

from crevlo.core.artifacts.shelf import DESIGNS
from crevlo.core.cost import CostInputs, cost_per_good_part
from crevlo.core.evaluations.scale import SCALE
from crevlo.core.evidence import Instrument, Reading, Specimen
from crevlo.sim import device
from crevlo.sim.client import Client
from crevlo.sim.truth import Truth
from tests.e2e.conftest import Site
from tests.e2e.hands import Hands

MACHINES = {
    "Mesa": Truth("Mesa", (220, 220, 250), 500, 0, 100, "bought", "", scale=(0.002, 0.001, 0.001), wall_mm=0.05),
    "Sparrow": Truth("Sparrow", (220, 220, 250), 300, 0, 50, "bought", "", scale=(0.004, 0.0, 0.002), wall_mm=0.12),
}
COPIES = 2
PRINTS = COPIES * len(MACHINES)


def _library(client: Client) -> None:
    for name in MACHINES:
        client.send("POST", "/api/models", {
            "id": str(uuid.uuid4()), "name": name, "bed_x_mm": 220, "bed_y_mm": 220, "height_mm": 250})  # fmt: skip
    client.send("POST", "/api/spools", {
        "id": str(uuid.uuid4()), "code": "S-01", "maker": "Wendle Works", "material": "PLA", "colour": "moss",
        "density_g_cm3": 1.24, "price_per_kg": 20})  # fmt: skip
    client.send("POST", "/api/instruments", {
        "id": str(uuid.uuid4()), "code": "C-01", "kind": "caliper", "unit": "mm", "resolution": 0.01,
        "u_calibration": 0.01, "repeatability": 0.01})  # fmt: skip


@pytest.mark.timeout(600)
def test_from_a_plan_to_a_published_recommendation(site: Site, page: Page, tmp_path: Path) -> None:
    client = site.bench.as_("reviewer")
    _library(client)
    site.sign_in(page, "reviewer")
    hands = Hands(page)

    # Studies, then 1 Plan
    hands.fill("Title", "Three blocks")
    hands.fill("Question", "Which one for the counter?")
    hands.tab_to("Start planning")
    hands.press("Enter")
    page.wait_for_url(re.compile("/plan"))
    study = page.url.split("/")[-2]
    page.get_by_label("Copies of Step block").wait_for()
    for name in MACHINES:
        hands.tab_to(name)
        hands.press("Space")
    hands.tab_to("Spool of Step block")
    hands.press("ArrowDown")
    hands.fill("Copies of Step block", str(COPIES))
    hands.tab_to("Policies")
    hands.press("Enter")
    hands.fill("Readings of a face", "2")
    hands.tab_to("Freeze")
    hands.press("Enter")
    page.get_by_role("heading", name="Departures from the protocol, 0").wait_for()

    # 2 Receive
    hands.station(2, "receive")
    for name, truth in MACHINES.items():
        page.get_by_role("navigation", name="Steps of receiving").wait_for()
        hands.tab_to(name)
        hands.press("Enter")
        hands.tab_to("Box")
        hands.press("Enter")
        page.get_by_role("heading", name="Intake").wait_for()
        hands.tab_to("Bought")
        hands.press("Space")
        hands.fill("Price paid", str(int(truth.price)))
        hands.fill("Worth at the end", str(int(truth.residual)))
        hands.tab_to("Save the intake")
        hands.press("Enter")
        page.get_by_role("status").filter(has_text="Saved").wait_for()
        hands.tab_to("Safety")
        hands.press("Enter")
        for check in ("Mains selector", "Cables and plug", "Protective earth and touch current",
                      "Thermal-runaway response", "Emergency stop", "Loose screws, belts and clips"):  # fmt: skip
            card = page.get_by_role("article", name=check)
            card.get_by_role("button", name="Passed", exact=True).focus()
            hands.press("Enter")
            hands.tab_to("Done by", back=True)
            hands.type("Electrician")
            hands.press("Enter")
            card.get_by_text("Passed", exact=True).first.wait_for()
            card.get_by_role("button", name="Re-check passed").wait_for()
    page.get_by_text("The gate is open").wait_for()

    # 3 Print
    sliced = tmp_path / "block.gcode"
    sliced.write_bytes(device.sliced_file("step-block-a-0.20-absolute"))
    made: dict[str, Truth] = {}
    energy_wh = {"Mesa": 110, "Sparrow": 85}
    hands.station(3, "print")
    for number in range(PRINTS):
        # Choosing a file is the browser's own dialog; the rest is keys.
        page.get_by_label("Drop the sliced file").set_input_files(sliced)
        page.get_by_role("heading", name="Sliced file").wait_for()
        page.get_by_text("Settings agree with the protocol").or_(
            page.get_by_text("departs from the protocol")
        ).wait_for()
        name = page.locator("header .chip").first.inner_text().split("\n")[0].strip().split(" copy")[0]
        if page.get_by_text("departs from the protocol").count():
            hands.fill("Reason to print it", "bed warmer by habit")
        hands.tab_to("Start the print")
        hands.press("Space")
        page.get_by_role("timer").wait_for()
        hands.fill("Meter, Wh", str(energy_wh[name]))
        hands.press("Enter")
        page.get_by_text(f"{energy_wh[name]} Wh").wait_for()
        hands.fill("Level, dB", "50")
        hands.fill("Background", "30")
        hands.press("Enter")
        page.get_by_text("at 1 m").first.wait_for()
        hands.tab_to("Stop the timer", back=True)
        hands.press("Space")
        page.get_by_role("group", name="Outcome").wait_for()
        hands.tab_to("Record the outcome")
        hands.press("Enter")
        code = page.locator("b.num.text-title").inner_text()
        made[code] = MACHINES[name]
        if number < PRINTS - 1:
            hands.tab_to("Next print")
            hands.press("Enter")
            page.get_by_label("Drop the sliced file").wait_for(state="attached")
    assert sorted(t.name for t in made.values()) == ["Mesa", "Mesa", "Sparrow", "Sparrow"]

    # 4 Measure
    hands.station(4, "measure")
    rng = np.random.default_rng(11)
    queue = client.get(f"/api/studies/{study}/measure")
    typed: dict[str, list[Reading]] = {}
    for line in queue["queue"]:
        page.locator("header .chip", has_text=line["blind_code"]).wait_for()
        typed[line["blind_code"]] = []
        for face in queue["artifacts"][0]["features"]:
            size = device.true_size_mm(made[line["blind_code"]], face["axis"], face["sense"], face["nominal"])
            values = [device.caliper(size, rng) for _ in range(2)]
            for repeat, value in enumerate(values, 1):
                expect(page.locator("label[for=reading]")).to_contain_text(
                    re.compile(f"{face['code']} · reading {repeat}", re.I)
                )
                hands.type(f"{value:.2f}")
                hands.press("Enter")
            typed[line["blind_code"]] += [Reading(face["code"], value, "C") for value in values]
        expect(page.locator("label[for=reading]")).to_contain_text(re.compile("every face", re.I))
        expect(page.get_by_text("not sent yet")).to_have_count(0)
        specimen = Specimen({f.code: f for f in DESIGNS["SB"].build().features}, tuple(typed[line["blind_code"]]))
        told = SCALE.of_specimen(specimen, {"C": Instrument("C", "caliper", 0.01, 0.01, 0.01)})
        says = {f.quantity.code: f.says for f in told.findings}
        said = page.get_by_role("region", name="What the readings say so far")
        for code in ("scale.x", "wall.offset"):
            expect(said).to_contain_text(f"{says[code].amount} {says[code].uncertainty}")
        hands.press("n")

    # 5 Inspect
    hands.station(5, "inspect")
    page.get_by_text(f"To inspect, {PRINTS}").wait_for()
    for left in range(PRINTS, 0, -1):
        page.get_by_text(f"To inspect, {left}").wait_for()
        for place in range(1, 9):
            page.get_by_text(f"{place} of 8").wait_for()
            hands.press("1")
            if place < 8:
                page.get_by_text(f"{place + 1} of 8").wait_for()
        expect(page.get_by_role("button", name="Lock these scores")).to_be_enabled()
        hands.press("l")
    page.get_by_text(f"Locked by you, {PRINTS}").wait_for()
    expect(page.get_by_text("not sent yet")).to_have_count(0)

    # 6 Cost
    hands.station(6, "cost")
    view = client.get(f"/api/studies/{study}/cost")
    basis = {k: v for k, v in view["basis"].items() if k not in ("version", "upkeep_from_log")}
    for machine in view["machines"]:
        truth = MACHINES[machine["machine"]["name"]]
        expected = cost_per_good_part(
            CostInputs(
                price=truth.price, upgrades=0, residual=truth.residual, parts_per_plate=1, part_g=machine["part_g"],
                purge_g=0, material_per_kg=20, energy_kwh=energy_wh[truth.name] / 1000, hours=machine["hours"],
                success=1.0, **basis,
            )
        )  # fmt: skip
        row = page.get_by_role("listitem").filter(has_text=truth.name)
        expect(row.get_by_role("button", name="per good part, source")).to_have_text(f"{expected.total:.2f}")

    # 7 Rank
    hands.station(7, "rank")
    page.get_by_role("region", name="Verdict").wait_for()
    hidden = page.get_by_role("region", name="Measured and judged figures are hidden.")
    assert client.send("POST", f"/api/studies/{study}/rank", {})["missing_cells"] > 2
    hands.tab_to("Look now")
    hands.press("Enter")
    expect(hidden).to_contain_text("marked “not blind”")
    hands.tab_to("Look and leave the blind")
    hands.press("Enter")
    expect(hidden).to_have_count(0)
    ranked = client.send("POST", f"/api/studies/{study}/rank", {})
    for standing in ranked["standings"]:
        row = page.get_by_role("listitem").filter(has_text=standing["machine"]["name"]).first
        expect(row).to_contain_text(f"{standing['total']:.1f}")
        known = [c for c in standing["contributions"] if c["points"] is not None]
        by_hand = math.fsum(
            next(k["weight"] for k in ranked["criteria"] if k["code"] == c["code"]) * c["value"] for c in known
        ) / sum(c["weight"] for c in ranked["criteria"])  # fmt: skip
        assert by_hand == pytest.approx(standing["total_low"], abs=1e-6)
        unknown = 100 * sum(
            k["weight"]
            for k, c in zip(ranked["criteria"], standing["contributions"], strict=True)
            if c["points"] is None
        )
        assert standing["total_high"] - standing["total_low"] == pytest.approx(
            unknown / sum(c["weight"] for c in ranked["criteria"])
        )
    before = page.get_by_role("slider", name="Weight of Noise").get_attribute("aria-valuenow")
    hands.tab_to("Weight of Noise")
    hands.press(*["ArrowRight"] * 30)
    expect(page.get_by_role("slider", name="Weight of Noise")).to_have_attribute(
        "aria-valuenow", str(int(before) + 30)
    )
    page.get_by_role("button", name="Keep these weights").wait_for()
    hands.press("0")
    expect(page.get_by_role("slider", name="Weight of Noise")).to_have_attribute("aria-valuenow", before)
    page.get_by_role("button", name=re.compile("points, source")).first.focus()
    hands.press(".")
    drawer = page.get_by_role("dialog")
    expect(drawer).to_contain_text(f"{ranked['standings'][0]['total']:.1f} ±")
    hands.press("Escape")

    # 8 Publish
    hands.station(8, "publish")
    hands.fill("What changed", "First look")
    expect(page.get_by_text("Publishing shows their figures by printer to everyone")).to_be_visible()
    hands.tab_to("Publish and end the blind")
    hands.press("Enter")
    link = page.get_by_role("link", name=re.compile("^Revision 1:"))
    link.wait_for()
    report = client.http.get(link.get_attribute("href")).text
    assert ranked["verdict"]["headline"] in report
    assert f"{ranked['standings'][0]['total']:.1f}" in report
