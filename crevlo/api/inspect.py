"""The calls of station 5 Inspect: scores, locks, looks, duels, agreement, reveal."""

import uuid

from flask import request
from flask_login import current_user

from crevlo.api.guard import BENCH, EVERYONE, NOT_BLIND, REVIEW, db, reads, shown, writes
from crevlo.api.paths import DuelPath, PhotoPath, SpecimenPath, StudyPath, TakeBack
from crevlo.api.station import station
from crevlo.api.uploads import ONE_UPLOAD
from crevlo.stations import blind
from crevlo.stations.inspect import agreement, anchors, defects, duel, look, score
from crevlo.stations.kit import photo

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


@api.get("/specimens/<uuid:specimen_id>/scores", responses={200: score.SpecimenScores})
@reads(EVERYONE)
def view_scores(path: SpecimenPath) -> score.SpecimenScores:
    return score.view_scores(db(), path.specimen_id, current_user.id)


@api.post("/specimens/<uuid:specimen_id>/scores", responses={200: score.Inspected})
@writes(BENCH)
def record_score(path: SpecimenPath, body: score.NewScore) -> score.Inspected:
    return _scored(path.specimen_id, [body])


@api.post("/specimens/<uuid:specimen_id>/scores/batch", responses={200: score.Inspected})
@writes(BENCH)
def record_scores(path: SpecimenPath, body: score.NewScores) -> score.Inspected:
    """Several at once, kept all or none."""
    return _scored(path.specimen_id, body.scores)


def _scored(specimen_id: uuid.UUID, scores: list[score.NewScore]) -> score.Inspected:
    score.record_scores(db(), specimen_id, scores, current_user.id, reviews=current_user.role in REVIEW)
    return shown(score.view_inspected, specimen_id, current_user.id)


@api.post("/specimens/<uuid:specimen_id>/lock", responses={200: score.Inspected})
@writes(BENCH)
def lock(path: SpecimenPath) -> score.Inspected:
    score.lock(db(), path.specimen_id, current_user.id)
    return shown(score.view_inspected, path.specimen_id, current_user.id)


@api.post("/studies/<uuid:study_id>/defects", responses={200: score.InspectView})
@writes(REVIEW)
def add_defect(path: StudyPath, body: defects.NewDefect) -> score.InspectView:
    """A fault of the study's own, with its anchors in words."""
    defects.add_defect(db(), path.study_id, body, current_user.id)
    return shown(score.view_inspect, path.study_id, current_user.id)


@api.get("/specimens/<uuid:specimen_id>/looks", responses={200: look.Looks})
@reads(EVERYONE)
def view_looks(path: SpecimenPath) -> look.Looks:
    return look.view_looks(db(), path.specimen_id, current_user.id)


@api.post("/specimens/<uuid:specimen_id>/looks", responses={200: look.Looks})
@writes(BENCH)
def record_look(path: SpecimenPath, body: look.NewLook) -> look.Looks:
    return look.record_look(db(), path.specimen_id, body, current_user.id, reviews=current_user.role in REVIEW)


@api.get("/specimens/<uuid:specimen_id>/photos", responses={200: photo.PhotoList})
@reads(EVERYONE)
def view_photos(path: SpecimenPath) -> photo.PhotoList:
    return photo.photos_of_part(db(), path.specimen_id)


@api.put("/specimens/<uuid:specimen_id>/photos", responses={200: photo.PhotoList}, openapi_extensions=ONE_UPLOAD)
@writes(BENCH, heavy=True)
def take_specimen_photo(path: SpecimenPath, query: photo.NewPhoto) -> photo.PhotoList:
    """A photo of a specimen, good ones too; where and when it was taken is removed from it."""
    return photo.take_photo(db(), path.specimen_id, query, request.get_data(), current_user.id, of=photo.OF_PART)


@api.post("/photos/<uuid:photo_id>/pins", responses={200: photo.PhotoList})
@writes(BENCH)
def set_pins(path: PhotoPath, body: photo.Pins) -> photo.PhotoList:
    """Where on the photo of a specimen the faults are."""
    return photo.set_pins(db(), path.photo_id, body, current_user.id)


@api.get("/studies/<uuid:study_id>/duels", responses={200: duel.DuelView})
@reads(EVERYONE)
def view_duels(path: StudyPath, query: duel.DuelQuery) -> duel.DuelView:
    """The pair that would tell most, under blind codes."""
    return duel.view_duels(db(), path.study_id, query, current_user.id)


@api.post("/studies/<uuid:study_id>/duels", responses={200: duel.DuelView})
@writes(BENCH)
def record_duel(path: StudyPath, body: duel.NewDuel) -> duel.DuelView:
    return duel.record_duel(db(), path.study_id, body, current_user.id)


@api.post("/duels/<uuid:duel_id>/back", responses={200: duel.DuelView})
@writes(BENCH)
def take_back(path: DuelPath, body: TakeBack) -> duel.DuelView:
    return duel.take_back(db(), path.duel_id, current_user.id, body.id)


@api.get("/studies/<uuid:study_id>/agreement", responses={200: agreement.AgreementView})
@reads(EVERYONE)
def view_agreement(path: StudyPath) -> agreement.AgreementView:
    """How far raters agree, and what they might talk over; of what this person has locked, until the reveal."""
    return agreement.view_agreement(db(), path.study_id, current_user.id)


@api.post("/studies/<uuid:study_id>/reveal", responses={200: score.RevealedList})
@writes(REVIEW)
def reveal(path: StudyPath) -> score.RevealedList:
    return score.reveal(db(), path.study_id, current_user.id)


@api.post("/studies/<uuid:study_id>/unblinding", responses={200: blind.Blinding})
@writes(REVIEW)
def unblind(path: StudyPath) -> blind.Blinding:
    """Opens figures by printer to this person while parts are hidden, on record: their later entries are marked."""
    blind.look(db(), path.study_id, current_user.id)
    return shown(blind.blinding, path.study_id)


@api.get("/studies/<uuid:study_id>/revealed", responses={200: score.RevealedList})
@reads(NOT_BLIND)
def revealed(path: StudyPath) -> score.RevealedList:
    return score.revealed(db(), path.study_id)
