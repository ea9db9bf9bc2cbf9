"""Carries out one piece of background work, whatever becomes of it."""

import time
import uuid
from collections.abc import Callable
from datetime import UTC, datetime

import structlog
from sqlalchemy import Connection, select, text, update
from sqlalchemy.event import listen
from sqlalchemy.orm import Session, sessionmaker

from crevlo.core.estimate import BadInput, NotDetermined
from crevlo.stations.background import OPEN, Cancelled, Progress, queue
from crevlo.stations.kit.shape import Missing, Refused
from crevlo.stations.plan.make import make_schedule
from crevlo.stations.print_ import sliced, why
from crevlo.store.schedule import BackgroundWork, Wish, WorkState

Work = Callable[[sessionmaker[Session], BackgroundWork, Progress], str]
KINDS: dict[str, Work] = {
    "schedule": make_schedule, sliced.WORK: sliced.read_large, why.COMPARISON: why.compare_large,
}  # fmt: skip
# Work that nobody watches goes on by itself after a restart; a search for a better plan is asked for again.
_RESUMED = (sliced.WORK, why.COMPARISON)
# Work that ended the worker this often would end it again.
MOST_BEGUN = 2
_ENDED_TWICE = (
    "The program that reads files ended twice while it worked on this one, so it is not tried again. Nothing was changed. "
    "If the file is sound, please report it."
)
log = structlog.get_logger("crevlo")


def carry_out(sessions: sessionmaker[Session], work_id: uuid.UUID) -> None:
    """Ends with the work done, failed with words for the person who asked, or cancelled; never raises for bad input.

    Of several workers one carries it out: the mark that it is being worked on goes with its connection to the database.
    """
    with sessions.kw["bind"].connect().execution_options(isolation_level="AUTOCOMMIT") as mark:
        # Who has just put it back into the queue may hold the mark for a moment longer.
        if not any(_marked(mark, work_id) for _ in range(_TRIES)):
            return
        try:
            _carry_out(sessions, work_id)
        finally:
            mark.execute(_UNMARK, {"key": _mark_of(work_id)})


_MARK = text("select pg_try_advisory_lock(hashtextextended(:key, 3))")
_UNMARK = text("select pg_advisory_unlock(hashtextextended(:key, 3))")
_UNDER_WAY = text("select not pg_try_advisory_xact_lock(hashtextextended(:key, 3))")


_TRIES, _TRY_S = 10, 0.2


def _marked(connection: Connection, work_id: uuid.UUID) -> bool:
    if connection.scalar(_MARK, {"key": _mark_of(work_id)}):
        return True
    time.sleep(_TRY_S)
    return False


def _mark_of(work_id: uuid.UUID) -> str:
    return f"work {work_id}"


def _carry_out(sessions: sessionmaker[Session], work_id: uuid.UUID) -> None:
    with sessions.begin() as session:
        row = session.get(BackgroundWork, work_id, with_for_update=True)
        if row is None or row.state is not WorkState.WAITING:
            return
        row.state, row.begun = WorkState.RUNNING, row.begun + 1
        session.flush()
        session.expunge(row)
    try:
        state, message = WorkState.DONE, KINDS[row.kind](_acting(sessions, row), row, Progress(sessions, work_id))
    except Cancelled:
        state, message = WorkState.CANCELLED, ""
    except (Refused, Missing, BadInput, NotDetermined) as refusal:
        state, message = WorkState.FAILED, str(refusal)
    except Exception:
        log.exception("background work failed", work=str(work_id), kind=row.kind)
        state, message = (
            WorkState.FAILED,
            "Something went wrong here; nothing was changed. It is in the server's log.",
        )
    _end(sessions, work_id, state, message)


def _acting(made: sessionmaker[Session], row: BackgroundWork) -> sessionmaker[Session]:
    """Sessions whose changes are those of the person who asked for the work."""
    own = sessionmaker(made.kw["bind"], expire_on_commit=False)
    listen(own, "after_begin", lambda session, transaction, connection: _name(connection, row.person_id))
    return own


def _name(connection: Connection, person_id: uuid.UUID) -> None:
    connection.execute(text("select set_config('crevlo.person', :who, true)"), {"who": str(person_id)})


def take_up_abandoned(sessions: sessionmaker[Session]) -> None:
    """Work that was running when its worker went away will never end by itself: it begins again, or has failed.

    What another worker is at is left alone.
    """
    with sessions.begin() as session:
        running = select(BackgroundWork).where(BackgroundWork.state == WorkState.RUNNING)
        for row in session.scalars(running.with_for_update(skip_locked=True)):
            if session.scalar(_UNDER_WAY, {"key": _mark_of(row.id)}):
                continue
            if row.kind not in _RESUMED:
                row.state, row.ended_at, row.message = WorkState.FAILED, datetime.now(UTC), _STOPPED
            elif row.wish is Wish.CANCEL:
                row.state, row.ended_at = WorkState.CANCELLED, datetime.now(UTC)
            elif row.begun >= MOST_BEGUN:
                row.state, row.ended_at, row.message = WorkState.FAILED, datetime.now(UTC), _ENDED_TWICE
            else:
                row.state, row.share = WorkState.WAITING, 0.0
                queue(session, row.id)


_STOPPED = "Crevlo was stopped while this was being worked on. Ask for it again."


def _end(sessions: sessionmaker[Session], work_id: uuid.UUID, state: WorkState, message: str) -> None:
    with sessions.begin() as session:
        session.execute(
            update(BackgroundWork)
            .where(BackgroundWork.id == work_id, BackgroundWork.state.in_(OPEN))
            .values(state=state, message=message, share=1.0 if state is WorkState.DONE else BackgroundWork.share,
                    ended_at=datetime.now(UTC), found={})
        )  # fmt: skip
