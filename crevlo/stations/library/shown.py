"""Artifacts as stations show them."""

import uuid

from sqlalchemy.orm import Session

from crevlo.core.features import MEASURED
from crevlo.stations.kit.shape import Shape
from crevlo.stations.library import shelf
from crevlo.stations.library.artifact import stored
from crevlo.stations.library.shelf import DrawingOut
from crevlo.store.machine import (
    ArtifactVersion,
)


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
