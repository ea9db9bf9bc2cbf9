"""The calls of what comes after a study: a unit's life, prices over time, and what is due."""

from flask import Response
from flask_login import current_user

from crevlo.api.guard import NOT_BLIND, REVIEW, db, reads, writes
from crevlo.api.paths import ModelPath, RevisionPath, StudyPath, UnitPath
from crevlo.api.station import station
from crevlo.stations.life import life, prices, reminders
from crevlo.stations.publish import holds, retest

api = station("life")


@api.get("/units/<uuid:unit_id>/life", responses={200: life.MachineLife})
@reads(NOT_BLIND)
def view_life(path: UnitPath) -> life.MachineLife:
    return life.view_life(db(), path.unit_id)


@api.put("/units/<uuid:unit_id>/return", responses={200: life.MachineLife})
@writes(REVIEW)
def set_return(path: UnitPath, body: life.ReturnBy) -> life.MachineLife:
    return life.set_return(db(), path.unit_id, body)


@api.post("/models/<uuid:model_id>/prices", responses={200: prices.PriceList})
@writes(REVIEW)
def add_price(path: ModelPath, body: prices.NewPrice) -> prices.PriceList:
    return prices.add_price(db(), path.model_id, body, current_user.id)


@api.post("/models/<uuid:model_id>/price-table", responses={200: prices.PriceList})
@writes(REVIEW)
def add_prices(path: ModelPath, body: prices.PriceTable) -> prices.PriceList:
    return prices.add_prices(db(), path.model_id, body, current_user.id)


@api.get("/reminders", responses={200: reminders.Reminders})
@reads(NOT_BLIND)
def view_reminders() -> reminders.Reminders:
    return reminders.view_reminders(db())


@api.get("/reminders.ics")
@reads(NOT_BLIND)
def calendar() -> Response:
    return Response(
        reminders.calendar(db()), mimetype="text/calendar", headers={"Content-Disposition": 'attachment; filename="reminders.ics"'}
    )  # fmt: skip


@api.get("/studies/<uuid:study_id>/holds", responses={200: holds.HoldsView})
@reads(NOT_BLIND)
def view_holds(path: StudyPath) -> holds.HoldsView:
    """Whether what was published still holds."""
    return holds.view_holds(db(), path.study_id)


@api.post("/revisions/<uuid:revision_id>/retest", responses={200: retest.RetestMade})
@writes(REVIEW)
def plan_retest(path: RevisionPath, body: retest.NewRetest) -> retest.RetestMade:
    return retest.plan_retest(db(), path.revision_id, body, current_user.id)
