"""The calls of station 3 Print: runs, files, what was metered; the bench as it is."""

from flask import Response, request
from flask_login import current_user

from crevlo.api.guard import EVERYONE, NOT_BLIND, REVIEW, db, reads, shown, writes
from crevlo.api.paths import (
    FilePath,
    FileQuery,
    HypothesisPath,
    JobFilePath,
    JobPath,
    LabelQuery,
    OtherJobQuery,
    PhotoPath,
    RunPath,
    StudyPath,
    SubjectPath,
    TraceQuery,
)
from crevlo.api.station import station
from crevlo.api.uploads import ONE_UPLOAD
from crevlo.stations import noise, surroundings
from crevlo.stations.background import WorkOut
from crevlo.stations.inspect import look, reject
from crevlo.stations.kit import photo
from crevlo.stations.print_ import (
    ability,
    added,
    fault,
    job,
    label,
    live,
    marks,
    metered,
    note,
    paper,
    power_log,
    run,
    run_power,
    settings,
    sliced,
    what_if,
    why,
)

api = station("print")


@api.get("/studies/<uuid:study_id>/print", responses={200: job.PrintView})
@reads(NOT_BLIND)
def view_print(path: StudyPath) -> job.PrintView:
    return job.view_print(db(), path.study_id)


@api.get("/studies/<uuid:study_id>/live", responses={200: live.BenchView})
@reads(NOT_BLIND)
def view_bench(path: StudyPath) -> live.BenchView:
    """Every machine as it is now, loads of the circuits, and what to do next."""
    return live.view_bench(db(), path.study_id)


@api.get("/runs/<uuid:run_id>/power", responses={200: run_power.RunPower})
@reads(NOT_BLIND)
def power_of_run(path: RunPath) -> run_power.RunPower:
    """The power trace of a run and the energy of its phases."""
    return run_power.power_of_run(db(), path.run_id)


@api.post("/runs/<uuid:run_id>/hypotheses", responses={200: job.JobView})
@writes(REVIEW)
def add_hypothesis(path: RunPath, body: fault.NewHypothesis) -> job.JobView:
    """A possible cause of a failed run."""
    return shown(job.view_job, fault.add_hypothesis(db(), path.run_id, body, current_user.id))


@api.post("/runs/<uuid:run_id>/notes", responses={200: job.JobView})
@writes(REVIEW)
def add_note(path: RunPath, body: note.NewNote) -> job.JobView:
    """What happened at a moment of the run, an alarm of a detector, or the correction of one."""
    return shown(job.view_job, note.add_note(db(), path.run_id, body, current_user.id))


@api.get("/surroundings", responses={200: surroundings.SurroundingsOut})
@reads(NOT_BLIND)
def view_surroundings() -> surroundings.SurroundingsOut:
    """Whether who asks has looked round the room lately."""
    return surroundings.surroundings(db(), current_user.id)


@api.post("/surroundings", responses={200: surroundings.SurroundingsOut})
@writes(REVIEW)
def say_surroundings(body: surroundings.NewSurroundings) -> surroundings.SurroundingsOut:
    """That a smoke alarm works and nothing that burns is near, asked once in a working day before unattended prints."""
    return surroundings.say_surroundings(db(), body, current_user.id)


@api.put("/hypotheses/<uuid:hypothesis_id>", responses={200: job.JobView})
@writes(REVIEW)
def change_hypothesis(path: HypothesisPath, body: fault.HypothesisChange) -> job.JobView:
    """How it was tested, what came of it, and whether that rules it out."""
    return shown(job.view_job, fault.change_hypothesis(db(), path.hypothesis_id, body))


@api.post("/runs/<uuid:run_id>/rejection", responses={200: job.JobView})
@writes(REVIEW)
def reject_run(path: RunPath, body: reject.NewRejection) -> job.JobView:
    """A print that cannot be used counts as a failed one."""
    return shown(job.view_job, reject.reject_run(db(), path.run_id, body, current_user.id))


