"""The calls of station 1 Plan: studies and their protocol; effort, copies, templates, protocols as files."""

from flask import Response
from flask_login import current_user

from crevlo.api.guard import EVERYONE, NOT_BLIND, REVIEW, db, reads, shown, writes
from crevlo.api.paths import (
    StudyPath,
    TemplatePath,
)
from crevlo.api.station import station
from crevlo.stations.kit.shape import Shape
from crevlo.stations.plan import effort, exchange, study, template
from crevlo.stations.plan import freeze as freeze_
from crevlo.stations.progress import Line, line
from crevlo.stations.protocol import Draft
from crevlo.store.person import Role

api = station("plan")


@api.post("/studies/<uuid:study_id>/effort", responses={200: effort.EffortView})
@reads(NOT_BLIND)
def view_effort(path: StudyPath, body: Draft) -> effort.EffortView:
    """What a draft would take; nothing is saved."""
    return effort.view_effort(db(), path.study_id, body)


@api.get("/spreads", responses={200: effort.Spreads})
@reads(NOT_BLIND)
def spreads() -> effort.Spreads:
    """How much copies differ on this bench, from the newest study with good prints."""
    return effort.spreads(db())


@api.get("/copies", responses={200: effort.CopiesOut})
@reads(NOT_BLIND)
def copies(query: effort.CopiesQuery) -> effort.CopiesOut:
    """How many copies tell a difference, by the power of the t test."""
    return effort.copies(query)


@api.get("/templates", responses={200: template.Templates})
@reads(NOT_BLIND)
def list_templates() -> template.Templates:
    return template.list_templates(db())


@api.get("/templates/<key>", responses={200: exchange.DraftRead})
@reads(NOT_BLIND)
def read_template(path: TemplatePath) -> exchange.DraftRead:
    return template.read_template(db(), path.key)


@api.post("/templates", responses={200: template.Templates})
@writes(REVIEW)
def save_template(body: template.NewTemplate) -> template.Templates:
    return template.save_template(db(), body, current_user.id)


@api.delete("/templates/<key>", responses={200: template.Templates})
@writes(REVIEW)
def drop_template(path: TemplatePath) -> template.Templates:
    return template.drop_template(db(), path.key)


@api.get("/studies/<uuid:study_id>/protocol.json", responses={200: exchange.ProtocolFile})
@reads(NOT_BLIND)
def export_protocol(path: StudyPath) -> exchange.ProtocolFile:
    """The protocol with names instead of ids, for another study or installation."""
    return exchange.export_protocol(db(), path.study_id)


@api.post("/protocols/read", responses={200: exchange.DraftRead})
@reads(NOT_BLIND)
def read_protocol(body: exchange.ProtocolFile) -> exchange.DraftRead:
    """A protocol file as a draft; nothing is saved."""
    return exchange.read_protocol(db(), body)


@api.get("/protocol.schema.json")
@reads(NOT_BLIND)
def schema() -> Response:
    """The JSON schema of a protocol file."""
    return Response(exchange.schema(), mimetype="application/schema+json")


class Studies(Shape):
    studies: list[study.StudyCard]


@api.get("/studies", responses={200: Studies})
@reads(EVERYONE)
def list_studies() -> Studies:
    return Studies(studies=study.list_studies(db()))


@api.post("/studies", responses={200: study.PlanView})
@writes(REVIEW)
def create_study(body: study.NewStudy) -> study.PlanView:
    study.create_study(db(), body, current_user.id)
    return shown(study.view_plan, body.id)


@api.get("/studies/<uuid:study_id>/line", responses={200: Line})
@reads(EVERYONE)
def study_line(path: StudyPath) -> Line:
    """How far each station has come; what is printing now is left out for a rater."""
    return line(db(), path.study_id, blind=current_user.role is Role.RATER)


@api.get("/studies/<uuid:study_id>/plan", responses={200: study.PlanView})
@reads(NOT_BLIND)
def view_plan(path: StudyPath) -> study.PlanView:
    return study.view_plan(db(), path.study_id)


@api.put("/studies/<uuid:study_id>/plan", responses={200: study.PlanView})
@writes(REVIEW)
def save_draft(path: StudyPath, body: Draft) -> study.PlanView:
    study.save_draft(db(), path.study_id, body)
    return shown(study.view_plan, path.study_id)


@api.post("/studies/<uuid:study_id>/freeze", responses={200: study.PlanView})
@writes(REVIEW)
def freeze(path: StudyPath, body: freeze_.Freeze) -> study.PlanView:
    freeze_.freeze(db(), path.study_id, body, current_user.id)
    return shown(study.view_plan, path.study_id)


@api.post("/studies/<uuid:study_id>/deviations", responses={200: study.PlanView})
@writes(REVIEW)
def record_deviation(path: StudyPath, body: study.NewDeviation) -> study.PlanView:
    study.record_deviation(db(), path.study_id, body, current_user.id)
    return shown(study.view_plan, path.study_id)
