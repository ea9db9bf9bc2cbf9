"""A client of the HTTP API, as any device or person would use it."""

import uuid
from collections.abc import Callable, Iterable, Iterator
from concurrent.futures import ThreadPoolExecutor
from contextlib import contextmanager
from threading import Lock
from typing import Any, TypeVar

import httpx


class ApiError(RuntimeError):
    """The server refused a call; the message is its problem's title."""


class Client:
    """Signs in and sends changes with their CSRF token and write id; `http` may reach any server or app."""

    def __init__(self, http: httpx.Client) -> None:
        self.http = http
        # Of what takes long the server lets a person have one under way.
        self.heavy = Lock()
        self.csrf = str(self.get("/api/session")["csrf"])

    def get(self, path: str, **params: Any) -> dict[str, Any]:
        return self._answer(self.http.get(path, params=params))

    def send(
        self, method: str, path: str, json: Any = None, content: bytes | None = None, **params: Any
    ) -> dict[str, Any]:
        """A change; gives how things stand after it."""
        return self._answer(self._request(method, path, json, content, params, {}))

    def enter(self, method: str, path: str, json: Any = None, content: bytes | None = None, **params: Any) -> None:
        """A change after which its sender looks at nothing."""
        self._answer(self._request(method, path, json, content, params, {"Prefer": "return=minimal"}))

    def _request(
        self, method: str, path: str, json: Any, content: bytes | None, params: dict[str, Any], more: dict[str, str]
    ) -> httpx.Response:
        headers = {"X-CSRFToken": self.csrf, "X-Write-Id": str(uuid.uuid4()), **more}
        if content is not None:
            headers["Content-Type"] = "application/octet-stream"
        return self.http.request(method, path, json=json, content=content, headers=headers, params=params)

    def sign_in(self, email: str, password: str) -> None:
        self.csrf = str(self.send("POST", "/api/session", {"email": email, "password": password})["csrf"])

    def sign_in_by_link(self, token: str) -> None:
        self.csrf = str(self.send("POST", "/api/session/link", {"token": token})["csrf"])

    @staticmethod
    def _answer(response: httpx.Response) -> dict[str, Any]:
        if response.status_code >= 400:
            try:
                title = response.json()["title"]
            except ValueError:
                title = response.text[:300]
            raise ApiError(f"{response.request.method} {response.request.url.path}: {response.status_code} {title}")
        answer: dict[str, Any] = response.json() if response.content else {}
        return answer


T = TypeVar("T")


def side_by_side(work: Callable[[T], None], on: Iterable[T]) -> None:
    """What does not depend on one another is entered by several hands."""
    with ThreadPoolExecutor(3) as hands:
        list(hands.map(work, on))


@contextmanager
def meanwhile(*works: Callable[[], object]) -> Iterator[None]:
    """Other hands are at each of `works` at the same time; at the end they are waited for, and what went wrong is raised."""
    other_hands = ThreadPoolExecutor(len(works))
    try:
        under_way = [other_hands.submit(work) for work in works]
        yield
        for work in under_way:
            work.result()
    finally:
        # Whoever is stopped does not wait for the others.
        other_hands.shutdown(wait=False, cancel_futures=True)
