"""Models of machines with their makers' sheets, and those that look like one machine under two names."""

import uuid
from typing import Annotated

from pydantic import Field
from sqlalchemy import func, select
from sqlalchemy.orm import Session

from crevlo.core.lookalike import Sheet
from crevlo.core.material import material_doubt
from crevlo.stations.kit.change import change, plain_row
from crevlo.stations.kit.shape import Currency, Missing, Money, Name, Refused, Shape, Version
from crevlo.store.machine import (
    Model,
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
    screw_lead_mm: float | None = Field(default=None, gt=0, le=50, description="of the Z screw, per turn")
    belt_pitch_mm: float | None = Field(default=None, gt=0, le=20, description="from tooth to tooth")
    pulley_teeth: int | None = Field(default=None, ge=4, le=200)
    gear_pitch_mm: float | None = Field(
        default=None, gt=0, le=20, description="of the extruder's gear, tooth to tooth"
    )
    rules_out: list[Annotated[str, Field(min_length=1, max_length=20)]] = Field(
        default=[], max_length=40, description="materials that the maker rules out"
    )
    keep_outs: list[KeepOut] = Field(default=[], max_length=20)


class NewModel(Shape):
    id: uuid.UUID
    name: Name = Field(min_length=1, max_length=80)
    bed_x_mm: float = Field(gt=0, le=5000)
    bed_y_mm: float = Field(gt=0, le=5000)
    height_mm: float = Field(gt=0, le=5000)
    list_price: Money | None = None
    currency: Currency = Field(default="EUR", description="of the list price")
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


class ChangedModel(NewModel):
    version: Version


def add_model(session: Session, given: NewModel) -> ModelOut:
    if session.scalar(select(Model.id).where(func.lower(Model.name) == given.name.lower())):
        raise Refused(f"There is already a model called {given.name}.")
    model = Model(**given.model_dump())
    session.add(model)
    session.flush()
    return model_out(model)


def model_out(model: Model, units: int = 0) -> ModelOut:
    return ModelOut.model_validate(plain_row(model) | {"units": units}, extra="ignore")


def change_model(session: Session, model_id: uuid.UUID, given: ChangedModel) -> ModelOut:
    """Corrects a model's sheet; what was computed from the old one is computed anew."""
    model = session.get(Model, model_id)
    if model is None:
        raise Missing("There is no such model.")
    other = session.scalar(select(Model.id).where(func.lower(Model.name) == given.name.lower(), Model.id != model_id))
    if other:
        raise Refused(f"There is already a model called {given.name}.")
    change(session, model, given.version, given.model_dump(exclude={"version", "id"}))
    return model_out(model)


def _sheet(m: Model) -> Sheet:
    given = ModelSheet(**m.sheet)
    return Sheet(
        m.name, (m.bed_x_mm, m.bed_y_mm, m.height_mm), m.tools, m.enclosed, given.is_round, m.list_price,
        given.weight_kg, given.motion, given.board, given.hotend, given.extruder,
    )  # fmt: skip


# Where a maker's sheet gives no peak: bed and nozzle heating together.
USUAL_PEAK_W = 350.0


def doubt_of(model: Model, material: str) -> str:
    """What the model's sheet says against a material; "" where it says nothing."""
    sheet = ModelSheet.model_validate(model.sheet)
    return material_doubt(material, sheet.rules_out, sheet.nozzle_max_c, sheet.bed_max_c)


def peak_w_of(model: Model) -> tuple[float, bool]:
    """W that a machine draws at most, and whether its sheet says so."""
    stated = ModelSheet.model_validate(model.sheet).peak_w
    return stated or USUAL_PEAK_W, stated is not None
