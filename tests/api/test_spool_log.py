"""A spool's log: what is left, how even its filament is and when it was dried follow from what holds of it."""

import statistics
import uuid
from datetime import UTC, date, datetime, timedelta, timezone
from typing import Any

import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from crevlo.sim.client import ApiError, Client
from tests.api.test_spools import spool
from tests.api.test_workers import rows
from tests.conftest import Bench

NOW = datetime.now(UTC)


@pytest.fixture
def client(bench: Bench) -> Client:
    return bench.as_("reviewer")


def enter(
    client: Client, of: str, kind: str, value: float | None, *, days: float = 0, **more: object
) -> dict[str, Any]:
    """The entry of so many days ago; gives the record after it."""
    at = {} if days == 0 else {"at": (NOW - timedelta(days=days)).isoformat()}
    entry = {"id": str(uuid.uuid4()), "kind": kind, "value": value, **at, **more}
    return client.send("POST", f"/api/spools/{of}/entries", entry)


def changed(client: Client, of: str, **change: object) -> dict[str, Any]:
    now = client.get(f"/api/spools/{of}")["spool"]
    del now["usual"]
    return client.send("PUT", f"/api/spools/{of}", now | change)


def test_what_is_left_is_by_the_latest_weighing_less_the_empty_spool(client: Client) -> None:
    reel = spool(client, "R-1")
    assert client.get(f"/api/spools/{reel}")["left_needs"] == "a weighing"
    assert enter(client, reel, "weighed", 1180, days=3)["left_needs"] == "the mass of the empty spool"
    assert changed(client, reel, empty_g=210)["left_g"] == 970
    # Written down later, of an earlier day: the latest weighing is still the one that tells.
    assert enter(client, reel, "weighed", 1250, days=9)["left_g"] == 970
    record = enter(client, reel, "weighed", 640)
    assert (record["left_g"], [e["value"] for e in record["entries"]]) == (430, [640, 1180, 1250])
    with pytest.raises(ApiError, match="less than empty"):
        enter(client, reel, "weighed", 150)
    with pytest.raises(ApiError, match="less than empty"):
        changed(client, reel, empty_g=700)
    assert client.get(f"/api/spools/{reel}") == record


def test_an_entry_is_corrected_once_with_its_reason_and_stays_on_record(bench: Bench, client: Client) -> None:
    reel = spool(client, "R-1", empty_g=200)
    [typed] = enter(client, reel, "weighed", 9800, days=2)["entries"]
    right = {"supersedes_id": typed["id"], "reason": "read on the wrong line"}
    record = enter(client, reel, "weighed", 980, **right)
    [kept] = record["entries"]
    assert (record["left_g"], kept["at"], kept["reason"]) == (780, typed["at"], "read on the wrong line")
    with pytest.raises(ApiError, match="corrected meanwhile"):
        enter(client, reel, "weighed", 970, **right)
    # There was no such weighing at all.
    gone = enter(client, reel, "weighed", None, supersedes_id=kept["id"], reason="another spool")
    assert (gone["entries"], gone["left_needs"]) == ([], "a weighing")
    assert sorted(rows(bench, "select value from spool_entry"), key=str) == [(980.0,), (9800.0,), (None,)]


def test_what_is_no_correction_is_refused_in_words(client: Client) -> None:
    reel, other = spool(client, "R-1"), spool(client, "R-2")
    [typed] = enter(client, reel, "weighed", 980)["entries"]
    for of, kind, value, more, words in (
        (reel, "weighed", 970, {"supersedes_id": typed["id"]}, "the reason"),
        (reel, "weighed", 970, {"reason": "x"}, "the reason"),
        (reel, "weighed", None, {}, "Give a value"),
        (reel, "diameter", 1.75, {"supersedes_id": typed["id"], "reason": "x"}, "same kind"),
        (other, "weighed", 970, {"supersedes_id": typed["id"], "reason": "x"}, "no such entry"),
        (reel, "weighed", 970, {"supersedes_id": str(uuid.uuid4()), "reason": "x"}, "no such entry"),
        (reel, "diameter", 17.5, {}, "between 0.5 and 5 mm"),
        (reel, "weighed", -1, {}, "value"),
        (reel, "weighed", 970, {"at": (NOW + timedelta(hours=2)).isoformat()}, "future"),
    ):  # fmt: skip
        with pytest.raises(ApiError, match=words):
            enter(client, of, kind, value, **more)
    assert [e["value"] for e in client.get(f"/api/spools/{reel}")["entries"]] == [980]
    assert client.get(f"/api/spools/{other}")["entries"] == []


def day(days: float) -> str:
    return str((NOW - timedelta(days=days)).date())


def test_a_drying_moves_the_day_on_and_its_correction_moves_it_back(client: Client) -> None:
    reel = spool(client, "R-1", dried_on=day(20))
    dried_on = lambda: client.get(f"/api/spools/{reel}")["spool"]["dried_on"]  # noqa: E731
    enter(client, reel, "dried", 4, days=30, at_c=45)
    assert dried_on() == day(20)
    last = enter(client, reel, "dried", 6, days=5, at_c=50)["entries"][0]
    assert dried_on() == day(5)
    # It was two days earlier: the day follows, in either direction.
    moved = enter(
        client, reel, "dried", 6, days=7, at_c=50, supersedes_id=last["id"], reason="the day before the trip"
    )
    assert dried_on() == day(7)
    enter(client, reel, "dried", None, supersedes_id=moved["entries"][0]["id"], reason="that was R-2")
    assert dried_on() == day(30)
    changed(client, reel, dried_on=day(3))
    enter(client, reel, "dried", 4, days=6)
    assert dried_on() == day(3)


