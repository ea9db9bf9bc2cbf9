"""Two dozen machines: what a screen is for keeps its room, however long the lists beside it."""

import uuid

from playwright.sync_api import Locator, Page, expect

from crevlo.stations.library.unit import nth_unit
from crevlo.store.database import sessions
from tests.conftest import Bench
from tests.e2e.conftest import Site
from tests.small import draft_study
from tests.states import Turned, make

NAMES = [f"Bench {n}" for n in range(1, 23)]


def height(of: Locator) -> float:
    box = of.bounding_box()
    assert box
    return box["height"]


def test_rank_and_cost_of_two_dozen_machines_can_be_read(site: Site, bench: Bench, page: Page) -> None:
    turned = {
        name: Turned(minutes=50 + at, off_mm=0.02 + 0.005 * at, price=300 + at) for at, name in enumerate(NAMES)
    }
    study = make(bench.as_("reviewer"), turned)
    page.set_viewport_size({"width": 1280, "height": 800})
    site.let_in(page, "reviewer")
    site.open(page, study, "rank")
    ranking = page.get_by_role("region", name="Ranking")
    assert height(ranking) > 300
    expect(ranking.get_by_role("listitem").filter(has_text="Bench 1").first).to_be_in_viewport()
    chances = page.get_by_role("table")
    expect(chances.get_by_role("columnheader")).to_have_text(["1", "2–3", "4–5", "6–10", "11–20", "21–22"])
    expect(chances.get_by_role("rowheader")).to_have_count(22)
    row = chances.get_by_role("row").filter(has_text="Bench 22")
    row.scroll_into_view_if_needed()
    expect(row).to_be_in_viewport()
    site.open(page, study, "rank#results")
    expect(page.get_by_text("More columns to the right: scroll sideways.")).to_be_visible()
    site.open(page, study, "cost")
    for name in ("Cost per good part", "What goes in, per machine"):
        card = page.get_by_role("region", name=name)
        assert height(card) > 200
        last = card.get_by_text("Bench 22", exact=True)
        last.scroll_into_view_if_needed()
        expect(last).to_be_in_viewport()


def test_of_many_units_of_a_model_any_is_named_by_its_number(site: Site, bench: Bench, page: Page) -> None:
    client = bench.as_("reviewer")
    study = draft_study(client, ("Mesa", "Sparrow"))
    mesa = client.get(f"/api/studies/{study}/plan")["candidates"][0]["model_id"]
    with sessions(bench.engine).begin() as session:
        for number in range(2, 61):
            nth_unit(session, uuid.UUID(mesa), number)
    page.set_viewport_size({"width": 1280, "height": 800})
    site.let_in(page, "reviewer")
    site.open(page, study, "plan")
    units = page.get_by_role("group", name="Units of Mesa that take part")
    expect(units.get_by_role("checkbox")).to_have_count(4)
    number = units.get_by_label("Number of another unit of Mesa, 1 to 60")
    number.fill("61")
    expect(units.get_by_role("button", name="Add it")).to_be_disabled()
    number.fill("17")
    number.press("Enter")
    expect(units.get_by_role("checkbox", name="no. 17")).to_be_checked()
    expect(number).to_have_value("")
    page.get_by_role("button", name="Freeze").click()
    page.get_by_role("heading", name="Departures from the protocol, 0").wait_for()
    rows = client.get(f"/api/studies/{study}/plan")["coverage"]
    assert [r["machine"]["name"] for r in rows] == ["Mesa", "Sparrow", "Mesa no. 17"]
