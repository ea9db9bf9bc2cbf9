"""The calls of station 4 Measure: readings of specimens."""

from flask_login import current_user

from crevlo.api.guard import BENCH, EVERYONE, REVIEW, db, reads, writes
from crevlo.api.paths import (
    FeatureQuery,
    SpecimenPath,
    StudyPath,
)
from crevlo.api.station import station
from crevlo.stations import source
from crevlo.stations.measure import caliper, specimen

api = station("measure")


@api.get("/studies/<uuid:study_id>/measure", responses={200: specimen.MeasureQueue})
@reads(EVERYONE)
def view_queue(path: StudyPath) -> specimen.MeasureQueue:
    return specimen.view_queue(db(), path.study_id)


@api.get("/specimens/<uuid:specimen_id>", responses={200: specimen.SpecimenView})
@reads(EVERYONE)
def view_specimen(path: SpecimenPath) -> specimen.SpecimenView:
    return specimen.view_specimen(db(), path.specimen_id)


@api.post("/specimens/<uuid:specimen_id>/readings", responses={200: specimen.SpecimenView})
@writes(BENCH)
def record_reading(path: SpecimenPath, body: specimen.NewReading) -> specimen.SpecimenView:
    return specimen.record_readings(
        db(), path.specimen_id, [body], current_user.id, reviews=current_user.role in REVIEW
    )


@api.post("/specimens/<uuid:specimen_id>/readings/batch", responses={200: specimen.SpecimenView})
@writes(BENCH)
def record_readings(path: SpecimenPath, body: specimen.NewReadings) -> specimen.SpecimenView:
    return specimen.record_readings(
        db(), path.specimen_id, body.readings, current_user.id, reviews=current_user.role in REVIEW
    )


@api.post("/specimens/<uuid:specimen_id>/corrections", responses={200: specimen.SpecimenView})
@writes(BENCH)
def correct_reading(path: SpecimenPath, body: specimen.Correction) -> specimen.SpecimenView:
    return specimen.correct_reading(
        db(), path.specimen_id, body, current_user.id, reviews=current_user.role in REVIEW
    )


@api.post("/studies/<uuid:study_id>/zero-checks", responses={200: specimen.MeasureQueue})
@writes(BENCH)
def record_zero(path: StudyPath, body: caliper.NewZero) -> specimen.MeasureQueue:
    caliper.record_zero(db(), body, current_user.id)
    return specimen.view_queue(db(), path.study_id)


@api.get("/specimens/<uuid:specimen_id>/source", responses={200: source.Source})
@reads(EVERYONE)
def measure_source(path: SpecimenPath, query: FeatureQuery) -> source.Source:
    return source.measure_source(db(), path.specimen_id, query.feature)
