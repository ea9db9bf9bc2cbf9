"""Signing in: guessing is slowed where it happens, sessions end on the server, secrets are kept nowhere in plain text."""

import uuid
from concurrent.futures import ThreadPoolExecutor
from datetime import timedelta

import httpx
import psycopg
import pytest
from sqlalchemy import text

from crevlo.api.app import create_app
from crevlo.cli.link import sign_in_link
from crevlo.sim.client import ApiError, Client
from crevlo.stations.library.person import in_words
from tests.api.test_ingest import add
from tests.conftest import PASSWORD, SECRET, Bench


def behind(bench: Bench, address: str, monkeypatch: pytest.MonkeyPatch) -> Client:
    """A client that comes through one proxy from an address."""
    monkeypatch.setenv("CREVLO_PROXIES", "1")
    app = create_app(bench.url, secret=SECRET)
    http = httpx.Client(
        transport=httpx.WSGITransport(app=app), base_url="http://127.0.0.1", headers={"X-Forwarded-For": address}
    )
    return Client(http)


def wrong(client: Client, email: str, times: int) -> list[str]:
    said = []
    for _ in range(times):
        with pytest.raises(ApiError) as refused:
            client.sign_in(email, "a wrong guess")
        said.append(str(refused.value))
    return said


def test_wrong_tries_lock_out_one_account_from_one_address_and_nobody_else(
    bench: Bench, monkeypatch: pytest.MonkeyPatch
) -> None:
    guesser = behind(bench, "198.51.100.7", monkeypatch)
    assert "429" in wrong(guesser, "owner@bench.example", 9)[-1]
    with pytest.raises(ApiError, match="429"):
        guesser.sign_in("owner@bench.example", PASSWORD)
    # Somebody else behind the same address, and the same person from another.
    behind(bench, "198.51.100.7", monkeypatch).sign_in("rater@bench.example", PASSWORD)
    behind(bench, "198.51.100.8", monkeypatch).sign_in("owner@bench.example", PASSWORD)


def test_an_address_is_taken_from_no_header_that_no_proxy_vouches_for(bench: Bench) -> None:
    for attempt in range(9):
        http = httpx.Client(
            transport=httpx.WSGITransport(app=bench.app), base_url="http://127.0.0.1",
            headers={"X-Forwarded-For": f"198.51.100.{attempt}"},
        )  # fmt: skip
        said = wrong(Client(http), "owner@bench.example", 1)
    assert "429" in said[0]


def test_thirty_guesses_at_once_are_counted_one_by_one(bench: Bench) -> None:
    client = bench.anyone()
    headers = {"X-CSRFToken": client.csrf, "X-Write-Id": str(uuid.uuid4())}
    body = {"email": "owner@bench.example", "password": "a wrong guess"}
    with ThreadPoolExecutor(15) as pool:
        answers = list(
            pool.map(lambda _: client.http.post("/api/session", json=body, headers=headers).status_code, range(30))
        )
    assert sorted(set(answers)) == [401, 429]
    assert answers.count(401) == 8


def test_a_session_ends_on_the_server_when_it_is_signed_out(bench: Bench) -> None:
    client = bench.as_("reviewer")
    stolen = dict(client.http.cookies)
    client.send("DELETE", "/api/session")
    thief = bench.anyone()
    thief.http.cookies.update(stolen)
    assert thief.get("/api/session")["role"] is None
    assert thief.http.get("/api/studies").status_code == 401


def test_a_person_sees_and_ends_their_own_sessions_and_nobody_elses(bench: Bench) -> None:
    here, other, owner = bench.as_("reviewer"), bench.as_("reviewer"), bench.as_("owner")
    seen = here.get("/api/sessions")["sessions"]
    assert [s["here"] for s in seen].count(True) == 1
    theirs = next(s["id"] for s in seen if not s["here"])
    with pytest.raises(ApiError, match="no such session of yours"):
        owner.send("DELETE", f"/api/sessions/{theirs}")
    left = here.send("DELETE", f"/api/sessions/{theirs}")["sessions"]
    assert [s["here"] for s in left] == [True]
    assert other.get("/api/session")["role"] is None
    assert here.get("/api/session")["role"] == "reviewer"


def test_a_session_says_when_it_was_last_seen_and_ends_by_itself_when_it_is_old(bench: Bench) -> None:
    client = bench.as_("reviewer")

    def put_back(**by: int) -> None:
        with bench.engine.begin() as connection:
            connection.execute(
                text("update sign_in_session set began_at = began_at - :by, seen_at = seen_at - :by"),
                {"by": timedelta(**by)},
            )

    first = client.get("/api/sessions")["sessions"][0]["seen_at"]
    put_back(minutes=5)
    assert client.get("/api/sessions")["sessions"][0]["seen_at"] < first
    put_back(minutes=6)
    assert client.get("/api/sessions")["sessions"][0]["seen_at"] > first
    put_back(days=15)
    assert client.http.get("/api/sessions").status_code == 401


