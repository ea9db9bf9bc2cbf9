"""Figures of a study's machines: the catalogue's evaluations over one snapshot, each once, when it is first asked for."""

import uuid
from collections.abc import Collection, Mapping, Sequence
from dataclasses import dataclass, field, replace
from threading import RLock

from sqlalchemy.orm import Session

from crevlo.core.cost import CostInputs
from crevlo.core.estimate import NotDetermined
from crevlo.core.evaluations import EVALUATION_OF, EVALUATIONS
from crevlo.core.evaluations.cost import plates
from crevlo.core.evaluations.duration import TIME
from crevlo.core.evaluations.energy import ENERGY
from crevlo.core.evaluations.evaluation import Results
from crevlo.core.evaluations.success import attempts
from crevlo.core.evidence import Evidence, Key
from crevlo.core.figure import Counted, Figure
from crevlo.core.on_line import evidence_on
from crevlo.core.statistics import Line, widest
from crevlo.stations.bench import Bench, load_bench
from crevlo.stations.blind import hides
from crevlo.stations.evidence.entrant import By, Entrant, arms_of, configurations_of, machines_of, shared_lines
from crevlo.stations.evidence.study import evidence_of
from crevlo.stations.kit.kept import Kept
from crevlo.stations.kit.shape import Missing
from crevlo.stations.kit.snapshot import print_of, state_of
from crevlo.stations.study import LineKey, line_of
from crevlo.store.study import Job


@dataclass
class StudyFigures:
    """A study as one transaction sees it. `compared` holds what all machines print, on which figures stand side by side;
    `entrants` are who stands there, the machines unless their configurations or arms were asked for.

    `state` is the key of what was seen, None where it must not be kept; whatever is worked out from these figures is kept
    under the same.
    """

    state: str | None
    bench: Bench
    compared: Bench
    evidence: Evidence
    entrants: Sequence[Entrant]
    apart: list[str]
    _results: dict[str, Results] = field(default_factory=dict)
    _plates: dict[Key, CostInputs | NotDetermined] = field(default_factory=dict)
    _alone: RLock = field(default_factory=RLock)

    def results(self, evaluation: str) -> Results:
        """An evaluation of the catalogue over this study, by its code."""
        with self._alone:
            if evaluation not in self._results:
                rule = next(e for e in EVALUATIONS if e.code == evaluation)
                self._results[evaluation] = rule.of_machines(self.evidence)
            return self._results[evaluation]

    def figures(self, quantity: str) -> Mapping[Key, Figure]:
        """One quantity of every unit, or what it needs."""
        return self.results(EVALUATION_OF[quantity].code).figures[quantity]

    def has(self, quantity: str) -> bool:
        """Whether anything printed tells it."""
        takes = EVALUATION_OF[quantity].takes
        return any(takes(line.features) for line in self.evidence.lines.values())

    def figure(self, quantity: str, key: uuid.UUID) -> Figure:
        return self.figures(quantity)[key]

    def entrant(self, key: uuid.UUID) -> Entrant:
        """Raises Missing for what takes no part."""
        found = next((e for e in self.entrants if e.key == key), None)
        if found is None:
            raise Missing("This unit takes no part in the study.")
        return found

    def of_buyer(self, prints_month: float | None) -> "StudyFigures":
        """The same with cost as it is for a buyer of so many prints a month."""
        if prints_month is None:
            return self

        def make() -> StudyFigures:
            basis = replace(self.evidence.basis, prints_month=prints_month)
            state = None if self.state is None else f"{self.state} {prints_month} a month"
            return replace(
                self,
                state=state,
                evidence=replace(self.evidence, basis=basis),
                _results={},
                _plates={},
                _alone=RLock(),
            )

        return make() if self.state is None else _on_lines.get(f"{self.state} {prints_month} a month", make)

    def lines(self, quantity: str) -> Sequence[Line]:
        """What a quantity is a mean over; nothing where it is no such mean."""
        return self.results(EVALUATION_OF[quantity].code).lines.get(quantity, [])

    def spread(self, quantity: str) -> tuple[float, int] | None:
        """The widest spread between copies of one line with its degrees of freedom; None where there is none."""
        line = widest(self.lines(quantity))
        return (line.spread, line.dof) if line and line.spread else None

    def counted(self, key: uuid.UUID) -> tuple[Counted, int]:
        """Good of all attempts that count, and how many were excused."""
        return attempts(self.evidence.machines[key], self.evidence.counted, first_only=False)

    def plates(self) -> dict[Key, CostInputs | NotDetermined]:
        """What one plate takes on each machine."""
        with self._alone:
            if not self._plates:
                self._plates = plates(self.evidence, self.figures(ENERGY.code), self.figures(TIME.code))
            return self._plates


