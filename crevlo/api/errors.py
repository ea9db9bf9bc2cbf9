"""Errors as application/problem+json in plain words."""

import json
from typing import Any

import structlog
from flask import Flask, Response
from flask_wtf.csrf import CSRFError
from pydantic import BaseModel, ValidationError
from sqlalchemy.exc import DataError, DBAPIError, IntegrityError, InterfaceError, OperationalError
from sqlalchemy.exc import TimeoutError as PoolTimeout
from werkzeug.exceptions import HTTPException

from crevlo.core.estimate import BadInput, NotDetermined
from crevlo.stations.kit.shape import Choose, Conflict, Missing, Refused, TooMany
from crevlo.stations.library.person import TooManyTries

log = structlog.get_logger("crevlo")
_PLAIN = {
    400: "The request could not be understood.",
    404: "There is no such thing.",
    405: "This cannot be done here.",
    413: "This is too large: a file may hold 160 MB at most.",
    415: "This kind of content is not taken here.",
}


class Busy(Exception):
    """A person has a call under way that takes a while; the next of its kind waits."""


class Problem(BaseModel):
    """RFC 9457 problem; `theirs` is the present state in a conflict."""

    type: str = "about:blank"
    title: str
    status: int
    theirs: dict[str, Any] | None = None
    fields: list[str] | None = None


def problem(status: int, title: str, *, retry_after: int | None = None, **more: Any) -> Response:
    body = json.dumps({"type": "about:blank", "title": title, "status": status, **more}, default=str)
    answer = Response(body, status, mimetype="application/problem+json")
    if retry_after is not None:
        answer.headers["Retry-After"] = str(retry_after)
    return answer


def validation_problem(error: ValidationError) -> Response:
    fields = []
    for e in error.errors():
        place = " → ".join(str(p).replace("_", " ") for p in e["loc"]) or "the request"
        fields.append(f"{place}: {e['msg'][:1].lower()}{e['msg'][1:]}")
    return problem(422, f"Please check {'; '.join(fields[:4])}.", fields=fields[:20])


def for_exception(error: Exception) -> Response | None:
    """The problem an expected exception stands for, None for what is a fault of ours."""
    if isinstance(error, Missing):
        return problem(404, str(error))
    if isinstance(error, Conflict):
        return problem(409, str(error), theirs=error.theirs)
    if isinstance(error, Choose):
        return problem(409, str(error), choices=error.choices)
    if isinstance(error, TooManyTries):
        return problem(429, "Too many failed sign-ins. Wait a quarter of an hour, then try again.")
    if isinstance(error, TooMany):
        return problem(429, str(error), retry_after=60)
    if isinstance(error, Busy):
        return problem(429, "What you asked for before is still being worked on. Wait a moment.", retry_after=2)
    if isinstance(error, Refused | BadInput):
        text = str(error)
        return problem(422, text[:1].upper() + text[1:])
    if isinstance(error, NotDetermined):
        return problem(422, f"This needs {error.needs} first.")
    if isinstance(error, ValidationError):
        return validation_problem(error)
    if isinstance(error, CSRFError):
        return problem(403, "This page is out of date. Reload it and try again; nothing was changed.", wait=True)
    if isinstance(error, IntegrityError | DataError):
        log.warning("refused by the database", error=str(error.orig)[:300])
        return problem(
            409, "The database refused this: it contradicts what is already recorded. Nothing was changed."
        )
    if isinstance(error, OperationalError | InterfaceError | PoolTimeout) or (
        isinstance(error, DBAPIError) and error.connection_invalidated
    ):
        # A browser or device that is told to wait sends again; a refusal would make it give up what it has.
        log.warning("the database is away", error=str(error)[:300])
        return problem(
            503, "The database does not answer just now. What you entered is kept here and sent again.", retry_after=2
        )
    if isinstance(error, HTTPException):
        return problem(error.code or 500, _PLAIN.get(error.code or 500, error.description or error.name))
    return None


def register_errors(app: Flask) -> None:
    @app.errorhandler(Exception)
    def handle(error: Exception) -> Response:
        known = for_exception(error)
        if known is not None:
            return known
        log.exception("fault")
        return problem(500, "Something went wrong on our side. Nothing was changed; the fault is in the log.")
