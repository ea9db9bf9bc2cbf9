"""The calls of station 1 around the draft: effort, copies, templates, and protocols as files."""

from flask import Response
from flask_login import current_user
from flask_openapi3.blueprint import APIBlueprint

from crevlo.api.errors import Problem
from crevlo.api.guard import NOT_BLIND, REVIEW, db, reads, writes
from crevlo.api.paths import StudyPath, TemplatePath
from crevlo.stations.plan import effort, exchange, template
from crevlo.stations.plan.protocol import Draft

api = APIBlueprint("planning", __name__, url_prefix="/api", abp_responses={422: Problem})


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
