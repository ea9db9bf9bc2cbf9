"""The calls of the bench schedule: rules, pins, making it, looking at it, its days and its calendar."""

import uuid

from flask import Response
from flask_login import current_user
from pydantic import BaseModel

from crevlo.api.guard import NOT_BLIND, REVIEW, db, reads, writes
from crevlo.api.paths import JobPath, StudyPath
from crevlo.api.station import station
from crevlo.stations import background
from crevlo.stations.kit.shape import Day
from crevlo.stations.plan import now, rules, schedule

api = station("schedule")


class WorkPath(BaseModel):
    work_id: uuid.UUID


class DayQuery(BaseModel):
    day: Day | None = None


@api.get("/studies/<uuid:study_id>/schedule", responses={200: schedule.ScheduleView})
@reads(NOT_BLIND)
def view_schedule(path: StudyPath) -> schedule.ScheduleView:
    return schedule.view_schedule(db(), path.study_id)


@api.post("/studies/<uuid:study_id>/schedule", responses={200: background.WorkOut})
@writes(REVIEW)
def ask_schedule(path: StudyPath, body: schedule.AskSchedule) -> background.WorkOut:
    """Has the schedule made in the background; its progress is at /api/work/<id>."""
    return schedule.ask_schedule(db(), path.study_id, body, current_user.id)


@api.get("/studies/<uuid:study_id>/bench-rules", responses={200: rules.RulesOut})
@reads(NOT_BLIND)
def view_rules(path: StudyPath) -> rules.RulesOut:
    return rules.rules_of(db(), path.study_id)


@api.put("/studies/<uuid:study_id>/bench-rules", responses={200: rules.RulesOut})
@writes(REVIEW)
def save_rules(path: StudyPath, body: rules.RulesOut) -> rules.RulesOut:
    return rules.save_rules(db(), path.study_id, body)


@api.put("/jobs/<uuid:job_id>/pin", responses={200: rules.Pins})
@writes(REVIEW)
def pin(path: JobPath, body: rules.PinIn) -> rules.Pins:
    """Puts a print at a time; the next schedule keeps it there."""
    return rules.pin(db(), path.job_id, body, current_user.id)


@api.delete("/jobs/<uuid:job_id>/pin", responses={200: rules.Pins})
@writes(REVIEW)
def unpin(path: JobPath) -> rules.Pins:
    return rules.unpin(db(), path.job_id)


@api.get("/work/<uuid:work_id>", responses={200: background.WorkOut})
@reads(NOT_BLIND)
def view_work(path: WorkPath) -> background.WorkOut:
    return background.view_work(db(), path.work_id)


@api.post("/work/<uuid:work_id>/wish", responses={200: background.WorkOut})
@writes(REVIEW)
def wish(path: WorkPath, body: background.WorkWish) -> background.WorkOut:
    """Enough: stop and keep the best so far. Cancel: keep nothing."""
    return background.wish(db(), path.work_id, body)


@api.get("/studies/<uuid:study_id>/day", responses={200: now.DayView})
@reads(NOT_BLIND)
def view_day(path: StudyPath, query: DayQuery) -> now.DayView:
    """What is to be done at the bench on a day, or on the next that has anything to do."""
    return now.view_day(db(), path.study_id, query.day)


@api.get("/studies/<uuid:study_id>/schedule.ics")
@reads(NOT_BLIND)
def calendar(path: StudyPath) -> Response:
    """The schedule for any calendar program."""
    return Response(
        now.calendar(db(), path.study_id), mimetype="text/calendar",
        headers={"Content-Disposition": "attachment; filename=bench-schedule.ics"},
    )  # fmt: skip
