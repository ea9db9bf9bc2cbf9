"""Meshes from elsewhere: what comes in comes in whole, what is broken is named with its place, features are found on faces."""

import io
import zipfile

import numpy as np
import pytest
import trimesh
from hypothesis import given
from hypothesis import strategies as st

from crevlo.core.artifacts.artifact import Artifact, Body
from crevlo.core.artifacts.export import packed, stl, three_mf, triangles
from crevlo.core.artifacts.mesh import MOST_BYTES, read_surfaces, solids, troubles
from crevlo.core.artifacts.placing import between, flat_face
from crevlo.core.artifacts.shape import block
from crevlo.core.artifacts.shelf import DESIGNS, SHELF
from crevlo.core.estimate import BadInput
from crevlo.core.features.feature import Kind

BOX = triangles(Artifact("B", "box", (Body(block(0, 20, 0, 10, 0, 5)),), (), "", "", ""))


def binary(corners: np.ndarray, head: bytes = b"") -> bytes:
    record = np.zeros(len(corners), dtype=[("n", "<f4", 3), ("c", "<f4", (3, 3)), ("a", "<u2")])
    record["c"] = corners
    return head.ljust(80) + len(corners).to_bytes(4, "little") + record.tobytes()


def text(corners: np.ndarray) -> bytes:
    lines = ["solid box"]
    for t in corners:
        lines += [
            "facet normal 0 0 0",
            "outer loop",
            *(f"vertex {x} {y} {z}" for x, y, z in t),
            "endloop",
            "endfacet",
        ]
    return "\n".join([*lines, "endsolid box"]).encode()


@pytest.mark.parametrize("design", SHELF, ids=lambda d: d.code)
def test_what_was_exported_comes_in_again_with_its_volume_and_bodies(design) -> None:
    artifact = design.build()
    for content, bodies in ((stl(artifact, 1), 1), (three_mf(artifact, 1), len(artifact.bodies))):
        made = solids(read_surfaces(content))
        assert len(made) == bodies
        assert sum(m.volume() for m in made) == pytest.approx(artifact.volume_mm3, rel=1e-5)
        low = min(m.bounding_box()[2] for m in made)
        assert low == pytest.approx(0, abs=1e-6)


@given(shift=st.tuples(*[st.floats(-500, 500)] * 3), unit=st.sampled_from(["mm", "cm", "inch"]))
def test_place_and_unit_do_not_change_the_part(shift: tuple[float, float, float], unit: str) -> None:
    per = {"mm": 1, "cm": 10, "inch": 25.4}[unit]
    (made,) = solids(read_surfaces(binary(BOX / per + np.array(shift) / per), unit))
    assert made.volume() == pytest.approx(1000, rel=1e-3)
    x0, y0, z0, x1, y1, z1 = made.bounding_box()
    assert (x0, y0, z0, x1, y1, z1) == pytest.approx((-10, -5, 0, 10, 5, 5), abs=2e-3)


def test_text_extra_bytes_and_a_misleading_heading_are_read() -> None:
    for content in (text(BOX), binary(BOX) + b"\0" * 7, binary(BOX, b"solid by some program")):
        (made,) = solids(read_surfaces(content))
        assert made.volume() == pytest.approx(1000)


def test_what_can_be_mended_is_mended_and_said() -> None:
    (inside_out,) = read_surfaces(binary(BOX[:, ::-1]))
    assert "inside out" in inside_out.mended[0]
    assert solids([inside_out])[0].volume() == pytest.approx(1000)
    flat = np.concatenate([BOX, [[[0, 0, 0], [1, 0, 0], [1, 0, 0]]]])
    (surface,) = read_surfaces(binary(flat))
    assert surface.mended == ("1 triangle without area left out",)
    assert troubles(surface) == ()


def test_what_keeps_a_mesh_from_being_a_solid_is_named_with_its_place() -> None:
    holed = np.delete(BOX, 0, axis=0)
    (words,) = troubles(read_surfaces(binary(holed))[0])
    assert words.startswith("3 edges with a triangle on one side only: the surface has a hole, at x ")
    middles = {tuple(np.round((BOX[0][k] + BOX[0][(k + 1) % 3]) / 2, 1)) for k in range(3)}
    assert all(f"x {x:.1f}, y {y:.1f}, z {z:.1f}" in words for x, y, z in middles)
    turned = BOX.copy()
    turned[3] = turned[3][::-1]
    assert any("inside out" in w for w in troubles(read_surfaces(binary(turned))[0]))
    doubled = np.concatenate([BOX, BOX[:1]])
    assert any("more than two triangles" in w for w in troubles(read_surfaces(binary(doubled))[0]))
    with pytest.raises(BadInput, match="not closed: 3 edges"):
        solids(read_surfaces(binary(holed)))


