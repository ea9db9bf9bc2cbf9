"""Packing a plate: checked by a checker of its own, against known optima and against bounds of area."""

import io
import math

import pytest
import shapely
import trimesh
from hypothesis import given, settings
from hypothesis import strategies as st
from shapely import Point, Polygon

from crevlo.core.artifacts.export import stl, three_mf
from crevlo.core.artifacts.footprint import footprint, plated
from crevlo.core.artifacts.shelf import DESIGNS, SHELF
from crevlo.core.estimate import BadInput
from crevlo.core.plate import Packing, Plate, pack, placed

ELL = Polygon([(0, 0), (40, 0), (40, 12), (12, 12), (12, 40), (0, 40)])
SQUARE = shapely.box(-5, -5, 5, 5)
TOLERANCE_MM = 0.01


def check(packing: Packing, outline, plate: Plate, spacing: float, brim: float = 0.0) -> None:
    """Every copy on the bed, off the keep-outs, and as far from every other as asked."""
    copies = [placed(outline, p) for p in packing.placements]
    brims = [c.buffer(brim, join_style="mitre") if brim > TOLERANCE_MM else c for c in copies]
    bed = plate.outline.buffer(TOLERANCE_MM)
    for copy in brims:
        assert bed.contains(copy)
        for area in plate.keep_outs:
            assert copy.intersection(area).area < TOLERANCE_MM * copy.length
    if not copies:
        return
    tree = shapely.STRtree(brims)
    near = tree.query(brims, predicate="dwithin", distance=spacing + 1)
    for i, j in near.T:
        if i < j:
            gap = brims[i].distance(brims[j])
            overlap = brims[i].intersection(brims[j]).area
            assert gap >= spacing - TOLERANCE_MM
            assert overlap < TOLERANCE_MM * brims[i].length
    assert len(copies) <= packing.at_most


@pytest.mark.parametrize(
    ("outline", "plate", "spacing", "turns", "best"),
    [
        (SQUARE, Plate(100, 50), 0, (0,), 50),
        (SQUARE, Plate(106, 58), 2, (0,), 45),  # 9 × 5 with 2 mm between, none at the edge
        (shapely.box(0, 0, 30, 10), Plate(40, 40), 0, (0, 90), 5),  # a pinwheel leaves a hole; a row each way does not
        (Polygon([(0, 0), (30, 0), (0, 30)]), Plate(121, 121), 0, (0, 90, 180, 270), 32),  # pairs make squares
        (Point(0, 0).buffer(10), Plate(60.5, 60.5), 0, (0,), 9),
        (SQUARE, Plate(9, 100), 0, (0, 90), 0),
    ],
    ids=["squares", "spaced squares", "bars", "triangles", "discs", "too wide"],
)  # fmt: skip
def test_known_optima_are_met(outline, plate: Plate, spacing: float, turns: tuple, best: int) -> None:
    packing = pack(outline, plate, spacing_mm=spacing, turns_deg=turns)
    check(packing, outline, plate, spacing)
    assert len(packing.placements) == best


def test_thirty_nested_ells_fit_where_their_boxes_do_not() -> None:
    plate = Plate(220, 220)
    packing = pack(ELL, plate, spacing_mm=2, wanted=30)
    check(packing, ELL, plate, 2)
    assert len(packing.placements) == 30
    boxes = math.floor(222 / 42) ** 2
    assert boxes < 30
    assert len({p.turned_deg for p in packing.placements}) > 1


def test_keep_outs_brims_and_round_beds() -> None:
    clip = shapely.box(-110, -110, -60, -90)
    plate = Plate(220, 220, keep_outs=(clip, Point(80, 80).buffer(15)))
    packing = pack(ELL, plate, spacing_mm=1, brim_mm=3)
    check(packing, ELL, plate, 1, brim=3)
    free = pack(ELL, Plate(220, 220), spacing_mm=1, brim_mm=3)
    assert 0 < len(packing.placements) <= len(free.placements)
    bed = Plate(200, 200, is_round=True)
    discs = pack(Point(0, 0).buffer(10), bed, spacing_mm=1, turns_deg=(0,))
    check(discs, Point(0, 0).buffer(10), bed, 1)
    assert len(discs.placements) >= 0.7 * discs.at_most


sides = st.floats(8, 60)


@settings(max_examples=25)
@given(sides, sides, st.floats(60, 250), st.floats(60, 250), st.floats(0, 6), st.floats(0, 4), st.booleans())
def test_every_packing_is_feasible_and_within_its_bound(
    width: float, depth: float, x: float, y: float, spacing: float, brim: float, is_round: bool
) -> None:
    part = Polygon([(0, 0), (width, 0), (width, depth / 3), (width / 3, depth / 3), (width / 3, depth), (0, depth)])
    plate = Plate(x, y, is_round)
    packing = pack(part, plate, spacing_mm=spacing, brim_mm=brim, wanted=25)
    check(packing, part, plate, spacing, brim)
    alone = part.buffer(brim + TOLERANCE_MM, join_style="mitre")
    low_x, low_y, high_x, high_y = alone.bounds
    if not is_round and high_x - low_x <= x and high_y - low_y <= y:
        assert packing.placements


@settings(max_examples=25)
@given(st.floats(10, 40), st.floats(80, 200), st.floats(0, 5))
def test_a_grid_is_never_beaten_by_the_packing_of_squares(side: float, bed: float, spacing: float) -> None:
    packing = pack(shapely.box(0, 0, side, side), Plate(bed, bed), spacing_mm=spacing, turns_deg=(0,))
    grid = math.floor((bed + spacing + 1e-6) / (side + spacing)) ** 2
    assert len(packing.placements) == grid


@pytest.mark.parametrize("design", SHELF, ids=lambda d: d.code)
def test_a_footprint_is_the_shadow_of_the_artifact(design) -> None:
    artifact = design.build()
    shadow = footprint(artifact)
    low_x, low_y, high_x, high_y = shadow.bounds
    assert (high_x - low_x, high_y - low_y) == pytest.approx(artifact.size_mm[:2], abs=1e-6)
    assert not shapely.get_parts(shadow).tolist()[0].interiors


def test_a_plate_exports_as_one_file() -> None:
    token = DESIGNS["CS"].build()
    packing = pack(footprint(token), Plate(130, 130), spacing_mm=2, turns_deg=(0,))
    whole = plated(token, packing.placements)
    assert len(packing.placements) == 9
    assert whole.volume_mm3 == pytest.approx(9 * token.volume_mm3)
    mesh = trimesh.load(io.BytesIO(stl(whole, 1)), file_type="stl")
    assert mesh.volume == pytest.approx(9 * token.volume_mm3, rel=1e-4)
    scene = trimesh.load(io.BytesIO(three_mf(whole, 1)), file_type="3mf")
    assert len(scene.geometry) == 18


@pytest.mark.parametrize(
    "bad",
    [{"spacing_mm": -1}, {"brim_mm": -1}, {"turns_deg": ()}],
)
def test_impossible_wishes_are_refused(bad: dict) -> None:
    with pytest.raises(BadInput):
        pack(SQUARE, Plate(100, 100), **bad)
    with pytest.raises(BadInput):
        pack(SQUARE, Plate(0, 100))
    with pytest.raises(BadInput):
        pack(Polygon(), Plate(100, 100))
