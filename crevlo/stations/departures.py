"""Departures from the protocol behind a machine's figures."""

import uuid

from crevlo.stations.bench import Bench


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
        f"{bench.artifacts[mine[d.job_id].artifact_id].name} {mine[d.job_id].copy}: {d.what}. {d.reason}"
        if d.job_id
        else f"{d.what}. {d.reason}"
        for d in bench.deviations
        if d.job_id is None or d.job_id in mine
    ]