def test_the_day_of_a_drying_is_the_same_in_whatever_zone_it_is_stated(client: Client) -> None:
    reel = spool(client, "R-1")
    west = timezone(timedelta(hours=-11))
    late = (NOW - timedelta(days=4)).astimezone(west).replace(hour=23, minute=30)
    entry = enter(client, reel, "dried", 4, at=late.isoformat())["entries"][0]
    assert client.get(f"/api/spools/{reel}")["spool"]["dried_on"] == str(late.astimezone(UTC).date())
    enter(client, reel, "dried", None, supersedes_id=entry["id"], reason="that was R-2")
    assert client.get(f"/api/spools/{reel}")["spool"]["dried_on"] is None


def test_a_press_whose_answer_was_lost_is_kept_once(client: Client) -> None:
    reel = spool(client, "R-1")
    entry = {"id": str(uuid.uuid4()), "kind": "diameter", "value": 1.74}
    headers = {"X-CSRFToken": client.csrf, "X-Write-Id": entry["id"]}
    sent = [client.http.post(f"/api/spools/{reel}/entries", json=entry, headers=headers) for _ in range(2)]
    assert [s.status_code for s in sent] == [200, 200]
    assert sent[0].json() == sent[1].json()
    assert len(client.get(f"/api/spools/{reel}")["entries"]) == 1


def test_a_spool_is_put_right_and_keeps_its_own_code(client: Client) -> None:
    reel, other = spool(client, "R-1"), spool(client, "R-2")
    record = changed(client, reel, density_g_cm3=1.27, material="PETG", price_per_kg=26.5, lot="L-4")
    assert (record["spool"]["density_g_cm3"], record["spool"]["usual"]["name"], record["spool"]["lot"]) == (
        1.27,
        "PETG",
        "L-4",
    )
    assert changed(client, reel, priced_on=None)["spool"]["priced_on"] == str(NOW.date())
    with pytest.raises(ApiError, match="R-2 is already used"):
        changed(client, reel, code="R-2")
    stale = client.get(f"/api/spools/{other}")["spool"]
    changed(client, other, colour="sage")
    del stale["usual"]
    with pytest.raises(ApiError, match="409"):
        client.send("PUT", f"/api/spools/{other}", stale | {"colour": "slate"})
    assert client.get(f"/api/spools/{other}")["spool"]["colour"] == "sage"


def test_only_who_reviews_writes_into_the_log(bench: Bench, client: Client) -> None:
    reel = spool(client, "R-1")
    for role in ("rater", "reader"):
        with pytest.raises(ApiError, match="403"):
            enter(bench.as_(role), reel, "weighed", 900)
    with pytest.raises(ApiError, match="404"):
        enter(client, str(uuid.uuid4()), "weighed", 900)


PRESS = st.tuples(
    st.sampled_from(["weighed", "dried", "moisture", "diameter"]), st.floats(0.6, 4.9).map(lambda x: round(x, 2)),
    st.integers(1, 60), st.sampled_from(["new", "new", "correct", "take back"]), st.integers(0, 30),
)  # fmt: skip


@settings(max_examples=12, deadline=None, suppress_health_check=[HealthCheck.function_scoped_fixture])
@given(st.lists(PRESS, min_size=1, max_size=14))
def test_whatever_is_entered_and_corrected_the_record_is_what_holds(bench: Bench, presses: list) -> None:
    client = bench.as_("reviewer")
    reel = spool(client, f"H-{uuid.uuid4().hex[:8]}", empty_g=0.1)
    held: dict[str, tuple[str, float, date, int]] = {}
    record: dict[str, Any] = {}
    for order, (kind, value, days, what, which) in enumerate(presses):
        mine = sorted(key for key, (of, *_) in held.items() if of == kind)
        new = str(uuid.uuid4())
        at = (NOW - timedelta(days=days)).isoformat()
        body: dict[str, Any] = {"id": new, "kind": kind, "value": value, "at": at}
        if what != "new" and mine:
            old = mine[which % len(mine)]
            body |= {"supersedes_id": old, "reason": "as it was"}
            del held[old]
        if what == "take back" and mine:
            body["value"] = None
        else:
            held[new] = (kind, value, (NOW - timedelta(days=days)).date(), order)
        record = client.send("POST", f"/api/spools/{reel}/entries", body)
    assert {e["id"]: (e["kind"], e["value"]) for e in record["entries"]} == {k: v[:2] for k, v in held.items()}
    weighed = max(((at, order, x) for kind, x, at, order in held.values() if kind == "weighed"), default=None)
    assert record["left_g"] == (None if weighed is None else pytest.approx(weighed[2] - 0.1))
    assert record["spool"]["dried_on"] == max(
        (str(at) for kind, _, at, _ in held.values() if kind == "dried"), default=None
    )
    diameters = [x for kind, x, *_ in held.values() if kind == "diameter"]
    if len(diameters) < 3:
        assert record["diameter_needs"] == "diameters at three places or more"
    else:
        assert record["diameter_mean_mm"] == pytest.approx(statistics.fmean(diameters))
        assert record["volume_spread"] == pytest.approx(2 * statistics.stdev(diameters) / statistics.fmean(diameters))
