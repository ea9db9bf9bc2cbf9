"""Own artifacts: a mesh brought in, features placed on it, and stored as a version that works like a built-in one."""

import uuid
from dataclasses import asdict
from typing import Annotated, Any, Literal

from pydantic import AfterValidator, Field, model_validator
from sqlalchemy.orm import Session

from crevlo.core.artifacts.artifact import Artifact
from crevlo.core.artifacts.export import stl, triangles
from crevlo.core.artifacts.mesh import examine
from crevlo.core.artifacts.placing import between
from crevlo.core.artifacts.shelf import DESIGNS
from crevlo.core.defects import KNOWN
from crevlo.core.estimate import BadInput
from crevlo.core.features import KINDS
from crevlo.core.features.feature import Feature, Kind
from crevlo.stations.kit.apart import apart
from crevlo.stations.kit.shape import Missing, Name, Refused, Shape
from crevlo.stations.kit.upload import keep_upload
from crevlo.stations.library.artifact import (
    built_in_artifact,
    feature_rows,
    mesh_bodies,
    next_number,
    sizes_of,
    stored,
)
from crevlo.stations.library.shelf import ShelfCard, card
from crevlo.store.machine import ArtifactVersion


def _known(code: str) -> str:
    if code not in KNOWN:
        raise ValueError(f"no defect is called {code}")
    return code


DefectCode = Annotated[str, Field(max_length=40), AfterValidator(_known)]
Unit = Literal["mm", "cm", "inch", "m"]


# A sound mesh of the most triangles takes a few seconds and some 400 MB.
_SECONDS, _MEGABYTES = 25.0, 1200


class KindOut(Shape):
    """A kind of feature that can be declared: its unit, and what sets one apart from others, where something has to."""

    code: Kind
    name: str
    unit: str
    level: str


class KindList(Shape):
    kinds: list[KindOut]


def kinds() -> KindList:
    """What can be declared on an own artifact."""
    return KindList(
        kinds=[KindOut(code=Kind(k.code), name=k.name, unit=k.unit, level=k.level) for k in KINDS.values()]
    )


class MeshReport(Shape):
    """What a mesh file holds and whether it can be used; one with troubles is not kept."""

    sha256: str
    name: str
    unit: Unit
    bodies: int
    triangles: int
    size_mm: list[float]
    volume_mm3: float | None
    mended: list[str]
    troubles: list[str]


class FacePair(Shape):
    """Two picked faces, by the numbers of their triangles in the mesh as it is served."""

    unit: Unit = "mm"
    first: int = Field(ge=0, lt=2**31)
    second: int = Field(ge=0, lt=2**31)
    code: Name = Field(min_length=1, max_length=8)


class NewFeature(Shape):
    code: str = Field(pattern=r"^[A-Z][A-Z0-9]{0,7}$")
    kind: Kind
    axis: Literal["X", "Y", "Z", "D"]
    sense: int = Field(ge=-1, le=1)
    nominal: float = Field(ge=0, le=2000)
    level: float | None = Field(
        default=None, ge=0, le=10_000, description="what sets it apart from others of its kind"
    )
    method: str = Field(min_length=1, max_length=200)
    ends: list[Annotated[list[Annotated[float, Field(ge=-1e4, le=1e4)]], Field(max_length=3)]] | None = Field(
        default=None, max_length=2
    )

    @model_validator(mode="after")
    def _whole(self) -> "NewFeature":
        if self.ends is not None and (len(self.ends) != 2 or any(len(end) != 3 for end in self.ends)):
            raise ValueError("a feature has two ends of three coordinates, or none")
        if self.kind is Kind.LENGTH and (self.axis == "D" or self.nominal == 0):
            raise ValueError("a length lies along X, Y or Z and is above 0 mm; a slanted one is a diagonal")
        kind = KINDS[self.kind]
        if kind.level and self.level is None:
            raise ValueError(f"a feature of the kind {kind.name.lower()} needs its {kind.level}")
        return self


