"""Everything recorded for one study, each kind of row by one query once it is asked for."""

import uuid
from collections import defaultdict
from collections.abc import Collection
from copy import copy
from functools import cached_property
from typing import Any

from sqlalchemy import Select, func, select
from sqlalchemy.orm import InstrumentedAttribute, Session, aliased, selectinload

from crevlo.core.defects import Defect
from crevlo.core.money import Money, Rate
from crevlo.core.safety import SafetyRecord
from crevlo.core.success import Outcome
from crevlo.stations.ability import cannot_print
from crevlo.stations.blind import hides
from crevlo.stations.entered import (
    HandRow,
    JudgementRow,
    ScoreRow,
    ValuesRow,
    current_judgements,
    current_rejections,
    current_scores,
    current_values,
    late_entries,
    studied_hands,
    touched,
)
from crevlo.stations.judged import current_duels, own_defects
from crevlo.stations.noise import current_noise
from crevlo.stations.past import Past, pasts_of
from crevlo.stations.price import NO_PRICE, Price, Worths, prices_of
from crevlo.stations.rate import stated_rates
from crevlo.stations.rubric_scores import said_of
from crevlo.stations.safety import latest_safety, safety_records, safety_standing
from crevlo.stations.study import LineKey, current_protocol, get_study, line_of, measured_of, readings_due
from crevlo.store.inspection import Duel
from crevlo.store.machine import ArtifactVersion, Check, Configuration, FeatureRow, Instrument, SafetyCheck, Spool
from crevlo.store.reading import Rejection
from crevlo.store.record import AssemblyStep, FeatureWorth, ModelFeature, UnitMeasure
from crevlo.store.run import NoiseReading, Run, SlicedFile, Specimen
from crevlo.store.study import Arm, Job, ProtocolDeviation, ProtocolVersion, Study, StudyUnit


