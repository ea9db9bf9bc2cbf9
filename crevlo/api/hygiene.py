"""What every request and answer is held to, before anything of it is looked at."""

import hashlib
import os
import re
import unicodedata

from flask import Flask, Response, request
from werkzeug.middleware.proxy_fix import ProxyFix

from crevlo.api.errors import problem

MOST_DEPTH = 24
_BRACKETS = re.compile(r'"(?:[^"\\]|\\.)*"|[\[{\]}]', re.S)
# Line ends and tabs may stand in notes.
_PLAIN = frozenset("\n\r\t")


def trusted_hosts() -> list[str]:
    """Names under which this server may be reached: CREVLO_HOSTS, by commas; only this machine where it is not set."""
    given = [h.strip() for h in os.environ.get("CREVLO_HOSTS", "").split(",") if h.strip()]
    return [*given, "127.0.0.1", "localhost", "[::1]"]


def behind_proxies(app: Flask) -> None:
    """Takes the caller's address from as many proxies as CREVLO_PROXIES says stand in front, and from no other."""
    count = int(os.environ.get("CREVLO_PROXIES", "0"))
    if count > 0:
        app.wsgi_app = ProxyFix(app.wsgi_app, x_for=count, x_proto=count, x_host=count)  # type: ignore[method-assign]


def keep_clean(app: Flask) -> None:
    @app.before_request
    def look() -> Response | None:
        if request.is_json:
            return _look_through(request.get_data(cache=True))
        return None

    @app.after_request
    def private(response: Response) -> Response:
        """What was answered to one person is kept by no browser or proxy for the next; the page itself names what it holds,
        and is told where that is still so."""
        if not request.path.startswith("/api/"):
            return response
        response.headers["Cache-Control"] = "no-store"
        if request.method == "GET" and response.status_code == 200 and response.is_json:
            # Weak: packed or not, it is the same answer.
            response.set_etag(hashlib.blake2b(response.get_data(), digest_size=12).hexdigest(), weak=True)
            response.make_conditional(request)
        return response


def _look_through(body: bytes) -> Response | None:
    try:
        text = body.decode()
    except UnicodeDecodeError:
        return problem(400, "The request is not in UTF-8.")
    if text.lstrip()[:1] == '"':
        return problem(400, "The request must be a JSON object.")
    if too_deep(text):
        return problem(400, f"The request is nested more than {MOST_DEPTH} deep.")
    if hidden_letter(text):
        return problem(
            422, "A text holds a character that cannot be seen or that turns the text round. Type it again."
        )
    return None


def too_deep(text: str) -> bool:
    """Whether lists and objects stand in each other too often; in one pass, whatever the text is."""
    depth = 0
    for found in _BRACKETS.finditer(text):
        letter = found[0]
        if letter in "[{":
            depth += 1
            if depth > MOST_DEPTH:
                return True
        elif letter in "]}":
            depth -= 1
    return False


_CONTROL = re.compile(r"[\x00-\x08\x0b\x0c\x0e-\x1f\x7f]")
_ESCAPED = re.compile(r"\\u([0-9a-fA-F]{4})")


def hidden_letter(text: str) -> bool:
    """Whether a JSON text names a character without a form of its own, plainly or escaped."""
    if text.isascii() and "\\u" not in text:
        return bool(_CONTROL.search(text))
    letters = set(text) | {chr(int(code, 16)) for code in _ESCAPED.findall(text)}
    # A pair of surrogates is one letter beyond the first 65 536.
    pairs = set(re.findall(r"\\u[dD][89abAB][0-9a-fA-F]{2}\\u[dD][c-fC-F][0-9a-fA-F]{2}", text))
    alone = len(re.findall(r"\\u[dD][89a-fA-F][0-9a-fA-F]{2}", text)) - 2 * sum(text.count(p) for p in pairs)
    kinds = {unicodedata.category(c) for c in letters - _PLAIN if not "\ud800" <= c <= "\udfff"}
    return alone > 0 or bool(kinds & {"Cc", "Cf", "Co", "Cn"})
