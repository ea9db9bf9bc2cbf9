"""The shelf of built-in artifacts: cards, one in detail with any sizes, and files to slice."""

import math
from functools import lru_cache
from typing import Any

from pydantic import BaseModel, Field

from crevlo.core.artifacts.artifact import Artifact, Design
from crevlo.core.artifacts.drawing import isometric
from crevlo.core.artifacts.export import packed, stl, three_mf
from crevlo.core.artifacts.fit import Bed, fits
from crevlo.core.artifacts.footprint import footprint, plated
from crevlo.core.artifacts.shelf import DESIGNS, SHELF
from crevlo.core.estimate import BadInput
from crevlo.core.plate import Packing, Plate, pack, placed
from crevlo.stations.shape import Missing, Shape

# Version of the built-in definitions; a change of any of them counts it up.
VERSION = 1
PLA_G_PER_CM3 = 1.24
Sizes = tuple[tuple[str, float], ...]


class FaceOut(Shape):
    kind: str
    outlines: list[list[list[float]]]


class CalloutOut(Shape):
    code: str
    ends: list[list[float]]
    label: list[float]
    anchor: str


class DrawingOut(Shape):
    faces: list[FaceOut]
    callouts: list[CalloutOut]
    view: list[float]
    labelled: bool


class ShelfCard(Shape):
    code: str
    name: str
    isolates: str
    features: int
    size_mm: list[float]
    solid_g: float = Field(description="mass when printed solid in PLA; a sliced file tells the real one")


class Shelf(Shape):
    artifacts: list[ShelfCard]


class ParameterOut(Shape):
    name: str
    label: str
    unit: str
    usual: float
    least: float
    most: float
    value: float


class ShelfFeature(Shape):
    code: str
    kind: str
    axis: str
    sense: int
    nominal: float
    unit: str
    method: str


class BedFit(Shape):
    machine: str
    bed_x_mm: float
    bed_y_mm: float
    fits: bool
    words: str


class ShelfDetail(ShelfCard):
    isolates_not: str
    note: str
    version: int
    bodies: int
    tools: int
    triangles: int
    parameters: list[ParameterOut]
    feature_list: list[ShelfFeature]
    drawing: DrawingOut
    beds: list[BedFit]


class PlateWish(BaseModel):
    """A bed and how copies may stand on it."""

    bed_x: float = Field(ge=20, le=1000)
    bed_y: float = Field(ge=20, le=1000)
    round: bool = False
    spacing: float = Field(default=3, ge=0, le=50)
    brim: float = Field(default=0, ge=0, le=20)
    turns: int = Field(default=4, ge=1, le=8, description="1 as drawn, 4 quarter turns, 8 eighth turns")
    wanted: int = Field(default=200, ge=1, le=200)


class PlateOut(Shape):
    """Outlines of the placed copies on the bed, whose origin is its middle; y runs to the back."""

    bed_x: float
    bed_y: float
    round: bool
    copies: int
    at_most: int
    words: str
    outlines: list[list[list[float]]]


class Machine(BaseModel):
    """A model's name and printable volume, for the question whether an artifact fits."""

    name: str
    bed_x_mm: float
    bed_y_mm: float
    height_mm: float


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


def _design(code: str) -> Design:
    if code not in DESIGNS:
        raise Missing("There is no such artifact on the shelf.")
    return DESIGNS[code]


@lru_cache(maxsize=64)
def built(code: str, sizes: Sizes = ()) -> Artifact:
    return _design(code).build(dict(sizes))


@lru_cache(maxsize=64)
def drawing(code: str, sizes: Sizes = ()) -> DrawingOut:
    return DrawingOut.model_validate(isometric(built(code, sizes)))


def cards() -> Shelf:
    return Shelf(artifacts=[ShelfCard(**_card(design.code, ())) for design in SHELF])


