"""Why one machine takes longer than another: two sliced files compared by what their time goes on."""

import uuid
from collections.abc import Callable
from typing import TYPE_CHECKING

from pydantic import Field
from sqlalchemy.orm import Session, sessionmaker

from crevlo.stations.background import Progress, WorkOut, ask, latest_of, work_out
from crevlo.stations.kit.kept import Kept
from crevlo.stations.kit.shape import Missing, Shape
from crevlo.stations.kit.upload import upload_content
from crevlo.stations.print_.sliced import machine_of, newest_file
from crevlo.stations.study import job_with_unit
from crevlo.store.schedule import BackgroundWork

if TYPE_CHECKING:
    from crevlo.core.motion.causes import Printing


# What a comparison may read over again while a screen waits for it.
_WAITED_BYTES = 64_000_000


COMPARISON = "why slower"


class WhyPart(Shape):
    cause: str
    words: str
    seconds: float


class AskWhy(Shape):
    id: uuid.UUID
    other_id: uuid.UUID


class WhyView(Shape):
    first_s: float | None
    second_s: float | None
    says: str
    parts: list[WhyPart]
    work: WorkOut | None = Field(description="where the files are too large to wait for: the work that reads them")


def why(session: Session, job_id: uuid.UUID, other_id: uuid.UUID) -> WhyView:
    """Why the newest file of one job takes longer than that of another, each on its machine."""
    from crevlo.core.motion.causes import differences

    first, second = _printing(session, job_id), _printing(session, other_id)
    names = _names(session, job_id, other_id)
    key = repr((first.name, first.machine, second.name, second.machine))
    passes = 2 ** len(differences(first, second))
    size = sum(_size(session, job) for job in (job_id, other_id)) / 2
    if passes * size <= _WAITED_BYTES:
        return _WHYS.get(key, lambda: _why(first, second, names))
    row = latest_of(session, COMPARISON, job_id, only_open=False)
    if row is not None and row.given.get("key") == key:
        done = row.given.get("result")
        return WhyView.model_validate(done) if done else _waiting(work_out(row))
    return _waiting(None)


def ask_why(
    session: Session, work_id: uuid.UUID, job_id: uuid.UUID, other_id: uuid.UUID, person_id: uuid.UUID
) -> WorkOut:
    """Has two large files compared in the background."""
    job = job_with_unit(session, job_id)
    first, second = _printing(session, job_id), _printing(session, other_id)
    key = repr((first.name, first.machine, second.name, second.machine))
    given = {"key": key, "job_id": str(job_id), "other_id": str(other_id)}
    return ask(session, work_id, job.study_id, COMPARISON, given, person_id, subject_id=job.id)


def compare_large(sessions: sessionmaker[Session], work: BackgroundWork, progress: Progress) -> str:
    """The background work of comparing two large files; the result is kept with the work."""
    job_id, other_id = uuid.UUID(work.given["job_id"]), uuid.UUID(work.given["other_id"])

    def tell(share: float) -> None:
        progress.raise_if_cancelled()
        progress.tell("planning the moves with and without each difference", share)

    with sessions() as session:
        first, second = _printing(session, job_id), _printing(session, other_id)
        made = _why(first, second, _names(session, job_id, other_id), tell)
    with sessions.begin() as session:
        row = session.get_one(BackgroundWork, work.id)
        row.given = row.given | {"result": made.model_dump(mode="json")}
    return "Compared."


_WHYS: Kept[WhyView] = Kept(64)


def _waiting(work: WorkOut | None) -> WhyView:
    return WhyView(first_s=None, second_s=None, says="", parts=[], work=work)


def _why(
    first: "Printing", second: "Printing", names: tuple[str, str], tell: Callable[[float], None] = lambda share: None
) -> WhyView:
    from crevlo.core.motion.causes import DIFFERENCES, say_why, why_slower

    first_s, second_s, parts = why_slower(first, second, tell)
    return WhyView(
        first_s=first_s, second_s=second_s, says=say_why(*names, first_s, second_s, parts), work=None,
        parts=[WhyPart(cause=cause, words=DIFFERENCES[cause], seconds=seconds) for cause, seconds in parts],
    )  # fmt: skip


def _names(session: Session, job_id: uuid.UUID, other_id: uuid.UUID) -> tuple[str, str]:
    first, second = (job_with_unit(session, j).unit.name for j in (job_id, other_id))
    return (first, second) if first != second else (f"{first}, this file", f"{second}, the other file")


def _printing(session: Session, job_id: uuid.UUID) -> "Printing":
    from crevlo.core.motion.causes import Printing

    job, file = job_with_unit(session, job_id), newest_file(session, job_id)
    if file is None:
        raise Missing("There is no sliced file on this print yet.")
    content = upload_content(session, file.sha256)
    return Printing(file.sha256, content.chunks, machine_of(job.unit.model))


def _size(session: Session, job_id: uuid.UUID) -> int:
    file = newest_file(session, job_id)
    return int(file.facts["size_bytes"]) if file else 0
