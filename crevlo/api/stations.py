"""The calls of the eight stations: check who asks, call one use case, answer."""

from flask import Response, request
from flask_login import current_user
from flask_openapi3.blueprint import APIBlueprint

from crevlo.api.errors import Problem
from crevlo.api.guard import BENCH, EVERYONE, NOT_BLIND, REVIEW, db, reads, writes
from crevlo.api.paths import (
    FeatureQuery,
    FilePath,
    FileQuery,
    HypothesisPath,
    ItemPath,
    JobFilePath,
    JobPath,
    LabelQuery,
    OtherJobQuery,
    PartQuery,
    PhotoPath,
    RunPath,
    SpecimenPath,
    StudyPath,
    StudyUnitPath,
    SubjectPath,
    TraceQuery,
)
from crevlo.api.uploads import ONE_UPLOAD
from crevlo.stations import noise, photo, source
from crevlo.stations.background import WorkOut
from crevlo.stations.cost import part
from crevlo.stations.inspect import anchors, reject, score
from crevlo.stations.measure import caliper, specimen
from crevlo.stations.plan import freeze as freeze_
from crevlo.stations.plan import study
from crevlo.stations.plan.protocol import Draft
from crevlo.stations.print_ import fault, label, live, power_log, run, sliced
from crevlo.stations.progress import Line, line
from crevlo.stations.receive import box, claims, configuration, log, measures, record, unit, worth
from crevlo.stations.shape import Shape
from crevlo.store.person import Role


def station(name: str) -> APIBlueprint:
    return APIBlueprint(name, __name__, url_prefix="/api", abp_responses={422: Problem})


plan, receive, print_, measure, inspect, cost = BLUEPRINTS = [
    station(name) for name in ("plan", "receive", "print", "measure", "inspect", "cost")
]


class Studies(Shape):
    studies: list[study.StudyCard]


@plan.get("/studies", responses={200: Studies})
@reads(EVERYONE)
def list_studies() -> Studies:
    return Studies(studies=study.list_studies(db()))


@plan.post("/studies", responses={200: study.PlanView})
@writes(REVIEW)
def create_study(body: study.NewStudy) -> study.PlanView:
    return study.create_study(db(), body, current_user.id)


@plan.get("/studies/<uuid:study_id>/line", responses={200: Line})
@reads(EVERYONE)
def study_line(path: StudyPath) -> Line:
    """How far each station has come; what is printing now is left out for a rater."""
    return line(db(), path.study_id, blind=current_user.role is Role.RATER)


@plan.get("/studies/<uuid:study_id>/plan", responses={200: study.PlanView})
@reads(NOT_BLIND)
def view_plan(path: StudyPath) -> study.PlanView:
    return study.view_plan(db(), path.study_id)


@plan.put("/studies/<uuid:study_id>/plan", responses={200: study.PlanView})
@writes(REVIEW)
def save_draft(path: StudyPath, body: Draft) -> study.PlanView:
    return study.save_draft(db(), path.study_id, body)


@plan.post("/studies/<uuid:study_id>/freeze", responses={200: study.PlanView})
@writes(REVIEW)
def freeze(path: StudyPath, body: freeze_.Freeze) -> study.PlanView:
    freeze_.freeze(db(), path.study_id, body, current_user.id)
    return study.view_plan(db(), path.study_id)


@plan.post("/studies/<uuid:study_id>/deviations", responses={200: study.PlanView})
@writes(REVIEW)
def record_deviation(path: StudyPath, body: study.NewDeviation) -> study.PlanView:
    return study.record_deviation(db(), path.study_id, body, current_user.id)


@receive.get("/studies/<uuid:study_id>/receive", responses={200: unit.ReceiveView})
@reads(NOT_BLIND)
def view_receive(path: StudyPath) -> unit.ReceiveView:
    return unit.view_receive(db(), path.study_id)


