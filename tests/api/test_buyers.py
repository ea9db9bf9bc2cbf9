"""Buyers of a study: whom it recommends for, with weights and must-haves of every kind."""

import threading
from collections.abc import Iterator
from concurrent.futures import ThreadPoolExecutor

import pytest

from crevlo.sim.client import ApiError, Client
from tests.conftest import Bench
from tests.small import new
from tests.states import EQUAL, Turned, make


@pytest.fixture
def client(bench: Bench) -> Client:
    return bench.as_("reviewer")


@pytest.fixture(scope="module")
def judged(empty: str, copy_of, drop) -> Iterator[tuple[Client, str]]:
    """A study of two machines, one of them worse in everything, for one buyer after the other."""
    bench = Bench(copy_of(empty))
    client = bench.as_("reviewer")
    worse = Turned(minutes=120, noise_db=60, severity=3, price=500, safe=False)
    yield client, make(client, {"Mesa": EQUAL, "Sparrow": worse}, copies=2)
    bench.close()
    drop(bench.url)


def asks(client: Client, study: str, must_haves: list[dict]) -> None:
    """The study's buyer asks for these, and for nothing else."""
    profile = rank(client, study)["profile"]
    path = f"/api/studies/{study}/buyers/{profile['id']}"
    client.send("PUT", path, {"version": profile["version"], "must_haves": must_haves})


def rank(client: Client, study: str, **what_if: object) -> dict:
    return client.send("POST", f"/api/studies/{study}/rank", what_if)


def test_buyers_are_added_named_copied_and_removed(client: Client) -> None:
    study = make(client, {"Mesa": EQUAL, "Sparrow": EQUAL}, printed=False)
    path = f"/api/studies/{study}/buyers"
    first = rank(client, study)["profile"]
    with pytest.raises(ApiError, match="its last buyer stays"):
        client.send("DELETE", f"{path}/{first['id']}", version=first["version"])
    school = client.send("POST", path, {"id": new(), "name": "A school"})["profile"]
    with pytest.raises(ApiError, match="already a buyer called A school"):
        client.send("POST", path, {"id": new(), "name": "a SCHOOL"})
    changed = client.send("PUT", f"{path}/{school['id']}", {
        "version": school["version"], "name": "A school with ten pupils", "weights": {"noise": 60, "time": 40},
        "must_haves": [{"kind": "price", "limit": 350}, {"kind": "enclosure"}]})  # fmt: skip
    # What is not named weighs nothing.
    assert {c["code"]: c["weight"] for c in changed["criteria"] if c["weight"]} == {"noise": 60, "time": 40}
    assert [m["text"] for m in changed["must_haves"]] == ["Encloses its print", "Up to 350 EUR all in"]
    # Another study begins from it.
    other = make(client, {"Mesa": EQUAL, "Forge": EQUAL}, printed=False, title="Other")
    offered = {b["name"]: b for b in client.get("/api/buyers")["buyers"]}
    source = offered["A school with ten pupils"]
    assert source["study"] == "Small"
    copied = client.send(
        "POST", f"/api/studies/{other}/buyers", {"id": new(), "name": "Ours", "copy_of": source["id"]}
    )
    assert [m["text"] for m in copied["must_haves"]] == [m["text"] for m in changed["must_haves"]]
    left = client.send("DELETE", f"{path}/{school['id']}", version=changed["profile"]["version"])
    assert [p["name"] for p in left["profiles"]] == ["Any buyer"]
    # The copy stands on its own.
    assert len(rank(client, other, profile_id=copied["profile"]["id"])["must_haves"]) == 2


def test_a_buyer_with_a_published_report_stays(client: Client) -> None:
    study = make(client, {"Mesa": EQUAL, "Sparrow": EQUAL}, printed=False)
    school = client.send("POST", f"/api/studies/{study}/buyers", {"id": new(), "name": "A school"})["profile"]
    client.send(
        "POST", f"/api/studies/{study}/revisions", {"id": new(), "ends_blind": True, "profile_id": school["id"]}
    )
    with pytest.raises(ApiError, match="A report for A school is published"):
        client.send("DELETE", f"/api/studies/{study}/buyers/{school['id']}", version=school["version"])


def test_two_who_change_a_buyer_at_once_are_told(client: Client) -> None:
    study = make(client, {"Mesa": EQUAL, "Sparrow": EQUAL}, printed=False)
    profile = rank(client, study)["profile"]
    path = f"/api/studies/{study}/buyers/{profile['id']}"
    client.send("PUT", path, {"version": profile["version"], "name": "First"})
    with pytest.raises(ApiError, match="Somebody changed this"):
        client.send("PUT", path, {"version": profile["version"], "must_haves": []})
    assert [m["kind"] for m in rank(client, study)["must_haves"]] == ["safety"]


