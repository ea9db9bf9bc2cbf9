"""Power samples: taken from meters, kept once, drawn together for looking from afar."""

import math
import uuid
from collections import defaultdict
from collections.abc import Sequence
from dataclasses import dataclass
from datetime import UTC, datetime, timedelta
from typing import Annotated, Any

import numpy as np
from pydantic import Field
from sqlalchemy import TextClause, func, select, text
from sqlalchemy.orm import Session

from crevlo.core.energy import JOULE_PER_KWH, LONGEST_STEP_S, TraceEnergy, integrate_counter
from crevlo.core.estimate import BadInput, NotDetermined
from crevlo.core.gaps import energy_of_trace
from crevlo.core.phases import Span
from crevlo.stations.devices.device import device_of, devices_of, plugged_in
from crevlo.stations.kit.shape import Shape
from crevlo.store.database import SQL
from crevlo.store.device import Device, DeviceKind, PowerLevel, PowerSample
from crevlo.store.run import EnergyFrom, Run
from crevlo.store.study import Job

MOST_SAMPLES = 20_000
# Stretches that are drawn together, in s; each a multiple of the one before.
LEVELS = (60, 1800)
MOST_POINTS = 4000
# Each month has a table of its own: one batch must not make hundreds.
_LONGEST_BATCH_S = 62 * 86400.0
_CLOCK_AHEAD = timedelta(minutes=10)
_LONG = timedelta(hours=2)
_OLDEST = datetime(2000, 1, 1, tzinfo=UTC)
_MOST_W, _MOST_WH = 1e5, 1e12
_LEAST_STANDBY_MIN = 10
_STANDBY = text((SQL / "standby.sql").read_text())
_TAKE, _DRAW, _COARSE = (text((SQL / f"{name}.sql").read_text()) for name in ("take_samples", "draw_levels", "draw_coarse"))  # fmt: skip


class PowerBatch(Shape):
    """Samples by column; a meter sends power, a running counter, or both."""

    t: list[Annotated[float, Field(ge=-1e12, le=1e12)]] = Field(
        max_length=MOST_SAMPLES, description="seconds since 1970, UTC; in any order"
    )
    w: list[Annotated[float, Field(ge=-1e9, le=1e9)] | None] | None = Field(default=None, max_length=MOST_SAMPLES)
    wh: list[Annotated[float, Field(ge=-1e12, le=1e12)] | None] | None = Field(default=None, max_length=MOST_SAMPLES)


class Taken(Shape):
    """What became of a batch: all of it is on disk once this is answered."""

    taken: int
    repeated: int = Field(description="samples that were here already")


class TraceOut(Shape):
    """Power over time by column: one sample a point, or the lowest, mean and highest of a stretch of step_s."""

    step_s: int = Field(description="0 where every sample is a point")
    t: list[float]
    w: list[float]
    low_w: list[float] | None
    high_w: list[float] | None
    samples: int
    longest_step_s: float = Field(description="points further apart than this have a gap between them")


@dataclass(frozen=True, slots=True)
class Samples:
    """Samples of one meter: times in s since 1970, power in W, counter in Wh; nan where a sample lacks one."""

    at: np.ndarray
    power_w: np.ndarray
    counter_wh: np.ndarray


def take_power(session: Session, device: Device, batch: PowerBatch) -> Taken:
    """Keeps a batch; a sample sent again is counted and left. Raises BadInput, and then keeps nothing of it."""
    t, w, wh = _columns(batch)
    if not len(t):
        return Taken(taken=0, repeated=0)
    if float(t.max() - t.min()) > _LONGEST_BATCH_S:
        raise BadInput("a batch may span 62 days at most; send older samples in batches of their own")
    # Two batches of one meter at once: the levels are drawn by the second from what both have kept.
    session.execute(text("select pg_advisory_xact_lock(:key)"), {"key": (1 << 40) + device.number})
    for moment in _months(t):
        session.execute(select(func.power_month(moment)))
    stored = session.execute(
        _TAKE, {"device": device.number, "t": t.tolist(), "w": _nullable(w), "wh": _nullable(wh)}
    ).rowcount  # type: ignore[attr-defined]
    if stored:
        _draw(session, device.number, t)
        _count_again(session, device, t)
    return Taken(taken=stored, repeated=len(t) - stored)


