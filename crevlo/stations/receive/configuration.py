"""What a unit is from a change on, and what the change did."""

import uuid
from collections.abc import Callable
from datetime import datetime

from pydantic import Field
from sqlalchemy import select
from sqlalchemy.orm import Session

from crevlo.core.before_after import Comparison, Pair, changes
from crevlo.core.evaluations.defects import quality_of
from crevlo.core.evaluations.noise import run_level
from crevlo.core.evaluations.sizes import off_of
from crevlo.core.evidence import Key
from crevlo.core.evidence import Run as Printed
from crevlo.core.success import Outcome
from crevlo.stations.bench import Bench
from crevlo.stations.evidence.entrant import machines_of
from crevlo.stations.evidence.study import evidence_of
from crevlo.stations.kit.shape import Refused, Shape
from crevlo.stations.library.unit import configuration_of
from crevlo.store.machine import Configuration
from crevlo.store.run import Run


class ConfigurationOut(Shape):
    id: uuid.UUID
    number: int
    nozzle_mm: float
    firmware: str
    plate: str
    profile_set: str
    parts: str
    accessories: str
    reason: str
    opened_at: datetime
    attempts: int
    good: int


class NewConfiguration(Shape):
    id: uuid.UUID
    nozzle_mm: float = Field(gt=0, le=5)
    firmware: str = Field(min_length=1, max_length=80)
    plate: str = Field(min_length=1, max_length=80)
    profile_set: str = Field(min_length=1, max_length=80)
    parts: str = Field(default="", max_length=300)
    accessories: str = Field(default="", max_length=300)
    reason: str = Field(min_length=1, max_length=300)


class ComparisonOut(Shape):
    """Two configurations of one unit, by what was printed in each."""

    before: int
    after: int
    words: list[str]


def open_configuration(session: Session, unit_id: uuid.UUID, given: NewConfiguration) -> None:
    """A change of a unit: what is printed and measured from now on belongs to the new configuration."""
    present = configuration_of(session, unit_id)
    fields = given.model_dump(exclude={"id"})
    if all(getattr(present, name) == value for name, value in fields.items() if name != "reason"):
        raise Refused("Nothing is different from the present configuration.")
    if session.scalar(select(Run.id).where(Run.configuration_id == present.id, Run.ended_at.is_(None)).limit(1)):
        raise Refused("This unit is printing. End the run before it is changed.")
    session.add(Configuration(id=given.id, unit_id=unit_id, number=present.number + 1, **fields))
    session.flush()


def configurations_out(unit_id: uuid.UUID, bench: Bench) -> list[ConfigurationOut]:
    runs = bench.runs_of(unit_id)
    made = []
    for row in bench.configurations_of(unit_id):
        mine = [r for r in runs if r.configuration_id == row.id]
        fields = {n: getattr(row, n) for n in ConfigurationOut.model_fields if n not in ("attempts", "good")}
        good = sum(r.outcome is Outcome.DONE for r in mine)
        made.append(ConfigurationOut(attempts=sum(r.outcome is not None for r in mine), good=good, **fields))
    return made


def comparison(unit_id: uuid.UUID, bench: Bench) -> ComparisonOut | None:
    """The last two configurations in which anything was printed."""
    used = [
        c for c in bench.configurations_of(unit_id)
        if any(r.configuration_id == c.id and r.outcome for r in bench.runs_of(unit_id))
    ]  # fmt: skip
    if len(used) < 2:
        return None
    before, after = used[-2:]
    told = changes([c for c in _comparisons(bench, unit_id, before, after) if any(b or a for b, a in c.pairs)])
    return ComparisonOut(before=before.number, after=after.number, words=[c.words for c in told])


def _comparisons(bench: Bench, unit_id: uuid.UUID, before: Configuration, after: Configuration) -> list[Comparison]:
    """Piece by piece, arm by arm: what was printed in only one of the two says nothing."""
    arms = {job.id: job.arm_id for job in bench.jobs_of(unit_id)}
    evidence = evidence_of(bench, machines_of(bench))
    done = [r for r in evidence.machines[unit_id].runs if r.came_out and r.hours]
    resolution = max((i.resolution for i in bench.instruments.values() if i.kind == "caliper"), default=0.01)

    def pairs(value: Callable[[Printed], float | None]) -> list[Pair]:
        lines: dict[Key, tuple[list[float], list[float]]] = {}
        for run in done:
            found = value(run)
            if found is None or run.configuration not in (before.id, after.id):
                continue
            line = lines.setdefault((arms[run.job], run.line), ([], []))  # type: ignore[index]
            line[run.configuration == after.id].append(found)
        return list(lines.values())

    def off(run: Printed) -> float | None:
        return off_of(run.specimen, evidence.instruments) if run.specimen else None

    def level(run: Printed) -> float | None:
        found = run_level(run.levels, evidence.instruments)
        return found.value if found else None

    return [
        Comparison("Printing time", "min", 1, 1 / 60, pairs(lambda r: 60 * r.hours)),
        Comparison("Energy", "Wh", 0, 1.0, pairs(lambda r: None if r.kwh is None else 1000 * r.kwh)),
        Comparison("Noise, printing", "dB", 1, 0.1, pairs(level)),
        Comparison("Mean error of sizes", "mm", 3, resolution, pairs(off)),
        Comparison("Surface, of 100", "points", 1, 1.0, pairs(lambda r: quality_of(r.specimen))),
    ]
