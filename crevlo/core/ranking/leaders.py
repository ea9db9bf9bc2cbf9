"""Who shares the first place: a winner when the draws are sure enough, otherwise the smallest set that is."""

from collections.abc import Sequence

SURE = 0.8
# Fewer machines are no field: how far they lie apart then says nothing of where their true figures come from.
FIELD_FROM = 4
# As a difference at 95 % either way: of two equal machines one pair in twenty is told apart.
TOLD_APART = 0.975
# What the draws themselves leave open: chances nearer than this are not told apart.
DRAW_ERROR = 0.01


def share_first(
    first_chances: Sequence[float], sure: float = SURE, ahead: Sequence[float] | None = None
) -> tuple[int, ...]:
    """Smallest set of machines whose chances of coming first add up to `sure`, likeliest first.

    Machines whose chance the draws cannot tell from the last one's belong to it too: equal machines are never parted.

    Of two or three machines, which are no field to draw their figures together, one alone is first only where the readings
    put it `ahead` of each other one beyond chance: two equal ones look 0.8 sure every third time, by luck.
    """
    order = sorted(range(len(first_chances)), key=lambda i: -first_chances[i])
    together, count = 0.0, 0
    while count < len(order) and together < sure:
        together += first_chances[order[count]]
        count += 1
    if count == 1:
        few = ahead is not None and len(order) < FIELD_FROM
        near = [i for i in order[1:] if few and ahead is not None and ahead[i] < TOLD_APART]
        return (order[0], *near)
    last = first_chances[order[count - 1]]
    return tuple(order[:count]) + tuple(i for i in order[count:] if first_chances[i] >= last - DRAW_ERROR)