@receive.put("/studies/<uuid:study_id>/units/<uuid:unit_id>", responses={200: unit.ReceiveView})
@writes(REVIEW)
def change_unit(path: StudyUnitPath, body: unit.UnitChange) -> unit.ReceiveView:
    return unit.change_unit(db(), path.study_id, path.unit_id, body, current_user.id)


@receive.put("/studies/<uuid:study_id>/units/<uuid:unit_id>/not-recommended", responses={200: unit.ReceiveView})
@writes(REVIEW)
def not_recommend(path: StudyUnitPath, body: unit.NotRecommended) -> unit.ReceiveView:
    """Whatever its rank: this machine is not recommended, with the reason."""
    return unit.not_recommend(db(), path.study_id, path.unit_id, body)


@receive.post("/studies/<uuid:study_id>/units/<uuid:unit_id>/checks", responses={200: unit.ReceiveView})
@writes(REVIEW)
def record_check(path: StudyUnitPath, body: unit.NewCheck) -> unit.ReceiveView:
    return unit.record_check(db(), path.study_id, path.unit_id, body, current_user.id)


@receive.post("/studies/<uuid:study_id>/units/<uuid:unit_id>/check-round", responses={200: unit.ReceiveView})
@writes(REVIEW)
def record_round(path: StudyUnitPath, body: unit.CheckRound) -> unit.ReceiveView:
    return unit.record_round(db(), path.study_id, path.unit_id, body, current_user.id)


@receive.get("/studies/<uuid:study_id>/units/<uuid:unit_id>/record", responses={200: record.UnitRecord})
@reads(NOT_BLIND)
def view_record(path: StudyUnitPath) -> record.UnitRecord:
    """Everything recorded of one unit."""
    return record.view_record(db(), path.study_id, path.unit_id)


@receive.post("/studies/<uuid:study_id>/units/<uuid:unit_id>/box", responses={200: record.UnitRecord})
@writes(REVIEW)
def add_box_item(path: StudyUnitPath, body: box.NewBoxItem) -> record.UnitRecord:
    record.unit_in(db(), path.study_id, path.unit_id)
    box.add_box_item(db(), path.unit_id, body)
    return record.view_record(db(), path.study_id, path.unit_id)


@receive.put("/studies/<uuid:study_id>/units/<uuid:unit_id>/box/<uuid:item_id>", responses={200: record.UnitRecord})
@writes(REVIEW)
def change_box_item(path: ItemPath, body: box.BoxItemChange) -> record.UnitRecord:
    record.unit_in(db(), path.study_id, path.unit_id)
    box.change_box_item(db(), path.unit_id, path.item_id, body)
    return record.view_record(db(), path.study_id, path.unit_id)


@receive.post("/studies/<uuid:study_id>/units/<uuid:unit_id>/assembly", responses={200: record.UnitRecord})
@writes(REVIEW)
def add_step(path: StudyUnitPath, body: box.NewStep) -> record.UnitRecord:
    record.unit_in(db(), path.study_id, path.unit_id)
    box.add_step(db(), path.unit_id, body, current_user.id)
    return record.view_record(db(), path.study_id, path.unit_id)


@receive.post("/studies/<uuid:study_id>/units/<uuid:unit_id>/measures", responses={200: record.UnitRecord})
@writes(REVIEW)
def record_measure(path: StudyUnitPath, body: measures.NewMeasure) -> record.UnitRecord:
    record.unit_in(db(), path.study_id, path.unit_id)
    measures.record_measure(db(), path.unit_id, body, current_user.id)
    return record.view_record(db(), path.study_id, path.unit_id)


@receive.post("/studies/<uuid:study_id>/units/<uuid:unit_id>/noise", responses={200: record.UnitRecord})
@writes(REVIEW)
def record_standby_noise(path: StudyUnitPath, body: noise.NewNoise) -> record.UnitRecord:
    """Of a unit that stands by or heats, without a print."""
    record.unit_in(db(), path.study_id, path.unit_id)
    noise.add_noise(db(), body, current_user.id, unit_id=path.unit_id)
    return record.view_record(db(), path.study_id, path.unit_id)


