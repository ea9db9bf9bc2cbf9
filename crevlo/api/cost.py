"""The calls of station 6 Cost: what a good part costs."""

from flask_login import current_user

from crevlo.api.guard import NOT_BLIND, REVIEW, db, reads, writes
from crevlo.api.paths import (
    PartQuery,
    SidesQuery,
    StudyPath,
    StudyUnitPath,
)
from crevlo.api.station import station
from crevlo.stations import rate
from crevlo.stations.cost import batch, part, source, table
from crevlo.stations.figures.source import Source

api = station("cost")


@api.get("/studies/<uuid:study_id>/cost", responses={200: part.CostView})
@reads(NOT_BLIND)
def view_cost(path: StudyPath, query: SidesQuery) -> part.CostView:
    return part.view_cost(db(), path.study_id, query.by)


@api.get("/studies/<uuid:study_id>/batch", responses={200: batch.BatchView})
@reads(NOT_BLIND)
def view_batch(path: StudyPath, query: batch.BatchWish) -> batch.BatchView:
    """So many parts of one artifact on every machine: plates, hours, waste, energy, cost; and of one part."""
    return batch.view_batch(db(), path.study_id, query)


@api.get("/studies/<uuid:study_id>/cost-table", responses={200: table.CostTable})
@reads(NOT_BLIND)
def view_table(path: StudyPath, query: table.TableWish) -> table.CostTable:
    """What one good part of each artifact takes on each machine, and what machines cost beside their parts."""
    return table.view_table(db(), path.study_id, query)


@api.put("/studies/<uuid:study_id>/cost", responses={200: part.CostView})
@writes(REVIEW)
def change_basis(path: StudyPath, body: part.CostBasis) -> part.CostView:
    return part.change_basis(db(), path.study_id, body)


@api.get("/studies/<uuid:study_id>/units/<uuid:unit_id>/cost-source", responses={200: Source})
@reads(NOT_BLIND)
def cost_source(path: StudyUnitPath, query: PartQuery) -> Source:
    return source.cost_source(db(), path.study_id, path.unit_id, query.part, query.by)


@api.get("/rates", responses={200: rate.Rates})
@reads(NOT_BLIND)
def list_rates() -> rate.Rates:
    """What currencies were worth in each other, the newest day first."""
    return rate.list_rates(db())


@api.post("/rates", responses={200: rate.Rates})
@writes(REVIEW)
def state_rate(body: rate.NewRate) -> rate.Rates:
    return rate.state_rate(db(), body, current_user.id)
