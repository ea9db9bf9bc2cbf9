"""Sources: from a figure to the rule, inputs, readings, instruments and people behind it."""

import uuid
from datetime import datetime
from typing import Literal

from pydantic import Field
from sqlalchemy import select
from sqlalchemy.orm import Session

from crevlo.core.estimate import Estimate, NotDetermined
from crevlo.core.scoring.figure import Counted
from crevlo.stations.bench import Bench, artifact_of, measured_of
from crevlo.stations.cost.part import PARTS
from crevlo.stations.entered import ReadingRow, readings_of
from crevlo.stations.figures import MachineFigures, counted_causes, study_figures
from crevlo.stations.rank.criteria import BY_CODE, unit_of
from crevlo.stations.rank.ranking import RankView, StandingLine, WhatIf, view_rank
from crevlo.stations.shape import Missing, Shape
from crevlo.stations.sizes import specimen_estimates
from crevlo.store.machine import Instrument
from crevlo.store.person import Person
from crevlo.store.run import Outcome, Run, Specimen
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


class RankFigure(WhatIf):
    """A figure of the ranking as it is shown: one criterion or the total, under the weights on screen."""

    criterion: str = Field(max_length=60)


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


def measure_source(session: Session, specimen_id: uuid.UUID, feature_code: str | None) -> Source:
    """Readings behind one face, or behind the specimen's size fit; names no machine."""
    specimen = session.get(Specimen, specimen_id)
    if specimen is None:
        raise Missing("There is no such specimen.")
    features = {f.id: f for f in measured_of(artifact_of(session, specimen)) if feature_code in (None, f.code)}
    if not features:
        raise Missing("There is no such face.")
    rows = readings_of(session, specimen_id, features)
    entries = _reading_entries(session, rows, {f.id: f.code for f in features.values()})
    if feature_code is None:
        return Source(
            title=f"Sizes of {specimen.blind_code}", amount="",
            rule="Weighted least squares: deviation = scale · nominal + wall offset · side (outside +1, inside −1), on Z with a "
            "first-layer offset instead. Weights 1/u²; covariance scaled by max(1, χ²/ν); U from t(ν) at 95 %.",
            inputs=[], entries=entries,
        )  # fmt: skip
    feature = next(iter(features.values()))
    replaced = {r.supersedes_id for r in rows}
    current = [r for r in rows if r.id not in replaced]
    instruments = {i.id: i for i in session.scalars(select(Instrument))}
    estimate = specimen_estimates(current, features, instruments).get(feature.id)
    inputs = [Input(name="Nominal", amount=f"{feature.nominal:.2f} mm", note=feature.method)]
    amount = "not determined"
    if isinstance(estimate, Estimate):
        amount = f"{estimate.value:.3f} ± {estimate.expanded:.3f} mm"
        inputs.append(
            Input(name="Standard uncertainty", amount=f"{estimate.u:.4f} mm", note=f"ν = {estimate.dof:.0f}")
        )
    for row in {r.instrument_id for r in current}:
        i = instruments[row]
        inputs.append(
            Input(
                name=f"{i.kind.value} {i.code}", amount=f"r {i.resolution:g} mm",
                note=f"calibration u {i.u_calibration:g} mm, repeatability {i.repeatability:g} mm",
            )
        )  # fmt: skip
    return Source(
        title=f"{feature.code} of {specimen.blind_code}", amount=amount,
        rule="Mean of the readings; u² = s²/n + r²/12 + u_cal². One reading alone takes the instrument's repeatability for s.",
        inputs=inputs, entries=entries,
    )  # fmt: skip


