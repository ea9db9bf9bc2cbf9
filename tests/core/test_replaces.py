"""Whether a machine would take the place of another: true in every state."""

import pytest

from crevlo.core.replaces import Replaces, say_replaces


@pytest.mark.parametrize(
    ("state", "words"),
    [
        (Replaces("Mesa", "ours", 0, 8, 0.0, 0.0), "Mesa and ours have no figure in common."),
        (Replaces("Mesa", "ours", 8, 8, 12.0, 0.97), "Mesa would replace it: 12.0 points better on all that counts, in 97 % of the draws."),
        (Replaces("Mesa", "ours", 5, 8, 12.0, 1.0), "Mesa would replace it: 12.0 points better on the 5 of 8 criteria that both have, in over 99 % of the draws."),
        (Replaces("Mesa", "ours", 8, 8, 1.2, 0.99), "Mesa is better on all that counts, but by 1.2 points only: hardly a reason to replace it."),
        (Replaces("Mesa", "ours", 8, 8, -7.5, 0.01), "Mesa would not replace it: 7.5 points behind on all that counts."),
        (Replaces("Mesa", "ours", 8, 8, 0.0, 0.5), "Mesa and ours are not told apart on all that counts: no reason to replace it."),
    ],
)  # fmt: skip
def test_the_sentence_is_true_in_every_state(state: Replaces, words: str) -> None:
    assert say_replaces(state) == words
