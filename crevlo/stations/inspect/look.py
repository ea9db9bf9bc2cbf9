"""The three looks at a part: what of the list is wrong, and what becomes of it."""

import uuid
from datetime import datetime
from typing import Annotated

from pydantic import Field
from sqlalchemy import select
from sqlalchemy.orm import Session, aliased

from crevlo.core.estimate import BadInput
from crevlo.core.features.feature import Kind
from crevlo.core.looks import Item, Limits, Result, Stage, check_look, items_of
from crevlo.core.success import Cause
from crevlo.stations.blind import late_reason
from crevlo.stations.entered import current_rejections
from crevlo.stations.kit.clock import stated_time
from crevlo.stations.kit.shape import Missing, Moment, Refused, Shape
from crevlo.stations.library.artifact import stored
from crevlo.stations.protocol import Policies
from crevlo.stations.study import artifact_of, current_protocol
from crevlo.store.inspection import Look
from crevlo.store.machine import ArtifactVersion
from crevlo.store.reading import Rejection
from crevlo.store.run import Run, Specimen


class ItemOut(Shape):
    code: str
    asks: str
    rejects: bool


class LookOut(Shape):
    """One look as this person made it, or its list where they have not yet."""

    stage: Stage
    items: list[ItemOut]
    id: uuid.UUID | None
    result: Result | None
    wrong: list[str]
    words: str
    looked_at: datetime | None
    by_others: int = Field(description="how many others have made this look")


class Looks(Shape):
    specimen_id: uuid.UUID
    rejected: str = Field(description="why it cannot be used; empty where it can")
    looks: list[LookOut]


class NewLook(Shape):
    """What one look found; with `supersedes_id` and a reason the correction of one."""

    id: uuid.UUID
    stage: Stage
    result: Result
    wrong: list[Annotated[str, Field(max_length=60)]] = Field(default=[], max_length=20)
    words: str = Field(default="", max_length=300)
    cause: Cause = Field(default=Cause.UNKNOWN, description="of a rejected part, where it is known")
    supersedes_id: uuid.UUID | None = None
    reason: str | None = Field(default=None, min_length=1, max_length=300)
    after_reveal: str | None = Field(default=None, max_length=300)
    looked_at: Moment | None = None


def view_looks(session: Session, specimen_id: uuid.UUID, person_id: uuid.UUID) -> Looks:
    """The careful look and the one before packing, with this person's; what others found stays theirs."""
    specimen = _specimen(session, specimen_id)
    found = current_looks(session, [specimen_id]).get(specimen_id, [])
    rejection = current_rejections(session, [specimen_id]).get(specimen_id)
    return Looks(
        specimen_id=specimen_id, rejected=rejection.words if rejection else "",
        looks=[_look_out(session, specimen, stage, found, person_id) for stage in (Stage.CLEAN, Stage.PACK)],
    )  # fmt: skip


def plate_look(session: Session, run_id: uuid.UUID) -> LookOut | None:
    """The last look at the plate of what came of a run, by anybody; None where nothing came of it."""
    specimen = session.scalar(select(Specimen).where(Specimen.run_id == run_id))
    if specimen is None:
        return None
    found = current_looks(session, [specimen.id]).get(specimen.id, [])
    mine = [x for x in found if x.stage is Stage.PLATE]
    return _look_out(session, specimen, Stage.PLATE, found, mine[-1].person_id if mine else None)


def record_plate_look(
    session: Session, run_id: uuid.UUID, given: NewLook, person_id: uuid.UUID, *, reviews: bool
) -> uuid.UUID:
    """As `record_look`, of what lies on the plate after a run; gives the run's job."""
    run = session.get(Run, run_id)
    specimen = session.scalar(select(Specimen).where(Specimen.run_id == run_id))
    if run is None or specimen is None:
        raise Missing("There is no print of this run to look at.")
    if given.stage is not Stage.PLATE:
        raise Refused("At the plate it is the first look.")
    record_look(session, specimen.id, given, person_id, reviews=reviews)
    return run.job_id