def cost_source(session: Session, study_id: uuid.UUID, unit_id: uuid.UUID, part: str) -> Source:
    """What one bead of the cost bar is made of."""
    inputs = study_figures(session, study_id)
    bench, currency = inputs.compared, inputs.bench.study.currency
    entry, figures = _unit(bench, inputs.figures, unit_id)
    if part not in (*PARTS, "total"):
        raise Missing("Cost has no such part.")
    given, made_up = figures.cost_inputs, figures.cost
    if isinstance(given, NotDetermined) or isinstance(made_up, NotDetermined):
        needs = given.needs if isinstance(given, NotDetermined) else ""
        return Source(
            title=f"{part.capitalize()}, {entry.unit.model.name}",
            amount="not determined",
            rule=f"Needs {needs}.",
            inputs=[],
            entries=[],
        )
    spools = ", ".join(sorted({bench.spools[j.spool_id].code for j in bench.jobs}))
    tries = f"{figures.counted.good} of {figures.counted.tries} counted attempts good, {figures.excused} excused"
    rules: dict[str, tuple[str, list[Input]]] = {
        "material": ("grams / 1000 · price per kg", [
            Input(name="Filament per part", amount=f"{given.part_g:.2f} g", note="mean of the sliced files"),
            Input(name="Price", amount=f"{given.material_per_kg:.2f} {currency}/kg", note=f"spool {spools}" if spools else "")]),
        "energy": ("kWh · tariff", [
            Input(name="Energy", amount=f"{given.energy_kwh:.3f} kWh", note="mean of the good prints"),
            Input(name="Tariff", amount=f"{given.tariff_per_kwh:.3f} {currency}/kWh", note="cost basis of the study")]),
        "machine": ("hours · ((price + upgrades − residual) / life + upkeep)", [
            Input(name="Hours", amount=f"{given.hours:.2f} h", note="mean of the good prints"),
            Input(name="Price paid and upgrades", amount=f"{given.price:.0f} + {given.upgrades:.0f} {currency}", note="Receive"),
            Input(name="Residual", amount=f"{given.residual:.0f} {currency}", note="Receive"),
            Input(name="Life and upkeep", amount=f"{given.life_h:.0f} h, {given.upkeep_per_h:.2f} {currency}/h", note="cost basis")]),
        "labour": ("minutes / 60 · wage", [
            Input(name="Labour", amount=f"{given.labour_min:.0f} min", note="cost basis"),
            Input(name="Wage", amount=f"{given.wage_per_h:.2f} {currency}/h", note="cost basis")]),
        "failures": ("(1 − p)/p · (loss · (material + energy + machine) + failed labour)", [
            Input(name="Chance of a good print", amount=f"{100 * given.success:.0f} %", note=tries),
            Input(name="Loss of a failed plate", amount=f"{100 * given.loss_fraction:.0f} %", note="cost basis"),
            Input(name="Labour of a failed plate", amount=f"{given.failed_labour_min:.0f} min", note="cost basis")]),
    }  # fmt: skip
    if part == "total":
        rule = "Material + energy + machine time + labour + failures, per good part"
        shown = [
            Input(
                name=p.capitalize(),
                amount=f"{getattr(made_up, p):.3f} {currency}",
                note=rules[p][0],
                lead=Lead(station="cost", figure=p),
            )
            for p in PARTS
        ]
        amount = made_up.total
    else:
        rule, shown = rules[part]
        amount = getattr(made_up, part)
    return Source(
        title=f"{part.capitalize()}, {entry.unit.model.name}", amount=f"{amount:.3f} {currency} per good part", rule=rule,
        inputs=shown, entries=_run_entries(session, bench, unit_id), departures=bench.departures_of(unit_id),
    )  # fmt: skip


def rank_source(session: Session, study_id: uuid.UUID, unit_id: uuid.UUID, asked: RankFigure) -> Source:
    """How a machine's points on one criterion, or its total, came about under the weights asked for."""
    criterion = asked.criterion
    if criterion != "total" and criterion not in BY_CODE:
        raise Missing("There is no such criterion.")
    view = view_rank(session, study_id, asked)
    standing = next((s for s in view.standings if s.machine.unit_id == unit_id), None)
    inputs = study_figures(session, study_id)
    bench = inputs.compared
    entry, figures = _unit(bench, inputs.figures, unit_id)
    name = entry.unit.model.name
    if criterion == "total":
        if standing is None:
            raise Missing("This machine has no line in the ranking.")
        return Source(
            title=f"Total, {name}",
            amount=f"{standing.total_low:.1f} to {standing.total_high:.1f} points, {standing.missing} figures missing"
            if standing.missing
            else f"{standing.total:.1f} ± {standing.expanded:.1f} points",
            rule="Sum of weight share · value over the criteria. ± is the 95 % range of the draws of the readings, weights as on the screen.",
            inputs=[
                Input(
                    name=BY_CODE[c.code].name, lead=Lead(station="rank", figure=c.code),
                    amount="not determined" if c.points is None else f"{c.points:.1f} points",
                    note=(c.raw.needs and f"needs {c.raw.needs}") or f"value {c.value:.0f} of 100",
                )
                for c in standing.contributions
            ],
            entries=[], departures=standing.departures,
        )  # fmt: skip
    kind = BY_CODE[criterion]
    figure = figures.raw[criterion]
    unit = unit_of(criterion, bench.study.currency)
    shown = _points_inputs(view, standing, criterion, unit)
    if criterion == "cost":
        shown.append(
            Input(name="Make-up", amount="material to failures", note="", lead=Lead(station="cost", figure="total"))
        )
    if isinstance(figure, NotDetermined):
        amount = f"not determined: needs {figure.needs}"
    elif isinstance(figure, Counted):
        amount = f"{figure.good} of {figure.tries} first attempts good"
        shown.append(
            Input(
                name="Causes that count",
                amount=", ".join(sorted(counted_causes(bench))),
                note="policy of the protocol",
            )
        )
        shown.append(
            Input(
                name="All counted attempts",
                amount=f"{figures.counted.good} of {figures.counted.tries}",
                note=f"{figures.excused} excused",
            )
        )
    else:
        amount = f"{figure.value:.{kind.digits}f} ± {figure.expanded:.{kind.digits}f} {unit}"
        shown.append(Input(name="Standard uncertainty", amount=f"{figure.u:.{kind.digits + 1}f} {unit}", note=""))
    if bench.study.revealed_at is None and criterion in ("accuracy", "repeatability", "defects"):
        shown.append(
            Input(
                name="Entries", amount="after the reveal",
                note="until then they would tell which specimen is this machine's",
            )
        )  # fmt: skip
    entries = (
        _machine_readings(session, bench, unit_id)
        if criterion in ("accuracy", "repeatability")
        else _score_entries(session, bench, unit_id)
        if criterion == "defects"
        else _run_entries(session, bench, unit_id)
    )
    return Source(
        title=f"{kind.name}, {name}", amount=amount, rule=kind.rule, inputs=shown, entries=entries,
        departures=bench.departures_of(unit_id),
    )  # fmt: skip


