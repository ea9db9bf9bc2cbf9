"""The shelf: every mesh is closed, and every nominal is found again on the mesh by rays and sections of another library."""

import io
import math
import zipfile

import numpy as np
import pytest
import trimesh
from hypothesis import given
from hypothesis import strategies as st
from shapely import Polygon, unary_union

from crevlo.core.artifacts.artifact import Artifact, Design
from crevlo.core.artifacts.drawing import isometric, project
from crevlo.core.artifacts.export import packed, stl, three_mf, triangles
from crevlo.core.artifacts.fit import Bed, fits
from crevlo.core.artifacts.shelf import DESIGNS, SHELF
from crevlo.core.estimate import BadInput
from crevlo.core.features.feature import Feature, Kind

every = pytest.mark.parametrize("design", SHELF, ids=lambda d: d.code)


def _meshes(artifact: Artifact) -> list[trimesh.Trimesh]:
    found = []
    for body in artifact.bodies:
        mesh = body.solid.to_mesh64()
        found.append(
            trimesh.Trimesh(np.asarray(mesh.vert_properties)[:, :3], np.asarray(mesh.tri_verts), process=False)
        )
    return found


def _first_hit(mesh: trimesh.Trimesh, start: np.ndarray, along: np.ndarray) -> tuple[np.ndarray, np.ndarray]:
    """Nearest point of the surface from `start` in the direction `along`, and the surface normal there."""
    points, _, triangles = mesh.ray.intersects_location([start], [along])
    assert len(points), "the ray meets nothing"
    nearest = int(np.argmin(np.linalg.norm(points - start, axis=1)))
    return points[nearest], mesh.face_normals[triangles[nearest]]


def _probed(mesh: trimesh.Trimesh, feature: Feature) -> float:
    """The feature's size as a probe finds it: from outside onto material, or from the middle out onto walls."""
    p, q = (np.array(end) for end in feature.ends)
    along = (q - p) / np.linalg.norm(q - p)
    # Off the exact line, so that no ray runs along an edge of a facet.
    off = np.cross(along, [0.31, 0.17, 0.94])
    aside = 1e-4 * off / np.linalg.norm(off)
    if feature.sense > 0:
        a, _ = _first_hit(mesh, p - 2 * along + aside, along)
        b, _ = _first_hit(mesh, q + 2 * along + aside, -along)
    else:
        a, _ = _first_hit(mesh, (p + q) / 2 + aside, -along)
        b, _ = _first_hit(mesh, (p + q) / 2 + aside, along)
    return float(np.linalg.norm(b - a))


@every
def test_every_nominal_is_found_again_on_the_mesh(design: Design) -> None:
    artifact = design.build()
    mesh = trimesh.util.concatenate(_meshes(artifact))
    for feature in artifact.features:
        ends = [np.array(e) for e in feature.ends]
        if feature.sense:
            assert _probed(mesh, feature) == pytest.approx(feature.nominal, abs=2e-3), feature.code
        elif feature.kind is Kind.OVERHANG:
            below = (ends[0] + ends[1]) / 2 - [0, 0, 0.5]
            _, normal = _first_hit(mesh, below + np.array([0, 1e-3, 0]), np.array([0.0, 0, 1]))
            assert normal[2] < 0
            assert math.degrees(math.asin(-normal[2])) == pytest.approx(feature.nominal, abs=1e-3), feature.code
        else:
            _, away, _ = trimesh.proximity.closest_point(mesh, ends)
            assert away.max() < 1e-3, feature.code


@every
def test_every_mesh_is_closed_stands_on_the_plate_and_fits_together(design: Design) -> None:
    artifact = design.build()
    meshes = _meshes(artifact)
    for mesh in meshes:
        assert mesh.is_watertight
        assert mesh.is_winding_consistent
        assert mesh.volume > 0
    assert sum(m.volume for m in meshes) == pytest.approx(artifact.volume_mm3, rel=1e-9)
    assert min(m.bounds[0][2] for m in meshes) == pytest.approx(0, abs=1e-9)
    together = artifact.bodies[0].solid
    for body in artifact.bodies[1:]:
        assert (together ^ body.solid).volume() == pytest.approx(0, abs=1e-6)
        together += body.solid
    assert len({f.code for f in artifact.features}) == len(artifact.features)
    assert artifact.isolates
    assert artifact.isolates_not


@every
def test_sizes_at_their_limits_still_build_and_beyond_are_refused(design: Design) -> None:
    for parameter in design.parameters:
        for value in (parameter.least, parameter.most):
            artifact = design.build({parameter.name: value})
            mesh = trimesh.util.concatenate(_meshes(artifact))
            assert mesh.is_watertight
            for feature in artifact.features:
                if feature.sense:
                    assert _probed(mesh, feature) == pytest.approx(feature.nominal, abs=2e-3), (
                        parameter,
                        value,
                        feature.code,
                    )
        for value in (parameter.least - 0.01, parameter.most + 0.01, math.nan):
            with pytest.raises(BadInput, match="runs from"):
                design.build({parameter.name: value})
    with pytest.raises(BadInput, match="has no size called"):
        design.build({"colour": 1})


