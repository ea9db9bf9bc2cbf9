"""Artifacts by their reference: a built-in one by its code and sizes, a stored version by its id."""

import gzip
import math
import uuid
from dataclasses import dataclass, replace
from functools import lru_cache
from typing import Any

from sqlalchemy import func, select
from sqlalchemy.orm import Session

from crevlo.core.artifacts.artifact import Artifact, Body, Design
from crevlo.core.artifacts.mesh import read_surfaces, solids
from crevlo.core.artifacts.shape import block
from crevlo.core.artifacts.shelf import DESIGNS, design_of
from crevlo.core.defects import USUAL
from crevlo.core.estimate import BadInput
from crevlo.core.features.feature import Feature, Kind
from crevlo.stations.kit.kept import Kept
from crevlo.stations.kit.shape import Missing
from crevlo.store.machine import ArtifactVersion, FeatureRow
from crevlo.store.run import Upload

# Version of the built-in definitions; a change of any of them counts it up.
SHELF_VERSION = 2
Sizes = tuple[tuple[str, float], ...]


@dataclass(frozen=True)
class Standing:
    """One artifact as it stands: what it is, its version number, and a key under which its pictures are kept."""

    ref: str
    number: int
    artifact: Artifact
    design: Design | None
    licence: str = ""
    source: str = ""

    @property
    def key(self) -> str:
        return f"{self.ref}:{sorted(self.artifact.values.items())}"


def sizes_of(text: str) -> Sizes:
    """ "width:120,height:30" as sizes. Raises BadInput for anything else."""
    found = []
    for part in filter(None, text.split(",")):
        name, _, value = part.partition(":")
        try:
            number = float(value)
        except ValueError:
            number = math.nan
        if not math.isfinite(number):
            raise BadInput(f"a size is written as name:number, not {part[:40]}")
        found.append((name.strip(), number))
    return tuple(sorted(found))


@lru_cache(maxsize=64)
def built(code: str, sizes: Sizes = (), version: int = 1, shelf: int = SHELF_VERSION) -> Artifact:
    """A built-in artifact as the shelf of that version has it. Raises Missing for an unknown code, BadInput for sizes out of
    limits."""
    if code not in DESIGNS:
        raise Missing("There is no such artifact on the shelf.")
    return design_of(code, shelf).build(dict(sizes), version)


def standing(session: Session, ref: str, sizes: Sizes = ()) -> Standing:
    """The artifact that `ref` names: a code of the shelf, or the id of a stored version (whose sizes are its own)."""
    if ref in DESIGNS:
        return Standing(ref, 1, built(ref, sizes), DESIGNS[ref])
    try:
        row = session.get(ArtifactVersion, uuid.UUID(ref))
    except ValueError:
        row = None
    if row is None:
        raise Missing("There is no such artifact on the shelf.")
    return stored(session, row, sizes)


def reference(row: ArtifactVersion) -> str:
    """How the shelf names a stored version: by its code where it is a built-in one in its usual sizes."""
    usual = row.definition.get("built_in") and not row.definition["sizes"]
    return row.code if usual and row.definition["shelf_version"] == SHELF_VERSION else str(row.id)


def stored(session: Session, row: ArtifactVersion, sizes: Sizes = ()) -> Standing:
    """A stored version; for a built-in design other `sizes` may be tried."""
    code = row.definition.get("built_in")
    if code:
        own, shelf = (
            tuple(sorted({**row.definition["sizes"], **dict(sizes)}.items())),
            row.definition["shelf_version"],
        )
        made = built(code, own, row.number, shelf)
        if not sizes:
            made = replace(made, features=tuple(map(feature_of, row.features)))
        return Standing(str(row.id), row.number, made, design_of(code, shelf))
    made = _named(row) if "named" in row.definition else _own(session, row)
    return Standing(str(row.id), row.number, made, None, row.licence, row.source)


# Stored versions never change, so what was built of one stays right.
_known: Kept[Artifact] = Kept(32)


def _own(session: Session, row: ArtifactVersion) -> Artifact:
    given: dict[str, Any] = row.definition
    return _known.get(
        str(row.id),
        lambda: Artifact(
            row.code, row.name, mesh_bodies(session, str(row.mesh_sha256), given["unit"], given["tools"]),
            tuple(feature_of(f) for f in row.features), isolates=given["isolates"],
            isolates_not=given["isolates_not"], note=given["note"], shows=tuple(given["shows"]),
        ),
    )  # fmt: skip


