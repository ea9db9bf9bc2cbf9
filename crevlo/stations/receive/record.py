"""A unit's record, from its box on: contents, assembly, what was measured, claims, configurations, worth, log."""

import math
import uuid
from collections.abc import Sequence
from datetime import UTC, datetime
from typing import Any

from pydantic import Field
from sqlalchemy import select
from sqlalchemy.orm import Session

from crevlo.core.before_after import changed
from crevlo.core.claims import UNITS, ClaimKind, against
from crevlo.core.estimate import BadInput, Estimate, NotDetermined
from crevlo.core.noise import mean_level_db
from crevlo.core.phases import Phase, total_s
from crevlo.core.printable import printable_area
from crevlo.core.success import DEFAULT_COUNTED, fault_rate, success_chance
from crevlo.stations.bench import Bench, get_study, load_bench
from crevlo.stations.clock import stated_time
from crevlo.stations.devices.power import standby_w
from crevlo.stations.library import change, configuration_of
from crevlo.stations.photo import PhotoOut, photos_of
from crevlo.stations.plan.expected import file_ratios
from crevlo.stations.print_.live import PhaseTime, spans_by_run
from crevlo.stations.print_.run import level_at_1_m
from crevlo.stations.shape import Missing, Refused, Shape
from crevlo.store.machine import Configuration, Instrument, Model, Unit
from crevlo.store.record import (
    AssemblyStep,
    BoxItem,
    Claim,
    FeatureWorth,
    Found,
    LogEntry,
    LogKind,
    MeasureKind,
    ModelFeature,
    UnitMeasure,
)
from crevlo.store.run import NoiseState, Outcome, Run

MEASURE_UNITS = {
    MeasureKind.WEIGHT: "kg", MeasureKind.WARM_NOZZLE: "s", MeasureKind.WARM_BED: "s", MeasureKind.WARM_BOTH: "s",
    MeasureKind.NOZZLE: "°C", MeasureKind.BED: "°C", MeasureKind.SPEED: "mm/s", MeasureKind.FLOW: "mm³/s",
    MeasureKind.COLOUR: "s", MeasureKind.PURGE: "g", MeasureKind.SETUP_FIRST: "s", MeasureKind.SETUP_AGAIN: "s",
}  # fmt: skip
_WARM_UPS = (MeasureKind.WARM_NOZZLE, MeasureKind.WARM_BED, MeasureKind.WARM_BOTH)
_HOURS_A_YEAR = 8766
# Older runs say little of how the machine prints now.
_LAST_RUNS = 20
_EDGES = (MeasureKind.LEFT, MeasureKind.RIGHT, MeasureKind.FRONT, MeasureKind.BACK)
# What is taken as the standard uncertainty of a single measurement without an instrument on record.
_BY_HAND = {"mm": 0.5, "s": 5.0, "kg": 0.05, "°C": 2.0, "mm/s": 5.0, "mm³/s": 0.5, "g": 0.05}


class BoxItemOut(Shape):
    id: uuid.UUID
    version: int
    name: str
    found: Found | None
    note: str


class NewBoxItem(Shape):
    id: uuid.UUID
    name: str = Field(min_length=1, max_length=120)


class BoxItemChange(Shape):
    version: int
    found: Found | None = None
    note: str = Field(default="", max_length=300)


class StepOut(Shape):
    id: uuid.UUID
    version: int
    name: str
    seconds: float
    note: str
    first_s: float | None = Field(description="what the same step took on the first unit of this model")


class NewStep(Shape):
    id: uuid.UUID
    name: str = Field(min_length=1, max_length=120)
    seconds: float = Field(ge=0, le=1e6)
    note: str = Field(default="", max_length=500)


class MeasureOut(Shape):
    id: uuid.UUID
    kind: MeasureKind
    value: float
    unit: str
    from_c: float | None
    to_c: float | None
    instrument: str | None
    note: str
    configuration: int
    corrected: bool
    taken_at: datetime