@every
def test_files_come_back_with_the_same_volume(design: Design) -> None:
    artifact = design.build()
    bodies = _meshes(artifact)
    back = trimesh.load(io.BytesIO(stl(artifact, 3)), file_type="stl")
    assert back.is_watertight
    assert back.volume == pytest.approx(artifact.volume_mm3, rel=1e-4)
    package = three_mf(artifact, 3)
    assert package == three_mf(design.build(), 3)
    scene = trimesh.load(io.BytesIO(package), file_type="3mf")
    assert sum(g.volume for g in scene.geometry.values()) == pytest.approx(artifact.volume_mm3, rel=1e-5)
    assert len(scene.geometry) == len(bodies)
    model = zipfile.ZipFile(io.BytesIO(package)).read("3D/3dmodel.model").decode()
    assert 'unit="millimeter"' in model
    assert f"{artifact.code} version 3" in model


def test_the_shelf_is_whole_and_builds_at_once() -> None:
    assert len(SHELF) == 17
    assert len(DESIGNS) == 17
    names = {d.name for d in SHELF}
    for name in ("Step block", "Squareness frame", "Clearance comb", "Overhang fan", "First-layer sheet", "Rack arm"):
        assert name in names
    content = packed((f"{d.code}.stl", stl(d.build(), 1)) for d in SHELF)
    assert len(zipfile.ZipFile(io.BytesIO(content)).namelist()) == 17


def test_a_section_of_the_step_block_shows_its_steps_and_hole() -> None:
    (mesh,) = _meshes(DESIGNS["SB"].build())
    for height, width in ((5, 40), (20, 30), (40, 17)):
        flat, _ = mesh.section(plane_origin=[0, 0, height], plane_normal=[0, 0, 1]).to_2D()
        assert sorted(flat.extents) == pytest.approx([width, width])
        hole = 8 * 8 * math.pi / 4
        assert flat.area == pytest.approx(width**2 - hole, abs=0.2)


@given(st.floats(100, 500), st.floats(100, 500), st.booleans())
def test_the_first_layer_sheet_stays_on_its_bed(bed_x: float, bed_y: float, is_round: bool) -> None:
    sheet = DESIGNS["FS"].build({"bed_x": bed_x, "bed_y": bed_y, "round": float(is_round)})
    points = triangles(sheet).reshape(-1, 3)
    if is_round:
        reach = np.hypot(points[:, 0] / (bed_x / 2), points[:, 1] / (bed_y / 2))
        assert reach.max() <= 1
    assert np.abs(points[:, 0]).max() <= bed_x / 2
    assert np.abs(points[:, 1]).max() <= bed_y / 2


@every
def test_a_drawing_shows_the_whole_silhouette_once(design: Design) -> None:
    """What is seen of the surfaces covers the part's outline, and no two of them cover the same place."""
    artifact = design.build()
    drawing = isometric(artifact)
    shown = [_even_odd(f.outlines) for f in drawing.faces]
    together = unary_union(shown)
    corners = triangles(artifact)
    outline = unary_union([p for t in corners if (p := Polygon([project(tuple(c)) for c in t])).area > 1e-9]).area
    assert together.area == pytest.approx(outline, rel=0.03)
    assert sum(p.area for p in shown) == pytest.approx(together.area, rel=0.02)
    x, y, width, height = drawing.view
    assert x < together.bounds[0]
    assert y < together.bounds[1]
    assert x + width > together.bounds[2]
    assert y + height > together.bounds[3]
    assert [c.code for c in drawing.callouts] == [f.code for f in artifact.features]


def _even_odd(outlines: tuple) -> Polygon:
    area = Polygon()
    for ring in outlines:
        area = area.symmetric_difference(Polygon(ring).buffer(0))
    return area


def test_fitting_a_bed_straight_turned_round_and_tapering() -> None:
    arm = DESIGNS["RA"].build()
    assert fits(arm, Bed(200, 200, 100)).words == "fits as it is"
    turned = fits(arm, Bed(150, 150, 100))
    assert turned.fits
    assert 35 <= turned.turned_deg <= 55
    assert "too wide" in fits(arm, Bed(120, 120, 100)).words
    assert "tall" in fits(DESIGNS["ZC"].build(), Bed(200, 200, 100)).words
    frame = DESIGNS["SF"].build()
    across = next(f.nominal for f in frame.features if f.kind is Kind.DIAGONAL)
    assert fits(frame, Bed(across + 6, across + 6, 50, is_round=True)).fits
    assert not fits(frame, Bed(100, 100, 50, is_round=True)).fits
    bar = DESIGNS["OB"].build({"length": 50})
    assert fits(bar, Bed(140, 140, 60)).fits
    assert not fits(bar, Bed(140, 140, 60, top_share=0.3)).fits
    with pytest.raises(BadInput):
        fits(arm, Bed(0, 200, 200))


@given(st.floats(120, 400), st.floats(120, 400), st.floats(1, 1.5))
def test_a_larger_bed_never_fits_less(x: float, y: float, factor: float) -> None:
    arm = DESIGNS["RA"].build()
    if fits(arm, Bed(x, y, 100)).fits:
        assert fits(arm, Bed(factor * x, factor * y, 100)).fits
    assert fits(arm, Bed(x, y, 100)).fits == fits(arm, Bed(y, x, 100)).fits
