"""What a maker claims, held against what was measured."""

import uuid
from collections import defaultdict
from collections.abc import Sequence
from functools import cached_property

from pydantic import Field
from sqlalchemy import select
from sqlalchemy.orm import Session

from crevlo.core.claims import UNITS, ClaimKind, Once, against
from crevlo.core.estimate import Estimate, NotDetermined, determined
from crevlo.core.evaluations import EVALUATION_OF
from crevlo.core.evaluations.evaluation import WITHHELD, Results
from crevlo.core.evidence import Evidence
from crevlo.core.noise import NoiseState
from crevlo.core.statistics import sample_mean
from crevlo.stations.bench import Bench
from crevlo.stations.evidence.entrant import machines_of
from crevlo.stations.evidence.study import evidence_of
from crevlo.stations.kit.change import change
from crevlo.stations.kit.shape import Missing, Name, Refused, Shape, Version
from crevlo.stations.receive.measures import mean_of, printable
from crevlo.stations.receive.printing import noise_of
from crevlo.store.machine import Unit
from crevlo.store.record import Claim, MeasureKind, UnitMeasure


class ClaimOut(Shape):
    id: uuid.UUID
    version: int
    kind: ClaimKind
    value: float
    name: str = Field(description="of a claim that is of no listed kind")
    unit: str
    less_is_better: bool
    state: NoiseState | None = Field(description="of a noise claim: what it is compared in")
    said: str
    holds: bool | None
    words: str


class NewClaim(Shape):
    id: uuid.UUID
    kind: ClaimKind
    value: float = Field(ge=0, le=1e6)
    said: str = Field(default="", max_length=300, description="the maker's own words and where they stand")
    name: Name = Field(default="", max_length=60, description="of a claim that is of no listed kind")
    unit: str = Field(default="", max_length=20)
    less_is_better: bool = False
    state: NoiseState | None = Field(default=None, description="of a noise claim; printing where it is left out")


class ClaimChange(Shape):
    version: Version
    value: float = Field(ge=0, le=1e6)
    said: str = Field(default="", max_length=300)


def add_claim(session: Session, unit: Unit, given: NewClaim) -> None:
    fields = given.model_dump() | {"name": given.name.strip(), "unit": given.unit.strip()}
    if given.kind is ClaimKind.OTHER:
        if not fields["name"]:
            raise Refused("Say what is claimed.")
    else:
        fields |= {"name": "", "unit": "", "less_is_better": False}
    fields["state"] = (given.state or NoiseState.PRINTING) if given.kind is ClaimKind.NOISE else None
    known = session.scalar(
        select(Claim.id).where(
            Claim.model_id == unit.model_id, Claim.kind == given.kind, Claim.name == fields["name"],
            Claim.state.is_not_distinct_from(fields["state"]),
        )
    )  # fmt: skip
    if known:
        raise Refused(f"The {fields['name'] or given.kind.value} is claimed already; change that claim.")
    session.add(Claim(model_id=unit.model_id, **fields))
    session.flush()


def change_claim(session: Session, unit: Unit, claim_id: uuid.UUID, given: ClaimChange) -> None:
    row = session.get(Claim, claim_id)
    if row is None or row.model_id != unit.model_id:
        raise Missing("There is no such claim.")
    change(session, row, given.version, {"value": given.value, "said": given.said})


def claims_of(session: Session, unit: Unit, bench: Bench) -> list[ClaimOut]:
    """What is claimed of a unit's model, held against what was measured of the unit."""
    return _told(unit, _claims(session, {unit.model_id})[unit.model_id], bench, _Told(bench))


def claims_by_unit(session: Session, bench: Bench) -> dict[uuid.UUID, list[ClaimOut]]:
    """The same of every unit of a study."""
    rows, told = _claims(session, {u.unit.model_id for u in bench.units}), _Told(bench)
    return {u.unit_id: _told(u.unit, rows[u.unit.model_id], bench, told) for u in bench.units}


def _claims(session: Session, model_ids: set[uuid.UUID]) -> dict[uuid.UUID, list[Claim]]:
    found: dict[uuid.UUID, list[Claim]] = defaultdict(list)
    for row in session.scalars(select(Claim).where(Claim.model_id.in_(model_ids))):
        found[row.model_id].append(row)
    return found


