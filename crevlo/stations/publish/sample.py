"""Sections of what stands behind the figures: sample, conditions, departures, safety, disclosure, prices, methods."""

import uuid
from collections import Counter

from sqlalchemy import select
from sqlalchemy.orm import Session

from crevlo.core.evidence import Evidence, Key
from crevlo.core.success import Outcome
from crevlo.stations.bench import Bench
from crevlo.stations.departures import say_departure
from crevlo.stations.evidence.specimen import calibrations_of
from crevlo.stations.figures.study import StudyFigures
from crevlo.stations.publish.document import Block, Fact, Facts, Points, Table, Words
from crevlo.stations.receive.unit import disclose
from crevlo.store.study import ProtocolDeviation

_CARE = "Safety checks are those of the bench on the day. The maker's instructions, local codes and licensed practice come first."


def facts_of_sample(bench: Bench) -> list[Fact]:
    runs = [r for tries in bench.runs.values() for r in tries if r.outcome]
    hours = sum(r.printed_s / 3600 for r in runs)
    readings = sum(len(row.values) for rows in bench.values.values() for row in rows)
    failed = [r for r in runs if r.outcome is Outcome.FAILED]
    causes = Counter(r.cause.value for r in failed if r.cause)
    said = ", ".join(f"{cause} {n}" for cause, n in sorted(causes.items()))
    after_reveal = "told after the reveal" if bench.withheld else ""
    return [
        Fact(name="Machines", value=_machines(bench)),
        Fact(name="Attempts", value=f"{len(runs)} on {len(bench.jobs)} planned prints" if bench.jobs else "none planned"),
        Fact(name="Failed", value=f"{len(failed)} ({said or 'cause not recorded'})" if failed else "none"),
        Fact(name="Rejected afterwards", value=after_reveal or _rejected(bench)),
        Fact(name="Printing time", value=f"{hours:.1f} h"),
        Fact(name="Specimens", value=_specimens(bench)),
        Fact(name="Readings", value=after_reveal or (f"{readings} that count" if readings else "none yet")),
    ]  # fmt: skip


def sample(inputs: StudyFigures) -> list[Block]:
    bench = inputs.bench
    rows = []
    for entry in bench.units:
        runs = [r for r in bench.runs_of(entry.unit_id) if r.outcome]
        good = sum(r.outcome is Outcome.DONE and r.id not in bench.rejections for r in runs)
        hours = sum(r.printed_s / 3600 for r in runs)
        role = "control" if entry.is_control else ""
        rows.append([entry.unit.name, role, str(len(bench.jobs_of(entry.unit_id))), str(len(runs)), str(good), f"{hours:.1f}"])  # fmt: skip
    blocks: list[Block] = [Facts(rows=facts_of_sample(bench))]
    if rows:
        columns = ["Machine", "Role", "Planned prints", "Attempts", "Good", "Hours"]
        blocks.append(Table(caption="Attempts by machine", columns=columns, rows=rows))
    return blocks + ([Points(items=inputs.apart)] if inputs.apart else [])


def _machines(bench: Bench) -> str:
    units, models = len(bench.units), len({u.unit.model_id for u in bench.units})
    if units == models:
        return f"{units}, one unit each" if units else "none"
    return f"{models} model{'' if models == 1 else 's'}, {units} units"


def _rejected(bench: Bench) -> str:
    causes = Counter(r.cause.value for r in bench.rejections.values())
    return ", ".join(f"{n} ({cause})" for cause, n in sorted(causes.items())) or "none"


def _specimens(bench: Bench) -> str:
    if not bench.specimens:
        return "none yet"
    if bench.study.entered_from:
        return f"{len(bench.specimens)}, not blind: entered afterwards from {bench.study.entered_from}"
    return f"{len(bench.specimens)}, blind codes"


def departures(session: Session, bench: Bench) -> list[Block]:
    rows = session.scalars(
        select(ProtocolDeviation)
        .where(ProtocolDeviation.study_id == bench.study.id)
        .order_by(ProtocolDeviation.recorded_at)
    ).all()
    several = bench.protocol is not None and len(bench.protocol.arms) > 1
    arms = {arm.id: f", {arm.name}" for arm in bench.protocol.arms} if bench.protocol and several else {}
    jobs: dict[uuid.UUID | None, str] = {
        j.id: f"{j.unit.name}, {bench.artifacts[j.artifact_id].name} {j.copy}{arms.get(j.arm_id, '')}"
        for j in bench.jobs
    }
    items = [f"{jobs.get(d.job_id, 'the study')}: {say_departure(bench, d)}" for d in rows]
    return [Points(items=items)] if items else [Words(words="None recorded.")]


def safety(bench: Bench) -> list[Block]:
    found = [f"{u.unit.name}: {words}" for u in bench.units for words in bench.records[u.unit_id].on_record]
    blocks: list[Block] = (
        [Points(items=found)] if found else [Words(words="No failed check, hazard or repair on record.")]
    )
    unchecked = [u.unit.name for u in bench.units if bench.safe(u.unit_id) is None]
    if unchecked:
        blocks.append(Words(words=f"Not all safety checks are done on: {', '.join(unchecked)}.", strong=True))
    return [*blocks, Words(words=_CARE)]


