"""The bench as it is now: what every machine does, what it draws, and what a person has to do next."""

import uuid
from collections.abc import Sequence
from datetime import UTC, datetime, timedelta

import numpy as np
from pydantic import Field
from sqlalchemy import select
from sqlalchemy.orm import Session

from crevlo.core.phases import Phase, Span, total_s
from crevlo.core.ratio import TimeRatio
from crevlo.core.success import Outcome
from crevlo.stations.bench import Bench, load_bench
from crevlo.stations.devices.power import last_power
from crevlo.stations.job_state import JobState, job_states
from crevlo.stations.kit.mark import UnitMark, mark_of
from crevlo.stations.kit.shape import Shape
from crevlo.stations.phases import PhaseTime, spans_by_run
from crevlo.stations.plan.expected import file_ratios
from crevlo.stations.plan.now import next_actions
from crevlo.stations.plan.rules import rules_of
from crevlo.stations.plan.schedule import latest_schedule
from crevlo.store.device import Device, DeviceKind, PrinterReport
from crevlo.store.run import Run
from crevlo.store.study import Job, Study

_SILENT = timedelta(minutes=2)
_SPARK = timedelta(minutes=30)
_SPARK_POINTS = 60
_FRESH = timedelta(minutes=1)
_HOT_C = 40.0
# A print without a printer that reports is late when it is so much over its estimate, heat-up besides.
_LATE, _HEAT_UP_S = 1.15, 600.0


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
    printed_at: datetime | None = Field(
        description="when it was through, by what the machine or a person said of its phases"
    )


class LiveUnit(Shape):
    machine: UnitMark
    run: LiveRun | None
    elsewhere: str | None = Field(description="title of the other study that it prints for now")
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


def view_bench(session: Session, study_id: uuid.UUID) -> BenchView:
    bench, now = load_bench(session, study_id), datetime.now(UTC)
    unit_ids = [u.unit_id for u in bench.units]
    devices = list(session.scalars(select(Device).where(Device.unit_id.in_(unit_ids), Device.retired_at.is_(None))))
    meters = {d.unit_id: d for d in devices if d.kind is DeviceKind.POWER_METER}
    reports = _last_reports(session, [d for d in devices if d.kind is DeviceKind.PRINTER])
    power = last_power(session, [d.number for d in meters.values()], now - _SPARK)
    states = job_states(session, study_id)
    live = _live_runs(session, [job.id for job in states if job.live])
    job_of = {job.unit_id: job for job in states if job.live}
    spans_of = spans_by_run(session, list(live.values()), {r.id: u for u, r in live.items()})
    ratios, elsewhere = file_ratios(session, unit_ids), _elsewhere(session, study_id, unit_ids)
    units = []
    for entry in bench.units:
        meter, run = meters.get(entry.unit_id), live.get(entry.unit_id)
        found = spans_of[run.id][0] if run else []
        units.append(
            _unit(
                bench, mark_of(entry), now, run, job_of.get(entry.unit_id), found, reports.get(entry.unit_id),
                ratios.get(entry.unit_id), power.get(meter.number, []) if meter else [], elsewhere.get(entry.unit_id),
            )
        )  # fmt: skip
    return BenchView(
        now=now,
        units=units,
        circuits=_circuits(session, study_id, units),
        next=_next(session, bench, states, units, now),
    )


def _live_runs(session: Session, job_ids: list[uuid.UUID]) -> dict[uuid.UUID, Run]:
    """Runs that are under way, by unit, with the file that each was printed from."""
    rows = session.execute(
        select(Job.unit_id, Run)
        .join(Job, Job.id == Run.job_id)
        .where(Run.job_id.in_(job_ids), Run.ended_at.is_(None))
    )
    return dict(rows.tuples().all())


