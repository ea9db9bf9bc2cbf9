"""What is measured on a unit, and the printable area that follows from it."""

import math
import uuid
from collections.abc import Sequence
from datetime import datetime

from pydantic import Field
from sqlalchemy.orm import Session

from crevlo.core.claims import ClaimKind
from crevlo.core.estimate import BadInput, Estimate, NotDetermined
from crevlo.core.printable import printable_area
from crevlo.stations.kit.clock import stated_time
from crevlo.stations.kit.shape import Moment, Refused, Shape
from crevlo.stations.library.unit import configuration_of
from crevlo.store.machine import Model
from crevlo.store.record import Claim, MeasureKind, UnitMeasure

MEASURE_UNITS = {
    MeasureKind.WEIGHT: "kg", MeasureKind.WARM_NOZZLE: "s", MeasureKind.WARM_BED: "s", MeasureKind.WARM_BOTH: "s",
    MeasureKind.NOZZLE: "°C", MeasureKind.BED: "°C", MeasureKind.SPEED: "mm/s", MeasureKind.FLOW: "mm³/s",
    MeasureKind.COLOUR: "s", MeasureKind.PURGE: "g", MeasureKind.SETUP_FIRST: "s", MeasureKind.SETUP_AGAIN: "s",
}  # fmt: skip


_GROUPS = {
    "Printable area": (
        MeasureKind.LEFT, MeasureKind.RIGHT, MeasureKind.FRONT, MeasureKind.BACK, MeasureKind.PLATE_X, MeasureKind.PLATE_Y,
        MeasureKind.HEIGHT, MeasureKind.TOP,
    ),
    "Warm-up from the room's temperature": (MeasureKind.WARM_NOZZLE, MeasureKind.WARM_BED, MeasureKind.WARM_BOTH),
    "The rest": (MeasureKind.WEIGHT, MeasureKind.NOZZLE, MeasureKind.BED, MeasureKind.SPEED, MeasureKind.FLOW),
    "Handling": (MeasureKind.SETUP_FIRST, MeasureKind.SETUP_AGAIN, MeasureKind.COLOUR, MeasureKind.PURGE),
}  # fmt: skip


class MeasureChoice(Shape):
    kind: MeasureKind
    unit: str
    group: str


MEASURE_CHOICES = [
    MeasureChoice(kind=kind, unit=MEASURE_UNITS.get(kind, "mm"), group=group)
    for group, kinds in _GROUPS.items()
    for kind in kinds
]

_WARM_UPS = (MeasureKind.WARM_NOZZLE, MeasureKind.WARM_BED, MeasureKind.WARM_BOTH)


_EDGES = (MeasureKind.LEFT, MeasureKind.RIGHT, MeasureKind.FRONT, MeasureKind.BACK)


# What is taken as the standard uncertainty of a single measurement without an instrument on record.
_BY_HAND = {"mm": 0.5, "s": 5.0, "kg": 0.05, "°C": 2.0, "mm/s": 5.0, "mm³/s": 0.5, "g": 0.05}


class MeasureOut(Shape):
    id: uuid.UUID
    kind: MeasureKind
    name: str = Field(description="what was measured, in words")
    value: float
    unit: str
    from_c: float | None
    to_c: float | None
    instrument: str | None
    note: str
    configuration: int
    corrected: bool
    taken_at: datetime


class NewMeasure(Shape):
    id: uuid.UUID
    kind: MeasureKind
    claim_id: uuid.UUID | None = Field(default=None, description="the claim that it is of, where only that names it")
    value: float = Field(ge=-1000, le=1e6)
    from_c: float | None = Field(default=None, ge=-50, le=700)
    to_c: float | None = Field(default=None, ge=-50, le=700)
    instrument_id: uuid.UUID | None = None
    note: str = Field(default="", max_length=300)
    taken_at: Moment | None = None
    supersedes_id: uuid.UUID | None = None
    reason: str | None = Field(default=None, min_length=1, max_length=300)


class PrintableOut(Shape):
    width_mm: float | None
    depth_mm: float | None
    offset_x_mm: float | None
    offset_y_mm: float | None
    words: str


