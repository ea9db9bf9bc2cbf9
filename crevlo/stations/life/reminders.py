"""What is due: calibrations, re-tests, drying, units that go back; as a list and as a calendar."""

import uuid
from datetime import UTC, date, datetime, timedelta

import icalendar
from pydantic import Field
from sqlalchemy import select
from sqlalchemy.orm import Session, lazyload

from crevlo.core.success import Outcome
from crevlo.stations.kit.shape import Shape
from crevlo.stations.library.instrument import due_on
from crevlo.stations.past import pasts_of
from crevlo.store.machine import Configuration, Instrument, InstrumentKind, Spool, Unit
from crevlo.store.published import ReportRevision
from crevlo.store.run import Run
from crevlo.store.study import Job, ProtocolVersion, Study, StudyUnit

# A published machine is tested again after so many hours.
RETEST_H = 150.0
# Filament that was dried takes up moisture again; how fast depends on it, its maker's sheet comes first.
DRY_DAYS = 14
# So long before its day something is due to be thought of.
AHEAD_DAYS = 30


class Reminder(Shape):
    key: str
    kind: str
    words: str
    on: date = Field(description="when it is due")
    over: bool
    unit_id: uuid.UUID | None = None


class Reminders(Shape):
    today: date
    due: list[Reminder]


def view_reminders(session: Session) -> Reminders:
    today = datetime.now(UTC).date()
    found = [
        *_calibrations(session, today),
        *_returns(session, today),
        *_drying(session, today),
        *_retests(session, today),
    ]
    soon = [r for r in found if r.on <= today + timedelta(days=AHEAD_DAYS)]
    return Reminders(today=today, due=sorted(soon, key=lambda r: (r.on, r.words)))


def calendar(session: Session) -> bytes:
    """Each as a whole day in iCalendar; what is over stands on today."""
    view = view_reminders(session)
    made = icalendar.Calendar()
    made.add("prodid", "-//Crevlo//reminders//EN")
    made.add("version", "2.0")
    made.add("x-wr-calname", "Crevlo reminders")
    for r in view.due:
        event, day = icalendar.Event(), max(r.on, view.today)
        event.add("uid", f"{r.key}@crevlo")
        event.add("dtstamp", datetime.now(UTC))
        event.add("dtstart", day)
        event.add("dtend", day + timedelta(days=1))
        event.add("summary", r.words)
        event.add("transp", "TRANSPARENT")
        made.add_component(event)
    return bytes(made.to_ical())


def _calibrations(session: Session, today: date) -> list[Reminder]:
    found = []
    for row in session.scalars(select(Instrument).where(Instrument.kind != InstrumentKind.STOPWATCH)):
        due = due_on(row)
        if due is not None:
            over = due < today
            words = f"Calibrate {row.kind.value} {row.code}: its calibration {'ran' if over else 'runs'} out on {due:%d %b %Y}"
            found.append(Reminder(key=f"calibration-{row.id}", kind="calibration", words=words, on=due, over=over))
    return found


def _returns(session: Session, today: date) -> list[Reminder]:
    found = []
    for unit in session.scalars(select(Unit).where(Unit.return_by.is_not(None))):
        assert unit.return_by is not None
        source = f" to {unit.obtained_from}" if unit.obtained_from else ""
        found.append(
            Reminder(
                key=f"return-{unit.id}", kind="goes back", words=f"{unit.name} goes back{source} by {unit.return_by:%d %b %Y}",
                on=unit.return_by, over=unit.return_by < today, unit_id=unit.id,
            )
        )  # fmt: skip
    return found


def _drying(session: Session, today: date) -> list[Reminder]:
    """Spools that planned prints of frozen studies still take, dried before use by their policy."""
    waiting = (
        select(Job, Study.title)
        .join(Study, Study.id == Job.study_id)
        .join(ProtocolVersion, (ProtocolVersion.study_id == Study.id) & ProtocolVersion.frozen_at.is_not(None))
        .where(ProtocolVersion.policies["drying"].astext == "dried before use")
        .where(Job.id.not_in(select(Run.job_id).where(Run.outcome == Outcome.DONE)))
        .options(lazyload(Job.unit))
    )
    titles = {spool_id: title for job, title in session.execute(waiting).tuples() for spool_id in job.spool_ids}
    found = []
    for spool in session.scalars(select(Spool).where(Spool.id.in_(titles))):
        due = spool.dried_on + timedelta(days=DRY_DAYS) if spool.dried_on else today
        when = f"dried on {spool.dried_on:%d %b %Y}" if spool.dried_on else "no drying is on record"
        found.append(
            Reminder(
                key=f"drying-{spool.id}", kind="drying", words=f"Dry spool {spool.code} for “{titles[spool.id]}”: {when}",
                on=due, over=due < today,
            )
        )  # fmt: skip
    return found


def _retests(session: Session, today: date) -> list[Reminder]:
    """Units of published studies that ran on for 150 h or have other firmware since, and were not tested again."""
    newest = (
        select(ReportRevision.study_id, ReportRevision.number, ReportRevision.published_at)
        .order_by(ReportRevision.study_id, ReportRevision.number.desc())
        .distinct(ReportRevision.study_id)
    ).subquery()
    tested = select(ReportRevision.study_id).join(Study, Study.retest_of == ReportRevision.id)
    rows = session.execute(
        select(StudyUnit.unit_id, Study.title, newest.c.number, newest.c.published_at)
        .join(Study, Study.id == StudyUnit.study_id)
        .join(newest, newest.c.study_id == Study.id)
        .where(Study.id.not_in(tested), StudyUnit.replaced_by.is_(None))
    ).all()
    units = {u.id: u for u in session.scalars(select(Unit).where(Unit.id.in_({r.unit_id for r in rows})))}
    pasts = pasts_of(session, list(units))
    configurations: dict[uuid.UUID, list[Configuration]] = {}
    for c in session.scalars(
        select(Configuration).where(Configuration.unit_id.in_(units)).order_by(Configuration.number)
    ):
        configurations.setdefault(c.unit_id, []).append(c)
    found = []
    for r in rows:
        clock = pasts[r.unit_id].clock
        since = clock.total - clock.at(r.published_at)
        firmware = _firmware_since(configurations.get(r.unit_id, []), r.published_at)
        why = f"{since:.0f} h since revision {r.number}" if since >= RETEST_H else ""
        why = "; ".join(w for w in (why, firmware) if w)
        if why:
            found.append(
                Reminder(
                    key=f"retest-{r.unit_id}-{r.number}", kind="re-test", words=f"Test {units[r.unit_id].name} of “{r.title}” again: {why}",
                    on=today, over=False, unit_id=r.unit_id,
                )
            )  # fmt: skip
    return found


def _firmware_since(configurations: list[Configuration], moment: datetime) -> str:
    before = [c for c in configurations if c.opened_at <= moment]
    after = [c for c in configurations if c.opened_at > moment]
    if before and after and after[-1].firmware != before[-1].firmware:
        return f"firmware {after[-1].firmware}, was {before[-1].firmware}"
    return ""
