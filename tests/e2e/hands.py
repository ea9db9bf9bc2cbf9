"""Hands on a keyboard."""

import re

from playwright.sync_api import Page


class Hands:
    """A person who uses the keyboard only."""

    def __init__(self, page: Page) -> None:
        self.page = page

    def press(self, *keys: str) -> None:
        for key in keys:
            self.page.keyboard.press(key)

    def type(self, text: str) -> None:
        self.page.keyboard.type(text)

    def focused(self) -> str:
        """Name of the focused control, as a screen reader would say it."""
        return self.page.evaluate("""() => {
            const e = document.activeElement;
            return (e.getAttribute('aria-label') || [...(e.labels || [])].map(l => l.innerText).join(' ') || e.innerText || '').trim();
        }""")

    def tab_to(self, name: str, back: bool = False) -> None:
        """Goes on by Tab until the control whose name starts with `name` has the focus."""
        for _ in range(120):
            if self.focused().startswith(name):
                return
            self.press("Shift+Tab" if back else "Tab")
        raise AssertionError(f"Tab never reaches {name!r}")

    def fill(self, label: str, text: str) -> None:
        self.tab_to(label)
        self.press("ControlOrMeta+a")
        self.type(text)

    def station(self, number: int, name: str) -> None:
        """By its digit; inspecting shadows the digits, so from there by g and the digit."""
        self.press("Escape", "g", str(number))
        self.page.wait_for_url(re.compile(f"/{name}"))
