"""Sliced files on a job: read and planned, set against the protocol and against each other."""

import math
import uuid
from base64 import b64encode
from collections.abc import Callable, Iterable, Iterator
from dataclasses import dataclass
from datetime import datetime
from typing import TYPE_CHECKING, Any

from pydantic import Field
from sqlalchemy import select
from sqlalchemy.orm import Session, sessionmaker

from crevlo.core.estimate import BadInput, NotDetermined
from crevlo.core.gcode.package import Plate, WhichPlate, unpacked
from crevlo.core.gcode.wanted import Deviation, deviations
from crevlo.core.motion.limits import NO_LIMITS, Limits, Machine
from crevlo.stations.background import Progress, WorkOut, ask, latest_of, work_out
from crevlo.stations.kit.kept import Kept
from crevlo.stations.kit.picture import made_anew
from crevlo.stations.kit.shape import Choose, Missing, Refused, Shape
from crevlo.stations.kit.upload import keep_upload, upload_content
from crevlo.stations.library.artifact import stored
from crevlo.stations.library.model import ModelSheet
from crevlo.stations.protocol import wanted
from crevlo.stations.study import job_with_unit
from crevlo.store.machine import ArtifactVersion, Model, Spool
from crevlo.store.run import SlicedFile
from crevlo.store.schedule import BackgroundWork
from crevlo.store.study import Arm, Job, ProtocolDeviation

if TYPE_CHECKING:
    from crevlo.core.gcode.facts import Sliced
    from crevlo.core.motion.causes import Causes
    from crevlo.core.motion.stream import Motion

# Larger files are read in the background.
SMALL_BYTES = 10_000_000
WORK = "sliced file"
_TELL_BYTES = 4_000_000
_MOST_SHOWN_BYTES = 100_000
ON_THE_PLATE = "Parts on the plate"


class ToolOut(Shape):
    tool: int
    length_mm: float
    length_from: str
    mass_g: float | None
    mass_from: str


class DeviationFound(Shape):
    setting: str
    wanted: str
    found: str
    unit: str


class UseOut(Shape):
    tool: int
    portion: str
    length_mm: float
    mass_g: float | None


class CausesOut(Shape):
    """Seconds at the speeds asked for, and what each limit adds to that; they sum to the whole."""

    asked: float
    flow: float
    axes: float
    acceleration: float
    corners: float
    waits: float


class MotionOut(Shape):
    """How the file's moves go on this machine; all times in s."""

    planned_s: float
    on: str = Field(description="whose limits it was planned on")
    moves: int
    at_asked_s: float
    by_flow_s: float
    by_axes_s: float
    speeding_s: float = Field(description="spent speeding up and slowing down")
    waits_s: float
    causes: CausesOut
    speed_step: float
    by_speed_s: list[float] = Field(description="seconds by mean speed of a move, in steps of speed_step mm/s")
    flow_step: float
    by_flow_step_s: list[float] = Field(description="seconds by flow, in steps of flow_step mm³/s")
    by_feature_s: dict[str, float]
    by_layer_s: list[float] = Field(description="before the first layer, then layer by layer")
    changes_s: list[float] = Field(description="from the last plastic with one tool to the first with the next")


class FileOut(Shape):
    id: uuid.UUID
    name: str
    size_bytes: int
    lines: int
    generator: str
    time_s: float | None
    time_from: str
    time_needs: str | None
    layers: int | None
    layers_need: str | None
    tool_changes: int
    tools: list[ToolOut]
    uses: list[UseOut] = Field(default=[])
    mass_g: float | None
    nozzle_c: float | None = None
    bed_c: float | None = None
    parts: int | None = Field(
        default=None, description="on the plate, by the objects that the file names; none where it names none"
    )
    picture: bool = Field(default=False, description="whether the file carries a picture of the part")
    motion: MotionOut | None = None
    quick: bool = Field(default=False, description="whether it is planned anew while somebody waits")
    deviations: list[DeviationFound]
    accepted: str | None = Field(default=None, description="the reason to print it all the same, once it was given")
    silent: list[str]
    partial: bool
    skipped: dict[str, int]
    warnings: list[str]
    received_at: datetime