@receive.post("/studies/<uuid:study_id>/units/<uuid:unit_id>/claims", responses={200: record.UnitRecord})
@writes(REVIEW)
def add_claim(path: StudyUnitPath, body: claims.NewClaim) -> record.UnitRecord:
    claims.add_claim(db(), record.unit_in(db(), path.study_id, path.unit_id), body)
    return record.view_record(db(), path.study_id, path.unit_id)


@receive.put(
    "/studies/<uuid:study_id>/units/<uuid:unit_id>/claims/<uuid:item_id>", responses={200: record.UnitRecord}
)
@writes(REVIEW)
def change_claim(path: ItemPath, body: claims.ClaimChange) -> record.UnitRecord:
    claims.change_claim(db(), record.unit_in(db(), path.study_id, path.unit_id), path.item_id, body)
    return record.view_record(db(), path.study_id, path.unit_id)


@receive.post("/studies/<uuid:study_id>/units/<uuid:unit_id>/configurations", responses={200: record.UnitRecord})
@writes(REVIEW)
def open_configuration(path: StudyUnitPath, body: configuration.NewConfiguration) -> record.UnitRecord:
    """Any change of a unit opens a new configuration with its reason."""
    record.unit_in(db(), path.study_id, path.unit_id)
    configuration.open_configuration(db(), path.unit_id, body)
    return record.view_record(db(), path.study_id, path.unit_id)


@receive.post("/studies/<uuid:study_id>/units/<uuid:unit_id>/log", responses={200: record.UnitRecord})
@writes(REVIEW)
def add_log(path: StudyUnitPath, body: log.NewLog) -> record.UnitRecord:
    record.unit_in(db(), path.study_id, path.unit_id)
    log.add_log(db(), path.unit_id, body, current_user.id)
    return record.view_record(db(), path.study_id, path.unit_id)


@receive.post("/studies/<uuid:study_id>/units/<uuid:unit_id>/worths", responses={200: record.UnitRecord})
@writes(REVIEW)
def add_worth(path: StudyUnitPath, body: worth.NewWorth) -> record.UnitRecord:
    """A feature on the price list, which all machines share."""
    record.unit_in(db(), path.study_id, path.unit_id)
    worth.add_worth(db(), body)
    return record.view_record(db(), path.study_id, path.unit_id)


@receive.put(
    "/studies/<uuid:study_id>/units/<uuid:unit_id>/worths/<uuid:item_id>", responses={200: record.UnitRecord}
)
@writes(REVIEW)
def change_worth(path: ItemPath, body: worth.WorthChange) -> record.UnitRecord:
    record.unit_in(db(), path.study_id, path.unit_id)
    worth.change_worth(db(), path.item_id, body)
    return record.view_record(db(), path.study_id, path.unit_id)


@receive.put("/studies/<uuid:study_id>/units/<uuid:unit_id>/worth-base", responses={200: record.UnitRecord})
@writes(REVIEW)
def set_worth_base(path: StudyUnitPath, body: worth.BaseWorth) -> record.UnitRecord:
    """What a machine without any feature of the list is worth."""
    record.unit_in(db(), path.study_id, path.unit_id)
    worth.set_base(db(), body)
    return record.view_record(db(), path.study_id, path.unit_id)


@receive.put(
    "/studies/<uuid:study_id>/units/<uuid:unit_id>/features/<uuid:item_id>", responses={200: record.UnitRecord}
)
@writes(REVIEW)
def set_feature(path: ItemPath, body: worth.Presence) -> record.UnitRecord:
    worth.set_feature(db(), record.unit_in(db(), path.study_id, path.unit_id), path.item_id, body)
    return record.view_record(db(), path.study_id, path.unit_id)


@print_.get("/studies/<uuid:study_id>/print", responses={200: run.PrintView})
@reads(NOT_BLIND)
def view_print(path: StudyPath) -> run.PrintView:
    return run.view_print(db(), path.study_id)


