"""Publish: a self-contained report, frozen as a revision, and the data behind it."""

import csv
import io
import uuid
from datetime import UTC, datetime
from pathlib import Path
from typing import Any

from jinja2 import Environment, FileSystemLoader, select_autoescape
from pydantic import Field
from sqlalchemy import select
from sqlalchemy.orm import Session

from crevlo.core.success import Outcome
from crevlo.stations.bench import Bench
from crevlo.stations.figures.study import study_figures
from crevlo.stations.inspect.score import revealed
from crevlo.stations.kit.shape import Missing, Shape
from crevlo.stations.protocol import Conditions, Policies
from crevlo.stations.rank.final_words import said_of_units
from crevlo.stations.rank.ranking import RankView, WhatIf, view_rank
from crevlo.stations.receive.unit import disclose
from crevlo.stations.receive.worth import worth_ledger
from crevlo.stations.study import get_study
from crevlo.store.machine import Instrument
from crevlo.store.person import Person
from crevlo.store.reading import Reading
from crevlo.store.study import BuyerProfile, ProtocolDeviation, ReportRevision

BEADS = (
    "#1d3b34", "#2c6b58", "#5f9c80", "#a97a1c", "#c9a552", "#8c5a3c", "#b98c74", "#5b6f8f", "#7a4b6a", "#8f9a3e", "#3f7f92",
    "#a65e5e",
)  # fmt: skip
_templates = Environment(loader=FileSystemLoader(Path(__file__).parent), autoescape=select_autoescape(default=True))


class RevisionOut(Shape):
    id: uuid.UUID
    number: int
    headline: str
    changed: str
    published_at: datetime
    profile: str
    by: str


class SampleLine(Shape):
    name: str
    value: str


class PublishView(Shape):
    headline: str
    evidence: str
    profile_id: uuid.UUID
    profile: str
    sample: list[SampleLine]
    disclosures: list[str]
    missing: list[str]
    withheld: int
    revisions: list[RevisionOut]


class NewRevision(Shape):
    id: uuid.UUID
    profile_id: uuid.UUID
    changed: str = Field(default="", max_length=1000)


class ReadingRow(Shape):
    machine: str
    arm: str
    artifact: str
    spool: str
    copy_number: int
    attempt: int
    specimen: str
    feature: str
    axis: str
    nominal: float
    repeat: int
    value: float | None
    unit: str
    cannot_because: str | None
    instrument: str
    person: str
    taken_at: datetime
    reading_id: uuid.UUID
    supersedes_id: uuid.UUID | None
    reason: str | None
    note: str | None = Field(description="why it was kept although it is far off")


class ReadingData(Shape):
    study: str
    exported_at: datetime
    withheld_specimens: int
    readings: list[ReadingRow]


def view_publish(session: Session, study_id: uuid.UUID, profile_id: uuid.UUID | None) -> PublishView:
    ranked = view_rank(session, study_id, WhatIf(profile_id=profile_id))
    bench = study_figures(session, study_id).bench
    return PublishView(
        headline=ranked.verdict.headline, evidence=ranked.verdict.evidence, profile_id=ranked.profile.id,
        profile=ranked.profile.name, sample=_sample(bench), disclosures=_disclosures(bench)[0],
        missing=_missing(ranked) + _disclosures(bench)[1], withheld=len(_hidden(bench)),
        revisions=list_revisions(session, study_id),
    )  # fmt: skip


def publish(session: Session, study_id: uuid.UUID, given: NewRevision, person_id: uuid.UUID) -> PublishView:
    """Freezes the report of this moment under the next number; earlier revisions stay as they were."""
    get_study(session, study_id)
    earlier = list(
        session.scalars(
            select(ReportRevision).where(ReportRevision.study_id == study_id).order_by(ReportRevision.number)
        )
    )
    ranked = view_rank(session, study_id, WhatIf(profile_id=given.profile_id))
    # A report for another buyer is another report: it is held against the last one of the same buyer.
    same = [r for r in earlier if r.profile_id == given.profile_id]
    first = f"First revision for {ranked.profile.name}." if earlier else "First revision."
    changed = given.changed.strip() or (_what_changed(same[-1], ranked) if same else first)
    data = _report_data(session, study_id, ranked)
    number = len(earlier) + 1
    html = _templates.get_template("report.html.j2").render(
        **data, number=number, changed=changed, published=datetime.now(UTC), beads=BEADS
    )
    session.add(
        ReportRevision(
            id=given.id, study_id=study_id, profile_id=given.profile_id, number=number,
            headline=ranked.verdict.headline, changed=changed, html=html, data=ranked.model_dump(mode="json"),
            person_id=person_id,
        )
    )  # fmt: skip
    session.flush()
    return view_publish(session, study_id, given.profile_id)


