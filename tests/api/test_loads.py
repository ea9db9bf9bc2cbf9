"""What a screen asks of the database does not grow with machines, prints or readings."""

from collections.abc import Callable
from types import SimpleNamespace

import httpx
import pytest

from bench.fill import fill
from bench.loads import counted, screens_of
from crevlo.core.evaluations.cost import plates
from crevlo.core.once import _made
from crevlo.stations.figures import study as figures
from crevlo.stations.figures.study import MOST_PRINTS, _prints_of
from crevlo.stations.kit.kept import Kept
from crevlo.stations.rank import results
from tests.api.test_publish import publish
from tests.conftest import Bench
from tests.small import draft_study, new
from tests.states import Turned, make

FEW = ("First", "Second")
MANY = ("First", "Second", "Third", "Fourth", "Fifth")


@pytest.fixture(scope="module")
def asked(empty: str, copy_of, drop) -> dict[str, tuple[int, int]]:
    """Questions by screen, of a study of two machines and two prints, and of one of five and ten."""
    bench = Bench(copy_of(empty))
    client = bench.as_("reviewer")
    studies = [
        make(client, dict.fromkeys(names, Turned()), copies=copies, title=title)
        for names, copies, title in ((FEW, 1, "Few"), (MANY, 2, "Many"))
    ]
    for study in studies:
        publish(client, study)
    few, many = ({name: _questions(bench, call) for name, call in screens_of(client, s).items()} for s in studies)
    bench.close()
    drop(bench.url)
    return {name: (few[name], many[name]) for name in few}


def _questions(bench: Bench, call: Callable[[], httpx.Response]) -> int:
    assert call().status_code == 200
    with counted(bench.engine) as seen:
        call()
    return len(seen)


@pytest.mark.parametrize(
    "screen",
    ["studies", "library", "line", "plan", "receive", "record", "print", "job", "live", "measure", "specimen", "inspect",
     "cost", "cost table", "rank", "publish", "schedule", "holds", "life",
     "results", "picks", "other ways", "what next", "left out"],
)  # fmt: skip
def test_a_larger_study_is_not_asked_about_more_often(asked: dict[str, tuple[int, int]], screen: str) -> None:
    few, many = asked[screen]
    assert many <= few
    assert many <= 40


def test_what_is_due_is_asked_for_once_however_many_machines_were_published(bench: Bench) -> None:
    client = bench.as_("reviewer")
    asked = []
    for names, title in ((FEW, "Few"), (MANY, "Many")):
        publish(client, make(client, dict.fromkeys(names, Turned()), title=title))
        asked.append(_questions(bench, lambda: client.http.get("/api/reminders")))
    assert asked[1] <= asked[0] <= 20


def test_a_database_can_be_filled_with_rounds_like_one_and_each_answers_on_every_screen(
    bench: Bench, as_owner: Callable[[str], str]
) -> None:
    client = bench.as_("reviewer")
    study = make(client, dict.fromkeys(FEW, Turned()), copies=2, title="Once")
    told = client.send("POST", f"/api/studies/{study}/rank", {})["standings"]
    rows = fill(as_owner(bench.url).replace("+psycopg", ""), studies=2, more_copies=3, more_repeats=4, samples=0)
    assert (rows["study"], rows["unit"], rows["specimen"]) == (3, 3 * len(FEW), 4 + 2 * 3 * 4)
    assert client.send("POST", f"/api/studies/{study}/rank", {})["standings"] == told
    copied = {s["title"]: s["id"] for s in client.get("/api/studies")["studies"]}
    assert set(copied) == {"Once", "Once 1", "Once 2"}
    for name, call in screens_of(client, copied["Once 2"]).items():
        assert call().status_code == 200, name


def test_what_is_held_already_is_not_sent_again(bench: Bench) -> None:
    client = bench.as_("reviewer")
    study = draft_study(client, ("First",), title="Asked again")
    page = f"/api/studies/{study}/receive"
    asked = {"If-None-Match": client.http.get(page).headers["ETag"]}
    again = client.http.get(page, headers=asked)
    assert (again.status_code, again.content, again.headers["Cache-Control"]) == (304, b"", "no-store")
    assert bench.anyone().http.get(page, headers=asked).status_code == 401
    [unit] = client.get(page)["units"]
    path = f"/api/studies/{study}/units/{unit['machine']['unit_id']}"
    client.send("PUT", path, {"version": unit["version"], "price_paid": 512, "obtained": "bought"})
    changed = client.http.get(page, headers=asked)
    assert (changed.status_code, "512" in changed.text) == (200, True)


def test_the_life_of_a_unit_reads_its_studies_once_as_many_as_it_shows(bench: Bench) -> None:
    client = bench.as_("reviewer")
    studies = [
        make(client, {"Mesa": Turned(minutes=40 + at), "Sparrow": Turned()}, title=f"Round {at}") for at in range(6)
    ]
    unit = client.get(f"/api/studies/{studies[0]}/receive")["units"][0]["machine"]["unit_id"]
    assert [s["title"] for s in client.get(f"/api/units/{unit}/life")["studies"]] == [
        f"Round {at}" for at in range(5, -1, -1)
    ]
    assert _questions(bench, lambda: client.http.get(f"/api/units/{unit}/life")) <= 40