@print_.get("/studies/<uuid:study_id>/live", responses={200: live.BenchView})
@reads(NOT_BLIND)
def view_bench(path: StudyPath) -> live.BenchView:
    """Every machine as it is now, loads of the circuits, and what to do next."""
    return live.view_bench(db(), path.study_id)


@print_.get("/runs/<uuid:run_id>/power", responses={200: live.RunPower})
@reads(NOT_BLIND)
def run_power(path: RunPath) -> live.RunPower:
    """The power trace of a run and the energy of its phases."""
    return live.run_power(db(), path.run_id)


@print_.post("/runs/<uuid:run_id>/hypotheses", responses={200: run.JobView})
@writes(REVIEW)
def add_hypothesis(path: RunPath, body: fault.NewHypothesis) -> run.JobView:
    """A possible cause of a failed run."""
    return run.view_job(db(), fault.add_hypothesis(db(), path.run_id, body, current_user.id))


@print_.put("/hypotheses/<uuid:hypothesis_id>", responses={200: run.JobView})
@writes(REVIEW)
def change_hypothesis(path: HypothesisPath, body: fault.HypothesisChange) -> run.JobView:
    """How it was tested, what came of it, and whether that rules it out."""
    return run.view_job(db(), fault.change_hypothesis(db(), path.hypothesis_id, body))


@print_.post("/runs/<uuid:run_id>/rejection", responses={200: run.JobView})
@writes(REVIEW)
def reject_run(path: RunPath, body: reject.NewRejection) -> run.JobView:
    """A print that cannot be used counts as a failed one."""
    return run.view_job(db(), reject.reject_run(db(), path.run_id, body, current_user.id))


@print_.get("/studies/<uuid:study_id>/labels.pdf")
@reads(REVIEW)
def labels(path: StudyPath, query: LabelQuery) -> Response:
    """Labels for the bags of one specimen, or of all that wait to be measured."""
    made = label.labels(db(), path.study_id, request.host_url.rstrip("/"), query.paper, query.code)
    return Response(made, mimetype="application/pdf")


@print_.put("/photos/<uuid:subject_id>", responses={200: photo.PhotoList}, openapi_extensions=ONE_UPLOAD)
@writes(REVIEW, heavy=True)
def take_photo(path: SubjectPath, query: photo.NewPhoto) -> photo.PhotoList:
    """A photo of a unit, a safety check or a run; where and when it was taken is removed from it."""
    return photo.take_photo(db(), path.subject_id, query, request.get_data(), current_user.id)


@print_.get("/photos/<uuid:photo_id>/picture")
@reads(NOT_BLIND)
def view_photo(path: PhotoPath) -> Response:
    answer = Response(photo.photo_content(db(), path.photo_id), mimetype="image/jpeg")
    answer.headers["Cache-Control"] = "private, max-age=31536000, immutable"
    return answer


@print_.post("/runs/<uuid:run_id>/events", responses={200: run.JobView})
@writes(REVIEW)
def mark_event(path: RunPath, body: run.NewEvent) -> run.JobView:
    """Marks the beginning of a phase, or corrects such a mark."""
    return run.mark_event(db(), path.run_id, body, current_user.id)


@print_.get("/jobs/<uuid:job_id>", responses={200: run.JobView})
@reads(NOT_BLIND)
def view_job(path: JobPath) -> run.JobView:
    return run.view_job(db(), path.job_id, may_bag=current_user.role in REVIEW)


@print_.delete("/jobs/<uuid:job_id>/files/<uuid:file_id>", responses={200: run.JobView})
@writes(REVIEW)
def withdraw_file(path: JobFilePath) -> run.JobView:
    """Takes a file away that was dropped on the wrong print."""
    return run.withdraw_file(db(), path.job_id, path.file_id, current_user.id)