def detail(code: str, sizes: Sizes, machines: list[Machine]) -> ShelfDetail:
    design, artifact = _design(code), built(code, sizes)
    values = artifact.values or {p.name: p.usual for p in design.parameters}
    return ShelfDetail(
        **_card(code, sizes), isolates_not=artifact.isolates_not, note=artifact.note, version=VERSION,
        bodies=len(artifact.bodies), tools=1 + max(b.tool for b in artifact.bodies),
        triangles=sum(b.solid.num_tri() for b in artifact.bodies),
        parameters=[
            ParameterOut(**{k: getattr(p, k) for k in ("name", "label", "unit", "usual", "least", "most")}, value=values[p.name])
            for p in design.parameters
        ],
        feature_list=[ShelfFeature.model_validate(f, extra="ignore") for f in artifact.features],
        drawing=drawing(code, sizes), beds=[_bed_fit(artifact, m) for m in machines],
    )  # fmt: skip


def file(code: str, sizes: Sizes, kind: str) -> bytes:
    return (stl if kind == "stl" else three_mf)(built(code, sizes), VERSION)


@lru_cache(maxsize=32)
def _packed(code: str, sizes: Sizes, wish: str) -> Packing:
    w = PlateWish.model_validate_json(wish)
    return pack(
        footprint(built(code, sizes)), Plate(w.bed_x, w.bed_y, w.round), spacing_mm=w.spacing, brim_mm=w.brim,
        turns_deg=tuple(360 / w.turns * k for k in range(w.turns)), wanted=w.wanted,
    )  # fmt: skip


def plate(code: str, sizes: Sizes, wish: PlateWish) -> PlateOut:
    """Copies of an artifact packed on a bed."""
    packing = _packed(code, sizes, wish.model_dump_json())
    shadow = footprint(built(code, sizes))
    outlines = [
        [list(map(float, p)) for p in part.exterior.coords]
        for place in packing.placements
        for part in getattr(placed(shadow, place), "geoms", [placed(shadow, place)])
    ]
    n = len(packing.placements)
    who = f"The {n} wanted" if n == wish.wanted else str(n)
    words = f"{who} fit; by area alone at most {packing.at_most} could." if n else "Not one fits."
    return PlateOut(
        bed_x=wish.bed_x, bed_y=wish.bed_y, round=wish.round, copies=n, at_most=packing.at_most, words=words,
        outlines=outlines,
    )  # fmt: skip


def plate_file(code: str, sizes: Sizes, wish: PlateWish, kind: str) -> bytes:
    """The packed plate as one part; refused where nothing fits."""
    packing = _packed(code, sizes, wish.model_dump_json())
    if not packing.placements:
        raise BadInput("not one copy fits on this bed")
    return (stl if kind == "stl" else three_mf)(plated(built(code, sizes), packing.placements), VERSION)


@lru_cache(maxsize=1)
def whole_set() -> bytes:
    """Every artifact in its usual sizes, as STL and 3MF, in one zip."""
    names = [(d, f"{d.code}-{VERSION}-{d.name.lower().replace(' ', '-')}") for d in SHELF]
    return packed((f"{name}.{kind}", file(d.code, (), kind)) for d, name in names for kind in ("stl", "3mf"))


def _card(code: str, sizes: Sizes) -> dict[str, Any]:
    artifact = built(code, sizes)
    return {
        "code": code, "name": artifact.name, "isolates": artifact.isolates, "features": len(artifact.features),
        "size_mm": list(artifact.size_mm), "solid_g": artifact.volume_mm3 / 1000 * PLA_G_PER_CM3,
    }  # fmt: skip


def _bed_fit(artifact: Artifact, machine: Machine) -> BedFit:
    found = fits(artifact, Bed(machine.bed_x_mm, machine.bed_y_mm, machine.height_mm))
    return BedFit(
        machine=machine.name, bed_x_mm=machine.bed_x_mm, bed_y_mm=machine.bed_y_mm, fits=found.fits, words=found.words
    )
