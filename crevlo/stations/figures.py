"""Raw figures of each machine, from everything recorded; what Cost, Rank and Publish stand on."""

import math
import uuid
from collections import defaultdict
from collections.abc import Mapping
from dataclasses import dataclass, replace

from sqlalchemy.orm import Session

from crevlo.core.artifacts.feature import Kind
from crevlo.core.cost import CostInputs, CostPerPart, cost_per_good_part
from crevlo.core.defects import specimen_quality
from crevlo.core.estimate import Estimate, NotDetermined, effective_dof
from crevlo.core.noise import mean_level_db
from crevlo.core.readings import pool_scatter
from crevlo.core.scoring.figure import Counted, Figure, as_estimate
from crevlo.core.success import success_chance
from crevlo.stations.bench import Bench, LineKey, line_of, load_bench
from crevlo.stations.kept import Kept
from crevlo.stations.noise import level_at_1_m
from crevlo.stations.plan.protocol import Policies
from crevlo.stations.shape import determined
from crevlo.stations.sizes import specimen_estimates
from crevlo.stations.snapshot import print_of, state_of
from crevlo.store.machine import FeatureRow
from crevlo.store.run import NoiseState, Outcome, Run
from crevlo.store.study import Job


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
class _Line:
    """Values of one line (artifact and spool) per machine, and their spread pooled over all machines."""

    name: str
    values: dict[uuid.UUID, list[float]]
    pooled: float | None
    dof: int


@dataclass(frozen=True)
class _Spread:
    """Per line and machine the values that go into its mean."""

    lines: list[_Line]

    @property
    def widest(self) -> _Line | None:
        return max((p for p in self.lines if p.pooled is not None), key=lambda p: p.pooled or 0, default=None)

    def mean(self, unit_id: uuid.UUID, u_fixed: float, needs: str) -> Estimate:
        """Mean over the lines of each line's mean, u² = Σ s²/n / lines² + fixed².

        s is pooled over the machines, because few copies say little alone; a line without any second copy borrows the
        widest spread of the others.
        """
        if not self.lines:
            raise NotDetermined(needs)
        widest = max(
            (line for line in self.lines if line.pooled is not None), key=lambda p: p.pooled or 0, default=None
        )
        means, scatters = [], []
        for line in self.lines:
            values = line.values.get(unit_id, [])
            if not values:
                raise NotDetermined(needs if len(self.lines) == 1 else f"{needs} of the {line.name}")
            own = line if line.pooled is not None else widest
            if own is None or own.pooled is None:
                raise NotDetermined("a second copy on some machine, to know the spread")
            means.append(math.fsum(values) / len(values))
            scatters.append((own.pooled**2 / len(values), own.dof))
        n = len(self.lines)
        u2 = sum(s for s, _ in scatters) / n**2 + u_fixed**2
        # Welch–Satterthwaite over the lines: one effective term with the scatter's own degrees of freedom.
        scatter = sum(s for s, _ in scatters)
        fourth = sum(s**2 / dof for s, dof in scatters if dof)
        dof = scatter**2 / fourth if fourth else 0
        return Estimate(math.fsum(means) / n, math.sqrt(u2), effective_dof(u2, scatter / n**2, dof))


@dataclass(frozen=True)
class StudyFigures:
    """A study as one transaction sees it, with every machine's figures on what all of them print. `state` is the key of
    what was seen, None where it must not be kept; whatever is worked out from these figures is kept under the same."""

    state: str | None
    bench: Bench
    compared: Bench
    figures: dict[uuid.UUID, MachineFigures]
    apart: list[str]
    spreads: dict[str, tuple[float, int]]  # by criterion: spread between copies, with its degrees of freedom


# A pure function of the rows that a transaction sees: keyed by them, so never stale; lost without harm.
_known: Kept[StudyFigures] = Kept(4)
# The fingerprint of a study's rows, by everything that had been written when it was taken.
_prints: Kept[str] = Kept(64)


def study_figures(session: Session, study_id: uuid.UUID) -> StudyFigures:
    """Loads and computes once for the same rows, whatever is written elsewhere; rows in it are detached from the session."""
    state = state_of(session)
    if state is None:
        return _work_out(session, study_id, None)
    mark = _prints.get(f"{study_id} {state}", lambda: print_of(session, study_id))
    return _known.get(f"{study_id} {mark}", lambda: _work_out(session, study_id, f"{study_id} {mark}"))


