"""Rank: gates, weighted points, chances, verdict, flips; computed for any weights without saving."""

import uuid
from collections import defaultdict
from collections.abc import Sequence
from dataclasses import dataclass

from pydantic import Field
from sqlalchemy.orm import Session

from crevlo.core.evaluations.cost import counted_twice
from crevlo.core.figure import Figure
from crevlo.core.ranking.bands import in_bands, place_bands
from crevlo.core.ranking.buyer import Offer, say_budget, say_prints, weights_of_buyer
from crevlo.core.ranking.chances import MOST_BYTES, draw_values, draws_for
from crevlo.core.ranking.gate import Judged, Standing
from crevlo.core.ranking.points import normalised, rounded_to_total, weighted_totals
from crevlo.core.ranking.ranking import WEIGHT_SPREAD, Criterion, Ranking, rank
from crevlo.core.ranking.value import Shape as ValueShape
from crevlo.core.ranking.value import ValueFunction
from crevlo.core.ranking.verdict import Verdict, some_of
from crevlo.core.ranking.weighed import Weighed
from crevlo.stations.evidence.entrant import By, Entrant
from crevlo.stations.figures.reference import Reference, references_of
from crevlo.stations.figures.study import StudyFigures, study_figures, study_figures_by
from crevlo.stations.kit.kept import Kept
from crevlo.stations.kit.mark import UnitMark
from crevlo.stations.kit.shape import Missing, Quantity, Refused, Shape
from crevlo.stations.rank.buyer import Weights, buyers_of
from crevlo.stations.rank.criteria import BY_CODE, Anchor, CriterionGroup, anchors_of, group_of, unit_of
from crevlo.stations.rank.flip import Flip, flips_of, flips_words
from crevlo.stations.rank.laid_out import Entered, LaidOut, lay_out
from crevlo.stations.rank.must_have import MustHaveChoice, MustHaveOut, choices, gate_out, judge
from crevlo.stations.rank.reference import ReferenceLine, reference_lines
from crevlo.stations.rank.scheme import latest_scheme
from crevlo.store.study import BuyerProfile, CriterionRow, SchemeVersion


class CriterionOut(Shape):
    code: str
    name: str
    short: str
    unit: str
    weight: float
    scheme_weight: float
    digits: int
    factor: float = Field(description="what is shown is this many times the raw figure")
    group: CriterionGroup
    group_name: str = Field(
        default="", description="the scheme's own group in which it stands; empty where it stands alone"
    )
    shape: ValueShape
    points: list[Anchor] = Field(description="two where it is straight: worst and best")


# As plain as can be: there are a thousand of them in an answer.
@dataclass(frozen=True, slots=True)
class Contribution:
    """What one figure of a machine brings to its total."""

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
    rank_chances: list[float] = Field(description="by band of places")
    contributions: list[Contribution]
    missing: int
    departures: list[str] = Field(description="departures from the protocol behind its figures")
    safety: list[str] = Field(description="failed checks, hazards and repairs on record, whatever came after")
    not_recommended: str = Field(description="why it is not recommended whatever its rank; empty where it is")
    doubts: list[str] = Field(
        description="must-haves that it fails though shown, or that are open or too close to be sure"
    )


class LeftOut(Shape):
    machine: UnitMark
    reason: str
    safety: list[str]
    not_recommended: str
    is_control: bool
    total: float | None


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
    prints_month: float | None
    budget: float | None
    step: float | None


class PlaceBand(Shape):
    first: int
    last: int


class RankView(Shape):
    profile: ProfileOut
    profiles: list[ProfileOut]
    scheme_number: int
    currency: str
    criteria: list[CriterionOut]
    must_haves: list[MustHaveOut]
    must_have_choices: list[MustHaveChoice]
    standings: list[StandingLine]
    left_out: list[LeftOut]
    sides: list[By] = Field(description="what can stand side by side in this study")
    by: By
    verdict: VerdictOut
    place_bands: list[PlaceBand] = Field(default_factory=list, description="none in revisions that tell each place")
    flips: list[Flip]
    flips_words: str = Field(description="why there is no flip to show, or what they are of")
    reasons: list[Reason]
    references: list[ReferenceLine]
    prints_words: str
    budget_words: list[str]
    apart: list[str] = Field(description="what is printed but kept out of the comparison, and why")
    missing_cells: int
    cells: int
    cells_words: str
    draws: int
    weight_spread: float
    counted_twice: str = Field(description="what these weights count twice; empty where nothing is")