@print_.put("/jobs/<uuid:job_id>/file", responses={200: run.JobView}, openapi_extensions=ONE_UPLOAD)
@writes(REVIEW)
def take_file(path: JobPath, query: FileQuery) -> run.JobView:
    return run.take_file(db(), path.job_id, query.id, query.name, request.get_data(), current_user.id)


@print_.get("/files/<uuid:file_id>/picture")
@reads(NOT_BLIND)
def file_picture(path: FilePath) -> Response:
    """The picture of the part that a sliced file carries."""
    return Response(sliced.file_picture(db(), path.file_id), mimetype="image/jpeg")


@print_.get("/jobs/<uuid:job_id>/settings", responses={200: sliced.SettingsView})
@reads(NOT_BLIND)
def view_settings(path: JobPath) -> sliced.SettingsView:
    """In what the job's file differs from those of the other machines for the same artifact."""
    return sliced.view_settings(db(), path.job_id)


@print_.get("/jobs/<uuid:job_id>/why", responses={200: sliced.WhyView})
@reads(NOT_BLIND)
def view_why(path: JobPath, query: OtherJobQuery) -> sliced.WhyView:
    """Why this print takes longer or shorter than another; for large files the result of the work asked for, if any."""
    return sliced.why(db(), path.job_id, query.other)


@print_.post("/jobs/<uuid:job_id>/why", responses={200: WorkOut})
@writes(REVIEW)
def ask_why(path: JobPath, body: sliced.AskWhy) -> WorkOut:
    """Has two large files compared in the background."""
    return sliced.ask_why(db(), body.id, path.job_id, body.other_id, current_user.id)


@print_.post("/jobs/<uuid:job_id>/runs", responses={200: run.JobView})
@writes(REVIEW)
def start_run(path: JobPath, body: run.StartRun) -> run.JobView:
    return run.start_run(db(), path.job_id, body, current_user.id)


@print_.post("/runs/<uuid:run_id>/end", responses={200: run.JobView})
@writes(REVIEW)
def end_run(path: RunPath, body: run.EndRun) -> run.JobView:
    return run.end_run(db(), path.run_id, body)


@print_.put("/runs/<uuid:run_id>/energy", responses={200: run.JobView})
@writes(REVIEW)
def type_energy(path: RunPath, body: run.EnergyTyped) -> run.JobView:
    return run.type_energy(db(), path.run_id, body)


@print_.put("/runs/<uuid:run_id>/trace", responses={200: run.JobView}, openapi_extensions=ONE_UPLOAD)
@writes(REVIEW, heavy=True)
def take_trace(path: RunPath, query: TraceQuery) -> run.JobView:
    """The energy of a power log, its columns by their usual names or as named."""
    columns = power_log.TraceColumns.model_validate(query.model_dump(exclude={"version"}))
    return run.take_trace(db(), path.run_id, query.version, request.get_data(), columns)


@print_.put("/power-logs/heading", responses={200: power_log.TraceHeading}, openapi_extensions=ONE_UPLOAD)
@writes(REVIEW, heavy=True)
def read_heading() -> power_log.TraceHeading:
    """The columns of a log, to say which hold what; nothing is kept."""
    return power_log.read_heading(request.get_data())


@print_.post("/runs/<uuid:run_id>/noise", responses={200: run.JobView})
@writes(REVIEW)
def record_noise(path: RunPath, body: noise.NewNoise) -> run.JobView:
    return run.record_noise(db(), path.run_id, body, current_user.id)


@measure.get("/studies/<uuid:study_id>/measure", responses={200: specimen.MeasureQueue})
@reads(EVERYONE)
def view_queue(path: StudyPath) -> specimen.MeasureQueue:
    return specimen.view_queue(db(), path.study_id)


@measure.get("/specimens/<uuid:specimen_id>", responses={200: specimen.SpecimenView})
@reads(EVERYONE)
def view_specimen(path: SpecimenPath) -> specimen.SpecimenView:
    return specimen.view_specimen(db(), path.specimen_id)