def _work_out(session: Session, study_id: uuid.UUID, state: str | None) -> StudyFigures:
    bench = load_bench(session, study_id).whole()
    compared = bench.comparable()
    figures, spreads = machine_figures(compared)
    made = StudyFigures(state, bench, compared, figures, _apart(bench, compared), spreads)
    session.expunge_all()
    return made


def machine_figures(bench: Bench) -> tuple[dict[uuid.UUID, MachineFigures], dict[str, tuple[float, int]]]:
    """Figures of every unit in a comparable bench, and the spread between copies by criterion.

    What cannot be determined says what it needs.
    """
    whole, bench = bench, bench.in_main_configurations()
    by_run = {run.id: job for job in bench.jobs for run in bench.runs.get(job.id, [])}
    per_specimen, per_face, u_caliper = deviations(bench, by_run)
    sized = {job.artifact_id for job in bench.jobs if _sizes(bench, job.artifact_id)}
    accuracy = _spread(bench, by_run, per_specimen, sized)
    quality = _spread(bench, by_run, qualities(bench))
    good = {
        u.unit_id: [r for r in bench.runs_of(u.unit_id) if r.outcome is Outcome.DONE and r.ended_at]
        for u in bench.units
    }
    everything = [r for runs in good.values() for r in runs]
    hours = _spread(bench, by_run, {r.id: _hours(r) for r in everything})
    energy = _spread(bench, by_run, {r.id: r.energy_kwh for r in everything if r.energy_kwh is not None})
    noise = _spread(bench, by_run, _levels(bench, everything))
    figures = {}
    for entry in bench.units:
        unit = entry.unit_id
        # Tries count whatever the machine was at the time: a repair does not take its failures away.
        counted, excused = attempts(whole, unit, first_only=False)
        first, _ = attempts(whole, unit, first_only=True)
        raw: dict[str, Figure] = {
            "accuracy": determined(lambda unit=unit: accuracy.mean(unit, u_caliper, "a measured specimen")),  # type: ignore[misc]
            "repeatability": determined(lambda unit=unit: _repeatability(per_face.get(unit, {}))),  # type: ignore[misc]
            "defects": determined(lambda unit=unit: quality.mean(unit, 0.0, "a specimen scored and locked")),  # type: ignore[misc]
            "success": first if first.tries else NotDetermined("a finished first attempt"),
            "time": determined(lambda unit=unit: hours.mean(unit, 1 / 120, "a good print")),  # type: ignore[misc]
            "energy": determined(lambda unit=unit: energy.mean(unit, _u_energy(bench, good[unit]), "the energy of a good print")),  # type: ignore[misc]
            "noise": determined(lambda unit=unit: noise.mean(unit, _u_sound(bench), "a noise reading of a good print, taken while it printed")),  # type: ignore[misc]
        }  # fmt: skip
        inputs = _cost_inputs(bench, entry.unit_id, raw, counted)
        cost: CostPerPart | NotDetermined
        if isinstance(inputs, NotDetermined):
            cost = inputs
            raw["cost"] = inputs
        else:
            cost = cost_per_good_part(inputs)
            raw["cost"] = _cost_estimate(inputs, raw, counted)
        all_in = bench.price_of(unit).all_in
        figures[unit] = MachineFigures(
            unit_id=unit, raw=raw, counted=counted, excused=excused, cost=cost, cost_inputs=inputs,
            all_in=NotDetermined("the price paid") if all_in is None else Estimate(all_in, 0.0),
        )  # fmt: skip
    named = {"accuracy": accuracy, "defects": quality, "time": hours, "energy": energy, "noise": noise}
    known = {code: spread.widest for code, spread in named.items()}
    return figures, {code: (w.pooled, w.dof) for code, w in known.items() if w and w.pooled}


def counted_causes(bench: Bench) -> set[str]:
    return set(Policies(**bench.protocol.policies).counted_causes) if bench.protocol else set()


def _apart(bench: Bench, compared: Bench) -> list[str]:
    """In words what is printed and measured but stays out of the comparison."""
    if bench.protocol is None or not bench.jobs:
        return []
    kept = {line_of(j) for j in compared.jobs}
    first, *others = bench.protocol.arms
    words = bench.other_configurations()
    words += [
        f"{line.artifact.name} from {line.spool.code}: not every machine can print it, so it stays out of the comparison."
        for line in first.lines
        if line.spool and (line.artifact_id, line.spool_id) not in kept
    ]
    return words + [f"The arm “{arm.name}” is kept apart: figures are of the arm “{first.name}”." for arm in others]


