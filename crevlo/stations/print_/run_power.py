"""What a run drew, phase by phase."""

import uuid
from dataclasses import replace
from datetime import UTC, datetime

import numpy as np
from pydantic import Field
from sqlalchemy import select
from sqlalchemy.orm import Session

from crevlo.core.energy import LONGEST_STEP_S, TraceEnergy
from crevlo.core.estimate import NotDetermined
from crevlo.core.phases import Phase, Span, guess_spans, power_by_phase
from crevlo.stations.devices.device import device_of
from crevlo.stations.devices.power import Samples, TraceOut, energy_of, looked_through, thinned, trace
from crevlo.stations.kit.kept import Kept
from crevlo.stations.kit.shape import Missing, Shape
from crevlo.stations.phases import spans_by_run
from crevlo.stations.print_.power_log import handed_in
from crevlo.store.device import DeviceKind
from crevlo.store.run import EnergyFrom, Run
from crevlo.store.study import Job


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


def power_of_run(session: Session, run_id: uuid.UUID) -> RunPower:
    """What a run drew, phase by phase; phases as marked or reported, else guessed from the power."""
    run = session.get(Run, run_id)
    if run is None:
        raise Missing("There is no such run.")
    unit_id = session.scalars(select(Job.unit_id).where(Job.id == run.job_id)).one()
    end = run.ended_at or datetime.now(UTC)
    meter = device_of(session, unit_id, DeviceKind.POWER_METER, run.started_at)
    found, told = spans_by_run(session, [run], {run.id: unit_id})[run.id]
    samples, energy, needs = None, None, "a power meter on this machine that sends by itself"
    if meter is not None:
        samples, longest_s = looked_through(session, meter, run.started_at, end)
        try:
            energy = energy_of(samples, run.started_at.timestamp(), end.timestamp(), longest_s, found or None)
        except NotDetermined as missing:
            needs = missing.needs
    nothing = RunPower(
        trace=None, needs=needs, spans=_spans_out(found), spans_from=told, phases=[], kwh=None, low_kwh=None,
        high_kwh=None, gaps=0, peak_w=None,
    )  # fmt: skip
    if meter is not None and samples is not None and energy is not None:
        seen = samples if longest_s == LONGEST_STEP_S else None
        if seen is None and run.energy_from is EnergyFrom.LIVE:
            # What was added up of every sample when it ended.
            low, high = run.energy_low_kwh or 0.0, run.energy_high_kwh or 0.0
            energy = replace(energy, low_kwh=low, high_kwh=high, gaps_kwh=(run.energy_kwh or low) - low)
        return _power(samples, energy, trace(session, meter, run.started_at, end, seen), found, told, longest_s)
    if run.trace_sha256 is None:
        return nothing
    # A log that was handed in has all that a meter's own samples have.
    key = f"{run.trace_sha256} {run.trace_columns} {run.started_at} {found}"
    return _of_logs.get(key, lambda: _of_log(session, run, found, told)) or nothing


# A pure function of a log that never changes, of how it is read, and of the run's phases.
_of_logs: Kept[RunPower | None] = Kept(60)


def _of_log(session: Session, run: Run, found: list[Span], told: str) -> RunPower | None:
    given = handed_in(session, run)
    if given is None:
        return None
    samples, energy = given
    return _power(samples, energy, thinned(samples), found, told)


def _power(
    samples: Samples,
    energy: TraceEnergy,
    drawn: TraceOut,
    found: list[Span],
    told: str,
    longest_s: float = LONGEST_STEP_S,
) -> RunPower:
    if not found:
        found, told = _guessed(samples)
    if told and longest_s > LONGEST_STEP_S:
        told += "; power by means of a minute"
    return RunPower(
        trace=drawn, needs=None, spans=_spans_out(found), spans_from=told,
        phases=_phases_out(samples, found, longest_s), gaps=len(energy.gaps), peak_w=energy.peak_w, **_bounds(energy),
    )  # fmt: skip


def _guessed(samples: Samples) -> tuple[list[Span], str]:
    has = np.isfinite(samples.power_w)
    try:
        return guess_spans(samples.at[has], samples.power_w[has]), "guessed from steps in the power"
    except NotDetermined:
        return [], ""


def _phases_out(samples: Samples, found: list[Span], longest_s: float) -> list[PhasePowerOut]:
    has = np.isfinite(samples.power_w)
    if has.sum() < 2:
        return []
    return [
        PhasePowerOut(
            phase=p.phase, seconds=p.seconds, mean_w=p.mean_w, p95_w=p.p95_w, peak_w=p.peak_w, **_bounds(p.energy)
        )
        for p in power_by_phase(samples.at[has], samples.power_w[has], found, longest_s)
    ]


def _bounds(energy: TraceEnergy) -> dict[str, float]:
    return {"kwh": energy.kwh, "low_kwh": energy.low_kwh, "high_kwh": energy.high_kwh}


def _spans_out(found: list[Span]) -> list[SpanOut]:
    return [SpanOut(phase=s.phase, begin=s.begin_s, end=s.end_s) for s in found]
