"""What a transaction can see, as a key of what was worked out from it."""

import uuid

from sqlalchemy import text
from sqlalchemy.orm import Session

from crevlo.store.database import SQL


def state_of(session: Session) -> str | None:
    """What this transaction can see of records, as a key: equal keys see equal records. None once it has changed
    something itself.

    Every change of a record leaves a line in the audit trail; what only passes by, such as samples of power, does not. A
    line of a transaction that took its number earlier and ended later changes how many of the last there are.
    """
    changing, where, last, lately = session.execute(_STATE).one()
    return None if changing else f"{where} {last} {lately}"


_STATE = text(
    "select pg_current_xact_id_if_assigned() is not null, current_database(), newest.id,"
    " (select count(*) from audit_entry where audit_entry.id > newest.id - 10000)"
    " from (select coalesce(max(id), 0) as id from audit_entry) newest"
)


_PRINT = text((SQL / "study_print.sql").read_text())


def print_of(session: Session, study_id: uuid.UUID) -> str:
    """A key of the rows that a study's figures follow from: equal keys stand for equal rows."""
    rows, marks = session.execute(_PRINT, {"study": study_id}).one()
    return f"{session.connection().engine.url.database} {rows} {marks}"
