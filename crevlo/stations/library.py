"""Models, units, spools and instruments: what every study draws on."""

import uuid
from datetime import date
from typing import Any, TypeVar

from pydantic import Field
from sqlalchemy import func, select
from sqlalchemy.orm import Session
from sqlalchemy.orm.attributes import flag_modified
from sqlalchemy.orm.exc import StaleDataError

from crevlo.stations import shelf
from crevlo.stations.shape import Conflict, Missing, Refused, Shape
from crevlo.stations.shelf import DrawingOut
from crevlo.store.base import Base
from crevlo.store.machine import (
    ArtifactVersion,
    Configuration,
    FeatureRow,
    Instrument,
    InstrumentKind,
    Model,
    Spool,
    Unit,
)


class NewModel(Shape):
    id: uuid.UUID
    name: str = Field(min_length=1, max_length=80)
    bed_x_mm: float = Field(gt=0, le=5000)
    bed_y_mm: float = Field(gt=0, le=5000)
    height_mm: float = Field(gt=0, le=5000)
    list_price: float | None = Field(default=None, ge=0)
    tools: int = Field(default=1, ge=1, le=64)
    enclosed: bool = False


class ModelOut(NewModel):
    version: int
    units: int = 0


class SpoolIn(Shape):
    id: uuid.UUID
    code: str = Field(min_length=1, max_length=20)
    maker: str = Field(max_length=80)
    material: str = Field(min_length=1, max_length=20)
    colour: str = Field(min_length=1, max_length=40)
    diameter_mm: float = Field(default=1.75, gt=0.5, lt=5)
    density_g_cm3: float = Field(gt=0.5, lt=5)
    price_per_kg: float = Field(ge=0)
    dried_on: date | None = None


class SpoolOut(SpoolIn):
    version: int


class InstrumentIn(Shape):
    id: uuid.UUID
    code: str = Field(min_length=1, max_length=20)
    kind: InstrumentKind
    unit: str = "mm"
    resolution: float = Field(ge=0)
    u_calibration: float = Field(ge=0)
    repeatability: float = Field(ge=0)
    calibrated_on: date | None = None


class InstrumentOut(InstrumentIn):
    version: int


class FeatureOut(Shape):
    id: uuid.UUID
    code: str
    axis: str
    sense: int
    nominal_mm: float
    method: str


class ArtifactOut(Shape):
    id: uuid.UUID
    code: str
    number: int
    name: str
    note: str
    isolates: str
    features: list[FeatureOut]
    drawing: DrawingOut


class Library(Shape):
    models: list[ModelOut]
    spools: list[SpoolOut]
    instruments: list[InstrumentOut]
    artifacts: list[ArtifactOut]


AnyRow = TypeVar("AnyRow", bound=Base)


def library(session: Session) -> Library:
    units = dict(session.execute(select(Unit.model_id, func.count()).group_by(Unit.model_id)).tuples().all())
    models = session.scalars(select(Model).order_by(Model.name))
    return Library(
        models=[ModelOut(**_plain(m), units=units.get(m.id, 0)) for m in models],
        spools=[SpoolOut.model_validate(s) for s in session.scalars(select(Spool).order_by(Spool.code))],
        instruments=[
            InstrumentOut.model_validate(i) for i in session.scalars(select(Instrument).order_by(Instrument.code))
        ],
        artifacts=[artifact_out(a) for a in session.scalars(select(ArtifactVersion).order_by(ArtifactVersion.code))],
    )


def add_model(session: Session, given: NewModel) -> ModelOut:
    if session.scalar(select(Model.id).where(func.lower(Model.name) == given.name.lower())):
        raise Refused(f"There is already a model called {given.name}.")
    model = Model(**given.model_dump())
    session.add(model)
    session.flush()
    return ModelOut(**_plain(model))


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
    return InstrumentOut.model_validate(instrument)


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
    latest = session.scalar(
        select(Configuration).where(Configuration.unit_id == unit_id).order_by(Configuration.number.desc()).limit(1)
    )
    if latest is None:
        raise Missing("This unit has no configuration.")
    return latest


def volumes(session: Session) -> list[shelf.Machine]:
    """Printable volumes of the models, by their sheets."""
    models = session.scalars(select(Model).order_by(Model.name))
    return [
        shelf.Machine(name=m.name, bed_x_mm=m.bed_x_mm, bed_y_mm=m.bed_y_mm, height_mm=m.height_mm) for m in models
    ]


def built_in_artifact(session: Session, code: str = "SB") -> ArtifactVersion:
    """The stored version of a built-in artifact; written on first use."""
    stored = session.scalar(select(ArtifactVersion).where(ArtifactVersion.code == code, ArtifactVersion.number == 1))
    if stored:
        return stored
    built = shelf.built(code)
    stored = ArtifactVersion(code=code, number=1, name=built.name, definition={"built_in": code})
    stored.features = [
        FeatureRow(position=at, code=f.code, axis=f.axis, sense=f.sense, nominal_mm=f.nominal, method=f.method)
        for at, f in enumerate(built.features)
    ]
    session.add(stored)
    session.flush()
    return stored


def artifact_out(row: ArtifactVersion) -> ArtifactOut:
    built = shelf.built(row.code)
    return ArtifactOut(
        id=row.id, code=row.code, number=row.number, name=row.name, note=built.note, isolates=built.isolates,
        features=[FeatureOut.model_validate(f) for f in row.features],
        drawing=shelf.drawing(row.code),
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
