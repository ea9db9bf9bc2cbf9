"""Raw figures of each machine, from everything recorded; what Cost, Rank and Publish stand on."""

import math
import uuid
from collections import OrderedDict, defaultdict
from dataclasses import dataclass, replace
from threading import Lock

from sqlalchemy.orm import Session

from crevlo.core.cost import CostInputs, CostPerPart, cost_per_good_part
from crevlo.core.defects import specimen_quality
from crevlo.core.estimate import Estimate, NotDetermined, effective_dof
from crevlo.core.noise import mean_level_db
from crevlo.core.readings import pool_scatter
from crevlo.core.scoring.figure import Counted, Figure
from crevlo.core.success import success_chance
from crevlo.stations.bench import Bench, load_bench, specimen_estimates, state_of
from crevlo.stations.plan.study import Policies
from crevlo.stations.print_.run import level_at_1_m
from crevlo.stations.shape import determined
from crevlo.store.run import Outcome, Run


@dataclass(frozen=True)
class MachineFigures:
    """One machine's raw figures by criterion code, and what its cost is made of."""

    unit_id: uuid.UUID
    raw: dict[str, Figure]
    counted: Counted  # all counted attempts, not only the first ones
    excused: int
    cost: CostPerPart | NotDetermined
    cost_inputs: CostInputs | NotDetermined
    all_in: Estimate | NotDetermined


@dataclass(frozen=True)
class _Spread:
    """Per machine the values that go into its mean, and the spread pooled over all machines."""

    values: dict[uuid.UUID, list[float]]
    pooled: float | None
    dof: int

    def mean(self, unit_id: uuid.UUID, u_fixed: float, needs: str) -> Estimate:
        """Mean with u² = s²/n + fixed²; s is pooled over the machines, because few copies say little alone."""
        values = self.values.get(unit_id, [])
        if not values:
            raise NotDetermined(needs)
        if self.pooled is None:
            raise NotDetermined("a second copy on some machine, to know the spread")
        scatter = self.pooled**2 / len(values)
        u2 = scatter + u_fixed**2
        return Estimate(math.fsum(values) / len(values), math.sqrt(u2), effective_dof(u2, scatter, self.dof))


@dataclass(frozen=True)
class StudyFigures:
    """A study as one transaction sees it, with every machine's figures."""

    bench: Bench
    figures: dict[uuid.UUID, MachineFigures]


# A pure function of what a transaction sees: keyed by its snapshot, so never stale; lost without harm.
_known: OrderedDict[tuple[uuid.UUID, str], StudyFigures] = OrderedDict()
_guard = Lock()


def study_figures(session: Session, study_id: uuid.UUID) -> StudyFigures:
    """Loads and computes once per state of the data; rows in it are detached from the session."""
    state = state_of(session)
    with _guard:
        if state is not None and (study_id, state) in _known:
            return _known[study_id, state]
    bench = load_bench(session, study_id)
    made = StudyFigures(bench, machine_figures(bench))
    session.expunge_all()
    if state is not None:
        with _guard:
            _known[study_id, state] = made
            while len(_known) > 4:
                _known.popitem(last=False)
    return made