class NewMeasure(Shape):
    id: uuid.UUID
    kind: MeasureKind
    value: float = Field(ge=-1000, le=1e6)
    from_c: float | None = Field(default=None, ge=-50, le=700)
    to_c: float | None = Field(default=None, ge=-50, le=700)
    instrument_id: uuid.UUID | None = None
    note: str = Field(default="", max_length=300)
    taken_at: datetime | None = None
    supersedes_id: uuid.UUID | None = None
    reason: str | None = Field(default=None, min_length=1, max_length=300)


class PrintableOut(Shape):
    width_mm: float | None
    depth_mm: float | None
    offset_x_mm: float | None
    offset_y_mm: float | None
    words: str


class ClaimOut(Shape):
    id: uuid.UUID
    version: int
    kind: ClaimKind
    value: float
    unit: str
    said: str
    holds: bool | None
    words: str


class NewClaim(Shape):
    id: uuid.UUID
    kind: ClaimKind
    value: float = Field(ge=0, le=1e6)
    said: str = Field(default="", max_length=300, description="the maker's own words and where they stand")


class ClaimChange(Shape):
    version: int
    value: float = Field(ge=0, le=1e6)
    said: str = Field(default="", max_length=300)


class ConfigurationOut(Shape):
    id: uuid.UUID
    number: int
    nozzle_mm: float
    firmware: str
    plate: str
    profile_set: str
    parts: str
    accessories: str
    reason: str
    opened_at: datetime
    attempts: int
    good: int


class NewConfiguration(Shape):
    id: uuid.UUID
    nozzle_mm: float = Field(gt=0, le=5)
    firmware: str = Field(min_length=1, max_length=80)
    plate: str = Field(min_length=1, max_length=80)
    profile_set: str = Field(min_length=1, max_length=80)
    parts: str = Field(default="", max_length=300)
    accessories: str = Field(default="", max_length=300)
    reason: str = Field(min_length=1, max_length=300)


class ComparisonOut(Shape):
    """Two configurations of one unit, by what was printed in each."""

    before: int
    after: int
    words: list[str]


class LogOut(Shape):
    id: uuid.UUID
    kind: LogKind
    at: datetime
    hours: float | None
    words: str
    cost: float | None
    corrected: bool


class NewLog(Shape):
    id: uuid.UUID
    kind: LogKind
    at: datetime | None = None
    hours: float | None = Field(default=None, ge=0, le=1e6)
    words: str = Field(default="", max_length=500)
    cost: float | None = Field(default=None, ge=0, le=1e6)
    supersedes_id: uuid.UUID | None = None
    reason: str | None = Field(default=None, min_length=1, max_length=300)


class FaultsOut(Shape):
    """Faults of the log and failed prints that count, over the hours run."""

    faults: int
    hours: float
    hours_from: str
    median_per_100h: float | None
    low: float | None
    high: float | None
    needs: str | None


class WorthOut(Shape):
    id: uuid.UUID
    version: int
    name: str
    worth: float
    present: bool


class WorthLedger(Shape):
    currency: str
    features: list[WorthOut]
    worth: float
    price: float | None
    surplus: float | None = Field(description="worth of the features present less the price paid")


class NewWorth(Shape):
    id: uuid.UUID
    name: str = Field(min_length=1, max_length=80)
    worth: float = Field(ge=0, le=1e6)


class WorthChange(Shape):
    version: int
    worth: float = Field(ge=0, le=1e6)


class Presence(Shape):
    present: bool


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


class UnitRecord(Shape):
    now: datetime
    unit_id: uuid.UUID
    model_id: uuid.UUID
    box: list[BoxItemOut]
    photos: list[PhotoOut]
    steps: list[StepOut]
    assembly_s: float
    first_assembly_s: float | None = Field(description="of the first unit of this model, where this is another")
    measures: list[MeasureOut]
    printable: PrintableOut
    claims: list[ClaimOut]
    configurations: list[ConfigurationOut]
    comparison: ComparisonOut | None
    log: list[LogOut]
    faults: FaultsOut
    worth: WorthLedger
    noise: list[NoiseRow]
    printing: PrintingOut


