"""What one bead of the cost bar is made of."""

import uuid

from sqlalchemy.orm import Session

from crevlo.core.cost import cost_per_good_part
from crevlo.core.estimate import NotDetermined
from crevlo.stations.cost.part import PARTS
from crevlo.stations.departures import departures_of
from crevlo.stations.evidence.entrant import By
from crevlo.stations.figures.source import Input, Lead, Source, run_entries
from crevlo.stations.figures.study import study_figures_by
from crevlo.stations.kit.shape import Missing


def cost_source(session: Session, study_id: uuid.UUID, key: uuid.UUID, part: str, by: By = By.MACHINE) -> Source:
    """What one bead of the cost bar is made of; `key` is that of a machine, or of its configuration or arm."""
    inputs = study_figures_by(session, study_id, by)
    bench, currency = inputs.compared, inputs.bench.study.currency
    entrant = inputs.entrant(key)
    unit_id = entrant.entry.unit_id
    if part not in (*PARTS, "total"):
        raise Missing("Cost has no such part.")
    given = inputs.plates()[key]
    if isinstance(given, NotDetermined):
        return Source(
            title=f"{part.capitalize()}, {entrant.name}",
            amount="not determined",
            rule=f"Needs {given.needs}.",
            inputs=[],
            entries=[],
        )
    made_up = cost_per_good_part(given)
    counted, excused = inputs.counted(key)
    spools = ", ".join(sorted({bench.spools[j.spool_ids[0]].code for j in bench.jobs}))
    tries = f"{counted.good} of {counted.tries} counted attempts good, {excused} excused"
    rules: dict[str, tuple[str, list[Input]]] = {
        "material": ("grams / 1000 · price per kg", [
            Input(name="Filament per part", amount=f"{given.part_g:.2f} g", note="mean of the sliced files"),
            Input(name="Price", amount=f"{given.material_per_kg:.2f} {currency}/kg", note=f"spool {spools}" if spools else "")]),
        "energy": ("kWh · tariff", [
            Input(name="Energy", amount=f"{given.energy_kwh:.3f} kWh", note="mean of the good prints"),
            Input(name="Tariff", amount=f"{given.tariff_per_kwh:.3f} {currency}/kWh", note="cost basis of the study")]),
        "machine": ("hours · ((price + upgrades − residual) / life + upkeep)", [
            Input(name="Hours", amount=f"{given.hours:.2f} h", note="mean of the good prints"),
            Input(name="Price paid and upgrades", amount=f"{given.price:.0f} + {given.upgrades:.0f} {currency}", note="Receive"),
            Input(name="Residual", amount=f"{given.residual:.0f} {currency}", note="Receive"),
            Input(name="Life and upkeep", amount=f"{given.life_h:.0f} h, {given.upkeep_per_h:.2f} {currency}/h", note="cost basis, or its own log")]),
        "labour": ("minutes / 60 · wage", [
            Input(name="Labour", amount=f"{given.labour_min:.0f} min", note="cost basis"),
            Input(name="Wage", amount=f"{given.wage_per_h:.2f} {currency}/h", note="cost basis")]),
        "failures": ("(1 − p)/p · (loss · (material + energy + machine) + failed labour)", [
            Input(name="Chance of a good print", amount=f"{100 * given.success:.0f} %", note=tries),
            Input(name="Loss of a failed plate", amount=f"{100 * given.loss_fraction:.0f} %", note="cost basis"),
            Input(name="Labour of a failed plate", amount=f"{given.failed_labour_min:.0f} min", note="cost basis")]),
    }  # fmt: skip
    if part == "total":
        rule = "Material + energy + machine time + labour + failures, per good part"
        shown = [
            Input(
                name=p.capitalize(),
                amount=f"{getattr(made_up, p):.3f} {currency}",
                note=rules[p][0],
                lead=Lead(station="cost", figure=p),
            )
            for p in PARTS
        ]
        amount = made_up.total
    else:
        rule, shown = rules[part]
        amount = getattr(made_up, part)
    return Source(
        title=f"{part.capitalize()}, {entrant.name}", amount=f"{amount:.3f} {currency} per good part", rule=rule,
        inputs=shown, entries=run_entries(session, entrant.bench, unit_id), departures=departures_of(entrant.bench, unit_id),
    )  # fmt: skip
