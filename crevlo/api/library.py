"""Models, spools, instruments and artifacts."""

from flask_openapi3.blueprint import APIBlueprint

from crevlo.api.errors import Problem
from crevlo.api.guard import NOT_BLIND, REVIEW, db, reads, writes
from crevlo.stations import library
from crevlo.stations.library import InstrumentIn, InstrumentOut, Library, ModelOut, NewModel, SpoolIn, SpoolOut

api = APIBlueprint("library", __name__, url_prefix="/api", abp_responses={422: Problem})


@api.get("/library", responses={200: Library})
@reads(NOT_BLIND)
def everything() -> Library:
    return library.library(db())


@api.post("/models", responses={200: ModelOut})
@writes(REVIEW)
def add_model(body: NewModel) -> ModelOut:
    return library.add_model(db(), body)


@api.post("/spools", responses={200: SpoolOut})
@writes(REVIEW)
def add_spool(body: SpoolIn) -> SpoolOut:
    return library.add_spool(db(), body)


@api.post("/instruments", responses={200: InstrumentOut})
@writes(REVIEW)
def add_instrument(body: InstrumentIn) -> InstrumentOut:
    return library.add_instrument(db(), body)
