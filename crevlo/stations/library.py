"""Models, units, spools and instruments: what every study draws on."""

import uuid
from collections.abc import Iterable
from datetime import UTC, date, datetime, timedelta
from typing import Any, TypeVar

from pydantic import Field, computed_field
from sqlalchemy import func, select
from sqlalchemy.orm import Session
from sqlalchemy.orm.attributes import flag_modified
from sqlalchemy.orm.exc import StaleDataError

from crevlo.core.features import MEASURED
from crevlo.core.lookalike import Sheet, lookalikes
from crevlo.core.material import USUAL, usual_of
from crevlo.stations import shelf
from crevlo.stations.artifact import stored
from crevlo.stations.shape import Conflict, Currency, Day, Missing, Money, Refused, Shape, Version
from crevlo.stations.shelf import DrawingOut
from crevlo.store.base import Base
from crevlo.store.machine import (
    ArtifactVersion,
    Configuration,
    Instrument,
    InstrumentKind,
    Model,
    Spool,
    Unit,
)


class KeepOut(Shape):
    """A rectangle of the bed that nothing may stand on (clips, a wiper), from the front left corner."""

    x_mm: float = Field(ge=0, le=5000)
    y_mm: float = Field(ge=0, le=5000)
    width_mm: float = Field(gt=0, le=5000)
    depth_mm: float = Field(gt=0, le=5000)


class ModelSheet(Shape):
    """The rest of a maker's specification sheet; empty where it says nothing."""

    is_round: bool = False
    top_share: float = Field(default=1.0, gt=0, le=1, description="width left at full height, for a tapering volume")
    motion: str = Field(default="", max_length=60)
    board: str = Field(default="", max_length=60)
    hotend: str = Field(default="", max_length=60)
    extruder: str = Field(default="", max_length=60)
    nozzle_max_c: float | None = Field(default=None, gt=0, le=600)
    bed_max_c: float | None = Field(default=None, gt=0, le=200)
    weight_kg: float | None = Field(default=None, gt=0, le=500)
    peak_w: float | None = Field(default=None, gt=0, le=5000)
    top_speed_mm_s: float | None = Field(default=None, gt=0, le=5000)
    acceleration_mm_s2: float | None = Field(default=None, gt=0, le=1e6)
    corner_mm_s: float | None = Field(
        default=None, gt=0, le=500, description="by how much an axis may change its speed at once"
    )
    flow_mm3_s: float | None = Field(default=None, gt=0, le=500, description="plastic that the hotend melts")
    keep_outs: list[KeepOut] = Field(default=[], max_length=20)


class NewModel(Shape):
    id: uuid.UUID
    name: str = Field(min_length=1, max_length=80)
    bed_x_mm: float = Field(gt=0, le=5000)
    bed_y_mm: float = Field(gt=0, le=5000)
    height_mm: float = Field(gt=0, le=5000)
    list_price: Money | None = None
    tools: int = Field(default=1, ge=1, le=64)
    enclosed: bool = False
    sheet: ModelSheet = ModelSheet()


class ModelOut(NewModel):
    version: int
    units: int = 0


class LookalikeOut(Shape):
    """Two models whose sheets look like one machine under two names."""

    first: str
    second: str
    reasons: list[str]
    against: list[str]
    open: list[str]


class SpoolIn(Shape):
    id: uuid.UUID
    code: str = Field(min_length=1, max_length=20)
    maker: str = Field(max_length=80)
    material: str = Field(min_length=1, max_length=20)
    colour: str = Field(min_length=1, max_length=40)
    diameter_mm: float = Field(default=1.75, gt=0.5, lt=5)
    density_g_cm3: float = Field(gt=0.5, lt=5)
    price_per_kg: float = Field(ge=0, le=1e5)
    currency: Currency = "EUR"
    priced_on: Day | None = None
    dried_on: Day | None = None
    lot: str = Field(default="", max_length=40)
    empty_g: float | None = Field(default=None, gt=0, le=5000, description="mass of the empty spool")