def view_record(session: Session, study_id: uuid.UUID, unit_id: uuid.UUID) -> UnitRecord:
    unit = unit_in(session, study_id, unit_id)
    bench = load_bench(session, study_id)
    runs = bench.runs_of(unit_id)
    measures = _measures(session, unit_id)
    numbers = {c.id: c.number for c in _configurations(session, unit_id)}
    steps = _steps(session, unit_id)
    first = _first_unit(session, unit)
    before = {s.name: s.seconds for s in _steps(session, first)} if first else {}
    log = _log(session, unit_id)
    instruments = {i.id: i.code for i in session.scalars(select(Instrument))}
    return UnitRecord(
        now=datetime.now(UTC), unit_id=unit_id, model_id=unit.model_id,
        box=[BoxItemOut.model_validate(b) for b in session.scalars(select(BoxItem).where(BoxItem.unit_id == unit_id).order_by(BoxItem.noted_at, BoxItem.name))],
        photos=photos_of(session, [unit_id]).get(unit_id, []),
        steps=[
            StepOut(id=s.id, version=s.version, name=s.name, seconds=s.seconds, note=s.note, first_s=before.get(s.name))
            for s in steps
        ],
        assembly_s=math.fsum(s.seconds for s in steps),
        first_assembly_s=math.fsum(before.values()) if before else None,
        measures=[
            MeasureOut(
                id=m.id, kind=m.kind, value=m.value, unit=MEASURE_UNITS.get(m.kind, "mm"), from_c=m.from_c, to_c=m.to_c,
                instrument=instruments.get(m.instrument_id) if m.instrument_id else None, note=m.note,
                configuration=numbers[m.configuration_id], corrected=m.supersedes_id is not None, taken_at=m.taken_at,
            )
            for m in measures
        ],
        printable=_printable(unit.model, measures), claims=_claims(session, unit, measures, bench),
        configurations=_configurations_out(session, unit_id, bench), comparison=_comparison(session, unit_id, bench),
        log=[
            LogOut(id=e.id, kind=e.kind, at=e.at, hours=e.hours, words=e.words, cost=e.cost, corrected=e.supersedes_id is not None)
            for e in log
        ],
        faults=_faults(log, runs), worth=_worth(session, unit, bench.study.currency),
        noise=_noise_table(bench, unit_id), printing=_printing(session, bench, unit_id),
    )  # fmt: skip


def add_box_item(session: Session, unit_id: uuid.UUID, given: NewBoxItem) -> None:
    known = session.scalar(select(BoxItem.id).where(BoxItem.unit_id == unit_id, BoxItem.name == given.name.strip()))
    if known:
        raise Refused(f"“{given.name.strip()}” is on the list already.")
    session.add(BoxItem(id=given.id, unit_id=unit_id, name=given.name.strip()))
    session.flush()


def change_box_item(session: Session, unit_id: uuid.UUID, item_id: uuid.UUID, given: BoxItemChange) -> None:
    row = session.get(BoxItem, item_id)
    if row is None or row.unit_id != unit_id:
        raise Missing("There is no such thing on the list.")
    change(session, row, given.version, {"found": given.found, "note": given.note})


def add_step(session: Session, unit_id: uuid.UUID, given: NewStep, person_id: uuid.UUID) -> None:
    session.add(AssemblyStep(unit_id=unit_id, person_id=person_id, **given.model_dump()))
    session.flush()


def record_measure(session: Session, unit_id: uuid.UUID, given: NewMeasure, person_id: uuid.UUID) -> None:
    """Keeps a measurement in the unit's present configuration, or corrects one with its reason."""
    if (given.supersedes_id is None) != (given.reason is None):
        raise Refused("A correction names the measurement it replaces and the reason.")
    if given.kind in _WARM_UPS and (given.from_c is None or given.to_c is None):
        raise Refused("A warm-up needs the temperatures it went from and to.")
    if given.kind not in _EDGES and given.value < 0:
        raise Refused("Only an edge may lie below 0: where the nozzle reaches over it.")
    fields = given.model_dump() | {"taken_at": stated_time(given.taken_at)}
    session.add(
        UnitMeasure(
            unit_id=unit_id, configuration_id=configuration_of(session, unit_id).id, person_id=person_id, **fields
        )
    )
    session.flush()


