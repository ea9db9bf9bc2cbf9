"""Energy from a power trace, with gaps bounded instead of bridged in silence."""

import csv
import io
import math
import re
from collections.abc import Callable, Iterator
from dataclasses import dataclass
from datetime import datetime
from zoneinfo import ZoneInfo, ZoneInfoNotFoundError

import numpy as np

from crevlo.core.estimate import BadInput, NotDetermined

JOULE_PER_KWH = 3.6e6
LONGEST_STEP_S = 30.0
_LONGEST_LINE = 10_000
MOST_SAMPLES = 2_000_000


@dataclass(frozen=True, slots=True)
class Gap:
    """A stretch without samples, in s from the first sample."""

    start_s: float
    end_s: float


@dataclass(frozen=True, slots=True)
class TraceEnergy:
    """Energy of a trace in kWh: bounds with its gaps at zero and at the most they can hold, what they hold as far as known
    with its standard uncertainty, and where they are."""

    low_kwh: float
    high_kwh: float
    gaps: tuple[Gap, ...]
    duration_s: float
    peak_w: float | None
    samples: int
    gaps_kwh: float = 0.0
    u_kwh: float = 0.0

    @property
    def kwh(self) -> float:
        return self.low_kwh + self.gaps_kwh


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
    gap, peak = steps > longest_step_s, float(power_w.max())
    return _with_gaps(time_s, gap, float(joules[~gap].sum()), float(steps[gap].sum()) * peak, peak)


def integrate_counter(
    time_s: np.ndarray, counter_wh: np.ndarray, longest_step_s: float = LONGEST_STEP_S
) -> TraceEnergy:
    """Energy from a running Wh counter of shape (n,); a fall back is a reset, counted on from zero."""
    time_s, counter_wh = _checked(time_s, counter_wh, "the counter")
    if (counter_wh < 0).any():
        raise BadInput("an energy counter cannot be negative")
    rise, steps = np.diff(counter_wh), np.diff(time_s)
    whole = rise >= 0
    joules = 3600.0 * float(np.where(whole, rise, counter_wh[1:]).sum())
    # A counter goes on counting through a gap, so the gap's energy is known unless it was reset in it: then what it had
    # counted before is lost, at most what it counts elsewhere in such a time.
    gap = ~whole & (steps > longest_step_s)
    rate = 3600.0 * float(rise[whole].sum()) / max(float(steps[whole].sum()), 1e-9)
    return _with_gaps(time_s, gap, joules, rate * float(steps[gap].sum()), None)


@dataclass(frozen=True, slots=True)
class Columns:
    """Which columns of a log hold what, by heading; None is looked for by its usual names.

    Power comes from one column in W or kW, or from current (A) times voltage (V); a counter is in Wh or kWh. Times without
    a zone are of `zone`; `time_format` is for those that are not ISO 8601 ("%d.%m.%Y %H:%M:%S"), and `date` for a
    column of dates beside one of times.
    """

    time: str | None = None
    date: str | None = None
    power: str | None = None
    current: str | None = None
    voltage: str | None = None
    counter: str | None = None
    zone: str = "UTC"
    time_format: str | None = None


def heading_of(content: bytes) -> tuple[list[str], list[list[str]]]:
    """The heading of a CSV log and its first rows, to choose columns by. Raises BadInput for what is no CSV."""
    text, delimiter = _csv_text(content)
    rows = csv.reader(io.StringIO(text[:20_000]), delimiter=delimiter)
    try:
        heading = [cell.strip() for cell in next(rows, [])]
        first = [row for _, row in zip(range(4), rows, strict=False)]
    except csv.Error as error:
        raise BadInput(f"the CSV cannot be read: {error}") from None
    if not heading:
        raise BadInput("this file is empty")
    if len(heading) < 2:
        raise BadInput(
            "the first line names one column only; a log needs one of time and one of power or counted energy"
        )
    if not any(heading):
        raise BadInput("the first line names no columns")
    return heading, first


def read_trace(content: bytes, columns: Columns | None = None) -> tuple[str, np.ndarray, np.ndarray]:
    """Time (s from the first sample) and power (W) or counter (Wh) from a CSV with a heading line.

    Knows comma, semicolon and tab, a decimal comma, seconds or dates. Returns the kind, "power" or "counter".
    Raises BadInput with the line at fault, or for a column that is not there.
    """
    kind, times, values = read_log(content, columns)
    return kind, times - times[0], values


def read_log(content: bytes, columns: Columns | None = None) -> tuple[str, np.ndarray, np.ndarray]:
    """As `read_trace`, with times as they stand: since 1970 where they are dates."""
    columns = columns or Columns()
    text, delimiter = _csv_text(content)
    rows = csv.reader(_lines(text), delimiter=delimiter)
    times: list[float] = []
    values: list[float] = []
    try:
        heading = [cell.strip().lower() for cell in next(rows, [])]
        when = _when(heading, columns)
        kind, figure = _figure(heading, columns)
        for number, row in enumerate(rows, 2):
            if not any(cell.strip() for cell in row):
                continue
            if len(times) >= MOST_SAMPLES:
                raise BadInput(f"more than {MOST_SAMPLES:,} samples; split the trace")
            try:
                times.append(when(row))
                values.append(figure(row))
            except (IndexError, ValueError):
                raise BadInput(f"line {number} of the CSV has no usable time and value") from None
    except csv.Error as error:
        raise BadInput(f"the CSV cannot be read: {error}") from None
    if len(times) < 2:
        raise NotDetermined("at least two samples in the trace")
    return kind, np.array(times), np.array(values)


