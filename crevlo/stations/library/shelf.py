"""The shelf of artifacts, built-in and own: cards, one in detail with any sizes, files to slice, and full plates."""

import inspect
import math
from functools import lru_cache

from pydantic import BaseModel, Field
from shapely import Polygon, box
from sqlalchemy import select
from sqlalchemy.orm import Session

from crevlo.core.artifacts import drawing as drawings
from crevlo.core.artifacts.artifact import Artifact
from crevlo.core.artifacts.drawing import isometric
from crevlo.core.artifacts.export import packed, stl, three_mf
from crevlo.core.artifacts.fit import Bed, Fit, fits
from crevlo.core.artifacts.footprint import footprint, plated
from crevlo.core.artifacts.shelf import SHELF
from crevlo.core.estimate import BadInput
from crevlo.core.material import OTHER_DENSITY
from crevlo.core.plate import Packing, Plate, pack, placed
from crevlo.stations.kit.apart import apart
from crevlo.stations.kit.kept import Kept, kept_on_disk
from crevlo.stations.kit.shape import MOST_PARTS, Shape
from crevlo.stations.library.artifact import SHELF_VERSION, Sizes, Standing, built, standing, stored
from crevlo.store.machine import ArtifactVersion, Model

_MOST_KEEP_OUTS = 20


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
    ref: str = Field(description="names it in every call: its code, or the id of a stored version")
    code: str
    number: int
    own: bool
    name: str
    isolates: str
    features: int
    tools: int
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
    ends: list[list[float]] | None


class BedFit(Shape):
    machine: str
    bed_x_mm: float
    bed_y_mm: float
    is_round: bool
    keep_out: str = Field(description="areas kept free, as the plate takes them")
    fits: bool
    words: str


class ShelfDetail(ShelfCard):
    isolates_not: str
    note: str
    shows: list[str] = Field(description="codes of the defects it was made to bring out")
    licence: str
    source: str
    bodies: int
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
    wanted: int = Field(default=MOST_PARTS, ge=1, le=MOST_PARTS)
    keep_out: str = Field(
        default="", max_length=400,
        description="rectangles kept free: x, y, width and depth in mm from the front left corner, as 0,0,220,12;200,0,20,220",
    )  # fmt: skip


class PlateOut(Shape):
    """Outlines of the placed copies on the bed, whose origin is its middle; y runs to the back."""

    bed_x: float
    bed_y: float
    round: bool
    copies: int
    at_most: int
    words: str
    outlines: list[list[list[float]]]
    kept_free: list[list[list[float]]]


# A change of the drawing's own rules is another drawing.
_DRAWN_BY = inspect.getsource(drawings).encode()
_drawings: Kept[DrawingOut] = Kept(96)
_fits: Kept[Fit] = Kept(2000)
_packings: Kept[Packing] = Kept(32)
# A full plate of over a hundred copies at eighth turns takes 3 to 7 s.
_PACK_S, _PACK_MB = 30.0, 1000


def keep_outs(wish: PlateWish) -> tuple[Polygon, ...]:
    """The areas kept free in the plate's own coordinates, whose origin is its middle. Raises BadInput for a bad one."""
    found = []
    for part in filter(None, (p.strip() for p in wish.keep_out.split(";"))):
        try:
            x, y, width, depth = (float(v) for v in part.split(","))
        except ValueError:
            raise BadInput(f"an area kept free is x, y, width, depth in mm, not {part[:40]}") from None
        if not all(math.isfinite(v) for v in (x, y, width, depth)) or min(width, depth) <= 0:
            raise BadInput(f"an area kept free needs a width and a depth above 0, not {part[:40]}")
        left, front = x - wish.bed_x / 2, y - wish.bed_y / 2
        found.append(box(left, front, left + width, front + depth))
    if len(found) > _MOST_KEEP_OUTS:
        raise BadInput(f"{len(found)} areas kept free are more than {_MOST_KEEP_OUTS}")
    return tuple(found)


def drawing(a: Standing) -> DrawingOut:
    def make() -> DrawingOut:
        return kept_on_disk(
            DrawingOut, _DRAWN_BY + a.artifact.content(), lambda: DrawingOut.model_validate(isometric(a.artifact))
        )

    return _drawings.get(a.key, make)


def drawing_of(session: Session, ref: str) -> DrawingOut:
    return drawing(standing(session, ref))


def cards(session: Session) -> Shelf:
    """The built-in artifacts in their usual sizes, then stored versions: own ones and those with other sizes."""
    rows = session.scalars(select(ArtifactVersion).order_by(ArtifactVersion.code, ArtifactVersion.number))
    more = [stored(session, r) for r in rows if r.mesh_sha256 or r.definition.get("sizes")]
    return Shelf(artifacts=[card(a) for a in (*(standing(session, d.code) for d in SHELF), *more)])