def _three_mf_of(model: bytes) -> bytes:
    with zipfile.ZipFile(io.BytesIO(three_mf(DESIGNS["WB"].build(), 1))) as package:
        parts = [(n, package.read(n)) for n in package.namelist()]
    return packed((n, model if n.endswith(".model") else c) for n, c in parts)


@pytest.mark.parametrize(
    ("content", "words"),
    [
        (b"", "neither STL nor 3MF"),
        (b"\x89PNG\r\n" + bytes(200), "neither STL"),
        (b"solid nothing\nendsolid", "no triangles"),
        (text(BOX).replace(b"vertex 0.0", b"vertex x"), "not three numbers"),
        (text(BOX)[: len(text(BOX)) // 2].rsplit(b"vertex", 1)[0] + b"vertex 1 2 3", "its end is missing"),
        (binary(BOX)[:-60], "breaks off: it announces 12 triangles and holds 10"),
        (binary(BOX * np.nan), "not numbers"),
        (binary(BOX * 1e-4), "0.002 mm long"),
        (binary(BOX * 1e3), "2e\\+04 mm long"),
        (b"PK\x03\x04 not a package", "cannot be read"),
        (_three_mf_of(b"<model"), "cannot be read"),
        (_three_mf_of(b"<model/>"), "no triangles|cannot be read"),
        (packed([("3D/3dmodel.model", b" " * (170 << 20))]), "unpacks to 170 MB"),
        (bytes(MOST_BYTES + 1), "larger than 48 MB"),
        (binary(np.zeros((300_001, 3, 3))), "300001 triangles"),
    ],
    ids=lambda v: v if isinstance(v, str) else "",
)  # fmt: skip
def test_bad_files_are_refused_in_words(content: bytes, words: str) -> None:
    with pytest.raises(BadInput, match=words):
        read_surfaces(content)


@pytest.mark.parametrize("code", ["SB", "SF", "WB", "SL", "OB", "RW", "LW"])
def test_the_feature_between_picked_faces_is_what_the_definition_says(code: str) -> None:
    artifact = DESIGNS[code].build()
    corners = triangles(artifact)
    mesh = trimesh.Trimesh(corners.reshape(-1, 3), np.arange(3 * len(corners)).reshape(-1, 3), process=False)
    tried = 0
    for feature in artifact.features:
        if feature.kind not in (Kind.LENGTH, Kind.DIAGONAL, Kind.THICKNESS) or feature.ends is None:
            continue
        ends = np.array(feature.ends)
        along = (ends[1] - ends[0]) / feature.nominal
        # The face of an end is the one square to the feature; at an edge several faces are equally near.
        square = np.abs(mesh.face_normals @ along) > 0.9999
        level = np.abs((corners @ along) - (ends @ along)[:, None, None]).max(axis=2) < 2e-3
        faces = [np.flatnonzero(square & here) for here in level]
        if not all(len(f) for f in faces):
            continue  # the end lies on a round
        near = [
            f[np.argmin(np.linalg.norm(corners[f].mean(axis=1) - end, axis=1))]
            for f, end in zip(faces, ends, strict=True)
        ]
        found = between(corners, int(near[0]), int(near[1]), "Q")
        assert found.nominal == pytest.approx(feature.nominal, abs=2e-3), feature.code
        assert found.axis == feature.axis, feature.code
        assert found.sense == (0 if feature.axis == "Z" and found.sense == 0 else feature.sense), feature.code
        assert found.ends is not None
        assert np.linalg.norm(np.subtract(*found.ends)) == pytest.approx(found.nominal, abs=2e-3)
        tried += 1
    assert tried >= 1


def test_faces_that_give_no_length_are_refused_with_the_reason() -> None:
    normals = trimesh.Trimesh(BOX.reshape(-1, 3), np.arange(36).reshape(-1, 3), process=False).face_normals
    face = lambda n: int(np.flatnonzero(normals @ n > 0.99)[0])  # noqa: E731
    with pytest.raises(BadInput, match=r"90\.0° to each other"):
        between(BOX, face([1, 0, 0]), face([0, 1, 0]), "Q")
    with pytest.raises(BadInput, match="one plane"):
        between(BOX, face([1, 0, 0]), face([1, 0, 0]), "Q")
    with pytest.raises(BadInput, match="no such face"):
        between(BOX, 0, 12, "Q")
    assert len(flat_face(BOX, face([0, 0, 1]))) == 2
