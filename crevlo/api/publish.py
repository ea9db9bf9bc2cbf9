"""The calls of station 8 Publish: reports and their data."""

from flask import Response
from flask_login import current_user

from crevlo.api.guard import NOT_BLIND, REVIEW, db, reads, writes
from crevlo.api.paths import ProfileQuery, RevisionPath, StudyPath
from crevlo.api.station import station
from crevlo.stations.publish import report

api = station("publish")


@api.get("/studies/<uuid:study_id>/publish", responses={200: report.PublishView})
@reads(NOT_BLIND)
def view_publish(path: StudyPath, query: ProfileQuery) -> report.PublishView:
    return report.view_publish(db(), path.study_id, query.profile_id)


@api.post("/studies/<uuid:study_id>/revisions", responses={200: report.PublishView})
@writes(REVIEW)
def publish_revision(path: StudyPath, body: report.NewRevision) -> report.PublishView:
    return report.publish(db(), path.study_id, body, current_user.id)


@api.get("/revisions/<uuid:revision_id>/report.html")
@reads(NOT_BLIND)
def revision_html(path: RevisionPath) -> Response:
    html, number = report.revision_html(db(), path.revision_id)
    name = f"report-revision-{number}.html"
    return Response(html, mimetype="text/html", headers={"Content-Disposition": f'inline; filename="{name}"'})


@api.get("/studies/<uuid:study_id>/readings.json", responses={200: report.ReadingData})
@reads(NOT_BLIND)
def readings_json(path: StudyPath) -> report.ReadingData:
    return report.reading_data(db(), path.study_id)


@api.get("/studies/<uuid:study_id>/readings.csv")
@reads(NOT_BLIND)
def readings_csv(path: StudyPath) -> Response:
    text = report.reading_csv(report.reading_data(db(), path.study_id))
    return Response(text, mimetype="text/csv", headers={"Content-Disposition": 'attachment; filename="readings.csv"'})
