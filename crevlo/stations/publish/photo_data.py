"""Photos of a report, made small enough to travel inside it."""

import base64
import io
import uuid
from collections.abc import Iterable
from contextlib import suppress
from functools import partial

from PIL import Image
from sqlalchemy.orm import Session

from crevlo.stations.kit.kept import Kept
from crevlo.stations.kit.photo import photo_content
from crevlo.stations.kit.shape import Missing

# Wide enough for a column of print at 200 dots an inch.
_WIDTH, _HEIGHT, _QUALITY = 640, 640, 82


# A photo never changes.
_small: Kept[bytes] = Kept(40_000_000, len)


def small_photos(session: Session, photo_ids: Iterable[uuid.UUID]) -> dict[uuid.UUID, bytes]:
    """A JPEG of each; one that is gone is left out."""
    made: dict[uuid.UUID, bytes] = {}
    for photo_id in dict.fromkeys(photo_ids):
        with suppress(Missing):
            made[photo_id] = _small.get(str(photo_id), partial(_smaller, session, photo_id))
    return made


def _smaller(session: Session, photo_id: uuid.UUID) -> bytes:
    picture = Image.open(io.BytesIO(photo_content(session, photo_id)))
    picture.thumbnail((_WIDTH, _HEIGHT))
    out = io.BytesIO()
    picture.convert("RGB").save(out, "JPEG", quality=_QUALITY)
    return out.getvalue()


def data_uri(jpeg: bytes) -> str:
    return f"data:image/jpeg;base64,{base64.b64encode(jpeg).decode()}"
