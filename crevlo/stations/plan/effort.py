"""The effort of a draft as it grows, and how many copies a difference needs."""

import uuid

from pydantic import BaseModel, Field
from sqlalchemy import select
from sqlalchemy.orm import Session

from crevlo.core.effort import INSPECTION_MIN, PER_READING_S, Handling, PlannedPrint, effort
from crevlo.core.evaluations import QUANTITIES
from crevlo.core.features import KINDS, MEASURED, OPTIONAL
from crevlo.core.features.kind import places
from crevlo.core.material import OTHER_DENSITY
from crevlo.core.repeats import copies_needed, difference_told
from crevlo.core.success import Outcome
from crevlo.stations.figures.study import study_figures
from crevlo.stations.kit.shape import Missing, Shape
from crevlo.stations.library.artifact import standing
from crevlo.stations.library.model import doubt_of
from crevlo.stations.plan.expected import by_volume, histories, watts_of
from crevlo.stations.plan.freeze import PlannedLine, freeze_needs, parts_on, why_not
from crevlo.stations.protocol import Draft
from crevlo.stations.study import get_study
from crevlo.store.machine import Model, Spool, Unit
from crevlo.store.run import Run
from crevlo.store.study import Job

_STAFF_H = 7.0
# What copies are planned by: the means over copies that most studies ask for.
_PLANNED = ("off.mean", "defects", "time", "energy", "noise")
_CHANCE = 0.8


class Share(Shape):
    name: str
    amount: float


class LineEffort(Shape):
    """One line of the draft: its prints, the hours of one, how many parts lie on it, and which machines cannot print it."""

    prints: int
    hours_each: float
    parts: list[int] = Field(description="on a plate, by machine of `on`")
    on: list[str]
    left_out: list[str]
    doubts: list[str] = Field(description="what speaks against the material on a machine, before it is planned")


class EffortView(Shape):
    prints: int
    readings: int
    printing_h: float
    low_h: float
    high_h: float
    person_h: float
    energy_kwh: float
    filament: list[Share] = Field(description="g by spool")
    machines: list[Share] = Field(description="printing hours by machine")
    days: float
    bottleneck: str
    lines: list[LineEffort] = Field(description="in the order of arms and lines")
    basis: str
    freeze_needs: str = Field(description="what is missing before this can be frozen; empty where nothing is")


class SpreadOut(Shape):
    """How much copies of the same print on the same machine differ, as seen in an earlier study."""

    code: str
    name: str
    unit: str
    digits: int
    spread: float
    source: str


class Spreads(Shape):
    spreads: list[SpreadOut]


class CopiesQuery(BaseModel):
    difference: float = Field(gt=0, le=1e6)
    spread: float = Field(gt=0, le=1e6)
    copies: int = Field(ge=1, le=20)


class CopiesOut(Shape):
    needed: int | None = Field(description="copies on each machine; None when even 200 do not do")
    told: float | None = Field(description="smallest difference that the planned copies tell; None for one copy")
    chance: float


