"""Every screen: accessible in both themes, nothing clipped, no words of a fault."""

import re
from collections.abc import Callable

import pytest
from playwright.sync_api import Page, Response, expect

from tests.conftest import Played
from tests.e2e.conftest import Site
from tests.e2e.test_at_the_bench import LIVE
from tests.small import frozen_study

STATIONS = ("plan", "receive", "print", "measure", "inspect", "cost", "rank", "publish")
OTHERS = ("library/artifacts", "library/machines", "library/spools", "library/instruments", "people", "api-docs", "")


def test_every_screen_is_accessible(shared_site: Site, played: Played, page: Page, check_axe: Callable) -> None:
    faults: list[str] = []
    page.on("pageerror", lambda error: faults.append(str(error)))
    page.on("console", lambda m: faults.append(m.text) if m.type == "error" else None)
    shared_site.let_in(page, "owner")
    theme = page.locator("html")
    found = {}
    for path in [f"study/{played.study}/{s}" for s in STATIONS] + list(OTHERS):
        shared_site.go(page, path)
        expect(theme).to_have_attribute("data-theme", "light")
        wide = page.evaluate("document.documentElement.scrollWidth - innerWidth")
        violations = check_axe(page) + ([f"page is {wide} px too wide"] if wide > 0 else [])
        page.get_by_role("button", name="Late shift: dark").click()
        expect(theme).to_have_attribute("data-theme", "dark")
        violations += [f"dark: {v}" for v in check_axe(page)]
        page.get_by_role("button", name="Daylight: light").click()
        if violations:
            found[path] = violations
    assert found == {}
    assert faults == []


def test_signing_in_and_an_open_drawer_are_accessible(
    shared_site: Site, played: Played, page: Page, check_axe: Callable
) -> None:
    page.goto(shared_site.url)
    page.get_by_role("heading", name="Sign in").wait_for()
    assert check_axe(page) == []
    shared_site.let_in(page, "owner")
    shared_site.open(page, played.study, "rank")
    page.get_by_role("button", name="points, source").first.click()
    page.get_by_role("dialog").get_by_text("Dimensional accuracy").wait_for()
    assert check_axe(page) == []


@pytest.mark.parametrize(("width", "height"), [(1024, 768), (390, 844)])
def test_the_bench_screens_work_on_a_tablet_and_a_phone(
    shared_site: Site, played: Played, page: Page, width: int, height: int
) -> None:
    shared_site.let_in(page, "owner")
    page.set_viewport_size({"width": width, "height": height})
    for station, needed in (
        ("print", page.get_by_role("button", name=LIVE)),
        ("print#", page.get_by_role("button", name="Stop the timer")),
        ("measure", page.get_by_label("reading 1 of 3")),
        ("rank", page.get_by_role("heading", name="Hollowell Mesa", exact=True)),
    ):
        if station == "print#":
            page.get_by_role("button", name=LIVE).click()
        else:
            shared_site.open(page, played.study, station)
        needed.scroll_into_view_if_needed()
        box = needed.bounding_box()
        assert box["x"] >= 0
        assert box["x"] + box["width"] <= width + 0.5, station
        assert page.evaluate("document.documentElement.scrollWidth") <= width, station
        if station != "rank":
            assert box["height"] >= 44, station


def test_a_rater_sees_codes_and_no_machines(shared_site: Site, played: Played, page: Page) -> None:
    answers: list[Response] = []
    page.on("response", lambda response: answers.append(response))
    shared_site.let_in(page, "rater")
    names = {truth.name for truth in played.made_by.values()}
    sent: list[str] = []
    for station in ("measure", "inspect"):
        shared_site.open(page, played.study, station)
        sent += [r.text() for r in answers if "/api/studies/" in r.url or "/api/specimens/" in r.url]
        answers.clear()
        shown = page.locator("body").inner_text()
        assert "Machines hidden" in shown
        assert not [n for n in names if n in shown]
    rail = page.get_by_role("navigation", name="Stations")
    expect(rail.get_by_role("link", name="Rank")).to_have_count(0)
    assert len(sent) >= 4
    assert not [n for n in names for body in sent if n in body]


def test_a_long_list_draws_what_is_near_the_view_and_brings_the_chosen_print_into_it(site: Site, page: Page) -> None:
    client = site.bench.as_("reviewer")
    study = frozen_study(client, tuple(f"Machine {number}" for number in range(8)), copies=20)
    jobs = client.get(f"/api/studies/{study}/print")["jobs"]
    assert len(jobs) == 160
    site.let_in(page, "reviewer")
    site.open(page, study, f"print#{jobs[-1]['id']}")
    prints = page.get_by_role("region", name="Prints")
    chosen = prints.locator("[aria-current=true]")
    expect(chosen).to_be_in_viewport()
    expect(chosen).to_contain_text("160")
    assert prints.get_by_role("listitem").count() < 80
    page.keyboard.press("ArrowUp")
    expect(chosen).to_contain_text("159")
    prints.evaluate("box => box.scrollTo(0, 0)")
    expect(prints.get_by_role("button", name=re.compile(r"^1 ?Machine"))).to_be_in_viewport()
    # The way back stays over the rows that pass under it.
    prints.evaluate("box => box.scrollTo(0, 3000)")
    prints.get_by_role("button", name="The whole bench").click()
    page.get_by_role("region", name="The bench now").wait_for()
