"""Machines of other studies, and figures that somebody states, as references: what this study's machines are held against."""

import uuid
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field, replace
from datetime import datetime
from enum import StrEnum

from sqlalchemy import select
from sqlalchemy.orm import Session

from crevlo.core.estimate import Estimate, NotDetermined, determined
from crevlo.core.evaluations import EVALUATION_OF
from crevlo.core.evaluations.cost import COST_OF_PART
from crevlo.core.evaluations.evaluation import Results
from crevlo.core.evidence import Evidence, Key, Machine
from crevlo.core.figure import Figure, as_estimate
from crevlo.core.on_line import evidence_on
from crevlo.core.statistics import sample_mean
from crevlo.stations.bench import Bench
from crevlo.stations.evidence.entrant import machines_of
from crevlo.stations.evidence.study import evidence_of
from crevlo.stations.figures.study import StudyFigures, study_figures
from crevlo.stations.kit.kept import Kept
from crevlo.stations.study import LineKey
from crevlo.store.study import StudyReference


class ReferenceKind(StrEnum):
    MACHINE = "machine"
    TYPICAL = "typical"
    STATED = "stated"


@dataclass
class Member:
    """One machine of another study: its prints of the same pieces and material, valued as this study values them."""

    name: str
    study: str
    unit_id: uuid.UUID
    mark: int
    evidence: Evidence
    last: datetime | None
    state: str | None
    _results: dict[tuple[str, float | None], Results] = field(default_factory=dict)

    def figure(self, code: str) -> Figure:
        rule = EVALUATION_OF[code]
        # Only cost follows from the buyer, so all else is kept across buyers.
        key = rule.code, self.evidence.basis.prints_month if rule is COST_OF_PART else None
        if key not in self._results:
            self._results[key] = rule.of_machines(self.evidence)
        return self._results[key].figures[code][self.unit_id]

    def on(self, lines: Sequence[LineKey]) -> "Member":
        """The same machine on these lines alone."""
        return replace(self, evidence=evidence_on(self.evidence, lines), _results={})

    def of_buyer(self, prints_month: float) -> "Member":
        basis = replace(self.evidence.basis, prints_month=prints_month)
        return replace(self, evidence=replace(self.evidence, basis=basis))

    @property
    def printed(self) -> set[Key]:
        return {run.line for run in self.evidence.machines[self.unit_id].good}


@dataclass(frozen=True)
class Reference:
    """What machines are held against: a machine of another study, what is typical of several, or figures as stated."""

    id: uuid.UUID
    kind: ReferenceKind
    name: str
    about: str
    members: Sequence[Member]
    stated: Mapping[str, Estimate]
    gone: int
    """How many of its machines are in no study any more."""

    def figure(self, code: str) -> Figure:
        """On all pieces of this study, or on those it was asked `on`."""
        if self.kind is ReferenceKind.STATED:
            return self.stated.get(code, NotDetermined("a stated figure"))
        figures = [m.figure(code) for m in self.members]
        if self.kind is ReferenceKind.MACHINE:
            return figures[0] if figures else NotDetermined("its study")
        known = [as_estimate(f).value for f in figures if not isinstance(f, NotDetermined)]
        return determined(lambda: sample_mean(known, "machines with this figure"))

    def on(self, lines: Sequence[LineKey]) -> "Reference":
        """The same on these lines alone; stated figures are of whatever they are of."""
        return replace(self, members=[m.on(lines) for m in self.members])

    def of_buyer(self, prints_month: float | None) -> "Reference":
        """The same with cost as it is for a buyer of so many prints a month; stated figures are as stated."""
        if prints_month is None:
            return self
        return replace(self, members=[m.of_buyer(prints_month) for m in self.members])

    @property
    def state(self) -> str:
        """Equal keys stand for equal figures, beside this study's own."""
        return f"{self.id} {[m.state for m in self.members]}"

    @property
    def age(self) -> str:
        """What its figures are of, in words."""
        if self.kind is ReferenceKind.STATED:
            return self.about
        if not self.members:
            return "its study is gone"
        days = [m.last for m in self.members if m.last]
        latest = f", the last print {max(days):%-d %B %Y}" if days else ", nothing printed of the same pieces"
        if self.kind is ReferenceKind.MACHINE:
            one = self.members[0]
            return f"{one.name} in “{one.study}”{latest}"
        return f"mean of {len(self.members)} machines{latest}"


