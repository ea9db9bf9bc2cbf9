"""Departures from the protocol behind a machine's figures."""

import uuid

from crevlo.stations.bench import Bench
from crevlo.store.study import ProtocolDeviation

NO_FILE = "No sliced file on record"


def say_departure(bench: Bench, departure: ProtocolDeviation) -> str:
    """In words as they are true now: a file that was missing may have been attached since."""
    file = bench.sliced.get(departure.job_id) if departure.job_id else None
    if departure.what == NO_FILE and file is not None:
        return f"Printed without its sliced file on record, which was attached on {file.received_at:%d %B %Y}. {departure.reason}"
    return f"{departure.what}. {departure.reason}"


def departures_of(bench: Bench, unit_id: uuid.UUID) -> list[str]:
    """Departures from the protocol behind a unit's figures: those of its prints here, and those of the whole study."""
    mine = {job.id: job for job in bench.jobs_of(unit_id)}
    late = [reason for s in bench.specimens_of(unit_id) for reason in bench.late.get(s.id, [])]
    after = (
        [f"{len(late)} entered after the reveal, left out of its figures: {'; '.join(sorted(set(late)))}"]
        if late
        else []
    )
    return after + [
        f"{bench.artifacts[mine[d.job_id].artifact_id].name} {mine[d.job_id].copy}: {say_departure(bench, d)}"
        if d.job_id
        else say_departure(bench, d)
        for d in bench.deviations
        if d.job_id is None or d.job_id in mine
    ]
