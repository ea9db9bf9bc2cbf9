"""Files as they came in."""

import gzip
import hashlib

from sqlalchemy import func, select
from sqlalchemy.orm import Session

from crevlo.store.run import Upload

MOST_UPLOAD_BYTES = 64 * 1024 * 1024


def keep_upload(session: Session, content: bytes) -> str:
    """Keeps the content once, compressed; returns its SHA-256."""
    digest = hashlib.sha256(content).hexdigest()
    if session.scalar(select(func.count()).where(Upload.sha256 == digest)) == 0:
        packed = gzip.compress(content, compresslevel=3, mtime=0)
        session.add(Upload(sha256=digest, size=len(content), content=packed))
        session.flush()
    return digest