@dataclass(frozen=True, slots=True)
class _Read:
    """What is kept of a file that was read: its facts, its settings, and how its moves go."""

    facts: dict[str, Any]
    settings: dict[str, Any]
    motion: dict[str, Any] | None
    picture: bytes | None


_READ = Kept[_Read](most=24)


def take_file(
    session: Session, job: Job, file_id: uuid.UUID, name: str, content: bytes, person_id: uuid.UUID,
    plate: int | None = None,
) -> None:  # fmt: skip
    """Reads a sliced file and keeps it with its facts; a large one is read in the background. Of a packed one the code is
    kept, of a project that of its `plate`.

    Raises BadInput for what is no G-code, Choose for a project of several plates while none is named.
    """
    if latest_of(session, WORK, job.id):
        raise Refused("A file for this print is being read. Wait for it, or cancel it.")
    try:
        content, picture = unpacked(content, plate)
    except WhichPlate as which:
        raise Choose(str(which), [_plate_shown(p) for p in which.plates]) from None
    name = _file_name(name) + (f", plate {plate}" if plate is not None else "")
    shown = _keep_picture(session, picture)
    if len(content) <= SMALL_BYTES:
        kept = keep_upload(session, content)
        # Copies are printed from one file, dropped on each of them.
        key = f"{kept} {machine_of(job.unit.model)!r}"
        read = _READ.get(key, lambda: _analyse(job, lambda: [content]))
        _keep_file(session, job, file_id, name, kept, read, person_id, shown)
        return
    given = {"job_id": str(job.id), "file_id": str(file_id), "name": name, "sha256": keep_upload(session, content),
             "person_id": str(person_id), "picture": shown}  # fmt: skip
    ask(session, uuid.uuid4(), job.study_id, WORK, given, person_id, subject_id=job.id)


def read_large(sessions: sessionmaker[Session], work: BackgroundWork, progress: Progress) -> str:
    """The background work of a large file."""
    given = work.given
    job_id, file_id = uuid.UUID(given["job_id"]), uuid.UUID(given["file_id"])
    with sessions() as session:
        if session.get(SlicedFile, file_id):
            return "It was read already."
        job = job_with_unit(session, job_id)
        content = upload_content(session, given["sha256"])
        passes = iter(("reading the file", "telling its causes apart"))

        def counted() -> Iterator[bytes]:
            stage, done, told = next(passes, ""), 0, 0
            share = 0.0 if stage.startswith("reading") else 0.6
            for chunk in content.chunks():
                done += len(chunk)
                if done - told > _TELL_BYTES:
                    told = done
                    progress.raise_if_cancelled()
                    progress.tell(stage, share + (0.6 if share == 0 else 0.4) * done / content.size)
                yield chunk

        read = _analyse(job, counted)
    with sessions.begin() as session:
        job = job_with_unit(session, job_id)
        _keep_file(
            session,
            job,
            file_id,
            given["name"],
            given["sha256"],
            read,
            uuid.UUID(given["person_id"]),
            given.get("picture"),
        )
    return "The file is read."


def file_out(file: SlicedFile, accepted: str | None) -> FileOut:
    # Files read by an earlier version may have facts by other names.
    facts = {name: value for name, value in file.facts.items() if name in FileOut.model_fields}
    return FileOut(
        id=file.id, name=file.name, deviations=file.deviations, received_at=file.received_at, accepted=accepted,
        motion=MotionOut.model_validate(file.motion) if file.motion else None,
        quick=bool(file.motion) and file.facts["size_bytes"] <= SMALL_BYTES,
        **facts | {"picture": bool(file.facts.get("picture"))},
    )  # fmt: skip


def accepted_reason(session: Session, job_id: uuid.UUID) -> str | None:
    """Why the file of this job is printed although it departs from the protocol."""
    return session.scalar(
        select(ProtocolDeviation.reason).where(ProtocolDeviation.job_id == job_id)
        .order_by(ProtocolDeviation.recorded_at.desc()).limit(1)
    )  # fmt: skip


