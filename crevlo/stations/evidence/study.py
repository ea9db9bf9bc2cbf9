"""A study's comparable prints as evidence."""

import math
import uuid
from collections import defaultdict
from collections.abc import Mapping, Sequence
from typing import Any

from crevlo.core.estimate import NotDetermined
from crevlo.core.evidence import Basis, Duel, Evidence, Filament, Key, Level, LineOf, Machine, Run, Unit
from crevlo.core.life.wear import upkeep_per_h
from crevlo.core.money import Money, in_currency
from crevlo.core.portions import PURGED
from crevlo.core.success import Cause, Outcome
from crevlo.stations.bench import Bench
from crevlo.stations.evidence.entrant import Entrant
from crevlo.stations.evidence.specimen import Features, features_of, instruments_of, meter_of, specimen_again
from crevlo.stations.protocol import Policies
from crevlo.stations.study import LineKey, line_of
from crevlo.store import run as rows
from crevlo.store.machine import Instrument, Model
from crevlo.store.record import MeasureKind
from crevlo.store.study import Job


def evidence_of(bench: Bench, entrants: Sequence[Entrant]) -> Evidence:
    """Every entrant with its own prints, by its key; lines by artifact and spool."""
    features = {a.id: features_of(a) for a in bench.artifacts.values()}
    study = bench.study
    return Evidence(
        machines={e.key: _machine(e, features) for e in entrants},
        lines={line: LineOf(bench.artifacts[a].name, features[a]) for line, a in bench.lines.items()},
        instruments=instruments_of(bench.instruments.values(), bench.hands),
        basis=Basis(
            tariff_per_kwh=study.tariff_per_kwh, wage_per_h=study.wage_per_h, labour_min=study.labour_min,
            failed_labour_min=study.failed_labour_min, loss_fraction=study.loss_fraction, life_h=study.life_h,
            upkeep_per_h=study.upkeep_per_h,
        ),
        counted=frozenset(map(Cause, counted_causes(bench))),
        duels=_duels(bench, entrants),
        withheld=bench.withheld,
    )  # fmt: skip


def _machine(entrant: Entrant, features: Mapping[uuid.UUID, Features]) -> Machine:
    bench, unit_id = entrant.bench, entrant.entry.unit_id
    specimens = {s.run_id: s for s in bench.specimens_of(unit_id)}
    return Machine(
        runs=tuple(
            _run(bench, job, run, features[job.artifact_id], specimens)
            for job in bench.jobs_of(unit_id)
            for run in bench.runs.get(job.id, [])
            if run.outcome is not None
        ),
        main=bench.main_configuration(unit_id),
        idle=tuple(level_of(r, bench.instruments) for r in bench.noise.get(unit_id, [])),
        unit=unit_of(bench, unit_id),
        filament=_filament(bench, unit_id),
    )  # fmt: skip


def _duels(bench: Bench, entrants: Sequence[Entrant]) -> tuple[Duel, ...]:
    """Duels of the pieces of these entrants, by their keys and line."""
    made = {
        s.id: (e.key, e.bench.line_of_run[s.run_id]) for e in entrants for s in e.bench.specimens_of(e.entry.unit_id)
    }
    return tuple(
        Duel(made[d.first_id][1], made[d.first_id][0], made[d.second_id][0], d.won)
        for d in bench.duels
        if d.won is not None and d.first_id in made and d.second_id in made
    )


def counted_causes(bench: Bench) -> set[str]:
    """Causes of failure that count against a machine, by the policy of the protocol."""
    return set(Policies(**bench.protocol.policies).counted_causes) if bench.protocol else set()


def level_of(row: rows.NoiseReading, instruments: Mapping[uuid.UUID, Instrument]) -> Level:
    meter = meter_of(instruments, row.instrument_id, row.taken_at)
    return Level(row.state, row.level_db, row.background_db, row.distance_m, row.door_shut, row.fan_percent, meter)


