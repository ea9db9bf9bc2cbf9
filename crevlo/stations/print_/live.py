"""The bench as it is now: what every machine does, what it draws, and what a person has to do next."""

import uuid
from collections.abc import Sequence
from datetime import UTC, datetime, timedelta

import numpy as np
from pydantic import Field
from sqlalchemy import select
from sqlalchemy.orm import Session

from crevlo.core.energy import TraceEnergy
from crevlo.core.estimate import BadInput, NotDetermined
from crevlo.core.phases import Phase, Span, guess_spans, power_by_phase, spans, total_s
from crevlo.core.ratio import time_ratio
from crevlo.stations.bench import Bench, load_bench
from crevlo.stations.devices.device import device_of
from crevlo.stations.devices.power import Samples, TraceOut, energy_of, last_power, samples_between, trace
from crevlo.stations.plan.make import latest_schedule
from crevlo.stations.plan.now import next_actions
from crevlo.stations.plan.rules import rules_of
from crevlo.stations.plan.study import UnitMark, mark_of
from crevlo.stations.shape import Missing, Shape
from crevlo.store.device import Device, DeviceKind, PrinterReport, RunEvent
from crevlo.store.run import Outcome, Run
from crevlo.store.study import Job

_SILENT = timedelta(minutes=2)
_SPARK = timedelta(minutes=30)
_SPARK_POINTS = 60
_FRESH = timedelta(minutes=1)
_HOT_C = 40.0
# A print without a printer that reports is late when it is so much over its estimate, heat-up besides.
_LATE, _HEAT_UP_S = 1.15, 600.0


class PhaseTime(Shape):
    phase: Phase
    seconds: float


class LiveRun(Shape):
    id: uuid.UUID
    job_id: uuid.UUID
    version: int
    artifact: str
    copy_number: int
    attempt: int
    started_at: datetime
    unattended: bool
    estimate_s: float | None
    layers: int | None
    left_s: float | None = Field(
        description="to the end, by percent or clock and by how this machine keeps its estimates"
    )
    phases: list[PhaseTime]


class LiveUnit(Shape):
    machine: UnitMark
    run: LiveRun | None
    phase: Phase | None = Field(description="as the printer reports it, or as a person marked it")
    since: datetime | None
    reported_at: datetime | None
    percent: float | None
    layer: int | None
    nozzle_c: float | None
    bed_c: float | None
    power_w: float | None
    power_at: datetime | None
    spark: list[float] = Field(description="power of the last half hour in W, evenly spaced; −1 where none was sent")
    needs: str | None = Field(description="what a person has to do here now")
    urgent: bool
    ratio: float | None = Field(description="actual over estimated time of its prints so far, geometric mean")
    ratio_spread: float | None
    ratio_prints: int


class LiveCircuit(Shape):
    name: str
    limit_w: float
    load_w: float
    silent: list[str] = Field(description="machines on it whose power is not known now")


class NextThing(Shape):
    words: str
    detail: str
    at: datetime
    job_id: uuid.UUID | None
    machine: UnitMark | None


class BenchView(Shape):
    now: datetime
    units: list[LiveUnit]
    circuits: list[LiveCircuit]
    next: list[NextThing]


class PhasePowerOut(Shape):
    phase: Phase
    seconds: float
    kwh: float
    low_kwh: float
    high_kwh: float
    mean_w: float
    p95_w: float
    peak_w: float


class SpanOut(Shape):
    phase: Phase
    begin: float
    end: float


class RunPower(Shape):
    """A run's power: the trace, its phases, and the energy of each."""

    trace: TraceOut | None
    needs: str | None
    spans: list[SpanOut] = Field(description="in s since 1970")
    spans_from: str
    phases: list[PhasePowerOut]
    kwh: float | None
    low_kwh: float | None
    high_kwh: float | None
    gaps: int
    peak_w: float | None


def view_bench(session: Session, study_id: uuid.UUID) -> BenchView:
    bench, now = load_bench(session, study_id), datetime.now(UTC)
    unit_ids = [u.unit_id for u in bench.units]
    devices = list(session.scalars(select(Device).where(Device.unit_id.in_(unit_ids), Device.retired_at.is_(None))))
    meters = {d.unit_id: d for d in devices if d.kind is DeviceKind.POWER_METER}
    printers = {d.unit_id: d for d in devices if d.kind is DeviceKind.PRINTER}
    power = last_power(session, [d.number for d in meters.values()], now - _SPARK)
    marks = _marks(session, [r.id for tries in bench.runs.values() for r in tries if r.outcome is None])
    units = []
    for entry in bench.units:
        printer, meter = printers.get(entry.unit_id), meters.get(entry.unit_id)
        units.append(
            _unit(
                session, bench, entry.unit_id, mark_of(entry), now, _last_report(session, printer),
                printer, power.get(meter.number, []) if meter else [], marks,
            )
        )  # fmt: skip
    return BenchView(
        now=now, units=units, circuits=_circuits(session, study_id, units), next=_next(session, bench, units, now)
    )


