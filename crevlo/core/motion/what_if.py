"""What another limit would do to a printing time, in words."""

from crevlo.core.estimate import BadInput

_SAME_S = 0.5


def say_what_if(as_it_is_s: float, planned_s: float) -> str:
    """How much longer or shorter, in whole seconds or minutes. Raises BadInput for a time that is none."""
    if not as_it_is_s > 0 or not planned_s > 0:
        raise BadInput("both times must be above 0 s")
    more = planned_s - as_it_is_s
    if abs(more) < _SAME_S:
        return "That would not change the time."
    amount = f"{abs(more):.0f} s" if abs(more) < 120 else f"{abs(more) / 60:.0f} min"
    share = 100 * abs(more) / as_it_is_s
    percent = f"{share:.1f}" if share < 9.95 else f"{share:.0f}"
    return f"That would take {amount} {'longer' if more > 0 else 'less'}, {percent} %."
