"""Freezing a protocol: what it still needs, and the jobs that come of it."""

import uuid
from collections.abc import Mapping, Sequence
from datetime import UTC, datetime
from typing import NamedTuple

from sqlalchemy.orm import Session

from crevlo.core.protocol import Tuning, shuffled_jobs
from crevlo.stations.kit.clock import stated_time
from crevlo.stations.kit.shape import Moment, Refused, Shape
from crevlo.stations.library.artifact import Standing, stored
from crevlo.stations.library.shelf import bed_of, fit_on, holds
from crevlo.stations.library.unit import unit_numbers
from crevlo.stations.protocol import MOST_JOBS
from crevlo.stations.study import current_protocol, get_study
from crevlo.store.machine import Model, Unit
from crevlo.store.study import Job, PrintLine, ProtocolVersion, Study


class PlannedLine(NamedTuple):
    """A line as far as it is filled in; `parts` on a plate, None for as many as a bed holds."""

    artifact: Standing
    spool_id: uuid.UUID | None
    second_spool_id: uuid.UUID | None
    copies: int
    parts: int | None


class Freeze(Shape):
    """When the protocol was frozen, where that was before it is entered here; both times are kept."""

    frozen_at: Moment | None = None


def freeze_needs(models: Sequence[Model], lines: Sequence[PlannedLine]) -> str:
    """What is missing before these machines and lines can be frozen; "" if nothing."""
    if len(models) < 2:
        return "A comparison needs at least two machines."
    if not lines:
        return "Choose what to print before freezing."
    jobs = 0
    for a, spool_id, second_spool_id, copies, parts in lines:
        name = a.artifact.name
        if spool_id is None:
            return f"Choose the spool of the {name} before freezing."
        if a.artifact.tools > 1 and second_spool_id is None:
            return f"Choose the second spool of the {name} before freezing."
        on = sum(not why_not(a, model) for model in models)
        if not on:
            return f"No machine of this study can print the {name}."
        jobs += on * copies
        if (parts or 1) > 1:
            for model in models:
                if not why_not(a, model) and (room := holds(a, model, parts or 1)) < (parts or 1):
                    return f"{model.name} holds {room} of the {name} on a plate, not {parts}. Plan as many as each bed holds, or fewer."
    if jobs > MOST_JOBS:
        return f"{jobs} prints are more than one study takes; {MOST_JOBS} are the most."
    return ""


def why_not(a: Standing, model: Model) -> str:
    """Why a machine of this model cannot print the artifact: tools, or room on its bed; "" where it can."""
    if a.artifact.tools > model.tools:
        return f"needs {a.artifact.tools} tools, it has {model.tools}"
    found = fit_on(a, bed_of(model))
    return "" if found.fits else found.words


def parts_on(a: Standing, model: Model, parts: int | None) -> int:
    """Parts on a plate of this model: as typed, or as many as its bed holds, at least one where it fits at all."""
    return parts if parts is not None else max(1, holds(a, model))


def left_out(session: Session, study: Study, lines: Sequence[PrintLine]) -> dict[tuple[uuid.UUID, uuid.UUID], str]:
    """Why a unit cannot print a line, by (unit, line)."""
    reasons = {}
    for line in lines:
        a = stored(session, line.artifact)
        for entry in study.units:
            if why := why_not(a, entry.unit.model):
                reasons[entry.unit_id, line.id] = why
    return reasons


def freeze(session: Session, study_id: uuid.UUID, given: Freeze, person_id: uuid.UUID) -> None:
    """Freezes the protocol and makes the jobs of what each machine can print, shuffled within blocks."""
    study, protocol = open_draft(session, study_id)
    lines = [line for arm in protocol.arms for line in arm.lines]
    needs = freeze_needs(
        [u.unit.model for u in study.units],
        [PlannedLine(stored(session, x.artifact), x.spool_id, x.second_spool_id, x.copies, x.parts) for x in lines],
    )
    if needs:
        raise Refused(needs)
    reasons = left_out(session, study, lines)
    tuned = {arm.id for arm in protocol.arms if arm.tuning is Tuning.TUNED}
    jobs = [
        job
        # Stock results are in before anything is tuned.
        for late in (False, True)
        for job in shuffled_jobs(
            [(line, line.copies) for line in lines if (line.arm_id in tuned) is late], study.units,
            lambda u, line: (u.unit_id, line.id) not in reasons, study.seed,
        )
    ]  # fmt: skip
    numbers = unit_numbers(session, [u.unit for u in study.units])
    for position, (entry, line, copy) in enumerate(jobs):
        session.add(
            Job(
                study_id=study.id, arm_id=line.arm_id, unit_id=entry.unit_id, artifact_id=line.artifact_id,
                spool_id=line.spool_id, second_spool_id=line.second_spool_id, more_spools=line.more_spools,
                own_spool_id=_own(line, entry.unit, numbers), copy=copy, position=position,
                parts=parts_on(stored(session, line.artifact), entry.unit.model, line.parts),
            )
        )  # fmt: skip
    protocol.frozen_at = stated_time(given.frozen_at)
    protocol.freeze_recorded_at = datetime.now(UTC)
    protocol.frozen_by = person_id
    session.flush()


def _own(line: PrintLine, unit: Unit, numbers: Mapping[uuid.UUID, int]) -> uuid.UUID | None:
    """The spool that a machine takes in place of the line's."""
    mine = (str(unit.model_id), numbers[unit.id])
    return next((uuid.UUID(o["spool_id"]) for o in line.own_spools if (o["model_id"], o["unit"]) == mine), None)


def open_draft(session: Session, study_id: uuid.UUID) -> tuple[Study, ProtocolVersion]:
    study, protocol = get_study(session, study_id), current_protocol(session, study_id)
    if protocol is None or protocol.frozen_at is not None:
        raise Refused("The protocol is frozen. A later change is recorded as a deviation with its reason.")
    return study, protocol