def record_measure(session: Session, unit_id: uuid.UUID, given: NewMeasure, person_id: uuid.UUID) -> None:
    """Keeps a measurement in the unit's present configuration, or corrects one with its reason."""
    if (given.supersedes_id is None) != (given.reason is None):
        raise Refused("A correction names the measurement it replaces and the reason.")
    if given.kind in _WARM_UPS and (given.from_c is None or given.to_c is None):
        raise Refused("A warm-up needs the temperatures it went from and to.")
    claim = session.get(Claim, given.claim_id) if given.claim_id else None
    if (given.kind is MeasureKind.CLAIM) != (claim is not None):
        raise Refused("A measurement of a claim names the claim, and only such a one does.")
    if claim is not None and claim.kind is not ClaimKind.OTHER:
        raise Refused(f"The {claim.kind.value} is measured as such, or by its readings.")
    if given.kind not in _EDGES and given.value < 0:
        raise Refused("Only an edge may lie below 0: where the nozzle reaches over it.")
    fields = given.model_dump() | {"taken_at": stated_time(given.taken_at)}
    session.add(
        UnitMeasure(
            unit_id=unit_id, configuration_id=configuration_of(session, unit_id).id, person_id=person_id, **fields
        )
    )
    session.flush()


def mean_of(measures: Sequence[UnitMeasure], *kinds: MeasureKind) -> Estimate | NotDetermined:
    """Mean of what was measured of one kind; its spread where there are several, else what a single one can be wrong by."""
    values = [m.value for m in measures if m.kind in kinds]
    unit = MEASURE_UNITS.get(kinds[0], "mm")
    if not values:
        return NotDetermined(f"a measurement of “{kinds[0].value}”")
    n, by_hand = len(values), _BY_HAND[unit]
    mean = math.fsum(values) / n
    if n == 1:
        return Estimate(mean, by_hand)
    spread = math.sqrt(math.fsum((v - mean) ** 2 for v in values) / (n - 1))
    return Estimate(mean, math.hypot(spread / math.sqrt(n), by_hand / math.sqrt(n)), n - 1 if spread else math.inf)


def printable(model: Model, measures: Sequence[UnitMeasure]) -> PrintableOut:
    edges = [mean_of(measures, kind) for kind in _EDGES]
    missing = [e.needs for e in edges if isinstance(e, NotDetermined)]
    if missing:
        return PrintableOut(
            width_mm=None, depth_mm=None, offset_x_mm=None, offset_y_mm=None,
            words=f"Not determined: needs {missing[0]}. Home it, drive to each edge, and measure what the nozzle does not reach.",
        )  # fmt: skip
    plate = [
        e.value if isinstance(e := mean_of(measures, kind), Estimate) else stated
        for kind, stated in ((MeasureKind.PLATE_X, model.bed_x_mm), (MeasureKind.PLATE_Y, model.bed_y_mm))
    ]
    left, right, front, back = (e.value for e in edges if isinstance(e, Estimate))
    try:
        made = printable_area(plate[0], plate[1], left, right, front, back)
    except BadInput as refused:
        return PrintableOut(width_mm=None, depth_mm=None, offset_x_mm=None, offset_y_mm=None, words=f"{refused}.")
    sides = [
        f"{abs(short):.1f} mm {less if short > 0 else more}"
        for short, less, more in (
            (model.bed_x_mm - made.width_mm, "narrower", "wider"),
            (model.bed_y_mm - made.depth_mm, "less deep", "deeper"),
        )
        if abs(short) >= 0.5
    ]
    words = f"{made.width_mm:.1f} × {made.depth_mm:.1f} mm" + (
        f", {' and '.join(sides)} than its sheet says." if sides else ", as its sheet says."
    )
    off = math.hypot(made.offset_x_mm, made.offset_y_mm)
    words += f" The middle lies {off:.1f} mm off." if off >= 0.5 else " The middle is where it should be."
    top = mean_of(measures, MeasureKind.TOP)
    if isinstance(top, Estimate):
        share = 100 * top.value / made.width_mm
        words += f" At full height it is {top.value:.0f} mm wide, {share:.0f} % of that."
    return PrintableOut(
        width_mm=made.width_mm, depth_mm=made.depth_mm, offset_x_mm=made.offset_x_mm, offset_y_mm=made.offset_y_mm, words=words
    )  # fmt: skip
