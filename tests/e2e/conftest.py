"""The built page in headless Chromium, against the application on a real socket."""

import threading
import time
from collections.abc import Callable, Iterable, Iterator
from contextlib import contextmanager
from dataclasses import dataclass
from pathlib import Path
from threading import Semaphore
from typing import Any

import pytest
from playwright.sync_api import BrowserContext, Page, Request, expect
from werkzeug.serving import WSGIRequestHandler, make_server

from crevlo.cli.cluster import APP_ROLE
from crevlo.cli.link import sign_in_link
from crevlo.store.database import connect, migrate
from tests.conftest import Bench, Played

# A loaded machine is slow, not wrong.
expect.set_options(timeout=60_000)
AXE = Path(__file__).resolve().parents[2] / "web" / "node_modules" / "axe-core" / "axe.min.js"


@pytest.fixture(scope="session")
def browser_type_launch_args() -> dict:
    return {
        "executable_path": "/usr/bin/chromium-headless-shell",
        "args": ["--no-sandbox", "--disable-gpu", "--disable-quic", "--no-first-run", "--disable-background-networking",
                 "--disable-component-update", "--disable-sync"],
    }  # fmt: skip


@pytest.fixture(scope="session")
def browser_context_args() -> dict:
    return {"viewport": {"width": 1280, "height": 800}, "reduced_motion": "reduce", "locale": "en-GB"}


@pytest.fixture(autouse=True)
def _patience(context: BrowserContext) -> None:
    context.set_default_timeout(60_000)


class _Quiet(WSGIRequestHandler):
    def log(self, *args: object) -> None: ...


@contextmanager
def settled(page: Page) -> Iterator[None]:
    """Leaves once the page has asked for nothing for a while, and waits for nothing: sooner than "networkidle" does."""
    under_way: set[Request] = set()
    asked = [time.monotonic()]

    def begin(request: Request) -> None:
        under_way.add(request)
        asked[0] = time.monotonic()

    def end(request: Request) -> None:
        under_way.discard(request)
        asked[0] = time.monotonic()

    heard = (("request", begin), ("requestfinished", end), ("requestfailed", end))
    for event, hear in heard:
        page.on(event, hear)
    try:
        yield
        until = time.monotonic() + 60
        while under_way or time.monotonic() - asked[0] < 0.2:
            assert time.monotonic() < until, [r.url for r in under_way]
            page.wait_for_timeout(30)
    finally:
        for event, hear in heard:
            page.remove_listener(event, hear)


_MOST_AT_ONCE = 64


@dataclass
class Site:
    """The application serving one database; it can go away and come back at the same address."""

    bench: Bench
    port: int = 0

    def __enter__(self) -> "Site":
        self.under_way = Semaphore(_MOST_AT_ONCE)
        self.server = make_server("127.0.0.1", self.port, self._answer, threaded=True, request_handler=_Quiet)
        self.port = self.server.server_port
        # It looks so often whether it is to end.
        threading.Thread(target=self.server.serve_forever, args=(0.05,), daemon=True).start()
        return self

    def __exit__(self, *_: object) -> None:
        self.server.shutdown()
        self.server.server_close()
        # What a page asked for as it was closed is not answered into the next test's database.
        for _ in range(_MOST_AT_ONCE):
            self.under_way.acquire(timeout=5)

    def _answer(self, environ: dict[str, Any], start: Any) -> Iterable[bytes]:
        with self.under_way:
            return self.bench.app(environ, start)

    @property
    def url(self) -> str:
        return f"http://127.0.0.1:{self.port}"

    def sign_in(self, page: Page, role: str) -> None:
        """As a person does, by a link that opens the first page."""
        page.goto(f"{self.url}/{sign_in_link(self.bench.url, f'{role}@bench.example')}")
        page.get_by_role("heading", name="Studies").wait_for()

    def let_in(self, page: Page, role: str) -> None:
        """Signed in before any page is opened."""
        client, address = self.bench.as_(role), {"domain": "127.0.0.1", "path": "/"}
        page.context.add_cookies(
            [{"name": c.name, "value": c.value or "", **address} for c in client.http.cookies.jar]
        )

    def open(self, page: Page, study: str, station: str) -> None:
        self.go(page, f"study/{study}/{station}")

    def go(self, page: Page, path: str) -> None:
        with settled(page):
            page.goto(f"{self.url}/{path}")
            # On a busy machine more than a while may pass between the page, its code and what that asks for.
            expect(page.locator("main")).to_be_visible()
            expect(page.locator("main .animate-pulse")).to_have_count(0)


@pytest.fixture
def site(bench: Bench) -> Iterator[Site]:
    """A new installation with one person of each role."""
    with Site(bench) as up:
        yield up


@pytest.fixture
def bare_site(copy_of: Callable[[str], str], as_owner: Callable[[str], str]) -> Iterator[Site]:
    """A new installation that nobody has opened yet."""
    url = copy_of("template1")
    engine = connect(as_owner(url))
    migrate(engine, APP_ROLE)
    engine.dispose()
    bench = Bench(url)
    with Site(bench) as up:
        yield up
    bench.close()


@pytest.fixture
def demo_site(demo_bench: Bench) -> Iterator[Site]:
    """The demo scenario, for this test alone."""
    with Site(demo_bench) as up:
        yield up


@pytest.fixture(scope="module")
def shared_site(played: Played, copy_of: Callable[[str], str]) -> Iterator[Site]:
    """The demo scenario, for tests that only look."""
    bench = Bench(copy_of(played.template))
    with Site(bench) as up:
        yield up
    bench.close()


@pytest.fixture
def check_axe() -> Callable[[Page], list[str]]:
    """Violations of WCAG 2 A and AA on the page as it stands."""

    def run(page: Page) -> list[str]:
        if not page.evaluate("'axe' in window"):
            page.evaluate(AXE.read_text())
        found = page.evaluate("axe.run(document, {runOnly: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa']})")
        return [
            f"{v['id']}: {node['target']} {node['any'][0]['message'] if node['any'] else v['help']}"
            for v in found["violations"]
            for node in v["nodes"][:4]
        ]

    return run
