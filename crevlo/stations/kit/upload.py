"""Files as they came in."""

import hashlib
import zlib
from collections.abc import Iterator
from dataclasses import dataclass

from sqlalchemy import func, select
from sqlalchemy.dialects.postgresql import insert
from sqlalchemy.orm import Session

from crevlo.stations.kit.shape import Missing
from crevlo.store.run import Upload

MOST_UPLOAD_BYTES = 160 * 1000 * 1000
_CHUNK = 1 << 20
_GZIP = 31


@dataclass(frozen=True, slots=True)
class Kept:
    """A file that was kept: its size unpacked, and its packed bytes."""

    size: int
    packed: bytes

    def chunks(self) -> Iterator[bytes]:
        """The content from its beginning, without ever holding all of it unpacked."""
        unpack = zlib.decompressobj(_GZIP)
        rest: bytes = self.packed
        while rest:
            yield unpack.decompress(rest, _CHUNK)
            rest = unpack.unconsumed_tail
        yield unpack.flush()


def keep_upload(session: Session, content: bytes) -> str:
    """Keeps the content once, compressed; returns its SHA-256."""
    digest = hashlib.sha256(content).hexdigest()
    if session.scalar(select(func.count()).where(Upload.sha256 == digest)) == 0:
        # The fastest level for what is large: a person waits for it.
        pack = zlib.compressobj(1 if len(content) > 8 * _CHUNK else 3, zlib.DEFLATED, _GZIP)
        packed = pack.compress(content) + pack.flush()
        # Another may have brought the same file meanwhile.
        session.execute(
            insert(Upload).values(sha256=digest, size=len(content), content=packed).on_conflict_do_nothing()
        )
    return digest


def upload_content(session: Session, sha256: str) -> Kept:
    """A file kept earlier. Raises Missing where there is none."""
    row = session.execute(select(Upload.size, Upload.content).where(Upload.sha256 == sha256)).one_or_none()
    if row is None:
        raise Missing("This file is no longer kept.")
    return Kept(row.size, row.content)
