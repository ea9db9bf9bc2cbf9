"""What a power trace drew where nobody saw it: the mean of the same phase, as unsure as stretches of that length are."""

import math
from collections.abc import Sequence
from dataclasses import replace
from itertools import pairwise

import numpy as np

from crevlo.core.energy import (
    JOULE_PER_KWH,
    LONGEST_STEP_S,
    Columns,
    TraceEnergy,
    integrate_counter,
    integrate_power,
    read_trace,
)
from crevlo.core.estimate import NORMAL_COVERAGE, NotDetermined, coverage_factor
from crevlo.core.phases import Phase, Span, guess_spans
from crevlo.core.phases import spans as spans_between

# So many stretches of a gap's length are needed in its phase to know how they spread; else shorter ones stand for them.
_FEWEST = 4
_SHORTER = 6
# A guessed edge lies so near where it was found.
_EDGE_S = 60.0
# As many beginnings of stretches are tried as tell their spread.
_MOST_STARTS = 2000


def energy_of_trace(
    time_s: np.ndarray,
    power_w: np.ndarray,
    spans: Sequence[Span] | None = None,
    counter_wh: np.ndarray | None = None,
    longest_step_s: float = LONGEST_STEP_S,
) -> TraceEnergy:
    """Energy of irregular samples of shape (n,), gaps included.

    A step over `longest_step_s` is a gap: its value is the mean power of its phase times its length, its u the standard
    deviation of the energy over stretches of that length inside the phase, its bounds zero and the phase's peak times its
    length. A counter (NaN where it was not sent) that stands at both ends and was not reset decides it. Without `spans`
    phases are guessed from the power. Raises as `integrate_power`.
    """
    made = integrate_power(time_s, power_w, longest_step_s)
    if not made.gaps:
        return made
    time_s, power_w = np.asarray(time_s, float), np.asarray(power_w, float)
    trace = _Seen(time_s, power_w, longest_step_s)
    found = list(spans) if spans is not None else _guessed(time_s, power_w, longest_step_s)
    known = unknown = u2 = high = 0.0
    for at in np.flatnonzero(np.diff(time_s) > longest_step_s).tolist():
        begin, end = float(time_s[at]), float(time_s[at + 1])
        counted = _counted(counter_wh, at)
        if counted is not None:
            known += counted
            continue
        parts = _parts(found, begin, end) if spans is not None else [Span(Phase.PRINTING, begin, end)]
        for part in parts:
            phases = [_of_phase(found, part.phase)] if spans is not None else trace.near(found, part)
            value, u, peak = trace.one_of(phases, part.seconds)
            unknown, u2, high = unknown + value, u2 + u * u, high + peak * part.seconds
    return replace(
        made, low_kwh=made.low_kwh + known / JOULE_PER_KWH,
        high_kwh=made.low_kwh + (known + high) / JOULE_PER_KWH,
        gaps_kwh=unknown / JOULE_PER_KWH, u_kwh=math.sqrt(u2) / JOULE_PER_KWH,
    )  # fmt: skip


def trace_energy(content: bytes, columns: Columns | None = None) -> TraceEnergy:
    """Energy of a CSV trace, whichever kind of column it holds."""
    kind, time_s, values = read_trace(content, columns)
    return energy_of_trace(time_s, values) if kind == "power" else integrate_counter(time_s, values)


