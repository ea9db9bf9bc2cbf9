"""The calls of station 6 Cost: what a good part costs."""

from crevlo.api.guard import NOT_BLIND, REVIEW, db, reads, writes
from crevlo.api.paths import (
    PartQuery,
    StudyPath,
    StudyUnitPath,
)
from crevlo.api.station import station
from crevlo.stations import source
from crevlo.stations.cost import part

api = station("cost")


@api.get("/studies/<uuid:study_id>/cost", responses={200: part.CostView})
@reads(NOT_BLIND)
def view_cost(path: StudyPath) -> part.CostView:
    return part.view_cost(db(), path.study_id)


@api.put("/studies/<uuid:study_id>/cost", responses={200: part.CostView})
@writes(REVIEW)
def change_basis(path: StudyPath, body: part.CostBasis) -> part.CostView:
    return part.change_basis(db(), path.study_id, body)


@api.get("/studies/<uuid:study_id>/units/<uuid:unit_id>/cost-source", responses={200: source.Source})
@reads(NOT_BLIND)
def cost_source(path: StudyUnitPath, query: PartQuery) -> source.Source:
    return source.cost_source(db(), path.study_id, path.unit_id, query.part)
