"""What a model cost over time: by hand, or a table of days and prices."""

import uuid
from datetime import date, datetime

from pydantic import Field
from sqlalchemy import select
from sqlalchemy.orm import Session

from crevlo.stations.kit.clock import has_come
from crevlo.stations.kit.shape import Currency, Day, Missing, Money, Refused, Shape
from crevlo.store.machine import Model
from crevlo.store.record import PricePoint

MOST_LINES = 2000


class PriceOut(Shape):
    id: uuid.UUID
    price: float
    currency: str
    priced_on: date
    source: str
    recorded_at: datetime


class PriceList(Shape):
    """The newest day first; of several statements for one day and currency the last counts."""

    prices: list[PriceOut]


class NewPrice(Shape):
    id: uuid.UUID
    price: Money
    currency: Currency
    priced_on: Day
    source: str = Field(min_length=1, max_length=200, description="where it was read")


class PriceTable(Shape):
    """Lines of day, price and perhaps a source, parted by comma, semicolon or tab; the first may be a heading."""

    words: str = Field(min_length=1, max_length=200_000)
    currency: Currency
    source: str = Field(min_length=1, max_length=200, description="of lines that name none")


def add_price(session: Session, model_id: uuid.UUID, given: NewPrice, person_id: uuid.UUID) -> PriceList:
    _model(session, model_id)
    if not has_come(given.priced_on):
        raise Refused("This day has not come yet.")
    if not given.source.strip():
        raise Refused("Say where the price was read.")
    session.add(PricePoint(model_id=model_id, person_id=person_id, **given.model_dump()))
    session.flush()
    return PriceList(prices=prices_of(session, {model_id}).get(model_id, []))


def add_prices(session: Session, model_id: uuid.UUID, given: PriceTable, person_id: uuid.UUID) -> PriceList:
    """All lines or none. Raises Refused naming the first line that cannot be read."""
    _model(session, model_id)
    for day, price, source in read_prices(given.words):
        session.add(
            PricePoint(
                id=uuid.uuid4(), model_id=model_id, price=price, currency=given.currency, priced_on=day,
                source=source or given.source.strip(), person_id=person_id,
            )
        )  # fmt: skip
    session.flush()
    return PriceList(prices=prices_of(session, {model_id}).get(model_id, []))


def read_prices(words: str) -> list[tuple[date, float, str]]:
    """Day, price and source of every line."""
    lines = [line for line in words.splitlines() if line.strip()]
    if len(lines) > MOST_LINES:
        raise Refused(f"At most {MOST_LINES} lines can be taken at once.")
    found = []
    for number, line in enumerate(lines, 1):
        mark = next((m for m in ("\t", ";", ",") if m in line), None)
        cells = [c.strip().strip('"').strip() for c in line.split(mark)] if mark else [line.strip()]
        # A comma may part the cells and the decimals: then a price has two cells.
        if mark == "," and len(cells) > 2 and cells[1].isdigit() and len(cells[2]) == 2 and cells[2].isdigit():
            cells[1:3] = [f"{cells[1]}.{cells[2]}"]
        day, price = _day(cells[0]), _price(cells[1]) if len(cells) > 1 else None
        if day is None or price is None:
            if number == 1 and day is None and not any(c.isdigit() for c in line):
                continue
            raise Refused(f"Line {number}: “{line.strip()[:60]}” is no day with a price. Nothing was kept.")
        if not has_come(day):
            raise Refused(f"Line {number}: {day:%d %b %Y} has not come yet. Nothing was kept.")
        found.append((day, price, ", ".join(cells[2:])[:200].strip()))
    if not found:
        raise Refused("There is no day with a price in it.")
    return found


def _day(cell: str) -> date | None:
    """As 2026-11-05, or 05.11.2026 with its points: other orders could mean two days."""
    parts = cell.split("." if "." in cell else "-")
    try:
        numbers = [int(p) for p in parts]
        year, month, day = numbers if "-" in cell else reversed(numbers)
        made = date(year, month, day)
    except (ValueError, OverflowError):
        return None
    return made if 2000 <= made.year < 2100 else None


def _price(cell: str) -> float | None:
    plain = cell.replace("\u00a0", "").replace(" ", "").strip("€$£")
    plain = plain.replace(".", "").replace(",", ".") if "," in plain else plain
    try:
        value = float(plain)
    except ValueError:
        return None
    return value if 0 <= value <= 1e7 else None


def prices_of(session: Session, model_ids: set[uuid.UUID]) -> dict[uuid.UUID, list[PriceOut]]:
    """By model, the newest day first; of one day and currency what was stated last."""
    last: dict[tuple[uuid.UUID, date, str], PricePoint] = {}
    for row in session.scalars(
        select(PricePoint).where(PricePoint.model_id.in_(model_ids)).order_by(PricePoint.recorded_at)
    ):
        last[row.model_id, row.priced_on, row.currency] = row
    found: dict[uuid.UUID, list[PriceOut]] = {}
    for row in sorted(last.values(), key=lambda r: r.priced_on, reverse=True):
        found.setdefault(row.model_id, []).append(PriceOut.model_validate(row, extra="ignore"))
    return found


def _model(session: Session, model_id: uuid.UUID) -> Model:
    row = session.get(Model, model_id)
    if row is None:
        raise Missing("There is no such machine.")
    return row
