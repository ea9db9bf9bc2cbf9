"""Following what to do next takes fewer hours than equal copies; the whole of it is in docs/truth.md."""

from tests.truth.advice import played


def test_the_advice_saves_hours() -> None:
    made = played(range(20), machines=6, most=40)
    advised, equal = sum(a.hours for a, _ in made), sum(b.hours for _, b in made)
    assert advised < 0.9 * equal
    assert sum(a.given_up for a, _ in made) <= sum(b.given_up for _, b in made)
