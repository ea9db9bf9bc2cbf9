"""Sliced files: the real samples, the keys met in the wild, and hostile input."""

import gzip
import io
import tracemalloc
import zipfile
from base64 import b64encode
from collections.abc import Iterator

import pytest
from hypothesis import given
from hypothesis import strategies as st

from crevlo.core.estimate import BadInput, NotDetermined
from crevlo.core.gcode.facts import GcodeFacts, read_facts
from crevlo.core.gcode.package import WhichPlate, is_packed, unpacked
from crevlo.core.gcode.wanted import Wanted, deviations
from crevlo.sim.device import sliced_file


def facts(text: str | bytes) -> GcodeFacts:
    return read_facts([text.encode() if isinstance(text, str) else text])


@pytest.mark.parametrize(
    ("name", "time_s", "layers", "lengths", "masses", "changes"),
    [
        ("step-block-a-0.20-absolute", 3955, 225, [5012.43], [14.95], 0),
        ("step-block-b-0.20-relative", 2286, 225, [4889.75], [14.58], 0),
        ("step-block-c-0.20-no-estimate", None, 225, [5053.6], [15.1], 0),
        ("two-colour-tower", 5220, 60, [3631.75, 1845.1], [10.83, 5.64], 60),
    ],
)  # fmt: skip
def test_real_files(
    name: str, time_s: int | None, layers: int | None, lengths: list[float], masses: list[float], changes: int
) -> None:
    read = facts(sliced_file(name))
    assert (None if isinstance(read.time_s, NotDetermined) else read.time_s) == time_s
    assert (None if isinstance(read.layers, NotDetermined) else read.layers) == layers
    assert [t.length_mm for t in read.tools] == pytest.approx(lengths)
    assert [t.mass_g for t in read.tools] == pytest.approx(masses)
    assert read.tool_changes == changes
    assert float(read.settings["layer_height"]) == 0.2
    assert not read.partial


@pytest.mark.parametrize(
    "name", ["step-block-a-0.20-absolute", "step-block-b-0.20-relative", "pillars", "clearance-arcs"]
)
def test_without_its_comments_the_moves_give_the_same_filament(name: str) -> None:
    content = sliced_file(name)
    stated = facts(content).length_mm
    summed = facts(b"\n".join(x for x in content.split(b"\n") if not x.startswith(b"; filament used")))
    assert summed.tools[0].length_from.startswith("sum of the moves")
    assert summed.length_mm == pytest.approx(stated, abs=0.1)


@given(st.integers(1, 4000))
def test_the_size_of_the_chunks_changes_nothing(size: int) -> None:
    content = sliced_file("step-block-a-0.20-absolute")[-20_000:].replace(b"\n", b"\r\n")
    whole = read_facts([content])
    pieces = read_facts([content[i : i + size] for i in range(0, len(content), size)])
    assert (pieces.time_s, pieces.tools, pieces.settings) == (whole.time_s, whole.tools, whole.settings)


def test_keys_met_in_the_wild() -> None:
    read = facts(";TIME:3661\n;Filament used: 1.5m, 0.25m\n;Layer height: 0.2\n;LAYER_COUNT:40\n;LAYER:0\nG1 X1 E1\n")
    assert (read.time_s, read.layers, [t.length_mm for t in read.tools]) == (3661, 40, [1500, 250])
    other = facts(
        "; model printing time: 50m 1s; total estimated time: 1h 2m 3s\n; total layer number: 12\nG1 X1 E1\n"
    )
    assert (other.time_s, other.layers) == (3723, 12)


def test_plain_moves_without_any_comment() -> None:
    read = facts("M83\nG1 X1 E.5\nG1 X2 E+1\nT1\nX3 E2\nG1 E-.8\nT0\nG92 E0\nG1 X4 A1\nG0 X9 ; E99\n")
    assert [(t.tool, t.length_mm) for t in read.tools] == [(0, pytest.approx(2.5)), (1, pytest.approx(1.2))]
    assert read.tool_changes == 2
    assert isinstance(read.time_s, NotDetermined)
    assert isinstance(read.tools[0].mass_g, NotDetermined)


