"""What was worked out of values that never change, kept for the next time it is asked for."""

from collections import OrderedDict
from collections.abc import Callable
from threading import Lock
from typing import Generic, TypeVar

T = TypeVar("T")


class Kept(Generic[T]):
    """The last so many results by key; safe to ask from several threads."""

    def __init__(self, most: int) -> None:
        self._most = most
        self._known: OrderedDict[str, T] = OrderedDict()
        self._guard = Lock()

    def get(self, key: str, make: Callable[[], T]) -> T:
        with self._guard:
            if key in self._known:
                self._known.move_to_end(key)
                return self._known[key]
        made = make()
        with self._guard:
            self._known[key] = made
            while len(self._known) > self._most:
                self._known.popitem(last=False)
        return made