def machine_figures(bench: Bench) -> dict[uuid.UUID, MachineFigures]:
    """Figures of every unit in the study; what cannot be determined says what it needs."""
    per_specimen, per_face, u_caliper = _deviations(bench)
    accuracy, quality = _spread(per_specimen), _spread(_qualities(bench))
    good = {
        u.unit_id: [r for r in bench.runs_of(u.unit_id) if r.outcome is Outcome.DONE and r.ended_at]
        for u in bench.units
    }
    hours = _spread({unit: [_hours(r) for r in runs] for unit, runs in good.items()})
    energy = _spread({unit: [r.energy_kwh for r in runs if r.energy_kwh is not None] for unit, runs in good.items()})
    noise = _spread({unit: _levels(bench, runs) for unit, runs in good.items()})
    figures = {}
    for entry in bench.units:
        unit = entry.unit_id
        counted, excused = _attempts(bench, unit, first_only=False)
        first, _ = _attempts(bench, unit, first_only=True)
        raw: dict[str, Figure] = {
            "accuracy": determined(lambda unit=unit: accuracy.mean(unit, u_caliper, "a measured specimen")),  # type: ignore[misc]
            "repeatability": determined(lambda unit=unit: _repeatability(per_face.get(unit, {}))),  # type: ignore[misc]
            "defects": determined(lambda unit=unit: quality.mean(unit, 0.0, "a specimen scored and locked")),  # type: ignore[misc]
            "success": first if first.tries else NotDetermined("a finished first attempt"),
            "time": determined(lambda unit=unit: hours.mean(unit, 1 / 120, "a good print")),  # type: ignore[misc]
            "energy": determined(lambda unit=unit: energy.mean(unit, _u_energy(bench, good[unit]), "the energy of a good print")),  # type: ignore[misc]
            "noise": determined(lambda unit=unit: noise.mean(unit, _u_sound(bench), "a noise reading of a good print")),  # type: ignore[misc]
        }  # fmt: skip
        inputs = _cost_inputs(bench, entry.unit_id, raw, counted)
        cost: CostPerPart | NotDetermined
        if isinstance(inputs, NotDetermined):
            cost = inputs
            raw["cost"] = inputs
        else:
            cost = cost_per_good_part(inputs)
            raw["cost"] = _cost_estimate(inputs, raw, counted)
        price = entry.unit.price_paid
        figures[unit] = MachineFigures(
            unit_id=unit, raw=raw, counted=counted, excused=excused, cost=cost, cost_inputs=inputs,
            all_in=NotDetermined("the price paid") if price is None else Estimate(price + entry.unit.upgrades, 0.0),
        )  # fmt: skip
    return figures


def counted_causes(bench: Bench) -> set[str]:
    return set(Policies(**bench.protocol.policies).counted_causes) if bench.protocol else set()


def _spread(values: dict[uuid.UUID, list[float]]) -> _Spread:
    try:
        pooled, dof = pool_scatter([v for v in values.values() if v])
    except NotDetermined:
        return _Spread(values, None, 0)
    return _Spread(values, pooled, dof)


def _deviations(
    bench: Bench,
) -> tuple[dict[uuid.UUID, list[float]], dict[uuid.UUID, dict[uuid.UUID, list[float]]], float]:
    """Mean absolute deviation per specimen, and face means per face, by machine; the caliper's calibration u."""
    unit_of = {run.id: job.unit_id for job in bench.jobs for run in bench.runs.get(job.id, [])}
    per_specimen: dict[uuid.UUID, list[float]] = defaultdict(list)
    per_face: dict[uuid.UUID, dict[uuid.UUID, list[float]]] = defaultdict(lambda: defaultdict(list))
    u_caliper = 0.0
    for specimen in bench.specimens:
        readings = bench.readings.get(specimen.id, [])
        estimates = specimen_estimates(readings, bench.features, bench.instruments)
        known = {k: e for k, e in estimates.items() if isinstance(e, Estimate)}
        u_caliper = max([u_caliper, *(bench.instruments[r.instrument_id].u_calibration for r in readings)])
        unit = unit_of[specimen.run_id]
        for feature_id, e in known.items():
            per_face[unit][feature_id].append(e.value)
        # A half-measured specimen would mix easy with hard faces: only whole ones count here.
        if len(known) == len(bench.features) and known:
            off = [abs(e.value - bench.features[k].nominal_mm) for k, e in known.items()]
            per_specimen[unit].append(math.fsum(off) / len(off))
    return per_specimen, per_face, u_caliper


def _repeatability(faces: dict[uuid.UUID, list[float]]) -> Estimate:
    try:
        s, dof = pool_scatter(list(faces.values()))
    except NotDetermined:
        raise NotDetermined("two measured specimens") from None
    return Estimate(s, s / math.sqrt(2 * dof), math.inf)


def _qualities(bench: Bench) -> dict[uuid.UUID, list[float]]:
    unit_of = {run.id: job.unit_id for job in bench.jobs for run in bench.runs.get(job.id, [])}
    by_unit: dict[uuid.UUID, list[float]] = defaultdict(list)
    for specimen in bench.specimens:
        by_rater: dict[uuid.UUID, dict[str, int]] = defaultdict(dict)
        for score in bench.scores.get(specimen.id, []):
            by_rater[score.person_id][score.defect] = score.severity
        qualities = [specimen_quality(s).value for s in by_rater.values()]
        if qualities:
            by_unit[unit_of[specimen.run_id]].append(sum(qualities) / len(qualities))
    return by_unit


