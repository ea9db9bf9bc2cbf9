"""Results that are kept: one computation at a time, the last ones, and no more than there is room for."""

import threading
import time

import pytest

from crevlo.stations.kit.kept import Kept


def test_what_is_kept_is_made_once_and_the_oldest_goes() -> None:
    kept: Kept[str] = Kept(2)
    made: list[str] = []

    def make(name: str) -> str:
        made.append(name)
        return name.upper()

    for name in ("a", "b", "a", "c", "a", "b"):
        assert kept.get(name, lambda name=name: make(name)) == name.upper()
    assert made == ["a", "b", "c", "b"]  # b had to go for c, because a was asked for later
    kept.clear()
    kept.get("a", lambda: make("a"))
    assert made[-1] == "a"


def test_large_results_are_held_to_their_bytes_and_one_too_large_is_given_all_the_same() -> None:
    kept: Kept[bytes] = Kept(100, len)
    assert kept.get("large", lambda: b"x" * 500) == b"x" * 500
    asked = []
    assert kept.get("large", lambda: asked.append(1) or b"y") == b"y"  # type: ignore[func-returns-value]
    assert asked
    for n in range(10):
        kept.get(f"k{n}", lambda: b"x" * 40)
    left = [n for n in range(10) if kept.get(f"k{n}", lambda: b"") != b""]
    assert len(left) <= 2


def test_of_several_who_ask_one_makes_it_and_a_failure_is_not_kept() -> None:
    kept: Kept[int] = Kept(4)
    made: list[int] = []

    def slow() -> int:
        time.sleep(0.05)
        made.append(1)
        return len(made)

    answers: list[int] = []
    threads = [threading.Thread(target=lambda: answers.append(kept.get("x", slow))) for _ in range(8)]
    for thread in threads:
        thread.start()
    for thread in threads:
        thread.join()
    assert (made, set(answers)) == ([1], {1})

    def fails() -> int:
        raise RuntimeError("no")

    with pytest.raises(RuntimeError):
        kept.get("y", fails)
    assert kept.get("y", lambda: 7) == 7