def list_revisions(session: Session, study_id: uuid.UUID) -> list[RevisionOut]:
    rows = session.execute(
        select(
            ReportRevision.id, ReportRevision.number, ReportRevision.headline, ReportRevision.changed,
            ReportRevision.published_at, BuyerProfile.name, Person.name,
        )
        .join(BuyerProfile, BuyerProfile.id == ReportRevision.profile_id)
        .join(Person, Person.id == ReportRevision.person_id)
        .where(ReportRevision.study_id == study_id)
        .order_by(ReportRevision.number.desc())
    )  # fmt: skip
    return [
        RevisionOut(id=i, number=n, headline=h, changed=c, published_at=at, profile=profile, by=by)
        for i, n, h, c, at, profile, by in rows
    ]


def revision_html(session: Session, revision_id: uuid.UUID) -> tuple[str, int]:
    revision = session.get(ReportRevision, revision_id)
    if revision is None:
        raise Missing("There is no such revision.")
    return revision.html, revision.number


def reading_data(session: Session, study_id: uuid.UUID) -> ReadingData:
    """Every reading with its corrections; specimens still hidden are withheld, because values would tell."""
    bench = study_figures(session, study_id).bench
    hidden = _hidden(bench)
    unit_of = {run.id: (job, run) for job in bench.jobs for run in bench.runs.get(job.id, [])}
    names = {u.unit_id: u.unit.name for u in bench.units}
    arms = {arm.id: arm.name for arm in bench.protocol.arms} if bench.protocol else {}
    people = dict(session.execute(select(Person.id, Person.name)).tuples().all())
    instruments = dict(session.execute(select(Instrument.id, Instrument.code)).tuples().all())
    specimens = {s.id: s for s in bench.specimens if s.id not in hidden}
    rows = session.scalars(
        select(Reading).where(Reading.specimen_id.in_(specimens)).order_by(Reading.taken_at, Reading.id)
    )
    readings = []
    for r in rows:
        specimen, feature = specimens[r.specimen_id], bench.features[r.feature_id]
        job, run = unit_of[specimen.run_id]
        readings.append(
            ReadingRow(
                machine=names[job.unit_id], arm=arms[job.arm_id], artifact=bench.artifacts[job.artifact_id].name,
                spool=bench.spools[job.spool_ids[0]].code, copy_number=job.copy, attempt=run.attempt, specimen=specimen.blind_code,
                feature=feature.code, axis=feature.axis, nominal=feature.nominal, repeat=r.repeat,
                value=r.value, unit=feature.unit, cannot_because=r.cannot_because, instrument=instruments[r.instrument_id],
                person=people[r.person_id], taken_at=r.taken_at, reading_id=r.id, supersedes_id=r.supersedes_id,
                reason=r.reason, note=r.note,
            )
        )  # fmt: skip
    return ReadingData(
        study=bench.study.title, exported_at=datetime.now(UTC), withheld_specimens=len(hidden), readings=readings
    )


def reading_csv(data: ReadingData) -> str:
    out = io.StringIO()
    writer = csv.writer(out)
    writer.writerow(ReadingRow.model_fields)
    for row in data.readings:
        writer.writerow(_harmless(v) for v in row.model_dump(mode="json").values())
    return out.getvalue()


def _harmless(value: object) -> object:
    """Text that a spreadsheet would run as a formula is quoted."""
    return f"'{value}" if isinstance(value, str) and value[:1] in ("=", "+", "-", "@", "\t") else value


def _hidden(bench: Bench) -> set[uuid.UUID]:
    """All specimens until the reveal: values and times would tell whoever took them which machine is which."""
    return set() if bench.study.revealed_at is not None else {s.id for s in bench.specimens}


def _sample(bench: Bench) -> list[SampleLine]:
    runs = [r for tries in bench.runs.values() for r in tries if r.outcome]
    hours = sum(r.printed_s / 3600 for r in runs)
    readings = sum(len(row.values) for rows in bench.values.values() for row in rows)
    failed = [r for r in runs if r.outcome is Outcome.FAILED]
    causes = ", ".join(sorted({r.cause.value for r in failed if r.cause}))
    return [
        SampleLine(name="Machines", value=_machines(bench)),
        SampleLine(
            name="Attempts",
            value=f"{len(runs)} on {len(bench.jobs)} planned prints" if bench.jobs else "none planned",
        ),
        SampleLine(name="Failed", value=f"{len(failed)} ({causes or 'cause not recorded'})" if failed else "none"),
        SampleLine(name="Printing time", value=f"{hours:.1f} h"),
        SampleLine(name="Specimens", value=_specimens(bench)),
        SampleLine(name="Readings", value=f"{readings} that count" if readings else "none yet"),
    ]


