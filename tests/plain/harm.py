"""Work that goes wrong in a process of its own; here, because that process loads the module it is in."""

import os


def spin() -> None:
    while True:
        pass


def eat(megabytes: int) -> int:
    return len(bytearray(megabytes << 20))


def die() -> None:
    os._exit(3)
