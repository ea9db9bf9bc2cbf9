"""The source of any figure: rule, inputs, and the entries, instruments and people behind it."""

import uuid
from collections.abc import Callable
from datetime import datetime
from typing import Literal, NamedTuple

from pydantic import Field
from sqlalchemy import select
from sqlalchemy.orm import Session

from crevlo.core.causes import Sheet, points_to
from crevlo.core.estimate import NORMAL_COVERAGE, Estimate, NotDetermined
from crevlo.core.evaluations import QUANTITIES
from crevlo.core.evaluations.evaluation import Quantity, Rests
from crevlo.core.features import KINDS
from crevlo.core.figure import Counted
from crevlo.core.raters.duels import Won
from crevlo.core.rubrics import BY_CODE as RUBRIC_OF
from crevlo.core.statistics import is_borrowed
from crevlo.core.success import Outcome
from crevlo.stations.bench import Bench
from crevlo.stations.departures import departures_of
from crevlo.stations.entered import ReadingRow, current_readings
from crevlo.stations.evidence.study import counted_causes
from crevlo.stations.figures.study import StudyFigures
from crevlo.stations.kit.shape import Missing, Shape
from crevlo.stations.kit.shape import quantity as as_quantity
from crevlo.stations.noise import noise_out
from crevlo.stations.rubric_scores import current_rubric_scores
from crevlo.store.machine import FeatureRow, Instrument
from crevlo.store.person import Person
from crevlo.store.run import Run
from crevlo.store.study import StudyUnit


class Lead(Shape):
    """Where an input has a source of its own: another figure of the same machine."""

    station: Literal["cost", "rank"]
    figure: str


class Input(Shape):
    name: str
    amount: str
    note: str
    lead: Lead | None = None


class Entry(Shape):
    """One recorded value: what, by whom, with what, when; `struck` when a later entry corrects it."""

    what: str
    amount: str
    by: str
    using: str
    at: datetime
    note: str
    struck: bool


class Source(Shape):
    title: str
    amount: str
    rule: str
    inputs: list[Input]
    entries: list[Entry]
    departures: list[str] = Field(default=[], description="departures from the protocol behind it")


def figure_source(session: Session, inputs: StudyFigures, key: uuid.UUID, code: str) -> Source:
    """Where any quantity of an entrant comes from. Raises Missing for one or a quantity that is not there."""
    if code not in QUANTITIES:
        raise Missing("There is no such figure.")
    entrant, quantity = inputs.entrant(key), QUANTITIES[code]
    bench, unit_id, figure = entrant.bench, entrant.entry.unit_id, inputs.figure(code, key)
    unit = bench.study.currency if quantity.unit == "money" else quantity.unit
    shown: list[Input] = []
    if isinstance(figure, NotDetermined):
        amount = f"not determined: needs {figure.needs}"
    elif isinstance(figure, Counted):
        amount = f"{figure.good} of {figure.tries} {'first attempts' if code == 'success' else 'attempts'} good"
        counted, excused = inputs.counted(key)
        causes = ", ".join(sorted(counted_causes(bench)))
        shown.append(Input(name="Causes that count", amount=causes, note="policy of the protocol"))
        shown.append(
            Input(name="All counted attempts", amount=f"{counted.good} of {counted.tries}", note=f"{excused} excused")
        )
    else:
        amount = as_quantity(figure, unit, quantity.digits).words
        if isinstance(figure, Estimate) and figure.u:
            shown.append(
                Input(name="Standard uncertainty", amount=f"{figure.u:.{quantity.digits + 1}f} {unit}", note="")
            )
            shown += shared_inputs(figure, unit, quantity.digits)
        if is_borrowed(inputs.lines(code), key):
            note = "one copy of each: the spread between copies is that of the other machines"
            shown.append(Input(name="Spread", amount="borrowed from the field", note=note))
    if cause := points_to(
        code, {q: inputs.figure(q, key) for q in CAUSED if inputs.has(q)}, sheet_of(bench, entrant.entry)
    ):
        shown.append(Input(name="Points to", amount=cause, note="a suggestion, not a certainty"))
    blind = quantity.rests in (Rests.READINGS, Rests.SCORES, Rests.DUELS) and bench.study.revealed_at is None
    if blind:
        note = "until then they would tell which specimen is this machine's"
        shown.append(Input(name="Entries", amount="after the reveal", note=note))
    return Source(
        title=f"{quantity.name}, {entrant.name}", amount=amount, rule=quantity.rule, inputs=shown,
        entries=[] if blind else entries_of(session, bench, unit_id, quantity), departures=departures_of(bench, unit_id),
    )  # fmt: skip