def test_extrusion_modes_and_resets() -> None:
    absolute = facts("M82\nG92 E5\nG1 X1 E7\nG92 E0\nG1 X2 E3\n")
    assert absolute.length_mm == pytest.approx(5)
    text = "M83\nG90\nG1 X1 E2\nG1 X2 E2\n"
    assert read_facts([text.encode()]).length_mm == pytest.approx(4)
    assert read_facts([text.encode()], g90_resets_extrusion=True).length_mm == pytest.approx(2)


@pytest.mark.parametrize(
    ("content", "words"),
    [(b"", "empty"), (b"\x1f\x8b\x08rest", "gzip"), (b"PK\x03\x04", "zip"), ("G1 X1".encode("utf-16"), "UTF-16"),
     (b"\0" * 100_000, "binary"), (b"hello\nworld\n", "does not look like G-code")],
)  # fmt: skip
def test_what_is_no_sliced_file_is_refused_in_words(content: bytes, words: str) -> None:
    with pytest.raises(BadInput, match=words):
        facts(content)


@pytest.mark.parametrize(
    "line", ["G1 X1 Enan", "G1 X1 E1e999", "G1 X1 E1e308", "G1 X1 E--2", "G92 Einf", "T99999999999"]
)
def test_malformed_numbers_are_left_out_and_counted(line: str) -> None:
    read = facts(f"M83\nG1 X1 E1\n{line}\nG1 X2 E1\n")
    assert read.length_mm == pytest.approx(2)
    assert sum(read.skipped.values()) == 1


def test_absurd_claims_are_ignored_and_said() -> None:
    read = facts(
        "M83\nG1 X1 E5\n; estimated printing time (normal mode) = nonsense\n;TIME:-5\n; filament used [mm] = -4\n"
    )
    assert isinstance(read.time_s, NotDetermined)
    assert read.length_mm == pytest.approx(5)
    assert len(read.warnings) == 3
    lying = facts("M83\nG1 X1 E5\n; filament used [mm] = 5000\n")
    assert "add up to 5 mm" in lying.warnings[0]


def test_a_cut_off_file_is_marked_partial() -> None:
    assert facts(";LAYER_CHANGE\nM83\nG1 X1 E1\nG1 X2 E").partial
    assert facts("G1 X1 E1\r;LAYER_CHANGE\rG1 X2 E2\r").layers == 1


def test_memory_stays_bounded_on_endless_input() -> None:
    def endless() -> Iterator[bytes]:
        yield b"M83\nG1 X1 E1\n"
        for _ in range(300):
            yield b"G1 X" + b"1" * 200_000
        yield b"\nG1 X2 E1\n"

    tracemalloc.start()
    read = read_facts(endless())
    peak = tracemalloc.get_traced_memory()[1]
    tracemalloc.stop()
    assert read.length_mm == pytest.approx(2)
    assert read.partial
    assert peak < 40e6


def test_thousands_of_made_up_settings_stop_at_a_bound() -> None:
    read = facts("G1 X1 E1\n" + "".join(f"; key_{i} = {'x' * (3000 if i == 3 else 100)}\n" for i in range(9000)))
    assert len(read.settings) == 4000
    assert max(map(len, read.settings.values())) <= 2000


def test_deviations_from_the_protocol() -> None:
    settings = {
        "layer_height": "0.2",
        "fill_density": "15%",
        "perimeters": "2",
        "filament_type": "PLA;PLA",
        "temperature": "215,215",
    }
    wanted = Wanted(layer_height_mm=0.2, infill_percent=20, walls=2, nozzle_c=210, material="pla", nozzle_mm=0.4)
    differ, silent = deviations(settings, wanted)
    assert [(d.setting, d.wanted, d.found) for d in differ] == [
        ("Infill", "20", "15"),
        ("Nozzle temperature", "210", "215"),
    ]
    assert silent == ["Nozzle"]