class NewArtifact(Shape):
    id: uuid.UUID
    code: str = Field(pattern=r"^[A-Z][A-Z0-9]{1,3}$")
    name: Name = Field(min_length=1, max_length=60)
    sha256: str = Field(pattern="^[0-9a-f]{64}$")
    unit: Unit = "mm"
    tools: list[Annotated[int, Field(ge=0, le=64)]] = Field(default=[], max_length=64)
    licence: str = Field(min_length=1, max_length=100)
    source: str = Field(min_length=1, max_length=300)
    isolates: str = Field(min_length=1, max_length=300)
    isolates_not: str = Field(default="", max_length=300)
    note: str = Field(default="", max_length=300)
    shows: list[DefectCode] = Field(default=[], max_length=len(KNOWN))
    features: list[NewFeature] = Field(max_length=60)


class KeptSizes(Shape):
    """A built-in design with other sizes, to be kept as a version of its own."""

    code: Name = Field(max_length=8)
    sizes: str = Field(max_length=400)


def check_mesh(session: Session, content: bytes, name: str, unit: Unit) -> MeshReport:
    """Reads a mesh and says what is wrong with it; kept only when it bounds solids. Raises BadInput for what is no mesh."""
    found = apart("this mesh", _SECONDS, _MEGABYTES, examine, content, unit)
    sha256 = "" if found.troubles else keep_upload(session, content)
    return MeshReport(sha256=sha256, name=name[:120], unit=unit, **asdict(found))


def mesh_file(session: Session, sha256: str, unit: Unit) -> bytes:
    """The mesh standing on the plate as STL; its triangles are numbered as `place` expects."""
    return stl(_bare(session, sha256, unit), 0)


def place(session: Session, sha256: str, given: FacePair) -> NewFeature:
    """The feature between two picked faces. Raises BadInput where they give no length."""
    corners = triangles(_bare(session, sha256, given.unit))
    return NewFeature.model_validate(between(corners, given.first, given.second, given.code))


def add_artifact(session: Session, given: NewArtifact) -> ShelfCard:
    """Stores an own artifact; one with the code of an earlier own one becomes its next version."""
    if given.code in DESIGNS:
        raise Refused(f"{given.code} is the code of a built-in artifact; choose another.")
    codes = [f.code for f in given.features]
    if len(set(codes)) < len(codes):
        raise Refused("Two features have the same code.")
    bodies = mesh_bodies(session, given.sha256, given.unit, given.tools)
    if max(b.tool for b in bodies) and 0 not in {b.tool for b in bodies}:
        raise Refused("Give the first tool to one of the bodies.")
    row = ArtifactVersion(
        id=given.id, code=given.code, number=next_number(session, given.code), name=given.name,
        mesh_sha256=given.sha256, licence=given.licence, source=given.source,
        definition={
            "unit": given.unit, "tools": given.tools, "isolates": given.isolates,
            "isolates_not": given.isolates_not, "note": given.note, "shows": given.shows,
        },
    )  # fmt: skip
    row.features = feature_rows(tuple(_feature(f) for f in given.features))
    session.add(row)
    session.flush()
    return card(stored(session, row))


def keep_sizes(session: Session, given: KeptSizes) -> ShelfCard:
    """A built-in design with other sizes as a version that a study can use."""
    if given.code not in DESIGNS:
        raise Missing("There is no such artifact on the shelf.")
    row = built_in_artifact(session, given.code, sizes_of(given.sizes))
    if not row.definition["sizes"]:
        raise BadInput("these are the usual sizes; they are version 1 already")
    return card(stored(session, row))


def _bare(session: Session, sha256: str, unit: Unit) -> Artifact:
    return Artifact("", "mesh", mesh_bodies(session, sha256, unit, []), (), "", "", "")


def _feature(given: NewFeature) -> Feature:
    ends: Any = tuple(tuple(end) for end in given.ends) if given.ends else None
    return Feature(
        given.code,
        given.kind,
        given.axis,
        given.sense,
        given.nominal,
        given.method,
        ends,
        KINDS[given.kind].unit,
        given.level,
    )
