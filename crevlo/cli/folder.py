"""The folder of an installation: who works in it, and what is written into it whole or not at all."""

import fcntl
import os
import secrets
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path


class FolderInUse(Exception):
    """Another process holds the folder."""


@contextmanager
def held(folder: Path) -> Iterator[None]:
    """Holds a folder for one process, for as long as it runs; the system lets go of it however that ends.

    Raises FolderInUse where another holds it.
    """
    file = os.open(folder / "lock", os.O_RDWR | os.O_CREAT | os.O_CLOEXEC, 0o600)
    try:
        try:
            fcntl.flock(file, fcntl.LOCK_EX | fcntl.LOCK_NB)
        except BlockingIOError:
            raise FolderInUse from None
        yield
    finally:
        os.close(file)


def secret_in(file: Path, length: int) -> str:
    """The secret that a file keeps, made where there is none, or an empty one that a full disk left."""
    kept = file.read_text().strip() if file.exists() else ""
    if kept:
        return kept
    made = secrets.token_urlsafe(length)
    beside = file.with_name(f"{file.name}.new")
    beside.touch(mode=0o600)
    beside.write_text(f"{made}\n")
    beside.replace(file)
    return made
