"""Pieces on a plate as a sliced file names them."""

import re

MOST_OBJECTS = 1000
_LONGEST = 200
# The macro that names them beforehand, the marks around each one's moves, and the marks of meshes.
_WAYS = (
    re.compile(r"exclude_object_define\b.*?\bname\s*=\s*(\S+).*", re.IGNORECASE),
    re.compile(r"printing object (.{1,400} id:.{1,40})", re.IGNORECASE),
    re.compile(r"mesh:\s*(.+)", re.IGNORECASE),
)
_NO_MESH = "nonmesh"


def printable(text: str) -> str:
    """Without what cannot be shown, and without space around it."""
    return "".join(c for c in text if c.isprintable()).strip()


class ObjectNames:
    """Names by the way in which they are told; a file has one, or more that tell of the same pieces."""

    def __init__(self) -> None:
        self._found: tuple[dict[str, None], ...] = tuple({} for _ in _WAYS)
        self.beyond = 0

    def take(self, text: str) -> bool:
        """Whether a line names a piece; each is taken once."""
        for way, found in zip(_WAYS, self._found, strict=True):
            told = way.fullmatch(text)
            if told is None:
                continue
            name = printable(told[1])[:_LONGEST]
            if name and name.lower() != _NO_MESH and name not in found:
                if len(found) < MOST_OBJECTS:
                    found[name] = None
                else:
                    self.beyond += 1
            return True
        return False

    def named(self) -> tuple[str, ...]:
        """The names of the way that tells the most."""
        return max((tuple(found) for found in self._found), key=len)
