"""Cost by artifact: what one good part of each takes on each machine, and what a machine costs beside its parts."""

import math
import uuid

from pydantic import BaseModel, Field
from sqlalchemy.orm import Session

from crevlo.core.estimate import NotDetermined
from crevlo.core.evaluations.batches import made_on, plate_load
from crevlo.core.evidence import Machine
from crevlo.stations.bench import Bench
from crevlo.stations.devices.power import standby_of
from crevlo.stations.figures.study import StudyFigures, study_figures
from crevlo.stations.kit.mark import UnitMark, mark_of
from crevlo.stations.kit.shape import Shape
from crevlo.store.study import StudyUnit

HOURS_A_YEAR = 8760.0


class TableWish(BaseModel):
    standby_h: float = Field(
        default=HOURS_A_YEAR, ge=0, le=HOURS_A_YEAR, description="hours a year that a machine stands by"
    )


class CostCell(Shape):
    """One good part of one artifact on one machine, as of a full plate; `without_failures` leaves out what failed plates cost."""

    unit_id: uuid.UUID
    needs: str
    hours: float | None = None
    grams: float | None = Field(default=None, description="of the part and its share of what is purged")
    waste_g: float | None = None
    kwh: float | None = None
    cost: float | None = None
    without_failures: float | None = None


class CostRow(Shape):
    artifact: str
    spool: str
    cells: list[CostCell] = Field(description="in the order of the machines")
    says: str


class Beside(Shape):
    """What a machine costs whatever it prints."""

    machine: UnitMark
    usable: float | None = Field(description="price paid, with what it took to make it usable")
    upgrades: float | None
    residual: float | None
    standby_w: float | None
    standby_needs: str
    standby_cost: float | None = Field(description="a year, at the study's tariff")


class CostTable(Shape):
    currency: str
    machines: list[Beside]
    rows: list[CostRow]
    standby_h: float
    basis: str


def view_table(session: Session, study_id: uuid.UUID, wish: TableWish) -> CostTable:
    inputs = study_figures(session, study_id)
    bench = inputs.compared
    keys = sorted(bench.lines, key=lambda k: (bench.artifacts[k[0]].name, bench.spools[k[1]].code))
    standby = standby_of(session, [u.unit_id for u in bench.units])
    yearly = wish.standby_h / 1000 * bench.study.tariff_per_kwh
    beside = [_beside(bench, entry, standby[entry.unit_id], yearly) for entry in bench.units]
    return CostTable(
        currency=bench.study.currency, machines=beside, rows=[_row(inputs, key) for key in keys], standby_h=wish.standby_h,
        basis="A full plate of each, by the part; prices, tariff and chance of success as everywhere at Cost.",
    )  # fmt: skip


def _beside(bench: Bench, entry: StudyUnit, watts: float | NotDetermined, yearly: float) -> Beside:
    price = bench.price_of(entry.unit_id)
    paid = price.paid is not None
    row = Beside(
        machine=mark_of(entry), usable=price.all_in, upgrades=price.upgrades if paid else None,
        residual=price.residual if paid else None, standby_w=None, standby_needs="", standby_cost=None,
    )  # fmt: skip
    if isinstance(watts, NotDetermined):
        row.standby_needs = watts.needs
    else:
        row.standby_w, row.standby_cost = watts, watts * yearly
    return row


def _seen(machine: Machine, unit_id: uuid.UUID, key: tuple[uuid.UUID, uuid.UUID]) -> CostCell:
    """What the good prints of a line took by the part, as far as each is known by itself."""
    cell = CostCell(unit_id=unit_id, needs="")
    good = [run for run in machine.good if run.line == key]
    metered = [run.kwh / run.parts for run in good if run.kwh is not None]
    if good:
        cell.hours = math.fsum(run.hours / run.parts for run in good) / len(good)
    if metered:
        cell.kwh = math.fsum(metered) / len(metered)
    if of_plate := machine.filament.get(key):
        cell.waste_g = of_plate.waste_g / of_plate.parts
        cell.grams = of_plate.part_g + cell.waste_g
    return cell


def _row(inputs: StudyFigures, key: tuple[uuid.UUID, uuid.UUID]) -> CostRow:
    bench, plates = inputs.compared, inputs.plates()
    cells, names = [], {}
    for entry in bench.units:
        names[entry.unit_id] = entry.unit.name
        machine = inputs.evidence.machines[entry.unit_id]
        cell = _seen(machine, entry.unit_id, key)
        load = plate_load(machine, key)
        made = (
            load
            if isinstance(load, NotDetermined)
            else made_on(inputs.evidence, plates[entry.unit_id], entry.unit_id, key, load.parts)
        )
        if isinstance(made, NotDetermined):
            cell.needs = made.needs
        else:
            cell.cost, cell.without_failures = made.cost.total, made.cost.total - made.cost.failures
        cells.append(cell)
    known = sorted((c for c in cells if c.cost is not None), key=lambda c: c.cost or 0.0)
    says = ""
    if len(known) > 1 and known[0].cost and known[1].cost and known[1].cost > known[0].cost:
        more = 100 * (known[1].cost / known[0].cost - 1)
        says = f"Cheapest on {names[known[0].unit_id]}; on {names[known[1].unit_id]}, the next, it costs {more:.0f} % more."
    return CostRow(artifact=bench.artifacts[key[0]].name, spool=bench.spools[key[1]].code, cells=cells, says=says)