def test_a_new_password_ends_every_other_session_and_link(bench: Bench) -> None:
    here, other = bench.as_("rater"), bench.as_("rater")
    link = sign_in_link(bench.url, "rater@bench.example").removeprefix("link#")
    change = "/api/session/password"
    with pytest.raises(ApiError, match="old password"):
        here.send("PUT", change, {"old": "not it at all", "new": "seven drawers of nuts"})
    with pytest.raises(ApiError, match="tried first"):
        here.send("PUT", change, {"old": PASSWORD, "new": "password12"})
    here.send("PUT", change, {"old": PASSWORD, "new": "seven drawers of nuts"})
    assert here.get("/api/session")["role"] == "rater"
    assert other.get("/api/session")["role"] is None
    with pytest.raises(ApiError, match="used already"):
        bench.anyone().sign_in_by_link(link)
    with pytest.raises(ApiError, match="do not match"):
        bench.anyone().sign_in("rater@bench.example", PASSWORD)
    bench.anyone().sign_in("rater@bench.example", "seven drawers of nuts")


def test_who_came_by_a_link_sets_a_password_without_the_old_one(bench: Bench) -> None:
    client = bench.anyone()
    older = sign_in_link(bench.url, "reader@bench.example").removeprefix("link#")
    newer = sign_in_link(bench.url, "reader@bench.example").removeprefix("link#")
    with pytest.raises(ApiError, match="used already or is too old"):
        client.sign_in_by_link(older)
    client.sign_in_by_link(newer)
    client.send("PUT", "/api/session/password", {"new": "a bench below the window"})
    bench.anyone().sign_in("reader@bench.example", "a bench below the window")


@pytest.mark.parametrize("password", ["qwertyuiop", "password123", "Iloveyou!!", "aaaaaaaaaaaa", "reader@bench"])
def test_passwords_that_are_tried_first_are_refused(bench: Bench, password: str) -> None:
    owner = bench.as_("owner")
    with pytest.raises(ApiError, match="tried first"):
        owner.send("POST", "/api/people", {
            "id": str(uuid.uuid4()), "name": "New", "email": "reader@bench.example.org", "role": "rater", "password": password})  # fmt: skip


def test_private_answers_are_kept_by_nobody_and_foreign_names_get_none(bench: Bench) -> None:
    owner = bench.as_("owner")
    for path in ("/api/people", "/api/audit", "/api/session", "/api/library"):
        assert owner.http.get(path).headers["cache-control"] == "no-store", path
    for host in ("evil.example", "127.0.0.1.evil.example", "localhost@evil.example"):
        answer = owner.http.get("/api/studies", headers={"Host": host})
        assert answer.status_code == 400, host


def test_the_last_two_owners_cannot_step_down_at_once(bench: Bench) -> None:
    owner = bench.as_("owner")
    made = owner.send("POST", "/api/people", {
        "id": str(uuid.uuid4()), "name": "Another", "email": "another@bench.example", "role": "owner",
        "password": "seven drawers of nuts"})  # fmt: skip
    other = bench.anyone()
    other.sign_in("another@bench.example", "seven drawers of nuts")
    people = {p["email"]: p for p in owner.get("/api/people")["people"]}

    def step_down(who: tuple[Client, str]) -> int:
        client, email = who
        body = {"version": people[email]["version"], "role": "reader", "active": True}
        headers = {"X-CSRFToken": client.csrf, "X-Write-Id": str(uuid.uuid4())}
        return client.http.patch(f"/api/people/{people[email]['id']}", json=body, headers=headers).status_code

    with ThreadPoolExecutor(2) as pool:
        answers = sorted(pool.map(step_down, [(owner, "owner@bench.example"), (other, made["email"])]))
    assert answers == [200, 422]


def test_a_devices_token_is_kept_nowhere_but_as_its_hash(bench: Bench) -> None:
    client = bench.as_("reviewer")
    body = {"id": str(uuid.uuid4()), "name": "Balance", "kind": "scale"}
    headers = {"X-CSRFToken": client.csrf, "X-Write-Id": str(uuid.uuid4())}
    first = client.http.post("/api/devices", json=body, headers=headers).json()
    assert len(first["token"]) > 20
    again = client.http.post("/api/devices", json=body, headers=headers).json()
    assert (again["id"], again["token"]) == (first["id"], "")
    token = add(client, "caliper")["token"]
    with psycopg.connect(bench.url.replace("+psycopg", "")) as db:
        tables = db.execute("select tablename from pg_tables where schemaname = 'public'").fetchall()
        for (table,) in tables:
            for secret in (first["token"], token):
                found = db.execute(
                    f"select count(*) from {table} t where position(%s in to_jsonb(t)::text) > 0", [secret]
                ).fetchone()
                assert found == (0,), table


@pytest.mark.parametrize(
    ("agent", "words"),
    [
        ("Mozilla/5.0 (X11; Linux x86_64; rv:140.0) Gecko/20100101 Firefox/140.0", "Firefox on Linux"),
        (
            "Mozilla/5.0 (iPhone; CPU iPhone OS 18_0 like Mac OS X) AppleWebKit/605.1 Safari/604.1",
            "Safari on a phone",
        ),
        ("Mozilla/5.0 (Windows NT 10.0) AppleWebKit/537.36 Chrome/140.0 Safari/537.36 Edg/140.0", "Edge on Windows"),
        ("bench-script/3", "bench-script/3"),
    ],
)
def test_a_browser_is_named_as_a_person_would_name_it(agent: str, words: str) -> None:
    assert in_words(agent) == words
