"""The calls of station 2 Receive: units from their box on."""

from flask_login import current_user

from crevlo.api.guard import NOT_BLIND, REVIEW, db, reads, shown, writes
from crevlo.api.paths import (
    ItemPath,
    StudyPath,
    StudyUnitPath,
)
from crevlo.api.station import station
from crevlo.stations import noise
from crevlo.stations.print_ import fault
from crevlo.stations.receive import box, claims, configuration, log, measures, record, replacement, unit, worth
from crevlo.stations.study import get_study

api = station("receive")


@api.get("/studies/<uuid:study_id>/receive", responses={200: unit.ReceiveView})
@reads(NOT_BLIND)
def view_receive(path: StudyPath) -> unit.ReceiveView:
    return unit.view_receive(db(), path.study_id)


@api.put("/studies/<uuid:study_id>/units/<uuid:unit_id>", responses={200: unit.ReceiveView})
@writes(REVIEW)
def change_unit(path: StudyUnitPath, body: unit.UnitChange) -> unit.ReceiveView:
    unit.change_unit(db(), path.study_id, path.unit_id, body, current_user.id)
    return shown(unit.view_receive, path.study_id)


@api.put("/studies/<uuid:study_id>/units/<uuid:unit_id>/not-recommended", responses={200: unit.ReceiveView})
@writes(REVIEW)
def not_recommend(path: StudyUnitPath, body: unit.NotRecommended) -> unit.ReceiveView:
    """Whatever its rank: this machine is not recommended, with the reason."""
    unit.not_recommend(db(), path.study_id, path.unit_id, body)
    return shown(unit.view_receive, path.study_id)


@api.post("/studies/<uuid:study_id>/units/<uuid:unit_id>/hypotheses", responses={200: record.UnitRecord})
@writes(REVIEW)
def add_hypothesis(path: StudyUnitPath, body: fault.NewHypothesis) -> record.UnitRecord:
    """What may be behind what a machine does, whatever it prints."""
    record.unit_in(db(), path.study_id, path.unit_id)
    fault.add_to_unit(db(), path.unit_id, body, current_user.id)
    return shown(record.view_record, path.study_id, path.unit_id)


@api.put(
    "/studies/<uuid:study_id>/units/<uuid:unit_id>/hypotheses/<uuid:item_id>", responses={200: record.UnitRecord}
)
@writes(REVIEW)
def change_hypothesis(path: ItemPath, body: fault.HypothesisChange) -> record.UnitRecord:
    record.unit_in(db(), path.study_id, path.unit_id)
    fault.change_of_unit(db(), path.unit_id, path.item_id, body)
    return shown(record.view_record, path.study_id, path.unit_id)


@api.post("/studies/<uuid:study_id>/units/<uuid:unit_id>/replacement", responses={200: unit.ReceiveView})
@writes(REVIEW)
def replace_unit(path: StudyUnitPath, body: replacement.Replacement) -> unit.ReceiveView:
    """Another unit of the model takes its place and prints all of its plan."""
    replacement.replace_unit(db(), path.study_id, path.unit_id, body, current_user.id)
    return shown(unit.view_receive, path.study_id)


@api.post("/studies/<uuid:study_id>/units/<uuid:unit_id>/checks", responses={200: unit.ReceiveView})
@writes(REVIEW)
def record_check(path: StudyUnitPath, body: unit.NewCheck) -> unit.ReceiveView:
    unit.record_check(db(), path.study_id, path.unit_id, body, current_user.id)
    return shown(unit.view_receive, path.study_id)


@api.post("/studies/<uuid:study_id>/units/<uuid:unit_id>/check-round", responses={200: unit.ReceiveView})
@writes(REVIEW)
def record_round(path: StudyUnitPath, body: unit.CheckRound) -> unit.ReceiveView:
    unit.record_round(db(), path.study_id, path.unit_id, body, current_user.id)
    return shown(unit.view_receive, path.study_id)


@api.get("/studies/<uuid:study_id>/units/<uuid:unit_id>/record", responses={200: record.UnitRecord})
@reads(NOT_BLIND)
def view_record(path: StudyUnitPath) -> record.UnitRecord:
    """Everything recorded of one unit."""
    return record.view_record(db(), path.study_id, path.unit_id)


@api.post("/studies/<uuid:study_id>/units/<uuid:unit_id>/box", responses={200: record.UnitRecord})
@writes(REVIEW)
def add_box_item(path: StudyUnitPath, body: box.NewBoxItem) -> record.UnitRecord:
    record.unit_in(db(), path.study_id, path.unit_id)
    box.add_box_item(db(), path.unit_id, body)
    return shown(record.view_record, path.study_id, path.unit_id)


@api.put("/studies/<uuid:study_id>/units/<uuid:unit_id>/box/<uuid:item_id>", responses={200: record.UnitRecord})
@writes(REVIEW)
def change_box_item(path: ItemPath, body: box.BoxItemChange) -> record.UnitRecord:
    record.unit_in(db(), path.study_id, path.unit_id)
    box.change_box_item(db(), path.unit_id, path.item_id, body)
    return shown(record.view_record, path.study_id, path.unit_id)


