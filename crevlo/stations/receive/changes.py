"""How long a colour change of a unit takes: by stopwatch, as marked or reported, by the power of its prints, by its files."""

import math
import uuid
from collections.abc import Mapping, Sequence

import numpy as np
from sqlalchemy import Float, Integer, select
from sqlalchemy.orm import Session

from crevlo.core.colour_changes import change_time
from crevlo.core.estimate import Estimate, NotDetermined
from crevlo.core.phases import Phase, Span, each_s, guess_spans
from crevlo.stations.devices.device import device_of
from crevlo.stations.devices.power import Samples, looked_through
from crevlo.stations.kit.kept import Kept
from crevlo.stations.print_.power_log import handed_in
from crevlo.stations.receive.measures import mean_of
from crevlo.store.device import DeviceKind
from crevlo.store.record import MeasureKind, UnitMeasure
from crevlo.store.run import Run, SlicedFile

# A trace is read for each.
_MOST_RUNS = 4
_by_power: Kept[Estimate | NotDetermined] = Kept(200)


def change_words(
    session: Session,
    unit_id: uuid.UUID,
    measures: Sequence[UnitMeasure],
    ended: Sequence[Run],
    phases: Mapping[uuid.UUID, tuple[list[Span], str]],
) -> list[str]:
    """One sentence with each way it was timed, and what the files plan; nothing where no print changed its colour."""
    timed = mean_of(measures, MeasureKind.COLOUR)
    marked = [s for r in ended for s in each_s(phases[r.id][0], Phase.FILAMENT)]
    planned = _planned(session, ended)
    changed = [r for r in ended if r.id in planned][-_MOST_RUNS:]
    by_power = [_of_power(session, r, unit_id, planned[r.id][0], phases[r.id][0]) for r in changed]
    said = []
    if isinstance(timed, Estimate):
        n = sum(m.kind is MeasureKind.COLOUR for m in measures)
        said.append(f"{_amount(timed)} by stopwatch ({n})")
    if marked:
        said.append(f"{math.fsum(marked) / len(marked):.0f} s as marked or reported ({len(marked)})")
    seen = [e for e in by_power if isinstance(e, Estimate)]
    if seen:
        whole = _pooled(seen)
        of = f"{len(seen)} prints" if len(seen) > 1 else "one print"
        said.append(f"{_amount(whole)} by the power of {of} ({sum(int(e.dof) + 1 for e in seen)} changes)")
    files = ""
    if planned:
        changes = sum(n for n, _ in planned.values())
        files = f"its files plan {math.fsum(n * s for n, s in planned.values()) / changes:.0f} s"
    if said:
        return [f"A colour change takes {'; '.join(said)}{'; ' if files else ''}{files}."]
    if not files:
        return []
    needs = next((e.needs for e in by_power if isinstance(e, NotDetermined)), "")
    return [
        f"A colour change was not timed; {files}."
        + (f" The power of its prints tells it once there is {needs}." if needs else "")
    ]


def _amount(seconds: Estimate) -> str:
    return f"{seconds.value:.1f} ± {seconds.expanded:.1f} s"


def _pooled(found: Sequence[Estimate]) -> Estimate:
    """By the number of changes behind each."""
    counts = [e.dof + 1 for e in found]
    n = math.fsum(counts)
    mean = math.fsum(c * e.value for c, e in zip(counts, found, strict=True)) / n
    return Estimate(mean, math.hypot(*(c * e.u / n for c, e in zip(counts, found, strict=True))), n - len(found))


def _planned(session: Session, ended: Sequence[Run]) -> dict[uuid.UUID, tuple[int, float]]:
    """By run the changes of the file it was printed from and the s that each is planned with, where there are any."""
    changes, seconds = SlicedFile.facts["tool_changes"].astext.cast(Integer), SlicedFile.facts["change_s"].astext
    rows = session.execute(
        select(SlicedFile.id, changes, seconds.cast(Float)).where(
            SlicedFile.id.in_([r.sliced_file_id for r in ended if r.sliced_file_id]),
            changes > 0,
            seconds.is_not(None),
        )
    )
    by_file = {file_id: (n, s) for file_id, n, s in rows.tuples()}
    return {r.id: by_file[r.sliced_file_id] for r in ended if r.sliced_file_id in by_file}


def _of_power(
    session: Session, run: Run, unit_id: uuid.UUID, planned: int, found: list[Span]
) -> Estimate | NotDetermined:
    # An ended run's power does not change but by another log, which is a change of the run.
    return _by_power.get(
        f"{run.id} {run.version} {len(found)}", lambda: _told(_samples(session, run, unit_id), planned, found)
    )


def _told(samples: Samples | None, planned: int, found: list[Span]) -> Estimate | NotDetermined:
    if samples is None:
        return NotDetermined("a power log")
    has = np.isfinite(samples.power_w)
    at, watts = samples.at[has], samples.power_w[has]
    try:
        printing = [s for s in found or guess_spans(at, watts) if s.phase in (Phase.PRINTING, Phase.FILAMENT)]
        if not printing:
            return NotDetermined("the power of its printing")
        inside = (at >= printing[0].begin_s) & (at <= printing[-1].end_s)
        return change_time(at[inside], watts[inside], planned)
    except NotDetermined as missing:
        # Anew: one that was raised holds on to the samples it was raised over.
        return NotDetermined(missing.needs)


def _samples(session: Session, run: Run, unit_id: uuid.UUID) -> Samples | None:
    given = handed_in(session, run)
    if given is not None:
        return given[0]
    meter = device_of(session, unit_id, DeviceKind.POWER_METER, run.started_at)
    if meter is None or run.ended_at is None:
        return None
    return looked_through(session, meter, run.started_at, run.ended_at)[0]
