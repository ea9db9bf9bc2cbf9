"""Rank: gates, weighted points, chances, verdict, flips; computed for any weights without saving."""

import uuid
from dataclasses import replace
from typing import Annotated

import numpy as np
from pydantic import Field
from sqlalchemy import select
from sqlalchemy.orm import Session

from crevlo.core.estimate import Estimate, NotDetermined
from crevlo.core.scoring.chances import DRAWS, RankChances, draw_values, rank_chances
from crevlo.core.scoring.figure import Figure, central
from crevlo.core.scoring.gate import GateKind, Judged, Standing, judge_at_most, judge_fits_flat
from crevlo.core.scoring.points import Total, flip_weight, normalised, rounded_to_total, weighted_totals
from crevlo.core.scoring.value import ValueFunction, value_function, value_of
from crevlo.core.scoring.verdict import say_verdict
from crevlo.core.success import success_chance
from crevlo.stations.bench import Bench
from crevlo.stations.figures import MachineFigures, study_figures
from crevlo.stations.kept import Kept
from crevlo.stations.library import change
from crevlo.stations.plan.study import UnitMark, mark_of
from crevlo.stations.rank.criteria import BY_CODE
from crevlo.stations.shape import Missing, Quantity, Refused, Shape, Version, quantity
from crevlo.stations.shelf import bed_of
from crevlo.store.study import BuyerProfile, CriterionRow, GateRow, SchemeVersion, StudyUnit

WEIGHT_SPREAD = 0.3


class CriterionOut(Shape):
    code: str
    name: str
    short: str
    unit: str
    weight: float
    scheme_weight: float
    worst: float
    best: float


class GateOut(Shape):
    kind: GateKind
    limit: float
    text: str
    failing: int
    open: int


class Contribution(Shape):
    code: str
    points: float | None
    value: float | None
    raw: Quantity


class StandingLine(Shape):
    """A machine's line in the ranking."""

    machine: UnitMark
    all_in: Quantity
    rank: int | None
    best_rank: int
    worst_rank: int
    total: float
    total_low: float
    total_high: float
    expanded: float
    first_chance: float
    rank_chances: list[float]
    contributions: list[Contribution]
    missing: int
    departures: list[str] = Field(description="departures from the protocol behind its figures")
    safety: list[str] = Field(description="failed checks, hazards and repairs on record, whatever came after")
    not_recommended: str = Field(description="why it is not recommended whatever its rank; empty where it is")


class LeftOut(Shape):
    machine: UnitMark
    reason: str
    safety: list[str]
    not_recommended: str
    is_control: bool
    total: float | None


class Flip(Shape):
    criterion: str
    name: str
    direction: str
    points: float
    becomes: str


class Reason(Shape):
    code: str
    name: str
    points: float


class VerdictOut(Shape):
    headline: str
    evidence: str
    tie: bool


class ProfileOut(Shape):
    id: uuid.UUID
    name: str
    version: int


class RankView(Shape):
    profile: ProfileOut
    profiles: list[ProfileOut]
    scheme_number: int
    currency: str
    criteria: list[CriterionOut]
    gates: list[GateOut]
    standings: list[StandingLine]
    left_out: list[LeftOut]
    verdict: VerdictOut
    flips: list[Flip]
    reasons: list[Reason]
    apart: list[str] = Field(description="what is printed but kept out of the comparison, and why")
    missing_cells: int
    cells: int
    draws: int
    weight_spread: float
    first_beats_second: float | None


Weights = Annotated[
    dict[Annotated[str, Field(max_length=60)], Annotated[float, Field(ge=0, le=1000)]], Field(max_length=100)
]


class WhatIf(Shape):
    profile_id: uuid.UUID | None = None
    weights: Weights | None = None
    show_gated: bool = False


class SaveWeights(Shape):
    version: Version
    weights: Weights


class GateChange(Shape):
    version: Version
    kind: GateKind
    limit: float | None = Field(ge=0, le=1e6)


# Pure functions of what a transaction sees: keyed by its snapshot, so never stale; lost without harm.
_draws: Kept[np.ndarray] = Kept(3)


