"""A press is never lost: slow lines, no network, two tabs, another person signing in, a clock that is off."""

import re
import time
from datetime import UTC, datetime, timedelta
from email.utils import format_datetime

import psycopg
import pytest
from playwright.sync_api import APIResponse, BrowserContext, Page, Route, expect

from crevlo.core.defects import USUAL
from crevlo.sim import device
from tests.conftest import Bench, Played
from tests.e2e.conftest import Site
from tests.e2e.test_at_the_bench import half_measured
from tests.small import draft_study, frozen_study, new


def rows(bench: Bench, query: str, *given: object) -> list[tuple]:
    with psycopg.connect(bench.url.replace("+psycopg", "")) as connection:
        return connection.execute(query, given).fetchall()


def slow(page: Page, ms: int) -> None:
    """Every call of the API takes so long."""

    def late(route: Route) -> None:
        time.sleep(ms / 1000)
        route.continue_()

    page.route(re.compile("/api/"), late)


def at_inspect(site: Site, played: Played, page: Page) -> str:
    """A rater is there; gives the blind code of what is looked at."""
    site.let_in(page, "rater")
    site.open(page, played.study, "inspect")
    return page.get_by_role("heading", name=re.compile("Scores of")).inner_text().split()[-1]


def all_sent(page: Page) -> None:
    expect(page.get_by_text(re.compile("not sent yet"))).to_have_count(0)


def test_eight_keys_on_a_slow_line_are_eight_scores(demo_site: Site, played: Played, page: Page) -> None:
    code = at_inspect(demo_site, played, page)
    slow(page, 600)
    for key in "12340123":
        page.keyboard.press(key)
    page.keyboard.press("l")
    # The lock is pressed too: the screen is at the next specimen at once.
    expect(page.get_by_role("heading", name=re.compile("Scores of"))).not_to_have_text(f"Scores of {code}")
    all_sent(page)
    kept = dict(
        rows(
            demo_site.bench,
            "select defect, severity from defect_score s join specimen p on p.id = s.specimen_id where p.blind_code = %s",
            code,
        )
    )
    assert [kept[d] for d in USUAL] == [1, 2, 3, 4, 0, 1, 2, 3]
    locked = rows(demo_site.bench, "select count(*) from inspection_lock l join specimen p on p.id = l.specimen_id where p.blind_code = %s", code)  # fmt: skip
    assert locked == [(1,)]


def test_scores_pressed_without_a_network_show_and_wait_and_are_sent_in_order(
    demo_site: Site, played: Played, page: Page, context: BrowserContext
) -> None:
    code = at_inspect(demo_site, played, page)
    context.set_offline(True)
    for key in "123":
        page.keyboard.press(key)
    status = page.get_by_role("status").filter(has_text="not sent yet")
    expect(status).to_have_text("3 not sent yet")
    status.click()
    expect(page.get_by_text(re.compile(rf"{code}, .*: 2"))).to_be_visible()
    page.keyboard.press("Escape")
    context.set_offline(False)
    all_sent(page)
    kept = rows(
        demo_site.bench,
        "select severity from defect_score s join specimen p on p.id = s.specimen_id where p.blind_code = %s order by scored_at",
        code,
    )
    assert kept == [(1,), (2,), (3,)]


@pytest.mark.parametrize("meanwhile", ["nothing else", "a reload"])
def test_what_is_pressed_later_is_later_though_an_answer_puts_the_clock_back(
    demo_site: Site, played: Played, page: Page, context: BrowserContext, meanwhile: str
) -> None:
    code = at_inspect(demo_site, played, page)
    # Of the third press no answer comes before the page is loaded again.
    back = iter((0, 1, None, 2, 2) if meanwhile == "a reload" else (0, 1, 2, 2))
    query = "select severity, scored_at from defect_score s join specimen p on p.id = s.specimen_id where p.blind_code = %s order by scored_at"

    def put_back(route: Route) -> None:
        seconds = next(back)
        if seconds is None:
            route.abort()
            return
        answer = route.fetch()
        at = datetime.now(UTC) - timedelta(seconds=seconds)
        route.fulfill(response=answer, headers={**answer.headers, "date": format_datetime(at, usegmt=True)})

    def until_kept(count: int) -> None:
        # Routes answer only while the page is waited for.
        for _ in range(400):
            if len(rows(demo_site.bench, query, code)) >= count:
                return
            page.wait_for_timeout(50)

    page.route(re.compile(r"/api/specimens/.*/scores"), put_back)
    context.set_offline(True)
    for key in "1234":
        page.keyboard.press(key)
    context.set_offline(False)
    if meanwhile == "a reload":
        until_kept(2)
        page.reload()
    until_kept(4)
    all_sent(page)
    kept = rows(demo_site.bench, query, code)
    assert [severity for severity, _ in kept] == [1, 2, 3, 4]
    assert kept[-1][1] - kept[0][1] < timedelta(seconds=2)