def unit_of(bench: Bench, unit_id: uuid.UUID) -> Unit:
    """What was paid for a unit in the study's currency, what handling it took, and what its features are worth."""
    price, measures, worth = bench.price_of(unit_id), bench.measures.get(unit_id, []), bench.worth

    def money(amounts: Sequence[Money]) -> tuple[float, ...] | NotDetermined:
        try:
            return tuple(in_currency(m, bench.study.currency, bench.rates) for m in amounts)
        except NotDetermined as missing:
            return missing

    def times(kind: MeasureKind) -> tuple[float, ...]:
        return tuple(m.value for m in measures if m.kind is kind)

    entry = next(u for u in bench.units if u.unit_id == unit_id)
    assembled = bench.assembly_s.get(unit_id)
    stated = [price.money(amount) for amount in (price.paid or 0.0, price.upgrades, price.residual)]
    paid = money(stated) if price.paid is not None else NotDetermined("the price paid, at Receive")
    base = money([worth.base] if worth.base else [])
    past = bench.pasts.get(unit_id)
    kept_up = money(past.spent) if past else None
    parts = (0.0, 0.0, 0.0) if isinstance(paid, NotDetermined) else paid
    return Unit(
        paid=paid if isinstance(paid, NotDetermined) else parts[0], upgrades=parts[1], residual=parts[2],
        upkeep_per_h=upkeep_per_h(kept_up, past.clock.watched) if past and isinstance(kept_up, tuple) else None,
        setup_first_s=times(MeasureKind.SETUP_FIRST) or ((assembled,) if assembled else ()),
        setup_next_s=times(MeasureKind.SETUP_AGAIN), warm_up_s=times(MeasureKind.WARM_BOTH),
        worth_base=base if isinstance(base, NotDetermined) else sum(base),
        worth_present=money(worth.present.get(entry.unit.model_id, [])),
        said=bench.said.get(unit_id, {}), sheet=_sheet(entry.unit.model, money(price.day)),
    )  # fmt: skip


def _sheet(model: Model, day_price: tuple[float, ...] | NotDetermined) -> dict[str, float]:
    """Lines of the maker's sheet that can count, and the price of the day, as far as each is stated."""
    lines = {
        "side": min(model.bed_x_mm, model.bed_y_mm), "height": model.height_mm, "tools": model.tools, "enclosed": model.enclosed,
        "nozzle": model.sheet.get("nozzle_max_c"), "bed": model.sheet.get("bed_max_c"), "weight": model.sheet.get("weight_kg"),
        "day_price": day_price[0] if not isinstance(day_price, NotDetermined) and day_price else None,
    }  # fmt: skip
    return {code: float(value) for code, value in lines.items() if value is not None}


def _run(bench: Bench, job: Job, run: rows.Run, features: Features, specimens: dict[uuid.UUID, rows.Specimen]) -> Run:
    assert run.outcome is not None
    file, rejection, specimen = bench.sliced.get(job.id), bench.rejections.get(run.id), specimens.get(run.id)
    return Run(
        line=line_of(job), job=job.id, outcome=run.outcome, hours=run.printed_s / 3600, parts=run.parts or job.parts,
        cause=rejection.cause if rejection else run.cause, rejected=rejection is not None,
        configuration=run.configuration_id,
        stated_s=file.facts.get("time_s") if file and file.id == run.sliced_file_id else None,
        kwh=run.energy_kwh, u_kwh=run.energy_u_kwh or 0.0, meter=meter_of(bench.instruments, run.instrument_id, run.started_at),
        levels=tuple(level_of(r, bench.instruments) for r in bench.noise.get(run.id, [])),
        specimen=specimen_again(
            bench.artifacts[job.artifact_id], features, bench.values.get(specimen.id, []),
            bench.judgements.get(specimen.id, []), bench.scores.get(specimen.id, []), bench.own_defects,
        ) if specimen else None,
    )  # fmt: skip