def _points_inputs(view: RankView, standing: StandingLine | None, criterion: str, unit: str) -> list[Input]:
    """From the raw figure to points: its place between the anchors, and the weight's share."""
    kind = next(c for c in view.criteria if c.code == criterion)
    given = next((c for c in standing.contributions if c.code == criterion), None) if standing else None
    if given is None or given.value is None or given.points is None:
        return []
    share = 100 * kind.weight / sum(c.weight for c in view.criteria)
    return [
        Input(name="Value", amount=f"{given.value:.0f} of 100", note=f"0 at {kind.worst:g} {unit}, 100 at {kind.best:g} {unit}"),
        Input(name="Weight", amount=f"{share:.0f} of 100", note=f"so {given.points:.1f} points of at most {share:.1f}"),
    ]  # fmt: skip


def _unit(
    bench: Bench, figures: dict[uuid.UUID, MachineFigures], unit_id: uuid.UUID
) -> tuple[StudyUnit, MachineFigures]:
    entry = next((u for u in bench.units if u.unit_id == unit_id), None)
    if entry is None:
        raise Missing("This unit takes no part in the study.")
    return entry, figures[unit_id]


def _names(session: Session) -> dict[uuid.UUID, str]:
    return dict(session.execute(select(Person.id, Person.name)).tuples().all())


def _reading_entries(session: Session, rows: list[ReadingRow], codes: dict[uuid.UUID, str]) -> list[Entry]:
    names = _names(session)
    instruments = {i.id: i.code for i in session.scalars(select(Instrument))}
    replaced = {r.supersedes_id for r in rows}
    return [
        Entry(
            what=f"{codes[r.feature_id]} reading {r.repeat}",
            amount=f"{r.value_mm:.2f} mm" if r.value_mm is not None else "can't be measured",
            by=names.get(r.person_id, ""), using=instruments.get(r.instrument_id, ""), at=r.taken_at,
            note=r.cannot_because or (f"correction: {r.reason}" if r.reason else r.note or ""), struck=r.id in replaced,
        )
        for r in rows
    ]  # fmt: skip


def _machine_readings(session: Session, bench: Bench, unit_id: uuid.UUID) -> list[Entry]:
    if bench.study.revealed_at is None:
        return []  # whoever measured them would know the machine by their values
    codes = _specimen_labels(bench, unit_id)
    entries: list[Entry] = []
    for specimen_id, code in codes.items():
        labels = {f.id: f"{code} {f.code}" for f in bench.features.values()}
        entries += _reading_entries(session, bench.readings.get(specimen_id, []), labels)
    return entries


def _specimen_labels(bench: Bench, unit_id: uuid.UUID) -> dict[uuid.UUID, str]:
    """Blind codes once revealed; before, a plain count, so that no code is tied to a machine."""
    specimens = bench.specimens_of(unit_id)
    if bench.study.revealed_at is not None:
        return {s.id: s.blind_code for s in specimens}
    return {s.id: f"specimen {n}" for n, s in enumerate(specimens, 1)}


def _score_entries(session: Session, bench: Bench, unit_id: uuid.UUID) -> list[Entry]:
    if bench.study.revealed_at is None:
        return []
    names, labels = _names(session), _specimen_labels(bench, unit_id)
    return [
        Entry(
            what=f"{labels[specimen.id]} {score.defect}", amount=f"severity {score.severity}", by=names.get(score.person_id, ""),
            using="written anchors, blind", at=score.scored_at, note=score.reason or "", struck=False,
        )
        for specimen in bench.specimens_of(unit_id)
        for score in bench.scores.get(specimen.id, [])
    ]  # fmt: skip


def _run_entries(session: Session, bench: Bench, unit_id: uuid.UUID) -> list[Entry]:
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
    hours = (run.ended_at - run.started_at).total_seconds() / 3600
    energy = f", {run.energy_kwh:.3f} kWh" if run.energy_kwh is not None else ""
    cause = f" ({run.cause.value})" if run.outcome is Outcome.FAILED and run.cause else ""
    return f"{run.outcome.value}{cause}, {hours:.2f} h{energy}"