def _attempts(bench: Bench, unit_id: uuid.UUID, *, first_only: bool) -> tuple[Counted, int]:
    """Good of counted attempts, and how many were excused by their cause or stopped by a person."""
    counted = counted_causes(bench)
    good = tries = excused = 0
    for run in bench.runs_of(unit_id):
        if run.outcome is None or (first_only and run.attempt > 1):
            continue
        if run.outcome is Outcome.DONE:
            good, tries = good + 1, tries + 1
        elif run.outcome is Outcome.FAILED and run.cause and run.cause.value in counted:
            tries += 1
        else:
            excused += 1
    return Counted(good, tries), excused


def _hours(run: Run) -> float:
    assert run.ended_at is not None
    return (run.ended_at - run.started_at).total_seconds() / 3600


def _levels(bench: Bench, runs: list[Run]) -> list[float]:
    """One level at 1 m per run: the energy mean of its readings that can be determined."""
    levels = []
    for run in runs:
        readings = []
        for reading in bench.noise.get(run.id, []):
            try:
                readings.append(level_at_1_m(reading))
            except NotDetermined:
                continue
        if readings:
            levels.append(mean_level_db(readings))
    return levels


def _u_energy(bench: Bench, runs: list[Run]) -> float:
    """Meter calibration and the gaps of traces, as a standard uncertainty in kWh."""
    metered = [r for r in runs if r.energy_kwh is not None]
    if not metered:
        return 0.0
    gaps = [((r.energy_high_kwh or 0) - (r.energy_low_kwh or 0)) / math.sqrt(12) for r in metered]
    meters = [bench.instruments[r.instrument_id].u_calibration / 1000 for r in metered if r.instrument_id]
    return math.hypot(max(gaps), max(meters, default=0.0))


def _u_sound(bench: Bench) -> float:
    return max((i.u_calibration for i in bench.instruments.values() if i.kind == "sound meter"), default=1.0)


def _cost_inputs(
    bench: Bench, unit_id: uuid.UUID, raw: dict[str, Figure], counted: Counted
) -> CostInputs | NotDetermined:
    entry = next(u for u in bench.units if u.unit_id == unit_id)
    study, unit = bench.study, entry.unit
    jobs = [j for j in bench.jobs if j.unit_id == unit_id]
    masses = [bench.sliced[j.id].facts.get("mass_g") for j in jobs if j.id in bench.sliced]
    known = [m for m in masses if m is not None]
    for code in ("energy", "time"):
        figure = raw[code]
        if isinstance(figure, NotDetermined):
            return figure
    if unit.price_paid is None:
        return NotDetermined("the price paid, at Receive")
    if not known:
        return NotDetermined("a sliced file that states its filament")
    energy, hours = raw["energy"], raw["time"]
    assert isinstance(energy, Estimate)
    assert isinstance(hours, Estimate)
    spool = bench.spools[jobs[0].spool_id]
    return CostInputs(
        price=unit.price_paid, upgrades=unit.upgrades, residual=unit.residual, life_h=study.life_h,
        upkeep_per_h=study.upkeep_per_h, parts_per_plate=1, part_g=sum(known) / len(known), purge_g=0.0,
        material_per_kg=spool.price_per_kg, energy_kwh=energy.value, tariff_per_kwh=study.tariff_per_kwh,
        hours=hours.value, labour_min=study.labour_min, wage_per_h=study.wage_per_h,
        success=success_chance(counted.good, counted.tries).mean if counted.tries else 0.5,
        loss_fraction=study.loss_fraction, failed_labour_min=study.failed_labour_min,
    )  # fmt: skip


def _cost_estimate(inputs: CostInputs, raw: dict[str, Figure], counted: Counted) -> Estimate:
    """Cost with the uncertainty of its measured inputs: energy, hours and the chance of success, independently."""
    energy, hours = raw["energy"], raw["time"]
    assert isinstance(energy, Estimate)
    assert isinstance(hours, Estimate)
    chance = success_chance(counted.good, counted.tries) if counted.tries else None
    a, b = counted.good + 0.5, counted.tries - counted.good + 0.5
    u_success = math.sqrt(a * b / ((a + b) ** 2 * (a + b + 1))) if chance else 0.25
    base = cost_per_good_part(inputs).total

    def moved(**changes: float) -> float:
        return cost_per_good_part(replace(inputs, **changes)).total - base  # type: ignore[arg-type]

    u2 = (
        moved(energy_kwh=inputs.energy_kwh + energy.u) ** 2
        + moved(hours=inputs.hours + hours.u) ** 2
        + moved(success=max(inputs.success - u_success, 0.05)) ** 2
    )
    return Estimate(base, math.sqrt(u2))