def add_claim(session: Session, unit: Unit, given: NewClaim) -> None:
    known = session.scalar(select(Claim.id).where(Claim.model_id == unit.model_id, Claim.kind == given.kind))
    if known:
        raise Refused(f"The {given.kind.value} is claimed already; change that claim.")
    session.add(Claim(model_id=unit.model_id, **given.model_dump()))
    session.flush()


def change_claim(session: Session, unit: Unit, claim_id: uuid.UUID, given: ClaimChange) -> None:
    row = session.get(Claim, claim_id)
    if row is None or row.model_id != unit.model_id:
        raise Missing("There is no such claim.")
    change(session, row, given.version, {"value": given.value, "said": given.said})


def open_configuration(session: Session, unit_id: uuid.UUID, given: NewConfiguration) -> None:
    """A change of a unit: what is printed and measured from now on belongs to the new configuration."""
    present = configuration_of(session, unit_id)
    fields = given.model_dump(exclude={"id"})
    if all(getattr(present, name) == value for name, value in fields.items() if name != "reason"):
        raise Refused("Nothing is different from the present configuration.")
    if session.scalar(select(Run.id).where(Run.configuration_id == present.id, Run.ended_at.is_(None)).limit(1)):
        raise Refused("This unit is printing. End the run before it is changed.")
    session.add(Configuration(id=given.id, unit_id=unit_id, number=present.number + 1, **fields))
    session.flush()


def add_log(session: Session, unit_id: uuid.UUID, given: NewLog, person_id: uuid.UUID) -> None:
    if (given.supersedes_id is None) != (given.reason is None):
        raise Refused("A correction names the entry it replaces and the reason.")
    if given.kind is LogKind.HOURS and given.hours is None:
        raise Refused("Give the hours that the counter shows.")
    if given.kind is not LogKind.HOURS and not given.words.strip():
        raise Refused("Say what it was.")
    fields = given.model_dump() | {"at": stated_time(given.at)}
    session.add(LogEntry(unit_id=unit_id, person_id=person_id, **fields))
    session.flush()


def add_worth(session: Session, given: NewWorth) -> None:
    if session.scalar(select(FeatureWorth.id).where(FeatureWorth.name == given.name.strip())):
        raise Refused(f"“{given.name.strip()}” is on the price list already.")
    session.add(FeatureWorth(id=given.id, name=given.name.strip(), worth=given.worth))
    session.flush()


def change_worth(session: Session, feature_id: uuid.UUID, given: WorthChange) -> None:
    row = session.get(FeatureWorth, feature_id)
    if row is None:
        raise Missing("There is no such feature on the price list.")
    change(session, row, given.version, {"worth": given.worth})


def set_feature(session: Session, unit: Unit, feature_id: uuid.UUID, given: Presence) -> None:
    """Whether the unit's model has a feature of the price list."""
    if session.get(FeatureWorth, feature_id) is None:
        raise Missing("There is no such feature on the price list.")
    row = session.get(ModelFeature, (unit.model_id, feature_id))
    if given.present and row is None:
        session.add(ModelFeature(model_id=unit.model_id, feature_id=feature_id))
    if not given.present and row is not None:
        session.delete(row)
    session.flush()


def unit_in(session: Session, study_id: uuid.UUID, unit_id: uuid.UUID) -> Unit:
    """Raises Missing where the unit takes no part in the study."""
    entry = next((u for u in get_study(session, study_id).units if u.unit_id == unit_id), None)
    if entry is None:
        raise Missing("This unit takes no part in the study.")
    return entry.unit


def _steps(session: Session, unit_id: uuid.UUID) -> Sequence[AssemblyStep]:
    return session.scalars(
        select(AssemblyStep).where(AssemblyStep.unit_id == unit_id).order_by(AssemblyStep.done_at)
    ).all()


