"""Calls of the stations that recommend: 7 Rank and 8 Publish."""

from flask import Response
from flask_login import current_user

from crevlo.api.guard import NOT_BLIND, REVIEW, db, reads, writes
from crevlo.api.paths import ProfilePath, ProfileQuery, RevisionPath, StudyPath, StudyUnitPath, VersionQuery
from crevlo.api.stations import station
from crevlo.stations import source
from crevlo.stations.publish import report
from crevlo.stations.rank import buyer, ranking

rank, publish = BLUEPRINTS = [station(name) for name in ("rank", "publish")]


@rank.post("/studies/<uuid:study_id>/rank", responses={200: ranking.RankView})
@reads(NOT_BLIND)
def view_rank(path: StudyPath, body: ranking.WhatIf) -> ranking.RankView:
    """Ranks with any weights; nothing is saved."""
    return ranking.view_rank(db(), path.study_id, body)


@rank.get("/buyers", responses={200: buyer.Buyers})
@reads(NOT_BLIND)
def list_buyers() -> buyer.Buyers:
    """Buyers of every study, to copy from."""
    return buyer.all_buyers(db())


@rank.post("/studies/<uuid:study_id>/buyers", responses={200: ranking.RankView})
@writes(REVIEW)
def add_buyer(path: StudyPath, body: buyer.NewBuyer) -> ranking.RankView:
    buyer.add_buyer(db(), path.study_id, body)
    return ranking.view_rank(db(), path.study_id, ranking.WhatIf(profile_id=body.id))


@rank.put("/studies/<uuid:study_id>/buyers/<uuid:profile_id>", responses={200: ranking.RankView})
@writes(REVIEW)
def change_buyer(path: ProfilePath, body: buyer.BuyerChange) -> ranking.RankView:
    """Name, weights or must-haves; what is left out stays as it is."""
    buyer.change_buyer(db(), path.study_id, path.profile_id, body)
    return ranking.view_rank(db(), path.study_id, ranking.WhatIf(profile_id=path.profile_id))


@rank.delete("/studies/<uuid:study_id>/buyers/<uuid:profile_id>", responses={200: ranking.RankView})
@writes(REVIEW)
def remove_buyer(path: ProfilePath, query: VersionQuery) -> ranking.RankView:
    buyer.remove_buyer(db(), path.study_id, path.profile_id, query.version)
    return ranking.view_rank(db(), path.study_id, ranking.WhatIf())


@rank.post("/studies/<uuid:study_id>/units/<uuid:unit_id>/rank-source", responses={200: source.Source})
@reads(NOT_BLIND)
def rank_source(path: StudyUnitPath, body: source.RankFigure) -> source.Source:
    """A figure of the ranking under any weights; nothing is saved."""
    return source.rank_source(db(), path.study_id, path.unit_id, body)


@publish.get("/studies/<uuid:study_id>/publish", responses={200: report.PublishView})
@reads(NOT_BLIND)
def view_publish(path: StudyPath, query: ProfileQuery) -> report.PublishView:
    return report.view_publish(db(), path.study_id, query.profile_id)


@publish.post("/studies/<uuid:study_id>/revisions", responses={200: report.PublishView})
@writes(REVIEW)
def publish_revision(path: StudyPath, body: report.NewRevision) -> report.PublishView:
    return report.publish(db(), path.study_id, body, current_user.id)


@publish.get("/revisions/<uuid:revision_id>/report.html")
@reads(NOT_BLIND)
def revision_html(path: RevisionPath) -> Response:
    html, number = report.revision_html(db(), path.revision_id)
    name = f"report-revision-{number}.html"
    return Response(html, mimetype="text/html", headers={"Content-Disposition": f'inline; filename="{name}"'})


@publish.get("/studies/<uuid:study_id>/readings.json", responses={200: report.ReadingData})
@reads(NOT_BLIND)
def readings_json(path: StudyPath) -> report.ReadingData:
    return report.reading_data(db(), path.study_id)


@publish.get("/studies/<uuid:study_id>/readings.csv")
@reads(NOT_BLIND)
def readings_csv(path: StudyPath) -> Response:
    text = report.reading_csv(report.reading_data(db(), path.study_id))
    return Response(text, mimetype="text/csv", headers={"Content-Disposition": 'attachment; filename="readings.csv"'})
