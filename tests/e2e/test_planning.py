"""Planning in the browser: the builder, an own artifact with its faces picked, the schedule and the day at the bench."""

import os
import re
import subprocess
import sys
from collections.abc import Iterator
from contextlib import suppress
from pathlib import Path

import pytest
from playwright.sync_api import Page, expect
from playwright.sync_api import TimeoutError as PlaywrightTimeout

from crevlo.core.artifacts.artifact import Artifact, Body
from crevlo.core.artifacts.export import stl
from crevlo.core.artifacts.shape import block
from crevlo.sim.demo import DRAFT_TITLE
from tests.conftest import Played
from tests.e2e.conftest import Site
from tests.small import frozen_study


def _study(site: Site, title: str) -> str:
    cards = site.bench.as_("reviewer").get("/api/studies")["studies"]
    return next(c["id"] for c in cards if c["title"] == title)


def test_a_protocol_is_built_its_effort_grows_and_it_is_frozen(demo_site: Site, page: Page, check_axe) -> None:
    study = _study(demo_site, DRAFT_TITLE)
    demo_site.let_in(page, "reviewer")
    demo_site.open(page, study, "plan")
    freeze = page.get_by_role("region", name="Freeze")
    page.get_by_label("Start from a template").select_option("quick")
    expect(page.get_by_label("Copies of Rack arm")).to_have_value("1")
    expect(freeze).to_contain_text("15 prints")
    before = float(re.search(r"(\d+) h of printing", freeze.inner_text()).group(1))
    page.get_by_role("button", name="Add an artifact").click()
    page.get_by_role("button", name="Warp bar").click()
    page.get_by_role("button", name="Done").click()
    expect(freeze).to_contain_text("24 prints")
    expect(freeze).not_to_contain_text(f"{before:.0f} h of printing")
    # A spool for all lines at once, then a second arm with the makers' own profiles.
    expect(page.get_by_role("button", name="Freeze")).to_be_disabled()
    page.get_by_label("Spool for all that have none").select_option(index=1)
    page.get_by_role("button", name="Add an arm").click()
    expect(page.get_by_role("tab", name="Makers' own profiles")).to_have_attribute("aria-selected", "true")
    expect(freeze).to_contain_text("48 prints")
    expect(page.get_by_label("Layer height, mm")).to_have_value("")
    page.get_by_role("tab", name="Policies").click()
    page.get_by_text("Spools of one lot").click()
    assert check_axe(page) == []
    page.get_by_label("Tell apart, mm").fill("0.05")
    expect(freeze).to_contain_text(re.compile(r"\d+ copies on each machine tell 0.05"))
    page.get_by_role("button", name="Keep as template").click()
    page.get_by_label("Name of the template").fill("Bars and arms")
    page.keyboard.press("Enter")
    expect(page.get_by_label("Start from a template")).to_contain_text("Bars and arms")
    page.get_by_role("button", name="Freeze").click()
    page.get_by_role("heading", name="Departures from the protocol, 0").wait_for()
    expect(page.get_by_role("region", name="Protocol")).to_contain_text("Makers' own profiles")
    assert demo_site.bench.as_("reviewer").get(f"/api/studies/{study}/plan")["frozen_at"]