def view_rank(session: Session, study_id: uuid.UUID, what_if: WhatIf, draws: int = DRAWS) -> RankView:
    inputs = study_figures(session, study_id)
    bench = inputs.compared
    profiles = list(
        session.scalars(select(BuyerProfile).where(BuyerProfile.study_id == study_id).order_by(BuyerProfile.position))
    )
    scheme = session.scalar(
        select(SchemeVersion).where(SchemeVersion.study_id == study_id).order_by(SchemeVersion.number.desc()).limit(1)
    )
    profile = next((p for p in profiles if p.id == what_if.profile_id), None) if what_if.profile_id else profiles[0]
    if profile is None or scheme is None:
        raise Missing("There is no such buyer profile in this study.")
    criteria = scheme.criteria
    base = _base_weights(criteria, profile)
    weights = _asked_weights(base, what_if.weights)
    functions = [value_function(c.shape, [(c.worst, 0.0), (c.best, 100.0)]) for c in criteria]
    judged = {u.unit_id: _judge(bench, inputs.figures[u.unit_id], u, profile.gates) for u in bench.units}
    failing = {unit: [j.reason for _, j in rows if j.standing is Standing.FAILS] for unit, rows in judged.items()}
    entries = [u for u in bench.units if not u.is_control and (what_if.show_gated or not failing[u.unit_id])]
    rows = [[inputs.figures[u.unit_id].raw[c.code] for c in criteria] for u in entries]
    shares = [weights[c.code] for c in criteria]
    values = [_values(row, functions) for row in rows]
    totals = weighted_totals(shares, values)
    chance: RankChances | None = None
    if entries:
        key = (study_id, inputs.state, tuple(u.unit_id for u in entries), scheme.id, draws)
        chance = rank_chances(
            shares, _value_draws(key, rows, functions, bench.study.seed, draws), bench.study.seed, WEIGHT_SPREAD
        )
    middle = [(t.low + t.high) / 2 for t in totals]
    order = sorted(range(len(entries)), key=lambda i: -middle[i])
    standings = [
        _standing(entries[i], inputs.figures[entries[i].unit_id], criteria, rows[i], values[i], totals[i], middle[i], chance, i, bench)
        for i in order
    ]  # fmt: skip
    beats = float(chance.beats[order[0], order[1]]) if chance is not None and len(order) > 1 else None
    missing = sum(s.missing for s in standings)
    verdict = say_verdict(
        [s.machine.name for s in standings],
        [s.total for s in standings],
        [s.expanded for s in standings],
        beats,
        missing,
    )
    if standings and standings[0].not_recommended and not verdict.tie:
        verdict = replace(
            verdict, headline=f"{standings[0].machine.name} has the most points, but is not recommended",
            evidence=f"Not recommended: {standings[0].not_recommended.rstrip('.')}. {verdict.evidence}",
        )  # fmt: skip
    return RankView(
        profile=ProfileOut.model_validate(profile, extra="ignore"),
        profiles=[ProfileOut.model_validate(p, extra="ignore") for p in profiles],
        scheme_number=scheme.number, currency=bench.study.currency,
        criteria=[
            CriterionOut(
                code=c.code, name=BY_CODE[c.code].name, short=BY_CODE[c.code].short,
                unit=_unit(c.code, bench.study.currency), weight=weights[c.code], scheme_weight=base[c.code], worst=c.worst, best=c.best,
            )
            for c in criteria
        ],
        gates=[_gate_out(g, judged, bench) for g in profile.gates],
        apart=inputs.apart, standings=standings,
        left_out=_left_out(bench, inputs.figures, failing, what_if.show_gated, criteria, functions, shares),
        verdict=VerdictOut.model_validate(verdict),
        flips=_flips(criteria, shares, [values[i] for i in order[:2]], standings),
        reasons=_reasons(standings), missing_cells=missing, cells=len(entries) * len(criteria),
        draws=chance.draws if chance else 0, weight_spread=WEIGHT_SPREAD, first_beats_second=beats,
    )  # fmt: skip


def save_weights(session: Session, study_id: uuid.UUID, profile_id: uuid.UUID, given: SaveWeights) -> RankView:
    profile = _profile(session, study_id, profile_id)
    normalised(list(given.weights.values()))
    if set(given.weights) - set(BY_CODE):
        raise Refused("There is a weight for something that is no criterion.")
    change(session, profile, given.version, {"weights": given.weights})
    return view_rank(session, study_id, WhatIf(profile_id=profile_id))


