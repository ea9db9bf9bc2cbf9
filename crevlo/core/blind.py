"""Blind codes and places in the queue, from a secret that is opened at the reveal; and shuffled orders, from a seed."""

import hashlib
import hmac
from collections.abc import Collection, Sequence
from typing import TypeVar

import numpy as np

# Without letters and digits that look or sound alike at half a metre (0 O Q D, 1 I L, 2 Z, 5 S, 8 B, U V).
ALPHABET = "ACEFHJKMNPRTWXY34679"
CODE_LENGTH = 3
CODE_RULE = (
    f"Code: HMAC-SHA-256 of the secret over “code PRINT TRY”, as a number modulo {len(ALPHABET) ** CODE_LENGTH}, its "
    f"{CODE_LENGTH} digits to the base {len(ALPHABET)}, lowest first, as letters of {ALPHABET}; PRINT is the number of the "
    "run, TRY counts from 0 past codes that were taken. Place in the queue: the same over “place PRINT”, lowest first."
)
_ALL = len(ALPHABET) ** CODE_LENGTH
T = TypeVar("T")


def blind_code(taken: Collection[str], secret: str, print_id: str) -> str:
    """A code of three characters not among `taken`; raises ValueError when all 8000 are used.

    The codes to try are the digits, to the base of the alphabet's length, of HMAC-SHA-256(secret, "code <print> <try>")
    modulo 8000, for try 0, 1, 2 …; the first that is free counts.
    """
    if len(taken) >= _ALL:
        raise ValueError("all blind codes are used")
    tried = 0
    while (code := candidate(secret, print_id, tried)) in taken:
        tried += 1
    return code


def candidate(secret: str, print_id: str, tried: int) -> str:
    """The code that is tried after `tried` others."""
    number = _number(secret, f"code {print_id} {tried}") % _ALL
    letters = []
    for _ in range(CODE_LENGTH):
        number, digit = divmod(number, len(ALPHABET))
        letters.append(ALPHABET[digit])
    return "".join(letters)


def place_in_queue(secret: str, print_id: str) -> float:
    """Where a print stands in the shuffled queue, 0 to 1."""
    return _number(secret, f"place {print_id}") / 2**256


def follows(code: str, secret: str, print_id: str, *, most: int = 200) -> bool:
    """Whether a code is one that the secret gives for this print: what anybody can check after the reveal."""
    return any(candidate(secret, print_id, tried) == code for tried in range(most))


def _number(secret: str, text: str) -> int:
    return int.from_bytes(hmac.new(secret.encode(), text.encode(), hashlib.sha256).digest())


def shuffled(items: Sequence[T], seed: int) -> list[T]:
    """The items in an order that depends only on the seed and their number."""
    return [items[i] for i in np.random.default_rng(seed).permutation(len(items))]


def shuffled_blocks(blocks: Sequence[Sequence[T]], seed: int) -> list[T]:
    """Each block shuffled within itself, blocks in order, so that slow drift hits no machine more than another."""
    return [item for number, block in enumerate(blocks) for item in shuffled(block, seed + number)]