def _machines(bench: Bench) -> str:
    units, models = len(bench.units), len({u.unit.model_id for u in bench.units})
    if units == models:
        return f"{units}, one unit each" if units else "none"
    return f"{models} model{'' if models == 1 else 's'}, {units} units"


def _disclosures(bench: Bench) -> tuple[list[str], list[str]]:
    said, missing = [], []
    for entry in bench.units:
        sentence = disclose(entry.unit, bench.price_of(entry.unit_id))
        if sentence:
            said.append(sentence)
        else:
            missing.append(f"{entry.unit.name}: how it was obtained is not recorded.")
    return said, missing


def _missing(ranked: RankView) -> list[str]:
    names = {c.code: c.name for c in ranked.criteria}
    if not ranked.standings:
        return [f"{ranked.verdict.headline}: there is nothing to recommend."]
    return [
        f"{s.machine.name}: {names[c.code].lower()} needs {c.raw.needs}."
        for s in ranked.standings
        for c in s.contributions
        if c.points is None
    ]


def _what_changed(earlier: ReportRevision, ranked: RankView) -> str:
    before = {s["machine"]["name"]: s["total"] for s in earlier.data["standings"]}
    now = {s.machine.name: s.total for s in ranked.standings}
    moved = [f"{n} {before[n]:.1f} → {t:.1f}" for n, t in now.items() if n in before and abs(before[n] - t) >= 0.05]
    came = [f"{n} is new" for n in now if n not in before] + [f"{n} is out" for n in before if n not in now]
    head = "" if earlier.headline == ranked.verdict.headline else f"Verdict was “{earlier.headline}”. "
    return head + ("; ".join([*moved, *came]) + "." if moved or came else "Figures unchanged.")


def _report_data(session: Session, study_id: uuid.UUID, ranked: RankView) -> dict[str, Any]:
    inputs = study_figures(session, study_id)
    bench = inputs.bench
    assert bench.protocol is not None
    said, undisclosed = _disclosures(bench)
    deviations = list(
        session.scalars(
            select(ProtocolDeviation)
            .where(ProtocolDeviation.study_id == study_id)
            .order_by(ProtocolDeviation.recorded_at)
        )
    )
    arms = {arm.id: f", {arm.name}" for arm in bench.protocol.arms} if len(bench.protocol.arms) > 1 else {}
    jobs = {
        j.id: f"{j.unit.name}, {bench.artifacts[j.artifact_id].name} {j.copy}{arms.get(j.arm_id, '')}"
        for j in bench.jobs
    }
    safety = [f"{u.unit.name}: {words}" for u in bench.units for words in bench.records[u.unit_id].on_record]
    unchecked = [u.unit.name for u in bench.units if bench.safe(u.unit_id) is None]
    not_recommended = [(u.unit.name, u.not_recommended) for u in bench.units if u.not_recommended]
    worth = [
        (u.unit.name, ledger)
        for u in bench.units
        if (ledger := worth_ledger(session, u.unit, bench.price_of(u.unit_id), bench.study.currency)).words
    ]
    told = said_of_units(session, study_id)
    final = [(u.unit.name, told[u.unit_id]) for u in bench.units if told.get(u.unit_id)]
    blind = revealed(session, study_id) if bench.study.revealed_at else None
    return {
        "study": bench.study, "ranked": ranked, "sample": _sample(bench), "disclosures": said,
        "missing": _missing(ranked) + undisclosed, "safety": safety, "unchecked": unchecked,
        "not_recommended": not_recommended, "worth": worth, "blind": blind, "final": final,
        "deviations": [(jobs.get(d.job_id, "the study") if d.job_id else "the study", d.what, d.reason) for d in deviations],
        "policies": Policies(**bench.protocol.policies), "protocol": bench.protocol,
        "arms": [(arm, Conditions(**arm.conditions)) for arm in bench.protocol.arms], "apart": inputs.apart,
        "names": {c.code: c.name for c in ranked.criteria},
    }  # fmt: skip


def _specimens(bench: Bench) -> str:
    if not bench.specimens:
        return "none yet"
    if bench.study.entered_from:
        return f"{len(bench.specimens)}, not blind: entered afterwards from {bench.study.entered_from}"
    return f"{len(bench.specimens)}, blind codes"