def _plate(*names: str) -> bytes:
    return b"\n".join(n.encode() for n in names) + b"\nG28\nG1 Z0.2 F600\nG1 X10 Y10 E1 F1200\nG1 X50 E3\n"


@pytest.mark.parametrize(
    ("names", "found"),
    [
        (
            [
                "EXCLUDE_OBJECT_DEFINE NAME=wheel_0 CENTER=10,10",
                "EXCLUDE_OBJECT_DEFINE NAME=wheel_1",
                "EXCLUDE_OBJECT_START NAME=wheel_1",
            ],
            2,
        ),
        (
            [
                "; printing object wheel.stl id:0 copy 0",
                "; stop printing object wheel.stl id:0 copy 0",
                "; printing object wheel.stl id:0 copy 1",
                "; printing object wheel.stl id:0 copy 0",
            ],
            2,
        ),
        ([";MESH:wheel.stl", ";MESH:NONMESH", ";MESH:wheel.stl(1)", ";MESH:wheel.stl(2)"], 3),
        ([";TYPE:Skirt"], 0),
    ],
)
def test_pieces_on_the_plate_are_counted_by_their_names(names: list[str], found: int) -> None:
    facts = read_facts([_plate(*names)])
    assert len(facts.objects) == found
    assert not facts.partial


def test_words_of_macros_are_no_moves_and_no_harm() -> None:
    plain = read_facts([_plate()])
    told = read_facts(
        [
            _plate(
                "START_PRINT BED=60 EXTRUDER=215",
                "Z_TILT_ADJUST",
                "G1 X1 Y1 F600",
                "END_PRINT",
                "EXCLUDE_OBJECT_END NAME=x",
            )
        ]
    )
    assert told.skipped == plain.skipped == {}
    assert told.length_mm == plain.length_mm
    many = read_facts([_plate(*(f"EXCLUDE_OBJECT_DEFINE NAME=p{n}" for n in range(1500)))])
    assert (len(many.objects), many.skipped["objects beyond 1000"]) == (1000, 500)


@pytest.mark.parametrize(
    "line",
    [
        "M117 Going G1 X99 E5 now",
        "M118 E1 Fit X5 G28",
        "M117 G1 X250 Y10 E40",
        "M486 A G wheel",
        "M32 /GCODE/X1 G1.g",
    ],
)
def test_words_for_people_are_no_commands(line: str) -> None:
    plain = read_facts([_plate()])
    told = read_facts([_plate(line)])
    assert told.skipped == plain.skipped == {}
    assert told.length_mm == plain.length_mm
    assert not told.partial


PRINTED = "M83\nG1 X0 Y0 Z0.2 F600\nG1 X10 E1\n"


def test_more_ways_in_which_files_state_time_length_and_weight() -> None:
    read = facts(
        PRINTED + "; Build time: 1 hour 23 minutes\n; total filament length [mm] : 1234.5,20\n"
        "; total filament weight [g] : 3.7,0.1\n; some_config = begin\n; layer_height = 0.2\n; some_config = end\n"
    )
    assert (read.time_s, read.time_from) == (4980, "comment “build time”")
    assert [(t.length_mm, t.mass_g) for t in read.tools] == [(1234.5, 3.7), (20, 0.1)]
    assert dict(read.settings) == {"layer_height": "0.2"}
    assert facts(PRINTED + "; total filament used [g] = 2.5\n").mass_g == 2.5
    for written, seconds in (
        ("1h30m5s", 5405),
        ("2d1h", 176400),
        ("1:02:03", 3723),
        ("3 hours 2 minutes", 10920),
        ("90s", 90),
    ):
        assert facts(PRINTED + f"; Build time: {written}\n").time_s == seconds