@api.post("/runs/<uuid:run_id>/look", responses={200: job.JobView})
@writes(REVIEW)
def record_plate_look(path: RunPath, body: look.NewLook) -> job.JobView:
    """The first look, as it lies on the plate: fine, to be checked by hand, or rejected with its cause."""
    reviews = current_user.role in REVIEW
    return shown(job.view_job, look.record_plate_look(db(), path.run_id, body, current_user.id, reviews=reviews))


@api.get("/studies/<uuid:study_id>/labels.pdf")
@reads(REVIEW)
def labels(path: StudyPath, query: LabelQuery) -> Response:
    """Labels for the bags of one specimen, or of all that wait to be measured."""
    made = label.labels(db(), path.study_id, request.host_url.rstrip("/"), query.paper, query.code)
    return Response(made, mimetype="application/pdf")


@api.put("/photos/<uuid:subject_id>", responses={200: photo.PhotoList}, openapi_extensions=ONE_UPLOAD)
@writes(REVIEW, heavy=True)
def take_photo(path: SubjectPath, query: photo.NewPhoto) -> photo.PhotoList:
    """A photo of a unit, a safety check or a run; where and when it was taken is removed from it."""
    return photo.take_photo(db(), path.subject_id, query, request.get_data(), current_user.id, of=photo.OF_BENCH)


@api.get("/photos/<uuid:photo_id>/picture")
@reads(EVERYONE)
def view_photo(path: PhotoPath) -> Response:
    blind = current_user.role not in NOT_BLIND
    answer = Response(photo.photo_content(db(), path.photo_id, blind=blind), mimetype="image/jpeg")
    answer.headers["Cache-Control"] = "private, max-age=31536000, immutable"
    return answer


@api.post("/runs/<uuid:run_id>/events", responses={200: job.JobView})
@writes(REVIEW)
def mark_event(path: RunPath, body: marks.NewEvent) -> job.JobView:
    """Marks the beginning of a phase, or corrects such a mark."""
    return shown(job.view_job, marks.mark_event(db(), path.run_id, body, current_user.id))


@api.get("/jobs/<uuid:job_id>", responses={200: job.JobView})
@reads(NOT_BLIND)
def view_job(path: JobPath) -> job.JobView:
    return job.view_job(db(), path.job_id, may_bag=current_user.role in REVIEW)


@api.delete("/jobs/<uuid:job_id>/files/<uuid:file_id>", responses={200: job.JobView})
@writes(REVIEW)
def withdraw_file(path: JobFilePath) -> job.JobView:
    """Takes a file away that was dropped on the wrong print."""
    return shown(job.view_job, run.withdraw_file(db(), path.job_id, path.file_id, current_user.id))


@api.put("/jobs/<uuid:job_id>/file", responses={200: job.JobView}, openapi_extensions=ONE_UPLOAD)
@writes(REVIEW)
def take_file(path: JobPath, query: FileQuery) -> job.JobView:
    return shown(
        job.view_job,
        run.take_file(db(), path.job_id, query.id, query.name, request.get_data(), current_user.id, query.plate),
    )


@api.get("/files/<uuid:file_id>/picture")
@reads(NOT_BLIND)
def file_picture(path: FilePath) -> Response:
    """The picture of the part that a sliced file carries."""
    return Response(sliced.file_picture(db(), path.file_id), mimetype="image/jpeg")


@api.get("/jobs/<uuid:job_id>/settings", responses={200: settings.SettingsView})
@reads(NOT_BLIND)
def view_settings(path: JobPath) -> settings.SettingsView:
    """In what the job's file differs from those of the other machines for the same artifact."""
    return settings.view_settings(db(), path.job_id)


@api.get("/jobs/<uuid:job_id>/why", responses={200: why.WhyView})
@reads(NOT_BLIND)
def view_why(path: JobPath, query: OtherJobQuery) -> why.WhyView:
    """Why this print takes longer or shorter than another; for large files the result of the work asked for, if any."""
    return why.why(db(), path.job_id, query.other)


@api.get("/jobs/<uuid:job_id>/what-if", responses={200: what_if.Replanned})
@reads(NOT_BLIND)
def view_what_if(path: JobPath, query: what_if.WhatIfQuery) -> what_if.Replanned:
    """What this print would take with other limits of its machine."""
    return what_if.what_if(db(), path.job_id, query)