def run_power(session: Session, run_id: uuid.UUID) -> RunPower:
    """What a run drew, phase by phase; phases as marked or reported, else guessed from the power."""
    run = session.get(Run, run_id)
    if run is None:
        raise Missing("There is no such run.")
    unit_id = session.scalars(select(Job.unit_id).where(Job.id == run.job_id)).one()
    end = run.ended_at or datetime.now(UTC)
    meter = device_of(session, unit_id, DeviceKind.POWER_METER)
    found, told = run_spans(session, run, unit_id, end)
    out = RunPower(
        trace=None, needs=None, spans=[], spans_from=told, phases=[], kwh=None, low_kwh=None, high_kwh=None, gaps=0, peak_w=None,
    )  # fmt: skip
    if meter is None:
        return out.model_copy(
            update={"needs": "a power meter on this machine that sends by itself", "spans": _spans_out(found)}
        )
    samples = samples_between(session, meter, run.started_at, end)
    try:
        energy = energy_of(samples, run.started_at.timestamp(), end.timestamp())
    except (NotDetermined, BadInput) as missing:
        needs = missing.needs if isinstance(missing, NotDetermined) else str(missing)
        return out.model_copy(update={"needs": needs, "spans": _spans_out(found)})
    if not found:
        found, told = _guessed(samples)
    return RunPower(
        trace=trace(session, unit_id, run.started_at, end), needs=None, spans=_spans_out(found), spans_from=told,
        phases=_phases_out(samples, found), gaps=len(energy.gaps), peak_w=energy.peak_w, **_bounds(energy),
    )  # fmt: skip


def run_spans(session: Session, run: Run, unit_id: uuid.UUID, end: datetime) -> tuple[list[Span], str]:
    """Phases of a run in s since 1970, and where they are from: a person's marks first, else the printer's reports."""
    marked = _marks(session, [run.id]).get(run.id, [])
    begin_s, end_s = run.started_at.timestamp(), end.timestamp()
    if marked:
        return spans(marked, begin_s, end_s), "marked at the machine"
    printer = device_of(session, unit_id, DeviceKind.PRINTER)
    if printer is None:
        return [], ""
    rows = session.execute(
        select(PrinterReport.at, PrinterReport.phase)
        .where(PrinterReport.device == printer.number, PrinterReport.at >= run.started_at - timedelta(seconds=30), PrinterReport.at <= end)
        .order_by(PrinterReport.at)
    ).all()  # fmt: skip
    reported = [(at.timestamp(), Phase(phase)) for at, phase in rows]
    return spans(reported, begin_s, end_s), f"reported by {printer.name}" if rows else ""


def _unit(
    session: Session, bench: Bench, unit_id: uuid.UUID, mark: UnitMark, now: datetime, report: PrinterReport | None,
    printer: Device | None, power: Sequence[tuple[float, float]], marks: dict[uuid.UUID, list[tuple[float, Phase]]],
) -> LiveUnit:  # fmt: skip
    runs = bench.runs_of(unit_id)
    run = next((r for r in runs if r.outcome is None), None)
    pairs = [
        ((r.ended_at - r.started_at).total_seconds(), estimate)
        for r in runs
        if r.outcome is Outcome.DONE and r.ended_at and (estimate := _estimate(bench, r.job_id))
    ]
    try:
        ratio = time_ratio(pairs)
    except NotDetermined:
        ratio = None
    marked = marks.get(run.id, []) if run else []
    phase, since = None, None
    if report is not None and (run is None or report.at >= run.started_at - _SILENT):
        phase = Phase(report.phase)
    fresh = report if phase else None
    if marked:
        at, phase = marked[-1]
        since = datetime.fromtimestamp(at, UTC)
    live = None
    if run is not None:
        found = _live_spans(session, run, unit_id, now, marked, printer)
        if found and since is None:
            since = datetime.fromtimestamp(found[-1].begin_s, UTC)
        live = _live_run(bench, run, now, fresh, ratio.mean if ratio else 1.0, found)
    needs, urgent = _needs(run, live, phase, fresh, now)
    latest = power[-1] if power else None
    return LiveUnit(
        machine=mark, run=live, phase=phase, since=since, reported_at=report.at if report else None,
        percent=fresh.percent if fresh else None, layer=fresh.layer if fresh else None,
        nozzle_c=fresh.nozzle_c if fresh else None, bed_c=fresh.bed_c if fresh else None,
        power_w=latest[1] if latest else None, power_at=datetime.fromtimestamp(latest[0], UTC) if latest else None,
        spark=_spark(power, now), needs=needs, urgent=urgent, ratio=ratio.mean if ratio else None,
        ratio_spread=ratio.spread if ratio else None, ratio_prints=ratio.prints if ratio else 0,
    )  # fmt: skip


