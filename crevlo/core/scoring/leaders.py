"""Who shares the first place: a winner when the draws are sure enough, otherwise the smallest set that is."""

from collections.abc import Sequence

SURE = 0.8
# What the draws themselves leave open: chances nearer than this are not told apart.
DRAW_ERROR = 0.01


def share_first(first_chances: Sequence[float], sure: float = SURE) -> tuple[int, ...]:
    """Smallest set of machines whose chances of coming first add up to `sure`, likeliest first.

    Machines whose chance the draws cannot tell from the last one's belong to it too: equal machines are never parted.
    """
    order = sorted(range(len(first_chances)), key=lambda i: -first_chances[i])
    together, chosen = 0.0, list[int]()
    for i in order:
        if together >= sure and first_chances[i] < first_chances[chosen[-1]] - DRAW_ERROR:
            break
        if len(chosen) == 1 and together >= sure:
            break
        chosen.append(i)
        together += first_chances[i]
    return tuple(chosen)