@api.post("/jobs/<uuid:job_id>/why", responses={200: WorkOut})
@writes(REVIEW)
def ask_why(path: JobPath, body: why.AskWhy) -> WorkOut:
    """Has two large files compared in the background."""
    return why.ask_why(db(), body.id, path.job_id, body.other_id, current_user.id)


@api.post("/jobs/<uuid:job_id>/runs", responses={200: job.JobView})
@writes(REVIEW)
def start_run(path: JobPath, body: run.StartRun) -> job.JobView:
    return shown(job.view_job, run.start_run(db(), path.job_id, body, current_user.id))


@api.post("/jobs/<uuid:job_id>/paper-run", responses={200: job.JobView})
@writes(REVIEW)
def enter_run(path: JobPath, body: paper.PaperRun) -> job.JobView:
    """A whole run typed afterwards."""
    return shown(job.view_job, paper.enter_run(db(), path.job_id, body, current_user.id))


@api.post("/jobs/<uuid:job_id>/more", responses={200: job.JobView})
@writes(REVIEW)
def add_print(path: JobPath, body: added.NewPrint) -> job.JobView:
    """One more print like this one, outside the plan."""
    return shown(job.view_job, added.add_print(db(), path.job_id, body, current_user.id))


@api.post("/jobs/<uuid:job_id>/ability", responses={200: job.JobView})
@writes(REVIEW)
def say_ability(path: JobPath, body: ability.NewAbility) -> job.JobView:
    """That a machine cannot print something, or can after all."""
    return shown(job.view_job, ability.say(db(), path.job_id, body, current_user.id))


@api.put("/runs/<uuid:run_id>/file", responses={200: job.JobView})
@writes(REVIEW)
def attach_file(path: RunPath, body: run.FileOfRun) -> job.JobView:
    """What a run without a file was printed from, once it is found."""
    return shown(job.view_job, run.attach_file(db(), path.run_id, body))


@api.post("/runs/<uuid:run_id>/end", responses={200: job.JobView})
@writes(REVIEW)
def end_run(path: RunPath, body: run.EndRun) -> job.JobView:
    return shown(job.view_job, run.end_run(db(), path.run_id, body))


@api.put("/runs/<uuid:run_id>/energy", responses={200: job.JobView})
@writes(REVIEW)
def type_energy(path: RunPath, body: metered.EnergyTyped) -> job.JobView:
    return shown(job.view_job, metered.type_energy(db(), path.run_id, body))


@api.put("/runs/<uuid:run_id>/weight", responses={200: job.JobView})
@writes(REVIEW)
def type_weight(path: RunPath, body: metered.WeightTyped) -> job.JobView:
    return shown(job.view_job, metered.type_weight(db(), path.run_id, body))


@api.put("/runs/<uuid:run_id>/trace", responses={200: job.JobView}, openapi_extensions=ONE_UPLOAD)
@writes(REVIEW, heavy=True)
def take_trace(path: RunPath, query: TraceQuery) -> job.JobView:
    """The energy of a power log, its columns by their usual names or as named."""
    columns = power_log.TraceColumns.model_validate(query.model_dump(exclude={"version", "instrument_id"}))
    return shown(
        job.view_job,
        metered.take_trace(db(), path.run_id, query.version, request.get_data(), columns, query.instrument_id),
    )


@api.put("/power-logs/heading", responses={200: power_log.TraceHeading}, openapi_extensions=ONE_UPLOAD)
@writes(REVIEW, heavy=True)
def read_heading() -> power_log.TraceHeading:
    """The columns of a log, to say which hold what; nothing is kept."""
    return power_log.read_heading(request.get_data())


@api.post("/runs/<uuid:run_id>/noise", responses={200: job.JobView})
@writes(REVIEW)
def record_noise(path: RunPath, body: noise.NewNoise) -> job.JobView:
    return shown(job.view_job, metered.record_noise(db(), path.run_id, body, current_user.id))
