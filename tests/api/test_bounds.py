"""Everything that a request may hold is bounded, with the reason; nothing of it ends in a fault of ours."""

import uuid
from typing import Any

import pytest

from crevlo.sim.client import ApiError, Client
from tests.conftest import Bench


def unbounded(api: dict[str, Any]) -> set[tuple[str, str]]:
    """Numbers, texts, lists and dates in request bodies and queries that have no end."""
    shapes = api["components"]["schemas"]
    found: set[tuple[str, str]] = set()

    def walk(node: dict[str, Any], place: str, seen: frozenset[str]) -> None:
        if "$ref" in node:
            name = node["$ref"].rsplit("/", 1)[1]
            if name not in seen:
                walk(shapes[name], name, seen | {name})
            return
        for part in (p for k in ("anyOf", "allOf", "oneOf") for p in node.get(k, [])):
            walk(part, place, seen)
        kind = node.get("type")
        if (
            kind in ("number", "integer")
            and "const" not in node
            and not ({"minimum", "exclusiveMinimum"} & set(node) and {"maximum", "exclusiveMaximum"} & set(node))
        ):
            found.add((place, kind))
        # A date of this century has a pattern, an identity and a time of day an end of their own.
        ends = {"enum", "const", "maxLength", "pattern"} & set(node) or node.get("format") in ("uuid", "time")
        if kind == "string" and not ends:
            found.add((place, node.get("format", "text")))
        if kind == "array":
            if "maxItems" not in node:
                found.add((place, "list"))
            walk(node.get("items", {}), f"{place}[]", seen)
        if kind == "object":
            for name, part in node.get("properties", {}).items():
                walk(part, f"{place}.{name}", seen)
            if isinstance(node.get("additionalProperties"), dict):
                if "maxProperties" not in node:
                    found.add((place, "map"))
                walk(node["additionalProperties"], f"{place}.*", seen)

    for path, methods in api["paths"].items():
        for call in methods.values():
            body = call.get("requestBody", {}).get("content", {}).get("application/json", {}).get("schema")
            walk(body or {}, path, frozenset())
            for query in (p for p in call.get("parameters", []) if p["in"] == "query"):
                walk(query["schema"], f"{path}?{query['name']}", frozenset())
    return found


def test_everything_a_request_may_hold_has_an_end(bench: Bench) -> None:
    assert unbounded(bench.app.api_doc) == set()
    # The search can fail.
    loose = {"properties": {"x": {"type": "number", "minimum": 0}, "y": {"type": "string"}}, "type": "object"}
    body = {"content": {"application/json": {"schema": loose}}}
    assert len(unbounded({"components": {"schemas": {}}, "paths": {"/a": {"post": {"requestBody": body}}}})) == 2


@pytest.mark.parametrize(
    "body", ["[" * 2000, '{"a":' * 2000, "[" * 400_000, '"\\ud800"', '{"email": "a\\u0000b"}', "{", ""]
)
def test_no_json_is_a_fault_of_ours_signed_in_or_not(bench: Bench, body: str) -> None:
    for client in (bench.anyone(), bench.as_("owner")):
        client.get("/api/session")
        headers = {"X-CSRFToken": client.csrf, "X-Write-Id": str(uuid.uuid4()), "Content-Type": "application/json"}
        for path in ("/api/session", "/api/studies", "/api/models", "/api/templates"):
            answer = client.http.post(path, content=body, headers=headers)
            assert 400 <= answer.status_code < 500, (path, answer.text)
            assert answer.headers["Content-Type"] == "application/problem+json"


@pytest.mark.parametrize("letter", ["\u202e", "\u200b", "\u2066", "\ufeff", "\u0007", "\u00ad"])
def test_names_hold_nothing_invisible_and_nothing_that_turns_the_text_round(bench: Bench, letter: str) -> None:
    owner = bench.as_("owner")
    with pytest.raises(ApiError, match="cannot be seen"):
        owner.send("POST", "/api/models", {
            "id": str(uuid.uuid4()), "name": f"Twin{letter}400", "bed_x_mm": 220, "bed_y_mm": 220, "height_mm": 250})  # fmt: skip