class _Told:
    """What prints of a study answer by themselves, each evaluation run once."""

    def __init__(self, bench: Bench) -> None:
        self._bench = bench
        self._results: dict[str, Results] = {}

    def of(self, code: str) -> Results | None:
        """None where no print tells it."""
        evaluation = EVALUATION_OF[code]
        if not any(evaluation.takes(line.features) for line in self._evidence.lines.values()):
            return None
        if code not in self._results:
            self._results[code] = evaluation.of_machines(self._evidence)
        return self._results[code]

    @cached_property
    def _evidence(self) -> Evidence:
        return evidence_of(self._bench, machines_of(self._bench))


def _told(unit: Unit, rows: Sequence[Claim], bench: Bench, told: _Told) -> list[ClaimOut]:
    order, measures = list(ClaimKind), bench.measures.get(unit.id, [])
    found = []
    for row in sorted(rows, key=lambda c: (order.index(c.kind), c.name, c.state or "")):
        measured, where = _measured(row, unit, measures, bench, told)
        made = against(
            row.kind, row.value, measured, unit=row.unit, less_is_better=row.less_is_better, where=where,
        )  # fmt: skip
        found.append(
            ClaimOut(
                id=row.id, version=row.version, kind=row.kind, value=row.value, unit=UNITS.get(row.kind, row.unit),
                name=row.name, less_is_better=row.less_is_better, state=row.state, said=row.said, holds=made.holds,
                words=made.words,
            )
        )  # fmt: skip
    return found


def _measured(
    claim: Claim, unit: Unit, measures: Sequence[UnitMeasure], bench: Bench, told: _Told
) -> tuple[Estimate | Once | NotDetermined, str]:
    """What the study and the intake have measured of a claim, without anybody entering it again, and in what state."""
    if claim.state is not None:
        return noise_of(bench, unit.id, claim.state)
    if claim.kind is ClaimKind.OTHER:
        values = [m.value for m in measures if m.claim_id == claim.id]
        what = f"measurements of “{claim.name}”"
        return (Once(values[0]) if len(values) == 1 else determined(lambda: sample_mean(values, what))), ""
    code = _FOUND.get(claim.kind)
    if code is not None and isinstance(found := _found(code, unit, told), Estimate | Once):
        return found, "by its prints in this study"
    return _listed(claim.kind, unit, measures), ""


# What prints of a study answer by themselves.
_FOUND = {ClaimKind.FLOW: "flow.limit", ClaimKind.ACCURACY: "off.mean"}


def _found(code: str, unit: Unit, told: _Told) -> Estimate | Once | NotDetermined:
    """A figure of this machine's prints; of a single one its value alone."""
    results = told.of(code)
    if results is None:
        return NotDetermined("a print that tells it")
    figure = results.figures[code][unit.id]
    if isinstance(figure, Estimate) or figure is WITHHELD:
        return figure
    values = [v for line in results.lines.get(code, []) for v in line.values.get(unit.id, [])]
    return Once(values[0]) if len(values) == 1 else NotDetermined("a print that tells it")


def _listed(kind: ClaimKind, unit: Unit, measures: Sequence[UnitMeasure]) -> Estimate | NotDetermined:
    if kind in (ClaimKind.BED_X, ClaimKind.BED_Y):
        area = printable(unit.model, measures)
        side = area.width_mm if kind is ClaimKind.BED_X else area.depth_mm
        return NotDetermined("the edges that the nozzle does not reach") if side is None else Estimate(side, 1.0)
    if kind is ClaimKind.WARRANTY:
        return NotDetermined("nothing: it is a promise")
    if kind is ClaimKind.ACCURACY:
        return NotDetermined("a measured print with faces")
    kinds = {
        ClaimKind.SPEED: MeasureKind.SPEED, ClaimKind.FLOW: MeasureKind.FLOW, ClaimKind.HEIGHT: MeasureKind.HEIGHT,
        ClaimKind.NOZZLE: MeasureKind.NOZZLE, ClaimKind.BED: MeasureKind.BED, ClaimKind.WARM_UP: MeasureKind.WARM_BOTH,
        ClaimKind.WEIGHT: MeasureKind.WEIGHT,
    }  # fmt: skip
    return mean_of(measures, kinds[kind])