class WhatIf(Shape):
    profile_id: uuid.UUID | None = None
    weights: Weights | None = None
    show_gated: bool = False
    by: By = Field(
        default=By.MACHINE, description="what stands side by side: machines, or their configurations or arms"
    )


# Pure functions of what a transaction sees: keyed by its snapshot, so never stale; lost without harm.
_draws: Kept[Weighed] = Kept(MOST_BYTES, lambda drawn: drawn.nbytes)


@dataclass(frozen=True, slots=True)
class _Read:
    """What rankings of a study for any buyer and weights are worked out from."""

    study_id: uuid.UUID
    figures: StudyFigures
    references: Sequence[Reference]
    buyers: Sequence[BuyerProfile]
    scheme: SchemeVersion


def _read(session: Session, study_id: uuid.UUID, by: By) -> _Read:
    # Figures first: reading them lets go of what the session held before.
    machines = study_figures(session, study_id)
    references = references_of(session, machines)
    figures = machines if by is By.MACHINE else study_figures_by(session, study_id, by)
    return _Read(study_id, figures, references, buyers_of(session, study_id), latest_scheme(session, study_id))


def view_rank(session: Session, study_id: uuid.UUID, what_if: WhatIf) -> RankView:
    return _ranked(_read(session, study_id, what_if.by), what_if)


def ranks_of_buyers(
    session: Session, study_id: uuid.UUID, buyers: Sequence[BuyerProfile] | None = None
) -> list[RankView]:
    """The ranking for each buyer of the study, or for these, read once for all of them."""
    read = _read(session, study_id, By.MACHINE)
    return [_ranked(read, WhatIf(profile_id=b.id)) for b in (read.buyers if buyers is None else buyers)]