def disclosures(bench: Bench) -> tuple[list[str], list[str]]:
    """How each machine was obtained, and of which that is not recorded."""
    said, missing = [], []
    for entry in bench.units:
        sentence = disclose(entry.unit, bench.price_of(entry.unit_id))
        if sentence:
            said.append(sentence)
        else:
            missing.append(f"{entry.unit.name}: how it was obtained is not recorded.")
    return said, missing


def prices(bench: Bench) -> list[Block]:
    rows = []
    for entry in bench.units:
        price = bench.price_of(entry.unit_id)
        if price.paid is None and price.day_price is None:
            continue
        stated = f"{price.stated_on:%d %b %Y}" if price.stated_on else "–"
        day = "–"
        if price.day_price is not None:
            on = f", {price.day_price_on:%d %b %Y}" if price.day_price_on else ""
            day = f"{price.day_price:.2f}{on}"
        paid = "–" if price.paid is None else f"{price.paid:.2f}"
        rows.append([entry.unit.name, price.currency, paid, f"{price.upgrades:.2f}", stated, day])
    blocks: list[Block] = []
    if rows:
        columns = ["Machine", "Currency", "Paid", "Upgrades", "Stated on", "Price elsewhere"]
        blocks.append(Table(caption="Machines", columns=columns, rows=rows))
    used = {j.spool_id for j in bench.jobs}
    spools = [
        [s.code, f"{s.maker} {s.material}, {s.colour}", f"{s.price_per_kg:.2f} {s.currency}/kg", f"{s.priced_on:%d %b %Y}" if s.priced_on else "day not recorded"]
        for s in sorted(bench.spools.values(), key=lambda s: s.code)
        if s.id in used
    ]  # fmt: skip
    if spools:
        blocks.append(Table(caption="Filament", columns=["Spool", "What", "Price", "Of the day"], rows=spools))
    return blocks


def _used(evidence: Evidence) -> set[Key]:
    """Instruments that anything was read with, each as it was calibrated then."""
    runs = [run for machine in evidence.machines.values() for run in machine.runs]
    keys: set[Key | None] = {run.meter for run in runs} | {level.meter for run in runs for level in run.levels}
    keys |= {level.meter for machine in evidence.machines.values() for level in machine.idle}
    keys |= {r.instrument for run in runs if run.specimen for r in run.specimen.readings}
    return {key for key in keys if key is not None and key in evidence.instruments}


def _instruments(inputs: StudyFigures) -> list[list[str]]:
    """What was read with, as calibrated when it read."""
    codes = {(i.kind, i.code) for key in _used(inputs.evidence) for i in [inputs.evidence.instruments[key]]}
    rows = []
    for row in sorted(inputs.bench.instruments.values(), key=lambda i: (i.kind, i.code)):
        for _, code, it in calibrations_of(row):
            if (row.kind, code) in codes:
                when = f"{it.calibrated_on:%d %b %Y}" if it.calibrated_on else "not on record"
                rows.append([
                    f"{row.kind.value} {code}", f"{it.resolution:g} {row.unit}", f"{it.u_calibration:g} {row.unit}",
                    f"{it.repeatability:g} {row.unit}", when,
                ])  # fmt: skip
    return rows


def methods(inputs: StudyFigures) -> list[Block]:
    study, rows = inputs.bench.study, _instruments(inputs)
    said = [
        "Sizes: mean of the readings of a face, with the calibration of the instrument as an error that all machines share.",
        "Figures of a machine: mean over its copies, then over what every machine prints; the spread of copies is pooled over machines where it is alike. ± and ranges are at 95 %.",
        "Noise at 1 m: level less background, by distance. Success: good of all attempts that count, with its Beta interval.",
        f"Cost: {study.tariff_per_kwh:g} {study.currency}/kWh, {study.wage_per_h:g} {study.currency}/h of labour, "
        f"{study.labour_min:g} min a plate and {study.failed_labour_min:g} min a failed one, "
        f"{100 * study.loss_fraction:.0f} % of a failed plate's time and filament lost, {study.life_h:g} h of life, "
        f"upkeep {study.upkeep_per_h:g} {study.currency}/h.",
        "Chances: from four machines on, the figures of a criterion are drawn towards the middle of their field, as the best of a close "
        "field is best partly by luck; how close it lies is drawn too, as the figures of all criteria leave it open.",
        f"Draws are seeded with {study.seed}: the same entries give the same chances again.",
    ]
    blocks: list[Block] = [Points(items=said)]
    if rows:
        columns = ["Instrument", "Step", "Calibration u", "Repeatability", "Calibrated"]
        blocks.append(Table(caption="Instruments", columns=columns, rows=rows))
    return blocks