def detail(session: Session, ref: str, sizes: Sizes) -> ShelfDetail:
    a = standing(session, ref, sizes)
    artifact = a.artifact
    return ShelfDetail(
        **card(a).model_dump(), isolates_not=artifact.isolates_not, note=artifact.note,
        shows=list(artifact.shows), licence=a.licence,
        source=a.source, bodies=len(artifact.bodies),
        triangles=sum(b.solid.num_tri() for b in artifact.bodies),
        parameters=[
            ParameterOut(
                **{k: getattr(p, k) for k in ("name", "label", "unit", "usual", "least", "most")},
                value=artifact.values[p.name],
            )
            for p in (a.design.parameters if a.design else ())
        ],
        feature_list=[ShelfFeature.model_validate(f) for f in artifact.features],
        drawing=drawing(a),
        beds=[_bed_fit(a, m) for m in session.scalars(select(Model).order_by(Model.name))],
    )  # fmt: skip


def file(session: Session, ref: str, sizes: Sizes, kind: str) -> tuple[bytes, str]:
    """The artifact as STL or 3MF, and its file's name."""
    a = standing(session, ref, sizes)
    return _file(a.artifact, a.number, kind), f"{a.artifact.code}-{a.number}.{kind}"


def _file(artifact: Artifact, number: int, kind: str) -> bytes:
    return (stl if kind == "stl" else three_mf)(artifact, number)


def _packed(a: Standing, wish: PlateWish) -> Packing:
    def make() -> Packing:
        return apart(
            "this plate", _PACK_S, _PACK_MB, pack,
            footprint(a.artifact), Plate(wish.bed_x, wish.bed_y, wish.round, keep_outs(wish)), spacing_mm=wish.spacing,
            brim_mm=wish.brim, turns_deg=tuple(360 / wish.turns * k for k in range(wish.turns)), wanted=wish.wanted,
        )  # fmt: skip

    return _packings.get(f"{a.key} {PlateWish.model_dump_json(wish)}", make)


def holds(a: Standing, model: Model, wanted: int = MOST_PARTS) -> int:
    """How many copies, up to `wanted`, stand on the bed of a model, by packing their outlines with the usual spacing."""
    return len(_packed(a, _wish(model, wanted)).placements)


def _wish(model: Model, wanted: int) -> PlateWish:
    return PlateWish(
        bed_x=model.bed_x_mm,
        bed_y=model.bed_y_mm,
        round=bed_of(model).is_round,
        keep_out=_kept_free(model),
        wanted=wanted,
    )


def plate(session: Session, ref: str, sizes: Sizes, wish: PlateWish) -> PlateOut:
    """Copies of an artifact packed on a bed."""
    a = standing(session, ref, sizes)
    packing = _packed(a, wish)
    shadow = footprint(a.artifact)
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
        kept_free=[[list(map(float, p)) for p in area.exterior.coords] for area in keep_outs(wish)],
    )  # fmt: skip


def plate_file(session: Session, ref: str, sizes: Sizes, wish: PlateWish, kind: str) -> tuple[bytes, str]:
    """The packed plate as one part and its file's name; refused where nothing fits."""
    a = standing(session, ref, sizes)
    packing = _packed(a, wish)
    if not packing.placements:
        raise BadInput("not one copy fits on this bed")
    return _file(plated(a.artifact, packing.placements), a.number, kind), f"{a.artifact.code}-{a.number}-plate.{kind}"


@lru_cache(maxsize=1)
def whole_set() -> bytes:
    """Every built-in artifact in its usual sizes, as STL and 3MF, in one zip."""
    names = [(d, f"{d.code}-{SHELF_VERSION}-{d.name.lower().replace(' ', '-')}") for d in SHELF]
    return packed(
        (f"{name}.{kind}", _file(built(d.code), SHELF_VERSION, kind)) for d, name in names for kind in ("stl", "3mf")
    )


def card(a: Standing) -> ShelfCard:
    artifact = a.artifact
    return ShelfCard(
        ref=a.ref, code=artifact.code, number=a.number, own=a.design is None, name=artifact.name,
        isolates=artifact.isolates, features=len(artifact.features), tools=artifact.tools, size_mm=list(artifact.size_mm),
        solid_g=artifact.volume_mm3 / 1000 * OTHER_DENSITY,
    )  # fmt: skip


def bed_of(model: Model) -> Bed:
    """A model's build volume by its sheet, with the areas that nothing may stand on."""
    left, front = -model.bed_x_mm / 2, -model.bed_y_mm / 2
    return Bed(
        model.bed_x_mm, model.bed_y_mm, model.height_mm, bool(model.sheet.get("is_round")),
        float(model.sheet.get("top_share") or 1.0),
        tuple(
            (left + k["x_mm"], front + k["y_mm"], left + k["x_mm"] + k["width_mm"], front + k["y_mm"] + k["depth_mm"])
            for k in model.sheet.get("keep_outs") or []
        ),
    )  # fmt: skip


def fit_on(a: Standing, bed: Bed) -> Fit:
    return _fits.get(f"{a.key} {bed}", lambda: fits(a.artifact, bed))


def _kept_free(model: Model) -> str:
    areas = model.sheet.get("keep_outs") or []
    return ";".join(f"{k['x_mm']:g},{k['y_mm']:g},{k['width_mm']:g},{k['depth_mm']:g}" for k in areas)


def _bed_fit(a: Standing, model: Model) -> BedFit:
    found = fit_on(a, bed_of(model))
    return BedFit(
        machine=model.name, bed_x_mm=model.bed_x_mm, bed_y_mm=model.bed_y_mm, is_round=bed_of(model).is_round,
        keep_out=_kept_free(model),
        fits=found.fits, words=found.words,
    )  # fmt: skip