def _filament(bench: Bench, unit_id: uuid.UUID) -> dict[Key, Filament]:
    """By line the mean of what its plates weighed on a scale, or else its sliced files state, and what that costs in the
    study's currency."""
    by_line: dict[LineKey, list[Filament]] = defaultdict(list)
    for job in bench.jobs_of(unit_id):
        file = bench.sliced[job.id].facts if job.id in bench.sliced else {}
        if facts := weighed(bench.runs.get(job.id, []), file):
            by_line[line_of(job)].append(plate_of(bench, job, facts))
    return {line: _mean(plates) for line, plates in by_line.items()}


def _mean(plates: Sequence[Filament]) -> Filament:
    n = len(plates)
    parts, waste_g = sum(p.parts for p in plates) / n, sum(p.waste_g for p in plates) / n
    part_g = (sum(p.grams for p in plates) / n - waste_g) / parts
    missing = next((p.money for p in plates if isinstance(p.money, NotDetermined)), None)
    money = missing or sum(p.money for p in plates if not isinstance(p.money, NotDetermined)) / n
    return Filament(
        parts, part_g, waste_g, money, sum(p.changes for p in plates) / n, sum(p.change_s for p in plates) / n
    )


def weighed(runs: Sequence[rows.Run], facts: Mapping[str, Any]) -> Mapping[str, Any] | None:
    """A plate's facts with what the last good print of it weighed in place of what its file states; None where neither says."""
    last = next((r for r in reversed(runs) if r.outcome is Outcome.DONE and r.model_g is not None), None)
    if last is None or last.model_g is None:
        return facts if facts.get("mass_g") is not None else None
    # What nobody weighed of the waste is as the file states it.
    waste_g = last.waste_g if last.waste_g is not None else _purged_g(facts)
    stated = facts.get("mass_g") or 0.0
    whole = last.model_g + waste_g
    # Tools share the weight as their files say; without a file the first has all of it.
    tools = [t | {"mass_g": (t["mass_g"] or 0.0) * whole / stated} for t in facts.get("tools", [])] if stated else []
    return {
        **facts, "mass_g": whole, "tools": tools or [{"tool": 0, "mass_g": whole}],
        "uses": [{"portion": next(iter(PURGED)), "mass_g": waste_g}],
    }  # fmt: skip


def _purged_g(facts: Mapping[str, Any]) -> float:
    return math.fsum(u["mass_g"] or 0.0 for u in facts.get("uses", []) if u["portion"] in PURGED)


def plate_of(bench: Bench, job: Job, facts: Mapping[str, Any]) -> Filament:
    """One plate as its sliced file states it; parts as they lay there at the last try."""
    runs = bench.runs.get(job.id, [])
    parts = (runs[-1].parts if runs else None) or facts.get("parts") or job.parts
    # A file may state less filament than its moves lay down: no more is waste than there is.
    waste_g = min(_purged_g(facts), facts["mass_g"])
    return Filament(
        parts, (facts["mass_g"] - waste_g) / parts, waste_g, _money(bench, job, facts), facts.get("tool_changes") or 0,
        facts.get("change_s") or 0.0,
    )  # fmt: skip


def _money(bench: Bench, job: Job, facts: Mapping[str, Any]) -> float | NotDetermined:
    """What the filament of a file costs, tool by tool; one of more tools than the plan has spools takes the first's price."""
    spools = [bench.spools[i] for i in job.spool_ids]
    total = 0.0
    for tool in facts.get("tools") or [{"tool": 0, "mass_g": facts["mass_g"]}]:
        spool = spools[tool["tool"]] if tool["tool"] < len(spools) else spools[0]
        cost = Money((tool["mass_g"] or 0.0) / 1000 * spool.price_per_kg, spool.currency, spool.priced_on)
        try:
            total += in_currency(cost, bench.study.currency, bench.rates)
        except NotDetermined as missing:
            return missing
    return total