class Bench:
    """The rows of a study as they count now: corrections applied, latest safety checks, latest sliced files.

    Each part is read when it is first asked for, by one query; with `unit_ids` only what belongs to these units.
    """

    def __init__(self, session: Session, study: Study, unit_ids: frozenset[uuid.UUID] | None = None) -> None:
        self._session: Session | None = session
        self._of = unit_ids
        self.study = study
        self.withheld = False

    @property
    def _ask(self) -> Session:
        assert self._session is not None, "this part of a bench was not read before its session ended"
        return self._session

    def whole(self) -> "Bench":
        """Reads every part, so that nothing is asked for once the session has ended."""
        for name, part in vars(Bench).items():
            if isinstance(part, cached_property):
                getattr(self, name)
        self._session = None
        return self

    def _with(self, **parts: object) -> "Bench":
        """The same bench with other rows in some of its parts."""
        made = copy(self)
        for sorted_out in ("job_of", "lines", "line_of_run", "_jobs_by_unit", "_specimens_by_unit", "_specimen_ids"):
            vars(made).pop(sorted_out, None)
        vars(made).update(parts)
        return made

    @cached_property
    def protocol(self) -> ProtocolVersion | None:
        return current_protocol(self._ask, self.study.id)

    @cached_property
    def arm_names(self) -> dict[uuid.UUID, str]:
        """By arm; nothing where there is only one."""
        of = self.protocol.id if self.protocol else None
        arms = dict(self._ask.execute(select(Arm.id, Arm.name).where(Arm.protocol_id == of)).tuples().all())
        return arms if len(arms) > 1 else dict.fromkeys(arms, "")

    @cached_property
    def units(self) -> list[StudyUnit]:
        return [u for u in self.study.units if self._of is None or u.unit_id in self._of]

    @cached_property
    def _unit_ids(self) -> list[uuid.UUID]:
        return [u.unit_id for u in self.units]

    @cached_property
    def jobs(self) -> list[Job]:
        query = select(Job).where(Job.study_id == self.study.id).options(selectinload(Job.unit))
        query = query if self._of is None else query.where(Job.unit_id.in_(self._of))
        return list(self._ask.scalars(query.order_by(Job.position)))

    @cached_property
    def job_of(self) -> dict[uuid.UUID, Job]:
        return {job.id: job for job in self.jobs}

    @cached_property
    def lines(self) -> dict["LineKey", uuid.UUID]:
        """What is printed, by line: the artifact."""
        return {line_of(job): job.artifact_id for job in self.jobs}

    @cached_property
    def _jobs_by_unit(self) -> dict[uuid.UUID, list[Job]]:
        found: dict[uuid.UUID, list[Job]] = defaultdict(list)
        for job in self.jobs:
            found[job.unit_id].append(job)
        return found

    def jobs_of(self, unit_id: uuid.UUID) -> list[Job]:
        return self._jobs_by_unit.get(unit_id, [])

    @cached_property
    def runs(self) -> dict[uuid.UUID, list[Run]]:
        """By job, in order of attempts."""
        found: dict[uuid.UUID, list[Run]] = defaultdict(list)
        for run in self._ask.scalars(self._of_jobs(select(Run), Run.job_id).order_by(Run.attempt)):
            found[run.job_id].append(run)
        return found

    @cached_property
    def specimens(self) -> list[Specimen]:
        query = select(Specimen).where(Specimen.study_id == self.study.id).order_by(Specimen.position)
        if self._of is not None:
            query = self._of_jobs(query.join(Run, Run.id == Specimen.run_id), Run.job_id)
        return list(self._ask.scalars(query))

    @cached_property
    def _specimen_ids(self) -> list[uuid.UUID]:
        return [s.id for s in self.specimens]

    @cached_property
    def values(self) -> dict[uuid.UUID, list[ValuesRow]]:
        """By specimen, its readings."""
        return current_values(self._ask, self._specimen_ids)

    @cached_property
    def judgements(self) -> dict[uuid.UUID, list[JudgementRow]]:
        """By specimen."""
        return current_judgements(self._ask, self._specimen_ids)

    @cached_property
    def scores(self) -> dict[uuid.UUID, list[ScoreRow]]:
        """By specimen, locked ones only."""
        return current_scores(self._ask, self._specimen_ids, locked_only=True)

    @cached_property
    def own_defects(self) -> tuple[Defect, ...]:
        """Faults that this study looks for beside the built-in ones."""
        return own_defects(self._ask, self.study.id)

    @cached_property
    def duels(self) -> list[Duel]:
        """Those that were not taken back."""
        return current_duels(self._ask, self.study.id)

    @cached_property
    def _touched(self) -> set[uuid.UUID]:
        return touched(self._ask, self._specimen_ids)

    @cached_property
    def late(self) -> dict[uuid.UUID, list[str]]:
        """By specimen, why something was entered after the reveal."""
        return late_entries(self._ask, self._specimen_ids)

    @cached_property
    def rejections(self) -> dict[uuid.UUID, Rejection]:
        """By run, prints that cannot be used."""
        run_of = {s.id: s.run_id for s in self.specimens}
        return {run_of[s]: r for s, r in current_rejections(self._ask, self._specimen_ids).items()}

    @cached_property
    def noise(self) -> dict[uuid.UUID, list[NoiseReading]]:
        """By run, or by unit where it printed nothing."""
        run_ids = [run.id for tries in self.runs.values() for run in tries]
        return current_noise(self._ask, run_ids, self._unit_ids)

    @cached_property
    def artifacts(self) -> dict[uuid.UUID, ArtifactVersion]:
        # Jobs are made of the lines of the protocol that was frozen, which stays; a part of a bench asks for its own jobs' alone.
        protocol = self.protocol if self._of is None else None
        wanted = set() if protocol and protocol.frozen_at else {job.artifact_id for job in self.jobs}
        wanted |= {line.artifact_id for arm in (protocol.arms if protocol else []) for line in arm.lines}
        return {a.id: a for a in self._ask.scalars(select(ArtifactVersion).where(ArtifactVersion.id.in_(wanted)))}

    @cached_property
    def features(self) -> dict[uuid.UUID, FeatureRow]:
        """Those measured in mm, of all artifacts."""
        return {f.id: f for a in self.artifacts.values() for f in measured_of(a)}

    @cached_property
    def instruments(self) -> dict[uuid.UUID, Instrument]:
        return {i.id: i for i in self._ask.scalars(select(Instrument).options(selectinload(Instrument.earlier)))}

    @cached_property
    def hands(self) -> list[HandRow]:
        """What gauge studies say of people with instruments."""
        return studied_hands(self._ask)

    @cached_property
    def spools(self) -> dict[uuid.UUID, Spool]:
        return {s.id: s for s in self._ask.scalars(select(Spool))}

    @cached_property
    def sliced(self) -> dict[uuid.UUID, SlicedFile]:
        """By job, the latest."""
        query = self._of_jobs(select(SlicedFile), SlicedFile.job_id).where(SlicedFile.withdrawn_at.is_(None))
        return {file.job_id: file for file in self._ask.scalars(query.order_by(SlicedFile.received_at))}

    @cached_property
    def safety(self) -> dict[uuid.UUID, dict[Check, SafetyCheck]]:
        """By unit."""
        return latest_safety(self._ask, self._unit_ids)

    @cached_property
    def records(self) -> dict[uuid.UUID, SafetyRecord]:
        """By unit."""
        return safety_records(self._ask, self._unit_ids)

    @cached_property
    def prices(self) -> dict[uuid.UUID, Price]:
        """By unit, as they count in this study."""
        return prices_of(self._ask, self.study.id, self._unit_ids)

    @cached_property
    def pasts(self) -> dict[uuid.UUID, Past]:
        """By unit its whole life, where upkeep counts as its log says."""
        return pasts_of(self._ask, self._unit_ids) if self.study.upkeep_from_log else {}

    @cached_property
    def measures(self) -> dict[uuid.UUID, list[UnitMeasure]]:
        """By unit, corrections applied."""
        newer = aliased(UnitMeasure)
        found: dict[uuid.UUID, list[UnitMeasure]] = defaultdict(list)
        for row in self._ask.scalars(
            select(UnitMeasure).outerjoin(newer, newer.supersedes_id == UnitMeasure.id)
            .where(UnitMeasure.unit_id.in_(self._unit_ids), newer.id.is_(None)).order_by(UnitMeasure.taken_at)
        ):  # fmt: skip
            found[row.unit_id].append(row)
        return found

    @cached_property
    def assembly_s(self) -> dict[uuid.UUID, float]:
        """By unit, what its assembly took."""
        query = select(AssemblyStep.unit_id, func.sum(AssemblyStep.seconds)).group_by(AssemblyStep.unit_id)
        return dict(self._ask.execute(query.where(AssemblyStep.unit_id.in_(self._unit_ids))).tuples().all())

    @cached_property
    def worth(self) -> Worths:
        """What features are worth to this reviewer, and which each model has."""
        rows = {f.id: f for f in self._ask.scalars(select(FeatureWorth))}
        base = next((Money(f.worth, f.currency) for f in rows.values() if f.is_base), None)
        present: dict[uuid.UUID, list[Money]] = defaultdict(list)
        models = {u.unit.model_id for u in self.units}
        for has in self._ask.scalars(select(ModelFeature).where(ModelFeature.model_id.in_(models))):
            present[has.model_id].append(Money(rows[has.feature_id].worth, rows[has.feature_id].currency))
        return Worths(base, present)

    @cached_property
    def said(self) -> dict[uuid.UUID, dict[str, tuple[int, ...]]]:
        """By unit and rubric, what people gave it."""
        return said_of(self._ask, self.study.id)

    @cached_property
    def rates(self) -> list[Rate]:
        """What currencies were worth in each other, in the order it was stated."""
        return stated_rates(self._ask)

    @cached_property
    def configurations(self) -> dict[uuid.UUID, Configuration]:
        query = select(Configuration).where(Configuration.unit_id.in_(self._unit_ids))
        return {c.id: c for c in self._ask.scalars(query)}

    @cached_property
    def line_of_run(self) -> dict[uuid.UUID, LineKey]:
        return {run.id: line_of(job) for job in self.jobs for run in self.runs.get(job.id, [])}

    def configurations_of(self, unit_id: uuid.UUID) -> list[Configuration]:
        """In the order in which they were opened."""
        return sorted((c for c in self.configurations.values() if c.unit_id == unit_id), key=lambda c: c.number)

    @cached_property
    def deviations(self) -> list[ProtocolDeviation]:
        mine = ProtocolDeviation.study_id == self.study.id
        return list(self._ask.scalars(select(ProtocolDeviation).where(mine).order_by(ProtocolDeviation.recorded_at)))

    def _of_jobs(self, query: Select[Any], job_id: InstrumentedAttribute[uuid.UUID]) -> Select[Any]:
        """A query of what belongs to the jobs of this bench."""
        query = query.join(Job, Job.id == job_id).where(Job.study_id == self.study.id)
        return query if self._of is None else query.where(Job.unit_id.in_(self._of))

    def due(self, artifact_id: uuid.UUID) -> int:
        """Readings that a specimen of this artifact should get."""
        return readings_due(self.protocol, self.artifacts[artifact_id])

    @cached_property
    def cannot(self) -> dict[uuid.UUID, str]:
        """By job why its machine cannot print it, as was said last."""
        return cannot_print(self._ask, self.study.id, lambda: self.jobs)

    def comparable(self) -> "Bench":
        """The first arm's jobs of what every machine prints; what one cannot print stays out, unless nothing else is left. A unit
        that was replaced is compared no more."""
        arm_id = self.protocol.arms[0].id if self.protocol else None
        here = [u for u in self.units if u.replaced_by is None]
        everybody = {u.unit_id for u in here}
        mine = [job for job in self.jobs if job.arm_id == arm_id and job.counts and job.unit_id in everybody]
        units_of: dict[LineKey, set[uuid.UUID]] = defaultdict(set)
        ruled_out = {line_of(job) for job in mine if job.id in self.cannot}
        for job in mine:
            units_of[line_of(job)].add(job.unit_id)
        shared = [job for job in mine if units_of[line_of(job)] == everybody]
        return self._with(units=here).of_jobs([job for job in shared if line_of(job) not in ruled_out] or shared)

    def of_jobs(self, jobs: list[Job]) -> "Bench":
        """These jobs alone, with what came of them."""
        run_ids = {run.id for job in jobs for run in self.runs.get(job.id, [])}
        return self._with(jobs=jobs, specimens=[s for s in self.specimens if s.run_id in run_ids])

    def valued_as(self, study: Study) -> "Bench":
        """The same prints with the currency and cost basis of another study."""
        return self._with(study=study)

    def without_person(self, person_id: uuid.UUID) -> "Bench":
        """The same prints without what one person judged and scored."""
        scores = {k: [s for s in rows if s.person_id != person_id] for k, rows in self.scores.items()}
        judged = {k: [j for j in rows if j.person_id != person_id] for k, rows in self.judgements.items()}
        return self._with(scores=scores, judgements=judged)

    def without_entries(self) -> "Bench":
        """The same prints without anything that was read, judged, compared or rejected of a part: what a person sees who is
        still blind."""
        return self._with(values={}, judgements={}, scores={}, rejections={}, late={}, duels=[], withheld=True)

    def runs_of(self, unit_id: uuid.UUID) -> list[Run]:
        return [run for job in self.jobs_of(unit_id) for run in self.runs.get(job.id, [])]

    def noise_of(self, unit_id: uuid.UUID) -> list[NoiseReading]:
        """Of its runs, and of the unit while it prints nothing."""
        return [n for run in self.runs_of(unit_id) for n in self.noise.get(run.id, [])] + self.noise.get(unit_id, [])

    @cached_property
    def _specimens_by_unit(self) -> dict[uuid.UUID, list[Specimen]]:
        unit_of = {run.id: job.unit_id for job in self.jobs for run in self.runs.get(job.id, [])}
        found: dict[uuid.UUID, list[Specimen]] = defaultdict(list)
        for specimen in self.specimens:
            if specimen.run_id in unit_of:
                found[unit_of[specimen.run_id]].append(specimen)
        return found

    def specimens_of(self, unit_id: uuid.UUID) -> list[Specimen]:
        return self._specimens_by_unit.get(unit_id, [])

    def main_configuration(self, unit_id: uuid.UUID) -> uuid.UUID | None:
        """The configuration in which most of a unit's prints came through; the earlier of two with as many."""
        counts: dict[uuid.UUID, int] = defaultdict(int)
        for run in sorted(self.runs_of(unit_id), key=lambda r: r.started_at):
            counts[run.configuration_id] += run.outcome is Outcome.DONE
        return max(counts, key=lambda c: (counts[c], -self.configurations[c].number), default=None)

    def main_configurations(self) -> dict[uuid.UUID, uuid.UUID]:
        """Of each unit that printed."""
        return {u: c for u in self._jobs_by_unit if (c := self.main_configuration(u))}

    def in_configuration(self, unit_id: uuid.UUID, configuration_id: uuid.UUID) -> "Bench":
        """One unit alone, with its runs in one configuration."""
        return self.of_jobs(self.jobs_of(unit_id))._in_configurations({configuration_id})

    def _in_configurations(self, wanted: set[uuid.UUID]) -> "Bench":
        runs = {job: [r for r in tries if r.configuration_id in wanted] for job, tries in self.runs.items()}
        ids = {r.id for tries in runs.values() for r in tries}
        return self._with(runs=runs, specimens=[s for s in self.specimens if s.run_id in ids])

    def safe(self, unit_id: uuid.UUID) -> bool | None:
        """True when every check passed last and testing has not ended, False when not, None while a check is missing."""
        return False if self.records[unit_id].ended else safety_standing(self.safety.get(unit_id, {}))

    def untouched(self, specimen_id: uuid.UUID) -> bool:
        """Whether nobody has read, judged or scored it yet: only until then may its code be told beside its print."""
        return specimen_id not in self._touched

    def price_of(self, unit_id: uuid.UUID) -> Price:
        return self.prices.get(unit_id, NO_PRICE)


def load_bench(session: Session, study_id: uuid.UUID, unit_ids: Collection[uuid.UUID] | None = None) -> Bench:
    """A study's records, all or those of some units, without what is withheld from whoever the session asks for
    (`blind.hides`). Raises Missing where there is no such study."""
    bench = Bench(session, get_study(session, study_id), None if unit_ids is None else frozenset(unit_ids))
    return bench.without_entries() if hides(session, study_id) else bench
