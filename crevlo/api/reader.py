"""The calls of pages for readers: opened and closed by reviewers; read, and ranked anew, by anybody who has the address."""

from flask import Response, request
from flask_login import current_user

from crevlo.api.errors import problem
from crevlo.api.guard import REVIEW, anybody, db, writes
from crevlo.api.paths import BallotKeyPath, RevisionPath
from crevlo.api.station import station
from crevlo.stations.kit.limits import asked_too_often, caller_of
from crevlo.stations.publish import reader

api = station("reader")
# From one address: somebody who moves a slider is served, a program soon waits.
MOST_A_MINUTE = 120


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
    caller = caller_of(request.remote_addr or "")
    if asked_too_often(db(), "reader ranking", caller, most=MOST_A_MINUTE, minutes=1):
        return problem(429, "So many rankings were asked for from your address; wait a minute.")
    return _answer(reader.rank_page(db(), path.key, body))


@api.get("/readers/<key>/report.html")
@anybody
def page_report(path: BallotKeyPath) -> Response:
    return Response(reader.page_report(db(), path.key), mimetype="text/html")


def _answer(view: reader.ReaderView | reader.ReaderRanking) -> Response:
    return Response(view.model_dump_json(), mimetype="application/json")
