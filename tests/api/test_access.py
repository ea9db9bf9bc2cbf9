"""Who gets in, and what each role may do."""

import uuid

import httpx
import pytest

from crevlo.sim.client import ApiError, Client
from crevlo.store.database import connect
from tests.conftest import PASSWORD, Bench

# Questions whose answer needs a body; nothing is saved.
ASKED_BY_POST = (
    "/rank",
    "/rank-source",
    "/effort",
    "/protocols/read",
    "/schools",
    "/weight-map",
    "/next-best",
    "/leave-out",
    "/show-notes",
    "/packages/pool",
)
# Everybody's own password and sessions.
OWN_ACCOUNT = ("/api/sessions/", "/api/session/password")
OPEN_TO_ALL = {("/api/session", "get"), ("/api/session", "post"), ("/api/session", "delete"), ("/api/session/link", "post"), ("/api/owner", "post")}  # fmt: skip

# An audience's and readers': a ballot or a report is known by the key in its address alone; ids that are made up name none.
OPEN_BY_KEY = ("/api/ballots/", "/api/readers/")


def calls(bench: Bench) -> list[tuple[str, str]]:
    """Every call of the API as (path with made-up ids, method)."""
    paths = bench.app.api_doc["paths"]
    return [
        ("/".join(str(uuid.uuid4()) if part.startswith("{") else part for part in path.split("/")), method)
        for path, methods in paths.items()
        for method in methods
    ]


def opens(call: tuple[str, str]) -> bool:
    return call[0].startswith(OPEN_BY_KEY) and not call[0].endswith("/close")


def headers(client: Client) -> dict[str, str]:
    return {"X-CSRFToken": client.csrf, "X-Write-Id": str(uuid.uuid4())}


def problem_of(answer: httpx.Response) -> str:
    assert answer.headers["Content-Type"] == "application/problem+json"
    assert answer.json()["status"] == answer.status_code
    return answer.json()["title"]


def test_every_call_asks_who(bench: Bench) -> None:
    nobody = bench.anyone()
    closed = [c for c in calls(bench) if c not in OPEN_TO_ALL and not opens(c)]
    assert [m for c, m in calls(bench) if opens((c, m))] == ["get", "post", "get"] * 2
    assert len(closed) > 40
    for path, method in closed:
        answer = nobody.http.request(method, path, json={}, headers=headers(nobody))
        needs = "This needs the token of a device that is in use." if "/ingest/" in path else "Please sign in."
        assert (answer.status_code, problem_of(answer)) == (401, needs), (method, path)


def test_changes_need_the_pages_token_and_a_write_id(bench: Bench) -> None:
    owner = bench.as_("owner")
    body = {"id": str(uuid.uuid4()), "name": "Corvane Twin", "bed_x_mm": 250, "bed_y_mm": 210, "height_mm": 210}
    for missing in ("X-CSRFToken", "X-Write-Id"):
        sent = {k: v for k, v in headers(owner).items() if k != missing}
        assert owner.http.post("/api/models", json=body, headers=sent).status_code in (400, 403)
    assert owner.get("/api/library")["models"] == []


def test_a_reader_changes_nothing_and_a_rater_sees_no_machines(shared_bench: Bench, played) -> None:
    reader, rater = shared_bench.as_("reader"), shared_bench.as_("rater")
    for path, method in calls(shared_bench):
        if (
            (path, method) in OPEN_TO_ALL
            or opens((path, method))
            or path.startswith(OWN_ACCOUNT)
            or method == "get"
            or path.endswith(ASKED_BY_POST)
            or "/ingest/" in path
        ):
            continue
        assert reader.http.request(method, path, json={}, headers=headers(reader)).status_code == 403, path
    for station in (
        "plan",
        "receive",
        "print",
        "cost",
        "publish",
        "readings.json",
        "readings.csv",
        "revealed",
        "cost-table",
    ):
        answer = rater.http.get(f"/api/studies/{played.study}/{station}")
        assert (answer.status_code, problem_of(answer)) == (403, "This is not open to the role “rater”.")
    assert rater.http.get("/api/library").status_code == 403
    assert rater.http.get("/api/audit").status_code == 403


def test_sessions_are_closed_to_scripts_and_pages_to_foreign_code(bench: Bench) -> None:
    client = bench.anyone()
    answer = client.http.post(
        "/api/session", json={"email": "owner@bench.example", "password": PASSWORD}, headers=headers(client)
    )
    cookie = answer.headers["set-cookie"]
    # Nothing but a change of the session touches its cookie, so that a late answer cannot bring an older one back.
    for path in ("/", "/healthz", "/api/studies", "/api/session"):
        assert "set-cookie" not in client.http.get(path).headers, path
    assert "HttpOnly" in cookie
    assert "SameSite=Lax" in cookie
    policy = client.http.get("/").headers["content-security-policy"]
    assert "script-src 'self';" in policy
    assert "frame-ancestors 'none'" in policy
    assert PASSWORD not in answer.text


def test_guessing_passwords_is_slowed(bench: Bench) -> None:
    client = bench.anyone()
    said = []
    for _ in range(10):
        with pytest.raises(ApiError) as refused:
            client.sign_in("owner@bench.example", "a wrong guess")
        said.append(str(refused.value))
    assert "do not match" in said[0]
    assert "429" in said[-1]
    with pytest.raises(ApiError, match="429"):
        client.sign_in("owner@bench.example", PASSWORD)


def test_the_first_visit_makes_the_owner_once(bench: Bench, as_owner) -> None:
    with connect(as_owner(bench.url)).begin() as connection:
        connection.exec_driver_sql("set session_replication_role = replica")
        connection.exec_driver_sql("delete from person")
    client = bench.anyone()
    assert client.get("/api/session")["needs_owner"] is True
    account = {"name": "Reviewer", "email": "me@bench.example", "role": "reader", "password": "long enough words"}
    client.send("POST", "/api/owner", account | {"id": str(uuid.uuid4())})
    assert client.get("/api/session")["role"] == "owner"
    with pytest.raises(ApiError, match="exists already"):
        bench.anyone().send("POST", "/api/owner", account | {"id": str(uuid.uuid4()), "email": "x@bench.example"})


def test_a_link_signs_in_once_and_a_new_role_ends_the_old_session(bench: Bench) -> None:
    from crevlo.cli.link import sign_in_link

    token = sign_in_link(bench.url, "rater@bench.example").removeprefix("link#")
    rater = bench.anyone()
    rater.sign_in_by_link(token)
    assert rater.get("/api/session")["role"] == "rater"
    with pytest.raises(ApiError, match="used already"):
        bench.anyone().sign_in_by_link(token)
    owner = bench.as_("owner")
    person = next(p for p in owner.get("/api/people")["people"] if p["role"] == "rater")
    change = {"version": person["version"], "role": "reader", "active": True}
    owner.send("PATCH", f"/api/people/{person['id']}", change)
    assert rater.get("/api/session")["role"] is None
    last = next(p for p in owner.get("/api/people")["people"] if p["role"] == "owner")
    with pytest.raises(ApiError, match="last owner"):
        owner.send(
            "PATCH", f"/api/people/{last['id']}", {"version": last["version"], "role": "reader", "active": True}
        )
