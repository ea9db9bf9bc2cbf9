"""What was worked out of values that never change, kept for the next time it is asked for."""

import hashlib
import os
import tempfile
from collections.abc import Callable, Hashable
from contextlib import suppress
from pathlib import Path
from threading import Lock
from typing import Generic, TypeVar

from cachetools import LRUCache
from pydantic import BaseModel, ValidationError

T = TypeVar("T")
M = TypeVar("M", bound=BaseModel)


def _one(_: object) -> int:
    return 1


class Kept(Generic[T]):
    """The last results by key, as many as `most` holds by their `size` (one each, or bytes); safe to ask from several
    threads, of which one makes what several ask for."""

    def __init__(self, most: int, size: Callable[[T], int] = _one) -> None:
        self._known: LRUCache[Hashable, T] = LRUCache(most, getsizeof=size)
        self._making: dict[Hashable, Lock] = {}
        self._guard = Lock()

    def get(self, key: Hashable, make: Callable[[], T]) -> T:
        with self._guard:
            if key in self._known:
                return self._known[key]
            alone = self._making.setdefault(key, Lock())
        with alone:
            with self._guard:
                if key in self._known:
                    return self._known[key]
            try:
                made = make()
            finally:
                with self._guard:
                    self._making.pop(key, None)
            # What is larger than all that may be kept is given, not kept.
            with self._guard, suppress(ValueError):
                self._known[key] = made
        return made

    def clear(self) -> None:
        """Forgets all of it; it is worked out again when it is asked for."""
        with self._guard:
            self._known.clear()


def kept_on_disk(shape: type[M], content: bytes, make: Callable[[], M]) -> M:
    """A result that follows from `content` alone, kept for every later start in the folder CREVLO_CACHE, if there is one."""
    folder = os.environ.get("CREVLO_CACHE")
    if not folder:
        return make()
    file = Path(folder) / f"{shape.__name__}-{hashlib.sha256(content).hexdigest()}.json"
    with suppress(OSError, ValidationError):
        return shape.model_validate_json(file.read_bytes())
    made = make()
    # A full disk or a folder that cannot be written only costs the time to make it again.
    with suppress(OSError):
        file.parent.mkdir(parents=True, exist_ok=True)
        with tempfile.NamedTemporaryFile(dir=file.parent, delete=False) as partial:
            partial.write(made.model_dump_json().encode())
        Path(partial.name).replace(file)
    return made