def _live_spans(
    session: Session, run: Run, unit_id: uuid.UUID, now: datetime, marked: list[tuple[float, Phase]], printer: Device | None
) -> list[Span]:  # fmt: skip
    if marked:
        return spans(marked, run.started_at.timestamp(), now.timestamp())
    return run_spans(session, run, unit_id, now)[0] if printer else []


def _live_run(
    bench: Bench, run: Run, now: datetime, report: PrinterReport | None, ratio: float, found: list[Span]
) -> LiveRun:
    job = next(j for j in bench.jobs if j.id == run.job_id)
    file = bench.sliced.get(job.id)
    estimate = _estimate(bench, job.id)
    left = None
    if estimate is not None:
        whole = estimate * ratio
        done = (
            report.percent / 100 * whole
            if report and report.percent is not None
            else (now - run.started_at).total_seconds()
        )
        left = whole - done
    return LiveRun(
        id=run.id, job_id=job.id, version=run.version, artifact=bench.artifacts[job.artifact_id].name, copy_number=job.copy,
        attempt=run.attempt, started_at=run.started_at, unattended=run.unattended, estimate_s=estimate,
        layers=file.facts.get("layers") if file else None, left_s=left,
        phases=[PhaseTime(phase=phase, seconds=s) for phase, s in total_s(found).items()],
    )  # fmt: skip


def _needs(
    run: Run | None, live: LiveRun | None, phase: Phase | None, report: PrinterReport | None, now: datetime
) -> tuple[str | None, bool]:
    """What a person has to do at a machine, and whether it cannot wait."""
    if phase is Phase.FAULT:
        return f"It reports a fault: {report.message or 'no more is said'}." if report else "It has a fault.", True
    if run is None or live is None:
        return None, False
    if phase is Phase.FILAMENT:
        return "It waits for filament.", True
    if (
        phase in (Phase.COOLING, Phase.REMOVAL, Phase.STANDBY)
        and report is not None
        and (report.percent or 0) >= 99.9
    ):
        hot = report.bed_c is not None and report.bed_c > _HOT_C
        if hot:
            return f"Printed; let it cool first, the bed is at {report.bed_c:.0f} °C.", False
        return "Printed and cool: take it off, and record how it ended.", True
    if report is not None and now - report.at > _SILENT:
        return f"It has not reported for {(now - report.at).total_seconds() / 60:.0f} min: look at it.", True
    if report is None and live.estimate_s is not None:
        over = (now - run.started_at).total_seconds() - _LATE * live.estimate_s - _HEAT_UP_S
        if over > 0:
            return f"It is {over / 60:.0f} min over what it should take: look at it.", True
    return None, False


def _circuits(session: Session, study_id: uuid.UUID, units: list[LiveUnit]) -> list[LiveCircuit]:
    by_id = {u.machine.unit_id: u for u in units}
    now = datetime.now(UTC)
    made = []
    for circuit in rules_of(session, study_id).circuits:
        on_it = [by_id[i] for i in circuit.unit_ids if i in by_id]
        known = [u for u in on_it if u.power_w is not None and u.power_at and now - u.power_at < _FRESH]
        made.append(
            LiveCircuit(
                name=circuit.name, limit_w=circuit.limit_w, load_w=sum(u.power_w or 0.0 for u in known),
                silent=[u.machine.name for u in on_it if u not in known],
            )
        )  # fmt: skip
    return made