def test_what_is_drawn_back_on_the_way_of_a_wipe_is_no_plastic_of_the_part() -> None:
    read = facts(";TYPE:Perimeter\nM83\nG1 X10 E5 F600\nG1 X8 E-0.6\nG1 X20\nG1 E0.8\n")
    assert sum(u.length_mm for u in read.uses if u.portion.value == "model") == pytest.approx(5)


def test_layers_by_height_where_no_mark_tells_them_and_once_where_two_do() -> None:
    prime = "M83\nG1 X0 Y0 Z0.3 F600\nG1 X99 E9\n"
    flat = "".join(f"G1 Z{0.2 * k:.1f}\nG1 X10 E1\nG1 Z{0.2 * k + 0.4:.1f}\nG1 X0\nG1 Z{0.2 * k:.1f}\nG1 Y9 E1\nG1 Y0\n" for k in range(1, 6))  # fmt: skip
    assert facts(prime + flat).layers == 5
    assert facts("M83\n" + flat + flat).layers == 10  # one piece after the other
    spiral = "".join(f"G1 X{k % 2} Y{k % 3} Z{1 + 0.05 * k:.2f} E.1\n" for k in range(1, 41))
    assert facts("M83\n" + flat + spiral).layers == 15
    twice = "".join(f";LAYER_CHANGE\n;LAYER:{k}\nG1 Z{k} X{k} E1\n" for k in range(7))
    assert facts("M83\n" + twice).layers == 7
    assert isinstance(
        facts("G1 X5 F600\nG1 X0\n").layers, NotDetermined
    )  # moves that lay nothing are a file all the same


def test_a_picture_of_any_kind_of_mark_and_one_that_never_ends() -> None:
    png = b64encode(b"\x89PNG" + bytes(range(200))).decode()

    def lines(mark: str, *, ends: bool) -> str:
        rows = "".join(f"; {png[i : i + 70]}\n" for i in range(0, len(png), 70))
        return f"; {mark} begin 16x16 {len(png)}\n{rows}" + (f"; {mark} end\n" if ends else "")

    assert (facts(lines("thumbnail", ends=True) + PRINTED).picture or b"").startswith(b"\x89PNG")
    assert facts(lines("thumbnail_PNG", ends=True) + PRINTED).picture is not None
    cut = facts(lines("thumbnail", ends=False) + "; layer_height = 0.3\n" + PRINTED + ";TIME:60\n;LAYER_CHANGE\n")
    assert (cut.picture, cut.settings["layer_height"], cut.time_s, cut.layers) == (None, "0.3", 60, 1)


def project(plates: dict[str, bytes]) -> bytes:
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED) as package:
        for name, content in plates.items():
            package.writestr(name, content)
    return out.getvalue()


def test_packed_files_and_projects_of_several_plates() -> None:
    code = PRINTED.encode()
    assert unpacked(code) == (code, None)
    assert unpacked(gzip.compress(code)) == (code, None)
    one = project({"3D/model.model": b"<m/>", "Metadata/plate_1.gcode": code, "Metadata/plate_1.png": b"\x89PNG1"})
    assert is_packed(one)
    assert unpacked(one) == (code, b"\x89PNG1")
    two = project({f"Metadata/plate_{n}.gcode": code + b"G1 X%d\n" % n for n in (10, 2)})
    with pytest.raises(WhichPlate, match="2 plates") as asked:
        unpacked(two)
    assert [p.number for p in asked.value.plates] == [2, 10]
    assert unpacked(two, 10)[0].endswith(b"X10\n")
    for broken, words in (
        (gzip.compress(code)[:-9], "breaks off"), (b"\x1f\x8bxx", "broken"), (one[:200], "cannot be read"),
        (project({"3D/model.model": b""}), "no sliced plate"), (gzip.compress(bytes(170_000_000), 1), "more than 160 MB"),
    ):  # fmt: skip
        with pytest.raises(BadInput, match=words):
            unpacked(broken)
    with pytest.raises(BadInput, match="no plate 3"):
        unpacked(two, 3)
