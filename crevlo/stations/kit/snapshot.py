"""What a transaction can see, as a key of what was worked out from it."""

import uuid
from collections.abc import Iterator
from contextlib import contextmanager

from sqlalchemy import text
from sqlalchemy.orm import Session

from crevlo.store.database import SQL


def state_of(session: Session) -> str | None:
    """What this transaction can see of records, as a key: equal keys see equal records. None once it has changed
    something itself.

    Every change of a record leaves a line in the audit trail; what only passes by, such as samples of power, does not. A
    line of a transaction that took its number earlier and ended later changes how many of the last there are.
    """
    kept = session.info.get(_KEPT)
    if kept is not None and kept[0] is session.get_transaction():
        return str(kept[1])
    changing, fixed, where, last, lately = session.execute(_STATE).one()
    if changing:
        return None
    state = f"{where} {last} {lately}"
    if fixed:
        # It sees this one state to its end.
        session.info[_KEPT] = (session.get_transaction(), state)
    return state


_KEPT = "crevlo state"
_STATE = text(
    "select pg_current_xact_id_if_assigned() is not null,"
    " current_setting('transaction_isolation') = 'repeatable read' and current_setting('transaction_read_only') = 'on',"
    " current_database(), newest.id,"
    " (select count(*) from audit_entry where audit_entry.id > newest.id - 10000)"
    " from (select coalesce(max(id), 0) as id from audit_entry) newest"
)


@contextmanager
def looking(session: Session) -> Iterator[Session]:
    """Beside a transaction that changes something, one that sees a state of the data as it stood before and may keep what it
    works out of it."""
    with Session(session.get_bind(), info={k: v for k, v in session.info.items() if k != _KEPT}) as beside:
        beside.execute(text("set transaction isolation level repeatable read, read only"))
        yield beside


_PRINT = text((SQL / "study_print.sql").read_text())


def print_of(session: Session, study_id: uuid.UUID) -> str:
    """A key of the rows that a study's figures follow from: equal keys stand for equal rows."""
    rows, marks = session.execute(_PRINT, {"study": study_id}).one()
    return f"{session.connection().engine.url.database} {rows} {marks}"
