"""Chances in words."""


def percent(chance: float) -> str:
    """Whole percent, never 100 or 0 where a remainder is left."""
    if 0.995 <= chance < 1:
        return "over 99 %"
    if 0 < chance < 0.005:
        return "under 1 %"
    return f"{100 * chance:.0f} %"