def change_gate(session: Session, study_id: uuid.UUID, profile_id: uuid.UUID, given: GateChange) -> RankView:
    """Sets a must-have's limit; without a limit the must-have goes."""
    profile = _profile(session, study_id, profile_id)
    change(session, profile, given.version, {"name": profile.name})
    gate = next((g for g in profile.gates if g.kind is given.kind), None)
    if given.limit is None:
        if gate:
            profile.gates.remove(gate)
            session.delete(gate)
    elif gate:
        gate.limit = given.limit
    else:
        profile.gates.append(GateRow(kind=given.kind, limit=given.limit))
    session.flush()
    return view_rank(session, study_id, WhatIf(profile_id=profile_id))


def _value_draws(
    key: tuple[object, ...], rows: list[list[Figure]], functions: list[ValueFunction], seed: int, draws: int
) -> np.ndarray:
    if key[1] is None:
        return draw_values(rows, functions, seed, draws)
    return _draws.get(repr(key), lambda: draw_values(rows, functions, seed, draws))


def _base_weights(criteria: list[CriterionRow], profile: BuyerProfile) -> dict[str, float]:
    return {c.code: float(profile.weights.get(c.code, c.weight)) for c in criteria}


def _asked_weights(base: dict[str, float], asked: dict[str, float] | None) -> dict[str, float]:
    if asked is None:
        return base
    if set(asked) != set(base):
        raise Refused("Weights are needed for exactly the criteria of the scheme.")
    normalised(list(asked.values()))
    return asked


def _values(row: list[Figure], functions: list[ValueFunction]) -> list[float | None]:
    return [
        None if (x := central(figure)) is None else float(value_of(f, x))
        for figure, f in zip(row, functions, strict=True)
    ]


def _unit(code: str, currency: str) -> str:
    unit = BY_CODE[code].unit
    return currency if unit == "money" else unit


def _standing(entry: StudyUnit, figures: MachineFigures, criteria: list[CriterionRow], row: list[Figure],
              values: list[float | None], total: Total, middle: float, chance: RankChances | None, i: int, bench: Bench) -> StandingLine:  # fmt: skip
    assert chance is not None
    known = [p for p in total.contributions if p is not None]
    shown = iter(rounded_to_total(known))
    contributions = [
        Contribution(
            code=c.code, points=None if part is None else next(shown), value=value,
            raw=quantity(figure, _unit(c.code, bench.study.currency), BY_CODE[c.code].digits),
        )
        for c, part, value, figure in zip(criteria, total.contributions, values, row, strict=True)
    ]  # fmt: skip
    decided = total.best_rank == total.worst_rank
    return StandingLine(
        machine=mark_of(entry), all_in=quantity(figures.all_in, bench.study.currency, 0),
        rank=total.best_rank if decided else None, best_rank=total.best_rank, worst_rank=total.worst_rank,
        total=round(middle, 1), total_low=total.low, total_high=total.high, expanded=float(chance.expanded[i]),
        first_chance=float(chance.rank[i, 0]), rank_chances=[float(x) for x in chance.rank[i]],
        contributions=contributions, missing=sum(v is None for v in values),
        departures=bench.departures_of(entry.unit_id), safety=list(bench.records[entry.unit_id].on_record),
        not_recommended=entry.not_recommended,
    )  # fmt: skip


def _judge(
    bench: Bench, figures: MachineFigures, entry: StudyUnit, gates: list[GateRow]
) -> list[tuple[GateKind, Judged]]:
    return [(gate.kind, _judge_one(bench, figures, entry, gate)) for gate in gates]


def _judge_one(bench: Bench, figures: MachineFigures, entry: StudyUnit, gate: GateRow) -> Judged:
    raw = figures.raw
    if gate.kind is GateKind.PRICE:
        return judge_at_most("all in", figures.all_in, gate.limit, bench.study.currency)
    if gate.kind is GateKind.NOISE:
        noise = raw["noise"]
        assert isinstance(noise, Estimate | NotDetermined)
        return judge_at_most("noise at 1 m", noise, gate.limit, "dB")
    if gate.kind is GateKind.LENGTH:
        return judge_fits_flat(bed_of(entry.unit.model), gate.limit)
    if gate.kind is GateKind.SUCCESS:
        counted = figures.counted
        if not counted.tries:
            return Judged(Standing.OPEN, "success not determined: needs a finished attempt")
        mean = success_chance(counted.good, counted.tries).mean
        good = Standing.PASSES if mean >= gate.limit else Standing.FAILS
        return Judged(good, f"{counted.good} of {counted.tries} attempts good, wanted {100 * gate.limit:.0f} %")
    safe = bench.safe(entry.unit_id)
    if safe is None:
        return Judged(Standing.OPEN, "safety checks not all done")
    ended = bench.records[entry.unit_id].ended
    if ended:
        return Judged(Standing.FAILS, ended.rstrip("."))
    return Judged(
        Standing.PASSES if safe else Standing.FAILS, "safety checks passed" if safe else "a safety check failed"
    )


