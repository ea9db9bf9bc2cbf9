"""Blind codes and shuffled orders, from a seed that is recorded."""

from collections.abc import Collection, Sequence
from typing import TypeVar

import numpy as np

# Without letters and digits that look or sound alike at half a metre (0 O Q D, 1 I L, 2 Z, 5 S, 8 B, U V).
ALPHABET = "ACEFHJKMNPRTWXY34679"
CODE_LENGTH = 3
T = TypeVar("T")


def blind_code(taken: Collection[str], seed: int) -> str:
    """A code of three characters not among `taken`; raises ValueError when all 8000 are used."""
    free = len(ALPHABET) ** CODE_LENGTH - len(taken)
    if free <= 0:
        raise ValueError("all blind codes are used")
    rng = np.random.default_rng([seed, len(taken)])
    while True:
        code = "".join(ALPHABET[i] for i in rng.integers(0, len(ALPHABET), CODE_LENGTH))
        if code not in taken:
            return code


def shuffled(items: Sequence[T], seed: int) -> list[T]:
    """The items in an order that depends only on the seed and their number."""
    return [items[i] for i in np.random.default_rng(seed).permutation(len(items))]


def shuffled_blocks(blocks: Sequence[Sequence[T]], seed: int) -> list[T]:
    """Each block shuffled within itself, blocks in order, so that slow drift hits no machine more than another."""
    return [item for number, block in enumerate(blocks) for item in shuffled(block, seed + number)]