def _spread(
    bench: Bench,
    by_run: Mapping[uuid.UUID, Job],
    values: Mapping[uuid.UUID, float],
    artifacts: set[uuid.UUID] | None = None,
) -> _Spread:
    """Values by run sorted into lines; only those of `artifacts`, where given."""
    lines: dict[LineKey, dict[uuid.UUID, list[float]]] = {
        line_of(job): defaultdict(list) for job in bench.jobs if artifacts is None or job.artifact_id in artifacts
    }
    for run_id, value in values.items():
        job = by_run[run_id]
        if line_of(job) in lines:
            lines[line_of(job)][job.unit_id].append(value)
    found = []
    for (artifact_id, _), by_unit in lines.items():
        try:
            pooled, dof = pool_scatter([v for v in by_unit.values() if v])
        except NotDetermined:
            found.append(_Line(bench.artifacts[artifact_id].name, by_unit, None, 0))
        else:
            found.append(_Line(bench.artifacts[artifact_id].name, by_unit, pooled, dof))
    return _Spread(found)


def _sizes(bench: Bench, artifact_id: uuid.UUID) -> dict[uuid.UUID, FeatureRow]:
    """The artifact's sizes with a nominal to be met: lengths and diagonals."""
    return {f.id: f for f in bench.artifacts[artifact_id].features if f.kind in (Kind.LENGTH, Kind.DIAGONAL)}


def deviations(
    bench: Bench, by_run: Mapping[uuid.UUID, Job]
) -> tuple[dict[uuid.UUID, float], dict[uuid.UUID, dict[tuple[uuid.UUID, ...], list[float]]], float]:
    """Mean absolute deviation by run, and means of faces by machine, spool and face; the caliper's calibration u."""
    per_specimen: dict[uuid.UUID, float] = {}
    per_face: dict[uuid.UUID, dict[tuple[uuid.UUID, ...], list[float]]] = defaultdict(lambda: defaultdict(list))
    u_caliper = 0.0
    for specimen in bench.specimens:
        job = by_run[specimen.run_id]
        sizes = _sizes(bench, job.artifact_id)
        readings = bench.readings.get(specimen.id, [])
        estimates = specimen_estimates(readings, bench.features, bench.instruments)
        known = {k: e for k, e in estimates.items() if isinstance(e, Estimate) and k in sizes}
        u_caliper = max([u_caliper, *(bench.instruments[r.instrument_id].u_calibration for r in readings)])
        for feature_id, e in known.items():
            per_face[job.unit_id][job.spool_id, feature_id].append(e.value)
        # A half-measured specimen would mix easy with hard faces: only whole ones count here.
        if len(known) == len(sizes) and known:
            off = [abs(e.value - sizes[k].nominal) for k, e in known.items()]
            per_specimen[specimen.run_id] = math.fsum(off) / len(off)
    return per_specimen, per_face, u_caliper


def _repeatability(faces: dict[tuple[uuid.UUID, ...], list[float]]) -> Estimate:
    try:
        s, dof = pool_scatter(list(faces.values()))
    except NotDetermined:
        raise NotDetermined("two measured specimens") from None
    return Estimate(s, s / math.sqrt(2 * dof), math.inf)


def qualities(bench: Bench) -> dict[uuid.UUID, float]:
    """Mean quality over the raters, by run."""
    found = {}
    for specimen in bench.specimens:
        by_rater: dict[uuid.UUID, dict[str, int]] = defaultdict(dict)
        for score in bench.scores.get(specimen.id, []):
            by_rater[score.person_id][score.defect] = score.severity
        # Locked scores are of all that was asked.
        scored = [specimen_quality(s, s).value for s in by_rater.values()]
        if scored:
            found[specimen.run_id] = sum(scored) / len(scored)
    return found


