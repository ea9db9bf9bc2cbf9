"""Hours that a machine had run at a moment, from what its counter showed and what it printed."""

import bisect
from collections.abc import Sequence
from dataclasses import dataclass
from datetime import datetime


@dataclass(frozen=True, slots=True)
class HourClock:
    """Moments with the hours run by then, both rising. Between two it is a straight line; after the last the hours stay."""

    moments: tuple[datetime, ...]
    hours: tuple[float, ...]
    by_counter: bool

    @property
    def begins(self) -> float:
        """What it had run before anybody here watched it; a machine that came used has a past that no log tells."""
        return self.hours[0] if self.hours else 0.0

    @property
    def total(self) -> float:
        return self.hours[-1] if self.hours else 0.0

    @property
    def watched(self) -> float:
        return self.total - self.begins

    def watches(self, moment: datetime) -> bool:
        """Whether its hours are known at that moment."""
        return bool(self.moments) and moment >= self.moments[0]

    def at(self, moment: datetime) -> float:
        if not self.moments or moment <= self.moments[0]:
            return self.hours[0] if self.hours else 0.0
        if moment >= self.moments[-1]:
            return self.hours[-1]
        i = bisect.bisect_right(self.moments, moment)
        (t0, t1), (h0, h1) = self.moments[i - 1 : i + 1], self.hours[i - 1 : i + 1]
        share = (moment - t0) / (t1 - t0) if t1 > t0 else 1.0
        return h0 + share * (h1 - h0)


def hour_clock(
    counter: Sequence[tuple[datetime, float]],
    prints: Sequence[tuple[datetime, datetime, float]],
    came: datetime | None = None,
) -> HourClock:
    """From readings of the machine's own counter where there are any, else from prints (start, end, hours printed).

    Prints after the last reading are added to it; a reading that is lower than an earlier one (a counter set back) is left
    out. It was new when it `came`, or at its first print before the first reading, unless it can't have been: the counter
    shows more hours than had passed by then.
    """
    printed = sorted(prints)
    points: list[tuple[datetime, float]] = []
    for moment, hours in sorted(counter):
        if not points or hours >= points[-1][1]:
            points.append((moment, hours))
    first = min((t for t in (came, printed[0][0] if printed else None) if t), default=None)
    if first and (not points or first < points[0][0]):
        had = 0.0
        if points:
            moment, shown = points[0]
            passed = (moment - first).total_seconds() / 3600
            before = sum(hours for _, end, hours in printed if end <= moment)
            had = max(0.0, shown - before) if shown > passed else 0.0
        points.insert(0, (first, had))
    for start, end, hours in printed:
        if points and end <= points[-1][0] and counter:
            continue
        base = points[-1][1] if points else 0.0
        if not points or start > points[-1][0]:
            points.append((start, base))
        points.append((max(end, points[-1][0]), base + hours))
    return HourClock(tuple(t for t, _ in points), tuple(h for _, h in points), bool(counter))
