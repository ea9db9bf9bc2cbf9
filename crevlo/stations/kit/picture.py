"""Pictures from elsewhere, made anew from their pixels."""

import io

from PIL import Image, ImageOps, UnidentifiedImageError

from crevlo.core.estimate import BadInput
from crevlo.stations.kit.apart import apart

_LONGEST_PX, _MOST_PIXELS, _MOST_SIDE_PX, _QUALITY = 2000, 80_000_000, 20_000, 85
_MOST_BYTES = 30_000_000
# What shows through where a picture is see-through.
_PAPER = (244, 239, 223)
_SECONDS, _MEGABYTES = 15.0, 1200


def made_anew(content: bytes) -> tuple[bytes, int, int]:
    """A JPEG of the picture alone with its width and height in px, made in a process with bounds."""
    if len(content) > _MOST_BYTES:
        raise BadInput("a photo may have 30 MB at most")
    picture = apart("this picture", _SECONDS, _MEGABYTES, plain_picture, content)
    with Image.open(io.BytesIO(picture)) as made:
        return picture, *made.size


def plain_picture(content: bytes) -> bytes:
    """A JPEG of the picture alone, upright, at most 2000 px long. Raises BadInput for what is no picture or too large."""
    if len(content) > _MOST_BYTES:
        raise BadInput("a photo may have 30 MB at most")
    try:
        with Image.open(io.BytesIO(content), formats=("JPEG", "PNG", "WEBP")) as opened:
            if opened.width * opened.height > _MOST_PIXELS or max(opened.size) > _MOST_SIDE_PX:
                raise BadInput("a photo may have 80 million pixels at most, and 20 000 in a row")
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


_ALIKE_PX, _ALIKE_BYTES = (1000, 750), 220_000


def alike(picture: bytes) -> bytes:
    """A JPEG of a picture kept here on a sheet of one size and in one number of bytes: neither tells whose it is."""
    with Image.open(io.BytesIO(picture), formats=("JPEG",)) as opened:
        fitted = ImageOps.pad(opened.convert("RGB"), _ALIKE_PX, color=_PAPER)
    for quality in range(_QUALITY, 20, -10):
        out = io.BytesIO()
        fitted.save(out, "JPEG", quality=quality, optimize=True)
        if out.tell() <= _ALIKE_BYTES:
            break
    return out.getvalue().ljust(_ALIKE_BYTES, b"\0")