@api.post("/studies/<uuid:study_id>/units/<uuid:unit_id>/assembly", responses={200: record.UnitRecord})
@writes(REVIEW)
def add_step(path: StudyUnitPath, body: box.NewStep) -> record.UnitRecord:
    record.unit_in(db(), path.study_id, path.unit_id)
    box.add_step(db(), path.unit_id, body, current_user.id)
    return shown(record.view_record, path.study_id, path.unit_id)


@api.post("/studies/<uuid:study_id>/units/<uuid:unit_id>/measures", responses={200: record.UnitRecord})
@writes(REVIEW)
def record_measure(path: StudyUnitPath, body: measures.NewMeasure) -> record.UnitRecord:
    record.unit_in(db(), path.study_id, path.unit_id)
    measures.record_measure(db(), path.unit_id, body, current_user.id)
    return shown(record.view_record, path.study_id, path.unit_id)


@api.post("/studies/<uuid:study_id>/units/<uuid:unit_id>/noise", responses={200: record.UnitRecord})
@writes(REVIEW)
def record_standby_noise(path: StudyUnitPath, body: noise.NewNoise) -> record.UnitRecord:
    """Of a unit that stands by or heats, without a print."""
    record.unit_in(db(), path.study_id, path.unit_id)
    noise.add_noise(db(), body, current_user.id, unit_id=path.unit_id)
    return shown(record.view_record, path.study_id, path.unit_id)


@api.post("/studies/<uuid:study_id>/units/<uuid:unit_id>/claims", responses={200: record.UnitRecord})
@writes(REVIEW)
def add_claim(path: StudyUnitPath, body: claims.NewClaim) -> record.UnitRecord:
    claims.add_claim(db(), record.unit_in(db(), path.study_id, path.unit_id), body)
    return shown(record.view_record, path.study_id, path.unit_id)


@api.put("/studies/<uuid:study_id>/units/<uuid:unit_id>/claims/<uuid:item_id>", responses={200: record.UnitRecord})
@writes(REVIEW)
def change_claim(path: ItemPath, body: claims.ClaimChange) -> record.UnitRecord:
    claims.change_claim(db(), record.unit_in(db(), path.study_id, path.unit_id), path.item_id, body)
    return shown(record.view_record, path.study_id, path.unit_id)


@api.post("/studies/<uuid:study_id>/units/<uuid:unit_id>/configurations", responses={200: record.UnitRecord})
@writes(REVIEW)
def open_configuration(path: StudyUnitPath, body: configuration.NewConfiguration) -> record.UnitRecord:
    """Any change of a unit opens a new configuration with its reason."""
    record.unit_in(db(), path.study_id, path.unit_id)
    configuration.open_configuration(db(), path.unit_id, body)
    return shown(record.view_record, path.study_id, path.unit_id)


@api.post("/studies/<uuid:study_id>/units/<uuid:unit_id>/log", responses={200: record.UnitRecord})
@writes(REVIEW)
def add_log(path: StudyUnitPath, body: log.NewLog) -> record.UnitRecord:
    record.unit_in(db(), path.study_id, path.unit_id)
    log.add_log(db(), path.unit_id, body, current_user.id, get_study(db(), path.study_id).currency)
    return shown(record.view_record, path.study_id, path.unit_id)


@api.post("/studies/<uuid:study_id>/units/<uuid:unit_id>/worths", responses={200: record.UnitRecord})
@writes(REVIEW)
def add_worth(path: StudyUnitPath, body: worth.NewWorth) -> record.UnitRecord:
    """A feature on the price list, which all machines share."""
    record.unit_in(db(), path.study_id, path.unit_id)
    worth.add_worth(db(), body, get_study(db(), path.study_id).currency)
    return shown(record.view_record, path.study_id, path.unit_id)


@api.put("/studies/<uuid:study_id>/units/<uuid:unit_id>/worths/<uuid:item_id>", responses={200: record.UnitRecord})
@writes(REVIEW)
def change_worth(path: ItemPath, body: worth.WorthChange) -> record.UnitRecord:
    record.unit_in(db(), path.study_id, path.unit_id)
    worth.change_worth(db(), path.item_id, body, get_study(db(), path.study_id).currency)
    return shown(record.view_record, path.study_id, path.unit_id)


@api.put("/studies/<uuid:study_id>/units/<uuid:unit_id>/worth-base", responses={200: record.UnitRecord})
@writes(REVIEW)
def set_worth_base(path: StudyUnitPath, body: worth.BaseWorth) -> record.UnitRecord:
    """What a machine without any feature of the list is worth."""
    record.unit_in(db(), path.study_id, path.unit_id)
    worth.set_base(db(), body, get_study(db(), path.study_id).currency)
    return shown(record.view_record, path.study_id, path.unit_id)


@api.put("/studies/<uuid:study_id>/units/<uuid:unit_id>/features/<uuid:item_id>", responses={200: record.UnitRecord})
@writes(REVIEW)
def set_feature(path: ItemPath, body: worth.Presence) -> record.UnitRecord:
    worth.set_feature(db(), record.unit_in(db(), path.study_id, path.unit_id), path.item_id, body)
    return shown(record.view_record, path.study_id, path.unit_id)