@pytest.mark.parametrize(
    ("method", "path", "body"),
    [
        ("POST", "/api/templates", {"name": "Z", "repeats": 3, "policies": {}, "arms": [{"name": "A", "lines": [{"artifact": "zz"}]}]}),
        ("GET", "/api/studies/{study}/day?day=9999-12-31", None),
        ("GET", "/api/studies/{study}/day?day=0001-01-01", None),
        ("POST", "/api/instruments", {"code": "Z", "kind": "caliper", "resolution": 0.01, "u_calibration": 1e200, "repeatability": 0.01}),
        ("POST", "/api/instruments", {"code": "Z", "kind": "caliper", "resolution": 0.01, "u_calibration": 0.01, "repeatability": 0.01, "calibrated_on": "9999-12-31"}),
        ("POST", "/api/models", {"name": "Z", "bed_x_mm": 5, "bed_y_mm": 5, "height_mm": 5, "list_price": 1e308}),
        ("PUT", "/api/studies/{study}/pins/{job}", {"start_at": "0001-01-01T00:00:00Z"}),
        ("PUT", "/api/studies/{study}/pins/{job}", {"start_at": "9999-12-31T23:59:59Z"}),
        ("PUT", "/api/runs/{run}/trace?version=1&zone=Europe", b"time,power\n2026-01-01 10:00,5\n2026-01-01 10:01,5\n"),
        ("PUT", "/api/runs/{run}/trace?version=1&time_format=%25Y%25Y", b"time,power\n2026-01-01 10:00,5\n"),
        ("PUT", "/api/runs/{run}/trace?version=1&zone=..%2F..%2Fetc%2Fpasswd", b"time,power\n2026-01-01 10:00,5\n"),
    ],
    ids=lambda v: str(v)[:60],
)  # fmt: skip
def test_requests_that_once_were_faults_are_told_in_words(
    demo: tuple[Client, dict[str, str]], method: str, path: str, body: dict[str, Any] | bytes | None
) -> None:
    client, names = demo
    headers = {"X-CSRFToken": client.csrf, "X-Write-Id": str(uuid.uuid4())}
    sent = (
        {"content": body} if isinstance(body, bytes) else {"json": {"id": str(uuid.uuid4())} | body} if body else {}
    )
    answer = client.http.request(method, path.format(**names), headers=headers, **sent)
    assert 400 <= answer.status_code < 500, answer.text
    assert answer.json()["title"]


@pytest.mark.parametrize("height", [5e-324, 1e-9, 1e308])
def test_effort_of_absurd_layers_is_refused(demo: tuple[Client, dict[str, str]], height: float) -> None:
    client, names = demo
    plan = client.get(f"/api/studies/{names['study']}/plan")
    arm = plan["arms"][0]
    line = {k: arm["lines"][0][k] for k in ("artifact", "spool_id", "second_spool_id", "copies")}
    draft = {
        "version": plan["version"], "question": "", "policies": plan["policies"], "repeats": 3, "candidates": plan["candidates"],
        "arms": [{"name": "A", "lines": [line], "conditions": {"layer_height_mm": height}}]}  # fmt: skip
    answer = client.http.post(
        f"/api/studies/{names['study']}/effort", json=draft, headers={"X-CSRFToken": client.csrf}
    )
    assert answer.status_code == 422, answer.text


@pytest.fixture(scope="module")
def demo(shared_bench: Bench, played) -> tuple[Client, dict[str, str]]:
    client = shared_bench.as_("reviewer")
    jobs = client.get(f"/api/studies/{played.study}/print")["jobs"]
    job = next(j["id"] for j in jobs if j["attempts"])
    run = client.get(f"/api/jobs/{job}")["runs"][0]["id"]
    return client, {"study": played.study, "job": job, "run": run}