def _measure_offline(page: Page, context: BrowserContext, values: list[str]) -> None:
    for value in values:
        page.keyboard.type(value)
        page.keyboard.press("Enter")


def test_two_tabs_without_a_network_lose_nothing_of_each_other(
    demo_bench: Bench, played: Played, page: Page, context: BrowserContext
) -> None:
    with Site(demo_bench) as site:
        site.sign_in(page, "rater")
        other = context.new_page()
        queue = demo_bench.as_("rater").get(f"/api/studies/{played.study}/measure")["queue"]
        open_ones = [q["blind_code"] for q in queue if q["done"] < q["due"]][:2]
        for tab, code in ((page, open_ones[0]), (other, open_ones[1])):
            site.open(tab, played.study, f"measure#{code}")
        before = rows(demo_bench, "select count(*) from reading")[0][0]
        context.set_offline(True)
        for tab in (page, other, page, other):
            tab.bring_to_front()
            tab.keyboard.press("x")
            tab.get_by_label(re.compile("Why|why")).first.fill("sprue in the way")
            tab.keyboard.press("Enter")
        expect(page.get_by_role("status").filter(has_text="4 not sent yet")).to_be_visible()
        expect(other.get_by_role("status").filter(has_text="4 not sent yet")).to_be_visible()
        context.set_offline(False)
        all_sent(page)
        all_sent(other)
        assert rows(demo_bench, "select count(*) from reading")[0][0] == before + 4
        other.close()


def test_what_a_rater_pressed_never_goes_out_under_who_signs_in_next(
    demo_bench: Bench, played: Played, page: Page
) -> None:
    with Site(demo_bench) as site:
        site.let_in(page, "rater")
        site.open(page, played.study, half_measured(demo_bench, played.study))
        # The screen itself is fetched once it is asked for: it must be there before the server goes.
        expect(page.locator("main .sheet:not(.animate-pulse)").first).to_be_visible()
        port = site.port
    before = rows(demo_bench, "select count(*) from reading")[0][0]
    page.keyboard.type("30.05")
    page.keyboard.press("Enter")
    expect(page.get_by_role("status").filter(has_text="1 not sent yet")).to_be_visible()
    # Before it could be sent, somebody else takes the device over.
    page.route(re.compile("/api/specimens/.*/readings"), lambda route: route.abort())
    with Site(demo_bench, port) as site:
        site.sign_in(page, "reviewer")
        page.unroute(re.compile("/api/specimens/.*/readings"))
        site.open(page, played.study, "measure")
        expect(page.get_by_role("status").filter(has_text="1 of somebody else's")).to_be_visible()
        time.sleep(3)
        assert rows(demo_bench, "select count(*) from reading")[0][0] == before
        site.sign_in(page, "rater")
        site.open(page, played.study, "measure")
        all_sent(page)
        kept = rows(
            demo_bench,
            "select p.role from reading r join person p on p.id = r.person_id order by r.recorded_at desc limit 1",
        )
        assert rows(demo_bench, "select count(*) from reading")[0][0] == before + 1
        assert kept == [("rater",)]


@pytest.fixture
def ready_job(site: Site) -> tuple[str, str]:
    """A print with its file, waiting to be started."""
    client = site.bench.as_("reviewer")
    study = frozen_study(client, frozen_at=datetime.now(UTC) - timedelta(days=1))
    job = client.get(f"/api/studies/{study}/print")["jobs"][0]["id"]
    client.send("PUT", f"/api/jobs/{job}/file", content=device.sliced_file("step-block-a-0.20-absolute"), id=new(), name="a.gcode")  # fmt: skip
    return study, job


