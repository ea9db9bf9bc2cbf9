"""What an artifact is: bodies with the features on them, and a design with parameters that builds it."""

from collections.abc import Callable, Mapping
from dataclasses import dataclass, field

import numpy as np
from manifold3d import Manifold

from crevlo.core.estimate import BadInput
from crevlo.core.features.feature import Feature, Point


@dataclass(frozen=True, slots=True)
class Body:
    """One closed solid and the tool (0, 1) that prints it."""

    solid: Manifold
    tool: int = 0


@dataclass(frozen=True, slots=True)
class Parameter:
    """A size that may be chosen within limits; another value makes another version."""

    name: str
    label: str
    unit: str
    usual: float
    least: float
    most: float


@dataclass(frozen=True, slots=True)
class Artifact:
    """A standard test print as built from its parameters; `shows` names the defects it was made to bring out."""

    code: str
    name: str
    bodies: tuple[Body, ...]
    features: tuple[Feature, ...]
    isolates: str
    isolates_not: str
    note: str
    shows: tuple[str, ...] = ()
    values: Mapping[str, float] = field(default_factory=dict)

    @property
    def volume_mm3(self) -> float:
        return float(sum(body.solid.volume() for body in self.bodies))

    @property
    def surface_mm2(self) -> float:
        return float(sum(body.solid.surface_area() for body in self.bodies))

    def content(self) -> bytes:
        """All that a picture of it follows from: its meshes, their tools and its features."""
        parts = [repr(self.features).encode()]
        for body in self.bodies:
            mesh = body.solid.to_mesh64()
            parts += [bytes([body.tool]), np.ascontiguousarray(mesh.vert_properties).tobytes()]
            parts.append(np.ascontiguousarray(mesh.tri_verts).tobytes())
        return b"".join(parts)

    @property
    def tools(self) -> int:
        """How many tools it takes."""
        return 1 + max(body.tool for body in self.bodies)

    @property
    def size_mm(self) -> Point:
        """Extent along X, Y, Z."""
        boxes = [body.solid.bounding_box() for body in self.bodies]
        x, y, z = (max(b[i + 3] for b in boxes) - min(b[i] for b in boxes) for i in range(3))
        return float(x), float(y), float(z)


@dataclass(frozen=True, slots=True)
class Design:
    """How an artifact is made: its parameters and the rule that builds it."""

    code: str
    name: str
    parameters: tuple[Parameter, ...]
    make: Callable[[Mapping[str, float]], Artifact]

    def build(self, given: Mapping[str, float] | None = None, version: int = 1) -> Artifact:
        """The artifact with the usual sizes, changed by `given`, and its version engraved.

        Raises BadInput for unknown names or sizes out of limits.
        """
        values = {p.name: p.usual for p in self.parameters}
        for name, value in (given or {}).items():
            parameter = next((p for p in self.parameters if p.name == name), None)
            if parameter is None:
                raise BadInput(f"the {self.name.lower()} has no size called {name}")
            if not parameter.least <= value <= parameter.most:
                raise BadInput(
                    f"{parameter.label.lower()} runs from {parameter.least:g} to {parameter.most:g} {parameter.unit}, "
                    f"not {value:g}"
                )
            values[name] = float(value)
        return self.make({**values, "version": version})
