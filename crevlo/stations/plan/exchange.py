"""A protocol as a file: names instead of ids, so that another installation or a later study can take it up."""

import json
import uuid
from collections.abc import Sequence
from typing import Annotated, Literal

from pydantic import Field, model_validator
from sqlalchemy import Text, cast, select
from sqlalchemy.orm import Session

from crevlo.core.artifacts.shelf import DESIGNS
from crevlo.core.estimate import BadInput
from crevlo.core.protocol import Slicing, Tuning
from crevlo.stations.kit.shape import MOST_MACHINES, MOST_PARTS, Missing, Name, Shape
from crevlo.stations.library.artifact import reference
from crevlo.stations.library.unit import unit_numbers
from crevlo.stations.protocol import (
    MOST_ARMS,
    MOST_LINES,
    MOST_SPOOLS,
    ArmIn,
    Candidate,
    Conditions,
    LineIn,
    Policies,
    own_is_open,
)
from crevlo.stations.study import current_protocol, get_study
from crevlo.store.machine import ArtifactVersion, Model, Spool
from crevlo.store.study import PrintLine


class FileLine(Shape):
    """An artifact by code, with its sizes where it is a built-in one and its mesh's SHA-256 where it is an own one."""

    artifact: str = Field(max_length=8)
    sizes: dict[Annotated[str, Field(max_length=40)], Annotated[float, Field(ge=-1e4, le=1e4)]] = Field(
        default={}, max_length=20
    )
    mesh_sha256: str | None = Field(default=None, pattern="^[0-9a-f]{64}$")
    spool: str | None = Field(default=None, max_length=20)
    second_spool: str | None = Field(default=None, max_length=20)
    more_spools: list[Annotated[str, Field(max_length=20)]] = Field(default=[], max_length=MOST_SPOOLS - 2)
    copies: int = Field(default=3, ge=1, le=20)
    parts: int | None = Field(default=1, ge=1, le=MOST_PARTS, description="on a plate; null: as many as a bed holds")


class FileArm(Shape):
    _own_is_open = model_validator(mode="before")(own_is_open)
    name: Name = Field(min_length=1, max_length=60)
    slicing: Slicing = Slicing.COMMON
    tuning: Tuning = Tuning.STOCK
    conditions: Conditions = Conditions()
    lines: list[FileLine] = Field(max_length=MOST_LINES)


class FileCandidate(Shape):
    model: str = Field(max_length=80)
    is_control: bool = False
    unit: int = Field(default=1, ge=1, le=50, description="which unit of the model")


class ProtocolFile(Shape):
    """A protocol in the format `crevlo-protocol` 1."""

    format: Literal["crevlo-protocol"] = "crevlo-protocol"
    format_version: Literal[1] = 1
    title: Name = Field(default="", max_length=120)
    question: str = Field(default="", max_length=500)
    repeats: int = Field(default=3, ge=1, le=10)
    policies: Policies = Policies()
    candidates: list[FileCandidate] = Field(default=[], max_length=MOST_MACHINES)
    arms: list[FileArm] = Field(min_length=1, max_length=MOST_ARMS)


class DraftRead(Shape):
    """A draft as read from a file or template; nothing is saved yet. `notes` say what could not be found here."""

    question: str
    candidates: list[Candidate]
    arms: list[ArmIn]
    repeats: int
    policies: Policies
    notes: list[str]


def schema() -> str:
    """JSON schema of a protocol file."""
    return json.dumps(ProtocolFile.model_json_schema(), indent=2)


def export_protocol(session: Session, study_id: uuid.UUID) -> ProtocolFile:
    study, protocol = get_study(session, study_id), current_protocol(session, study_id)
    if protocol is None:
        raise Missing("This study has no protocol.")
    codes = {s.id: s.code for s in session.scalars(select(Spool))}
    numbers = unit_numbers(session, [u.unit for u in study.units])
    return ProtocolFile(
        title=study.title, question=study.question, repeats=protocol.repeats, policies=Policies(**protocol.policies),
        candidates=[
            FileCandidate(model=u.unit.model.name, is_control=u.is_control, unit=numbers[u.unit_id]) for u in study.units
        ],
        arms=[
            FileArm(
                name=arm.name, slicing=arm.slicing, tuning=arm.tuning, conditions=Conditions(**arm.conditions),
                lines=[
                    _line(line.artifact, line.copies, line.parts, [codes[i] for i in fed_by(line)])
                    for line in arm.lines
                ],
            )
            for arm in protocol.arms
        ],
    )  # fmt: skip