def test_a_start_pressed_without_a_network_is_of_that_moment_whatever_the_clock_says(
    site: Site, ready_job: tuple[str, str], page: Page, context: BrowserContext
) -> None:
    study, job = ready_job
    # The device's clock is three hours fast.
    page.add_init_script("const now = Date.now; Date.now = () => now() + 3 * 3600 * 1000")
    site.let_in(page, "reviewer")
    site.open(page, study, f"print#{job}")
    page.get_by_role("button", name="Start the print").wait_for()
    context.set_offline(True)
    pressed = datetime.now(UTC)
    page.keyboard.press("Space")
    expect(page.get_by_text("not sent yet").first).to_be_visible()
    expect(page.get_by_role("timer")).to_contain_text("0:00:0")
    time.sleep(6)
    context.set_offline(False)
    all_sent(page)
    [(started,)] = rows(site.bench, "select started_at from run")
    assert abs((started - pressed).total_seconds()) < 2.5


def test_start_and_stop_without_a_network_survive_a_reload(
    site: Site, ready_job: tuple[str, str], page: Page, context: BrowserContext
) -> None:
    study, job = ready_job
    site.let_in(page, "reviewer")
    site.open(page, study, f"print#{job}")
    page.get_by_role("button", name="Start the print").wait_for()
    # The API is away; the page itself still comes, as it would from a cache.
    away = re.compile(r"/api/(jobs/.*/runs|runs/)")
    page.route(away, lambda route: route.abort())
    page.keyboard.press("Space")
    page.get_by_role("timer").wait_for()
    page.reload()
    page.get_by_role("timer").wait_for()
    expect(page.get_by_role("status").filter(has_text="1 not sent yet")).to_be_visible()
    page.keyboard.press("Space")
    page.get_by_role("button", name="Record the outcome").click()
    expect(page.get_by_role("status").filter(has_text="2 not sent yet")).to_be_visible()
    page.unroute(away)
    all_sent(page)
    [(outcome, attempts)] = rows(site.bench, "select max(outcome), count(*) from run")
    assert (outcome, attempts) == ("done", 1)


def test_a_database_that_is_away_makes_nothing_a_refusal(demo_bench: Bench, played: Played, page: Page) -> None:
    with Site(demo_bench) as site:
        site.let_in(page, "rater")
        site.open(page, played.study, "inspect")
        name = demo_bench.url.rsplit("/", 1)[1]
        away = re.compile("/api/specimens/")
        page.route(
            away,
            lambda route: route.fulfill(status=503, content_type="application/problem+json", body='{"title": "The database does not answer just now.", "status": 503}'),
        )  # fmt: skip
        page.keyboard.press("4")
        time.sleep(2)
        expect(page.get_by_role("status").filter(has_text="1 not sent yet")).to_be_visible()
        expect(page.get_by_text("not taken")).to_have_count(0)
        page.unroute(away)
        all_sent(page)
        assert name


def test_what_the_server_refuses_is_shown_with_its_reason_and_kept_until_it_is_taken_away(
    demo_site: Site, played: Played, page: Page
) -> None:
    demo_site.let_in(page, "reviewer")
    station = half_measured(demo_site.bench, played.study)
    demo_site.open(page, played.study, station)
    expect(page.locator("label[for=reading]")).to_contain_text("Y2 · reading 1 of 3")
    # Somebody else measures the same face meanwhile.
    other = demo_site.bench.as_("rater")
    queue = other.get(f"/api/studies/{played.study}/measure")
    specimen = next(q["id"] for q in queue["queue"] if q["blind_code"] == station.split("#")[1])
    face = next(f for f in other.get(f"/api/specimens/{specimen}")["features"] if f["code"] == "Y2")
    other.send("POST", f"/api/specimens/{specimen}/readings", {
        "id": new(), "feature_id": face["feature_id"], "repeat": 1, "instrument_id": queue["instruments"][0]["id"],
        "value": 30.07})  # fmt: skip
    page.keyboard.type("30.11")
    page.keyboard.press("Enter")
    status = page.get_by_role("status").filter(has_text="1 not taken")
    status.click()
    waiting = page.get_by_role("dialog")
    expect(waiting).to_contain_text("Y2 reading 1 is already kept")
    page.reload()
    page.get_by_role("status").filter(has_text="1 not taken").click()
    page.get_by_role("dialog").get_by_role("button", name="Take it away").click()
    expect(page.get_by_text("1 not taken")).to_have_count(0)


