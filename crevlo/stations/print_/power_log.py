"""Power logs that are handed in: their columns, and what they hold."""

import numpy as np
from pydantic import Field
from sqlalchemy.orm import Session

from crevlo.core.energy import Columns, TraceEnergy, heading_of, read_log
from crevlo.core.estimate import NotDetermined
from crevlo.stations.devices.power import Samples, energy_of
from crevlo.stations.kit.apart import apart
from crevlo.stations.kit.shape import Shape
from crevlo.stations.kit.upload import upload_content
from crevlo.store.run import Run

# Times of a log above this are moments; below they count from its start.
_SINCE_1970_S = 1e8


class TraceColumns(Shape):
    """Which columns of a log hold what; what is left out is looked for by its usual names."""

    time: str | None = Field(default=None, max_length=80)
    date: str | None = Field(default=None, max_length=80)
    power: str | None = Field(default=None, max_length=80)
    current: str | None = Field(default=None, max_length=80)
    voltage: str | None = Field(default=None, max_length=80)
    counter: str | None = Field(default=None, max_length=80)
    zone: str = Field(default="UTC", max_length=60)
    time_format: str | None = Field(default=None, max_length=40)


class TraceHeading(Shape):
    """The columns of a log that was not understood by itself, with its first rows."""

    heading: list[str]
    rows: list[list[str]]


def read_heading(content: bytes) -> TraceHeading:
    heading, rows = apart("this log", 10.0, 600, heading_of, content)
    return TraceHeading(heading=heading[:60], rows=[[c[:60] for c in row[:60]] for row in rows])


def handed_in(session: Session, run: Run) -> tuple[Samples, TraceEnergy] | None:
    """Samples and energy of the power log that was dropped on a run, laid over it where the log counts from 0."""
    if run.trace_sha256 is None:
        return None
    columns = Columns(**run.trace_columns) if run.trace_columns else None
    kind, times, values = read_log(b"".join(upload_content(session, run.trace_sha256).chunks()), columns)
    at = times if times[0] > _SINCE_1970_S else times - times[0] + run.started_at.timestamp()
    nothing = np.full(len(at), np.nan)
    samples = Samples(at, values, nothing) if kind == "power" else Samples(at, nothing, values)
    try:
        return samples, energy_of(samples, float(at[0]), float(at[-1]))
    except NotDetermined:
        return None