def _next(session: Session, bench: Bench, units: list[LiveUnit], now: datetime) -> list[NextThing]:
    """Machines that need someone first, then what the schedule or the shuffled order has next."""
    found = [
        NextThing(words=f"{u.machine.name}: {u.needs}", detail="", at=now, job_id=u.run.job_id if u.run else None, machine=u.machine)
        for u in sorted(units, key=lambda u: not u.urgent)
        if u.needs
    ]  # fmt: skip
    busy = {u.machine.unit_id for u in units if u.run}
    row = latest_schedule(session, bench.study.id)
    if row is not None:
        planned = [
            a
            for a in next_actions(bench, row, now)
            if a.kind != "remove" or a.machine is None or a.machine.unit_id in busy
        ]
        return found + [
            NextThing(words=a.words, detail=a.detail, at=a.at, job_id=a.job_id, machine=a.machine) for a in planned[:6]
        ]  # fmt: skip
    marks = {u.machine.unit_id: u.machine for u in units}
    for job in bench.jobs:
        tries = bench.runs.get(job.id, [])
        if job.unit_id in busy or (tries and tries[-1].outcome is not Outcome.FAILED):
            continue
        mark = marks[job.unit_id]
        what = f"{bench.artifacts[job.artifact_id].name.lower()} {job.copy} on {mark.name}"
        has = job.id in bench.sliced
        found.append(
            NextThing(
                words=f"Start {what}" if has else f"Slice {what}", at=now, job_id=job.id, machine=mark,
                detail=f"Try {len(tries) + 1}." if tries else "Next in the shuffled order.",
            )
        )  # fmt: skip
        busy.add(job.unit_id)
        if len(found) >= 6:
            break
    return found


def _estimate(bench: Bench, job_id: uuid.UUID) -> float | None:
    file = bench.sliced.get(job_id)
    estimate = file.facts.get("time_s") if file else None
    return float(estimate) if estimate else None


def _marks(session: Session, run_ids: list[uuid.UUID]) -> dict[uuid.UUID, list[tuple[float, Phase]]]:
    """Phases that people marked, corrections applied, in order of time."""
    found: dict[uuid.UUID, list[tuple[float, Phase]]] = {}
    replaced = select(RunEvent.supersedes_id).where(RunEvent.supersedes_id.is_not(None))
    rows = session.scalars(
        select(RunEvent).where(RunEvent.run_id.in_(run_ids), RunEvent.id.not_in(replaced)).order_by(RunEvent.at)
    )
    for row in rows:
        found.setdefault(row.run_id, []).append((row.at.timestamp(), Phase(row.kind.value)))
    return found


def _last_report(session: Session, printer: Device | None) -> PrinterReport | None:
    if printer is None:
        return None
    return session.scalar(
        select(PrinterReport).where(PrinterReport.device == printer.number).order_by(PrinterReport.at.desc()).limit(1)
    )


def _spark(power: Sequence[tuple[float, float]], now: datetime) -> list[float]:
    if not power:
        return []
    begin, step = (now - _SPARK).timestamp(), _SPARK.total_seconds() / _SPARK_POINTS
    sums, counts = np.zeros(_SPARK_POINTS), np.zeros(_SPARK_POINTS)
    at = np.clip(((np.array([t for t, _ in power]) - begin) / step).astype(int), 0, _SPARK_POINTS - 1)
    np.add.at(sums, at, [w for _, w in power])
    np.add.at(counts, at, 1)
    return [round(float(s / c), 1) if c else -1.0 for s, c in zip(sums, counts, strict=True)]


def _guessed(samples: Samples) -> tuple[list[Span], str]:
    has = np.isfinite(samples.power_w)
    try:
        return guess_spans(samples.at[has], samples.power_w[has]), "guessed from steps in the power"
    except NotDetermined:
        return [], ""


def _phases_out(samples: Samples, found: list[Span]) -> list[PhasePowerOut]:
    has = np.isfinite(samples.power_w)
    if has.sum() < 2:
        return []
    return [
        PhasePowerOut(
            phase=p.phase, seconds=p.seconds, mean_w=p.mean_w, p95_w=p.p95_w, peak_w=p.peak_w, **_bounds(p.energy)
        )
        for p in power_by_phase(samples.at[has], samples.power_w[has], found)
    ]


def _bounds(energy: TraceEnergy) -> dict[str, float]:
    return {"kwh": energy.kwh, "low_kwh": energy.low_kwh, "high_kwh": energy.high_kwh}


def _spans_out(found: list[Span]) -> list[SpanOut]:
    return [SpanOut(phase=s.phase, begin=s.begin_s, end=s.end_s) for s in found]
