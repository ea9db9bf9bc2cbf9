"""Photos of units, checks and runs: turned upright, made smaller, and freed of everything but the picture."""

import io
import uuid
from datetime import datetime

from PIL import Image, ImageOps, UnidentifiedImageError
from pydantic import Field
from sqlalchemy import select
from sqlalchemy.orm import Session

from crevlo.core.estimate import BadInput
from crevlo.stations.shape import Missing, Refused, Shape
from crevlo.stations.upload import keep_upload, upload_content
from crevlo.store.device import Photo
from crevlo.store.machine import SafetyCheck, Unit
from crevlo.store.run import Run

_LONGEST_PX, _MOST_PIXELS, _QUALITY = 2000, 80_000_000, 85
_MOST_BYTES = 30_000_000
# What shows through where a picture is see-through.
_PAPER = (244, 239, 223)
_MOST_PHOTOS = 60


class PhotoOut(Shape):
    id: uuid.UUID
    width: int
    height: int
    caption: str
    taken_at: datetime


class PhotoList(Shape):
    photos: list[PhotoOut]


class NewPhoto(Shape):
    id: uuid.UUID
    caption: str = Field(default="", max_length=200)


def take_photo(
    session: Session, subject_id: uuid.UUID, given: NewPhoto, content: bytes, person_id: uuid.UUID
) -> PhotoList:
    """Keeps a photo of a unit, a safety check or a run. Of the file only the picture is kept: where and when a phone took
    it, and with what, is not. Raises BadInput for what is no picture."""
    if not any(session.get(table, subject_id) for table in (Unit, SafetyCheck, Run)):
        raise Missing("There is nothing here that a photo could belong to.")
    if len(photos_of(session, [subject_id]).get(subject_id, [])) >= _MOST_PHOTOS:
        raise Refused(f"There are {_MOST_PHOTOS} photos of this already.")
    picture = plain_picture(content)
    with Image.open(io.BytesIO(picture)) as made:
        width, height = made.size
    session.add(
        Photo(
            id=given.id, subject_id=subject_id, sha256=keep_upload(session, picture), width=width, height=height,
            caption=given.caption, person_id=person_id,
        )
    )  # fmt: skip
    session.flush()
    return PhotoList(photos=photos_of(session, [subject_id])[subject_id])


def photos_of(session: Session, subject_ids: list[uuid.UUID]) -> dict[uuid.UUID, list[PhotoOut]]:
    found: dict[uuid.UUID, list[PhotoOut]] = {}
    for row in session.scalars(select(Photo).where(Photo.subject_id.in_(subject_ids)).order_by(Photo.taken_at)):
        found.setdefault(row.subject_id, []).append(PhotoOut.model_validate(row))
    return found


def photo_content(session: Session, photo_id: uuid.UUID) -> bytes:
    """The picture, a JPEG."""
    row = session.get(Photo, photo_id)
    if row is None:
        raise Missing("There is no such photo.")
    return b"".join(upload_content(session, row.sha256).chunks())


def plain_picture(content: bytes) -> bytes:
    """A JPEG of the picture alone, upright, at most 2000 px long. Raises BadInput for what is no picture or too large."""
    if len(content) > _MOST_BYTES:
        raise BadInput("a photo may have 30 MB at most")
    try:
        with Image.open(io.BytesIO(content), formats=("JPEG", "PNG", "WEBP")) as opened:
            if opened.width * opened.height > _MOST_PIXELS:
                raise BadInput("a photo may have 80 million pixels at most")
            upright = ImageOps.exif_transpose(opened).convert("RGBA")
    except (UnidentifiedImageError, OSError, ValueError, SyntaxError, Image.DecompressionBombError):
        raise BadInput("this is no picture that can be read; JPEG, PNG and WebP can") from None
    upright.thumbnail((_LONGEST_PX, _LONGEST_PX))
    # A new picture from the pixels: nothing else of the file comes along.
    bare = Image.new("RGB", upright.size, _PAPER)
    bare.paste(upright, mask=upright.getchannel("A"))
    out = io.BytesIO()
    bare.save(out, "JPEG", quality=_QUALITY, optimize=True)
    return out.getvalue()