def _first_unit(session: Session, unit: Unit) -> uuid.UUID | None:
    """The unit of the same model that was put together first, where it is another."""
    first = session.scalar(
        select(AssemblyStep.unit_id).join(Unit, Unit.id == AssemblyStep.unit_id).where(Unit.model_id == unit.model_id)
        .order_by(AssemblyStep.done_at).limit(1)
    )  # fmt: skip
    return first if first != unit.id else None


def _measures(session: Session, unit_id: uuid.UUID) -> Sequence[UnitMeasure]:
    """As they count now: corrections applied."""
    replaced = select(UnitMeasure.supersedes_id).where(UnitMeasure.supersedes_id.is_not(None))
    return session.scalars(
        select(UnitMeasure).where(UnitMeasure.unit_id == unit_id, UnitMeasure.id.not_in(replaced))
        .order_by(UnitMeasure.taken_at)
    ).all()  # fmt: skip


def _mean(measures: Sequence[UnitMeasure], *kinds: MeasureKind) -> Estimate | NotDetermined:
    """Mean of what was measured of one kind; its spread where there are several, else what a single one can be wrong by."""
    values = [m.value for m in measures if m.kind in kinds]
    unit = MEASURE_UNITS.get(kinds[0], "mm")
    if not values:
        return NotDetermined(f"a measurement of “{kinds[0].value}”")
    n, by_hand = len(values), _BY_HAND[unit]
    mean = math.fsum(values) / n
    if n == 1:
        return Estimate(mean, by_hand)
    spread = math.sqrt(math.fsum((v - mean) ** 2 for v in values) / (n - 1))
    return Estimate(mean, math.hypot(spread / math.sqrt(n), by_hand / math.sqrt(n)), n - 1 if spread else math.inf)


def _printable(model: Model, measures: Sequence[UnitMeasure]) -> PrintableOut:
    edges = [_mean(measures, kind) for kind in _EDGES]
    missing = [e.needs for e in edges if isinstance(e, NotDetermined)]
    if missing:
        return PrintableOut(
            width_mm=None, depth_mm=None, offset_x_mm=None, offset_y_mm=None,
            words=f"Not determined: needs {missing[0]}. Home it, drive to each edge, and measure what the nozzle does not reach.",
        )  # fmt: skip
    plate = [
        e.value if isinstance(e := _mean(measures, kind), Estimate) else stated
        for kind, stated in ((MeasureKind.PLATE_X, model.bed_x_mm), (MeasureKind.PLATE_Y, model.bed_y_mm))
    ]
    left, right, front, back = (e.value for e in edges if isinstance(e, Estimate))
    try:
        made = printable_area(plate[0], plate[1], left, right, front, back)
    except BadInput as refused:
        return PrintableOut(width_mm=None, depth_mm=None, offset_x_mm=None, offset_y_mm=None, words=f"{refused}.")
    sides = [
        f"{short:.1f} mm {'less' if short > 0 else 'more'} {name}"
        for short, name in ((model.bed_x_mm - made.width_mm, "wide"), (model.bed_y_mm - made.depth_mm, "deep"))
        if abs(short) >= 0.5
    ]
    words = f"{made.width_mm:.1f} × {made.depth_mm:.1f} mm" + (
        f", {' and '.join(sides)} than its sheet says." if sides else ", as its sheet says."
    )
    off = max(abs(made.offset_x_mm), abs(made.offset_y_mm))
    words += f" The middle lies {off:.1f} mm off." if off >= 0.5 else " The middle is where it should be."
    top = _mean(measures, MeasureKind.TOP)
    if isinstance(top, Estimate):
        share = 100 * top.value / made.width_mm
        words += f" At full height it is {top.value:.0f} mm wide, {share:.0f} % of that."
    return PrintableOut(
        width_mm=made.width_mm, depth_mm=made.depth_mm, offset_x_mm=made.offset_x_mm, offset_y_mm=made.offset_y_mm, words=words
    )  # fmt: skip


