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
    together, count = 0.0, 0
    while count < len(order) and together < sure:
        together += first_chances[order[count]]
        count += 1
    if count == 1:
        return (order[0],)
    last = first_chances[order[count - 1]]
    return tuple(order[:count]) + tuple(i for i in order[count:] if first_chances[i] >= last - DRAW_ERROR)
