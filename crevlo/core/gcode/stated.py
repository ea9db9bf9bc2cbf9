"""How sliced files write what they state in comments: times, amounts, pictures."""

import re
from base64 import b64decode
from collections.abc import Iterable
from math import fsum

_LONGEST_DURATION = 60
_SECONDS = {"d": 86400, "h": 3600, "m": 60, "s": 1}


def parse_duration(text: str) -> float:
    """Seconds of "1d 2h 3m 4s", "1 hour 23 minutes", "1:02:03" or a plain number of seconds; raises ValueError otherwise,
    and for a text of over 60 characters, which states no time."""
    text = text.strip().lower()
    if len(text) > _LONGEST_DURATION:
        raise ValueError("too long for a time")
    parts = re.findall(r"(\d+(?:\.\d+)?)\s*([dhms])", text)
    if parts:
        return fsum(float(n) * _SECONDS[u] for n, u in parts)
    clock = re.fullmatch(r"(\d{1,4}):([0-5]\d):([0-5]\d)", text)
    if clock:
        return 3600.0 * int(clock[1]) + 60 * int(clock[2]) + int(clock[3])
    return float(text)


def amounts(text: str) -> list[tuple[str, str]]:
    """Numbers of a text with the unit behind each, "" where there is none."""
    found: list[tuple[str, str]] = []
    for token in text.replace(",", " ").split():
        unit = next((u for u in ("mm", "cm3", "m", "g") if token.endswith(u)), "")
        number = token.removesuffix(unit) if unit else token
        if number and any(c.isdigit() for c in number):
            found.append((number, unit))
        elif unit and not number and found and not found[-1][1]:
            found[-1] = (found[-1][0], unit)
    return found


def largest_picture(lines: Iterable[bytes]) -> bytes | None:
    """The largest of the pictures that a file carries in its comments, as the file in it (PNG or JPEG); one that is cut off,
    has no end, or is of another kind is passed over."""
    found: list[bytes] = []
    parts: list[bytes] = []
    for line in lines:
        mark = re.match(rb" thumbnail\w* (begin|end)", line)
        if mark and mark[1] == b"begin":
            parts = []
        elif mark:
            try:
                made = b64decode(b"".join(parts), validate=True)
            except ValueError:
                continue
            if made.startswith((b"\x89PNG", b"\xff\xd8")):
                found.append(made)
        else:
            parts.append(line.strip())
    return max(found, key=len, default=None)
