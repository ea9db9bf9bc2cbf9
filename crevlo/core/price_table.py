"""Prices by day, as people keep them: a line each, parted by tab, semicolon or comma."""

import csv
import io
import re
from dataclasses import dataclass
from datetime import date

from crevlo.core.estimate import BadInput
from crevlo.core.old_bench.cells import day_in

MOST_LINES = 2000
MOST_PRICE = 1e7
_LONGEST_SOURCE = 200


@dataclass(frozen=True, slots=True)
class Priced:
    """What something cost on a day, and where that was read; empty where the line does not say."""

    day: date
    price: float
    source: str


def read_prices(text: str) -> list[Priced]:
    """Every line, or BadInput naming the first that cannot be read; a heading may stand above them."""
    lines = [line for line in text.splitlines() if line.strip()]
    if len(lines) > MOST_LINES:
        raise BadInput(f"at most {MOST_LINES} lines can be taken at once")
    if not lines:
        raise BadInput("there is no day with a price in it")
    delimiter = max("\t;,", key=text.count)
    found = []
    for number, line in enumerate(lines, 1):
        try:
            [cells] = csv.reader(io.StringIO(line), delimiter=delimiter)
        except (csv.Error, ValueError):
            cells = [line]
        made = _priced([c.strip() for c in cells], delimiter)
        if made is not None:
            found.append(made)
        elif number > 1 or any(c.isdigit() for c in line):
            raise BadInput(f"line {number}: “{line.strip()[:60]}” is no day with a price")
    if not found:
        raise BadInput("there is no day with a price in it")
    return found


def _priced(cells: list[str], delimiter: str) -> Priced | None:
    # A comma may part the cells and the decimals: then a price has two cells.
    if delimiter == "," and len(cells) > 2 and re.fullmatch(r"\d{2}", cells[2]) and cells[1].isdigit():
        cells = [cells[0], f"{cells[1]}.{cells[2]}", *cells[3:]]
    if len(cells) < 2:
        return None
    day, price = day_in(cells[0]), price_in(cells[1])
    if day is None or price is None or not 2000 <= day.year < 2100:
        return None
    return Priced(day, price, ", ".join(c for c in cells[2:] if c)[:_LONGEST_SOURCE])


def price_in(text: str) -> float | None:
    """ "499", "1.099,50", "1,099.50", "1 099", "1.099": of two marks the last is the decimal one; a single mark before three
    digits parts thousands, as no price has three decimals. None for anything else, and for more than ten million."""
    plain = re.sub(r"[\s\u00a0\u202f']|[A-Z]{3}|[€$£]", "", text)
    if re.fullmatch(r"\d{1,3}([.,])\d{3}(\1\d{3})*", plain):
        plain = re.sub(r"[.,]", "", plain)
    elif "," in plain and "." in plain:
        decimal = max(",.", key=plain.rindex)
        whole, _, cents = plain.rpartition(decimal)
        plain = f"{whole.replace(',', '').replace('.', '')}.{cents}"
    plain = plain.replace(",", ".")
    if not re.fullmatch(r"\d{1,9}(\.\d{1,2})?", plain):
        return None
    value = float(plain)
    return value if value <= MOST_PRICE else None
