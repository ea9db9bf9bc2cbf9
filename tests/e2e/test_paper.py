"""A print typed from a sheet of paper in the browser, its pause left out, its file found later."""

from datetime import UTC, datetime, timedelta
from pathlib import Path

from playwright.sync_api import Page, expect

from tests.e2e.conftest import Site
from tests.small import frozen_study
from tests.states import SLICED


def test_a_print_is_typed_from_paper_and_its_file_tied_to_it_later(
    site: Site, page: Page, check_axe, tmp_path: Path
) -> None:
    client = site.bench.as_("reviewer")
    day = datetime.now(UTC) - timedelta(days=2)
    study = frozen_study(client, frozen_at=day - timedelta(days=1))
    job = client.get(f"/api/studies/{study}/print")["jobs"][0]
    site.let_in(page, "reviewer")
    page.goto(f"{site.url}/study/{study}/print#{job['id']}")
    page.get_by_role("button", name="It was printed already").click()
    form = page.get_by_role("form", name="Typed from paper")

    def typed(hour: int, minute: int = 0) -> str:
        return f"{day:%Y-%m-%d}T{hour:02}:{minute:02}"

    form.get_by_label("Started").fill(typed(8))
    form.get_by_label("Ended", exact=True).fill(typed(12, 30))
    form.get_by_role("button", name="A pause").click()
    form.get_by_label("Pause 1, from").fill(typed(9))
    form.get_by_label("Pause 1, to").fill(typed(13))
    form.get_by_label("Why there is no sliced file of it").fill("the stick was lost")
    form.get_by_role("button", name="Keep this print").click()
    expect(form.get_by_role("alert")).to_contain_text("Pauses lie within the print")
    # What was typed is still there.
    expect(form.get_by_label("Ended")).to_have_value(typed(12, 30))
    form.get_by_label("Pause 1, to").fill(typed(10))
    expect(form).to_contain_text("3 h 30 min of printing")
    assert check_axe(page) == []
    form.get_by_role("button", name="Keep this print").click()
    expect(page.get_by_text("Typed from paper on")).to_be_visible()
    expect(page.get_by_text("No sliced file of it is on record.")).to_be_visible()
    run = client.get(f"/api/jobs/{job['id']}")["runs"][-1]
    assert (run["took_s"], run["paused_s"]) == (16200, 3600)
    file = tmp_path / "found.gcode"
    file.write_bytes(SLICED)
    page.get_by_label("Drop its sliced file, once it is found").set_input_files(file)
    page.get_by_role("button", name="It was printed from found.gcode").click()
    expect(page.get_by_text("No sliced file of it is on record.")).to_have_count(0)
    assert client.get(f"/api/jobs/{job['id']}")["runs"][-1]["has_file"]


def test_a_machine_that_cannot_print_it_says_so_and_can_be_taken_back(site: Site, page: Page, check_axe) -> None:
    client = site.bench.as_("reviewer")
    study = frozen_study(client, copies=2)
    jobs = client.get(f"/api/studies/{study}/print")["jobs"]
    mine = next(j for j in jobs if j["machine"]["name"] == "Mesa")
    site.let_in(page, "reviewer")
    page.goto(f"{site.url}/study/{study}/print#{mine['id']}")
    page.get_by_role("button", name="This machine cannot print it").click()
    form = page.get_by_role("form", name="Whether it can print this")
    form.get_by_label("Because").select_option("bed")
    form.get_by_role("button", name="Put it on record").click()
    expect(page.get_by_text("It cannot print this: its bed does not get hot enough.")).to_be_visible()
    expect(page.get_by_role("region", name="Prints").get_by_text("cannot print it")).to_have_count(2)
    assert check_axe(page) == []
    page.get_by_role("button", name="It can after all").click()
    form.get_by_label("What has changed, or what was wrong").fill("a cover was fitted")
    form.get_by_role("button", name="Take it back").click()
    expect(page.get_by_role("button", name="This machine cannot print it")).to_be_visible()
    assert client.get(f"/api/jobs/{mine['id']}")["cannot"] == ""


def test_a_print_outside_the_plan_is_added_and_shown_as_such(site: Site, page: Page, check_axe) -> None:
    client = site.bench.as_("reviewer")
    study = frozen_study(client)
    job = client.get(f"/api/studies/{study}/print")["jobs"][0]
    site.let_in(page, "reviewer")
    page.goto(f"{site.url}/study/{study}/print#{job['id']}")
    page.get_by_role("button", name="Print one more like it").click()
    form = page.get_by_role("form", name="One more print")
    expect(form.get_by_label("It counts beside the planned copies")).to_be_checked()
    form.get_by_label("What it is").select_option("a trial")
    expect(form.get_by_label("It counts beside the planned copies")).not_to_be_checked()
    form.get_by_label("Why").fill("another nozzle")
    assert check_axe(page) == []
    form.get_by_role("button", name="Add this print").click()
    expect(page.get_by_text("Outside the plan: a trial, does not count.")).to_be_visible()
    expect(page.get_by_role("region", name="Prints").get_by_text("a trial")).to_be_visible()
    added = client.get(f"/api/studies/{study}/print")["jobs"][-1]
    assert page.url.endswith(f"#{added['id']}")


def test_the_hour_that_a_clock_set_back_has_twice_is_asked_for(site: Site, browser) -> None:
    client = site.bench.as_("reviewer")
    study = frozen_study(client, frozen_at=datetime(2026, 10, 20, tzinfo=UTC))
    job = client.get(f"/api/studies/{study}/print")["jobs"][0]
    page = browser.new_context(timezone_id="Europe/Berlin").new_page()
    site.let_in(page, "reviewer")
    page.goto(f"{site.url}/study/{study}/print#{job['id']}")
    page.get_by_role("button", name="It was printed already").click()
    form = page.get_by_role("form", name="Typed from paper")
    form.get_by_label("Started").fill("2026-10-25T01:30")
    form.get_by_label("Ended", exact=True).fill("2026-10-25T02:45")
    expect(form).to_contain_text("1 h 15 min of printing")
    form.get_by_label("Ended: this hour came twice that night; it was the second").check()
    expect(form).to_contain_text("2 h 15 min of printing")
    form.get_by_label("Why there is no sliced file of it").fill("the stick was lost")
    form.get_by_role("button", name="Keep this print").click()
    expect(page.get_by_text("Typed from paper on")).to_be_visible()
    run = client.get(f"/api/jobs/{job['id']}")["runs"][-1]
    assert (run["took_s"], run["ended_at"][:16]) == (8100, "2026-10-25T01:45")
