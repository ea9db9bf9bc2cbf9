"""Cost: cost per good part of each machine, its make-up, and the inputs behind it."""

import uuid
from collections.abc import Mapping

import numpy as np
from pydantic import Field
from sqlalchemy.orm import Session

from crevlo.core.cost import CostInputs, cost_per_good_part, say_apart, say_costs, say_levers, to_cost
from crevlo.core.estimate import NotDetermined
from crevlo.core.evidence import Key
from crevlo.core.figure import Draws, central
from crevlo.core.ranking.chances import DRAWS
from crevlo.stations.departures import departures_of
from crevlo.stations.evidence.entrant import By, sides_of
from crevlo.stations.figures.study import StudyFigures, study_figures_by
from crevlo.stations.kit.change import change
from crevlo.stations.kit.kept import Kept
from crevlo.stations.kit.mark import UnitMark
from crevlo.stations.kit.shape import Quantity, Shape, Version, quantity
from crevlo.stations.study import get_study

PARTS = ("material", "energy", "machine", "labour", "failures")


class CostPart(Shape):
    name: str
    amount: float


class MachineCost(Shape):
    machine: UnitMark
    total: Quantity
    parts: list[CostPart]
    all_in: Quantity
    part_g: float | None
    energy_kwh: float | None
    hours: float | None
    good: int
    tries: int
    departures: list[str] = Field(description="departures from the protocol behind its figures")
    safety: list[str] = Field(description="failed checks, hazards and repairs on record, whatever came after")
    not_recommended: str


class CostBasis(Shape):
    version: Version
    tariff_per_kwh: float = Field(ge=0, le=100)
    wage_per_h: float = Field(ge=0, le=10000)
    labour_min: float = Field(ge=0, le=10000)
    failed_labour_min: float = Field(ge=0, le=10000)
    loss_fraction: float = Field(ge=0, le=1)
    life_h: float = Field(gt=0, le=1e6)
    upkeep_per_h: float = Field(ge=0, le=10000)
    upkeep_from_log: bool = Field(
        default=False, description="of machines whose log tells costs and hours, in place of it"
    )


class Material(Shape):
    spool: str
    per_kg: float
    currency: str


class CostView(Shape):
    currency: str
    basis: CostBasis
    materials: list[Material]
    machines: list[MachineCost]
    sentence: str
    certainty: str
    cheaper: list[str] = Field(description="of each dearer machine what alone would bring it down to the cheapest")
    apart: list[str]
    sides: list[By] = Field(description="what can stand side by side in this study")
    by: By


def view_cost(session: Session, study_id: uuid.UUID, by: By = By.MACHINE) -> CostView:
    """What a good part costs on every machine, or in each of their configurations or arms."""
    inputs = study_figures_by(session, study_id, by)
    return _views.get(inputs.state, lambda: _view(inputs, by)) if inputs.state else _view(inputs, by)


# What is said of the same rows.
_views: Kept[CostView] = Kept(64)


def _view(inputs: StudyFigures, by: By) -> CostView:
    bench, plates = inputs.compared, inputs.plates()
    currency = bench.study.currency
    machines = []
    for entrant in inputs.entrants:
        entry, key = entrant.entry, entrant.key
        plate = plates[key]
        made = None if isinstance(plate, NotDetermined) else cost_per_good_part(plate)
        counted, _ = inputs.counted(key)
        machines.append(
            MachineCost(
                machine=entrant.mark, total=quantity(inputs.figure("cost", key), currency, 2),
                parts=[CostPart(name=name, amount=getattr(made, name)) for name in PARTS] if made else [],
                all_in=quantity(inputs.figure("price", key), currency, 0),
                part_g=plate.part_g if isinstance(plate, CostInputs) else None,
                energy_kwh=central(inputs.figure("energy", key)), hours=central(inputs.figure("time", key)),
                good=counted.good, tries=counted.tries,
                departures=departures_of(entrant.bench, entry.unit_id), safety=list(bench.records[entry.unit_id].on_record),
                not_recommended=entry.not_recommended,
            )
        )  # fmt: skip
    machines.sort(key=lambda m: (m.total.value is None, m.total.value or 0.0))
    known = [m for m in machines if m.total.value]
    sentence = certainty = ""
    if len(known) > 1:
        a, b = known[0], known[-1]
        sentence = say_costs(a.machine.name, a.total.value or 0, b.machine.name, b.total.value or 0, currency)
        drawn = Draws(DRAWS, np.random.default_rng(bench.study.seed))
        costs = [
            drawn.of(figure, m.machine.unit_id, "cost")
            for m in known
            if not isinstance(figure := inputs.figure("cost", m.machine.unit_id), NotDetermined)
        ]
        certainty = say_apart(a.machine.name, float(np.mean(np.argmin(costs, axis=0) == 0)), len(costs))
    spools = {j.spool_ids[0]: bench.spools[j.spool_ids[0]] for j in bench.jobs}
    return CostView(
        currency=currency, basis=CostBasis.model_validate(bench.study, extra="ignore"),
        materials=[Material(spool=s.code, per_kg=s.price_per_kg, currency=s.currency) for s in sorted(spools.values(), key=lambda s: s.code)],
        machines=machines,
        sentence=sentence, certainty=certainty, cheaper=_cheaper(known, plates, currency), apart=inputs.apart,
        sides=sides_of(inputs.bench), by=by,
    )  # fmt: skip


def _cheaper(known: list[MachineCost], plates: Mapping[Key, CostInputs | NotDetermined], currency: str) -> list[str]:
    words = []
    least = known[0].total.value if known else None
    for m in known[1:]:
        plate = plates[m.machine.unit_id]
        if isinstance(plate, CostInputs) and least and cost_per_good_part(plate).total > least * (1 + 1e-9):
            levers = to_cost(plate, least)
            words.append(say_levers(m.machine.name, levers, known[0].machine.name, currency))
    return words


def change_basis(session: Session, study_id: uuid.UUID, given: CostBasis) -> CostView:
    change(session, get_study(session, study_id), given.version, given.model_dump(exclude={"version"}))
    return view_cost(session, study_id)