@measure.post("/specimens/<uuid:specimen_id>/readings", responses={200: specimen.SpecimenView})
@writes(BENCH)
def record_reading(path: SpecimenPath, body: specimen.NewReading) -> specimen.SpecimenView:
    return specimen.record_readings(
        db(), path.specimen_id, [body], current_user.id, reviews=current_user.role in REVIEW
    )


@measure.post("/specimens/<uuid:specimen_id>/readings/batch", responses={200: specimen.SpecimenView})
@writes(BENCH)
def record_readings(path: SpecimenPath, body: specimen.NewReadings) -> specimen.SpecimenView:
    return specimen.record_readings(
        db(), path.specimen_id, body.readings, current_user.id, reviews=current_user.role in REVIEW
    )


@measure.post("/specimens/<uuid:specimen_id>/corrections", responses={200: specimen.SpecimenView})
@writes(BENCH)
def correct_reading(path: SpecimenPath, body: specimen.Correction) -> specimen.SpecimenView:
    return specimen.correct_reading(
        db(), path.specimen_id, body, current_user.id, reviews=current_user.role in REVIEW
    )


@measure.post("/studies/<uuid:study_id>/zero-checks", responses={200: specimen.MeasureQueue})
@writes(BENCH)
def record_zero(path: StudyPath, body: caliper.NewZero) -> specimen.MeasureQueue:
    caliper.record_zero(db(), body, current_user.id)
    return specimen.view_queue(db(), path.study_id)


@measure.get("/specimens/<uuid:specimen_id>/source", responses={200: source.Source})
@reads(EVERYONE)
def measure_source(path: SpecimenPath, query: FeatureQuery) -> source.Source:
    return source.measure_source(db(), path.specimen_id, query.feature)


@inspect.get("/anchors", responses={200: anchors.Anchors})
@reads(EVERYONE)
def view_anchors() -> anchors.Anchors:
    """Defects with written anchors and drawn reference pictures."""
    return anchors.anchors()


@inspect.get("/studies/<uuid:study_id>/inspect", responses={200: score.InspectView})
@reads(EVERYONE)
def view_inspect(path: StudyPath) -> score.InspectView:
    return score.view_inspect(db(), path.study_id, current_user.id)


@inspect.post("/specimens/<uuid:specimen_id>/scores", responses={200: score.InspectView})
@writes(BENCH)
def record_score(path: SpecimenPath, body: score.NewScore) -> score.InspectView:
    return score.record_score(db(), path.specimen_id, body, current_user.id, reviews=current_user.role in REVIEW)


@inspect.post("/specimens/<uuid:specimen_id>/lock", responses={200: score.InspectView})
@writes(BENCH)
def lock(path: SpecimenPath) -> score.InspectView:
    return score.lock(db(), path.specimen_id, current_user.id)


@inspect.post("/studies/<uuid:study_id>/reveal", responses={200: score.RevealedList})
@writes(REVIEW)
def reveal(path: StudyPath) -> score.RevealedList:
    return score.reveal(db(), path.study_id, current_user.id)


@inspect.get("/studies/<uuid:study_id>/revealed", responses={200: score.RevealedList})
@reads(NOT_BLIND)
def revealed(path: StudyPath) -> score.RevealedList:
    return score.revealed(db(), path.study_id)


@cost.get("/studies/<uuid:study_id>/cost", responses={200: part.CostView})
@reads(NOT_BLIND)
def view_cost(path: StudyPath) -> part.CostView:
    return part.view_cost(db(), path.study_id)


@cost.put("/studies/<uuid:study_id>/cost", responses={200: part.CostView})
@writes(REVIEW)
def change_basis(path: StudyPath, body: part.CostBasis) -> part.CostView:
    return part.change_basis(db(), path.study_id, body)


@cost.get("/studies/<uuid:study_id>/units/<uuid:unit_id>/cost-source", responses={200: source.Source})
@reads(NOT_BLIND)
def cost_source(path: StudyUnitPath, query: PartQuery) -> source.Source:
    return source.cost_source(db(), path.study_id, path.unit_id, query.part)