class _Seen:
    """The stretches of a trace that were seen, with what they drew in J since the first sample."""

    def __init__(self, time_s: np.ndarray, power_w: np.ndarray, longest_step_s: float) -> None:
        steps = np.diff(time_s)
        self.gap = steps > longest_step_s
        joules = np.where(self.gap, 0.0, steps * (power_w[1:] + power_w[:-1]) / 2)
        self.time, self.power = time_s, power_w
        self.joules = np.r_[0.0, np.cumsum(joules)]
        self.unseen_s = np.r_[0.0, np.cumsum(np.where(self.gap, steps, 0.0))]

    def near(self, found: Sequence[Span], gap: Span) -> list[list[Span]]:
        """Guessed phases that a gap may lie in: what reaches near it, and in place of what was hardly seen its neighbours."""
        over = [
            k for k, s in enumerate(found) if s.begin_s <= gap.end_s + _EDGE_S and s.end_s >= gap.begin_s - _EDGE_S
        ]
        known = [k for k in over if self._seen(found[k]) >= max(_EDGE_S, gap.seconds / 4)]
        if len(known) < len(over):
            known += [
                k for at in over for k in (at - 1, at + 1) if 0 <= k < len(found) and self._seen(found[k]) >= _EDGE_S
            ]
        return [[found[k]] for k in dict.fromkeys(known)] or [list(found)]

    def _seen(self, span: Span) -> float:
        return span.seconds - self._between(self.unseen_s, span.begin_s, span.end_s)

    def one_of(self, phases: Sequence[Sequence[Span]], seconds: float) -> tuple[float, float, float]:
        """Value, u and peak of so many seconds of one of several phases, each as likely, or of parts of them."""
        made = [self.unseen(phase, seconds) for phase in phases]
        values = [value for value, _, _ in made]
        mean = math.fsum(values) / len(values)
        apart = (max(values) - min(values)) / math.sqrt(12)
        u2 = math.fsum(u * u for _, u, _ in made) / len(made) + apart**2
        return mean, math.sqrt(u2), max(peak for _, _, peak in made)

    def unseen(self, phase: Sequence[Span], seconds: float) -> tuple[float, float, float]:
        """Value and u in J of that many seconds of a phase, and its peak in W."""
        inside = np.zeros(len(self.time), bool)
        drew = clean = 0.0
        for span in phase:
            inside |= (self.time >= span.begin_s) & (self.time <= span.end_s)
            clean += span.seconds - self._between(self.unseen_s, span.begin_s, span.end_s)
            drew += self._between(self.joules, span.begin_s, span.end_s)
        peak = float(self.power[inside].max()) if inside.any() else float(self.power.max())
        spread = self._spread(phase, inside, clean, seconds)
        if spread is None or clean <= 0:
            # Nothing of it was seen: anything up to the peak.
            return peak * seconds / 2, peak * seconds / math.sqrt(12), peak
        # The mean of the phase is itself known from what was seen of it alone.
        return drew / clean * seconds, spread * math.sqrt(1 + seconds / clean), peak

    def _spread(self, phase: Sequence[Span], inside: np.ndarray, clean: float, seconds: float) -> float | None:
        """Standard deviation in J of what stretches of that length draw, widened where few of them fit."""
        length = seconds if clean >= _FEWEST * seconds else clean / _SHORTER
        starts = self.time[inside]
        if length <= 0 or len(starts) < 2 * _SHORTER:
            return None
        starts = starts[:: max(1, len(starts) // _MOST_STARTS)]
        whole = np.zeros(len(starts), bool)
        for span in phase:
            whole |= (starts >= span.begin_s) & (starts + length <= span.end_s)
        starts = starts[whole]
        clear = self._at(self.unseen_s, starts + length) - self._at(self.unseen_s, starts) < 1e-9
        starts = starts[clear]
        if len(starts) < _FEWEST:
            return None
        drew = self._at(self.joules, starts + length) - self._at(self.joules, starts)
        # Stretches that overlap tell no more than as many as fit side by side.
        apart = max(1.0, clean / length - 1)
        widened = coverage_factor(apart) / NORMAL_COVERAGE
        return float(drew.std()) * math.sqrt((1 + 1 / apart) * seconds / length) * widened

    def _at(self, running: np.ndarray, moments: np.ndarray) -> np.ndarray:
        found: np.ndarray = np.interp(moments, self.time, running)
        return found

    def _between(self, running: np.ndarray, begin: float, end: float) -> float:
        a, b = self._at(running, np.array([begin, end]))
        return float(b - a)


def _guessed(time_s: np.ndarray, power_w: np.ndarray, longest_step_s: float) -> list[Span]:
    """Phases of what was seen, pushed together as if there were no gaps; each gap then belongs where it lies."""
    steps = np.diff(time_s)
    close = np.r_[0.0, np.cumsum(np.where(steps > longest_step_s, np.median(steps), steps))]
    try:
        found = guess_spans(close, power_w)
    except NotDetermined:
        return [Span(Phase.PRINTING, float(time_s[0]), float(time_s[-1]))]
    begins = np.interp([s.begin_s for s in found], close, time_s)
    # A bed that switches slowly looks like phases of its own: between the first and the last of printing all is printing.
    printing = [k for k, s in enumerate(found) if s.phase is Phase.PRINTING] or [0]
    marks = [
        (float(t), Phase.PRINTING if printing[0] <= k <= printing[-1] else s.phase)
        for k, (s, t) in enumerate(zip(found, begins, strict=True))
    ]
    return spans_between(marks, float(time_s[0]), float(time_s[-1]))


def _of_phase(found: Sequence[Span], phase: Phase) -> list[Span]:
    return [span for span in found if span.phase is phase]


def _parts(found: Sequence[Span], begin: float, end: float) -> list[Span]:
    """The stretch cut where phases end; what no phase covers is of the one before it, else of the next."""
    edges = sorted({begin, end, *(t for s in found for t in (s.begin_s, s.end_s) if begin < t < end)})
    parts = []
    for a, b in pairwise(edges):
        middle = (a + b) / 2
        over = [s for s in found if s.begin_s <= middle <= s.end_s]
        near = over or sorted(found, key=lambda s: (s.begin_s > middle, abs(s.begin_s - middle)))
        parts.append(Span(near[0].phase if near else Phase.PRINTING, a, b))
    return parts


def _counted(counter_wh: np.ndarray | None, at: int) -> float | None:
    """What a counter counted across a gap, in J; None where it does not stand at both ends, or was reset."""
    if counter_wh is None:
        return None
    rise = float(counter_wh[at + 1] - counter_wh[at])
    return 3600.0 * rise if math.isfinite(rise) and rise >= 0 else None