def _claims(session: Session, unit: Unit, measures: Sequence[UnitMeasure], bench: Bench) -> list[ClaimOut]:
    rows = session.scalars(select(Claim).where(Claim.model_id == unit.model_id)).all()
    order = list(ClaimKind)
    found = []
    for row in sorted(rows, key=lambda c: order.index(c.kind)):
        made = against(row.kind, row.value, _measured(row.kind, unit, measures, bench))
        found.append(
            ClaimOut(
                id=row.id, version=row.version, kind=row.kind, value=row.value, unit=UNITS[row.kind], said=row.said,
                holds=made.holds, words=made.words,
            )
        )  # fmt: skip
    return found


def _measured(kind: ClaimKind, unit: Unit, measures: Sequence[UnitMeasure], bench: Bench) -> Estimate | NotDetermined:
    """What the study and the intake have measured of a claim, without anybody entering it again."""
    if kind is ClaimKind.NOISE:
        return _noise(bench, unit.id)
    if kind in (ClaimKind.BED_X, ClaimKind.BED_Y):
        area = _printable(unit.model, measures)
        side = area.width_mm if kind is ClaimKind.BED_X else area.depth_mm
        return NotDetermined("the edges that the nozzle does not reach") if side is None else Estimate(side, 1.0)
    if kind is ClaimKind.WARRANTY:
        return NotDetermined("nothing: it is a promise")
    kinds = {
        ClaimKind.SPEED: MeasureKind.SPEED, ClaimKind.FLOW: MeasureKind.FLOW, ClaimKind.HEIGHT: MeasureKind.HEIGHT,
        ClaimKind.NOZZLE: MeasureKind.NOZZLE, ClaimKind.BED: MeasureKind.BED, ClaimKind.WARM_UP: MeasureKind.WARM_BOTH,
        ClaimKind.WEIGHT: MeasureKind.WEIGHT,
    }  # fmt: skip
    return _mean(measures, kinds[kind])


def _noise(bench: Bench, unit_id: uuid.UUID, configuration_id: uuid.UUID | None = None) -> Estimate | NotDetermined:
    levels = []
    for run in bench.runs_of(unit_id):
        if configuration_id is not None and run.configuration_id != configuration_id:
            continue
        for reading in bench.noise.get(run.id, []):
            try:
                levels.append(level_at_1_m(reading))
            except NotDetermined:
                continue
    return _sample(levels, "noise readings that count")


def _noise_table(bench: Bench, unit_id: uuid.UUID) -> list[NoiseRow]:
    """Levels at 1 m by state, door and fan; readings that do not count are left out."""
    levels: dict[tuple[NoiseState, bool, float | None], list[float]] = {}
    for run in bench.runs_of(unit_id):
        for reading in bench.noise.get(run.id, []):
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


def _printing(session: Session, bench: Bench, unit_id: uuid.UUID) -> PrintingOut:
    jobs = [job for job in bench.jobs if job.unit_id == unit_id]
    tries = [[r for r in bench.runs.get(job.id, []) if r.outcome in (Outcome.DONE, Outcome.FAILED)] for job in jobs]
    first = [run[0].outcome is Outcome.DONE for run in tries if run]
    later = [r.outcome is Outcome.DONE for run in tries for r in run[1:]]
    chance = success_chance(sum(first), len(first))
    ended = [r for run in tries for r in run if r.outcome is Outcome.DONE and r.ended_at]
    ratio = file_ratios(session, [unit_id]).get(unit_id)
    sums: dict[Phase, float] = {}
    known = 0
    latest = sorted(ended, key=lambda r: r.started_at)[-_LAST_RUNS:]
    for found, _ in spans_by_run(session, latest, dict.fromkeys((r.id for r in latest), unit_id)).values():
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
        words=_printing_words(first, later, phases) + _standby_words(standby, bench),
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


def _sample(values: list[float], what: str) -> Estimate | NotDetermined:
    n = len(values)
    if n < 2:
        return NotDetermined(f"two or more {what}")
    mean = math.fsum(values) / n
    spread = math.sqrt(math.fsum((v - mean) ** 2 for v in values) / (n - 1))
    return Estimate(mean, spread / math.sqrt(n), n - 1)


def _configurations(session: Session, unit_id: uuid.UUID) -> Sequence[Configuration]:
    return session.scalars(
        select(Configuration).where(Configuration.unit_id == unit_id).order_by(Configuration.number)
    ).all()