# By the rows that both studies' figures follow from.
_members: Kept[Member] = Kept(24)


def references_of(session: Session, inputs: StudyFigures) -> list[Reference]:
    """In the order in which they were added."""
    rows = session.execute(
        select(
            StudyReference.id, StudyReference.kind, StudyReference.name, StudyReference.about, StudyReference.members,
            StudyReference.figures,
        ).where(StudyReference.study_id == inputs.bench.study.id)
        .order_by(StudyReference.recorded_at, StudyReference.id)
    )  # fmt: skip
    found = []
    for id_, kind, name, about, of, figures in rows.all():
        members = [_member(session, inputs, uuid.UUID(s), uuid.UUID(u)) for s, u in of]
        found.append(
            Reference(
                id_, ReferenceKind(kind), name, about, [m for m in members if m],
                {code: Estimate(given["value"], given["u"]) for code, given in figures.items()},
                sum(m is None for m in members),
            )
        )  # fmt: skip
    return found


def _member(session: Session, inputs: StudyFigures, study_id: uuid.UUID, unit_id: uuid.UUID) -> Member | None:
    source = study_figures(session, study_id)
    if not any(u.unit_id == unit_id for u in source.bench.units):
        return None
    if inputs.state is None or source.state is None:
        return _made(inputs, source, unit_id)
    return _members.get(f"{inputs.state} {source.state} {unit_id}", lambda: _made(inputs, source, unit_id))


def _made(inputs: StudyFigures, source: StudyFigures, unit_id: uuid.UUID) -> Member:
    bench, theirs = inputs.bench, source.bench
    entry = next(u for u in theirs.units if u.unit_id == unit_id)
    arm = theirs.protocol.arms[0].id if theirs.protocol else None
    counts = theirs.valued_as(bench.study).of_jobs([j for j in theirs.jobs if j.arm_id == arm and j.counts])
    made = evidence_of(counts, machines_of(counts))
    # The same piece of the same material, whichever spool of it.
    lines = {(a, bench.spools[s].material): (a, s) for a, s in inputs.compared.lines}
    same = {line: found for line in counts.lines if (found := lines.get((line[0], counts.spools[line[1]].material)))}
    evidence = Evidence(
        machines={k: _moved(m, same) for k, m in made.machines.items()},
        lines=dict(inputs.evidence.lines),
        instruments=made.instruments, basis=inputs.evidence.basis, counted=inputs.evidence.counted,
    )  # fmt: skip
    return Member(
        entry.unit.name,
        theirs.study.title,
        unit_id,
        entry.unit.mark,
        evidence,
        _last(counts, unit_id, same),
        source.state,
    )


def _moved(machine: Machine, same: Mapping[LineKey, LineKey]) -> Machine:
    """Its prints under the lines of this study; prints of other pieces stay out."""
    runs = [replace(r, line=same[r.line]) for r in machine.runs if r.line in same]  # type: ignore[index]
    return replace(
        machine, runs=tuple(runs), filament={same[k]: f for k, f in machine.filament.items() if k in same}  # type: ignore[index]
    )  # fmt: skip


def _last(bench: Bench, unit_id: uuid.UUID, same: Mapping[LineKey, LineKey]) -> datetime | None:
    ended = [
        run.ended_at
        for job in bench.jobs_of(unit_id) if (job.artifact_id, job.spool_id) in same
        for run in bench.runs.get(job.id, []) if run.ended_at
    ]  # fmt: skip
    return max(ended, default=None)