def reading_now(session: Session, job_id: uuid.UUID) -> WorkOut | None:
    """The work that reads a large file of the job, or the last that failed, while no file came after it."""
    row = latest_of(session, WORK, job_id, only_open=False)
    return work_out(row) if row is not None else None


def newest_file(session: Session, job_id: uuid.UUID) -> SlicedFile | None:
    return session.scalar(
        select(SlicedFile)
        .where(SlicedFile.job_id == job_id, SlicedFile.withdrawn_at.is_(None))
        .order_by(SlicedFile.received_at.desc())
        .limit(1)
    )


def machine_of(model: Model) -> Machine:
    """What the model's sheet says that it keeps to whatever a file asks for."""
    sheet = ModelSheet.model_validate(model.sheet)
    free = NO_LIMITS
    speed, acceleration, corner = sheet.top_speed_mm_s, sheet.acceleration_mm_s2, sheet.corner_mm_s
    limits = Limits(
        speed=(speed, speed, *free.speed[2:]) if speed else free.speed,
        acceleration=(acceleration, acceleration, *free.acceleration[2:]) if acceleration else free.acceleration,
        corner=(corner, corner, *free.corner[2:]) if corner else free.corner,
        printing=acceleration or free.printing, retracting=free.retracting, travelling=acceleration or free.travelling,
    )  # fmt: skip
    return Machine(limits, sheet.flow_mm3_s)


def _analyse(job: Job, content: Callable[[], Iterable[bytes]]) -> _Read:
    from crevlo.core.gcode.facts import read_sliced
    from crevlo.core.motion.causes import Printing, causes

    machine = machine_of(job.unit.model)
    sliced = read_sliced(content(), machine=machine)
    moves = sliced.motion.moves and not sliced.motion.partial
    told = causes(Printing("", content, machine), sliced.motion) if moves else None
    whose = "the file's own limits" if sliced.motion.sets_limits else "usual limits, as the file sets none"
    if machine != Machine():
        whose += ", within this machine's"
    return _Read(
        _facts_stored(sliced, whose if told else None), dict(sliced.facts.settings),
        _motion_stored(sliced.motion, told, whose) if told else None, sliced.facts.picture,
    )  # fmt: skip


def _keep_file(
    session: Session, job: Job, file_id: uuid.UUID, name: str, sha256: str, read: _Read, person_id: uuid.UUID,
    picture: str | None = None,
) -> None:  # fmt: skip
    """Keeps what was read; `picture` is that of the package the file came in, for one that carries none itself."""
    arm, spool = session.get_one(Arm, job.arm_id), session.get_one(Spool, job.spool_ids[0])
    differ, silent = deviations(read.settings, wanted(arm, spool))
    parts = _parts(session, job, read.facts.get("objects") or 0)
    if parts is not None and parts != job.parts:
        differ.append(Deviation(ON_THE_PLATE, str(job.parts), str(parts)))
    elif parts is None and job.parts > 1:
        silent.append(ON_THE_PLATE)
    session.add(
        SlicedFile(
            id=file_id, job_id=job.id, sha256=sha256, name=name, facts=read.facts | {"silent": silent, "parts": parts, "picture": _keep_picture(session, read.picture) or picture},
            settings=read.settings, motion=read.motion, person_id=person_id,
            deviations=[DeviationFound.model_validate(d).model_dump() for d in differ],
        )
    )  # fmt: skip
    session.flush()


def _parts(session: Session, job: Job, objects: int) -> int | None:
    """Parts by the objects that a file names: a part of several bodies may be named as one or as so many."""
    if not objects:
        return None
    bodies = len(stored(session, session.get_one(ArtifactVersion, job.artifact_id)).artifact.bodies)
    apart = objects // bodies if objects % bodies == 0 else objects
    return apart if apart == job.parts else objects


def _keep_picture(session: Session, picture: bytes | None) -> str | None:
    """Keeps a file's picture of its part, made anew; one that cannot be read is as none."""
    if picture is None:
        return None
    try:
        return keep_upload(session, made_anew(picture)[0])
    except BadInput:
        return None


