"""Times that people and devices state."""

from datetime import UTC, date, datetime, timedelta

from crevlo.core.estimate import BadInput
from crevlo.stations.kit.shape import Refused


def stated_time(moment: datetime | None) -> datetime:
    """The stated time, or now; a clock more than a minute ahead is refused."""
    now = datetime.now(UTC)
    if moment is None:
        return now
    if moment.tzinfo is None:
        raise BadInput("a time needs its time zone")
    if moment > now + timedelta(minutes=1):
        raise Refused("This time lies in the future. Check the clock of your device.")
    return moment


def has_come(day: date) -> bool:
    """Whether a stated day is here somewhere on earth: one further than tomorrow is nowhere yet."""
    return day <= datetime.now(UTC).date() + timedelta(days=1)
