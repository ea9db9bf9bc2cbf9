"""The shelf through the API: sizes within limits, files that open, and the step block a study uses."""

import io
import zipfile

import pytest
import trimesh

from crevlo.core.artifacts.shelf import DESIGNS, SHELF
from crevlo.sim.client import ApiError
from tests.conftest import Bench, Played


def test_cards_details_and_files(shared_bench: Bench) -> None:
    reviewer = shared_bench.as_("reviewer")
    cards = reviewer.get("/api/shelf")["artifacts"]
    assert [c["code"] for c in cards] == [d.code for d in SHELF]
    usual = reviewer.get("/api/shelf/WB")
    long = reviewer.get("/api/shelf/WB", sizes="length:250")
    assert (usual["size_mm"][0], long["size_mm"][0]) == (150, 250)
    assert next(p["value"] for p in long["parameters"]) == 250
    fit = {b["machine"]: b["fits"] for b in long["beds"]}
    assert fit["Hollowell Mesa"] is True
    assert fit["Nettlewick Solo"] is False
    for kind in ("stl", "3mf"):
        answer = reviewer.http.get(f"/api/shelf/WB/file.{kind}", params={"sizes": "length:250"})
        mesh = trimesh.load(io.BytesIO(answer.content), file_type=kind, force="mesh")
        assert mesh.extents.tolist() == pytest.approx([250, 12, 12], abs=1e-3)
    names = zipfile.ZipFile(io.BytesIO(reviewer.http.get("/api/shelf.zip").content)).namelist()
    assert len(names) == 2 * len(SHELF)


@pytest.mark.parametrize(
    ("sizes", "words"),
    [("length:900", "from 80 to 250 mm"), ("height:20", "no size called height"), ("length", "name:number"), ("length:nan", "name:number")],
)  # fmt: skip
def test_sizes_out_of_reach_are_refused_in_words(shared_bench: Bench, sizes: str, words: str) -> None:
    reader = shared_bench.as_("reader")
    with pytest.raises(ApiError, match=words):
        reader.get("/api/shelf/WB", sizes=sizes)
    with pytest.raises(ApiError, match="404"):
        reader.get("/api/shelf/XX")
    assert reader.http.get("/api/shelf/WB/file.exe").status_code in (404, 422)


def test_a_study_measures_what_the_shelf_defines(shared_bench: Bench, played: Played) -> None:
    rater = shared_bench.as_("rater")
    stored = rater.get(f"/api/studies/{played.study}/measure")["artifacts"][0]
    defined = DESIGNS["SB"].build().features
    assert [(f["code"], f["axis"], f["sense"], f["nominal"]) for f in stored["features"]] == [
        (f.code, f.axis, f.sense, f.nominal) for f in defined
    ]
    assert rater.http.get("/api/shelf").status_code == 200
    assert rater.http.get("/api/shelf/SB").status_code == 403  # names the machines it fits


def test_a_plate_is_packed_drawn_and_exported(shared_bench: Bench) -> None:
    reader = shared_bench.as_("reader")
    bed = {"bed_x": 200, "bed_y": 200, "spacing": 2}
    plate = reader.get("/api/shelf/CS/plate", **bed)
    assert plate["copies"] == len(plate["outlines"]) >= 16
    assert plate["words"].startswith(f"{plate['copies']} fit; by area alone at most ")
    few = reader.get("/api/shelf/CS/plate", **bed, wanted=5)
    assert few["words"].startswith("The 5 wanted fit")
    file = reader.http.get("/api/shelf/CS/plate.stl", params=bed | {"wanted": 5})
    mesh = trimesh.load(io.BytesIO(file.content), file_type="stl")
    assert mesh.volume == pytest.approx(5 * DESIGNS["CS"].build().volume_mm3, rel=1e-4)
    assert reader.get("/api/shelf/WB/plate", bed_x=100, bed_y=40)["words"] == "Not one fits."
    with pytest.raises(ApiError, match="Not one copy fits"):
        reader.get("/api/shelf/WB/plate.stl", bed_x=100, bed_y=40)
    with pytest.raises(ApiError, match="422"):
        reader.get("/api/shelf/WB/plate", bed_x=1e9, bed_y=40)