def _configurations_out(session: Session, unit_id: uuid.UUID, bench: Bench) -> list[ConfigurationOut]:
    runs = bench.runs_of(unit_id)
    made = []
    for row in _configurations(session, unit_id):
        mine = [r for r in runs if r.configuration_id == row.id]
        fields = {n: getattr(row, n) for n in ConfigurationOut.model_fields if n not in ("attempts", "good")}
        good = sum(r.outcome is Outcome.DONE for r in mine)
        made.append(ConfigurationOut(attempts=sum(r.outcome is not None for r in mine), good=good, **fields))
    return made


def _comparison(session: Session, unit_id: uuid.UUID, bench: Bench) -> ComparisonOut | None:
    """The last two configurations in which anything was printed."""
    used = [
        c for c in _configurations(session, unit_id)
        if any(r.configuration_id == c.id and r.outcome for r in bench.runs_of(unit_id))
    ]  # fmt: skip
    if len(used) < 2:
        return None
    before, after = used[-2:]

    def figures(configuration: Configuration) -> dict[str, Estimate | NotDetermined]:
        done = [
            r for r in bench.runs_of(unit_id)
            if r.configuration_id == configuration.id and r.outcome is Outcome.DONE and r.ended_at
        ]  # fmt: skip
        minutes = [(r.ended_at - r.started_at).total_seconds() / 60 for r in done if r.ended_at]
        return {
            "Printing time": _sample(minutes, "prints that came through"),
            "Energy": _sample([1000 * r.energy_kwh for r in done if r.energy_kwh is not None], "prints with their energy"),
            "Noise": _noise(bench, unit_id, configuration.id),
        }  # fmt: skip

    was, now = figures(before), figures(after)
    units = {"Printing time": ("min", 1), "Energy": ("Wh", 0), "Noise": ("dB", 1)}
    words = [changed(name, *units[name], was[name], now[name]).words for name in units]
    return ComparisonOut(before=before.number, after=after.number, words=words)


def _log(session: Session, unit_id: uuid.UUID) -> Sequence[LogEntry]:
    replaced = select(LogEntry.supersedes_id).where(LogEntry.supersedes_id.is_not(None))
    return session.scalars(
        select(LogEntry).where(LogEntry.unit_id == unit_id, LogEntry.id.not_in(replaced)).order_by(LogEntry.at.desc())
    ).all()  # fmt: skip


def _faults(log: Sequence[LogEntry], runs: Sequence[Run]) -> FaultsOut:
    failed = sum(r.outcome is Outcome.FAILED and r.cause in DEFAULT_COUNTED for r in runs)
    faults = failed + sum(e.kind is LogKind.FAULT for e in log)
    printed = math.fsum((r.ended_at - r.started_at).total_seconds() for r in runs if r.ended_at) / 3600
    counter = [e.hours for e in log if e.kind is LogKind.HOURS and e.hours is not None]
    hours, told = (max(counter), "by its own counter") if counter else (printed, "of prints in this study")
    fields: dict[str, Any] = {"faults": faults, "hours": hours, "hours_from": told}
    if not hours > 0:
        return FaultsOut(**fields, median_per_100h=None, low=None, high=None, needs="hours run")
    rate = fault_rate(faults, hours)
    return FaultsOut(**fields, median_per_100h=rate.median, low=rate.low, high=rate.high, needs=None)


def _worth(session: Session, unit: Unit, currency: str) -> WorthLedger:
    present = set(session.scalars(select(ModelFeature.feature_id).where(ModelFeature.model_id == unit.model_id)))
    rows = session.scalars(select(FeatureWorth).order_by(FeatureWorth.worth.desc(), FeatureWorth.name)).all()
    worth = math.fsum(r.worth for r in rows if r.id in present)
    price = unit.price_paid
    return WorthLedger(
        currency=currency, worth=worth, price=price, surplus=worth - price if price is not None and present else None,
        features=[WorthOut(id=r.id, version=r.version, name=r.name, worth=r.worth, present=r.id in present) for r in rows],
    )  # fmt: skip