def read_protocol(session: Session, given: ProtocolFile) -> DraftRead:
    """Names looked up in this installation. Raises BadInput for an artifact that is not here; machines and spools are left out."""
    spools = {s.code: s.id for s in session.scalars(select(Spool))}
    models = {m.name.lower(): m.id for m in session.scalars(select(Model))}
    notes = [
        f"There is no machine called {c.model} here; it was left out."
        for c in given.candidates
        if c.model.lower() not in models
    ]
    wanted = [
        code
        for arm in given.arms
        for line in arm.lines
        for code in (line.spool, line.second_spool, *line.more_spools)
        if code
    ]
    notes += [
        f"There is no spool {code} here; choose another." for code in dict.fromkeys(wanted) if code not in spools
    ]
    return DraftRead(
        question=given.question,
        candidates=[
            Candidate(model_id=models[c.model.lower()], is_control=c.is_control, unit=c.unit)
            for c in given.candidates
            if c.model.lower() in models
        ],
        arms=[
            ArmIn(
                name=arm.name, slicing=arm.slicing, tuning=arm.tuning, conditions=arm.conditions,
                lines=[
                    LineIn(
                        artifact=_found(session, line), spool_id=spools.get(line.spool or ""),
                        second_spool_id=spools.get(line.second_spool or ""),
                        more_spool_ids=[spools[code] for code in line.more_spools if code in spools], copies=line.copies, parts=line.parts,
                    )
                    for line in arm.lines
                ],
            )
            for arm in given.arms
        ],
        repeats=given.repeats, policies=given.policies, notes=notes,
    )  # fmt: skip


def named_arms(session: Session, arms: Sequence[ArmIn]) -> list[FileArm]:
    """A draft's arms with their artifacts by name and without spools, as a template keeps them."""
    rows = {
        str(r.id): r
        for r in session.scalars(
            select(ArtifactVersion).where(
                cast(ArtifactVersion.id, Text).in_(
                    [n.artifact for a in arms for n in a.lines if n.artifact not in DESIGNS]
                )
            )
        )
    }
    found = []
    for arm in arms:
        lines: list[FileLine] = []
        for line in arm.lines:
            if line.artifact not in DESIGNS and line.artifact not in rows:
                raise Missing("There is no such artifact on the shelf.")
            kept = (
                FileLine(artifact=line.artifact, copies=line.copies, parts=line.parts)
                if line.artifact in DESIGNS
                else _line(rows[line.artifact], line.copies, line.parts, [])
            )
            if kept.model_copy(update={"copies": 1}) not in [n.model_copy(update={"copies": 1}) for n in lines]:
                lines.append(kept)
        found.append(FileArm(**arm.model_dump(exclude={"lines"}), lines=lines))
    return found


def fed_by(line: PrintLine) -> list[uuid.UUID]:
    """The line's spools in the order of its tools; machines' own are of this bench and stay here."""
    return [i for i in (line.spool_id, line.second_spool_id, *map(uuid.UUID, line.more_spools)) if i]


def _line(row: ArtifactVersion, copies: int, parts: int | None, spools: Sequence[str]) -> FileLine:
    return FileLine(
        artifact=row.code, sizes=row.definition.get("sizes", {}), mesh_sha256=row.mesh_sha256, copies=copies, parts=parts,
        spool=spools[0] if spools else None, second_spool=spools[1] if len(spools) > 1 else None, more_spools=list(spools[2:]),
    )  # fmt: skip


def _found(session: Session, line: FileLine) -> str:
    built_in = line.artifact in DESIGNS
    if built_in and not line.sizes:
        return line.artifact
    rows = session.scalars(
        select(ArtifactVersion).where(ArtifactVersion.code == line.artifact).order_by(ArtifactVersion.number.desc())
    )
    for row in rows:
        same = row.definition.get("sizes") == line.sizes if built_in else line.mesh_sha256 in (None, row.mesh_sha256)
        if same:
            return reference(row)
    what = "with these sizes " if built_in else ""
    raise BadInput(f"there is no artifact {line.artifact} {what}here; add it to the shelf first")
