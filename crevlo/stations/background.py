"""Work that takes longer than a request: asked for, carried out by the worker, told, stopped or cancelled."""

import time
import uuid
from datetime import UTC, datetime
from typing import Any

import procrastinate
from pydantic import Field
from sqlalchemy import select, text, update
from sqlalchemy.orm import Session, sessionmaker

from crevlo.stations.kit.shape import Missing, Refused, Shape
from crevlo.stations.study import get_study
from crevlo.store.schedule import BackgroundWork, Wish, WorkState

# The name under which the worker knows what to do with a row of ours.
QUEUED_TASK = "crevlo.carry_out"
_TELL_EVERY_S = 0.4
OPEN = (WorkState.WAITING, WorkState.RUNNING)


class WorkOut(Shape):
    id: uuid.UUID
    kind: str
    state: WorkState
    stage: str
    share: float
    message: str
    can_keep: bool = Field(description="whether there is something to keep when it is stopped now")
    found: str | None = Field(description="the best so far, in words")
    asked_at: datetime
    ended_at: datetime | None


class WorkWish(Shape):
    wish: Wish


class Cancelled(Exception):
    """The person who asked no longer wants it."""


def ask(
    session: Session, work_id: uuid.UUID, study_id: uuid.UUID, kind: str, given: dict[str, Any], person_id: uuid.UUID,
    *, subject_id: uuid.UUID | None = None,
) -> WorkOut:  # fmt: skip
    """Queues work in this transaction; refused while the same kind of work is under way for its subject."""
    get_study(session, study_id)
    # Two who ask at once: the second waits here and then finds the first.
    session.execute(
        text("select pg_advisory_xact_lock(hashtextextended(:key, 0))"), {"key": f"{kind} {subject_id or study_id}"}
    )
    under_way = (
        latest_of(session, kind, subject_id) if subject_id else latest(session, study_id, kind, only_open=True)
    )
    if under_way is not None:
        raise Refused("This is being worked on already.")
    row = BackgroundWork(
        id=work_id, study_id=study_id, kind=kind, subject_id=subject_id, given=given, person_id=person_id
    )
    session.add(row)
    session.flush()
    queue(session, work_id)
    return work_out(row)


# Opens no connection of its own: work is put into the queue by the transaction that asks for it.
_QUEUE = procrastinate.App(connector=procrastinate.SyncPsycopgConnector())


def queue(session: Session, work_id: uuid.UUID) -> None:
    """Puts work into the workers' queue, once this transaction is through."""
    ours = session.connection().connection.driver_connection
    _QUEUE.configure_task(QUEUED_TASK, connection=ours).defer(work_id=str(work_id))


def latest(session: Session, study_id: uuid.UUID, kind: str, *, only_open: bool = False) -> BackgroundWork | None:
    query = select(BackgroundWork).where(BackgroundWork.study_id == study_id, BackgroundWork.kind == kind)
    if only_open:
        query = query.where(BackgroundWork.state.in_(OPEN))
    return session.scalar(query.order_by(BackgroundWork.asked_at.desc()).limit(1))


def latest_of(session: Session, kind: str, subject_id: uuid.UUID, *, only_open: bool = True) -> BackgroundWork | None:
    """The newest work of a kind on one subject."""
    query = select(BackgroundWork).where(BackgroundWork.subject_id == subject_id, BackgroundWork.kind == kind)
    if only_open:
        query = query.where(BackgroundWork.state.in_(OPEN))
    return session.scalar(query.order_by(BackgroundWork.asked_at.desc()).limit(1))


def wish(session: Session, work_id: uuid.UUID, given: WorkWish) -> WorkOut:
    """Says that what is found so far is enough, or that it is no longer wanted; too late for what has ended."""
    row = session.get(BackgroundWork, work_id, with_for_update=True)
    if row is None:
        raise Missing("There is no such work.")
    if row.state not in OPEN:
        return work_out(row)
    row.wish = given.wish
    if row.state is WorkState.WAITING and given.wish is Wish.CANCEL:
        row.state, row.ended_at = WorkState.CANCELLED, datetime.now(UTC)
    session.flush()
    return work_out(row)


def view_work(session: Session, work_id: uuid.UUID) -> WorkOut:
    row = session.get(BackgroundWork, work_id)
    if row is None:
        raise Missing("There is no such work.")
    return work_out(row)


def work_out(row: BackgroundWork) -> WorkOut:
    return WorkOut(
        id=row.id, kind=row.kind, state=row.state, stage=row.stage, share=row.share, message=row.message,
        can_keep=bool(row.found) and row.state is WorkState.RUNNING,
        found=row.found.get("words") if row.state is WorkState.RUNNING else None, asked_at=row.asked_at, ended_at=row.ended_at,
    )  # fmt: skip


class Progress:
    """What running work says of itself, and hears; each in a transaction of its own."""

    def __init__(self, sessions: sessionmaker[Session], work_id: uuid.UUID) -> None:
        self.sessions, self.work_id = sessions, work_id
        self.told, self.heard, self.wish = 0.0, 0.0, Wish.GO_ON

    def tell(self, stage: str, share: float, found: dict[str, Any] | None = None) -> None:
        """Several tells within a moment are one, unless something was found."""
        if found is None and time.monotonic() - self.told < _TELL_EVERY_S:
            return
        self.told = time.monotonic()
        values: dict[str, Any] = {"stage": stage, "share": min(1.0, max(0.0, share)), "told_at": datetime.now(UTC)}
        if found is not None:
            values["found"] = found
        with self.sessions.begin() as session:
            session.execute(update(BackgroundWork).where(BackgroundWork.id == self.work_id).values(**values))

    def stopped(self) -> bool:
        """Whether enough is found, or nothing is wanted any more."""
        if time.monotonic() - self.heard > _TELL_EVERY_S:
            self.heard = time.monotonic()
            with self.sessions() as session:
                self.wish = session.scalars(
                    select(BackgroundWork.wish).where(BackgroundWork.id == self.work_id)
                ).one()
        return self.wish is not Wish.GO_ON

    def raise_if_cancelled(self) -> None:
        self.heard = 0.0
        if self.stopped() and self.wish is Wish.CANCEL:
            raise Cancelled