def test_an_own_mesh_is_turned_and_its_faces_picked(site: Site, page: Page, tmp_path: Path) -> None:
    part = Artifact("HK", "Hook", (Body(block(0, 30, 0, 20, 0, 10)),), (), "", "", "")
    mesh = tmp_path / "hook.stl"
    mesh.write_bytes(stl(part, 1))
    torn = tmp_path / "torn.stl"
    content = mesh.read_bytes()
    torn.write_bytes(content[:80] + (int.from_bytes(content[80:84], "little") - 1).to_bytes(4, "little") + content[84:-50])  # fmt: skip
    faults: list[str] = []
    page.on("pageerror", lambda error: faults.append(str(error)))
    site.let_in(page, "reviewer")
    page.goto(f"{site.url}/library/artifacts")
    page.get_by_role("button", name="Own", exact=False).first.click()
    page.get_by_label("Drop an STL or 3MF").set_input_files(torn)
    expect(page.get_by_role("alert")).to_contain_text("is not closed")
    page.get_by_label("Drop an STL or 3MF").set_input_files(mesh)
    canvas = page.locator("canvas")
    canvas.wait_for()
    page.wait_for_timeout(800)  # the first frame of the software renderer
    box = canvas.bounding_box()
    # Seen from the front right: the front face lies left of the middle; half a turn puts the back face there.
    face = (box["x"] + box["width"] / 2 - box["height"] * 0.12, box["y"] + box["height"] * 0.53)
    page.mouse.click(*face)
    page.get_by_text("Now the second face.").wait_for()
    page.mouse.move(box["x"] + 20, box["y"] + 20)
    page.mouse.down()
    page.mouse.move(box["x"] + 20 + box["height"] / 2, box["y"] + 20, steps=8)
    page.mouse.up()
    page.wait_for_timeout(600)
    page.mouse.click(*face)
    expect(page.get_by_label(re.compile("^Nominal of F1"))).to_have_value("20")
    expect(page.get_by_label("Axis of F1")).to_have_value("Y")
    page.get_by_role("textbox", name=re.compile("^Code")).first.fill("HK")
    page.get_by_label("Name", exact=True).fill("Hook")
    expect(page.get_by_text("Still missing: what it tells, the licence, where it comes from.")).to_be_visible()
    page.get_by_label("What it tells").fill("Whether hooks hold")
    page.get_by_label("Licence").fill("own work")
    page.get_by_label("Where it comes from").fill("drawn at the bench")
    page.get_by_role("button", name="Type a nominal instead").click()
    page.get_by_label(re.compile("^Nominal of F2")).fill("30")
    page.get_by_role("button", name="Put it on the shelf").click()
    detail = page.get_by_role("region", name="Hook")
    expect(detail).to_contain_text("30 × 20 × 10 mm")
    expect(detail).to_contain_text("own work")
    assert faults == []


@pytest.fixture
def worker(site: Site) -> Iterator[subprocess.Popen]:
    """The real worker process on the test's database."""
    process = subprocess.Popen(
        [sys.executable, "-m", "crevlo.cli.main", "worker"], env=os.environ | {"DATABASE_URL": site.bench.url}
    )
    yield process
    process.terminate()
    assert process.wait(10) is not None


