"""The whole library at once."""

from pydantic import Field
from sqlalchemy import func, select
from sqlalchemy.orm import Session, selectinload

from crevlo.core.lookalike import lookalikes
from crevlo.core.material import USUAL
from crevlo.stations.kit.shape import Shape
from crevlo.stations.library.instrument import InstrumentOut, instrument_out
from crevlo.stations.library.model import LookalikeOut, ModelOut, _sheet, model_out
from crevlo.stations.library.spool import MaterialOut, SpoolOut
from crevlo.store.machine import (
    Instrument,
    Model,
    Spool,
    Unit,
)


class Library(Shape):
    models: list[ModelOut]
    lookalikes: list[LookalikeOut]
    spools: list[SpoolOut]
    instruments: list[InstrumentOut]
    materials: list[MaterialOut] = Field(
        description="what filaments usually are; their maker's data sheet comes first"
    )


def library(session: Session) -> Library:
    units = dict(session.execute(select(Unit.model_id, func.count()).group_by(Unit.model_id)).tuples().all())
    models = session.scalars(select(Model).order_by(Model.name)).all()
    return Library(
        models=[model_out(m, units.get(m.id, 0)) for m in models],
        lookalikes=[LookalikeOut.model_validate(p) for p in lookalikes([_sheet(m) for m in models])],
        spools=[SpoolOut.model_validate(s) for s in session.scalars(select(Spool).order_by(Spool.code))],
        instruments=[
            instrument_out(i)
            for i in session.scalars(
                select(Instrument).options(selectinload(Instrument.earlier)).order_by(Instrument.code)
            )
        ],
        materials=[MaterialOut.model_validate(m, extra="ignore") for m in USUAL],
    )