def view_effort(session: Session, study_id: uuid.UUID, draft: Draft) -> EffortView:
    """Effort of a draft as typed; nothing is saved."""
    study = get_study(session, study_id)
    models = {m.id: m for m in session.scalars(select(Model))}
    units = {u.model_id: u.id for u in session.scalars(select(Unit).order_by(Unit.mark.desc()))}
    spools = {s.id: s for s in session.scalars(select(Spool))}
    chosen = [models[c.model_id] for c in draft.candidates if c.model_id in models]
    if len(chosen) < len(draft.candidates):
        raise Missing("There is no such model.")
    # Units of one model are machines of their own.
    named = [
        (m, f"{m.name} no. {c.unit}" if c.unit > 1 else m.name) for m, c in zip(chosen, draft.candidates, strict=True)
    ]
    known = histories(session, [units[m.id] for m in chosen if m.id in units])
    prints: list[PlannedPrint] = []
    lines: list[LineEffort] = []
    assumed: set[str] = set()
    planned: list[PlannedLine] = []
    for arm in draft.arms:
        for line in arm.lines:
            a = standing(session, line.artifact)
            planned.append(PlannedLine(a, line.spool_id, line.second_spool_id, line.copies, line.parts))
            expected = by_volume(a.key, a.artifact, arm.conditions)
            reads = sum(
                places(KINDS[f.kind], draft.repeats) for f in a.artifact.features if f.kind in MEASURED - OPTIONAL
            )
            pair = [spools[i] for i in (line.spool_id, line.second_spool_id, *line.more_spool_ids) if i in spools]
            density = pair[0].density_g_cm3 if pair else OTHER_DENSITY
            left, hours, parts = [], [], []
            doubts = [
                f"{model.name}: {doubt}"
                for model in chosen
                for material in dict.fromkeys(s.material for s in pair)
                if (doubt := doubt_of(model, material))
            ]
            for model, name in named:
                if why_not(a, model):
                    left.append(name)
                    continue
                history = known.get(units.get(model.id, uuid.UUID(int=0)))
                ratio = history.ratio if history and history.ratio else 1.0
                watts = history.mean_w if history else None
                if watts is None:
                    assumed.add(name)
                lie = parts_on(a, model, line.parts)
                parts.append(lie)
                seconds = expected.seconds * ratio * lie
                hours.append(seconds / 3600)
                prints += [
                    PlannedPrint(
                        name, tuple(s.code for s in pair), seconds,
                        history.log_spread if history else expected.log_spread,
                        lie * expected.filament_mm3 / 1000 * density, watts or watts_of(model, arm.conditions, pair[0] if pair else None), reads,
                    )
                ] * line.copies  # fmt: skip
            lines.append(
                LineEffort(
                    prints=len(hours) * line.copies,
                    hours_each=sum(hours) / len(hours) if hours else 0.0,
                    parts=parts,
                    on=[name for _, name in named if name not in left],
                    left_out=left,
                    doubts=doubts,
                )
            )
    handling = Handling(
        study.labour_min, PER_READING_S, INSPECTION_MIN, _STAFF_H,
        24.0 if draft.policies.unattended == "after checks" else _STAFF_H,
    )  # fmt: skip
    made = effort(prints, handling, one_spool=draft.policies.material == "same spool")
    return EffortView(
        prints=made.prints, readings=sum(p.readings for p in prints), printing_h=made.printing_h, low_h=made.low_h,
        high_h=made.high_h, person_h=made.person_h, energy_kwh=made.energy_kwh,
        filament=[Share(name=k, amount=v) for k, v in sorted(made.filament_g.items())],
        machines=[Share(name=k, amount=v) for k, v in made.machine_h.items()], days=made.days,
        bottleneck=made.bottleneck, lines=lines, basis=_basis(assumed, len(chosen)), freeze_needs=freeze_needs(chosen, planned),
    )  # fmt: skip


def spreads(session: Session) -> Spreads:
    """Spread between copies, from the newest study with good prints."""
    newest = session.scalar(
        select(Job.study_id)
        .join(Run, Run.job_id == Job.id)
        .where(Run.outcome == Outcome.DONE)
        .order_by(Run.ended_at.desc())
        .limit(1)
    )
    if newest is None:
        return Spreads(spreads=[])
    made = study_figures(session, newest)
    return Spreads(
        spreads=[
            SpreadOut(
                code=code, name=QUANTITIES[code].name, unit=QUANTITIES[code].unit, digits=QUANTITIES[code].digits,
                spread=spread[0], source=f"{made.bench.study.title}, {spread[1]} degrees of freedom",
            )
            for code in _PLANNED
            if (spread := made.spread(code))
        ]
    )  # fmt: skip


def copies(wish: CopiesQuery) -> CopiesOut:
    return CopiesOut(
        needed=copies_needed(wish.difference, wish.spread, _CHANCE),
        told=difference_told(wish.spread, wish.copies, _CHANCE) if wish.copies > 1 else None, chance=_CHANCE,
    )  # fmt: skip


def _basis(assumed: set[str], machines: int) -> str:
    if not machines:
        return "Choose machines to see what the study takes."
    words = "Times by volume and, where a machine has printed before, by what it took then; supports are not counted."
    return words + (
        f" Energy is a rough figure by bed and temperatures for {', '.join(sorted(assumed))}: never metered."
        if assumed
        else ""
    )
