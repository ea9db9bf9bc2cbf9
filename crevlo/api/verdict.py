"""The calls of station 7 Rank beside the ranking: what people say of machines, and every buyer's pick."""

from flask_login import current_user

from crevlo.api.guard import NOT_BLIND, REVIEW, db, reads, shown, writes
from crevlo.api.paths import ProfileQuery, StudyItemPath, StudyPath, VersionQuery
from crevlo.api.station import station
from crevlo.stations.rank import final_words, leave_out, next_best, picks, points_sheet, rubrics, scheme_history
from crevlo.stations.rank.ranking import WhatIf

api = station("verdict")


@api.get("/studies/<uuid:study_id>/picks", responses={200: picks.Picks})
@reads(NOT_BLIND)
def view_picks(path: StudyPath) -> picks.Picks:
    """What every buyer is told."""
    return picks.view_picks(db(), path.study_id)


@api.post("/studies/<uuid:study_id>/weight-map", responses={200: picks.WeightMap})
@reads(NOT_BLIND)
def view_map(path: StudyPath, body: picks.MapAsked) -> picks.WeightMap:
    """Which weights of three groups of criteria give which winner; nothing is saved."""
    return picks.view_map(db(), path.study_id, body)


@api.post("/studies/<uuid:study_id>/next-best", responses={200: next_best.NextView})
@reads(NOT_BLIND)
def view_next(path: StudyPath, body: WhatIf) -> next_best.NextView:
    """The work at the bench that would tell most of first place; nothing is saved."""
    return next_best.view_next(db(), path.study_id, body)


@api.post("/studies/<uuid:study_id>/leave-out", responses={200: leave_out.LeaveOutView})
@reads(NOT_BLIND)
def view_leave_out(path: StudyPath, body: WhatIf) -> leave_out.LeaveOutView:
    """The ranking without one artifact, one material, one person's scores; nothing is saved."""
    return leave_out.view_leave_out(db(), path.study_id, body)


@api.get("/studies/<uuid:study_id>/scheme-history", responses={200: scheme_history.SchemeHistory})
@reads(NOT_BLIND)
def view_history(path: StudyPath) -> scheme_history.SchemeHistory:
    """Versions of the scheme, with what each changed and how totals moved."""
    return scheme_history.view_history(db(), path.study_id)


@api.get("/studies/<uuid:study_id>/scheme.json", responses={200: scheme_history.SchemeFile})
@reads(NOT_BLIND)
def export_scheme(path: StudyPath) -> scheme_history.SchemeFile:
    """The scheme and its buyers, to take to another study."""
    return scheme_history.export_scheme(db(), path.study_id)


@api.post("/studies/<uuid:study_id>/scheme-file", responses={200: scheme_history.TakenOver})
@writes(REVIEW)
def take_scheme(path: StudyPath, body: scheme_history.SchemeFile) -> scheme_history.TakenOver:
    """Takes over the criteria and buyers of such a file."""
    return scheme_history.take_over(db(), path.study_id, body, current_user.id)


@api.get("/studies/<uuid:study_id>/rubrics", responses={200: rubrics.RubricsView})
@reads(NOT_BLIND)
def view_rubrics(path: StudyPath) -> rubrics.RubricsView:
    return rubrics.view_rubrics(db(), path.study_id, current_user.id)


@api.post("/studies/<uuid:study_id>/rubrics", responses={200: rubrics.RubricsView})
@writes(REVIEW)
def give_score(path: StudyPath, body: rubrics.NewRubricScore) -> rubrics.RubricsView:
    """One's own score of a machine by a rubric; a second one corrects the first."""
    rubrics.give_score(db(), path.study_id, body, current_user.id)
    return shown(rubrics.view_rubrics, path.study_id, current_user.id)


@api.get("/studies/<uuid:study_id>/points-sheet", responses={200: points_sheet.SheetView})
@reads(NOT_BLIND)
def view_sheet(path: StudyPath) -> points_sheet.SheetView:
    return points_sheet.view_sheet(db(), path.study_id)


@api.put("/studies/<uuid:study_id>/points-sheet", responses={200: points_sheet.SheetView})
@writes(REVIEW)
def keep_sheet(path: StudyPath, body: points_sheet.SheetIn) -> points_sheet.SheetView:
    """The whole sheet; of two who write at once the second is told."""
    return points_sheet.keep_sheet(db(), path.study_id, body, current_user.id)


@api.get("/studies/<uuid:study_id>/final-words", responses={200: final_words.FinalWords})
@reads(NOT_BLIND)
def view_words(path: StudyPath, query: ProfileQuery) -> final_words.FinalWords:
    """What is said of each machine, and what its findings would say."""
    return final_words.view_words(db(), path.study_id, query.profile_id)


@api.post("/studies/<uuid:study_id>/final-words", responses={200: final_words.FinalWords})
@writes(REVIEW)
def add_word(path: StudyPath, query: ProfileQuery, body: final_words.NewWord) -> final_words.FinalWords:
    final_words.add_word(db(), path.study_id, body, current_user.id)
    return shown(final_words.view_words, path.study_id, query.profile_id)


@api.put("/studies/<uuid:study_id>/final-words/<uuid:item_id>", responses={200: final_words.FinalWords})
@writes(REVIEW)
def change_word(path: StudyItemPath, query: ProfileQuery, body: final_words.ChangedWord) -> final_words.FinalWords:
    final_words.change_word(db(), path.study_id, path.item_id, body)
    return shown(final_words.view_words, path.study_id, query.profile_id)


@api.delete("/studies/<uuid:study_id>/final-words/<uuid:item_id>", responses={200: final_words.FinalWords})
@writes(REVIEW)
def remove_word(path: StudyItemPath, query: VersionQuery) -> final_words.FinalWords:
    final_words.remove_word(db(), path.study_id, path.item_id, query.version)
    return shown(final_words.view_words, path.study_id, None)