def _ranked(read: _Read, what_if: WhatIf) -> RankView:
    figures, profiles, scheme = read.figures, read.buyers, read.scheme
    profile = next((p for p in profiles if p.id == what_if.profile_id), None) if what_if.profile_id else profiles[0]
    if profile is None:
        raise Missing("There is no such buyer profile in this study.")
    inputs = figures.of_buyer(profile.prints_month)
    bench = inputs.compared
    criteria = scheme.criteria
    base = _base_weights(criteria, profile)
    weights = _asked_weights(base, what_if.weights)
    laid = lay_out(inputs, scheme)
    functions = laid.functions
    judged = {e.key: [judge(inputs, e, gate) for gate in profile.gates] for e in inputs.entrants}
    failing = {key: [j.reason for j in row if j.standing is Standing.FAILS] for key, row in judged.items()}
    to_rank = [e for e in inputs.entrants if not e.entry.is_control]
    entries = [e for e in to_rank if what_if.show_gated or not failing[e.key]]
    rows = [laid.of[e.key].row for e in entries]
    # By all who could be ranked, so that no must-have changes how finely chances are told.
    draws = draws_for(len(to_rank), len(criteria))
    shares = [weights[c.code] for c in criteria]
    key = (read.study_id, inputs.state, tuple(e.key for e in entries), scheme.id, draws)
    gated = sum(bool(failing[e.key]) for e in to_rank)
    ranking = rank(
        [e.name for e in entries], rows,
        [Criterion(c.code, f, w) for c, f, w in zip(criteria, functions, shares, strict=True)], bench.study.seed,
        left_out=0 if what_if.show_gated else gated,
        values=[laid.of[e.key].values for e in entries],
        drawn=lambda: _value_draws(key, rows, functions, [c.code for c in criteria], bench.study.seed, draws),
    )  # fmt: skip
    values, totals, middle, chance = ranking.values, ranking.totals, ranking.middle, ranking.chance
    verdict, order = ranking.verdict, ranking.order
    standings = [_standing(entries[i], laid.of[entries[i].key], inputs, criteria, ranking, i) for i in order]
    for standing, i in zip(standings, order, strict=True):
        standing.doubts = [
            j.reason for j in judged[entries[i].key] if j.standing is not Standing.PASSES or j.is_close
        ]
    missing = sum(s.missing for s in standings)
    whole = [i for i in order if totals[i].complete]
    flips = flips_of(
        [entries[i].mark for i in whole], [c.code for c in criteria], shares,
        [[v for v in values[i] if v is not None] for i in whole], [rows[i] for i in whole], functions, bench.study.currency,
    )  # fmt: skip
    in_question = [s for s, i in zip(standings, order, strict=True) if i in verdict.contenders]
    return RankView(
        profile=ProfileOut.model_validate(profile, extra="ignore"),
        profiles=[ProfileOut.model_validate(p, extra="ignore") for p in profiles],
        scheme_number=scheme.number, currency=bench.study.currency,
        criteria=[
            CriterionOut(
                code=c.code, name=BY_CODE[c.code].name, short=BY_CODE[c.code].short,
                unit=unit_of(c.code, bench.study.currency), weight=weights[c.code], scheme_weight=base[c.code], points=anchors_of(c.points), shape=c.shape, digits=BY_CODE[c.code].digits, group=group_of(c.code), group_name=c.group_name,
                factor=BY_CODE[c.code].factor,
            )
            for c in criteria
        ],
        must_haves=[
            gate_out(g, [judged[e.key][at] for e in to_rank], bench.study.currency)
            for at, g in enumerate(profile.gates)
        ],
        must_have_choices=choices(bench), sides=laid.sides, by=what_if.by, apart=inputs.apart,
        references=reference_lines(
            [r.of_buyer(profile.prints_month) for r in read.references], [c.code for c in criteria], functions, shares,
            (entries[order[0]].name, rows[order[0]]) if order else None, bench.study.seed,
            f"{inputs.state} {scheme.id} {entries[order[0]].key}" if order and inputs.state else None,
        ), standings=standings,
        left_out=_left_out(inputs, laid, failing, what_if.show_gated, shares),
        place_bands=[PlaceBand(first=first, last=last) for first, last in place_bands(len(order))],
        verdict=_with_caveats(verdict, in_question, judged),
        flips=flips, flips_words=flips_words(flips, [middle[i] for i in whole], len(entries)),
        reasons=_reasons(standings), missing_cells=missing, cells=len(entries) * len(criteria),
        cells_words=_cells_words(missing, len(entries) * len(criteria)),
        draws=chance.draws if chance else 0, weight_spread=WEIGHT_SPREAD,
        prints_words=say_prints(profile.prints_month),
        budget_words=_budget_words(standings, profile, bench.study.currency),
        counted_twice=counted_twice([code for code, weight in weights.items() if weight > 0]),
    )  # fmt: skip


def _with_caveats(
    verdict: Verdict, in_question: Sequence[StandingLine], judged: dict[uuid.UUID, list[Judged]]
) -> VerdictOut:
    """What stands against those who are or may be first is said with the verdict; a winner's name leaves the headline where
    something forbids it, and what is not known yet of a must-have is said."""
    against: list[str] = []
    unknown: dict[str, list[str]] = defaultdict(list)
    for s in in_question:
        own = [f"not recommended: {s.not_recommended.rstrip('.')}"] if s.not_recommended else []
        own += [f"fails a must-have: {j.reason}" for j in judged[s.machine.unit_id] if j.standing is Standing.FAILS]
        against += [f"{s.machine.name} is {w}." if w.startswith("not") else f"{s.machine.name} {w}." for w in own]
        for j in judged[s.machine.unit_id]:
            if j.standing is Standing.OPEN:
                unknown[j.reason].append(s.machine.name)
    evidence = " ".join([verdict.evidence, *against])
    if unknown:
        still = "; ".join(f"{reason} ({some_of(names)})" for reason, names in unknown.items())
        evidence += f" Of the must-haves, open: {still}."
    headline = verdict.headline
    if against and len(verdict.first) == 1:
        best = in_question[0]
        headline = f"{best.machine.name} has the most points, but {'is not recommended' if best.not_recommended else 'fails a must-have'}"
    return VerdictOut(headline=headline, evidence=evidence, tie=verdict.tie)