def test_a_draft_is_kept_by_going_away(site: Site, page: Page) -> None:
    client = site.bench.as_("reviewer")
    study = new()
    client.send("POST", "/api/studies", {"id": study, "title": "Draft", "question": ""})
    site.let_in(page, "reviewer")
    site.open(page, study, "plan")
    question = page.get_by_label("Question")
    question.fill("Which one for a narrow bench?")
    # At once to another station and back.
    page.get_by_role("link", name=re.compile("Receive")).click()
    page.get_by_text("No units yet").wait_for()
    page.get_by_role("link", name=re.compile("Plan")).click()
    expect(question).to_have_value("Which one for a narrow bench?")
    expect(page.get_by_role("button", name="Draft is saved")).to_be_visible()
    assert client.get(f"/api/studies/{study}/plan")["question"] == "Which one for a narrow bench?"
    question.fill("Which one for a narrow bench, under 400?")
    expect(page.get_by_role("button", name="Draft is saved")).to_be_visible(timeout=10_000)
    assert client.get(f"/api/studies/{study}/plan")["question"] == "Which one for a narrow bench, under 400?"


def test_freeze_pressed_while_what_was_typed_is_on_its_way_freezes_that(site: Site, page: Page) -> None:
    client = site.bench.as_("reviewer")
    study = draft_study(client)
    site.let_in(page, "reviewer")
    site.open(page, study, "plan")
    held: list[Route] = []
    plan = re.compile(rf"/api/studies/{study}/plan$")

    def hold_the_first(route: Route) -> None:
        if route.request.method == "PUT" and not held:
            held.append(route)
        else:
            route.continue_()

    page.route(plan, hold_the_first)
    with page.expect_request(lambda request: request.method == "PUT" and bool(plan.search(request.url))):
        page.get_by_label("Question").fill("Which one, at the last moment?")
    page.get_by_role("button", name="Freeze").click()
    held[0].continue_()
    page.get_by_role("heading", name="Departures from the protocol, 0").wait_for()
    kept = client.get(f"/api/studies/{study}/plan")
    assert kept["question"] == "Which one, at the last moment?"
    assert kept["frozen_at"] is not None


def test_of_two_changes_at_once_the_later_answer_hides_neither(site: Site, page: Page) -> None:
    client = site.bench.as_("reviewer")
    study = frozen_study(client)
    unit = client.get(f"/api/studies/{study}/receive")["units"][0]["machine"]["unit_id"]
    client.send("POST", f"/api/studies/{study}/units/{unit}/worths", {"id": new(), "name": "Camera", "worth": 40})
    site.let_in(page, "reviewer")
    site.open(page, study, "receive")
    page.get_by_role("navigation", name="Steps of receiving").get_by_role("button", name="Worth").click()
    held: list[tuple[Route, APIResponse]] = []
    page.route("**/features/*", lambda route: held.append((route, route.fetch())))
    # The tick is with the server before the base is; its answer comes back after that of the base.
    page.get_by_label("Camera", exact=True).check()
    end = time.monotonic() + 30
    while not held and time.monotonic() < end:
        page.wait_for_timeout(50)
    base = page.get_by_label("What a machine without any of these is worth")
    with page.expect_response("**/worth-base"):
        base.fill("200")
        base.blur()
    route, answer = held[0]
    route.fulfill(response=answer)
    expect(base).to_have_value("200")
    page.wait_for_load_state("networkidle")
    expect(base).to_have_value("200")
    expect(page.get_by_label("Camera", exact=True)).to_be_checked()


def test_a_feature_is_ticked_and_the_worth_begins_with_a_base(site: Site, page: Page) -> None:
    client = site.bench.as_("reviewer")
    study = frozen_study(client)
    unit = client.get(f"/api/studies/{study}/receive")["units"][0]
    path = f"/api/studies/{study}/units/{unit['machine']['unit_id']}"
    client.send("PUT", path, {"version": unit["version"], "price_paid": 300})
    client.send("POST", f"{path}/worths", {"id": new(), "name": "Camera", "worth": 40})
    site.let_in(page, "reviewer")
    site.open(page, study, "receive")
    page.get_by_role("navigation", name="Steps of receiving").get_by_role("button", name="Worth").click()
    page.get_by_label("What a machine without any of these is worth").fill("200")
    page.get_by_label("Camera", exact=True).check()
    expect(
        page.get_by_text("A machine worth 240 EUR (base 200; Camera), 60 EUR less than the 300 paid.")
    ).to_be_visible()
    expect(page.get_by_label("Camera", exact=True)).to_be_checked()
