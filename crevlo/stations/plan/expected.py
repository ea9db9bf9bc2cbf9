"""What each print of a plan is expected to take: by its sliced file, by what its machine did before, or by volume."""

import math
import uuid
from collections import defaultdict
from collections.abc import Sequence
from dataclasses import dataclass

from sqlalchemy import func, select
from sqlalchemy.orm import Session

from crevlo.core.artifacts.artifact import Artifact
from crevlo.core.effort import is_absurd
from crevlo.core.heat import printing_watts
from crevlo.core.material import usual_of
from crevlo.core.print_estimate import SPREAD_BY_FILE, SPREAD_BY_VOLUME, Expected, expected_print
from crevlo.core.ratio import TimeRatio, time_ratio
from crevlo.core.success import Outcome
from crevlo.stations.kit.kept import Kept
from crevlo.stations.library.artifact import stored
from crevlo.stations.protocol import Conditions, wanted_by
from crevlo.store.machine import ArtifactVersion, Model, Spool
from crevlo.store.run import Run, SlicedFile
from crevlo.store.study import Arm, Job

_FEWEST_RUNS = 2
_expected: Kept[Expected] = Kept(500)


def watts_of(model: Model, conditions: Conditions, spool: Spool | None) -> float:
    """What a model that was never metered draws in an arm, by its bed and the temperatures that the arm or the material asks
    for."""
    asked = wanted_by(conditions, spool) if spool else None
    usual = (usual_of(spool.material) if spool else None) or usual_of("PLA")
    assert usual is not None
    nozzle_c = asked.nozzle_c if asked and asked.nozzle_c is not None else usual.nozzle_c
    bed_c = asked.bed_c if asked and asked.bed_c is not None else usual.bed_c
    return printing_watts(model.bed_x_mm, model.bed_y_mm, nozzle_c, bed_c)


@dataclass(frozen=True)
class History:
    """A unit's finished prints: actual over expected time with its spread, actual over the time of the sliced file, and
    mean power; None where unknown."""

    ratio: float | None
    of_file: float | None
    log_spread: float
    mean_w: float | None
    runs: int


def by_volume(key: str, artifact: Artifact, conditions: Conditions) -> Expected:
    """Expected print of an artifact under an arm's conditions; what is left to the maker is taken as usual."""
    c = {
        k: v
        for k, v in conditions.model_dump(include={"layer_height_mm", "walls", "nozzle_mm", "infill_percent"}).items()
        if v
    }
    return _expected.get(
        f"{key} {c}",
        lambda: expected_print(artifact.volume_mm3, artifact.surface_mm2, artifact.size_mm[2], **c),
    )  # fmt: skip


def file_ratios(session: Session, unit_ids: Sequence[uuid.UUID]) -> dict[uuid.UUID, TimeRatio]:
    """How units keep the times of the files they printed, over all studies; units without such a print are left out."""
    rows = session.execute(
        select(Job.unit_id, Run.started_at, Run.ended_at, Run.paused_s, SlicedFile.facts["time_s"].as_float())
        .join(Job, Job.id == Run.job_id).join(SlicedFile, SlicedFile.id == Run.sliced_file_id)
        .where(Job.unit_id.in_(unit_ids), Run.outcome == Outcome.DONE, Run.ended_at > Run.started_at)
    )  # fmt: skip
    pairs: dict[uuid.UUID, list[tuple[float, float]]] = defaultdict(list)
    for unit_id, started_at, ended_at, paused_s, stated_s in rows:
        took_s = (ended_at - started_at).total_seconds() - paused_s
        if stated_s and took_s > 0 and not is_absurd(took_s, stated_s):
            pairs[unit_id].append((took_s, stated_s))
    return {unit_id: time_ratio(mine) for unit_id, mine in pairs.items()}


def histories(session: Session, unit_ids: Sequence[uuid.UUID]) -> dict[uuid.UUID, History]:
    """What units did in all studies so far."""
    rows = session.execute(
        select(
            Job.unit_id,
            Run.started_at,
            Run.ended_at,
            Run.paused_s,
            Run.energy_kwh,
            Job.artifact_id,
            Job.arm_id,
            func.coalesce(Run.parts, Job.parts).label("parts"),
        )
        .join(Job, Job.id == Run.job_id)
        .where(Job.unit_id.in_(unit_ids), Run.outcome == Outcome.DONE, Run.ended_at.is_not(None))
    ).all()
    artifacts = {
        a.id: a
        for a in session.scalars(select(ArtifactVersion).where(ArtifactVersion.id.in_({r.artifact_id for r in rows})))
    }
    arms = {a.id: a for a in session.scalars(select(Arm).where(Arm.id.in_({r.arm_id for r in rows})))}
    logs: dict[uuid.UUID, list[float]] = defaultdict(list)
    power: dict[uuid.UUID, list[float]] = defaultdict(list)
    for r in rows:
        took = (r.ended_at - r.started_at).total_seconds() - r.paused_s
        if took <= 0:
            continue
        a = stored(session, artifacts[r.artifact_id])
        expected = by_volume(a.key, a.artifact, Conditions(**arms[r.arm_id].conditions))
        if is_absurd(took, expected.seconds * r.parts):
            continue
        logs[r.unit_id].append(math.log(took / (expected.seconds * r.parts)))
        if r.energy_kwh is not None:
            power[r.unit_id].append(r.energy_kwh * 3.6e6 / took)
    kept = file_ratios(session, unit_ids)
    found = {}
    for unit_id in unit_ids:
        of_file = kept.get(unit_id)
        mine, watts = logs[unit_id], power[unit_id]
        mean = sum(mine) / len(mine) if mine else 0.0
        enough = len(mine) >= _FEWEST_RUNS
        spread = math.sqrt(sum((x - mean) ** 2 for x in mine) / (len(mine) - 1)) if enough else SPREAD_BY_VOLUME
        found[unit_id] = History(
            ratio=math.exp(mean) if enough else None,
            of_file=of_file.mean if of_file and of_file.prints >= _FEWEST_RUNS else None,
            # A few alike prints do not show how far another artifact may be off.
            log_spread=max(spread, SPREAD_BY_FILE) if enough else SPREAD_BY_VOLUME,
            mean_w=sum(watts) / len(watts) if watts else None, runs=len(mine),
        )  # fmt: skip
    return found