def _named(row: ArtifactVersion) -> Artifact:
    """A piece known by its name: a block for each tool, side by side, stands for it."""
    given: dict[str, Any] = row.definition
    x, y, z = given["size"]
    blocks = tuple(Body(block(t * x, (t + 1) * x, 0, y, 0, z), t) for t in given["tools"])
    return Artifact(
        row.code, row.name, blocks, tuple(map(feature_of, row.features)), isolates=given["isolates"],
        isolates_not=given["isolates_not"], note=given["note"], shows=tuple(given["shows"]),
    )  # fmt: skip


def shown_by(row: ArtifactVersion) -> tuple[str, ...]:
    """Codes of the defects that a stored version was made to bring out; a mesh is not built to know them."""
    code = row.definition.get("built_in")
    if code:
        shelf = row.definition["shelf_version"]
        shows = built(code, tuple(sorted(row.definition["sizes"].items())), row.number, shelf).shows
        # The first shelf knew no others.
        return tuple(c for c in shows if c in USUAL) if shelf == 1 else shows
    return tuple(row.definition["shows"])


def mesh_bodies(session: Session, sha256: str, unit: str, tools: list[int]) -> tuple[Body, ...]:
    """Solids of an uploaded mesh with the tool of each; a tool that is not named is the first."""
    upload = session.get(Upload, sha256)
    if upload is None:
        raise Missing("There is no such mesh.")
    made = solids(read_surfaces(gzip.decompress(upload.content), unit))
    return tuple(Body(s, tools[k] if k < len(tools) else 0) for k, s in enumerate(made))


def feature_of(row: FeatureRow) -> Feature:
    """A stored feature as the core knows it."""
    ends = (
        ((row.ends[0][0], row.ends[0][1], row.ends[0][2]), (row.ends[1][0], row.ends[1][1], row.ends[1][2]))
        if row.ends
        else None
    )
    return Feature(row.code, Kind(row.kind), row.axis, row.sense, row.nominal, row.method, ends, row.unit, row.level)


def built_in_artifact(session: Session, code: str = "SB", sizes: Sizes = ()) -> ArtifactVersion:
    """The stored version of a built-in artifact with these sizes; written on first use. The usual sizes are version 1."""
    values = built(code, sizes).values
    changed = {p.name: values[p.name] for p in DESIGNS[code].parameters if values[p.name] != p.usual}
    for row in session.scalars(select(ArtifactVersion).where(ArtifactVersion.code == code)):
        if (row.definition["sizes"], row.definition["shelf_version"]) == (changed, SHELF_VERSION):
            return row
    if changed:
        built_in_artifact(session, code)
    number = next_number(session, code)
    artifact = built(code, sizes, number)
    row = ArtifactVersion(
        code=code, number=number, name=artifact.name,
        definition={"built_in": code, "shelf_version": SHELF_VERSION, "sizes": changed},
    )  # fmt: skip
    row.features = feature_rows(artifact.features)
    session.add(row)
    session.flush()
    return row


def feature_rows(features: tuple[Feature, ...]) -> list[FeatureRow]:
    return [
        FeatureRow(
            position=at, code=f.code, kind=f.kind, axis=f.axis, sense=f.sense, nominal=f.nominal, unit=f.unit,
            method=f.method, ends=[list(end) for end in f.ends] if f.ends else None, level=f.level,
        )
        for at, f in enumerate(features)
    ]  # fmt: skip


def resolve(session: Session, ref: str) -> ArtifactVersion:
    """The stored version that `ref` names; a built-in one in its usual sizes is stored on first use."""
    if ref in DESIGNS:
        return built_in_artifact(session, ref)
    try:
        row = session.get(ArtifactVersion, uuid.UUID(ref))
    except ValueError:
        row = None
    if row is None:
        raise Missing("There is no such artifact on the shelf.")
    return row


def next_number(session: Session, code: str) -> int:
    return (session.scalar(select(func.max(ArtifactVersion.number)).where(ArtifactVersion.code == code)) or 0) + 1
