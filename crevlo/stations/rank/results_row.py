"""Rows of the table of results: how a figure is written, and where it stands in its row."""

import uuid
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field

from pydantic import Field

from crevlo.core.estimate import Estimate, NotDetermined
from crevlo.core.evaluations.evaluation import Better, Quantity, Rests
from crevlo.core.evidence import Key
from crevlo.core.figure import Counted, Figure, central, interval
from crevlo.core.in_row import Place, places
from crevlo.stations.kit.shape import Shape


class ResultCell(Shape):
    """One figure of one column: as it is written, with its numbers in what is shown; `cannot`: why there is none."""

    text: str
    spread: str = Field(description="± or both ends; empty where it is exact")
    note: str
    needs: str
    cannot: str
    place: Place
    value: float | None
    low: float | None
    high: float | None


class ResultRow(Shape):
    code: str
    name: str
    unit: str
    cells: list[ResultCell] = Field(description="in the order of the columns, then of the references")


@dataclass(frozen=True)
class Beside:
    """What stands beside the figures of a row, by column: why there is none, a note, and what single prints gave where nobody
    knows their spread."""

    cannot: Mapping[uuid.UUID, str] = field(default_factory=dict)
    notes: Mapping[uuid.UUID, str] = field(default_factory=dict)
    bare: Mapping[Key, float] = field(default_factory=dict)


def row_of(
    q: Quantity,
    unit: str,
    figures: Sequence[Figure],
    columns: Sequence[uuid.UUID],
    beside: Beside,
    held: Mapping[uuid.UUID, Figure],
) -> ResultRow:
    exact = all(isinstance(f, Estimate) and f.u == 0 for f in figures if not isinstance(f, NotDetermined))
    # A step, such as a grade, says nothing of how near the readings are to the next.
    judged = not (exact and q.rests is Rests.READINGS)
    placed = places(figures, q.better, judged=judged, least=0.5 * 10.0**-q.digits / q.factor)
    return ResultRow(
        code=q.code, name=q.name, unit=unit,
        cells=[
            *(_cell(q, f, place, key, beside) for key, f, place in zip(columns, figures, placed, strict=True)),
            *(_cell(q, f, Place.NONE, key, Beside()) for key, f in held.items()),
        ],
    )  # fmt: skip


def _cell(q: Quantity, figure: Figure, place: Place, key: uuid.UUID, beside: Beside) -> ResultCell:
    cannot, note = beside.cannot.get(key, ""), beside.notes.get(key, "")
    if isinstance(figure, NotDetermined):
        bare = None if cannot else beside.bare.get(key)
        value = None if bare is None else q.factor * bare
        return ResultCell(
            text="" if value is None else _written(value, q), spread="" if value is None else "spread not known",
            note="" if cannot else note, needs="" if cannot else figure.needs, cannot=cannot, place=Place.NONE,
            value=value, low=None, high=None,
        )  # fmt: skip
    middle, (low, high) = central(figure), interval(figure)
    assert middle is not None
    value, low, high = (q.factor * x for x in (middle, low, high))
    if isinstance(figure, Counted):
        text, spread = f"{figure.good} of {figure.tries}", ""
    else:
        text = _written(value, q)
        even = isinstance(figure, Estimate)
        half = f"{(high - low) / 2:.{q.digits}f}"
        spread = f"± {half}" if even else f"{_written(low, q)} to {_written(high, q)}"
        if float(half) == 0:
            spread = ""
    return ResultCell(
        text=text, spread=spread, note=note, needs="", cannot="", place=place, value=value, low=low, high=high
    )


def _written(value: float, q: Quantity) -> str:
    """With its sign where 0 is best."""
    text = f"{abs(value):.{q.digits}f}"
    sign = "−" if value < 0 else "+" if q.better is Better.ZERO else ""
    return text if float(text) == 0 else f"{sign}{text}"
