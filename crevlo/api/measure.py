"""The calls of station 4 Measure: readings and judgements of specimens."""

import uuid

from flask import request
from flask_login import current_user

from crevlo.api.guard import BENCH, EVERYONE, REVIEW, db, reads, shown, writes
from crevlo.api.paths import (
    FindingQuery,
    GaugePath,
    GaugeReadingPath,
    SpecimenPath,
    StudyPath,
    TakeBack,
)
from crevlo.api.station import station
from crevlo.api.uploads import ONE_UPLOAD
from crevlo.stations.figures.source import Source
from crevlo.stations.measure import gauge, instruments, judgement, queue, reading, source, specimen, table

api = station("measure")


@api.get("/studies/<uuid:study_id>/measure", responses={200: queue.MeasureQueue})
@reads(EVERYONE)
def view_queue(path: StudyPath) -> queue.MeasureQueue:
    return queue.view_queue(db(), path.study_id, current_user.id)


@api.get("/specimens/<uuid:specimen_id>", responses={200: specimen.SpecimenView})
@reads(EVERYONE)
def view_specimen(path: SpecimenPath) -> specimen.SpecimenView:
    return specimen.view_specimen(db(), path.specimen_id, current_user.id)


@api.post("/specimens/<uuid:specimen_id>/readings", responses={200: specimen.SpecimenView})
@writes(BENCH)
def record_reading(path: SpecimenPath, body: reading.NewReading) -> specimen.SpecimenView:
    reading.record_readings(db(), path.specimen_id, [body], current_user.id, reviews=current_user.role in REVIEW)
    return shown(specimen.view_specimen, path.specimen_id, current_user.id)


@api.post("/specimens/<uuid:specimen_id>/readings/batch", responses={200: specimen.SpecimenView})
@writes(BENCH)
def record_readings(path: SpecimenPath, body: reading.NewReadings) -> specimen.SpecimenView:
    reading.record_readings(
        db(), path.specimen_id, body.readings, current_user.id, reviews=current_user.role in REVIEW
    )
    return shown(specimen.view_specimen, path.specimen_id, current_user.id)


@api.post("/specimens/<uuid:specimen_id>/corrections", responses={200: specimen.SpecimenView})
@writes(BENCH)
def correct_reading(path: SpecimenPath, body: reading.Correction) -> specimen.SpecimenView:
    reading.correct_reading(db(), path.specimen_id, body, current_user.id, reviews=current_user.role in REVIEW)
    return shown(specimen.view_specimen, path.specimen_id, current_user.id)


@api.post("/specimens/<uuid:specimen_id>/judgements", responses={200: specimen.SpecimenView})
@writes(BENCH)
def record_judgement(path: SpecimenPath, body: judgement.NewJudgement) -> specimen.SpecimenView:
    return _judged(path.specimen_id, [body])


@api.post("/specimens/<uuid:specimen_id>/judgements/batch", responses={200: specimen.SpecimenView})
@writes(BENCH)
def record_judgements(path: SpecimenPath, body: judgement.NewJudgements) -> specimen.SpecimenView:
    """Several at once, kept all or none."""
    return _judged(path.specimen_id, body.judgements)


def _judged(specimen_id: uuid.UUID, judgements: list[judgement.NewJudgement]) -> specimen.SpecimenView:
    judgement.record_judgements(db(), specimen_id, judgements, current_user.id, reviews=current_user.role in REVIEW)
    return shown(specimen.view_specimen, specimen_id, current_user.id)


@api.post("/studies/<uuid:study_id>/reading-table/preview", responses={200: table.TableView})
@reads(BENCH)
def preview_table(path: StudyPath, body: table.ReadingTable) -> table.TableView:
    """What of a pasted table would be kept, and why not the rest."""
    return table.preview(db(), path.study_id, body)


@api.post("/studies/<uuid:study_id>/reading-table", responses={200: table.TableView})
@writes(BENCH)
def keep_table(path: StudyPath, body: table.ReadingTable) -> table.TableView:
    """A pasted table, kept whole or refused whole."""
    return table.keep_table(db(), path.study_id, body, current_user.id, reviews=current_user.role in REVIEW)


@api.put("/sheet-text", responses={200: table.SheetText}, openapi_extensions=ONE_UPLOAD)
@reads(BENCH)
def read_sheet() -> table.SheetText:
    """A CSV or XLSX file as text, as it would be pasted; nothing of it is kept."""
    return table.read_sheet(request.get_data())


@api.post("/studies/<uuid:study_id>/zero-checks", responses={200: queue.MeasureQueue})
@writes(BENCH)
def record_zero(path: StudyPath, body: instruments.NewZero) -> queue.MeasureQueue:
    instruments.record_zero(db(), body, current_user.id)
    return shown(queue.view_queue, path.study_id, current_user.id)


@api.get("/specimens/<uuid:specimen_id>/source", responses={200: Source})
@reads(EVERYONE)
def measure_source(path: SpecimenPath, query: FindingQuery) -> Source:
    return source.measure_source(
        db(), path.specimen_id, current_user.id, feature=query.feature, finding=query.finding
    )


@api.get("/studies/<uuid:study_id>/gauge-studies", responses={200: gauge.GaugeView})
@reads(EVERYONE)
def view_gauges(path: StudyPath) -> gauge.GaugeView:
    """How far everybody is; what was read only once all of it is."""
    return gauge.view_gauges(db(), path.study_id, current_user.id)


@api.post("/studies/<uuid:study_id>/gauge-studies", responses={200: gauge.GaugeView})
@writes(REVIEW)
def begin_gauge(path: StudyPath, body: gauge.NewGauge) -> gauge.GaugeView:
    return gauge.begin(db(), path.study_id, body, current_user.id)


@api.post("/gauge-studies/<uuid:gauge_id>/readings", responses={200: gauge.GaugeView})
@writes(BENCH)
def record_gauge(path: GaugePath, body: gauge.NewGaugeReading) -> gauge.GaugeView:
    return gauge.record(db(), path.gauge_id, body, current_user.id)


@api.post("/gauge-readings/<uuid:reading_id>/back", responses={200: gauge.GaugeView})
@writes(BENCH)
def take_gauge_back(path: GaugeReadingPath, body: TakeBack) -> gauge.GaugeView:
    return gauge.take_back(db(), path.reading_id, body.id, current_user.id)


@api.post("/gauge-studies/<uuid:gauge_id>/end", responses={200: gauge.GaugeView})
@writes(REVIEW)
def end_gauge(path: GaugePath) -> gauge.GaugeView:
    """Complete, it holds from now on; before, it is given up."""
    return gauge.end(db(), path.gauge_id, current_user.id)
