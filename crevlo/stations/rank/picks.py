"""Every buyer's pick side by side, and which weights would give which winner."""

import uuid
from collections.abc import Sequence
from typing import Annotated

from pydantic import Field
from sqlalchemy.orm import Session

from crevlo.core.estimate import NotDetermined
from crevlo.core.ranking.chances import draw_values
from crevlo.core.ranking.value import value_function
from crevlo.core.ranking.weight_map import weight_map
from crevlo.stations.figures.study import study_figures_by
from crevlo.stations.kit.mark import UnitMark
from crevlo.stations.kit.shape import Refused, Shape
from crevlo.stations.rank.ranking import RankView, Reason, WhatIf, ranks_of_buyers, view_rank
from crevlo.stations.rank.scheme import latest_scheme

_DRAWS = 4_000


class Pick(Shape):
    """What one buyer is told: the pick (several in a tie, none while it is open), the runner-up, why and why not."""

    profile_id: uuid.UUID
    name: str
    headline: str
    evidence: str
    tie: bool
    pick: list[UnitMark]
    chance: float | None = Field(description="that the pick is first")
    runner_up: UnitMark | None
    why: str
    why_not: str
    open: list[str] = Field(description="what stands against the pick, or is not known of it yet")
    prints_words: str
    budget_words: list[str]
    left_out: int


class Picks(Shape):
    picks: list[Pick]


Code = Annotated[str, Field(max_length=60)]


class MapAsked(WhatIf):
    """The ranking on screen, and which criteria make the first and the second group; all others are the third."""

    first: list[Code] = Field(min_length=1, max_length=100)
    second: list[Code] = Field(min_length=1, max_length=100)


class MapPlace(Shape):
    shares: list[float]
    unit_id: uuid.UUID
    chance: float
    tie: bool


class WeightMap(Shape):
    machines: list[UnitMark] = Field(description="those that are first somewhere")
    places: list[MapPlace]
    now: list[float] = Field(description="the groups' shares of the weights on screen")
    needs: str
    says: str


def view_picks(session: Session, study_id: uuid.UUID) -> Picks:
    return Picks(picks=[pick_of(view) for view in ranks_of_buyers(session, study_id)])


def pick_of(view: RankView) -> Pick:
    first = [s for s in view.standings if s.rank == 1 and s.best_rank == s.worst_rank == 1] if not view.verdict.tie else [
        s for s in view.standings if s.rank == 1
    ]  # fmt: skip
    behind = [s for s in view.standings if s not in first]
    ahead = [r for r in view.reasons if r.points >= 0.05][:3]
    back = [r for r in reversed(view.reasons) if r.points <= -0.05][:3]
    alone = len(first) == 1 and len(view.standings) > 1
    second = view.standings[1].machine.name if alone else ""
    against = [f"{s.machine.name}: {words}" for s in first for words in [*s.doubts, *s.safety] if words]
    against += [f"{s.machine.name} is not recommended: {s.not_recommended}" for s in first if s.not_recommended]
    return Pick(
        profile_id=view.profile.id, name=view.profile.name, headline=view.verdict.headline, evidence=view.verdict.evidence,
        tie=view.verdict.tie, pick=[s.machine for s in first], chance=first[0].first_chance if len(first) == 1 else None,
        runner_up=behind[0].machine if first and behind else None,
        why=_points(ahead, 1, f"points over {second}") if alone else "",
        why_not=_points(back, -1, f"points behind {second}") if alone else "", open=against,
        prints_words=view.prints_words, budget_words=view.budget_words, left_out=sum(not m.is_control for m in view.left_out),
    )  # fmt: skip


def _points(reasons: Sequence[Reason], sign: int, words: str) -> str:
    return f"{', '.join(f'{r.name.lower()} {sign * r.points:.1f}' for r in reasons)} {words}" if reasons else ""


def view_map(session: Session, study_id: uuid.UUID, asked: MapAsked) -> WeightMap:
    """Raises Refused for a group of criteria that are not in the scheme, or in both groups."""
    view = view_rank(session, study_id, WhatIf(**asked.model_dump(exclude={"first", "second"})))
    criteria = latest_scheme(session, study_id).criteria
    codes = [c.code for c in criteria]
    if set(asked.first) & set(asked.second) or not set(asked.first) | set(asked.second) <= set(codes):
        raise Refused("A criterion stands in one group, and is one of the scheme.")
    inputs = study_figures_by(session, study_id, asked.by).of_buyer(view.profile.prints_month)
    marks = [s.machine for s in view.standings]
    groups = [0 if c in asked.first else 1 if c in asked.second else 2 for c in codes]
    weights = [c.weight for c in view.criteria]
    total = sum(weights)
    now = [sum(w for w, g in zip(weights, groups, strict=True) if g == k) / total for k in range(3)]
    try:
        rows = [[inputs.figure(code, m.unit_id) for code in codes] for m in marks]
        functions = [value_function(c.shape, [(raw, v) for raw, v in c.points]) for c in criteria]
        values = draw_values(rows, functions, inputs.bench.study.seed, _DRAWS, codes=codes)
        places = weight_map(weights, values, groups)
    except NotDetermined as missing:
        return WeightMap(machines=[], places=[], now=now, needs=missing.needs, says="")
    winners = sorted({p.first for p in places})
    return WeightMap(
        machines=[marks[w] for w in winners],
        places=[
            MapPlace(shares=list(p.shares), unit_id=marks[p.first].unit_id, chance=p.chance, tie=p.tie) for p in places
        ],
        now=now, needs="", says=_say_map([marks[p.first].name for p in places if not p.tie], len(places)),
    )  # fmt: skip


def _say_map(decided: list[str], places: int) -> str:
    """Who is first over how much of the triangle."""
    if not decided:
        return "Wherever the weights lie, nobody is surely first."
    shares = {name: decided.count(name) / places for name in dict.fromkeys(decided)}
    order = sorted(shares.items(), key=lambda x: -x[1])
    if len(order) == 1 and len(decided) == places:
        return f"{order[0][0]} is first wherever the weights lie."
    words = [f"{name} over {100 * share:.0f} %" for name, share in order]
    open_ = 1 - len(decided) / places
    still = f"; over {100 * open_:.0f} % nobody surely is" if open_ > 0.005 else ""
    return f"First by these groups' weights: {', '.join(words)} of the triangle{still}."