# What causes are read from; each is worked out once for all.
CAUSED = tuple(
    code for code in QUANTITIES
    if code.split(".")[0] in ("scale", "wall", "hole", "skew", "tilt", "dish", "band", "ring") and code != "ring.reach"
)  # fmt: skip


def sheet_of(bench: Bench, entry: StudyUnit) -> Sheet:
    """What of a machine repeats, by its maker's sheet, and the layer height of the first arm."""
    given = entry.unit.model.sheet
    arms = bench.protocol.arms if bench.protocol else []
    teeth = given.get("pulley_teeth")
    return Sheet(
        given.get("screw_lead_mm"), given.get("belt_pitch_mm"), int(teeth) if teeth else None, given.get("gear_pitch_mm"),
        arms[0].conditions.get("layer_height_mm") if arms else None,
    )  # fmt: skip


def shared_inputs(figure: Estimate, unit: str, digits: int) -> list[Input]:
    """Which parts of a figure's uncertainty others share: they tell nothing apart."""
    return [
        Input(
            name="Of its uncertainty", amount=f"± {NORMAL_COVERAGE * abs(s):.{digits + 1}f} {unit}",
            note=f"is the {source}: the same for all that is read with it",
        )
        for source, s in sorted(figure.shared.items())
        if round(NORMAL_COVERAGE * s, digits + 1)
    ]  # fmt: skip


def entries_of(session: Session, bench: Bench, unit_id: uuid.UUID, quantity: Quantity) -> list[Entry]:
    """What a machine's figure rests on, entry by entry."""
    match quantity.rests:
        case Rests.READINGS:
            return _machine_readings(session, bench, unit_id)
        case Rests.SCORES:
            return _score_entries(session, bench, unit_id)
        case Rests.RUNS:
            return run_entries(session, bench, unit_id)
        case Rests.NOISE:
            return _noise_entries(session, bench, unit_id)
        case Rests.UNIT:
            return _unit_entries(session, bench, unit_id)
        case Rests.PEOPLE:
            return _rubric_entries(session, bench, unit_id, quantity)
        case Rests.SHEET:
            return []
        case Rests.DUELS:
            return _duel_entries(session, bench, unit_id)


def unit_of(bench: Bench, unit_id: uuid.UUID) -> StudyUnit:
    """The unit as it takes part. Raises Missing where it does not."""
    entry = next((u for u in bench.units if u.unit_id == unit_id), None)
    if entry is None:
        raise Missing("This unit takes no part in the study.")
    return entry


class FeatureName(NamedTuple):
    """How a feature is called in a list of entries, and how its values are written."""

    name: str
    unit: str
    digits: int


def feature_name(feature: FeatureRow, specimen: str = "") -> FeatureName:
    return FeatureName(f"{specimen} {feature.code}".strip(), feature.unit, KINDS[feature.kind].digits)


def _names(session: Session) -> dict[uuid.UUID, str]:
    return dict(session.execute(select(Person.id, Person.name)).tuples().all())


def reading_entries(
    session: Session, rows: list[ReadingRow], named: Callable[[ReadingRow], FeatureName]
) -> list[Entry]:
    """Readings as a source lists them, those that a later one corrects struck."""
    names = _names(session)
    instruments = {i.id: i.code for i in session.scalars(select(Instrument))}
    replaced = {r.supersedes_id for r in rows}
    return [
        Entry(
            what=f"{(of := named(r)).name} reading {r.repeat}",
            amount=f"{r.value:.{of.digits}f} {of.unit}" if r.value is not None else "can't be measured",
            by=names.get(r.person_id, ""), using=instruments.get(r.instrument_id, ""), at=r.taken_at,
            note=r.cannot_because or (f"correction: {r.reason}" if r.reason else r.note or ""), struck=r.id in replaced,
        )
        for r in rows
    ]  # fmt: skip


def _machine_readings(session: Session, bench: Bench, unit_id: uuid.UUID) -> list[Entry]:
    labels = _specimen_labels(bench, unit_id)
    found = current_readings(session, list(labels))
    rows = [row for specimen_id in labels for row in found.get(specimen_id, [])]
    named = {
        (specimen_id, row.feature_id): feature_name(bench.features[row.feature_id], labels[specimen_id])
        for specimen_id in labels
        for row in found.get(specimen_id, [])
    }
    return reading_entries(session, rows, lambda r: named[r.specimen_id, r.feature_id])


def _specimen_labels(bench: Bench, unit_id: uuid.UUID) -> dict[uuid.UUID, str]:
    """Blind codes once revealed; before, a plain count, so that no code is tied to a machine."""
    specimens = bench.specimens_of(unit_id)
    if bench.study.revealed_at is not None:
        return {s.id: s.blind_code for s in specimens}
    return {s.id: f"specimen {n}" for n, s in enumerate(specimens, 1)}