def _lines(text: str) -> Iterator[str]:
    """Lines of a text; one that no log has is not taken apart into millions of cells."""
    for number, line in enumerate(io.StringIO(text, newline=""), 1):
        if len(line) > _LONGEST_LINE:
            raise BadInput(f"line {number} of the CSV is longer than {_LONGEST_LINE} characters")
        yield line


def _csv_text(content: bytes) -> tuple[str, str]:
    if b"\0" in content[:4096]:
        raise BadInput("this is not a CSV file: it holds binary data")
    try:
        text = content.decode("utf-8-sig")
    except UnicodeDecodeError:
        raise BadInput("this CSV is not in UTF-8; save it as UTF-8") from None
    head = text.split("\n", 1)[0]
    return text, max(";\t,", key=head.count)


_Cell = Callable[[list[str]], float]


def _when(heading: list[str], columns: Columns) -> _Cell:
    """The time of a row."""
    at = _named(heading, columns.time, ("time", "timestamp", "seconds", "t", "datetime"), "time")
    try:
        zone = ZoneInfo(columns.zone)
    except (ZoneInfoNotFoundError, ValueError, OSError):
        raise BadInput(f"there is no time zone called {columns.zone}") from None
    if columns.time_format:
        try:
            datetime.strptime("", columns.time_format)
        except re.error:
            raise BadInput(
                f"“{columns.time_format}” names a part of the time twice, or is no form of a time"
            ) from None
        except ValueError as error:
            if "bad directive" in str(error) or "stray" in str(error):
                raise BadInput(f"“{columns.time_format}” is no form of a time") from None
    day = _named(heading, columns.date, (), "date") if columns.date else None

    def read(row: list[str]) -> float:
        words = row[at].strip() if day is None else f"{row[day].strip()} {row[at].strip()}"
        if day is None and columns.time_format is None:
            try:
                return _number(words)
            except ValueError:
                pass
        moment = (
            datetime.strptime(words, columns.time_format) if columns.time_format else datetime.fromisoformat(words)
        )
        return (moment if moment.tzinfo else moment.replace(tzinfo=zone)).timestamp()

    return read


def _figure(heading: list[str], columns: Columns) -> tuple[str, _Cell]:
    """What a row's figure is, and how it is read."""
    if columns.current or columns.voltage:
        if not (columns.current and columns.voltage):
            raise BadInput("power from current needs a column of A and one of V")
        amperes, volts = (_named(heading, name, (), "current") for name in (columns.current, columns.voltage))
        return "power", lambda row: _number(row[amperes]) * _number(row[volts])
    if columns.counter or not columns.power:
        power = None if columns.counter else _found(heading, ("power", "w", "watt", "watts"))
        if power is None:
            at = _named(heading, columns.counter, ("energy", "wh", "kwh", "counter"), "power (W) or energy (Wh)")
            return "counter", _scaled(heading[at], "kwh", at)
        return "power", _scaled(heading[power], "kw", power)
    at = _named(heading, columns.power, (), "power")
    return "power", _scaled(heading[at], "kw", at)


def _scaled(name: str, thousand: str, at: int) -> _Cell:
    """Values of a column, in thousands where its heading says so."""
    factor = 1000.0 if re.search(rf"(?<![a-z]){thousand}(?![a-z])", name) else 1.0
    return lambda row: factor * _number(row[at])


def _named(heading: list[str], wanted: str | None, usual: tuple[str, ...], what: str) -> int:
    at = heading.index(wanted.strip().lower()) if wanted and wanted.strip().lower() in heading else None
    if at is None and not wanted:
        at = _found(heading, usual)
    if at is None:
        raise BadInput(
            f"the CSV has no {wanted or what} column; its heading reads: {', '.join(heading)[:120] or 'nothing'}"
        )
    return at


def _found(heading: list[str], words: tuple[str, ...]) -> int | None:
    return next(
        (
            at
            for at, name in enumerate(heading)
            if name in words or any(name.startswith((f"{w} ", f"{w}_", f"{w}(", f"{w}[")) for w in words)
        ),
        None,
    )


def _number(cell: str) -> float:
    """A number with a decimal point or comma; with both, the last is the decimal one."""
    cell = cell.strip().replace("\u00a0", "").replace(" ", "")
    if "," in cell and "." in cell:
        thousands = "," if cell.rfind(".") > cell.rfind(",") else "."
        cell = cell.replace(thousands, "")
    value = float(cell.replace(",", "."))
    if not math.isfinite(value):
        raise ValueError(cell)
    return value


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
    time_s: np.ndarray, gap: np.ndarray, seen_j: float, unseen_j: float, peak_w: float | None
) -> TraceEnergy:
    """`unseen_j` is the most that the gaps can hold; where nothing more is known, any part of it is as likely."""
    low, most = seen_j / JOULE_PER_KWH, unseen_j / JOULE_PER_KWH
    gaps = tuple(Gap(float(time_s[i] - time_s[0]), float(time_s[i + 1] - time_s[0])) for i in np.flatnonzero(gap))
    whole = float(time_s[-1] - time_s[0])
    return TraceEnergy(low, low + most, gaps, whole, peak_w, len(time_s), most / 2, most / math.sqrt(12))
