"""How far each planned print of a study has come, counted by the database instead of loading what was recorded."""

import uuid
from collections.abc import Mapping
from dataclasses import dataclass, fields
from datetime import datetime
from typing import Any, Literal

from sqlalchemy import Row, text
from sqlalchemy.orm import Session

from crevlo.core.features import MEASURED, OPTIONAL
from crevlo.core.success import Outcome
from crevlo.store.database import SQL

Stage = Literal["planned", "printing", "failed", "printed", "measured", "inspected"]
_STATES = text((SQL / "job_states.sql").read_text())


@dataclass(frozen=True, slots=True)
class JobState:
    """One planned print: which it is, its tries so far, and what was read and judged of its specimen."""

    id: uuid.UUID
    unit_id: uuid.UUID
    arm_id: uuid.UUID
    artifact_id: uuid.UUID
    spool_id: uuid.UUID
    copy: int
    position: int
    added: str
    """What it is outside the plan; empty for a planned one."""
    counts: bool
    tries: int
    failed: int
    used: int
    """Tries that count against those that the protocol allows."""
    outcome: Outcome | None
    """Of the last try; None before the first, and while one is under way."""
    started_at: datetime | None
    """Of the last try."""
    specimen_id: uuid.UUID | None
    readings: int
    """And features judged, each once."""
    judged: bool
    has_file: bool
    time_s: float | None
    """What its sliced file says that it takes."""
    layers: int | None

    @property
    def live(self) -> bool:
        return self.tries > 0 and self.outcome is None

    def stage(self, due: Mapping[uuid.UUID, int]) -> Stage:
        """How far it has come; `due`: readings that a specimen should get, by artifact."""
        if self.specimen_id is None:
            return "planned" if not self.tries else "printing" if self.live else "failed"
        if self.readings < due[self.artifact_id]:
            return "printed"
        return "inspected" if self.judged else "measured"


def job_states(session: Session, study_id: uuid.UUID) -> list[JobState]:
    """In the order of printing."""
    return [
        _state(row)
        for row in session.execute(
            _STATES, {"study": study_id, "measured": sorted(MEASURED), "optional": sorted(OPTIONAL)}
        )
    ]


def _state(row: Row[Any]) -> JobState:
    values = list(row)
    values[_OUTCOME] = _OUTCOMES[values[_OUTCOME]]
    return JobState(*values)


_OUTCOMES: dict[str | None, Outcome | None] = {None: None, **{outcome.value: outcome for outcome in Outcome}}
_OUTCOME = [f.name for f in fields(JobState)].index("outcome")