class MaterialOut(Shape):
    name: str
    density: float
    nozzle_c: float
    bed_c: float


class SpoolOut(SpoolIn):
    version: int

    @computed_field(description="what its material usually is printed at; nothing where it is not known")  # type: ignore[prop-decorator]
    @property
    def usual(self) -> MaterialOut | None:
        known = usual_of(self.material)
        return MaterialOut.model_validate(known, extra="ignore") if known else None


class InstrumentIn(Shape):
    id: uuid.UUID
    code: str = Field(min_length=1, max_length=20)
    kind: InstrumentKind
    unit: str = Field(default="mm", max_length=20)
    resolution: float = Field(ge=0, le=1e4)
    u_calibration: float = Field(ge=0, le=1e4)
    repeatability: float = Field(ge=0, le=1e4)
    calibrated_on: Day | None = None
    certificate: str = Field(default="", max_length=80)
    valid_days: int = Field(default=365, ge=1, le=3650, description="how long a calibration holds")


class InstrumentOut(InstrumentIn):
    version: int
    due_on: date | None = Field(description="when the calibration runs out")
    overdue: bool


class FeatureOut(Shape):
    """A feature as stored; `measured` ones are read in mm, the others are judged."""

    id: uuid.UUID
    code: str
    kind: str
    axis: str
    sense: int
    nominal: float
    unit: str
    method: str
    measured: bool


class ArtifactOut(Shape):
    id: uuid.UUID
    code: str
    number: int
    name: str
    note: str
    isolates: str
    features: list[FeatureOut]
    drawing: DrawingOut


class ChangedModel(NewModel):
    version: Version


class Library(Shape):
    models: list[ModelOut]
    lookalikes: list[LookalikeOut]
    spools: list[SpoolOut]
    instruments: list[InstrumentOut]
    materials: list[MaterialOut] = Field(
        description="what filaments usually are; their maker's data sheet comes first"
    )


AnyRow = TypeVar("AnyRow", bound=Base)


def library(session: Session) -> Library:
    units = dict(session.execute(select(Unit.model_id, func.count()).group_by(Unit.model_id)).tuples().all())
    models = session.scalars(select(Model).order_by(Model.name)).all()
    return Library(
        models=[ModelOut(**_plain(m), units=units.get(m.id, 0)) for m in models],
        lookalikes=[LookalikeOut.model_validate(p) for p in lookalikes([_sheet(m) for m in models])],
        spools=[SpoolOut.model_validate(s) for s in session.scalars(select(Spool).order_by(Spool.code))],
        instruments=[instrument_out(i) for i in session.scalars(select(Instrument).order_by(Instrument.code))],
        materials=[MaterialOut.model_validate(m, extra="ignore") for m in USUAL],
    )


def add_model(session: Session, given: NewModel) -> ModelOut:
    if session.scalar(select(Model.id).where(func.lower(Model.name) == given.name.lower())):
        raise Refused(f"There is already a model called {given.name}.")
    model = Model(**given.model_dump())
    session.add(model)
    session.flush()
    return ModelOut(**_plain(model))


def change_model(session: Session, model_id: uuid.UUID, given: ChangedModel) -> ModelOut:
    """Corrects a model's sheet; what was computed from the old one is computed anew."""
    model = session.get(Model, model_id)
    if model is None:
        raise Missing("There is no such model.")
    other = session.scalar(select(Model.id).where(func.lower(Model.name) == given.name.lower(), Model.id != model_id))
    if other:
        raise Refused(f"There is already a model called {given.name}.")
    change(session, model, given.version, given.model_dump(exclude={"version", "id"}))
    return ModelOut(**_plain(model))


def _sheet(m: Model) -> Sheet:
    given = ModelSheet(**m.sheet)
    return Sheet(
        m.name, (m.bed_x_mm, m.bed_y_mm, m.height_mm), m.tools, m.enclosed, given.is_round, m.list_price,
        given.weight_kg, given.motion, given.board, given.hotend, given.extruder,
    )  # fmt: skip


