"""What a cell says: numbers, days, hours of the day, spans of time, yes and no, as people write them."""

import math
import re
from dataclasses import dataclass
from datetime import date, datetime, time
from zoneinfo import ZoneInfo

_NUMBER = r"\d{1,9}(?:[.,]\d{1,9})?|[.,]\d{1,9}"
_FRACTIONS = {"½": 0.5, "¼": 0.25, "¾": 0.75}
_YES = {"y", "yes", "ok", "good", "ja", "j", "gut", "done", "1", "x", "✓", "true", "fine"}
_NO = {"n", "no", "failed", "fail", "bad", "nein", "schlecht", "0", "false", "fehler", "aborted"}


@dataclass(frozen=True, slots=True)
class Amount:
    """A number; `about` where it was written as about, or as the middle of a range."""

    value: float
    about: bool = False


def amount_in(text: str) -> Amount | None:
    """ "20,05", "~50", "52-53" (its middle), "½"; None for anything else."""
    plain = text.strip().replace("\u2212", "-").replace("\u2013", "-").replace("\u00a0", "").replace(" ", "")
    if plain in _FRACTIONS:
        return Amount(_FRACTIONS[plain])
    between = re.fullmatch(rf"({_NUMBER})-({_NUMBER})", plain)
    if between:
        low, high = (_float(part) for part in between.groups())
        return Amount((low + high) / 2, about=True) if low <= high else None
    about = re.fullmatch(rf"(?:~|≈|ca\.?|about|approx\.?|c\.)(-?(?:{_NUMBER}))", plain, re.IGNORECASE)
    exact = re.fullmatch(rf"[+-]?(?:{_NUMBER})", plain)
    if not about and not exact:
        return None
    value = _float(about[1] if about else plain)
    return Amount(value, about=about is not None) if math.isfinite(value) else None


def days_lead(texts: list[str]) -> bool:
    """Whether days written with strokes or dots have the day before the month: as soon as one could not be read otherwise."""
    for text in texts:
        found = re.match(r"\s*(\d{1,2})[./](\d{1,2})[./]\d{2,4}", text)
        if found and int(found[2]) > 12 >= int(found[1]):
            return False
    return True


def day_in(text: str, *, day_first: bool = True) -> date | None:
    """ "2026-04-02", "02.04.2026", "12.3.26", "20/03/2026", each with an hour behind it or not; None for anything else."""
    found = re.match(r"\s*(\d{4})-(\d{1,2})-(\d{1,2})(?!\d)", text)
    if found:
        return _date(int(found[1]), int(found[2]), int(found[3]))
    found = re.match(r"\s*(\d{1,2})[./](\d{1,2})[./](\d{4}|\d{2})(?!\d)", text)
    if not found:
        return None
    first, second, year = (int(part) for part in found.groups())
    year += 2000 if year < 100 else 0
    # Dots always have the day first.
    if day_first or "." in found[0]:
        return _date(year, second, first)
    return _date(year, first, second)


def hour_in(text: str) -> time | None:
    """The hour of the day at the end of a text: "20:10", "02.04.2026 9:50", "9h05", "9:05:30", "9:50 pm"; None for none."""
    found = re.search(r"(?:^|[\sT])(\d{1,2})[:h.](\d{2})(?::(\d{2}))?\s*(am|pm)?\s*$", text.strip(), re.IGNORECASE)
    if not found:
        return None
    hour, minute, second = int(found[1]), int(found[2]), int(found[3] or 0)
    if found[4]:
        if not 1 <= hour <= 12:
            return None
        hour = hour % 12 + (12 if found[4].lower() == "pm" else 0)
    return time(hour, minute, second) if hour < 24 and minute < 60 and second < 60 else None


def span_in(text: str, *, hours: bool = False) -> float | None:
    """Seconds of "1h 07m", "3h34", "67 min", "1:07", "2.5 h" or a plain number, which counts minutes, or `hours`."""
    plain = text.strip().lower().replace(",", ".")
    clock = re.fullmatch(r"(\d{1,4}):([0-5]\d)(?::([0-5]\d))?", plain)
    if clock:
        return 3600.0 * int(clock[1]) + 60 * int(clock[2]) + int(clock[3] or 0)
    worded = re.fullmatch(
        r"(?:(\d+(?:\.\d+)?)\s*d(?:ays?)?)?\s*(?:(\d+(?:\.\d+)?)\s*(?:h|hrs?|hours?|std\.?))?\s*"
        r"(?:(\d+(?:\.\d+)?)\s*(?:m|min|mins|minutes?|')?)?\s*(?:(\d+)\s*s(?:ec)?)?",
        plain,
    )
    if not plain or not worded or not any(worded.groups()):
        return None
    days, hour, minute, second = (float(part) if part else 0.0 for part in worded.groups())
    if re.fullmatch(r"\d+(?:\.\d+)?", plain):
        return minute * (3600 if hours else 60)
    return 86400 * days + 3600 * hour + 60 * minute + second


def yes_in(text: str) -> bool | None:
    plain = text.strip().lower()
    return True if plain in _YES else False if plain in _NO else None


def size_in(text: str) -> tuple[float, float, float] | None:
    """Width, depth and height of a bed in mm: "230x230x250", "256 x 256 x 256", "Ø180 x 200" (a round one); None for none."""
    numbers = [_float(n) for n in re.findall(_NUMBER, text)]
    if re.match(r"\s*[Øø⌀]", text) and len(numbers) == 2:
        numbers.insert(1, numbers[0])
    if len(numbers) != 3 or not all(10 <= n <= 5000 for n in numbers):
        return None
    return numbers[0], numbers[1], numbers[2]


def moment(day: date, hour: time, zone: ZoneInfo) -> tuple[datetime, str]:
    """A moment with its zone, and what is odd about it: an hour that a clock set forward skips or one set back has twice."""
    first = datetime.combine(day, hour, zone)
    second = first.replace(fold=1)
    if first.utcoffset() == second.utcoffset():
        return first, ""
    if (first.utcoffset() or first.utcoffset()) > (second.utcoffset() or second.utcoffset()):  # type: ignore[operator]
        return first, "this hour was there twice, as clocks were set back; the first is taken"
    return first, "this hour was skipped, as clocks were set forward"


def _float(text: str) -> float:
    return float(text.replace(",", "."))


def _date(year: int, month: int, day: int) -> date | None:
    try:
        return date(year, month, day) if 1990 <= year <= 2100 else None
    except ValueError:
        return None
