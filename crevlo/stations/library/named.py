"""Pieces known by their name alone: what an old bench printed, whose mesh nobody kept."""

from collections.abc import Sequence

from sqlalchemy import func, select
from sqlalchemy.orm import Session

from crevlo.core.features.feature import Feature
from crevlo.stations.library.artifact import feature_rows
from crevlo.store.machine import ArtifactVersion

_SIDE_MM = 20.0


def named_piece(
    session: Session, name: str, features: Sequence[Feature], shows: Sequence[str], tools: int
) -> ArtifactVersion:
    """The stored piece of this name with these features, written on first use. A block of its sizes stands for it in drawings;
    it is no shape to print."""
    longest = {axis: max((f.nominal for f in features if f.axis == axis), default=_SIDE_MM) for axis in "XYZ"}
    definition = {
        "named": True, "tools": list(range(tools)), "size": [longest[a] for a in "XYZ"],
        "isolates": "What was written of it: its shape is not kept here.", "isolates_not": "", "note": "", "shows": sorted(shows),
    }  # fmt: skip
    wanted = [(f.code, f.kind, f.axis, f.sense, f.nominal) for f in features]
    for row in session.scalars(select(ArtifactVersion).where(func.lower(ArtifactVersion.name) == name.lower())):
        if (
            row.definition == definition
            and [(f.code, f.kind, f.axis, f.sense, f.nominal) for f in row.features] == wanted
        ):
            return row
    taken = set(session.scalars(select(ArtifactVersion.code).distinct()))
    number = next(n for n in range(1, 10_000) if f"N{n}" not in taken)
    row = ArtifactVersion(code=f"N{number}", number=1, name=name, definition=definition)
    row.features = feature_rows(tuple(features))
    session.add(row)
    session.flush()
    return row