# Counted in prints, each of some 35 kB with what is read off it; a study takes as much as thirty by itself.
MOST_PRINTS = 10_000


def _prints_of(made: StudyFigures) -> int:
    """Never more than all that may be kept: the largest study is kept alone."""
    return min(MOST_PRINTS, 30 + len(made.bench.jobs))


# A pure function of the rows that a transaction sees: keyed by them, so never stale; lost without harm.
_known: Kept[StudyFigures] = Kept(MOST_PRINTS, _prints_of)
_on_lines: Kept[StudyFigures] = Kept(3 * MOST_PRINTS, _prints_of)
# The fingerprint of a study's rows, by everything that had been written when it was taken.
_prints: Kept[str] = Kept(64)


def study_figures(session: Session, study_id: uuid.UUID) -> StudyFigures:
    """Loads once for the same rows, whatever is written elsewhere; rows in it are detached from the session.

    While parts are hidden, what was entered of them is withheld from whoever this session asks for (`blind.hides`).
    """
    state, withheld = state_of(session), hides(session, study_id)
    if state is None:
        return _load(session, study_id, None)
    mark = _prints.get(f"{study_id} {state}", lambda: print_of(session, study_id))
    key = f"{study_id} {mark}{' withheld' if withheld else ''}"
    return _known.get(key, lambda: _load(session, study_id, key))


def figures_on(inputs: StudyFigures, arm_id: uuid.UUID, lines: Collection[LineKey]) -> StudyFigures:
    """Figures of one arm on these lines alone, of every unit that prints them."""

    def make() -> StudyFigures:
        jobs = [j for j in inputs.bench.jobs if j.arm_id == arm_id and j.counts and line_of(j) in lines]
        compared = inputs.bench.of_jobs(jobs)
        return _figures(None, inputs.bench, compared, machines_of(compared), [])

    if inputs.state is None:
        return make()
    return _on_lines.get(f"{inputs.state} {arm_id} {sorted(map(str, lines))}", make)


def _load(session: Session, study_id: uuid.UUID, state: str | None) -> StudyFigures:
    bench = load_bench(session, study_id).whole()
    compared = bench.comparable()
    made = _figures(state, bench, compared, machines_of(compared), _apart(bench, compared))
    session.expunge_all()
    return made


def _figures(
    state: str | None, bench: Bench, compared: Bench, entrants: Sequence[Entrant], apart: list[str]
) -> StudyFigures:
    return StudyFigures(state, bench, compared, evidence_of(compared, entrants), entrants, apart)


def without_lines(inputs: StudyFigures, gone: Collection[LineKey]) -> StudyFigures:
    """Figures of the same machines, for the same buyer, on all other lines."""
    left = inputs.evidence.lines.keys() - set(gone)
    return _told_by(inputs, evidence_on(inputs.evidence, left, alone=False))


def without_word_of(inputs: StudyFigures, person_id: uuid.UUID) -> StudyFigures:
    """Figures of the same prints, for the same buyer, without what a person scored and judged."""
    compared = inputs.compared.without_person(person_id)
    evidence = evidence_of(compared, machines_of(compared))
    return _told_by(inputs, replace(evidence, basis=inputs.evidence.basis))


def _told_by(inputs: StudyFigures, evidence: Evidence) -> StudyFigures:
    return replace(inputs, state=None, evidence=evidence, _results={}, _plates={}, _alone=RLock())


