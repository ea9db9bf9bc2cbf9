"""What a unit's prints and readings have shown by themselves: noise, first tries, phases, standby."""

import uuid

from pydantic import Field
from sqlalchemy.orm import Session

from crevlo.core.estimate import Estimate, NotDetermined
from crevlo.core.evaluations.noise import of_state
from crevlo.core.noise import NoiseState, mean_level_db
from crevlo.core.phases import Phase, total_s
from crevlo.core.success import Outcome, success_chance
from crevlo.stations.bench import Bench
from crevlo.stations.devices.power import standby_w
from crevlo.stations.evidence.specimen import instruments_of
from crevlo.stations.evidence.study import level_of
from crevlo.stations.kit.shape import Shape
from crevlo.stations.noise import level_at_1_m
from crevlo.stations.phases import PhaseTime, spans_by_run
from crevlo.stations.plan.expected import file_ratios
from crevlo.stations.receive.changes import change_words

_HOURS_A_YEAR = 8766


# Older runs say little of how the machine prints now.
_LAST_RUNS = 20


class NoiseRow(Shape):
    """Level at 1 m of one state, by door and fan: the energy mean of its readings."""

    state: NoiseState
    door_shut: bool
    fan_percent: float | None
    level_db: float
    lowest_db: float
    highest_db: float
    readings: int


class PrintingOut(Shape):
    """How a unit prints: time kept against its estimates, first tries, and what every print begins and ends with."""

    ratio: float | None
    ratio_spread: float | None
    ratio_prints: int
    first_good: int
    first_tries: int
    first_low: float
    first_high: float
    later_good: int
    later_tries: int
    phases: list[PhaseTime] = Field(description="mean seconds a print, of those whose phases are known")
    phases_of: int
    standby_w: float | None
    standby_needs: str | None
    words: list[str]


def noise_table(bench: Bench, unit_id: uuid.UUID) -> list[NoiseRow]:
    """Levels at 1 m by state, door and fan; readings that do not count are left out."""
    levels: dict[tuple[NoiseState, bool, float | None], list[float]] = {}
    for reading in bench.noise_of(unit_id):
        try:
            level = level_at_1_m(reading)
        except NotDetermined:
            continue
        levels.setdefault((reading.state, reading.door_shut, reading.fan_percent), []).append(level)
    order = list(NoiseState)
    rows = sorted(levels.items(), key=lambda row: (order.index(row[0][0]), row[0][1], row[0][2] or 0.0))
    return [
        NoiseRow(
            state=state, door_shut=door, fan_percent=fan, level_db=mean_level_db(found), lowest_db=min(found),
            highest_db=max(found), readings=len(found),
        )
        for (state, door, fan), found in rows
    ]  # fmt: skip


def noise_of(bench: Bench, unit_id: uuid.UUID, state: NoiseState) -> tuple[Estimate | NotDetermined, str]:
    """Level at 1 m in one state, and in words what it was read with."""
    levels = [level_of(reading, bench.instruments) for reading in bench.noise_of(unit_id)]
    try:
        return of_state(levels, state, instruments_of(bench.instruments.values()))
    except NotDetermined as missing:
        return missing, ""


def printing(session: Session, bench: Bench, unit_id: uuid.UUID) -> PrintingOut:
    jobs = bench.jobs_of(unit_id)
    tries = [[r for r in bench.runs.get(job.id, []) if r.outcome in (Outcome.DONE, Outcome.FAILED)] for job in jobs]
    first = [run[0].outcome is Outcome.DONE for run in tries if run]
    later = [r.outcome is Outcome.DONE for run in tries for r in run[1:]]
    chance = success_chance(sum(first), len(first))
    ended = [r for run in tries for r in run if r.outcome is Outcome.DONE and r.ended_at]
    ratio = file_ratios(session, [unit_id]).get(unit_id)
    sums: dict[Phase, float] = {}
    known = 0
    latest = sorted(ended, key=lambda r: r.started_at)[-_LAST_RUNS:]
    by_run = spans_by_run(session, latest, dict.fromkeys((r.id for r in latest), unit_id))
    for found, _ in by_run.values():
        known += bool(found)
        for phase, seconds in total_s(found).items():
            sums[phase] = sums.get(phase, 0.0) + seconds
    phases = [PhaseTime(phase=p, seconds=s / known) for p, s in sums.items()] if known else []
    standby, needs = None, None
    try:
        standby = standby_w(session, unit_id)
    except NotDetermined as missing:
        needs = missing.needs
    return PrintingOut(
        standby_w=standby, standby_needs=needs,
        ratio=ratio.mean if ratio else None, ratio_spread=ratio.spread if ratio else None,
        ratio_prints=ratio.prints if ratio else 0, first_good=sum(first), first_tries=len(first), first_low=chance.low,
        first_high=chance.high, later_good=sum(later), later_tries=len(later), phases=phases, phases_of=known,
        words=[
            *_printing_words(first, later, phases),
            *change_words(session, unit_id, bench.measures.get(unit_id, []), latest, by_run),
            *_standby_words(standby, bench),
        ],
    )  # fmt: skip


def _printing_words(first: list[bool], later: list[bool], phases: list[PhaseTime]) -> list[str]:
    words = []
    if first:
        words.append(f"{sum(first)} of {len(first)} came out at the first try.")
    if later:
        words.append(f"Of {len(later)} later tries {sum(later)} came out; they are kept apart.")
    before = sum(p.seconds for p in phases if p.phase in (Phase.LEVELLING, Phase.WARM_UP))
    if before:
        words.append(f"Levelling and warm-up cost {before / 60:.1f} min of every print; they count in its time.")
    return words


def _standby_words(watts: float | None, bench: Bench) -> list[str]:
    if watts is None:
        return []
    a_year = watts * _HOURS_A_YEAR / 1000 * bench.study.tariff_per_kwh
    return [
        f"Stands by at {watts:.1f} W: about {a_year:.0f} {bench.study.currency} a year, were it never switched off."
    ]