def _budget_words(standings: Sequence[StandingLine], profile: BuyerProfile, currency: str) -> list[str]:
    known = [s for s in standings if s.all_in.value is not None]
    offers = [Offer(s.machine.name, s.all_in.value or 0.0, s.total) for s in known]
    return say_budget(offers, len(standings) - len(known), profile.budget, profile.step, currency)


def _cells_words(missing: int, cells: int) -> str:
    if not cells:
        return ""
    if missing:
        return f"{missing} of {cells} figures not yet known; where one is missing, the total is an interval."
    return f"All {cells} figures are known."


def _value_draws(
    key: tuple[object, ...],
    rows: list[list[Figure]],
    functions: list[ValueFunction],
    codes: list[str],
    seed: int,
    draws: int,
) -> Weighed:
    def drawn() -> Weighed:
        return Weighed(draw_values(rows, functions, seed, draws, codes=codes, in_steps=True))

    return drawn() if key[1] is None else _draws.get(repr(key), drawn)


def _base_weights(criteria: list[CriterionRow], profile: BuyerProfile) -> dict[str, float]:
    set_ = {c.code: float(profile.weights.get(c.code, c.weight)) for c in criteria}
    return weights_of_buyer(set_, profile.prints_month)


def _asked_weights(base: dict[str, float], asked: dict[str, float] | None) -> dict[str, float]:
    if asked is None:
        return base
    if set(asked) != set(base):
        raise Refused("Weights are needed for exactly the criteria of the scheme.")
    normalised(list(asked.values()))
    return asked


def _standing(
    entrant: Entrant, entered: Entered, figures: StudyFigures, criteria: list[CriterionRow], ranking: Ranking, i: int
) -> StandingLine:
    chance, total, place = ranking.chance, ranking.totals[i], ranking.places[i]
    assert chance is not None
    entry = entrant.entry
    known = [p for p in total.contributions if p is not None]
    shown = iter(rounded_to_total(known))
    contributions = [
        Contribution(code=c.code, points=None if part is None else next(shown), value=value, raw=raw)
        for c, part, value, raw in zip(criteria, total.contributions, entered.values, entered.raws, strict=True)
    ]
    return StandingLine(
        machine=entrant.mark, all_in=entered.all_in, rank=place.rank, best_rank=place.best, worst_rank=place.worst,
        total=round(ranking.middle[i], 1), total_low=total.low, total_high=total.high, expanded=float(chance.expanded[i]),
        first_chance=float(chance.rank[i, 0]), rank_chances=in_bands(chance.rank[i].tolist(), place_bands(len(ranking.order))),
        contributions=contributions, missing=sum(v is None for v in entered.values), departures=entered.departures,
        safety=list(figures.compared.records[entry.unit_id].on_record), not_recommended=entry.not_recommended, doubts=[],
    )  # fmt: skip


def _left_out(
    figures: StudyFigures, laid: LaidOut, failing: dict[uuid.UUID, list[str]], show_gated: bool, shares: list[float]
) -> list[LeftOut]:
    out, bench = [], figures.compared
    for entrant in figures.entrants:
        entry, reasons = entrant.entry, failing[entrant.key]
        if not entry.is_control and (not reasons or show_gated):
            continue
        total = weighted_totals(shares, [laid.of[entrant.key].values])[0]
        out.append(
            LeftOut(
                machine=entrant.mark, is_control=entry.is_control, not_recommended=entry.not_recommended,
                safety=list(bench.records[entry.unit_id].on_record),
                reason=_of_control(entrant) if entry.is_control else "; ".join(reasons),
                total=total.low if total.complete else None,
            )
        )  # fmt: skip
    return sorted(out, key=lambda x: x.is_control)


def _of_control(entrant: Entrant) -> str:
    printed = any(run.outcome for run in entrant.bench.runs_of(entrant.entry.unit_id))
    return "control, printed alongside to anchor the others" if printed else "control, not printed on yet"


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