def add_spool(session: Session, given: SpoolIn) -> SpoolOut:
    _unused_code(session, Spool, given.code)
    spool = Spool(**given.model_dump())
    session.add(spool)
    session.flush()
    return SpoolOut.model_validate(spool)


def add_instrument(session: Session, given: InstrumentIn) -> InstrumentOut:
    _unused_code(session, Instrument, given.code)
    instrument = Instrument(**given.model_dump())
    session.add(instrument)
    session.flush()
    return instrument_out(instrument)


def first_unit(session: Session, model_id: uuid.UUID) -> Unit:
    """The model's first unit, opened with a configuration where there is none yet."""
    unit = session.scalar(select(Unit).where(Unit.model_id == model_id).order_by(Unit.mark).limit(1))
    if unit:
        return unit
    if session.get(Model, model_id) is None:
        raise Missing("There is no such model.")
    mark = session.scalar(select(func.coalesce(func.max(Unit.mark) + 1, 0))) or 0
    unit = Unit(model_id=model_id, mark=mark)
    session.add(unit)
    session.flush()
    session.add(Configuration(unit_id=unit.id, number=1))
    return unit


def configuration_of(session: Session, unit_id: uuid.UUID) -> Configuration:
    """What a unit is now. Raises Missing for a unit that does not exist."""
    latest = latest_configurations(session, [unit_id]).get(unit_id)
    if latest is None:
        raise Missing("This unit has no configuration.")
    return latest


def latest_configurations(session: Session, unit_ids: Iterable[uuid.UUID]) -> dict[uuid.UUID, Configuration]:
    rows = session.scalars(
        select(Configuration).where(Configuration.unit_id.in_(list(unit_ids)))
        .distinct(Configuration.unit_id).order_by(Configuration.unit_id, Configuration.number.desc())
    )  # fmt: skip
    return {row.unit_id: row for row in rows}


def instrument_out(row: Instrument) -> InstrumentOut:
    due = row.calibrated_on + timedelta(days=row.valid_days) if row.calibrated_on else None
    late = due is None or due < datetime.now(UTC).date()
    fields = {name: getattr(row, name) for name in InstrumentIn.model_fields}
    return InstrumentOut(**fields, version=row.version, due_on=due, overdue=late)


def artifact_out(session: Session, row: ArtifactVersion) -> ArtifactOut:
    a = stored(session, row)
    return ArtifactOut(
        id=row.id, code=row.code, number=row.number, name=row.name, note=a.artifact.note, isolates=a.artifact.isolates,
        features=[
            FeatureOut(
                id=f.id, code=f.code, kind=f.kind, axis=f.axis, sense=f.sense, nominal=f.nominal, unit=f.unit,
                method=f.method, measured=f.kind in MEASURED,
            )
            for f in row.features
        ],
        drawing=shelf.drawing(a),
    )  # fmt: skip


def change(session: Session, row: AnyRow, seen_version: int, changes: dict[str, Any]) -> AnyRow:
    """Applies changes if nobody was faster; raises Conflict with the present state otherwise."""
    if row.version != seen_version:  # type: ignore[attr-defined]
        raise Conflict(_plain(row))
    for name, value in changes.items():
        setattr(row, name, value)
        # The version moves even where the row itself is the same, so that what hangs on it is guarded too.
        flag_modified(row, name)
    try:
        session.flush()
    except StaleDataError:
        session.rollback()
        raise Conflict(_plain(session.merge(row))) from None
    return row


def _plain(row: Base) -> dict[str, Any]:
    return {c.name: getattr(row, c.key) for c in row.__table__.columns}


def _unused_code(session: Session, kind: type[Spool] | type[Instrument], code: str) -> None:
    if session.scalar(select(kind.id).where(kind.code == code)):
        raise Refused(f"The code {code} is already used.")
