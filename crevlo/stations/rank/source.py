"""How a machine's points on one criterion, or its total, came about under the weights on screen."""

import uuid

from pydantic import Field
from sqlalchemy.orm import Session

from crevlo.core.evaluations import QUANTITIES
from crevlo.stations.figures.source import Input, Lead, Source, figure_source
from crevlo.stations.figures.study import study_figures_by
from crevlo.stations.kit.shape import Missing
from crevlo.stations.rank.criteria import BY_CODE, unit_of
from crevlo.stations.rank.ranking import RankView, StandingLine, WhatIf, view_rank


class RankFigure(WhatIf):
    """A figure of the ranking as it is shown: one criterion or the total, under the weights on screen."""

    criterion: str = Field(max_length=60)


def rank_source(session: Session, study_id: uuid.UUID, unit_id: uuid.UUID, asked: RankFigure) -> Source:
    """How a machine's points on one criterion, or its total, came about under the weights asked for."""
    criterion = asked.criterion
    if criterion != "total" and criterion not in QUANTITIES:
        raise Missing("There is no such criterion.")
    view = view_rank(session, study_id, asked)
    standing = next((s for s in view.standings if s.machine.unit_id == unit_id), None)
    inputs = study_figures_by(session, study_id, asked.by).of_buyer(view.profile.prints_month)
    name = inputs.entrant(unit_id).name
    if criterion == "total":
        if standing is None:
            raise Missing("This machine has no line in the ranking.")
        return Source(
            title=f"Total, {name}",
            amount=f"{standing.total_low:.1f} to {standing.total_high:.1f} points, {standing.missing} figures missing"
            if standing.missing
            else f"{standing.total:.1f} ± {standing.expanded:.1f} points",
            rule="Sum of weight share · value over the criteria. ± is the 95 % range of the draws of the readings, weights as on the screen.",
            inputs=[
                Input(
                    name=BY_CODE[c.code].name, lead=Lead(station="rank", figure=c.code),
                    amount="not determined" if c.points is None else f"{c.points:.1f} points",
                    note=(c.raw.needs and f"needs {c.raw.needs}") or f"value {c.value:.0f} of 100",
                )
                for c in standing.contributions
            ],
            entries=[], departures=standing.departures,
        )  # fmt: skip
    made = figure_source(session, inputs, unit_id, criterion)
    shown = _points_inputs(view, standing, criterion, inputs.bench.study.currency)
    if criterion == "cost":
        lead = Lead(station="cost", figure="total")
        shown.append(Input(name="Make-up", amount="material to failures", note="", lead=lead))
    made.inputs = shown + made.inputs
    return made


def _points_inputs(view: RankView, standing: StandingLine | None, criterion: str, currency: str) -> list[Input]:
    """From the raw figure to points: its place between the anchors, and the weight's share."""
    kind = next((c for c in view.criteria if c.code == criterion), None)
    given = next((c for c in standing.contributions if c.code == criterion), None) if standing else None
    if kind is None or given is None or given.value is None or given.points is None:
        return []
    unit = unit_of(criterion, currency)
    share = 100 * kind.weight / sum(c.weight for c in view.criteria)
    return [
        Input(name="Value", amount=f"{given.value:.0f} of 100", note=", ".join(f"{p.value:g} at {kind.factor * p.raw:g} {unit}" for p in kind.points)),
        Input(name="Weight", amount=f"{share:.0f} of 100", note=f"so {given.points:.1f} points of at most {share:.1f}"),
    ]  # fmt: skip