def thinned(samples: Samples, points: int = MOST_POINTS) -> TraceOut:
    """Power of samples at hand, drawn together where they are more than so many points."""
    has = np.isfinite(samples.power_w)
    at, power = samples.at[has], samples.power_w[has]
    if len(at) <= points:
        return TraceOut(
            step_s=0, t=at.tolist(), w=power.round(2).tolist(), low_w=None, high_w=None, samples=len(at),
            longest_step_s=LONGEST_STEP_S,
        )  # fmt: skip
    step = math.ceil((at[-1] - at[0]) / points)
    place = ((at - at[0]) // step).astype(int)
    starts = np.flatnonzero(np.diff(place, prepend=-1))
    counts = np.diff(np.append(starts, len(at)))
    return TraceOut(
        step_s=step, t=(at[0] + step * place[starts]).tolist(),
        w=(np.add.reduceat(power, starts) / counts).round(2).tolist(),
        low_w=np.minimum.reduceat(power, starts).round(2).tolist(),
        high_w=np.maximum.reduceat(power, starts).round(2).tolist(), samples=len(at),
        longest_step_s=max(LONGEST_STEP_S, 2.0 * step),
    )  # fmt: skip


def trace(
    session: Session,
    device: Device,
    begin: datetime,
    end: datetime,
    seen: Samples | None = None,
    points: int = MOST_POINTS,
) -> TraceOut:
    """The power of a meter between two moments, as coarse as it has to be for so many points. `seen` are its samples
    between them, where they are at hand."""
    if seen is None and _about(session, device, begin, end) <= points:
        seen = samples_between(session, device, begin, end)
    if seen is not None and len(seen.at) <= points:
        has = np.isfinite(seen.power_w)
        return TraceOut(
            step_s=0, t=seen.at[has].tolist(), w=seen.power_w[has].round(2).tolist(), low_w=None, high_w=None,
            samples=int(has.sum()), longest_step_s=LONGEST_STEP_S,
        )  # fmt: skip
    step = LEVELS[0] if (end - begin).total_seconds() / LEVELS[0] <= points else LEVELS[1]
    rows = session.execute(
        select(func.extract("epoch", PowerLevel.at), PowerLevel.mean_w, PowerLevel.low_w, PowerLevel.high_w, PowerLevel.samples)
        .where(PowerLevel.device == device.number, PowerLevel.step_s == step, PowerLevel.at >= begin, PowerLevel.at < end)
        .order_by(PowerLevel.at)
    ).all()  # fmt: skip
    t, mean, low, high, counts = (
        (list(column) for column in zip(*rows, strict=True)) if rows else ([], [], [], [], [])
    )
    return TraceOut(
        step_s=step, t=[float(x) + step / 2 for x in t], w=[round(x, 2) for x in mean],
        low_w=[round(x, 2) for x in low], high_w=[round(x, 2) for x in high], samples=sum(counts),
        longest_step_s=1.5 * step,
    )  # fmt: skip


def _about(session: Session, device: Device, begin: datetime, end: datetime) -> int:
    """How many samples there are between two moments, counted by half hours that touch them."""
    return session.scalars(
        select(func.coalesce(func.sum(PowerLevel.samples), 0)).where(
            PowerLevel.device == device.number, PowerLevel.step_s == LEVELS[1],
            PowerLevel.at >= begin - timedelta(seconds=LEVELS[1]), PowerLevel.at < end,
        )
    ).one()  # fmt: skip


def samples_between(session: Session, device: Device, begin: datetime, end: datetime) -> Samples:
    """Every sample of a meter between two moments."""
    return _columns_of(session, _SAMPLES, {"device": device.number, "begin": begin, "end": end})


def looked_through(session: Session, device: Device, begin: datetime, end: datetime) -> tuple[Samples, float]:
    """What a stretch is taken apart by: its samples, or the means of its minutes where it has very many; and the longest
    step between two that is no gap, in s."""
    # By half hours that touch it a short run seems to have more than it has, and minutes would tell too little of it.
    if (end - begin) < _LONG or _about(session, device, begin, end) <= MOST_SAMPLES:
        return samples_between(session, device, begin, end), LONGEST_STEP_S
    given = {"device": device.number, "begin": begin, "end": end, "step": LEVELS[0]}
    minutes = _columns_of(session, _MINUTES, given)
    if not len(minutes.at):
        return minutes, LONGEST_STEP_S
    # A minute stands in its middle: the first and the last reach to the two ends.
    first, last = begin.timestamp(), end.timestamp()
    at = np.r_[first, np.clip(minutes.at, first, last), last]
    power = np.r_[minutes.power_w[:1], minutes.power_w, minutes.power_w[-1:]]
    return Samples(at, power, np.full(len(at), np.nan)), 1.5 * LEVELS[0]


_SAMPLES = text(
    "select array_agg(cast(extract(epoch from at) as float8) order by at), array_agg(power_w order by at),"
    " array_agg(counter_wh order by at) from power_sample where device = :device and at between :begin and :end"
)
_MINUTES = text(
    "select array_agg(cast(extract(epoch from at) as float8) + step_s / 2.0 order by at), array_agg(mean_w order by at),"
    " null from power_level where device = :device and step_s = :step and at >= :begin and at < :end"
)
_ENERGY = text((SQL / "run_energy.sql").read_text())


def _columns_of(session: Session, statement: TextClause, given: dict[str, Any]) -> Samples:
    at, power, counter = session.execute(statement, given).one()
    t = np.array(at or [], dtype=float)
    w, wh = (np.array(c, dtype=float) if c else np.full(len(t), np.nan) for c in (power, counter))
    return Samples(t, w, wh)


def energy_between(session: Session, device: Device, begin: datetime, end: datetime) -> TraceEnergy:
    """Energy of a stretch: by power where the meter sends it, else by its counter. What is not seen at the two ends counts
    as a gap. Raises NotDetermined with fewer than two samples."""
    if _about(session, device, begin, end) > MOST_SAMPLES:
        row = session.execute(
            _ENERGY, {"device": device.number, "begin": begin, "end": end, "longest": LONGEST_STEP_S}
        ).one()
        if row.samples >= 2:
            low, most = row.low / JOULE_PER_KWH, row.gap_s * row.peak_w / JOULE_PER_KWH
            bridged = (row.high - row.low) / JOULE_PER_KWH
            return TraceEnergy(
                low, low + most, (), (end - begin).total_seconds(), row.peak_w, row.samples, bridged,
                most / math.sqrt(12),
            )  # fmt: skip
    return energy_of(samples_between(session, device, begin, end), begin.timestamp(), end.timestamp())


def energy_of(
    found: Samples,
    begin_s: float,
    end_s: float,
    longest_step_s: float = LONGEST_STEP_S,
    spans: Sequence[Span] | None = None,
) -> TraceEnergy:
    """Energy of the samples between two moments, the ends held at the nearest sample; `spans` are the phases where they are
    known."""
    powered = np.isfinite(found.power_w)
    if powered.sum() >= 2:
        t, w, wh = found.at[powered], found.power_w[powered], found.counter_wh[powered]
        t, w, wh = np.r_[begin_s, t, end_s], np.r_[w[0], w, w[-1]], np.r_[np.nan, wh, np.nan]
        return energy_of_trace(t, w, spans, wh, longest_step_s)
    counted = np.isfinite(found.counter_wh)
    if counted.sum() >= 2:
        return integrate_counter(found.at[counted] - begin_s, found.counter_wh[counted])
    raise NotDetermined("at least two samples of the power meter in this time")


def energy_from_meter(session: Session, run: Run) -> bool:
    """Sets an ended run's energy from what its unit's meter sent, where it sent any; tells whether it did.

    What a person read off a meter or handed in as a file is left as it is.
    """
    if run.ended_at is None or run.energy_from not in (None, EnergyFrom.LIVE):
        return False
    unit_id = session.scalars(select(Job.unit_id).where(Job.id == run.job_id)).one()
    device = device_of(session, unit_id, DeviceKind.POWER_METER, run.started_at)
    if device is None:
        return False
    try:
        energy = energy_between(session, device, run.started_at, run.ended_at)
    except (NotDetermined, BadInput):
        return False
    run.energy_kwh, run.energy_low_kwh, run.energy_high_kwh = energy.kwh, energy.low_kwh, energy.high_kwh
    run.energy_u_kwh = energy.u_kwh
    run.energy_from, run.instrument_id = EnergyFrom.LIVE, device.instrument_id
    session.flush()
    return True


def _columns(batch: PowerBatch) -> tuple[np.ndarray, np.ndarray, np.ndarray]:
    n = len(batch.t)
    for name, column in (("w", batch.w), ("wh", batch.wh)):
        if column is not None and len(column) != n:
            raise BadInput(f"the batch has {n} times but {len(column)} values of {name}")
    if batch.w is None and batch.wh is None:
        raise BadInput("a batch needs power (w), a counter (wh), or both")
    t = np.array(batch.t, dtype=float)
    w, wh = (np.array(c if c is not None else [None] * n, dtype=float) for c in (batch.w, batch.wh))
    latest = (datetime.now(UTC) + _CLOCK_AHEAD).timestamp()
    if n and (t > latest).any():
        raise BadInput("a sample lies in the future: set the device's clock")
    if n and (t < _OLDEST.timestamp()).any():
        raise BadInput("a sample is from before the year 2000: set the device's clock")
    if (w < 0).any() or (w > _MOST_W).any() or (wh < 0).any() or (wh > _MOST_WH).any():
        raise BadInput("power must lie between 0 and 100 kW, a counter above 0")
    if (~np.isfinite(w) & ~np.isfinite(wh)).any():
        raise BadInput("every sample needs power or a counter")
    # A database keeps microseconds: what is nearer than that is one sample.
    return np.round(t, 6), w, wh


def _months(t: np.ndarray) -> list[datetime]:
    """The month's beginning of every sample, each once."""
    days = (datetime.fromtimestamp(float(day) * 86400, UTC) for day in np.unique(np.floor(t / 86400)))
    return sorted({day.replace(day=1) for day in days})


def _nullable(values: np.ndarray) -> list[float | None]:
    return [None if math.isnan(v) else v for v in values.tolist()]


def _draw(session: Session, number: int, t: np.ndarray) -> None:
    """Draws the touched stretches together: samples far apart in time are not drawn over all that lies between."""
    fine, coarse = LEVELS
    for level, statement in ((fine, _DRAW), (coarse, _COARSE)):
        stretches = np.unique(np.floor(t / level).astype(np.int64))
        for run in np.split(stretches, np.flatnonzero(np.diff(stretches) > 60) + 1):
            given = {"device": number, "step": level, "first": float(run[0] * level), "last": float(run[-1] * level)}
            if statement is _COARSE:
                given["fine"] = fine
            session.execute(statement, given)


def _count_again(session: Session, device: Device, t: np.ndarray) -> None:
    """Ended runs whose meter sent more of them only now."""
    if device.unit_id is None:
        return
    begin, end = (datetime.fromtimestamp(float(x), UTC) for x in (t.min(), t.max()))
    late = session.scalars(
        select(Run).join(Job, Job.id == Run.job_id)
        .where(Job.unit_id == device.unit_id, Run.ended_at > begin, Run.started_at < end)
    )  # fmt: skip
    for run in late:
        energy_from_meter(session, run)


def standby_w(session: Session, unit_id: uuid.UUID) -> float:
    """As `standby_of`, of one unit. Raises NotDetermined where it is not known."""
    found = standby_of(session, [unit_id])[unit_id]
    if isinstance(found, NotDetermined):
        raise found
    return found


def standby_of(session: Session, unit_ids: Sequence[uuid.UUID]) -> dict[uuid.UUID, float | NotDetermined]:
    """What each unit draws while nothing is under way on it: the median minute, an hour after its runs at the earliest; or
    that it needs a meter, or ten such minutes."""
    of = devices_of(session, unit_ids, DeviceKind.POWER_METER)
    meters = {u: d for u in unit_ids if (d := plugged_in(of.get(u, []), None))}
    found: dict[uuid.UUID, float | NotDetermined] = dict.fromkeys(
        unit_ids, NotDetermined("a power meter on this machine that sends by itself")
    )
    if meters:
        for row in session.execute(_STANDBY, {"devices": [d.number for d in meters.values()]}):
            known = row.minutes >= _LEAST_STANDBY_MIN
            found[row.unit_id] = (
                float(row.watts) if known else NotDetermined("ten minutes of power with nothing under way")
            )
    return found


def last_power(session: Session, numbers: list[int], since: datetime) -> dict[int, list[tuple[float, float]]]:
    """Samples of several meters since a moment, by device number: (s since 1970, W)."""
    rows = session.execute(
        select(PowerSample.device, func.extract("epoch", PowerSample.at), PowerSample.power_w)
        .where(PowerSample.device.in_(numbers), PowerSample.at >= since, PowerSample.power_w.is_not(None))
        .order_by(PowerSample.at)
    )  # fmt: skip
    found: defaultdict[int, list[tuple[float, float]]] = defaultdict(list)
    for number, at, watts in rows:
        found[number].append((float(at), float(watts or 0.0)))
    return found
