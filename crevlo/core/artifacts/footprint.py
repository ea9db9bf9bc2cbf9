"""An artifact on the plate: the outline it takes up, and many copies as one part to export."""

from collections.abc import Sequence
from dataclasses import replace

import shapely
from shapely import Polygon

from crevlo.core.artifacts.artifact import Artifact, Body
from crevlo.core.artifacts.shape import joined
from crevlo.core.plate import Area, Placement


def footprint(artifact: Artifact) -> Area:
    """Shadow of all bodies on the plate in mm, about the artifact's own origin; holes count as filled."""
    rings = joined([body.solid for body in artifact.bodies]).project().to_polygons()
    return shapely.union_all([p for ring in rings if (p := Polygon(ring)).exterior.is_ccw])


def plated(artifact: Artifact, placements: Sequence[Placement]) -> Artifact:
    """Copies of the artifact where they stand on the plate, as one artifact without features."""
    bodies = tuple(
        Body(body.solid.rotate((0, 0, p.turned_deg)).translate((p.x, p.y, 0)), body.tool)
        for p in placements
        for body in artifact.bodies
    )
    return replace(artifact, name=f"{artifact.name}, {len(placements)} on a plate", bodies=bodies, features=())
