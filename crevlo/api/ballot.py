"""The calls of ballots: those of the reviewers, and the public ones that need no sign-in and tell no machine."""

import secrets

from flask import Response, request, session
from flask_login import current_user

from crevlo.api.guard import REVIEW, anybody, db, reads, writes
from crevlo.api.paths import BallotKeyPath, BallotPath, BallotPicturePath, StudyPath
from crevlo.api.station import station
from crevlo.stations.inspect import ballot

api = station("ballot")


@api.get("/studies/<uuid:study_id>/ballots", responses={200: ballot.BallotList})
@reads(REVIEW)
def view_ballots(path: StudyPath) -> ballot.BallotList:
    """What audiences said; not shown to raters, who compare for themselves."""
    return ballot.view_ballots(db(), path.study_id)


@api.post("/studies/<uuid:study_id>/ballots", responses={200: ballot.BallotList})
@writes(REVIEW, heavy=True)
def open_ballot(path: StudyPath, body: ballot.NewBallot) -> ballot.BallotList:
    return ballot.open_ballot(db(), path.study_id, body, current_user.id)


@api.post("/ballots/<uuid:ballot_id>/close", responses={200: ballot.BallotList})
@writes(REVIEW)
def close_ballot(path: BallotPath) -> ballot.BallotList:
    return ballot.close_ballot(db(), path.ballot_id)


@api.get("/ballots/<key>", responses={200: ballot.PublicBallot})
@anybody
def public_ballot(path: BallotKeyPath) -> Response:
    return _answer(ballot.public(db(), path.key, _voter()))


@api.post("/ballots/<key>/votes", responses={200: ballot.PublicBallot})
@anybody
def vote(path: BallotKeyPath, body: ballot.NewVote) -> Response:
    view = ballot.vote(db(), path.key, body, _voter(), request.remote_addr or "")
    db().commit()
    return _answer(view)


@api.get("/ballots/<key>/pictures/<code>")
@anybody
def ballot_picture(path: BallotPicturePath) -> Response:
    return Response(
        ballot.picture(db(), path.key, path.code), mimetype="image/jpeg", headers={"Cache-Control": "public, max-age=86400"}
    )  # fmt: skip


def _voter() -> str:
    """A number that this browser keeps; it says nothing of who sits there."""
    session.permanent = True
    if "voter" not in session:
        session["voter"] = secrets.token_urlsafe(16)
    return str(session["voter"])


def _answer(view: ballot.PublicBallot) -> Response:
    return Response(view.model_dump_json(), mimetype="application/json", headers={"Cache-Control": "no-store"})