def _plate_shown(plate: Plate) -> dict[str, str]:
    """A plate to choose, with its picture made anew."""
    shown = {"value": str(plate.number), "label": f"Plate {plate.number}"}
    try:
        picture = made_anew(plate.picture)[0] if plate.picture else b""
    except BadInput:
        return shown
    # The answer names every plate; it is no place for large pictures.
    return shown | {"picture": b64encode(picture).decode()} if 0 < len(picture) <= _MOST_SHOWN_BYTES else shown


def file_picture(session: Session, file_id: uuid.UUID) -> bytes:
    """The picture that a sliced file carries, a JPEG."""
    file = session.get(SlicedFile, file_id)
    kept = file.facts.get("picture") if file else None
    if not kept:
        raise Missing("This file carries no picture.")
    return b"".join(upload_content(session, kept).chunks())


def _facts_stored(sliced: "Sliced", planned_on: str | None) -> dict[str, Any]:
    """The facts as they are kept; a time that the file does not state is the planned one, where there is one."""

    def known(x: Any) -> Any:
        return None if isinstance(x, NotDetermined) else x

    facts, motion = sliced.facts, sliced.motion
    time_s, time_from = known(facts.time_s), facts.time_from
    if time_s is None and planned_on is not None:
        time_s, time_from = motion.seconds, f"planned from its moves on {planned_on}"
    return {
        "size_bytes": facts.size_bytes, "lines": facts.lines, "generator": facts.generator, "time_s": time_s,
        "time_from": time_from,
        "time_needs": facts.time_s.needs if time_s is None and isinstance(facts.time_s, NotDetermined) else None,
        "layers": known(facts.layers),
        "layers_need": facts.layers.needs if isinstance(facts.layers, NotDetermined) else None,
        "tool_changes": facts.tool_changes, "mass_g": known(facts.mass_g) if facts.tools else None,
        "tools": [
            {"tool": t.tool, "length_mm": t.length_mm, "length_from": t.length_from, "mass_g": known(t.mass_g), "mass_from": t.mass_from}
            for t in facts.tools
        ],
        "uses": [
            {"tool": u.tool, "portion": u.portion.value, "length_mm": round(u.length_mm, 2), "mass_g": u.mass_g}
            for u in facts.uses
        ],
        "nozzle_c": facts.nozzle_c, "bed_c": facts.bed_c, "objects": len(facts.objects),
        "change_s": math.fsum(motion.changes_s) / len(motion.changes_s) if len(motion.changes_s) else None,
        "partial": facts.partial, "skipped": dict(facts.skipped), "warnings": list(facts.warnings),
    }  # fmt: skip


def _motion_stored(motion: "Motion", told: "Causes", whose: str) -> dict[str, Any]:
    from crevlo.core.motion.stream import FLOW_STEP, SPEED_STEP

    def rounded(values: Iterable[float], trim: bool = False) -> list[float]:
        made = [round(float(v), 2) for v in values]
        while trim and made and made[-1] == 0:
            made.pop()
        return made

    steady = motion.at_asked_s + motion.by_flow_s + motion.by_axes_s
    return {
        "planned_s": motion.seconds, "on": whose, "moves": motion.moves, "at_asked_s": motion.at_asked_s,
        "by_flow_s": motion.by_flow_s, "by_axes_s": motion.by_axes_s, "speeding_s": max(0.0, motion.moving_s - steady),
        "waits_s": motion.waits_s,
        "causes": {name: getattr(told, name) for name in CausesOut.model_fields},
        "speed_step": SPEED_STEP, "by_speed_s": rounded(motion.by_speed, trim=True),
        "flow_step": FLOW_STEP, "by_flow_step_s": rounded(motion.by_flow, trim=True),
        "by_feature_s": {name: round(s, 2) for name, s in motion.by_feature.items()},
        "by_layer_s": rounded(motion.by_layer), "changes_s": rounded(motion.changes_s),
    }  # fmt: skip


def _file_name(name: str) -> str:
    plain = "".join(c for c in name.replace("\\", "/").rsplit("/", 1)[-1] if c.isprintable()).strip()
    return plain[:160] or "sliced file"
