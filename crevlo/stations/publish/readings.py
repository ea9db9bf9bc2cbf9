"""Every reading behind a report with its corrections, as data."""

import csv
import io
import uuid
from datetime import UTC, datetime

from pydantic import Field
from sqlalchemy import select
from sqlalchemy.orm import Session

from crevlo.stations.bench import Bench
from crevlo.stations.figures.study import study_figures
from crevlo.stations.kit.cell import in_csv
from crevlo.stations.kit.shape import Shape
from crevlo.store.machine import Instrument
from crevlo.store.person import Person
from crevlo.store.reading import Reading


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


def reading_data(session: Session, study_id: uuid.UUID) -> ReadingData:
    """Every reading with its corrections; specimens still hidden are withheld, because values would tell."""
    bench = study_figures(session, study_id).bench
    withheld = hidden(bench)
    unit_of = {run.id: (job, run) for job in bench.jobs for run in bench.runs.get(job.id, [])}
    names = {u.unit_id: u.unit.name for u in bench.units}
    arms = {arm.id: arm.name for arm in bench.protocol.arms} if bench.protocol else {}
    people = dict(session.execute(select(Person.id, Person.name)).tuples().all())
    instruments = dict(session.execute(select(Instrument.id, Instrument.code)).tuples().all())
    specimens = {s.id: s for s in bench.specimens if s.id not in withheld}
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
        study=bench.study.title, exported_at=datetime.now(UTC), withheld_specimens=len(withheld), readings=readings
    )


def reading_csv(data: ReadingData) -> str:
    out = io.StringIO()
    writer = csv.writer(out)
    writer.writerow(ReadingRow.model_fields)
    for row in data.readings:
        writer.writerow(in_csv(v) for v in row.model_dump(mode="json").values())
    return out.getvalue()


def hidden(bench: Bench) -> set[uuid.UUID]:
    """All specimens until the reveal: values and times would tell whoever took them which machine is which."""
    return set() if bench.study.revealed_at is not None else {s.id for s in bench.specimens}
