"""The calls of station 5 Inspect: scores, locks, reveal."""

from flask_login import current_user

from crevlo.api.guard import BENCH, EVERYONE, NOT_BLIND, REVIEW, db, reads, writes
from crevlo.api.paths import (
    SpecimenPath,
    StudyPath,
)
from crevlo.api.station import station
from crevlo.stations.inspect import anchors, score

api = station("inspect")


@api.get("/anchors", responses={200: anchors.Anchors})
@reads(EVERYONE)
def view_anchors() -> anchors.Anchors:
    """Defects with written anchors and drawn reference pictures."""
    return anchors.anchors()


@api.get("/studies/<uuid:study_id>/inspect", responses={200: score.InspectView})
@reads(EVERYONE)
def view_inspect(path: StudyPath) -> score.InspectView:
    return score.view_inspect(db(), path.study_id, current_user.id)


@api.post("/specimens/<uuid:specimen_id>/scores", responses={200: score.InspectView})
@writes(BENCH)
def record_score(path: SpecimenPath, body: score.NewScore) -> score.InspectView:
    return score.record_score(db(), path.specimen_id, body, current_user.id, reviews=current_user.role in REVIEW)


@api.post("/specimens/<uuid:specimen_id>/lock", responses={200: score.InspectView})
@writes(BENCH)
def lock(path: SpecimenPath) -> score.InspectView:
    return score.lock(db(), path.specimen_id, current_user.id)


@api.post("/studies/<uuid:study_id>/reveal", responses={200: score.RevealedList})
@writes(REVIEW)
def reveal(path: StudyPath) -> score.RevealedList:
    return score.reveal(db(), path.study_id, current_user.id)


@api.get("/studies/<uuid:study_id>/revealed", responses={200: score.RevealedList})
@reads(NOT_BLIND)
def revealed(path: StudyPath) -> score.RevealedList:
    return score.revealed(db(), path.study_id)
