"""Batches: so many parts of one artifact on each machine, and what one of them takes then."""

import uuid

from pydantic import BaseModel, Field
from sqlalchemy.orm import Session

from crevlo.core.batch import Amounts, parts_a_month
from crevlo.core.circuit import PLANNED_SHARE, carried, planned_w
from crevlo.core.cost import CostInputs, say_ratio
from crevlo.core.estimate import BadInput, NotDetermined
from crevlo.core.evaluations.batches import Made, made_on, plate_load
from crevlo.core.evidence import Evidence
from crevlo.stations.figures.study import StudyFigures, study_figures
from crevlo.stations.kit.mark import UnitMark, mark_of
from crevlo.stations.kit.shape import Shape
from crevlo.stations.library.model import peak_w_of
from crevlo.store.study import StudyUnit

_STEPS = 40


class BatchWish(BaseModel):
    """How many of what, in how many hours of a month, on which circuit."""

    parts: int = Field(default=100, ge=1, le=100_000)
    line: int = Field(default=0, ge=0, le=1000, description="which artifact and spool, in the order of `lines`")
    available_h: float = Field(default=300, ge=0, le=744, description="hours a month in which it prints")
    amps: float = Field(default=16, gt=0, le=1000)
    volts: float = Field(default=230, gt=0, le=1000)
    share: float = Field(default=PLANNED_SHARE, gt=0, le=1, description="of the fuse that planning uses")


class BatchAmounts(Shape):
    """Time, filament, energy and money; of a batch, or of one part of it."""

    hours: float
    part_g: float
    waste_g: float
    changes: float
    kwh: float
    cost: float


class MachineBatch(Shape):
    machine: UnitMark
    needs: str = Field(description="what is missing before it can be worked out; empty where nothing is")
    parts_per_plate: int | None
    plates: int | None
    whole: BatchAmounts | None
    each: BatchAmounts | None
    parts_a_month: int | None
    peak_w: float
    peak_from: str
    steady_w: float | None
    all_at_once: int | None = Field(description="machines that the circuit carries, all heating up together")
    one_after_another: int | None = Field(description="machines that it carries, started one after another")


class CurvePoint(Shape):
    parts: int
    cost: float


class Curve(Shape):
    """Cost of a part by how many are made, with its steps where another plate begins."""

    machine: UnitMark
    points: list[CurvePoint]


class BatchLine(Shape):
    artifact: str
    spool: str


class BatchView(Shape):
    currency: str
    lines: list[BatchLine]
    line: int
    machines: list[MachineBatch]
    curves: list[Curve]
    ratios: list[str] = Field(description="both ways with their base")
    limit_w: float
    basis: str


def view_batch(session: Session, study_id: uuid.UUID, wish: BatchWish) -> BatchView:
    inputs = study_figures(session, study_id)
    bench = inputs.compared
    keys = sorted(bench.lines, key=lambda k: (bench.artifacts[k[0]].name, bench.spools[k[1]].code))
    at = min(wish.line, len(keys) - 1)
    limit = planned_w(wish.amps, wish.volts, wish.share)
    rows, curves = [], []
    if keys:
        plates = inputs.plates()
        for entry in bench.units:
            made = made_on(inputs.evidence, plates[entry.unit_id], entry.unit_id, keys[at], wish.parts)
            rows.append(_row(inputs, entry, made, keys[at], wish, limit))
            if not isinstance(made, NotDetermined):
                curves.append(_curve(inputs.evidence, plates[entry.unit_id], entry, keys[at], wish.parts))
    rows.sort(key=lambda r: (r.each is None, r.each.cost if r.each else 0.0))
    return BatchView(
        currency=bench.study.currency,
        lines=[BatchLine(artifact=bench.artifacts[a].name, spool=bench.spools[s].code) for a, s in keys],
        line=max(at, 0), machines=rows, curves=curves, ratios=_ratios(rows), limit_w=limit,
        basis="Means of the good prints. The last plate counts with the parts that are left for it; warming up and changes are "
        "by the plate, energy by the part.",
    )  # fmt: skip


def _row(
    inputs: StudyFigures, entry: StudyUnit, made: Made | NotDetermined, line: tuple[uuid.UUID, uuid.UUID],
    wish: BatchWish, limit: float,
) -> MachineBatch:  # fmt: skip
    peak, stated = peak_w_of(entry.unit.model)
    row = MachineBatch(
        machine=mark_of(entry), needs=made.needs if isinstance(made, NotDetermined) else "", parts_per_plate=None, plates=None,
        whole=None, each=None, parts_a_month=None, peak_w=peak,
        peak_from="the maker's sheet" if stated else "usual for bed and nozzle heating together", steady_w=None,
        all_at_once=None, one_after_another=None,
    )  # fmt: skip
    load = plate_load(inputs.evidence.machines[entry.unit_id], line)
    if isinstance(made, NotDetermined) or isinstance(load, NotDetermined):
        return row
    row.parts_per_plate, row.plates = load.parts, made.batch.plates
    row.whole = _taken(made.batch, made.cost.total * wish.parts)
    row.each = _taken(made.batch.per_part, made.cost.total)
    row.parts_a_month = parts_a_month(load, wish.available_h)
    row.steady_w = made.steady_w
    try:
        on = carried(max(peak, made.steady_w), made.steady_w, limit)
    except BadInput:
        return row
    row.all_at_once, row.one_after_another = on.all_at_once, on.one_after_another
    return row


def _taken(of: Amounts, cost: float) -> BatchAmounts:
    return BatchAmounts(
        hours=of.hours, part_g=of.part_g, waste_g=of.waste_g, changes=of.changes, kwh=of.kwh, cost=cost
    )  # fmt: skip


def _curve(
    evidence: Evidence, plate: CostInputs | NotDetermined, entry: StudyUnit, line: tuple[uuid.UUID, uuid.UUID], parts: int
) -> Curve:  # fmt: skip
    """Up to the batch asked for, at most so many sizes, evenly spread; none where every part costs the same."""
    sizes = sorted({max(1, round(parts * k / _STEPS)) for k in range(1, _STEPS + 1)})
    points = []
    for n in sizes:
        made = made_on(evidence, plate, entry.unit_id, line, n)
        if not isinstance(made, NotDetermined):
            points.append(CurvePoint(parts=n, cost=made.cost.total))
    # With one part on a plate none shares anything: there is no curve to show.
    if points and max(p.cost for p in points) - min(p.cost for p in points) < 1e-9 * points[0].cost:
        return Curve(machine=mark_of(entry), points=[])
    return Curve(machine=mark_of(entry), points=points)


def _ratios(rows: list[MachineBatch]) -> list[str]:
    """The least against the most of each amount; nothing where fewer than two are known or all take none."""
    words = []
    for name, verb in (("cost", "costs"), ("hours", "takes"), ("kwh", "draws"), ("waste_g", "wastes")):
        known = [(getattr(r.each, name), r.machine.name) for r in rows if r.each and getattr(r.each, name) > 0]
        if len(known) > 1:
            (least, a), (most, b) = min(known), max(known)
            said = say_ratio(a, least, b, most, verb=verb)
            words.append(f"{_WHAT[name]}: {said}")
    return words


_WHAT = {"cost": "A part", "hours": "Time of a part", "kwh": "Energy of a part", "waste_g": "Waste of a part"}