def attempts(bench: Bench, unit_id: uuid.UUID, *, first_only: bool) -> tuple[Counted, int]:
    """Good of counted attempts, and how many were excused by their cause or stopped by a person.

    A print that was rejected afterwards is a failed one, with the cause that was given for it. The first try of a job is
    the first that nobody stopped.
    """
    counted = counted_causes(bench)
    good = tries = excused = 0
    for job in bench.jobs_of(unit_id):
        runs = [r for r in bench.runs.get(job.id, []) if r.outcome is not None]
        if first_only:
            runs = [r for r in runs if r.outcome is not Outcome.STOPPED][:1]
        for run in runs:
            rejection = bench.rejections.get(run.id)
            cause = rejection.cause if rejection else run.cause
            if run.outcome is Outcome.DONE and rejection is None:
                good, tries = good + 1, tries + 1
            elif run.outcome is not Outcome.STOPPED and cause and cause.value in counted:
                tries += 1
            else:
                excused += 1
    return Counted(good, tries), excused


def _hours(run: Run) -> float:
    assert run.ended_at is not None
    return (run.ended_at - run.started_at).total_seconds() / 3600


def _levels(bench: Bench, runs: list[Run]) -> dict[uuid.UUID, float]:
    """One level at 1 m per run: the energy mean of its readings while printing that can be determined."""
    levels = {}
    for run in runs:
        readings = []
        for reading in bench.noise.get(run.id, []):
            if reading.state is not NoiseState.PRINTING:
                continue
            try:
                readings.append(level_at_1_m(reading))
            except NotDetermined:
                continue
        if readings:
            levels[run.id] = mean_level_db(readings)
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
    study, price = bench.study, bench.price_of(unit_id)
    material = _material(bench, unit_id)
    for code in ("energy", "time"):
        figure = raw[code]
        if isinstance(figure, NotDetermined):
            return figure
    if price.paid is None:
        return NotDetermined("the price paid, at Receive")
    if isinstance(material, NotDetermined):
        return material
    energy, hours = raw["energy"], raw["time"]
    assert isinstance(energy, Estimate)
    assert isinstance(hours, Estimate)
    part_g, per_kg = material
    return CostInputs(
        price=price.paid, upgrades=price.upgrades, residual=price.residual, life_h=study.life_h,
        upkeep_per_h=study.upkeep_per_h, parts_per_plate=1, part_g=part_g, purge_g=0.0,
        material_per_kg=per_kg, energy_kwh=energy.value, tariff_per_kwh=study.tariff_per_kwh,
        hours=hours.value, labour_min=study.labour_min, wage_per_h=study.wage_per_h,
        success=success_chance(counted.good, counted.tries).mean if counted.tries else 0.5,
        loss_fraction=study.loss_fraction, failed_labour_min=study.failed_labour_min,
    )  # fmt: skip


def _material(bench: Bench, unit_id: uuid.UUID) -> tuple[float, float] | NotDetermined:
    """Filament per part in g, mean over the lines as time and energy are, and the price per kg of that mixture."""
    by_line: dict[LineKey, list[tuple[float, float]]] = defaultdict(list)
    for job in bench.jobs_of(unit_id):
        mass = bench.sliced[job.id].facts.get("mass_g") if job.id in bench.sliced else None
        if mass is not None:
            by_line[line_of(job)].append((mass, mass * bench.spools[job.spool_id].price_per_kg))
    wanted = bench.lines
    for line, artifact_id in wanted.items():
        if not by_line.get(line):
            of = f" of the {bench.artifacts[artifact_id].name}" if len(wanted) > 1 else ""
            return NotDetermined(f"a sliced file{of} that states its filament")
    grams = [sum(m for m, _ in pairs) / len(pairs) for pairs in by_line.values()]
    money = [sum(c for _, c in pairs) / len(pairs) for pairs in by_line.values()]
    if not grams or sum(grams) <= 0:
        return NotDetermined("a sliced file that states its filament")
    return sum(grams) / len(grams), sum(money) / sum(grams)


def _cost_estimate(inputs: CostInputs, raw: dict[str, Figure], counted: Counted) -> Estimate:
    """Cost with the uncertainty of its measured inputs: energy, hours and the chance of success, independently."""
    energy, hours = raw["energy"], raw["time"]
    assert isinstance(energy, Estimate)
    assert isinstance(hours, Estimate)
    u_success = as_estimate(counted).u if counted.tries else 0.25
    base = cost_per_good_part(inputs).total

    def moved(**changes: float) -> float:
        return cost_per_good_part(replace(inputs, **changes)).total - base  # type: ignore[arg-type]

    u2 = (
        moved(energy_kwh=inputs.energy_kwh + energy.u) ** 2
        + moved(hours=inputs.hours + hours.u) ** 2
        + moved(success=max(inputs.success - u_success, 0.05)) ** 2
    )
    return Estimate(base, math.sqrt(u2))