@pytest.mark.parametrize(
    ("must_have", "reasons"),
    [
        ({"kind": "price", "limit": 450}, {"Sparrow": "all in 500 EUR, limit 450"}),
        ({"kind": "noise", "limit": 52}, {"Sparrow": "noise at 1 m 60 dB, limit 52"}),
        ({"kind": "length", "limit": 330, "what": "the rail"}, dict.fromkeys(("Mesa", "Sparrow"), "bed 220 × 220 mm, part 330 mm; at most 311 mm lie flat")),
        ({"kind": "safety"}, {"Sparrow": "a safety check failed"}),
        ({"kind": "success", "limit": 0.5}, {}),
        ({"kind": "material", "what": "pla"}, {}),
        ({"kind": "enclosure"}, dict.fromkeys(("Mesa", "Sparrow"), "open: it does not enclose its print")),
        ({"kind": "tools", "limit": 2}, dict.fromkeys(("Mesa", "Sparrow"), "has 1 tool, wanted 2")),
        ({"kind": "figure", "what": "success", "limit": 95, "at_least": True}, {}),
        ({"kind": "figure", "what": "time", "limit": 1.5}, {"Sparrow": "print time 2.00 h, limit 1.50"}),
        ({"kind": "figure", "what": "defects", "limit": 70, "at_least": True}, {"Sparrow": "surface defects 40.0 of 100, limit 70.0"}),
    ],
)  # fmt: skip
def test_a_must_have_of_each_kind_leaves_out_with_its_reason(
    judged: tuple[Client, str], must_have: dict, reasons: dict[str, str]
) -> None:
    client, study = judged
    asks(client, study, [must_have])
    view = rank(client, study)
    assert {m["machine"]["name"]: m["reason"] for m in view["left_out"]} == reasons
    assert view["must_haves"][0]["failing"] == len(reasons)
    assert {c["kind"] for c in view["must_have_choices"]} >= {must_have["kind"]}


def test_a_must_have_about_what_nobody_tried_is_open(client: Client) -> None:
    asked = [{"kind": "material", "what": "PETG"}, {"kind": "noise", "limit": 30, "what": "standby"}]
    study = make(client, {"Mesa": EQUAL, "Sparrow": EQUAL}, copies=2, buyer=asked)
    view = rank(client, study)
    assert [m["open"] for m in view["must_haves"]] == [2, 2]
    assert view["left_out"] == []
    assert view["standings"][0]["doubts"] == [
        "PETG not determined: needs a print of it",
        "noise at 1 m, standby, not determined: needs noise readings in the state “standby”",
    ]


@pytest.mark.parametrize(
    ("must_have", "refused"),
    [
        ({"kind": "price"}, "A limit above 0"),
        ({"kind": "noise", "limit": 40, "what": "singing"}, "not read in the state"),
        ({"kind": "material"}, "Name the material"),
        ({"kind": "figure", "what": "charm", "limit": 3}, "Choose the figure"),
        ({"kind": "success", "limit": 40}, "At most 100 %"),
        ({"kind": "figure", "what": "success", "limit": 140}, "At most 100 %"),
    ],
)
def test_a_must_have_that_says_nothing_is_refused_and_nothing_changes(
    judged: tuple[Client, str], must_have: dict, refused: str
) -> None:
    client, study = judged
    asks(client, study, [{"kind": "safety"}])
    profile = rank(client, study)["profile"]
    with pytest.raises(ApiError, match=refused):
        asks(client, study, [must_have])
    after = rank(client, study)
    assert (after["profile"], [m["kind"] for m in after["must_haves"]]) == (profile, ["safety"])


def test_an_amount_of_other_money_is_not_copied(client: Client) -> None:
    asked = [
        {"kind": "price", "limit": 400},
        {"kind": "figure", "what": "cost", "limit": 3},
        {"kind": "tools", "limit": 1},
    ]
    theirs = make(client, {"Mesa": EQUAL, "Sparrow": EQUAL}, printed=False, buyer=asked)
    source = rank(client, theirs)["profile"]["id"]
    for currency, kept in (("EUR", {"price", "figure", "tools"}), ("CHF", {"tools"})):
        ours = make(client, {"Mesa": EQUAL, "Forge": EQUAL}, printed=False, currency=currency, title=currency)
        made = client.send("POST", f"/api/studies/{ours}/buyers", {"id": new(), "name": "Copy", "copy_of": source})
        assert {m["kind"] for m in made["must_haves"]} == kept


def test_of_two_who_remove_the_last_two_buyers_one_is_refused(bench: Bench, client: Client) -> None:
    study = make(client, {"Mesa": EQUAL, "Sparrow": EQUAL}, printed=False)
    path = f"/api/studies/{study}/buyers"
    first = rank(client, study)["profile"]
    second = client.send("POST", path, {"id": new(), "name": "A school"})["profile"]
    gate = threading.Barrier(2)

    def remove(who: Client, buyer: dict) -> int:
        gate.wait()
        headers = {"X-CSRFToken": who.csrf, "X-Write-Id": new()}
        return who.http.delete(
            f"{path}/{buyer['id']}", params={"version": buyer["version"]}, headers=headers
        ).status_code

    with ThreadPoolExecutor(2) as pool:
        both = [
            pool.submit(remove, bench.as_(role), buyer) for role, buyer in (("reviewer", first), ("owner", second))
        ]
        assert sorted(b.result() for b in both)[0] == 200
        assert sorted(b.result() for b in both)[1] in (409, 422)
    assert len(rank(client, study)["profiles"]) == 1
