"""Who asks, what they may do, and writes that are carried out once."""

import hashlib
import uuid
from collections.abc import Callable
from functools import wraps
from typing import Any, Concatenate, ParamSpec, TypeVar, cast

from flask import Flask, Response, current_app, g, request
from flask_login import UserMixin, current_user
from pydantic import BaseModel
from sqlalchemy import text
from sqlalchemy.orm import Session
from werkzeug.http import parse_dict_header

from crevlo.api.errors import Busy, for_exception, problem
from crevlo.stations.blind import asks_for
from crevlo.stations.devices.device import device_by_token
from crevlo.stations.library.person import WhoIsIn
from crevlo.store.audit import Write
from crevlo.store.person import Person, Role

_Asked = ParamSpec("_Asked")
_View = TypeVar("_View", bound=BaseModel)

EVERYONE = frozenset(Role)
NOT_BLIND = frozenset({Role.OWNER, Role.REVIEWER, Role.READER})
BENCH = frozenset({Role.OWNER, Role.REVIEWER, Role.RATER})
REVIEW = frozenset({Role.OWNER, Role.REVIEWER})
OWNER = frozenset({Role.OWNER})
# Not a set of roles: an empty set would be this very object, and open what nobody may call.
ANYBODY = object()
# Not people: whoever has the token of a device that is in use.
DEVICES = object()


class SignedIn(UserMixin):  # type: ignore[misc]
    """The signed-in person; the cookie holds the number of a session that the server can end."""

    def __init__(self, person: Person | WhoIsIn, session_id: uuid.UUID) -> None:
        self.id = person.id
        self.name = person.name
        self.email = person.email
        self.role = person.role
        self.session_id = session_id

    def get_id(self) -> str:
        return str(self.session_id)


def db() -> Session:
    """This request's database session."""
    if "db" not in g:
        g.db = current_app.extensions["crevlo"]["sessions"]()
    session: Session = g.db
    return session


def ask_who(app: Flask) -> None:
    """Before anything of a request is looked at: is this person signed in, and is the call open to their role?"""

    @app.before_request
    def ask() -> Response | None:
        if request.blueprint is None or request.endpoint is None:
            return None
        allowed = getattr(app.view_functions[request.endpoint], "allowed", None)
        if allowed is ANYBODY:
            return None
        if allowed is None:
            return problem(403, "This call says nobody may make it.")
        if allowed is DEVICES:
            g.device = device_by_token(db(), request.headers.get("Authorization", "").removeprefix("Bearer "))
            return None if g.device else problem(401, "This needs the token of a device that is in use.")
        if not current_user.is_authenticated:
            return problem(401, "Please sign in.")
        if current_user.role not in allowed:
            return problem(403, f"This is not open to the role “{current_user.role.value}”.")
        asks_for(db(), current_user.id)
        return None


def anybody(handler: Callable[..., Any]) -> Callable[..., Any]:
    """A call that is made before signing in."""

    @wraps(handler)
    def call(*args: Any, **kwargs: Any) -> Any:
        answer = handler(*args, **kwargs)
        if request.method == "GET":
            _looked(db())
        return answer

    call.allowed = ANYBODY  # type: ignore[attr-defined]
    return call


_ONE_STATE = text("set transaction isolation level repeatable read, read only")


def reads(
    allowed: frozenset[Role], *, heavy: bool = False
) -> Callable[[Callable[..., BaseModel | Response]], Callable[..., Any]]:
    """A call that only looks, open to the roles `allowed`; of `heavy` ones a person has one under way at a time."""

    def guard(handler: Callable[..., Any]) -> Callable[..., Any]:
        @wraps(handler)
        def call(*args: Any, **kwargs: Any) -> Any:
            # One view sees one state of the data, however many questions it asks.
            _who_is_known(db())
            db().execute(_ONE_STATE)
            if heavy:
                _one_at_a_time()
            answer = _serialised(handler(*args, **kwargs))
            _looked(db())
            return answer

        call.allowed = allowed  # type: ignore[attr-defined]
        call.only_looks = True  # type: ignore[attr-defined]
        return call

    return guard


def _looked(session: Session) -> None:
    """Nothing was changed; but at a rollback the driver would forget every question that it has prepared."""
    session.commit()


def _who_is_known(session: Session) -> None:
    """Ends looking who asks; what was seen of them is not taken for what is so in the next transaction."""
    _looked(session)
    session.expire_all()