@pytest.mark.usefixtures("worker")
def test_a_schedule_is_made_pinned_and_carried_to_the_bench(site: Site, page: Page, check_axe) -> None:
    client = site.bench.as_("reviewer")
    study = frozen_study(client, ("Mesa", "Sparrow", "Twin"), copies=2)
    site.let_in(page, "reviewer")
    page.goto(f"{site.url}/study/{study}/plan#schedule")
    page.get_by_text("6 prints on 3 machines have no time yet.").wait_for()
    page.get_by_role("button", name="Hours, circuits, handling").click()
    page.get_by_label("Hours on Saturday").fill("10:00-16.30")
    page.get_by_label("Hours on Sunday").fill("ten to four")
    page.get_by_role("button", name="Keep these").click()
    expect(page.get_by_role("alert")).to_contain_text("Sunday: write hours like")
    page.get_by_label("Hours on Sunday").fill("")
    page.get_by_role("button", name="Add a circuit").click()
    for name in ("Mesa", "Sparrow", "Twin"):
        page.get_by_label(name).first.check()
    page.get_by_role("button", name="Keep these").click()
    page.get_by_role("button", name="Make the schedule").click()
    timeline = page.get_by_role("group", name="Timeline")
    enough = page.get_by_role("button", name="Enough, keep this")
    # A quick machine is through before anybody can say so.
    timeline.or_(enough).first.wait_for()
    if enough.is_visible():
        with suppress(PlaywrightTimeout):
            enough.click(timeout=2000)
    timeline.wait_for()
    expect(page.get_by_text("if nothing fails")).to_be_visible()
    assert check_axe(page) == []
    # Dragging pins; the next plan keeps it.
    page.get_by_role("radio", name="All").click()
    plan = client.get(f"/api/studies/{study}/schedule")["schedule"]
    last = plan["slots"][-1]
    bars = timeline.get_by_role("button")
    expect(bars).to_have_count(6)
    box = bars.last.bounding_box()
    page.mouse.move(box["x"] + box["width"] / 2, box["y"] + box["height"] / 2)
    page.mouse.down()
    page.mouse.move(box["x"] + box["width"] / 2 + 30, box["y"] + box["height"] / 2, steps=6)
    page.mouse.up()
    expect(page.get_by_text("Pins have changed.")).to_be_visible()
    pins = client.get(f"/api/studies/{study}/schedule")["pins"]
    assert [p["job_id"] for p in pins] == [last["job_id"]]
    # By the keyboard and the clock: pinned on the next Monday at ten.
    bars.first.focus()
    page.keyboard.press("Enter")
    page.get_by_role("button", name="Back to the whole").wait_for()
    bars.last.focus()
    page.keyboard.press("Enter")
    page.get_by_role("button", name="Unpin").click()
    expect(page.get_by_text("Pins have changed.")).to_have_count(0)
    page.get_by_role("link", name="At the bench").click()
    page.get_by_text(re.compile("^(Now|Next, )")).first.wait_for()
    order = page.get_by_role("list", name="The day in order").get_by_role("listitem")
    assert order.count() == len(client.get(f"/api/studies/{study}/day")["actions"])
    assert check_axe(page) == []
    page.emulate_media(media="print")
    expect(page.get_by_role("navigation", name="Stations")).to_be_hidden()
    expect(page.get_by_text("Tick what is done")).to_be_visible()


def test_a_plate_keeps_off_the_clips_of_a_round_bed(site: Site, page: Page) -> None:
    client = site.bench.as_("reviewer")
    site.let_in(page, "reviewer")
    page.goto(f"{site.url}/library/machines")
    page.get_by_role("button", name="Add a machine").click()
    form = page.get_by_role("form", name="Sheet of a new machine")
    form.get_by_label("Name").fill("Orrin Round")
    form.get_by_label("Round bed").check()
    form.get_by_label("Kept free on the bed").fill("0,0,220,60")
    form.get_by_label("Board").fill("own board")
    form.get_by_role("button", name="Add the machine").click()
    expect(page.get_by_role("row", name=re.compile("Orrin Round"))).to_contain_text("⌀ 220")
    page.get_by_role("button", name="Orrin Round").click()
    expect(page.get_by_label("Board")).to_have_value("own board")
    page.goto(f"{site.url}/library/artifacts#SB")
    detail = page.get_by_role("region", name="Step block")
    detail.get_by_role("radio", name="Plate", exact=True).click()
    picture = detail.get_by_role("img", name=re.compile("copies on a bed of 220 by 220"))
    picture.wait_for()
    ask = {"bed_x": 220, "bed_y": 220, "round": True, "keep_out": "0,0,220,60"}
    some = client.get("/api/shelf/SB/plate", **ask)
    assert 0 < some["copies"] < client.get("/api/shelf/SB/plate", **(ask | {"keep_out": ""}))["copies"]
    assert all(y >= -110 + 60 - 0.01 for outline in some["outlines"] for _, y in outline)
    expect(detail).to_contain_text(f"{some['copies']} fit")


def test_the_plans_views_are_accessible(shared_site: Site, played: Played, page: Page, check_axe) -> None:
    study = _study(shared_site, "Counter spares, winter round")
    shared_site.let_in(page, "owner")
    for view, seen in (("", "Departures from the protocol"), ("#schedule", "Through by"), ("#bench", "Mind")):
        page.goto(f"{shared_site.url}/study/{study}/plan{view}")
        page.get_by_text(seen).first.wait_for()
        assert check_axe(page) == [], view
        assert page.evaluate("document.documentElement.scrollWidth - innerWidth") <= 0
