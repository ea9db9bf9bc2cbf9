"""How a simulated device sends: by its own clock, in batches, again until it gets an answer."""

import time
from collections.abc import Iterator
from datetime import datetime
from typing import Any

import httpx

_WAIT_S, _MOST_WAIT_S = 0.5, 8.0


class Clock:
    """Simulated time that runs `speed` times as fast as the wall clock from `start` on, and never past it."""

    def __init__(self, start: datetime, speed: float) -> None:
        self.start, self.speed, self.began = start.timestamp(), speed, time.time()

    def now(self) -> float:
        real = time.time()
        return min(real, self.start + (real - self.began) * self.speed)

    def wait_until(self, moment: float) -> None:
        while (left := moment - self.now()) > 0:
            behind = time.time() - self.now() > 0.05
            time.sleep(min(0.5, max(0.002, left / self.speed if behind else left)))


class Sender:
    """Sends to one call of the public ingest with a token; what got no answer is sent again, later and slower."""

    def __init__(self, url: str, token: str, call: str) -> None:
        self.http = httpx.Client(base_url=url, headers={"Authorization": f"Bearer {token}"}, timeout=10)
        self.call = f"/api/ingest/{call}"

    def send(self, body: dict[str, Any]) -> dict[str, Any]:
        """Returns the answer once there is one. Raises RuntimeError where the server refuses the device or its data."""
        for wait in _waits():
            try:
                answer = self.http.post(self.call, json=body)
            except httpx.TransportError:
                time.sleep(wait)
                continue
            if answer.status_code >= 500 or answer.status_code == 429:
                time.sleep(wait)
                continue
            if answer.status_code >= 400:
                raise RuntimeError(f"{self.call}: {answer.status_code} {answer.text[:200]}")
            taken: dict[str, Any] = answer.json()
            return taken
        raise AssertionError


def _waits() -> Iterator[float]:
    wait = _WAIT_S
    while True:
        yield wait
        wait = min(_MOST_WAIT_S, wait * 1.6)