def study_figures_by(session: Session, study_id: uuid.UUID, by: By) -> StudyFigures:
    """A study's figures with its machines, or their configurations or arms, side by side on what all of these printed."""
    inputs = study_figures(session, study_id)
    if by is By.MACHINE:
        return inputs
    if inputs.state is None:
        return _split(inputs, by)
    return _on_lines.get(f"{inputs.state} by {by}", lambda: _split(inputs, by))


def _split(inputs: StudyFigures, by: By) -> StudyFigures:
    whole = inputs.bench if by is By.ARM else inputs.compared
    entrants = entrants_by(whole, by, whole)
    lines = shared_lines(entrants) or set(inputs.compared.lines)
    kept = whole.of_jobs([j for j in whole.jobs if line_of(j) in lines])
    apart = [w for w in _apart(inputs.bench, inputs.compared, by) if w]
    left = sorted({inputs.bench.artifacts[a].name for a, s in set(whole.lines) - lines})
    if left:
        apart.append(f"Not printed in every {by}, so it stays out of this comparison: {', '.join(left)}.")
    state = None if inputs.state is None else f"{inputs.state} by {by}"
    return _figures(state, inputs.bench, kept, entrants_by(kept, by, whole), apart)


def entrants_by(bench: Bench, by: By, among: Bench) -> list[Entrant]:
    """Who stands side by side on this bench; what there is to stand there is told by all that is `among` it."""
    match by:
        case By.MACHINE:
            return machines_of(bench)
        case By.CONFIGURATION:
            return configurations_of(bench, among)
        case By.ARM:
            return arms_of(bench, set(bench.lines))


def _once(bench: Bench, unit_id: uuid.UUID) -> list[tuple[Job, str]]:
    """What a unit cannot print and why, each line once."""
    jobs = {line_of(job): job for job in bench.jobs_of(unit_id) if job.id in bench.cannot}
    return [(job, bench.cannot[job.id]) for job in jobs.values()]


def _apart(bench: Bench, compared: Bench, by: By = By.MACHINE) -> list[str]:
    """In words what is printed and measured but stays out of the comparison."""
    if bench.protocol is None or not bench.jobs:
        return []
    kept = {line_of(j) for j in compared.jobs}
    first, *others = bench.protocol.arms
    words = [] if by is By.CONFIGURATION else _other_configurations(bench)
    did = "printed it" if bench.study.entered_from else "can print it"
    words += [
        f"{line.artifact.name} from {line.spool.code}: not every machine {did}, so it stays out of the comparison."
        for line in first.lines
        if line.spool and (line.artifact_id, line.spool_id) not in kept
    ]
    words += [
        f"{entry.unit.name} cannot print the {bench.artifacts[job.artifact_id].name} from {bench.spools[job.spool_id].code}: "
        f"{why}."
        for entry in bench.units
        if entry.replaced_by is None
        for job, why in _once(bench, entry.unit_id)
    ]
    words += [
        f"{u.unit.name} was replaced by {u.replacement.rstrip('.')}. What it printed stays on record and is not compared."
        for u in bench.units
        if u.replaced_by
    ]
    aside = sum(not job.counts for job in bench.jobs)
    if aside:
        words.append(
            f"{aside} print{'' if aside == 1 else 's'} outside the plan {'does' if aside == 1 else 'do'} not count, as was said."
        )
    if by is By.ARM:
        return words
    return words + [f"The arm “{arm.name}” is kept apart: figures are of the arm “{first.name}”." for arm in others]


def _other_configurations(bench: Bench) -> list[str]:
    """In words what was printed in another configuration than the one that the figures are of."""
    said = []
    for unit_id, main in bench.main_configurations().items():
        other = [r for r in bench.runs_of(unit_id) if r.outcome and r.configuration_id != main]
        if not other:
            continue
        entry = next(u for u in bench.units if u.unit_id == unit_id)
        chosen = bench.configurations[main]
        others = sorted({bench.configurations[r.configuration_id].number for r in other})
        said.append(
            f"{entry.unit.name}: figures are of its configuration {chosen.number} ({chosen.reason}); {len(other)} "
            f"prints in configuration {', '.join(map(str, others))} are kept apart. Failed tries count in all of them."
        )
    return said