def _unit(
    bench: Bench, mark: UnitMark, now: datetime, run: Run | None, job: JobState | None, found: list[Span],
    report: PrinterReport | None, ratio: TimeRatio | None, power: Sequence[tuple[float, float]], elsewhere: str | None,
) -> LiveUnit:  # fmt: skip
    # What a printer said before the run, or long ago while nothing runs, says nothing of now.
    since_when = run.started_at - _SILENT if run else now - _SILENT
    fresh = report if report is not None and report.at >= since_when else None
    phase = found[-1].phase if found else Phase(fresh.phase) if fresh else None
    if fresh and fresh.phase == Phase.FAULT:
        phase = Phase.FAULT  # whatever a person marked before
    since = datetime.fromtimestamp(found[-1].begin_s, UTC) if found else None
    live = _live_run(bench, run, job, now, fresh, ratio.mean if ratio else 1.0, found) if run and job else None
    needs, urgent = _needs(run, live, phase, fresh, now)
    latest = power[-1] if power else None
    return LiveUnit(
        machine=mark, run=live, elsewhere=elsewhere, phase=phase, since=since, reported_at=report.at if report else None,
        percent=fresh.percent if fresh else None, layer=fresh.layer if fresh else None,
        nozzle_c=fresh.nozzle_c if fresh else None, bed_c=fresh.bed_c if fresh else None,
        power_w=latest[1] if latest else None, power_at=datetime.fromtimestamp(latest[0], UTC) if latest else None,
        spark=_spark(power, now), needs=needs, urgent=urgent, ratio=ratio.mean if ratio else None,
        ratio_spread=ratio.spread if ratio else None, ratio_prints=ratio.prints if ratio else 0,
    )  # fmt: skip


def _elsewhere(session: Session, study_id: uuid.UUID, unit_ids: list[uuid.UUID]) -> dict[uuid.UUID, str]:
    """Units that print for another study now, with its title."""
    rows = session.execute(
        select(Job.unit_id, Study.title).join(Run, Run.job_id == Job.id).join(Study, Study.id == Job.study_id)
        .where(Job.unit_id.in_(unit_ids), Job.study_id != study_id, Run.ended_at.is_(None))
    )  # fmt: skip
    return dict(rows.tuples().all())


def _live_run(
    bench: Bench,
    run: Run,
    job: JobState,
    now: datetime,
    report: PrinterReport | None,
    ratio: float,
    found: list[Span],
) -> LiveRun:
    estimate, left = job.time_s or None, None
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
        layers=job.layers, left_s=left,
        phases=[PhaseTime(phase=phase, seconds=s) for phase, s in total_s(found).items()],
        printed_at=_printed_at(found),
    )  # fmt: skip


def _printed_at(found: list[Span]) -> datetime | None:
    """The end of the last printing, once the machine has gone on to what comes after."""
    after = [s for s in found if s.phase in (Phase.COOLING, Phase.REMOVAL, Phase.STANDBY)]
    printed = [s for s in found if s.phase is Phase.PRINTING]
    if not printed or not after or after[-1].begin_s < printed[-1].end_s:
        return None
    return datetime.fromtimestamp(printed[-1].end_s, UTC)


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


def _next(
    session: Session, bench: Bench, states: list[JobState], units: list[LiveUnit], now: datetime
) -> list[NextThing]:
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
    for job in states:
        if job.unit_id in busy or (job.tries and job.outcome is not Outcome.FAILED):
            continue
        mark = marks[job.unit_id]
        what = f"{bench.artifacts[job.artifact_id].name.lower()} {job.copy} on {mark.name}"
        found.append(
            NextThing(
                words=f"Start {what}" if job.has_file else f"Slice {what}", at=now, job_id=job.id, machine=mark,
                detail=f"Try {job.tries + 1}." if job.tries else "Next in the shuffled order.",
            )
        )  # fmt: skip
        busy.add(job.unit_id)
        if len(found) >= 6:
            break
    return found


def _last_reports(session: Session, printers: list[Device]) -> dict[uuid.UUID | None, PrinterReport]:
    """The last report of each printer, by its unit."""
    last = (
        select(PrinterReport.at).where(PrinterReport.device == Device.number).order_by(PrinterReport.at.desc()).limit(1)
        .correlate(Device).scalar_subquery()
    )  # fmt: skip
    rows = session.execute(
        select(Device.unit_id, PrinterReport)
        .join(PrinterReport, (PrinterReport.device == Device.number) & (PrinterReport.at == last))
        .where(Device.id.in_([p.id for p in printers]))
    )
    return dict(rows.tuples().all())


def _spark(power: Sequence[tuple[float, float]], now: datetime) -> list[float]:
    if not power:
        return []
    begin, step = (now - _SPARK).timestamp(), _SPARK.total_seconds() / _SPARK_POINTS
    sums, counts = np.zeros(_SPARK_POINTS), np.zeros(_SPARK_POINTS)
    at = np.clip(((np.array([t for t, _ in power]) - begin) / step).astype(int), 0, _SPARK_POINTS - 1)
    np.add.at(sums, at, [w for _, w in power])
    np.add.at(counts, at, 1)
    return [round(float(s / c), 1) if c else -1.0 for s, c in zip(sums, counts, strict=True)]
