"""The calls of pages for readers: opened and closed by reviewers; read, and ranked anew, by anybody who has the address."""

import time
from collections import deque
from threading import Lock

from cachetools import TTLCache
from flask import Response, request
from flask_login import current_user

from crevlo.api.errors import problem
from crevlo.api.guard import REVIEW, anybody, db, writes
from crevlo.api.paths import BallotKeyPath, RevisionPath
from crevlo.api.station import station
from crevlo.stations.publish import reader

api = station("reader")
# From one address: somebody who moves a slider is served, a program soon waits.
MOST_A_MINUTE = 120
_asked: TTLCache[str, deque[float]] = TTLCache(20_000, 120)
_guard = Lock()


@api.post("/revisions/<uuid:revision_id>/reader-page", responses={200: reader.Opened})
@writes(REVIEW)
def open_page(path: RevisionPath) -> reader.Opened:
    return reader.open_page(db(), path.revision_id, current_user.id)


@api.delete("/revisions/<uuid:revision_id>/reader-page", responses={200: reader.Opened})
@writes(REVIEW)
def close_page(path: RevisionPath) -> reader.Opened:
    return reader.close_page(db(), path.revision_id)


@api.get("/readers/<key>", responses={200: reader.ReaderView})
@anybody
def view_page(path: BallotKeyPath) -> Response:
    return _answer(reader.view_page(db(), path.key))


@api.post("/readers/<key>/rank", responses={200: reader.ReaderRanking})
@anybody
def rank_page(path: BallotKeyPath, body: reader.ReaderWish) -> Response:
    """Changes nothing, and is worked out from what is frozen alone."""
    if not _in_time(request.remote_addr or ""):
        return problem(429, "So many rankings were asked for from your address; wait a minute.")
    return _answer(reader.rank_page(db(), path.key, body))


@api.get("/readers/<key>/report.html")
@anybody
def page_report(path: BallotKeyPath) -> Response:
    return Response(reader.page_report(db(), path.key), mimetype="text/html")


def _in_time(address: str) -> bool:
    now = time.monotonic()
    with _guard:
        mine = _asked.setdefault(address, deque())
        while mine and mine[0] < now - 60:
            mine.popleft()
        if len(mine) >= MOST_A_MINUTE:
            return False
        mine.append(now)
        # Kept for as long as it is asked from.
        _asked[address] = mine
    return True


def _answer(view: reader.ReaderView | reader.ReaderRanking) -> Response:
    return Response(view.model_dump_json(), mimetype="application/json")