def writes(
    allowed: frozenset[Role], *, shown_once: frozenset[str] = frozenset(), heavy: bool = False
) -> Callable[[Callable[..., BaseModel]], Callable[..., Any]]:
    """A call that changes something: one transaction, audited, and carried out once per client-made write id.

    Fields of the answer that are `shown_once` are secrets: they are not kept for a repeat.
    """

    def guard(handler: Callable[..., BaseModel]) -> Callable[..., Any]:
        @wraps(handler)
        def call(*args: Any, **kwargs: Any) -> Any:
            def change() -> BaseModel:
                if heavy:
                    _one_at_a_time()
                return handler(*args, **kwargs)

            return once(change, shown_once)

        call.allowed = allowed  # type: ignore[attr-defined]
        return call

    return guard


class Unseen(BaseModel):
    """The answer to a change whose sender asked for none."""


def shown(view: Callable[Concatenate[Session, _Asked], _View], *args: _Asked.args, **kwargs: _Asked.kwargs) -> _View:
    """What a change is answered with: how things stand after it, unless its sender would rather not be told (RFC 7240)."""
    if _minimal():
        return cast(_View, Unseen())
    return view(db(), *args, **kwargs)


def _minimal() -> bool:
    return parse_dict_header(request.headers.get("Prefer", "")).get("return") == "minimal"


def _one_at_a_time() -> None:
    """Raises Busy where this person has a heavy call under way, in whatever process; ends with the transaction."""
    key = {"key": f"heavy {current_user.id}"}
    if not db().scalar(text("select pg_try_advisory_xact_lock(hashtextextended(:key, 2))"), key):
        raise Busy


# Names who the audit trail holds responsible, in the statement that begins the change.
_CLAIM = text(
    "insert into client_write (id, person_id, request_hash, status, body)"
    " select cast(:id as uuid), cast(:person_id as uuid), :seen, 200, ''"
    " from (select set_config('crevlo.person', :who, true)) responsible"
    " on conflict (id) do nothing returning id"
)
_ANSWERED = text("update client_write set body = :body, status = :status where id = cast(:id as uuid)")


def once(change: Callable[[], BaseModel], shown_once: frozenset[str] = frozenset()) -> Response:
    """Runs `change` in one transaction under the request's X-Write-Id; a repeat gets the first answer again."""
    session = db()
    pressed_by = request.headers.get("X-Person")
    if pressed_by and current_user.is_authenticated and pressed_by != str(current_user.id):
        # What one person pressed must not go out under the name of who signed in next.
        return problem(403, "Somebody else is signed in here now; this waits for who entered it.", wait=True)
    try:
        write_id = uuid.UUID(request.headers.get("X-Write-Id", ""))
    except ValueError:
        return problem(400, "Every change needs a client-made X-Write-Id (a UUID), so that a repeat is stored once.")
    person_id = current_user.id if current_user.is_authenticated else None
    seen = _request_hash()
    _who_is_known(session)
    # Claims the id: a second request with it waits here for the first to finish.
    claimed = session.execute(
        _CLAIM, {"id": write_id, "person_id": person_id, "who": str(person_id or ""), "seen": seen}
    )
    earlier = None if claimed.first() else session.get(Write, write_id)
    if earlier is not None:
        if earlier.person_id != person_id or earlier.request_hash != seen:
            return problem(409, "This write id was used for something else.")
        return _answer(earlier.body, earlier.status)
    try:
        made = change()
        unseen = _minimal() and not shown_once
        answer = "" if unseen else made.model_dump_json()
        kept = made.model_copy(update=dict.fromkeys(shown_once, "")).model_dump_json() if shown_once else answer
        status = 204 if unseen else 200
        session.execute(_ANSWERED, {"id": write_id, "body": kept, "status": status})
        session.commit()
    except Exception as error:
        session.rollback()
        known = for_exception(error)
        if known is None:
            raise
        return known
    return _answer(answer, status)


def _answer(body: str, status: int) -> Response:
    answer = Response(body, status, mimetype="application/json")
    if status == 204:
        answer.headers["Preference-Applied"] = "return=minimal"
    return answer


def _serialised(result: BaseModel | Response) -> Response:
    if isinstance(result, Response):
        return result
    return Response(result.model_dump_json(), 200, mimetype="application/json")


def _request_hash() -> str:
    digest = hashlib.sha256(f"{request.method} {request.full_path}\n".encode())
    digest.update(request.get_data(cache=True) if not request.files else b"".join(_file_bytes()))
    return digest.hexdigest()


def _file_bytes() -> list[bytes]:
    parts = []
    for name in sorted(request.files):
        file = request.files[name]
        parts.append(hashlib.sha256(file.stream.read()).digest())
        file.stream.seek(0)
    return parts
