"""Hours in which people are at the bench, as windows of ticks."""

from bisect import bisect_right
from collections.abc import Collection, Sequence
from dataclasses import dataclass, field
from datetime import UTC, date, datetime, time, timedelta
from zoneinfo import ZoneInfo

import numpy as np
from numpy.typing import NDArray

from crevlo.core.estimate import BadInput

Ints = NDArray[np.int64]


@dataclass(frozen=True, slots=True)
class Calendar:
    """Windows (from, to) in order, none touching the next."""

    windows: tuple[tuple[int, int], ...]
    _froms: tuple[int, ...] = field(init=False, repr=False)

    def __post_init__(self) -> None:
        joined: list[tuple[int, int]] = []
        for a, b in sorted(w for w in self.windows if w[1] > w[0]):
            if joined and a <= joined[-1][1]:
                joined[-1] = (joined[-1][0], max(b, joined[-1][1]))
            else:
                joined.append((a, b))
        object.__setattr__(self, "windows", tuple(joined))
        object.__setattr__(self, "_froms", tuple(a for a, _ in joined))

    @property
    def longest(self) -> int:
        return max((b - a for a, b in self.windows), default=0)

    @property
    def end(self) -> int:
        return self.windows[-1][1] if self.windows else 0

    def next(self, at: int, length: int) -> int | None:
        """First tick from `at` on from which `length` ticks lie in one window."""
        i = max(0, bisect_right(self._froms, at) - 1)
        for k in range(i, len(self.windows)):
            a, b = self.windows[k]
            begin = max(a, at)
            if begin + length <= b:
                return begin
        return None

    def within(self, begin: int, end: int) -> bool:
        """Whether [begin, end) lies in one window."""
        i = bisect_right(self._froms, begin) - 1
        return i >= 0 and end <= self.windows[i][1]

    def starts(self, length: int, until: int) -> list[tuple[int, int]]:
        """All ticks up to `until` from which `length` ticks lie in one window, as closed ranges."""
        return [(a, min(b - length, until)) for a, b in self.windows if b - length >= a and a <= until]

    def next_many(self, at: Ints, length: int) -> Ints:
        """`next` for an array; past the last window it is the last window's end."""
        ranges = np.array(self.starts(length, self.end), dtype=np.int64).reshape(-1, 2)
        i = np.searchsorted(ranges[:, 1], at, side="left")
        beyond = i >= len(ranges)
        found = np.maximum(at, ranges[np.minimum(i, len(ranges) - 1), 0])
        return np.where(beyond, self.end, found).astype(np.int64)


ALWAYS_TICKS = 1 << 26


def always() -> Calendar:
    return Calendar(((0, ALWAYS_TICKS),))


def working_hours(
    begin: datetime,
    days: int,
    week: Sequence[Sequence[tuple[time, time]]],
    holidays: Collection[date],
    zone: ZoneInfo,
    tick: timedelta,
) -> Calendar:
    """Windows of a weekly timetable (Monday first) in local time, from `begin` for so many days.

    A window cut by `begin` starts at the next whole tick. Raises BadInput for hours that end before they begin.
    """
    windows = []
    first = begin.astimezone(zone).date()
    for day in (first + timedelta(days=n) for n in range(days)):
        if day in holidays:
            continue
        for opens, closes in week[day.weekday()]:
            if closes <= opens:
                raise BadInput(f"hours from {opens:%H:%M} to {closes:%H:%M} end before they begin")
            # In UTC: a difference of two local times would leave out the hour of a clock change.
            a, b = (datetime.combine(day, t, zone).astimezone(UTC) - begin.astimezone(UTC) for t in (opens, closes))
            windows.append((max(0, -(-a // tick)), b // tick))
    return Calendar(tuple(windows))
