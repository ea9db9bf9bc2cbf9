"""Changes of rows that people edit: the later of two writers sees the conflict."""

from typing import Any, TypeVar

from sqlalchemy import select
from sqlalchemy.orm import Session
from sqlalchemy.orm.attributes import flag_modified
from sqlalchemy.orm.exc import StaleDataError

from crevlo.stations.kit.shape import Conflict, Refused
from crevlo.store.base import Base
from crevlo.store.machine import (
    Instrument,
    Spool,
)

AnyRow = TypeVar("AnyRow", bound=Base)


def change(session: Session, row: AnyRow, seen_version: int, changes: dict[str, Any]) -> AnyRow:
    """Applies changes if nobody was faster; raises Conflict with the present state otherwise."""
    if row.version != seen_version:  # type: ignore[attr-defined]
        raise Conflict(plain_row(row))
    for name, value in changes.items():
        setattr(row, name, value)
        # The version moves even where the row itself is the same, so that what hangs on it is guarded too.
        flag_modified(row, name)
    try:
        session.flush()
    except StaleDataError:
        session.rollback()
        raise Conflict(plain_row(session.merge(row))) from None
    return row


def plain_row(row: Base) -> dict[str, Any]:
    return {c.name: getattr(row, c.key) for c in row.__table__.columns}


def unused_code(session: Session, kind: type[Spool] | type[Instrument], code: str) -> None:
    if session.scalar(select(kind.id).where(kind.code == code)):
        raise Refused(f"The code {code} is already used.")
