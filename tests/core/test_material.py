"""What speaks against a material on a machine, before it is printed."""

import pytest

from crevlo.core.material import USUAL, material_doubt


@pytest.mark.parametrize(
    ("material", "limits", "words"),
    [
        ("PETG", {}, "its maker rules PETG out"), (" petg ", {}, "its maker rules PETG out"), ("PLA", {}, ""), ("", {}, ""),
        ("ABS", {"bed_max_c": 60}, "ABS usually takes a bed of 100 °C, it reaches 60"),
        ("PA-CF", {"nozzle_max_c": 240}, "PA-CF usually takes 260 °C at the nozzle, it reaches 240"),
        ("moon dust", {"bed_max_c": 1}, ""), ("PLA", {"bed_max_c": 60, "nozzle_max_c": 215}, ""),
    ],
)  # fmt: skip
def test_the_makers_word_comes_first_then_what_is_usual(material: str, limits: dict, words: str) -> None:
    assert material_doubt(material, ["TPU", "PETG "], **limits) == words


def test_a_machine_that_gets_warm_enough_leaves_no_doubt() -> None:
    assert not any(material_doubt(m.name, [], m.nozzle_c, m.bed_c) for m in USUAL)
    assert all(material_doubt(m.name, [], m.nozzle_c - 1) for m in USUAL)
