"""The web application: security, errors, one blueprint per station, and the built page."""

import logging
import os
import secrets
import time
import uuid
from pathlib import Path
from typing import Any

import structlog
from flask import Flask, Response, g, request, send_from_directory
from flask_compress import Compress
from flask_login import LoginManager
from flask_openapi3.models.info import Info
from flask_talisman import Talisman
from flask_wtf.csrf import CSRFProtect
from sqlalchemy import Engine, text
from sqlalchemy.orm import Session

from crevlo.api import (
    afterwards,
    ballot,
    cost,
    ingest,
    inspect,
    library,
    life,
    measure,
    others,
    people,
    plan,
    print_,
    publish,
    rank,
    reader,
    receive,
    schedule,
    verdict,
)
from crevlo.api.agents import DEMO_AGENT
from crevlo.api.errors import problem, register_errors, validation_problem
from crevlo.api.guard import SignedIn, ask_who
from crevlo.api.hygiene import behind_proxies, keep_clean, trusted_hosts
from crevlo.api.station import Application
from crevlo.revision import newest
from crevlo.stations.kit.upload import MOST_UPLOAD_BYTES
from crevlo.stations.library.person import SESSION_LIFE, session_person
from crevlo.store.database import connect, sessions

BUILT = Path(__file__).resolve().parents[2] / "web" / "dist"
CONTENT_POLICY = {
    "default-src": "'self'",
    "script-src": "'self'",
    "style-src": "'self' 'unsafe-inline'",
    "img-src": "'self' data:",
    "object-src": "'none'",
    "base-uri": "'none'",
    "form-action": "'self'",
    "frame-ancestors": "'none'",
}
# JSON bodies are small; only these may take more, up to what the stations allow.
UPLOADS = (
    "afterwards.take_sheets",
    "print.take_file",
    "print.take_trace",
    "print.take_photo",
    "inspect.take_specimen_photo",
    "print.read_heading",
    "library.check_mesh",
    "measure.read_sheet",
    "others.import_package",
)
MOST_JSON_BYTES = 1 << 20
log = structlog.get_logger("crevlo")


def create_app(url: str | None = None, *, secret: str | None = None, https: bool | None = None) -> Application:
    """The WSGI application on the given database (or DATABASE_URL); `secret` signs the session cookies."""
    structlog.configure(
        processors=[
            structlog.processors.TimeStamper(fmt="iso"),
            structlog.processors.format_exc_info,
            structlog.processors.JSONRenderer(),
        ],
        logger_factory=structlog.PrintLoggerFactory(),
    )
    logging.getLogger("werkzeug").setLevel(logging.WARNING)
    app = Application(
        "crevlo", info=Info(title="Crevlo", version="1"), doc_ui=False,
        security_schemes={"cookie": {"type": "apiKey", "in": "cookie", "name": "crevlo_session"}},
        static_folder=None, validation_error_callback=validation_problem,
    )  # fmt: skip
    secure = https if https is not None else os.environ.get("CREVLO_HTTPS", "") == "1"
    app.config.update(
        SECRET_KEY=secret or os.environ.get("CREVLO_SECRET") or secrets.token_hex(32),
        SESSION_COOKIE_NAME="crevlo_session",
        SESSION_COOKIE_HTTPONLY=True,
        SESSION_COOKIE_SAMESITE="Lax",
        SESSION_COOKIE_SECURE=secure,
        PERMANENT_SESSION_LIFETIME=SESSION_LIFE,
        # Only a change of the session sets its cookie: a late answer must not put an older one back.
        SESSION_REFRESH_EACH_REQUEST=False,
        MAX_CONTENT_LENGTH=MOST_JSON_BYTES,
        WTF_CSRF_TIME_LIMIT=None,
        WTF_CSRF_HEADERS=["X-CSRFToken"],
        WTF_CSRF_SSL_STRICT=secure,
        TRUSTED_HOSTS=trusted_hosts(),
        COMPRESS_ALGORITHM=["br", "gzip"],
        COMPRESS_LEVEL=4,
        COMPRESS_MIN_SIZE=2000,
        # Reports and packages go out as they are stored; what is packed already is not packed again.
        COMPRESS_MIMETYPES=["application/json", "application/problem+json", "text/html", "text/css", "text/javascript",
                            "image/svg+xml", "text/csv"],
    )  # fmt: skip
    Compress(app)
    engine = connect(url or os.environ["DATABASE_URL"])
    app.extensions["crevlo"] = {"engine": engine, "sessions": sessions(engine)}
    _log_requests(app)
    keep_clean(app)
    _bound_uploads(app)
    _sign_in(app)
    ask_who(app)
    # Devices have no session that another page could ride on.
    CSRFProtect(app).exempt(ingest.api)
    Talisman(
        app, force_https=False, content_security_policy=CONTENT_POLICY, session_cookie_secure=secure,
        strict_transport_security=secure, frame_options="DENY", referrer_policy="same-origin",
    )  # fmt: skip
    register_errors(app)
    for part in (
        people,
        library,
        plan,
        schedule,
        receive,
        print_,
        measure,
        inspect,
        ballot,
        cost,
        rank,
        verdict,
        publish,
        reader,
        others,
        life,
        afterwards,
        ingest,
    ):
        app.register_api(part.api)
    app.register_api(ingest.devices)
    _health(app, engine)
    _pages(app)
    behind_proxies(app)
    return app


