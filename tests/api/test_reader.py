"""The page for readers: ranked from what was frozen, nothing private in it, closed for good."""

import json

import pytest

from crevlo.api.reader import MOST_A_MINUTE
from crevlo.sim.client import ApiError, Client
from crevlo.stations.kit.limits import caller_of
from tests.api.test_publish import client, publish, revision
from tests.conftest import Bench
from tests.states import Turned, make

__all__ = ["client"]


def test_a_readers_page_ranks_by_the_readers_weights_from_what_was_frozen_and_closes_for_good(
    bench: Bench, client: Client
) -> None:
    quick, neat = Turned(minutes=40, off_mm=0.15, price=600), Turned(minutes=110, off_mm=0.02)
    study = make(client, {"Quick": quick, "Neat": neat}, copies=2)
    other = make(client, {"Hidden": Turned(), "Away": Turned()}, title="Another study")
    kept = revision(publish(client, study), 1)
    opened = client.send("POST", f"/api/revisions/{kept['id']}/reader-page", {})
    again = client.send("POST", f"/api/revisions/{kept['id']}/reader-page", {})
    key = revision(opened, 1)["reader_key"]
    assert key == revision(again, 1)["reader_key"]
    anyone = bench.anyone()
    page = anyone.get(f"/api/readers/{key}")
    published = client.send("POST", f"/api/studies/{study}/rank", {})
    buyer = page["buyers"][0]
    assert buyer["headline"] == published["verdict"]["headline"]

    def ranked(**wish) -> dict:
        return anyone.send("POST", f"/api/readers/{key}/rank", {"buyer": buyer["name"], **wish})

    as_published = ranked()
    totals = {s["machine"]["name"]: pytest.approx(s["total_low"]) for s in published["standings"]}
    assert {s["name"]: s["low"] for s in as_published["standings"]} == totals
    codes = [c["code"] for c in page["criteria"]]
    only_time = {c: float(c == "time") for c in codes}
    only_sizes = {c: float(c == "off.mean") for c in codes}
    assert ranked(weights=only_time)["standings"][0]["name"] == "Quick"
    assert ranked(weights=only_sizes)["standings"][0]["name"] == "Neat"
    limited = ranked(weights=only_time, limits=[{"code": "time", "limit": 1.0}])
    assert [s["name"] for s in limited["standings"]] == ["Quick"]
    assert limited["left_out"][0]["name"] == "Neat"
    for wrong in (
        {"weights": {"time": 1}},
        {"limits": [{"code": "gossip", "limit": 1}]},
        {"weights": dict.fromkeys(codes, 0)},
    ):
        with pytest.raises(ApiError, match="422"):
            ranked(**wrong)
    # What is on it comes from this revision alone, and tells no person and no account.
    seen = "".join(anyone.http.get(f"/api/readers/{key}{p}").text for p in ("", "/report.html")) + json.dumps(
        as_published
    )
    private = ("Hidden", "Away", "Another study", other, study, "Somebody", "Reviewer", "@bench.example")
    assert not [word for word in private if word in seen]
    unit = client.get(f"/api/studies/{study}/receive")["units"][0]
    client.send("PUT", f"/api/studies/{study}/units/{unit['machine']['unit_id']}", {
        "version": unit["version"], "price_paid": 5, "obtained": "bought"})  # fmt: skip
    assert ranked() == as_published
    client.send("DELETE", f"/api/revisions/{kept['id']}/reader-page")
    for path in ("", "/report.html"):
        assert anyone.http.get(f"/api/readers/{key}{path}").status_code == 404
    with pytest.raises(ApiError, match="404"):
        ranked()
    reopened = client.send("POST", f"/api/revisions/{kept['id']}/reader-page", {})
    assert revision(reopened, 1)["reader_key"] not in (key, None)


def test_readers_who_ask_like_a_program_wait(bench: Bench, client: Client) -> None:
    study = make(client, {"Mesa": Turned(), "Sparrow": Turned()})
    kept = revision(publish(client, study), 1)
    key = revision(client.send("POST", f"/api/revisions/{kept['id']}/reader-page", {}), 1)["reader_key"]
    anyone = bench.anyone()
    buyer = anyone.get(f"/api/readers/{key}")["buyers"][0]["name"]
    for _ in range(MOST_A_MINUTE):
        anyone.send("POST", f"/api/readers/{key}/rank", {"buyer": buyer})
    with pytest.raises(ApiError, match="429 So many"):
        anyone.send("POST", f"/api/readers/{key}/rank", {"buyer": buyer})
    # Another server process counts the same, in the same database.
    other = Bench(bench.url)
    with pytest.raises(ApiError, match="429 So many"):
        other.anyone().send("POST", f"/api/readers/{key}/rank", {"buyer": buyer})
    other.close()


@pytest.mark.parametrize(
    ("address", "caller"),
    [
        ("192.0.2.7", "192.0.2.7"),
        ("2001:db8:1:2:3:4:5:6", "2001:db8:1:2::/64"),
        ("2001:db8:1:2::1", "2001:db8:1:2::/64"),
        ("2001:db8:1:3::1", "2001:db8:1:3::/64"),
        ("::ffff:192.0.2.7", "192.0.2.7"),
        ("fe80::1%eth0", "fe80::/64"),
        ("unix", "unix"),
    ],
)
def test_a_household_of_ipv6_is_one_caller(address: str, caller: str) -> None:
    assert caller_of(address) == caller