def _score_entries(session: Session, bench: Bench, unit_id: uuid.UUID) -> list[Entry]:
    names, labels = _names(session), _specimen_labels(bench, unit_id)
    return [
        Entry(
            what=f"{labels[specimen.id]} {score.defect}", amount=f"severity {score.severity}", by=names.get(score.person_id, ""),
            using="written anchors, blind", at=score.scored_at, note=score.reason or "", struck=False,
        )
        for specimen in bench.specimens_of(unit_id)
        for score in bench.scores.get(specimen.id, [])
    ]  # fmt: skip


def _duel_entries(session: Session, bench: Bench, unit_id: uuid.UUID) -> list[Entry]:
    """Duels of a machine's pieces, which are told once the machines are known."""
    names, codes = _names(session), {s.id: s.blind_code for s in bench.specimens}
    mine = {s.id for s in bench.specimens_of(unit_id)}
    words = {Won.FIRST: "{0} better", Won.SECOND: "{1} better", Won.TIE: "no difference"}
    return [
        Entry(
            what=f"{codes[d.first_id]} and {codes[d.second_id]}", amount=words[d.won].format(codes[d.first_id], codes[d.second_id]),
            by=names.get(d.person_id, ""), using="side by side, blind", at=d.judged_at, note=d.sells or "", struck=False,
        )
        for d in bench.duels
        if d.won and d.first_id in codes and d.second_id in codes and {d.first_id, d.second_id} & mine
    ]  # fmt: skip


def run_entries(session: Session, bench: Bench, unit_id: uuid.UUID) -> list[Entry]:
    names = _names(session)
    copies = {job.id: job.copy for job in bench.jobs}
    return [
        Entry(
            what=f"copy {copies[run.job_id]}, attempt {run.attempt}", amount=_run_amount(run), by=names.get(run.person_id, ""),
            using=f"energy by {run.energy_from.value}" if run.energy_from else "", at=run.started_at, note=run.note, struck=False,
        )
        for run in bench.runs_of(unit_id)
    ]  # fmt: skip


def _run_amount(run: Run) -> str:
    if run.outcome is None or run.ended_at is None:
        return "printing"
    hours = run.printed_s / 3600
    energy = f", {run.energy_kwh:.3f} kWh" if run.energy_kwh is not None else ""
    cause = f" ({run.cause.value})" if run.outcome is Outcome.FAILED and run.cause else ""
    return f"{run.outcome.value}{cause}, {hours:.2f} h{energy}"


def _noise_entries(session: Session, bench: Bench, unit_id: uuid.UUID) -> list[Entry]:
    names, codes = _names(session), {i.id: i.code for i in bench.instruments.values()}
    rows = {n.id: n for n in bench.noise_of(unit_id)}
    return [
        Entry(
            what=f"{n.state.value}, door {'shut' if n.door_shut else 'open'}" + (f", fan {n.fan_percent:.0f} %" if n.fan_percent is not None else ""),
            amount=f"{n.level_db:.1f} dB at {n.distance_m:g} m", by=names.get(rows[n.id].person_id, ""),
            using=codes.get(of, "") if (of := rows[n.id].instrument_id) else "", at=n.taken_at,
            note=f"{n.at_1_m_db:.1f} dB at 1 m" if n.at_1_m_db is not None else f"left out: needs {n.needs}", struck=False,
        )
        for n in noise_out(rows.values())
    ]  # fmt: skip


def _unit_entries(session: Session, bench: Bench, unit_id: uuid.UUID) -> list[Entry]:
    names, codes = _names(session), {i.id: i.code for i in bench.instruments.values()}
    return [
        Entry(
            what=m.kind.value, amount=f"{m.value:g}", by=names.get(m.person_id, ""),
            using=codes.get(m.instrument_id, "") if m.instrument_id else "", at=m.taken_at, note=m.note, struck=False,
        )
        for m in bench.measures.get(unit_id, [])
    ]  # fmt: skip


def _rubric_entries(session: Session, bench: Bench, unit_id: uuid.UUID, quantity: Quantity) -> list[Entry]:
    names = _names(session)
    rubric = RUBRIC_OF[quantity.code.removeprefix("rubric.")]
    return [
        Entry(
            what=rubric.anchors[row.score], amount=f"{row.score} of 5", by=names.get(row.person_id, ""), using="",
            at=row.recorded_at, note=row.words, struck=False,
        )
        for row in current_rubric_scores(session, bench.study.id)
        if row.unit_id == unit_id and row.rubric == rubric.code
    ]  # fmt: skip
