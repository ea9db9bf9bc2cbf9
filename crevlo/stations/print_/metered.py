"""What was metered while a run went on: energy typed or from a log, noise."""

import uuid

from pydantic import Field
from sqlalchemy.orm import Session

from crevlo.core.energy import Columns
from crevlo.core.gaps import trace_energy
from crevlo.core.success import Outcome
from crevlo.stations.kit.apart import apart
from crevlo.stations.kit.change import change
from crevlo.stations.kit.shape import Refused, Shape, Version
from crevlo.stations.kit.upload import keep_upload
from crevlo.stations.library.instrument import instrument_used
from crevlo.stations.noise import NewNoise, add_noise
from crevlo.stations.print_.job import run_by_id
from crevlo.stations.print_.power_log import TraceColumns
from crevlo.store.machine import InstrumentKind
from crevlo.store.run import EnergyFrom


class EnergyTyped(Shape):
    version: Version
    energy_wh: float = Field(ge=0, le=1e6)
    instrument_id: uuid.UUID | None = Field(default=None, description="the meter, where several are listed")


def type_energy(session: Session, run_id: uuid.UUID, given: EnergyTyped) -> uuid.UUID:
    run = run_by_id(session, run_id)
    meter = instrument_used(session, InstrumentKind.POWER_METER, given.instrument_id)
    kwh = given.energy_wh / 1000
    change(
        session, run, given.version,
        {"energy_kwh": kwh, "energy_low_kwh": kwh, "energy_high_kwh": kwh, "energy_u_kwh": 0.0,
         "energy_from": EnergyFrom.METER,
         "trace_sha256": None, "instrument_id": meter.id if meter else None},
    )  # fmt: skip
    return run.job_id


class WeightTyped(Shape):
    """What came off the plate, in g: all parts together, and what was purged with its tower."""

    version: Version
    model_g: float = Field(gt=0, le=100_000)
    waste_g: float | None = Field(default=None, ge=0, le=100_000)


def type_weight(session: Session, run_id: uuid.UUID, given: WeightTyped) -> uuid.UUID:
    """Weighs a print that came out; its filament and cost go by that from then on. Gives the job."""
    run = run_by_id(session, run_id)
    if run.outcome is not Outcome.DONE:
        raise Refused("Only a print that came out is weighed.")
    change(session, run, given.version, {"model_g": given.model_g, "waste_g": given.waste_g})
    return run.job_id


def take_trace(
    session: Session,
    run_id: uuid.UUID,
    version: int,
    content: bytes,
    columns: TraceColumns | None = None,
    instrument_id: uuid.UUID | None = None,
) -> uuid.UUID:
    """Integrates a power trace; gaps stay visible as the bounds of the energy. Gives the job."""
    run = run_by_id(session, run_id)
    meter = instrument_used(session, InstrumentKind.POWER_METER, instrument_id)
    energy = apart(
        "this log", 25.0, 1000, trace_energy, content, Columns(**columns.model_dump()) if columns else None
    )
    change(
        session, run, version,
        {"energy_kwh": energy.kwh, "energy_low_kwh": energy.low_kwh, "energy_high_kwh": energy.high_kwh,
         "energy_u_kwh": energy.u_kwh,
         "energy_from": EnergyFrom.TRACE, "trace_sha256": keep_upload(session, content),
         "trace_columns": columns.model_dump() if columns else None,
         "instrument_id": meter.id if meter else None},
    )  # fmt: skip
    return run.job_id


def record_noise(session: Session, run_id: uuid.UUID, given: NewNoise, person_id: uuid.UUID) -> uuid.UUID:
    run = run_by_id(session, run_id)
    add_noise(session, given, person_id, run_id=run.id)
    return run.job_id
