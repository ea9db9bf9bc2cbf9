"""Energy from a power trace, with gaps bounded instead of bridged in silence."""

import csv
import io
import math
from dataclasses import dataclass
from datetime import UTC, datetime

import numpy as np

from crevlo.core.estimate import BadInput, NotDetermined

JOULE_PER_KWH = 3.6e6
LONGEST_STEP_S = 30.0
MOST_SAMPLES = 2_000_000


@dataclass(frozen=True, slots=True)
class Gap:
    """A stretch without samples, in s from the first sample."""

    start_s: float
    end_s: float


@dataclass(frozen=True, slots=True)
class TraceEnergy:
    """Energy of a trace in kWh: low bound (gaps at zero), high bound (gaps bridged), and its gaps."""

    low_kwh: float
    high_kwh: float
    gaps: tuple[Gap, ...]
    duration_s: float
    peak_w: float | None
    samples: int

    @property
    def kwh(self) -> float:
        return (self.low_kwh + self.high_kwh) / 2

    @property
    def u_kwh(self) -> float:
        """Standard uncertainty of the gaps, a rectangle between the bounds; 0 without gaps."""
        return (self.high_kwh - self.low_kwh) / math.sqrt(12)


def integrate_power(time_s: np.ndarray, power_w: np.ndarray, longest_step_s: float = LONGEST_STEP_S) -> TraceEnergy:
    """Trapezoid over irregular samples of shape (n,); steps over `longest_step_s` are bounded, not integrated.

    Raises BadInput for unequal lengths, values that are not finite, negative power or time running backwards;
    NotDetermined with fewer than two samples.
    """
    time_s, power_w = _checked(time_s, power_w, "power")
    if (power_w < 0).any():
        raise BadInput("power cannot be negative")
    steps = np.diff(time_s)
    joules = steps * (power_w[1:] + power_w[:-1]) / 2
    return _with_gaps(time_s, steps, joules, longest_step_s, float(power_w.max()))


def integrate_counter(
    time_s: np.ndarray, counter_wh: np.ndarray, longest_step_s: float = LONGEST_STEP_S
) -> TraceEnergy:
    """Energy from a running Wh counter of shape (n,); a fall back is a reset, counted on from zero."""
    time_s, counter_wh = _checked(time_s, counter_wh, "the counter")
    if (counter_wh < 0).any():
        raise BadInput("an energy counter cannot be negative")
    rise = np.diff(counter_wh)
    rise = np.where(rise < 0, counter_wh[1:], rise)
    # A counter goes on counting through a gap, so the gap's energy is known unless the counter was reset in it.
    steps = np.diff(time_s)
    known = np.diff(counter_wh) >= 0
    return _with_gaps(time_s, np.where(known, 0.0, steps), rise * 3600.0, longest_step_s, None)


def read_trace(content: bytes) -> tuple[str, np.ndarray, np.ndarray]:
    """Time (s from the first sample) and power (W) or counter (Wh) from a CSV with a heading line.

    Knows comma, semicolon and tab, a decimal comma, seconds or ISO 8601 times. Returns the kind,
    "power" or "counter". Raises BadInput with the line at fault.
    """
    if b"\0" in content[:4096]:
        raise BadInput("this is not a CSV file: it holds binary data")
    try:
        text = content.decode("utf-8-sig")
    except UnicodeDecodeError:
        raise BadInput("this CSV is not in UTF-8; save it as UTF-8") from None
    head = text.split("\n", 1)[0]
    delimiter = max(";\t,", key=head.count)
    rows = csv.reader(io.StringIO(text), delimiter=delimiter)
    try:
        heading = [cell.strip().lower() for cell in next(rows, [])]
        time_at = _column(heading, ("time", "timestamp", "seconds", "t"), "time")
        kind, value_at = _value_column(heading)
        times: list[float] = []
        values: list[float] = []
        for number, row in enumerate(rows, 2):
            if not any(cell.strip() for cell in row):
                continue
            if len(times) >= MOST_SAMPLES:
                raise BadInput(f"more than {MOST_SAMPLES:,} samples; split the trace")
            try:
                times.append(_time(row[time_at]))
                values.append(_number(row[value_at]))
            except (IndexError, ValueError):
                raise BadInput(f"line {number} of the CSV has no usable time and value") from None
    except csv.Error as error:
        raise BadInput(f"the CSV cannot be read: {error}") from None
    if len(times) < 2:
        raise NotDetermined("at least two samples in the trace")
    start = times[0]
    return kind, np.array(times) - start, np.array(values)


def trace_energy(content: bytes) -> TraceEnergy:
    """Energy of a CSV trace, whichever kind of column it holds."""
    kind, time_s, values = read_trace(content)
    return integrate_power(time_s, values) if kind == "power" else integrate_counter(time_s, values)


def _column(heading: list[str], words: tuple[str, ...], what: str) -> int:
    for at, name in enumerate(heading):
        if name in words or any(name.startswith((f"{word} ", f"{word}_", f"{word}(", f"{word}[")) for word in words):
            return at
    raise BadInput(f"the CSV has no {what} column; its heading reads: {', '.join(heading)[:120] or 'nothing'}")


def _value_column(heading: list[str]) -> tuple[str, int]:
    try:
        return "power", _column(heading, ("power", "w", "watt", "watts"), "power")
    except BadInput:
        return "counter", _column(heading, ("energy", "wh", "counter"), "power (W) or energy (Wh)")


def _number(cell: str) -> float:
    cell = cell.strip()
    value = float(cell.replace(",", ".") if "." not in cell else cell.replace(",", ""))
    if not math.isfinite(value):
        raise ValueError(cell)
    return value


def _time(cell: str) -> float:
    try:
        return _number(cell)
    except ValueError:
        moment = datetime.fromisoformat(cell.strip())
        return (moment if moment.tzinfo else moment.replace(tzinfo=UTC)).timestamp()


def _checked(time_s: np.ndarray, values: np.ndarray, what: str) -> tuple[np.ndarray, np.ndarray]:
    time_s, values = np.asarray(time_s, float), np.asarray(values, float)
    if time_s.shape != values.shape or time_s.ndim != 1:
        raise BadInput(f"time and {what} need the same number of samples")
    if len(time_s) < 2:
        raise NotDetermined("at least two samples in the trace")
    if not (np.isfinite(time_s).all() and np.isfinite(values).all()):
        raise BadInput("the trace holds values that are not numbers")
    if (np.diff(time_s) < 0).any():
        raise BadInput("the trace's times run backwards")
    return time_s, values


def _with_gaps(
    time_s: np.ndarray, steps: np.ndarray, joules: np.ndarray, longest_step_s: float, peak_w: float | None
) -> TraceEnergy:
    gap = steps > longest_step_s
    low = float(joules[~gap].sum()) / JOULE_PER_KWH
    high = float(joules.sum()) / JOULE_PER_KWH
    gaps = tuple(Gap(float(time_s[i] - time_s[0]), float(time_s[i + 1] - time_s[0])) for i in np.flatnonzero(gap))
    return TraceEnergy(low, high, gaps, float(time_s[-1] - time_s[0]), peak_w, len(time_s))
