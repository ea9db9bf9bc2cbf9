"""What is said and shown of fifty machines is as short as of three."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from crevlo.core.ranking.bands import SINGLE, in_bands, place_bands
from crevlo.core.ranking.next_best import say_first
from crevlo.core.ranking.verdict import some_of


@given(st.integers(0, 1200))
def test_bands_hold_every_place_once_and_are_few(machines: int) -> None:
    bands = place_bands(machines)
    assert [place for first, last in bands for place in range(first, last + 1)] == list(range(1, machines + 1))
    assert len(bands) <= 8 + machines // 100
    if machines <= SINGLE:
        assert all(first == last for first, last in bands)
    elif machines:
        # Who comes first is never told together with another place.
        assert bands[0] == (1, 1)


@given(st.lists(st.floats(0, 1), min_size=1, max_size=120))
def test_chances_of_bands_add_up_to_those_of_their_places(raw: list[float]) -> None:
    total = sum(raw) or 1.0
    chances = [x / total for x in raw]
    banded = in_bands(chances, place_bands(len(chances)))
    assert sum(banded) == pytest.approx(sum(chances))
    assert banded[0] == chances[0]


@given(st.integers(0, 60))
def test_names_are_told_or_counted_each_once(count: int) -> None:
    names = [f"Bench {n}" for n in range(count)]
    said = some_of(names)
    named = [name for name in said.split(" and ")[0].split(", ") if name]
    more = int(said.split(" and ")[1].removesuffix(" more")) if " and " in said else 0
    assert named == names[: len(named)]
    assert len(named) + more == count
    assert more != 1
    assert len(named) <= 4


def test_what_most_machines_lack_is_said_first() -> None:
    many = [f"Bench {n}" for n in range(1, 50)]
    said = say_first({
        ("Energy", "a power log"): ["Mesa"], ("Cost per good part", "the price paid, at Receive"): many,
        ("Noise at 1 m", "a level while it prints"): ["Mesa", "Sparrow"],
    })  # fmt: skip
    assert said == (
        "First of all: cost per good part of Bench 1, Bench 2, Bench 3 and 46 more needs the price paid, at Receive; "
        "noise at 1 m of Mesa, Sparrow needs a level while it prints. "
    )
    assert say_first({}) == ""
