"""A unit's whole record, from its box on."""

import math
import uuid
from datetime import UTC, datetime

from pydantic import Field
from sqlalchemy import select
from sqlalchemy.orm import Session

from crevlo.stations.bench import load_bench
from crevlo.stations.kit.photo import PhotoOut, photos_of
from crevlo.stations.kit.shape import Missing, Shape
from crevlo.stations.library.instrument import MeterOut, meters_of
from crevlo.stations.noise import NoiseOut, noise_out
from crevlo.stations.past import pasts_of
from crevlo.stations.print_.fault import HypothesisOut, of_unit
from crevlo.stations.receive.box import BoxItemOut, StepOut, first_unit, steps_of
from crevlo.stations.receive.claims import ClaimOut, claims_of
from crevlo.stations.receive.configuration import (
    ComparisonOut,
    ConfigurationOut,
    comparison,
    configurations_out,
)
from crevlo.stations.receive.log import FaultsOut, LogOut, faults
from crevlo.stations.receive.measures import (
    MEASURE_CHOICES,
    MEASURE_UNITS,
    MeasureChoice,
    MeasureOut,
    PrintableOut,
    printable,
)
from crevlo.stations.receive.printing import NoiseRow, PrintingOut, noise_table, printing
from crevlo.stations.receive.worth import WorthLedger, worth_ledger
from crevlo.stations.study import get_study
from crevlo.store.machine import InstrumentKind, Unit
from crevlo.store.record import BoxItem


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
    measure_kinds: list[MeasureChoice]
    printable: PrintableOut
    claims: list[ClaimOut]
    configurations: list[ConfigurationOut]
    comparison: ComparisonOut | None
    log: list[LogOut]
    faults: FaultsOut
    hypotheses: list[HypothesisOut] = Field(description="what may be behind what it does, whatever it prints")
    worth: WorthLedger
    noise: list[NoiseRow]
    meters: list[MeterOut] = Field(description="sound meters to read with")
    standby_noise: list[NoiseOut] = Field(description="readings taken while it printed nothing")
    printing: PrintingOut


def view_record(session: Session, study_id: uuid.UUID, unit_id: uuid.UUID) -> UnitRecord:
    bench = load_bench(session, study_id, [unit_id])
    unit = unit_in(session, study_id, unit_id)
    measures = bench.measures.get(unit_id, [])
    numbers = {c.id: c.number for c in bench.configurations_of(unit_id)}
    steps = steps_of(session, unit_id)
    first = first_unit(session, unit)
    before = {s.name: s.seconds for s in steps_of(session, first)} if first else {}
    past = pasts_of(session, [unit_id])[unit_id]
    claims = claims_of(session, unit, bench)
    claimed = {c.id: c for c in claims}
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
                id=m.id, kind=m.kind, value=m.value, name=claimed[m.claim_id].name if m.claim_id else m.kind.value,
                unit=claimed[m.claim_id].unit if m.claim_id else MEASURE_UNITS.get(m.kind, "mm"), from_c=m.from_c, to_c=m.to_c,
                instrument=bench.instruments[m.instrument_id].code if m.instrument_id else None, note=m.note,
                configuration=numbers[m.configuration_id], corrected=m.supersedes_id is not None, taken_at=m.taken_at,
            )
            for m in measures
        ],
        measure_kinds=MEASURE_CHOICES, printable=printable(unit.model, measures), claims=claims,
        configurations=configurations_out(unit_id, bench), comparison=comparison(unit_id, bench),
        log=[
            LogOut(id=e.id, kind=e.kind, at=e.at, hours=e.hours, words=e.words, cost=e.cost, currency=e.currency, corrected=e.supersedes_id is not None)
            for e in past.log
        ],
        faults=faults(past), hypotheses=of_unit(session, unit_id), worth=worth_ledger(session, unit, bench.price_of(unit_id), bench.study.currency),
        meters=meters_of(session, InstrumentKind.SOUND_METER), noise=noise_table(bench, unit_id), standby_noise=noise_out(bench.noise.get(unit_id, [])), printing=printing(session, bench, unit_id),
    )  # fmt: skip


def unit_in(session: Session, study_id: uuid.UUID, unit_id: uuid.UUID) -> Unit:
    """Raises Missing where the unit takes no part in the study."""
    entry = next((u for u in get_study(session, study_id).units if u.unit_id == unit_id), None)
    if entry is None:
        raise Missing("This unit takes no part in the study.")
    return entry.unit
