"""Photos of units, checks and runs: turned upright, made smaller, and freed of everything but the picture."""

import uuid
from datetime import datetime

from pydantic import Field
from sqlalchemy import select
from sqlalchemy.orm import Session

from crevlo.stations.kit.picture import made_anew
from crevlo.stations.kit.shape import Missing, Refused, Shape
from crevlo.stations.kit.upload import keep_upload, upload_content
from crevlo.store.device import Photo
from crevlo.store.machine import SafetyCheck, Unit
from crevlo.store.run import Run, Specimen

_MOST_PHOTOS = 60


class Pin(Shape):
    """A place on a photo, from 0 to 1 across and down, and what is there."""

    x: float = Field(ge=0, le=1)
    y: float = Field(ge=0, le=1)
    words: str = Field(min_length=1, max_length=80)


class Pins(Shape):
    pins: list[Pin] = Field(max_length=20)


class PhotoOut(Shape):
    id: uuid.UUID
    width: int
    height: int
    caption: str
    pins: list["Pin"]
    taken_at: datetime


class PhotoList(Shape):
    photos: list[PhotoOut]


class NewPhoto(Shape):
    id: uuid.UUID
    caption: str = Field(default="", max_length=200)


OF_BENCH: tuple[type, ...] = (Unit, SafetyCheck, Run)
OF_PART: tuple[type, ...] = (Specimen,)


def take_photo(
    session: Session,
    subject_id: uuid.UUID,
    given: NewPhoto,
    content: bytes,
    person_id: uuid.UUID,
    *,
    of: tuple[type, ...],
) -> PhotoList:
    """Keeps a photo of one of the kinds `of`: a unit, a safety check, a run, or a part.

    Of the file only the picture is kept: where and when a phone took it, and with what, is not. Raises BadInput for what is no
    picture, Missing where the subject is of another kind.
    """
    if not any(session.get(table, subject_id) for table in of):
        raise Missing("There is nothing here that a photo could belong to.")
    if len(photos_of(session, [subject_id]).get(subject_id, [])) >= _MOST_PHOTOS:
        raise Refused(f"There are {_MOST_PHOTOS} photos of this already.")
    picture, width, height = made_anew(content)
    session.add(
        Photo(
            id=given.id, subject_id=subject_id, sha256=keep_upload(session, picture), width=width, height=height,
            caption=given.caption, person_id=person_id,
        )
    )  # fmt: skip
    session.flush()
    return PhotoList(photos=photos_of(session, [subject_id])[subject_id])


def photos_of_part(session: Session, specimen_id: uuid.UUID) -> PhotoList:
    """Raises Missing for what is no part: photos of printers and prints are not told by this way."""
    if session.get(Specimen, specimen_id) is None:
        raise Missing("There is no such specimen.")
    return PhotoList(photos=photos_of(session, [specimen_id]).get(specimen_id, []))


def photos_of(session: Session, subject_ids: list[uuid.UUID]) -> dict[uuid.UUID, list[PhotoOut]]:
    found: dict[uuid.UUID, list[PhotoOut]] = {}
    for row in session.scalars(select(Photo).where(Photo.subject_id.in_(subject_ids)).order_by(Photo.taken_at)):
        found.setdefault(row.subject_id, []).append(PhotoOut.model_validate(row))
    return found


def set_pins(session: Session, photo_id: uuid.UUID, given: Pins, person_id: uuid.UUID) -> PhotoList:
    """Where the faults are, as who took the photo says; what was there before stays in the audit trail."""
    row = session.get(Photo, photo_id)
    if row is None or session.get(Specimen, row.subject_id) is None:
        raise Missing("There is no such photo of a specimen.")
    if row.person_id != person_id:
        raise Refused("Pins are set by who took the photo.")
    row.pins = [pin.model_dump() for pin in given.pins]
    session.flush()
    return PhotoList(photos=photos_of(session, [row.subject_id])[row.subject_id])


def photo_content(session: Session, photo_id: uuid.UUID, *, blind: bool = False) -> bytes:
    """The picture, a JPEG; of a specimen alone where the person is `blind`."""
    row = session.get(Photo, photo_id)
    if row is None or (blind and session.get(Specimen, row.subject_id) is None):
        raise Missing("There is no such photo.")
    return b"".join(upload_content(session, row.sha256).chunks())
