"""Places of a ranking drawn together, where there are more machines than anybody reads places of."""

from collections.abc import Sequence

# So many places are told one by one.
SINGLE = 8
_ENDS = (1, 3, 5, 10, 20, 50)


def place_bands(machines: int) -> list[tuple[int, int]]:
    """First and last place of each band, from 1 to `machines`: each place by itself, or of many 1, 2 to 3, 4 to 5, 6 to 10,
    11 to 20, 21 to 50, and then by hundreds."""
    if machines <= SINGLE:
        return [(n, n) for n in range(1, machines + 1)]
    ends = [end for end in (*_ENDS, *range(100, machines, 100)) if end < machines]
    starts = [1, *(end + 1 for end in ends)]
    return list(zip(starts, [*ends, machines], strict=True))


def in_bands(chances: Sequence[float], bands: Sequence[tuple[int, int]]) -> list[float]:
    """Chances of each place, shape (machines,), as those of each band."""
    return [float(sum(chances[first - 1 : last])) for first, last in bands]