_GATE_TEXT = {
    GateKind.PRICE: "Up to {limit:.0f} {currency} all in",
    GateKind.NOISE: "Under {limit:.0f} dB at 1 m",
    GateKind.LENGTH: "Prints {what} flat",
    GateKind.SAFETY: "Safety checks passed",
    GateKind.SUCCESS: "At least {percent:.0f} % good prints",
}


def _gate_out(gate: GateRow, judged: dict[uuid.UUID, list[tuple[GateKind, Judged]]], bench: Bench) -> GateOut:
    control = {u.unit_id for u in bench.units if u.is_control}
    standings = [
        j.standing for unit, rows in judged.items() if unit not in control for k, j in rows if k is gate.kind
    ]
    return GateOut(
        kind=gate.kind, limit=gate.limit, failing=standings.count(Standing.FAILS), open=standings.count(Standing.OPEN),
        text=_GATE_TEXT[gate.kind].format(
            limit=gate.limit, currency=bench.study.currency, percent=100 * gate.limit,
            what=gate.what or f"a part of {gate.limit:.0f} mm",
        ),
    )  # fmt: skip


def _left_out(
    bench: Bench, figures: dict[uuid.UUID, MachineFigures], failing: dict[uuid.UUID, list[str]], show_gated: bool,
    criteria: list[CriterionRow], functions: list[ValueFunction], shares: list[float],
) -> list[LeftOut]:  # fmt: skip
    out = []
    for entry in bench.units:
        reasons = failing[entry.unit_id]
        if not entry.is_control and (not reasons or show_gated):
            continue
        row = [figures[entry.unit_id].raw[c.code] for c in criteria]
        total = weighted_totals(shares, [_values(row, functions)])[0]
        out.append(
            LeftOut(
                machine=mark_of(entry), is_control=entry.is_control, not_recommended=entry.not_recommended,
                safety=list(bench.records[entry.unit_id].on_record),
                reason="control, printed alongside to anchor the others" if entry.is_control else "; ".join(reasons),
                total=total.low if total.complete else None,
            )
        )  # fmt: skip
    return sorted(out, key=lambda x: x.is_control)


def _flips(
    criteria: list[CriterionRow], shares: list[float], values: list[list[float | None]], standings: list[StandingLine]
) -> list[Flip]:
    """Weights in points of 100 at which the second overtakes the first, the nearest change first."""
    if len(values) < 2 or any(v is None for row in values for v in row):
        return []
    a, b = ([float(v or 0.0) for v in row] for row in values)
    total = sum(shares)
    flips = []
    for at, criterion in enumerate(criteria):
        share = flip_weight(shares, a, b, at)
        if share is None:
            continue
        now = shares[at] / total
        flips.append(
            (
                abs(share - now),
                Flip(
                    criterion=criterion.code, name=BY_CODE[criterion.code].name,
                    direction="above" if share > now else "below", points=round(100 * share, 1),
                    becomes=standings[1].machine.name,
                ),
            )
        )  # fmt: skip
    return [f for _, f in sorted(flips, key=lambda pair: pair[0])[:4]]


def _reasons(standings: list[StandingLine]) -> list[Reason]:
    """Points the first has over the second by criterion, largest first."""
    if len(standings) < 2:
        return []
    second = {c.code: c.points for c in standings[1].contributions}
    reasons = [
        Reason(code=c.code, name=BY_CODE[c.code].short, points=round(c.points - other, 1))
        for c in standings[0].contributions
        if c.points is not None and (other := second[c.code]) is not None
    ]
    return sorted(reasons, key=lambda r: -r.points)


def _profile(session: Session, study_id: uuid.UUID, profile_id: uuid.UUID) -> BuyerProfile:
    profile = session.get(BuyerProfile, profile_id)
    if profile is None or profile.study_id != study_id:
        raise Missing("There is no such buyer profile in this study.")
    return profile
