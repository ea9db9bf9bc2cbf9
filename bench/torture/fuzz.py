"""Calls by the API's own description and by hand: no answer is a fault of ours."""

import random
import uuid
from collections import Counter
from typing import Any

import httpx

from crevlo.api.app import create_app
from crevlo.sim.client import Client

EDGES: dict[str, list[Any]] = {
    "number": [0, -1, 1, 0.5, 1e-9, 5e-324, 1e9, 1e308, -1e308, 2**31, 2**63, 10**400, True, "5", None],
    "string": ["", "x", "X" * 300, "zz", "SB", "a\u0000b", "\u202eabc", "é" * 50, "'; drop table run; --", "=1+1", "../..", "%s", None, 5],
    "date": ["2026-11-26", "9999-12-31", "0001-01-01", "2026-02-30", "", "now", None],
    "date-time": ["2026-11-26T10:00:00Z", "9999-12-31T23:59:59Z", "0001-01-01T00:00:00Z", "2026-11-26T10:00:00", "x", None],
    "boolean": [True, False, None, "yes", 2],
}  # fmt: skip


class Maker:
    """Bodies that follow a schema more or less."""

    def __init__(self, api: dict[str, Any], rng: random.Random, ids: list[str]) -> None:
        self.shapes, self.rng, self.ids = api["components"]["schemas"], rng, ids

    def value(self, node: dict[str, Any], depth: int = 0) -> Any:
        rng = self.rng
        if depth > 6:
            return None
        if "$ref" in node:
            return self.value(self.shapes[node["$ref"].rsplit("/", 1)[1]], depth + 1)
        for key in ("anyOf", "oneOf", "allOf"):
            if key in node:
                return self.value(rng.choice(node[key]), depth + 1)
        if rng.random() < 0.04:
            return rng.choice([None, [], {}, "x", 5, [[[[]]]], {"a": {"b": {}}}])
        if "enum" in node and rng.random() < 0.9:
            return rng.choice(node["enum"])
        kind = node.get("type")
        if kind == "object":
            made = {}
            for name, part in node.get("properties", {}).items():
                if name in node.get("required", ()) or rng.random() < 0.6:
                    made[name] = self.value(part, depth + 1)
            if rng.random() < 0.03:
                made["surprise"] = 1
            if isinstance(node.get("additionalProperties"), dict):
                made |= {rng.choice(["off.mean", "x", ""]): self.value(node["additionalProperties"], depth + 1)}
            return made
        if kind == "array":
            return [self.value(node.get("items", {}), depth + 1) for _ in range(rng.choice([0, 1, 1, 2, 5]))]
        if kind in ("number", "integer"):
            if rng.random() < 0.5:
                low, high = node.get("minimum", 0), node.get("maximum", 100)
                return rng.choice([low, high, (low + high) / 2 if kind == "number" else (low + high) // 2])
            return rng.choice(EDGES["number"])
        if kind == "boolean":
            return rng.choice(EDGES["boolean"])
        form = node.get("format")
        if form == "uuid":
            return rng.choice([*rng.sample(self.ids, 3), str(uuid.uuid4()), str(uuid.uuid4()), "x"])
        return rng.choice(EDGES.get(str(form), EDGES["string"]))


def run(url: str, study: str, people: dict[str, str], count: int, seed: int = 11) -> str:
    """`people` are one-time tokens by role; the database is a scratch one."""
    rng = random.Random(seed)
    app = create_app(url, secret="t" * 32)
    clients = []
    for token in people.values():
        client = Client(httpx.Client(transport=httpx.WSGITransport(app=app), base_url="http://127.0.0.1"))
        client.sign_in_by_link(token)
        clients.append(client)
    api = app.api_doc
    ids = _ids(clients[0], study)
    maker = Maker(api, rng, ids)
    calls = [
        (path, method, call)
        for path, methods in api["paths"].items()
        for method, call in methods.items()
        if method in ("get", "post", "put", "patch", "delete") and (path, method) != ("/api/session", "delete")
    ]
    # Signing in is limited, and a password that is changed ends the others' sessions: those have tests of their own.
    calls = [c for c in calls if "/session" not in c[0] and c[0] != "/api/owner"]
    answers: Counter[int] = Counter()
    for _ in range(count):
        path, method, call = rng.choice(calls)
        filled = "/".join(
            rng.choice([study, *rng.sample(ids, 2), str(uuid.uuid4())]) if part.startswith("{") and part.endswith("id}")
            else rng.choice(["SB", "zz", "quick", "0" * 64, "stl", "x" * 40]) if part.startswith("{") else part
            for part in path.split("/")
        )  # fmt: skip
        query = {
            q["name"]: v
            for q in call.get("parameters", [])
            if q["in"] == "query" and (v := maker.value(q["schema"])) is not None and rng.random() < 0.8
        }
        body = call.get("requestBody", {}).get("content", {})
        sent: dict[str, Any] = {}
        if "application/json" in body:
            sent["json"] = maker.value(body["application/json"]["schema"])
        elif body:
            sent["content"] = rng.choice([b"", b"x" * 1000, rng.randbytes(400), b"PK\x03\x04", b"\x89PNG\r\n", b"G1 X1 E1\n", b"time,power\n1,2\n2,3\n"])  # fmt: skip
        client = rng.choice(clients)
        headers = {"X-CSRFToken": client.csrf, "X-Write-Id": str(uuid.uuid4())}
        try:
            answer = client.http.request(method, filled, params=query, headers=headers, **sent)
        except (ValueError, OverflowError):
            continue  # httpx itself will not send this
        answers[answer.status_code] += 1
        if answer.status_code >= 500:
            raise SystemExit(f"{method} {filled} {query} {str(sent)[:1500]}: {answer.status_code} {answer.text}")
    told = ", ".join(f"{n} × {status}" for status, n in sorted(answers.items()))
    return f"{sum(answers.values())} calls without a fault of ours ({told})"


def _ids(client: Client, study: str) -> list[str]:
    jobs = client.get(f"/api/studies/{study}/print")["jobs"]
    job = client.get(f"/api/jobs/{jobs[0]['id']}")
    library = client.get("/api/library")
    rank = client.send("POST", f"/api/studies/{study}/rank", {})
    found = [study, *(j["id"] for j in jobs[:4]), *(r["id"] for r in job["runs"]), jobs[0]["machine"]["unit_id"]]
    found += [q["id"] for q in client.get(f"/api/studies/{study}/measure")["queue"][:4]]
    found += [library[k][0]["id"] for k in ("models", "spools", "instruments")] + [rank["profile"]["id"]]
    return found
