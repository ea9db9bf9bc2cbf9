"""What a maker claims, held against what was measured."""

import uuid
from collections.abc import Sequence

from pydantic import Field
from sqlalchemy import select
from sqlalchemy.orm import Session

from crevlo.core.claims import UNITS, ClaimKind, Once, against
from crevlo.core.estimate import Estimate, NotDetermined, determined
from crevlo.core.evaluations import EVALUATION_OF
from crevlo.core.noise import NoiseState
from crevlo.core.statistics import sample_mean
from crevlo.stations.bench import Bench
from crevlo.stations.evidence.entrant import machines_of
from crevlo.stations.evidence.study import evidence_of
from crevlo.stations.kit.change import change
from crevlo.stations.kit.shape import Missing, Refused, Shape, Version
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
    name: str = Field(default="", max_length=60, description="of a claim that is of no listed kind")
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


def claims_of(session: Session, unit: Unit, measures: Sequence[UnitMeasure], bench: Bench) -> list[ClaimOut]:
    rows = session.scalars(select(Claim).where(Claim.model_id == unit.model_id)).all()
    order = list(ClaimKind)
    found = []
    for row in sorted(rows, key=lambda c: (order.index(c.kind), c.name, c.state or "")):
        measured, where = _measured(row, unit, measures, bench)
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
    claim: Claim, unit: Unit, measures: Sequence[UnitMeasure], bench: Bench
) -> tuple[Estimate | Once | NotDetermined, str]:
    """What the study and the intake have measured of a claim, without anybody entering it again, and in what state."""
    if claim.state is not None:
        return noise_of(bench, unit.id, claim.state)
    if claim.kind is ClaimKind.OTHER:
        values = [m.value for m in measures if m.claim_id == claim.id]
        what = f"measurements of “{claim.name}”"
        return (Once(values[0]) if len(values) == 1 else determined(lambda: sample_mean(values, what))), ""
    told = _FOUND.get(claim.kind)
    if told is not None and isinstance(found := _found(told, unit, bench), Estimate | Once):
        return found, "by its prints in this study"
    return _listed(claim.kind, unit, measures), ""


# What prints of a study answer by themselves.
_FOUND = {ClaimKind.FLOW: "flow.limit", ClaimKind.ACCURACY: "off.mean"}


def _found(code: str, unit: Unit, bench: Bench) -> Estimate | Once | NotDetermined:
    """A figure of this machine's prints; of a single one its value alone."""
    evaluation = EVALUATION_OF[code]
    evidence = evidence_of(bench, machines_of(bench))
    if not any(evaluation.takes(line.features) for line in evidence.lines.values()):
        return NotDetermined("a print that tells it")
    results = evaluation.of_machines(evidence)
    figure = results.figures[code][unit.id]
    if isinstance(figure, Estimate):
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