def test_more_buyers_are_not_more_questions(bench: Bench) -> None:
    client = bench.as_("reviewer")
    study = make(client, dict.fromkeys(FEW, Turned()), copies=2)

    def picks() -> int:
        return _questions(bench, lambda: client.http.get(f"/api/studies/{study}/picks"))

    for_one = picks()
    for name in ("A school", "A workshop", "A library"):
        client.send("POST", f"/api/studies/{study}/buyers", {"id": new(), "name": name})
    assert len(client.get(f"/api/studies/{study}/picks")["picks"]) == 4
    assert picks() <= for_one


def test_what_a_plate_takes_is_worked_out_once_for_all_that_is_said_of_cost(
    bench: Bench, monkeypatch: pytest.MonkeyPatch
) -> None:
    client, asked = bench.as_("reviewer"), []

    def counted_plates(*given):
        asked.append(given)
        return plates(*given)

    monkeypatch.setattr(figures, "plates", counted_plates)
    study = make(client, dict.fromkeys(FEW, Turned()), copies=2)
    table = client.get(f"/api/studies/{study}/cost-table")
    assert [len(row["cells"]) for row in table["rows"]] == [2]
    shown = client.get(f"/api/studies/{study}/cost")
    assert client.get(f"/api/studies/{study}/cost") == shown
    assert len(asked) == 1
    client.send("PUT", f"/api/studies/{study}/cost", shown["basis"] | {"tariff_per_kwh": 3.0})
    dearer = client.get(f"/api/studies/{study}/cost")
    assert dearer["machines"][0]["total"]["value"] > shown["machines"][0]["total"]["value"]


def test_many_small_studies_are_kept_and_one_of_any_size() -> None:
    def study(prints: int) -> SimpleNamespace:
        return SimpleNamespace(bench=SimpleNamespace(jobs=range(prints)))

    kept: Kept = Kept(MOST_PRINTS, _prints_of)
    small = [kept.get(f"small {n}", lambda: study(40)) for n in range(100)]
    assert [kept.get(f"small {n}", lambda: study(0)) for n in range(100)] == small
    largest = kept.get("largest", lambda: study(10 * MOST_PRINTS))
    assert kept.get("largest", lambda: study(0)) is largest


def test_a_question_is_prepared_once_and_stays_so_from_one_call_to_the_next(bench: Bench) -> None:
    client = bench.as_("reviewer")
    for _ in range(8):
        client.get("/api/session")
        client.get("/api/library")
    client.send("POST", "/api/studies", {"id": new(), "title": "Small", "question": "Which?"})
    with bench.engine.connect() as connection:
        prepared = connection.exec_driver_sql("select statement from pg_prepared_statements").scalars().all()
    assert [s for s in prepared if "FROM model" in s]


def test_after_one_more_reading_only_its_specimen_is_worked_out_again(bench: Bench) -> None:
    client, owner = bench.as_("reviewer"), bench.as_("owner")
    # Who looks is not who measures: what is entered after looking would not count beside what was read blind.
    study = make(
        client,
        {name: Turned(off_mm=0.02 + 0.01 * at) for at, name in enumerate(MANY)},
        artifact=["SB", "SF"],
        blind=True,
    )
    owner.enter("POST", f"/api/studies/{study}/unblinding")

    def worked_out() -> tuple[int, str]:
        before = _made.cache_info().misses
        told = owner.send("POST", f"/api/studies/{study}/rank", {})["standings"]
        table = owner.http.get(f"/api/studies/{study}/results").text
        return _made.cache_info().misses - before, f"{told} {table}"

    at_first, told = worked_out()
    assert at_first >= 2 * 2 * len(MANY)
    basis = client.get(f"/api/studies/{study}/cost")["basis"]
    client.send("PUT", f"/api/studies/{study}/cost", basis | {"tariff_per_kwh": 3.0})
    assert worked_out()[0] == 0
    view = client.get(f"/api/studies/{study}/measure")
    line = view["queue"][0]
    specimen = client.get(f"/api/specimens/{line['id']}")
    face = specimen["features"][0]["readings"][0]
    caliper = next(i["id"] for i in view["instruments"] if i["kind"] == "caliper")
    client.enter("POST", f"/api/specimens/{line['id']}/corrections", {
        "id": new(), "supersedes_id": face["id"], "value": face["value"] + 0.2, "reason": "slipped",
        "instrument_id": caliper})  # fmt: skip
    again, after = worked_out()
    assert 0 < again <= at_first / len(MANY)
    assert after != told
    # What was kept is what a new start would tell.
    _made.cache_clear()
    for kept in (figures._known, figures._on_lines, results._tables):
        kept.clear()
    assert worked_out()[1] == after