def _bound_uploads(app: Flask) -> None:
    @app.before_request
    def bound() -> Response | None:
        if request.endpoint in UPLOADS:
            request.max_content_length = MOST_UPLOAD_BYTES
            if request.content_length is None:
                return problem(411, "The upload must state its length.")
        return None


def _sign_in(app: Flask) -> None:
    manager = LoginManager(app)

    @manager.user_loader
    def load(key: str) -> SignedIn | None:
        try:
            session_id = uuid.UUID(key)
        except ValueError:
            return None
        db: Session = g.get("db") or app.extensions["crevlo"]["sessions"]()
        g.db = db
        found = session_person(db, session_id)
        return SignedIn(found, session_id) if found else None

    @app.teardown_request
    def close(error: BaseException | None) -> None:
        db = g.pop("db", None)
        if db is not None:
            db.close()


def _log_requests(app: Flask) -> None:
    @app.before_request
    def begin() -> None:
        g.began = time.perf_counter()

    @app.after_request
    def line(response: Response) -> Response:
        # Devices and whoever watches over us ask all the time, and the demo enters hundreds of things: only what they are refused is told.
        often = request.blueprint == "ingest" or request.headers.get("User-Agent") == DEMO_AGENT
        often = often or request.path in ("/healthz", "/readyz")
        quiet = request.path.startswith("/assets/") or (often and response.status_code < 400)
        if not quiet:
            log.info(
                "request", method=request.method, path=request.path, status=response.status_code,
                ms=round(1000 * (time.perf_counter() - g.began), 1), size=response.content_length,
                # Only who is known by now: asking the database here would turn an outage into a fault.
                person=str(g._login_user.id) if getattr(g.get("_login_user"), "is_authenticated", False) else None,
            )  # fmt: skip
        return response


def _health(app: Flask, engine: Engine) -> None:
    @app.route("/healthz")
    def healthz() -> str:
        """Whether this process answers at all."""
        return "ok"

    @app.route("/readyz")
    def readyz() -> Any:
        """Whether it can do its work: a database that answers, of this version; and, in words, the background worker."""
        try:
            with engine.connect() as connection:
                found = connection.scalar(text("select version_num from alembic_version"))
                silent_s = connection.scalar(
                    text("select extract(epoch from now() - max(last_heartbeat)) from procrastinate_workers")
                )
        except Exception as away:
            # Asked every few seconds while a database is away: a line, and no trace.
            log.warning("not ready", why=str(away).split("\n", 1)[0])
            return problem(503, "The database does not answer.", retry_after=2)
        if found != newest():
            return problem(
                503, f"The database is of version {found}, this program of {newest()}. Run: crevlo migrate"
            )
        worker = "not heard of" if silent_s is None else f"heard {silent_s:.0f} s ago"
        return Response(f"ok\nbackground worker: {worker}\n", mimetype="text/plain")


def _pages(app: Application) -> None:
    @app.route("/api/openapi.json")
    def openapi() -> Any:
        return app.api_doc

    @app.route("/api/<path:rest>")
    def no_such_call(rest: str) -> Any:
        return problem(404, "There is no such call.")

    @app.route("/assets/<path:name>")
    def asset(name: str) -> Response:
        response = send_from_directory(BUILT / "assets", name)
        response.headers["Cache-Control"] = "public, max-age=31536000, immutable"
        return response

    @app.route("/")
    @app.route("/<path:rest>")
    def page(rest: str = "") -> Any:
        if not (BUILT / "index.html").is_file():
            return problem(503, "The front end is not built; run: make build")
        response = send_from_directory(BUILT, "index.html")
        response.headers["Cache-Control"] = "no-cache"
        return response
