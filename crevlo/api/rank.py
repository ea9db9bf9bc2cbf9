"""The calls of station 7 Rank: buyers and the ranking."""

import uuid

from flask import Response
from flask_login import current_user

from crevlo.api.guard import NOT_BLIND, REVIEW, db, reads, shown, writes
from crevlo.api.paths import ProfilePath, StudyItemPath, StudyPath, StudyUnitPath, VersionQuery
from crevlo.api.station import station
from crevlo.stations.figures.source import Source
from crevlo.stations.rank import (
    buyer,
    compare,
    ranking,
    reference,
    results,
    results_sheet,
    results_source,
    scheme,
    schools,
    source,
)

api = station("rank")


@api.post("/studies/<uuid:study_id>/rank", responses={200: ranking.RankView})
@reads(NOT_BLIND)
def view_rank(path: StudyPath, body: ranking.WhatIf) -> ranking.RankView:
    """Ranks with any weights; nothing is saved."""
    return ranking.view_rank(db(), path.study_id, body)


@api.post("/studies/<uuid:study_id>/schools", responses={200: schools.SchoolsView})
@reads(NOT_BLIND)
def view_schools(path: StudyPath, body: schools.SchoolsAsked) -> schools.SchoolsView:
    """Other ways to count, side by side, under the weights on screen; nothing is saved."""
    return schools.view_schools(db(), path.study_id, body)


@api.get("/studies/<uuid:study_id>/compare", responses={200: compare.ComparedView})
@reads(NOT_BLIND)
def view_compared(path: StudyPath, query: compare.CompareQuery) -> compare.ComparedView:
    """Two machines alone: every figure side by side, and what can be told apart."""
    return compare.view_compared(db(), path.study_id, query)


@api.get("/studies/<uuid:study_id>/scheme", responses={200: scheme.SchemeView})
@reads(NOT_BLIND)
def view_scheme(path: StudyPath) -> scheme.SchemeView:
    """What counts, and all that could."""
    return scheme.view_scheme(db(), path.study_id)


@api.post("/studies/<uuid:study_id>/scheme", responses={200: scheme.SchemeView})
@writes(REVIEW)
def change_scheme(path: StudyPath, body: scheme.NewScheme) -> scheme.SchemeView:
    """The next version of the scheme; earlier ones stay."""
    scheme.change_scheme(db(), path.study_id, body, current_user.id)
    return shown(scheme.view_scheme, path.study_id)


@api.get("/buyers", responses={200: buyer.Buyers})
@reads(NOT_BLIND)
def list_buyers() -> buyer.Buyers:
    """Buyers of every study, to copy from."""
    return buyer.all_buyers(db())


@api.post("/studies/<uuid:study_id>/buyers", responses={200: ranking.RankView})
@writes(REVIEW)
def add_buyer(path: StudyPath, body: buyer.NewBuyer) -> ranking.RankView:
    buyer.add_buyer(db(), path.study_id, body)
    return shown(ranking.view_rank, path.study_id, ranking.WhatIf(profile_id=body.id))


@api.put("/studies/<uuid:study_id>/buyers/<uuid:profile_id>", responses={200: ranking.RankView})
@writes(REVIEW)
def change_buyer(path: ProfilePath, body: buyer.BuyerChange) -> ranking.RankView:
    """Name, weights or must-haves; what is left out stays as it is."""
    buyer.change_buyer(db(), path.study_id, path.profile_id, body)
    return shown(ranking.view_rank, path.study_id, ranking.WhatIf(profile_id=path.profile_id))


@api.delete("/studies/<uuid:study_id>/buyers/<uuid:profile_id>", responses={200: ranking.RankView})
@writes(REVIEW)
def remove_buyer(path: ProfilePath, query: VersionQuery) -> ranking.RankView:
    buyer.remove_buyer(db(), path.study_id, path.profile_id, query.version)
    return shown(ranking.view_rank, path.study_id, ranking.WhatIf())


@api.post("/studies/<uuid:study_id>/units/<uuid:unit_id>/rank-source", responses={200: Source})
@reads(NOT_BLIND)
def rank_source(path: StudyUnitPath, body: source.RankFigure) -> Source:
    """A figure of the ranking under any weights; nothing is saved."""
    return source.rank_source(db(), path.study_id, path.unit_id, body)


@api.get("/studies/<uuid:study_id>/results", responses={200: results.ResultsView})
@reads(NOT_BLIND)
def view_results(path: StudyPath, query: results.ResultsQuery) -> results.ResultsView:
    """Artifact by machine: what each piece told and took, with what can be told apart."""
    return results.view_results(db(), path.study_id, query)


@api.get("/studies/<uuid:study_id>/results/pieces", responses={200: results.PiecesView})
@reads(NOT_BLIND)
def view_pieces(path: StudyPath, query: results.PiecesQuery) -> results.PiecesView:
    """Pieces of one line by machine with their photos, after the reveal."""
    return results.view_pieces(db(), path.study_id, query)


@api.get("/studies/<uuid:study_id>/results.csv")
@reads(NOT_BLIND)
def results_csv(path: StudyPath, query: results.ResultsQuery) -> Response:
    """Every figure of the table on a line of its own."""
    text = results_sheet.results_csv(results.view_results(db(), path.study_id, query))
    return Response(text, mimetype="text/csv", headers={"Content-Disposition": 'attachment; filename="results.csv"'})


@api.get("/studies/<uuid:study_id>/results.xlsx")
@reads(NOT_BLIND)
def results_xlsx(path: StudyPath, query: results.ResultsQuery) -> Response:
    """The table as it is seen, and every figure on a line of its own."""
    content = results_sheet.results_xlsx(results.view_results(db(), path.study_id, query))
    return Response(
        content,
        mimetype="application/vnd.openxmlformats-officedocument.spreadsheetml.sheet",
        headers={"Content-Disposition": 'attachment; filename="results.xlsx"'},
    )


@api.get("/studies/<uuid:study_id>/units/<uuid:unit_id>/result-source", responses={200: Source})
@reads(NOT_BLIND)
def result_source(path: StudyUnitPath, query: results_source.ResultSourceQuery) -> Source:
    """A figure of the table of results."""
    return results_source.result_source(db(), path.study_id, path.unit_id, query)


@api.get("/studies/<uuid:study_id>/references", responses={200: reference.References})
@reads(NOT_BLIND)
def view_references(path: StudyPath) -> reference.References:
    """What this study's machines are held against, and what could be."""
    return reference.view_references(db(), path.study_id, _criteria(path.study_id))


@api.post("/studies/<uuid:study_id>/references", responses={200: reference.References})
@writes(REVIEW)
def add_reference(path: StudyPath, body: reference.NewReference) -> reference.References:
    reference.add_reference(db(), path.study_id, body, current_user.id)
    return shown(reference.view_references, path.study_id, _criteria(path.study_id))


@api.delete("/studies/<uuid:study_id>/references/<uuid:item_id>", responses={200: reference.References})
@writes(REVIEW)
def remove_reference(path: StudyItemPath) -> reference.References:
    reference.remove_reference(db(), path.study_id, path.item_id)
    return shown(reference.view_references, path.study_id, _criteria(path.study_id))


def _criteria(study_id: uuid.UUID) -> list[str]:
    return [c.code for c in scheme.latest_scheme(db(), study_id).criteria]
