"""What moved between two versions of a scheme, in words that are true in every state."""

from dataclasses import replace

from hypothesis import given
from hypothesis import strategies as st

from crevlo.core.ranking.scheme_change import Counts, say_change, say_moved

NOISE = Counts("Noise", "dB", 10, "linear", ((65.0, 0.0), (40.0, 100.0)))
SCHEMES = st.dictionaries(
    st.sampled_from("abcd"),
    st.builds(
        Counts, st.just("Noise"), st.sampled_from(["dB", ""]), st.floats(0, 100), st.sampled_from(["linear", "piecewise"]),
        st.tuples(st.tuples(st.floats(0, 9), st.just(0.0)), st.tuples(st.floats(10, 20), st.just(100.0))),
    ),
)  # fmt: skip


def test_each_kind_of_change_is_said() -> None:
    after = {
        "noise": replace(NOISE, weight=12), "time": replace(NOISE, name="Time", unit="h"),
        "grade": replace(NOISE, name="Grade", unit="", points=((16.0, 0.0), (10.0, 100.0))),
    }  # fmt: skip
    before = {"noise": NOISE, "cost": replace(NOISE, name="Cost"), "grade": replace(NOISE, name="Grade", unit="")}
    assert say_change(before, after) == [
        "Time counts now, weighing 10.", "Cost counts no more.", "Noise weighs 12 instead of 10.",
        "Grade: linear, 0 at 16, 100 at 10 instead of linear, 0 at 65, 100 at 40."]  # fmt: skip


@given(SCHEMES, SCHEMES)
def test_nothing_is_said_exactly_where_nothing_moved(one: dict[str, Counts], other: dict[str, Counts]) -> None:
    assert say_change(one, one) == []
    assert (say_change(one, other) == []) == (one == other or _alike(one, other))
    assert len([w for w in say_change({}, one) if "counts now" in w]) == len(one)


def _alike(one: dict[str, Counts], other: dict[str, Counts]) -> bool:
    """A unit by itself is no change of the scheme."""
    return one.keys() == other.keys() and all(replace(one[c], unit="") == replace(other[c], unit="") for c in one)


def test_who_leads_by_each_is_said_with_what_moved() -> None:
    assert (
        say_moved([("Mesa", 80.0), ("Twin", 70.0)], {"Mesa": 78.0, "Twin": 70.0})
        == "Mesa leads by both; Mesa 80.0 → 78.0."
    )
    assert say_moved([("Mesa", 80.0), ("Twin", 70.0)], {"Mesa": 60.0, "Twin": 70.0}) == (
        "Twin leads instead of Mesa; Mesa 80.0 → 60.0."
    )
    assert say_moved([("Mesa", 80.0)], {"Mesa": 80.01}) == "Mesa leads by both; no total moves."
    assert say_moved([], {"Mesa": 1.0}) == say_moved([("Mesa", 1.0)], {}) == ""