def record_look(
    session: Session, specimen_id: uuid.UUID, given: NewLook, person_id: uuid.UUID, *, reviews: bool = False
) -> Looks:
    """Keeps a look. A rejected part is a failed print with its cause, and opens a reprint as the policy says."""
    specimen = _specimen(session, specimen_id)
    late = late_reason(session, specimen.study_id, given.after_reveal, reviews=reviews)
    items = _items(session, specimen, given.stage)
    try:
        check_look(items, given.wrong, given.result, given.words)
    except BadInput as bad:
        raise Refused(f"{str(bad)[:1].upper()}{str(bad)[1:]}.") from None
    mine = [
        x
        for x in current_looks(session, [specimen_id]).get(specimen_id, [])
        if (x.stage, x.person_id) == (given.stage, person_id)
    ]
    known = mine[0] if mine else None
    if (known.id if known else None) != given.supersedes_id:
        raise Refused(
            "This look was made already; a change is a correction with its reason."
            if known
            else "There is no such look of yours."
        )
    if (given.supersedes_id is None) != (given.reason is None):
        raise Refused("A correction names what it replaces and the reason.")
    asks = {i.code: i.asks for i in items}
    words = given.words.strip() or "; ".join(asks[code] for code in given.wrong)
    session.add(
        Look(
            id=given.id, specimen_id=specimen_id, stage=given.stage, result=given.result, items=dict.fromkeys(given.wrong, True),
            words=words, person_id=person_id, looked_at=stated_time(given.looked_at), supersedes_id=given.supersedes_id,
            reason=given.reason, after_reveal=late,
        )
    )  # fmt: skip
    if given.result is Result.REJECT and specimen_id not in current_rejections(session, [specimen_id]):
        session.add(Rejection(specimen_id=specimen_id, cause=given.cause, words=words, person_id=person_id))
    session.flush()
    return view_looks(session, specimen_id, person_id)


def current_looks(session: Session, specimen_ids: list[uuid.UUID]) -> dict[uuid.UUID, list[Look]]:
    """Looks that no later one corrects, by specimen."""
    newer = aliased(Look)
    found: dict[uuid.UUID, list[Look]] = {}
    for row in session.scalars(
        select(Look).outerjoin(newer, newer.supersedes_id == Look.id)
        .where(Look.specimen_id.in_(specimen_ids), newer.id.is_(None)).order_by(Look.looked_at)
    ):  # fmt: skip
        found.setdefault(row.specimen_id, []).append(row)
    return found


def _look_out(
    session: Session, specimen: Specimen, stage: Stage, found: list[Look], person_id: uuid.UUID | None
) -> LookOut:
    mine = next((x for x in found if x.stage is stage and x.person_id == person_id), None)
    return LookOut(
        stage=stage, items=[ItemOut(code=i.code, asks=i.asks, rejects=i.rejects) for i in _items(session, specimen, stage)],
        id=mine.id if mine else None, result=mine.result if mine else None, wrong=sorted(mine.items) if mine else [],
        words=mine.words if mine else "", looked_at=mine.looked_at if mine else None,
        by_others=sum(x.stage is stage and x.person_id != person_id for x in found),
    )  # fmt: skip


def _items(session: Session, specimen: Specimen, stage: Stage) -> tuple[Item, ...]:
    protocol, artifact = current_protocol(session, specimen.study_id), artifact_of(session, specimen)
    policies = Policies(**protocol.policies) if protocol else Policies()
    return items_of(
        stage, Limits(policies.lift_mm, policies.stain_mm), supports=_has_supports(artifact),
        pieces=len(stored(session, artifact).artifact.bodies) if stage is Stage.PACK else 1,
    )  # fmt: skip


def _has_supports(artifact: ArtifactVersion) -> bool:
    """Whether it is printed with supports: then scars are judged on it, or it is timed until it is clean."""
    return any(f.kind in (Kind.SCAR, Kind.SECONDS) for f in artifact.features)


def _specimen(session: Session, specimen_id: uuid.UUID) -> Specimen:
    specimen = session.get(Specimen, specimen_id)
    if specimen is None:
        raise Missing("There is no such specimen.")
    return specimen
