"""Who stands side by side: a machine, or one of its configurations or arms as an entrant of its own."""

import uuid
from collections.abc import Sequence
from dataclasses import dataclass
from enum import StrEnum

from crevlo.stations.bench import Bench
from crevlo.stations.kit.mark import UnitMark
from crevlo.stations.study import LineKey, line_of
from crevlo.store.study import StudyUnit


class By(StrEnum):
    MACHINE = "machine"
    CONFIGURATION = "configuration"
    ARM = "arm"


@dataclass(frozen=True)
class Entrant:
    """`bench` holds its own prints; `key` is its unit's id, unless `of` says which configuration or arm of it this is."""

    key: uuid.UUID
    entry: StudyUnit
    bench: Bench
    of: str = ""

    @property
    def name(self) -> str:
        return f"{self.entry.unit.name}, {self.of}" if self.of else self.entry.unit.name

    @property
    def mark(self) -> UnitMark:
        return UnitMark(unit_id=self.key, name=self.name, mark=self.entry.unit.mark, is_control=self.entry.is_control)


def machines_of(bench: Bench) -> list[Entrant]:
    return [Entrant(entry.unit_id, entry, bench) for entry in bench.units]


def configurations_of(bench: Bench, among: Bench | None = None) -> list[Entrant]:
    """Every configuration in which a machine printed something `among` all its prints; a machine of one configuration stands
    as it is."""
    found = []
    for entry in bench.units:
        used = {r.configuration_id for r in (among or bench).runs_of(entry.unit_id) if r.outcome is not None}
        mine = [c for c in bench.configurations_of(entry.unit_id) if c.id in used]
        if len(mine) < 2:
            found.append(Entrant(entry.unit_id, entry, bench))
            continue
        found += [
            Entrant(c.id, entry, bench.in_configuration(entry.unit_id, c.id), f"{c.number} {c.reason}") for c in mine
        ]
    return found


def arms_of(bench: Bench, lines: set[LineKey]) -> list[Entrant]:
    """Every machine in every arm that it printed in, on these lines."""
    arms = bench.protocol.arms if bench.protocol else []
    found = []
    for arm in arms:
        for entry in (u for u in bench.units if u.replaced_by is None):
            jobs = [
                j for j in bench.jobs_of(entry.unit_id) if j.arm_id == arm.id and j.counts and line_of(j) in lines
            ]
            if jobs:
                key = uuid.uuid5(entry.unit_id, str(arm.id))
                found.append(Entrant(key, entry, bench.of_jobs(jobs), arm.name if len(arms) > 1 else ""))
    order = {entry.unit_id: at for at, entry in enumerate(bench.units)}
    return sorted(found, key=lambda e: order[e.entry.unit_id])


def shared_lines(entrants: Sequence[Entrant]) -> set[LineKey]:
    """What every entrant has tried."""
    printed = [
        {line_of(job) for job in e.bench.jobs_of(e.entry.unit_id) if any(r.outcome is not None for r in e.bench.runs.get(job.id, []))}
        for e in entrants
    ]  # fmt: skip
    return set.intersection(*printed) if printed else set()


def sides_of(bench: Bench) -> list[By]:
    """What can stand side by side: machines, and configurations or arms where some machine printed in several."""
    found = [By.MACHINE]
    if len(configurations_of(bench)) > len(bench.units):
        found.append(By.CONFIGURATION)
    printed = {j.arm_id for j in bench.jobs if any(r.outcome is not None for r in bench.runs.get(j.id, []))}
    return [*found, By.ARM] if len(printed) > 1 else found
